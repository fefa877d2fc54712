"""The turns of phrase around an amount: the grammar here, their words in data/amount_words.toml."""

import re

from yellow_ladle.core.amounts.numerals import GLYPHS
from yellow_ladle.core.vocabulary.toml import section, table, words

_PHRASES = section(table("amount_words")["phrases"])


def _any(*lists: str) -> str:
    """The alternatives of one or more lists, as a part of a regular expression."""
    return "|".join(word for name in lists for word in words(_PHRASES[name]))


ABOUT = re.compile(
    rf"(?:(?:{_any('about')})(?=[\s\d¼-¾]|\.)"
    rf"\.?|c\.|~|(?:{_any('nearly')})"
    r"(?=\s+[\d¼½¾⅓⅔⅛]))\s*",
    re.I,
)
ENGLISH_CONTAINERS = words(_PHRASES["containers_en"])
CONTAINER = re.compile(
    rf"(?P<what>(?:{_any('containers_en')})(?=(?:e?s)?(?:[\s,(.]|$))|{_any('containers')})"
    rf"(?:s|es|n|en)?(?=[\s,(.]|$)\.?(?!\s(?:{_any('not_packed')}))"
    r"\s*(?:(?:of|de|von|di)\b|d['’])?\s*",
    re.I,
)
OF_SIZE = re.compile(r"(?:(?:of|de|von|di|à|da|je|zu|zu je)\s+)?(?=\d)", re.I)
EACH = re.compile(rf",?\s*(?:{_any('each')})$", re.I)
LENGTH = re.compile(
    rf"\(?(?P<size>(?:\d+/\d+|(?:\d+\s?)?[{GLYPHS}]|\d+(?:[.,]\d+)?)(?:\s*-\s*\d+)?[- ]?"
    rf"(?:{_any('lengths')}))(?:\)\s*|[- ]+)"
    rf"(?:{_any('pieces_of_length')})s?(?=[\s,]|$)\s*",
    re.I,
)
ABOUT_HOW = re.compile(_any("fullness"), re.I)
EACH_OF = re.compile(r"\s*each\b(?!\))", re.I)
BUTTERS = words(_PHRASES["butters"])
SOME_OF = re.compile(rf"(?:{_any('some_of')})\s*(?=[^\W\d])", re.I)
AND_MORE = re.compile(rf"\s*(?:{_any('and_more')})\s", re.I)
OR_ELSE = re.compile(r"\s*[/|]\s*(?=[\d¼½¾⅓⅔⅛])")
NO_AMOUNT = re.compile(rf"(?:,?\s*\(?\b(?:{_any('no_amount')})\)?)$", re.I)
TO = re.compile(rf"\s*(?:{_any('to')})\s*", re.I)
TIMES = re.compile(r"\s*[x×]\s*", re.I)
PLUS = re.compile(rf"\s*(?:{_any('plus')})\s+", re.I)
OF = re.compile(rf"(?:(?:{_any('of')})\s+|d['’])", re.I)
AND_A_FRACTION = re.compile(rf"and\s+(?=\d+\s*[/⁄]|[{GLYPHS}])", re.I)
SOME = words(_PHRASES["vague"])
PARTITIVE = re.compile(r"of\s+an?\s+", re.I)
SIZES = re.compile(rf"(?:a\s+)?(?P<how>{_any('sizes')})(?:[- ]sized?)?\s+", re.I)
SIZED = re.compile(rf"(?P<how>{_any('sized')})(?=[\s,]|$)\s*", re.I)
TEMPERATURE = re.compile(rf"\d{{2,3}}\s?(?:{_any('degrees')})", re.I)
WORD = re.compile(r"[^\W\d]+(?:['’][^\W\d]+)?\.?", re.UNICODE)
ASIDE = re.compile(rf",?\s*\b(?P<said>{_any('aside')})$", re.I)
LOOSE = re.compile(r"(?:an?|some|few)\s+(?P<measure>[^\d,]+?)\s+of\s+(?P<item>.+)", re.I)
BRACKET = re.compile(r"\(([^()]*)\)\s*")
