"""Diets: rules over flags and certificates."""

from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.tables import Table, section, table, words


@dataclass(frozen=True, slots=True)
class Diet:
    """What a diet rules out.

    `excludes`: flags that it rules out whoever certifies them. `uncertified`: flags that it rules
    out unless their product holds `certificate`. `not_together`: sets of flags of which no two may
    meet in one dish. `traces_count`: whether a "may contain" stands in the way.
    """

    id: str
    name: str
    excludes: tuple[str, ...]
    traces_count: bool
    certificate: str | None = None
    uncertified: tuple[str, ...] = ()
    not_together: tuple[tuple[str, ...], ...] = ()
    note: str = ""


@cache
def diets() -> dict[str, Diet]:
    """Every diet of data/diets.toml by id."""
    return {id: _diet(id, row) for id, row in table("diets").items() if isinstance(row, dict)}


def _diet(id: str, row: Table) -> Diet:
    sets = row.get("not_together", [])
    certificate = row.get("certificate")
    return Diet(
        id,
        name=str(section(row)["name"]),
        excludes=words(row["excludes"]),
        traces_count=row["traces"] == "count",
        certificate=str(certificate) if certificate else None,
        uncertified=words(row.get("uncertified")),
        not_together=tuple(words(flags) for flags in sets) if isinstance(sets, list) else (),
        note=str(row.get("note", "")),
    )
