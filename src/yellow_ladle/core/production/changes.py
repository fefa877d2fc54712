"""Values that change entry by entry and are asked for at any place of the order."""

from bisect import bisect_left
from typing import Generic, TypeVar

from yellow_ladle.core.production.timeline import Place

Value = TypeVar("Value")


class Changes(Generic[Value]):
    """The values under each key, with the numbers of the entries that made them so."""

    def __init__(self) -> None:
        self._changes: dict[str, tuple[list[int], list[Value]]] = {}

    def set(self, key: str, number: int, value: Value) -> None:
        """Sets a value from the entry of this number on; entries come in their order."""
        numbers, values = self._changes.setdefault(key, ([], []))
        numbers.append(number)
        values.append(value)

    def at(self, key: str, place: Place | None = None) -> Value | None:
        """The value before a place, or after everything; None where there was none yet."""
        if key not in self._changes:
            return None
        numbers, values = self._changes[key]
        count = len(numbers) if place is None else bisect_left(numbers, place.before)
        return values[count - 1] if count else None
