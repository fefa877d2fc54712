"""The larder through the API: labels, bags, tools, what is unchecked, history and sign-offs."""

import json
import os
import sqlite3
import time
from contextlib import closing
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any
from unittest.mock import patch

from tests.api.client import ApiTest
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.book.book_file import write_book


class LarderTest(ApiTest):
    def change(
        self,
        change: dict[str, Any],
        seen: int | None = 1,
        status: int = 200,
        *,
        by: str | None = None,
        **rest: Any,
    ) -> Any:
        return self.post("/changes", {"change": change, "seen": seen, **rest}, status, by=by)

    def level(self, item: str, flag: str) -> Level:
        return self.ledger.now.reading.level(item, flag)


class Labels(LarderTest):
    def test_a_label_is_read_and_nothing_recorded(self) -> None:
        text = "Sugar, <b>whey</b> powder. May contain egg. Vegan."
        found = self.post("/labels/read", {"text": text})
        by_flag = {made["flag"]: made for made in found["proposals"]}
        self.assertEqual(by_flag["milk"]["level"], "contains")
        why = by_flag["milk"]["because"][0]
        self.assertEqual(text[why["start"] : why["end"]], why["text"])
        self.assertEqual((by_flag["egg"]["level"], found["language"]), ("may_contain", "en"))
        self.assertEqual(found["listed"][0]["text"], "Sugar")
        self.assertEqual(self.ledger.history(), [])

    def test_what_cannot_be_read_is_refused_in_words(self) -> None:
        long = self.post("/labels/read", {"text": "a" * 100_001}, 422)
        self.assertIn("no label has more than 100,000", long["detail"])
        odd = self.post("/labels/read", {"text": "milk", "language": "eng"}, 422)
        self.assertIn('No language "eng"; did you mean "en"?', odd["detail"])

    def test_starting_points_never_count_as_checked(self) -> None:
        goods = self.get("/goods")
        self.assertGreaterEqual(len(goods), 200)
        for good in goods:
            self.assertEqual(good["product"]["otherwise"], "unchecked")
            self.assertEqual(bool(good["say"]), not good["plain"])
        languages = {entry["id"] for entry in self.get("/labels/languages")}
        self.assertEqual(languages, {"en", "fr", "de", "es", "it"})


class Makers(LarderTest):
    def test_who_gives_what_and_a_maker_added_and_used(self) -> None:
        given = {voice["maker"]: voice for voice in self.get("/products/oatmeal")["given_by"]}
        self.assertEqual(set(given), {"", "gannet-mill", "fell-mill"})
        maker = {"id": "new", "name": "New mill"}
        added = self.change({"change": "maker", "product": "butter", "maker": maker})
        self.assertIn("Changes", added["impact"]["sentence"])
        butter = self.ledger.now.reading.book.products["butter"]
        self.assertEqual([made.id for made in butter.makers], ["as-before", "new"])
        self.assertEqual(butter.makers[0].statements, {"milk": Level.CONTAINS})
        self.assertEqual(self.level("white-roux", "egg"), Level.UNCHECKED)
        use = {"change": "maker_in_use", "product": "butter", "maker": "as-before"}
        self.assertIn("Changes", self.post("/preview", {"change": use})["sentence"])
        self.change(use, 2)
        self.assertEqual(self.level("white-roux", "egg"), Level.FREE)
        for seen, dropped in ((3, "as-before"), (4, "new")):
            self.change({"change": "maker_dropped", "product": "butter", "maker": dropped}, seen)
        self.assertEqual(self.level("white-roux", "egg"), Level.UNCHECKED)

    def test_a_maker_without_an_id_is_given_a_free_one(self) -> None:
        for _ in range(2):
            seen = self.ledger.now.versions["oatmeal"]
            new = {"name": "Gannet Mill"}
            self.change({"change": "maker", "product": "oatmeal", "maker": new}, seen)
        makers = self.ledger.now.reading.book.products["oatmeal"].makers
        self.assertEqual(
            [made.id for made in makers],
            ["gannet-mill", "fell-mill", "gannet-mill-2", "gannet-mill-3"],
        )

    def test_two_people_on_one_product_are_merged_in_words(self) -> None:
        base = self.get("/products/butter")["product"]
        self.change(self.statement("butter", "soy", "contains"))
        new = {"name": "New mill"}
        seen = self.ledger.now.versions["butter"]
        self.change({"change": "maker", "product": "butter", "maker": new}, seen)
        mine = {**base, "salt_g_per_100g": 2, "statements": {**base["statements"], "egg": "free"}}
        found = self.post("/products/butter/merged", {"base": base, "mine": mine})
        self.assertEqual(found["version"], self.ledger.now.versions["butter"])
        self.assertEqual(found["theirs"], self.get("/products/butter")["product"])
        self.assertIn("new-mill", [maker["id"] for maker in found["product"]["makers"]])
        self.assertEqual(found["product"]["salt_g_per_100g"], 2)
        self.assertTrue(any("New mill" in told for told in found["differences"]))
        change = {"change": "product", "product": found["product"]}
        self.change(change, found["version"])
        levels = self.ledger.now.reading.levels("butter")
        self.assertEqual(levels["soy"], Level.CONTAINS)

    def test_a_line_that_holds_something_else_by_now_is_not_changed(self) -> None:
        card = self.get("/preparations/white-roux")
        line = card["preparation"]["lines"][0]
        change = {"change": "line", "preparation": "white-roux", "line": 0, "was": "butter"}
        wrong = self.post("/preview", {"change": {**change, "to": line}}, 422)
        self.assertIn('no longer holds "butter"', wrong["detail"])
        right = {**change, "was": line["item"], "to": {**line, "quantity": 510}}
        self.post("/preview", {"change": right})

    def test_a_maker_that_is_not_there_is_refused(self) -> None:
        use = {"change": "maker_in_use", "product": "oatmeal", "maker": "fel-mill"}
        problem = self.post("/changes", {"change": use, "seen": 1}, 422)
        self.assertIn('did you mean "fell-mill"?', problem["detail"])

    def test_everything_of_a_product_comes_back_from_the_file(self) -> None:
        piece = self.get("/products/oatmeal")["product"]
        whole = {
            **piece,
            "in_use": "fell-mill",
            "papers": {"halal": {"number": "H1", "expires": "2031-01-01"}},
            "certificates": ["halal"],
            "label": "Oats.",
            "pack": "1 kg",
            "code": "123456",
            "parts": [{"product": "sea-salt", "percent": 2}],
            "bag": {"additions": [{"item": "mussels", "date": "2026-11-02", "live": False}]},
        }
        self.change({"change": "product", "product": whole})
        again = self.reopened().now.reading.book.products["oatmeal"]
        self.assertEqual(again, self.ledger.now.reading.book.products["oatmeal"])
        back = self.get("/products/oatmeal")["product"]
        self.assertEqual(
            (back["in_use"], back["label"], back["code"]), ("fell-mill", "Oats.", "123456")
        )


class Bags(LarderTest):
    BAG = "langoustine-shells"

    def test_filled_and_emptied(self) -> None:
        put = {"change": "addition", "bag": self.BAG, "item": "hen-stock/fat"}
        self.change(put, by="NB")
        self.assertEqual(self.level("roast-shell-stock", "poultry"), Level.CONTAINS)
        found = self.get(f"/products/{self.BAG}")
        self.assertEqual(found["inside"][0]["name"], "Skimmed hen fat from Hen stock")
        [entry] = self.ledger.history(self.BAG)
        self.assertEqual(entry.person, "NB")
        self.change({"change": "emptying", "bag": self.BAG, "washed": False}, 2)
        self.assertEqual(self.level("roast-shell-stock", "poultry"), Level.CONTAINS)
        self.change({"change": "emptying", "bag": self.BAG, "washed": True}, 3)
        self.assertEqual(self.level("roast-shell-stock", "crustacean"), Level.FREE)

    def test_what_cannot_be(self) -> None:
        odd = {"change": "addition", "bag": "butter", "item": "mussels"}
        self.assertIn(
            "no running bag", self.post("/changes", {"change": odd, "seen": 1}, 422)["detail"]
        )
        gone = {"change": "addition", "bag": self.BAG, "item": "nothing"}
        self.post("/changes", {"change": gone, "seen": 1}, 404)


class Tools(LarderTest):
    def test_the_reading_of_the_day(self) -> None:
        self.post("/tools/uses", {"tool": "chinois", "item": "roast-shell-stock"}, by="NB")
        day = self.post("/tools/uses", {"tool": "chinois", "item": "garden-stock"})
        traces = {trace["id"]: trace for trace in day["traces"]}
        self.assertIn("crustacean", traces["garden-stock"]["flags"])
        self.assertEqual(traces["garden-stock"]["through"], ["chinois, after Roast shell stock"])
        self.assertIn("celeriac-soup-plate", traces)
        self.assertEqual(self.level("garden-stock", "crustacean"), Level.FREE)
        chinois = next(t for t in self.get("/tools") if t["tool"]["name"] == "chinois")
        self.assertEqual(
            [made["id"] for made in chinois["inside"]], ["roast-shell-stock", "garden-stock"]
        )
        washed = self.post("/tools/uses", {"tool": "chinois", "item": None})
        self.assertEqual(len(washed["uses"]), 3)
        self.post("/tools/uses", {"tool": "chinois", "item": "nothing"}, 404)
        problem = self.post("/tools/uses", {"tool": "shinois", "item": "garden-stock"}, 422)
        self.assertIn('No tool "shinois"; did you mean "chinois"?', problem["detail"])
        self.post("/tools/uses", {"tool": " CHINOIS", "item": "garden-stock"})
        self.assertEqual(self.get("/day")["uses"][-1]["tool"], "chinois")
        self.assertEqual(
            self.get("/day", on="2020-01-01"), {"day": "2020-01-01", "uses": [], "traces": []}
        )

    def test_midnight_washes_nothing(self) -> None:
        self.time = datetime(2026, 11, 25, 12, tzinfo=UTC)
        self.post("/tools/uses", {"tool": "chinois", "item": "roast-shell-stock"})
        self.time += timedelta(days=1)
        chinois = next(t for t in self.get("/tools") if t["tool"]["name"] == "chinois")
        self.assertEqual([item["id"] for item in chinois["inside"]], ["roast-shell-stock"])
        day = self.post("/tools/uses", {"tool": "chinois", "item": "garden-stock"})
        [trace] = [trace for trace in day["traces"] if trace["id"] == "garden-stock"]
        self.assertIn("crustacean", trace["flags"])
        self.assertEqual(self.get("/day", on="2026-11-25")["traces"], [])
        self.post("/tools/uses", {"tool": "chinois", "item": None})
        self.time += timedelta(days=1)
        day = self.post("/tools/uses", {"tool": "chinois", "item": "garden-stock"})
        self.assertEqual(day["traces"], [])

    def test_always_shared_is_read_into_the_book(self) -> None:
        self.put_tool("chinois", always_shared=True)
        self.assertEqual(self.level("hen-stock", "crustacean"), Level.MAY_CONTAIN)
        self.assertEqual(self.reopened().now.reading.masks, self.ledger.now.reading.masks)
        carried = self.get("/preparations/hen-stock")["carries"]
        self.assertTrue("chinois" in str(carried))
        twice = self.post("/tools", {"tool": {"name": "Chinois", "id": "other"}}, 422)
        self.assertIn("is here twice", twice["detail"])
        chinois = self.ledger.now.setting_versions["tool/chinois"]
        gone = self.api.delete("/api/v1/tools/chinois", params={"seen": chinois})
        self.assertEqual(gone.status_code, 200)
        self.assertEqual(self.level("hen-stock", "crustacean"), Level.FREE)


class Unchecked(LarderTest):
    def test_records_that_contradict_each_other_are_listed(self) -> None:
        [shells] = self.get("/unchecked")["contradictions"]
        self.assertEqual((shells["flag"], shells["against"]), ("sulphites", "so2_mg_per_kg"))
        product = self.get("/products/butter")["product"] | {"abv_percent": 3}
        self.post("/changes", {"change": {"change": "product", "product": product}, "seen": 1})
        found, _ = self.get("/unchecked")["contradictions"]
        self.assertEqual((found["product"]["id"], found["flag"]), ("butter", "alcohol"))
        self.assertEqual((found["level"], found["reads"]), ("free", "contains"))
        self.assertEqual((found["against"], found["number"]), ("abv_percent", 3))

    def test_the_list(self) -> None:
        found = self.get("/unchecked")
        first = found["held"][0]
        self.assertEqual((first["item"], first["settle"]), ("stock-powder", "read_label"))
        self.assertEqual(
            first["needs"], ["The crossing party of six", "Table 4, tonight", "Table 7, Friday"]
        )
        settle = {entry["item"]: entry["settle"] for entry in found["held"]}
        self.assertEqual(settle["hard-cheese"], "ask_maker")
        self.assertEqual(settle["steward-ham-stock"], "write_card")
        self.assertEqual(settle["langoustine-shells"], "empty_bag")
        self.assertEqual([gone["kind"] for gone in found["run_out"]], ["organic"])
        self.assertEqual([stale["pot"]["id"] for stale in found["stale_sign_offs"]], ["veloute"])
        old = {look["product"]["id"] for look in found["second_looks"]}
        self.assertLessEqual({"ale", "capers", "hazelnut-oil"}, old)

    def test_needs_are_kept_and_strange_ones_refused(self) -> None:
        need = {"id": "n", "guest": "Bar", "clear": ["milk"], "strictness": "allergy"}
        kept = self.post("/needs", {"need": need})
        self.assertEqual(kept["need"]["guest"], "Bar")
        held = {entry.id: entry for entry in self.reopened().now.reading.book.needs}
        self.assertEqual(held["n"].clear, ("milk",))
        odd = self.post("/needs", {"need": {**need, "clear": ["mlik"], "fit": ["vegn"]}}, 409)
        self.assertEqual(odd["current"]["content"]["guest"], "Bar")
        wrong = {**need, "id": "", "clear": ["mlik"], "fit": ["vegn"]}
        problem = self.post("/needs", {"need": wrong}, 422)
        self.assertIn('did you mean "milk"?', problem["detail"])

    def test_names_that_nobody_could_read_are_refused_wherever_they_are_typed(self) -> None:
        for name in ("a\u200bb", "a\u202eb", "\u3164", " \u00a0 ", "a\x07", "\u2800"):
            with self.subTest(name=ascii(name)):
                self.post("/needs", {"need": {"guest": name, "clear": ["milk"]}}, 422)
                self.post("/tools", {"tool": {"name": name}}, 422)
                product = {"id": "x", "name": name}
                change = {"change": {"change": "product", "product": product}, "seen": None}
                self.post("/changes", change, 422)
                kitchen = self.get("/kitchen")
                wanted = {"name": name, "regime": "eu-14", "seen": kitchen["version"]}
                put = self.api.put("/api/v1/kitchen", json=wanted)
                self.assertEqual(put.status_code, 422)
        self.post("/needs", {"need": {"guest": "क्\u200dष Müller-O'Brien", "clear": ["milk"]}})

    def test_a_number_beyond_all_kitchens_is_refused(self) -> None:
        product = {"id": "x", "name": "X", "price_per_kg": 1e300}
        change = {"change": {"change": "product", "product": product}, "seen": None}
        self.assertIn("too large", self.post("/changes", change, 422)["detail"])

    def test_an_old_need_with_words_that_nobody_knows_stops_no_page(self) -> None:
        with closing(sqlite3.connect(self.path)) as file:
            old = {"id": "old", "guest": "Old guest", "strictness": "allergy"}
            old |= {"clear": ["mlik", "egg"], "fit": ["vegn"]}
            wanted = (
                "INSERT INTO document (kind, id, version, content) VALUES ('need', 'old', 1, ?)"
            )
            file.execute(wanted, [json.dumps(old)])
            file.execute("UPDATE book SET counter = counter + 1")
            file.commit()
        guests = [entry["need"]["guest"] for entry in self.get("/unchecked")["needs"]]
        self.assertIn("Old guest", guests)
        self.post("/plans", {"item": "hen-leek-pie", "goals": {"clear": ["wheat"]}})

    def test_two_people_who_each_add_a_guest_keep_both_and_one_is_answered_once(self) -> None:
        before = len(self.get("/unchecked")["needs"])
        for guest in ("Ada", "Bo", "Ada"):
            self.post("/needs", {"need": {"guest": guest, "clear": ["milk"]}})
        needs = self.get("/unchecked")["needs"]
        self.assertEqual(len(needs), before + 3)
        [ada] = [entry for entry in needs if entry["need"]["id"] == "ada"]
        address = "/api/v1/needs/ada"
        self.assertEqual(self.api.delete(address, params={"seen": 1}).status_code, 409)
        gone = self.api.delete(address, params={"seen": ada["version"]})
        self.assertEqual(gone.status_code, 200)
        again = self.api.delete(address, params={"seen": ada["version"]})
        self.assertEqual(again.status_code, 409)
        self.assertIn("was removed", again.json()["detail"])

    def test_settling_one_names_what_it_frees(self) -> None:
        product = {**self.get("/products/stock-powder")["product"], "otherwise": "free"}
        product["evidence"] = {"otherwise": {"kind": "supplier", "person": "MK"}}
        done = self.change({"change": "product", "product": product})
        self.assertEqual(done["freed"], ["Hen and leek pie"])


SIGNED = {"kind": "label", "date": "2026-11-24", "person": "MK"}


class Free(LarderTest):
    """Nobody becomes free of what it is, and nobody says so without a name."""

    def free(self, name: str, status: int = 200, **more: Any) -> Any:
        product = {"id": "tub", "name": name, "otherwise": "free", **more}
        body = {"change": {"change": "product", "product": product}, "seen": None}
        self.post("/preview", {"change": body["change"]}, status)
        return self.post("/changes", body, status)

    def test_a_walnut_is_never_free_of_walnut(self) -> None:
        signed = {"evidence": {"otherwise": SIGNED}}
        refused = self.free("Walnuts", 422, **signed)
        self.assertIn("cannot be free of walnut: its name says", refused["detail"])
        self.free("Walnuts", **signed, statements={"walnut": "contains"})
        self.assertEqual(self.level("tub", "walnut"), Level.CONTAINS)

    def test_free_wants_a_source_and_a_person(self) -> None:
        for evidence in ({}, {"otherwise": {"kind": "label"}}):
            self.assertIn("not by whom", self.free("Tub 4", 422, evidence=evidence)["detail"])
        statement = {"change": "statement", "item": "butter", "flag": "soy", "level": "free"}
        self.post("/changes", {"change": statement, "seen": 1}, 422)
        self.change({**statement, "evidence": SIGNED})

    def test_a_plain_food_is_recorded_with_what_it_brings(self) -> None:
        self.post(
            "/changes",
            {"change": {"change": "product", "product": {"id": "walnuts", "name": "Walnuts"}}},
        )
        [held] = [row for row in self.get("/unchecked")["held"] if row["item"] == "walnuts"]
        self.assertEqual(held["settle"], "mark_plain")
        self.assertEqual(held["plain"]["sentence"], "walnut: contains, everything else free")
        change = {"change": "plain_food", "product": "walnuts"}
        self.change(change, held["version"], by="NB")
        self.assertEqual(self.level("walnuts", "walnut"), Level.CONTAINS)
        self.assertEqual(self.level("walnuts", "milk"), Level.FREE)
        jar = next(jar for jar in self.get("/products")["entries"] if jar["id"] == "walnuts")
        self.assertEqual((jar["class_name"], jar["class_proposed"]), ("walnut", True))

    def test_a_powder_without_a_label_is_none(self) -> None:
        change = {"change": "plain_food", "product": "stock-powder"}
        refused = self.change(change, status=422, by="NB")
        self.assertIn("read its label", refused["detail"])
        [held] = [row for row in self.get("/unchecked")["held"] if row["item"] == "stock-powder"]
        self.assertIsNone(held["plain"])

    def test_the_history_names_nobody_who_was_not_there(self) -> None:
        self.change({"change": "plain_food", "product": "leek"}, by="MK")
        leek = {**self.get("/products/leek")["product"], "pack": "a box"}
        self.change({"change": "product", "product": leek}, self.ledger.now.versions["leek"])
        last, before = self.get("/history", item="leek")[:2]
        self.assertEqual((last["person"], before["person"]), (None, "MK"))


class History(LarderTest):
    def test_a_day_of_the_larder_ends_with_the_kitchens_own_midnight(self) -> None:
        self.time = datetime(2026, 11, 25, 22, 30, tzinfo=UTC)
        self.change(self.statement("butter", "soy", "contains"))
        for zone, on, known in (
            ("UTC0", "2026-11-25", True),
            ("EAST-2", "2026-11-25", False),
            ("EAST-2", "2026-11-26", True),
            ("WEST8", "2026-11-24", False),
            ("WEST8", "2026-11-25", True),
        ):
            with self.subTest(zone=zone, on=on), patch.dict(os.environ, {"TZ": zone}):
                time.tzset()
                self.addCleanup(time.tzset)
                flags = self.get("/larder/as-of", at=on)["flags"]["butter"]
                self.assertEqual(flags.get("soy") == "contains", known)

    def test_who_when_what_before_and_why(self) -> None:
        change = self.statement("butter", "soy", "contains")
        self.change(change, by="MK", why="the new box says so")
        [entry] = self.get("/history", item="butter")
        self.assertEqual((entry["person"], entry["why"]), ("MK", "the new box says so"))
        self.assertIn("soy contains (was free)", entry["told"])
        self.assertNotIn("soy", entry["before"]["statements"])
        self.assertEqual(entry["after"]["statements"]["soy"], "contains")

    def test_undo_is_a_new_change_and_only_of_what_still_stands(self) -> None:
        self.change(self.statement("butter", "soy", "contains"))
        self.change(self.statement("butter", "egg", "contains"), 2)
        last, first = self.get("/history", item="butter")
        problem = self.post(f"/history/{first['id']}/undo", {}, 422, by="NB")
        self.assertIn("undo the later change first", problem["detail"])
        self.post(f"/history/{last['id']}/undo", {"why": "wrong box"}, by="NB")
        self.assertEqual(self.level("butter", "egg"), Level.FREE)
        newest, undone, _ = self.get("/history", item="butter")
        self.assertEqual((newest["undoes"], undone["undone_by"]), (last["id"], newest["id"]))
        self.post("/history/9999/undo", {}, 404)
        self.post(f"/history/{10**30}/undo", {"why": "wrong box"}, 422, by="NB")
        self.post(f"/notices/{10**30}/decide", {"decision": "accept", "seen": 1}, 422)

    def test_what_lowers_a_flag_wants_a_person_and_a_reason(self) -> None:
        self.change(self.statement("butter", "soy", "contains"))
        [entry] = self.get("/history", item="butter")
        told = self.post(f"/history/{entry['id']}/undo/preview", {})
        self.assertTrue(told["lowers"])
        self.assertGreater(told["impact"]["pots"], 3)
        for body, by in (({}, None), ({}, "NB"), ({"why": "wrong box"}, None)):
            problem = self.post(f"/history/{entry['id']}/undo", body, 422, by=by)
            self.assertIn("say who you are, and why", problem["detail"])
        self.assertEqual(self.level("butter", "soy"), Level.CONTAINS)
        self.post(f"/history/{entry['id']}/undo", {"why": "wrong box"}, by="NB")
        self.assertEqual(self.level("butter", "soy"), Level.FREE)
        raised = self.get("/history", item="butter")[0]
        told = self.post(f"/history/{raised['id']}/undo/preview", {})
        self.assertFalse(told["lowers"])
        self.post(f"/history/{raised['id']}/undo", {})
        self.post("/history/9999/undo/preview", {}, 404)

    def test_a_new_product_is_undone_by_taking_it_away(self) -> None:
        product = {"id": "tub", "name": "A tub", "class": "other"}
        self.change({"change": "product", "product": product}, None)
        [entry] = self.get("/history", item="tub")
        self.post(f"/history/{entry['id']}/undo", {"why": "wrong box"}, by="NB")
        self.assertNotIn("tub", self.ledger.now.versions)
        [gone, _] = self.get("/history", item="tub")
        self.post(f"/history/{gone['id']}/undo", {"why": "wrong box"}, by="NB")
        self.assertIn("tub", self.ledger.now.versions)


class WhatItIs(LarderTest):
    """Goods of which nobody has said what they are."""

    def bring(self, name: str) -> str:
        product = {"id": "tub", "name": name}
        line = {"item": "tub", "quantity": 10, "unit": "g", "role": "seasoning"}
        made = self.get("/preparations/veloute")["preparation"]
        made["lines"].append(line)
        change = {"change": "bring_in", "products": [product], "preparations": [made]}
        seen = {"tub": None, "veloute": self.ledger.now.versions["veloute"]}
        self.post("/changes", {"change": change, "seen_each": seen})
        return "tub"

    def test_names_are_read_as_they_are_typed(self) -> None:
        body = {"names": ["Anna's double cream", "Anna's mix", "Vegan cream", "Walnuts"]}
        cream, mix, vegan, walnuts = self.post("/classes/read", body)
        self.assertEqual(cream, {"class": "cream", "certain": True, "others": [], "plain": None})
        self.assertEqual(mix, {"class": None, "certain": False, "others": [], "plain": None})
        self.assertEqual(
            walnuts["plain"],
            {"flags": ["walnut"], "sentence": "walnut: contains, everything else free"},
        )
        recorded = {"names": ["Anna's bag", "Leeks"], "recorded": ["walnut", "stock-powder"]}
        bag, leeks = self.post("/classes/read", recorded)
        self.assertEqual((bag["plain"]["flags"], leeks["plain"]), (["walnut"], None))
        self.assertIn("soy-cream", vegan["others"])

    def test_what_is_certain_counts_and_is_shown_as_taken(self) -> None:
        self.bring("Anna's double cream")
        jar = next(jar for jar in self.get("/products")["entries"] if jar["id"] == "tub")
        self.assertEqual((jar["class_name"], jar["class_proposed"]), ("cream", True))
        self.assertEqual(self.get("/unchecked")["class_questions"], [])
        self.assertIsNone(self.ledger.now.reading.book.products["tub"].class_)

    def test_what_is_not_is_asked_and_said_in_one_tap(self) -> None:
        self.bring("Vegan cream")
        [asked] = self.get("/unchecked")["class_questions"]
        self.assertEqual((asked["product"]["id"], asked["likely"][0]), ("tub", "oat-cream"))
        self.assertGreater(asked["plates"], 0)
        change = {"change": "class", "item": "tub", "class": "soy-cream"}
        self.post("/changes", {"change": change, "seen": asked["version"]}, by="MK")
        self.assertEqual(self.get("/unchecked")["class_questions"], [])
        self.assertEqual(self.ledger.now.reading.book.products["tub"].class_, "soy-cream")
        self.post("/changes", {"change": change, "seen": asked["version"]}, 409)

    def test_a_second_name_of_a_class_is_written_as_the_first(self) -> None:
        self.bring("Tub")
        change = {"change": "class", "item": "tub", "class": "cornflour"}
        self.post("/changes", {"change": change, "seen": self.ledger.now.versions["tub"]})
        self.assertEqual(self.ledger.now.reading.book.products["tub"].class_, "maize-starch")


class Clock(ApiTest):
    """The same kitchen with a clock that the test sets."""

    time = datetime(2026, 11, 24, 12, tzinfo=UTC)

    def test_the_larder_as_of_a_moment(self) -> None:
        self.post("/changes", {"change": self.statement("butter", "soy", "contains"), "seen": 1})
        self.time += timedelta(days=2)
        new = {"id": "tub", "name": "A tub", "class": "other"}
        self.post("/changes", {"change": {"change": "product", "product": new}})
        for at, soy, count in (
            ("2026-11-23", None, 81),
            ("2026-11-25", "contains", 81),
            ("2026-11-26", "contains", 82),
            ("2026-11-24T11:59:00Z", None, 81),
            ("2026-11-24T13:30:00+02:00", None, 81),
            ("2026-11-24T10:30:00-02:00", "contains", 81),
        ):
            found = self.get("/larder/as-of", at=at)
            self.assertEqual(found["flags"]["butter"].get("soy"), soy, at)
            self.assertEqual(len(found["products"]), count, at)

        self.assertEqual(self.api.get("/api/v1/larder/as-of?at=2026-13-45").status_code, 422)

    def test_a_book_that_was_replaced_can_still_be_read(self) -> None:
        self.time += timedelta(days=1)
        self.ledger.replace_book(demo_book())
        self.assertEqual(len(self.get("/larder/as-of", at="2026-11-24")["products"]), 81)
        [entry] = self.get("/history", item="")
        problem = self.post(f"/history/{entry['id']}/undo", {"why": "wrong box"}, 422, by="NB")
        self.assertIn("put back by importing it", problem["detail"])

    def test_a_certificate_runs_out_overnight(self) -> None:
        lamb = self.get("/products/mutton-shoulder")["product"]
        lamb["papers"] = {"halal": {"number": "H", "expires": "2026-11-24"}}
        self.post("/changes", {"change": {"change": "product", "product": lamb}, "seen": 1})
        mask = self.ledger.now.reading.masks["mutton-shoulder"]
        self.time += timedelta(days=1)
        self.assertEqual(self.ledger.now.reading.masks["mutton-shoulder"], mask)
        self.ledger.turn_day()
        self.assertNotEqual(self.ledger.now.reading.masks["mutton-shoulder"], mask)
        run_out = [gone["kind"] for gone in self.get("/unchecked")["run_out"]]
        self.assertIn("halal", run_out)

    def test_tools_and_certificates_make_sign_offs_stale_too(self) -> None:
        lamb = self.get("/products/mutton-shoulder")["product"]
        lamb["papers"] = {"halal": {"number": "H", "expires": "2026-11-24"}}
        self.post("/changes", {"change": {"change": "product", "product": lamb}, "seen": 1})
        for pot in ("hen-stock", "mutton-shoulder-plate"):
            self.sign(pot, "TO")
        self.put_tool("chinois", always_shared=True)
        stale = self.get("/preparations/hen-stock")["sign_off"]["stale_by"]
        self.assertIn("The tool chinois", stale)
        self.sign("mutton-shoulder-plate", "TO")
        self.time += timedelta(days=1)
        stale = self.get("/preparations/mutton-shoulder-plate")["sign_off"]["stale_by"]
        self.assertEqual(stale, "A certificate has run out")
        kept = self.reopened_at(self.ledger.path).now.reading.book.sign_offs
        self.assertFalse(kept["mutton-shoulder-plate"].holds)

    def reopened_at(self, path: Path) -> Any:
        ledger = type(self.ledger).open(path)
        self.addCleanup(ledger.close)
        return ledger

    def test_a_sign_off_goes_stale_by_the_change_that_did_it(self) -> None:
        self.sign("milk-sauce", "TO")
        self.post("/changes", {"change": self.statement("leek", "soy", "contains"), "seen": 1})
        self.assertIsNone(self.get("/preparations/milk-sauce")["sign_off"]["stale_by"])
        self.time += timedelta(days=1)
        change = self.statement("plain-flour", "egg", "may_contain")
        self.post("/changes", {"change": change, "seen": 1}, by="NB")
        signed = self.get("/preparations/milk-sauce")["sign_off"]
        self.assertEqual((signed["date"], signed["stale_since"]), ("2026-11-24", "2026-11-25"))
        self.assertIn("egg may contain (was free) (NB)", signed["stale_by"])
        self.assertEqual(self.ledger.now.reading.book.sign_offs["garden-stock"].holds, True)
        self.sign("milk-sauce", "TO")
        self.assertIsNone(self.get("/preparations/milk-sauce")["sign_off"]["stale_by"])
        self.post("/preparations/nothing/sign-off", {"seen": 1}, 404)
        exported = write_book(self.ledger.now.reading.book)
        self.assertIn(b'"preparation": "milk-sauce"', exported)


class TheKitchen(LarderTest):
    def test_people_and_the_second_look(self) -> None:
        people = [{"initials": "AB", "name": "Ada Brae"}]
        body = {
            "name": "Here",
            "regime": "eu-14",
            "second_look_days": 5,
            "people": people,
            "seen": 1,
        }
        done = self.api.put("/api/v1/kitchen", json=body).json()
        self.assertEqual((done["people"], done["second_look_days"]), (people, 5))
        kitchen = self.reopened().now.reading.book.kitchen
        self.assertEqual((kitchen.people[0].initials, kitchen.second_look_days), ("AB", 5))
        twice = self.api.put("/api/v1/kitchen", json={**body, "people": people * 2, "seen": 2})
        self.assertIn('Two people have the initials "AB"', twice.json()["detail"])
