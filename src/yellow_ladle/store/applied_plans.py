"""Plans that were put into the book: kept as a whole, and taken back as a whole."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy import select

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.reading.update import Change
from yellow_ladle.files.book.conversion import content, value_of
from yellow_ladle.store.documents import Recorded
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.tables import AppliedRow
from yellow_ladle.store.transactions import Writing

OVERNIGHT = "the day was over"


@dataclass(frozen=True, slots=True)
class Applying:
    """A plan that is about to be put into the book. `until`: the last day (ISO) it is for."""

    item: str
    how: str
    until: str | None
    goals: Mapping[str, Any]
    swaps: tuple[Mapping[str, Any], ...]
    sentence: str


@dataclass(frozen=True, slots=True)
class Applied:
    """A plan in the book. `made` are the ids of what it added, `changed` of what it rewrote."""

    id: int
    at: str
    item: str
    how: str
    until: str | None
    goals: Mapping[str, Any]
    swaps: tuple[Mapping[str, Any], ...]
    sentence: str
    made: tuple[str, ...]
    changed: tuple[str, ...]
    ended: str | None


def put_in(
    ledger: Ledger, change: Change, seen: Mapping[str, int | None], applying: Applying, act: Act
) -> tuple[int, Recorded]:
    """Records a plan's change, and keeps it so that it can be taken back as a whole."""
    book = ledger.now.reading.book
    before = {
        preparation.id: _content(book.preparations.get(preparation.id))
        for preparation in change.preparations
    }
    row = AppliedRow(
        at=ledger.moment,
        item=applying.item,
        how=applying.how,
        until=applying.until,
        goals=dict(applying.goals),
        swaps=[dict(swap) for swap in applying.swaps],
        sentence=applying.sentence,
        before=before,
        after={preparation.id: content(preparation) for preparation in change.preparations},
        ended=None,
    )
    ids: list[int] = []

    def keep(writing: Writing) -> None:
        writing.session.add(row)
        writing.session.flush()
        ids.append(row.id)

    recorded = ledger.record(change, seen, act, keep)
    return ids[0], recorded


def applied_plans(ledger: Ledger, item: str | None = None) -> list[Applied]:
    """Every plan that was put in, the newest first: for one item, or for all."""
    wanted = select(AppliedRow).order_by(AppliedRow.id.desc())
    if item is not None:
        wanted = wanted.where(AppliedRow.item == item)
    with ledger.reading() as session:
        return [_applied(row) for row in session.scalars(wanted)]


def take_back(ledger: Ledger, id: int, act: Act, how: str = "taken back") -> Recorded:
    """Takes a plan out of the book as a whole.

    Raises:
        KeyError: no such plan was put in.
        BookRefused: it is out already, or a card that it made or changed was changed since, or is
            used by another one; then nothing is taken back.
    """
    with ledger.reading() as session:
        row = session.get(AppliedRow, id)
        if row is None:
            raise KeyError(id)
        if row.ended is not None:
            raise BookRefused([Fault("", f"this plan is out of the book already: {row.ended}")])
        before, after = row.before, row.after
    change = _back(ledger, before, after)
    seen = {piece: ledger.now.versions.get(piece) for piece in change.ids}

    def end(writing: Writing) -> None:
        row = writing.session.get(AppliedRow, id)
        if row is not None:
            row.ended = f"{how}, {ledger.today}"

    return ledger.record(change, seen, act, end)


def lapse(ledger: Ledger) -> list[int]:
    """Takes out the plans that were for a day which is over; the ids of those that would not go.

    One whose cards were changed in the meantime stays, as somebody has decided otherwise.
    """
    left: list[int] = []
    for plan in applied_plans(ledger):
        if plan.ended is None and plan.until is not None and plan.until < ledger.today:
            try:
                take_back(ledger, plan.id, Act(None, OVERNIGHT), OVERNIGHT)
            except BookRefused:
                left.append(plan.id)
    return left


def chosen_before(ledger: Ledger) -> frozenset[tuple[str, str | None]]:
    """The swaps, as (from, to), of every plan that was put in and not taken back by hand."""
    return frozenset(
        (str(swap["from"]), swap["to"])
        for plan in applied_plans(ledger)
        if plan.ended is None or plan.ended.startswith(OVERNIGHT)
        for swap in plan.swaps
    )


def _back(ledger: Ledger, before: Mapping[str, Any], after: Mapping[str, Any]) -> Change:
    book = ledger.now.reading.book
    faults = [
        Fault(id, f"{_name(after[id])} was changed since; nothing was taken back")
        for id in after
        if id not in book.preparations or content(book.preparations[id]) != after[id]
    ]
    if faults:
        raise BookRefused(faults)
    made = [id for id, was in before.items() if was is None]
    usual = (value_of(Preparation, was) for was in before.values() if was is not None)
    return Change(preparations=tuple(usual), removed=tuple(made))


def _content(made: Any) -> dict[str, Any] | None:
    return None if made is None else content(made)


def _name(piece: Mapping[str, Any]) -> str:
    return str(piece["name"])


def _applied(row: AppliedRow) -> Applied:
    return Applied(
        id=row.id,
        at=row.at,
        item=row.item,
        how=row.how,
        until=row.until,
        goals=row.goals,
        swaps=tuple(row.swaps),
        sentence=row.sentence,
        made=_ids(row.before, made=True),
        changed=_ids(row.before, made=False),
        ended=row.ended,
    )


def _ids(before: Mapping[str, Any], *, made: bool) -> tuple[str, ...]:
    found: Iterable[str] = (id for id, was in before.items() if (was is None) == made)
    return tuple(found)
