"""What cannot be in a daybook: ids that name nothing, draws from what was made later, loops."""

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, field

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import Fault, unknown
from yellow_ladle.core.cards.versions import NoSuchWay
from yellow_ladle.core.carrying.cycles import cycle
from yellow_ladle.core.production.batch import Batch, WentIn, batch_of
from yellow_ladle.core.production.batch_card import by_products_of_batch, card_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.instants import date_of, instant
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.service import Draw, Service
from yellow_ladle.core.production.shelf_entries import Fill

STOCKED = ("lots", "batches", "tubs")
"""Lists whose ids are told apart from each other: an entry may be `of` any of them."""
WITH_IDS = (*STOCKED, "temperatures", "recalls", "services", "incidents")


@dataclass(frozen=True)
class DaybookFaults:
    """Looks at a daybook against its book, or only at some `checked` entries of it.

    `unread` are ids of entries that could not be read: what names one is not called unknown too.
    `places` give the index in the file of each entry that could, by list.
    """

    daybook: Daybook
    book: Book
    unread: Collection[str] = ()
    places: Mapping[str, Sequence[int]] = field(default_factory=dict)
    checked: Daybook | None = None

    def all(self) -> list[Fault]:
        """Every fault, each with its place."""
        found = [*self._taken_ids(), *self._lots(), *self._batches(), *self._tubs()]
        found += [*self._of_entries(), *self._fills(), *self._recalls(), *self._services()]
        return found if found or self.unread else list(self._loops())

    @property
    def _looked_at(self) -> Daybook:
        return self.daybook if self.checked is None else self.checked

    def _place(self, key: str, number: int) -> str:
        return f"{key}[{self.places[key][number] if key in self.places else number}]"

    def _taken_ids(self) -> Iterator[Fault]:
        stocked: dict[str, str] = {}
        for key in WITH_IDS:
            seen = stocked if key in STOCKED else {}
            for number, entry in enumerate(getattr(self._looked_at, key)):
                place = self._place(key, number)
                if entry.id in seen:
                    message = f'the id "{entry.id}" is taken already, by {seen[entry.id]}'
                    yield Fault(f"{place}.id", message)
                seen.setdefault(entry.id, place)

    def _lots(self) -> Iterator[Fault]:
        for number, lot in enumerate(self._looked_at.lots):
            place = self._place("lots", number)
            yield from self._flags(place, lot.statements)
            yield from self._maker(f"{place}.maker", lot.product, lot.maker)
            yield from self._unit(place, lot)

    def _batches(self) -> Iterator[Fault]:
        for number, batch in enumerate(self._looked_at.batches):
            place = self._place("batches", number)
            if batch.preparation is None and not batch.name:
                yield Fault(f"{place}.name", "without a preparation it needs a name")
            yield from self._flags(place, batch.statements)
            if batch.card is not None:
                yield from self._flags(f"{place}.card", batch.card.statements)
            yield from self._unit(f"{place}.out", batch.out)
            for index, part in enumerate(batch.by_products or ()):
                yield from self._unit(f"{place}.by_products[{index}]", part)
            try:
                card = card_of(self.book, batch)
            except NoSuchWay as error:
                yield Fault(f"{place}.way", str(error))
                continue
            last = None if card is None else len(card.lines)
            for index, left in enumerate(batch.left_out):
                yield from self._line(f"{place}.left_out[{index}].line", left.line, last)
            for index, entry in enumerate(batch.went_in):
                here = f"{place}.went_in[{index}]"
                yield from self._line(f"{here}.line", entry.line, last)
                yield from self._went_in(here, entry, batch)

    def _went_in(self, place: str, entry: WentIn, batch: Batch) -> Iterator[Fault]:
        yield from self._unit(place, entry)
        yield from self._drawn(place, entry, batch.made)
        drawn = self._source(entry)
        if drawn is not None and (entry.lot is not None or entry.maker is not None):
            yield Fault(place, "names a batch and a lot or maker; it was drawn from one of them")
        elif drawn is not None and (source := self._batch(drawn)) is not None:
            yield from self._of_item(f"{place}.item", entry.item, drawn, source)
        lot = self._lot(entry.lot)
        if lot is not None and lot.product != entry.item:
            message = f'the lot "{lot.id}" is of "{lot.product}", not of "{entry.item}"'
            yield Fault(f"{place}.lot", message)
        elif lot is not None and None not in (lot.maker, entry.maker) and lot.maker != entry.maker:
            message = f'the lot "{lot.id}" is of the maker "{lot.maker}"'
            yield Fault(f"{place}.maker", message)
        yield from self._known_lot(f"{place}.lot", entry.lot)
        yield from self._maker(f"{place}.maker", entry.item, entry.maker)

    def _of_item(self, place: str, item: str, drawn: str, source: Batch) -> Iterator[Fault]:
        part = drawn.partition("/")[2]
        made = source.preparation
        if made is None:
            return
        wanted = f"{made}/{part}" if part else made
        if item != wanted:
            yield Fault(place, f'"{drawn}" is of "{wanted}", not of "{item}"')

    def _drawn(self, place: str, drawn: WentIn | Draw | Fill, at: str) -> Iterator[Fault]:
        """What something was drawn from: it has to be known, and made before."""
        tub = getattr(drawn, "tub", None)
        if tub is not None and tub not in self.daybook.tub and tub not in self.unread:
            yield Fault(f"{place}.tub", unknown("tub", tub, self.daybook.tub))
        elif tub is not None and tub in self.daybook.tub:
            filled = self.daybook.tub[tub]
            if instant(filled.at) > instant(at):
                yield Fault(f"{place}.tub", f'"{tub}" was filled later, at {filled.at}')
            if drawn.batch is not None and drawn.batch != filled.batch:
                message = f'the tub "{tub}" is of "{filled.batch}", not of "{drawn.batch}"'
                yield Fault(f"{place}.batch", message)
        yield from self._known_batch(f"{place}.batch", drawn.batch)
        source = self._batch(self._source(drawn))
        if source is not None and instant(source.made) > instant(at):
            yield Fault(f"{place}.batch", f'"{source.id}" was made later, at {source.made}')

    def _source(self, drawn: WentIn | Draw | Fill) -> str | None:
        tub = self.daybook.tub.get(getattr(drawn, "tub", None) or "")
        return drawn.batch or (tub.batch if tub else None)

    def _batch(self, reference: str | None) -> Batch | None:
        return None if reference is None else self.daybook.batch.get(batch_of(reference))

    def _lot(self, id: str | None) -> Lot | None:
        return None if id is None else self.daybook.lot.get(id)

    def _tubs(self) -> Iterator[Fault]:
        for number, tub in enumerate(self._looked_at.tubs):
            place = self._place("tubs", number)
            yield from self._unit(place, tub)
            yield from self._known_batch(f"{place}.batch", tub.batch)
            source = self._batch(tub.batch)
            if source is not None and instant(source.made) > instant(tub.at):
                yield Fault(f"{place}.at", f'"{source.id}" was made later, at {source.made}')
        for number, label in enumerate(self._looked_at.labels):
            if label.tub not in self.daybook.tub and label.tub not in self.unread:
                message = unknown("tub", label.tub, self.daybook.tub)
                yield Fault(f"{self._place('labels', number)}.tub", message)

    def _of_entries(self) -> Iterator[Fault]:
        for key in ("moves", "discards", "counts", "temperatures"):
            for number, entry in enumerate(getattr(self._looked_at, key)):
                place = self._place(key, number)
                if entry.of is not None:
                    yield from self._known(f"{place}.of", entry.of)
                elif not entry.place:
                    yield Fault(f"{place}.of", "say what it is of, or the place")
                if key in ("discards", "counts"):
                    yield from self._unit(place, entry)
        readings = {entry.id for entry in self.daybook.temperatures} | {*self.unread}
        for number, reading in enumerate(self._looked_at.temperatures):
            if reading.corrects is not None and reading.corrects not in readings:
                message = unknown("temperature", reading.corrects, readings)
                yield Fault(f"{self._place('temperatures', number)}.corrects", message)

    def _fills(self) -> Iterator[Fault]:
        for number, fill in enumerate(self._looked_at.fills):
            place = self._place("fills", number)
            yield from self._unit(place, fill)
            yield from self._known_lot(f"{place}.lot", fill.lot)
            yield from self._drawn(place, fill, fill.at)
            if not fill.emptied and fill.item is None and fill.lot is None and fill.batch is None:
                yield Fault(place, "say what was put in: an item, a lot or a batch; or emptied")
            lot = self._lot(fill.lot)
            if lot is not None and fill.item not in (None, lot.product):
                message = f'the lot "{lot.id}" is of "{lot.product}", not of "{fill.item}"'
                yield Fault(f"{place}.lot", message)

    def _recalls(self) -> Iterator[Fault]:
        for number, recall in enumerate(self._looked_at.recalls):
            place = self._place("recalls", number)
            yield from self._maker(f"{place}.maker", recall.product, recall.maker)
            for index, id in enumerate(recall.lots):
                yield from self._known_lot(f"{place}.lots[{index}]", id)

    def _services(self) -> Iterator[Fault]:
        ids = {service.id for service in self.daybook.services} | {*self.unread}
        for number, service in enumerate(self._looked_at.services):
            yield from self._service(self._place("services", number), service)
        for number, incident in enumerate(self._looked_at.incidents):
            if incident.service is not None and incident.service not in ids:
                message = unknown("service", incident.service, ids)
                yield Fault(f"{self._place('incidents', number)}.service", message)

    def _service(self, place: str, service: Service) -> Iterator[Fault]:
        needs: set[str] = set()
        for index, need in enumerate(service.needs):
            if need.id in needs:
                yield Fault(f"{place}.needs[{index}].id", f'the need "{need.id}" is here twice')
            needs.add(need.id)
        for index, served in enumerate(service.served):
            here = f"{place}.served[{index}]"
            if served.need is not None and served.need not in needs:
                yield Fault(f"{here}.need", unknown("need", served.need, needs))
            at = served.at or service.at
            for nth, draw in enumerate(served.from_ or ()):
                where = f"{here}.from[{nth}]"
                yield from self._unit(where, draw)
                if draw.batch is None and draw.tub is None:
                    yield Fault(where, "say which batch or tub it was taken from")
                if at is not None:
                    yield from self._drawn(where, draw, at)
                else:
                    yield from self._drawn_by_date(where, draw, service.date)

    def _drawn_by_date(self, place: str, draw: Draw, date: str) -> Iterator[Fault]:
        source = self._batch(self._source(draw))
        at = max(date, date_of(source.made)) if source else date
        if source is not None and at > date:
            yield Fault(f"{place}.batch", f'"{source.id}" was made later, at {source.made}')
        else:
            yield from self._drawn(place, draw, source.made if source else f"{date}T00:00:00Z")

    def _loops(self) -> Iterator[Fault]:
        """Batches of one moment that are drawn from each other; others cannot be."""
        moments = {instant(batch.made) for batch in self._looked_at.batches}
        together: dict[str, list[str]] = {}
        index: dict[str, int] = {}
        for number, batch in enumerate(self.daybook.batches):
            if instant(batch.made) in moments:
                drawn = (self._source(entry) for entry in batch.went_in)
                together[batch.id] = [batch_of(source) for source in drawn if source is not None]
                index[batch.id] = number
        if loop := cycle(together):
            message = f"a batch cannot go into itself: {' → '.join(reversed(loop))}"
            yield Fault(f"{self._place('batches', index[loop[0]])}.went_in", message)

    def _known_batch(self, place: str, reference: str | None) -> Iterator[Fault]:
        if reference is None or batch_of(reference) in self.unread:
            return
        batch = self._batch(reference)
        if batch is None:
            yield Fault(place, unknown("batch", reference, self.daybook.batch))
            return
        part = reference.partition("/")[2]
        if part and part not in (made := self._by_products(batch)):
            yield Fault(place, unknown("by-product", reference, [f"{batch.id}/{p}" for p in made]))

    def _by_products(self, batch: Batch) -> tuple[str, ...]:
        try:
            return by_products_of_batch(card_of(self.book, batch), batch)
        except NoSuchWay:
            return ()

    def _known_lot(self, place: str, id: str | None) -> Iterator[Fault]:
        if id is not None and id not in self.daybook.lot and id not in self.unread:
            yield Fault(place, unknown("lot", id, self.daybook.lot))

    def _known(self, place: str, of: str) -> Iterator[Fault]:
        if of not in self.daybook.lot and of not in self.daybook.tub and of not in self.unread:
            stocked = {*self.daybook.lot, *self.daybook.tub, *self.daybook.batch}
            if batch_of(of) not in self.daybook.batch:
                yield Fault(place, unknown("lot, batch or tub", of, stocked))
            else:
                yield from self._known_batch(place, of)

    def _maker(self, place: str, product: str, maker: str | None) -> Iterator[Fault]:
        known = self.book.products.get(product)
        if known is None or maker in (None, "?"):
            return
        makers = {each.id for each in known.makers}
        if maker is not None and maker not in makers:
            yield Fault(place, unknown("maker", maker, makers))

    def _flags(self, place: str, statements: Mapping[str, object]) -> Iterator[Fault]:
        for flag in statements:
            if flag not in self.book.flag_ids:
                message = unknown("flag", flag, self.book.flag_ids)
                yield Fault(f"{place}.statements.{flag}", message)

    def _unit(self, place: str, entry: object) -> Iterator[Fault]:
        unit = getattr(entry, "unit", None)
        if unit is not None and unit not in self.book.units:
            yield Fault(f"{place}.unit", unknown("unit", unit, self.book.units))

    @staticmethod
    def _line(place: str, line: int | None, count: int | None) -> Iterator[Fault]:
        if line is not None and count is not None and line >= count:
            message = (
                f"the card has {count} lines, so the last is {count - 1}"
                if count
                else ("the card has no lines")
            )
            yield Fault(place, message)
