"""The table of the kinds of changes, against the forms that requests come in."""

import unittest
from typing import get_args

from yellow_ladle.api.cards.change_kinds import CHANGE_KINDS
from yellow_ladle.api.schemas.change_forms import (
    AnyChange,
    MakerAnswers,
    MakerChange,
    PlainFoodChange,
    ProductChange,
    ProductsChange,
    StatementChange,
)


class Table(unittest.TestCase):
    def test_every_form_has_a_row_and_every_row_its_form(self) -> None:
        forms = set(get_args(get_args(AnyChange)[0]))
        self.assertEqual(forms, set(CHANGE_KINDS))
        for form, kind in CHANGE_KINDS.items():
            self.assertIs(kind.form, form)

    def test_what_a_person_states_is_held_against_other_records(self) -> None:
        by_hand = {form for form, kind in CHANGE_KINDS.items() if kind.by_hand}
        stating = {ProductChange, StatementChange, PlainFoodChange, MakerChange, MakerAnswers}
        self.assertEqual(by_hand, stating)
        self.assertNotIn(ProductsChange, by_hand)


if __name__ == "__main__":
    unittest.main()
