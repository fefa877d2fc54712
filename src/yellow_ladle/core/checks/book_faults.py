"""What is wrong with a book, each fault with its place, in words for the person who wrote it."""

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, field

from yellow_ladle.core.book.book import Book, Kitchen, Preparation, items_of, owner_of
from yellow_ladle.core.book.class_index import classes_in_use
from yellow_ladle.core.book.fault import Fault, unknown
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.carrying.cycles import cycle, inputs_of
from yellow_ladle.core.checks.card_faults import preparation_faults
from yellow_ladle.core.checks.goal_faults import need_faults
from yellow_ladle.core.checks.name_faults import name_faults
from yellow_ladle.core.checks.rule_faults import ruling_faults
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.yields import excess
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.flags import Flag, shipped_flags
from yellow_ladle.core.vocabulary.regimes import regimes
from yellow_ladle.core.vocabulary.units import Measure, shipped_units, units

MAX_PERCENT = 100.5
"""Shares are rounded on labels; together they may come to a little over the whole."""
MAX_LOOPS = 20
"""More loops than this are not listed; mending these shows the rest."""


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
    rulings: Sequence[Ruling] = ()

    def book(self) -> Book:
        """The book that the pieces make, once it is known that they make one."""
        return Book.of(
            kitchen=self.kitchen,
            products=self.products,
            preparations=self.preparations,
            house_flags=self.house_flags,
            tools=self.tools,
            needs=self.needs,
            sign_offs=self.sign_offs,
            rulings=self.rulings,
        )


def faults(pieces: Pieces) -> list[Fault]:
    """Everything that keeps the pieces from making a book, in the order of the book file."""
    found = [*_kitchen_faults(pieces), *_flag_faults(pieces), *_id_faults(pieces)]
    known_flags = {flag.id for flag in (*shipped_flags(), *pieces.house_flags)}
    known_items = _items(pieces)
    measures = [measure.name for measure in pieces.kitchen.measures]
    product_ids = {product.id for product in pieces.products}
    for index, product in enumerate(pieces.products):
        place = f"products[{index}]"
        found += _product_faults(
            place=place,
            product=product,
            known_flags=known_flags,
            known_items=known_items,
            products=product_ids,
        )
    for index, preparation in enumerate(pieces.preparations):
        place = f"preparations[{index}]"
        found += _statement_faults(place, preparation, known_flags)
        found += preparation_faults(place, preparation, known_items, measures)
    found += _sign_off_faults(pieces)
    found += tool_faults(pieces.tools)
    found += need_faults(pieces.needs, known_flags, "needs")
    bearing = classes_in_use(pieces.products, pieces.preparations)
    found += ruling_faults(pieces.rulings, bearing)
    return [*found, *_cycle_faults(pieces)]


def structure_faults(pieces: Pieces) -> list[Fault]:
    """What keeps a book from being carried at all: lines on nothing, one id twice, and loops."""
    known = _items(pieces)
    found = list(_id_faults(pieces))
    for index, made in enumerate(pieces.preparations):
        found += (
            Fault(f"preparations[{index}].lines[{at}].item", unknown("item", line.item, known))
            for at, line in enumerate(made.lines)
            if line.item not in known
        )
    for index, product in enumerate(pieces.products):
        found += (
            Fault(f"products[{index}]", unknown("item", item, known))
            for item in product.contents
            if item not in known
        )
    return found or list(_cycle_faults(pieces))


def change_faults(after: Book, change: Change) -> list[Fault]:
    """Everything that keeps a change from standing, given the book as it would be after it.

    Places begin with the id of the product or preparation instead of its position.
    """
    known_flags = {flag.id for flag in after.flags}
    known_items = set(after.products) | {
        item for made in after.preparations.values() for item in items_of(made)
    }
    measures = [measure.name for measure in after.kitchen.measures]
    found: list[Fault] = []
    for document in change.documents:
        if document.value is not None:
            found += document.kind.faults(after, document.id, document.value)
    for product in change.products:
        found += name_faults(product.id, product.name)
        found += (
            fault
            for maker in product.makers
            for fault in name_faults(f"{product.id}.makers.{maker.id}", maker.name)
        )
        if product.id in after.preparations:
            found.append(Fault(f"{product.id}.id", f'a preparation has the id "{product.id}"'))
        found += _product_faults(
            place=product.id,
            product=product,
            known_flags=known_flags,
            known_items=known_items,
            products=set(after.products),
        )
    for preparation in change.preparations:
        found += name_faults(preparation.id, preparation.name)
        named = [part.name for part in preparation.by_products]
        named += [way.name for way in preparation.ways]
        for each in named:
            found += name_faults(f"{preparation.id}.{each}", each)
        if preparation.id in after.products:
            found.append(Fault(f"{preparation.id}.id", f'a product has the id "{preparation.id}"'))
        found += _statement_faults(preparation.id, preparation, known_flags)
        found += preparation_faults(preparation.id, preparation, known_items, measures)
    found += _orphans(after, change, known_items)
    if not found:
        found += _above_what_went_in(after, change)
    if loop := cycle(inputs_of(after)):
        names = " → ".join(after.name(id) for id in reversed(loop))
        found.append(Fault(loop[0], f"a pot cannot go into itself: {names}"))
    return found


def _above_what_went_in(after: Book, change: Change) -> Iterator[Fault]:
    """More may come out than went in, such as barley that took up water; but somebody says why."""
    if cycle(inputs_of(after)):
        return
    balance = Balance(after)
    for preparation in change.preparations:
        above = (
            0.0
            if preparation.yield_ and preparation.yield_.note
            else excess(balance, preparation.id)
        )
        if above:
            message = (
                f"{above:.0f} g more come out than went in; put what is missing on a line (water "
                "is one), or say beside the yield where it comes from"
            )
            yield Fault(f"{preparation.id}.yield.note", message)


def _orphans(after: Book, change: Change, known_items: Collection[str]) -> Iterator[Fault]:
    """Lines elsewhere whose item the change takes away."""
    touched = set(change.ids)
    for product in after.products.values():
        for item in product.contents if product.id not in touched else ():
            if item not in known_items:
                yield Fault(f"{product.id}.contents", f'"{item}" is still in {product.name}')
    for preparation in after.preparations.values():
        for index, line in enumerate(preparation.lines if preparation.id not in touched else ()):
            if line.item not in known_items:
                message = (
                    f'"{line.item}" still goes into {preparation.name}; take it out there first'
                )
                yield Fault(f"{preparation.id}.lines[{index}].item", message)
        for number, way in enumerate(preparation.ways if preparation.id not in touched else ()):
            if gone := next((line for line in way.lines if line.item not in known_items), None):
                message = f'"{gone.item}" is in the way "{way.name}" of {preparation.name}'
                yield Fault(
                    f"{preparation.id}.ways[{number}]", f"{message}; take it out there first"
                )
        if preparation.variant_of is not None and preparation.variant_of in change.removed:
            message = (
                f"{preparation.name} is a variant of it; say what else it comes from, or remove it"
            )
            yield Fault(f"{preparation.id}.variant_of", message)


def measure_faults(measures: Sequence[Measure]) -> Iterator[Fault]:
    """Measures of a kitchen's own that have no size, or a name that is taken."""
    seen: set[str] = set()
    for index, measure in enumerate(measures):
        place = f"kitchen.measures[{index}]"
        if measure.name in seen or (
            (shipped := shipped_units().get(measure.name)) and shipped.size
        ):
            yield Fault(f"{place}.name", f'"{measure.name}" has its size already')
        seen.add(measure.name)
        if (base := shipped_units().get(measure.unit)) is None:
            yield Fault(f"{place}.unit", unknown("unit", measure.unit, units()))
        elif base.size is None:
            message = f'"{measure.unit}" has no size of its own; give it in ml or g'
            yield Fault(f"{place}.unit", message)


def measures_missed(book: Book, after: Kitchen) -> Iterator[Fault]:
    """The first measure that a line is given in, and that would be gone."""
    kept = {*units(), *(measure.name for measure in after.measures)}
    for preparation in book.preparations.values():
        for line in (*preparation.lines, *(line for way in preparation.ways for line in way.lines)):
            if line.unit not in kept:
                message = f'{preparation.name} is measured in "{line.unit}"; change it there first'
                yield Fault("measures", message)
                return


def tool_faults(tools: Sequence[Tool]) -> Iterator[Fault]:
    """Two tools that a card could not tell apart, by name or by id."""
    seen: dict[str, str] = {}
    for index, tool in enumerate(tools):
        for key in dict.fromkeys(tool.keys) if tool.name else ():
            if (other := seen.get(key)) is not None:
                message = f'the tool "{tool.name}" is here twice, as "{other}" as well'
                message = message if other != tool.name else f'the tool "{other}" is here twice'
                yield Fault(f"tools[{index}]", message)
                break
        seen |= dict.fromkeys(tool.keys if tool.name else (), tool.name)


def _kitchen_faults(pieces: Pieces) -> Iterator[Fault]:
    regime = pieces.kitchen.regime
    if regime and regime not in regimes():
        yield Fault("kitchen.regime", unknown("regime", regime, regimes()))
    yield from measure_faults(pieces.kitchen.measures)


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
    if shares > MAX_PERCENT:
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


def _cycle_faults(pieces: Pieces) -> Iterator[Fault]:
    """One fault per loop, each loop opened where it was found before the next is looked for."""
    places = {made.id: f"preparations[{n}]" for n, made in enumerate(pieces.preparations)}
    places |= {product.id: f"products[{n}]" for n, product in enumerate(pieces.products)}
    made = [preparation for preparation in pieces.preparations if preparation.id]
    book = Book.of(pieces.kitchen, (p for p in pieces.products if p.id), made)
    standing = inputs_of(book)
    for _ in range(MAX_LOOPS):
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
