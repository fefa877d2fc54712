"""Jars put away, and two that are one good: references, history and what is kept beside them."""

from typing import Any

from tests.api.client import ApiTest
from yellow_ladle.store.label_changes import add_notice, open_notices


class Duplicates(ApiTest):
    def setUp(self) -> None:
        super().setUp()
        butter = self.get("/products/butter")
        self.post("/changes", {"change": self.product("butter-two", "Butter block", "butter")})
        self.before = butter

    def product(self, id: str, name: str, class_: str, **rest: Any) -> dict[str, Any]:
        return {"change": "product", "product": {"id": id, "name": name, "class": class_, **rest}}

    def merge(self, keep: str, gone: str, status: int = 200) -> Any:
        change = {"change": "product_merging", "keep": keep, "gone": gone}
        seen = {id: self.get(f"/products/{id}")["version"] for id in (keep, gone)}
        body = {"change": change, "seen_each": seen, "why": "the same"}
        return self.post("/changes", body, status, by="MK")

    def test_it_goes_into_the_other_with_its_history_and_what_waits_for_it(self) -> None:
        self.post(
            "/tools/uses", {"tool": self.get("/tools")[0]["tool"]["name"], "item": "butter-two"}
        )
        add_notice(self.ledger, "butter-two", "", {"gtin": "", "name": "x"})
        self.merge("butter", "butter-two")
        kept = self.get("/products/butter")
        self.assertEqual(kept["product"]["merged"], ["butter-two"])
        self.assertEqual(kept["flags"]["celery"], "unchecked")
        self.assertEqual(self.api.get("/api/v1/products/butter-two").status_code, 404)
        told = [entry["item"] for entry in self.get("/history", item="butter")]
        self.assertEqual({"butter", "butter-two"}, set(told))
        self.assertEqual([notice.product for notice in open_notices(self.ledger)], ["butter"])
        self.assertEqual([use["item"]["id"] for use in self.get("/day")["uses"]], ["butter"])

    def test_whoever_saw_an_older_jar_is_told(self) -> None:
        change = {"change": "product_merging", "keep": "butter", "gone": "butter-two"}
        seen = {"butter": self.before["version"], "butter-two": 1}
        body = {"change": change, "seen_each": seen}
        self.assertEqual(self.api.post("/api/v1/changes", json=body).status_code, 409)

    def test_two_things_are_refused_in_words(self) -> None:
        self.post("/changes", {"change": self.product("lard-two", "Lard block", "lard")})
        refused = self.merge("butter", "lard-two", 422)
        self.assertIn("say first what they are", refused["detail"])

    def test_one_that_is_put_away_is_offered_nowhere_and_read_still(self) -> None:
        def put_away(retired: bool) -> None:
            change = {"change": "product_retirement", "product": "butter", "retired": retired}
            seen = self.get("/products/butter")["version"]
            self.post("/changes", {"change": change, "seen": seen})

        masks = dict(self.ledger.now.reading.masks)
        put_away(True)
        self.assertEqual(dict(self.ledger.now.reading.masks), masks)
        found = {entry["item"] for entry in self.get("/find", q="butter")}
        self.assertNotIn("butter", found)
        [jar] = [jar for jar in self.get("/products")["entries"] if jar["id"] == "butter"]
        self.assertTrue(jar["retired"])
        put_away(False)
        self.assertIn("butter", {entry["item"] for entry in self.get("/find", q="butter")})

    def test_what_is_put_away_and_in_nothing_waits_for_nobody(self) -> None:
        before = self.get("/kitchen")["unchecked"]
        self.assertIn("butter-two", [e["item"] for e in self.get("/unchecked")["held"]])
        change = {"change": "product_retirement", "product": "butter-two", "retired": True}
        seen = self.get("/products/butter-two")["version"]
        self.post("/changes", {"change": change, "seen": seen})
        self.assertNotIn("butter-two", [e["item"] for e in self.get("/unchecked")["held"]])
        self.assertLess(self.get("/kitchen")["unchecked"], before)

    def test_a_second_one_of_a_name_is_told(self) -> None:
        found = self.get("/products/namesakes", name="block BUTTER")
        self.assertEqual([entry["id"] for entry in found], ["butter-two"])
