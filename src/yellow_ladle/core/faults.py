"""What is wrong with a book, each fault with its place, in words for the person who wrote it."""

from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from difflib import get_close_matches
from unicodedata import category

from yellow_ladle.core.book import Book, Kitchen, Line, Preparation, items_of, owner_of
from yellow_ladle.core.change import Change
from yellow_ladle.core.cycles import cycle, inputs_of
from yellow_ladle.core.flags import Flag, shipped_flags
from yellow_ladle.core.need import Need
from yellow_ladle.core.product import Maker, Product
from yellow_ladle.core.regimes import regimes
from yellow_ladle.core.sign_off import SignOff
from yellow_ladle.core.tools import Tool
from yellow_ladle.core.units import units

TURNING = frozenset("\u202a\u202b\u202c\u202d\u202e\u2066\u2067\u2068\u2069")
"""Signs that turn the direction of writing and so make a name read as another one."""
MOST_PERCENT = 100.5
"""Shares are rounded on labels; together they may come to a little over the whole."""
MOST_LOOPS = 20
"""More loops than this are not listed; mending these shows the rest."""


@dataclass(frozen=True, slots=True)
class Fault:
    """One fault. `place` names it as the book file does: `preparations[3].lines[1].item`."""

    place: str
    message: str

    def __str__(self) -> str:
        return f"{self.place}: {self.message}" if self.place else self.message


class BookRefused(ValueError):
    """A book, or a change to one, that cannot stand. Nothing of it was kept."""

    def __init__(self, faults: Iterable[Fault]) -> None:
        self.faults = tuple(faults)
        super().__init__("\n".join(str(fault) for fault in self.faults))


@dataclass(frozen=True, slots=True)
class Pieces:
    """A book's pieces in the order of writing, before it is known whether they make a book.

    A piece whose id is empty could not be read; it is passed over, and so are lines whose item is.
    """

    kitchen: Kitchen
    house_flags: Sequence[Flag]
    products: Sequence[Product]
    preparations: Sequence[Preparation]
    tools: Sequence[Tool] = ()
    needs: Sequence[Need] = ()
    sign_offs: Mapping[str, SignOff] = field(default_factory=dict)


def faults(pieces: Pieces) -> list[Fault]:
    """Everything that keeps the pieces from making a book, in the order of the book file."""
    found = [*_kitchen_faults(pieces), *_flag_faults(pieces), *_id_faults(pieces)]
    known_flags = {flag.id for flag in (*shipped_flags(), *pieces.house_flags)}
    known_items = _items(pieces)
    product_ids = {product.id for product in pieces.products}
    for index, product in enumerate(pieces.products):
        place = f"products[{index}]"
        found += _product_faults(place, product, known_flags, known_items, product_ids)
    for index, preparation in enumerate(pieces.preparations):
        place = f"preparations[{index}]"
        found += _statement_faults(place, preparation, known_flags)
        found += preparation_faults(place, preparation, known_items)
    found += _sign_off_faults(pieces)
    return [*found, *_cycle_faults(pieces)]


def change_faults(after: Book, change: Change) -> list[Fault]:
    """Everything that keeps a change from standing, given the book as it would be after it.

    Places begin with the id of the product or preparation instead of its position.
    """
    known_flags = {flag.id for flag in after.flags}
    known_items = set(after.products) | {
        item for made in after.preparations.values() for item in items_of(made)
    }
    found: list[Fault] = []
    for product in change.products:
        found += _name_faults(product.id, product.name)
        found += (
            fault
            for maker in product.makers
            for fault in _name_faults(f"{product.id}.makers.{maker.id}", maker.name)
        )
        if product.id in after.preparations:
            found.append(Fault(f"{product.id}.id", f'a preparation has the id "{product.id}"'))
        found += _product_faults(product.id, product, known_flags, known_items, set(after.products))
    for preparation in change.preparations:
        found += _name_faults(preparation.id, preparation.name)
        if preparation.id in after.products:
            found.append(Fault(f"{preparation.id}.id", f'a product has the id "{preparation.id}"'))
        found += _statement_faults(preparation.id, preparation, known_flags)
        found += preparation_faults(preparation.id, preparation, known_items)
    found += _orphans(after, change, known_items)
    if loop := cycle(inputs_of(after)):
        names = " → ".join(after.name(id) for id in reversed(loop))
        found.append(Fault(loop[0], f"a pot cannot go into itself: {names}"))
    return found


def _name_faults(place: str, name: str) -> Iterator[Fault]:
    """A name is read by people: no control characters, and nothing that turns the writing round."""
    for sign in dict.fromkeys(name):
        if category(sign) == "Cc" or sign in TURNING:
            message = f"it holds a sign that nobody sees (U+{ord(sign):04X}); take it out"
            yield Fault(f"{place}.name", message)


def _orphans(after: Book, change: Change, known_items: Collection[str]) -> Iterator[Fault]:
    """Lines elsewhere whose item the change takes away."""
    touched = set(change.ids)
    for product in after.products.values():
        for item in product.contents if product.id not in touched else ():
            if item not in known_items:
                yield Fault(f"{product.id}.contents", f'"{item}" is still in {product.name}')
    for made in after.preparations.values():
        for index, line in enumerate(made.lines if made.id not in touched else ()):
            if line.item not in known_items:
                message = f'"{line.item}" still goes into {made.name}; take it out there first'
                yield Fault(f"{made.id}.lines[{index}].item", message)
        if made.variant_of is not None and made.variant_of in change.removed:
            message = f"{made.name} is a variant of it; say what else it comes from, or remove it"
            yield Fault(f"{made.id}.variant_of", message)


def near(word: str, known: Collection[str]) -> str:
    """`; did you mean "…"?` where a known word is near, else nothing."""
    close = get_close_matches(word, known, n=1, cutoff=0.65)
    return f'; did you mean "{close[0]}"?' if close else ""


def unknown(thing: str, word: str, known: Collection[str]) -> str:
    """The message for a word that names nothing, with what is near."""
    return f'no {thing} "{word}"{near(word, known)}'


def preparation_faults(
    place: str, preparation: Preparation, known_items: Collection[str]
) -> Iterator[Fault]:
    """What is wrong within one preparation, whose lines may name the known items."""
    for index, line in enumerate(preparation.lines):
        yield from _line_faults(f"{place}.lines[{index}]", line, known_items)
    yield from _choice_faults(place, preparation)
    if preparation.yield_ is not None:
        yield from _unit_faults(f"{place}.yield.unit", preparation.yield_.unit)
    seen: set[str] = set()
    for index, by_product in enumerate(preparation.by_products):
        here = f"{place}.by_products[{index}]"
        if by_product.unit is not None:
            yield from _unit_faults(f"{here}.unit", by_product.unit)
        if by_product.id and by_product.id in seen:
            yield Fault(f"{here}.id", f'the by-product "{by_product.id}" is here twice')
        seen.add(by_product.id)
    if preparation.variant_of and preparation.variant_of not in known_items:
        message = unknown("preparation", preparation.variant_of, known_items)
        yield Fault(f"{place}.variant_of", message)


def _kitchen_faults(pieces: Pieces) -> Iterator[Fault]:
    regime = pieces.kitchen.regime
    if regime and regime not in regimes():
        yield Fault("kitchen.regime", unknown("regime", regime, regimes()))


def _flag_faults(pieces: Pieces) -> Iterator[Fault]:
    shipped = {flag.id for flag in shipped_flags()}
    seen: set[str] = set()
    for index, flag in enumerate(pieces.house_flags):
        if flag.id in shipped:
            message = f'"{flag.id}" is already one of the shipped flags'
            yield Fault(f"flags[{index}].id", message)
        elif flag.id and flag.id in seen:
            yield Fault(f"flags[{index}].id", f'the flag "{flag.id}" is here twice')
        seen.add(flag.id)


def _id_faults(pieces: Pieces) -> Iterator[Fault]:
    first: dict[str, str] = {}
    places = [(f"products[{n}]", piece.id) for n, piece in enumerate(pieces.products)]
    places += [(f"preparations[{n}]", piece.id) for n, piece in enumerate(pieces.preparations)]
    for place, id in places:
        if id and id in first:
            yield Fault(f"{place}.id", f'the id "{id}" is taken already, by {first[id]}')
        first.setdefault(id, place)


def _items(pieces: Pieces) -> set[str]:
    items = {product.id for product in pieces.products}
    items |= {preparation.id for preparation in pieces.preparations}
    items |= {item for made in pieces.preparations for item in items_of(made)}
    return items


def _sign_off_faults(pieces: Pieces) -> Iterator[Fault]:
    made = {preparation.id for preparation in pieces.preparations}
    for id in pieces.sign_offs:
        if id not in made:
            yield Fault(f"sign_offs.{id}", unknown("preparation", id, made))


def _product_faults(
    place: str,
    product: Product,
    known_flags: Collection[str],
    known_items: Collection[str],
    products: Collection[str],
) -> Iterator[Fault]:
    yield from _statement_faults(place, product, known_flags)
    seen: set[str] = set()
    for index, maker in enumerate(product.makers):
        here = f"{place}.makers[{index}]"
        if maker.id in seen:
            yield Fault(f"{here}.id", f'the maker "{maker.id}" is here twice')
        seen.add(maker.id)
        yield from _statement_faults(here, maker, known_flags)
    if product.in_use is not None and product.in_use not in seen:
        yield Fault(f"{place}.in_use", unknown("maker", product.in_use, seen))
    for index, part in enumerate(product.parts):
        if part.product not in products:
            message = unknown("product", part.product, products)
            yield Fault(f"{place}.parts[{index}].product", message)
    shares = sum(part.percent or 0 for part in product.parts)
    if shares > MOST_PERCENT:
        yield Fault(f"{place}.parts", f"the shares come to {shares:g} %, which is more than all")
    for index, entry in enumerate(product.bag.additions if product.bag else ()):
        here = f"{place}.bag.additions[{index}]"
        if entry.live and entry.item not in known_items:
            yield Fault(f"{here}.item", unknown("item", entry.item, known_items))
        for flag in entry.statements:
            if flag not in known_flags:
                yield Fault(f"{here}.statements.{flag}", unknown("flag", flag, known_flags))


def _statement_faults(
    place: str, piece: Product | Preparation | Maker, known_flags: Collection[str]
) -> Iterator[Fault]:
    for flag in piece.statements:
        if flag not in known_flags:
            message = unknown("flag", flag, known_flags)
            yield Fault(f"{place}.statements.{flag}", message)
    for flag in piece.evidence:
        if flag not in (*piece.statements, "otherwise"):
            message = f'evidence for "{flag}", of which nothing is stated'
            yield Fault(f"{place}.evidence.{flag}", message)


def _line_faults(place: str, line: Line, known_items: Collection[str]) -> Iterator[Fault]:
    if line.item and line.item not in known_items:
        yield Fault(f"{place}.item", unknown("item", line.item, known_items))
    if line.unit:
        yield from _unit_faults(f"{place}.unit", line.unit)
    if line.chosen and line.choice is None:
        yield Fault(f"{place}.chosen", "chosen, but of no choice; name the choice or drop the mark")


def _unit_faults(place: str, unit: str) -> Iterator[Fault]:
    if unit not in units():
        yield Fault(place, unknown("unit", unit, units()))


def _choice_faults(place: str, preparation: Preparation) -> Iterator[Fault]:
    chosen: dict[str, int] = {}
    for index, line in enumerate(preparation.lines):
        if line.choice is None or not line.chosen:
            continue
        if line.choice in chosen:
            message = (
                f'two lines of the choice "{line.choice}" are chosen,'
                f" this one and lines[{chosen[line.choice]}]; only one can be"
            )
            yield Fault(f"{place}.lines[{index}].chosen", message)
        chosen.setdefault(line.choice, index)


def _cycle_faults(pieces: Pieces) -> Iterator[Fault]:
    """One fault per loop, each loop opened where it was found before the next is looked for."""
    places = {made.id: f"preparations[{n}]" for n, made in enumerate(pieces.preparations)}
    places |= {product.id: f"products[{n}]" for n, product in enumerate(pieces.products)}
    made = [preparation for preparation in pieces.preparations if preparation.id]
    book = Book.of(pieces.kitchen, (p for p in pieces.products if p.id), made)
    standing = inputs_of(book)
    for _ in range(MOST_LOOPS):
        loop = cycle(standing)
        if not loop:
            return
        del standing[loop[0]]
        place = places[loop[0]]
        opening = book.preparations.get(loop[0])
        if opening is not None:
            items = [owner_of(line.item) for line in opening.lines]
            place += f".lines[{items.index(loop[1])}].item"
        yield Fault(place, f"a pot cannot go into itself: {' → '.join(reversed(loop))}")
