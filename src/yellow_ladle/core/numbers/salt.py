"""Salt before anyone seasons, and what a pinch more does."""

from yellow_ladle.core.numbers.balance import CARRIED, Balance
from yellow_ladle.core.vocabulary.units import shipped_units

_PLACE = CARRIED.index("salt")


def seasoned(balance: Balance, preparation: str) -> tuple[float, float, float]:
    """Grams of salt in 100 g: already in, and with one pinch more; and a pinch's grams.

    A pinch (about 0.3 g by the units' table) goes into one whole making. A pot of unknown weight
    stays as it is.
    """
    content = balance.of(preparation)
    pinch = shipped_units()["pinch"].size or 0.0
    already = content.per_gram[_PLACE] * 100
    if not content.grams:
        return already, already, pinch
    total = content.per_gram[_PLACE] * content.grams + pinch
    return already, total / (content.grams + pinch) * 100, pinch
