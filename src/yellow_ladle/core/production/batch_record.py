"""A batch as it is recorded: its card, a row for all that went in, the levels as they stood."""

from collections.abc import Mapping
from dataclasses import replace

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.production.batch import Batch, Out, WentIn
from yellow_ladle.core.production.batch_card import as_written, card_of
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.daybook_faults import DaybookFaults
from yellow_ladle.core.production.resumed_reading import with_batch
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
    in_order = sorted([*batch.went_in, *rows], key=_by_line)
    return replace(batch, went_in=tuple(in_order))


def with_out(day: DayReading, batch: Batch, factor: float) -> Batch:
    """A batch that came to what its card says of so many times the card, if nobody weighed it."""
    followed = card_of(day.book, batch)
    if batch.out is not None or followed is None or followed.yield_ is None:
        return batch
    return replace(batch, out=Out(followed.yield_.quantity * factor, followed.yield_.unit))


def with_levels(
    day: DayReading, daybook: Daybook, batch: Batch, before: Batch | None = None
) -> Batch:
    """A batch with the levels that it carries now, traces by its own tools excepted.

    Its own statements raise them. A label that says less tomorrow lowers none of them; what nobody
    has checked is read anew. `before` is the entry that this one corrects: what only its statements
    still hold is kept. Raises BookRefused where the batch names what is not there.
    """
    bare = replace(batch, statements={})
    whole = daybook.with_batch(bare)
    if found := DaybookFaults(whole, day.book, checked=Daybook(batches=(bare,))).all():
        raise BookRefused(found)
    after = with_batch(day, daybook, bare)
    levels = _brought(after, after.timeline.batches[batch.id])
    kept: dict[str, Level] = {
        flag: level for flag, level in levels.items() if level is not Level.UNCHECKED
    }
    held = {} if before is None else only_stated(day, before)
    for flag, level in (*batch.statements.items(), *held.items()):
        if level > kept.get(flag, Level.FREE):
            kept[flag] = level
    return replace(batch, statements=kept)


def only_stated(day: DayReading, batch: Batch) -> dict[str, Level]:
    """The levels that only a batch's own statements hold: what went in gives less today."""
    levels = _brought(day, day.timeline.batches[batch.id])
    return {
        flag: level
        for flag, level in batch.statements.items()
        if level > levels.get(flag, Level.FREE)
    }


def with_statement(batch: Batch, flag: str, level: Level | None, why: str) -> Batch:
    """A batch that is stated to carry a level of a flag, or, without one, no longer is.

    Raises BookRefused where a level is taken off without a reason, or none was stated.
    """
    others = {each: stated for each, stated in batch.statements.items() if each != flag}
    if level is not None:
        return replace(batch, statements={**others, flag: level})
    if flag not in batch.statements:
        raise BookRefused([Fault("flag", "nothing is stated of this flag: look again")])
    if not why.strip():
        raise BookRefused([Fault("why", "say why it is taken off; the reason is kept")])
    return replace(batch, statements=others)


def _brought(day: DayReading, batch: Batch) -> dict[str, Level]:
    return day.reading.layout.levels(day.brought(batch, day.timeline.place_of(batch)))


def _by_line(entry: WentIn) -> tuple[bool, int]:
    return entry.line is None, entry.line or 0
