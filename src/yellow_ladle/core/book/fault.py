"""A fault with its place, in words for the person who wrote what is at fault."""

from collections.abc import Collection, Iterable
from dataclasses import dataclass

from yellow_ladle.core.words.likeness import nearest


@dataclass(frozen=True, slots=True)
class Fault:
    """One fault. `place` names it as the book file does: `preparations[3].lines[1].item`."""

    place: str
    message: str

    def __str__(self) -> str:
        return f"{self.place}: {self.message}" if self.place else self.message


class BookRefused(ValueError):
    """A book, or a change to one, that cannot stand. Nothing of it was kept."""

    def __init__(self, faults: Iterable[Fault]) -> None:
        self.faults = tuple(faults)
        super().__init__("\n".join(str(fault) for fault in self.faults))

    def __reduce__(self) -> tuple[type["BookRefused"], tuple[tuple[Fault, ...]]]:
        # By default an exception is unpickled from its message alone.
        return BookRefused, (self.faults,)


def near(word: str, known: Collection[str]) -> str:
    """`; did you mean "…"?` where a known word is near, else nothing."""
    close = nearest(word, known, 0.65)
    return f'; did you mean "{close}"?' if close else ""


def unknown(thing: str, word: str, known: Collection[str]) -> str:
    """The message for a word that names nothing, with what is near."""
    return f'no {thing} "{word}"{near(word, known)}'
