"""Shared tools, statements that grow old, what is unchecked, and sign-offs that go stale."""

import unittest
from dataclasses import replace

from tests.kitchens import FREE, FULL, MAY, OPEN, book, levels, line, pot, product, reading
from yellow_ladle.core.book.book import Book, Step
from yellow_ladle.core.book.maker import Evidence, Maker, Paper
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.product import Bag
from yellow_ladle.core.book.sign_off import SignOff, after
from yellow_ladle.core.book.tool import Tool, Use, tool_id
from yellow_ladle.core.cards.board_columns import columns
from yellow_ladle.core.checks.book_faults import tool_faults
from yellow_ladle.core.larder.review_dates import (
    RunOut,
    SecondLook,
    run_out_certificates,
    second_looks,
)
from yellow_ladle.core.larder.unchecked import freed, held
from yellow_ladle.core.reading.day_traces import day_reading
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.texts import way_names
from yellow_ladle.core.reading.update import Change, reread, stating

DAY = "2026-11-24"
SIEVE = "fine sieve"


def shared_book(*tools: Tool) -> Book:
    made = (
        product("flour", "wheat"),
        product("nuts", "hazelnut"),
        product("leek", "allium"),
        pot("roux", "flour", equipment=(SIEVE,)),
        pot("cream", line("leek", equipment=(SIEVE,)), kind="soup"),
        pot("nut-sauce", "nuts", method=(Step("Sieve.", equipment=(SIEVE, "blender")),)),
        pot("gravy", "leek", equipment=("blender",)),
        pot("plate", "cream", kind="dish"),
    )
    return replace(book(*made), tools=tools)


class AlwaysShared(unittest.TestCase):
    def test_the_book_is_read_without_tools_unless_the_kitchen_says_so(self) -> None:
        plain = read(shared_book(Tool(SIEVE)))
        self.assertEqual(plain.levels("cream"), levels("allium"))

    def test_one_always_shared_leaves_traces_that_travel(self) -> None:
        found = read(shared_book(Tool(SIEVE, always_shared=True)))
        self.assertEqual(found.levels("plate"), levels("allium", may="wheat hazelnut"))
        [source] = found.sources("plate")["wheat"]
        self.assertEqual((source.product, source.tool), ("roux", SIEVE))
        self.assertEqual(source.via, ("plate", "cream"))
        told = way_names(found.book, source)
        self.assertEqual(told, ["Roux", "the fine sieve, a trace", "Cream", "here"])

    def test_traces_go_on_through_a_second_tool(self) -> None:
        tools = (Tool(SIEVE, always_shared=True), Tool("blender", always_shared=True))
        self.assertEqual(read(shared_book(*tools)).level("gravy", "wheat"), MAY)

    def test_a_dedicated_tool_leaves_nothing(self) -> None:
        found = read(shared_book(Tool(SIEVE, dedicated=True, always_shared=True)))
        self.assertEqual(found.levels("cream"), levels("allium"))

    def test_a_change_is_reread_as_a_whole(self) -> None:
        before = read(shared_book(Tool(SIEVE, always_shared=True)))
        again = reread(before, stating(before.book, "flour", "soy", FULL))
        self.assertEqual(again.reading.level("plate", "soy"), MAY)
        self.assertEqual(set(again.changed), {"flour", "roux", "cream", "nut-sauce", "plate"})

    def test_a_nut_free_verdict_names_the_pot_that_left_the_trace(self) -> None:
        found = read(shared_book(Tool(SIEVE, always_shared=True)))
        [reason] = found.suitability("plate")["nut_free"].because
        self.assertEqual((reason.flag, reason.products), ("hazelnut", ("nut-sauce",)))


class OneDay(unittest.TestCase):
    def test_what_went_before_adds_traces_to_what_follows(self) -> None:
        uses = [Use(SIEVE, "nut-sauce"), Use(SIEVE, "cream")]
        found = day_reading(read(shared_book(Tool(SIEVE))), uses)
        self.assertEqual(found.levels("cream"), levels("allium", may="hazelnut"))
        self.assertEqual(found.level("plate", "hazelnut"), MAY)
        self.assertEqual(found.levels("nut-sauce"), levels("hazelnut"))

    def test_a_wash_between_and_a_dedicated_tool_leave_nothing(self) -> None:
        uses = [Use(SIEVE, "nut-sauce"), Use(SIEVE, None), Use(SIEVE, "cream")]
        self.assertEqual(
            day_reading(read(shared_book(Tool(SIEVE))), uses).levels("cream"), levels("allium")
        )
        kept = read(shared_book(Tool(SIEVE, dedicated=True)))
        self.assertEqual(day_reading(kept, uses[::2]).levels("cream"), levels("allium"))

    def test_traces_are_passed_on_in_the_order_of_the_day(self) -> None:
        uses = [
            Use(SIEVE, "roux"),
            Use(SIEVE, "nut-sauce"),
            Use("blender", "nut-sauce"),
            Use("blender", "gravy"),
        ]
        found = day_reading(read(shared_book()), uses)
        self.assertEqual(found.level("gravy", "wheat"), MAY)
        self.assertEqual(found.level("roux", "hazelnut"), FREE)

    def test_names_are_one_without_case_blanks_and_accents(self) -> None:
        tools = (Tool("Stick blender", always_shared=True), Tool("Sieve", dedicated=True))
        pieces = (
            product("cod", "fish"),
            product("leek"),
            pot("stock", line("cod", equipment=("stick-BLENDER",))),
            pot("soup", line("leek", equipment=("Stíck Blender",))),
        )
        carried = read(replace(book(*pieces), tools=tools))
        [source] = carried.sources("soup")["fish"]
        self.assertEqual((carried.level("soup", "fish"), source.tool), (MAY, "Stick blender"))
        self.assertEqual(tool_id("Stíck  Blender"), "stick-blender")
        day = day_reading(
            read(replace(book(*pieces), tools=tools[1:])),
            [Use("SIEVE", "stock"), Use("sieve", "soup")],
        )
        self.assertEqual(day.level("soup", "fish"), FREE)

    def test_a_card_may_call_a_tool_by_its_id(self) -> None:
        tools = (Tool("Fine chinois", always_shared=True, id="ch-1"),)
        pieces = (
            product("cod", "fish"),
            product("leek"),
            pot("stock", line("cod", equipment=("CH 1",))),
            pot("soup", line("leek", equipment=("fine-chinois",))),
            pot("purée", line("leek", equipment=("drum sieve",))),
        )
        carried = read(replace(book(*pieces), tools=tools))
        [source] = carried.sources("soup")["fish"]
        slug = carried.book.toolbox.slug("Fine chinois")
        self.assertEqual((source.tool, slug), ("Fine chinois", "ch-1"))
        self.assertEqual(carried.book.tool_names, ("Fine chinois", "drum sieve"))
        day = day_reading(
            read(replace(book(*pieces), tools=(replace(tools[0], always_shared=False),))),
            [Use("ch-1", "stock"), Use("Fine chinois", "soup")],
        )
        self.assertEqual(day.level("soup", "fish"), MAY)
        told = [fault.message for fault in tool_faults((*tools, Tool("ch 1")))]
        self.assertEqual(told, ['the tool "ch 1" is here twice, as "Fine chinois" as well'])


class Ages(unittest.TestCase):
    def test_what_is_older_than_the_kitchen_allows_is_listed_and_not_lowered(self) -> None:
        def read_on(day: str | None) -> dict[str, Evidence]:
            why = Evidence("label", day, "NB")
            return {"otherwise": why, "milk": why}

        kept = (
            product("old", "milk", evidence=read_on("2026-05-01")),
            product("fresh", "milk", evidence=read_on("2026-11-01")),
            product("undated", "milk"),
            product("unread", otherwise=OPEN),
            product(
                "made",
                makers=(
                    Maker(
                        "m",
                        "M",
                        levels("egg"),
                        OPEN,
                        evidence={"egg": Evidence("label", "2025-01-01")},
                    ),
                ),
            ),
            product("bag", bag=Bag()),
        )
        found = second_looks(book(*kept), DAY)
        self.assertEqual(
            found,
            [
                SecondLook("undated", None, None, None, None),
                SecondLook("made", "m", "2025-01-01", 692, None),
                SecondLook("old", None, "2026-05-01", 207, "NB"),
            ],
        )
        self.assertEqual(reading(*kept).level("old", "milk"), FULL)

    def test_a_certificate_that_ran_out_is_told(self) -> None:
        lamb = product(
            "lamb", "lamb", certificates=("halal",), papers={"halal": Paper("H1", "2026-01-31")}
        )
        self.assertEqual(
            list(run_out_certificates(book(lamb), DAY)),
            [RunOut("lamb", None, "halal", "H1", "2026-01-31")],
        )


class Holding(unittest.TestCase):
    def setUp(self) -> None:
        self.found = reading(
            product("powder", otherwise=OPEN),
            product("cube", unchecked="celery"),
            product("milk", "milk"),
            pot("stock", "powder"),
            pot("soup", "stock", "milk", kind="soup"),
            pot("bowl", "soup", kind="dish"),
            pot("pie", "soup", "cube", kind="dish"),
            pot("tub", kind="stock"),
        )

    def test_what_holds_most_plates_comes_first(self) -> None:
        ranked = held(self.found)
        self.assertEqual([entry.item for entry in ranked], ["powder", "cube", "tub"])
        powder, cube, tub = ranked
        self.assertEqual(powder.plates, ("bowl", "pie"))
        self.assertEqual(powder.frees, ("bowl",))
        self.assertEqual((cube.plates, cube.frees, cube.flags), (("pie",), (), ("celery",)))
        self.assertEqual((tub.plates, tub.pots), ((), 1))

    def test_what_a_guest_waits_for_comes_before_all(self) -> None:
        needs = (Need("n1", "Table 4", clear=("celery",)), Need("n2", "Table 5", fit=("halal",)))
        first, second = held(self.found, needs)[:2]
        self.assertEqual((first.item, first.needs), ("powder", ("n1", "n2")))
        self.assertEqual((second.item, second.needs), ("cube", ("n1",)))
        only_oats = (Need("n3", "Table 6", clear=("oats",)),)
        self.assertEqual(held(self.found, only_oats)[1].needs, ())

    def test_settling_one_tells_what_it_frees(self) -> None:
        self.assertEqual([entry.frees for entry in held(self.found)], [("bowl",), (), ()])
        change = Change(products=(product("powder"),))
        self.assertEqual(freed(self.found, reread(self.found, change).reading), ["bowl"])

    def test_an_unread_maker_is_named(self) -> None:
        makers = (Maker("a", "A", {}, FREE), Maker("b", "B"))
        [entry] = held(reading(product("flour", makers=makers), pot("bread", "flour", kind="dish")))
        self.assertEqual((entry.item, entry.maker, entry.plates), ("flour", "b", ("bread",)))

    def test_a_bag_without_a_wash_is_on_the_list_and_on_no_board(self) -> None:
        found = reading(product("shells", bag=Bag(), otherwise=OPEN), pot("bisque", "shells"))
        self.assertEqual([entry.item for entry in held(found)], ["shells"])
        self.assertEqual(set(columns(found)), {"bisque"})


class SigningOff(unittest.TestCase):
    def test_a_change_from_above_makes_it_stale_and_stale_it_stays(self) -> None:
        signed = {"soup": SignOff("NB", "2026-11-01"), "pie": SignOff("MK", "2026-11-02")}
        once = after(signed, {"soup"}, DAY, "Cube: celery, now contains")
        self.assertFalse(once["soup"].holds)
        self.assertEqual((once["soup"].stale_since, once["pie"].holds), (DAY, True))
        again = after(once, {"soup", "pie"}, "2026-11-25", "Something else")
        self.assertEqual(again["soup"].stale_by, "Cube: celery, now contains")
        self.assertEqual(again["pie"].stale_by, "Something else")
