"""Changes to a book, and the re-reading of just what they reach."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from heapq import heapify, heappop, heappush

from yellow_ladle.core.book.book import Book, Line, Preparation, items_of, owner_of
from yellow_ladle.core.book.by_products import renumbered
from yellow_ladle.core.book.kind import Document, with_documents
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.carrying.graph import DependencyGraph, items_of_lines
from yellow_ladle.core.carrying.label_sources import product_mask
from yellow_ladle.core.reading.reading import Reading, by_products_of, node_mask, read
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Change:
    """Products and preparations as they are to be, and ids that are to go.

    `documents` are what else a kitchen decides, as it is to be or to go: tools, needs, rules.
    """

    products: tuple[Product, ...] = ()
    preparations: tuple[Preparation, ...] = ()
    removed: tuple[str, ...] = ()
    documents: tuple[Document, ...] = ()

    @property
    def written(self) -> list[str]:
        """The ids that the change rewrites or adds."""
        products = [product.id for product in self.products]
        return [*products, *(preparation.id for preparation in self.preparations)]

    @property
    def ids(self) -> list[str]:
        """The products and preparations that the change rewrites, adds or removes."""
        return [*self.written, *self.removed]

    @property
    def keys(self) -> list[str]:
        """How versions name everything that the change touches."""
        return [*self.ids, *(document.key for document in self.documents)]

    @property
    def is_carried(self) -> bool:
        """Whether the flags of pots may depend on it."""
        return bool(self.ids) or any(document.kind.carried for document in self.documents)


@dataclass(frozen=True, slots=True)
class Reread:
    """The reading after a change, and the items whose mask is another than before."""

    reading: Reading
    changed: tuple[str, ...]


def applied(book: Book, change: Change) -> Book:
    """The book with a change made."""
    products, preparations = dict(book.products), dict(book.preparations)
    for id in change.removed:
        products.pop(id, None)
        preparations.pop(id, None)
    products |= {product.id: product for product in change.products}
    preparations |= {preparation.id: preparation for preparation in change.preparations}
    after = replace(book, products=products, preparations=preparations)
    return with_documents(after, change.documents)


def completed(book: Book, change: Change) -> Change:
    """A change with what its documents bring with them in goods and pots that it does not name."""
    products = {product.id: product for product in change.products}
    preparations = {made.id: made for made in change.preparations}
    for document in change.documents:
        if document.kind.brings is not None:
            goods, pots = document.kind.brings(book, document.id, document.value)
            products = {product.id: product for product in goods} | products
            preparations = {made.id: made for made in pots} | preparations
    return replace(
        change, products=tuple(products.values()), preparations=tuple(preparations.values())
    )


def reread(before: Reading, change: Change, gone: Iterable[str] = ()) -> Reread:
    """The reading after a change that is known to be sound, worked out for descendants only.

    A descendant whose inputs come out as they were is not read again. Where tools are always
    shared, any pot may reach any other, and the whole book is read.

    `gone`: by-products that the change ends. What still names one is on the usual pot's, which
    carries what it carried before.
    """
    book = applied(before.book, change)
    if not change.is_carried:
        return Reread(replace(before, book=book), ())
    usual = {**before.usual, **dict.fromkeys(gone, before)}
    anew = any(document.kind.carried for document in change.documents)
    if anew or any(tool.always_shared for tool in book.tools):
        whole = read(book, before.on, usual)
        return Reread(whole, _differing(before, whole))
    graph = _reshaped(before, change)
    masks = dict(before.masks)
    dropped: set[str] = set()
    for id in (*(preparation.id for preparation in change.preparations), *change.removed):
        old = before.book.preparations.get(id)
        dropped.update(item for item in (items_of(old) if old else [id]) if item in masks)
    for item in dropped:
        del masks[item]
    masks |= {item: reading.masks[item] for item, reading in usual.items()}
    after = Reading(
        book=book,
        layout=before.layout,
        graph=graph,
        masks=masks,
        on=before.on,
        through=before.through,
        usual=usual,
    )
    stirred: set[str] = set()
    rewritten = {preparation.id for preparation in change.preparations}
    for product in change.products:
        if product.contents:
            rewritten.add(product.id)
            continue
        mask = product_mask(before.layout, product, before.on, book)
        if before.masks.get(product.id) != mask:
            masks[product.id] = mask
            stirred.add(product.id)
    for id in _bags_of(book, change, before.book):
        if book.products[id].contents:
            rewritten.add(id)
            continue
        masks[id] = product_mask(before.layout, book.products[id], before.on, book)
        if masks[id] != before.masks.get(id):
            stirred.add(id)
    _pour(after=after, before=before, masks=masks, stirred=stirred, rewritten=rewritten)
    gone = {item for item in dropped if item not in masks}
    return Reread(after, tuple(sorted(stirred | gone)))


def _bags_of(book: Book, change: Change, before: Book) -> list[str]:
    """The bags that hold something which the change makes known or unknown to the book."""
    new = (id for id in change.written if id not in before.products)
    touched = {*change.removed, *(id for id in new if id not in before.preparations)}
    if not touched:
        return []
    return [
        product.id
        for product in book.products.values()
        if product.bag and any(owner_of(e.item) in touched for e in product.bag.additions)
    ]


def _differing(before: Reading, after: Reading) -> tuple[str, ...]:
    """The items that carry something else, sorted; by flag where the masks have other bits."""
    was, now = before.masks, after.masks
    if before.layout.bits == after.layout.bits:
        return tuple(sorted(id for id in {*was, *now} if was.get(id) != now.get(id)))
    kept = was.keys() & now.keys()
    moved = {id for id in kept if before.levels(id) != after.levels(id)}
    return tuple(sorted(moved | (was.keys() ^ now.keys())))


def _reshaped(before: Reading, change: Change) -> DependencyGraph:
    """The graph after a change; the same one where nothing is made of other things than before."""
    was, graph = before.book, before.graph
    shapes: dict[str, tuple[str, ...]] = {}
    gone = list(change.removed)
    for preparation in change.preparations:
        old = was.preparations.get(preparation.id)
        if old is None or old.lines != preparation.lines:
            shapes[preparation.id] = items_of_lines(preparation)
    for product in change.products:
        if product.contents != graph.items.get(product.id, ()):
            if product.contents:
                shapes[product.id] = product.contents
            else:
                gone.append(product.id)
    return graph.after(shapes, gone) if shapes or gone else graph


def _pour(
    after: Reading,
    before: Reading,
    masks: dict[str, int],
    stirred: set[str],
    rewritten: set[str],
) -> None:
    """Reads the rewritten and what the stirred go into, adding to both masks and stirred.

    Bases come before what is built on them, and nothing is read whose inputs came out as they were.
    """
    tiers, users = after.graph.tiers, after.graph.users
    waiting = [(tiers[id], id) for id in rewritten]
    waiting += [(tiers[id], id) for item in stirred for id in users.get(item, ())]
    heapify(waiting)
    done: set[str] = set()
    while waiting:
        _, id = heappop(waiting)
        if id in done:
            continue
        done.add(id)
        mask = node_mask(after, id)
        for item in after.graph.items[id]:
            mask |= masks[item]
        changed = False
        for item in (id, *by_products_of(after.book, id)):
            if item in after.usual:
                continue
            masks[item] = mask
            if before.masks.get(item) != mask:
                stirred.add(item)
                changed = True
        for user in users.get(id, ()) if changed else ():
            heappush(waiting, (tiers[user], user))


def stating(
    book: Book, item: str, flag: str, level: Level | None, evidence: Evidence | None = None
) -> Change:
    """The change that records one statement of a product or pot, or takes it back (None)."""
    piece = book.products.get(item) or book.preparations[item]
    statements = {id: at for id, at in piece.statements.items() if id != flag}
    reasons = {id: why for id, why in piece.evidence.items() if id != flag}
    if level is not None:
        statements[flag] = level
        if evidence is not None:
            reasons[flag] = evidence
    if isinstance(piece, Product):
        return Change(products=(replace(piece, statements=statements, evidence=reasons),))
    return Change(preparations=(replace(piece, statements=statements, evidence=reasons),))


def with_lines(preparation: Preparation, lines: Iterable[tuple[int, Line | None]]) -> Preparation:
    """A preparation with some lines replaced, or left out where the new line is None."""
    new = dict(lines)
    kept = [new.get(index, line) for index, line in enumerate(preparation.lines)]
    left = [index for index, line in enumerate(kept) if line is not None]
    places = {old: place for place, old in enumerate(left)}
    return replace(
        preparation,
        lines=tuple(line for line in kept if line is not None),
        by_products=renumbered(preparation.by_products, places),
    )


def choosing(preparation: Preparation, index: int) -> Preparation:
    """A preparation with one alternative of a choice chosen over the others."""
    name = preparation.lines[index].choice
    lines = [
        replace(line, chosen=n == index) if line.choice == name and name is not None else line
        for n, line in enumerate(preparation.lines)
    ]
    return replace(preparation, lines=tuple(lines))
