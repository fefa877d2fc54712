"""Questions that only makers can answer: one list a supplier, answered from the list."""

from typing import Any, ClassVar

from tests.api.client import ApiTest


class Questions(ApiTest):
    TOLD: ClassVar = {"celery": "contains", "mustard": "may_contain"}

    def setUp(self) -> None:
        super().setUp()
        label = "Tomatoes, flavouring, salt. May contain mustard."
        read = self.post("/labels/read", {"text": label, "language": "en"})
        stated = {each["flag"]: each["level"] for each in read["proposals"]}
        why = {"kind": "label", "date": "2026-12-01", "person": "MK"}
        self.sauce = {
            "id": "pier-sauce",
            "name": "Pier sauce",
            "label": label,
            "code": "4006381333931",
            "statements": stated,
            "otherwise": "free",
            "evidence": dict.fromkeys((*stated, "otherwise"), why),
        }

    def record(self, product: dict[str, Any]) -> None:
        self.post("/changes", {"change": {"change": "product", "product": product}})

    def asked(self, product: str) -> tuple[dict[str, Any], dict[str, Any]]:
        for supplier in self.get("/questions")["suppliers"]:
            for question in supplier["questions"]:
                if question["product"]["id"] == product:
                    return supplier, question
        raise AssertionError(f"nothing is asked about {product}")

    def answer(self, levels: dict[str, str], status: int = 200, **more: Any) -> Any:
        change = {"change": "maker_answers", "product": "pier-sauce", "levels": levels, **more}
        seen = self.get("/products/pier-sauce")["version"]
        return self.post("/changes", {"change": change, "seen": seen}, status, by="MK")

    def test_what_a_label_leaves_open_is_asked_in_words_that_can_be_sent(self) -> None:
        self.record(self.sauce)
        supplier, question = self.asked("pier-sauce")
        self.assertFalse(supplier["named"])
        self.assertIn("celery", question["flags"])
        self.assertIn("Pier sauce (bar code 4006381333931)", supplier["letter"])
        self.assertIn("celery", supplier["letter"])
        for sentence in question["sentences"]:
            self.assertIn(sentence, supplier["letter"])
        self.assertTrue(question["sentences"])

    def test_an_answer_is_recorded_with_its_source_and_asks_no_more(self) -> None:
        self.record(self.sauce)
        _, question = self.asked("pier-sauce")
        self.answer(dict.fromkeys(question["flags"], "free") | self.TOLD)
        found = self.get("/products/pier-sauce")
        self.assertEqual(found["flags"]["celery"], "contains")
        self.assertEqual(found["flags"]["mustard"], "may_contain")
        why = found["product"]["evidence"]["celery"]
        self.assertEqual((why["kind"], why["person"]), ("supplier", "MK"))
        named = [
            q["product"]["id"] for s in self.get("/questions")["suppliers"] for q in s["questions"]
        ]
        self.assertNotIn("pier-sauce", named)

    def test_each_maker_has_its_own_list_and_its_own_answer(self) -> None:
        own = {key: self.sauce[key] for key in ("label", "statements", "otherwise", "evidence")}
        makers = [
            {"id": "gull", "name": "Gull & Sons", **own},
            {"id": "tern", "name": "Tern", **own},
        ]
        self.record({"id": "pier-sauce", "name": "Pier sauce", "makers": makers})
        suppliers = {s["supplier"] for s in self.get("/questions")["suppliers"]}
        self.assertLessEqual({"Gull & Sons", "Tern"}, suppliers)
        flags = self.asked("pier-sauce")[1]["flags"]
        self.answer(dict.fromkeys(flags, "free") | {"mustard": "may_contain"}, maker="gull")
        self.assertEqual(self.asked("pier-sauce")[0]["supplier"], "Tern")
        self.assertEqual(self.get("/products/pier-sauce")["flags"]["celery"], "unchecked")
        self.answer(dict.fromkeys(flags, "free"), 422, maker="nobody")
        self.answer(dict.fromkeys(flags, "free"), 422)

    def test_free_is_refused_where_the_label_names_it(self) -> None:
        self.record(self.sauce)
        refused = self.answer({"mustard": "free"}, 422)
        self.assertIn("cannot be free of mustard", refused["detail"])
