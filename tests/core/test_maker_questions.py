"""What only makers can answer, one list a maker."""

from unittest import TestCase

from tests.kitchens import FREE, levels, pot, product, reading
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.larder.maker_questions import NOT_NAMED, letter, maker_questions
from yellow_ladle.core.vocabulary.gs1_elements import doubt_about

LABEL = "Tomatoes, flavouring, salt."


class Lists(TestCase):
    def test_each_maker_has_its_own_and_the_letter_names_what_is_open(self) -> None:
        open_ = levels(unchecked="celery mustard")
        makers = (Maker("gull", "Gull", open_, FREE, label=LABEL, code="96385074"),)
        sauce = product("sauce", "", "ketchup", makers=makers)
        jar = product("jar", "", "ketchup", unchecked="celery", label=LABEL)
        before = reading(sauce, jar, pot("plate", "sauce", "jar", kind="dish"))
        found = maker_questions(before)
        self.assertEqual(set(found), {"Gull", NOT_NAMED})
        self.assertEqual(found["Gull"][0].flags, ("celery", "mustard"))
        self.assertEqual(found["Gull"][0].plates, ("plate",))
        text = letter(before, "Gull", found["Gull"])
        self.assertIn("Sauce (bar code 96385074)", text)
        self.assertIn("Does it contain celery and mustard?", text)
        self.assertIn("asks the maker", letter(before, NOT_NAMED, found[NOT_NAMED]))

    def test_a_check_digit_that_does_not_fit_is_doubted(self) -> None:
        self.assertEqual(doubt_about("96385074"), "")
        self.assertIn("does not fit", doubt_about("96385075"))
        self.assertIn("no number", doubt_about("x"))
