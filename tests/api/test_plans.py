"""The swap bench over the API."""

from typing import Any

from tests.api.client import ApiTest


class Plans(ApiTest):
    def plans(
        self,
        item: str,
        clear: list[str],
        fit: list[str] | None = None,
        without: list[str] | None = None,
    ) -> Any:
        goals = {"clear": clear, "fit": fit or []}
        limits = {"without": without or []}
        return self.post("/plans", {"item": item, "goals": goals, "limit": 3, "limits": limits})

    def apply(self, found: Any, how: str, name: str | None = None, status: int = 200) -> Any:
        plan = found["plans"][0]
        body = {
            "item": found["item"],
            "goals": {"clear": ["wheat"], "fit": []},
            "swaps": [entry["swap"] for entry in plan["swaps"]],
            "as": how,
            "name": name,
            "seen": plan["seen"],
        }
        return self.post("/plans/apply", body, status=status)

    def test_a_plan_tells_everything_that_a_cook_asks(self) -> None:
        found = self.plans("hen-leek-pie", ["wheat"], without=["rice-flour-roux", "garden-veloute"])
        self.assertEqual(found["goals"], "no wheat")
        self.assertFalse(found["met_already"])
        plan = found["plans"][0]
        self.assertTrue(plan["meets"])
        self.assertIn("wheat", [flag["id"] for flag in plan["clears"]])
        self.assertIn("Velouté", [pot["name"] for pot in plan["pots"]])
        flour = next(entry for entry in plan["swaps"] if entry["swap"]["in"] == "white-roux")
        self.assertEqual((flour["quantity_before"], flour["swap"]["quantity"]), (500, 500))
        self.assertIn("500 g of flour in a white roux bind as 500 g of rice flour", flour["why"])
        self.assertTrue(flour["method"] and flour["thickness"] and flour["caution"])
        [for_all, *_] = plan["placements"]
        self.assertIn("mushroom-cream", [moved["id"] for moved in for_all["moved"]])
        self.assertTrue(plan["sentence"].startswith("Without wheat: rice flour instead of"))
        self.assertTrue(plan["same_dish"])
        self.assertTrue(found["whole"])

    def test_the_small_pots_are_told_for_the_covers(self) -> None:
        body = {"item": "hen-leek-pie", "goals": {"clear": ["wheat"], "fit": []}, "covers": 2}
        [plan, *_] = self.post("/plans", body)["plans"]
        pots = {small["pot"]["id"]: small for small in plan["small_pots"]}
        self.assertEqual(set(pots), {pot["id"] for pot in plan["pots"]})
        self.assertEqual(pots["hen-leek-pie"]["card"]["portions"], 2)
        for line in pots["hen-leek-pie"]["card"]["lines"]:
            self.assertTrue(line["name"] and line["quantity"] > 0)
        self.assertEqual(self.post("/plans", body | {"covers": None})["plans"][0]["small_pots"], [])
        self.post("/plans", body | {"covers": 0}, status=422)

    def test_every_plate_that_is_cleared_together_is_made_for_the_covers(self) -> None:
        goals = {"clear": ["wheat"], "fit": []}
        body = {"item": "hen-leek-pie", "and_items": ["cod-samphire"], "goals": goals, "covers": 4}
        [plan, *_] = self.post("/plans", body)["plans"]
        pots = {small["pot"]["id"]: small["card"] for small in plan["small_pots"]}
        self.assertEqual(pots["hen-leek-pie"]["portions"], 4)
        self.assertEqual(pots["cod-samphire"]["portions"], 4)

    def test_the_small_pots_take_in_the_shipped_cards(self) -> None:
        goals = {"clear": ["celery"], "fit": []}
        found = self.post("/plans", {"item": "hen-leek-pie", "goals": goals, "covers": 4})
        plan = next(plan for plan in found["plans"] if plan["cards"])
        made = {small["pot"]["id"] for small in plan["small_pots"]}
        self.assertLessEqual({card["id"] for card in plan["cards"]}, made)

    def test_the_three_ways_to_make_it_are_compared(self) -> None:
        plans = self.plans("hen-leek-pie", ["wheat"])["plans"]
        plan = next(p for p in plans if [flag["id"] for flag in p["adds"]] == ["nightshade"])
        by_how = {entry["how"]: entry for entry in plan["placements"]}
        self.assertEqual(by_how["for_all"]["beside"], [])
        self.assertEqual(len(by_how["small_pots"]["beside"]), len(plan["pots"]))
        self.assertEqual(by_how["small_pots"]["moved"], [])
        # the potato lid is new to the pie; what is beneath it brings nothing to anybody
        self.assertEqual([pot["id"] for pot in by_how["mixed"]["beside"]], ["hen-leek-pie"])
        self.assertTrue(any(moved["worse"] for moved in by_how["for_all"]["moved"]))
        self.assertFalse(any(moved["worse"] for moved in by_how["mixed"]["moved"]))

    def test_limits_bound_the_plans(self) -> None:
        body = {"item": "hen-leek-pie", "goals": {"clear": ["wheat"]}}
        limits = {"without": ["rice-flour", "rice-flour-roux"], "most_pots": 4}
        for plan in self.post("/plans", body | {"limits": limits})["plans"]:
            self.assertFalse(
                {"rice-flour", "rice-flour-roux"} & {s["swap"]["to"] for s in plan["swaps"]}
            )
            self.assertLessEqual(len(plan["pots"]), 4)
        wrong = {"without": ["rice-flower"], "kept": [{"in": "veloute", "line": 99}]}
        problem = self.post("/plans", body | {"limits": wrong}, 422)
        self.assertIn('did you mean "rice-flour"?', problem["detail"])
        self.assertIn('"veloute" has no line 99', problem["detail"])

    def test_several_plates_are_cleared_by_the_same_swaps(self) -> None:
        wanted = {
            "item": "tomato-soup-plate",
            "and_items": ["mushroom-polenta"],
            "goals": {"fit": ["vegetarian"]},
        }
        found = self.post("/plans", wanted)
        names = "Tomato soup, fried crumbs and Mushrooms on polenta"
        self.assertEqual(found["name"], names)
        plan = next(plan for plan in found["plans"] if plan["meets"])
        pots = {pot["id"] for pot in plan["pots"]}
        self.assertLessEqual({"tomato-soup-plate", "mushroom-polenta"}, pots)
        body = wanted | {
            "swaps": [entry["swap"] for entry in plan["swaps"]],
            "as": "for_all",
            "seen": plan["seen"],
        }
        self.post("/plans/apply", body)
        reading = self.ledger.now.reading
        for plate in ("tomato-soup-plate", "mushroom-polenta"):
            self.assertEqual(reading.verdict(plate, "vegetarian"), "suits")

    def test_a_pie_of_picked_meat_is_never_vegetarian_by_another_stock(self) -> None:
        wanted = {"item": "hen-leek-pie", "goals": {"fit": ["vegetarian"]}}
        found = self.post("/plans", wanted)
        self.assertFalse(any(plan["meets"] for plan in found["plans"]))
        self.assertTrue(found["blocked"])

    def test_a_plan_that_goes_against_an_open_need_is_marked(self) -> None:
        need = {"id": "n", "guest": "Table 9", "clear": ["nightshade"], "strictness": "allergy"}
        self.post("/needs", {"need": need})
        for plan in self.plans("hen-leek-pie", ["wheat"])["plans"]:
            brings = "nightshade" in [flag["id"] for flag in plan["adds"]]
            harmed = [(harm["guest"], harm["flags"]) for harm in plan["harms"]]
            self.assertEqual(harmed, [("Table 9", ["Nightshade"])] if brings else [])

    def test_what_loosening_a_goal_would_open(self) -> None:
        goals = {"clear": ["fish"], "fit": ["dairy_free"]}
        body = {"item": "cod-samphire", "goals": goals, "limits": {"keep_colour": True}}
        by_name = {entry["id"]: entry for entry in self.post("/plans/loosened", body)}
        self.assertEqual(set(by_name), {"fish", "dairy_free", "keep_colour"})
        self.assertTrue(by_name["fish"]["opens"])
        self.assertIn("airy-free", by_name["fish"]["sentence"])
        self.assertFalse(by_name["dairy_free"]["opens"])

    def test_what_is_so_already(self) -> None:
        self.assertTrue(self.plans("garden-stock", ["wheat"])["met_already"])

    def test_what_stands_in_the_way(self) -> None:
        found = self.plans("cod-samphire", ["fish"])
        told = {(entry["from_name"], entry["flag"]) for entry in found["blocked"]}
        self.assertIn(("Skerrow day-boat cod", "Fish"), told)

    def test_a_variant_stands_beside_the_usual(self) -> None:
        before = self.get("/family")["strips"]
        found = self.plans("hen-leek-pie", ["wheat"])
        done = self.apply(found, "variant", "Hen pie for the lamp crew")
        self.assertEqual(done["item"], "hen-pie-for-the-lamp-crew")
        pot = self.get(f"/preparations/{done['item']}")
        self.assertEqual(pot["variant_of"], {"id": "hen-leek-pie", "name": "Hen and leek pie"})
        self.assertNotIn("wheat", self.carried(done["item"]))
        after = {strip["id"]: strip for strip in self.get("/family")["strips"]}
        for strip in before:
            self.assertEqual(after[strip["id"]]["flags"], strip["flags"])
        variants = self.get("/preparations/hen-leek-pie")["variants"]
        self.assertEqual([variant["id"] for variant in variants], [done["item"]])
        book = self.reopened().now.reading.book
        self.assertEqual(book.preparations[done["item"]].variant_of, "hen-leek-pie")

    def test_a_second_variant_gets_ids_of_its_own(self) -> None:
        first = self.apply(self.plans("hen-leek-pie", ["wheat"]), "variant", "Pie")
        second = self.apply(self.plans("hen-leek-pie", ["wheat"]), "variant", "Pie")
        self.assertEqual((first["item"], second["item"]), ("pie", "pie-2"))

    def test_for_all_changes_the_base(self) -> None:
        found = self.plans("hen-leek-pie", ["wheat"], without=["rice-flour-roux", "garden-veloute"])
        done = self.apply(found, "for_all")
        self.assertEqual(done["item"], "hen-leek-pie")
        for pot in ("hen-leek-pie", "veloute", "mushroom-cream"):
            self.assertNotIn("wheat", self.carried(pot))
        steps = self.get("/preparations/white-roux")["preparation"]["method"]
        told = [step["text"] for step in steps]
        self.assertTrue(
            any(text.startswith("Instead of Gannet Mill plain flour: ") for text in told)
        )

    def test_a_shipped_base_comes_with_its_card_and_goes_with_it(self) -> None:
        wanted = {"item": "keepers-chowder", "goals": {"clear": ["milk"]}, "limit": 12}
        found = self.post("/plans", wanted)
        plan = next(plan for plan in found["plans"] if plan["cards"])
        self.assertEqual(found["plans"][0]["cards"], [])
        [roux, *_] = plan["cards"]
        self.assertFalse(roux["made_here"])
        self.assertNotIn(roux["id"], self.ledger.now.reading.book.preparations)
        body = wanted | {
            "swaps": [entry["swap"] for entry in plan["swaps"]],
            "as": "variant",
            "seen": plan["seen"],
        }
        body.pop("limit")
        done = self.post("/plans/apply", body)
        book = self.ledger.now.reading.book
        for card in plan["cards"]:
            self.assertEqual(book.preparations[card["id"]].name, card["name"])
            self.assertFalse(book.preparations[card["id"]].made_here)
        self.assertEqual(self.ledger.now.reading.level(done["item"], "milk").word, "free")
        self.post(f"/plans/applied/{done['plan']}/take-back", {})
        for card in plan["cards"]:
            self.assertNotIn(card["id"], self.ledger.now.reading.book.preparations)

    def test_a_line_that_a_swap_needs_is_put_into_the_card(self) -> None:
        found = self.plans("soda-bread", ["milk"])
        plan = found["plans"][0]
        [entry] = plan["swaps"]
        [added] = entry["swap"]["adds"]
        self.assertEqual(added["item"], "lemon")
        self.assertIn("Lemons", entry["adds"][0])
        body = {
            "item": "soda-bread",
            "goals": {"clear": ["milk"], "fit": []},
            "swaps": [entry["swap"]],
            "as": "variant",
            "seen": plan["seen"],
        }
        done = self.post("/plans/apply", body)
        made = self.ledger.now.reading.book.preparations[done["item"]]
        self.assertEqual((made.lines[-1].item, made.lines[-1].role), ("lemon", "acid"))
        added["item"] = "nothing"
        body["seen"] = self.plans("soda-bread", ["milk"])["plans"][0]["seen"]
        self.assertIn('o item "nothing"', self.post("/plans/apply", body, 422)["detail"])

    def test_what_suits_as_it_is_stands_before_the_plans(self) -> None:
        found = self.plans("chowder-soda-bread", ["milk"])
        self.assertTrue(found["instead"])
        for pot in found["instead"]:
            self.assertEqual(self.ledger.now.reading.level(pot["id"], "milk").word, "free")

    def test_a_plan_made_on_an_older_state_is_stale(self) -> None:
        found = self.plans("hen-leek-pie", ["wheat"], without=["garden-veloute"])
        change = {"change": "choice", "preparation": "veloute", "line": 2}
        self.post("/changes", {"change": change, "seen": 1})
        for how in ("variant", "for_all", "mixed", "today"):
            problem = self.apply(found, how, status=409)
            self.assertEqual(problem["current"]["id"], "veloute")

    def test_swaps_that_no_longer_fit_are_refused(self) -> None:
        found = self.plans("hen-leek-pie", ["wheat"])
        swap = found["plans"][0]["swaps"][0]["swap"]
        for wrong, words in (
            ({"from": "rice-flour-roux"}, "no longer holds"),
            ({"line": 99}, "no longer holds"),
            ({"to": "nothing"}, 'No item "nothing"'),
            ({"to": "hen-leek-pie"}, "would put a pot into itself"),
        ):
            found["plans"][0]["swaps"][0]["swap"] = swap | wrong
            problem = self.apply(found, "variant", status=422)
            self.assertIn(words, problem["detail"])

    def test_goals_that_nobody_knows(self) -> None:
        problem = self.post(
            "/plans", {"item": "veloute", "goals": {"clear": ["weat"], "fit": ["vegn"]}}, 422
        )
        self.assertIn('did you mean "wheat"?', problem["detail"])
        self.assertIn('did you mean "vegan"?', problem["detail"])
        self.post("/plans", {"item": "veloute", "goals": {}}, 422)
        self.post("/plans", {"item": "nothing", "goals": {"clear": ["wheat"]}}, 404)
