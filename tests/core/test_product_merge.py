"""Two people on one product: nothing that either recorded is lost, and the safer level stands."""

import unittest
from dataclasses import replace
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from yellow_ladle.core.book.maker import Evidence, Maker, Paper
from yellow_ladle.core.book.product import Addition, Bag, Part, Product
from yellow_ladle.core.larder.product_merge import merged_product
from yellow_ladle.core.vocabulary.levels import Level

FLAGS = ("milk", "egg", "soy")
KINDS = ("halal", "kosher")
STATEMENTS = st.dictionaries(st.sampled_from(FLAGS), st.sampled_from(Level), max_size=3)
OTHERWISE = st.sampled_from((Level.FREE, Level.UNCHECKED))
CERTIFICATES = st.sets(st.sampled_from(KINDS)).map(lambda kinds: tuple(sorted(kinds)))


@st.composite
def labels(draw: st.DrawFn) -> dict[str, Any]:
    certificates = draw(CERTIFICATES)
    numbers = st.sampled_from(("", "12", "34"))
    return {
        "statements": draw(STATEMENTS),
        "otherwise": draw(OTHERWISE),
        "certificates": certificates,
        "papers": {kind: Paper(draw(numbers), None) for kind in certificates},
        "label": draw(st.sampled_from(("", "Milk.", "Egg."))),
    }


@st.composite
def makers(draw: st.DrawFn) -> tuple[Maker, ...]:
    ids = draw(st.sets(st.sampled_from(("dale", "moor", "fell"))))
    return tuple(Maker(id, id.title(), **draw(labels())) for id in sorted(ids))


@st.composite
def products(draw: st.DrawFn) -> Product:
    given = draw(makers())
    in_use = draw(st.sampled_from((None, *(maker.id for maker in given))))
    parts = draw(st.sets(st.sampled_from(("salt", "oil"))))
    put_in = draw(st.sets(st.sampled_from(("leek", "hen", "cod"))))
    bag = Bag(tuple(Addition(item, "2026-11-01") for item in sorted(put_in)))
    return Product(
        "jar",
        draw(st.sampled_from(("Jar", "Tub"))),
        draw(st.sampled_from((None, "cream"))),
        makers=given,
        in_use=in_use,
        parts=tuple(Part(part) for part in sorted(parts)),
        bag=draw(st.sampled_from((None, bag))),
        abv_percent=draw(st.sampled_from((None, 0.0, 12.0))),
        **draw(labels()),
    )


def by_id(product: Product) -> dict[str, Maker]:
    return {maker.id: maker for maker in product.makers}


class Merging(unittest.TestCase):
    @examples(200)
    @given(products(), products())
    def test_what_only_one_changed_stands_as_that_one_has_it(self, a: Product, b: Product) -> None:
        for found in (merged_product(a, a, b), merged_product(a, b, a)):
            self.assertEqual(found.conflicts, ())
            made = found.product
            self.assertEqual(by_id(made), by_id(b))
            self.assertEqual({part.product for part in made.parts}, {p.product for p in b.parts})
            rest = {"makers": (), "parts": (), "evidence": {}}
            self.assertEqual(replace(made, **rest), replace(b, **rest))

    @examples(200)
    @given(products(), products(), products())
    def test_of_two_levels_the_higher_stands(self, a: Product, b: Product, c: Product) -> None:
        made = merged_product(a, b, c).product
        for flag in FLAGS:
            was, here, there, found = (each.statements.get(flag) for each in (a, b, c, made))
            if here == was:
                self.assertEqual(found, there)
            elif there in (was, here):
                self.assertEqual(found, here)
            else:
                known = [level for level in (here, there) if level is not None]
                self.assertEqual(found, max(known))
        if a.otherwise is Level.FREE and Level.UNCHECKED in (b.otherwise, c.otherwise):
            self.assertIs(made.otherwise, Level.UNCHECKED)

    @examples(200)
    @given(products(), products(), products())
    def test_withdrawn_is_gone_and_added_is_there(self, a: Product, b: Product, c: Product) -> None:
        made = merged_product(a, b, c).product
        for kind in KINDS:
            had, mine, theirs = (kind in each.certificates for each in (a, b, c))
            if had and not (mine and theirs):
                self.assertNotIn(kind, made.certificates, "a withdrawn certificate came back")
            if not had and (mine or theirs):
                self.assertIn(kind, made.certificates)
        self.assertLessEqual(set(made.papers), set(made.certificates))
        for each in (b, c):
            new = by_id(each).keys() - by_id(a).keys()
            self.assertLessEqual(new, by_id(made).keys(), "a new maker was dropped")
        if made.in_use is not None:
            self.assertIn(made.in_use, by_id(made))

    @examples(200)
    @given(products(), products(), products())
    def test_nothing_that_was_put_into_the_bag_is_lost(
        self, a: Product, b: Product, c: Product
    ) -> None:
        bags = [each.bag or Bag() for each in (a, b, c)]
        made = merged_product(a, b, c).product.bag
        was, mine, theirs = ({entry.item for entry in bag.additions} for bag in bags)
        if made is not None and b.bag is not None and c.bag is not None:
            found = {entry.item for entry in made.additions}
            self.assertEqual(found, (was & mine & theirs) | (mine - was) | (theirs - was))

    def test_conflicts_are_told_in_words(self) -> None:
        evidence = {"milk": Evidence("label", "2026-11-02", "AB")}
        base = Product("jar", "Jar", statements={"milk": Level.FREE}, label="Milk.")
        mine = replace(base, statements={"milk": Level.MAY_CONTAIN}, label="Egg.")
        theirs = replace(base, statements={"milk": Level.CONTAINS}, label="Soy.", evidence=evidence)
        found = merged_product(base, mine, theirs)
        self.assertEqual(
            found.conflicts,
            (
                "Both stated milk: the higher level, contains, was kept.",
                "Both changed text of the label of Jar: yours was kept, theirs was Soy.",
            ),
        )
        self.assertEqual(found.product.evidence, evidence)


if __name__ == "__main__":
    unittest.main()
