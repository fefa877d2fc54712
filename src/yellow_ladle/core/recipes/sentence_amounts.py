"""Ingredients of a recipe that is only told: "melt 50 g butter, sweat two onions, dust with flour".

Each amount with a food in a sentence becomes a proposed line in the words of the text, to be
confirmed: nothing says where its name ends but the words that follow.
"""

import re
from collections.abc import Iterator
from dataclasses import replace
from functools import cache

from yellow_ladle.core.amounts.numerals import number_at
from yellow_ladle.core.labels.hits import hits
from yellow_ladle.core.labels.languages import language_of
from yellow_ladle.core.recipes.ingredient_text import understood_line
from yellow_ladle.core.recipes.recipe import Recipe, RecipeLine, RecipeStep
from yellow_ladle.core.recipes.recipe_words import beginning, listed
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.told_steps import tells_to_do_in_any_language
from yellow_ladle.core.vocabulary.units import shipped_units
from yellow_ladle.core.words.class_names import class_of_name
from yellow_ladle.core.words.letters import tokens
from yellow_ladle.core.words.lexicon import lexicon

MAX_WORDS = 6
"""Words of an ingredient that is told in a sentence, its amount besides."""
_BEGINS = re.compile(r"(?<![\w.,/-])(?=\w|[¼½¾⅓⅔⅛])")
_END_OF_RANGE = re.compile(r"\s*(?:[-–]\s*\d+\s*)?")
_ENDS = re.compile(r"[,;:.!?()\n]|\s[-–—]\s")
_OF = re.compile(r"\s(?:of|de|di|d['’])\s?\w", re.I)
"""In "a glass of white wine": a measure that nobody has said the size of."""


def with_lines_from_sentences(recipe: Recipe) -> Recipe:
    """A recipe with the ingredients that its sentences tell.

    They are looked for in the steps where nothing lists any, and in a listed line that is a
    sentence of its own: it names several amounts and says what is done with them.
    """
    lines: list[RecipeLine] = []
    steps: list[RecipeStep] = []
    for line in recipe.lines:
        pieces = list(amounts_in(line.text))
        if _is_sentence(line.text, pieces):
            lines += [RecipeLine(text, line.group, from_sentence=True) for text in pieces]
            steps.append(RecipeStep(line.text, minutes_of_step(line.text)))
        else:
            lines.append(line)
    if not recipe.lines:
        texts = dict.fromkeys(text for step in recipe.steps for text in amounts_in(step.text))
        lines = [RecipeLine(text, from_sentence=True) for text in texts]
    if not any(line.from_sentence for line in lines):
        return recipe
    return replace(recipe, lines=tuple(lines), steps=(*steps, *recipe.steps))


def _is_sentence(text: str, pieces: list[str]) -> bool:
    """Whether a listed line is a sentence: amounts and a verb, or a time and a verb alone."""
    if not tells_to_do_in_any_language(text):
        return False
    number = number_at(text, 0)
    timed = number is not None and _counts_something_else(text, number.end)
    return len(pieces) > 1 or (not pieces and timed)


def amounts_in(text: str) -> Iterator[str]:
    """The words of a sentence that name an amount of a food, in their order."""
    end = 0
    for begins in _BEGINS.finditer(text):
        at = begins.start()
        if at < end or not _may_begin(text, at):
            continue
        piece = _piece(text, at)
        if _is_ingredient(piece):
            yield piece
            end = at + len(piece)


def _may_begin(text: str, at: int) -> bool:
    number = number_at(text, at)
    if number is not None:
        return not _counts_something_else(text, number.end)
    return beginning("sentences", "articles").match(text, at) is not None


def _piece(text: str, at: int) -> str:
    """From an amount to where the name of its food may end."""
    rest = text[at:]
    sign = next((m for m in _ENDS.finditer(rest) if not _is_decimal(rest, m.start())), None)
    rest = rest[: sign.start()] if sign else rest
    found: list[str] = []
    for place, word in enumerate(rest.split()):
        if place > 1 and word.lower().strip("'’") in _stops():
            break
        found.append(word)
        if len(found) > MAX_WORDS + 2:
            break
    while len(found) > 2 and _is_trailing_verb(found):
        found.pop()
    return " ".join(found)


def _is_trailing_verb(words: list[str]) -> bool:
    """Whether the last word is what is done: in German what is small behind a noun."""
    noun = any(word[:1].isupper() for word in words[1:-1])
    return noun and words[-1].islower() and words[-1].endswith("en")


def _is_decimal(text: str, at: int) -> bool:
    return text[at] in ".," and text[at - 1 : at].isdigit() and text[at + 1 : at + 2].isdigit()


def _is_ingredient(piece: str) -> bool:
    read = understood_line(piece)
    if not read.item or len(read.item.split()) > MAX_WORDS:
        return False
    article = beginning("sentences", "articles").match(piece) is not None
    if read.quantity is None:
        return article and _OF.search(piece) is not None and _is_food(read.item)
    unit = shipped_units().get(read.unit or "")
    if unit is not None and unit.kind in ("weight", "volume"):
        return True
    # "A wide pan" counts as "a carrot" does; an article alone tells no amount.
    return not (article and read.unit == "piece") and _is_food(read.item)


def _is_food(item: str) -> bool:
    if class_of_name(item).class_ is not None:
        return True
    run = tokens(item)
    return bool(hits(lexicon(language_of(run)), run))


@cache
def _stops() -> frozenset[str]:
    return frozenset(listed("sentences", "stops"))


def _counts_something_else(text: str, at: int) -> bool:
    """Whether a number, here or at the end of a range, counts no food: minutes, portions."""
    beyond = _END_OF_RANGE.match(text, at)
    assert beyond is not None  # it may be empty
    return beginning("sentences", "no_food").match(text, beyond.end()) is not None
