"""Commands that read a daybook: what was made, and where something went."""

from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer

from yellow_ladle.core.book.fault import Fault
from yellow_ladle.server.commands.arguments import (
    AsJson,
    BookFile,
    book_of,
    day_of,
    known,
    print_json,
    refuse,
    today,
)

if TYPE_CHECKING:
    from yellow_ladle.core.production.asked import Asked
    from yellow_ladle.core.production.day_reading import DayReading

DaybookFile = Annotated[Path, typer.Argument(metavar="FILE.daybook.json", help="The daybook file.")]
UntilDay = Annotated[
    str | None, typer.Option("--on", metavar="DATE", help="As it was at the end of this day.")
]


def day(file: BookFile, daybook: DaybookFile, on: UntilDay = None, as_json: AsJson = False) -> None:
    """What every batch of a daybook carries, what is left of it, and what is at hand."""
    from yellow_ladle.files.documents.day_document import day_content

    reading = reading_of(file, daybook, on)
    content = day_content(reading)
    if as_json:
        print_json(content)
    else:
        from yellow_ladle.files.documents.day_tables import print_day

        print_day(reading, content)


def trace(
    file: BookFile,
    daybook: DaybookFile,
    lot: Annotated[str | None, typer.Option(metavar="ID", help="A lot.")] = None,
    batch: Annotated[str | None, typer.Option(metavar="ID", help="A batch.")] = None,
    product: Annotated[str | None, typer.Option(metavar="ID", help="A product.")] = None,
    maker: Annotated[
        str | None, typer.Option(metavar="ID", help="One maker of the product.")
    ] = None,
    on: UntilDay = None,
    as_json: AsJson = False,
) -> None:
    """Where a lot, a batch or a product went, surely and possibly, and what a batch came from."""
    from yellow_ladle.core.production.asked import Asked
    from yellow_ladle.core.production.trace import trace
    from yellow_ladle.core.production.trace_back import CameFrom, TraceBack
    from yellow_ladle.files.documents.trace_document import trace_content

    if sum(each is not None for each in (lot, batch, product)) != 1:
        refuse([Fault("--lot", "name a lot, a batch or a product: one of the three")])
    if maker is not None and product is None:
        refuse([Fault("--maker", "a maker is asked about with its product: add --product")])
    reading = reading_of(file, daybook, on)
    asked = Asked(lot=lot, batch=batch, product=product, maker=maker)
    _refuse_unknown(reading, asked)
    found = trace(reading, asked)
    back = CameFrom() if batch is None else TraceBack(reading).of(batch)
    content = trace_content(found, back)
    if as_json:
        print_json(content)
    else:
        from yellow_ladle.files.documents.day_tables import print_trace

        print_trace(content)


def reading_of(file: Path, daybook: Path, on: str | None) -> "DayReading":
    """A book and its daybook, read until the end of a day; refuses what cannot be read."""
    from yellow_ladle.core.production.day_reading import read_day
    from yellow_ladle.files.daybook.daybook_file import read_daybook

    until = None if on is None else day_of(on)
    book = book_of(file)
    try:
        entries = read_daybook(daybook, book)
    except OSError as error:
        refuse([Fault(str(daybook), f"cannot be read: {error.strerror}")])
    return read_day(book, entries, until or today(), until)


def _refuse_unknown(reading: "DayReading", asked: "Asked") -> None:
    """Refuses what is asked about where nothing of it is known."""
    timeline, goods = reading.timeline, reading.book.products
    if asked.lot is not None:
        known("--lot", "lot", asked.lot, timeline.lots)
    if asked.batch is not None:
        known("--batch", "batch", asked.batch, timeline.batches)
    if asked.product is not None:
        entered = {entry.item for each in timeline.batches.values() for entry in each.went_in}
        recorded = entered | {each.product for each in timeline.lots.values()}
        known("--product", "product", asked.product, {*goods, *recorded})
    if asked.product is not None and asked.product in goods and asked.maker is not None:
        makers = {each.id for each in goods[asked.product].makers}
        known("--maker", "maker", asked.maker, {*makers, "?"})
