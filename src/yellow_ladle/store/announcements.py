"""What is told of each write to whoever listens, so that open pages read again what it reached."""

from collections.abc import Callable
from contextvars import ContextVar
from dataclasses import dataclass

from yellow_ladle.core.book.kind import Reaches

WRITER: ContextVar[str] = ContextVar("writer", default="")
"""The page that writes, so that it is not told of its own doing."""


@dataclass(frozen=True, slots=True)
class Announced:
    """One write: the book's counter after it, what it reached, and in a line what was done.

    `touched` are ids of products and preparations that were written. `person` and `page`: by whom.
    `appended` is the counter of what is added day by day.
    """

    counter: int
    reaches: Reaches
    touched: tuple[str, ...] = ()
    told: str = ""
    person: str = ""
    page: str = ""
    appended: int = 0


class Announcements:
    """Those who listen; each is called once for every write, in the order of the writes."""

    def __init__(self) -> None:
        self._listeners: list[Callable[[Announced], None]] = []

    def listen(self, listener: Callable[[Announced], None]) -> None:
        """Calls a listener for every write from now on. It must return at once."""
        self._listeners.append(listener)

    def announce(self, announced: Announced) -> None:
        """Tells all who listen."""
        for listener in self._listeners:
            listener(announced)
