"""What the words around an entry make of it: the same word means less beside some others."""

from collections.abc import Collection, Iterator, Sequence

from yellow_ladle.core.labels.hits import Hit
from yellow_ladle.core.labels.ingredients import Ingredient
from yellow_ladle.core.vocabulary.flags import flag_group
from yellow_ladle.core.words.letters import CLOSING, OPENING, Token
from yellow_ladle.core.words.lexicon import Lexicon, LexiconEntry

PLANTS = frozenset(flag_group("made_of_plants"))
"""Flags of things that "milk", "butter", "pasta" or "bread" are made of instead."""


def negated(words: Lexicon, entry: Ingredient) -> set[int]:
    """The hits that a "-free" follows: "gluten-free oats" claims no gluten and contains oats."""
    return {
        number for number, hit in enumerate(entry.found) if claims_absence(words, entry.tokens, hit)
    }


def claims_absence(words: Lexicon, run: Sequence[Token], hit: Hit) -> bool:
    """Whether a "-free" follows a hit at once."""
    after = run[hit.last + 1] if hit.last + 1 < len(run) else None
    return after is not None and words.has("free_after", after.text) and hit.entry.speaks


def settled_by(claimed: Collection[str]) -> set[str]:
    """What a claim to be without some flags settles where it was only hidden.

    "Gluten-free" rules out no wheat: gluten-free wheat starch is still wheat. Nor oats.
    """
    stays = flag_group("gluten_free_settles_not")
    return set(claimed) - ({*stays} if set(claimed) >= {*flag_group("gluten")} else set())


def only_claims(words: Lexicon, entry: Ingredient, claiming: Collection[int]) -> bool:
    """Whether an entry is no ingredient but claims alone: "Milk free", "glutenfrei"."""
    covered = {p for n in claiming for p in range(entry.found[n].first, entry.found[n].last + 1)}
    return not entry.parts and all(
        place in covered or words.has("free_after", token.text) or words.has("joiners", token.text)
        for place, token in enumerate(entry.tokens)
    )


def named_behind(run: Sequence[Token], found: Sequence[Hit], number: int) -> bool:
    """Whether brackets behind a group name which of it are meant: "tree nuts (almond, hazelnut)".

    Brackets that begin with a word like "including" name only some.
    """
    group = set(found[number].entry.any_of)
    place = found[number].last + 1
    if not group or place >= len(run) or run[place].text not in OPENING:
        return False
    end = next((n for n in range(place, len(run)) if run[n].text in CLOSING), len(run))
    within = [hit for hit in found if place < hit.first < end]
    if not within or within[0].first != place + 1:
        return False
    return all(set(hit.entry.contains) <= group and hit.entry.contains for hit in within)


def beside(entry: Ingredient, number: int) -> Iterator[Hit]:
    """Every other hit in the name and in what stands in brackets behind it."""
    yield from (hit for n, hit in enumerate(entry.found) if n != number)
    for part in entry.parts:
        yield from part.found


def flags_beside(entry: Ingredient, number: int) -> set[str]:
    return {
        flag for hit in beside(entry, number) for flag in (*hit.entry.contains, *hit.entry.any_of)
    }


def exempt_here(entry: Ingredient, number: int, above: Ingredient | None) -> set[str]:
    """Flags that stand here only as what an exempt thing is made from: "glucose syrup (wheat)"."""
    exempt = {flag for n, hit in enumerate(entry.found) if n != number for flag in hit.entry.exempt}
    if above is not None and len(above.parts) == 1:
        exempt |= {flag for hit in above.found for flag in hit.entry.exempt}
    return exempt


def sources_named(words: Lexicon, entry: Ingredient, number: int) -> bool:
    """Whether the label names the source beside: "lecithin (sunflower)", "pork gelatine"."""
    hit = entry.found[number]
    own = set(range(hit.first, hit.last + 1))
    names = [token for place, token in enumerate(entry.tokens) if place not in own]
    names += [token for part in entry.parts for token in part.tokens]
    if any(words.has("sources", token.text) for token in names):
        return True
    return any(
        other.entry is not hit.entry and (other.entry.contains or other.entry.neutral)
        for other in beside(entry, number)
    )


def ruled_out(entry: Ingredient, above: Ingredient | None) -> frozenset[str]:
    """Hidden flags that other words of the same thing rule out: "cheese (…, microbial rennet)"."""
    return entry.settles | above.settles if above is not None else entry.settles


def has_a_name_of_its_own(words: Lexicon, entry: Ingredient, hit: Hit) -> bool:
    """Whether something that is not wheat stands before a bare "flour"."""
    before = entry.tokens[: hit.first]
    if any(words.has("sources", token.text) for token in before):
        return True
    return any(
        other.last < hit.first and (other.entry.neutral or PLANTS & set(other.entry.contains))
        for other in entry.found
    )


def instead(words: Lexicon, entry: Ingredient, number: int) -> bool:
    """Whether the label says that it is made of something else: "soya yogurt", "rice pasta"."""
    hit = entry.found[number]
    meant = set(hit.entry.contains)
    if hit.source:
        return True
    near = [token.text for token in (*entry.tokens[: hit.first], *entry.tokens[hit.last + 1 :])]
    if any(words.has(kind, word) for word in near for kind in ("sources", "vegan", "free_after")):
        return True
    for other in entry.found:
        if other.first == hit.first or other.last > hit.first:
            continue
        plants = set(other.entry.contains)
        if other.last == hit.first - 1 and (
            other.entry.neutral or (plants and plants <= PLANTS and not plants & meant)
        ):
            return True
    return False


def opened_without(entry: Ingredient, meant: LexiconEntry) -> bool:
    """Whether the label lists all that is in it, and none of it is what is usual."""
    if not entry.opened:
        return False
    named: set[str] = set()
    waiting = list(entry.parts)
    while waiting:
        part = waiting.pop()
        waiting += part.parts
        for hit in part.found:
            named.update((*hit.entry.contains, *hit.entry.any_of))
    # Alcohol is made in the brew; no list of what went in names it.
    return named.isdisjoint(meant.contains) and "alcohol" not in meant.contains
