"""Steps without what is left out of them: the sentence is rebuilt around the gap, or goes whole.

A gap is where a text says "(leave out the butter)". In a list the word goes with what joined it; a
phrase that only led to it goes; a clause that speaks of nothing else goes. Where a clause would
lose something that stays in the pot, the words in brackets are kept.
"""

import re
from collections.abc import Callable
from functools import cache

from yellow_ladle.core.vocabulary.toml import section, table

GAP = "\N{EMPTY SET}"
_LEAVE_OUT = re.compile(r"\((?:L|l)eave out the ([^()]*)\)")
_CLAUSE = re.compile(r"[^.;:!?,]+|[.;:!?,]+\s*")
_STOPS = ".;:!?"
_SAYS_OF_IT = re.compile(rf"\s*(?P<gap>{GAP}) (?:(?P<if>if|when|where|unless)|\w+ed)\b", re.I)
"""A clause that only says something of what is left out: "(egg wash) if it is pastry", "(yolks)
loosened with a ladle of the sauce"."""
_GOES_ON = re.compile(r"\s*\w+ed\b(?! the)", re.I)
"""What goes on to say more of it: "stirred back in"."""


def without_left_out(text: str, names_something: Callable[[str], bool]) -> str:
    """A step without what it says to leave out; empty where nothing is left of it.

    `names_something` tells whether some words name what stays in the pot.
    """
    words: list[str] = []

    def gap(found: re.Match[str]) -> str:
        words.append(found[0])
        return GAP

    told = _LEAVE_OUT.sub(gap, text)
    if not words:
        return text
    told = _out_of_clauses(_out_of_lists(told), names_something)
    for kept in words:
        # What could not be rebuilt says so as it did.
        told = told.replace(GAP, kept, 1)
    return _tidy(told)


def without_void(
    text: str, new: str, voids: tuple[str, ...], names_something: Callable[[str], bool]
) -> str:
    """A step without the clauses that do not hold for a new item: "Soak the agar".

    A clause goes that holds one of the words of `voids` and names nothing that stays but `new`;
    of another one what follows the word goes: "Whisk with the milk over warm water".
    """
    if not voids:
        return text
    stems = re.compile(rf"\b(?:{'|'.join(map(re.escape, voids))})", re.I)
    parts = _CLAUSE.findall(text)
    told: list[str] = []
    for part in parts:
        void = stems.search(part)
        if void is None:
            told.append(part)
        elif not names_something(re.sub(re.escape(new), "", part, flags=re.I) if new else part):
            told.append(GAP)
        elif part[: void.start()].strip():
            told.append(part[: void.start()].rstrip())
        else:
            told.append(part)
    if told == parts:
        return text
    return _tidy(_out_of_clauses("".join(told), names_something))


def _out_of_lists(told: str) -> str:
    """A text whose gaps among other words of a list are closed."""
    told = _dusted().sub(_only_second_verb, told)
    before = None
    while before != told:
        before = told
        for pattern, to in _list_patterns():
            told = pattern.sub(to, told)
    return told


@cache
def _dusted() -> re.Pattern[str]:
    """ "Dust the beef with (the flour) and brown it": without the flour the beef is browned."""
    return re.compile(
        rf"(?P<start>^|[.;:!?,]\s+)(?P<verb>\w+) (?P<what>(?:the )?\w+(?: \w+)?)"
        rf" {_any('leading')} (?:the )?{GAP} and (?P<second>\w+) (?:it|them)\b",
        re.I,
    )


def _only_second_verb(found: re.Match[str]) -> str:
    second = found["second"].capitalize() if found["verb"][:1].isupper() else found["second"]
    return f"{found['start']}{second} {found['what']}"


@cache
def _list_patterns() -> tuple[tuple[re.Pattern[str], str], ...]:
    joiner, item = _any("joiners"), r"[\w’'-]+(?: [\w’'-]+){0,3}"
    start = r"(^|[.;:!?]\s+)"
    return (
        # "sugar, (oats) and nuts"; "chillies, (onions), bread"
        (re.compile(rf", {GAP}(?= {joiner} )", re.I), ""),
        (re.compile(rf", {GAP}(?=,)"), ""),
        # "nuts, seed, (onions)." at the end of a list
        (re.compile(rf"(?<=, )({item}), {GAP}(?=\s*(?:[.;:!?]|$))"), r"\1"),
        # "a, b and (onion)" is "a and b"
        (re.compile(rf", ({item}) ({joiner}) {GAP}", re.I), r" \2 \1"),
        (re.compile(rf" {joiner} {GAP}", re.I), ""),
        # "(shallot), fennel and bones"
        (re.compile(rf"{start}{GAP}, (?={item},? {joiner} |{item}, )", re.I), r"\1"),
        (re.compile(rf"{GAP} {joiner} (?=\w)", re.I), ""),
    )


def _out_of_clauses(told: str, names_something: Callable[[str], bool]) -> str:
    """A text whose clauses are rebuilt around their gaps, or gone where they say nothing else."""
    parts = _CLAUSE.findall(told)
    kept: list[str] = []
    dropped = False
    for part in parts:
        if _is_mark(part):
            if not dropped:
                kept.append(part)
            elif kept and part.strip()[:1] in _STOPS:
                # A full stop outlives the last clause before it.
                kept[-1] = part if _is_mark(kept[-1]) else kept[-1] + part
            continue
        if dropped and _GOES_ON.match(part):
            continue
        if dropped:
            part = _without_pronoun(part)
        dropped = False
        if GAP in part:
            rebuilt = _clause(part, names_something)
            if rebuilt is None:
                dropped = True
                continue
            part = rebuilt
        kept.append(part)
    return "".join(kept)


def _clause(part: str, names_something: Callable[[str], bool]) -> str | None:
    """A clause around its gap; None where it goes. As it is where it cannot be rebuilt."""
    verb_in = _verb_in().match(part)
    if verb_in and names_something(verb_in["rest"]):
        return f"{verb_in['space']}{verb_in['verb']} the {verb_in['rest']}"
    lying_in = _lying_in().match(part)
    if lying_in and names_something(lying_in["fat"]):
        warm = "Warm" if part.lstrip()[:1] == GAP and not part.startswith(" ") else "warm"
        return f"{lying_in['space']}{warm} the {lying_in['fat']}"
    if (says_of_it := _SAYS_OF_IT.match(part)) is not None:
        rest = part[says_of_it.end() :]
        if says_of_it["if"] or not names_something(rest):
            return None
        with_ = re.match(r" with (?:the |a |an )?(\w.*)", rest, re.S)
        return f"{part[: says_of_it.start('gap')]}{with_[1]} in" if with_ else part
    led_to = _led_to().sub("", part)
    if GAP not in led_to and not _needs_object().fullmatch(led_to.strip()):
        return led_to
    rest = part.replace(GAP, " ")
    return part if names_something(rest) else None


def _is_mark(part: str) -> bool:
    return part.strip(",.;:!? ") == ""


def _without_pronoun(part: str) -> str:
    """A clause whose "in it" spoke of a clause that is gone."""
    return re.sub(rf" {_any('leading')} (?:it|them)\b", "", part, count=1)


def _tidy(told: str) -> str:
    told = re.sub(r"\s+([,.;:!?])", r"\1", re.sub(r" {2,}", " ", told)).strip(" ,;:")
    told = re.sub(r"^[.!?]+\s*", "", told)
    told = re.sub(r"[,;:]+\s*([.!?])", r"\1", told)
    told = re.sub(r"([.!?])\s*[.!?]+", r"\1", told)
    told = re.sub(r"([.!?]\s+)([a-z])", lambda m: m[1] + m[2].upper(), told)
    return told[:1].upper() + told[1:]


@cache
def _verb_in() -> re.Pattern[str]:
    """ "Simmer (the pork) in the stock with ginger": the stock is what simmers."""
    return re.compile(
        rf"(?P<space>\s*)(?P<verb>[A-Za-z]+) {GAP} in (?:the |a |an )?(?P<rest>\w.*)", re.S
    )


@cache
def _lying_in() -> re.Pattern[str]:
    """ "(Onions) in the ghee until gold": the ghee is warmed all the same."""
    return re.compile(
        rf"(?P<space>\s*){GAP} (?:soft )?in(?:to)? (?:the |a |an )?(?P<fat>[\w’' -]+?)"
        r"(?: (?:until|till|slowly|gently|over|for)\b.*)?$",
        re.S,
    )


@cache
def _led_to() -> re.Pattern[str]:
    return re.compile(rf"(?<=\w) {_any('leading')} (?:the |a |an )?{GAP}", re.I)


@cache
def _needs_object() -> re.Pattern[str]:
    return re.compile(rf"{_any('needs_object')}(?: \w+ly)?", re.I)


@cache
def _any(kind: str) -> str:
    """Any word of a kind, as a pattern."""
    words = str(section(table("card_words")["left_out"])[kind]).split(",")
    return f"(?:{'|'.join(re.escape(word.strip()) for word in words)})"
