"""Changing: consequences first, then the record; and two people at once."""

from httpx2 import Response

from tests.api.client import ApiTest
from yellow_ladle.core.book.book import Kitchen
from yellow_ladle.files.book.book_file import parse_book, write_book
from yellow_ladle.store.ledger import Ledger

MAY_MUSTARD = {"kind": "label", "date": "2026-11-24", "person": "TJ"}


class Previewing(ApiTest):
    def test_a_preview_tells_and_records_nothing(self) -> None:
        change = self.statement("milk", "soy", "contains")
        told = self.post("/preview", {"change": change})
        self.assertTrue(told["sentence"].startswith("Changes "))
        sauce = next(item for item in told["items"] if item["item"] == "milk-sauce")
        flag = {"flag": "soy", "before": "may_contain", "after": "contains", "tool_trace": False}
        self.assertEqual(sauce["flags"], [flag])
        self.assertEqual(self.get("/products/milk")["version"], 1)
        self.assertEqual(self.reopened().now.versions["milk"], 1)

    def test_a_preview_is_what_then_happens(self) -> None:
        change = self.statement("hard-cheese", "animal_rennet", "contains")
        told = self.post("/preview", {"change": change})
        done = self.post("/changes", {"change": change, "seen": 1})
        self.assertEqual(done["impact"], told)
        self.assertEqual(done["versions"], {"hard-cheese": 2})
        self.assertEqual(self.carried("lantern-sauce")["animal_rennet"], "contains")


class Recording(ApiTest):
    def test_what_is_recorded_is_in_the_file(self) -> None:
        change = self.statement("rice-flour", "mustard", "may_contain", evidence=MAY_MUSTARD)
        self.post("/changes", {"change": change, "seen": 1})
        ledger = self.reopened()
        product = ledger.now.reading.book.products["rice-flour"]
        self.assertEqual(product.statements["mustard"].word, "may_contain")
        self.assertEqual(product.evidence["mustard"].person, "TJ")
        self.assertEqual(dict(ledger.now.reading.masks), dict(self.ledger.now.reading.masks))

    def test_a_new_product_goes_into_a_pot_and_out_again(self) -> None:
        salt = {"id": "smoked-salt", "name": "Smoked salt", "class": "salt", "otherwise": "free"}
        salt["evidence"] = {"otherwise": {"kind": "label", "person": "MK"}}
        new = self.post("/changes", {"change": {"change": "product", "product": salt}})
        line = {"item": "smoked-salt", "quantity": 2, "unit": "g", "role": "seasoning"}
        change = {"change": "line", "preparation": "veloute", "line": 4, "to": line}
        done = self.post("/changes", {"change": change, "seen": 1})
        self.assertIn("veloute", [item["item"] for item in done["impact"]["items"]])
        self.assertEqual(self.get("/preparations/veloute")["lines"][4]["name"], "Smoked salt")
        gone = {"change": "removal", "item": "smoked-salt"}
        seen = new["versions"]["smoked-salt"]
        problem = self.post("/changes", {"change": gone, "seen": seen}, status=422)
        self.assertIn("still goes into Velouté", problem["detail"])
        self.assertIn("Nothing was changed.", problem["detail"])

    def test_a_choice_is_changed(self) -> None:
        change = {"change": "choice", "preparation": "veloute", "line": 2}
        done = self.post("/changes", {"change": change, "seen": 1})
        self.assertIn("veloute", [item["item"] for item in done["impact"]["items"]])
        self.assertTrue(self.get("/preparations/veloute")["lines"][2]["counted"])

    def test_a_pot_by_its_flags_alone_and_later_by_its_card(self) -> None:
        stock = {
            "id": "ham-stock",
            "name": "Ham stock",
            "kind": "stock",
            "statements": {"pork": "contains"},
        }
        new = self.post("/changes", {"change": {"change": "preparation", "preparation": stock}})
        carries = self.carried("ham-stock")
        self.assertEqual((carries["pork"], carries["egg"]), ("contains", "unchecked"))
        line = {"item": "bacon", "quantity": 200, "unit": "g", "role": "body"}
        written = stock | {"lines": [line]}
        seen = new["versions"]["ham-stock"]
        self.post(
            "/changes",
            {"change": {"change": "preparation", "preparation": written}, "seen": seen},
        )
        self.assertEqual(list(self.carried("ham-stock")), ["pork"])

    def test_a_pot_of_every_field_comes_back_from_the_file(self) -> None:
        whole = {
            "id": "whole",
            "name": "Whole",
            "kind": "sauce",
            "class": "veloute",
            "colour": "blond",
            "lines": [
                {
                    "item": "hen-stock/fat",
                    "quantity": 1.5,
                    "unit": "tbsp",
                    "role": "fat",
                    "stage": "garnish",
                    "optional": True,
                    "strained_out": True,
                    "choice": "fat",
                    "chosen": True,
                    "note": "warm",
                    "equipment": ["fine sieve"],
                    "treatment": "simmered",
                    "minutes": 12.5,
                    "group": "To begin",
                    "typed": "",
                }
            ],
            "statements": {"milk": "may_contain"},
            "otherwise": "unchecked",
            "yield": {"quantity": 2, "unit": "l", "note": "it takes up water"},
            "by_products": [{"id": "skin", "name": "Skin", "quantity": 3, "unit": "g", "of": [0]}],
            "equipment": ["chinois"],
            "method": [
                {
                    "text": "Whisk.",
                    "minutes": 3,
                    "heat": "low",
                    "cue": "smooth",
                    "caution": "hot",
                    "equipment": ["whisk"],
                    "uses": ["hen-stock/fat"],
                    "passive": True,
                }
            ],
            "evidence": {"milk": MAY_MUSTARD},
            "variant_of": "veloute",
            "density_g_per_ml": 1.02,
            "portions": 8,
            "pan": {"width_cm": 32, "lid": "ajar"},
            "batches": [
                {"date": "2026-11-20", "filled_l": 4, "came_out_l": 2, "minutes": 50},
            ],
            "way": "as ever",
            "ways": [
                {
                    "name": "quick",
                    "lines": [],
                    "method": [],
                    "colour": "white",
                    "yield": {"quantity": 1, "unit": "l", "note": ""},
                    "portions": None,
                    "by_products": [
                        {"id": "skin", "name": "Skin", "quantity": 1, "unit": "g", "of": None}
                    ],
                }
            ],
            "retired": "2026-11-24",
            "not_in_it": ["egg wash"],
            "keeps": {"chilled_days": 2, "frozen_days": None},
            "course": "main",
            "made_here": False,
            "section": "sauces",
        }
        self.post("/changes", {"change": {"change": "preparation", "preparation": whole}})
        again = self.reopened().now.reading.book.preparations["whole"]
        self.assertEqual(again, self.ledger.now.reading.book.preparations["whole"])
        self.assertEqual(self.get("/preparations/whole")["preparation"], whole)


class Refusing(ApiTest):
    def test_a_loop_is_refused_by_name(self) -> None:
        line = {"item": "veloute", "quantity": 1, "unit": "l", "role": "liquid"}
        change = {"change": "line", "preparation": "white-roux", "line": 0, "to": line}
        problem = self.post("/preview", {"change": change}, status=422)
        self.assertIn("A pot cannot go into itself: ", problem["detail"])
        self.assertIn("Velouté", problem["detail"])

    def test_unknown_things(self) -> None:
        for change, status, words in (
            (self.statement("mlik", "soy", "contains"), 404, 'no pot "mlik"'),
            (self.statement("milk", "soi", "contains"), 422, 'did you mean "soy"?'),
            ({"change": "removal", "item": "nothing"}, 404, 'no product "nothing"'),
            ({"change": "choice", "preparation": "veloute", "line": 99}, 404, 'no line "99"'),
            ({"change": "unknown"}, 422, "body.change"),
        ):
            problem = self.post("/preview", {"change": change}, status=status)
            self.assertIn(words, problem["detail"])

    def test_wrong_amounts(self) -> None:
        for quantity in (-1, "1", None):
            line = {"item": "milk", "quantity": quantity, "unit": "l", "role": "liquid"}
            change = {"change": "line", "preparation": "veloute", "line": 0, "to": line}
            self.post("/preview", {"change": change}, status=422)

    def test_a_refused_change_leaves_everything_as_it_was(self) -> None:
        before = self.get("/family")
        line = {"item": "nothing", "quantity": 1, "unit": "l", "role": "liquid"}
        change = {"change": "line", "preparation": "veloute", "line": 0, "to": line}
        self.post("/changes", {"change": change, "seen": 1}, status=422)
        self.assertEqual(self.get("/family"), before)
        self.assertEqual(self.reopened().now.versions, self.ledger.now.versions)


class TwoAtOnce(ApiTest):
    def test_the_second_write_gets_both_states_and_loses_nothing(self) -> None:
        first = self.statement("milk", "soy", "contains")
        second = self.statement("milk", "egg", "contains")
        self.post("/changes", {"change": first, "seen": 1})
        problem = self.post("/changes", {"change": second, "seen": 1}, status=409)
        self.assertEqual(problem["current"]["version"], 2)
        self.assertEqual(problem["current"]["content"]["statements"]["soy"], "contains")
        self.assertEqual(problem["yours"]["change"], second)
        self.assertIn("changed by somebody else", problem["detail"])
        self.post("/changes", {"change": second, "seen": 2})
        statements = self.get("/products/milk")["product"]["statements"]
        self.assertEqual(statements, {"milk": "contains", "soy": "contains", "egg": "contains"})

    def test_a_new_thing_cannot_be_written_over_one_that_is_there(self) -> None:
        product = {"id": "milk", "name": "Other milk", "class": "milk"}
        body = {"change": {"change": "product", "product": product}}
        problem = self.post("/changes", body, status=409)
        self.assertEqual(problem["current"]["content"]["name"], "Brough Dairy whole milk")

    def test_a_pot_that_was_removed_meanwhile(self) -> None:
        gone = {"change": "removal", "item": "beetroot-plate"}
        self.post("/changes", {"change": gone, "seen": 1})
        pot = {"id": "beetroot-plate", "name": "Mine", "kind": "dish"}
        body = {"change": {"change": "preparation", "preparation": pot}, "seen": 1}
        problem = self.post("/changes", body, status=409)
        self.assertIn("was removed by somebody else", problem["detail"])
        self.assertIsNone(problem["current"].get("content"))


class NamingTheKitchen(ApiTest):
    def put(self, **body: object) -> Response:
        return self.api.put("/api/v1/kitchen", json=body)

    def test_another_regime_declares_otherwise_and_carries_the_same(self) -> None:
        before = self.get("/preparations/hen-stock")
        carried = self.carried("hen-stock")
        self.assertEqual(before["declared"]["contains"], ["Celery"])
        kitchen = self.put(name="Skerrow Dark", regime="us-9", seen=1).json()
        self.assertEqual((kitchen["name"], kitchen["version"]), ("Skerrow Dark", 2))
        after = self.get("/preparations/hen-stock")
        self.assertEqual(after["declared"]["contains"], [])
        self.assertEqual(self.carried("hen-stock"), carried)
        kept = self.reopened().now
        self.assertEqual((kept.reading.book.kitchen.regime, kept.kitchen_version), ("us-9", 2))

    def test_what_counts_most_between_swaps_is_kept(self) -> None:
        usual = self.get("/kitchen")["swap_order"]
        self.assertEqual(usual, ["swaps", "fidelity", "adds", "pots", "cost"])
        self.put(name="K", regime="eu-14", swap_order=["pots", "cost", "pots"], seen=1)
        kept = self.reopened().now.reading.book
        self.assertEqual(kept.kitchen.swap_order, ("pots", "cost", "swaps", "fidelity", "adds"))
        self.assertEqual(parse_book(write_book(kept)).kitchen, kept.kitchen)
        self.is_problem(self.put(name="K", regime="eu-14", swap_order=["taste"], seen=2))

    def test_a_stale_or_unknown_regime_changes_nothing(self) -> None:
        self.put(name="One", regime="us-9", seen=1)
        stale = self.put(name="Two", regime="anz", seen=1)
        self.is_problem(stale)
        self.assertEqual(stale.status_code, 409)
        standing = stale.json()["current"]["content"]
        self.assertEqual((standing["name"], standing["regime"]), ("One", "us-9"))
        unknown = self.put(name="Two", regime="us9", seen=2)
        self.assertIn('did you mean "us-9"?', unknown.json()["detail"])
        self.assertEqual(self.get("/kitchen")["name"], "One")

    def test_a_kitchen_without_any_data_can_be_named(self) -> None:
        empty = Ledger.open(self.path.with_name("empty.sqlite"))
        self.addCleanup(empty.close)
        empty.update_kitchen(Kitchen("New", "anz"), 0)
        self.assertEqual(empty.now.reading.book.kitchen, Kitchen("New", "anz"))
