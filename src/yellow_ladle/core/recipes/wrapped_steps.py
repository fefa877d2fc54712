"""Whether a line goes on with the step before it, in texts whose long lines are wrapped."""

import re

from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.text_structure import TextStructure

_GOES_ON = re.compile(
    r"(?:,|\b(?:and|or|to|the|an?|in|with|for|until|of|und|oder|zu|die|der|den|das|mit|bis|im?n?|et|ou"
    r"|à|le|la|les|de|du|des|avec|y|o|el|los|las|con|hasta|e|il|lo|gli|per|fino))$",
    re.I,
)
MIN_WRAPPED = 60
"""Signs of a line from which on the next one may go on with its sentence."""


def goes_on(page: TextStructure, at: int, step: str) -> bool:
    """Whether a line is the rest of the step before it: wrapped, or unnumbered in a list."""
    line, before = page.lines[at], page.lines[at - 1]
    if line.numbered or line.bulleted or line.after_blank or before.rule:
        return False
    if before.numbered and not before.bare:
        # "Step 2" alone on its line heads what follows.
        return False
    if before.numbered or page.in_numbered_list(at):
        return True
    if before.ends or (line.tells_to_do and not line.starts_small):
        return False
    within = before.bulleted or step[:1].isupper()
    if line.tells_to_do and not within:
        return False
    if line.tells_to_do and before.tells_to_do and not _GOES_ON.search(before.bare):
        return False
    timed = minutes_of_step(line.bare) is not None
    if timed and line.starts_small and not within and not _GOES_ON.search(before.bare):
        # In small letters throughout a line that tells a time is a step of its own.
        return False
    broken = before.bare.endswith(",") or page.fills_its_line(at - 1)
    return (line.starts_small and within and broken) or len(before.text) >= MIN_WRAPPED
