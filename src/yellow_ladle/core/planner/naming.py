"""What a pot made by a plan is called: by what it is."""

from collections.abc import Iterable

from yellow_ladle.core.book import Book, owner_of
from yellow_ladle.core.plan import CleanTool, Plan, Swap
from yellow_ladle.core.tools import clean_name

MOST_NAMED = 3
_KINDS = ("stock", "roux", "sauce", "soup", "component", "dish")


def names_by_what_it_is(book: Book, plan: Plan) -> dict[str, str]:
    """A name for the variant of each of a plan's pots: `Béchamel, rice flour, oat drink`.

    A pot is named after everything that was swapped in it or beneath it; of more than three goods
    the first are named.
    """
    family = plan.after.family
    found: dict[str, str] = {}
    for pot in plan.pots:
        within = family.upstream(pot)
        swaps = [swap for swap in plan.swaps if swap.in_ in within]
        cleaned = [move for move in plan.cleaned if move.in_ in within]
        found[pot] = name_after(book, pot, swaps, cleaned)
    return found


def short_name(book: Book, item: str) -> str:
    """What an item is, in a word or two, without whose it is: `oat drink`, `rice flour roux`."""
    owner = owner_of(item)
    piece = book.products.get(owner) or book.preparations[owner]
    class_ = piece.class_
    if item != owner or not class_ or class_ in _KINDS:
        return book.name(item).lower()
    return class_.replace("-", " ")


def name_after(
    book: Book, pot: str, swaps: Iterable[Swap], cleaned: Iterable[CleanTool] = ()
) -> str:
    """The name of a pot after the swaps that are made in it or beneath it.

    Where nothing but tools is otherwise, it is named after these.
    """
    swaps = tuple(swaps)
    changed = {swap.in_ for swap in swaps}
    words: dict[str, None] = {}
    for swap in swaps:
        if swap.to is not None and owner_of(swap.to) in changed:
            continue  # what is new in that pot is named instead
        if swap.to is None:
            words[f"no {short_name(book, swap.from_)}"] = None
        else:
            words[short_name(book, swap.to)] = None
    if not words:
        words |= {clean_name(move.tool, book.tools): None for move in cleaned}
    told = list(words)[:MOST_NAMED]
    more = ["more"] if len(words) > MOST_NAMED else []
    return ", ".join([book.name(pot), *told, *more])
