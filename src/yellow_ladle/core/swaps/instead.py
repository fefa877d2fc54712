"""What the kitchen has that suits a guest as it is: nothing new is cooked for it."""

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.goals import Goals

MAX_INSTEAD = 8


def instead(reading: Reading, item: str, goals: Goals) -> tuple[str, ...]:
    """The other preparations of an item's kind that meet the goals as they are made now.

    Retired ones are none, nor are those made from the item.
    """
    book, top = reading.book, owner_of(item)
    kind = book.preparations[top].kind
    found = [
        id
        for id, made in book.preparations.items()
        if id != top
        and made.kind == kind
        and made.retired is None
        and made.variant_of != top
        and (made.lines or made.statements)
        and goals.met(reading, id)
    ]
    return tuple(sorted(found, key=book.name)[:MAX_INSTEAD])
