"""Where a number comes from: by the lines of one pot, and by the goods at the root."""

from dataclasses import dataclass

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.numbers.balance import CARRIED, Balance, portions_of


@dataclass(frozen=True, slots=True)
class Share:
    """What one item brings of a number, and its share of the whole, 0 to 1."""

    item: str
    amount: float
    share: float


@dataclass(frozen=True, slots=True)
class Figure:
    """One number of an item.

    `per_gram` is in grams of it (milligrams of SO2) in a gram of the item, `per_portion` in one
    portion, None where portions are not known. `missing` are the inputs that are not known; where
    there are some, the number is "at least".
    """

    name: str
    per_gram: float
    per_portion: float | None
    missing: tuple[str, ...]
    by_line: tuple[Share, ...] = ()
    by_product: tuple[Share, ...] = ()

    @property
    def at_least(self) -> bool:
        """Whether something is missing."""
        return bool(self.missing)


def figure(balance: Balance, item: str, name: str) -> Figure:
    """One of the carried numbers of an item, with its largest sources first."""
    place = CARRIED.index(name)
    content = balance.of(item)
    preparation = balance.book.preparations.get(owner_of(item))
    portions = (
        portions_of(preparation) if preparation is not None and item == preparation.id else None
    )
    portion = content.per_gram[place] * content.grams / portions if portions else None
    missing = balance.missing(content, place)
    if preparation is None:
        return Figure(name, content.per_gram[place], portion, missing)
    brought: dict[str, float] = {}
    for poured in balance.poured(preparation):
        brought[poured.item] = brought.get(poured.item, 0.0) + poured.brings[place]
    roots = by_goods(balance, preparation.id, place)
    return Figure(
        name=name,
        per_gram=content.per_gram[place],
        per_portion=portion,
        missing=missing,
        by_line=_shares(brought),
        by_product=_shares(roots),
    )


def by_goods(balance: Balance, preparation: str, place: int) -> dict[str, float]:
    """What each product brings into one making of a preparation."""
    book = balance.book
    makings = {preparation: 1.0}
    found: dict[str, float] = {}
    for id in reversed(balance.bases_first(preparation)):
        if id not in makings:
            continue
        for poured in balance.poured(book.preparations[id]):
            amount = poured.brings[place] * makings[id]
            owner = owner_of(poured.item)
            made = book.preparations.get(owner)
            if not amount:
                continue
            if made is None:
                found[owner] = found.get(owner, 0.0) + amount
                continue
            content = balance.of(owner)
            whole = content.per_gram[place] * content.grams
            makings[owner] = makings.get(owner, 0.0) + amount / whole
    return found


def _shares(brought: dict[str, float]) -> tuple[Share, ...]:
    total = sum(brought.values())
    found = [Share(item, amount, amount / total) for item, amount in brought.items() if amount > 0]
    return tuple(sorted(found, key=lambda share: (-share.amount, share.item)))
