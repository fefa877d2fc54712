"""Signs that a card's steps contradict themselves, repeat themselves or lost their object.

For the cards of plans: a step for what is gone, a sentence with a hole, one fact said twice.
"""

import re
from collections.abc import Iterator

from yellow_ladle.core.book.book import Preparation

OPPOSITES = (
    (r"\bset (?:it )?alight\b|\bflamb[eé]|\blight it\b", r"\bnothing is set alight\b"),
    (r"\bfry (?:it|them) bare\b|\bleft bare\b", r"\bcrumbs?\b|\bbreadcrumb|\bdredge"),
    (r"\bnever (?:let it )?boil\b", r"\b(?<!not )boil hard\b|\brolling boil\b"),
    (r"\bwithout the roux\b|\bno roux\b", r"\bcook the roux\b|\bstock onto the roux\b"),
    (r"\bwithout (?:the )?eggs?\b|\bno egg\b", r"\bcrack the eggs?\b|\bbeat the eggs?\b"),
)
"""Pairs of which a card says one or the other."""
NONSENSE = (
    r"\bwith (?!all |both |some |half )[a-z]+ (?:it|them)\b",
    r"\bsoak the agar\b",
    r"\bbloom the agar\b",
    r"\bwhip the oil\b",
    r"\(leave out\b",
)
TWICE = re.compile(r"\b([^\W\d_]{3,}(?: [^\W\d_]{3,})?) (?:and|with|or) (?:the )?\1\b", re.I)
HOLE = re.compile(r"\s[.,;:]|[,;]\s*[.;]|\.\s*,|\b(?:the|a|an|and|of)\s*[.,;:]", re.I)
SENTENCE = re.compile(r"(?<=[.!?])\s+")


def contradictions(made: Preparation) -> Iterator[str]:
    """What is wrong with the steps of a preparation, each with the words that show it."""
    texts = [step.text for step in made.method]
    whole = " ".join(texts)
    for one, other in OPPOSITES:
        first, second = re.search(one, whole, re.I), re.search(other, whole, re.I)
        if first and second:
            yield f"{first[0]} / {second[0]}"
    for sign in NONSENSE:
        if found := re.search(sign, whole, re.I):
            yield found[0]
    for text in texts:
        if found := TWICE.search(text):
            yield found[0]
        if HOLE.search(text):
            yield f"a hole: {text}"
    said: set[str] = set()
    for sentence in SENTENCE.split(whole):
        plain = sentence.strip(" .!?").lower()
        if len(plain.split()) > 2 and plain in said:
            yield f"twice: {sentence}"
        said.add(plain)
