"""Diets: rules over flags and certificates."""

from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.vocabulary.structured import structured
from yellow_ladle.core.vocabulary.toml import Table, table

ORIGIN = "origin"
"""What is lacking where nobody says of which animal a gelatine is."""


@dataclass(frozen=True, slots=True)
class Diet:
    """What a diet rules out.

    `excludes`: flags that it rules out whoever certifies them. `uncertified`: flags that it rules
    out unless their product holds `certificate`. `asks`: flags that it asks about unless their
    product holds it. `asks_unsaid`: flags that it asks about where nobody says of what they are.
    `not_together`: sets of flags of which no two may meet in one dish. `traces_count`: whether a
    "may contain" stands in the way. `also`: what guests call it besides.
    """

    id: str
    name: str
    excludes: tuple[str, ...]
    traces_count: bool
    certificate: str | None = None
    uncertified: tuple[str, ...] = ()
    asks: tuple[str, ...] = ()
    asks_unsaid: tuple[str, ...] = ()
    not_together: tuple[tuple[str, ...], ...] = ()
    note: str = ""
    also: tuple[str, ...] = ()

    @property
    def ruled_out_marks(self) -> tuple[tuple[str, str], ...]:
        """The flags that it rules out without a certificate, each with that certificate."""
        return tuple((flag, self.certificate or "") for flag in self.uncertified)

    @property
    def asked_marks(self) -> tuple[tuple[str, str], ...]:
        """The flags that it asks about, each with what would settle it."""
        lacking = tuple((flag, self.certificate or "") for flag in self.asks)
        return lacking + tuple((flag, ORIGIN) for flag in self.asks_unsaid)

    @property
    def marks(self) -> tuple[tuple[str, str], ...]:
        """Every flag that counts only while something about it is lacking, with that."""
        return self.ruled_out_marks + self.asked_marks


@cache
def diets() -> dict[str, Diet]:
    """Every diet of data/diets.toml by id."""
    return {id: _diet(id, row) for id, row in table("diets").items() if isinstance(row, dict)}


def _diet(id: str, row: Table) -> Diet:
    count = row["traces"] == "count"
    return structured(Diet, row, besides=("traces",), id=id, traces_count=count)
