"""What a guest can have: strictness decides what counts, and unknown is never free."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import pot, product, reading
from tests.random_books import FLAGS, books
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.need import STRICTNESS, Strictness
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.swaps.menu.guest_answer import guest_answers, plans_for
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.demo.kitchen import demo_book

ORDER = ("as_it_is", "ask", "change")
LOOSER = tuple(word for word in STRICTNESS if word != "coeliac")
"""Of these none minds more flags than an allergy; coeliac adds the cereals."""


def kitchen() -> Reading:
    goods = (
        product("paste", "mustard"),
        product("mix", may="mustard"),
        product("jar", unchecked="mustard"),
        product("carrot"),
    )
    plates = [pot(f"{thing.id}-plate", thing.id, kind="dish") for thing in goods]
    return reading(*goods, *plates)


class Table(unittest.TestCase):
    def test_each_strictness_counts_what_it_minds(self) -> None:
        wanted = {
            "allergy": ("change", "ask", "ask", "as_it_is"),
            "coeliac": ("change", "ask", "ask", "as_it_is"),
            "intolerance": ("change", "ask", "as_it_is", "as_it_is"),
            "belief": ("change", "ask", "as_it_is", "as_it_is"),
            "taste": ("change", "as_it_is", "as_it_is", "as_it_is"),
        }
        for strictness in STRICTNESS:
            answers = guest_answers(kitchen(), Goals(("mustard",)), strictness)
            found = {answer.plate: answer.serving for answer in answers}
            plates = ("paste-plate", "jar-plate", "mix-plate", "carrot-plate")
            self.assertEqual(tuple(found[p] for p in plates), wanted[strictness], strictness)

    def test_a_coeliac_guest_minds_every_cereal_with_gluten(self) -> None:
        carried = reading(product("ale", "barley"), pot("stew", "ale", kind="dish"))
        [stew] = guest_answers(carried, Goals(("wheat",)), "coeliac")
        self.assertEqual((stew.serving, [*stew.because]), ("change", ["barley"]))

    @examples(60)
    @given(books(), st.sampled_from(FLAGS), st.sampled_from(LOOSER))
    def test_the_stricter_is_never_answered_more_kindly(
        self, book: Book, flag: str, strictness: Strictness
    ) -> None:
        carried, goals = read(book), Goals((flag,))
        loose = {a.plate: a.serving for a in guest_answers(carried, goals, strictness)}
        for answer in guest_answers(carried, goals, "allergy"):
            self.assertGreaterEqual(ORDER.index(answer.serving), ORDER.index(loose[answer.plate]))
            if answer.serving == "as_it_is":
                self.assertTrue(goals.met(carried, answer.plate))

    def test_a_plan_that_is_named_meets_what_the_guest_needs(self) -> None:
        carried, goals = read(demo_book()), Goals(("milk",))
        answers = guest_answers(carried, goals, "allergy")
        change = [answer.plate for answer in answers if answer.serving == "change"]
        found = dict(plans_for(carried, change[:3], goals, "allergy", 60.0))
        self.assertEqual([*found], change[:3])
        for plate, plan in found.items():
            if plan is not None:
                self.assertTrue(plan.meets and goals.met(plan.after, plate))
        self.assertEqual(list(plans_for(carried, change, goals, "allergy", -1.0)), [])


if __name__ == "__main__":
    unittest.main()
