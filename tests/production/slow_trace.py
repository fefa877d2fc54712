"""Traces followed slowly: of each batch all is asked again, whoever is reached by whom."""

from tests.production.slow_day import SlowDay, moment
from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.production.batch import Batch, WentIn
from yellow_ladle.core.production.service import Served, Service
from yellow_ladle.core.production.shelf_entries import Fill
from yellow_ladle.core.production.tool_entries import ItemUse


class SlowTrace:
    """Where a lot, a product (of a maker) or a batch went. One of the three is named."""

    def __init__(
        self,
        day: SlowDay,
        lot: str | None = None,
        product: str | None = None,
        maker: str | None = None,
        batch: str | None = None,
    ) -> None:
        self.day, self.book = day, day.book
        self.lot = day.lots[lot] if lot else None
        self.product = self.lot.product if self.lot else product
        self.maker = self.lot.maker if self.lot else maker
        self.batch = batch

    # What surely reached a batch

    def sure(self, id: str) -> bool:
        return any(self._sure_entry(entry, id) for entry in self.entries(id))

    def entries(self, id: str) -> list[WentIn]:
        """What went into a batch, as written down or as the card says."""
        batch = self.day.batches[id]
        card = self.day.card(batch)
        lines = [] if card is None else list(card.lines)
        spoken = {e.line for e in batch.went_in} | {out.line for out in batch.left_out}
        written = [n for n in (card.counted() if card else ()) if n not in spoken]
        return [
            *batch.went_in,
            *(
                WentIn(lines[n].item, n, quantity=lines[n].quantity, unit=lines[n].unit)
                for n in written
            ),
        ]

    def _drawn(self, entry: object) -> str | None:
        tub = getattr(entry, "tub", None)
        return entry.batch or (self.day.tubs[tub].batch if tub else None)

    def _asked_batch(self, reference: str) -> bool:
        if self.batch is None:
            return False
        return reference == self.batch or owner_of(reference) == self.batch

    def _sure_entry(self, entry: WentIn, id: str) -> bool:
        drawn = self._drawn(entry)
        if drawn:
            return self._asked_batch(drawn) or self.sure(owner_of(drawn))
        if self._names_it(entry) or (entry.lot is None and self._made_of(entry.item)):
            return True
        if entry.lot is not None and self._made_of(entry.item):
            return True
        place = self.day.place(self.day.batches[id])
        return any(self._sure_fill(fill) for fill in self.fills(entry.item, place))

    def _names_it(self, entry: object) -> bool:
        if self.lot is not None:
            return entry.lot == self.lot.id
        if self.product is None or self._item(entry) != self.product:
            return False
        if self.maker is None:
            return True
        named = entry.lot and self.day.lots[entry.lot].maker
        return self.maker in (getattr(entry, "maker", None), named)

    def _item(self, entry: object) -> str | None:
        return entry.item or (self.day.lots[entry.lot].product if entry.lot else None)

    def _made_of(self, item: str) -> bool:
        """Whether a compound product surely has the product in it, of whichever maker."""
        return self.lot is None and self.maker is None and self._has_part(item)

    def _has_part(self, item: str) -> bool:
        product = self.book.products.get(item)
        parts = [part.product for part in product.parts] if product else []
        return any(part == self.product or self._has_part(part) for part in parts)

    def fills(self, bag: str, place: int) -> list[Fill]:
        since: list[Fill] = []
        for _, _, entry in self.day.order[:place]:
            if isinstance(entry, Fill) and entry.bag == bag:
                since = [] if entry.emptied and entry.washed else [*since, entry]
        return [fill for fill in since if not fill.emptied]

    def _sure_fill(self, fill: Fill) -> bool:
        if fill.batch:
            return self._asked_batch(fill.batch) or self.sure(owner_of(fill.batch))
        item = self._item(fill)
        if self._names_it(fill) or (item and self._made_of(item)):
            return True
        inner = self.fills(item, self.day.place(fill)) if item else []
        return any(self._sure_fill(each) for each in inner)

    # How much, and by which way

    def grams(self, id: str) -> float | None:
        """How much of what was asked for went into a batch that it surely reached."""
        total = 0.0
        for entry in self.entries(id):
            if not self._sure_entry(entry, id):
                continue
            part = self._entry_grams(entry, id)
            if part is None:
                return None
            total += part
        return total

    def _entry_grams(self, entry: WentIn, id: str) -> float | None:
        drawn = self._drawn(entry)
        if drawn:
            grams = self.day.grams(entry.tub or drawn, entry.quantity, entry.unit)
            if self._asked_batch(drawn):
                return grams
            whole, held = self.whole(owner_of(drawn)), self.grams(owner_of(drawn))
            if grams is None or held is None or not whole:
                return None
            return held * grams / whole
        place = self.day.place(self.day.batches[id])
        if any(self._sure_fill(fill) for fill in self.fills(entry.item, place)):
            return None
        if entry.quantity is None or entry.unit is None:
            return None
        grams = self.day.product_grams(entry.item, entry.quantity, entry.unit)
        if self._names_it(entry):
            return grams
        share = self._share(entry.item)
        return None if grams is None or share is None else grams * share

    def _share(self, item: str) -> float | None:
        total = 0.0
        for part in self.book.products[item].parts:
            inner = 1.0 if part.product == self.product else 0.0
            if not inner and self._has_part(part.product):
                found = self._share(part.product)
                if found is None:
                    return None
                inner = found
            if inner:
                if part.percent is None:
                    return None
                total += inner * part.percent / 100
        return total

    def whole(self, id: str) -> float | None:
        """What a batch weighs with its by-products."""
        batch = self.day.batches[id]
        if batch.out is None:
            return None
        card = self.day.card(batch)
        parts = batch.by_products
        if parts is None:
            if card is not None and card.by_products:
                return None
            parts = ()
        weights = [self.day.grams(id, batch.out.quantity, batch.out.unit)]
        weights += [self.day.grams(id, part.quantity, part.unit) for part in parts]
        return None if any(weight is None for weight in weights) else sum(weights)

    def via(self, id: str) -> tuple[str, ...]:
        """The shortest way from a batch to the one that what was asked for went into."""
        ways = []
        for entry in self.entries(id):
            if not self._sure_entry(entry, id):
                continue
            drawn = self._drawn(entry)
            if drawn and not self._asked_batch(drawn):
                ways.append((id, drawn, *self.via(owner_of(drawn))[1:]))
            elif drawn or self._names_it(entry):
                ways.append((id,))
            else:
                place = self.day.place(self.day.batches[id])
                if self._made_of(entry.item):
                    ways.append((id, entry.item))
                fills = [f for f in self.fills(entry.item, place) if self._sure_fill(f)]
                ways += [(id, entry.item, *self._fill_via(fill)) for fill in fills]
        return min(ways, key=lambda way: (len(way), way))

    def _fill_via(self, fill: Fill) -> tuple[str, ...]:
        if fill.batch:
            if self._asked_batch(fill.batch):
                return ()
            return (fill.batch, *self.via(owner_of(fill.batch))[1:])
        if self._names_it(fill):
            return ()
        item = self._item(fill)
        ways = [(item,)] if self._made_of(item) else []
        fills = [f for f in self.fills(item, self.day.place(fill)) if self._sure_fill(f)]
        ways += [(item, *self._fill_via(each)) for each in fills]
        return min(ways, key=lambda way: (len(way), way))

    # What it may have reached

    def possible(self, id: str) -> bool:
        if id == self.batch or self.sure(id):
            return False
        place, day = self.day.place(self.day.batches[id]), self.day.batches[id].made[:10]
        return any(self._may(entry, place, day) for entry in self.entries(id))

    def _may(self, entry: object, place: int, day: str) -> bool:
        drawn = self._drawn(entry)
        if drawn:
            return self._reached(owner_of(drawn)) or self._asked_batch(drawn)
        item = self._item(entry)
        if self.product is not None and self._in_time(day):
            if item == self.product and self._unnamed(entry):
                return True
            if self._has_part(item):
                return True
        return self._holds(item, place, day)

    def _unnamed(self, entry: object) -> bool:
        """Whether it may be of the lot or maker, as far as was written down."""
        maker = getattr(entry, "maker", None)
        if entry.lot is not None:
            lot = self.day.lots[entry.lot]
            if self.lot is not None:
                return False
            return lot.maker is None and maker in (None, self.maker)
        if self.maker is None or maker is None:
            return True
        return maker == self.maker

    def _in_time(self, day: str) -> bool:
        if self.lot is None:
            return True
        return self.lot.received <= day and (self.lot.used_up is None or day <= self.lot.used_up)

    def _reached(self, id: str) -> bool:
        return id != self.batch and (self.sure(id) or self.possible(id))

    def _holds(self, item: str, place: int, day: str) -> bool:
        """Whether an item of which no batch was written down may hold it at a place."""
        product = self.book.products.get(item)
        if product is not None:
            if any(self._may_fill(fill) for fill in self.fills(item, place)):
                return True
            return any(self._may(WentIn(part), place, day) for part in product.contents)
        if any(
            self._asked_batch(b) or self._reached(owner_of(b)) for b in self.there(item, place, day)
        ):
            return True
        if any(self._may_fill(fill) for fill in self.fills(item, place)):
            return True
        card = self.book.preparations.get(owner_of(item))
        if card is None:
            return False
        lines = [card.lines[index].item for index in card.counted()]
        return any(self._may(WentIn(line), place, day) for line in lines)

    def _may_fill(self, fill: Fill) -> bool:
        return self._sure_fill(fill) or self._may(fill, self.day.place(fill), fill.at[:10])

    def there(self, item: str, place: int, day: str | None = None) -> list[str]:
        """The batches of a preparation that are there, or their by-products."""
        id, _, part = item.partition("/")
        found = []
        for batch in self.day.batches.values():
            if batch.preparation != id or (part and part not in self.day.by_products(batch)):
                continue
            reference = f"{batch.id}/{part}" if part else batch.id
            if self.day.there(reference, place, day or self.day.day_at(place)):
                found.append(reference)
        return found

    # By tools

    def tools(self, id: str) -> set[str]:
        """The tools by which a trace of it came into a batch."""
        batch = self.day.batches[id]
        place = self.day.place(batch)
        found: set[str] = set()
        for key, name in self.day.tools(batch).items():
            tool = self.book.toolbox.get(name)
            if (tool is None or not tool.dedicated) and any(
                self._left_by(entry) for entry in self.inside(key, place)
            ):
                found.add(self.book.toolbox.slug(name))
        for entry in self.entries(id):
            found |= self._tools_of(entry, place)
        return found

    def _tools_of(self, entry: object, place: int) -> set[str]:
        drawn = self._drawn(entry)
        if drawn:
            return self.tools(owner_of(drawn))
        item = self._item(entry)
        found: set[str] = set()
        for fill in self.fills(item, place):
            found |= self._tools_of(fill, self.day.place(fill))
        if item in self.book.products:
            below = list(self.book.products[item].contents)
        else:
            for reference in self.there(item, place):
                found |= self.tools(owner_of(reference))
            card = self.book.preparations.get(owner_of(item))
            below = [card.lines[n].item for n in card.counted()] if card else []
        for each in below:
            found |= self._tools_of(WentIn(each), place)
        return found

    def inside(self, key: str, place: int) -> list[object]:
        inside: list[object] = []
        tool = self.book.toolbox.get(key)
        for _, rank, entry in self.day.order[:place]:
            if rank == 0 and self.book.toolbox.key(entry.tool) == key:
                inside = inside if tool and tool.absorbs and not entry.renewed else []
            elif (isinstance(entry, Batch) and key in self.day.tools(entry)) or (
                isinstance(entry, ItemUse) and self.book.toolbox.key(entry.tool) == key
            ):
                inside.append(entry)
        return inside

    def _left_by(self, entry: object) -> bool:
        if isinstance(entry, Batch):
            return entry.id == self.batch or self._reached(entry.id) or bool(self.tools(entry.id))
        place = self.day.place(entry)
        used = WentIn(entry.item)
        if self._names_it(used) or self._made_of(entry.item):
            return True
        if any(self._sure_fill(fill) for fill in self.fills(entry.item, place)):
            return True
        return self._may(used, place, entry.at[:10]) or bool(self._tools_of(used, place))

    # Plates

    def served(self, plate: Served) -> bool:
        drawn = [self._drawn(draw) for draw in plate.from_ or ()]
        return any(self._asked_batch(each) or self.sure(owner_of(each)) for each in drawn)

    def possibly_served(self, plate: Served) -> bool:
        if self.served(plate):
            return False
        if plate.from_:
            return any(self._reached(owner_of(str(self._drawn(d)))) for d in plate.from_)
        entry = next(p for _, p, _ in self.day.served if p is plate)
        return self._holds(plate.plate, self.day.place(entry), self.day.day_at(
            self.day.place(entry)))  # fmt: skip

    def open_plates(self, service: Service) -> list[str]:
        """The plates of a service that may hold it and of which some were not written as served."""
        at = service.at or f"{service.date}T23:59:59.999999+00:00"
        place = sum(when <= moment(at) for when, _, _ in self.day.order)
        found = []
        for item in dict.fromkeys(plate.item for plate in service.plates):
            covers = [plate.covers for plate in service.plates if plate.item == item]
            gone = [p.portions or 0 for _, p, _ in self.day.served
                    if p.plate == item and any(p is each for each in service.served)]  # fmt: skip
            if all(c is not None for c in covers) and sum(covers) <= sum(gone):
                continue
            if self._holds(item, place, service.date):
                found.append(item)
        return found

    # Back

    def back(self, id: str) -> set[tuple[str, str]]:
        """Everything that went into a batch, all the way down."""
        place = self.day.place(self.day.batches[id])
        found: set[tuple[str, str]] = set()
        for entry in self.entries(id):
            found |= self._back_of(entry, place)
        return found

    def _back_of(self, entry: object, place: int) -> set[tuple[str, str]]:
        drawn = self._drawn(entry)
        if drawn:
            return {("batch", owner_of(drawn))} | self.back(owner_of(drawn))
        item = self._item(entry)
        found: set[tuple[str, str]] = set()
        for fill in self.fills(item, place):
            found |= self._back_of(fill, self.day.place(fill))
        if item in self.book.preparations or owner_of(item) in self.book.preparations:
            return found | self._card_back(self.book.preparations[owner_of(item)], place)
        lot = getattr(entry, "lot", None)
        found.add(("lot", lot) if lot else ("product", item))
        product = self.book.products.get(item)
        for part in product.contents if product else ():
            found |= self._back_of(WentIn(part), place)
        return found

    def _card_back(self, card: Preparation, place: int) -> set[tuple[str, str]]:
        found: set[tuple[str, str]] = set()
        for index in card.counted():
            found |= self._back_of(WentIn(card.lines[index].item), place)
        return found
