"""The kitchen's own flags over the API: what a new one reaches, its history, dropping it."""

from tests.api.client import ApiTest


class HouseFlags(ApiTest):
    def test_a_new_flag_makes_what_was_free_unchecked_for_it(self) -> None:
        reach = self.get("/kitchen/flags/reach")
        before = self.get("/kitchen")["unchecked"]
        flag = self.post("/kitchen/flags", {"name": "Nut board"}, by="MK")
        self.assertEqual(flag["id"], "nut_board")
        kitchen = self.get("/kitchen")
        self.assertIn("nut_board", [each["id"] for each in kitchen["flags"]])
        self.assertGreater(reach["goods"], 0)
        self.assertGreaterEqual(kitchen["unchecked"], before + reach["goods"])
        book = self.ledger.now.reading
        self.assertEqual(
            {book.level(id, "nut_board").word for id in book.book.products}, {"unchecked"}
        )
        newest = self.get("/history")[0]
        self.assertEqual(newest["person"], "MK")
        self.assertEqual("Nut board is a flag from now on", newest["told"])

    def test_it_is_read_again_from_the_file(self) -> None:
        self.post("/kitchen/flags", {"name": "Nut board"})
        before = dict(self.ledger.now.reading.masks)
        again = type(self.ledger).open(self.ledger.path)
        self.addCleanup(again.close)
        self.assertEqual(dict(again.now.reading.masks), before)

    def test_a_label_speaks_of_it_by_its_name_alone(self) -> None:
        self.post("/kitchen/flags", {"name": "Cayenne"})
        for text, level in (("Tomato, cayenne", "contains"), ("Tomato, salt", "unchecked")):
            read = self.post("/labels/read", {"text": text, "language": "en"})
            said = {each["flag"]: each["level"] for each in read["proposals"]}
            self.assertEqual(said["cayenne"], level)

    def test_a_label_that_names_it_is_not_recorded_as_free(self) -> None:
        self.post("/kitchen/flags", {"name": "Samphire"})
        why = {"kind": "label", "date": "2026-12-01", "person": "MK"}
        product = {
            "id": "hot-sauce",
            "name": "Hot sauce",
            "label": "Sugar, samphire",
            "otherwise": "free",
            "evidence": {"otherwise": why},
        }
        change = {"change": {"change": "product", "product": product}}
        response = self.api.post("/api/v1/changes", json=change)
        self.assertEqual(response.status_code, 422)
        said = 'cannot be free of samphire: its label says "samphire"'
        self.assertIn(said, response.json()["detail"])

    def test_dropping_it_asks_for_nothing_while_it_says_nothing(self) -> None:
        before = dict(self.ledger.now.reading.masks)
        self.post("/kitchen/flags", {"name": "Nut board"})
        left = self.api.delete("/api/v1/kitchen/flags/nut_board")
        self.assertEqual(left.status_code, 200)
        self.assertEqual(dict(self.ledger.now.reading.masks), before)

    def test_it_stays_while_a_guest_avoids_it(self) -> None:
        self.post("/kitchen/flags", {"name": "Nut board"})
        self.post("/needs", {"need": {"guest": "Table 4", "clear": ["nut_board"]}})
        refused = self.api.delete("/api/v1/kitchen/flags/nut_board")
        self.assertEqual(refused.status_code, 422)
        self.assertIn("Nut board is still recorded of Table 4", refused.json()["detail"])

    def test_a_name_is_changed_and_an_unknown_flag_refused(self) -> None:
        self.post("/kitchen/flags", {"name": "Nut board"})
        renamed = self.api.put("/api/v1/kitchen/flags/nut_board", json={"name": "Green board"})
        self.assertIn("Green board", [flag["name"] for flag in renamed.json()])
        for id in ("milk", "no_such"):
            refused = self.api.put(f"/api/v1/kitchen/flags/{id}", json={"name": "Other"})
            self.assertEqual(refused.status_code, 422)
