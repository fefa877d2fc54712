"""The laws that decide which flags must be declared."""

from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.vocabulary.structured import structured
from yellow_ladle.core.vocabulary.toml import Table, section, table


@dataclass(frozen=True, slots=True)
class DeclareGroup:
    """What one regime declares under one name. `named`: each flag must be named one by one.

    `ppm`: from so many milligrams in a kilogram on; None where any amount counts.
    """

    id: str
    name: str
    flags: tuple[str, ...]
    named: bool = False
    ppm: float | None = None


@dataclass(frozen=True, slots=True)
class Regime:
    """A law and its groups, in the order in which it lists them."""

    id: str
    name: str
    source: str
    date: str
    groups: tuple[DeclareGroup, ...]


@cache
def regimes() -> dict[str, Regime]:
    """Every regime of data/regimes.toml by id."""
    data = table("regimes")
    return {id: _regime(id, section(row), data) for id, row in data.items()}


def _regime(id: str, row: Table, data: Table) -> Regime:
    groups = row.get("groups") or section(data[str(row["same_groups_as"])])["groups"]
    return Regime(
        id,
        name=str(row["name"]),
        source=str(row["source"]),
        date=str(row["date"]),
        groups=tuple(
            structured(DeclareGroup, group, id=group_id)
            for group_id, group in section(groups).items()
        ),
    )
