"""What was read of recipes, as a JSON document."""

from collections.abc import Collection, Iterable
from typing import Any

from yellow_ladle.core.labels.label_reading import Word
from yellow_ladle.core.recipes.ingredient_text import is_optional, understood_line
from yellow_ladle.core.recipes.recipe import Recipe, RecipeLine

LOOK = 'Is "{words}" what the picture says? It could not be read with certainty.'


def recipes_content(
    recipes: Iterable[Recipe], doubtful: Collection[str] = frozenset()
) -> dict[str, Any]:
    """Every recipe with its lines and steps, in the order of the text.

    `doubtful`: words that a picture did not show clearly; a line that holds one asks about it.
    """
    return {
        "format": "yellow-ladle-recipes",
        "version": 1,
        "recipes": [_recipe(recipe, doubtful) for recipe in recipes],
    }


def picture_recipes_content(
    recipes: Iterable[Recipe], text: str, uncertain: Iterable[Word]
) -> dict[str, Any]:
    """The recipes of a picture, with its text as read and the words to be looked at."""
    words = list(uncertain)
    told = [{"text": word.text, "start": word.start, "end": word.end} for word in words]
    content = recipes_content(recipes, {word.text for word in words})
    return content | {"text": text, "uncertain": told}


def _recipe(recipe: Recipe, doubtful: Collection[str]) -> dict[str, Any]:
    made = recipe.yield_
    return {
        "name": recipe.name,
        "portions": _plain(recipe.portions),
        "yield": None if made is None else {"quantity": _plain(made.quantity), "unit": made.unit},
        "lines": [_line(line, doubtful) for line in recipe.lines],
        "steps": [{"text": step.text, "minutes": _plain(step.minutes)} for step in recipe.steps],
    }


def _line(line: RecipeLine, doubtful: Collection[str]) -> dict[str, Any]:
    read = understood_line(line.text)
    look = [word for word in line.text.split() if word in doubtful]
    asked = LOOK.format(words=", ".join(look)) if look else ""
    low = read.quantity if read.low is None else read.low
    return {
        "text": line.text,
        "quantity": _plain(low),
        "high": _plain(read.high),
        "unit": read.unit,
        "item": read.item or None,
        "note": read.note,
        "section": line.group,
        "optional": is_optional(line.text),
        "question": read.question or asked or line.question,
    }


def _plain(value: float | None) -> float | int | None:
    """A number as people write it: 2 instead of 2.0, a third with no more than six places."""
    if value is None:
        return None
    return int(value) if value == int(value) else round(value, 6)
