"""The rules and tables of the job, kept as TOML under `core/data`."""

import tomllib
from datetime import date
from functools import cache
from importlib.resources import files
from typing import TypeAlias

Value: TypeAlias = "str | int | float | bool | date | list[Value] | dict[str, Value]"
Table: TypeAlias = dict[str, Value]


@cache
def table(name: str) -> Table:
    """The content of `core/data/<name>.toml`, read once. Nobody changes it."""
    return tomllib.loads(
        files("yellow_ladle.core").joinpath(f"data/{name}.toml").read_text("utf-8")
    )


def names(folder: str) -> tuple[str, ...]:
    """The tables under `core/data/<folder>`, by name."""
    entries = files("yellow_ladle.core").joinpath(f"data/{folder}").iterdir()
    found = (entry.name for entry in entries)
    return tuple(sorted(name.removesuffix(".toml") for name in found if name.endswith(".toml")))


def words(value: "Value | None") -> tuple[str, ...]:
    """A list of words, or nothing where the table is silent."""
    return tuple(str(word) for word in value) if isinstance(value, list) else ()


def rows(value: "Value | None") -> list[Table]:
    """A list of tables, or nothing where the table is silent."""
    return [row for row in value if isinstance(row, dict)] if isinstance(value, list) else []


def section(value: "Value | None") -> Table:
    """A table within a table, empty where it is absent."""
    return value if isinstance(value, dict) else {}


def number(value: "Value | None") -> float:
    """A number; a table that holds something else in its place is broken."""
    if isinstance(value, bool) or not isinstance(value, int | float):
        raise TypeError(f"a number is wanted in place of {value!r}")
    return float(value)


def numbers(value: "Value | None") -> tuple[float, ...]:
    """A list of numbers, or nothing where the table is silent."""
    return tuple(number(entry) for entry in value) if isinstance(value, list) else ()
