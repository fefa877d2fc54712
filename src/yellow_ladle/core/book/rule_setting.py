"""What a kitchen says of a swap rule: left out, tasted, noted on; or one of its own, as a whole."""

from dataclasses import dataclass

from yellow_ladle.core.vocabulary.toml import Table


@dataclass(frozen=True, slots=True)
class Note:
    """What somebody found when a rule was used: in words, on a day (ISO), for a pot."""

    text: str
    date: str
    item: str


@dataclass(frozen=True, slots=True)
class Ruling:
    """What is said of one rule. With `off` the planner leaves it out.

    `tasted`: flavour, texture and colour as the kitchen found them, 0 to 1, in the place of the
    rule's own figures. `own`: a rule of the kitchen's, as a row of a table of rules.
    """

    id: str
    off: bool = False
    tasted: tuple[float, float, float] | None = None
    notes: tuple[Note, ...] = ()
    own: Table | None = None

    @property
    def says_something(self) -> bool:
        """Whether it is worth keeping."""
        return self != Ruling(self.id)
