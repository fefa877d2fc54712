"""What a change would do, pot by pot and flag by flag, before anyone records it."""

from dataclasses import dataclass

from yellow_ladle.core.book.book import Book, Preparation, owner_of
from yellow_ladle.core.book.product import figures
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.impact.numbers import NumberImpact, number_impacts
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.vocabulary.levels import Level

_POURED = ("yield_", "kind", "class_", "colour", "density_g_per_ml", "portions")


@dataclass(frozen=True, slots=True)
class FlagImpact:
    """One flag of one item, before and after. `tool_trace`: afterwards only own tools leave it."""

    flag: str
    before: Level
    after: Level
    tool_trace: bool = False


@dataclass(frozen=True, slots=True)
class DietImpact:
    """One diet's verdict on one item, before and after; None where the item is not there."""

    diet: str
    before: Verdict | None
    after: Verdict | None


@dataclass(frozen=True, slots=True)
class ItemImpact:
    """What changes in one preparation or by-product."""

    item: str
    name: str
    kind: str
    flags: tuple[FlagImpact, ...]
    diets: tuple[DietImpact, ...]


@dataclass(frozen=True, slots=True)
class Impact:
    """Everything that changes, bases before plates; `numbers` move without any flag as well."""

    items: tuple[ItemImpact, ...]
    numbers: tuple[NumberImpact, ...] = ()

    @property
    def pots(self) -> int:
        """How many preparations other than dishes change."""
        return sum(item.kind != "dish" for item in self.items if "/" not in item.item)

    @property
    def plates(self) -> int:
        """How many dishes change."""
        return sum(item.kind == "dish" for item in self.items if "/" not in item.item)

    def sentence(self) -> str:
        """The impact in a line: what changes, and by name where the names are few."""
        if not self.items and self.numbers:
            moved = [entry.name for entry in self.numbers]
            return f"Changes no flag. Numbers move in {_some(moved)}."
        if not self.items:
            return "Changes no pot and no plate."
        names = [item.name for item in self.items if "/" not in item.item]
        counts = [_count(self.pots, "pot"), _count(self.plates, "plate")]
        told = ", ".join(count for count in counts if count)
        return f"Changes {told}: {_some(names)}."


def impact_of(before: Reading, change: Change) -> tuple[Reading, Impact]:
    """The reading after a change, and what differs from the one before."""
    again = reread(before, change)
    after = again.reading
    made = [item for item in again.changed if item not in before.book.products]
    made = [item for item in made if item not in after.book.products]
    order = sorted(made, key=lambda item: (_tier(before, after, item), item))
    items = tuple(_item(before, after, item) for item in order)
    return after, Impact(items, _numbers(before, after, change))


def _numbers(before: Reading, after: Reading, change: Change) -> tuple[NumberImpact, ...]:
    """The numbers that move; none are worked out where only labels changed."""
    was = before.book
    moved = [preparation.id for preparation in change.preparations if _poured(was, preparation)]
    moved += [
        product.id
        for product in change.products
        if product.id not in was.products or figures(product) != figures(was.products[product.id])
    ]
    moved += change.removed
    if not moved:
        return ()
    reached = {*after.reached(moved), *before.reached(moved)}
    order = sorted(reached, key=lambda item: (_tier(before, after, item), item))
    return number_impacts(before.balance, after.balance, order)


def _poured(was: Book, preparation: Preparation) -> bool:
    old = was.preparations.get(preparation.id)
    if old is None:
        return True
    return any(getattr(old, key) != getattr(preparation, key) for key in ("lines", *_POURED))


def _item(before: Reading, after: Reading, item: str) -> ItemImpact:
    book = after.book if item in after.masks else before.book
    was = before.levels(item) if item in before.masks else {}
    now = after.levels(item) if item in after.masks else {}
    traces = after.tool_traces(item) if item in after.masks else frozenset()
    flags = [
        FlagImpact(
            flag.id,
            was.get(flag.id, Level.FREE),
            now.get(flag.id, Level.FREE),
            flag.id in traces,
        )
        for flag in after.book.flags
    ]
    held = before.verdicts(item) if item in before.masks else {}
    holds = after.verdicts(item) if item in after.masks else {}
    verdicts = [DietImpact(diet, held.get(diet), holds.get(diet)) for diet in held or holds]
    return ItemImpact(
        item=item,
        name=book.name(item),
        kind=_kind(book, item),
        flags=tuple(flag for flag in flags if flag.before != flag.after),
        diets=tuple(verdict for verdict in verdicts if verdict.before != verdict.after),
    )


def _kind(book: Book, item: str) -> str:
    return book.preparations[owner_of(item)].kind


def _tier(before: Reading, after: Reading, item: str) -> int:
    owner = owner_of(item)
    return after.graph.tiers.get(owner, before.graph.tiers.get(owner, 0))


def _some(names: list[str]) -> str:
    more = f" and {len(names) - 4} more" if len(names) > 4 else ""
    return f"{', '.join(names[:4])}{more}"


def _count(number: int, thing: str) -> str:
    return f"{number} {thing}{'s' if number != 1 else ''}" if number else ""


def lowers(impact: Impact) -> bool:
    """Whether a change brings any flag of any item down."""
    return any(flag.after < flag.before for item in impact.items for flag in item.flags)
