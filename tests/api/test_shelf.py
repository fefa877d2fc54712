"""The shelf over the API: what stands there, thrown away, frozen, thawed, counted."""

from unittest import main

from tests.api.client import ApiTest


class ShelfTest(ApiTest):
    def stands(self) -> dict[str, dict[str, object]]:
        return {each["reference"]: each for each in self.get("/shelf")["things"]}

    def stock(self) -> str:
        body = {"preparation": "hen-stock", "storage": "chilled"}
        return str(self.post("/batches", body, by="MK")["id"])

    def test_a_batch_stands_there_with_what_it_carries_until_it_is_thrown_away(self) -> None:
        id = self.stock()
        thing = self.stands()[id]
        self.assertTrue(str(thing["name"]).startswith("Hen stock"))
        self.assertIn("Celery", thing["contains"])
        self.assertIsNotNone(thing["left"])
        self.post("/shelf/discards", {"of": id, "why": "fell over"}, by="NB")
        self.assertNotIn(id, self.stands())
        [entry] = self.ledger.daybook.now.daybook.discards
        self.assertEqual((entry.by, entry.why), ("NB", "fell over"))

    def test_what_nobody_weighed_is_thrown_away_whole(self) -> None:
        lot = self.post("/lots", {"product": "plain-flour", "code": "A113"})["lot"]["id"]
        self.assertIsNone(self.stands()[lot]["left"])
        self.post("/shelf/discards", {"of": lot})
        self.assertNotIn(lot, self.stands())

    def test_a_count_sets_what_is_left(self) -> None:
        id = self.stock()
        self.post("/shelf/counts", {"of": id, "quantity": 1.5, "unit": "l", "why": "staff food"})
        self.assertEqual(self.stands()[id]["left"], {"quantity": 1.5, "unit": "l"})
        self.post("/shelf/counts", {"of": id, "quantity": -1, "unit": "l"}, 422)

    def test_frozen_thawed_and_never_frozen_again(self) -> None:
        id = self.stock()
        self.post("/shelf/moves", {"of": id, "to": "thawed"}, 422)
        move = {"of": id, "to": "frozen", "use_by": "2099-01-01", "place": "chest"}
        self.post("/shelf/moves", move)
        thing = self.stands()[id]
        self.assertEqual((thing["storage"], thing["place"], thing["until"]),
                         ("frozen", "chest", "2099-01-01"))  # fmt: skip
        self.assertEqual(self.get("/shelf")["places"], ["chest"])
        self.post("/shelf/moves", {"of": id, "to": "thawed"})
        self.assertEqual(self.stands()[id]["storage"], "thawed")
        told = self.post("/shelf/moves", {"of": id, "to": "frozen"}, 422)
        self.assertIn("never frozen again", told["detail"])
        self.post("/shelf/moves", {"of": id}, 422)
        self.post("/shelf/moves", {"of": id, "use_by": "2026-02-31"}, 422)

    def test_a_delivery_with_its_temperature_and_the_same_one_twice(self) -> None:
        milk = {"product": "milk", "code": "M 7", "use_by": "2099-01-01", "celsius": 6.5}
        lot = self.post("/lots", {**milk, "maker": "?"}, by="NB")["lot"]
        [reading] = self.ledger.daybook.now.daybook.temperatures
        told = (reading.of, reading.celsius, reading.phase, reading.by)
        self.assertEqual(told, (lot["id"], 6.5, "receive", "NB"))
        thing = self.stands()[lot["id"]]
        self.assertGreater(thing["unchecked"], 20)
        self.assertIn("already", self.post("/lots", milk, 422)["detail"])
        self.post("/lots", {**milk, "code": "M 8"})

    def test_what_is_not_there_is_told_in_words(self) -> None:
        for of in ("b-99", "lot-99", "b-1/nothing", "Eimer 7 – ‘ß’"):
            self.post("/shelf/moves", {"of": of, "place": "x"}, 404)

    def test_nothing_is_drawn_from_what_is_past_its_use_by(self) -> None:
        milk = {"product": "milk", "received": "2026-11-01", "use_by": "2026-11-08"}
        lot = self.post("/lots", milk)["lot"]["id"]
        entry = {"item": "milk", "lot": lot}
        refused = self.post("/batches", {"name": "Milk", "went_in": [entry]}, 422)
        self.assertIn("past its last day, 2026-11-08", refused["detail"])


if __name__ == "__main__":
    main()
