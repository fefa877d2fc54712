"""What each kind of change makes of the book: a row a kind, of its form and what it makes.

A new kind is its form (api/schemas/change_forms.py) and a function here that `makes` it.
"""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, replace
from typing import Any, TypeVar

from pydantic import BaseModel

from yellow_ladle.api.dependencies import (
    person_or_refused,
    preparation_or_missing,
    product_or_missing,
)
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.schemas.change_forms import (
    AdditionChange,
    BringIn,
    ChoiceChange,
    ClassChange,
    EmptyingChange,
    LineChange,
    MakerAnswers,
    MakerChange,
    MakerDropped,
    MakerInUse,
    PlainFoodChange,
    PreparationChange,
    ProductChange,
    ProductMerging,
    ProductRetirement,
    ProductsChange,
    Removal,
    Renaming,
    Retirement,
    StatementChange,
    Thickening,
    WayChange,
)
from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.maker import Evidence, Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.cards.rename import renamed
from yellow_ladle.core.cards.versions import NoSuchWay, using
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.checks.stated_words import refuse_too_long, stated_by_words
from yellow_ladle.core.larder.bag import NoBag, added, emptied
from yellow_ladle.core.larder.duplicates import merged_into
from yellow_ladle.core.larder.label_changes import accepted, with_maker, without_maker
from yellow_ladle.core.larder.plain_food import NotPlain, as_plain
from yellow_ladle.core.numbers.thickeners import thickener_of
from yellow_ladle.core.reading.update import Change, applied, choosing, reread, stating, with_lines
from yellow_ladle.core.thickening.dosage import put_in
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.conversion import as_value
from yellow_ladle.files.book.models import EvidencePiece
from yellow_ladle.store.documents import Now

Form = TypeVar("Form", bound=BaseModel)


@dataclass(frozen=True, slots=True)
class ChangeKind:
    """A kind of change: its form, and the core's change that a request in it describes.

    `makes` takes the book, the form and the person behind the request. `by_hand`: what a person
    states, whose claims of free are held against other records.
    """

    form: type[BaseModel]
    makes: Callable[[Now, Any, str | None], Change]
    by_hand: bool = False


CHANGE_KINDS: dict[type[BaseModel], ChangeKind] = {}
"""Every kind of change, by its form."""


def makes(
    form: type[Form], *, by_hand: bool = False
) -> Callable[[Callable[[Now, Form], Change]], Callable[[Now, Form], Change]]:
    """Enters a function as what makes the change of a form."""

    signed = makes_signed(form, by_hand=by_hand)

    def enter(make: Callable[[Now, Form], Change]) -> Callable[[Now, Form], Change]:
        signed(lambda now, wanted, _person: make(now, wanted))
        return make

    return enter


def makes_signed(
    form: type[Form], *, by_hand: bool = False
) -> Callable[
    [Callable[[Now, Form, str | None], Change]], Callable[[Now, Form, str | None], Change]
]:
    """Enters a function that writes the person behind the request into the book as well."""

    def enter(
        make: Callable[[Now, Form, str | None], Change],
    ) -> Callable[[Now, Form, str | None], Change]:
        CHANGE_KINDS[form] = ChangeKind(form, make, by_hand)
        return make

    return enter


@makes(ProductChange, by_hand=True)
def _product_change(_now: Now, wanted: ProductChange) -> Change:
    return Change(products=(as_value(Product, wanted.product),))


@makes(PreparationChange)
def _preparation_change(now: Now, wanted: PreparationChange) -> Change:
    preparation = as_value(Preparation, wanted.preparation)
    refuse_too_long(preparation)
    return Change(preparations=(stated_by_words(now.reading, preparation, now.reading.on),))


@makes_signed(PlainFoodChange, by_hand=True)
def _plain_food_change(now: Now, wanted: PlainFoodChange, person: str | None) -> Change:
    product = product_or_missing(now, wanted.product)
    return Change(products=(_plain(now, product, person, "product"),))


@makes(StatementChange, by_hand=True)
def _statement_change(now: Now, wanted: StatementChange) -> Change:
    _known_flag(now, wanted.flag)
    if wanted.item not in now.reading.book.products:
        preparation_or_missing(now, wanted.item)
    level = None if wanted.level is None else Level.of(wanted.level)
    evidence = _evidence(wanted.evidence)
    return stating(
        book=now.reading.book, item=wanted.item, flag=wanted.flag, level=level, evidence=evidence
    )


@makes(ClassChange)
def _class_change(now: Now, wanted: ClassChange) -> Change:
    if wanted.item in now.reading.book.products:
        product = replace(now.reading.book.products[wanted.item], class_=wanted.class_)
        return Change(products=(product,))
    preparation = preparation_or_missing(now, wanted.item)
    return Change(preparations=(replace(preparation, class_=wanted.class_),))


@makes(LineChange)
def _line_change(now: Now, wanted: LineChange) -> Change:
    preparation = preparation_or_missing(now, wanted.preparation)
    _known_line(preparation, wanted.line, wanted.was)
    line = as_value(Line, wanted.to)
    return Change(preparations=(with_lines(preparation, [(wanted.line, line)]),))


@makes(ChoiceChange)
def _choice_change(now: Now, wanted: ChoiceChange) -> Change:
    preparation = preparation_or_missing(now, wanted.preparation)
    _known_line(preparation, wanted.line, wanted.was)
    return Change(preparations=(choosing(preparation, wanted.line),))


@makes(WayChange)
def _way_change(now: Now, wanted: WayChange) -> Change:
    preparation = preparation_or_missing(now, wanted.preparation)
    with refused_as("way", NoSuchWay):
        return Change(preparations=(using(preparation, wanted.way),))


@makes(Thickening)
def _thickening(now: Now, wanted: Thickening) -> Change:
    preparation = preparation_or_missing(now, wanted.preparation)
    product = product_or_missing(now, wanted.product)
    thickener = thickener_of().get(product.class_ or "")
    if thickener is None:
        raise BookRefused([Fault("product", f"{product.name} is no thickener that is known here")])
    fat = (wanted.fat, wanted.fat_grams) if wanted.fat and wanted.fat_grams else None
    after = put_in(
        preparation=preparation,
        thickener=thickener,
        product=product.id,
        grams=wanted.grams,
        minutes=wanted.minutes,
        fat=fat,
    )
    return Change(preparations=(after,))


@makes(Renaming)
def _renaming(now: Now, wanted: Renaming) -> Change:
    preparation_or_missing(now, wanted.preparation)
    id = wanted.id or wanted.preparation
    if id != wanted.preparation and id in now.versions:
        raise BookRefused([Fault("id", f'the id "{id}" is taken already')])
    return renamed(now.reading.book, wanted.preparation, id, wanted.name)


@makes(Retirement)
def _retirement(now: Now, wanted: Retirement) -> Change:
    preparation = preparation_or_missing(now, wanted.preparation)
    since = str(now.reading.on) if wanted.retired else None
    return Change(preparations=(replace(preparation, retired=since),))


@makes(ProductRetirement)
def _product_retirement(now: Now, wanted: ProductRetirement) -> Change:
    product = product_or_missing(now, wanted.product)
    since = str(now.reading.on) if wanted.retired else None
    return Change(products=(replace(product, retired=since),))


@makes(ProductMerging)
def _product_merging(now: Now, wanted: ProductMerging) -> Change:
    for id in (wanted.keep, wanted.gone):
        product_or_missing(now, id)
    return merged_into(now.reading, wanted.keep, wanted.gone)


@makes_signed(BringIn)
def _bring_in(now: Now, wanted: BringIn, person: str | None) -> Change:
    given = [as_value(Product, piece) for piece in wanted.products]
    products = tuple(
        _plain(now, product, person, "plain") if product.id in wanted.plain else product
        for product in given
    )
    made = tuple(as_value(Preparation, piece) for piece in wanted.preparations)
    for each in made:
        refuse_too_long(each)
    whole = Change(products, made)
    if change_faults(applied(now.reading.book, whole), whole):
        return whole
    reading = reread(now.reading, whole).reading
    return Change(products, tuple(stated_by_words(reading, each, reading.on) for each in made))


@makes(ProductsChange)
def _products_change(_now: Now, wanted: ProductsChange) -> Change:
    return Change(products=tuple(as_value(Product, piece) for piece in wanted.products))


@makes(MakerChange, by_hand=True)
def _maker_change(now: Now, wanted: MakerChange) -> Change:
    product = product_or_missing(now, wanted.product)
    taken = [known.id for known in product.makers]
    maker = as_value(Maker, wanted.maker)
    maker = replace(maker, id=maker.id or free_id(maker.name, taken))
    return Change(products=(with_maker(product, maker),))


@makes(MakerDropped)
def _maker_dropped(now: Now, wanted: MakerDropped) -> Change:
    product = product_or_missing(now, wanted.product)
    return Change(products=(without_maker(product, wanted.maker),))


@makes_signed(MakerAnswers, by_hand=True)
def _maker_answers(now: Now, wanted: MakerAnswers, person: str | None) -> Change:
    product = product_or_missing(now, wanted.product)
    known_makers: list[str | None] = [maker.id for maker in product.makers]
    if wanted.maker not in (known_makers or [None]):
        known = [maker.name for maker in product.makers]
        raise BookRefused([Fault("maker", unknown("maker", wanted.maker or "", known))])
    for flag in wanted.levels:
        _known_flag(now, flag)
    stated = {flag: Level.of(level) for flag, level in wanted.levels.items()}
    who = person_or_refused(person, "an answer wants the person behind it")
    why = Evidence("supplier", str(now.reading.on), who)
    return Change(
        products=(
            accepted(product=product, maker=wanted.maker or "", stated=stated, why=why, label=""),
        )
    )


@makes(MakerInUse)
def _maker_in_use(now: Now, wanted: MakerInUse) -> Change:
    product = product_or_missing(now, wanted.product)
    return Change(products=(replace(product, in_use=wanted.maker),))


@makes_signed(AdditionChange)
def _addition_change(now: Now, wanted: AdditionChange, person: str | None) -> Change:
    _known_item(now, wanted.item)
    product_or_missing(now, wanted.bag)
    reading, day = now.reading, str(now.reading.on)
    return _of_a_bag(
        lambda: added(reading=reading, bag=wanted.bag, item=wanted.item, date=day, person=person)
    )


@makes_signed(EmptyingChange)
def _emptying_change(now: Now, wanted: EmptyingChange, person: str | None) -> Change:
    product_or_missing(now, wanted.bag)
    day, washed = str(now.reading.on), wanted.washed
    return _of_a_bag(lambda: emptied(now.reading, wanted.bag, day, person, washed=washed))


@makes(Removal)
def _removal(now: Now, wanted: Removal) -> Change:
    if wanted.item not in now.reading.book.preparations:
        product_or_missing(now, wanted.item)
    return Change(removed=(wanted.item,))


@contextmanager
def refused_as(place: str, error: type[ValueError]) -> Iterator[None]:
    """What the core refuses in a sentence, as a fault with its place."""
    try:
        yield
    except error as refusal:
        raise BookRefused([Fault(place, str(refusal))]) from refusal


def _plain(now: Now, product: Product, person: str | None, place: str) -> Product:
    """A product as the plain single food that a person takes it for."""
    who = person_or_refused(person, "free wants the person behind it")
    with refused_as(place, NotPlain):
        return as_plain(product, now.reading.book.flags, who, str(now.reading.on))


def _evidence(piece: EvidencePiece | None) -> Evidence | None:
    return None if piece is None else Evidence(**piece.model_dump())


def _of_a_bag(made: Callable[[], Product]) -> Change:
    try:
        return Change(products=(made(),))
    except NoBag as error:
        raise BookRefused([Fault("bag", str(error))]) from error


def _known_item(now: Now, item: str) -> None:
    if item not in now.reading.masks:
        raise Missing("pot or product", item)


def _known_flag(now: Now, flag: str) -> None:
    known = [entry.id for entry in now.reading.book.flags]
    if flag not in known:
        raise BookRefused([Fault("flag", unknown("flag", flag, known))])


def _known_line(preparation: Preparation, line: int, was: str | None) -> None:
    """Refuses a line that is not there, or that holds another item than its writer saw."""
    if line >= len(preparation.lines):
        raise Missing("line", str(line))
    if was is not None and preparation.lines[line].item != was:
        why = (
            f'line {line + 1} of {preparation.name} no longer holds "{was}"; look at the card again'
        )
        raise BookRefused([Fault("line", why)])
