"""Reading schema.org recipes from JSON-LD, in the shapes that publishing systems give them.

One recipe or a list, a `@graph`, a page's `mainEntity`, an `ItemList`, or the page itself with its
blocks. Instructions as one text, as a list of texts, as steps or as sections of steps.
"""

import json
import re
from collections.abc import Iterator
from datetime import timedelta
from itertools import islice
from typing import Any

from pydantic import TypeAdapter, ValidationError

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.recipes.recipe import UNNAMED, Recipe, RecipeLine, RecipeStep
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.yield_text import yield_of
from yellow_ladle.files.recipes.plain_text import json_blocks, plain

MAX_BYTES = 16 * 1024 * 1024
MAX_RECIPES = 500
MAX_LINES = 500
MAX_LINES_AT_ONCE = 5_000
MAX_TEXT = 200_000
MAX_STEP = 4_000
MAX_DEPTH = 12
MAX_DIGITS = 5

_WITHIN = ("@graph", "mainEntity", "mainEntityOfPage", "itemListElement", "item", "hasPart")
_DURATION = TypeAdapter(timedelta)
_NUMBERED = re.compile(r"^\s*(?:step\s*)?\d{1,2}[.):]\s+", re.I)


def read_recipes(content: bytes) -> list[Recipe]:
    """Every recipe in a JSON-LD document or page. Raises BookRefused with places."""
    if len(content) > MAX_BYTES:
        raise BookRefused([Fault("", f"the file is over {MAX_BYTES // 1024**2} MB")])
    found = [
        recipe
        for place, document in _documents(_text(content))
        for recipe in _recipes(document, place, 0)
    ]
    if not found:
        message = "no recipe is in it: nothing of the type Recipe was found"
        raise BookRefused([Fault("", message)])
    return bounded(found)


def bounded(found: list[Recipe]) -> list[Recipe]:
    """Recipes, if they are no more than can be looked at; else BookRefused."""
    if len(found) > MAX_RECIPES:
        raise BookRefused([Fault("", f"{len(found)} recipes at once; at most {MAX_RECIPES}")])
    lines = sum(len(recipe.lines) for recipe in found)
    if lines > MAX_LINES_AT_ONCE:
        message = f"{lines} ingredient lines in all; at most {MAX_LINES_AT_ONCE} at once"
        raise BookRefused([Fault("", message)])
    return found


def minutes_of(value: Any) -> float | None:
    """Minutes of an ISO 8601 duration, or of a bare number of minutes; None where it is neither."""
    if isinstance(value, bool):
        return None
    if isinstance(value, int | float):
        return float(value) if value > 0 else None
    text = str(value or "").strip().upper()
    # Pydantic also reads clock times and bare seconds, which no recipe means by a duration.
    if not text.startswith("P"):
        return None
    try:
        minutes = _DURATION.validate_python(text).total_seconds() / 60
    except ValidationError:
        return None
    return minutes if minutes > 0 else None


def _text(content: bytes) -> str:
    encoding = "utf-16" if content[:2] in (b"\xff\xfe", b"\xfe\xff") else "utf-8-sig"
    try:
        return content.decode(encoding)
    except UnicodeDecodeError as error:
        message = "it is no UTF-8 text; save it again as UTF-8"
        raise BookRefused([Fault(f"byte {error.start}", message)]) from error


def _documents(text: str) -> Iterator[tuple[str, Any]]:
    """The JSON documents in a file: itself, or the blocks of a page."""
    if text.lstrip().startswith("<"):
        blocks = json_blocks(text)
        if not blocks:
            message = "the page holds no recipe data that can be read (no JSON-LD block)"
            raise BookRefused([Fault("", message)])
        for number, block in enumerate(blocks, 1):
            yield f"block {number}", _json(block, f"block {number}, ")
    else:
        yield "", _json(text, "")


def _json(text: str, within: str) -> Any:
    try:
        return json.loads(text, strict=False)
    except json.JSONDecodeError as error:
        place = f"{within}line {error.lineno}, column {error.colno}"
        raise BookRefused([Fault(place, f"not JSON: {error.msg}")]) from error
    except (RecursionError, ValueError) as error:
        raise BookRefused([Fault(within.rstrip(", "), "not JSON that can be read")]) from error


def _recipes(value: Any, place: str, depth: int) -> Iterator[Recipe]:
    if depth > MAX_DEPTH:
        return
    if isinstance(value, list):
        for number, entry in enumerate(value):
            yield from _recipes(entry, f"{place}[{number}]", depth + 1)
    elif isinstance(value, dict):
        if _is(value, "Recipe"):
            yield _recipe(value, place)
            return
        for key in _WITHIN:
            if key in value:
                yield from _recipes(value[key], f"{place}.{key}".lstrip("."), depth + 1)


def _recipe(value: dict[str, Any], place: str) -> Recipe:
    lines = _lines(value.get("recipeIngredient", value.get("ingredients", [])))
    if len(lines) > MAX_LINES:
        message = f"{len(lines)} ingredient lines; at most {MAX_LINES}"
        raise BookRefused([Fault(f"{place}.recipeIngredient".lstrip("."), message)])
    name = _words(value.get("name") or value.get("headline"))
    steps = tuple(islice(_steps(value.get("recipeInstructions"), "", 0), MAX_LINES + 1))
    if len(steps) > MAX_LINES:
        message = f"more than {MAX_LINES} steps"
        raise BookRefused([Fault(f"{place}.recipeInstructions".lstrip("."), message)])
    minutes = minutes_of(value.get("totalTime")) or minutes_of(value.get("cookTime"))
    yields = _yield(value.get("recipeYield", value.get("yield")))
    told = yield_of(yields, bare=True) if yields else None
    # A bare number is how many are served.
    served = float(yields) if yields.isdecimal() and len(yields) < MAX_DIGITS else None
    return Recipe(
        name=name.replace("\n", " ")[:200] or UNNAMED,
        lines=lines,
        steps=steps,
        yields=yields,
        minutes=minutes,
        category=_words(value.get("recipeCategory")),
        place=place,
        portions=served if told is None else told.portions,
        yield_=None if told is None else told.yield_,
    )


def _lines(value: Any) -> tuple[RecipeLine, ...]:
    """Ingredient lines; one that ends in a colon, without an amount, heads those after it."""
    entries = value if isinstance(value, list) else [value]
    texts = [line for entry in entries for line in _words(entry).split("\n") if line.strip()]
    found, group = [], ""
    for text in texts:
        line = text.strip(" •*-–\t")
        if line.endswith(":") and not any(sign.isdigit() for sign in line):
            group = line.rstrip(": ")[:200]
        elif line:
            found.append(RecipeLine(line, group))
    return tuple(found)


def _steps(value: Any, section: str, depth: int) -> Iterator[RecipeStep]:
    if depth > MAX_DEPTH or value is None:
        return
    if isinstance(value, list):
        for entry in value:
            yield from _steps(entry, section, depth + 1)
    elif isinstance(value, dict):
        inner = value.get("itemListElement", value.get("steps"))
        if inner is not None:
            name = _words(value.get("name")) or section
            yield from _steps(inner, name.replace("\n", " ")[:200], depth + 1)
        else:
            text = _words(value.get("text") or value.get("description") or value.get("name"))
            duration = value.get("timeRequired") or value.get("performTime")
            if text:
                minutes = minutes_of(duration or value.get("totalTime")) or minutes_of_step(text)
                yield RecipeStep(text.replace("\n", " ")[:MAX_STEP], minutes, section)
    else:
        for line in _words(value).split("\n"):
            text = _NUMBERED.sub("", line).strip()
            if text:
                yield RecipeStep(text[:MAX_STEP], minutes_of_step(text), section)


def _yield(value: Any) -> str:
    """The yield in words: of several, the one that says most."""
    if isinstance(value, list):
        return max((_yield(entry) for entry in value), key=len, default="")
    if isinstance(value, dict):
        unit = value.get("unitText") or value.get("unitCode") or ""
        return _words(f"{value.get('value', '')} {unit}")
    return _words(value)


def _words(value: Any) -> str:
    if isinstance(value, list):
        return ", ".join(filter(None, (_words(entry) for entry in value)))
    if isinstance(value, dict):
        return _words(value.get("name") or value.get("text") or value.get("@value"))
    if value is None or isinstance(value, bool):
        return ""
    text = str(value)
    if len(text) > MAX_TEXT:
        begins = text[:30]
        message = f'the text that begins "{begins}" is over {MAX_TEXT:,} signs'
        raise BookRefused([Fault("", message)])
    return plain(text)


def _is(value: dict[str, Any], wanted: str) -> bool:
    kind = value.get("@type")
    kinds = kind if isinstance(kind, list) else [kind]
    return any(isinstance(entry, str) and entry.rpartition("/")[2] == wanted for entry in kinds)
