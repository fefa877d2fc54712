"""How surely a flag is present."""

from enum import IntEnum


class Level(IntEnum):
    """Ordered so that the highest of several is what a pot carries."""

    FREE = 0
    MAY_CONTAIN = 1
    UNCHECKED = 2
    CONTAINS = 3

    @property
    def word(self) -> str:
        """The word that files, database, API and screen use."""
        return self.name.lower()

    @classmethod
    def of(cls, word: str) -> "Level":
        """The level that a word names; KeyError for any other word."""
        return cls[word.upper()]


WORDS = tuple(level.word for level in Level)
