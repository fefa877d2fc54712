"""Random daybooks on random books: any record that the rules allow, and none drawn from later."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta, timezone

from hypothesis import strategies as st

from tests.random_books import FLAGS, STATEMENTS, books
from yellow_ladle.core.book.book import Book, Keeps, items_of
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.cards.versions import using
from yellow_ladle.core.production.batch import (
    NONE_OF_OURS,
    Batch,
    ByProductOut,
    LeftOut,
    Out,
    WentIn,
)
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.records import Recall
from yellow_ladle.core.production.service import Draw, MenuPlate, Served, Service
from yellow_ladle.core.production.shelf_entries import Count, Discard, Fill, Move, Tub
from yellow_ladle.core.production.tool_entries import ItemUse, Wash
from yellow_ladle.core.vocabulary.levels import Level

FIRST = datetime(2026, 12, 1, 6, tzinfo=UTC)
DAYS = 4
TOOLS = ("Big chinois", "fryer", "blender", "own board")
HALF_DAYS = st.integers(0, 2 * DAYS - 1)
PLACES = st.sampled_from(["", "walk-in"])
STORED = st.sampled_from(["", "chilled", "frozen", "hot"])
RAISED = st.dictionaries(
    st.sampled_from(FLAGS), st.sampled_from([Level.MAY_CONTAIN, Level.CONTAINS]), max_size=2
)
WEIGHED = st.sampled_from([10.0, 50.0, 200.0, 0.5, None])
UNITS = st.sampled_from(["g", "g", "ml", "piece", "kg"])


@st.composite
def kitchens(draw: st.DrawFn) -> Book:
    """A book with tools of every kind, some of them always shared, and with days that pots keep."""
    whole = draw(books(most=5))
    kinds = [Tool("Big chinois"), Tool("fryer", absorbs=True), Tool("own board", dedicated=True)]
    if draw(st.booleans()):
        kinds.append(Tool("blender", always_shared=True))
    pots = {}
    for id, pot in whole.preparations.items():
        keeps = st.sampled_from([None, Keeps(2, 30), Keeps(None, 1), Keeps(0.5, None)])
        pots[id] = replace(
            pot,
            equipment=tuple(draw(st.lists(st.sampled_from(TOOLS), max_size=2, unique=True))),
            keeps=draw(keeps),
        )
    return replace(whole, tools=tuple(kinds), preparations=pots)


class _Drawn:
    """A daybook in the making: what is there to be drawn from, and when."""

    def __init__(self, draw: st.DrawFn, book: Book) -> None:
        self.draw = draw
        self.book = book
        self.lots: list[Lot] = []
        self.batches: list[Batch] = []
        self.tubs: list[Tub] = []

    def one_of(self, *options: object) -> object:
        return self.draw(st.sampled_from(options))

    def moment(self, hours: int) -> str:
        at = FIRST + timedelta(hours=hours)
        zone = self.one_of(UTC, UTC, timezone(timedelta(hours=5)))
        return at.astimezone(zone).isoformat()

    def amount(self) -> dict[str, object]:
        quantity = self.draw(WEIGHED)
        return {} if quantity is None else {"quantity": quantity, "unit": self.draw(UNITS)}

    def weighed(self) -> dict[str, object]:
        return {"quantity": self.one_of(5.0, 100.0), "unit": self.draw(UNITS)}

    def day(self, first: int = 0) -> str:
        return (FIRST + timedelta(days=self.draw(st.integers(first, DAYS)))).date().isoformat()

    def lot(self, id: str) -> Lot:
        product = self.one_of(*self.book.products.values())
        return Lot(
            id,
            product.id,
            self.one_of("2026-11-30", self.day()),
            maker=self.maker(product.id),
            use_by=self.one_of(None, None, self.day()),
            used_up=self.one_of(None, None, self.day()),
            statements=self.draw(RAISED),
            **self.amount(),
        )

    def maker(self, product: str) -> str | None:
        own = [maker.id for maker in self.book.products[product].makers]
        return self.one_of(None, None, NONE_OF_OURS, *own)

    def batch(self, id: str, hours: int) -> Batch:
        card = self.one_of(*self.book.preparations.values())
        way = self.one_of(None, *(way.name for way in card.ways)) if card.ways else None
        kind = self.one_of("book", "book", "kept", "none", "lost")
        found = Batch(id, self.moment(hours), preparation=card.id, way=way)
        if kind == "kept":
            found = replace(found, card=replace(card, statements=self.draw(STATEMENTS)))
        if kind == "none":
            found = Batch(id, found.made, name="Staff food")
        if kind == "lost":
            found = Batch(id, found.made, preparation="lost-pot")
        lines = using(card, way).lines if kind in ("book", "kept") and way else card.lines
        lines = lines if kind in ("book", "kept") else ()
        places = st.sampled_from([None, *range(len(lines))])
        entries = [
            self.entry(self.draw(places), lines) for _ in range(self.draw(st.integers(0, 3)))
        ]
        left = [LeftOut(index) for index in range(len(lines)) if self.one_of(*"yynnnn") == "y"]
        parts = [ByProductOut(part.id, **self.amount()) for part in card.by_products]
        return replace(
            found,
            statements=self.draw(RAISED),
            went_in=tuple(entry for entry in entries if entry is not None),
            left_out=tuple(left[:1]),
            out=self.one_of(None, Out(300.0, "g"), Out(0.4, "l")),
            by_products=self.one_of(None, tuple(parts)) if kind == "book" else None,
            tools=self.one_of(None, None, (), ("fryer",), ("BIG-CHINOIS", "blender")),
            storage=self.draw(STORED),
            use_by=self.one_of(None, None, self.day()),
        )

    def entry(self, line: int | None, lines: tuple[object, ...]) -> WentIn | None:
        """One thing that goes in: what the line says, or anything else."""
        items = [item for pot in self.book.preparations.values() for item in items_of(pot)]
        items += [*self.book.products, "lost-jar"]
        item = lines[line].item if line is not None and self.one_of(*"yyn") == "y" else None
        entry = WentIn(item or self.one_of(*items), line, **self.amount())
        how = self.one_of("plain", "lot", "maker", "batch", "batch", "tub")
        if how in ("plain", "lot", "maker") and entry.item in self.book.products:
            lots = [lot for lot in self.lots if lot.product == entry.item]
            if how == "lot" and lots:
                return replace(entry, lot=self.one_of(*lots).id)
            return replace(entry, maker=self.maker(entry.item)) if how == "maker" else entry
        return self.drawn(entry, how) or entry

    def drawn(self, entry: WentIn, how: str) -> WentIn | None:
        if how == "tub" and self.tubs:
            tub = self.one_of(*self.tubs)
            return replace(entry, item=self.item_of(tub.batch), tub=tub.id)
        if how == "batch" and self.batches:
            reference = self.reference()
            return replace(entry, item=self.item_of(reference), batch=reference)
        return None

    def reference(self) -> str:
        """A batch, or a by-product of one."""
        batch = self.one_of(*self.batches)
        parts = [part.id for part in batch.by_products or ()]
        return self.one_of(batch.id, *(f"{batch.id}/{part}" for part in parts))

    def item_of(self, reference: str) -> str:
        id, _, part = reference.partition("/")
        preparation = next(b.preparation for b in self.batches if b.id == id) or "staff-food"
        return f"{preparation}/{part}" if part else preparation

    def tub(self, id: str, hours: int) -> Tub:
        return Tub(id, self.reference(), self.moment(hours), **self.amount())

    def of(self) -> str:
        return self.one_of(
            self.reference(), *(tub.id for tub in self.tubs), *(lot.id for lot in self.lots)
        )

    def fill(self, hours: int) -> Fill:
        bags = [product.id for product in self.book.products.values() if product.bag]
        bag = self.one_of(*(bags or [next(iter(self.book.products))]))
        at = self.moment(hours)
        kind = self.one_of("item", "batch", "lot", "emptied", "washed")
        if kind == "batch":
            return Fill(bag, at, batch=self.reference(), **self.amount())
        if kind == "lot" and self.lots:
            lot = self.one_of(*self.lots)
            return Fill(bag, at, item=lot.product, lot=lot.id, **self.amount())
        if kind in ("emptied", "washed"):
            return Fill(bag, at, emptied=True, washed=kind == "washed")
        plain = [product.id for product in self.book.products.values() if not product.contents]
        return Fill(bag, at, item=self.one_of(*plain, "lost-jar"))

    def recall(self, id: str) -> Recall:
        product = self.one_of(*sorted(self.book.products))
        lots = [lot.id for lot in self.lots if lot.product == product]
        closed = self.one_of(None, None, self.day())
        named = self.one_of((), tuple(lots[:1]))
        maker = None if named else self.maker(product)
        return Recall(id, self.moment(1), product, maker, named, closed=closed)

    def service(self, id: str, hours: int) -> Service:
        at = self.moment(hours)
        plates = [self.one_of(*self.book.preparations) for _ in range(self.one_of(1, 2))]
        served = []
        for plate in plates:
            froms = self.one_of(None, (), (Draw(batch=self.reference(), **self.amount()),))
            if froms is None and self.tubs and self.one_of(*"yn") == "y":
                froms = (Draw(tub=self.one_of(*self.tubs).id, **self.amount()),)
            if self.one_of(*"yyn") == "y":
                served.append(Served(plate, portions=self.one_of(None, 1, 2), at=at, from_=froms))
        return Service(
            id,
            at[:10],
            at=self.one_of(None, at),
            plates=tuple(MenuPlate(plate, self.one_of(None, 1, 4)) for plate in plates),
            needs=(Need("g-1", "Table 1", ("wheat",)),),
            served=tuple(served),
        )


@st.composite
def days(draw: st.DrawFn, book: Book, most: int = 5) -> Daybook:
    """What a kitchen recorded of a few days."""
    made = _Drawn(draw, book)
    made.lots = [made.lot(f"lot-{n}") for n in range(draw(st.integers(0, 3)))]
    found: dict[str, list[object]] = {
        key: [] for key in ("moves", "discards", "counts", "fills", "washes", "uses", "services")
    }
    hours = 0
    for number in range(draw(st.integers(1, most))):
        hours += draw(st.sampled_from([0, 1, 5, 24]))
        made.batches.append(made.batch(f"b-{number}", hours))
        for kind in draw(st.lists(st.sampled_from(sorted(found)), max_size=2)):
            hours += draw(st.sampled_from([0, 1, 3]))
            at = made.moment(hours)
            tool = draw(st.sampled_from([*TOOLS, "BIG chinois"]))
            match kind:
                case "moves":
                    to = draw(st.sampled_from(["frozen", "chilled", None]))
                    last = made.one_of(None, made.day())
                    found[kind].append(Move(made.of(), at, to, last))
                case "discards":
                    found[kind].append(Discard(made.of(), at, **made.amount()))
                case "counts":
                    found[kind].append(Count(made.of(), at, **made.weighed()))
                case "fills":
                    found[kind].append(made.fill(hours))
                case "washes":
                    found[kind].append(Wash(tool, at, renewed=draw(st.booleans())))
                case "uses":
                    item = made.one_of(*book.products, *book.preparations, "lost-pot")
                    found[kind].append(ItemUse(tool, item, at))
                case "services":
                    id = f"s-{len(found[kind])}"
                    found[kind].append(made.service(id, hours))
        if draw(st.booleans()):
            made.tubs.append(made.tub(f"t-{number}", hours))
    recalled = [made.recall("r-1") for _ in range(draw(st.integers(0, 1)))]
    return Daybook(
        lots=tuple(made.lots),
        batches=tuple(made.batches),
        tubs=tuple(made.tubs),
        recalls=tuple(recalled),
        **{key: tuple(entries) for key, entries in found.items()},
    )


@st.composite
def kitchen_days(draw: st.DrawFn) -> tuple[Book, Daybook]:
    """A book and what was recorded of a few days."""
    book = draw(kitchens())
    return book, draw(days(book))
