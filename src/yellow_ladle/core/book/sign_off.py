"""A pot that somebody checked, and whether that still holds."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, replace


@dataclass(frozen=True, slots=True)
class SignOff:
    """ "Checked by … on …". `stale_by` says which change from above made it stale, and when."""

    person: str
    date: str
    stale_since: str | None = None
    stale_by: str | None = None

    @property
    def holds(self) -> bool:
        """Whether nothing that the pot carries has changed since."""
        return self.stale_by is None


def after(
    sign_offs: Mapping[str, SignOff], changed: Collection[str], date: str, why: str
) -> dict[str, SignOff]:
    """The sign-offs after a change that reached some preparations: theirs are stale from then on.

    A sign-off stays stale also when a later change puts everything back: only a person signs.
    """
    return {
        id: replace(sign_off, stale_since=date, stale_by=why)
        if sign_off.holds and id in changed
        else sign_off
        for id, sign_off in sign_offs.items()
    }
