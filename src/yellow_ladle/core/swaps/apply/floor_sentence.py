"""A plan in one plain sentence for those who carry the plates."""

from yellow_ladle.core.book.tool import clean_name
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import enumerated
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.item_names import short_name
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.levels import Level


def floor_sentence(before: Reading, plan: Plan, goals: Goals) -> str:
    """What the plate is without, what is in it instead of what, and all that it now contains.

    What is taken out is named only after "instead of" and "without", so that nobody hears it as a
    part of the plate. A flag that may be in it, or that nobody has checked, is told as such.
    """
    book = before.book
    names = {flag.id: flag.name.lower() for flag in book.flags}
    called = names_by_what_it_is(before, plan)

    def name(item: str) -> str:
        # A pot that is itself made otherwise is not called by what it usually is.
        made_otherwise = item in plan.changed
        return called[item].partition(",")[0].lower() if made_otherwise else short_name(book, item)

    instead = dict.fromkeys(
        f"{name(swap.to)} instead of {short_name(book, swap.from_)}"
        for swap in plan.swaps
        if swap.to is not None
    )
    out = dict.fromkeys(short_name(book, swap.from_) for swap in plan.swaps if swap.to is None)
    tools = dict.fromkeys(
        f"made through a {clean_name(move.tool, book.tools)}" for move in plan.cleaned
    )
    parts = [", ".join(instead)] if instead else []
    parts += [f"without {enumerated(list(out))}"] if out else []
    parts += [enumerated(list(tools))] if tools else []
    told = "; ".join(parts) if parts else f"{_the(plan.after.book.name(plan.item))} is as usual"
    return "; ".join([f"{_goal(plan, goals, names)}: {told}", *_now(plan, names)]) + "."


def _goal(plan: Plan, goals: Goals, names: dict[str, str]) -> str:
    cleared = [names[flag] for flag in goals.clear if flag in plan.reached]
    fitting = [diets()[diet].name.lower() for diet in goals.fit if diet in plan.reached]
    # The diets come first, or "without milk, vegan" would be read as without either.
    told = [enumerated(fitting)] if fitting else []
    told += [f"without {enumerated(cleared)}"] if cleared else []
    said = ", ".join(told) or "not there yet"
    return said[0].upper() + said[1:]


def _the(name: str) -> str:
    """A pot's name within a sentence; what is written in capitals stays so."""
    plain = len(name) > 1 and name[1].islower()
    return f"the {name[0].lower()}{name[1:]}" if plain else name


def _now(plan: Plan, names: dict[str, str]) -> list[str]:
    levels = plan.after.levels(plan.item)
    by_level = {
        Level.CONTAINS: "it now contains {}",
        Level.MAY_CONTAIN: "it may now contain {}",
        Level.UNCHECKED: "nobody has checked it for {}",
    }
    return [
        words.format(enumerated(found))
        for level, words in by_level.items()
        if (found := [names[flag] for flag in plan.adds if levels[flag] is level])
    ]
