"""The vocabulary of what travels: allergens, origins, and a kitchen's own house flags."""

from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.vocabulary.structured import structured
from yellow_ladle.core.vocabulary.toml import section, table, words


@dataclass(frozen=True, slots=True)
class Flag:
    """One marker. `group` is allergen, origin or house; `also`: what guests call it besides."""

    id: str
    name: str
    group: str
    note: str = ""
    also: tuple[str, ...] = ()


@cache
def shipped_flags() -> tuple[Flag, ...]:
    """Allergens, then origins, in the order of data/flags.toml."""
    data = table("flags")
    return tuple(
        structured(Flag, row, id=id, group=group)
        for group in ("allergen", "origin")
        for id, row in section(data[group]).items()
    )


@cache
def flag_group(name: str) -> tuple[str, ...]:
    """The flags that rules speak of together, by the group's name in data/flags.toml."""
    return words(section(section(table("flags")["group"])[name])["flags"])
