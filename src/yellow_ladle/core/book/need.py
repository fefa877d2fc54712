"""What a guest must have cleared or fit, and how strictly."""

from dataclasses import dataclass
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
