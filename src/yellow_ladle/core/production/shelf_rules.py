"""What may be done with what stands there: freezing, thawing, drawing, and keeping it longer."""

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.batch_card import card_of
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.instants import date_of, days_after
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.recall import HeldBack
from yellow_ladle.core.production.shelf import kept
from yellow_ladle.core.production.shelf_entries import Move

FROZEN, THAWED = "frozen", "thawed"
DAYS_THAWED = 1
"""Thawed food is used within 24 hours, kept at 5 °C or below."""


def refuse_move(day: DayReading, move: Move) -> None:
    """Raises BookRefused where something must not be frozen, thawed or kept longer.

    Past its last day nothing is; what was thawed is never frozen again.
    """
    on = date_of(move.at)
    if move.to in (FROZEN, THAWED):
        refuse_past(day, move.of, on, "frozen" if move.to == FROZEN else "thawed")
    storage, _ = kept(day, move.of)
    was_thawed = any(each.to == THAWED for each in day.stock.moves_of(move.of))
    if move.to == FROZEN and was_thawed:
        why = "it was thawed: it is never frozen again. Use it today or throw it away"
        raise BookRefused([Fault("to", why)])
    if move.to == THAWED and storage != FROZEN:
        raise BookRefused([Fault("to", "it is not frozen, as far as was written down")])
    latest = _latest(day, move, storage)
    if move.use_by is not None and latest is not None and move.use_by > latest:
        why = f"it is used by {latest} at the latest; only what is frozen keeps longer"
        raise BookRefused([Fault("use_by", why)])


def _latest(day: DayReading, move: Move, storage: str) -> str | None:
    """The latest day to which a move may set the last one; None where nothing says so."""
    if move.to == THAWED:
        return days_after(date_of(move.at), DAYS_THAWED)
    last_day = day.stock.last_day(move.of)
    kept_frozen = FROZEN in (move.to, storage)
    return last_day.day if last_day.told and not kept_frozen else None


def refuse_past(day: DayReading, of: str, on: str, done: str) -> None:
    """Raises BookRefused where the last day of something, as somebody said it, is past."""
    last_day = day.stock.last_day(of)
    if last_day.told and not last_day.reaches(on):
        why = f"it was past its last day, {last_day.day}: it is not {done}. Throw it away"
        raise BookRefused([Fault(of, why)])


def refuse_draws(day: DayReading, held_back: HeldBack, batch: Batch) -> None:
    """Raises BookRefused where a batch is drawn from what was past its last day, or recalled."""
    for entry in batch.went_in:
        drawn = entry.tub or entry.batch or entry.lot
        if drawn is None:
            continue
        refuse_past(day, drawn, date_of(batch.made), "used")
        if held_back.reaches(drawn):
            why = "a recall reaches it: it is not used. Take something else, or close the recall"
            raise BookRefused([Fault(drawn, why)])


def use_by_of_move(day: DayReading, move: Move) -> str | None:
    """The last day that a move gives: the one that was said, else the rule of thawing or `keeps`.

    Raises BookRefused where something is frozen whose card does not say how long it keeps frozen.
    """
    on = date_of(move.at)
    if move.use_by is not None:
        return move.use_by
    if move.to == THAWED:
        return days_after(on, DAYS_THAWED)
    if move.to != FROZEN:
        return None
    if move.of in day.timeline.lots:
        return None
    card = card_of(day.book, day.timeline.batch_behind(move.of))
    if card is None or card.keeps is None or card.keeps.frozen_days is None:
        why = "its card does not say how long it keeps frozen: say until when"
        raise BookRefused([Fault("use_by", why)])
    return days_after(on, card.keeps.frozen_days)


def refuse_twice(daybook: Daybook, lot: Lot) -> None:
    """Raises BookRefused of a delivery that was entered already: the same code on the same day."""
    for known in daybook.lots:
        same = (known.product, known.code, date_of(known.received))
        if lot.code and same == (lot.product, lot.code, date_of(lot.received)):
            why = f"lot {lot.code} came in on {lot.received} already: it is on the shelf"
            raise BookRefused([Fault("code", why)])
