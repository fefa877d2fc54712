"""What answers tell of a batch: in a row, and on its page."""

from datetime import datetime

from pydantic import BaseModel

from yellow_ladle.api.production.kept_day import Day
from yellow_ladle.api.schemas.answer_forms import Named, named
from yellow_ladle.core.production.batch import NONE_OF_OURS, Batch, batch_of, by_product_of_batch
from yellow_ladle.core.production.contributions import Giver
from yellow_ladle.core.production.differences import differences
from yellow_ladle.core.production.meaning import Meaning
from yellow_ladle.core.production.measured_yield import MeasuredYield, measured_yield
from yellow_ladle.core.production.provenance import BatchSource
from yellow_ladle.core.production.stock import Quantity
from yellow_ladle.core.production.trace import Trace
from yellow_ladle.core.production.trace_back import CameFrom, TraceBack
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.conversion import as_piece
from yellow_ladle.files.daybook.entry_pieces import BatchPiece


class BatchRow(BaseModel):
    """A batch in a row: what differs from its card, all that is known to be left."""

    id: str
    name: str
    made: str
    by: str
    more: list[str]
    less: list[str]
    left: Quantity | None
    at_hand: bool


class BatchSourceOut(BaseModel):
    """One source of a flag: a good by its lot and maker, or a batch's own record.

    `way` names the steps from the source to the batch. `lot` is the code of its pack where it has
    one. `kind`: direct, possible, by_tool, own, gone or recorded.
    """

    source: str
    lot: str | None
    maker: str | None
    level: LevelWord
    way: list[str]
    tool: str | None
    kind: str


class CarriedFlag(BaseModel):
    """A flag that a batch carries, with its sources; `card` is its level by the card today.

    `then` is the level that was written down when it was made.
    """

    flag: str
    name: str
    level: LevelWord
    card: LevelWord | None
    then: LevelWord | None
    sources: list[BatchSourceOut]


class PartLeft(BaseModel):
    """What is left of a batch, or of a by-product; None where it is unknown."""

    id: str
    name: str
    left: Quantity | None
    over: Quantity | None
    until: str | None
    at_hand: bool


class WentInRow(BaseModel):
    """One thing that went in, in words."""

    item: Named
    quantity: float | None
    unit: str | None
    from_: str


class BatchOut(BaseModel):
    """A batch's page; `seen` is the version to correct it with."""

    id: str
    name: str
    seen: int
    piece: BatchPiece
    preparation: Named | None
    flags: list[CarriedFlag]
    went_in: list[WentInRow]
    left_out: list[Named]
    parts: list[PartLeft]
    went_to: list[Named]
    possibly_to: list[Named]
    served: list[str]
    came_from: list[Named]
    late: bool
    measured: MeasuredYield | None


class PlateTodayOut(BaseModel):
    """A plate that reads otherwise today than by its card."""

    plate: Named
    more: list[str]
    less: list[str]


class NeedTouchedOut(BaseModel):
    """A guest's need that a plate answers less well today."""

    guest: str
    plate: Named


class MeaningOut(BaseModel):
    """What a batch means today; `compared` is false where there is no card."""

    compared: bool
    more: list[str]
    less: list[str]
    plates: list[PlateTodayOut]
    needs: list[NeedTouchedOut]


def batch_row(day: Day, id: str) -> BatchRow:
    """A batch in a row."""
    batch, reading = day.reading.timeline.batches[id], day.reading
    differing = differences(reading, id)
    words = flag_names(day)
    return BatchRow(
        id=id,
        name=batch_name(day, batch),
        made=batch.made,
        by=batch.by,
        more=[words[flag] for flag in differing.more] if differing else [],
        less=[words[flag] for flag in differing.less] if differing else [],
        left=reading.stock.left(id).amount,
        at_hand=day.held_back.at_hand(id),
    )


def batch_name(day: Day, batch: Batch) -> str:
    """What people call a batch: its own name, else its card's, else that of the book."""
    if batch.name:
        return batch.name
    known = day.reading.book.preparations.get(batch.preparation or "")
    if known is not None:
        return known.name
    return batch.card.name if batch.card else batch.preparation or batch.id


def reference_name(day: Day, reference: str) -> str:
    """A batch or by-product in words: its name and when it was made."""
    id, _, part = reference.partition("/")
    batch = day.reading.timeline.batches[id]
    name = batch_name(day, batch)
    if part:
        card = batch.card or day.reading.book.preparations.get(batch.preparation or "")
        found = (each.name for each in card.by_products if each.id == part) if card else iter(())
        name = f"{next(found, part)} of {name}"
    return f"{name}, {moment_words(batch.made)}"


def lot_name(day: Day, id: str) -> str:
    """A lot in words: its good, and its code where it has one."""
    lot = day.reading.timeline.lots[id]
    return f"{named(day.reading.book, lot.product).name}, lot {lot.code or lot.id}"


def moment_words(moment: str) -> str:
    """A moment as people write it: `2 Dec 10:40`."""
    at = datetime.fromisoformat(moment)
    return f"{at.day} {at:%b %H:%M}"


def batch_out(day: Day, id: str, trace: Trace) -> BatchOut:
    """A batch's page."""
    reading, batch = day.reading, day.reading.timeline.batches[id]
    book, card = reading.book, batch.card
    lines = card.lines if card is not None and not batch.way else ()
    lost = [lines[each.line].item for each in batch.left_out if each.line < len(lines)]
    known = batch.preparation in book.preparations
    return BatchOut(
        id=id,
        name=batch_name(day, batch),
        seen=day.kept.seqs["batches", id],
        piece=as_piece(BatchPiece, batch),
        preparation=named(book, batch.preparation or "") if known else None,
        flags=_flags(day, id, batch),
        went_in=[
            WentInRow(
                item=named(book, entry.item),
                quantity=entry.quantity,
                unit=entry.unit,
                from_=_from(day, entry.batch, entry.lot, entry.maker),
            )
            for entry in reading.entries_of(batch)
        ],
        left_out=[named(book, item) for item in lost],
        parts=[_part(day, reference) for reference in _references(day, id)],
        went_to=[_batch_named(day, each.batch) for each in trace.batches],
        possibly_to=[_batch_named(day, each) for each in trace.possible_batches],
        served=[f"{book.name(plate.served.plate)}, {plate.at[11:16]}" for plate in trace.served],
        came_from=came_from(day, TraceBack(reading).of(id)),
        measured=measured_yield(reading, batch.preparation or ""),
        late=batch.recorded is not None and batch.recorded[:16] > batch.made[:16],
    )


def came_from(day: Day, back: CameFrom) -> list[Named]:
    """What a batch was made from, in names: lots, batches, goods of which no lot was noted."""
    book = day.reading.book
    found = [Named(id=id, name=lot_name(day, id)) for id in sorted(back.lots)]
    found += [Named(id=id, name=reference_name(day, id)) for id in sorted(back.batches)]
    return [*found, *(named(book, id) for id in sorted(back.products))]


def meaning_out(day: Day, found: Meaning) -> MeaningOut:
    """What a batch means today, in names."""
    words, book = flag_names(day), day.reading.book
    differing = found.differs
    return MeaningOut(
        compared=differing is not None,
        more=[words[flag] for flag in differing.more] if differing else [],
        less=[words[flag] for flag in differing.less] if differing else [],
        plates=[
            PlateTodayOut(
                plate=named(book, each.plate),
                more=[words[flag] for flag in each.more],
                less=[words[flag] for flag in each.less],
            )
            for each in found.plates
        ],
        needs=[
            NeedTouchedOut(guest=each.need.guest, plate=named(book, each.plate))
            for each in found.needs
        ],
    )


def _flags(day: Day, id: str, batch: Batch) -> list[CarriedFlag]:
    names, reading = flag_names(day), day.reading
    known = batch.preparation in reading.book.preparations
    usual = reading.reading.levels(batch.preparation or "") if known else None
    return [
        CarriedFlag(
            flag=flag,
            name=names[flag],
            level=sources[0].level.word,
            card=None if usual is None else usual[flag].word if flag in usual else "free",
            then=batch.statements[flag].word if flag in batch.statements else None,
            sources=[_source(day, source) for source in sources],
        )
        for flag, sources in day.provenance.sources(id).items()
    ]


def _source(day: Day, source: BatchSource) -> BatchSourceOut:
    giver, lots = source.giver, day.reading.timeline.lots
    lot = lots.get(giver.lot or "")
    return BatchSourceOut(
        source=_giver_name(day, giver),
        lot=lot.code or lot.id if lot else None,
        maker=_maker_name(day, giver.item, giver.maker),
        level=source.level.word,
        way=[_step_name(day, step) for step in reversed(giver.via[1:])],
        tool=giver.tool,
        kind=_kind(giver),
    )


def _kind(giver: Giver) -> str:
    marks = {
        "by_tool": giver.tool is not None,
        "recorded": giver.recorded is not None,
        "gone": giver.gone,
        "own": giver.own,
        "possible": giver.possible,
    }
    return next((mark for mark, is_so in marks.items() if is_so), "direct")


def _giver_name(day: Day, giver: Giver) -> str:
    if giver.recorded is not None:
        return reference_name(day, giver.recorded)
    return named(day.reading.book, giver.item or "").name


def _maker_name(day: Day, product: str | None, maker: str | None) -> str | None:
    if maker is None:
        return None
    if maker == NONE_OF_OURS:
        return "none of ours"
    known = day.reading.book.products.get(product or "")
    return next((each.name for each in known.makers if each.id == maker), maker) if known else maker


def _step_name(day: Day, step: str) -> str:
    if batch_of(step) in day.reading.timeline.batches:
        return reference_name(day, step)
    return named(day.reading.book, step).name


def _from(day: Day, batch: str | None, lot: str | None, maker: str | None) -> str:
    if batch is not None:
        made = day.reading.timeline.batches[batch_of(batch)].made
        return f"the batch of {moment_words(made)}"
    known = day.reading.timeline.lots.get(lot or "")
    if known is not None:
        return f"lot {known.code or known.id}"
    return "none of ours" if maker == NONE_OF_OURS else maker or ""


def _references(day: Day, id: str) -> list[str]:
    parts = day.reading.stock.by_products[id]
    return [id, *(by_product_of_batch(id, part) for part in parts)]


def _part(day: Day, reference: str) -> PartLeft:
    left = day.reading.stock.left(reference)
    return PartLeft(
        id=reference,
        name=reference_name(day, reference),
        left=left.amount,
        over=left.over,
        until=day.reading.stock.last_day(reference).day,
        at_hand=day.held_back.at_hand(reference),
    )


def _batch_named(day: Day, id: str) -> Named:
    return Named(id=id, name=reference_name(day, id))


def flag_names(day: Day) -> dict[str, str]:
    """The name of every flag, by its id."""
    return {flag.id: flag.name for flag in day.reading.book.flags}
