"""Cards as schema.org recipes in JSON-LD, for other programs to read."""

import json
from datetime import timedelta
from typing import Any

from pydantic import TypeAdapter

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.numbers.balance import portions_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.files.print.printed_card import amount_text, line_text

CONTEXT = "https://schema.org"
_DURATION = TypeAdapter(timedelta)
DIETS = {
    "vegan": "VeganDiet",
    "vegetarian": "VegetarianDiet",
    "gluten_free": "GlutenFreeDiet",
    "halal": "HalalDiet",
    "kosher": "KosherDiet",
}
"""The diets that schema.org has a word for."""


def recipe_content(reading: Reading, id: str) -> dict[str, Any]:
    """One card. `suitableForDiet` names a diet only where the verdict is that it suits."""
    book = reading.book
    preparation = book.preparations[id]
    verdicts = reading.verdicts(id)
    suits = [word for diet, word in DIETS.items() if verdicts[diet] is Verdict.SUITS]
    active = sum(step.minutes or 0 for step in preparation.method if not step.passive)
    total = sum(step.minutes or 0 for step in preparation.method)
    content: dict[str, Any] = {
        "@context": CONTEXT,
        "@type": "Recipe",
        "identifier": id,
        "name": preparation.name,
        "recipeCategory": preparation.kind,
        "recipeYield": _yield(preparation),
        "recipeIngredient": [
            line_text(book, preparation.lines[index]) for index in preparation.counted()
        ],
        "recipeInstructions": [_step(step.text, step.minutes) for step in preparation.method],
    }
    if active:
        content["prepTime"] = duration(active)
    if total:
        content["totalTime"] = duration(total)
    if suits:
        content["suitableForDiet"] = [f"{CONTEXT}/{word}" for word in suits]
    return {key: value for key, value in content.items() if value not in ([], None, "")}


def recipes_bytes(reading: Reading, ids: list[str]) -> bytes:
    """One card as an object, several as a `@graph`."""
    contents = [recipe_content(reading, id) for id in ids]
    if len(contents) == 1:
        whole = contents[0]
    else:
        graph = [{k: v for k, v in entry.items() if k != "@context"} for entry in contents]
        whole = {"@context": CONTEXT, "@graph": graph}
    return (json.dumps(whole, ensure_ascii=False, indent=1) + "\n").encode()


def duration(minutes: float) -> str:
    """Minutes as an ISO 8601 duration: `PT1H30M`."""
    whole = timedelta(seconds=round(minutes * 60))
    return str(_DURATION.dump_python(whole, mode="json"))


def _step(text: str, minutes: float | None) -> dict[str, Any]:
    step: dict[str, Any] = {"@type": "HowToStep", "text": text}
    if minutes:
        step["timeRequired"] = duration(minutes)
    return step


def _yield(preparation: Preparation) -> list[str]:
    portions = portions_of(preparation)
    found = [] if portions is None else [f"{portions:g} portions"]
    if preparation.yield_ is not None and preparation.yield_.unit != "portion":
        found.append(amount_text(preparation.yield_.quantity, preparation.yield_.unit))
    return found
