"""Where a plan's change is made: in the base for all, in small pots beside, or some of each."""

from collections.abc import Collection
from dataclasses import dataclass
from typing import Literal, TypeAlias

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.book.by_products import named
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import applied, reread
from yellow_ladle.core.swaps.apply.new_cards import lines_placed
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.vocabulary.levels import Level

How: TypeAlias = Literal["for_all", "small_pots", "mixed"]


@dataclass(frozen=True, slots=True)
class Moved:
    """A pot or plate that everybody gets otherwise, with the flags that fall and rise in it."""

    item: str
    better: tuple[str, ...]
    worse: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Placement:
    """One way to make a plan's change.

    `in_place`: pots whose usual card is changed, for everybody. `beside`: pots made in addition,
    bases first. `moved`: what everybody then gets otherwise. `stranded`: lines that would be on a
    by-product which is there no more, each preparation with the item; so it cannot be made.
    """

    how: How
    in_place: tuple[str, ...]
    beside: tuple[str, ...]
    moved: tuple[Moved, ...]
    stranded: tuple[tuple[str, str], ...] = ()


def placements(before: Reading, plan: Plan) -> tuple[Placement, Placement, Placement]:
    """For all, in small pots, and mixed, to be compared.

    For all needs no extra pot, and changes every plate on the pots that are swapped. Small pots
    change nobody's plate, and need the whole chain. Mixed is the split with the fewest extra pots
    that gives no plate a flag: a pot is changed for all where nothing that it brings anew would be
    new in a plate made on it, and made as a small pot where something would.
    """
    harmful = {pot for pot in plan.pots if _harms(before, plan, pot)}
    while lines := stranded(before, plan, harmful):
        harmful |= {owner_of(item) for _, item in lines}
    harmless = tuple(pot for pot in plan.pots if pot not in harmful)
    beside = tuple(pot for pot in plan.pots if pot in harmful)
    for_all = _moved(before, plan, ())
    return (
        Placement(
            how="for_all",
            in_place=plan.pots,
            beside=(),
            moved=for_all,
            stranded=stranded(before, plan, ()),
        ),
        Placement("small_pots", (), plan.pots, ()),
        Placement("mixed", harmless, beside, _moved(before, plan, beside) if beside else for_all),
    )


def stranded(before: Reading, plan: Plan, beside: Collection[str]) -> tuple[tuple[str, str], ...]:
    """The lines on by-products that are gone once the pots not made beside are changed for all.

    Alternatives and other ways count too: taken up later, they would read the new pot's flags. A
    pot that is made beside leaves the usual one, which may be made with such a by-product still.
    """
    gone = frozenset(item for item in plan.gone if owner_of(item) not in beside)
    if not gone:
        return ()
    change = lines_placed(before, plan, {pot: before.book.name(pot) for pot in beside})
    return named(applied(before.book, change), gone)


def plates(before: Reading, pot: str) -> set[str]:
    """What is served of a pot: everything made on it that goes into nothing else, or itself."""
    reached = before.graph.downstream([pot]) & before.book.preparations.keys()
    return {id for id in reached if not before.graph.users.get(id)} or {pot}


def _harms(before: Reading, plan: Plan, pot: str) -> bool:
    """Whether a pot that is changed for all gives a plate something that it did not carry."""
    brings = plan.after.masks[pot]
    return any(brings & ~before.masks[plate] for plate in plates(before, pot))


def _moved(before: Reading, plan: Plan, beside: tuple[str, ...]) -> tuple[Moved, ...]:
    """What is different for everybody once a plan's pots are placed, read again."""
    change = lines_placed(before, plan, {pot: before.book.name(pot) for pot in beside})
    kept = (item for item in plan.gone if owner_of(item) not in beside)
    after = reread(before, change, kept).reading
    found: list[Moved] = []
    stirred = before.graph.downstream(change.written) & before.book.preparations.keys()
    for item in sorted(stirred):
        was, now = before.levels(item), after.levels(item)
        flags = [flag for flag in before.layout.bits if was.get(flag) != now.get(flag)]
        better = tuple(f for f in flags if now.get(f, Level.FREE) < was.get(f, Level.FREE))
        worse = tuple(f for f in flags if now.get(f, Level.FREE) > was.get(f, Level.FREE))
        found.append(Moved(item, better, worse))
    return tuple(found)
