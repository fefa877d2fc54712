"""The JSON object that a file is, read so that nothing in it is lost without a word."""

import json
from typing import Any

from yellow_ladle.core.book.fault import BookRefused, Fault


def json_object(raw_bytes: bytes, name: str) -> tuple[dict[str, Any], list[Fault]]:
    """The JSON object in the bytes, with a fault for every key that is given twice in one.

    `name` is what the file is, with its article. Raises BookRefused where it cannot be read.
    """
    found: list[Fault] = []

    def once(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
        seen: dict[str, Any] = {}
        for key, value in pairs:
            if key in seen:
                message = f'the field "{key}" is given twice in one object; which one holds?'
                found.append(Fault(key, message))
            seen[key] = value
        return seen

    try:
        raw = json.loads(raw_bytes.decode("utf-8-sig"), object_pairs_hook=once)
    except json.JSONDecodeError as error:
        place = f"line {error.lineno}, column {error.colno}"
        raise BookRefused([Fault(place, f"not JSON: {error.msg}")]) from error
    except UnicodeDecodeError as error:
        raise BookRefused([Fault(f"byte {error.start}", "not UTF-8 text")]) from error
    except RecursionError as error:
        raise BookRefused([Fault("", f"nested too deeply to be {name}")]) from error
    except ValueError as error:
        raise BookRefused([Fault("", f"not JSON that can be read: {error}")]) from error
    if not isinstance(raw, dict):
        raise BookRefused([*found, Fault("", f"{name} is one JSON object, in braces")])
    return raw, found
