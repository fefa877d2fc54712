"""What a change would do, pot by pot and flag by flag, before anyone records it."""

from dataclasses import dataclass

from yellow_ladle.core.book import Book, owner_of
from yellow_ladle.core.change import Change, reread
from yellow_ladle.core.fitting import Verdict
from yellow_ladle.core.levels import Level
from yellow_ladle.core.reading import Reading


@dataclass(frozen=True, slots=True)
class FlagRipple:
    """One flag of one item, before and after."""

    flag: str
    before: Level
    after: Level


@dataclass(frozen=True, slots=True)
class DietRipple:
    """One diet's verdict on one item, before and after; None where the item is not there."""

    diet: str
    before: Verdict | None
    after: Verdict | None


@dataclass(frozen=True, slots=True)
class ItemRipple:
    """What changes in one preparation or by-product."""

    item: str
    name: str
    kind: str
    flags: tuple[FlagRipple, ...]
    diets: tuple[DietRipple, ...]


@dataclass(frozen=True, slots=True)
class Ripple:
    """Everything that changes, bases before plates."""

    items: tuple[ItemRipple, ...]

    @property
    def pots(self) -> int:
        """How many preparations other than dishes change."""
        return sum(item.kind != "dish" for item in self.items if "/" not in item.item)

    @property
    def plates(self) -> int:
        """How many dishes change."""
        return sum(item.kind == "dish" for item in self.items if "/" not in item.item)

    def sentence(self) -> str:
        """The ripple in a line: what changes, and by name where the names are few."""
        if not self.items:
            return "Changes no pot and no plate."
        names = [item.name for item in self.items if "/" not in item.item]
        more = f" and {len(names) - 4} more" if len(names) > 4 else ""
        counts = [_count(self.pots, "pot"), _count(self.plates, "plate")]
        told = ", ".join(count for count in counts if count)
        return f"Changes {told}: {', '.join(names[:4])}{more}."


def ripple(before: Reading, change: Change) -> tuple[Reading, Ripple]:
    """The reading after a change, and what differs from the one before."""
    again = reread(before, change)
    after = again.reading
    made = [item for item in again.changed if item not in before.book.products]
    made = [item for item in made if item not in after.book.products]
    order = sorted(made, key=lambda item: (_tier(before, after, item), item))
    return after, Ripple(tuple(_item(before, after, item) for item in order))


def _item(before: Reading, after: Reading, item: str) -> ItemRipple:
    book = after.book if item in after.masks else before.book
    was = before.levels(item) if item in before.masks else {}
    now = after.levels(item) if item in after.masks else {}
    flags = [
        FlagRipple(flag.id, was.get(flag.id, Level.FREE), now.get(flag.id, Level.FREE))
        for flag in after.book.flags
    ]
    held = before.verdicts(item) if item in before.masks else {}
    holds = after.verdicts(item) if item in after.masks else {}
    verdicts = [DietRipple(diet, held.get(diet), holds.get(diet)) for diet in held or holds]
    return ItemRipple(
        item,
        book.name(item),
        _kind(book, item),
        tuple(flag for flag in flags if flag.before != flag.after),
        tuple(verdict for verdict in verdicts if verdict.before != verdict.after),
    )


def _kind(book: Book, item: str) -> str:
    return book.preparations[owner_of(item)].kind


def _tier(before: Reading, after: Reading, item: str) -> int:
    owner = owner_of(item)
    return after.family.tiers.get(owner, before.family.tiers.get(owner, 0))


def _count(number: int, thing: str) -> str:
    return f"{number} {thing}{'s' if number != 1 else ''}" if number else ""
