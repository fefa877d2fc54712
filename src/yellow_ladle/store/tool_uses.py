"""What went through which tool, and when a tool was washed: entries of the daybook."""

from collections.abc import Iterator
from dataclasses import dataclass

from yellow_ladle.core.book.tool import Use
from yellow_ladle.core.production.instants import date_of, instant
from yellow_ladle.core.production.tool_entries import ItemUse, Wash
from yellow_ladle.store.daybook import DaybookChange
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger


@dataclass(frozen=True, slots=True)
class Used:
    """One use of a tool, as it was written down. `item` None: it was washed."""

    at: str
    tool: str
    item: str | None
    person: str | None

    @property
    def use(self) -> Use:
        """The use without who and when."""
        return Use(self.tool, self.item)


def uses_on(ledger: Ledger, day: str) -> list[Used]:
    """The uses of a day, in their order."""
    return [used for used in _uses(ledger) if date_of(used.at) == day]


def unwashed_before(ledger: Ledger, day: str) -> list[Used]:
    """What went through each tool since its last wash, on the days before one.

    Midnight washes nothing: what was in a sieve in the evening is in it in the morning.
    """
    inside: dict[str, list[Used]] = {}
    for used in _uses(ledger):
        if date_of(used.at) < day:
            if used.item is None:
                inside[used.tool] = []
            else:
                inside.setdefault(used.tool, []).append(used)
    return sorted((used for some in inside.values() for used in some), key=_moment)


def add_use(ledger: Ledger, tool: str, item: str | None, person: str | None) -> None:
    """Writes down that something went through a tool just now, or that it was washed."""
    at = ledger.local_moment
    by = person or ""
    wash, use = Wash(tool, at, by=by), ItemUse(tool, item or "", at, by=by)
    value: ItemUse | Wash = wash if item is None else use
    key = "washes" if item is None else "uses"
    told = f"The {tool} was washed" if item is None else f"The {tool} was used"
    ledger.daybook.record([DaybookChange(key, "", value)], {}, told, Act(person))


def _uses(ledger: Ledger) -> Iterator[Used]:
    daybook = ledger.daybook.now.daybook
    found = [Used(use.at, use.tool, use.item, use.by or None) for use in daybook.uses]
    found += [Used(wash.at, wash.tool, None, wash.by or None) for wash in daybook.washes]
    # At one moment a wash comes first, as in the reading of a day.
    return iter(sorted(found, key=lambda used: (instant(used.at), used.item is not None)))


def _moment(used: Used) -> int:
    return instant(used.at)
