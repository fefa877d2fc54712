"""A recipe while it is read out of a text."""

import re
from dataclasses import dataclass, field

from yellow_ladle.core.recipes.recipe import UNNAMED, Recipe, RecipeLine, RecipeStep
from yellow_ladle.core.recipes.recipe_words import beginning
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.yield_text import Told


@dataclass
class RecipeDraft:
    """What was found so far. `said` is what stood before the ingredients and was none of them."""

    name: str = ""
    told: Told | None = None
    lines: list[RecipeLine] = field(default_factory=list)
    steps: list[RecipeStep] = field(default_factory=list)
    level: int = 0
    said: list[str] = field(default_factory=list)

    @property
    def is_empty(self) -> bool:
        """Whether neither an ingredient nor a step was found."""
        return not self.lines and not self.steps

    def recipe(self) -> Recipe:
        """The recipe as it stands."""
        # Of a text that is only told, without any list, what is told are the steps.
        # Beside a list, what tells an amount is: "The day before, soak 500 g salt cod."
        only_told = self.is_empty
        told = [text for text in self.said if text and (only_told or _must_be_kept(text))]
        steps = [RecipeStep(text, minutes_of_step(text)) for text in told]
        return Recipe(
            (self.name or UNNAMED)[:200],
            tuple(self.lines),
            (*steps, *self.steps),
            "" if self.told is None else self.told.text,
            portions=None if self.told is None else self.told.portions,
            yield_=None if self.told is None else self.told.yield_,
        )


def _must_be_kept(text: str) -> bool:
    """Whether a text heats an oven or names so much of something, whatever else it is."""
    if beginning("verbs", "ovens").match(text) is not None:
        return True
    measured = re.search(r"\d\s?(?:g|kg|ml|l|cl|oz|lb|tsp|tbsp|cups?|el|tl)\b", text, re.I)
    return measured is not None or len(re.findall(r"\d+ [^\W\d]{3}", text)) > 2
