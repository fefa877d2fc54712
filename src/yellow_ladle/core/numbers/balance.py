"""Salt, alcohol, sulphites and starch, carried by mass balance from the goods to the plate.

What goes in is in what comes out, however much that is: a reduction raises every concentration by
the same factor. Only alcohol leaves on the way, by the retention table. Nothing is guessed: an
input that nobody recorded, or a line whose weight is not known, is named as missing and adds
nothing.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from threading import Lock

from yellow_ladle.core.amounts.weight import weigh
from yellow_ladle.core.book.book import Book, Line, Preparation, Yield, owner_of
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.carrying.cycles import inputs_of
from yellow_ladle.core.carrying.graph import bases_first
from yellow_ladle.core.numbers.recorded import in_a_gram
from yellow_ladle.core.numbers.retention import retained
from yellow_ladle.core.numbers.thickeners import browned

CARRIED = ("salt", "alcohol", "so2", "starch")
"""What is carried, in this order: grams, but milligrams of SO2, and starch in grams of flour."""
WHOLE_PARTS = 99.5
"""Parts that come to this per cent are all of a compound product."""

Four = tuple[float, float, float, float]
_NOTHING: Four = (0.0, 0.0, 0.0, 0.0)
_ALL = 0b1111


@dataclass(frozen=True, slots=True)
class Content:
    """What one making of a preparation, or 1 g of a product, holds of what is carried.

    `grams` come out of it, `per_gram` is held in each. `missing` are the inputs that are not known:
    of the id at place n of `Balance.ids` the bits from 4 n on, one for each of what is carried.
    """

    grams: float
    per_gram: Four
    missing: int


@dataclass(frozen=True, slots=True)
class Poured:
    """One counted line of a preparation: what it weighs, and what it brings; None if unknown."""

    index: int
    item: str
    grams: float | None
    brings: Four


class Balance:
    """The mass balance of a book, worked out for what is asked and kept."""

    def __init__(self, book: Book) -> None:
        self.book = book
        self.ids: list[str] = []
        self._places: dict[str, int] = {}
        self._lock = Lock()
        self._contents: dict[str, Content] = {}
        self._units = book.units
        self._sizes = {unit.id: unit.size for unit in book.units.values() if unit.kind == "weight"}

    def of(self, item: str) -> Content:
        """The content of a product, a preparation or a by-product, which is as its preparation."""
        id = owner_of(item)
        waiting = [id]
        while waiting:
            here = waiting[-1]
            if here in self._contents:
                waiting.pop()
                continue
            open_ = [other for other in self._needs(here) if other not in self._contents]
            if open_:
                waiting.extend(open_)
                continue
            waiting.pop()
            self._contents[here] = self._work_out(here)
        return self._contents[id]

    def work_out_all(self) -> None:
        """Works the whole book out, bases first."""
        inputs = inputs_of(self.book)
        for product in self.book.products.values():
            if not product.parts:
                self._contents[product.id] = self._product(product)
        for id in bases_first(inputs):
            if id not in self._contents:
                self._contents[id] = self._work_out(id)

    def bases_first(self, top: str) -> list[str]:
        """The preparations that one is made from, itself last, each after its own bases."""
        made = self.book.preparations
        done: dict[str, None] = {}
        waiting = [(top, False)]
        while waiting:
            id, left = waiting.pop()
            if left:
                done[id] = None
            elif id not in done:
                waiting.append((id, True))
                owners = (owner_of(line.item) for line in made[id].lines)
                waiting += [(owner, False) for owner in owners if owner in made]
        return list(done)

    def missing(self, content: Content, place: int) -> tuple[str, ...]:
        """The ids of the inputs that are missing from one of what is carried, sorted."""
        found, bits = [], content.missing >> place
        while bits:
            low = bits & -bits
            at, off = divmod(low.bit_length() - 1, len(CARRIED))
            if off == 0:
                found.append(self.ids[at])
            bits ^= low
        return tuple(sorted(found))

    def density(self, item: str) -> float | None:
        """Grams per millilitre: of a product as recorded, of a preparation 1 where it is not."""
        id = owner_of(item)
        if id in self.book.products:
            return self.book.products[id].density_g_per_ml
        return self.book.preparations[id].density_g_per_ml or 1.0

    def unit_weight(self, item: str, unit: str) -> float | None:
        """Grams of one piece of an item; of a preparation by its yield or its portions."""
        if item in self.book.products:
            return self.book.products[item].unit_weight_g
        if item not in self.book.preparations:
            return None
        preparation = self.book.preparations[item]
        pieces = (
            portions_of(preparation) if unit == "portion" else pieces_of(self.book, preparation)
        )
        if not pieces:
            return None
        content = self.of(preparation.id)
        return content.grams / pieces if content.grams else None

    def line_grams(self, line: Line) -> float | None:
        """What a line weighs in grams, None where that is not known."""
        size = self._sizes.get(line.unit)
        if line.typed:
            return None
        if size is not None:
            return line.quantity * size
        density = self.density(line.item)
        kind = self._units[line.unit].kind if line.unit in self._units else ""
        piece = self.unit_weight(line.item, line.unit) if kind == "piece" else None
        return weigh(
            quantity=line.quantity,
            unit=line.unit,
            density=density,
            unit_weight=piece,
            known=self._units,
        ).grams

    def about_grams(self, line: Line) -> float | None:
        """What a line weighs; a litre of what has no density is taken for a kilogram."""
        known = self.line_grams(line)
        return weigh(line.quantity, line.unit, 1.0).grams if known is None else known

    def asks(self, line: Line) -> str:
        """What has to be known before a line can be weighed; empty where it can be."""
        if self.line_grams(line) is not None:
            return ""
        name = self.book.name(line.item)
        if line.typed:
            return f'How much of {name} is "{line.typed}"? Type a number and a unit.'
        unit = self._units.get(line.unit)
        if unit is not None and unit.kind == "piece":
            return f"What does one {line.unit.replace('_', ' ')} of {name} weigh?"
        if unit is not None and unit.size is None:
            return f"How much does your {line.unit} hold? Say so once, on the kitchen's sheet."
        return f"What does a millilitre of {name} weigh? Its density is not recorded."

    def poured(self, preparation: Preparation) -> Iterator[Poured]:
        """Every counted line with what it brings into one making, alcohol as far as it is left."""
        factor = sum(browned(preparation)) / 2
        for index in preparation.counted():
            line = preparation.lines[index]
            content = self.of(line.item)
            yield Poured(index, line.item, *self._brings(line, content, factor))

    def grams_in(self, preparation: Preparation) -> float:
        """What goes in by weight, as far as it is known, whatever is strained out later."""
        return sum(poured.grams or 0.0 for poured in self.poured(preparation))

    def grams_of(self, amount: Yield, preparation: Preparation) -> float | None:
        """What a yield weighs in grams; None where it is counted in pieces or portions."""
        density = preparation.density_g_per_ml or 1.0
        return weigh(
            quantity=amount.quantity,
            unit=amount.unit,
            density=density,
            unit_weight=None,
            known=self._units,
        ).grams

    def _needs(self, id: str) -> Iterator[str]:
        preparation = self.book.preparations.get(id)
        if preparation is not None:
            for line in preparation.lines:
                yield owner_of(line.item)
        else:
            for part in self.book.products[id].parts:
                yield part.product

    def _work_out(self, id: str) -> Content:
        product = self.book.products.get(id)
        if product is not None:
            return self._product(product)
        return self._preparation(self.book.preparations[id])

    def _product(self, product: Product) -> Content:
        per_gram = [0.0, 0.0, 0.0, 0.0]
        missing = 0
        for place, known in enumerate(in_a_gram(product)):
            value = self._by_parts(product, place) if known is None else known
            if value is None:
                missing |= 1 << self._first_bit(product.id) + place
            else:
                per_gram[place] = value
        return Content(1.0, _four(per_gram), missing)

    def _by_parts(self, product: Product, place: int) -> float | None:
        """A number of a compound product from those of its parts, where all shares are known."""
        shares = [part.percent for part in product.parts if part.percent is not None]
        if not product.parts or len(shares) < len(product.parts) or sum(shares) < WHOLE_PARTS:
            return None
        total = 0.0
        for part in product.parts:
            content = self._contents[part.product]
            if content.missing >> self._first_bit(part.product) + place & 1:
                return None
            total += content.per_gram[place] * (part.percent or 0) / 100
        return total

    def _preparation(self, preparation: Preparation) -> Content:
        if not preparation.lines:
            return Content(0.0, _NOTHING, _ALL << self._first_bit(preparation.id))
        contents = self._contents
        salt = alcohol = so2 = starch = stays = 0.0
        missing = 0
        factor = sum(browned(preparation)) / 2
        for line in (preparation.lines[index] for index in preparation.counted()):
            content = contents.get(line.item) or contents[owner_of(line.item)]
            grams, brings = self._brings(line, content, factor)
            if grams is None:
                missing |= _ALL << self._first_bit(line.item)
                continue
            missing |= content.missing
            salt += brings[0]
            alcohol += brings[1]
            so2 += brings[2]
            starch += brings[3]
            if not line.strained_out:
                stays += grams
        out = None if preparation.yield_ is None else self.grams_of(preparation.yield_, preparation)
        grams = out or stays or self.grams_in(preparation)
        if not grams:
            return Content(0.0, _NOTHING, missing)
        per_gram = (salt / grams, alcohol / grams, so2 / grams, starch / grams)
        return Content(grams, per_gram, missing)

    def _brings(self, line: Line, content: Content, factor: float) -> tuple[float | None, Four]:
        grams = self.line_grams(line)
        if grams is None:
            return None, _NOTHING
        salt, alcohol, so2, starch = content.per_gram
        if alcohol:
            alcohol *= retained(line.treatment, line.minutes)
        if factor != 1.0 and line.item in self.book.products:
            starch /= factor
        return grams, (salt * grams, alcohol * grams, so2 * grams, starch * grams)

    def _first_bit(self, id: str) -> int:
        place = self._places.get(id)
        if place is not None:
            return place
        # Several threads ask one reading for its numbers; two ids must never share a place.
        with self._lock:
            if id not in self._places:
                self.ids.append(id)
                self._places[id] = (len(self.ids) - 1) * len(CARRIED)
            return self._places[id]


def portions_of(preparation: Preparation) -> float | None:
    """How many portions a preparation makes: as it says, or by a yield that is in portions."""
    made = preparation.yield_
    if preparation.portions is None and made is not None and made.unit == "portion":
        return made.quantity
    return preparation.portions


def pieces_of(book: Book, preparation: Preparation) -> float | None:
    """How many pieces a preparation makes, where its yield is counted."""
    made = preparation.yield_
    unit = book.units.get(made.unit) if made is not None else None
    return made.quantity if made is not None and unit and unit.kind == "piece" else None


def balance_of(book: Book) -> Mapping[str, Content]:
    """The content of every preparation of a book."""
    balance = Balance(book)
    balance.work_out_all()
    return {id: balance.of(id) for id in book.preparations}


def _four(values: list[float]) -> Four:
    return (values[0], values[1], values[2], values[3])
