"""Which entries are in a tool or a bag at a place: all since it was last washed or emptied."""

from bisect import bisect_left
from collections.abc import Callable, Iterable

from yellow_ladle.core.book.tool import Toolbox
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.changes import Changes
from yellow_ladle.core.production.shelf_entries import Fill
from yellow_ladle.core.production.timeline import Place, Timeline
from yellow_ladle.core.production.tool_entries import ItemUse, Wash


class EntryIndex:
    """The entries of each tool and each bag in order, with the places where it was cleared.

    `tools` gives the keys of those that a batch went through.
    """

    def __init__(
        self, timeline: Timeline, box: Toolbox, tools: Callable[[Batch], Iterable[str]]
    ) -> None:
        self._through: dict[str, list[tuple[int, Batch | ItemUse]]] = {}
        self._washed = Changes[int]()
        self._fills: dict[str, list[tuple[int, Fill]]] = {}
        self._emptied = Changes[int]()
        for number, entry in enumerate(timeline.entries):
            match entry:
                case Wash():
                    if box.is_cleared(entry.tool, renewed=entry.renewed):
                        self._washed.set(box.key(entry.tool), number, number)
                case Batch():
                    for key in tools(entry):
                        self._through.setdefault(key, []).append((number, entry))
                case ItemUse():
                    if box.keeps_traces(entry.tool):
                        key = box.key(entry.tool)
                        self._through.setdefault(key, []).append((number, entry))
                case Fill() if entry.emptied:
                    if entry.washed:
                        self._emptied.set(entry.bag, number, number)
                case Fill():
                    self._fills.setdefault(entry.bag, []).append((number, entry))

    def washed(self, tool: str, place: Place) -> int:
        """The place at which a tool, by its key, was last washed before another; 0 if never."""
        return self._washed.at(tool, place) or 0

    def inside(self, tool: str, begin: int, place: Place) -> list[Batch | ItemUse]:
        """What went through a tool, by its key, from one place on and before another."""
        through = self._through.get(tool, [])
        first = bisect_left(through, begin, key=_number)
        last = bisect_left(through, place.before, key=_number)
        return [entry for _, entry in through[first:last]]

    def fills(self, bag: str, place: Place) -> list[Fill]:
        """What was put into a bag before a place and since it was last emptied and washed."""
        since = self._emptied.at(bag, place) or 0
        return [fill for number, fill in self._fills.get(bag, ()) if since <= number < place.before]


def _number(entry: tuple[int, Batch | ItemUse]) -> int:
    return entry[0]
