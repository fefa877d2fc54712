"""Where a flag came from: the source products of an item, each by its shortest path."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

from yellow_ladle.core.book.book import Book, Preparation, owner_of
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.tool import Through
from yellow_ladle.core.carrying.label_sources import own_level
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Source:
    """What gives a flag: a product, or a preparation by its own statement (`own`).

    `via` names the path from the item that was asked about down to the source, as lines name items.
    `tool` names the tool by which it comes as a trace; then `product` is what went through it.
    """

    product: str
    level: Level
    via: tuple[str, ...]
    own: bool = False
    tool: str | None = None


@dataclass(frozen=True, slots=True)
class Path:
    """One thing that may give flags to an item, with the shortest path to it."""

    book: Book
    giver: Product | Preparation
    via: tuple[str, ...]
    through: Through | None = None

    def level(self, flag: str) -> Level:
        """What the giver itself says of a flag, or leaves as a trace in a tool."""
        if self.through is not None:
            return Level.MAY_CONTAIN if flag in self.through.levels else Level.FREE
        if isinstance(self.giver, Product):
            return own_level(self.giver, flag, self.book)
        return self.giver.statements.get(flag, self.giver.own_otherwise)

    @property
    def source_id(self) -> str:
        """The item that is named as the source: the giver, or what went through the tool."""
        return self.through.item if self.through else self.giver.id

    def source(self, flag: str) -> Source:
        """The path as the source of one flag."""
        if self.through is not None:
            level, tool = self.level(flag), self.through.tool
            return Source(self.through.item, level, self.via, tool=tool)
        own = isinstance(self.giver, Preparation)
        return Source(self.giver.id, self.level(flag), self.via, own)


def paths(
    book: Book,
    item: str,
    through: Mapping[str, Sequence[Through]] | None = None,
    elsewhere: Mapping[str, Callable[[str], list[Path]]] | None = None,
) -> list[Path]:
    """The shortest path from an item to everything that could give it a flag.

    Of several paths of the same length it takes the first in alphabetical order, so that the order
    of lines does not matter. `through`: per preparation what comes into it by path of a tool.
    `elsewhere`: items that are not of this book as it stands, each with what knows its paths.
    """
    if item in (elsewhere or {}):
        assert elsewhere is not None
        return elsewhere[item](item)
    others: list[Path] = []
    found: dict[str, Path] = {}
    traces: dict[tuple[str, str], Path] = {}
    seen = {item}
    level: list[tuple[str, ...]] = [(item,)]
    while level:
        following: list[tuple[str, ...]] = []
        for via in level:
            here = owner_of(via[-1])
            giver = book.products.get(here) or book.preparations[here]
            found.setdefault(
                here, Path(book, giver, via if here in book.preparations else via[:-1])
            )
            for trace in (through or {}).get(here, ()):
                path = Path(book, giver, via, trace)
                traces.setdefault((trace.tool, trace.item), path)
            for below in sorted(set(_within(giver))):
                product = book.products.get(below)
                if product is not None and not product.contents:
                    found.setdefault(below, Path(book, product, via))
                elif below in (elsewhere or {}):
                    assert elsewhere is not None
                    beneath = elsewhere[below](below) if below not in seen else []
                    others += [replace(path, via=(*via, *path.via)) for path in beneath]
                    seen.add(below)
                elif below not in seen:
                    seen.add(below)
                    following.append((*via, below))
        level = following
    known = {path.giver.id for path in found.values()}
    others = [path for path in others if path.through or path.giver.id not in known]
    return [*found.values(), *traces.values(), *others]


def _within(giver: Product | Preparation) -> Iterable[str]:
    if isinstance(giver, Product):
        return giver.contents
    return (giver.lines[index].item for index in giver.counted())


def giving(found: list[Path], flag: str) -> list[Path]:
    """The paths that bring a flag. Of those by one tool only where it is surest before the tool.

    What is a trace in a pot by a tool would else be told again as a trace from that pot.
    """
    paths = [path for path in found if path.level(flag) > Level.FREE]
    before: dict[str, Level] = {}
    for path in paths:
        if path.through:
            tool, level = path.through.tool, path.through.levels[flag]
            before[tool] = max(level, before.get(tool, Level.FREE))
    return [
        path
        for path in paths
        if path.through is None or path.through.levels[flag] == before[path.through.tool]
    ]


def sources(found: list[Path], flag: str) -> tuple[Source, ...]:
    """The sources of one flag among the paths of an item: the surest and shortest first."""
    given = [path.source(flag) for path in giving(found, flag)]
    return tuple(sorted(given, key=lambda s: (-s.level, len(s.via), s.product, s.via)))
