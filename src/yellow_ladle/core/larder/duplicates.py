"""Two goods that are one: a second jar of a name, and putting both together.

Nothing that either said is lost. Where their labels differ, both stay as makers of the good that is
kept, so that it carries the highest of both.
"""

from dataclasses import replace

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.book.references import moved_preparation, moved_product
from yellow_ladle.core.carrying.label_sources import product_mask
from yellow_ladle.core.larder.label_changes import as_maker
from yellow_ladle.core.larder.matching import tokens
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.levels import Level

SAID = ("statements", "otherwise", "certificates", "papers")
"""What a label says. Where two say the same, one of them is enough."""


def namesakes(book: Book, name: str, besides: str = "") -> list[str]:
    """The products that go by the same words as a name, whatever their order, number and case."""
    wanted = tokens(name)
    return sorted(
        product.id
        for product in book.products.values()
        if product.id != besides and wanted and tokens(product.name) == wanted
    )


def merged_into(reading: Reading, keep: str, gone: str) -> Change:
    """The change that puts a product into another one, with every reference following.

    Raises BookRefused where the two cannot be one good.
    """
    book = reading.book
    kept, other = book.products[keep], book.products[gone]
    if faults := list(_faults(kept, other)):
        raise BookRefused(faults)

    def moved(item: str) -> str:
        return keep if item == gone else item

    together = _raised(reading, _together(kept, other), (keep, gone))
    products = [moved_product(product, moved) for product in book.products.values()]
    products = [moved_product(together, moved) if p.id == keep else p for p in products]
    pots: list[Preparation] = [
        moved_preparation(made, moved) for made in book.preparations.values()
    ]
    return Change(
        products=tuple(p for p in products if p.id != gone and p != book.products[p.id]),
        preparations=tuple(made for made in pots if made != book.preparations[made.id]),
        removed=(gone,),
    )


def _faults(kept: Product, other: Product) -> list[Fault]:
    faults = []
    if kept.id == other.id:
        faults.append(Fault("gone", f"{kept.name} is one good already"))
    if kept.bag is not None or other.bag is not None:
        faults.append(Fault("gone", "a running bag is emptied, not put together with another good"))
    classes = [class_ for product in (kept, other) if (class_ := taken_as(product))]
    if len(set(classes)) > 1:
        here, there = (class_.replace("-", " ") for class_ in classes)
        why = f"{kept.name} is {here}, {other.name} is {there}: say first what they are"
        faults.append(Fault("gone", why))
    if kept.parts != other.parts and kept.parts and other.parts:
        why = f"{kept.name} and {other.name} are made of other goods: they are two"
        faults.append(Fault("gone", why))
    if any(part.product in (kept.id, other.id) for part in (*kept.parts, *other.parts)):
        faults.append(Fault("gone", f"{other.name} goes into {kept.name}: they are two"))
    return faults


def _together(kept: Product, other: Product) -> Product:
    made = replace(
        kept,
        parts=kept.parts or other.parts,
        retired=None if other.retired is None else kept.retired,
        merged=tuple(dict.fromkeys((*kept.merged, other.id, *other.merged))),
        class_=taken_as(kept) or taken_as(other) or kept.class_ or other.class_,
        abv_percent=_higher(kept.abv_percent, other.abv_percent),
        salt_g_per_100g=_higher(kept.salt_g_per_100g, other.salt_g_per_100g),
        so2_mg_per_kg=_higher(kept.so2_mg_per_kg, other.so2_mg_per_kg),
        density_g_per_ml=kept.density_g_per_ml or other.density_g_per_ml,
        unit_weight_g=kept.unit_weight_g or other.unit_weight_g,
        price_per_kg=kept.price_per_kg or other.price_per_kg,
        label=kept.label or other.label,
        pack=kept.pack or other.pack,
    )
    if _labels_alike(kept, other):
        return replace(made, code=kept.code or other.code)
    mine, theirs = _as_makers(kept), _as_makers(other)
    taken = [maker.id for maker in mine]
    for maker in theirs:
        again = any(known.name == maker.name for known in mine)
        name = f"{maker.name}, second jar" if again else maker.name
        mine.append(replace(maker, id=free_id(name, taken, otherwise="maker"), name=name))
        taken.append(mine[-1].id)
    bare = replace(made, statements={}, evidence={}, certificates=(), papers={}, label="", pack="")
    whole = bare if not kept.makers else made
    statements = {**other.statements} if other.makers else {}
    for flag, level in whole.statements.items():
        statements[flag] = max(level, statements.get(flag, level))
    return replace(whole, statements=statements, makers=tuple(mine), in_use=None)


def _raised(reading: Reading, together: Product, were: tuple[str, str]) -> Product:
    """The good with a statement for each flag that it would carry less of than one of both did.

    What a good is by its name alone may be lost with the name.
    """
    layout = reading.layout
    before = layout.levels(reading.masks[were[0]] | reading.masks[were[1]])
    after = layout.levels(product_mask(layout, together, reading.on, reading.book))
    missing = {f: level for f, level in before.items() if after.get(f, Level.FREE) < level}
    return replace(together, statements={**together.statements, **missing}) if missing else together


def _higher(one: float | None, other: float | None) -> float | None:
    return max((number for number in (one, other) if number is not None), default=None)


def _labels_alike(kept: Product, other: Product) -> bool:
    """Whether both say the same, so that one of them is enough."""
    if kept.makers or other.makers:
        return False
    alike = all(getattr(kept, name) == getattr(other, name) for name in SAID)
    codes = {kept.code, other.code} - {""}
    return alike and len(codes) < 2


def _as_makers(product: Product) -> list[Maker]:
    if product.makers:
        return list(product.makers)
    maker = as_maker(product)
    return [replace(maker, id=free_id(product.name, (), otherwise="maker"), name=product.name)]
