"""A clean or dedicated tool as a move of a plan, and traces that only own tools leave."""

import unittest
from dataclasses import replace

from tests.kitchens import FREE, MAY, book, line, pot, product
from tests.planned import as_variant, for_all
from yellow_ladle.core.book.book import Book, Preparation, Step
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.menu.menu_plan import Guest
from yellow_ladle.core.swaps.menu.planner import plan_menu
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import CleanTool
from yellow_ladle.core.swaps.search.proposal import propose

SIEVE = Tool("Sieve", always_shared=True)
NO_FISH = Goals(("fish",))
PIECES = (
    product("cod", "fish"),
    product("leek"),
    product("soy-milk", "soy", may="fish"),
    product("flour", "wheat", "wheat-flour"),
    product("rice-flour", "", "rice-flour"),
    pot("fish-stock", "cod", equipment=("sieve",), kind="stock"),
    pot(
        "leek-soup",
        "leek",
        kind="soup",
        method=(Step("Pass it.", equipment=("SIEVE",)), Step("Serve.")),
    ),
    pot("plate", "leek-soup", kind="dish"),
    pot("bound", line("flour", "thickener"), line("leek"), equipment=("sieve",)),
    pot("soy-soup", "soy-milk", kind="soup"),
)


def shared(*tools: Tool) -> Book:
    return replace(book(*PIECES), tools=tools or (SIEVE,))


def plans(item: str, goals: Goals, *tools: Tool) -> tuple[Plan, ...]:
    return propose(read(shared(*tools)), item, goals).plans


class CleanToolsAreMoves(unittest.TestCase):
    def test_a_trace_alone_is_cleared_by_a_clean_tool(self) -> None:
        [plan] = plans("plate", NO_FISH)
        self.assertTrue(plan.meets)
        self.assertEqual((plan.swaps, plan.cleaned), ((), (CleanTool("leek-soup", "Sieve"),)))
        self.assertEqual((plan.clears, plan.adds), (("wheat", "fish"), ()))
        self.assertEqual((plan.pots, plan.score.swaps), (("leek-soup", "plate"), 1))

    def test_what_no_wash_clears_is_filled_afresh(self) -> None:
        fryer = Tool("Sieve", always_shared=True, absorbs=True)
        box = shared(fryer).toolbox
        [plan] = plans("plate", NO_FISH, fryer)
        [move] = plan.cleaned
        self.assertTrue(move.method(box).startswith("Fill the sieve afresh"))
        self.assertTrue(move.method(shared().toolbox).startswith("Wash the sieve"))
        card = for_all(read(shared(fryer)), plan).preparations[0]
        self.assertEqual(card.method[0].text, move.method(box))

    def test_a_small_pot_takes_the_trace_of_the_usual_one(self) -> None:
        """The usual pot goes through the sieve as well, though no other one holds wheat."""
        [plan] = plans("bound", Goals(("wheat",)))
        self.assertEqual([swap.to for swap in plan.swaps], ["rice-flour"])
        self.assertEqual(plan.cleaned, (CleanTool("bound", "Sieve"),))

    def test_where_traces_do_not_count_no_tool_is_washed(self) -> None:
        before = read(shared())
        self.assertEqual(before.level("plate", "fish"), MAY)
        self.assertTrue(Goals((), ("vegan",)).met(before, "plate"))
        [plan] = propose(before, "plate", Goals((), ("vegan",))).plans
        self.assertEqual(plan.changed, frozenset())

    def test_dedicated_and_unshared_tools_are_left_alone(self) -> None:
        for tool in (Tool("Sieve"), Tool("Sieve", dedicated=True, always_shared=True)):
            [plan] = plans("plate", NO_FISH, tool)
            self.assertEqual(plan.changed, frozenset())

    def test_the_card_says_so_and_its_own_reading_agrees(self) -> None:
        before = read(shared())
        [plan] = propose(before, "plate", NO_FISH).plans
        names = names_by_what_it_is(before, plan)
        self.assertEqual(names["leek-soup"], "Leek soup, clean sieve")
        for change in (as_variant(before, plan, names), for_all(before, plan)):
            after = read(applied(before.book, change))
            [soup] = [made for made in change.preparations if made.kind == "soup"]
            self.assertEqual(
                soup.method[0].text,
                "Wash the sieve before and after this, or take one that is kept for it.",
            )
            self.assertEqual(soup.tools, ("clean sieve", "clean sieve"))
            self.assertEqual(after.level(soup.id, "fish"), FREE)
            self.assertEqual(after.level("fish-stock", "wheat"), MAY)
        self.assertEqual(
            floor_sentence(before, plan, NO_FISH),
            "Without fish: made through a clean sieve.",
        )

    def test_a_clean_tool_never_gets_the_name_of_a_shared_one(self) -> None:
        tools = (SIEVE, Tool("Clean sieve", always_shared=True))
        fish = pot("eel-stock", "cod", equipment=("clean sieve",))
        before = read(applied_with(shared(*tools), fish))
        [plan] = propose(before, "plate", NO_FISH).plans
        after = read(applied(before.book, for_all(before, plan)))
        self.assertEqual(after.level("plate", "fish"), FREE)

    def test_the_menu_washes_for_those_who_mind(self) -> None:
        found = plan_menu(
            read(shared()), ["plate"], [Guest("Ada", NO_FISH), Guest("Bo", Goals(("soy",)))]
        )
        [ada, bo] = found.servings
        assert ada.plan is not None and bo.plan is not None
        self.assertTrue(ada.plan.meets and bo.plan.meets)
        self.assertEqual(ada.plan.cleaned, (CleanTool("leek-soup", "Sieve"),))
        self.assertEqual(bo.pots, ())


class TracesOfOwnTools(unittest.TestCase):
    def test_they_are_told_apart_from_a_makers_words(self) -> None:
        before = read(shared())
        self.assertEqual(before.tool_traces("plate"), {"fish", "wheat"})
        self.assertEqual(before.level("soy-soup", "fish"), MAY)
        self.assertEqual(before.tool_traces("soy-soup"), frozenset())
        self.assertEqual(before.tool_traces("fish-stock"), {"wheat", "allium"})

    def test_a_maker_who_says_so_as_well_counts_more(self) -> None:
        mixed = pot("mixed", "soy-milk", "leek", equipment=("sieve",))
        before = read(applied_with(shared(), mixed))
        self.assertEqual(before.tool_traces("mixed"), {"wheat"})


def applied_with(before: Book, made: Preparation) -> Book:
    return replace(before, preparations={**before.preparations, made.id: made})


if __name__ == "__main__":
    unittest.main()
