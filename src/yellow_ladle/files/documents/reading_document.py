"""The reading as a JSON document."""

from typing import Any

from yellow_ladle.core.book.tool import Toolbox
from yellow_ladle.core.cards.card_words import card_words
from yellow_ladle.core.carrying.paths import Source
from yellow_ladle.core.reading.reading import Reading, Reason


def reading_content(reading: Reading) -> dict[str, Any]:
    """Every preparation and by-product with its flags, its declaration and its diets."""
    return {
        "format": "yellow-ladle-reading",
        "version": 1,
        "regime": reading.book.kitchen.regime,
        "items": {item: item_content(reading, item) for item in sorted(reading.items())},
        "words": [
            {"item": word.item, "step": word.step, "text": word.text, "flags": list(word.flags)}
            for word in card_words(reading)
        ],
    }


def item_content(reading: Reading, item: str) -> dict[str, Any]:
    """One item's part of the reading."""
    declared = reading.declaration(item)
    levels, sources = reading.levels(item), reading.sources(item)
    return {
        "flags": {
            flag: {
                "level": level.word,
                "sources": [
                    source_content(source, reading.book.toolbox) for source in sources[flag]
                ],
            }
            for flag, level in levels.items()
        },
        "declare": {
            "contains": list(declared.contains),
            "may_contain": list(declared.may_contain),
            "unchecked": list(declared.unchecked),
        },
        "diets": {
            diet: {
                "verdict": fit.verdict.value,
                "because": [reason_content(reason) for reason in fit.because],
            }
            for diet, fit in reading.suitability(item).items()
        },
    }


def reason_content(reason: Reason) -> dict[str, Any]:
    """A reason of a verdict; `certificate` only where the diet accepts the flag with one."""
    content = {
        "flag": reason.flag,
        "level": reason.level.word,
        "products": list(reason.products),
    }
    return content if reason.certificate is None else content | {"certificate": reason.certificate}


def source_content(source: Source, box: Toolbox) -> dict[str, Any]:
    """A source; `own` only where it is a pot's own statement, `tool` where it comes by a tool."""
    content: dict[str, Any] = {
        "product": source.product,
        "level": source.level.word,
        "via": list(source.via),
    }
    if source.tool is not None:
        content["tool"] = box.slug(source.tool)
    return content | {"own": True} if source.own else content
