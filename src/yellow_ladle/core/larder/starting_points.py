"""Common goods as starting points: typical values, to be read against the label."""

from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.book.product import Product
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.structured import structured
from yellow_ladle.core.vocabulary.toml import Table, number, section, table

NUMBERS = (
    "unit_weight_g",
    "density_g_per_ml",
    "salt_g_per_100g",
    "abv_percent",
    "so2_mg_per_kg",
)
SAY = "Typical; read your label."


@dataclass(frozen=True, slots=True)
class Good:
    """A starting point. `plain`: a single food that needs no label once somebody says it is one.

    `has`: the flags that the thing itself is. `look`: what to look for on its label.
    """

    id: str
    name: str
    class_: str
    plain: bool
    numbers: dict[str, float]
    has: tuple[str, ...] = ()
    look: tuple[str, ...] = ()

    def product(self, id: str) -> Product:
        """A product begun from it: what it is, is stated; the rest stays unchecked."""
        return Product(
            id=id,
            name=self.name,
            class_=self.class_,
            statements=dict.fromkeys(self.has, Level.CONTAINS),
            otherwise=Level.UNCHECKED,
            abv_percent=self.numbers.get("abv_percent"),
            salt_g_per_100g=self.numbers.get("salt_g_per_100g"),
            so2_mg_per_kg=self.numbers.get("so2_mg_per_kg"),
            density_g_per_ml=self.numbers.get("density_g_per_ml"),
            unit_weight_g=self.numbers.get("unit_weight_g"),
        )


@cache
def goods() -> dict[str, Good]:
    """Every starting point by id, plain foods first."""
    data = table("goods")
    return {
        id: _good(id, section(row), group == "plain")
        for group in ("plain", "labelled")
        for id, row in section(data[group]).items()
    }


def _good(id: str, row: Table, plain: bool) -> Good:
    numbers = {key: number(row[key]) for key in NUMBERS if key in row}
    return structured(Good, row, besides=NUMBERS, id=id, plain=plain, numbers=numbers)
