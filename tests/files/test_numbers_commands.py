"""`./ladle numbers` and `./ladle amount`, as contracts."""

import json

from tests.files.test_command_line import DEMO, CommandLine, ladle

PLAIN = {"otherwise": "free", "abv_percent": 0, "salt_g_per_100g": 0, "so2_mg_per_kg": 0}


class Numbers(CommandLine):
    def content(self) -> dict[str, object]:
        flour = {"id": "flour", "name": "Flour", "class": "wheat-flour", **PLAIN}
        butter = {"id": "butter", "name": "Butter", "class": "butter", **PLAIN}
        milk = {"id": "milk", "name": "Milk", "class": "milk", **PLAIN, "density_g_per_ml": 1.03}
        powder = {"id": "powder", "name": "Powder", "class": "stock-powder"}
        cheese = {"id": "cheese", "name": "Cheese", "class": "hard-cheese", **PLAIN}
        cheese["salt_g_per_100g"] = 1.8
        wine = {"id": "wine", "name": "Wine", "class": "white-wine", **PLAIN}
        wine |= {"abv_percent": 12, "so2_mg_per_kg": 110, "density_g_per_ml": 0.99}

        def line(item: str, quantity: float, unit: str = "g", **rest: object) -> dict[str, object]:
            return {"item": item, "quantity": quantity, "unit": unit, "role": "body", **rest}

        roux = {"id": "roux", "name": "Roux", "kind": "roux", "colour": "white"}
        roux |= {"lines": [line("flour", 100), line("butter", 100)]}
        roux["yield"] = {"quantity": 190, "unit": "g"}
        sauce = {"id": "sauce", "name": "Sauce", "kind": "sauce", "density_g_per_ml": 1.05}
        sauce |= {"lines": [line("roux", 95), line("milk", 1, "l"), line("powder", 2)]}
        sauce["yield"] = {"quantity": 1, "unit": "l"}
        top = {"id": "cheese-sauce", "name": "Cheese sauce", "kind": "sauce", "portions": 4}
        wined = line("wine", 100, "ml", treatment="simmered", minutes=30)
        top |= {"lines": [line("sauce", 500), line("cheese", 100), wined, line("milk", 1, "bunch")]}
        top["yield"] = {"quantity": 600, "unit": "g"}
        top["by_products"] = [{"id": "skin", "name": "Skin"}]
        return {
            "format": "yellow-ladle-book",
            "version": 1,
            "kitchen": {"name": "K", "regime": "eu-14"},
            "products": [flour, butter, milk, powder, cheese, wine],
            "preparations": [roux, sauce, top],
        }

    def test_the_numbers_as_they_are_printed(self) -> None:
        done = ladle("numbers", self.write(self.content()))
        self.assertEqual(done.returncode, 0, done.stderr)
        [top] = [row for row in done.stdout.splitlines() if "cheese-sauce " in row]
        cells = [cell.strip() for cell in top.strip("│ ").split("│")]
        # 50 g flour in 1050 g of sauce, 500 g of that in 600 g at a density of 1.
        starch = 50 / 1050 * 500 / 600 * 1000
        estimated = 9.468 * 0.35 / 6
        told = [f"at least {0.3:.3g}", f"at least {estimated:.3g}", f"at least {18.15:.3g}"]
        self.assertEqual(cells[:5], ["cheese-sauce", *told, f"at least {starch:.3g}"])
        self.assertEqual(cells[5], "milk, powder")

    def test_the_numbers_of_a_book(self) -> None:
        done = ladle("numbers", self.write(self.content()), "--json")
        self.assertEqual(done.returncode, 0, done.stderr)
        content = json.loads(done.stdout)
        self.assertEqual(list(content), ["format", "version", "items"])
        self.assertEqual((content["format"], content["version"]), ("yellow-ladle-numbers", 1))
        self.assertEqual(
            sorted(content["items"]), ["cheese-sauce", "cheese-sauce/skin", "roux", "sauce"]
        )
        names = ["salt_g_per_100g", "alcohol_percent", "so2_mg_per_kg", "starch_g_per_l"]
        top = content["items"]["cheese-sauce"]
        self.assertEqual(list(top), names)
        self.assertEqual(content["items"]["cheese-sauce/skin"], top)
        # Cheese: 1.8 g in 600 g. Wine: 99 g, 10.89 mg SO2, 9.468 g ethanol of which 35 % stay.
        self.assertAlmostEqual(top["salt_g_per_100g"]["value"], 0.3)
        self.assertAlmostEqual(top["so2_mg_per_kg"]["value"], 18.15)
        self.assertAlmostEqual(top["alcohol_percent"]["value"], 9.468 * 0.35 / 6, 5)
        # 50 g flour in 1050 g of sauce; 500 g of it in 600 g at a density of 1
        self.assertAlmostEqual(top["starch_g_per_l"]["value"], 50 / 1050 * 500 / 0.6, 5)
        self.assertEqual(top["salt_g_per_100g"]["missing"], ["milk", "powder"])
        self.assertTrue(top["salt_g_per_100g"]["at_least"])
        self.assertEqual(top["starch_g_per_l"]["missing"], ["milk"])
        sauce = content["items"]["sauce"]
        self.assertAlmostEqual(sauce["starch_g_per_l"]["value"], 50)
        self.assertFalse(sauce["starch_g_per_l"]["at_least"])
        self.assertEqual(sauce["so2_mg_per_kg"]["missing"], ["powder"])

    def test_a_table_for_people(self) -> None:
        done = ladle("numbers", DEMO)
        self.assertEqual(done.returncode, 0, done.stderr)
        self.assertIn("at least", done.stdout)
        self.assertIn("stock-powder", done.stdout)

    def test_faults_come_with_their_places(self) -> None:
        content = self.content()
        pots = content["preparations"]
        assert isinstance(pots, list)
        pots[0]["yield"]["quantity"] = 0
        pots[1]["lines"][1]["quantity"] = 10_000
        pots[1]["lines"][0]["treatment"] = "boiled_off"
        told = self.refused("numbers", self.write(content))
        for place in ("[0].yield.quantity", "[1].lines[1].quantity", "[1].lines[0].treatment"):
            self.assertTrue(any(line.startswith(f"preparations{place}:") for line in told), place)


class Amount(CommandLine):
    def amount(self, *words: str) -> dict[str, object]:
        done = ladle("amount", *words, "--json")
        self.assertEqual(done.returncode, 0, done.stderr)
        found: dict[str, object] = json.loads(done.stdout)
        return found

    def test_in_grams_and_millilitres_or_null(self) -> None:
        found = self.amount("1 1/2 cups", "--density", "0.53")
        self.assertEqual((found["quantity"], found["unit"]), (1.5, "cup"))
        self.assertAlmostEqual(float(str(found["grams"])), 188.087648, 5)
        self.assertAlmostEqual(float(str(found["millilitres"])), 354.882355, 5)
        self.assertEqual(self.amount("1 1/2 cups")["grams"], None)
        found = self.amount("2 onions", "--unit-weight", "110")
        self.assertEqual((found["grams"], found["millilitres"]), (220, None))
        self.assertEqual(found["item"], "onions")
        found = self.amount("a good glug of oil")
        self.assertEqual((found["quantity"], found["grams"]), (None, None))
        self.assertIn("Type it as a number and a unit", str(found["question"]))

    def test_in_words(self) -> None:
        self.assertIn("226.8 g", ladle("amount", "2 sticks").stdout)
        self.assertIn("No amount could be read", ladle("amount", "nonsense").stdout)

    def test_what_cannot_be(self) -> None:
        self.assertIn("--density", self.refused("amount", "1 l", "--density", "-1")[0])
        self.assertIn("--unit-weight", self.refused("amount", "2 eggs", "--unit-weight", "0")[0])
