"""Names of a kitchen's own flags."""

from collections.abc import Collection, Iterable
from itertools import chain, count

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.ids import bounded, slug
from yellow_ladle.core.checks.name_faults import name_faults
from yellow_ladle.core.vocabulary.flags import Flag

MAX_HOUSE_FLAGS = 50
MAX_STEM = 70
"""Letters of the longest flag id before its number."""


def new_house_flag(book: Book, name: str) -> Flag:
    """A flag of the kitchen's own by a name. Raises BookRefused where it cannot have it."""
    if len(book.house_flags) >= MAX_HOUSE_FLAGS:
        why = f"a kitchen has {MAX_HOUSE_FLAGS} flags of its own at most"
        raise BookRefused([Fault("name", why)])
    name = _name(book.flags, name)
    return Flag(_free_flag_id(name, book.flag_ids), name, "house")


def renamed_house_flags(book: Book, id: str, name: str) -> tuple[Flag, ...]:
    """The kitchen's own flags with one under another name. Raises BookRefused."""
    if all(flag.id != id for flag in book.house_flags):
        raise BookRefused([Fault("flag", f'the kitchen has no flag "{id}" of its own')])
    name = _name([flag for flag in book.flags if flag.id != id], name)
    return tuple(Flag(id, name, "house") if flag.id == id else flag for flag in book.house_flags)


def _free_flag_id(name: str, taken: Collection[str]) -> str:
    """An id for a flag, in which words are joined by underscores."""
    stem = bounded(slug(name.casefold()) or "flag", MAX_STEM).replace("-", "_")
    numbered = (f"{stem}_{number}" for number in count(2))
    return next(id for id in chain([stem], numbered) if id not in taken)


def _name(others: Iterable[Flag], name: str) -> str:
    """A name without superfluous blanks, which no other flag goes by."""
    name = " ".join(name.split())
    faults = list(name_faults("", name))
    for flag in others:
        if name.casefold() in {word.casefold() for word in (flag.name, flag.id, *flag.also)}:
            faults.append(Fault("name", f'"{flag.name}" is a flag already'))
            break
    if faults:
        raise BookRefused(faults)
    return name
