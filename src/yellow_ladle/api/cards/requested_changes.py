"""Changes as requests describe them, and what they would do."""

from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import replace

from yellow_ladle.api.dependencies import preparation_or_missing, product_or_missing
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.schemas.change_forms import (
    AdditionChange,
    AnyChange,
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
from yellow_ladle.api.text_workers import MAX_HERE, TextWorkers
from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.maker import Evidence, Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.cards.rename import renamed
from yellow_ladle.core.cards.versions import NoSuchWay, using
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.checks.free_claims import free_claim_faults
from yellow_ladle.core.checks.stated_words import refuse_too_long, stated_by_words
from yellow_ladle.core.labels.label_reading import LabelReading
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.larder.bag import NoBag, added, emptied
from yellow_ladle.core.larder.duplicates import merged_into
from yellow_ladle.core.larder.label_changes import accepted, with_maker, without_maker
from yellow_ladle.core.larder.plain_food import NotPlain, as_plain
from yellow_ladle.core.numbers.thickeners import thickener_of
from yellow_ladle.core.reading.update import Change, applied, choosing, reread, stating, with_lines
from yellow_ladle.core.thickening.dosage import put_in
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.conversion import as_value
from yellow_ladle.files.book.models import EvidencePiece, MakerPiece, ProductPiece
from yellow_ladle.store.documents import Now

BY_HAND = ProductChange | MakerChange | MakerAnswers | StatementChange | PlainFoodChange
"""What a person states."""


async def labels_of(now: Now, wanted: AnyChange, workers: TextWorkers) -> dict[str, LabelReading]:
    """The long labels of a request, read where they cannot hold anybody up, by their texts.

    Raises TextTooSlow.
    """
    pieces: list[ProductPiece | MakerPiece] = []
    if isinstance(wanted, ProductChange):
        pieces = [wanted.product, *wanted.product.makers]
    elif isinstance(wanted, MakerChange):
        pieces = [wanted.maker]
    book = now.reading.book
    return {
        text: await workers.run(
            len(text), read_label, text, "auto", book.kitchen.regime, book.house_flags
        )
        for text in {piece.label for piece in pieces if len(piece.label) > MAX_HERE}
    }


def change_of(
    now: Now, wanted: AnyChange, labels: Mapping[str, LabelReading] | None = None
) -> Change:
    """The core's change for a request's; Missing or BookRefused where it names what is not.

    What a person newly says free of a label is refused where another record says otherwise. Tables
    and suppliers' sheets are taken as they are, and raised where they contradict themselves.
    """
    change = _described(now, wanted)
    by_hand = isinstance(wanted, BY_HAND)
    if by_hand and (faults := free_claim_faults(now.reading.book, change, labels)):
        raise BookRefused(faults)
    return change


def _described(now: Now, wanted: AnyChange) -> Change:
    book = now.reading.book
    match wanted:
        case ProductChange():
            return Change(products=(as_value(Product, wanted.product),))
        case PreparationChange():
            made = as_value(Preparation, wanted.preparation)
            refuse_too_long(made)
            return Change(preparations=(stated_by_words(now.reading, made, now.reading.on),))
        case PlainFoodChange():
            product = product_or_missing(now, wanted.product)
            with refused_as("product", NotPlain):
                plain = as_plain(product, book.flags, wanted.person, str(now.reading.on))
            return Change(products=(plain,))
        case StatementChange():
            _known_flag(now, wanted.flag)
            if wanted.item not in book.products:
                preparation_or_missing(now, wanted.item)
            level = None if wanted.level is None else Level.of(wanted.level)
            evidence = _evidence(wanted.evidence)
            return stating(book, wanted.item, wanted.flag, level, evidence)
        case ClassChange():
            if wanted.item in book.products:
                product = replace(book.products[wanted.item], class_=wanted.class_)
                return Change(products=(product,))
            preparation = preparation_or_missing(now, wanted.item)
            return Change(preparations=(replace(preparation, class_=wanted.class_),))
        case LineChange():
            preparation = preparation_or_missing(now, wanted.preparation)
            _known_line(preparation, wanted.line, wanted.was)
            line = as_value(Line, wanted.to)
            return Change(preparations=(with_lines(preparation, [(wanted.line, line)]),))
        case ChoiceChange():
            preparation = preparation_or_missing(now, wanted.preparation)
            _known_line(preparation, wanted.line, wanted.was)
            return Change(preparations=(choosing(preparation, wanted.line),))
        case WayChange():
            preparation = preparation_or_missing(now, wanted.preparation)
            with refused_as("way", NoSuchWay):
                return Change(preparations=(using(preparation, wanted.way),))
        case Thickening():
            return _thickening(now, wanted)
        case Renaming():
            return _renaming(now, wanted)
        case Retirement():
            preparation = preparation_or_missing(now, wanted.preparation)
            since = str(now.reading.on) if wanted.retired else None
            return Change(preparations=(replace(preparation, retired=since),))
        case ProductRetirement():
            product = product_or_missing(now, wanted.product)
            since = str(now.reading.on) if wanted.retired else None
            return Change(products=(replace(product, retired=since),))
        case ProductMerging():
            for id in (wanted.keep, wanted.gone):
                product_or_missing(now, id)
            return merged_into(now.reading, wanted.keep, wanted.gone)
        case BringIn():
            return _brought_in(now, wanted)
        case ProductsChange():
            return Change(products=tuple(as_value(Product, piece) for piece in wanted.products))
        case MakerChange():
            product = product_or_missing(now, wanted.product)
            taken = [known.id for known in product.makers]
            maker = as_value(Maker, wanted.maker)
            maker = replace(maker, id=maker.id or free_id(maker.name, taken))
            return Change(products=(with_maker(product, maker),))
        case MakerDropped():
            product = product_or_missing(now, wanted.product)
            return Change(products=(without_maker(product, wanted.maker),))
        case MakerAnswers():
            return _answered(now, wanted)
        case MakerInUse():
            product = product_or_missing(now, wanted.product)
            return Change(products=(replace(product, in_use=wanted.maker),))
        case AdditionChange():
            _known_item(now, wanted.item)
            product_or_missing(now, wanted.bag)
            reading, day, who = now.reading, str(now.reading.on), wanted.person
            return _of_a_bag(lambda: added(reading, wanted.bag, wanted.item, day, who))
        case EmptyingChange():
            product_or_missing(now, wanted.bag)
            day, washed = str(now.reading.on), wanted.washed
            return _of_a_bag(
                lambda: emptied(now.reading, wanted.bag, day, wanted.person, washed=washed)
            )
        case Removal():
            if wanted.item not in book.preparations:
                product_or_missing(now, wanted.item)
            return Change(removed=(wanted.item,))


@contextmanager
def refused_as(place: str, error: type[ValueError]) -> Iterator[None]:
    """What the core refuses in a sentence, as a fault with its place."""
    try:
        yield
    except error as refusal:
        raise BookRefused([Fault(place, str(refusal))]) from refusal


def _brought_in(now: Now, wanted: BringIn) -> Change:
    products = tuple(_taken_in(now, wanted, as_value(Product, p)) for p in wanted.products)
    made = tuple(as_value(Preparation, piece) for piece in wanted.preparations)
    for each in made:
        refuse_too_long(each)
    whole = Change(products, made)
    if change_faults(applied(now.reading.book, whole), whole):
        return whole
    reading = reread(now.reading, whole).reading
    return Change(products, tuple(stated_by_words(reading, each, reading.on) for each in made))


def _taken_in(now: Now, wanted: BringIn, product: Product) -> Product:
    """A new product as it is, or as the plain single food that a person takes it for."""
    if product.id not in wanted.plain:
        return product
    if wanted.person is None:
        why = "say at the top who you are: free wants the person behind it"
        raise BookRefused([Fault("person", why)])
    with refused_as("plain", NotPlain):
        return as_plain(product, now.reading.book.flags, wanted.person, str(now.reading.on))


def _answered(now: Now, wanted: MakerAnswers) -> Change:
    product = product_or_missing(now, wanted.product)
    known_makers: list[str | None] = [maker.id for maker in product.makers]
    if wanted.maker not in (known_makers or [None]):
        known = [maker.name for maker in product.makers]
        raise BookRefused([Fault("maker", unknown("maker", wanted.maker or "", known))])
    for flag in wanted.levels:
        _known_flag(now, flag)
    stated = {flag: Level.of(level) for flag, level in wanted.levels.items()}
    why = Evidence("supplier", str(now.reading.on), wanted.person)
    return Change(products=(accepted(product, wanted.maker or "", stated, why, ""),))


def _thickening(now: Now, wanted: Thickening) -> Change:
    made = preparation_or_missing(now, wanted.preparation)
    product = product_or_missing(now, wanted.product)
    thickener = thickener_of().get(product.class_ or "")
    if thickener is None:
        raise BookRefused([Fault("product", f"{product.name} is no thickener that is known here")])
    fat = (wanted.fat, wanted.fat_grams) if wanted.fat and wanted.fat_grams else None
    after = put_in(made, thickener, product.id, wanted.grams, wanted.minutes, fat)
    return Change(preparations=(after,))


def _renaming(now: Now, wanted: Renaming) -> Change:
    preparation_or_missing(now, wanted.preparation)
    id = wanted.id or wanted.preparation
    if id != wanted.preparation and id in now.versions:
        raise BookRefused([Fault("id", f'the id "{id}" is taken already')])
    return renamed(now.reading.book, wanted.preparation, id, wanted.name)


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


def _known_line(made: Preparation, line: int, was: str | None) -> None:
    """Refuses a line that is not there, or that holds another item than its writer saw."""
    if line >= len(made.lines):
        raise Missing("line", str(line))
    if was is not None and made.lines[line].item != was:
        why = f'line {line + 1} of {made.name} no longer holds "{was}"; look at the card again'
        raise BookRefused([Fault("line", why)])


def signer(wanted: AnyChange) -> str | None:
    """Who makes a change, by its own word. What others read before speaks for nobody here."""
    match wanted:
        case AdditionChange() | EmptyingChange() | PlainFoodChange() | BringIn() | MakerAnswers():
            return wanted.person
        case StatementChange():
            return wanted.evidence.person if wanted.evidence else None
        case _:
            return None
