"""Days and traces as tables for a terminal."""

from typing import Any

from rich.table import Table

from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.reading.texts import SAY
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.documents.text_tables import terminal


def print_day(day: DayReading, content: dict[str, Any]) -> None:
    """One row a batch or by-product, then one a lot."""
    batches = Table("Batch", "Pot", "Left", "At hand", "Contains", "May contain", "Not checked",
                    "More than its card", "Less")  # fmt: skip
    for reference, told in content["batches"].items():
        levels = day.levels(reference.partition("/")[0])
        differs = told["differs"] or {"more": ["no card"], "less": []}
        name = told["preparation"] or day.timeline.batches[reference.partition("/")[0]].name
        batches.add_row(
            *(reference, name, _left(told), "yes" if told["at_hand"] else "no"),
            *(_those(levels, level) for level in (Level.CONTAINS, Level.MAY_CONTAIN)),
            _those(levels, Level.UNCHECKED),
            *(", ".join(differs["more"]), ", ".join(differs["less"])),
        )
    lots = Table("Lot", "Product", "Left", "At hand")
    for id, told in content["lots"].items():
        lot = day.timeline.lots[id]
        lots.add_row(id, lot.product, _left(told), "yes" if told["at_hand"] else "no")
    out = terminal()
    out.print(batches)
    out.print(lots)
    out.print(SAY)


def print_trace(content: dict[str, Any]) -> None:
    """Where it went, one row each, surely before possibly; then what it came from."""
    table = Table("Went to", "How surely", "How much", "By way of")
    for each in content["batches"]:
        grams = "not known" if each["grams"] is None else f"{each['grams']:.4g} g"
        table.add_row(each["batch"], "surely", grams, " ← ".join(each["via"]))
    for each in content["by_tool"]:
        table.add_row(each["batch"], "a trace", "", f"the {each['tool']}")
    for each in content["served"]:
        table.add_row(_plate(each), "surely", "", "")
    for batch in content["possible"]["batches"]:
        table.add_row(batch, "possibly", "", "")
    for each in content["possible"]["served"]:
        table.add_row(_plate(each), "possibly", "", "")
    for each in content["possible"]["services"]:
        table.add_row(f"{each['plate']}, {each['service']}", "possibly", "not noted", "")
    out = terminal()
    out.print(table)
    for each in content["left"]:
        told = "not known" if each["quantity"] is None else f"{each['quantity']:g} {each['unit']}"
        out.print(f"Left of {each['batch']}: {told}", markup=False)
    if content["tubs"]:
        out.print(f"Tubs: {', '.join(content['tubs'])}", markup=False)
    if content["back"]:
        names = ", ".join(str(next(iter(each.values()))) for each in content["back"])
        out.print(f"Came from: {names}", markup=False)


def _plate(served: dict[str, Any]) -> str:
    return f"{served['plate']}, {served['service']}, {served['need'] or 'any guest'}"


def _left(told: dict[str, Any]) -> str:
    if told["left"] is None:
        return "not known"
    over = f" ({told['over']['quantity']:g} over)" if told["over"] else ""
    return f"{told['left']['quantity']:g} {told['left']['unit']}{over}"


def _those(levels: dict[str, Level], wanted: Level) -> str:
    return ", ".join(flag for flag, level in levels.items() if level is wanted)
