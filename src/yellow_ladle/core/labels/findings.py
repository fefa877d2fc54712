"""Gathering what the parts of a label say, and what comes of it for each flag."""

from collections.abc import Collection, Iterable, Iterator, Sequence

from yellow_ladle.core.labels.context import settled_by
from yellow_ladle.core.labels.label_reading import (
    Because,
    Claim,
    FlagProposal,
    LabelReading,
    Listed,
    Word,
)
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.words.letters import Token
from yellow_ladle.core.words.lexicon import LexiconEntry


class Findings:
    """Everything found in one text so far."""

    def __init__(self, text: str) -> None:
        self._text = text
        self._found: dict[str, list[tuple[Level, Because]]] = {}
        self._any_of: list[tuple[LexiconEntry, Level, Because]] = []
        self._questions: dict[str, tuple[str, ...]] = {}
        self._notes: dict[str, None] = {}
        self.claims: list[Claim] = []
        self.settled: set[str] = set()
        self.listed: list[Listed] = []
        self.unknown: list[Word] = []
        self.ingredients_read = False
        self.language_known = False
        self.stressed_known = False
        self.stressed_unknown: list[Token] = []
        self.recognised = 0

    def add(self, flag: str, level: Level, because: Because) -> None:
        """Words that give a flag a level."""
        self._found.setdefault(flag, []).append((level, because))

    def add_any_of(self, entry: LexiconEntry, because: Because) -> None:
        """Words that mean one of several flags without saying which."""
        self._any_of.append((entry, Level.CONTAINS, because))

    def note(self, question: str) -> None:
        """A question that stands whatever else is found."""
        self._notes[question] = None

    def ask(self, question: str, flags: Iterable[str], level: Level = Level.UNCHECKED) -> None:
        """A question for the maker, which stands while one of the flags is unchecked."""
        if question and flags:
            self._questions[question] = (*self._questions.get(question, ()), *flags)
        if question and level is Level.MAY_CONTAIN:
            self._notes[question] = None

    def result(self, language: str, all_tokens: Sequence[Token]) -> LabelReading:
        """What was gathered: per flag its highest level and the words that led to that level.

        A trace beside what only hides something is kept with it.
        """
        self._resolve_any_of()
        proposals = []
        asked: set[str] = set()
        for flag in self._found:
            found = [
                (level, because)
                for level, because in self._found[flag]
                if not (level is Level.UNCHECKED and self._claimed(flag))
            ]
            if not found:
                continue
            highest = max(level for level, _ in found)
            traces = _in_order(found, {Level.MAY_CONTAIN}) if highest is Level.UNCHECKED else ()
            kept = {highest, Level.MAY_CONTAIN} if traces else {highest}
            proposals.append(FlagProposal(flag, highest, _in_order(found, kept), traces))
            if highest is Level.UNCHECKED:
                asked.add(flag)
        any_of = {flag for entry, _, _ in self._any_of for flag in entry.any_of}
        questions = [ask for ask, flags in self._questions.items() if not asked.isdisjoint(flags)]
        questions += [
            entry.ask for entry, _, _ in self._any_of if entry.ask and any_of & self._found.keys()
        ]
        questions += [*self._notes, *self._unknown(all_tokens)]
        return LabelReading(
            language=language,
            proposals=tuple(
                sorted(proposals, key=lambda made: (-made.level, made.because[0].start))
            ),
            questions=tuple(dict.fromkeys(questions)),
            claims=tuple(self.claims),
            listed=tuple(self.listed),
            unknown=tuple(sorted(self.unknown, key=lambda word: (word.start, word.end))),
            understood=self.language_known and self.ingredients_read,
        )

    def _resolve_any_of(self) -> None:
        """ "Gluten" beside "wheat flour" means that wheat; alone it may be any of the four."""
        sure = {
            flag
            for flag, found in self._found.items()
            if any(level is Level.CONTAINS for level, _ in found)
        }
        left = []
        for entry, level, because in self._any_of:
            if sure.isdisjoint(entry.any_of):
                left.append((entry, level, because))
                for flag in entry.any_of:
                    self.add(flag, level, because)
            else:
                for flag in sorted(sure & set(entry.any_of)):
                    self.add(flag, level, because)
        self._any_of = left

    def _claimed(self, flag: str) -> bool:
        """Whether a claim of the whole label rules out what was only hidden."""
        claims = (claim for claim in self.claims if claim.whole)
        return flag in self.settled or any(flag in settled_by(claim.flags) for claim in claims)

    def _unknown(self, all_tokens: Sequence[Token]) -> Iterator[str]:
        if any(token.kind == "word" for token in all_tokens) and not (
            self.recognised or self.ingredients_read
        ):
            yield "None of these words is known here. Read the label yourself, word by word."
        if self.stressed_known or not self._found:
            for token in self.stressed_unknown:
                word = self._text[token.start : token.end]
                yield f'The label stresses "{word}", which is not known here. Which allergen is it?'


def _in_order(
    found: Iterable[tuple[Level, Because]], levels: Collection[Level]
) -> tuple[Because, ...]:
    """The words that led to some levels, each once, as they stand in the text."""
    because = dict.fromkeys(why for level, why in found if level in levels)
    return tuple(sorted(because, key=lambda why: (why.start, why.end)))
