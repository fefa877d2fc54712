"""How surely a flag is present."""

from enum import IntEnum
from typing import Literal, TypeAlias, get_args

LevelWord: TypeAlias = Literal["free", "may_contain", "unchecked", "contains"]


class Level(IntEnum):
    """Ordered so that the highest of several is what a pot carries."""

    FREE = 0
    MAY_CONTAIN = 1
    UNCHECKED = 2
    CONTAINS = 3

    @property
    def word(self) -> LevelWord:
        """The word that files, database, API and screen use."""
        return WORDS[self]

    @classmethod
    def of(cls, word: str) -> "Level":
        """The level that a word names; KeyError for any other word."""
        return cls[word.upper()]


WORDS: tuple[LevelWord, ...] = get_args(LevelWord)
