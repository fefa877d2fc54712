"""Words without what changes by number, gender and accent, in five languages."""

import re
from collections.abc import Callable, Mapping
from unicodedata import combining, normalize

MIN_STEM = 3
"""A word that is not longer than this is its own stem."""
_LETTERS = str.maketrans({"œ": "oe", "æ": "ae", "ß": "ss", "ø": "o", "ł": "l"})


def folded(text: str) -> str:
    """A text in small letters without accents."""
    plain = normalize("NFD", text.lower().translate(_LETTERS))
    return "".join(sign for sign in plain if not combining(sign))


def split(text: str) -> list[str]:
    """The words of a text, folded."""
    return re.findall(r"[a-z0-9]+", folded(text))


def english(word: str) -> str:
    """The singular of an English word."""
    if len(word) > 4 and word.endswith("aves"):
        return word[:-3] + "f"
    if len(word) > 4 and word.endswith("ies"):
        return word[:-3] + "y"
    if len(word) > 4 and word.endswith(("oes", "shes", "ches", "sses")):
        return word[:-2]
    return word[:-1] if len(word) > 3 and word.endswith("s") and not word.endswith("ss") else word


def french(word: str) -> str:
    """A French word without its plural ending."""
    return word[:-1] if len(word) > MIN_STEM and word[-1] in "sx" else word


def german(word: str) -> str:
    """A German word without the endings of number and case."""
    for ending in ("en", "er", "em", "es", "e", "n", "s"):
        if word.endswith(ending) and len(word) - len(ending) >= MIN_STEM:
            return word[: -len(ending)]
    return word


def spanish(word: str) -> str:
    """A Spanish word without its plural ending."""
    if len(word) > 4 and word.endswith("es") and word[-3] in "lnrdjz":
        return word[:-2]
    return word[:-1] if len(word) > MIN_STEM and word.endswith("s") else word


def italian(word: str) -> str:
    """An Italian word without its last vowel."""
    if len(word) <= MIN_STEM or word[-1] not in "aeio":
        return word
    stem = word[:-1]
    if stem.endswith(("gh", "ch")) and word[-1] in "ei":
        return stem[:-1]
    return stem[:-1] if stem.endswith("i") and len(stem) > MIN_STEM else stem


STEMS: Mapping[str, Callable[[str], str]] = {
    "en": english,
    "fr": french,
    "de": german,
    "es": spanish,
    "it": italian,
}
"""How each language's words are brought to their stem."""
