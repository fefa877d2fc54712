"""Verdicts of every diet."""

import unittest
from dataclasses import replace

from tests.kitchens import FREE, OPEN, book, levels, pot, product, reading
from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.maker import Maker, Paper
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.tool import Use
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.reading.day_traces import day_reading
from yellow_ladle.core.reading.reading import Reason, Suitability, read
from yellow_ladle.core.vocabulary.classes import grape_wine_classes, usual_of
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.levels import Level

ANIMALS = "fish crustacean mollusc pork beef lamb poultry game insect gelatine animal_rennet"
RULED_OUT = {
    "vegan": f"milk egg honey animal_fining {ANIMALS}",
    "vegetarian": f"animal_fining {ANIMALS}",
    "pescatarian": "pork beef lamb poultry game insect",
    "dairy_free": "milk",
    "gluten_free": "wheat rye barley oats",
    "egg_free": "egg",
    "nut_free": (
        "almond hazelnut walnut cashew pecan brazil_nut pistachio macadamia pine_nut peanut"
    ),
    "shellfish_free": "crustacean mollusc",
    "no_pork": "pork",
    "no_beef": "beef",
    "no_alcohol": "alcohol",
    "no_allium": "allium",
    "halal": "pork alcohol gelatine beef lamb poultry game",
    "kosher": "pork crustacean mollusc insect beef lamb poultry game",
}
ASKED = {
    "pescatarian": "gelatine",
    "no_pork": "gelatine",
    "no_beef": "gelatine",
    "halal": "insect animal_rennet",
    "kosher": "gelatine animal_rennet",
}
COUNT_TRACES = [
    "dairy_free",
    "gluten_free",
    "egg_free",
    "nut_free",
    "shellfish_free",
    "halal",
    "kosher",
]


def suits(diet: str, *pieces: Product | Preparation) -> Suitability:
    return reading(*pieces).suitability("soup")[diet]


class EveryDietByEveryFlag(unittest.TestCase):
    def test_each_diet_rules_out_its_flags_and_no_others(self) -> None:
        self.assertEqual(set(diets()), set(RULED_OUT))
        for flag in shipped_flags():
            carried = reading(product("thing", flag.id), pot("soup", "thing"))
            for diet, flags in RULED_OUT.items():
                asked = flag.id in ASKED.get(diet, "").split()
                wanted = "ask" if asked else "suits"
                wanted = "does_not_suit" if flag.id in flags.split() else wanted
                self.assertEqual(carried.verdict("soup", diet), wanted, (diet, flag.id))

    def test_unchecked_asks_for_each_flag_that_a_diet_rules_out(self) -> None:
        for flag in shipped_flags():
            carried = reading(product("thing", unchecked=flag.id), pot("soup", "thing"))
            for diet, flags in RULED_OUT.items():
                named = (*flags.split(), *ASKED.get(diet, "").split())
                wanted = "ask" if flag.id in named else "suits"
                self.assertEqual(carried.verdict("soup", diet), wanted, (diet, flag.id))

    def test_traces_count_for_allergies_and_are_shown_for_beliefs(self) -> None:
        for flag in shipped_flags():
            carried = reading(product("thing", may=flag.id), pot("soup", "thing"))
            for diet, flags in RULED_OUT.items():
                named = (*flags.split(), *ASKED.get(diet, "").split())
                counts = diet in COUNT_TRACES and flag.id in named
                found = carried.suitability("soup")[diet]
                self.assertEqual(found.verdict, "ask" if counts else "suits", (diet, flag.id))
                shown = flag.id in named and not counts
                self.assertEqual(found.traces, (flag.id,) if shown else (), (diet, flag.id))


class Certificates(unittest.TestCase):
    def test_meat_suits_only_where_its_product_holds_the_certificate(self) -> None:
        for diet, other in (("halal", "kosher"), ("kosher", "halal")):
            for meat in ("beef", "lamb", "poultry", "game"):
                held = product("meat", meat, certificates=(diet,))
                wrong = product("meat", meat, certificates=(other,))
                self.assertEqual(suits(diet, held, pot("soup", "meat")).verdict, "suits")
                found = suits(diet, wrong, pot("soup", "meat"))
                self.assertEqual(found.verdict, "does_not_suit")
                self.assertEqual(found.because, (Reason(meat, Level.CONTAINS, ("meat",), diet),))

    def test_one_uncertified_product_beside_a_certified_one_is_found(self) -> None:
        found = suits(
            "halal",
            product("good-lamb", "lamb", certificates=("halal",)),
            product("other-lamb", "lamb"),
            pot("stock", "other-lamb"),
            pot("soup", "good-lamb", "stock"),
        )
        self.assertEqual(found.verdict, Verdict.DOES_NOT_SUIT)
        self.assertEqual(found.because[0].products, ("other-lamb",))

    def test_certified_gelatine_is_halal_and_a_certificate_excuses_no_pork(self) -> None:
        gelatine = product("leaf", "gelatine", certificates=("halal",))
        self.assertEqual(suits("halal", gelatine, pot("soup", "leaf")).verdict, "suits")
        ham = product("ham", "pork", certificates=("halal", "kosher"))
        for diet in ("halal", "kosher"):
            self.assertEqual(suits(diet, ham, pot("soup", "ham")).verdict, "does_not_suit")

    def test_a_pots_own_statement_holds_no_certificate(self) -> None:
        stock = pot("soup", statements=levels("lamb"), otherwise=Level.FREE)
        self.assertEqual(suits("halal", stock).verdict, "does_not_suit")

    def test_uncertified_meat_that_may_be_in_is_asked_about(self) -> None:
        jar = product("jar", unchecked="beef")
        self.assertEqual(suits("halal", jar, pot("soup", "jar")).verdict, "ask")


class Gelatine(unittest.TestCase):
    """Its origin is said only by a product of its class that states the animal."""

    def asked(self, *pieces: Product | Preparation) -> tuple[str, ...]:
        return tuple(
            diet for diet in ("pescatarian", "no_pork", "no_beef") if suits(diet, *pieces).because
        )

    def test_said_it_is_judged_by_what_it_is_of(self) -> None:
        soup = pot("soup", "leaf")
        of_fish = product("leaf", "gelatine fish", "gelatine")
        self.assertEqual(self.asked(of_fish, soup), ())
        of_beef = product("leaf", "gelatine beef", "gelatine")
        self.assertEqual(self.asked(of_beef, soup), ("pescatarian", "no_beef"))

    def test_unsaid_it_is_asked_about_and_named(self) -> None:
        leaf = product("leaf", "gelatine", "gelatine")
        for pieces in (
            (leaf, pot("soup", "leaf")),
            (product("gums", "gelatine pork", "sweets"), pot("soup", "gums")),
            (pot("soup", statements=levels("gelatine"), otherwise=Level.FREE),),
        ):
            found = suits("no_beef", *pieces)
            self.assertEqual((found.verdict, found.because[0].certificate), (Verdict.ASK, None))
        found = suits("pescatarian", leaf, pot("soup", "leaf"))
        self.assertEqual(found.because, (Reason("gelatine", Level.CONTAINS, ("leaf",)),))

    def test_each_makers_label_says_it_by_itself(self) -> None:
        says = Maker("a", "A", levels("gelatine beef"), FREE)
        silent = Maker("b", "B", levels("gelatine"), FREE)
        leaf = product("leaf", "", "gelatine", makers=(says, silent))
        self.assertEqual(suits("no_pork", leaf, pot("soup", "leaf")).verdict, "ask")
        chosen = replace(leaf, in_use="a")
        self.assertEqual(suits("no_pork", chosen, pot("soup", "leaf")).verdict, "suits")


class GrapeWine(unittest.TestCase):
    """A mark that travels like a flag and is listed nowhere."""

    def test_it_is_asked_about_by_kosher_alone_and_never_listed(self) -> None:
        for class_ in sorted(grape_wine_classes()):
            carried = reading(
                product("wine", "", class_),
                pot("stock", "wine", by="fat"),
                pot("soup", "stock/fat"),
            )
            self.assertEqual(carried.levels("soup").keys(), usual_of(class_).inherent)
            found = carried.suitability("soup")["kosher"]
            reason = Reason("grape_wine", Level.CONTAINS, ("wine",), "kosher")
            self.assertEqual((found.verdict, found.because), (Verdict.ASK, (reason,)))

    def test_a_certificate_settles_it_until_it_runs_out(self) -> None:
        wine = product("wine", "", "red-wine", certificates=("kosher",))
        self.assertEqual(suits("kosher", wine, pot("soup", "wine")).verdict, "suits")
        lapsed = replace(wine, papers={"kosher": Paper("", "2026-01-01")})
        later = read(book(lapsed, pot("soup", "wine")), "2026-01-02")
        self.assertEqual(later.verdict("soup", "kosher"), "ask")

    def test_by_a_tool_it_may_be_there(self) -> None:
        pieces = (product("wine", "", "port"), pot("jus", "wine"), product("leek"))
        soup = pot("soup", "leek")
        uses = [Use("chinois", "jus"), Use("chinois", "soup")]
        found = day_reading(reading(*pieces, soup), uses).suitability("soup")["kosher"]
        self.assertEqual(found.because[0].level, Level.MAY_CONTAIN)
        self.assertEqual(found.because[0].products, ("jus",))

    def test_what_is_certified_stays_certified_through_a_tool(self) -> None:
        leaf = product("leaf", "gelatine fish", "gelatine", certificates=("halal", "kosher"))
        pieces = (leaf, pot("jelly", "leaf"), product("leek"), pot("soup", "leek"))
        uses = [Use("chinois", "jelly"), Use("chinois", "soup")]
        day = day_reading(reading(*pieces), uses)
        self.assertEqual(day.level("soup", "gelatine"), Level.MAY_CONTAIN)
        for diet in ("halal", "kosher"):
            self.assertEqual(day.verdict("soup", diet), "suits", diet)


class Oats(unittest.TestCase):
    def test_certified_oats_are_gluten_free_and_other_oats_are_not(self) -> None:
        oats = product("oats", "oats", certificates=("gluten_free",))
        self.assertEqual(suits("gluten_free", oats, pot("soup", "oats")).verdict, "suits")
        found = suits("gluten_free", product("oats", "oats"), pot("soup", "oats"))
        self.assertEqual(found.verdict, "does_not_suit")
        self.assertEqual(found.because[0].certificate, "gluten_free")


class MeatWithMilk(unittest.TestCase):
    LAMB = product("lamb", "lamb", certificates=("kosher",))

    def kosher(self, milk: Product, *more: Preparation) -> Suitability:
        return suits("kosher", self.LAMB, milk, *(more or (pot("soup", "lamb", milk.id),)))

    def test_each_alone_suits_and_both_together_do_not(self) -> None:
        butter = product("butter", "milk")
        for alone in ("lamb", "butter"):
            self.assertEqual(self.kosher(butter, pot("soup", alone)).verdict, "suits")
        found = self.kosher(butter)
        self.assertEqual(found.verdict, Verdict.DOES_NOT_SUIT)
        self.assertEqual({reason.flag for reason in found.because}, {"lamb", "milk"})

    def test_they_meet_over_several_steps(self) -> None:
        found = self.kosher(
            product("butter", "milk"),
            pot("stock", "lamb", by="dripping"),
            pot("crumbs", "stock/dripping"),
            pot("sauce", "butter"),
            pot("soup", "sauce", "crumbs"),
        )
        self.assertEqual(found.verdict, Verdict.DOES_NOT_SUIT)

    def test_milk_that_is_not_sure_is_asked_about(self) -> None:
        for milk in (product("jar", unchecked="milk"), product("jar", may="milk")):
            self.assertEqual(self.kosher(milk).verdict, "ask")


class Reasons(unittest.TestCase):
    def test_the_surest_stand_first_with_what_gives_them(self) -> None:
        found = suits(
            "vegetarian",
            product("cheese", "milk", unchecked="animal_rennet"),
            product("hen", "poultry"),
            pot("soup", "cheese", "hen"),
        )
        self.assertEqual(
            found.because,
            (
                Reason("poultry", Level.CONTAINS, ("hen",)),
                Reason("animal_rennet", Level.UNCHECKED, ("cheese",)),
            ),
        )

    def test_nothing_stands_behind_suits(self) -> None:
        self.assertEqual(suits("vegan", product("leek"), pot("soup", "leek")).because, ())

    def test_a_jar_without_a_label_is_asked_about_by_every_diet(self) -> None:
        carried = reading(product("jar", otherwise=OPEN), pot("soup", "jar"))
        self.assertEqual(set(carried.verdicts("soup").values()), {Verdict.ASK})
