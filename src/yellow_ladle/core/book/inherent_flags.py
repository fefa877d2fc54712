"""The flags that a product has by what it is: by its recorded class, else by its name.

They only ever raise. Where nobody has recorded a class, a certain name counts as one; of a name
that may mean several classes count the flags that each of them is or has.
"""

from dataclasses import dataclass
from functools import lru_cache

from yellow_ladle.core.book.product import Product
from yellow_ladle.core.vocabulary.classes import (
    UNSAID,
    Usual,
    grape_wine_classes,
    of_twin,
    usual_of,
)
from yellow_ladle.core.words.class_names import class_of_name


@dataclass(frozen=True, slots=True)
class InherentFlags:
    """`inherent`: flags that no such product is without; `usual`: those with what it usually has.

    `grape_wine`: whether it is of grapes as wine is. `classes` are those that it may be of;
    `recorded`: whether somebody has said so.
    """

    classes: tuple[str, ...]
    recorded: bool
    inherent: frozenset[str]
    usual: frozenset[str]
    grape_wine: bool


def inherent_flags(product: Product) -> InherentFlags:
    """What a product has by its class or name, house flags of any kitchen included."""
    if product.class_ and product.class_ != UNSAID:
        return _of_class(of_twin(product.class_))
    return _of_name(product.name)


@lru_cache(maxsize=1_000)
def _of_class(class_: str) -> InherentFlags:
    return _of_classes((class_,), recorded=True)


@lru_cache(maxsize=50_000)
def _of_name(name: str) -> InherentFlags:
    guess = class_of_name(name)
    classes = tuple(class_ for class_ in (guess.class_, *guess.others) if class_)
    if guess.certain or not classes:
        return _of_classes(classes, recorded=False)
    usuals = [usual_of(class_) for class_ in classes]
    shared = frozenset.intersection(*(usual.has for usual in usuals))
    wine = all(class_ in grape_wine_classes() for class_ in classes)
    return InherentFlags(
        classes=classes, recorded=False, inherent=shared, usual=shared, grape_wine=wine
    )


def _of_classes(classes: tuple[str, ...], *, recorded: bool) -> InherentFlags:
    usual = usual_of(classes[0]) if classes else Usual(frozenset(), frozenset())
    wine = bool(classes) and classes[0] in grape_wine_classes()
    return InherentFlags(
        classes=classes,
        recorded=recorded,
        inherent=usual.inherent,
        usual=usual.has,
        grape_wine=wine,
    )
