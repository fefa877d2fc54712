"""The carried numbers by the names and in the units that files and screens use."""

from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.numbers.balance import Balance

NumberName: TypeAlias = Literal[
    "salt_g_per_100g", "alcohol_percent", "so2_mg_per_kg", "starch_g_per_l"
]

NUMBERS: tuple[NumberName, ...] = get_args(NumberName)
"""In the order of what is carried: alcohol in per cent of mass, starch in grams of flour."""


def named(balance: Balance, item: str) -> tuple[float, float, float, float]:
    """The four numbers of an item. Starch is per litre, by the item's density."""
    salt, alcohol, so2, starch = balance.of(item).per_gram
    density = balance.density(item) or 1.0
    return salt * 100, alcohol * 100, so2 * 1000, starch * 1000 * density
