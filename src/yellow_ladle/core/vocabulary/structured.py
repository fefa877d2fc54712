"""Rows of the tables under `core/data` as frozen values: the one place where they are read."""

from collections.abc import Collection
from dataclasses import fields, is_dataclass
from typing import Annotated, TypeAlias, TypeVar, cast, get_args, get_origin, get_type_hints

from cattrs import Converter

from yellow_ladle.core.vocabulary.classes import expanded
from yellow_ladle.core.vocabulary.toml import Table, Value, number, section

T = TypeVar("T")

GROUPED = "groups of classes are written out"
ClassSet: TypeAlias = Annotated[frozenset[str], GROUPED]
"""Classes of goods; a row may name groups of them: `@milks`."""
ClassList: TypeAlias = Annotated[tuple[str, ...], GROUPED]
"""The same, where their order counts."""


def structured(
    kind: type[T], row: "Value | None", *, besides: Collection[str] = (), **known: object
) -> T:
    """The value that a row describes: a key a field, `class` for the field `class_`.

    `known` are fields that the row does not give; `besides` are keys that are read elsewhere. What
    the row leaves out keeps its default. Raises TypeError for a key that is no field, as a
    misspelt one would be, for a value of another type, and for a field without a value.
    """
    data = section(row)
    types = _types_of(kind)
    if unknown := data.keys() - types.keys() - set(besides):
        raise TypeError(f"{', '.join(sorted(unknown))}: no field of {kind.__name__}")
    given = {
        name: _CONVERTER.structure(data[key], cast(type[object], type_))
        for key, (name, type_) in types.items()
        if key in data and name not in known and key not in besides
    }
    return kind(**given, **known)


def structured_rows(kind: type[T], rows: "Value | None") -> tuple[T, ...]:
    """The values of a list of rows; none where the table is silent."""
    return tuple(structured(kind, row) for row in rows) if isinstance(rows, list) else ()


_TYPES: dict[type, dict[str, tuple[str, object]]] = {}


def _types_of(kind: type) -> dict[str, tuple[str, object]]:
    """By the key in a table, a field's name and type."""
    if kind not in _TYPES:
        types = get_type_hints(kind, include_extras=True)
        _TYPES[kind] = {f.name.rstrip("_"): (f.name, types[f.name]) for f in fields(kind)}
    return _TYPES[kind]


def _text(value: object, _kind: object) -> str:
    if not isinstance(value, str):
        raise TypeError(f"a text is wanted in place of {value!r}")
    return value


def _flag(value: object, _kind: object) -> bool:
    if not isinstance(value, bool):
        raise TypeError(f"true or false is wanted in place of {value!r}")
    return value


def _number(value: Value, _kind: object) -> float:
    return number(value)


def _listed(value: object, kind: object) -> object:
    """A tuple or frozenset of what a list holds. A text is none: it would fall into its letters."""
    if not isinstance(value, list):
        raise TypeError(f"a list is wanted in place of {value!r}")
    inner, whole = get_args(kind)[0], cast(type[object], get_origin(kind))
    parts = [_CONVERTER.structure(part, inner) for part in value]
    return tuple(parts) if whole is tuple else frozenset(parts)


def _grouped(value: object, kind: object) -> object:
    classes = expanded(cast(tuple[str, ...], _listed(value, tuple[str, ...])))
    return classes if get_origin(get_args(kind)[0]) is tuple else frozenset(classes)


def _is_list(kind: object) -> bool:
    return get_origin(kind) is frozenset or (
        get_origin(kind) is tuple and get_args(kind)[1:] == (...,)
    )


def _is_grouped(kind: object) -> bool:
    return get_origin(kind) is Annotated and GROUPED in get_args(kind)


def _converter() -> Converter:
    converter = Converter()
    converter.register_structure_hook(str, _text)
    converter.register_structure_hook(bool, _flag)
    converter.register_structure_hook(float, _number)
    converter.register_structure_hook_func(_is_list, _listed)
    converter.register_structure_hook_func(_is_grouped, _grouped)
    converter.register_structure_hook_func(
        is_dataclass, lambda value, kind: structured(kind, cast(Table, value))
    )
    return converter


_CONVERTER = _converter()
