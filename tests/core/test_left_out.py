"""Steps rebuilt around what is left out of them."""

import re
import unittest

from hypothesis import given
from hypothesis import strategies as st

from yellow_ladle.core.cards.left_out import without_left_out, without_void

STAYS = ("ghee", "stock", "milk", "flour", "vegetables", "dripping", "ginger", "water", "bay")
STEPS = {
    "Simmer soy sauce, sugar, ginger, (leave out the garlic) and water.": (
        "Simmer soy sauce, sugar, ginger and water."
    ),
    "Fry the chillies, nuts, bread, (leave out the onions), (leave out the garlic).": (
        "Fry the chillies, nuts, bread."
    ),
    "Warm the milk with (leave out the onion) and bay, let it stand.": (
        "Warm the milk with bay, let it stand."
    ),
    "Warm the milk with bay and (leave out the onion), let it stand.": (
        "Warm the milk with bay, let it stand."
    ),
    "Carrot, leek and (leave out the celery) in, simmer.": "Carrot and leek in, simmer.",
    "(Leave out the shallots) and stock: reduce until nearly dry.": (
        "Stock: reduce until nearly dry."
    ),
    "Rinse the bones; (leave out the shallot), fennel and bones in a wide pan.": (
        "Rinse the bones; fennel and bones in a wide pan."
    ),
    "Butter the dish, (leave out the shallots), fish and stock; poach.": (
        "Butter the dish, fish and stock; poach."
    ),
    "(Leave out the bacon) and vegetables in the oil until soft.": (
        "Vegetables in the oil until soft."
    ),
    "(Leave out the onions) in the ghee until gold; ginger and spices.": (
        "Warm the ghee; ginger and spices."
    ),
    "Simmer (leave out the pork) in the chicken stock with ginger.": (
        "Simmer the chicken stock with ginger."
    ),
    "Stock on, whisk, simmer, (leave out the powder) in for colour, strain.": (
        "Stock on, whisk, simmer, strain."
    ),
    "Melt (leave out the butter), stir.": "Stir.",
    "Add the milk to (leave out the roux).": "Add the milk.",
    "Render (leave out the bacon), vegetables in it until soft.": "Vegetables until soft.",
    "Lid on, (leave out the egg wash) over it.": "Lid on.",
    "Reduce (leave out the stock) by two thirds.": "",
    "Reduce (leave out the stock) by two thirds. Whisk.": "Whisk.",
    "Whisk. Reduce (leave out the wine) by two thirds.": "Whisk.",
    "Bones in a pan with (leave out the wine), let it come up.": "Bones in a pan, let it come up.",
    "Mustard in off the boil.": "Mustard in off the boil.",
    "Brown the mince, dust with (leave out the flour), pour on the stock.": (
        "Brown the mince, pour on the stock."
    ),
    "Flour in; (leave out the ale) and stock, thyme.": "Flour in; stock, thyme.",
    "Sweat (leave out the leeks).": "",
    "Lid on, (leave out the egg wash) if it is pastry, a hole for the steam.": (
        "Lid on, a hole for the steam."
    ),
    "(Leave out the yolks) loosened with a ladle of it, stirred back in; never a boil.": (
        "Never a boil."
    ),
    "(Leave out the yolks) loosened with milk, stirred back in; never a boil.": (
        "Milk in, stirred back in; never a boil."
    ),
    "(Leave out the crumbs) where the guest likes them.": "",
    "Dust the vegetables with the (leave out the flour) and brown them, stock on.": (
        "Brown the vegetables, stock on."
    ),
    "Toss the vegetables in (leave out the butter) and warm them.": "Warm the vegetables.",
    "Dust it with (leave out the sugar) and flour.": "Dust it with flour.",
    "Heat milk and (leave out the cream), pour onto the yolks.": "Heat milk, pour onto the yolks.",
    "Serve with (leave out the bread) and cheese.": "Serve with cheese.",
    "Serve with (leave out the bread).": "",
}


def stays(words: str) -> bool:
    return any(word in words.lower() for word in STAYS)


class LeftOut(unittest.TestCase):
    def test_the_sentence_is_rebuilt_or_goes(self) -> None:
        for step, wanted in STEPS.items():
            with self.subTest(step):
                self.assertEqual(without_left_out(step, stays), wanted)

    def test_what_stays_in_the_pot_is_never_lost(self) -> None:
        for step in STEPS:
            told = without_left_out(step, stays).lower()
            for word in STAYS:
                if word in re.sub(r"\(leave out [^)]*\)", "", step.lower()):
                    self.assertIn(word, told, step)

    def test_what_does_not_hold_for_the_new_thing_goes(self) -> None:
        steps = {
            "Soak the agar; warm the milk.": "Warm the milk.",
            "Soak the agar and warm the milk.": "Soak the agar and warm the milk.",
            "Whisk with the milk over warm water until they ribbon, cool.": (
                "Whisk with the milk, cool."
            ),
            "Melt the agar in.": "Melt the agar in.",
        }
        for step, wanted in steps.items():
            told = without_void(step, "agar", ("soak", "over warm", "ribbon"), stays)
            self.assertEqual(told, wanted)

    @given(
        st.lists(
            st.sampled_from(("ginger", "bay", "GAP", "water", "milk")), min_size=1, max_size=5
        ),
        st.sampled_from(
            ("Simmer {}.", "{} in the stock until soft; strain.", "Cook with {}, stir.")
        ),
    )
    def test_no_list_loses_what_stays(self, items: list[str], frame: str) -> None:
        gaps = ["(leave out the onion)" if item == "GAP" else item for item in items]
        listed = ", ".join(gaps[:-1]) + (" and " if len(gaps) > 1 else "") + gaps[-1]
        told = without_left_out(frame.format(listed), stays)
        for word in STAYS:
            expected = items.count(word) + frame.count(word)
            self.assertGreaterEqual(told.lower().count(word), min(expected, 1), told)


if __name__ == "__main__":
    unittest.main()
