"""What names are taken as, as a JSON document."""

from collections.abc import Iterable
from typing import Any

from yellow_ladle.core.words.class_names import class_of_name


def classes_content(names: Iterable[str]) -> dict[str, Any]:
    """The class of each name, in the order of the names."""
    return {
        "format": "yellow-ladle-classes",
        "version": 1,
        "classes": [_class(name) for name in names],
    }


def _class(name: str) -> dict[str, Any]:
    found = class_of_name(name)
    return {
        "name": name,
        "class": found.class_,
        "certain": found.certain,
        "others": list(found.others),
    }
