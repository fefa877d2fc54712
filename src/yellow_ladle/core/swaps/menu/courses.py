"""What guests lack of each course, and which plates fill it."""

from collections.abc import Iterable, Iterator, Sequence, Set
from dataclasses import replace

from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.menu.menu_answer import Needed
from yellow_ladle.core.swaps.plans.goals import Goals


def lacking(
    reading: Reading, wanted: Sequence[tuple[str, int]], groups: Sequence[Goals], each: int
) -> Iterator[Needed]:
    """What each group lacks of each course besides what suits as it is, if it can be made."""
    by_course: dict[tuple[int, str], list[str]] = {}
    for plate, group in wanted:
        course = reading.book.preparations[plate].course or ""
        by_course.setdefault((group, course), []).append(plate)
    for (group, _), plates in by_course.items():
        others = tuple(plate for plate in plates if not groups[group].met(reading, plate))
        missing = each - (len(plates) - len(others))
        if missing > 0 and others:
            yield Needed(group, others, min(missing, len(others)))


def as_themselves(
    needed: Iterable[Needed], themselves: Set[tuple[str, int]]
) -> tuple[list[Needed], set[str]]:
    """What is lacking, from plates that stay what they are told by where there are enough of them.

    Beside it the plates of the courses that are short of such: these become another dish.
    """
    found: list[Needed] = []
    short: set[str] = set()
    for need in needed:
        plates = tuple(plate for plate in need.plates if (plate, need.group) in themselves)
        if len(plates) < need.count:
            plates = need.plates
            short |= {*plates}
        found.append(replace(need, plates=plates))
    return found, short
