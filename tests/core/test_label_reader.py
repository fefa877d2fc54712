"""What the label reader proposes: words, turns of phrase, sources, claims and slips."""

import unittest

from tests.effort import tries
from yellow_ladle.core.labels.label_reading import MAX_LABEL, LabelReading, TooLong
from yellow_ladle.core.labels.languages import AUTO
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.toml import rows, table
from yellow_ladle.core.words.lexicon import ANY, languages, lexicon

CONTAINS, UNCHECKED, MAY = Level.CONTAINS, Level.UNCHECKED, Level.MAY_CONTAIN


def said(text: str, level: Level, language: str = AUTO) -> set[str]:
    levels = read_label(text, language).levels
    return {flag for flag, at in levels.items() if at is level}


class LabelTest(unittest.TestCase):
    def contains(self, text: str, flags: str, language: str = AUTO) -> None:
        self.assertEqual(said(text, CONTAINS, language), set(flags.split()), text)

    def may_contain(self, text: str, flags: str) -> None:
        self.assertEqual(said(text, MAY), set(flags.split()), text)

    def unchecked(self, text: str, flags: str) -> None:
        self.assertLessEqual(set(flags.split()), said(text, UNCHECKED), text)

    def nothing(self, text: str) -> LabelReading:
        reading = read_label(text)
        self.assertEqual(reading.levels, {}, text)
        return reading


class TheLexicon(unittest.TestCase):
    def test_five_languages_and_six_hundred_words_each_with_a_reason(self) -> None:
        self.assertEqual(list(languages()), ["en", "de", "es", "fr", "it"])
        known = {flag.id for flag in shipped_flags()}
        counted: set[str] = set()
        for name in (ANY, *languages()):
            for row in rows(table(f"labels/{name}")["entry"]):
                self.assertTrue(row["why"], row)
                for key in ("contains", "any_of", "hides", "exempt", "settles", "free"):
                    flags = row.get(key, [])
                    assert isinstance(flags, list)
                    self.assertLessEqual(set(flags), known, row)
                if row.get("hides") and not row.get("contains"):
                    self.assertTrue(row.get("ask"), row)
                counted.update(str(row.get("words", "")).split(", "))
        self.assertGreater(len(counted), 3000)

    def test_every_allergen_and_origin_can_be_read_in_every_language(self) -> None:
        for language in languages():
            entries = lexicon(language).entries.values()
            told = {flag for e in entries for flag in (*e.contains, *e.any_of, *e.hides)}
            missing = {flag.id for flag in shipped_flags()} - told
            self.assertEqual(missing, set(), language)


class Words(LabelTest):
    def test_words_that_mean_a_flag(self) -> None:
        self.contains("whey powder, ghee, sodium caseinate", "milk")
        self.contains("durum semolina, spelt, seitan, couscous", "wheat")
        self.contains("malt extract", "barley")
        self.contains("celeriac, lupin flour, anchovy paste", "celery lupin fish")
        self.contains("langoustine tails; whelks", "crustacean mollusc")

    def test_words_that_look_like_a_flag_and_are_none(self) -> None:
        for words in (
            "coconut milk",
            "cocoa butter",
            "buckwheat flour",
            "nutmeg",
            "water chestnut",
            "butter beans",
            "cream of tartar",
            "oyster mushrooms",
            "eggplant",
            "peanut-free",
            "lait de coco",
            "Kokosmilch, Muskatnuss, Kakaobutter",
            "leche de coco, manteca de cacao",
            "burro di cacao, latte di cocco",
        ):
            self.nothing(words)

    def test_plurals_hyphens_accents_ligatures_and_slips(self) -> None:
        self.contains("butter-milk, prawns, WALNUTS", "milk crustacean walnut")
        self.contains("œufs, oeufs, blanc d’œuf", "egg")
        self.contains("cre\u0301me frai\u0302che", "milk", "fr")
        self.contains("cellery, mustrad, hazlenuts", "celery mustard hazelnut")
        self.contains("wheatflour, eggwhite", "wheat egg")
        self.nothing("cocunut milk")
        reading = read_label("cellery salt")
        self.assertIn('Is "cellery salt" read rightly as "celery"?', reading.questions)

    def test_the_class_of_an_additive_is_no_flavouring(self) -> None:
        for text in ("flavour enhancer: E621", "exhausteur de goût : E621", "Geschmacksverstärker"):
            self.nothing(text)

    def test_a_word_that_is_only_near_to_another_is_left_alone(self) -> None:
        self.nothing("a better taste, barely salted")

    def test_additives_by_number_however_they_are_written(self) -> None:
        self.contains("E 220, E-901, e1105, INS 120", "sulphites insect egg")
        self.unchecked("E322; E471; E631; E542", "soy egg pork beef poultry fish")
        self.nothing("E330, E450i, E 500(ii)")

    def test_compounds_are_taken_apart(self) -> None:
        self.contains("Weizenmehl, Vollmilchpulver, Sojalecithin", "wheat milk soy")
        self.nothing("Sonnenblumenlecithin, Buchweizenmehl, Austernseitling")


class Sources(LabelTest):
    def test_a_source_beside_settles_what_a_word_hides(self) -> None:
        self.unchecked("lecithin", "soy egg")
        self.contains("lecithin (soya)", "soy")
        self.assertEqual(said("lecithin (soya)", UNCHECKED), set())
        self.nothing("emulsifier: lecithin (sunflower)")
        self.unchecked("gelatine", "pork beef fish")
        self.assertEqual(said("pork gelatine", UNCHECKED), set())
        self.nothing("maize starch")
        self.unchecked("modified starch", "wheat")

    def test_a_list_in_brackets_settles_and_a_part_of_one_does_not(self) -> None:
        self.assertEqual(said("vegetable stock (water, carrot, leek)", UNCHECKED), set())
        self.unchecked("flavourings (contain milk)", "celery mustard")
        self.unchecked("spices (including mustard, celery)", "sesame")

    def test_ambiguous_words_bring_the_question_to_ask(self) -> None:
        reading = read_label("flavouring, spices, vegetable stock, starch, wine vinegar")
        self.assertEqual(len(reading.questions), 5)
        self.assertTrue(all(ask.endswith("?") for ask in reading.questions))
        self.unchecked("flavouring, spices, starch, wine vinegar", "milk celery wheat sulphites")

    def test_what_something_is_made_of_instead(self) -> None:
        self.contains("pea yogurt, potato bread", "")
        self.unchecked("pea yogurt, potato bread", "milk wheat")
        self.contains("Noodles (rice flour, water)", "")
        self.unchecked("Noodles (rice flour, water)", "wheat")
        self.contains("chickpea flour, potato flour", "")
        self.contains("flour", "wheat")

    def test_exempt_goods_are_noted_and_never_silently_free(self) -> None:
        for text, flag in (
            ("glucose syrup (wheat)", "wheat"),
            ("wheat glucose syrup", "wheat"),
            ("fully refined soya oil", "soy"),
            ("ale fined with isinglass", "fish"),
        ):
            self.unchecked(text, flag)
            self.assertTrue(read_label(text).questions, text)
        vodka = read_label("vodka")
        self.assertEqual(vodka.levels, {"alcohol": CONTAINS})
        self.assertIn("need not be declared", vodka.questions[0])

    def test_a_kind_without_a_name_is_each_of_its_flags_until_one_is_named(self) -> None:
        self.contains("gluten", "wheat rye barley oats")
        self.contains("rye flour. Contains gluten.", "rye")
        self.contains("Contains shellfish", "crustacean mollusc")

    def test_the_strength_of_a_drink_is_alcohol(self) -> None:
        self.contains("Pressed apples. 4,5 % vol", "alcohol")
        self.assertEqual(said("Apple drink, alc. 0.3% ", CONTAINS), set())


class Turns(LabelTest):
    def test_every_form_of_precaution(self) -> None:
        for text in (
            "Sugar. May contain traces of milk.",
            "Sugar. Traces: milk",
            "Sugar. Made in a factory that handles milk.",
            "Sugar. Produced on a line with milk",
            "Sugar. Not suitable for people with a milk allergy.",
            "Sugar. We cannot guarantee that it is free from milk.",
            "Sugar (may contain milk), salt",
            "Sugar. Milk may be present.",
            "May contain:\nmilk",
            "Sucre. Peut contenir du lait.",
            "Zucker. Kann Spuren von Milch enthalten.",
            "Azúcar. Puede contener trazas de leche.",
            "Zucchero. Prodotto in uno stabilimento che utilizza latte.",
        ):
            self.may_contain(text, "milk")
            self.contains(text, "")

    def test_a_name_may_hold_words_that_turn_the_text(self) -> None:
        self.may_contain(
            "May contain cereals containing gluten, fish", "wheat rye barley oats fish"
        )
        self.contains("free range egg", "egg")

    def test_a_precaution_takes_nothing_from_the_ingredients(self) -> None:
        self.contains("May contain nuts.\nWheat flour, milk", "wheat milk")
        self.contains("sugar; may contain nuts; wheat flour", "wheat")
        self.contains("cocoa (may contain nuts), wheat flour", "wheat")
        self.contains("sugar, wheat flour, salt, milk may be present", "wheat")
        self.contains("Made with milk, eggs and flour in a dairy", "milk egg wheat")
        self.contains("Prepared in our kitchen with milk and flour", "milk wheat")

    def test_a_nut_free_factory_is_no_warning(self) -> None:
        self.may_contain("Oats. Packed in a nut-free factory.", "")
        self.may_contain(
            "Oats. We cannot guarantee nut-free.",
            "almond hazelnut walnut cashew pecan brazil_nut pistachio macadamia pine_nut",
        )

    def test_claims_are_kept_apart(self) -> None:
        reading = self.nothing("Free from milk, egg and nuts. This product does not contain soya.")
        claimed = {flag for claim in reading.claims for flag in claim.flags}
        self.assertLessEqual({"milk", "egg", "almond", "soy"}, claimed)
        self.contains("Dairy-free. Contains milk.", "milk")
        self.contains("gluten-free oats", "oats")

    def test_a_claim_takes_nothing_that_it_does_not_name(self) -> None:
        self.contains("No added sugar, wheat flour, milk.", "wheat milk")
        self.contains("Free from milk. Wheat starch.", "wheat")
        self.unchecked("Gluten free. Modified starch.", "wheat")

    def test_a_claim_about_one_ingredient_settles_nothing_in_another(self) -> None:
        self.unchecked("dairy-free spread, chocolate", "milk")
        self.unchecked("chocolate (without milk), natural flavouring", "milk")
        self.unchecked("Sugar, biscuits without milk, natural flavouring", "milk")
        self.unchecked("Cheddar (milk, microbial rennet), hard cheese (milk)", "animal_rennet")
        self.unchecked("sausage (vegan), gelatine", "pork beef")
        self.unchecked("burger (suitable for vegetarians), gelatine", "pork beef")
        self.assertNotIn("pork", said("Gelatine. Vegan.", UNCHECKED))
        self.assertNotIn("milk", said("milk-free margarine", UNCHECKED))
        self.assertNotIn("milk", said("Milk free. Natural flavouring.", UNCHECKED))
        self.assertNotIn("milk", said("Natural flavouring. Free from milk.", UNCHECKED))
        self.assertNotIn("animal_rennet", said("Cheddar, salt, microbial rennet", UNCHECKED))

    def test_suitable_for_settles_what_was_only_hidden(self) -> None:
        self.assertIn("animal_rennet", said("Cheddar (milk)", UNCHECKED))
        self.assertEqual(said("Cheddar (milk). Suitable for vegetarians.", UNCHECKED), set())
        self.contains("Cheddar (milk). Suitable for vegans.", "milk")
        self.assertIn("milk", said("Natural flavouring. Suitable for vegans.", UNCHECKED))
        self.unchecked("Jelly cubes. Not suitable for vegetarians.", "gelatine pork")

    def test_advice_is_no_ingredient(self) -> None:
        self.nothing("Potato flakes. Serving suggestion: mash with milk and butter.")
        self.contains("Fruit preparation (strawberries, milk)", "milk")

    def test_a_label_in_two_languages(self) -> None:
        text = "Ingredients: sugar, mustard seed, salt.\nZutaten: Zucker, Sellerie, Haselnüsse."
        self.contains(text, "mustard celery hazelnut")


class Places(LabelTest):
    def test_the_words_are_named_by_their_place_in_the_text_as_given(self) -> None:
        text = "\u202eSugar &amp; <b>WHEY</b> powder,\n**Weizen**mehl"
        for proposal in read_label(text).proposals:
            for why in proposal.because:
                self.assertEqual(text[why.start : why.end], why.text)
                self.assertTrue(why.why)
        [whey] = [p.because[0] for p in read_label(text).proposals if p.flag == "milk"]
        self.assertTrue(whey.text.startswith("WHEY"))

    def test_ingredients_with_their_parts_and_percentages(self) -> None:
        [sauce, salt] = read_label("Sauce 40% (<b>MILK</b> 12,5 %, butter (milk)), salt").listed
        self.assertEqual((sauce.text, sauce.percent, salt.text), ("Sauce", 40, "salt"))
        milk, butter = sauce.parts
        self.assertEqual((milk.text, milk.percent, milk.stressed), ("MILK", 12.5, True))
        self.assertEqual([part.text for part in butter.parts], ["milk"])

    def test_a_stressed_word_that_nobody_knows_is_asked_about(self) -> None:
        reading = read_label("sugar, MILK, ZORBLAX, salt")
        self.assertIn("ZORBLAX", " ".join(reading.questions))

    def test_words_of_no_known_language_are_not_taken_as_free(self) -> None:
        self.assertIn("None of these words", read_label("сахар, мука").questions[0])


class BadInput(LabelTest):
    def test_longer_than_any_label(self) -> None:
        with self.assertRaises(TooLong):
            read_label("a" * (MAX_LABEL + 1))

    def test_hostile_texts_are_read_and_nothing_is_lost(self) -> None:
        for text in (
            "milk, " * (tries(MAX_LABEL) // 6),
            "milk (" * (tries(MAX_LABEL) // 6),
            "may contain " * tries(8000) + ".\nmilk",
            "<b" * tries(40_000) + " milk",
            "\x00\x07milk\u202e\u200b",
            "<script>milk</script>",
            "no " * tries(30_000) + ".\nmilk",
        ):
            self.assertEqual(read_label(text).levels.get("milk"), CONTAINS, text[:40])

    def test_nothing_at_all(self) -> None:
        for text in ("", " \n ", "()(", "12 %", "::;,."):
            reading = read_label(text)
            self.assertEqual((reading.levels, reading.questions), ({}, ()))

    def test_an_unknown_language_is_a_key_error(self) -> None:
        with self.assertRaises(KeyError):
            read_label("milk", "xx")
