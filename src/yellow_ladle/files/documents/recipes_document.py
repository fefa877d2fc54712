"""What was read of recipes, as a JSON document."""

from collections.abc import Iterable
from typing import Any

from yellow_ladle.files.recipes.ingredient_text import is_optional, understood_line
from yellow_ladle.files.recipes.recipe import Recipe, RecipeLine


def recipes_content(recipes: Iterable[Recipe]) -> dict[str, Any]:
    """Every recipe with its lines and steps, in the order of the text."""
    return {
        "format": "yellow-ladle-recipes",
        "version": 1,
        "recipes": [_recipe(recipe) for recipe in recipes],
    }


def _recipe(recipe: Recipe) -> dict[str, Any]:
    made = recipe.yield_
    return {
        "name": recipe.name,
        "portions": _plain(recipe.portions),
        "yield": None if made is None else {"quantity": _plain(made.quantity), "unit": made.unit},
        "lines": [_line(line) for line in recipe.lines],
        "steps": [{"text": step.text, "minutes": _plain(step.minutes)} for step in recipe.steps],
    }


def _line(line: RecipeLine) -> dict[str, Any]:
    read = understood_line(line.text)
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
        "question": read.question,
    }


def _plain(value: float | None) -> float | int | None:
    """A number as people write it: 2 instead of 2.0, a third with no more than six places."""
    if value is None:
        return None
    return int(value) if value == int(value) else round(value, 6)
