"""What a guest must have cleared or fit, and how strictly."""

from collections.abc import Collection
from dataclasses import dataclass, replace
from typing import Literal, TypeAlias, get_args

Strictness: TypeAlias = Literal["allergy", "coeliac", "intolerance", "belief", "taste"]

STRICTNESS: tuple[Strictness, ...] = get_args(Strictness)


@dataclass(frozen=True, slots=True)
class Need:
    """An open need of a guest: flags that must be cleared, diets that must suit."""

    id: str
    guest: str
    clear: tuple[str, ...] = ()
    fit: tuple[str, ...] = ()
    strictness: str = "allergy"

    def within(self, flags: Collection[str], diets: Collection[str]) -> "Need":
        """The need as far as a book knows its flags and diets.

        A file may hold one that was written before such words were refused.
        """
        clear = tuple(flag for flag in self.clear if flag in flags)
        return replace(self, clear=clear, fit=tuple(diet for diet in self.fit if diet in diets))
