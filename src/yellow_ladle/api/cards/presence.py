"""Who has which card open for editing, so that two people on one card are told of each other."""

from dataclasses import dataclass
from threading import Lock
from time import monotonic

SECONDS = 25.0
"""A page says every ten seconds that it is still there; after this long it has gone."""
MAX_HERE = 10_000


@dataclass(frozen=True, slots=True)
class _Here:
    person: str
    at: float


class Presence:
    """The open cards. Kept in memory only: after a restart every page says so again."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._here: dict[tuple[str, str], _Here] = {}

    def say(self, card: str, page: str, person: str) -> list[str]:
        """Notes that a page has a card open; answers who else has, by the names they gave."""
        now = monotonic()
        with self._lock:
            if len(self._here) >= MAX_HERE:
                self._here.clear()
            self._here[card, page] = _Here(person, now)
            gone = [key for key, here in self._here.items() if now - here.at > SECONDS]
            for key in gone:
                del self._here[key]
            return sorted(
                here.person
                for (other, its), here in self._here.items()
                if other == card and its != page
            )

    def leave(self, card: str, page: str) -> None:
        """Notes that a page has closed a card."""
        with self._lock:
            self._here.pop((card, page), None)
