"""What holds of every day: against a slow reading, against less records, against the book."""

import unittest
from dataclasses import replace
from typing import Any

from hypothesis import HealthCheck, assume, given
from hypothesis import strategies as st

from tests.effort import examples
from tests.production.random_days import days, kitchen_days, kitchens
from tests.production.slow_day import Giver, SlowDay
from tests.production.slow_trace import SlowTrace
from tests.production.sound_days import ON, sound, thinned
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.asked import Asked
from yellow_ladle.core.production.batch import Batch, batch_of
from yellow_ladle.core.production.batch_card import by_products_of_batch, card_of
from yellow_ladle.core.production.day_reading import DayReading, read_day
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.differences import differences
from yellow_ladle.core.production.provenance import BatchSource, Provenance
from yellow_ladle.core.production.quantities import Quantities
from yellow_ladle.core.production.recall import HeldBack
from yellow_ladle.core.production.shelf_entries import Discard, Fill
from yellow_ladle.core.production.timeline import Place, Plate
from yellow_ladle.core.production.trace import Trace, TraceWalk, trace
from yellow_ladle.core.production.trace_back import TraceBack
from yellow_ladle.core.vocabulary.levels import Level

SLOW_TO_DRAW = [HealthCheck.too_slow, HealthCheck.filter_too_much, HealthCheck.data_too_large]
UNTIL = st.sampled_from([None, None, "2026-12-01", "2026-12-02", "2026-12-03"])


def questions(book: Book, day: DayReading) -> list[dict[str, str]]:
    """Everything that a trace can be asked about."""
    makers = [
        {"product": product.id, "maker": maker.id}
        for product in book.products.values()
        for maker in product.makers
    ]
    return [
        *({"lot": id} for id in day.timeline.lots),
        *({"batch": id} for id in day.timeline.batches),
        *({"product": id} for id in book.products),
        *makers,
    ]


def told_slowly(giver: Giver, flag: str) -> tuple[Any, ...]:
    named = (giver.product or "", giver.lot or "", giver.maker or "", giver.recorded or "")
    marks = (giver.own, giver.gone, giver.possible, giver.tool or "")
    return (*named, *marks, giver.via, giver.levels[flag])


def told(source: BatchSource) -> tuple[Any, ...]:
    giver = source.giver
    named = (giver.item or "", giver.lot or "", giver.maker or "", giver.recorded or "")
    marks = (giver.own, giver.gone, giver.possible, giver.tool or "")
    return (*named, *marks, giver.via, source.level)


class AgainstTheSlowReadingTest(unittest.TestCase):
    """The reading of a day is that of going through all entries for each question."""

    @examples(400, suppress_health_check=SLOW_TO_DRAW)
    @given(kitchen_days(), UNTIL)
    def test_what_batches_carry_and_what_is_left(
        self, kitchen_day: tuple[Book, Daybook], until: str | None
    ) -> None:
        book, daybook = kitchen_day
        slow, day = SlowDay(book, daybook, ON, until), read_day(book, daybook, ON, until)
        provenance, end = Provenance(day), len(slow.order)
        self.assertEqual(set(slow.batches), set(day.timeline.batches))
        for id, batch in slow.batches.items():
            self.assertEqual(slow.levels(id), day.levels(id), id)
            sources = provenance.sources(id)
            self.assertEqual(list(sources), list(day.levels(id)))
            for flag, givers in slow.sources(id).items():
                wanted = sorted(told_slowly(giver, flag) for giver in givers)
                self.assertEqual(wanted, sorted(map(told, sources[flag])), (id, flag))
            self._compare_with_card(day, slow, batch)
        parts = [f"{id}/{p}" for id, b in slow.batches.items() for p in slow.by_products(b)]
        for of in (*slow.lots, *slow.tubs, *slow.batches, *parts):
            left, over = slow.left(of, end)
            state = day.stock.left(of)
            found = state.amount and (state.amount.quantity, state.amount.unit)
            self.assertEqual(left, found, of)
            self.assertEqual(over, state.over.quantity if state.over else None, of)
            if of not in slow.tubs:
                self.assertEqual(slow.there(of, end, ON), day.stock.there(of, Place(end, ON)), of)

    def _compare_with_card(self, day: DayReading, slow: SlowDay, batch: Batch) -> None:
        found = differences(day, batch.id)
        card = slow.book.preparations.get(batch.preparation or "")
        if card is None:
            self.assertIsNone(found)
            return
        here, there = slow.levels(batch.id), slow.plain.levels(card.id)
        assert found is not None
        more = [f for f in slow.all if here.get(f, Level.FREE) > there.get(f, Level.FREE)]
        less = [f for f in slow.all if here.get(f, Level.FREE) < there.get(f, Level.FREE)]
        self.assertEqual((tuple(more), tuple(less)), (found.more, found.less))

    @examples(240, suppress_health_check=SLOW_TO_DRAW)
    @given(kitchen_days(), UNTIL)
    def test_where_everything_went(
        self, kitchen_day: tuple[Book, Daybook], until: str | None
    ) -> None:
        book, daybook = kitchen_day
        slow, day = SlowDay(book, daybook, ON, until), read_day(book, daybook, ON, until)
        for asked in questions(book, day):
            self._compare(SlowTrace(slow, **asked), trace(day, Asked(**asked)), slow, asked)
        held_back = HeldBack(day, ON)
        for of in (*slow.lots, *slow.batches):
            self.assertEqual(self._at_hand(slow, daybook, until, of), held_back.at_hand(of), of)
        for id in slow.batches:
            back = TraceBack(day).of(id)
            found = {("lot", x) for x in back.lots} | {("batch", x) for x in back.batches}
            found |= {("product", x) for x in back.products}
            self.assertEqual(SlowTrace(slow, batch=id).back(id), found)

    def _at_hand(self, slow: SlowDay, daybook: Daybook, until: str | None, of: str) -> bool:
        """Whether something is there, and no recall that is open on the day reaches it."""
        for recall in daybook.recalls:
            if until is not None and recall.at[:10] > until:
                continue
            if recall.closed is not None and recall.closed[:10] < ON:
                continue
            traces = [SlowTrace(slow, lot=lot) for lot in recall.lots if lot in slow.lots]
            if not recall.lots:
                traces = [SlowTrace(slow, product=recall.product, maker=recall.maker)]
            if of in slow.lots:
                lot = slow.lots[of]
                whose = lot.product == recall.product and (
                    recall.maker is None or lot.maker in (None, recall.maker)
                )
                if of in recall.lots or (whose and not recall.lots):
                    return False
            elif any(trace.sure(of) or trace.possible(of) for trace in traces):
                return False
        return slow.there(of, len(slow.order), ON)

    def _compare(self, slow: SlowTrace, found: Trace, day: SlowDay, asked: dict[str, str]) -> None:
        others = [id for id in day.batches if id != asked.get("batch")]
        sure = {id for id in others if slow.sure(id)}
        possible = {id for id in others if slow.possible(id)}
        self.assertEqual(sure, {each.batch for each in found.batches}, asked)
        self.assertEqual(possible, set(found.possible_batches), asked)
        traces = {(id, t) for id in others if id not in sure | possible for t in slow.tools(id)}
        self.assertEqual(traces, set(found.by_tool), asked)
        for each in found.batches:
            grams = slow.grams(each.batch)
            self.assertEqual(grams is None, each.grams is None, (asked, each))
            self.assertAlmostEqual(grams or 0, each.grams or 0, msg=(asked, each))
            self.assertEqual(slow.via(each.batch), each.via, asked)
        plates = [plate for _, plate, _ in day.served]
        self.assertEqual(
            [id(p) for p in plates if slow.served(p)].sort(),
            [id(each.served) for each in found.served].sort(),
        )
        self.assertEqual(
            {id(p) for p in plates if slow.possibly_served(p)},
            {id(each.served) for each in found.possible_served},
        )
        services = {(s.id, item) for s in day.services for item in slow.open_plates(s)}
        self.assertEqual(services, set(found.possible_services), asked)


class LessWrittenDownTest(unittest.TestCase):
    """Taking lots, batches, makers and amounts out of entries is never kinder."""

    @examples(320, suppress_health_check=SLOW_TO_DRAW)
    @given(st.data())
    def test_no_level_falls_and_no_recall_is_shorter(self, data: st.DataObject) -> None:
        book, drawn = data.draw(kitchen_days())
        full = sound(book, drawn)
        thin = data.draw(thinned(full))
        assume(thin != full)
        before, after = read_day(book, full, ON), read_day(book, thin, ON)
        for id in before.timeline.batches:
            levels = after.levels(id)
            for flag, level in before.levels(id).items():
                self.assertGreaterEqual(levels.get(flag, Level.FREE), level, (id, flag))
        for asked in questions(book, before):
            was, now = trace(before, Asked(**asked)), trace(after, Asked(**asked))
            self.assertLessEqual(_reached(was), _reached(now), asked)
            self.assertLessEqual(_told_at(was), _told_at(now), asked)


def _reached(found: Trace) -> set[str]:
    """Every batch that a recall names, however surely."""
    sure = {each.batch for each in found.batches}
    return sure | set(found.possible_batches) | {batch for batch, _ in found.by_tool}


def _told_at(found: Trace) -> set[tuple[str, str]]:
    """Every service and plate that a recall names."""
    served = {(each.service, each.served.plate) for each in found.served}
    served |= {(each.service, each.served.plate) for each in found.possible_served}
    return served | set(found.possible_services)


class CarryingTest(unittest.TestCase):
    """A batch carries what went into it, and an empty daybook adds nothing to the book."""

    @examples(200, suppress_health_check=SLOW_TO_DRAW)
    @given(kitchen_days())
    def test_a_batch_carries_all_that_it_was_drawn_from(
        self, kitchen_day: tuple[Book, Daybook]
    ) -> None:
        book, daybook = kitchen_day
        day = read_day(book, daybook, ON)
        for batch in day.timeline.batches.values():
            carried = day.masks[batch.id]
            for entry in batch.went_in:
                drawn = day.timeline.source_of(entry)
                if drawn is not None:
                    below = day.masks[batch_of(drawn)]
                    self.assertEqual(carried | below, carried, (batch.id, drawn))

    @examples(200, suppress_health_check=SLOW_TO_DRAW)
    @given(kitchens())
    def test_as_the_card_says_reads_as_the_book_does(self, book: Book) -> None:
        for id in book.preparations:
            daybook = Daybook(batches=(Batch("b-1", "2026-12-01T08:00:00+00:00", id),))
            day = read_day(book, daybook, ON)
            self.assertEqual(day.reading.levels(id), day.levels("b-1"))
            self.assertEqual(day.reading.masks[id], day.masks["b-1"])
            declared = Provenance(day).declaration("b-1")
            self.assertEqual(day.reading.declaration(id), declared)

    @examples(160, suppress_health_check=SLOW_TO_DRAW)
    @given(kitchen_days())
    def test_what_reaches_a_batch_is_what_it_came_from(
        self, kitchen_day: tuple[Book, Daybook]
    ) -> None:
        book, daybook = kitchen_day
        day = read_day(book, daybook, ON)
        back = {id: TraceBack(day).of(id) for id in day.timeline.batches}
        asked = [Asked(batch=id) for id in day.timeline.batches]
        asked += [Asked(lot=id) for id in day.timeline.lots]
        for each in asked:
            found = trace(day, each)
            reached = {batch.batch for batch in found.batches}
            came = {
                id
                for id, whence in back.items()
                if each.batch in whence.batches or each.lot in whence.lots
            }
            # What was put into a bag may be in a preparation whose card holds the bag: walking
            # back names it, and it is possible only, as nobody wrote the batch down.
            possible = set(found.possible_batches) if daybook.fills else set()
            self.assertLessEqual(reached, came)
            self.assertLessEqual(came, reached | possible)

    @examples(160, suppress_health_check=SLOW_TO_DRAW)
    @given(st.data())
    def test_grams_in_are_grams_out_and_left(self, data: st.DataObject) -> None:
        book = data.draw(kitchens())
        daybook = replace(data.draw(days(book)), counts=())
        day = read_day(book, daybook, ON)
        quantities = Quantities(book, day.timeline)
        for asked in questions(book, day):
            walk = TraceWalk(day, Asked(**asked))
            for each in walk.trace().batches:
                whole = walk.whole(each.batch)
                if each.grams is None or not whole:
                    continue
                shares = _taken_and_left(day, quantities, each.batch)
                if shares is not None:
                    spread = sum(share * each.grams / whole for share in shares)
                    self.assertAlmostEqual(each.grams, spread, msg=(asked, each))


def _taken_and_left(day: DayReading, quantities: Quantities, id: str) -> list[float] | None:
    """The grams drawn, thrown away, served and left of a batch and its by-products.

    None where one of them is unknown, or more was taken than there was.
    """
    card = card_of(day.book, day.timeline.batches[id])
    parts = by_products_of_batch(card, day.timeline.batches[id])
    every = {id, *(f"{id}/{part}" for part in parts)}
    tubs = {tub.id for tub in day.timeline.tubs.values() if tub.batch in every}
    taken: list[tuple[str, float | None, str | None]] = []
    for entry in day.timeline.entries:
        draws: list[Any] = []
        match entry:
            case Batch():
                draws = list(entry.went_in)
            case Plate():
                draws = list(entry.served.from_ or ())
            case Fill():
                draws = [entry]
            case Discard() if entry.of in every | tubs:
                taken.append((entry.of, entry.quantity, entry.unit))
        for drawn in draws:
            source = getattr(drawn, "tub", None) or drawn.batch
            if source in every | tubs:
                taken.append((source, drawn.quantity, drawn.unit))
    found = [quantities.grams(of, quantity, unit) for of, quantity, unit in taken]
    for of in every:
        left = day.stock.left(of)
        if left.over is not None or left.amount is None:
            return None
        found.append(quantities.grams(of, left.amount.quantity, left.amount.unit))
    return None if None in found else [grams for grams in found if grams is not None]


if __name__ == "__main__":
    unittest.main()
