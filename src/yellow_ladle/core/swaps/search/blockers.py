"""What stands in the way of a goal that no plan meets: a proof, and what would open it."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.book.class_index import classes_of
from yellow_ladle.core.reading.reading import Reading, own_mask
from yellow_ladle.core.swaps.plans.goals import offending, together
from yellow_ladle.core.swaps.plans.score import Rank, Score
from yellow_ladle.core.swaps.search.best_first import BestFirstSearch, Found
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.search_space import Allowing, Choice, Region
from yellow_ladle.core.vocabulary.diets import ORIGIN
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Blocked:
    """A line that stands in the way. `line` None: the pot's own statement does.

    `buy`: classes of goods that a rule would take and the larder lacks. `check`: items whose
    missing statements are all that stands in the way. `leave_out`: the pot would still hold
    something without the line, if the cook can do without it. `certificate`: what is missing. A
    trace that a tool leaves is never among them, as a clean tool is always a way.
    """

    in_: str
    line: int | None
    from_: str
    flag: str
    why: str
    buy: tuple[str, ...] = ()
    check: tuple[str, ...] = ()
    leave_out: bool = False
    certificate: str | None = None


def standing_in_the_way(
    proposer: Proposer, item: str, ways_to_goal: Sequence[dict[str, int]]
) -> tuple[Blocked, ...]:
    """The fewest lines that would have to be cleared by other means for a plan to exist.

    Every line that brings an offending product, and every pot whose own words offend, may be taken
    as cleared; the search then finds the plan that takes the fewest so. That none takes fewer is
    what proves that there is no plan.
    """
    regions = [Region(proposer, item, bad, Allowing(freeing=True)) for bad in ways_to_goal]
    # Of sets as small one is as good a proof as another: what the way costs is not asked.
    walk = BestFirstSearch(regions, _by_lines, proposer.limits.most_pots)
    found = next(walk.plans(lambda plan: _sound(proposer, plan), 1), None)
    if found is None:
        return ()
    plan, _ = found
    tiers = proposer.reading.graph.tiers
    freed = sorted(plan.freed, key=lambda choice: (tiers[choice.pot], choice.pot, choice.line or 0))
    return tuple(entry for choice in freed for entry in _blocked(proposer, plan, choice))


def _by_lines(score: Score) -> Rank:
    return (score.stands,)


def _sound(proposer: Proposer, found: Found) -> Found | None:
    book = proposer.reading.book
    return found if found.acyclic(book) and found.yields_what_it_uses(book) else None


def _blocked(proposer: Proposer, found: Found, choice: Choice) -> Iterator[Blocked]:
    reading, pot = proposer.reading, choice.pot
    if choice.line is None:
        why = "the pot's own statement says so; read it again"
        preparation = reading.book.preparations[pot]
        for flag in offending(own_mask(reading.layout, preparation), found.bad):
            yield Blocked(in_=pot, line=None, from_=pot, flag=flag, why=why, check=(pot,))
        return
    preparation = reading.book.preparations[pot]
    line = preparation.lines[choice.line]
    for flag in offending(reading.masks[line.item], found.bad):
        yield _line(proposer=proposer, found=found, pot=choice.pot, index=choice.line, flag=flag)


def _other_stocks(proposer: Proposer, preparation: Preparation, bits: int) -> list[str]:
    """The names of the kitchen's other stocks that hold nothing of what must go."""
    if preparation.kind != "stock":
        return []
    reading = proposer.reading
    return [
        reading.book.name(id)
        for id in proposer.pots.other_stocks(preparation)
        if id not in proposer.bases and not reading.masks[id] & bits
    ]


def _certificate(reading: Reading, item: str, flag: str, bits: int) -> str | None:
    """The certificate without which alone an item offends, where that is so."""
    layout, mask = reading.layout, reading.masks[item] & bits
    own = layout.at_least(1 << layout.bits[flag], Level.MAY_CONTAIN) if flag in layout.bits else 0
    if mask & (own | own >> layout.width | own >> 2 * layout.width):
        return None
    for (marked, lacking), bit in layout.uncertified.items():
        if marked == flag and lacking != ORIGIN and layout.highest(mask, 1 << bit) > Level.FREE:
            return lacking
    return None


def _line(proposer: Proposer, found: Found, pot: str, index: int, flag: str) -> Blocked:
    reading = proposer.reading
    preparation = reading.book.preparations[pot]
    line = preparation.lines[index]
    offers = proposer.offers(pot, index, milk_goes="milk" in found.bad)
    bits = together(found.bad.values())
    tried = [o.swap.to for o in offers.swaps if o.swap.to and reading.masks[o.swap.to] & bits]
    tried = list(dict.fromkeys(tried))
    check = [
        item
        for item in (line.item, *tried)
        if item in reading.book.products
        and all(
            reading.layout.highest(reading.masks[item], found.bad[flag]) is Level.UNCHECKED
            for flag in offending(reading.masks[item], found.bad)
        )
    ]
    certificate = _certificate(reading, line.item, flag, found.bad[flag])
    if (pot, index) in proposer.limits.kept:
        why = "this line is to be kept"
    elif tried:
        names = ", ".join(reading.book.name(item) for item in tried)
        why = f"every swap known for it brings the same: {names}"
    elif line.role == "body" and (others := _other_stocks(proposer, preparation, bits)):
        why = f"it makes this stock what it is; take another: {', '.join(others)}"
    elif offers.missing:
        why = f"the larder holds nothing to swap it for; look for {', '.join(offers.missing)}"
    elif certificate is not None:
        why = f"it holds no {certificate.replace('_', '-')} certificate"
    elif line.item in reading.book.products and not classes_of(reading.book, line.item):
        why = f"nobody has said what {reading.book.name(line.item)} is"
    elif "/" in line.item:
        owner = reading.book.name(owner_of(line.item))
        why = f"it is gone once {owner} is made of something else, and nothing is known instead"
    else:
        why = "no swap is known for this role"
    return Blocked(
        in_=pot,
        line=index,
        from_=line.item,
        flag=flag,
        why=why,
        buy=offers.missing,
        check=tuple(check),
        leave_out=len(preparation.lines) > 1,
        certificate=certificate,
    )
