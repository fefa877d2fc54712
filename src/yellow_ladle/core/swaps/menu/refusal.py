"""Why a plate cannot be made for somebody, in one sentence, with what would open it."""

from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.library.bases import BaseLibrary
from yellow_ladle.core.swaps.plans.goals import Goals, offences
from yellow_ladle.core.swaps.search.blockers import Blocked, standing_in_the_way
from yellow_ladle.core.swaps.search.candidates import Proposer

MAX_NAMED = 3
"""Lines in the way that a sentence names."""


def refusal(reading: Reading, item: str, goals: Goals, library: BaseLibrary | None = None) -> str:
    """What stands in the way of an item's goals; empty where nothing is known to."""
    whole = reading if library is None else library.whole
    bases = frozenset[str]() if library is None else library.ids
    proposer = Proposer(whole, bases=bases, item=item)
    blocked = standing_in_the_way(proposer, item, offences(reading, goals))
    lines = {(entry.in_, entry.line): _sentence(reading, entry) for entry in reversed(blocked)}
    told = list(reversed(lines.values()))
    more = len(told) - MAX_NAMED
    return "; ".join(told[:MAX_NAMED]) + (f"; and {more} more" if more > 0 else "")


def _sentence(reading: Reading, blocked: Blocked) -> str:
    name = reading.book.name
    where = name(blocked.from_)
    if blocked.from_ != blocked.in_:
        where = f"{where} in {name(blocked.in_)}"
    opens = []
    if blocked.check:
        opens.append(f"read the label of {', '.join(map(name, blocked.check))}")
    if blocked.buy:
        opens.append(f"buy {' or '.join(word.replace('-', ' ') for word in blocked.buy)}")
    return f"{where}: {blocked.why}" + (f" ({', or '.join(opens)})" if opens else "")
