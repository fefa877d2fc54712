"""How far a claim reaches, and that every word of a label is accounted for."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import book
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.checks.free_claims import free_claim_faults
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.levels import Level

CONTAINS, MAY = Level.CONTAINS, Level.MAY_CONTAIN
CLAIMS = {
    "en": (
        "No preservatives",
        "Without milk",
        "Free from gluten",
        "Contains no eggs, nuts",
        "No MSG",
    ),
    "de": ("Ohne Farbstoffe", "Frei von Milch", "Enthält kein Gluten", "Ohne Zusatz von Ei"),
    "fr": ("Sans conservateurs", "Sans lait", "Ne contient pas de gluten", "Sans œufs, noix"),
    "es": ("Sin conservantes", "Sin leche", "No contiene gluten", "Libre de huevo, nueces"),
    "it": ("Senza conservanti", "Senza latte", "Non contiene glutine", "Privo di uova, noci"),
}
GOODS = {
    "en": {"soy sauce": "soy", "sesame oil": "sesame", "wheat flour": "wheat", "butter": "milk"},
    "de": {"Weizenmehl": "wheat", "Senfkörner": "mustard", "Sojasoße": "soy", "Butter": "milk"},
    "fr": {"farine de blé": "wheat", "beurre": "milk", "sauce de soja": "soy"},
    "es": {"harina de trigo": "wheat", "mantequilla": "milk", "salsa de soja": "soy"},
    "it": {"farina di grano": "wheat", "burro": "milk", "salsa di soia": "soy"},
}
BREAKS = ("; ", ". ", "\n", ", ")


@st.composite
def claimed(draw: st.DrawFn) -> tuple[str, str, str]:
    """A language, a text of claims and goods, and a flag that stands behind one of the claims."""
    language = draw(st.sampled_from(sorted(CLAIMS)))
    good = draw(st.sampled_from(sorted(GOODS[language])))
    claim = draw(st.sampled_from(CLAIMS[language]))
    parts = [claim, good, *draw(st.lists(st.sampled_from(sorted(GOODS[language])), max_size=2))]
    text = parts[0]
    for part in parts[1:]:
        text += draw(st.sampled_from(BREAKS)) + part
    if draw(st.booleans()):
        text += "; " + draw(st.sampled_from(CLAIMS[language]))
    return language, text, GOODS[language][good]


class Reach(unittest.TestCase):
    @given(claimed())
    @examples(400)
    def test_a_good_behind_a_claim_is_never_lost(self, case: tuple[str, str, str]) -> None:
        language, text, flag = case
        self.assertEqual(read_label(text, language).levels.get(flag), CONTAINS, text)

    def test_bare_names_go_on_over_commas(self) -> None:
        for text in (
            "Free from milk, egg and nuts",
            "Contains no gluten, milk, soya or celery",
            "Frei von Milch, Ei und Nüssen",
            "Sans lait, œufs ni gluten",
            "Sin leche, huevo ni gluten",
            "Senza latte, uova e glutine",
        ):
            self.assertEqual(read_label(text).levels, {}, text)

    def test_an_exception_brings_back_what_it_names(self) -> None:
        for text in (
            "No nuts except almonds",
            "Free from nuts, other than almonds",
            "Nut free apart from almonds",
            "Frei von Nüssen bis auf Mandeln",
            "Nussfrei, ausgenommen Mandeln",
            "Sans noix sauf amandes",
            "Sin nueces salvo almendras",
            "Senza noci tranne mandorle",
        ):
            self.assertEqual(read_label(text).levels.get("almond"), CONTAINS, text)

    def test_a_claim_that_is_denied_or_taken_back_may_contain(self) -> None:
        for text in (
            "Not milk-free",
            "Not free from milk",
            "Not suitable for people with a milk allergy",
            "Contains no milk (but traces possible)",
            "Contains no milk, traces possible",
            "Enthält keine Milch (Spuren möglich)",
            "Nicht frei von Milch",
            "Ne contient pas de lait (traces possibles)",
            "No contiene leche (puede contener trazas)",
            "Non contiene latte (possibili tracce)",
        ):
            self.assertEqual(read_label(text).levels.get("milk"), MAY, text)

    def test_lactose_free_clears_no_milk(self) -> None:
        for text in (
            "Lactose free. Flavouring",
            "Lactose-free cream",
            "Free from lactose; milk",
            "Laktosefrei; Sahne",
            "Sans lactose, lait",
            "Sin lactosa, leche",
            "Senza lattosio, latte",
        ):
            self.assertGreaterEqual(
                read_label(text).levels.get("milk", Level.FREE), Level.UNCHECKED, text
            )

    def test_all_allergens_are_those_of_the_regime(self) -> None:
        text = "May contain all allergens. Rice"
        self.assertEqual(read_label(text, regime="us-9").levels.get("celery"), None)
        self.assertEqual(read_label(text, regime="eu-14").levels.get("celery"), MAY)
        self.assertEqual(read_label("Free from all 14 allergens. Rice").levels, {})


class Traces(unittest.TestCase):
    """A trace beside what only hides something is kept, for when the maker has cleared that."""

    def test_both_are_kept(self) -> None:
        for text, flag in (
            ("Sugar, flavourings. May contain traces of egg and mustard.", "mustard"),
            ("Salz, Aroma. Kann Spuren von Senf enthalten.", "mustard"),
            ("Sel, épices. Peut contenir des traces de moutarde.", "mustard"),
            ("Sale, spezie. Può contenere tracce di senape.", "mustard"),
            ("Sal, especias. Puede contener trazas de mostaza.", "mustard"),
            ("May contain celery. Ingredients: sugar, spices.", "celery"),
        ):
            found = {made.flag: made for made in read_label(text).proposals}[flag]
            self.assertIs(found.level, Level.UNCHECKED, text)
            self.assertEqual(len(found.traces), 1, text)
            self.assertLess({*found.traces}, {*found.because}, text)
            starts = [why.start for why in found.because]
            self.assertEqual(starts, sorted(starts))

    def test_nothing_else_has_any(self) -> None:
        text = "Sugar, flavourings, mustard seed. May contain traces of egg and mustard."
        for made in read_label(text).proposals:
            self.assertEqual(made.traces, (), made)

    def test_what_the_maker_clears_leaves_the_trace(self) -> None:
        label = "Ingredients: sugar, flavourings. May contain traces of egg and mustard."
        told = Evidence("supplier", "2026-12-01", "MK")
        stated = {"egg": Level.MAY_CONTAIN, "mustard": Level.FREE}
        tub = Product("tub", "Tub 4", None, stated, Level.FREE, label=label)
        tub = replace(tub, evidence=dict.fromkeys(("egg", "mustard", "otherwise"), told))
        [fault] = free_claim_faults(book(), Change((tub,)))
        self.assertIn('cannot be free of mustard: its label says "mustard"', fault.message)
        kept = replace(tub, statements={**stated, "mustard": Level.MAY_CONTAIN})
        self.assertEqual(free_claim_faults(book(), Change((kept,))), [])


class EveryWord(unittest.TestCase):
    def unknown(self, text: str) -> list[str]:
        return [word.text for word in read_label(text).unknown]

    def test_a_word_that_nobody_knows_is_named_where_it_stands(self) -> None:
        text = "Salt, zorblax, sugar; contains quimble. May contain frumious"
        reading = read_label(text)
        self.assertEqual([w.text for w in reading.unknown], ["zorblax", "quimble", "frumious"])
        for word in reading.unknown:
            self.assertEqual(text[word.start : word.end], word.text)
        self.assertFalse(reading.complete)

    @given(st.text("bcdfghjklmnpqrstvwxz", min_size=5, max_size=9), st.integers(0, 3))
    @examples(200)
    def test_an_unknown_word_is_never_taken_for_complete(self, word: str, place: int) -> None:
        goods = ["salt", "sugar", "water", "rice"]
        goods.insert(place, word)
        reading = read_label(", ".join(goods), "en")
        self.assertTrue(reading.levels or not reading.complete, word)

    def test_complete_only_when_something_was_read_and_nothing_is_open(self) -> None:
        self.assertTrue(read_label("Wheat flour, water, salt").complete)
        for text in ("", "12 %", "No MSG.", "flavouring", "powder", "emulsifier", "сахар, мука"):
            self.assertFalse(read_label(text).complete, text)

    def test_storage_and_nutrition_are_left_out(self) -> None:
        text = "Water, salt. Storage: zorblax. Nutrition: energy quimble 12 kJ."
        self.assertEqual(self.unknown(text), [])

    def test_numbers_per_cents_and_signs_are_no_words(self) -> None:
        self.assertEqual(self.unknown("Salt 12 %, water 3.5, E330, sugar ✓ 12"), [])

    def test_a_word_of_a_kind_is_asked_about_alone(self) -> None:
        self.assertEqual(self.unknown("salt, powder"), ["powder"])
        self.assertEqual(self.unknown("salt, tomato powder"), [])
        self.assertEqual(self.unknown("emulsifier, salt"), ["emulsifier"])
        self.assertEqual(self.unknown("emulsifier: E471, salt"), [])


class Damage(unittest.TestCase):
    def test_damaged_words_are_read(self) -> None:
        for text, flag in (
            ("salt, mi1k", "milk"),
            ("salt, 0at flour", "oats"),
            ("salt, wh3at", "wheat"),
            ("salt, a1mond", "almond"),
            ("salt, sesam3 seeds", "sesame"),
            ("WheatFlourCelerySalt", "celery"),
            ("saltsugarskimmedmilkpowder", "milk"),
            ("salt, pea-\nnuts", "peanut"),
            ("sel, mou-\ntarde", "mustard"),
            ("Salz, Sel-\n  lerie", "celery"),
            ("salt, mus\u00ad\ntard", "mustard"),
            ("Salz, Weizenmehl-\nSellerie", "celery"),
            ("salt, E22O", "sulphites"),
        ):
            self.assertEqual(read_label(text).levels.get(flag), CONTAINS, text)

    def test_both_halves_count_where_they_are_more(self) -> None:
        self.assertEqual(read_label("rice, milk-\nwort").levels.get("milk"), CONTAINS)


class Tables(unittest.TestCase):
    def test_answers_of_yes_and_no(self) -> None:
        for text in (
            "Milk: yes, Egg: no, Soya: no, Wheat: yes",
            "Milk | Yes\nEgg | No\nSoya | No\nWheat | Yes",
            "Milk ✓ Egg ✗ Soya ✗ Wheat ✓",
            "Milch: ja; Ei: nein; Soja: nein; Weizen: ja",
            "Lait : oui, Œuf : non, Soja : non, Blé : oui",
        ):
            self.assertEqual(read_label(text).levels, {"milk": CONTAINS, "wheat": CONTAINS}, text)
