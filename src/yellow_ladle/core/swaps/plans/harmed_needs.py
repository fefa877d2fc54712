"""The guests whose open needs a plan for somebody else would go against."""

from collections.abc import Iterable, Iterator, Mapping

from yellow_ladle.core.book.need import Need
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.goals import Goals, offences
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.vocabulary.diets import diets


def needs_harmed(before: Reading, plan: Plan) -> Iterator[tuple[Need, tuple[str, ...]]]:
    """The open needs that must avoid something that a plan adds, each with those flags."""
    for need in before.book.needs:
        known = need.within(before.book.flag_ids, diets())
        bad = offences(before, Goals(known.clear, known.fit))
        if flags := tuple(flag for flag in plan.adds if _against(plan, flag, bad)):
            yield need, flags


def harmful_bits(reading: Reading) -> int:
    """The flags, as bits of one level, that some open need avoids at some level."""
    layout, found = reading.layout, 0
    for need in reading.book.needs:
        known = need.within(reading.book.flag_ids, diets())
        for bad in offences(reading, Goals(known.clear, known.fit)):
            found |= layout.of_flags(flag for flag in bad if flag in layout.bits)
    return found


def _against(plan: Plan, flag: str, ways: Iterable[Mapping[str, int]]) -> bool:
    """Whether a flag, at the level that the item then has it, goes against every way to a goal."""
    mask = plan.after.masks[plan.item]
    return all(mask & bad.get(flag, 0) for bad in ways)
