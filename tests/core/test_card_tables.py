"""The tables that the arithmetic and the cautions of cards are read from."""

import unittest
from itertools import pairwise

from yellow_ladle.core.book.book import ROLES, TREATMENTS
from yellow_ladle.core.book.pan import LIDS, Pan
from yellow_ladle.core.cards.cautions import cautions
from yellow_ladle.core.cards.colours import colours
from yellow_ladle.core.larder.matching import role_of
from yellow_ladle.core.larder.starting_points import goods
from yellow_ladle.core.numbers.retention import retained
from yellow_ladle.core.numbers.thickeners import (
    bodies,
    browning,
    milky_classes,
    sour_classes,
    thickener_of,
    thickeners,
)
from yellow_ladle.core.swaps.rules.swap_rules import swap_rules
from yellow_ladle.core.thickening.thickness import on_cooling, places
from yellow_ladle.core.vocabulary.toml import number, numbers, rows, section, table, words
from yellow_ladle.core.vocabulary.units import shipped_units
from yellow_ladle.demo.kitchen import demo_book


def known_classes() -> set[str]:
    """Every class that goods, rules or the demo speak of."""
    found = {good.class_ for good in goods().values()}
    for rule in swap_rules():
        found |= {*rule.replaces, *rule.with_}
    found |= {product.class_ for product in demo_book().products.values()}
    return found | {made.class_ for made in demo_book().preparations.values() if made.class_}


class Thickeners(unittest.TestCase):
    WEIGHTS = {  # noqa: RUF012
        "wheat-flour": (1.0, 1.0),
        "rice-flour": (0.9, 1.1),
        "sweet-rice-flour": (0.9, 1.0),
        "gram-flour": (1.0, 1.2),
        "gluten-free-blend": (1.0, 1.0),
        "maize-starch": (0.5, 0.5),
        "potato-starch": (0.4, 0.5),
        "arrowroot": (0.5, 0.65),
        "tapioca-starch": (0.55, 0.65),
        "xanthan": (0.04, 0.06),
    }

    def test_the_weights_are_those_of_the_thickening_table(self) -> None:
        found = {id: (entry.low, entry.high) for id, entry in thickeners().items()}
        self.assertEqual(found, self.WEIGHTS)
        self.assertEqual(
            dict(browning()),
            {"white": (1, 1), "blond": (1.1, 1.15), "brown": (1.4, 1.6), "dark": (2, 2)},
        )
        self.assertAlmostEqual(on_cooling(), 4 / 3)

    def test_every_thickener_is_whole_and_known_by_classes_of_its_own(self) -> None:
        classes = [word for entry in thickeners().values() for word in entry.classes]
        self.assertEqual(len(classes), len(set(classes)))
        self.assertEqual(set(thickener_of()), set(classes))
        for entry in thickeners().values():
            with self.subTest(entry.id):
                self.assertLessEqual(entry.low, entry.high)
                self.assertIn(entry.form, ("roux", "slurry", "blend"))
                self.assertTrue(entry.method)
                for share in (entry.boiled, entry.acid, entry.frozen):
                    self.assertTrue(0 < share <= 1)

    def test_bodies_and_thickeners_are_apart(self) -> None:
        self.assertFalse(set(bodies()) & set(thickener_of()))
        for of_class in bodies().values():
            for body in of_class:
                self.assertLess(body.low, body.high)
            # What holds everywhere comes last, or nothing after it would ever count.
            for body in of_class[:-1]:
                self.assertTrue(body.only_if or body.stages or body.alone)

    def test_classes_are_words_that_the_larder_knows(self) -> None:
        known = known_classes()
        for listed in (milky_classes(), sour_classes(), bodies()):
            self.assertGreater(len(set(listed) & known) / len(set(listed)), 0.7, listed)

    def test_the_places_rise(self) -> None:
        starts = [place.start for place in places()]
        self.assertEqual(starts, sorted(set(starts)))
        self.assertEqual(starts[0], 0)


class Alcohol(unittest.TestCase):
    def test_more_time_never_leaves_more(self) -> None:
        shares = [retained("simmered", minutes) for minutes in range(0, 200, 5)]
        self.assertTrue(all(before >= after for before, after in pairwise(shares)))
        for treatment in TREATMENTS:
            self.assertTrue(0 < retained(treatment, 30) <= 1, treatment)


class Words(unittest.TestCase):
    def test_units_have_words_of_their_own(self) -> None:
        said: dict[str, str] = {}
        for unit in shipped_units().values():
            for word in unit.words:
                self.assertNotIn(word, said, f"{word}: {said.get(word)} and {unit.id}")
                said[word] = unit.id
            for other in unit.gives_way_to.values():
                self.assertEqual(shipped_units()[other].kind, unit.kind)
            if unit.kind == "piece" and unit.id != "each":
                self.assertGreater(len(unit.words), 1, "a plural for printed cards")

    def test_roles_are_roles(self) -> None:
        self.assertLessEqual(set(section(table("roles")["role"])), set(ROLES))
        wanted = {"salt": "seasoning", "white-roux": "thickener", "milk": "liquid"}
        for class_, role in wanted.items():
            self.assertEqual(role_of(class_), role)

    def test_cautions_have_ids_and_words_of_their_own(self) -> None:
        ids = [caution.id for caution in cautions()]
        self.assertEqual(len(ids), len(set(ids)))
        for wanted in ("kidney-beans", "alight", "blend-hot", "cool-big-pot", "raw-egg", "hot-fat"):
            self.assertIn(wanted, ids)
        beans = next(caution for caution in cautions() if caution.id == "kidney-beans")
        for told in ("soak at least 5 hours", "throw the water away", "at least 10 minutes"):
            self.assertIn(told, beans.text)

    def test_colour_rules_speak_of_known_families(self) -> None:
        known = {*colours(), "dark"}
        for row in rows(table("colours")["break"]):
            self.assertLessEqual({*words(row["family"]), *words(row.get("colours"))}, known)
            self.assertTrue(row["say"])
            said = {"classes", "colours", "names", "steps"} & set(row)
            self.assertTrue(said, row)

    def test_every_lid_lets_some_steam_go(self) -> None:
        shares = section(table("evaporation")["lid"])
        self.assertEqual(set(shares), set(LIDS))
        self.assertEqual(Pan(20).lid, "off")
        by_lid = [number(shares[lid]) for lid in LIDS]
        self.assertEqual(by_lid, sorted(by_lid, reverse=True))

    def test_a_table_that_holds_something_else_is_told(self) -> None:
        with self.assertRaisesRegex(TypeError, "a number is wanted in place of 'x'"):
            number("x")
        with self.assertRaises(TypeError):
            number(True)
        self.assertEqual((numbers(None), words(None)), ((), ()))


if __name__ == "__main__":
    unittest.main()
