"""Who is made from whom: the shape of a book, without any flags."""

from collections.abc import Collection, Iterable, Mapping

from yellow_ladle.core.book.book import Book, Preparation, owner_of


class DependencyGraph:
    """The pour between items. What a plain reading does not need is worked out when asked for."""

    def __init__(
        self,
        items: Mapping[str, tuple[str, ...]],
        inputs: Mapping[str, tuple[str, ...]] | None = None,
        users: Mapping[str, frozenset[str]] | None = None,
        tiers: Mapping[str, int] | None = None,
    ) -> None:
        self.items = items
        """Per preparation the items of its counted lines, as the lines name them.

        A product that is made of others, or a bag with something in it, is here like a preparation.
        """
        self._inputs = inputs
        self._users = users
        self._tiers = tiers

    @classmethod
    def of(cls, book: Book) -> "DependencyGraph":
        """The graph of a book that is known to be free of cycles."""
        items = {id: items_of_lines(preparation) for id, preparation in book.preparations.items()}
        for id, product in book.products.items():
            if contents := product.contents:
                items[id] = contents
        return cls(items)

    @property
    def inputs(self) -> Mapping[str, tuple[str, ...]]:
        """Per preparation the products and preparations it is made of, each once.

        A by-product stands for its preparation.
        """
        if self._inputs is None:
            self._inputs = {id: _owners(items) for id, items in self.items.items()}
        return self._inputs

    @property
    def users(self) -> Mapping[str, frozenset[str]]:
        """Per product or preparation the preparations that a counted line brings it into."""
        if self._users is None:
            users: dict[str, set[str]] = {}
            for user, items in self.inputs.items():
                for item in items:
                    users.setdefault(item, set()).add(user)
            self._users = {item: frozenset(using) for item, using in users.items()}
        return self._users

    @property
    def tiers(self) -> Mapping[str, int]:
        """Per preparation the longest way down to one made of products alone, which has tier 0."""
        if self._tiers is None:
            tiers: dict[str, int] = {}
            for id in bases_first(self.inputs):
                tiers[id] = _tier(self.inputs[id], tiers)
            self._tiers = tiers
        return self._tiers

    def after(
        self, changed: Mapping[str, tuple[str, ...]], removed: Collection[str]
    ) -> "DependencyGraph":
        """This graph with the items of some rewritten; only their descendants get new tiers."""
        items, inputs = dict(self.items), dict(self.inputs)
        users, tiers = dict(self.users), dict(self.tiers)
        for id in {*changed, *removed}:
            items.pop(id, None)
            for item in inputs.pop(id, ()):
                users[item] = users[item] - {id}
            tiers.pop(id, None)
        for id, made_of in changed.items():
            items[id] = made_of
            inputs[id] = _owners(items[id])
            for item in inputs[id]:
                users[item] = users.get(item, frozenset()) | {id}
        later = DependencyGraph(items, inputs, users, tiers)
        within = {id: inputs[id] for id in later.downstream({*changed, *removed})}
        for id in bases_first(within):
            tiers[id] = _tier(within[id], tiers)
        return later

    def downstream(self, items: Iterable[str]) -> set[str]:
        """Everything that something of these goes into, what is made among them included."""
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


def items_of_lines(preparation: Preparation) -> tuple[str, ...]:
    """The items of the counted lines, as the lines name them."""
    lines = preparation.lines
    items = [line.item for line in lines if line.choice is None]
    if len(items) < len(lines):
        items = [lines[index].item for index in preparation.counted()]
    return tuple(items)


def bases_first(inputs: Mapping[str, Iterable[str]]) -> list[str]:
    """The keys so ordered that each comes after those keys that it is made from."""
    order: list[str] = []
    begun: set[str] = set()
    done: set[str] = set()
    waiting = list(inputs)
    while waiting:
        id = waiting.pop()
        if id in done:
            continue
        if id in begun:
            order.append(id)
            done.add(id)
            continue
        begun.add(id)
        waiting.append(id)
        waiting.extend(item for item in inputs[id] if item in inputs and item not in begun)
    return order


def _owners(items: Iterable[str]) -> tuple[str, ...]:
    return tuple(dict.fromkeys(owner_of(item) for item in items))


def _tier(items: Iterable[str], tiers: Mapping[str, int]) -> int:
    return max((tiers[item] + 1 for item in items if item in tiers), default=0)
