"""A base of the shipped library as a card of the kitchen's own, with whatever it needs besides."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.library.bases import freest_of, shipped_bases
from yellow_ladle.core.vocabulary.classes import GROUP, expanded, pot_classes
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class BaseCard:
    """One base as the kitchen would record it.

    `preparations`: the base last, before it the bases that it is made of and the kitchen lacks.
    `products`: goods that the larder does not hold, which nobody has checked.
    """

    preparations: tuple[Preparation, ...]
    products: tuple[Product, ...]

    @property
    def card(self) -> Preparation:
        """The base itself."""
        return self.preparations[-1]


def base_card(reading: Reading, base: str) -> BaseCard:
    """A base by its id in the library, with the kitchen's goods and pots where it has them.

    Of several goods of a class the one is taken of which most is known to be free, as the library
    does in plans. Raises KeyError where there is no such base.
    """
    return _Bringing(reading).bring(base)


def base_cards(reading: Reading) -> Iterator[tuple[str, BaseCard]]:
    """Every base of the library by its id, by name."""
    for base in sorted(shipped_bases().values(), key=lambda made: (made.kind, made.name)):
        yield base.id, base_card(reading, base.id)


class _Bringing:
    def __init__(self, reading: Reading) -> None:
        self._reading = reading
        self._taken = {*reading.book.products, *reading.book.preparations}
        self._made: dict[str, Preparation] = {}
        self._bought: dict[str, Product] = {}

    def bring(self, base: str) -> BaseCard:
        self._base(base)
        return BaseCard(tuple(self._made.values()), tuple(self._bought.values()))

    def _base(self, id: str) -> str:
        """The id that a base has in the book; what it is made of comes before it."""
        if id not in self._made:
            base = shipped_bases()[id]
            lines = tuple(replace(line, item=self._item(line.item)) for line in base.lines)
            own = replace(base, id=self._free(base.name), lines=lines)
            self._made[id] = own
        return self._made[id].id

    def _item(self, wanted: str) -> str:
        if wanted in shipped_bases():
            return self._own(wanted) or self._base(wanted)
        classes = expanded([wanted]) if wanted.startswith(GROUP) else (wanted,)
        held = freest_of(self._reading, classes)
        if held is not None:
            return held
        known = shipped_bases().values()
        for class_ in classes:
            for other in known:
                if class_ in pot_classes() and other.class_ == class_:
                    return self._base(other.id)
        goods = [class_ for class_ in classes if class_ not in pot_classes()]
        return self._good((goods or list(classes))[0])

    def _own(self, base: str) -> str | None:
        """The kitchen's own card of a base, brought in before; another of its class is no such."""
        wanted = shipped_bases()[base]
        made = self._reading.book.preparations
        held = self._reading.offered.get(wanted.class_ or "", ())
        return next((id for id in held if id in made and made[id].name == wanted.name), None)

    def _good(self, class_: str) -> str:
        if class_ not in self._bought:
            name = class_.replace("-", " ").capitalize()
            self._bought[class_] = Product(
                self._free(name), name, class_, otherwise=Level.UNCHECKED
            )
        return self._bought[class_].id

    def _free(self, name: str) -> str:
        id = free_id(name, self._taken)
        self._taken.add(id)
        return id
