"""Looking: the kitchen, the board, pots, the larder, and the find box."""

from datetime import UTC, datetime, timedelta

from tests.api.client import ApiTest
from tests.kitchens import book, pot, product
from yellow_ladle.core.book.maker import Paper
from yellow_ladle.core.reading.update import stating
from yellow_ladle.core.vocabulary.levels import Level


class Kitchen(ApiTest):
    def test_the_words_to_choose_from(self) -> None:
        kitchen = self.get("/kitchen")
        self.assertEqual(kitchen["name"], "Skerrow Light")
        self.assertEqual((kitchen["regime"], kitchen["regime_name"]), ("eu-14", "EU 14"))
        self.assertIn("wheat", [flag["id"] for flag in kitchen["flags"]])
        self.assertIn("chilli", [flag["id"] for flag in kitchen["flags"]])
        self.assertEqual(kitchen["levels"], ["free", "may_contain", "unchecked", "contains"])
        self.assertIn("rice-flour", kitchen["classes"])

    def test_what_nobody_has_checked_is_counted(self) -> None:
        jars = self.get("/products", unchecked_only=True)["entries"]
        kitchen = self.get("/kitchen")
        self.assertEqual(kitchen["unchecked"], sum(jar["unchecked"] for jar in jars))
        self.assertEqual(kitchen["unchecked_products"], len(jars))


class Board(ApiTest):
    time = datetime(2026, 11, 25, 12, tzinfo=UTC)

    def test_strips_with_marks_columns_and_pour(self) -> None:
        board = self.get("/family")
        strips = {strip["id"]: strip for strip in board["strips"]}
        veloute = strips["veloute"]
        self.assertEqual(veloute["column"], "mothers")
        self.assertEqual(veloute["flags"]["wheat"], "contains")
        self.assertEqual(veloute["flags"]["egg"], "unchecked")
        self.assertEqual(veloute["diets"]["vegetarian"], "does_not_suit")
        self.assertEqual(sorted(veloute["made_from"]), ["hen-stock", "white-roux"])
        self.assertEqual(veloute["goes_into"], ["leek-cider-sauce", "mushroom-cream"])
        names = [column["name"] for column in board["columns"]]
        self.assertEqual(names, ["Bases", "Mother sauces", "Sauces and soups", "Plates"])

    def test_an_answer_is_kept_until_something_is_written(self) -> None:
        first = self.api.get("/api/v1/family")
        self.assertEqual(self.api.get("/api/v1/family").content, first.content)
        self.assertEqual(first.headers["content-encoding"], "gzip")
        plain = self.api.get("/api/v1/family", headers={"accept-encoding": "identity"})
        self.assertNotIn("content-encoding", plain.headers)
        self.assertEqual(plain.content, first.content)
        change = stating(self.ledger.now.reading.book, "butter", "lupin", Level.CONTAINS)
        self.ledger.record(change, {"butter": 1})
        strips = {strip["id"]: strip for strip in self.get("/family")["strips"]}
        self.assertEqual(strips["white-roux"]["flags"]["lupin"], "contains")
        jars = self.get("/products", find="butter")["entries"]
        self.assertIn("butter", [jar["id"] for jar in jars if "lupin" in jar["flags"]])

    def test_a_new_night_ends_what_was_kept(self) -> None:
        self.get("/family")
        self.ledger.replace_book(
            book(
                product(
                    "beef",
                    "beef",
                    certificates=("halal",),
                    papers={"halal": Paper("1", self.ledger.today)},
                ),
                pot("stew", "beef", kind="dish"),
            )
        )
        [stew] = self.get("/family")["strips"]
        self.assertEqual(stew["diets"]["halal"], "suits")
        self.time += timedelta(days=1)
        [stew] = self.get("/family")["strips"]
        self.assertEqual(stew["diets"]["halal"], "does_not_suit")

    def test_the_demo_kitchen_is_as_large_and_as_deep_as_it_should_be(self) -> None:
        book = self.ledger.now.reading.book
        self.assertGreaterEqual(len(book.products), 50)
        self.assertGreaterEqual(len(book.preparations), 35)
        self.assertGreaterEqual(max(self.ledger.now.reading.graph.tiers.values()), 4)


class Pots(ApiTest):
    def test_a_pot_whole(self) -> None:
        pot = self.get("/preparations/veloute")
        self.assertEqual(pot["version"], 1)
        self.assertEqual(pot["preparation"]["name"], "Velouté")
        stock = pot["lines"][1]
        self.assertEqual((stock["name"], stock["counted"]), ("Hen stock", True))
        self.assertFalse(pot["lines"][2]["counted"])
        declared = pot["carries"]["parts"][0]["entries"]
        wheat = next(entry for entry in declared if "wheat" in entry["flags"])
        self.assertEqual(wheat["names"], ["Cereals with gluten (wheat)"])
        names = ["Gannet Mill plain flour", "White roux", "here"]
        self.assertEqual(wheat["ways"][0]["names"], names)
        celery = next(entry for entry in declared if "celery" in entry["flags"])
        self.assertTrue(celery["ways"][0]["strained_out"])
        flour = next(b for b in pot["carries"]["bringers"] if b["way"]["source"] == "plain-flour")
        self.assertEqual(flour["way"]["names"], names)
        self.assertIn("Wheat", flour["brings"][0]["names"])
        self.assertEqual(pot["declared"]["contains"], ["Cereals with gluten", "Milk", "Celery"])
        uses = {use["id"]: (use["quantity"], use["unit"]) for use in pot["goes_into"]}
        self.assertEqual(uses["leek-cider-sauce"], (1.1, "l"))
        self.assertIn("hen-leek-pie", [reached["id"] for reached in pot["reaches"]])

    def test_what_goes_out_as_a_by_product_is_named(self) -> None:
        uses = self.get("/preparations/hen-stock")["goes_into"]
        names = {use["id"]: use["as_by_product"] for use in uses}
        self.assertEqual(names["mushroom-cream"], "Skimmed hen fat")
        self.assertIsNone(names["veloute"])

    def test_verdicts_stand_with_what_does_not_suit_first(self) -> None:
        told = self.get("/preparations/veloute")["suits"]
        verdicts = [entry["verdict"] for entry in told]
        order = ["does_not_suit", "ask", "suits"]
        self.assertEqual(verdicts, sorted(verdicts, key=order.index))
        gluten = next(entry for entry in told if entry["diet"] == "gluten_free")
        sentence = "Does not suit gluten-free: Gannet Mill plain flour, by way of White roux."
        self.assertEqual(gluten["sentence"], sentence)

    def test_lists_come_in_pages(self) -> None:
        first = self.get("/preparations", size=10)
        self.assertEqual((len(first["entries"]), first["total"]), (10, 50))
        last = self.get("/preparations", size=10, offset=45)
        self.assertEqual(len(last["entries"]), 5)
        found = self.get("/preparations", find="VELOUTÉ")
        self.assertEqual(found["total"], 3)


class Larder(ApiTest):
    def test_what_is_unchecked_stands_first(self) -> None:
        jars = self.get("/products")["entries"]
        counts = [jar["unchecked"] for jar in jars]
        self.assertEqual(counts, sorted(counts, reverse=True))
        self.assertEqual(jars[0]["id"], "stock-powder")
        self.assertEqual((jars[0]["used_in"], jars[0]["plates"]), (1, 2))

    def test_one_product(self) -> None:
        jar = self.get("/products/plain-flour")
        self.assertEqual(jar["product"]["statements"]["wheat"], "contains")
        self.assertEqual(jar["product"]["evidence"]["wheat"]["person"], "MK")
        self.assertIn("White roux", [pot["name"] for pot in jar["goes_into"]])


class Finding(ApiTest):
    def test_any_part_of_a_name(self) -> None:
        found = self.get("/find", q="fat hen")
        self.assertEqual(found[0]["item"], "hen-stock/fat")
        self.assertEqual(found[0]["what"], "by_product")
        items = [entry["item"] for entry in self.get("/find", q="roux")]
        self.assertEqual(items[:3], ["brown-roux", "rice-flour-roux", "white-roux"])

    def test_names_that_begin_so_stand_first(self) -> None:
        self.assertEqual(self.get("/find", q="leek")[0]["item"], "leek-cider-sauce")

    def test_ids_for_what_is_new(self) -> None:
        self.assertEqual(self.get("/free-id", name="Crème fraîche")["id"], "creme-fraiche")
        self.assertEqual(self.get("/free-id", name="White roux")["id"], "white-roux-2")
