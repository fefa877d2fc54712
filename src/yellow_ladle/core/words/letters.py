"""A label's text as words, each with its place in the text as given."""

import re
import unicodedata
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import lru_cache
from html import unescape

MARKUP = re.compile(r"<!--|-->|</?[a-z][^<>]*>|&#?\w{1,10};|\*\*|__|[*_]", re.IGNORECASE)
BREAKS = ("br", "p", "li", "div", "tr", "h1", "h2", "h3", "ul", "ol", "table")
BOLD = ("b", "strong", "u", "em", "i", "mark", "ins")
TOKEN = re.compile(
    r"(?P<percent>\d+(?:[.,]\d+)?\s?%)"
    r"|(?P<additive>\b(?:E|INS)[ \u2010-\u2015-]?\d{3,4}[a-z]?(?:[ivx]{1,3})?\b)"
    r"|(?P<number>\d+(?:[.,]\d+)*)"
    r"|(?P<word>[^\W\d_][^\W\d_\u0300-\u036f]*(?:[\u0300-\u036f]+[^\W\d_]*)*)"
    r"|(?P<sign>[✓✔☑✗✘☒✕×])"
    r"|(?P<mark>[()\[\]{},;:.!?\n•·|/])",
    re.IGNORECASE,
)
PARTED = re.compile(r"(?<=[^\W\d_])[-\u2010\u2011][ \t]*\n[ \t]*(?=[^\W\d_])")
"""A hyphen at a line's end between two letters: the halves of one word, or two words."""
OPENING, CLOSING = "([{", ")]}"
ANSWERS = {**dict.fromkeys("✓✔☑", "✓"), **dict.fromkeys("✗✘☒✕×", "✗")}
"""Signs that answer yes or no, as the two that the reader knows."""
SOFT_HYPHEN = "\u00ad"
LOUD, MIN_LOUD, MIN_LOUD_SENTENCE = 0.7, 4, 2
"""The share of words in capitals from which on a label is printed in them, and of how many; and how
many there are in a sentence of it that is all in capitals."""
LETTERS = str.maketrans({"œ": "oe", "æ": "ae", "ø": "o", "ł": "l", "đ": "d", "ı": "i"})


@dataclass(frozen=True, slots=True)
class Token:
    """A word, number or mark. `text` is folded; `start` and `end` are places in the given text.

    `kind`: word, number, percent, additive, sign (an answer of yes or no) or mark. `stressed`: set
    in bold, underlined or in capitals. `mended`: a slip of the label's was put right in `text`.
    """

    text: str
    kind: str
    start: int
    end: int
    stressed: bool = False
    mended: bool = False

    @property
    def names(self) -> bool:
        """Whether it can be a part of a name."""
        return self.kind in ("word", "number")


@lru_cache(maxsize=50_000)
def fold(word: str) -> str:
    """A word without case, accents and ligatures."""
    plain = unicodedata.normalize("NFKD", word.casefold().translate(LETTERS))
    return "".join(letter for letter in plain if not unicodedata.combining(letter))


def is_parted(text: str) -> bool:
    """Whether some word is parted by a hyphen at a line's end."""
    return bool(PARTED.search("".join(letter for letter, _, _ in _letters(text))))


def tokens(text: str, *, joined: bool = True) -> list[Token]:
    """The tokens of a text, which may hold HTML or markdown. Markup itself gives none.

    `joined`: whether the halves of a word parted at a line's end are one token, else two.
    """
    given = list(_letters(text))
    for match in reversed(list(PARTED.finditer("".join(letter for letter, _, _ in given)))):
        start, end = match.span()
        _, place, is_bold = given[start]
        given[start:end] = [] if joined else [("-", place, is_bold)]
    letters = [letter for letter, _, _ in given]
    places = [place for _, place, _ in given]
    bold = [is_bold for _, _, is_bold in given]
    found: list[Token] = []
    cleaned = "".join(letters)
    for match in TOKEN.finditer(cleaned):
        kind, word = str(match.lastgroup), match.group()
        start, end = match.span()
        if kind == "mark" and word == "." and _abbreviates(cleaned, start):
            continue
        stressed = kind == "word" and (
            any(bold[start:end]) or (len(word) > 2 and word.isupper() and word != word.lower())
        )
        text_ = _folded(kind, word)
        found.append(
            Token(
                text=text_,
                kind=kind,
                start=places[start],
                end=places[end - 1] + 1,
                stressed=stressed,
            )
        )
    return found if any(bold) else _unstressed_where_loud(found)


def _unstressed_where_loud(text: list[Token]) -> list[Token]:
    """The tokens of what is printed in capitals throughout: those stress nothing there.

    That is a whole label, or a sentence of one: a heading, a list above a line in small letters.
    """
    if _is_loud(text, MIN_LOUD, LOUD):
        return _unstressed(text)
    found: list[Token] = []
    start = 0
    for end in range(len(text) + 1):
        if end == len(text) or (text[end].kind == "mark" and text[end].text in ".\n"):
            sentence = text[start : end + 1]
            if _is_loud(sentence, MIN_LOUD_SENTENCE, 1.0):
                sentence = _unstressed(sentence)
            found += sentence
            start = end + 1
    return found


def _unstressed(text: list[Token]) -> list[Token]:
    return [replace(token, stressed=False) if token.stressed else token for token in text]


def _is_loud(text: list[Token], least: int, share: float) -> bool:
    long = [token for token in text if token.kind == "word" and len(token.text) > 2]
    return len(long) >= least and sum(token.stressed for token in long) >= share * len(long)


def words(text: str) -> tuple[str, ...]:
    """The folded words of a plain text, as a lexicon's entries are kept."""
    return tuple(_folded(*(str(m.lastgroup), m.group())) for m in TOKEN.finditer(text))


def _letters(text: str) -> Iterator[tuple[str, int, bool]]:
    """Every letter with its place and whether it is bold; markup and control signs are left out."""
    depth, starred, here = 0, False, 0
    for markup in MARKUP.finditer(text):
        yield from _plain(text, here, markup.start(), depth > 0 or starred)
        here = markup.end()
        sign = markup.group()
        if sign[0] == "&":
            for letter in unescape(sign):
                yield letter, markup.start(), depth > 0 or starred
        elif sign in ("**", "__"):
            starred = not starred
        elif sign[0] == "<":
            name = sign.strip("</>").split()[0].lower() if sign.strip("</>") else ""
            if name in BOLD:
                depth = max(0, depth - 1) if sign[1] == "/" else depth + 1
            elif name in BREAKS:
                yield "\n", markup.start(), False
    yield from _plain(text, here, len(text), depth > 0 or starred)


def _plain(text: str, start: int, end: int, is_bold: bool) -> Iterator[tuple[str, int, bool]]:
    for place in range(start, end):
        letter = text[place]
        if letter in "\n\r":
            yield "\n", place, is_bold
        elif letter == "\t":
            yield " ", place, is_bold
        elif letter == SOFT_HYPHEN and text[place + 1 : place + 2] in ("\n", "\r"):
            yield "-", place, is_bold
        elif unicodedata.category(letter) not in ("Cc", "Cf", "Cs", "Co"):
            yield letter, place, is_bold


def _folded(kind: str, word: str) -> str:
    if kind == "additive":
        return re.sub(r"^(e|ins)\D*", "", word.lower())
    return fold(word) if kind == "word" else ANSWERS.get(word, word)


def _abbreviates(text: str, place: int) -> bool:
    """Whether a dot stands within "e.g." or "d.o.p." and ends no sentence."""
    before = re.search(r"(?:^|[^\w])(\w)$", text[max(0, place - 2) : place])
    return bool(before) and before is not None and not before[1].isdigit()
