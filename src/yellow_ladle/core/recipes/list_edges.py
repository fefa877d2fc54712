"""Where a list of ingredients ends: lines that are still in it, and blocks that are not.

What is left out of the list carries no flags, so a line that may be an ingredient is one.
"""

from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.text_line import MAX_PART_WORDS
from yellow_ladle.core.recipes.text_structure import TextStructure


def lists_otherwise(page: TextStructure, at: int) -> bool:
    """Whether a block with bullets begins behind ingredients that had none: the steps."""
    line, before = page.lines[at], page.lines[at - 1]
    listed = line.bulleted and line.after_blank and not line.is_measured
    return listed and not before.bulleted and before.section is None and not before.is_head


def is_listed_sentence(page: TextStructure, at: int) -> bool:
    """Whether a line behind an ingredient ends in a stop and is one: `Cream to finish.`

    It names goods, or the ingredient before it ended in a stop as well.
    """
    line, before = page.lines[at], page.lines[at - 1]
    if not line.is_short_sentence:
        return False
    if line.after_blank:
        return line.names_goods and page.stands_alone(at)
    stopped = before.is_measured and before.bare.endswith(".") and before.ends
    return line.names_goods or stopped


def in_capitals(page: TextStructure, at: int) -> bool:
    """Whether a line in capitals is no heading, as the lines on either side are in capitals too."""
    line, before, following = page.lines[at], page.lines[at - 1], page.after(at)
    marked = bool(line.level) or line.bare.endswith(":") or line.begins_as_part
    if marked or line.after_blank or not line.bare.isupper():
        return False
    return before.bare.isupper() and (
        following is None or following.after_blank or following.bare.isupper()
    )


def stands_in_list(page: TextStructure, at: int) -> bool:
    """Whether a line that tells neither what to do nor how long stands between ingredients."""
    line = page.lines[at]
    if line.after_blank or line.numbered or line.ends:
        return False
    if line.tells_to_do and line.words > MAX_PART_WORDS:
        # "Squeeze lemon" is no order where it stands between ingredients.
        return False
    return minutes_of_step(line.bare) is None and page.has_amounts_beneath(at)
