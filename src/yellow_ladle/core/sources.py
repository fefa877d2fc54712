"""Where a flag came from: the source products of an item, each by its shortest way."""

from dataclasses import dataclass

from yellow_ladle.core.book import Book, Preparation, Product, owner_of
from yellow_ladle.core.levels import Level


@dataclass(frozen=True, slots=True)
class Source:
    """What gives a flag: a product, or a preparation by its own statement (`own`).

    `via` names the way from the item that was asked about down to the source, as lines name items.
    """

    product: str
    level: Level
    via: tuple[str, ...]
    own: bool = False


@dataclass(frozen=True, slots=True)
class Way:
    """One thing that may give flags to an item, with the shortest way to it."""

    giver: Product | Preparation
    via: tuple[str, ...]

    def level(self, flag: str) -> Level:
        """What the giver itself says of a flag."""
        if isinstance(self.giver, Product):
            return self.giver.statements.get(flag, self.giver.otherwise)
        return self.giver.statements.get(flag, self.giver.own_otherwise)

    def source(self, flag: str) -> Source:
        """The way as the source of one flag."""
        own = isinstance(self.giver, Preparation)
        return Source(self.giver.id, self.level(flag), self.via, own)


def ways(book: Book, item: str) -> list[Way]:
    """The shortest way from an item to everything that could give it a flag.

    Of several ways of the same length it takes the first in alphabetical order, so that the order
    of lines does not matter.
    """
    if item in book.products:
        return [Way(book.products[item], ())]
    found: dict[str, Way] = {}
    seen = {item}
    level: list[tuple[str, ...]] = [(item,)]
    while level:
        following: list[tuple[str, ...]] = []
        for via in level:
            preparation = book.preparations[owner_of(via[-1])]
            found.setdefault(preparation.id, Way(preparation, via))
            for below in sorted({preparation.lines[i].item for i in preparation.counted()}):
                if below in book.products:
                    found.setdefault(below, Way(book.products[below], via))
                elif below not in seen:
                    seen.add(below)
                    following.append((*via, below))
        level = following
    return list(found.values())


def sources(found: list[Way], flag: str) -> tuple[Source, ...]:
    """The sources of one flag among the ways of an item: the surest and shortest first."""
    giving = [way.source(flag) for way in found if way.level(flag) > Level.FREE]
    return tuple(sorted(giving, key=lambda s: (-s.level, len(s.via), s.product, s.via)))
