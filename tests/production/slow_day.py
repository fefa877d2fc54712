"""Days read slowly: every question is answered by going through all entries again.

Nothing is kept between two questions and nothing of the application's own reading of a day is used:
levels are mappings, provenance is walked path by path. What a product's label says is taken from
the reading of a book that holds that product alone.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta

from yellow_ladle.core.amounts.weight import weigh
from yellow_ladle.core.book.book import Book, Preparation, owner_of
from yellow_ladle.core.cards.versions import using
from yellow_ladle.core.production.batch import Batch, WentIn
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.vocabulary.levels import Level

Levels = dict[str, Level]
DAYS_UNTOLD = 2


@dataclass(frozen=True)
class Giver:
    """Something that gives levels, and the way to it from what is asked about."""

    product: str | None
    lot: str | None
    maker: str | None
    levels: Levels
    via: tuple[str, ...]
    tool: str | None = None
    possible: bool = False
    own: bool = False
    gone: bool = False
    recorded: str | None = None

    @property
    def key(self) -> tuple[object, ...]:
        return (self.product, self.lot, self.maker, self.own, self.gone, self.recorded)


def moment(text: str) -> datetime:
    return datetime.fromisoformat(text)


def highest(*levels: Levels) -> Levels:
    found: Levels = {}
    for each in levels:
        for flag, level in each.items():
            found[flag] = max(level, found.get(flag, Level.FREE))
    return {flag: level for flag, level in found.items() if level > Level.FREE}


class SlowDay:
    """A book and the entries until the end of a day (ISO date), or all of them."""

    def __init__(self, book: Book, daybook: Daybook, on: str | None, until: str | None) -> None:
        self.book, self.on = book, on
        self.plain = read(book, on)
        self.all = [flag.id for flag in book.flags]

        def happened(at: str) -> bool:
            return until is None or at[:10] <= until

        self.lots = {lot.id: lot for lot in daybook.lots if happened(lot.received)}
        self.batches = {batch.id: batch for batch in daybook.batches if happened(batch.made)}
        self.tubs = {tub.id: tub for tub in daybook.tubs if happened(tub.at)}
        self.moves = [move for move in daybook.moves if happened(move.at)]
        self.discards = [entry for entry in daybook.discards if happened(entry.at)]
        self.counts = [entry for entry in daybook.counts if happened(entry.at)]
        self._draws = [(e.batch, e.lot, None) for e in daybook.fills if happened(e.at)]
        for entry in (*self.moves, *self.discards, *self.counts):
            of = entry.of
            lot, tub = of if of in daybook.lot else None, of if of in daybook.tub else None
            self._draws.append((None if lot or tub else of, lot, tub))
        self.fills = [entry for entry in daybook.fills if happened(entry.at)]
        self.washes = [entry for entry in daybook.washes if happened(entry.at)]
        self.uses = [entry for entry in daybook.uses if happened(entry.at)]
        self.services = [each for each in daybook.services if happened(each.date)]
        self.served = [
            (service, plate, plate.at or service.at or f"{service.date}T23:59:59.999999+00:00")
            for service in daybook.services
            for plate in service.served
            if happened(plate.at or service.at or service.date)
        ]
        self._complete(daybook)
        self.order: list[tuple[datetime, float, object]] = []
        self._put_in_order()

    def _complete(self, daybook: Daybook) -> None:
        """Adds what was drawn from, where its own time zone has another date already."""
        for _, plate, _ in self.served:
            self._draws += [(draw.batch, None, draw.tub) for draw in plate.from_ or ()]
        for _ in range(len(daybook.batches) + 2):
            drawn = [(e.batch, e.lot, e.tub) for b in self.batches.values() for e in b.went_in]
            for batch, lot, tub in [*drawn, *self._draws]:
                if lot:
                    self.lots[lot] = daybook.lot[lot]
                if tub:
                    self.tubs[tub] = daybook.tub[tub]
                if batch:
                    self.batches[owner_of(batch)] = daybook.batch[owner_of(batch)]
            for tub in self.tubs.values():
                self.batches[owner_of(tub.batch)] = daybook.batch[owner_of(tub.batch)]

    def _put_in_order(self) -> None:
        loose = [(moment(entry.at), 0, entry) for entry in self.washes]
        emptied = sorted(self.fills, key=lambda fill: not fill.emptied)
        loose += [(moment(entry.at), self._fill_rank(entry), entry) for entry in emptied]
        loose += [(moment(entry.made), 2, entry) for entry in self._batches_in_order()]
        loose += [(moment(entry.at), 3, entry) for entry in self.uses]
        loose += [(moment(entry.at), 4, entry) for entry in self.discards]
        loose += [(moment(at), 4, plate) for _, plate, at in self.served]
        loose += [(moment(entry.at), 5, entry) for entry in self.moves]
        loose += [(moment(entry.at), 6, entry) for entry in self.counts]
        self.order = sorted(loose, key=lambda entry: entry[:2])

    def _fill_rank(self, fill: object) -> float:
        made = fill.batch and self.batches[owner_of(fill.batch)].made
        return 2.5 if made and moment(made) == moment(fill.at) else 1

    def _batches_in_order(self) -> list[Batch]:
        waiting = sorted(self.batches.values(), key=lambda batch: (moment(batch.made), batch.id))
        found: list[Batch] = []
        while waiting:
            for batch in waiting:
                drawn = {owner_of(entry.batch or self._tub_batch(entry)) for entry in batch.went_in}
                if not drawn & {other.id for other in waiting}:
                    found.append(batch)
                    waiting.remove(batch)
                    break
        return found

    def _tub_batch(self, entry: object) -> str:
        tub = getattr(entry, "tub", None)
        return self.tubs[tub].batch if tub else ""

    def place(self, entry: object) -> int:
        """Where an entry stands among all."""
        return next(n for n, (_, _, other) in enumerate(self.order) if other is entry)

    def day_at(self, place: int) -> str:
        entry = self.order[place][2]
        at = getattr(entry, "at", None) or getattr(entry, "made", None)
        if at is None:
            at = next(at for _, plate, at in self.served if plate is entry)
        return str(at)[:10]

    # What is left, and until when

    def left(self, of: str, place: int) -> tuple[tuple[float, str] | None, float | None]:
        """What is left before a place in the order with its unit, and the most taken beyond."""
        start = self._came_out(of)
        unit = start[1] if start else None
        left = start[0] if start else None
        over: float | None = None
        for _, _, entry in self.order[:place]:
            for ref, quantity, given in self._takes(entry):
                if ref != of:
                    continue
                taken = self._converted(of, quantity, given, unit)
                left = None if left is None or taken is None else left - taken
                if left is not None and left < -1e-9:
                    over = max(over or 0.0, -left)
            if entry in self.counts and entry.of == of:
                unit = unit or entry.unit
                left, over = self._converted(of, entry.quantity, entry.unit, unit), None
        if left is None or unit is None:
            return None, None
        return (max(left, 0.0), unit), over

    def _came_out(self, of: str) -> tuple[float, str] | None:
        found: object = self.lots.get(of) or self.tubs.get(of)
        if found is None:
            id, _, part = of.partition("/")
            batch = self.batches[id]
            found = batch.out
            if part:
                found = next((each for each in batch.by_products or () if each.id == part), None)
        quantity, unit = getattr(found, "quantity", None), getattr(found, "unit", None)
        return None if quantity is None or unit is None else (quantity, unit)

    def _takes(self, entry: object) -> Iterator[tuple[str, float | None, str | None]]:
        if entry in self.discards:
            yield from self._both(entry.of, entry.quantity, entry.unit)
        elif entry in self.fills:
            ref = entry.batch or entry.lot
            if ref:
                yield from self._both(ref, entry.quantity, entry.unit)
        elif isinstance(entry, Batch):
            for each in entry.went_in:
                ref = each.tub or each.batch or each.lot
                if ref:
                    yield from self._both(ref, each.quantity, each.unit)
        elif any(entry is plate for _, plate, _ in self.served):
            for draw in entry.from_ or ():
                yield from self._both(draw.tub or draw.batch, draw.quantity, draw.unit)

    def _both(
        self, ref: str, quantity: float | None, unit: str | None
    ) -> Iterator[tuple[str, float | None, str | None]]:
        yield ref, quantity, unit
        if ref in self.tubs:
            yield self.tubs[ref].batch, quantity, unit

    def _converted(
        self, of: str, quantity: float | None, unit: str | None, to: str | None
    ) -> float | None:
        if quantity is None or unit is None or to is None:
            return None
        if unit == to:
            return quantity
        grams, one = self.grams(of, quantity, unit), self.grams(of, 1.0, to)
        return None if grams is None or not one else grams / one

    def grams(self, of: str, quantity: float | None, unit: str | None) -> float | None:
        """The weight of an amount of a lot, a tub, a batch or a by-product of one."""
        if quantity is None or unit is None:
            return None
        if of in self.lots:
            return self.product_grams(self.lots[of].product, quantity, unit)
        of = self.tubs[of].batch if of in self.tubs else of
        card = self.card(self.batches[owner_of(of)])
        density = (card.density_g_per_ml if card else None) or 1.0
        return weigh(quantity, unit, density, None, self.book.units).grams

    def product_grams(self, id: str, quantity: float, unit: str) -> float | None:
        product = self.book.products.get(id)
        if product is None:
            return weigh(quantity, unit, None, None, self.book.units).grams
        weights = (product.density_g_per_ml, product.unit_weight_g)
        return weigh(quantity, unit, *weights, self.book.units).grams

    def last_day(self, of: str, place: int) -> str | None:
        """The last day of a batch, a by-product of one, a tub or a lot."""
        if of in self.lots:
            return self.lots[of].use_by
        reached = [entry for _, _, entry in self.order[:place] if entry in self.moves]
        for ref in (of, self.tubs[of].batch) if of in self.tubs else (of,):
            dated = [move.use_by for move in reached if move.of == ref and move.use_by]
            if dated:
                return dated[-1]
        id = owner_of(self.tubs[of].batch if of in self.tubs else of)
        batch = self.batches[id]
        if batch.use_by:
            return batch.use_by
        card, storage = self.card(batch), batch.storage
        for ref in (self.tubs[of].batch, of) if of in self.tubs else (of,):
            kept = [move.to for move in reached if move.of == ref and move.to]
            storage = kept[-1] if kept else storage
        days = None
        if card and card.keeps:
            by_storage = {"chilled": card.keeps.chilled_days, "frozen": card.keeps.frozen_days}
            days = by_storage.get(storage)
        made = date.fromisoformat(batch.made[:10])
        return (made + timedelta(days=int(DAYS_UNTOLD + 1 if days is None else days))).isoformat()

    def there(self, of: str, place: int, day: str) -> bool:
        """Whether a lot, batch, by-product or tub is there before a place in the order."""
        if of in self.lots:
            lot = self.lots[of]
            if lot.received > day or (lot.used_up is not None and lot.used_up < day):
                return False
            return self._some(of, place) and (lot.use_by is None or lot.use_by >= day)
        id = owner_of(of)
        if not any(entry is self.batches[id] for _, _, entry in self.order[:place]):
            return False
        if self._some(of, place) and str(self.last_day(of, place)) >= day:
            return True
        at = max((when for when, _, _ in self.order[:place]), default=None)
        return any(
            tub.batch == of
            and at is not None
            and tub.at[:10] <= day
            and self._some(tub.id, place)
            and str(self.last_day(tub.id, place)) >= day
            for tub in self.tubs.values()
        )

    def _some(self, of: str, place: int) -> bool:
        left, _ = self.left(of, place)
        return left is None or left[0] > 1e-9

    # What it carries

    def card(self, batch: Batch) -> Preparation | None:
        """The preparation that a batch followed."""
        card = batch.card or self.book.preparations.get(batch.preparation or "")
        return using(card, batch.way) if card and batch.way else card

    def levels(self, batch: str) -> Levels:
        """What a batch carries."""
        return highest(*(giver.levels for giver in self.givers(self.batches[batch])))

    def sources(self, batch: str) -> dict[str, list[Giver]]:
        """The givers of each flag: one for each product, lot and maker."""
        found: dict[str, list[Giver]] = {}
        givers = self.givers(self.batches[owner_of(batch)], batch)
        for flag in self.levels(owner_of(batch)):
            best: dict[object, Giver] = {}
            for giver in givers:
                level = giver.levels.get(flag, Level.FREE)
                if level is Level.FREE:
                    continue
                if giver.key not in best or self._rank(giver, flag) < self._rank(
                    best[giver.key], flag
                ):
                    best[giver.key] = giver
            found[flag] = list(best.values())
        return found

    def _rank(self, giver: Giver, flag: str) -> tuple[object, ...]:
        by_tool, level = giver.tool is not None, giver.levels[flag]
        way = (len(giver.via), giver.via, giver.tool or "")
        return (by_tool, -level, giver.possible, *way)

    def givers(self, batch: Batch, named: str | None = None) -> list[Giver]:
        """Everything that gives a batch something."""
        here, place, day = (named or batch.id,), self.place(batch), batch.made[:10]
        found: list[Giver] = []
        card = self.card(batch)
        for entry in batch.went_in:
            found += self._entry(entry, place, day)
        for line in self.as_written(batch):
            found += self._entry(WentIn(line), place, day)
        if card is not None:
            found += self._own(card)
        elif batch.preparation is not None:
            found.append(self._gone(batch.preparation))
        elif not batch.went_in:
            levels = dict.fromkeys(self.all, Level.UNCHECKED)
            found.append(Giver(None, None, None, levels, (), recorded=batch.id))
        found += self._by_tools(batch, place)
        # What is gone reads by the statements of the batch that it went into.
        stated = batch.statements
        found = [
            replace(g, levels={f: x for f, x in g.levels.items() if f not in stated})
            if g.gone and not g.via and g.tool is None
            else g
            for g in found
        ]
        rest = highest(*(giver.levels for giver in found))
        more = {
            flag: level
            for flag, level in stated.items()
            if flag in self.all and level > rest.get(flag, Level.FREE)
        }
        if more:
            found.append(Giver(None, None, None, more, (), recorded=batch.id))
        return [replace(giver, via=(*here, *giver.via)) for giver in found]

    def as_written(self, batch: Batch) -> list[str]:
        """The items of the counted lines of which nothing was written down."""
        card = self.card(batch)
        spoken = {entry.line for entry in batch.went_in} | {out.line for out in batch.left_out}
        if card is None:
            return []
        return [card.lines[index].item for index in card.counted() if index not in spoken]

    def _own(self, card: Preparation) -> list[Giver]:
        levels = {
            flag: level
            for flag in self.all
            if (level := card.statements.get(flag, card.own_otherwise)) > Level.FREE
        }
        return [Giver(card.id, None, None, levels, (), own=True)] if levels else []

    def _gone(self, id: str) -> Giver:
        return Giver(id, None, None, dict.fromkeys(self.all, Level.UNCHECKED), (), gone=True)

    def _entry(self, entry: WentIn, place: int, day: str) -> list[Giver]:
        drawn = entry.batch or (self.tubs[entry.tub].batch if entry.tub else None)
        if drawn:
            return self.givers(self.batches[owner_of(drawn)], drawn)
        owner = owner_of(entry.item)
        if entry.item in self.book.products or (
            owner not in self.book.preparations and not self._made(entry.item)
        ):
            return self._product(entry.item, entry.lot, entry.maker, place, day)
        return self._preparation(entry.item, place, day)

    def _made(self, item: str) -> bool:
        return any(batch.preparation == owner_of(item) for batch in self.batches.values())

    def _product(
        self, id: str, lot: str | None, maker: str | None, place: int, day: str
    ) -> list[Giver]:
        found: list[Giver] = []
        product = self.book.products.get(id)
        named = self.lots[lot].maker if lot else None
        if product is None:
            given = self.lots[lot].statements if lot else {}
            gone = self._gone(id)
            raised = {
                flag: level
                for flag, level in given.items()
                if flag in self.all and level > gone.levels[flag]
            }
            found.append(replace(gone, lot=lot, maker=maker or named))
            if raised:
                found.append(Giver(id, lot, maker or named, raised, ()))
        elif lot:
            levels = self._lot_levels(self.lots[lot], maker)
            found.append(Giver(id, lot, maker or named, levels, ()))
        elif maker:
            found.append(Giver(id, None, maker, self._label(id, maker), ()))
        else:
            plain = self._label(id, None)
            found.append(Giver(id, None, None, plain, ()))
            for each in self.lots.values():
                if each.product == id and self.there(each.id, place, day):
                    raised = {
                        flag: level
                        for flag, level in self._lot_levels(each, None).items()
                        if level > plain.get(flag, Level.FREE)
                    }
                    found.append(Giver(id, each.id, each.maker, raised, (), possible=True))
        for item in product.contents if product else ():
            found += [replace(g, via=(id, *g.via)) for g in self._by_book(item)]
        since: list[object] = []
        for _, _, entry in self.order[:place]:
            if entry in self.fills and entry.bag == id:
                since = [] if entry.emptied and entry.washed else [*since, entry]
        for fill in since:
            if not fill.emptied:
                filled = WentIn(fill.item or "", lot=fill.lot, batch=fill.batch)
                if fill.lot and not fill.item:
                    filled = replace(filled, item=self.lots[fill.lot].product)
                givers = self._entry(filled, self.place(fill), fill.at[:10])
                found += [replace(g, via=(id, *g.via)) for g in givers]
        return found

    def _lot_levels(self, lot: Lot, maker: str | None) -> Levels:
        known = {flag: level for flag, level in lot.statements.items() if flag in self.all}
        return highest(self._label(lot.product, lot.maker or maker), known)

    def _label(self, id: str, maker: str | None) -> Levels:
        """What a product's own labels say, without what it is made of."""
        product = replace(self.book.products[id], parts=())
        own = {flag for flag in self.all if flag in product.statements}
        if maker is not None and all(each.id != maker for each in product.makers):
            unchecked = dict.fromkeys(self.all, Level.UNCHECKED)
            return highest(unchecked, {flag: product.statements[flag] for flag in own})
        if maker is not None:
            product = replace(product, in_use=maker)
        alone = replace(self.book, products={id: product}, preparations={})
        if product.bag is not None:
            # Items of the bag's additions are known or not by the whole book.
            alone = replace(self.book, products={**self.book.products, id: product})
            closed = replace(
                product,
                bag=replace(
                    product.bag,
                    additions=tuple(replace(a, live=False) for a in product.bag.additions),
                ),
            )
            alone = replace(alone, products={**alone.products, id: closed})
        return read(alone, self.on).levels(id)

    def _by_book(self, item: str) -> list[Giver]:
        """What an item carries in the book, whatever the day."""
        return [
            Giver(
                source.product,
                None,
                None,
                {flag: source.level},
                source.via,
                tool=source.tool,
                own=source.own,
            )
            for flag, sources in self.plain.sources(item).items()
            for source in sources
        ]

    def _preparation(self, item: str, place: int, day: str) -> list[Giver]:
        """A preparation or by-product of which nobody wrote down the batch."""
        id, _, part = item.partition("/")
        found: list[Giver] = []
        card = self.book.preparations.get(id)
        if card is None or (part and all(each.id != part for each in card.by_products)):
            found.append(self._gone(item))
        if card is not None:
            below = self._own(card)
            for index in card.counted():
                below += self._entry(WentIn(card.lines[index].item), place, day)
            for trace in self.plain.through.get(id, ()):
                beside = [t for t in self.plain.through[id] if t.tool == trace.tool]
                levels = self._surest(trace.levels, [other.levels for other in beside])
                below.append(Giver(trace.item, None, None, levels, (), tool=trace.tool))
            found += [replace(giver, via=(item, *giver.via)) for giver in below]
        for batch in self.batches.values():
            ref = f"{batch.id}/{part}" if part else batch.id
            if batch.preparation != id or (part and part not in self.by_products(batch)):
                continue
            if self.there(ref, place, day):
                found += self.givers(batch, ref)
        return found

    def _surest(self, levels: Levels, beside: list[Levels]) -> Levels:
        """Traces of what is surest before the tool: the others have it by the tool themselves."""
        most = highest(*beside)
        return {f: Level.MAY_CONTAIN for f, level in levels.items() if level == most.get(f)}

    def by_products(self, batch: Batch) -> list[str]:
        """The ids of what a batch yields besides itself."""
        if batch.by_products is not None:
            return [part.id for part in batch.by_products]
        card = self.card(batch)
        return [part.id for part in card.by_products] if card else []

    # What its tools leave

    def tools(self, batch: Batch) -> dict[str, str]:
        """The tools that a batch went through, by what all their names have in common."""
        card = self.card(batch)
        names = batch.tools if batch.tools is not None else card.tools if card else ()
        return {self.book.toolbox.key(name): name for name in names}

    def _by_tools(self, batch: Batch, place: int) -> list[Giver]:
        found: list[Giver] = []
        for key, name in self.tools(batch).items():
            tool = self.book.toolbox.get(name)
            if tool is not None and tool.dedicated:
                continue
            called = tool.name if tool else name
            if tool is not None and tool.always_shared:
                others = [
                    id
                    for id, other in self.book.preparations.items()
                    if key in {self.book.toolbox.key(each) for each in other.tools}
                    and id != batch.preparation
                ]
                every = [self.plain.levels(id) for id in others]
                for id, carried in zip(others, every, strict=True):
                    levels = self._surest(carried, every)
                    found.append(Giver(id, None, None, levels, (), tool=called))
            inside: list[Giver] = []
            for _, rank, entry in self.order[:place]:
                if rank == 0 and self.book.toolbox.key(entry.tool) == key:
                    absorbs = tool is not None and tool.absorbs
                    inside = inside if absorbs and not entry.renewed else []
                elif isinstance(entry, Batch) and key in self.tools(entry):
                    inside += self.givers(entry)
                elif rank == 3 and self.book.toolbox.key(entry.tool) == key:
                    at = self.place(entry)
                    inside += self._entry(WentIn(entry.item), at, entry.at[:10])
            for giver in inside:
                levels = dict.fromkeys(giver.levels, Level.MAY_CONTAIN)
                found.append(replace(giver, levels=levels, tool=called))
        return found
