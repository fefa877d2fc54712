"""How far a new kitchen is: recipes that are in, jars to read, and which free most plates.

It is told until the first plates are complete.
"""

from dataclasses import dataclass

from yellow_ladle.core.larder.unchecked import held, unchecked_bits
from yellow_ladle.core.reading.reading import Reading

MAX_FIRST = 5
"""Jars that are named as the first to read."""


@dataclass(frozen=True, slots=True)
class FirstSteps:
    """`recipes` counts the cards, `unread` the products with flags that nobody has checked.

    Reading the `first` of them frees so many plates (`frees`): of these everything is checked then.
    `complete` are the plates of which everything is.
    """

    recipes: int
    products: int
    unread: int
    first: tuple[str, ...]
    frees: int
    plates: int
    complete: int

    @property
    def over(self) -> bool:
        """Whether the first plates are complete."""
        return self.complete > 0


def first_steps(reading: Reading) -> FirstSteps:
    """How far a kitchen is. Plates are its dishes; without any, all that goes into nothing else."""
    book, layout = reading.book, reading.layout
    cards = {id for id, preparation in book.preparations.items() if preparation.lines}
    plates = {id for id in cards if book.preparations[id].kind == "dish"} or {
        id for id in cards if not reading.graph.users.get(id)
    }
    waiting: dict[str, set[str]] = {
        plate: set() for plate in plates if unchecked_bits(layout, reading.masks[plate])
    }
    unread: list[str] = []
    for entry in held(reading):
        if entry.item in book.products and entry.item not in unread:
            unread.append(entry.item)
        for plate in waiting.keys() & reading.graph.downstream([entry.item]):
            waiting[plate].add(entry.item)
    first = _first(waiting, unread)
    freed = sum(blockers <= {*first} for blockers in waiting.values())
    return FirstSteps(
        recipes=len(cards),
        products=len(book.products),
        unread=len(unread),
        first=first,
        frees=freed,
        plates=len(plates),
        complete=len(plates) - len(waiting),
    )


def _first(waiting: dict[str, set[str]], unread: list[str]) -> tuple[str, ...]:
    """The products whose labels free most plates, the nearest first; then what holds most."""
    chosen: dict[str, None] = {}
    readable = set(unread)
    while len(chosen) < MAX_FIRST:
        missing = [
            blockers - chosen.keys() for blockers in waiting.values() if blockers <= readable
        ]
        open_ = [more for more in missing if 0 < len(more) <= MAX_FIRST - len(chosen)]
        if not open_:
            break
        nearest = min(open_, key=lambda more: (len(more), sorted(more)))
        chosen |= dict.fromkeys(item for item in unread if item in nearest)
    for item in unread:
        if len(chosen) == MAX_FIRST:
            break
        chosen[item] = None
    return tuple(chosen)
