"""A trace as a table of key data elements, one row an event.

United States: 21 CFR Part 1, Subpart S (receiving and transformation, sections 1.1345 and
1.1350): the lot code, what it is, how much, when, where, and the record that says so. The same rows
are the step back and the step forward of Regulation (EC) 178/2002, Article 18.
"""

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.batch import Batch, WentIn
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.trace import Trace
from yellow_ladle.core.production.trace_back import CameFrom

HEADINGS = (
    *("event", "surely", "traceability lot code", "product description", "quantity", "unit"),
    *("date", "time", "location", "maker", "from lot codes", "grams of what is traced"),
    *("reference record", "person"),
)


def trace_rows(day: DayReading, trace: Trace, back: CameFrom) -> list[list[str]]:
    """The rows under the headings: what was received, then each batch, then each plate."""
    book, timeline = day.book, day.timeline
    rows = [list(HEADINGS)]
    lots = back.lots | ({trace.asked.lot} if trace.asked.lot else set())
    for id in sorted(lots):
        lot = timeline.lots[id]
        amount = [_number(lot.quantity), lot.unit or ""]
        name = book.products[lot.product].name if lot.product in book.products else lot.product
        rows.append(
            [
                *("receiving", "yes", lot.code or lot.id, name, *amount, lot.received[:10], ""),
                *(lot.place, lot.maker or "", "", "", lot.id, lot.by),
            ]
        )
    asked = {trace.asked.batch} if trace.asked.batch else set()
    grams = {each.batch: each.grams for each in trace.batches}
    surely = asked | back.batches | set(grams)
    for id in [*timeline.batches]:
        if id in surely or id in trace.possible_batches:
            batch = timeline.batches[id]
            rows.append(_batch_row(book, day, batch, grams.get(id), surely=id in surely))
    for plates, sure in ((trace.served, "yes"), (trace.possible_served, "possibly")):
        for plate in plates:
            served = plate.served
            name = book.name(served.plate) if served.plate in book.preparations else served.plate
            drawn = (each.batch or each.tub or "" for each in served.from_ or ())
            rows.append(
                [
                    *("serving", sure, "", name, _number(served.portions), "portion"),
                    *(plate.at[:10], plate.at[11:16], plate.service, "", ", ".join(drawn), ""),
                    *(served.need or "", served.by),
                ]
            )
    return rows


def _batch_row(
    book: Book, day: DayReading, batch: Batch, grams: float | None, *, surely: bool
) -> list[str]:
    known = book.preparations.get(batch.preparation or "")
    name = batch.name or (known.name if known else batch.preparation or "")
    out = [_number(batch.out.quantity), batch.out.unit] if batch.out else ["", ""]
    drawn = (_lot_code(day, entry) for entry in batch.went_in)
    return [
        *("transformation", "yes" if surely else "possibly", batch.id, name, *out),
        *(batch.made[:10], batch.made[11:16], batch.place, ""),
        *(", ".join(code for code in drawn if code), _number(grams), batch.id, batch.by),
    ]


def _lot_code(day: DayReading, entry: WentIn) -> str:
    if entry.lot is not None:
        return day.timeline.lots[entry.lot].code or entry.lot
    return day.timeline.source_of(entry) or ""


def _number(quantity: float | None) -> str:
    return "" if quantity is None else f"{quantity:.10g}"
