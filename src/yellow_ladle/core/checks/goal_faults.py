"""Whether what a guest or a swap asks for is known: flags to clear, diets to fit, limits, needs."""

from collections.abc import Collection, Iterator, Sequence

from yellow_ladle.core.book.fault import Fault, unknown
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.vocabulary.diets import diets


def goal_faults(
    places: tuple[str, str],
    clear: Sequence[str],
    fit: Sequence[str],
    known_flags: Collection[str],
) -> Iterator[Fault]:
    """Flags and diets that nobody knows. `places`: where the flags stand, and where the diets."""
    for flag in clear:
        if flag not in known_flags:
            yield Fault(places[0], unknown("flag", flag, sorted(known_flags)))
    for diet in fit:
        if diet not in diets():
            yield Fault(places[1], unknown("diet", diet, diets()))


def need_faults(
    needs: Sequence[Need], known_flags: Collection[str], place: str = ""
) -> Iterator[Fault]:
    """What is wrong with guests' needs, at `needs[0]` under a `place`, else at each need's id."""
    seen: set[str] = set()
    for index, need in enumerate(needs):
        here = f"{place}[{index}]" if place else need.id
        if need.id and need.id in seen:
            yield Fault(f"{here}.id" if place else here, f'the need "{need.id}" is here twice')
        seen.add(need.id)
        yield from goal_faults((f"{here}.clear", f"{here}.fit"), need.clear, need.fit, known_flags)
