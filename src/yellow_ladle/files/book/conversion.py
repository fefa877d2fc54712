"""Between the core's values and plain content, as book file, store and API hold them.

Content is what JSON can hold: levels as words, whole amounts without a decimal point, mappings in
the order of their keys. A field that stands at its default is left out, but for those that a book
file has always named. The models of `models.py` stay the one place for bounds: whatever comes
from outside is validated by them first.
"""

from collections.abc import Callable, Mapping
from dataclasses import MISSING, Field, fields, is_dataclass
from sys import intern
from typing import Any, TypeVar, get_args, get_origin

from cattrs import Converter
from cattrs.gen import make_dict_structure_fn, make_dict_unstructure_fn, override
from pydantic import ValidationError

from yellow_ladle.core.book.book import ByProduct, Kitchen, Preparation
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.production.records import Incident
from yellow_ladle.core.production.service import Served
from yellow_ladle.core.vocabulary.criteria import ordered
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.piece import Piece

ALWAYS_WRITTEN: Mapping[type, frozenset[str]] = {
    Product: frozenset(
        (
            *("statements", "otherwise", "certificates", "abv_percent", "salt_g_per_100g"),
            *("so2_mg_per_kg", "density_g_per_ml", "unit_weight_g"),
        )
    ),
    Preparation: frozenset(("lines", "statements", "by_products", "equipment", "method")),
    ByProduct: frozenset(("quantity", "unit")),
}
"""Fields that version 1 of the book file names even where they say nothing."""
MAX_WHOLE = 1e15
"""Above this a number is not told as a whole one: a float holds no more digits."""

MAX_SHARED = 40
"""Letters of the longest text that is held once for all that say it."""

T = TypeVar("T")
P = TypeVar("P", bound=Piece)


def content(value: Any) -> Any:
    """A core value as plain content."""
    return _CONVERTER.unstructure(value)


def value_of(kind: type[T], plain: Any) -> T:
    """The core value that plain content holds, which is known to be sound."""
    return _CONVERTER.structure(plain, kind)


def as_value(kind: type[T], piece: Piece) -> T:
    """The core value of a validated piece of a book file."""
    return value_of(kind, piece.model_dump(by_alias=True))


def as_piece(model: type[P], value: Any) -> P:
    """A core value as a piece of a book file, with every field.

    What is stored always reads: where it breaks a bound that was set later, it is told as it is.
    """
    plain = content(value)
    try:
        return model.model_validate(plain)
    except ValidationError:
        constructed: P = model.model_construct(**plain)  # type: ignore[assignment]
        return constructed


def damage(model: type[Piece], value: Any) -> str:
    """What keeps a stored value from being a sound piece of a book file; empty where it is one."""
    try:
        model.model_validate(content(value))
    except ValidationError as error:
        place = ".".join(map(str, error.errors()[0]["loc"]))
        return f"This entry is damaged ({place}): {error.errors()[0]['msg']}. Write it anew."
    return ""


def file_name(name: str) -> str:
    """What a field is called in files: `class` for `class_`."""
    return name.rstrip("_")


def _whole(number: float) -> float | int:
    whole = isinstance(number, float) and number.is_integer() and abs(number) < MAX_WHOLE
    return int(number) if whole else number


def _shared(text: str, _kind: Any) -> str:
    """The same short words over and over (ids, units, roles) are held in memory once."""
    return intern(text) if len(text) <= MAX_SHARED else text


def whole_numbers(plain: Any) -> Any:
    """Plain content with whole amounts without a decimal point, however they were typed."""
    if isinstance(plain, float):
        return _whole(plain)
    if isinstance(plain, dict):
        return {key: whole_numbers(part) for key, part in plain.items()}
    if isinstance(plain, list):
        return [whole_numbers(part) for part in plain]
    return plain


def _sorted_words(plain: Any, _kind: Any) -> tuple[str, ...]:
    return tuple(sorted(set(plain)))


def _whole_order(plain: Any, _kind: Any) -> Any:
    return ordered(*plain)


def _as_it_is(plain: Any, _kind: Any) -> Any:
    return plain


READ_SO: Mapping[tuple[type, str], Callable[[Any, Any], Any]] = {
    (Product, "certificates"): _sorted_words,
    (Maker, "certificates"): _sorted_words,
    (Kitchen, "swap_order"): _whole_order,
    (Ruling, "own"): _as_it_is,
    (Served, "plan"): _as_it_is,
    (Incident, "kept"): _as_it_is,
}
"""Fields that are put into one form as they are read."""


def _written(kind: Any) -> Callable[[Any], dict[str, Any]]:
    always = ALWAYS_WRITTEN.get(kind, frozenset())
    overrides: Any = {
        entry.name: override(rename=file_name(entry.name), omit_if_default=not _kept(entry, always))
        for entry in fields(kind)
    }
    told: Callable[[Any], dict[str, Any]] = make_dict_unstructure_fn(kind, _CONVERTER, **overrides)
    if not always:
        return told
    # What is always written comes out first; the file has the order of the value's fields.
    order = [file_name(entry.name) for entry in fields(kind)]

    def in_order(value: Any) -> dict[str, Any]:
        found = told(value)
        return {name: found[name] for name in order if name in found}

    return in_order


def _kept(entry: "Field[Any]", always: frozenset[str]) -> bool:
    has_default = entry.default is not MISSING or entry.default_factory is not MISSING
    return not has_default or entry.name in always


def _read(kind: Any) -> Callable[[Any, Any], Any]:
    overrides: Any = {
        entry.name: override(
            rename=file_name(entry.name), struct_hook=READ_SO.get((kind, entry.name))
        )
        for entry in fields(kind)
    }
    return make_dict_structure_fn(kind, _CONVERTER, **overrides)


def _mapping_written(kind: Any) -> Callable[[Mapping[str, Any]], dict[str, Any]]:
    told = _CONVERTER.get_unstructure_hook(get_args(kind)[1])
    return lambda mapping: {key: told(mapping[key]) for key in sorted(mapping)}


def _mapping_read(kind: Any) -> Callable[[Mapping[str, Any], Any], dict[str, Any]]:
    inner = get_args(kind)[1]
    hook = _CONVERTER.get_structure_hook(inner)
    return lambda plain, _: {key: hook(entry, inner) for key, entry in plain.items()}


def _is_mapping(kind: Any) -> bool:
    return get_origin(kind) is not None and issubclass(get_origin(kind), Mapping)


def _converter() -> Converter:
    made = Converter(unstruct_collection_overrides={tuple: list}, detailed_validation=False)
    made.register_unstructure_hook(Level, lambda level: level.word)
    made.register_structure_hook(Level, lambda word, _: Level.of(word))
    made.register_unstructure_hook(float, _whole)
    made.register_structure_hook(str, _shared)
    made.register_unstructure_hook_factory(is_dataclass, _written)
    made.register_structure_hook_factory(is_dataclass, _read)
    made.register_unstructure_hook_factory(_is_mapping, _mapping_written)
    made.register_structure_hook_factory(_is_mapping, _mapping_read)
    return made


_CONVERTER = _converter()
