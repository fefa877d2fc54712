"""Masks that grow entry by entry and are asked for at any place of the order."""

from yellow_ladle.core.production.changes import Changes
from yellow_ladle.core.production.timeline import Place


class AccumulatedMasks:
    """What has come together under each key since it was last cleared: in a tool, in a bag.

    `before` is what had come together by the first entries.
    """

    def __init__(self, before: "AccumulatedMasks | None" = None) -> None:
        self._masks: Changes[int] = Changes(None if before is None else before._masks)

    def add(self, key: str, number: int, mask: int) -> None:
        """Adds a mask from the entry of this number on; entries come in their order."""
        before = self._masks.at(key) or 0
        if before | mask != before:
            self._masks.set(key, number, before | mask)

    def clear(self, key: str, number: int) -> None:
        """Forgets what has come together under a key."""
        if self._masks.at(key):
            self._masks.set(key, number, 0)

    def at(self, key: str, place: Place) -> int:
        """What is there before a place."""
        return self._masks.at(key, place) or 0
