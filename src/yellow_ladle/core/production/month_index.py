"""Which things may be there on a day, found without asking all that ever were."""

from collections.abc import Iterator
from datetime import date

MONTH_LETTERS = 7
NEVER = "9999-12-31"


class MonthIndex:
    """References of items by the months in which they may be there.

    A batch lives for days and is in one or two months; what is asked about is one day.
    """

    def __init__(self) -> None:
        self._months: dict[str, dict[str, list[tuple[str, str, str]]]] = {}
        self._endless: dict[str, list[tuple[str, str]]] = {}

    def copy(self) -> "MonthIndex":
        """The same, to be changed without this one."""
        found = MonthIndex()
        found._endless = {item: list(listed) for item, listed in self._endless.items()}
        found._months = {
            item: {month: list(listed) for month, listed in months.items()}
            for item, months in self._months.items()
        }
        return found

    def remove(self, item: str, reference: str) -> None:
        """Removes something, wherever it stands."""
        endless, months = self._endless.get(item, []), self._months.get(item, {})
        endless[:] = [each for each in endless if each[1] != reference]
        for listed in months.values():
            listed[:] = [each for each in listed if each[2] != reference]

    def add(self, item: str, reference: str, first: str, last: str | None) -> None:
        """Adds something that may be there from one day to another (ISO); None: for good."""
        if last is None or last >= NEVER:
            self._endless.setdefault(item, []).append((first, reference))
            return
        months = self._months.setdefault(item, {})
        for month in _months(first, last):
            months.setdefault(month, []).append((first, last, reference))

    def on(self, item: str, day: str) -> Iterator[str]:
        """What may be there on a day."""
        for first, last, reference in self._months.get(item, {}).get(day[:MONTH_LETTERS], ()):
            if first <= day <= last:
                yield reference
        for first, reference in self._endless.get(item, ()):
            if first <= day:
                yield reference


def _months(first: str, last: str) -> Iterator[str]:
    year, month = int(first[:4]), int(first[5:7])
    end = max(date.fromisoformat(first), date.fromisoformat(last)).isoformat()[:MONTH_LETTERS]
    while (name := f"{year:04}-{month:02}") <= end:
        yield name
        year, month = (year, month + 1) if month < 12 else (year + 1, 1)
