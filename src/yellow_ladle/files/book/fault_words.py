"""What a model refuses, in words for the person who wrote the file."""

import json
from collections.abc import Mapping, Sequence
from typing import Any

from pydantic import BaseModel
from pydantic_core import ErrorDetails

from yellow_ladle.core.book.fault import Fault, near

_SENTENCES = {
    "missing": "is missing",
    "string_type": "text is wanted here, in quotes",
    "bool_type": "true or false is wanted here",
    "float_type": "a number is wanted here, without quotes",
    "int_type": "a whole number is wanted here, without quotes",
    "finite_number": "a finite number is wanted here",
    "list_type": "a list is wanted here, in square brackets",
    "dict_type": "an object is wanted here, in braces",
    "model_type": "an object is wanted here, in braces",
    "model_attributes_type": "an object is wanted here, in braces",
    "string_too_short": "is empty",
}
_PATTERNS = {
    "id": "an id is lower-case letters, digits and hyphens, and starts with a letter or digit",
    "item": "an item is an id, or preparation-id/by-product-id",
    "date": "a date is written as 2026-11-24",
}


def fault_of(error: ErrorDetails, model: type[BaseModel], place: str) -> Fault:
    """One of Pydantic's errors as a fault, placed within `place`."""
    path = [part for part in error["loc"] if part != "[key]"]
    where = place
    for part in path:
        where += f"[{part}]" if isinstance(part, int) else f"{'.' if where else ''}{part}"
    field = next((str(part) for part in reversed(path) if isinstance(part, str)), "")
    return Fault(where, sentence_of(error, field, _fields(model)))


def sentence_of(error: ErrorDetails, field: str, fields: Sequence[str] = ()) -> str:
    """One of Pydantic's errors in a sentence, in the words of JSON."""
    context: Mapping[str, Any] = error.get("ctx", {})
    given = error.get("input")
    match error["type"]:
        case "extra_forbidden":
            return f'no field "{field}" is known here{near(field, fields)}'
        case "literal_error":
            wanted = [word.strip("'") for word in str(context["expected"]).split(", ")]
            wanted = [word for part in wanted for word in part.replace("'", "").split(" or ")]
            told = json.dumps(given, ensure_ascii=False, default=str)
            hint = near(given, wanted) if isinstance(given, str) else ""
            return f"{told} is none of {', '.join(wanted)}{hint}"
        case "greater_than_equal" | "greater_than":
            least = "0 or more" if error["type"].endswith("equal") else "more than 0"
            return f"{given} is too small; {least} is wanted here"
        case "less_than_equal":
            return f"{given} is too large; at most {context['le']:g} is wanted here"
        case "string_too_long":
            return f"is too long; at most {context['max_length']} letters are kept"
        case "string_pattern_mismatch":
            return f'"{given}" will not do: {_PATTERNS.get(field, _PATTERNS["id"])}'
        case kind:
            return _SENTENCES.get(kind, error["msg"])


def _fields(model: type[BaseModel]) -> list[str]:
    return [field.alias or name for name, field in model.model_fields.items()]
