"""What was made of a text with an amount in it, and what is asked where that is not clear."""

from dataclasses import dataclass

UNSURE = 'What is meant by "{text}"? Type it as a number and a unit: 250 g, 1 1/2 cups.'
SIZELESS = "How much is in one {what}? Type it with its size: 2 x 400 g."
UNREAD = 'No amount could be read in "{text}". Type it as a number and a unit: 250 g, 1 1/2 cups.'


@dataclass(frozen=True, slots=True)
class Understood:
    """What was made of a text.

    `quantity` is in `unit`; of a range it is the middle, between `low` and `high`. `unit` is
    `piece` where things are counted by their name, and both are None where no amount was found.
    `item` is what stands after the amount, `note` what stands after its comma or in brackets.
    `approximate` marks "about", ranges and measures of the hand; `question` is empty where nothing
    is to be asked; while it stands, there is no quantity and no unit.
    """

    text: str
    quantity: float | None = None
    unit: str | None = None
    low: float | None = None
    high: float | None = None
    item: str = ""
    note: str = ""
    approximate: bool = False
    question: str = ""


def question_of(found: Understood) -> str:
    """What is to be asked of a text that has to be an amount; `to taste` needs none."""
    if found.question or found.quantity is not None or found.note:
        return found.question
    return UNREAD.format(text=found.text[:60])
