"""Finding a lexicon's words in a run of a label's words."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from yellow_ladle.core.words.letters import Token
from yellow_ladle.core.words.lexicon import Lexicon, LexiconEntry, shortened

ENDINGS = {
    "en": (("ies", "y"), ("es", ""), ("s", "")),
    "fr": (("aux", "al"), ("es", ""), ("s", ""), ("x", ""), ("e", "")),
    "de": (("en", ""), ("er", ""), ("es", ""), ("n", ""), ("e", ""), ("s", "")),
    "es": (("es", ""), ("s", "")),
    "it": (("i", "o"), ("i", "e"), ("e", "a"), ("a", "o"), ("hi", "o"), ("he", "a")),
}
ROMAN = "ivx"
MAX_WORD = 60
"""Letters of the longest word that is taken apart."""


@dataclass(frozen=True, slots=True)
class Hit:
    """An entry found over the tokens `first` to `last`, counted within its run.

    `read_as`: the lexicon's word where the label spells it otherwise, `slip`: by a slip.
    `source`: whether a source that settles the entry stands within the very word.
    """

    entry: LexiconEntry
    first: int
    last: int
    read_as: str = ""
    source: bool = False
    slip: bool = False


def hits(lexicon: Lexicon, run: Sequence[Token]) -> list[Hit]:
    """The entries of a run, from left to right, the longest first, none over another."""
    found: list[Hit] = []
    here = 0
    run = [_mended(lexicon, token) for token in run]
    while here < len(run):
        matched = _at(lexicon, run, here)
        found += matched
        here = matched[-1].last + 1 if matched else here + 1
    return found


def forms(lexicon: Lexicon, word: str) -> tuple[str, ...]:
    """A word as it stands, then with the endings of its language taken off."""
    return _forms(lexicon.id, word)


@lru_cache(maxsize=50_000)
def _forms(language: str, word: str) -> tuple[str, ...]:
    found = [word]
    for ending, instead in ENDINGS.get(language, ()):
        if word.endswith(ending) and len(word) - len(ending) >= 3:
            found.append(word[: -len(ending)] + instead)
    return tuple(found)


def _at(lexicon: Lexicon, run: Sequence[Token], here: int) -> list[Hit]:
    token = run[here]
    if token.kind == "additive":
        entry = additive(lexicon, token.text)
        return [Hit(entry, here, here)] if entry else []
    if not token.names:
        return []
    if hit := _longest(lexicon, run, here):
        slips = [token.text for token in run[hit.first : hit.last + 1] if token.mended]
        return [replace(hit, read_as=slips[0], slip=True)] if slips else [hit]
    if token.kind == "number" or not 4 <= len(token.text) <= MAX_WORD:
        return []
    if claim := _free(lexicon, token.text, here):
        return [claim]
    return _within(lexicon, token.text, here)


def _free(lexicon: Lexicon, word: str, here: int) -> Hit | None:
    """A claim to be without something that is one word with it: "erdnussfrei"."""
    for (suffix,) in lexicon.lists["free_suffix"]:
        stem = word.removesuffix(suffix)
        if stem == word or len(stem) < 3:
            continue
        for form in (*forms(lexicon, stem), stem.removesuffix("s")):
            entry = lexicon.entries.get((form,)) or lexicon.parts.get(form)
            if entry is not None and entry.speaks:
                flags = (*entry.contains, *entry.any_of)
                unclaimed = lexicon.has("unclaimed", form)
                return Hit(
                    LexiconEntry("free from, says the label", free=() if unclaimed else flags),
                    here,
                    here,
                )
    return None


def additive(lexicon: Lexicon, number: str) -> LexiconEntry | None:
    """The entry of an additive's number, with or without its letter."""
    plain = number.rstrip(ROMAN)
    for form in (number, plain, plain.rstrip("abcdef")):
        if form in lexicon.numbers:
            return lexicon.numbers[form]
    return None


def _longest(lexicon: Lexicon, run: Sequence[Token], here: int) -> Hit | None:
    firsts = [form for form in forms(lexicon, run[here].text) if form in lexicon.longest]
    most = max((lexicon.longest[form] for form in firsts), default=0)
    length = 1
    while length < min(most, len(run) - here) and run[here + length].names:
        length += 1
    for size in range(length, 0, -1):
        middle = tuple(token.text for token in run[here : here + size])
        if middle in lexicon.entries:
            return Hit(lexicon.entries[middle], here, here + size - 1)
        for first in firsts if size > 1 else [""]:
            for last in forms(lexicon, middle[-1]):
                key = (first, *middle[1:-1], last) if size > 1 else (last,)
                if key in lexicon.entries:
                    return Hit(lexicon.entries[key], here, here + size - 1)
    return None


def _within(lexicon: Lexicon, word: str, here: int) -> list[Hit]:
    """The parts of a compound, or of two words that were written together."""
    found: list[Hit] = []
    rest = word
    for part, meant in lexicon.parts.items():
        if len(part) > 3 and part in rest:
            rest = rest.replace(part, "#")
            found.append(Hit(meant, here, here, part))
    sourced = any(lexicon.has("sources", piece) for piece in _pieces(rest))
    if found:
        return [
            Hit(entry=hit.entry, first=here, last=here, read_as=hit.read_as, source=sourced)
            for hit in found
        ]
    for cut in range(3, len(word) - 2):
        left, right = (word[:cut],), (word[cut:],)
        if entry := lexicon.entries.get((*left, *right)):
            return [Hit(entry, here, here, " ".join((*left, *right)))]
        if left in lexicon.entries and right in lexicon.entries:
            entries = [lexicon.entries[left], lexicon.entries[right]]
            speaking = [entry for entry in entries if entry.speaks]
            if speaking:
                return [Hit(entry, here, here, " ".join((*left, *right))) for entry in speaking]
    return []


def _pieces(rest: str) -> Iterator[str]:
    for piece in rest.split("#"):
        yield from (piece, piece.removesuffix("s"), piece.removesuffix("n"))


def _mended(lexicon: Lexicon, token: Token) -> Token:
    """The token, or where it is no known word but a slip away from one, as that word."""
    word = token.text
    if token.kind != "word" or not 6 <= len(word) <= MAX_WORD or stands(lexicon, word):
        return token
    for short in (word, *sorted(shortened(word))):
        for candidate in lexicon.near.get(short, ()):
            if candidate == word:
                return token
            if candidate[0] == word[0] and _a_slip_apart(word, candidate):
                return replace(token, text=candidate, mended=True)
    return token


def stands(lexicon: Lexicon, word: str) -> bool:
    """Whether a word, or a word that it holds, is known as it is."""
    if any(form in lexicon.vocabulary or form in lexicon.longest for form in forms(lexicon, word)):
        return True
    return bool(_within(lexicon, word, 0))


def _a_slip_apart(one: str, other: str) -> bool:
    """Whether one letter more, less, changed, or two letters swapped make one word the other."""
    if len(one) > len(other):
        one, other = other, one
    start = 0
    while start < len(one) and one[start] == other[start]:
        start += 1
    rest, others = one[start:], other[start:]
    if len(one) < len(other):
        return rest == others[1:]
    swapped = rest[:2] == others[1::-1] and rest[2:] == others[2:]
    return rest[1:] == others[1:] or swapped
