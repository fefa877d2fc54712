"""What a pot made by a plan is called: by what it is."""

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.book.tool import clean_name
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.apply.plan_texts import PlanTexts
from yellow_ladle.core.swaps.plans.item_names import short_name
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.words.letters import words as words_of

MAX_NAMED = 2


def names_by_what_it_is(before: Reading, plan: Plan) -> dict[str, str]:
    """A name for the variant of each of a plan's pots: `Béchamel, rice flour, oat drink`.

    A pot is named after everything that was swapped in it or beneath it and does not stand in its
    name already; of more than two the first are named. Where nothing but tools is
    otherwise, it is named after these. It never has the name of the usual pot.
    """
    texts = PlanTexts(before, plan)
    return {pot: _name(before.book, plan, pot, texts.name(pot).name) for pot in plan.pots}


def _name(book: Book, plan: Plan, pot: str, name: str) -> str:
    within = plan.after.graph.upstream(pot)
    swaps = [swap for swap in plan.swaps if swap.in_ in within]
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
        cleaned = [move for move in plan.cleaned if move.in_ in within]
        words |= {clean_name(move.tool, book.tools): None for move in cleaned}
    usual = book.name(pot)
    told = [word for word in words if name == usual or not _in_name(word, name)]
    return ", ".join([name, *told[:MAX_NAMED]])


def _in_name(word: str, name: str) -> bool:
    return set(words_of(word)) <= set(words_of(name))
