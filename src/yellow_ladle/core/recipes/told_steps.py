"""Whether words tell what to do: by a verb that is known, or by how the verbs of a language end."""

import re
from collections.abc import Sequence
from functools import cache, lru_cache
from typing import Literal, TypeAlias

from yellow_ladle.core.amounts.misspelt import names_goods
from yellow_ladle.core.recipes.recipe_words import beginning, listed

Language: TypeAlias = Literal["en", "fr", "de", "es", "it"]
AROUND, MIN_HELD = 6, 4
"""Lines on either side of one that tell its language, and the function words they must hold."""
LANGUAGES: tuple[Language, ...] = ("en", "fr", "de", "es", "it")
MIN_VERB = 4
"""Letters of a word from which on its ending is taken for that of a verb."""
_WORD = re.compile(r"[^\W\d_]+")
_CLAUSE = re.compile(r"[.,;:!?)]|\sund\s|$")
_PARTICIPLE = re.compile(r"^(?:ab|an|auf|aus|bei|durch|ein|nach|um|vor|zer|zu|über|unter)?ge")
_NAMES = re.compile(r"\s+(?:of|from)\b|\s*:", re.I)
"""After a word that is a verb elsewhere: a pinch of salt, the garnish."""


def languages_of(lines: Sequence[str]) -> list[Language]:
    """The language of each line, by the function words in it and in those around it.

    A notebook may change its language from one recipe to the next. Where too few such words stand
    around a line, it is in the language of the whole.
    """
    held = [_function_words(line) for line in lines]
    whole = _best([sum(each) for each in zip(*held, strict=True)]) or "en"
    found: list[Language] = []
    for at in range(len(lines)):
        around = held[max(0, at - AROUND) : at + AROUND + 1]
        near = [sum(each) for each in zip(*around, strict=True)]
        found.append(_best(near, MIN_HELD) or whole)
    return found


def _function_words(line: str) -> tuple[int, ...]:
    """How many function words of each language a line holds."""
    said = [word.lower() for word in _WORD.findall(line)]
    return tuple(sum(word in known for word in said) for known in _known_function_words())


@cache
def _known_function_words() -> tuple[frozenset[str], ...]:
    return tuple(frozenset(listed("function_words", language)) for language in LANGUAGES)


def _best(scores: Sequence[int], least: int = 1) -> Language | None:
    """The language with most function words; None where it has too few of them."""
    best = max(range(len(LANGUAGES)), key=lambda n: scores[n] if scores else 0)
    return LANGUAGES[best] if scores and scores[best] >= least else None


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


def tells_to_do_in_any_language(text: str) -> bool:
    """Whether a text, of which nobody knows the language, tells what to do in one of them."""
    return any(tells_to_do(text, language) for language in LANGUAGES)


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
