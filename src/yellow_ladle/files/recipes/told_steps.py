"""Whether words tell what to do: by a verb that is known, or by how the verbs of a language end."""

import re
from collections import Counter
from functools import cache, lru_cache
from typing import Literal, TypeAlias

from yellow_ladle.core.amounts.misspelt import names_goods
from yellow_ladle.files.recipes.recipe_words import beginning, listed

Language: TypeAlias = Literal["en", "fr", "de", "es", "it"]
_LANGUAGES: tuple[Language, ...] = ("en", "fr", "de", "es", "it")
MIN_VERB = 4
"""Letters of a word from which on its ending is taken for that of a verb."""
_WORD = re.compile(r"[^\W\d_]+")
_CLAUSE = re.compile(r"[.,;:!?)]|\sund\s|$")
_PARTICIPLE = re.compile(r"^(?:ab|an|auf|aus|bei|durch|ein|nach|um|vor|zer|zu|über|unter)?ge")
_NAMES = re.compile(r"\s+(?:of|from)\b|\s*:", re.I)
"""After a word that is a verb elsewhere: a pinch of salt, the garnish."""


def language_of(text: str) -> Language:
    """The language whose function words a text holds most often; English where it holds none."""
    held = Counter(word.lower() for word in _WORD.findall(text))
    scores = {
        language: sum(held[word] for word in listed("function_words", language))
        for language in _LANGUAGES
    }
    return max(_LANGUAGES, key=lambda language: scores[language])


def tells_to_do(text: str, language: Language = "en") -> bool:
    """Whether a text begins with what a cook does; in German it may end with it."""
    known = beginning("verbs", "words").match(text)
    if known is not None:
        return _NAMES.match(text, known.end()) is None
    words = _WORD.findall(text)
    if language == "en" or len(words) < 2:
        return False
    if language == "de":
        return any(_is_last_verb(clause) for clause in _CLAUSE.split(text))
    first = words[0].lower()
    return len(first) >= MIN_VERB and first.endswith(_endings(language)) and not _names_goods(first)


def _is_last_verb(clause: str) -> bool:
    words = clause.split()
    if len(words) < 2 or not words[-1].islower():
        return False
    last = words[-1]
    verb = len(last) >= MIN_VERB and last.endswith(_endings("de"))
    return verb and not _PARTICIPLE.match(last) and not _names_goods(last)


@cache
def _endings(language: Language) -> tuple[str, ...]:
    return listed("verb_endings", language)


@lru_cache(maxsize=4096)
def _names_goods(word: str) -> bool:
    return names_goods(word)
