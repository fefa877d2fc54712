"""Products as kitchens have them: makers, parts, certificates that run out, and running bags."""

import unittest
from dataclasses import replace

from tests.kitchens import FREE, FULL, MAY, OPEN, book, levels, line, pot, product, reading
from yellow_ladle.core.book.maker import Maker, Paper
from yellow_ladle.core.book.product import Bag, Part
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.impact.impact import impact_of
from yellow_ladle.core.larder.bag import NoBag, added, emptied
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.texts import verdict_sentence
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.vocabulary.diets import diets

DAY = "2026-11-24"


def faults_of(before: Reading, *products: object) -> list[str]:
    change = Change(products=products)  # type: ignore[arg-type]
    after = replace(
        before.book,
        products={**before.book.products, **{p.id: p for p in change.products}},
    )
    return [str(fault) for fault in change_faults(after, change)]


class Makers(unittest.TestCase):
    TWO = (
        Maker("mill", "Gannet Mill", levels("wheat", may="soy"), FREE),
        Maker("bay", "Bay Stores", levels("wheat barley"), FREE),
    )

    def test_the_product_carries_the_highest_over_all_makers(self) -> None:
        found = reading(product("flour", makers=self.TWO), pot("roux", "flour"))
        self.assertEqual(found.levels("roux"), levels("wheat barley", may="soy"))

    def test_a_maker_whose_label_nobody_read_leaves_everything_unchecked(self) -> None:
        unread = Maker("new", "New maker")
        found = reading(product("flour", makers=(*self.TWO, unread)), pot("roux", "flour"))
        self.assertEqual(found.level("roux", "egg"), OPEN)
        self.assertEqual(found.level("roux", "wheat"), FULL)

    def test_the_maker_in_use_alone_counts_and_the_switch_has_its_impact(self) -> None:
        flour = product("flour", makers=self.TWO)
        before = reading(flour, pot("roux", "flour"), pot("pie", "roux", kind="dish"))
        _, found = impact_of(before, Change(products=(replace(flour, in_use="mill"),)))
        self.assertEqual(found.sentence(), "Changes 1 pot, 1 plate: Roux, Pie.")
        gone = {flag.flag: flag.after for flag in found.items[0].flags}
        self.assertEqual(gone, {"barley": FREE})

    def test_what_is_stated_of_the_product_itself_only_raises(self) -> None:
        flour = product("flour", "sesame", makers=self.TWO, otherwise=OPEN)
        self.assertEqual(
            reading(flour, pot("roux", "flour")).levels("roux"),
            levels("wheat barley sesame", may="soy"),
        )

    def test_faults(self) -> None:
        before = reading(product("flour"))
        twice = product("flour", makers=(self.TWO[0], self.TWO[0]), in_use="nobody")
        self.assertEqual(
            faults_of(before, twice),
            [
                'flour.makers[1].id: the maker "mill" is here twice',
                'flour.in_use: no maker "nobody"',
            ],
        )


class Parts(unittest.TestCase):
    SALT = product("celery-salt", "celery")
    PASTE = product("paste", parts=(Part("celery-salt", 40), Part("oil", 60)))

    def test_a_compound_product_carries_its_parts_by_a_way_through_it(self) -> None:
        found = reading(self.SALT, product("oil"), self.PASTE, pot("soup", "paste"))
        [source] = found.sources("soup")["celery"]
        self.assertEqual((source.product, source.via), ("celery-salt", ("soup", "paste")))
        self.assertEqual(found.levels("paste"), levels("celery"))

    def test_a_parts_label_reaches_the_plates(self) -> None:
        before = reading(self.SALT, product("oil"), self.PASTE, pot("soup", "paste"))
        change = Change(products=(product("oil", may="sesame"),))
        self.assertEqual(reread(before, change).reading.level("soup", "sesame"), MAY)

    def test_parts_that_do_not_hold_together(self) -> None:
        before = reading(self.SALT, product("oil"), self.PASTE)
        looped = product("oil", parts=(Part("paste"),))
        self.assertIn("cannot go into itself: Oil → Paste → Oil", faults_of(before, looped)[0])
        odd = product("paste", parts=(Part("oill", 60), Part("oil", 60)))
        found = faults_of(before, odd)
        self.assertIn('no product "oill"; did you mean "oil"?', found[0])
        self.assertIn("come to 120 %", found[1])

    def test_a_part_cannot_be_taken_away_while_it_is_in_use(self) -> None:
        before = reading(self.SALT, product("oil"), self.PASTE)
        after = replace(before.book, products={"paste": self.PASTE, "oil": product("oil")})
        [fault] = change_faults(after, Change(removed=("celery-salt",)))
        self.assertEqual(str(fault), 'paste.contents: "celery-salt" is still in Paste')


class Certificates(unittest.TestCase):
    def lamb(self, expires: str | None) -> object:
        papers = {"halal": Paper("H-12", expires)}
        return product("lamb", "lamb", certificates=("halal",), papers=papers)

    def verdict(self, expires: str | None, on: str) -> Verdict:
        return read(book(self.lamb(expires), pot("stew", "lamb")), on).verdict("stew", "halal")  # type: ignore[arg-type]

    def test_one_that_has_run_out_stops_counting(self) -> None:
        self.assertEqual(self.verdict("2026-12-01", DAY), Verdict.SUITS)
        self.assertEqual(self.verdict(DAY, DAY), Verdict.SUITS)
        self.assertEqual(self.verdict("2026-11-23", DAY), Verdict.DOES_NOT_SUIT)
        self.assertEqual(self.verdict(None, DAY), Verdict.SUITS)

    def test_the_verdict_says_that_it_has_run_out(self) -> None:
        kept = book(self.lamb("2026-10-31"), pot("stew", "lamb"))  # type: ignore[arg-type]
        found = read(kept, DAY)
        fit = found.suitability("stew")["halal"]
        self.assertEqual(
            verdict_sentence(found, "stew", diets()["halal"], fit),
            "Does not suit halal: Lamb, whose halal certificate ran out on 2026-10-31.",
        )

    def test_the_reason_names_who_lacks_it(self) -> None:
        makers = (
            Maker("a", "A", levels("lamb"), FREE, ("halal",)),
            Maker("b", "B", levels("lamb"), FREE),
        )
        found = reading(product("lamb", makers=makers), pot("stew", "lamb"))
        [reason] = found.suitability("stew")["halal"].because
        self.assertEqual((reason.flag, reason.products), ("lamb", ("lamb",)))


class RunningBag(unittest.TestCase):
    def setUp(self) -> None:
        self.bag = product("shells", bag=Bag(), otherwise=OPEN)
        self.start = reading(
            self.bag,
            product("prawns", "crustacean"),
            product("cod", "fish"),
            pot("poach", "cod", by="skin"),
            pot("stock", "shells", kind="stock"),
        )

    def put(self, before: Reading, item: str) -> Reading:
        change = Change(products=(added(before, "shells", item, DAY, "NB"),))
        return reread(before, change).reading

    def emptied(self, before: Reading, washed: bool) -> Reading:
        change = Change(products=(emptied(before, "shells", DAY, "NB", washed=washed),))
        return reread(before, change).reading

    def test_it_carries_the_union_of_all_that_went_in(self) -> None:
        clean = self.emptied(self.start, washed=True)
        self.assertEqual(clean.levels("stock"), {})
        full = self.put(self.put(clean, "prawns"), "poach/skin")
        self.assertEqual(full.levels("stock"), levels("crustacean fish"))
        ways = [source.via for source in full.sources("stock")["fish"]]
        self.assertIn(("stock", "shells", "poach/skin"), ways)

    def test_nobody_knows_what_is_in_it_before_it_was_first_washed(self) -> None:
        self.assertEqual(self.put(self.start, "prawns").level("stock", "milk"), OPEN)

    def test_what_lies_in_it_stays_when_the_card_changes(self) -> None:
        full = self.put(self.emptied(self.start, washed=True), "poach")
        bare = replace(full.book.preparations["poach"], lines=(line("prawns"),))
        later = reread(full, Change(preparations=(bare,))).reading
        self.assertEqual(later.levels("stock"), levels("fish crustacean"))
        self.assertEqual(dict(later.masks), dict(read(later.book).masks))

    def test_emptied_and_not_washed_it_still_carries(self) -> None:
        full = self.put(self.emptied(self.start, washed=True), "prawns")
        poured = self.emptied(full, washed=False)
        self.assertEqual(poured.levels("stock"), levels("crustacean"))
        self.assertEqual(poured.book.products["shells"].bag.emptied, DAY)  # type: ignore[union-attr]
        self.assertEqual(self.emptied(full, washed=True).levels("stock"), {})

    def test_what_it_goes_into_can_go_into_it(self) -> None:
        full = self.put(self.emptied(self.start, washed=True), "prawns")
        looped = added(full, "shells", "stock", DAY, None)
        self.assertFalse(looped.bag.additions[-1].live)  # type: ignore[union-attr]
        self.assertEqual(faults_of(full, looped), [])
        self.assertEqual(
            reread(full, Change(products=(looped,))).reading.levels("stock"), levels("crustacean")
        )

    def test_certified_meat_stays_certified_in_the_bag(self) -> None:
        lamb = product("lamb", "lamb", certificates=("halal", "kosher"))
        before = reading(
            product("bones", bag=Bag(), otherwise=FREE),
            lamb,
            pot("stock", "bones"),
            pot("x", "lamb"),
        )
        full = reread(before, Change(products=(added(before, "bones", "x", DAY, None),))).reading
        self.assertEqual(full.verdict("stock", "halal"), Verdict.SUITS)
        plain = reread(full, Change(products=(product("lamb", "lamb"),))).reading
        self.assertEqual(plain.verdict("stock", "halal"), Verdict.DOES_NOT_SUIT)

    def test_only_a_bag_can_be_filled(self) -> None:
        with self.assertRaises(NoBag):
            added(self.start, "cod", "prawns", DAY, None)
