"""Who is made from whom: the shape of a book, without any flags."""

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass

from yellow_ladle.core.book import Book, Preparation, owner_of


@dataclass(frozen=True)
class Family:
    """The pour between items, by-products taken as their preparation.

    `inputs`: per preparation what its counted lines are made of. `users`: per product or
    preparation the preparations that a counted line brings it into. `tiers`: per preparation the
    longest way down to a preparation without preparations, which has tier 0.
    """

    inputs: Mapping[str, tuple[str, ...]]
    users: Mapping[str, frozenset[str]]
    tiers: Mapping[str, int]

    @classmethod
    def of(cls, book: Book) -> "Family":
        """The family of a book that is known to be free of cycles."""
        inputs = {id: inputs_of(preparation) for id, preparation in book.preparations.items()}
        users: dict[str, set[str]] = {}
        for user, items in inputs.items():
            for item in items:
                users.setdefault(item, set()).add(user)
        tiers: dict[str, int] = {}
        for id in bases_first(inputs):
            tiers[id] = _tier(inputs[id], tiers)
        return cls(inputs, {item: frozenset(using) for item, using in users.items()}, tiers)

    def after(self, changed: Mapping[str, Preparation], removed: Collection[str]) -> "Family":
        """This family with some preparations rewritten; only their descendants get new tiers."""
        inputs, users, tiers = dict(self.inputs), dict(self.users), dict(self.tiers)
        for id in {*changed, *removed}:
            for item in inputs.pop(id, ()):
                users[item] = users[item] - {id}
            tiers.pop(id, None)
        for id, preparation in changed.items():
            inputs[id] = inputs_of(preparation)
            for item in inputs[id]:
                users[item] = users.get(item, frozenset()) | {id}
        within = {id: inputs[id] for id in Family(inputs, users, {}).downstream(changed)}
        for id in bases_first(within):
            tiers[id] = _tier(within[id], tiers)
        return Family(inputs, users, tiers)

    def downstream(self, items: Iterable[str]) -> set[str]:
        """Every preparation that something of these goes into, those among them included."""
        found: set[str] = set()
        waiting = list(items)
        while waiting:
            item = waiting.pop()
            if item in found:
                continue
            if item in self.inputs:
                found.add(item)
            waiting.extend(self.users.get(item, ()))
        return found

    def upstream(self, preparation: str) -> set[str]:
        """Every preparation that this one is made from, itself included."""
        found: set[str] = set()
        waiting = [preparation]
        while waiting:
            id = waiting.pop()
            if id not in found and id in self.inputs:
                found.add(id)
                waiting.extend(self.inputs[id])
        return found


def inputs_of(preparation: Preparation) -> tuple[str, ...]:
    """What the counted lines are made of, each once."""
    if not any(line.choice for line in preparation.lines):
        return tuple(dict.fromkeys(owner_of(line.item) for line in preparation.lines))
    lines = preparation.lines
    return tuple(dict.fromkeys(owner_of(lines[index].item) for index in preparation.counted()))


def bases_first(inputs: Mapping[str, tuple[str, ...]]) -> list[str]:
    """The keys so ordered that each comes after those keys that it is made from."""
    order: list[str] = []
    placed: set[str] = set()
    for start in inputs:
        if start in placed:
            continue
        placed.add(start)
        path = [(start, iter(inputs[start]))]
        while path:
            id, rest = path[-1]
            for item in rest:
                if item in inputs and item not in placed:
                    placed.add(item)
                    path.append((item, iter(inputs[item])))
                    break
            else:
                order.append(id)
                path.pop()
    return order


def _tier(items: Iterable[str], tiers: Mapping[str, int]) -> int:
    return max((tiers[item] + 1 for item in items if item in tiers), default=0)
