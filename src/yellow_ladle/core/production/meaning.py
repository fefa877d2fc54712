"""What a batch means today: against its card, for the plates, and for those who eat them."""

from dataclasses import dataclass

from yellow_ladle.core.book.need import Need
from yellow_ladle.core.carrying.suitability import DietChecker, Verdict, verdicts_of
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.differences import Differences, differences
from yellow_ladle.core.production.resumed_reading import with_batch
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class PlateToday:
    """A plate that reads otherwise today than by its card, with what it may have more and less."""

    plate: str
    more: tuple[str, ...]
    less: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class NeedTouched:
    """A need that a plate answers today less well than by its card."""

    need: Need
    plate: str


@dataclass(frozen=True, slots=True)
class Meaning:
    """What a batch changes; `differs` is None where there is no card to compare it with."""

    levels: dict[str, Level]
    differs: Differences | None
    plates: tuple[PlateToday, ...]
    needs: tuple[NeedTouched, ...]


def meaning_of(day: DayReading, daybook: Daybook, batch: Batch) -> Meaning:
    """What a batch would mean, recorded beside all that is recorded already."""
    return meaning(with_batch(day, daybook, batch), batch.id)


def meaning(day: DayReading, id: str) -> Meaning:
    """What a batch means today: the plates that it may go into are read as they stand now."""
    batch = day.timeline.batches[id]
    plates, needs = [], []
    for plate in _plates_of(day, batch):
        mask, card = plate_mask(day, plate), day.reading.masks[plate]
        if mask == card:
            continue
        layout = day.reading.layout
        flags = [
            (flag, layout.level(mask, bit), layout.level(card, bit))
            for flag, bit in layout.bits.items()
        ]
        more = tuple(flag for flag, now, usual in flags if now > usual)
        less = tuple(flag for flag, now, usual in flags if now < usual)
        if more or less:
            plates.append(PlateToday(plate, more, less))
        touched = (need for need in day.book.needs if _worse(day, need, mask, card))
        needs += [NeedTouched(need, plate) for need in touched]
    return Meaning(day.levels(id), differences(day, id), tuple(plates), tuple(needs))


def plate_mask(day: DayReading, item: str) -> int:
    """What a plate may carry now: by its batches that are there, and by its card."""
    return day.items.item(item, day.timeline.end_on(day.reading.on or ""))


def _plates_of(day: DayReading, batch: Batch) -> list[str]:
    """The dishes that a batch is or may go into, not retired, in the order of the book."""
    if batch.preparation is None or batch.preparation not in day.book.preparations:
        return []
    reached = day.reading.reached([batch.preparation]) | {batch.preparation}
    pots = day.book.preparations
    return [id for id in pots if id in reached and pots[id].kind == "dish" and not pots[id].retired]


def _worse(day: DayReading, need: Need, now: int, usual: int) -> bool:
    layout = day.reading.layout
    bits = [layout.bits[flag] for flag in need.clear if flag in layout.bits]
    if any(layout.level(now, bit) > layout.level(usual, bit) for bit in bits):
        return True
    checkers = verdicts_of(layout).checkers
    return any(
        _rank(checkers[diet], now) > _rank(checkers[diet], usual)
        for diet in need.fit
        if diet in checkers
    )


def _rank(checker: DietChecker, mask: int) -> int:
    return list(Verdict).index(checker.verdict(mask))
