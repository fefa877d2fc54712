"""The library of bases over the API: listed, brought in with what it needs, unchecked."""

import unittest

from tests.api.client import ApiTest


class Bases(ApiTest):
    def test_each_says_what_it_is_made_of_and_what_would_be_new(self) -> None:
        bases = {base["id"]: base for base in self.get("/bases")}
        self.assertGreaterEqual(len(bases), 40)
        sauce = bases["base-oat-bechamel"]
        self.assertEqual(sauce["name"], "White sauce on oat drink")
        self.assertEqual(sauce["made_of"][0], "White roux of rice flour and oil")
        self.assertIn("White roux of rice flour and oil", sauce["new_pots"])
        for base in bases.values():
            if not base["new_pots"]:
                self.assertLessEqual({*base["new_goods"]}, {*base["made_of"]})

    def test_one_is_brought_in_and_nothing_new_is_taken_for_free(self) -> None:
        brought = self.get("/bases/base-vegan-brown-sauce")
        done = self.post("/changes", {"change": {"change": "bring_in", **brought}})
        self.assertEqual(done["impact"]["sentence"][:7], "Changes")
        made = brought["preparations"][-1]["id"]
        reading = self.reopened().now.reading
        new = [product["id"] for product in brought["products"]]
        for product in new:
            self.assertEqual(reading.level(product, "celery").word, "unchecked")
        self.assertFalse(reading.book.preparations[made].made_here)
        if new:
            self.assertEqual(reading.level(made, "mollusc").word, "unchecked")

    def test_one_that_is_not_there_is_told(self) -> None:
        reply = self.api.get("/api/v1/bases/nothing")
        self.assertEqual(reply.status_code, 404)
        self.assertIn('There is no base "nothing"', reply.json()["detail"])


if __name__ == "__main__":
    unittest.main()
