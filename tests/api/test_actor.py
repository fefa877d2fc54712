"""Whoever is at the device is behind everything that it writes, and can take it back."""

import unittest
from typing import Any
from urllib.parse import quote

from tests.api.client import ApiTest
from yellow_ladle.core.swaps.rules.swap_rules import swap_rules

WHO = "Jürgen Ø"


class Actor(ApiTest):
    def setUp(self) -> None:
        super().setUp()
        self.api.headers["X-Person"] = quote(WHO)

    def newest(self) -> dict[str, Any]:
        entry: dict[str, Any] = self.get("/history", most=1)[0]
        return entry

    def test_every_kind_of_write_names_the_person_of_the_request(self) -> None:
        kitchen = self.get("/kitchen")
        settings = {"name": "Skerrow", "regime": "us-9", "seen": kitchen["version"]}
        need = {"guest": "Table nine", "clear": ["milk"], "fit": [], "strictness": "allergy"}
        rule = swap_rules()[0].id
        products = self.ledger.now.reading.book.products
        item = next(id for id in products if not products[id].makers)
        statement = self.statement(item, "soy", "may_contain")
        writes = (
            ("put", "/kitchen", settings, "kitchen"),
            ("post", "/tools", {"tool": {"name": "New sieve"}, "seen": None}, "tool"),
            ("post", "/needs", {"need": need, "seen": None}, "need"),
            ("post", f"/rules/{rule}/switch", {"off": True, "seen": None}, "rule"),
            ("post", "/kitchen/flags", {"name": "Nut board"}, "house_flag"),
            ("post", "/changes", {"change": statement}, "product"),
        )
        for method, path, body, kind in writes:
            if kind == "product":
                body["seen"] = self.ledger.now.versions[item]
            with self.subTest(path=path):
                answer = self.api.request(method, f"/api/v1{path}", json=body)
                self.assertEqual(answer.status_code, 200, answer.text)
                entry = self.newest()
                self.assertEqual((entry["kind"], entry["person"]), (kind, WHO))

    def test_a_setting_is_taken_back_like_a_card(self) -> None:
        before = self.get("/kitchen")
        settings = {"name": before["name"], "regime": "us-9", "seen": before["version"]}
        self.assertEqual(self.api.put("/api/v1/kitchen", json=settings).status_code, 200)
        self.assertEqual(self.get("/kitchen")["regime"], "us-9")
        self.post(f"/history/{self.newest()['id']}/undo", {})
        self.assertEqual(self.get("/kitchen")["regime"], before["regime"])
        self.assertEqual(self.newest()["person"], WHO)

    def test_without_a_person_nobody_is_named(self) -> None:
        del self.api.headers["X-Person"]
        self.put_tool("New sieve")
        self.assertIsNone(self.newest()["person"])

    def test_what_needs_a_person_is_refused_without_one(self) -> None:
        del self.api.headers["X-Person"]
        seen = self.get("/preparations/veloute")["standing"]
        told = self.post("/preparations/veloute/sign-off", {"seen": seen}, 422)
        self.assertIn("who you are", told["detail"])
        change = {"change": "plain_food", "product": "leek"}
        self.assertIn("who you are", self.post("/changes", {"change": change}, 422)["detail"])
        self.assertIn("who you are", self.post("/preview", {"change": change}, 422)["detail"])

    def test_no_form_asks_for_the_person(self) -> None:
        """The evidence of a statement names its own: it may be years old."""
        described = self.api.app.openapi()
        schemas = described["components"]["schemas"]
        asked = {
            name
            for path in described["paths"].values()
            for method in path.values()
            for name in references(method.get("requestBody", {}), schemas)
        }
        self.assertIn("RecordIn", asked)
        holds = {name for name in asked if "person" in schemas[name].get("properties", {})}
        queries = [
            parameter["name"]
            for path in described["paths"].values()
            for method in path.values()
            for parameter in method.get("parameters", [])
        ]
        self.assertEqual(holds - {"EvidencePiece", "AdditionPiece", "SignOffPiece"}, set())
        self.assertNotIn("person", queries)


def references(part: Any, schemas: dict[str, Any]) -> set[str]:
    """The names of all schemas that a part of the description uses, however deep."""
    found: set[str] = set()
    waiting = [part]
    while waiting:
        here = waiting.pop()
        if isinstance(here, dict):
            name = here.get("$ref", "").rpartition("/")[2]
            if name and name not in found:
                found.add(name)
                waiting.append(schemas[name])
            waiting += here.values()
        elif isinstance(here, list):
            waiting += here
    return found


if __name__ == "__main__":
    unittest.main()
