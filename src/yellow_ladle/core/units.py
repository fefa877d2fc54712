"""The units that amounts may be given in."""

from functools import cache

from yellow_ladle.core.tables import table, words


@cache
def units() -> dict[str, str]:
    """Every unit's id with what it measures: weight, volume or piece."""
    data = table("units")
    return {unit: kind for kind in ("weight", "volume", "piece") for unit in words(data[kind])}
