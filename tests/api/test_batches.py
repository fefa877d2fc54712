"""Batches over the API: one tap, what differs, corrections, and the trace."""

import csv
import io
import time
from unittest import main

from tests.api.client import ApiTest
from yellow_ladle.core.production.service import Draw, Served, Service
from yellow_ladle.store.daybook import DaybookChange


class BatchesTest(ApiTest):
    def made(self, preparation: str, **rest: object) -> dict[str, object]:
        return self.post("/batches", {"preparation": preparation, **rest}, by="MK")

    def test_one_tap_records_a_pot_as_its_card_says(self) -> None:
        done = self.made("veloute")
        self.assertEqual(done["meaning"]["more"], [])
        self.assertEqual(done["meaning"]["less"], [])
        page = self.get(f"/batches/{done['id']}")
        self.assertEqual(page["piece"]["by"], "MK")
        self.assertFalse(page["late"])
        carried = {flag["flag"]: flag["level"] for flag in page["flags"]}
        self.assertEqual(carried, self.carried("veloute"))
        rows = [(row["item"]["id"], row["quantity"], row["unit"]) for row in page["went_in"]]
        lines = self.get("/today/veloute")["lines"]
        wanted = [(line["item"]["id"], line["quantity"], line["unit"]) for line in lines]
        self.assertEqual(rows, wanted)
        statements = page["piece"]["statements"]
        self.assertEqual(statements["wheat"], "contains")
        self.assertNotIn("unchecked", statements.values())
        self.assertEqual(page["parts"][0]["left"], {"quantity": 3, "unit": "l"})

    def test_what_is_made_on_this_weekday_stands_first_once_it_was_made(self) -> None:
        last_week = (self.ledger.local_moment[:10], "veloute")
        self.assertEqual(self.get("/today")["pots"][0]["usual"], 0)
        week_ago = time.strftime("%Y-%m-%dT09:00:00+00:00", time.gmtime(time.time() - 7 * 86_400))
        self.made("veloute", made=week_ago)
        first = self.get("/today")["pots"][0]
        self.assertEqual((first["id"], first["usual"], first["batches"]), (last_week[1], 1, []))
        [row] = self.ledger.daybook.now.daybook.batches
        self.assertTrue(self.get(f"/batches/{row.id}")["late"])

    def test_another_thing_instead_is_told_with_what_it_means(self) -> None:
        roux = self.made("white-roux")["id"]
        body = {
            "preparation": "veloute",
            "went_in": [
                {"line": 0, "item": "white-roux", "batch": roux, "quantity": 320, "unit": "g"},
                {"line": 1, "item": "shore-fish-stock", "quantity": 3.2, "unit": "l"},
            ],
        }
        told = self.post("/batches/preview", body)
        self.assertIn("Fish", told["more"])
        self.assertIn("Poultry", told["less"])
        plates = {plate["plate"]["id"]: plate["more"] for plate in told["plates"]}
        self.assertIn("Fish", plates["hen-leek-pie"])
        self.assertEqual(self.get("/today")["others"], [])
        done = self.post("/batches", body, by="MK")
        self.assertEqual(done["meaning"], told)
        reached = self.get("/trace", batch=roux)
        self.assertEqual(
            [(step["id"], step["surely"], step["grams"]) for step in reached["steps"]],
            [(done["id"], True, 320)],
        )
        pie = self.made("hen-leek-pie")["id"]
        steps = {step["id"]: step["surely"] for step in self.get("/trace", batch=roux)["steps"]}
        self.assertEqual(steps, {done["id"]: True, pie: False})

    def test_a_maker_named_once_is_remembered_for_the_day(self) -> None:
        lines = self.get("/today/oatcakes")["lines"]
        [oats] = [line for line in lines if line["item"]["id"] == "oatmeal"]
        self.assertEqual({maker["id"] for maker in oats["makers"]}, {"gannet-mill", "fell-mill"})
        named = {"line": oats["line"], "item": "oatmeal", "maker": "fell-mill"}
        self.made("oatcakes", went_in=[named])
        lines = self.get("/today/oatcakes")["lines"]
        [again] = [line for line in lines if line["item"]["id"] == "oatmeal"]
        self.assertEqual(again["maker"], "fell-mill")
        page = self.get(f"/batches/{self.made('oatcakes')['id']}")
        sources = {source["maker"] for flag in page["flags"] for source in flag["sources"]}
        self.assertIn("Fell Mill", {name for name in sources if name})

    def test_something_without_a_card(self) -> None:
        self.post("/batches", {"went_in": [{"item": "butter"}]}, 422)
        done = self.post("/batches", {"name": "Staff food", "went_in": [{"item": "butter"}]})
        self.assertFalse(done["meaning"]["compared"])
        page = self.get(f"/batches/{done['id']}")
        carried = {flag["flag"]: flag["level"] for flag in page["flags"]}
        self.assertEqual(carried, self._levels("butter"))
        nothing = self.post("/batches", {"name": "Somebody's soup"})
        levels = {flag["level"] for flag in self.get(f"/batches/{nothing['id']}")["flags"]}
        self.assertEqual(levels, {"unchecked"})

    def _levels(self, product: str) -> dict[str, str]:
        reading = self.ledger.now.reading
        return {flag: level.word for flag, level in reading.levels(product).items()}

    def test_corrections_and_taking_back_are_entries_of_their_own(self) -> None:
        id = self.made("veloute")["id"]
        seen = self.get(f"/batches/{id}")["seen"]
        fish = {"line": 1, "item": "shore-fish-stock", "quantity": 3.2, "unit": "l"}
        body = {
            "id": id,
            "preparation": "veloute",
            "went_in": [fish],
            "seen": seen,
            "why": "looked",
        }
        made = self.get(f"/batches/{id}")["piece"]["made"]
        corrected = self.post("/batches", {**body, "made": made}, by="NB")
        self.assertEqual(corrected["id"], id)
        self.assertIn("Fish", corrected["meaning"]["more"])
        self.post("/batches", body, 409, by="NB")
        history = self.get(f"/batches/{id}/history")
        self.assertEqual([(each["person"], each["why"]) for each in history],
                         [("NB", "looked"), ("MK", "")])  # fmt: skip
        self.assertEqual(self.api.post(f"/api/v1/batches/{id}/undo").status_code, 200)
        carried = {flag["flag"] for flag in self.get(f"/batches/{id}")["flags"]}
        self.assertEqual(carried, set(self.carried("veloute")))
        seen = self.get(f"/batches/{id}")["seen"]
        self.assertEqual(self.api.delete(f"/api/v1/batches/{id}?seen={seen}").status_code, 200)
        self.assertEqual(self.api.get(f"/api/v1/batches/{id}").status_code, 404)
        self.assertTrue(self.get(f"/batches/{id}/history")[0]["gone"])
        self.assertIsNone(self.ledger.daybook.altered())

    def test_a_correction_does_not_make_an_entry_late(self) -> None:
        id = self.made("white-roux")["id"]
        page = self.get(f"/batches/{id}")
        piece = page["piece"]
        body = {"id": id, "preparation": "white-roux", "made": piece["made"], "note": "lumpy"}
        self.post("/batches", {**body, "seen": page["seen"]}, by="NB")
        again = self.get(f"/batches/{id}")
        self.assertFalse(again["late"])
        self.assertEqual(again["piece"]["note"], "lumpy")
        del body["made"]
        self.post("/batches", {**body, "seen": again["seen"], "note": ""}, by="NB")
        self.assertEqual(self.get(f"/batches/{id}")["piece"]["made"], piece["made"])

    def test_a_correction_takes_no_maker_that_was_named_later(self) -> None:
        id = self.made("oatcakes")["id"]
        lines = self.get("/today/oatcakes")["lines"]
        [oats] = [line for line in lines if line["item"]["id"] == "oatmeal"]
        named = {"line": oats["line"], "item": "oatmeal", "maker": "fell-mill"}
        self.made("oatcakes", went_in=[named])
        seen = self.get(f"/batches/{id}")["seen"]
        self.post("/batches", {"id": id, "preparation": "oatcakes", "seen": seen, "note": "x"})
        rows = self.get(f"/batches/{id}")["piece"]["went_in"]
        self.assertEqual([row.get("maker") for row in rows], [None] * len(rows))

    def test_an_earlier_time_is_on_the_clock_of_the_kitchen(self) -> None:
        day = self.ledger.today
        id = self.made("white-roux", at=f"{day}T00:00")["id"]
        page = self.get(f"/batches/{id}")
        self.assertEqual(page["piece"]["made"][:16], f"{day}T00:00")
        self.assertEqual(page["piece"]["made"][-6:], self.ledger.local_moment[-6:])
        self.assertTrue(page["late"])
        body = {"preparation": "white-roux", "at": "2999-01-01T10:00"}
        self.assertIn("still to come", self.post("/batches", body, 422)["detail"])
        body = {"preparation": "white-roux", "at": "2026-02-31T10:00"}
        self.assertIn("no time", self.post("/batches", body, 422)["detail"])

    def test_a_level_is_stated_and_taken_off_with_a_reason(self) -> None:
        id = self.made("white-roux")["id"]
        path = f"/batches/{id}/statements"

        def state(level: str | None, status: int = 200, **rest: object) -> None:
            body = {"flag": "celery", "level": level, "seen": seen, **rest}
            self.post(path, body, status, by="NB")

        seen = self.get(f"/batches/{id}")["seen"]
        state("contains", why="a spoon fell in")
        page = self.get(f"/batches/{id}")
        [celery] = [flag for flag in page["flags"] if flag["flag"] == "celery"]
        self.assertEqual((celery["level"], celery["sources"][0]["kind"]), ("contains", "recorded"))
        state(None, 409, why="no")
        seen = page["seen"]
        state(None, 422)
        state(None, why="it was another pan")
        page = self.get(f"/batches/{id}")
        self.assertNotIn("celery", [flag["flag"] for flag in page["flags"]])
        history = self.get(f"/batches/{id}/history")
        self.assertEqual([each["why"] for each in history],
                         ["it was another pan", "a spoon fell in", ""])  # fmt: skip

    def test_two_corrections_of_one_batch_are_put_together(self) -> None:
        id = self.made("veloute")["id"]
        page = self.get(f"/batches/{id}")
        stale = {"id": id, "preparation": "veloute", "seen": page["seen"]}
        fish = {"line": 1, "item": "shore-fish-stock", "quantity": 3.2, "unit": "l"}
        self.post("/batches", {**stale, "went_in": [fish]}, by="NB")
        mine = {**stale, "left_out": [{"line": 4, "why": ""}], "note": "no powder"}
        self.post("/batches", mine, 409, by="MK")
        found = self.post(f"/batches/{id}/merge", mine)
        items = [row["item"]["id"] for row in found["batch"]["went_in"]]
        self.assertEqual(items, ["white-roux", "shore-fish-stock"])
        self.assertEqual(found["conflicts"], [])
        self.assertEqual(found["batch"]["piece"]["note"], "no powder")
        self.assertIn("fish", [flag["flag"] for flag in found["batch"]["flags"]])
        garden = {"line": 1, "item": "garden-stock", "quantity": 3.2, "unit": "l"}
        both = self.post(f"/batches/{id}/merge", {**stale, "went_in": [garden]})
        self.assertEqual(both["conflicts"], ["Hen stock"])
        self.assertIn("garden-stock", [row["item"]["id"] for row in both["batch"]["went_in"]])
        self.post("/batches/b-77/merge", {**stale, "id": "b-77"}, 404)

    def test_what_was_drawn_from_is_not_taken_back(self) -> None:
        roux = self.made("white-roux")["id"]
        self.made("veloute", went_in=[{"line": 0, "item": "white-roux", "batch": roux}])
        seen = self.get(f"/batches/{roux}")["seen"]
        refused = self.api.delete(f"/api/v1/batches/{roux}?seen={seen}")
        self.assertEqual(refused.status_code, 422)
        self.assertIn("Velouté", refused.json()["detail"])

    def test_draws_from_what_is_not_there_are_refused_in_words(self) -> None:
        body = {"preparation": "veloute", "went_in": [{"item": "white-roux", "batch": "b-77"}]}
        told = self.post("/batches", body, 422)
        self.assertIn('No batch "b-77"', told["detail"])
        self.post("/batches", {"preparation": "besamel"}, 404)

    def test_a_lot_is_traced_to_what_it_went_into(self) -> None:
        lot = self.post("/lots", {"product": "plain-flour", "code": "A113"})["lot"]
        self.assertEqual(self.get("/products/plain-flour/lots")[0]["lot"]["code"], "A113")
        named = {"line": 0, "item": "plain-flour", "lot": lot["id"], "quantity": 500, "unit": "g"}
        sure = self.made("white-roux", went_in=[named])["id"]
        maybe = self.made("white-roux")["id"]
        steps = {step["id"]: step["surely"] for step in self.get("/trace", lot=lot["id"])["steps"]}
        self.assertEqual(steps, {sure: True, maybe: False})
        self.assertEqual(self.api.get("/api/v1/trace").status_code, 422)
        self.assertEqual(self.api.get("/api/v1/trace?lot=lot-99").status_code, 404)

    def test_a_plate_is_traced_back_to_what_it_was_served_from(self) -> None:
        lot = self.post("/lots", {"product": "plain-flour", "code": "A113"})["lot"]["id"]
        entry = {"line": 0, "item": "plain-flour", "lot": lot}
        roux = self.made("white-roux", went_in=[entry])["id"]
        sauce = self.made("veloute", went_in=[{"line": 0, "item": "white-roux", "batch": roux}])
        served = Served("hen-leek-pie", portions=1, from_=(Draw(sauce["id"]),))
        supper = Service("s-1", self.ledger.today, at=self.ledger.local_moment, served=(served,))
        self.ledger.daybook.record([DaybookChange("services", "s-1", supper)], {}, "Supper")
        found = self.get("/trace/plates/hen-leek-pie", service="s-1")
        back = {each["id"] for each in found["back"]}
        self.assertLessEqual({lot, roux, sauce["id"]}, back)
        self.assertEqual([plate["portions"] for plate in found["plates"]], [1])
        self.assertEqual(self.get("/trace/plates/hen-leek-pie", service="s-2")["plates"], [])
        missing = self.api.get("/api/v1/trace/plates/no-such-plate")
        self.assertEqual(missing.status_code, 404)

    def test_a_plate_of_which_nothing_was_noted_comes_from_what_was_there(self) -> None:
        pie = self.made("hen-leek-pie")["id"]
        supper = Service("s-1", self.ledger.today, served=(Served("hen-leek-pie", portions=2),))
        self.ledger.daybook.record([DaybookChange("services", "s-1", supper)], {}, "Supper")
        back = {each["id"] for each in self.get("/trace/plates/hen-leek-pie")["back"]}
        self.assertLessEqual({pie, "plain-flour"}, back)

    def test_a_trace_is_a_table_of_events(self) -> None:
        lot = self.post("/lots", {"product": "plain-flour", "code": "=A113"}, by="NB")["lot"]
        named = {"line": 0, "item": "plain-flour", "lot": lot["id"], "quantity": 500, "unit": "g"}
        sure = self.made("white-roux", went_in=[named])["id"]
        maybe = self.made("white-roux")["id"]
        answer = self.api.get(f"/api/v1/trace.csv?lot={lot['id']}")
        rows = list(csv.DictReader(io.StringIO(answer.content.decode("utf-8-sig"))))
        told = [(row["event"], row["surely"], row["reference record"]) for row in rows]
        wanted = [("receiving", "yes", lot["id"]), ("transformation", "yes", sure)]
        self.assertEqual(told, [*wanted, ("transformation", "possibly", maybe)])
        # What a spreadsheet would take for a formula is text.
        self.assertEqual(rows[0]["traceability lot code"], "'=A113")
        self.assertEqual(rows[1]["grams of what is traced"], "500")
        self.assertEqual(rows[1]["from lot codes"], "'=A113")
        self.assertEqual(self.api.get("/api/v1/trace.csv?batch=b-99").status_code, 404)

    def test_a_pack_is_known_by_its_bars_and_recorded_once(self) -> None:
        bars = "(01)05012345678900(17)270131(10)A113(3103)025000"
        wanted = {"product": "plain-flour", "text": bars}
        lot = self.post("/lots/scanned", wanted, by="NB")["lot"]
        told = (lot["code"], lot["use_by"], lot["best_before"], lot["quantity"], lot["unit"])
        self.assertEqual(told, ("A113", "2027-01-31", None, 25_000, "g"))
        again = {"product": "plain-flour", "text": "A113"}
        self.assertEqual(self.post("/lots/scanned", again)["lot"]["id"], lot["id"])
        best = {"product": "butter", "text": "(01)02000000000022(15)270131(10)B7"}
        lot = self.post("/lots/scanned", best)["lot"]
        self.assertEqual((lot["use_by"], lot["best_before"]), (None, "2027-01-31"))
        self.post("/lots/scanned", {"product": "buttr", "text": "A"}, 404)

    def test_a_day_s_write_discards_no_answer_of_the_book(self) -> None:
        before = self.ledger.now.counter
        self.made("veloute")
        self.assertEqual(self.ledger.now.counter, before)
        again = self.reopened()
        self.assertEqual(again.daybook.now.daybook, self.ledger.daybook.now.daybook)

    def test_what_was_put_into_a_bag_is_traced_until_it_is_washed(self) -> None:
        self.bag({"change": "addition", "bag": "langoustine-shells", "item": "mussels"})
        reached = self.made("roast-shell-stock")["id"]
        self.bag({"change": "emptying", "bag": "langoustine-shells", "washed": True})
        after = self.made("roast-shell-stock")["id"]
        steps = self.get("/trace", product="mussels")["steps"]
        told = [(step["id"], step["surely"], step["tool"]) for step in steps]
        self.assertEqual(told, [(reached, True, None), (after, False, "chinois")])

    def test_taking_a_filling_back_takes_it_out_of_the_daybook(self) -> None:
        self.bag({"change": "addition", "bag": "langoustine-shells", "item": "mussels"})
        fills = self.ledger.daybook.now.daybook.fills
        self.assertEqual([fill.item for fill in fills], ["mussels"])
        taken_back = self.get("/history")[0]["id"]
        self.post(f"/history/{taken_back}/undo", {"why": "another bag"}, by="NB")
        self.assertEqual(self.ledger.daybook.now.daybook.fills, ())
        again = self.get("/history")[0]["id"]
        self.post(f"/history/{again}/undo", {"why": "this bag after all"}, by="NB")
        self.assertEqual(self.ledger.daybook.now.daybook.fills, fills)
        self.assertIsNone(self.ledger.daybook.altered())
        self.assertEqual(self.reopened().daybook.now.daybook.fills, fills)

    def bag(self, change: dict[str, object]) -> None:
        seen = self.ledger.now.versions["langoustine-shells"]
        self.post("/changes", {"change": change, "seen": seen}, by="NB")

    def test_a_batch_goes_through_the_tools_of_its_card(self) -> None:
        self.made("fish-veloute", tools=["chinois"])
        inside = {tool["tool"]["id"]: tool["inside"] for tool in self.get("/tools")}
        self.assertEqual([made["id"] for made in inside["chinois"]], ["fish-veloute"])
        after = self.made("white-roux", tools=["chinois"])
        self.assertIn("Fish", after["meaning"]["more"])
        self.post("/tools/uses", {"tool": "chinois", "item": None})
        clean = self.made("white-roux", tools=["chinois"])
        self.assertNotIn("Fish", clean["meaning"]["more"])


if __name__ == "__main__":
    main()
