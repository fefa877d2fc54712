"""The documents that other programs read: their exact forms."""

import unittest
from dataclasses import replace

from tests.kitchens import CHEESE_BOOK, FREE, book, levels, pot, product, reading
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.files.documents.plans_document import plans_content
from yellow_ladle.files.documents.reading_document import item_content, reading_content


class TheReading(unittest.TestCase):
    def test_the_form_of_the_document(self) -> None:
        content = reading_content(reading(*CHEESE_BOOK))
        self.assertEqual(list(content), ["format", "version", "regime", "items", "words"])
        self.assertEqual(content["format"], "yellow-ladle-reading")
        self.assertEqual((content["version"], content["regime"]), (1, "eu-14"))
        self.assertEqual(list(content["items"]), ["bechamel", "cheese-sauce", "white-roux"])
        sauce = content["items"]["cheese-sauce"]
        self.assertEqual(list(sauce), ["flags", "declare", "diets"])
        self.assertEqual(
            sauce["flags"]["wheat"],
            {
                "level": "contains",
                "sources": [
                    {
                        "product": "plain-flour",
                        "level": "contains",
                        "via": ["cheese-sauce", "bechamel", "white-roux"],
                    }
                ],
            },
        )
        self.assertEqual(
            sauce["declare"],
            {"contains": ["gluten_cereals", "milk"], "may_contain": [], "unchecked": []},
        )
        self.assertEqual(
            sauce["diets"]["vegetarian"],
            {
                "verdict": "ask",
                "because": [
                    {"flag": "animal_rennet", "level": "unchecked", "products": ["hard-cheese"]}
                ],
            },
        )

    def test_by_products_are_items_and_own_statements_are_marked(self) -> None:
        carried = reading(pot("stock", statements=levels("pork"), otherwise=FREE, by="fat"))
        content = reading_content(carried)
        self.assertEqual(list(content["items"]), ["stock", "stock/fat"])
        [source] = content["items"]["stock"]["flags"]["pork"]["sources"]
        self.assertEqual(
            source, {"product": "stock", "level": "contains", "via": ["stock"], "own": True}
        )

    def test_only_what_is_above_free_is_listed(self) -> None:
        carried = reading(product("carrot", free="milk"), pot("soup", "carrot"))
        self.assertEqual(item_content(carried, "soup")["flags"], {})


class ThePlans(unittest.TestCase):
    def test_the_form_of_the_document(self) -> None:
        before = reading(*CHEESE_BOOK)
        goals = Goals(("wheat",))
        content = plans_content(["cheese-sauce"], goals, propose(before, "cheese-sauce", goals))
        head = ["format", "version", "item", "goals", "plans", "blocked"]
        self.assertEqual(list(content), head)
        self.assertEqual(content["format"], "yellow-ladle-plans")
        self.assertEqual(content["goals"], {"clear": ["wheat"], "fit": []})
        plan = content["plans"][0]
        self.assertEqual(
            list(plan),
            [
                "meets",
                "same_dish",
                "swaps",
                "adds",
                "clears",
                "extra_pots",
                "also_changes_if_made_for_all",
                "after",
            ],
        )
        [swap] = plan["swaps"]
        self.assertEqual(
            {key: swap[key] for key in ("in", "line", "from", "to", "quantity", "unit", "rule")},
            {
                "in": "white-roux",
                "line": 0,
                "from": "plain-flour",
                "to": "rice-flour",
                "quantity": 100,
                "unit": "g",
                "rule": "rice-flour-roux",
            },
        )
        self.assertTrue(swap["method"])
        self.assertEqual(plan["extra_pots"], ["white-roux", "bechamel", "cheese-sauce"])
        self.assertEqual(plan["clears"], ["wheat"])
        self.assertNotIn("wheat", plan["after"]["flags"])
        self.assertEqual(content["blocked"], [])

    def test_a_clean_tool_is_a_move(self) -> None:
        cod, leek = product("cod", "fish"), product("carrot")
        stock = pot("stock", "cod", equipment=("Chinois",))
        soup = pot("soup", "carrot", equipment=("chinois",))
        tools = (Tool("Chinois", always_shared=True),)
        before = read(replace(book(cod, leek, stock, soup), tools=tools))
        goals = Goals(("fish",))
        content = plans_content(["soup"], goals, propose(before, "soup", goals))
        [plan] = content["plans"]
        [move] = plan["swaps"]
        self.assertEqual(len(move.pop("method")), 1)
        self.assertEqual(
            move,
            {
                "in": "soup",
                "line": None,
                "from": None,
                "to": None,
                "quantity": None,
                "unit": None,
                "tool": "chinois",
                "rule": "clean-tool",
            },
        )
        self.assertEqual((plan["meets"], plan["extra_pots"]), (True, ["soup"]))
        self.assertEqual((plan["after"]["flags"], content["blocked"]), ({}, []))

    def test_what_is_blocked(self) -> None:
        before = reading(*CHEESE_BOOK)
        goals = Goals(("milk",))
        content = plans_content(["cheese-sauce"], goals, propose(before, "cheese-sauce", goals))
        blocked = content["blocked"][0]
        self.assertEqual(list(blocked), ["in", "line", "from", "flag", "why"])
        self.assertEqual((blocked["in"], blocked["flag"]), ("bechamel", "milk"))
