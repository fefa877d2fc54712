"""Plans in the book: kept, taken back as a whole, and gone overnight; the rulebook; menus."""

import json
from datetime import UTC, datetime, timedelta
from typing import Any

from httpx2 import Response

from tests.api.client import ApiTest
from yellow_ladle.api.app import create_app
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.book.book_file import parse_book, write_book
from yellow_ladle.store.ledger import Ledger

RULE = {
    "name": "Beet roux",
    "replaces": ["white-roux"],
    "roles": ["thickener"],
    "with": ["beetroot"],
    "method": ["Blend it in."],
}


class Applied(ApiTest):
    time = datetime(2026, 11, 25, 12, tzinfo=UTC)

    def setUp(self) -> None:
        super().setUp()
        self.usual = self.ledger.now.reading.book.preparations

    def apply(self, how: str, at: int = 0, **rest: Any) -> Any:
        wanted = {"item": "hen-leek-pie", "goals": {"clear": ["wheat"]}}
        # Without the roux that stands there already, so that a base has to be made anew.
        limits = {"without": ["rice-flour-roux", "garden-veloute"]}
        plan = self.post("/plans", wanted | {"limits": limits})["plans"][at]
        body = wanted | {
            "swaps": [entry["swap"] for entry in plan["swaps"]],
            "as": how,
            "seen": plan["seen"],
        }
        return self.post("/plans/apply", body | rest)

    def wheat(self, item: str) -> Level:
        return self.ledger.now.reading.level(item, "wheat")

    def test_each_way_is_taken_back_as_a_whole(self) -> None:
        for how in ("variant", "for_all", "mixed", "today"):
            done = self.apply(how)
            self.assertEqual(self.wheat(done["item"]), Level.FREE, how)
            [entry, *_] = self.get("/plans/applied")
            self.assertEqual((entry["id"], entry["how"], entry["ended"]), (done["plan"], how, None))
            self.post(f"/plans/applied/{done['plan']}/take-back", {})
            self.assertEqual(dict(self.ledger.now.reading.book.preparations), self.usual, how)
        self.assertTrue(all(entry["ended"] for entry in self.get("/plans/applied")))

    def test_a_clean_tool_is_put_into_the_card_and_taken_back(self) -> None:
        self.put_tool("chinois", always_shared=True)
        wanted = {"item": "garden-stock", "goals": {"clear": ["crustacean"]}}
        found = self.post("/plans", wanted)
        self.assertIn("crustacean", found["tool_traces_now"])
        [plan] = found["plans"]
        self.assertEqual((plan["swaps"], plan["meets"]), ([], True))
        self.assertEqual(plan["tool_traces_after"], [])
        [clean] = plan["cleaned"]
        self.assertEqual(clean["move"], {"in": "garden-stock", "tool": "chinois"})
        self.assertEqual(clean["tool_name"], "clean chinois")
        body = wanted | {"swaps": [], "as": "variant", "seen": plan["seen"]}
        problem = self.post("/plans/apply", body, 422)
        self.assertIn("he plan changes nothing", problem["detail"])
        other = {"in": "garden-stock", "tool": "fish kettle"}
        problem = self.post("/plans/apply", body | {"cleaned": [other]}, 422)
        self.assertIn('does not go through "fish kettle"', problem["detail"])
        done = self.post("/plans/apply", body | {"cleaned": [clean["move"]]})
        reading = self.ledger.now.reading
        self.assertEqual(done["item"], "garden-stock-clean-chinois")
        self.assertEqual(reading.level(done["item"], "crustacean"), Level.FREE)
        self.assertEqual(reading.level("garden-stock", "crustacean"), Level.MAY_CONTAIN)
        self.post(f"/plans/applied/{done['plan']}/take-back", {})
        self.assertEqual(dict(self.ledger.now.reading.book.preparations), self.usual)

    def test_mixed_points_what_stands_in_place_to_what_is_beside(self) -> None:
        done = self.apply("mixed")
        self.assertNotEqual(done["item"], "hen-leek-pie")
        self.assertEqual(self.wheat("veloute"), Level.FREE)
        self.assertEqual(self.wheat("hen-leek-pie"), Level.CONTAINS)

    def test_names_say_what_it_is_and_can_be_given(self) -> None:
        done = self.apply("variant", names={"white-roux": "Roux of the shore"})
        made = {entry["id"]: entry["name"] for entry in done["made"]}
        self.assertEqual(made["roux-of-the-shore"], "Roux of the shore")
        self.assertIn("Velouté, rice flour, no stock powder", made.values())

    def test_for_today_is_the_card_again_tomorrow(self) -> None:
        done = self.apply("today")
        self.assertEqual(done["item"], "hen-leek-pie")
        self.assertEqual(self.wheat("hen-leek-pie"), Level.FREE)
        self.time += timedelta(days=1)
        self.ledger.turn_day()
        self.assertEqual(self.wheat("hen-leek-pie"), Level.CONTAINS)
        self.assertEqual(dict(self.ledger.now.reading.book.preparations), self.usual)
        self.assertIn("the day was over", self.get("/plans/applied")[0]["ended"])

    def test_it_is_the_card_again_although_nobody_looked_overnight(self) -> None:
        self.apply("today")
        self.ledger.close()
        later = Ledger.open(self.path, lambda: self.time + timedelta(days=2))
        self.addCleanup(later.close)
        create_app(later)
        self.assertEqual(later.now.reading.level("hen-leek-pie", "wheat"), Level.CONTAINS)

    def test_what_was_changed_since_is_not_taken_back(self) -> None:
        done = self.apply("today")
        version = self.ledger.now.versions["white-roux"]
        flag = self.statement("white-roux", "soy", "contains")
        self.post("/changes", {"change": flag, "seen": version})
        problem = self.post(f"/plans/applied/{done['plan']}/take-back", {}, 422)
        self.assertIn("White roux was changed since; nothing was taken back", problem["detail"])
        self.assertEqual(self.wheat("hen-leek-pie"), Level.FREE)
        self.time += timedelta(days=1)
        self.assertEqual(self.wheat("hen-leek-pie"), Level.FREE)

    def test_a_small_pot_that_another_uses_is_not_taken_away(self) -> None:
        done = self.apply("variant")
        soup = {"id": "new-soup", "name": "New soup", "kind": "soup"}
        line = {"item": done["item"], "quantity": 1, "unit": "kg", "role": "body"}
        change = {"change": "preparation", "preparation": soup | {"lines": [line]}}
        self.post("/changes", {"change": change, "seen": None})
        problem = self.post(f"/plans/applied/{done['plan']}/take-back", {}, 422)
        self.assertIn("New soup", problem["detail"])
        self.assertIn(done["item"], self.ledger.now.reading.book.preparations)

    def test_a_by_product_that_somebody_uses_is_not_ended_for_all(self) -> None:
        wanted = {"item": "hen-stock", "goals": {"clear": ["poultry"]}}
        line = self.usual["hen-stock"].lines[0]
        swap = {
            "in": "hen-stock",
            "line": 0,
            "from": "hen",
            "to": "carrot",
            "quantity": line.quantity,
            "unit": line.unit,
            "rule": "test",
        }
        seen = {"hen-stock": self.ledger.now.versions["hen-stock"]}
        body = wanted | {"swaps": [swap], "seen": seen}
        problem = self.post("/plans/apply", body | {"as": "for_all"}, 422)
        self.assertIn("would be there no more", str(problem))
        self.assertEqual(dict(self.ledger.now.reading.book.preparations), self.usual)
        done = self.post("/plans/apply", body | {"as": "variant"})
        made = self.ledger.now.reading.book.preparations
        self.assertEqual(made[done["item"]].by_products, ())
        self.assertEqual(made["hen-stock"], self.usual["hen-stock"])

    def test_nothing_is_taken_back_twice(self) -> None:
        done = self.apply("for_all")
        self.post(f"/plans/applied/{done['plan']}/take-back", {})
        problem = self.post(f"/plans/applied/{done['plan']}/take-back", {}, 422)
        self.assertIn("out of the book already", problem["detail"])
        self.post("/plans/applied/999/take-back", {}, 404)

    def test_what_was_chosen_before_ranks_higher(self) -> None:
        body = {"item": "white-roux", "goals": {"clear": ["wheat"]}}
        plans = self.post("/plans", body)["plans"]
        self.apply("variant")
        again = self.post("/plans", body)["plans"]
        self.assertEqual(again[0]["swaps"][0]["swap"]["to"], "rice-flour")
        self.assertLessEqual(len(again), len(plans))


class Rulebook(ApiTest):
    def found(self) -> Any:
        return self.post("/plans", {"item": "veloute", "goals": {"clear": ["wheat"]}})["plans"]

    def used(self, plans: Any) -> set[str]:
        return {entry["swap"]["rule"] for plan in plans for entry in plan["swaps"]}

    def test_a_rule_is_switched_off_and_on(self) -> None:
        self.assertIn("another-roux", self.used(self.found()))
        self.switch("another-roux", off=True)
        self.assertNotIn("another-roux", self.used(self.found()))
        self.switch("another-roux", off=False)
        self.assertIn("another-roux", self.used(self.found()))
        self.post("/rules/no-such-rule/switch", {"off": True}, 404)

    def test_a_kitchen_has_rules_of_its_own(self) -> None:
        tried = self.post("/rules/try", {"rule": RULE})
        self.assertEqual(tried["faults"], [])
        self.assertTrue(any("White roux" in example for example in tried["examples"]))
        self.assertEqual(tried["claims"], [])
        sour = self.post("/rules/try", {"rule": RULE | {"method": ["A little vinegar stands in."]}})
        self.assertIn("names vinegar", sour["claims"][0])
        made = self.own(RULE).json()
        self.assertEqual((made["id"], made["own"]["with"]), ("beet-roux", ["beetroot"]))
        self.assertIn("beet-roux", self.used(self.found()))
        [first, *_] = self.get("/rules")["rules"]
        self.assertEqual((first["id"], first["function"]), ("beet-roux", "own"))
        changed = self.own(RULE | {"name": "Beets"}, "beet-roux").json()
        self.assertEqual((changed["id"], changed["name"]), ("beet-roux", "Beets"))
        self.assertEqual(self.own(RULE).json()["id"], "beet-roux-2")
        for id in ("beet-roux", "beet-roux-2"):
            address, seen = f"/api/v1/rules/own/{id}", {"seen": self.rule_version(id)}
            self.assertEqual(self.api.delete(address, params={"seen": 1}).status_code, 409)
            self.assertEqual(self.api.delete(address, params=seen).status_code, 200)
        self.assertNotIn("beet-roux", self.used(self.found()))
        self.assertEqual(
            self.api.delete("/api/v1/rules/own/rice-flour-roux?seen=1").status_code, 404
        )

    def test_a_rule_brings_what_it_cannot_do_without(self) -> None:
        oil = {"with": ["sunflower-oil", "rapeseed-oil"], "ratio": 0.5, "role": "fat"}
        tried = self.post("/rules/try", {"rule": RULE | {"adds": [oil]}})
        self.assertEqual(tried["faults"], [])
        self.own(RULE | {"adds": [oil]})
        kept = self.get("/rules")["rules"][0]["own"]["adds"]
        self.assertEqual(kept, [oil])
        content = json.loads(write_book(self.ledger.now.reading.book))
        self.assertEqual(content["rules"][0]["own"]["adds"], [oil])
        again = parse_book(json.dumps(content).encode())
        self.assertEqual(again.rulings, self.ledger.now.reading.book.rulings)
        goals = Goals(("wheat",))
        plans = propose(self.ledger.now.reading, "veloute", goals, 500).plans
        ours = [swap for plan in plans for swap in plan.swaps if swap.rule == "beet-roux"]
        self.assertTrue(ours)
        for swap in ours:
            [line] = swap.adds
            self.assertAlmostEqual(line.quantity, 0.5 * swap.quantity, delta=0.06)
        for wrong, told in (
            ({"with": ["no-such-oil"], "ratio": 1, "role": "fat"}, "no goods or pots of class"),
            ({"with": ["olive-oil"], "ratio": 1, "role": "fatt"}, '"fatt" is no role'),
        ):
            faults = self.post("/rules/try", {"rule": RULE | {"adds": [wrong]}})["faults"]
            self.assertTrue(any(told in fault for fault in faults), faults)
        out = RULE | {"with": [], "adds": [oil]}
        [fault] = self.post("/rules/try", {"rule": out})["faults"]
        self.assertIn("leaves a line out", fault)

    def own(self, rule: dict[str, Any], id: str | None = None) -> Response:
        seen = None if id is None else self.rule_version(id)
        return self.api.put("/api/v1/rules/own", json={"id": id, "rule": rule, "seen": seen})

    def test_a_rule_that_makes_no_sense_is_refused_in_words(self) -> None:
        wrong = RULE | {"replaces": ["no-such-class"], "only_in": ["milk"], "not_in": ["milk"]}
        faults = " ".join(self.post("/rules/try", {"rule": wrong})["faults"])
        self.assertIn('no goods or pots of class "no-such-class" are known', faults)
        self.assertIn('asks for a pot that is "milk" and is not', faults)
        group = self.post("/rules/try", {"rule": RULE | {"with": ["@no-such-group"]}})
        self.assertIn('no goods or pots of class "@no-such-group" are known', group["faults"])
        self.assertEqual(self.own(wrong).status_code, 422)
        self.assertEqual(self.own(RULE, "rice-flour-roux").status_code, 422)

    def test_what_is_said_of_the_rules_goes_with_the_book(self) -> None:
        self.own(RULE)
        self.switch("rice-flour-roux", off=True)
        self.switch("gram-flour-roux", off=True)
        self.switch("gram-flour-roux", off=False)
        told = {"flavour": 0.5, "texture": 0.75, "colour": 1, "note": "sweet", "item": "veloute"}
        self.post("/rules/verdict", told | {"rules": ["beet-roux"]})
        book = self.reopened().now.reading.book
        self.assertEqual([ruling.id for ruling in book.rulings], ["beet-roux", "rice-flour-roux"])
        content = write_book(book)
        self.assertIn(b'"tasted": [\n    0.5,\n    0.75,\n    1\n   ]', content)
        self.assertEqual(parse_book(content), book)
        plans = propose(read(parse_book(content)), "white-roux", Goals(("wheat",)), 20).plans
        used = {swap.rule for plan in plans for swap in plan.swaps}
        self.assertNotIn("rice-flour-roux", used)
        self.ledger.replace_book(demo_book())
        self.assertEqual(self.ledger.now.reading.book.rulings, ())

    def test_a_book_with_faulty_rules_is_refused_with_their_places(self) -> None:
        content = json.loads(write_book(demo_book()))
        content["rules"] = [
            {"id": "ours", "own": RULE | {"roles": ["thickner"]}},
            {"id": "ours", "off": True, "tasted": [1, 2, 1]},
            {"id": "rice-flour-roux", "own": RULE},
        ]
        with self.assertRaises(BookRefused) as refused:
            parse_book(json.dumps(content).encode())
        told = "\n".join(map(str, refused.exception.faults))
        self.assertIn('rules[0].own: "thickner" is no role', told)
        self.assertIn("rules[1].tasted[1]: 2 is too large", told)
        self.assertIn("a rule of that id ships already", told)

    def test_a_verdict_takes_the_place_of_the_rules_figures(self) -> None:
        told = {"flavour": 0.2, "texture": 0.3, "colour": 0.4, "item": "veloute"}
        note = {"rules": ["rice-flour-roux"], "note": "too sweet with the leeks"}
        self.post("/rules/verdict", told | note)
        rule = next(r for r in self.get("/rules")["rules"] if r["id"] == "rice-flour-roux")
        self.assertTrue(rule["tasted"])
        self.assertEqual(rule["fidelity"], {"flavour": 0.2, "texture": 0.3, "colour": 0.4})
        body = {"item": "white-roux", "goals": {"clear": ["wheat"]}, "limit": 20}
        swaps = [s for plan in self.post("/plans", body)["plans"] for s in plan["swaps"]]
        tasted = [s for s in swaps if s["swap"]["rule"] == "rice-flour-roux"]
        self.assertTrue(all(s["notes"][0]["text"] == "too sweet with the leeks" for s in tasted))
        self.assertTrue(self.get("/rules")["never_cleared"])


class Menus(ApiTest):
    def test_every_guest_eats_with_the_fewest_pots(self) -> None:
        guests = [
            {"name": "Ada", "goals": {"clear": ["wheat"]}},
            {"name": "Bo", "goals": {"fit": ["vegetarian"]}},
            {"name": "Cy", "goals": {"clear": ["wheat"]}},
        ]
        plates = ["hen-leek-pie", "tomato-soup-plate", "cod-samphire"]
        found = self.post("/plans/menu", {"plates": plates, "guests": guests, "seconds": 10})
        self.assertTrue(found["optimal"])
        self.assertEqual((found["gap"], found["bound"]), (0, len(found["pots"])))
        self.assertEqual(len(found["servings"]), 6)
        for serving in found["servings"]:
            self.assertEqual(serving["meets"], serving["possible"])
            if serving["plate"]["id"] == "cod-samphire" and serving["guests"] == ["Bo"]:
                self.assertFalse(serving["possible"])
        self.assertEqual(
            {name for pot in found["pots"] for name in pot["for_guests"]}, {"Ada", "Bo", "Cy"}
        )

    def test_every_refusal_has_its_reason(self) -> None:
        guests = [
            {"name": "Ada", "goals": {"fit": ["vegan"]}},
            {"name": "Bo", "goals": {"clear": ["fish"]}},
        ]
        plates = [id for id, made in demo_book().preparations.items() if made.kind == "dish"]
        body = {"plates": plates, "guests": guests, "seconds": 2, "each": None}
        refused = 0
        for serving in self.post("/plans/menu", body)["servings"]:
            none = not serving["possible"] and not serving["spare"]
            self.assertEqual(bool(serving["refusal"]), none, serving)
            refused += none
        self.assertGreater(refused, 3)

    def test_a_first_answer_comes_without_a_search(self) -> None:
        guests = [{"name": "Ada", "goals": {"clear": ["wheat"]}}]
        body = {"plates": ["hen-leek-pie", "cod-samphire"], "guests": guests}
        first = self.post("/plans/menu", {**body, "seconds": 0})
        best = self.post("/plans/menu", {**body, "seconds": 5})
        self.assertLessEqual(first["bound"], len(best["pots"]) + len(best["cards"]))
        for serving in first["servings"]:
            self.assertEqual(serving["meets"], serving["possible"] and not serving["spare"])

    def test_what_one_more_pot_would_buy(self) -> None:
        guests = [
            {"name": "Ada", "goals": {"fit": ["vegetarian"]}},
            {"name": "Bo", "goals": {"clear": ["celery", "mustard"]}},
        ]
        plates = [id for id, made in demo_book().preparations.items() if made.kind == "dish"]
        body = {"plates": plates, "guests": guests, "seconds": 5}
        gains = self.post("/plans/menu/gains", body)
        [pot] = [gain for gain in gains if gain["kind"] == "pot"]
        self.assertRegex(
            pot["sentence"], r"^With (\d small pots instead of \d|no more pots): also "
        )
        self.assertTrue(all(gain["subject"] for gain in gains if gain["kind"] == "label"))

    def test_plates_and_goals_that_nobody_knows(self) -> None:
        guest = {"name": "Ada", "goals": {"clear": ["weat"]}}
        self.post("/plans/menu", {"plates": ["nothing"], "guests": [guest]}, 404)
        self.post("/plans/menu", {"plates": ["hen-leek-pie"], "guests": [guest]}, 422)
