"""A batch as it is recorded: its card, a row for all that went in, the levels as they stood."""

from collections.abc import Mapping
from dataclasses import replace

from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.production.batch import Batch, Out, WentIn
from yellow_ladle.core.production.batch_card import as_written, card_of
from yellow_ladle.core.production.day_reading import DayReading, day_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.daybook_faults import DaybookFaults
from yellow_ladle.core.vocabulary.levels import Level


def with_rows(
    day: DayReading, batch: Batch, factor: float, makers: Mapping[str, str] | None = None
) -> Batch:
    """A batch with its card as it stands today, and a row for each line that went in as written.

    `factor` is how many times the card was made. `makers` are those that somebody named today for
    goods whose approved makers differ; no other maker, lot or batch is made up.
    """
    card = batch.card or day.book.preparations.get(batch.preparation or "")
    batch = replace(batch, card=card)
    followed = card_of(day.book, batch)
    rows = [
        WentIn(
            line.item,
            index,
            maker=(makers or {}).get(line.item),
            quantity=line.quantity * factor if not line.typed else None,
            unit=line.unit if not line.typed else None,
        )
        for index, line in as_written(followed, batch)
    ]
    out = batch.out
    if out is None and followed is not None and followed.yield_ is not None:
        out = Out(followed.yield_.quantity * factor, followed.yield_.unit)
    in_order = sorted([*batch.went_in, *rows], key=_by_line)
    return replace(batch, went_in=tuple(in_order), out=out)


def with_levels(day: DayReading, daybook: Daybook, batch: Batch) -> Batch:
    """A batch with the levels that it carries now, traces by its own tools excepted.

    A label that says less tomorrow lowers none of them; what nobody has checked is read anew.
    Raises BookRefused where the batch cannot be, as it names what is not there.
    """
    bare = replace(batch, statements={})
    others = tuple(each for each in daybook.batches if each.id != batch.id)
    whole = replace(daybook, batches=(*others, bare))
    if found := DaybookFaults(whole, day.book, checked=Daybook(batches=(bare,))).all():
        raise BookRefused(found)
    after = day_of(day.reading, whole)
    read = after.timeline.batches[batch.id]
    levels = after.reading.layout.levels(after.brought(read, after.timeline.place_of(read)))
    kept = {flag: level for flag, level in levels.items() if level is not Level.UNCHECKED}
    return replace(batch, statements=kept)


def _by_line(entry: WentIn) -> tuple[bool, int]:
    return entry.line is None, entry.line or 0
