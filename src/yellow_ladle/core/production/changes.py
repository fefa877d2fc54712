"""Values that change entry by entry and are asked for at any place of the order."""

from bisect import bisect_left
from typing import Generic, TypeVar

from yellow_ladle.core.production.timeline import Place

Value = TypeVar("Value")


class Changes(Generic[Value]):
    """The values under each key, with the numbers of the entries that made them so.

    `before` are those of the first entries; they are shared, and stay as they are.
    """

    def __init__(self, before: "Changes[Value] | None" = None) -> None:
        self._changes: dict[str, tuple[list[int], list[Value]]] = {}
        self._shared: dict[str, tuple[list[int], list[Value]]] = {}
        if before is not None:
            self._shared = {**before._shared, **before._changes}

    def set(self, key: str, number: int, value: Value) -> None:
        """Sets a value from the entry of this number on; entries come in their order."""
        if key not in self._changes:
            numbers, values = self._shared.get(key, ((), ()))
            self._changes[key] = ([*numbers], [*values])
        numbers, values = self._changes[key]
        numbers.append(number)
        values.append(value)

    def at(self, key: str, place: Place | None = None) -> Value | None:
        """The value before a place, or after everything; None where there was none yet."""
        known = self._changes.get(key) or self._shared.get(key)
        if known is None:
            return None
        numbers, values = known
        count = len(numbers) if place is None else bisect_left(numbers, place.before)
        return values[count - 1] if count else None
