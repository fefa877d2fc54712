"""The photograph of a product's label, as the book names it; its pixels lie beside the book."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Photo:
    """The photograph that a product has. `picture`: the SHA-256 of its file, in hex."""

    picture: str
    date: str
