"""What the screen of today asks of the core: choices, a batch as it is recorded, what it means."""

import unittest
from dataclasses import replace
from datetime import date

from hypothesis import HealthCheck, given
from hypothesis import strategies as st

from tests.effort import examples
from tests.production.random_days import days, kitchens
from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.production.batch import Batch, WentIn
from yellow_ladle.core.production.batch_record import (
    with_levels,
    with_out,
    with_rows,
    with_statement,
)
from yellow_ladle.core.production.choices import (
    LineChoices,
    differing_makers,
    line_choices,
    makers_named_today,
)
from yellow_ladle.core.production.day_reading import DayReading, day_of, read_day
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.meaning import meaning_of
from yellow_ladle.core.production.merged_goods import following_merges
from yellow_ladle.core.production.pots_today import pots_today, without_a_card
from yellow_ladle.core.production.recall import HeldBack
from yellow_ladle.core.production.records import Recall
from yellow_ladle.core.production.scanned_lot import lot_of_pack
from yellow_ladle.core.production.shelf_entries import Fill
from yellow_ladle.core.production.tool_entries import ItemUse
from yellow_ladle.core.vocabulary.gs1_elements import scanned
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book

TODAY = "2026-12-02"
BOOK = demo_book()


def at(hours: str, day: str = TODAY) -> str:
    return f"{day}T{hours}:00+00:00"


def reading(*batches: Batch, lots: tuple[Lot, ...] = (), **rest: object) -> DayReading:
    return read_day(BOOK, Daybook(batches=batches, lots=lots, **rest), TODAY)


def choices_of(day: DayReading, card: Preparation) -> list[LineChoices]:
    return line_choices(day, card, HeldBack(day, TODAY))


class ChoicesTest(unittest.TestCase):
    def test_the_oldest_batch_at_hand_stands_first(self) -> None:
        old, new = Batch("b-1", at("08:00"), "white-roux"), Batch("b-2", at("09:00"), "white-roux")
        gone = Batch("b-0", at("08:00", "2026-11-01"), "white-roux")
        day = reading(new, old, gone)
        first, *_ = choices_of(day, BOOK.preparations["veloute"])
        self.assertEqual((first.line.item, first.batches), ("white-roux", ("b-1", "b-2")))

    def test_alternatives_are_those_of_the_card(self) -> None:
        choices = choices_of(reading(), BOOK.preparations["veloute"])
        [stock] = [each for each in choices if each.line.item == "hen-stock"]
        self.assertEqual(stock.alternatives, ("garden-stock", "kelp-stock"))

    def test_a_recalled_lot_is_not_offered(self) -> None:
        lots = tuple(Lot(id, "plain-flour", TODAY, code=id) for id in ("lot-1", "lot-2"))
        roux = BOOK.preparations["white-roux"]
        self.assertEqual(choices_of(reading(lots=lots), roux)[0].lots, ("lot-1", "lot-2"))
        recall = Recall("r-1", at("07:00"), "plain-flour", lots=("lot-1",))
        day = reading(lots=lots, recalls=(recall,))
        self.assertEqual(choices_of(day, roux)[0].lots, ("lot-2",))
        closed = replace(recall, closed="2026-12-01")
        day = reading(lots=lots, recalls=(closed,))
        self.assertEqual(len(choices_of(day, roux)[0].lots), 2)

    def test_a_maker_is_asked_about_only_where_labels_differ(self) -> None:
        day = reading()
        self.assertEqual(differing_makers(day, "oatmeal"), ("gannet-mill", "fell-mill"))
        self.assertEqual(differing_makers(day, "butter"), ())
        self.assertEqual(differing_makers(day, "no-such-jar"), ())
        alike = tuple(Maker(id, id, {"oats": Level.CONTAINS}, Level.FREE) for id in ("a", "b"))
        oats = replace(BOOK.products["oatmeal"], makers=alike, in_use=None)
        book = replace(BOOK, products={**BOOK.products, "oatmeal": oats})
        self.assertEqual(differing_makers(read_day(book, Daybook(), TODAY), "oatmeal"), ())

    def test_the_maker_named_last_today_is_remembered_and_not_yesterdays(self) -> None:
        def made(id: str, when: str, maker: str) -> Batch:
            return Batch(id, when, "oatcakes", went_in=(WentIn("oatmeal", 0, maker=maker),))

        day = reading(
            made("b-1", at("12:00", "2026-12-01"), "fell-mill"),
            made("b-2", at("12:00"), "gannet-mill"),
            made("b-3", at("09:00"), "fell-mill"),
        )
        self.assertEqual(makers_named_today(day, TODAY), {"oatmeal": "gannet-mill"})


class PotsTodayTest(unittest.TestCase):
    def test_what_is_usual_on_the_weekday_stands_first(self) -> None:
        day = reading(
            Batch("b-1", at("09:00", "2026-11-25"), "veloute"),
            Batch("b-2", at("09:00", "2026-11-18"), "veloute"),
            Batch("b-3", at("09:00", "2026-11-25"), "soda-bread"),
            Batch("b-4", at("09:00", "2026-12-01"), "oatcakes"),
            Batch("b-5", at("09:00", "2026-07-01"), "tomato-sauce"),
            Batch("b-6", at("08:00"), "white-roux"),
        )
        pots = pots_today(day, TODAY)
        self.assertEqual([(pot.preparation, pot.usual) for pot in pots[:2]],
                         [("veloute", 2), ("soda-bread", 1)])  # fmt: skip
        by_pot = {pot.preparation: pot for pot in pots}
        self.assertEqual(by_pot["white-roux"].batches, ("b-6",))
        self.assertEqual([by_pot[id].usual for id in ("oatcakes", "tomato-sauce")], [0, 0])

    def test_a_retired_pot_is_there_only_where_it_was_made(self) -> None:
        retired = replace(BOOK.preparations["oatcakes"], retired="2026-11-01")
        book = replace(BOOK, preparations={**BOOK.preparations, "oatcakes": retired})
        day = read_day(book, Daybook(), TODAY)
        self.assertNotIn("oatcakes", {pot.preparation for pot in pots_today(day, TODAY)})
        made = Daybook(batches=(Batch("b-1", at("09:00"), "oatcakes"),))
        day = read_day(book, made, TODAY)
        self.assertIn("oatcakes", {pot.preparation for pot in pots_today(day, TODAY)})

    def test_what_has_no_card_stands_apart(self) -> None:
        day = reading(
            Batch("b-1", at("11:00"), name="Staff food", went_in=(WentIn("kale"),)),
            Batch("b-2", at("11:00"), "a-lost-pot"),
            Batch("b-3", at("11:00", "2026-12-01"), name="Yesterday's"),
        )
        self.assertEqual([batch.id for batch in without_a_card(day, TODAY)], ["b-1", "b-2"])


class RecordingTest(unittest.TestCase):
    def test_every_line_becomes_a_row_times_the_factor(self) -> None:
        day = reading()
        instead = WentIn("shore-fish-stock", 1, quantity=5.0, unit="l")
        batch = with_rows(day, Batch("b-1", at("09:00"), "veloute", went_in=(instead,)), 2)
        self.assertEqual(
            [(entry.line, entry.item, entry.quantity) for entry in batch.went_in],
            [(0, "white-roux", 640), (1, "shore-fish-stock", 5), (4, "stock-powder", 8)],
        )
        out = with_out(day, batch, 2).out
        self.assertEqual(out.quantity if out else 0, 6)
        self.assertEqual(batch.card, BOOK.preparations["veloute"])

    def test_a_maker_is_taken_only_where_somebody_named_one(self) -> None:
        batch = Batch("b-1", at("09:00"), "oatcakes")
        rows = with_rows(reading(), batch, 1, {"oatmeal": "fell-mill"}).went_in
        self.assertEqual([row.maker for row in rows], ["fell-mill", None, None, None])

    def test_levels_are_kept_as_they_stand_without_traces_of_own_tools(self) -> None:
        batch = Batch("b-1", at("09:00"), "white-roux", tools=("chinois",))
        daybook = Daybook(uses=(ItemUse("chinois", "shore-fish-stock", at("08:00")),))
        day = day_of(reading().reading, daybook)
        kept = with_levels(day, daybook, batch).statements
        self.assertEqual(kept["wheat"], Level.CONTAINS)
        self.assertNotIn("fish", kept)
        self.assertNotIn(Level.UNCHECKED, kept.values())

    def test_a_correction_keeps_what_only_the_record_still_holds(self) -> None:
        """The label of the butter says less by now; the note alone is corrected."""
        stated = {"milk": Level.CONTAINS, "celery": Level.CONTAINS, "wheat": Level.CONTAINS}
        recorded = Batch("b-1", at("09:00"), "white-roux", statements=stated)
        daybook = Daybook(batches=(recorded,))
        day = day_of(reading().reading, daybook)
        again = with_levels(day, daybook, replace(recorded, note="lumpy", statements={}), recorded)
        self.assertEqual(again.statements["celery"], Level.CONTAINS)
        garden = WentIn("garden-stock", 0)
        no_flour = replace(recorded, statements={}, went_in=(garden,))
        corrected = with_levels(day, daybook, no_flour, recorded).statements
        self.assertNotIn("wheat", corrected)
        self.assertEqual(corrected["celery"], Level.CONTAINS)

    def test_a_level_that_somebody_states_raises(self) -> None:
        batch = Batch("b-1", at("09:00"), "white-roux", statements={"nuts": Level.MAY_CONTAIN})
        kept = with_levels(reading(), Daybook(), batch).statements
        self.assertEqual(kept["nuts"], Level.MAY_CONTAIN)
        self.assertEqual(kept["wheat"], Level.CONTAINS)

    def test_a_wrong_level_is_taken_off_with_a_reason_only(self) -> None:
        batch = Batch("b-1", at("09:00"), "white-roux")
        stated = with_statement(batch, "celery", Level.CONTAINS, "")
        with self.assertRaises(BookRefused):
            with_statement(stated, "celery", None, " ")
        with self.assertRaises(BookRefused):
            with_statement(stated, "fish", None, "never there")
        self.assertEqual(with_statement(stated, "celery", None, "wrong pot"), batch)

    def test_what_cannot_be_is_refused(self) -> None:
        batch = Batch("b-1", at("09:00"), "veloute", went_in=(WentIn("white-roux", batch="b-9"),))
        with self.assertRaises(BookRefused):
            with_levels(reading(), Daybook(), batch)

    @examples(80, suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large])
    @given(st.data())
    def test_what_is_recorded_whole_carries_what_it_did(self, data: st.DataObject) -> None:
        """Rows in the place of written lines, and the card beside them, change nothing."""
        book = data.draw(kitchens())
        daybook = data.draw(days(book))
        day = read_day(book, daybook, TODAY)
        recorded = tuple(
            with_rows(day, batch, 1) if batch.preparation in book.preparations else batch
            for batch in daybook.batches
        )
        again = read_day(book, replace(daybook, batches=recorded), TODAY)
        self.assertEqual(day.masks, again.masks)


class MeaningTest(unittest.TestCase):
    def test_fish_in_a_sauce_is_told_for_the_plates_and_the_guests_it_reaches(self) -> None:
        needs = (Need("n-1", "Table 4", ("fish",)), Need("n-2", "Six of us", fit=("vegetarian",)))
        needs += (Need("n-3", "Table 9", ("lupin",)),)
        book = replace(BOOK, needs=needs)
        day = read_day(book, Daybook(), TODAY)
        entry = WentIn("shore-fish-stock", 1)
        found = meaning_of(day, Daybook(), Batch("b-1", at("09:00"), "veloute", went_in=(entry,)))
        assert found.differs is not None
        self.assertIn("fish", found.differs.more)
        self.assertIn("poultry", found.differs.less)
        plates = {plate.plate: plate.more for plate in found.plates}
        self.assertIn("fish", plates["hen-leek-pie"])
        touched = {(each.need.id, each.plate) for each in found.needs}
        self.assertIn(("n-1", "hen-leek-pie"), touched)
        self.assertNotIn("n-3", {need for need, _ in touched})

    def test_as_the_card_says_means_nothing_new(self) -> None:
        found = meaning_of(reading(), Daybook(), Batch("b-1", at("09:00"), "veloute"))
        assert found.differs is not None
        self.assertEqual((found.differs.more, found.differs.less, found.plates), ((), (), ()))

    def test_without_a_card_there_is_nothing_to_compare_with(self) -> None:
        batch = Batch("b-1", at("09:00"), name="Staff food", went_in=(WentIn("butter"),))
        found = meaning_of(reading(), Daybook(), batch)
        self.assertIsNone(found.differs)
        self.assertEqual(found.levels["milk"], Level.CONTAINS)


class ScannedLotTest(unittest.TestCase):
    flour = BOOK.products["plain-flour"]

    def test_a_known_lot_is_found_by_its_code(self) -> None:
        known = [Lot("lot-1", "plain-flour", TODAY, code="A113"), Lot("lot-2", "butter", TODAY)]
        self.assertEqual(lot_of_pack(scanned("A113"), self.flour, known, TODAY).id, "lot-1")
        self.assertEqual(lot_of_pack(scanned("B7"), self.flour, known, TODAY).id, "")

    def test_the_maker_is_the_one_whose_pack_it_is(self) -> None:
        makers = (Maker("mill", "Mill", code="5012345678900"), Maker("dale", "Dale"))
        flour = replace(self.flour, makers=makers)
        text = "(01)05012345678900(15)270131(10)A113(3103)001500"
        lot = lot_of_pack(scanned(text), flour, [], TODAY)
        self.assertEqual((lot.maker, lot.code, lot.quantity), ("mill", "A113", 1500))
        self.assertEqual((lot.use_by, lot.best_before), (None, date(2027, 1, 31).isoformat()))


class MergedGoodsTest(unittest.TestCase):
    def test_every_entry_follows_the_good_it_was_put_into(self) -> None:
        kept = replace(BOOK.products["butter"], merged=("butter-2",))
        book = replace(BOOK, products={**BOOK.products, "butter": kept})
        card = BOOK.preparations["white-roux"]
        old = tuple(replace(line, item="butter-2") if line.item == "butter" else line
                    for line in card.lines)  # fmt: skip
        daybook = Daybook(
            lots=(Lot("lot-1", "butter-2", TODAY),),
            batches=(
                Batch("b-1", at("09:00"), "white-roux", card=replace(card, lines=old)),
                Batch("b-2", at("09:10"), name="Toast", went_in=(WentIn("butter-2", lot="lot-1"),)),
                Batch("b-3", at("09:20"), name="Kale", went_in=(WentIn("kale"),)),
            ),
            fills=(Fill("day-old-bread", at("08:00"), item="butter-2"),),
            uses=(ItemUse("blender", "butter-2", at("08:00")),),
        )
        found = following_merges(book, daybook)
        self.assertEqual(found.lots[0].product, "butter")
        self.assertEqual(found.batches[1].went_in[0].item, "butter")
        self.assertEqual(found.batches[0].card, card)
        self.assertIs(found.batches[2], daybook.batches[2])
        self.assertEqual((found.fills[0].item, found.uses[0].item), ("butter", "butter"))
        self.assertIs(following_merges(BOOK, daybook), daybook)
        levels = read_day(book, daybook, TODAY).levels("b-2")
        self.assertEqual(levels["milk"], Level.CONTAINS)


if __name__ == "__main__":
    unittest.main()
