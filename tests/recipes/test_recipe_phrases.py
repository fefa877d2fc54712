"""The phrases of recipes: an ingredient line, several on one, minutes, yields, verbs."""

import unittest

from yellow_ladle.core.recipes.ingredient_list import run_in
from yellow_ladle.core.recipes.ingredient_text import understood_line
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.told_steps import Language, tells_to_do
from yellow_ladle.core.recipes.yield_text import apart, yield_of


class Phrases(unittest.TestCase):
    def test_minutes(self) -> None:
        for text, minutes in (
            ("Simmer for 20 to 25 minutes", 25),
            ("Cook 1 h 10.", 70),
            ("1h30 au four", 90),
            ("for an hour and a half", 90),
            ("Bake 2 1/2 hours", 150),
            ("une demi-heure", 30),
            ("mezz'ora", 30),
            ("1/2 Stunde kalt stellen", 30),
            ("un quarto d'ora", 15),
            ("cook for 40 minutes, stirring every five minutes", 40),
            ("15 minutes, then 10 minutes more", 25),
            ("a minute or two", 2),
            ("30 seconds", 0.5),
            ("leave for 2 days", 2880),
            ("Cut it 3 cm thick", None),
            ("Bake at 180 C", None),
            ("Add the 4 eggs", None),
            ("cuire 1 h 05 à 150 °C", 65),
            ("cocer 25'. Espumar", 25),
            ("cuocere 3/4 minuti", 4),
            ("3/4 of an hour", 45),
            ("10 to 12 more minutes", 12),
            ("Bake 200 / 20 min", 20),
            ("Bake at 180/25 min.", 25),
            ("Four 200 / 20-25 min", 25),
            ("Ofen 180/45 Min.", 45),
            ("Cook 10/12 min", 12),
            ("Simmer 1/2 hour", 30),
            ("1 hour to 1 hour 15 minutes", 75),
            ("simmer 8 mintues, rest 2 huors", 128),
        ):
            self.assertEqual(minutes_of_step(text), minutes, text)

    def test_yields(self) -> None:
        for text, portions, made in (
            ("Serves 4-6", 4, None),
            ("makes about 1.5 litres", None, (1.5, "l")),
            ("Makes 12", None, (12, "piece")),
            ("Pour 4 à 6 personnes", 4, None),
            ("Zutaten für 6 Portionen", 6, None),
            ("Dosi per 1 litro", None, (1, "l")),
            ("Enough for four hungry people.", 4, None),
            ("Per 6/8 persone:", 6, None),
            ("Feeds 4 as a side or 2 for supper", 4, None),
            ("Per 500 g circa", None, (500, "g")),
            ("Yld 20 qt", None, (20, "quart")),
            ("Nombre de personnes : 6", 6, None),
            ("Makes 4 x 250 g balls", None, (1000, "g")),
            ("für vier Personen", 4, None),
        ):
            told = yield_of(text)
            assert told is not None
            read = told.yield_ and (told.yield_.quantity, told.yield_.unit)
            self.assertEqual((told.portions, read), (portions, made), text)
        for text in (
            *("4 eggs", "500 g flour", "For the sauce", "for frying", "For 2 hours", "For a crowd"),
            *("2 parts sugar", "Cover with oil.", "Für 1 Blech"),
        ):
            self.assertIsNone(yield_of(text), text)

    def test_a_title_keeps_its_commas(self) -> None:
        self.assertEqual(
            apart("Crab bisque, Skerrow way - 12 portions")[0], "Crab bisque, Skerrow way"
        )
        self.assertEqual(apart("Beef, barley and beer"), ("Beef, barley and beer", None))

    def test_an_item_ends_at_the_first_comma_or_bracket(self) -> None:
        for text, item, note in (
            ("1 onion (about 100 g) finely chopped", "onion", "about 100 g, finely chopped"),
            ("200 g butter (unsalted), soft", "butter", "unsalted, soft"),
            ("2 eggs, beaten (optional)", "eggs", "optional, beaten"),
            ("1 (400 g) tin tomatoes, drained", "tomatoes", "drained"),
            ("2 tbsp flour, plus extra for dusting", "flour", "plus extra for dusting"),
            ("oil for frying", "oil", "for frying"),
            ("a good handful of parsley, chopped", "parsley", "chopped"),
        ):
            read = understood_line(text)
            self.assertEqual((read.item, read.note), (item, note), text)

    def test_what_is_doubtful_asks(self) -> None:
        for text in (
            "2 tbps flour",
            "200 mll milk",
            "200 grms butter",
            "1 tin tomatoes",
            "25 g/9 oz butter",
            "1 splash of vinegar",
            "2 tazze di latte",
            "1 verre de vin blanc",
            "1 Schuss Essig",
            "un puñado de perejil",
            "1 tsp each of mace and allspice",
            "1cc de sel",
            "2 parts sugar",
            "1 l water : 50 g salt",
            "400 milk",
            "Flour 500",
            "Mirin 50",
            "Wine, half a glass",
            "Mint: a small handful",
            "tins 5kg x2",
            "1 kl. Dose Spargel",
            "2 clvoes garlic",
            "180 °C",
        ):
            read = understood_line(text)
            self.assertTrue(read.question, text)
            self.assertIsNone(read.quantity, text)

    def test_what_tells_to_do_is_told_by_its_verb(self) -> None:
        told: dict[Language, tuple[str, ...]] = {
            "en": ("Melt the butter", "Meanwhile, cut the leeks", "Off the heat, whisk"),
            "fr": ("Éplucher les pommes", "Lier hors du feu", "Saupoudrez de farine"),
            "de": (
                "Kartoffeln pellen",
                "Zwiebeln im Öl anschwitzen, dazu Wein",
                "Butter schmelzen",
            ),
            "es": ("Rehogar las verduras", "Espesar con maicena", "Picarlo todo"),
            "it": ("Sfumare col vino", "Ridurre la salsa", "Farle saltare"),
        }
        goods: dict[Language, tuple[str, ...]] = {
            "en": ("A pinch of salt", "Squeeze of lemon", "Garnish: chives", "Peppercorns"),
            "fr": ("Beurre doux", "Vinaigre de cidre", "Gingembre frais", "Laurier sec"),
            "de": ("Petersilie zum Bestreuen", "Zwiebeln, fein geschnitten", "frische Kräuter"),
            "es": ("Azúcar moreno", "Vinagre de Jerez", "Jengibre fresco"),
            "it": ("Pere mature", "Miele chiaro", "Zucchero di canna", "Cuore di sedano"),
        }
        for language, texts_ in told.items():
            for text in texts_:
                self.assertTrue(tells_to_do(text, language), text)
        for language, texts_ in goods.items():
            for text in texts_:
                self.assertFalse(tells_to_do(text, language), text)

    def test_an_amount_is_found_wherever_it_stands(self) -> None:
        for text, quantity, unit, item in (
            ("Red onions (3)", 3, "piece", "Red onions"),
            ("Walnuts, 120 g, toasted", 120, "g", "Walnuts"),
            ("Mushrooms 1kg, fine chop", 1, "kg", "Mushrooms"),
            ("Agua: 1,5 l", 1.5, "l", "Agua"),
            ("brodo di carne l 1,2", 1.2, "l", "brodo di carne"),
            ("farina g 200", 200, "g", "farina"),
            ("n. 2 cipollotti", 2, "piece", "cipollotti"),
            ("zucca 1 kg pulita", 1, "kg", "zucca"),
            ("red peppers x 4", 4, "piece", "red peppers"),
            ("Eggs, 6 medium, separated", 6, "piece", "Eggs"),
            ("crème 359 c. à soupe", 359, "metric_tbsp", "crème"),
            ("2 (8-ounce) bottles juice", 16, "oz", "juice"),
            ("2 etti di prosciutto", 2, "hg", "prosciutto"),
            ("1 geh. EL Mehl", 1, "metric_tbsp", "Mehl"),
            ("2 cucchiai rasi di zucchero", 2, "metric_tbsp", "zucchero"),
            ("1 14.5-ounce can diced tomatoes", 14.5, "oz", "diced tomatoes"),
            ("Capers: 2 tbsp", 2, "tbsp", "Capers"),
            ("1 coq de 2,5 kg, découpé", 1, "piece", "coq de 2,5 kg"),
            ("100 g gram flour", 100, "g", "gram flour"),
            ("12 cloves", 12, "piece", "cloves"),
            ("sale un pizzico", 1, "pinch", "sale"),
            ("2 thumb-size pieces of ginger", 2, "thumb", "ginger"),
            ("a walnut-sized knob of butter", 1, "knob", "butter"),
            ("½-inch piece fresh ginger", 1, "piece", "fresh ginger"),
            ("Vanille : 1 gousse", 1, "piece", "Vanille"),
            ("Wine 2 bottles (75 cl)", 150, "cl", "Wine"),
            ("Chicken 2 (1.5 kg)", 2, "piece", "Chicken"),
            ("Onions 2 large (400 g)", 2, "piece", "Onions"),
            ("half-fat crème fraîche", None, None, "half-fat crème fraîche"),
            ("three-cheese mix", None, None, "three-cheese mix"),
            ("brimming 2 cups flour", 2, "cup", "flour"),
            ("00 flour    250 g + bench flour", 250, "g", "00 flour"),
            ("35% cream: 500 ml", 500, "ml", "35% cream"),
            ("Water    75%    750 g", 750, "g", "Water"),
            ("celery - 2 sticks", 2, "piece", "celery"),
            ("cumin pinch", 1, "pinch", "cumin"),
            ("120 ml cane vinegar", 120, "ml", "cane vinegar"),
            ("2 latas de 160 g de atún", 320, "g", "atún"),
            ("atún en aceite 2 latas de 160 g", 320, "g", "atún en aceite"),
            ("2 Dosen à 400 g Tomaten", 800, "g", "Tomaten"),
            ("6 eggs (hard boiled", 6, "piece", "eggs"),
            ("Leaves of 2 sprigs rosemary", 2, "sprig", "rosemary"),
            ("200 ml olio e.v.o.", 200, "ml", "olio e.v.o."),
            ("tartare sauce (see page 40)", None, None, "tartare sauce"),
            ("2 (1-inch) pieces ginger", 2, "piece", "ginger"),
        ):
            read = understood_line(text)
            self.assertEqual((read.quantity, read.unit, read.item), (quantity, unit, item), text)

    def test_every_ingredient_of_a_line_is_one(self) -> None:
        for text, parts in (
            ("1 kg cheese, 100 g flour, 4 yolks + 4 eggs", 4),
            ("moutarde 20 g, huile 1 l, sel, poivre", 4),
            ("onion 1kg, chopped, garlic 100g, toms 5kg tin x2, oil", 4),
            ("latte 900 g; farina 60 g; noce moscata", 3),
            ("carcasses 3kg · cognac 10cl · riz 200g", 3),
            ("1 tsp peppercorns, 2 bay leaves, thyme", 3),
            ("100 ml oil and the juice of half a lemon", 2),
            ("8 eggs, 100 g cheese (grated), and about 300 g leeks", 3),
            ("800 g water, 25 °C", 1),
            ("4 whole eggs, plus 2 yolks", 1),
            ("175 g sugar, juice of 2 lemons", 2),
            ("200 ml cream, reduce by half, 5 min", 1),
            ("½ cup (1 stick / 113 g) butter, soft", 1),
            ("100 g butter (50 g soft, 50 g cold)", 1),
            ("250 g Mehl / 4 Eier / Prise Salz / Butter z. Backen", 4),
            ("1 egg, 20 g butter, milk if needed, extra butter for greasing", 4),
            ("2 shallots, chopped", 1),
            ("2 cod steaks, 180g each", 1),
            ("Eggs, 6 medium, separated", 1),
        ):
            self.assertEqual(len(run_in(text)), parts, (text, run_in(text)))

    def test_words_of_goods_are_no_misspelt_measures(self) -> None:
        for text in (
            "2 mint leaves",
            "1 stock cube",
            "2 Knoblauchzehen",
            "3 clams",
            "2 pears",
            "4 figs",
        ):
            self.assertEqual(understood_line(text).question, "", text)


if __name__ == "__main__":
    unittest.main()
