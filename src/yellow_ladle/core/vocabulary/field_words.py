"""What the fields of a kitchen's values are called for people, and how their values are told.

The word stands beside the field, once: comparison, merging and history take it from there.
"""

from collections.abc import Callable, Mapping
from dataclasses import MISSING, Field, fields, is_dataclass
from typing import TYPE_CHECKING, TypeAlias

from yellow_ladle.core.vocabulary.levels import Level

if TYPE_CHECKING:
    from _typeshed import DataclassInstance

WORD = "word"
ITEM = "item"
PLACES = "places"
HEADINGS = "headings"
NOTHING = "nothing"
COUNTED = ("piece", "each")
"""Units that go without saying: two onions."""
MAX_TOLD = 80
"""Letters of a text that are told where it is compared: a label may hold thousands."""

Name: TypeAlias = Callable[[str], str]
"""Gives the name of an item by its id."""


def called(
    word: str, *, item: bool = False, places: bool = False, headings: tuple[str, ...] | None = None
) -> Mapping[str, object]:
    """The metadata of a field with the word that people have for it.

    `item`: its value is an id. `places`: its values are indexes, which people count from 1.
    `headings`: it is a column of tables, and these are other headings that it may stand under.
    """
    return {WORD: word, ITEM: item, PLACES: places, HEADINGS: headings}


def columns_of(kind: "type[DataclassInstance]") -> dict[str, tuple[str, ...]]:
    """The fields of a value that tables have columns for, with the headings of each."""
    found = {entry.name: entry.metadata.get(HEADINGS) for entry in fields(kind)}
    return {name: headings for name, headings in found.items() if headings is not None}


def word_of(entry: "Field[object]") -> str:
    """What people call a field; without a word of its own, what code calls it."""
    return str(entry.metadata.get(WORD, entry.name.strip("_").replace("_", " ")))


def amount_words(quantity: float, unit: str, typed: str = "") -> str:
    """An amount as a sentence says it."""
    if unit in COUNTED:
        return typed or f"{quantity:g}"
    return typed or f"{quantity:g} {unit.replace('_', ' ')}".strip()


def field_shown(entry: "Field[object]", value: object, name: Name = str) -> str:
    """The value of a field in words; an item by its name."""
    if entry.metadata.get(ITEM) and isinstance(value, str):
        return name(value)
    if entry.metadata.get(PLACES) and isinstance(value, tuple):
        return ", ".join(str(index + 1) for index in value)
    return shown(value, name)


def shown(value: object, name: Name = str) -> str:
    """Any value of a book in words, never as code writes it."""
    if value in (None, "", ()) or value == {}:
        return NOTHING
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, Level):
        return value.word.replace("_", " ")
    if isinstance(value, int | float):
        return f"{value:g}"
    if isinstance(value, Mapping):
        return ", ".join(
            f"{key.replace('_', ' ')} {shown(part, name)}" for key, part in sorted(value.items())
        )
    if isinstance(value, tuple):
        return ", ".join(shown(part, name) for part in value)
    if is_dataclass(value) and not isinstance(value, type):
        return _whole(value, name)
    text = str(value).rstrip(".")
    return text if len(text) <= MAX_TOLD else f"{text[:MAX_TOLD].rstrip()} …"


def _whole(value: "DataclassInstance", name: Name) -> str:
    """A value with several fields: its amount or name first, then what is not as usual."""
    here = {entry.name: getattr(value, entry.name) for entry in fields(value)}
    parts = [str(here["name"])] if "name" in here else []
    if here.get("quantity") is not None:
        parts.append(amount_words(here["quantity"], str(here.get("unit") or "")))
    for entry in fields(value):
        said = here[entry.name]
        if entry.name in ("id", "name", "quantity", "unit") or _as_usual(entry, said):
            continue
        bare = entry.default is MISSING and WORD not in entry.metadata
        text = field_shown(entry, said, name)
        parts.append(text if bare else f"{word_of(entry)} {text}")
    return " ".join(parts[:2]) + "".join(f", {part}" for part in parts[2:])


def _as_usual(entry: "Field[object]", value: object) -> bool:
    if entry.default_factory is not MISSING:
        return bool(value == entry.default_factory())
    return bool(value == entry.default)
