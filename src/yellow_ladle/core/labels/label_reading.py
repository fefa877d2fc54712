"""What reading a label yields: proposals, each with the words that led to it."""

from dataclasses import dataclass

from yellow_ladle.core.vocabulary.levels import Level

MAX_LABEL = 100_000
"""Letters of the longest text that is read."""


class TooLong(ValueError):
    """A text longer than any label. Nothing of it was read."""

    def __init__(self, length: int) -> None:
        super().__init__(
            f"The text has {length:,} characters; no label has more than {MAX_LABEL:,}."
            " Nothing was read. Paste the ingredient list alone."
        )
        self.length = length

    def __reduce__(self) -> tuple[type["TooLong"], tuple[int]]:
        return TooLong, (self.length,)


@dataclass(frozen=True, slots=True)
class Because:
    """Words of the label that led to a level: their places in the text as given, and why."""

    text: str
    start: int
    end: int
    why: str


@dataclass(frozen=True, slots=True)
class Word:
    """A word of the label with its places in the text as given."""

    text: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class FlagProposal:
    """A level proposed for one flag, above free, with the words that led to it.

    `traces` are those among the words that say may contain where others hide something: once the
    maker has said what that is, the trace is left.
    """

    flag: str
    level: Level
    because: tuple[Because, ...]
    traces: tuple[Because, ...] = ()


@dataclass(frozen=True, slots=True)
class Claim:
    """A "free from" or "suitable for" of the label: what it says, and the flags it speaks of.

    `whole`: it speaks of the whole label, and not of one ingredient alone.
    """

    because: Because
    flags: tuple[str, ...]
    whole: bool


@dataclass(frozen=True, slots=True)
class Listed:
    """One ingredient as the label lists it, in the text as given."""

    text: str
    start: int
    end: int
    percent: float | None
    stressed: bool
    parts: tuple["Listed", ...] = ()


@dataclass(frozen=True, slots=True)
class LabelReading:
    """Everything that a label's text says.

    `unknown`: the words that nobody here knows, in their order. `understood`: whether the language
    is known and an ingredient was read.
    """

    language: str
    proposals: tuple[FlagProposal, ...]
    questions: tuple[str, ...]
    claims: tuple[Claim, ...]
    listed: tuple[Listed, ...]
    unknown: tuple[Word, ...] = ()
    understood: bool = False

    @property
    def complete(self) -> bool:
        """Whether every word is accounted for and no question is open.

        Only then may a person take the rest of the label as free.
        """
        return self.understood and not self.unknown and not self.questions

    @property
    def levels(self) -> dict[str, Level]:
        """The proposed levels by flag."""
        return {proposal.flag: proposal.level for proposal in self.proposals}
