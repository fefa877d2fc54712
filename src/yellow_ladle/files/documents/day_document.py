"""The reading of a daybook as a JSON document."""

from typing import Any

from yellow_ladle.core.book.tool import Toolbox
from yellow_ladle.core.production.batch import by_product_of_batch
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.differences import differences
from yellow_ladle.core.production.provenance import BatchSource, Provenance
from yellow_ladle.core.production.recall import HeldBack
from yellow_ladle.core.production.stock import Quantity
from yellow_ladle.files.book.conversion import whole_numbers
from yellow_ladle.files.documents.reading_document import reason_content

DECIMALS = 6
"""Amounts are told to a millionth: what is beyond comes of adding."""


def day_content(day: DayReading) -> dict[str, Any]:
    """Every lot, and every batch and by-product with what it carries, as of the reading's day."""
    provenance, held_back = Provenance(day), HeldBack(day, day.reading.on or "")
    batches: dict[str, Any] = {}
    for id in sorted(day.timeline.batches):
        parts = day.stock.by_products[id]
        for reference in (id, *(by_product_of_batch(id, part) for part in parts)):
            batches[reference] = {
                "preparation": day.timeline.batches[id].preparation,
                **_stock(day, reference, held_back),
                **_carried(day, reference, provenance),
            }
    return {
        "format": "yellow-ladle-day-reading",
        "version": 1,
        "lots": {id: _stock(day, id, held_back) for id in sorted(day.timeline.lots)},
        "batches": batches,
    }


def quantity_content(amount: Quantity | None) -> dict[str, Any] | None:
    """An amount; None where it is unknown."""
    if amount is None:
        return None
    return {"quantity": rounded(amount.quantity), "unit": amount.unit}


def rounded(number: float | None) -> Any:
    """A number without what only adding brought into it; whole ones without a decimal point."""
    return None if number is None else whole_numbers(round(float(number), DECIMALS))


def batch_source_content(source: BatchSource, box: Toolbox) -> dict[str, Any]:
    """A source with only those marks that it has."""
    giver = source.giver
    content: dict[str, Any]
    if giver.recorded is not None:
        content = {"batch": giver.recorded, "recorded": True}
    else:
        content = {"product": giver.item, "lot": giver.lot, "maker": giver.maker}
    content |= {"level": source.level.word, "via": list(giver.via)}
    if giver.tool is not None:
        content["tool"] = box.slug(giver.tool)
    marks = {"own": giver.own, "gone": giver.gone, "possible": giver.possible}
    return content | {mark: True for mark, is_so in marks.items() if is_so}


def _stock(day: DayReading, reference: str, held_back: HeldBack) -> dict[str, Any]:
    left = day.stock.left(reference)
    return {
        "left": quantity_content(left.amount),
        "over": quantity_content(left.over),
        "at_hand": held_back.at_hand(reference),
    }


def _carried(day: DayReading, reference: str, provenance: Provenance) -> dict[str, Any]:
    declared = provenance.declaration(reference)
    differing = differences(day, reference)
    return {
        "flags": {
            flag: {
                "level": sources[0].level.word,
                "sources": [batch_source_content(each, day.book.toolbox) for each in sources],
            }
            for flag, sources in provenance.sources(reference).items()
        },
        "declare": {
            "contains": list(declared.contains),
            "may_contain": list(declared.may_contain),
            "unchecked": list(declared.unchecked),
        },
        "diets": {
            diet: {
                "verdict": fit.verdict.value,
                "because": [reason_content(reason) for reason in fit.because],
            }
            for diet, fit in provenance.suitability(reference).items()
        },
        "differs": None
        if differing is None
        else {"more": list(differing.more), "less": list(differing.less)},
    }
