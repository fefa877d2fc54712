"""The library of swap rules: what may stand in for what, and how the method changes."""

from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.book import Book, Line
from yellow_ladle.core.tables import Table, rows, table, words


@dataclass(frozen=True, slots=True)
class SwapRule:
    """A rule proposes; only the carried result decides.

    `replaces` and `with_` are classes; `with_` is empty where the line is left out. `ratio` is the
    amount of the new item for one of the old, in the same unit. Empty `stages` and `kinds` match
    every stage and every kind of preparation.
    """

    id: str
    name: str
    replaces: frozenset[str]
    roles: frozenset[str]
    stages: frozenset[str]
    kinds: frozenset[str]
    with_: tuple[str, ...]
    ratio: float
    stage: str | None
    colour: str
    thickness: str
    method: tuple[str, ...]
    caution: str
    source: str

    @property
    def leaves_out(self) -> bool:
        """Whether the line is dropped rather than given another item."""
        return not self.with_

    def matches(self, line: Line, classes: frozenset[str], kind: str) -> bool:
        """Whether the rule speaks of a line whose item has these classes, in such a preparation."""
        return (
            line.role in self.roles
            and not self.replaces.isdisjoint(classes)
            and (not self.stages or line.stage in self.stages)
            and (not self.kinds or kind in self.kinds)
        )


@cache
def swap_rules() -> tuple[SwapRule, ...]:
    """The shipped rules in the order of data/swaps.toml, which is the order of preference."""
    return tuple(_rule(row) for row in rows(table("swaps")["rule"]))


def classes_of(book: Book, item: str) -> frozenset[str]:
    """The classes by which rules know an item: its own, or a pot's kind where it has none."""
    if item in book.products:
        return frozenset({book.products[item].class_})
    owner, _, by_product = item.partition("/")
    if by_product:
        return frozenset({"by-product", by_product})
    preparation = book.preparations[owner]
    return frozenset({preparation.class_ or preparation.kind})


def items_by_class(book: Book) -> dict[str, list[str]]:
    """Every product and preparation that is offered, under each of its classes, by id."""
    found: dict[str, list[str]] = {}
    made = (id for id, pot in book.preparations.items() if pot.retired is None)
    for item in sorted((*book.products, *made)):
        for class_ in classes_of(book, item):
            found.setdefault(class_, []).append(item)
    return found


def _rule(row: Table) -> SwapRule:
    ratio, stage = row.get("ratio", 1.0), row.get("stage")
    return SwapRule(
        id=str(row["id"]),
        name=str(row["name"]),
        replaces=frozenset(words(row["replaces"])),
        roles=frozenset(words(row["roles"])),
        stages=frozenset(words(row.get("stages"))),
        kinds=frozenset(words(row.get("kinds"))),
        with_=() if row.get("leave_out") else words(row["with"]),
        ratio=float(ratio) if isinstance(ratio, int | float) else 1.0,
        stage=str(stage) if stage else None,
        colour=str(row["colour"]),
        thickness=str(row["thickness"]),
        method=words(row["method"]),
        caution=str(row["caution"]),
        source=str(row["source"]),
    )
