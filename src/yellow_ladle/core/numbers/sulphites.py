"""Sulphites by amount: the estimate against the line from which a regime wants them declared."""

from collections.abc import Mapping
from dataclasses import dataclass

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.carrying.paths import Source
from yellow_ladle.core.numbers.balance import CARRIED, Balance
from yellow_ladle.core.numbers.yields import excess
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.regimes import regimes

FLAG = "sulphites"
_PLACE = CARRIED.index("so2")


@dataclass(frozen=True, slots=True)
class SulphiteEstimate:
    """Total SO2 in mg/kg before any loss, and the regime's line. `why` says what is not known.

    `under` holds only for a well-known amount: every source is a product that contains sulphites
    and whose amount is recorded, and nothing is missing anywhere.
    """

    group: str
    mg_per_kg: float
    line: float
    why: str

    @property
    def under(self) -> bool:
        """Whether the amount is known well enough, and below the line."""
        return not self.why and self.mg_per_kg < self.line


def estimate(balance: Balance, item: str, sources: tuple[Source, ...]) -> SulphiteEstimate | None:
    """The estimate for an item that carries sulphites from these sources.

    None where nothing gives any, or where the regime has no line for them.
    """
    group = _group(balance.book)
    if group is None or not sources:
        return None
    content = balance.of(item)
    amount = content.per_gram[_PLACE] * 1000
    return SulphiteEstimate(group[0], amount, group[1], _unknown(balance, item, sources))


def _unknown(balance: Balance, item: str, sources: tuple[Source, ...]) -> str:
    """Why the amount is not well known; empty where it is."""
    book = balance.book
    for source in sources:
        product = book.products.get(source.product)
        if product is None or source.own or source.tool is not None:
            return "some may come by way of a pot or a tool"
        if source.level is not Level.CONTAINS:
            return f"nobody has checked them in {product.name}"
        if not product.so2_counted:
            return f"nobody has recorded how much is in {product.name}"
    for id in _beneath(book, item):
        if excess(balance, id):
            return f"{book.preparations[id].name} yields more than goes into it"
    missing = balance.missing(balance.of(item), _PLACE)
    if missing:
        return f"the amount in {book.name(missing[0])} is not known"
    return ""


def _beneath(book: Book, item: str) -> list[str]:
    """The preparation of an item and those that it is made from."""
    found: dict[str, None] = {}
    waiting = [owner_of(item)]
    while waiting:
        preparation = book.preparations.get(waiting.pop())
        if preparation is not None and preparation.id not in found:
            found[preparation.id] = None
            waiting += [owner_of(preparation.lines[index].item) for index in preparation.counted()]
    return list(found)


def _group(book: Book) -> tuple[str, float] | None:
    for group in regimes()[book.kitchen.regime].groups:
        if group.flags == (FLAG,) and group.ppm is not None:
            return group.id, group.ppm
    return None


def left_out(
    balance: Balance, item: str, sources: Mapping[str, tuple[Source, ...]]
) -> SulphiteEstimate | None:
    """The estimate by which a kitchen that chose so leaves sulphites out of a declaration."""
    if not balance.book.kitchen.so2_by_amount:
        return None
    found = estimate(balance, item, sources.get(FLAG, ()))
    return found if found is not None and found.under else None
