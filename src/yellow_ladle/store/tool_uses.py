"""What went through which tool, and when a tool was washed: entries of the daybook."""

from collections.abc import Iterator
from dataclasses import dataclass

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.tool import Use
from yellow_ladle.core.production.batch_card import card_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.instants import date_of, instant
from yellow_ladle.core.production.merged_goods import following_merges
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
    renewed: bool = False

    @property
    def use(self) -> Use:
        """The use without who and when."""
        return Use(self.tool, self.item, self.renewed)


def uses_on(ledger: Ledger, day: str) -> list[Used]:
    """The uses of a day, in their order."""
    return [used for used in _uses(ledger) if date_of(used.at) == day]


def unwashed_before(ledger: Ledger, day: str) -> list[Used]:
    """What went through each tool since its last wash, on the days before one.

    Midnight washes nothing: what was in a sieve in the evening is in it in the morning.
    """
    inside: dict[str, list[Used]] = {}
    box = ledger.now.reading.book.toolbox
    for used in _uses(ledger):
        if date_of(used.at) < day:
            if used.item is None:
                if box.is_cleared(used.tool, renewed=used.renewed):
                    inside[used.tool] = []
            else:
                inside.setdefault(used.tool, []).append(used)
    return sorted((used for some in inside.values() for used in some), key=_moment)


def add_use(
    ledger: Ledger, tool: str, item: str | None, person: str | None, *, renewed: bool = False
) -> None:
    """Writes down that something went through a tool just now, or that it was washed.

    `renewed`: what it holds was replaced as well.
    """
    at = ledger.local_moment
    by = person or ""
    wash, use = Wash(tool, at, renewed=renewed, by=by), ItemUse(tool, item or "", at, by=by)
    value: ItemUse | Wash = wash if item is None else use
    key = "washes" if item is None else "uses"
    told = f"The {tool} was washed" if item is None else f"The {tool} was used"
    ledger.daybook.record([DaybookChange(key, "", value)], {}, told, Act(person))


def _uses(ledger: Ledger) -> Iterator[Used]:
    book = ledger.now.reading.book
    daybook = following_merges(book, ledger.daybook.now.daybook)
    found = [Used(use.at, use.tool, use.item, use.by or None) for use in daybook.uses]
    for wash in daybook.washes:
        by = wash.by or None
        found.append(Used(wash.at, wash.tool, item=None, person=by, renewed=wash.renewed))
    found += _of_batches(book, daybook)
    # At one moment a wash comes first, as in the reading of a day.
    return iter(sorted(found, key=lambda used: (instant(used.at), used.item is not None)))


def _of_batches(book: Book, daybook: Daybook) -> Iterator[Used]:
    """What batches went through: the tools that were noted, else those of their cards."""
    names = {book.toolbox.key(name): name for name in book.tool_names}
    for batch in daybook.batches:
        if batch.preparation in book.preparations:
            card = card_of(book, batch)
            through = batch.tools if batch.tools is not None else card.tools if card else ()
            for name in dict.fromkeys(names.get(book.toolbox.key(tool), tool) for tool in through):
                yield Used(batch.made, name, batch.preparation, batch.by or None)


def _moment(used: Used) -> int:
    return instant(used.at)
