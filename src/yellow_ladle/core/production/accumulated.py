"""Masks that grow entry by entry and are asked for at any place of the order."""

from bisect import bisect_left

from yellow_ladle.core.production.timeline import Place


class AccumulatedMasks:
    """What has come together under each key since it was last cleared: in a tool, in a bag."""

    def __init__(self) -> None:
        self._changes: dict[str, tuple[list[int], list[int]]] = {}

    def add(self, key: str, number: int, mask: int) -> None:
        """Adds a mask from the entry of this number on; entries come in their order."""
        numbers, masks = self._changes.setdefault(key, ([], []))
        before = masks[-1] if masks else 0
        if before | mask != before:
            numbers.append(number)
            masks.append(before | mask)

    def clear(self, key: str, number: int) -> None:
        """Forgets what has come together under a key."""
        numbers, masks = self._changes.setdefault(key, ([], []))
        if masks and masks[-1]:
            numbers.append(number)
            masks.append(0)

    def at(self, key: str, place: Place) -> int:
        """What is there before a place."""
        if key not in self._changes:
            return 0
        numbers, masks = self._changes[key]
        count = bisect_left(numbers, place.before)
        return masks[count - 1] if count else 0
