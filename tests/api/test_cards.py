"""Cards over the API: figures, drafts, scaling, ways, merging, comparing, recipes."""

import json
from typing import Any

from tests.api.client import ApiTest

SOUP = {
    "@context": "https://schema.org",
    "@type": "Recipe",
    "name": "Ale soup",
    "recipeYield": "6 servings",
    "recipeIngredient": ["300 ml ale", "1 kg onions", "a handful of herbs"],
    "recipeInstructions": ["Brown the onions.", "Ale in."],
}


EGG_WASH = {"text": "Brush with egg wash."}


class CardTest(ApiTest):
    def card(self, id: str) -> dict[str, Any]:
        piece: dict[str, Any] = self.get(f"/preparations/{id}")["preparation"]
        return piece

    def record(self, change: dict[str, Any], seen: int | None = 1, status: int = 200) -> Any:
        return self.post("/changes", {"change": change, "seen": seen}, status)

    def rewritten(self, id: str, **rest: Any) -> dict[str, Any]:
        return {"change": "preparation", "preparation": self.card(id) | rest}


class Words(CardTest):
    """What a card's texts name and no line brings."""

    def oatcakes(self, **rest: Any) -> dict[str, Any]:
        card = self.card("oatcakes")
        return card | {"method": [*card["method"], EGG_WASH]} | rest

    def test_a_draft_names_them(self) -> None:
        found = self.post("/cards/draft", {"preparation": self.oatcakes()})["words"]
        step = len(self.card("oatcakes")["method"])
        self.assertEqual(found, [{"step": step, "text": "egg wash", "flags": ["egg"]}])

    def test_recorded_unrefused_it_is_unchecked_until_it_goes(self) -> None:
        change = {"change": "preparation", "preparation": self.oatcakes()}
        done = self.record(change)
        made = self.card("oatcakes")
        self.assertEqual(made["statements"], {"egg": "unchecked"})
        self.assertEqual(made["evidence"]["egg"]["kind"], "method")
        self.assertEqual(self.ledger.now.reading.level("mussel-plate", "egg").word, "unchecked")
        for pot in ("oatcakes", "mussel-plate"):
            bringers = self.get(f"/preparations/{pot}")["carries"]["bringers"]
            [by_words] = [b["way"]["words"] for b in bringers if b["way"]["own"]]
            self.assertEqual(by_words, ["egg wash"])
        plain = made | {"method": made["method"][:-1]}
        self.record({"change": "preparation", "preparation": plain}, done["versions"]["oatcakes"])
        self.assertEqual(self.card("oatcakes")["statements"], {})

    def test_a_card_that_is_too_long_to_be_read_is_refused_in_words(self) -> None:
        step = {**EGG_WASH, "text": "Whisk the butter in. " * 190}
        card = self.card("oatcakes") | {"method": [step] * 13}
        change = {"change": "preparation", "preparation": card}
        for told in (
            self.post("/cards/draft", {"preparation": card}, 422),
            self.post("/changes", {"change": change, "seen": 1}, 422),
        ):
            self.assertIn("letters of text; a card has 50,000 at most", told["detail"])

    def test_refused_it_is_remembered_and_states_nothing(self) -> None:
        card = self.oatcakes(not_in_it=["egg wash"])
        self.assertEqual(self.post("/cards/draft", {"preparation": card})["words"], [])
        self.record({"change": "preparation", "preparation": card})
        kept = self.reopened().now.reading.book.preparations["oatcakes"]
        self.assertEqual((kept.not_in_it, dict(kept.statements)), (("egg wash",), {}))

    def test_the_second_line_of_an_item_can_be_used(self) -> None:
        step = {"text": "In with the rest.", "uses": ["oatmeal#2"]}
        card = self.card("oatcakes") | {"method": [step]}
        self.record({"change": "preparation", "preparation": card})
        kept = self.reopened().now.reading.book.preparations["oatcakes"]
        self.assertEqual(kept.method[0].uses, ("oatmeal#2",))


class Figures(CardTest):
    def test_the_figures_of_a_pot(self) -> None:
        found = self.get("/cards/veloute/figures")
        numbers = {number["name"]: number for number in found["numbers"]}
        salt = numbers["salt_g_per_100g"]
        self.assertTrue(salt["at_least"])
        self.assertEqual([item["id"] for item in salt["missing"]], ["stock-powder"])
        self.assertEqual(salt["by_line"][0]["name"], "Hen stock")
        self.assertEqual(found["thickness"]["hot"]["place"], "coats")
        self.assertAlmostEqual(numbers["starch_g_per_l"]["value"], 320 * 500 / 950 / 3)
        self.assertEqual((found["active_minutes"], found["passive_minutes"]), (19, 30))
        self.assertEqual(found["asked"], [])
        self.assertGreater(found["evaporation"]["estimated"], 0)

    def test_sulphites_under_the_line_stay_visible_and_say_why(self) -> None:
        # The chowder holds a little of the wine of its stock.
        before = self.get("/preparations/keepers-chowder")
        self.assertIn("Sulphites", before["declared"]["contains"])
        found = self.get("/cards/keepers-chowder/figures")["sulphites"]
        self.assertTrue(found["under"])
        self.assertFalse(found["left_out"])
        kitchen = self.get("/kitchen")
        wanted = {
            "name": kitchen["name"],
            "regime": "eu-14",
            "seen": kitchen["version"],
            "so2_by_amount": True,
            "people": kitchen["people"],
        }
        self.assertEqual(self.api.put("/api/v1/kitchen", json=wanted).status_code, 200)
        after = self.get("/preparations/keepers-chowder")
        self.assertNotIn("Sulphites", after["declared"]["contains"])
        self.assertIn("sulphites", self.carried("keepers-chowder"))
        told = self.get("/cards/keepers-chowder/figures")["sulphites"]["sentence"]
        self.assertIn("Your kitchen leaves it out of the declaration; the flag stays.", told)
        # What was not sent of the kitchen stays as it was.
        self.assertEqual(self.get("/kitchen")["measures"], kitchen["measures"])

    def test_a_draft_is_worked_out_and_not_recorded(self) -> None:
        piece = self.card("veloute")
        piece["lines"][0] |= {"quantity": 640}
        piece["lines"][4] |= {"quantity": 0, "typed": "a spoon or two"}
        piece["method"][0] |= {"text": "Blend the hot stock.", "caution": None}
        found = self.post("/cards/draft", {"preparation": piece})
        self.assertEqual(found["figures"]["thickness"]["hot"]["place"], "stands")
        self.assertEqual(found["figures"]["cautions"][0]["id"], "blend-hot")
        asked = found["figures"]["asked"]
        self.assertEqual((asked[0]["line"], found["figures"]["line_grams"][4]), (4, None))
        self.assertIn('"a spoon or two"', asked[0]["sentence"])
        self.assertEqual(found["flags"][0]["wheat"], "contains")
        self.assertEqual(self.card("veloute")["lines"][0]["quantity"], 320)
        piece["lines"][0]["item"] = "nothing"
        self.post("/cards/draft", {"preparation": piece}, status=422)

    def test_a_draft_tells_what_recording_it_would_do(self) -> None:
        card = self.card("oatcakes")
        piece = card | {"method": [*card["method"], EGG_WASH]}
        change = {"change": "preparation", "preparation": piece}
        told = self.post("/cards/draft", {"preparation": piece})
        self.assertEqual(told["impact"], self.post("/preview", {"change": change}))
        self.assertIn("egg", [flag["flag"] for flag in told["impact"]["items"][0]["flags"]])

    def test_a_draft_without_an_id_is_given_a_free_one(self) -> None:
        new = {key: value for key, value in self.card("oatcakes").items() if key != "id"}
        self.assertEqual(self.post("/cards/draft", {"preparation": new})["id"], "oatcakes-2")
        self.assertEqual(
            self.post("/cards/draft", {"preparation": new | {"id": "", "name": "Farls"}})["id"],
            "farls",
        )

    def test_numbers_move_beside_the_flags(self) -> None:
        piece = self.card("hen-stock")
        piece["lines"].append(
            {"item": "sea-salt", "quantity": 50, "unit": "g", "role": "seasoning"}
        )
        change = {"change": "preparation", "preparation": piece}
        found = self.post("/preview", {"change": change})
        self.assertEqual(found["items"], [])
        self.assertIn("Changes no flag. Numbers move in Hen stock", found["sentence"])
        moved = {entry["item"]: entry["moved"] for entry in found["numbers"]}
        self.assertEqual(moved["veloute"][0]["name"], "salt_g_per_100g")
        self.assertLess(moved["veloute"][0]["before"], moved["veloute"][0]["after"])
        self.assertNotIn("milk-sauce", moved)


class Amounts(CardTest):
    def test_an_amount_of_an_item(self) -> None:
        found = self.get("/amount", text="1/2 l", item="plain-flour")
        self.assertEqual((found["quantity"], found["unit"]), (0.5, "l"))
        self.assertAlmostEqual(found["grams"], 265)
        found = self.get("/amount", text="2 bunches", item="cod")
        self.assertIsNone(found["grams"])
        self.assertIn("What does one bunch of", found["question"])
        self.assertEqual(self.get("/amount", text="3 ladles")["millilitres"], 375)
        self.assertEqual(self.get("/amount", text="1 tbsp")["unit"], "metric_tbsp")
        self.assertIn("No amount", self.get("/amount", text="some of it")["question"])
        missing = self.api.get("/api/v1/amount", params={"text": "1 g", "item": "nothing"})
        self.assertEqual(missing.status_code, 404)

    def test_scaling(self) -> None:
        body = {"by": "line", "text": "1.9 kg", "line": 0}
        found = self.post("/cards/hen-stock/scaled", body)
        self.assertAlmostEqual(found["factor"], 0.5)
        self.assertEqual(found["yield_quantity"], 4.5)
        self.assertIn("It reduces", found["warnings"][0])
        found = self.post("/cards/lantern-sauce/scaled", {"by": "portions", "text": "28"})
        self.assertEqual((found["factor"], found["portions"]), (2, 28))
        for by, text, told in (
            ("yield", "3 bunches", "cannot be compared"),
            ("portions", "plenty", "No amount could be read"),
            ("line", "1 kg", "no line 100"),
            ("factor", "0", "Type how many times"),
        ):
            body = {"by": by, "text": text, "line": 99}
            problem = self.post("/cards/hen-stock/scaled", body, status=422)
            self.assertIn(told, problem["detail"])

    def test_filling(self) -> None:
        found = self.get("/cards/hen-stock/filling")
        self.assertAlmostEqual(found["needed"], 3.2)
        self.assertAlmostEqual(found["spare"], 0.125)
        self.assertGreater(found["level_cm"], 0)

    def test_the_bench(self) -> None:
        words = self.get("/thickening")
        self.assertEqual(len(words["places"]), 6)
        pot = self.get("/thickening/pots/veloute")
        self.assertEqual((pot["litres"], pot["milk"]), (3, False))
        body = {"litres": 2, "place": "coats", "goals": ["no_gluten", "freezes_well"]}
        found = self.post("/thickening", body)
        first = found[0]
        self.assertEqual((first["thickener"], first["unmet"]), ("rice-flour", []))
        self.assertAlmostEqual(first["flour"], 127.5)
        self.assertEqual(first["candidates"][0]["id"], "rice-flour")
        stand = self.post("/thickening/will-be", {"litres": 2, "grams": {"wheat-flour": 127.5}})
        self.assertEqual(stand["place"], "coats")
        self.post("/thickening", {"litres": 2, "place": "nowhere"}, status=422)
        self.post("/thickening/will-be", {"litres": 1, "grams": {"sand": 1}}, status=422)

    def test_a_thickener_is_put_into_the_pot(self) -> None:
        change = {"change": "thickening", "preparation": "garden-stock", "product": "arrowroot"}
        self.record(change | {"grams": 200})
        card = self.card("garden-stock")
        self.assertEqual(card["lines"][-1]["item"], "arrowroot")
        self.assertIn("stop when it clears", card["method"][-1]["text"])
        refused = self.record(change | {"product": "cod", "grams": 1}, status=422, seen=2)
        self.assertIn("no thickener that is known", refused["detail"])


class Changing(CardTest):
    def test_another_way_is_taken_into_use(self) -> None:
        change = {"change": "way", "preparation": "roast-shell-stock", "way": "short and clean"}
        told = self.post("/preview", {"change": change})
        milk = [f for item in told["items"] for f in item["flags"] if f["flag"] == "milk"]
        self.assertEqual({flag["after"] for flag in milk}, {"free"})
        self.record(change)
        card = self.card("roast-shell-stock")
        self.assertEqual(card["way"], "short and clean")
        self.assertEqual([way["name"] for way in card["ways"]], ["roasted and crushed"])
        self.record(change | {"way": "nothing"}, seen=2, status=422)

    def test_a_pot_is_renamed_and_references_follow(self) -> None:
        change = {"change": "renaming", "preparation": "white-roux", "name": "Pale roux"}
        self.record(change | {"id": "pale-roux"}, status=409)
        versions = {id: self.ledger.now.versions[id] for id in ("milk-sauce", "veloute")}
        seen = versions | {"white-roux": 1, "fish-veloute": 1, "pale-roux": None}
        body = {"change": change | {"id": "pale-roux"}, "seen_each": seen}
        self.post("/changes", body)
        self.assertEqual(self.card("milk-sauce")["lines"][0]["item"], "pale-roux")
        self.assertEqual(self.api.get("/api/v1/preparations/white-roux").status_code, 404)
        self.assertEqual(
            self.reopened().now.reading.book.preparations["pale-roux"].name, "Pale roux"
        )
        taken = {"change": "renaming", "preparation": "veloute", "name": "V", "id": "milk"}
        self.record(taken, seen=2, status=422)

    def test_a_pot_is_retired_and_never_removed_while_it_is_used(self) -> None:
        self.record({"change": "removal", "item": "garden-stock"}, status=422)
        self.record({"change": "retirement", "preparation": "garden-stock", "retired": True})
        self.assertNotIn("Garden stock", [found["name"] for found in self.get("/find", q="garden")])
        listed = {pot["id"]: pot["retired"] for pot in self.get("/preparations")["entries"]}
        self.assertEqual(listed["garden-stock"], self.ledger.today)
        self.assertIn("garden-stock", [strip["id"] for strip in self.get("/family")["strips"]])
        levels = self.ledger.now.reading.levels("celeriac-pear-soup")
        self.assertIn("celery", levels)
        back = {"change": "retirement", "preparation": "garden-stock", "retired": False}
        self.record(back, seen=2)
        self.assertIn("Garden stock", [found["name"] for found in self.get("/find", q="garden")])

    def test_two_people_are_told_of_each_other(self) -> None:
        mine = {"page": "one"}
        self.assertEqual(self.post("/cards/veloute/here", mine, by="MK")["others"], [])
        found = self.post("/cards/veloute/here", {"page": "two"}, by="NB")
        self.assertEqual((found["others"], found["version"]), (["MK"], 1))
        self.post("/cards/veloute/here", mine | {"leaving": True})
        again = self.post("/cards/veloute/here", {"page": "two"}, by="NB")
        self.assertEqual(again["others"], [])
        self.assertIsNone(self.post("/cards/new/here", mine)["version"])

    def test_two_cards_are_merged_line_by_line(self) -> None:
        base = self.card("white-roux")
        theirs = json.loads(json.dumps(base))
        theirs["lines"][0]["quantity"] = 520
        self.record({"change": "preparation", "preparation": theirs})
        mine = json.loads(json.dumps(base))
        mine["lines"][1]["quantity"] = 480
        stale = self.record({"change": "preparation", "preparation": mine}, status=409)
        self.assertEqual(stale["current"]["version"], 2)
        found = self.post("/cards/white-roux/merged", {"base": base, "mine": mine})
        self.assertEqual((found["conflicts"], found["version"]), ([], 2))
        amounts = [line["quantity"] for line in found["preparation"]["lines"]]
        self.assertEqual(amounts, [520, 480])
        self.record({"change": "preparation", "preparation": found["preparation"]}, seen=2)

    def test_versions_and_any_two_cards_side_by_side(self) -> None:
        piece = self.card("white-roux")
        piece["lines"][0]["quantity"] = 520
        self.record({"change": "preparation", "preparation": piece})
        piece["lines"][0]["quantity"] = 530
        self.record({"change": "preparation", "preparation": piece}, seen=2)
        versions = self.get("/preparations/white-roux/versions")
        self.assertEqual(len(versions), 2)
        flour = "Gannet Mill plain flour"
        self.assertEqual(
            versions[1]["differences"],
            [{"part": "lines", "sentence": f"{flour}: 500 g → 520 g."}],
        )
        side = f"white-roux@{versions[1]['entry']}"
        found = self.get("/comparison", left=side, right="white-roux")
        self.assertEqual(found["differences"][0]["sentence"], f"{flour}: 520 g → 530 g.")
        found = self.get("/comparison", left="white-roux", right="brown-roux")
        self.assertEqual(found["left"]["flags"], found["right"]["flags"])
        self.assertEqual(found["flags"], [])
        way = "roast-shell-stock~short and clean"
        found = self.get("/comparison", left="roast-shell-stock", right=way)
        self.assertIn("milk", found["left"]["flags"])
        self.assertNotIn("milk", found["right"]["flags"])
        self.assertIn({"flag": "milk", "left": "contains", "right": "free"}, found["flags"])
        for side, status in (("white-roux@99", 404), ("nothing", 404), ("veloute~no", 422)):
            query = {"left": "white-roux", "right": side}
            self.assertEqual(
                self.api.get("/api/v1/comparison", params=query).status_code, status, side
            )

    def test_a_version_whose_goods_are_gone_is_still_read(self) -> None:
        piece = {"id": "tub", "name": "Tub", "kind": "sauce"}
        line = {"item": "samphire", "quantity": 1, "unit": "g", "role": "body"}
        tub = piece | {"lines": [line]}
        new = self.record({"change": "preparation", "preparation": tub}, None)
        self.record({"change": "preparation", "preparation": piece}, new["versions"]["tub"])
        first = self.get("/preparations/tub/versions")[-1]["entry"]
        pickle = self.card("samphire-pickle")
        pickle["lines"] = pickle["lines"][1:]
        pickle["yield"] = None
        self.record({"change": "preparation", "preparation": pickle})
        self.record({"change": "removal", "item": "samphire"})
        found = self.get("/comparison", left=f"tub@{first}", right="tub")
        self.assertIsNone(found["left"]["flags"])
        self.assertEqual(found["left"]["names"], {"samphire": "samphire"})
        self.assertEqual(found["flags"], [])
        found = self.get("/comparison", left=f"tub@{first}", right="white-roux")
        self.assertIn({"flag": "wheat", "left": "unchecked", "right": "contains"}, found["flags"])
        self.assertNotIn("free", [entry["left"] for entry in found["flags"]])
        found = self.get("/comparison", left="white-roux", right=f"tub@{first}")
        self.assertIn({"flag": "wheat", "left": "contains", "right": "unchecked"}, found["flags"])


class Recipes(CardTest):
    def review(self, document: Any, status: int = 200) -> Any:
        content = document if isinstance(document, bytes) else json.dumps(document).encode()
        reply = self.api.post("/api/v1/recipes/review", content=content)
        self.assertEqual(reply.status_code, status, reply.text)
        return reply.json()

    def test_a_recipe_is_reviewed_and_brought_in(self) -> None:
        [found] = self.review(SOUP)
        items = [line["item"] for line in found["preparation"]["lines"]]
        self.assertEqual(items[:2], ["ale", "onion"])
        self.assertEqual([product["otherwise"] for product in found["products"]], ["unchecked"])
        self.assertEqual(self.ledger.now.reading.book.preparations.get("ale-soup"), None)
        change = {
            "change": "bring_in",
            "products": found["products"],
            "preparations": [found["preparation"]],
        }
        self.record(change, None)
        reading = self.ledger.now.reading
        self.assertEqual(reading.level("ale-soup", "barley").word, "contains")
        self.assertEqual(reading.level("ale-soup", "milk").word, "unchecked")
        figures = self.get("/cards/ale-soup/figures")
        self.assertTrue(all(number["at_least"] for number in figures["numbers"]))

    def test_files_out(self) -> None:
        for path, kind in (
            ("/cards/veloute/card.md", "text/markdown; charset=utf-8"),
            ("/cards/veloute/card.pdf?size=A5", "application/pdf"),
            ("/recipes.jsonld?item=veloute&item=white-roux", "application/ld+json"),
            ("/recipes.jsonld", "application/ld+json"),
            ("/book.csv", "text/csv; charset=utf-8"),
        ):
            reply = self.api.get(f"/api/v1{path}")
            self.assertEqual((reply.status_code, reply.headers["content-type"]), (200, kind))
        self.assertEqual(self.api.get("/api/v1/cards/nothing/card.pdf").status_code, 404)
        self.assertEqual(self.api.get("/api/v1/recipes.jsonld?item=no").status_code, 404)

    def test_each_line_says_whether_it_is_a_pot_or_a_jar(self) -> None:
        first = b"Glaze\n\n100 g white roux\n20 g zorblax\n1 l own jus\n\nStir.\n"
        jus = b"Own jus\n\n2 kg bones\n\nSimmer.\n"
        glaze, _ = self.review(first + b"\n\n" + jus)
        kinds = {
            glaze["names"][line["item"]]: glaze["kinds"].get(line["item"])
            for line in glaze["preparation"]["lines"]
        }
        self.assertEqual(kinds, {"White roux": "pot", "Zorblax": None, "Own jus": "pot"})

    def test_what_cannot_be_read_is_told_with_its_place(self) -> None:
        self.assertIn("line 1", self.review(b"{oh", 422)["faults"][0]["place"])
        self.assertIn("over 16 MB", self.review(b" " * (17 * 1024 * 1024), 413)["detail"])
        self.assertIn("UTF-8", self.review('{"name": "Crème"}'.encode("latin-1"), 422)["detail"])

    def test_the_kitchens_measures(self) -> None:
        kitchen = self.get("/kitchen")
        self.assertIn("scoop", kitchen["units"])
        base = {"name": "K", "regime": "eu-14", "seen": kitchen["version"]}
        for measures, told in (
            ([{"name": "cup", "quantity": 1, "unit": "l"}], "has its size already"),
            ([{"name": "jug", "quantity": 1, "unit": "bunch"}], "has no size of its own"),
            ([{"name": "jug", "quantity": 1, "unit": "lt"}], "did you mean"),
        ):
            reply = self.api.put("/api/v1/kitchen", json=base | {"measures": measures})
            self.assertEqual(reply.status_code, 422, told)
            self.assertIn(told.split()[0], reply.json()["detail"])
        piece = self.card("white-roux")
        piece["lines"][0] |= {"unit": "scoop", "quantity": 8}
        self.record({"change": "preparation", "preparation": piece})
        reply = self.api.put("/api/v1/kitchen", json=base | {"measures": []})
        self.assertIn('White roux is measured in "scoop"', reply.json()["detail"])
