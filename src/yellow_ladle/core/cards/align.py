"""Which lines and steps of one version of a card are those of another."""

from collections.abc import Callable, Sequence
from difflib import SequenceMatcher


def aligned(
    base: Sequence[str], side: Sequence[str], like: Callable[[int, int], bool] | None = None
) -> list[int | None]:
    """For each entry of `side` the index of the entry of `base` that it is; None for a new one.

    Entries are given by what identifies them: a line's item, a step's text. Where just as many
    entries stand in a gap on both sides, they are taken for the same ones, changed; where `like` is
    given, only those whose places in base and side it accepts. An entry that was moved is still
    the same.
    """
    found: list[int | None] = [None] * len(side)
    matcher = SequenceMatcher(None, base, side, autojunk=False)
    for tag, low, high, first, last in matcher.get_opcodes():
        if tag == "equal" or (tag == "replace" and high - low == last - first):
            for here, there in zip(range(first, last), range(low, high), strict=True):
                elsewhere = side[here] in base or base[there] in side
                fits = not elsewhere and (like is None or like(there, here))
                if tag == "equal" or fits:
                    found[here] = there
    taken = {index for index in found if index is not None}
    for place, ident in enumerate(side):
        if found[place] is None:
            moved = next((n for n, key in enumerate(base) if key == ident and n not in taken), None)
            if moved is not None:
                found[place] = moved
                taken.add(moved)
    return found
