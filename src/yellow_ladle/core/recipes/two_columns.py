"""Ingredients that are printed in two columns, put beneath each other: the left column first."""

import re
from itertools import groupby

from yellow_ladle.core.recipes.ingredient_text import understood_line

MIN_ROWS = 2
"""Rows with an ingredient on either side from which on a list is in two columns."""
MIN_GAP = 3
"""Blanks between two columns; a tab is as good."""
# The whole run of blanks at once: a pattern that tells tabs apart takes the square of their number.
_BLANKS = re.compile(r"(?<=\S)[^\S\n]+(?=\S)")


def in_one_column(text: str) -> str:
    """A text whose lists in two columns are lists in one; every other line stays as it is."""
    found: list[str] = []
    for blank, block in groupby(text.split("\n"), key=lambda line: not line.strip()):
        lines = list(block)
        found += lines if blank else _of_block(lines)
    return "\n".join(found)


def _of_block(lines: list[str]) -> list[str]:
    rows = [_halves(line) for line in lines]
    if sum(row is not None for row in rows) < MIN_ROWS:
        return lines
    first = next(n for n, row in enumerate(rows) if row is not None)
    last = max(n for n, row in enumerate(rows) if row is not None)
    # The longer column goes on beneath the last row that has both.
    while last + 1 < len(lines) and _is_ingredient(lines[last + 1]):
        last += 1
    left: list[str] = []
    right: list[str] = []
    column = min(row[1] for row in rows if row is not None)
    for line, row in zip(lines[first : last + 1], rows[first : last + 1], strict=True):
        if row is not None:
            left.append(line[: row[0]].rstrip())
            right.append(line[row[1] :])
        elif len(line) - len(line.lstrip()) >= column // 2 > 0:
            right.append(line.strip())
        else:
            left.append(line)
    return [*lines[:first], *left, *right, *lines[last + 1 :]]


def _halves(line: str) -> tuple[int, int] | None:
    """Where the left half of a row ends and the right one begins; None where it is no such row."""
    blanks = _BLANKS.finditer(line)
    gaps = [gap for gap in blanks if "\t" in gap[0] or len(gap[0]) >= MIN_GAP]
    if len(gaps) != 1:
        return None
    [gap] = gaps
    if _is_ingredient(line[: gap.start()]) and _is_ingredient(line[gap.end() :]):
        return gap.start(), gap.end()
    return None


def _is_ingredient(half: str) -> bool:
    read = understood_line(half.strip())
    return read.quantity is not None and any(letter.isalpha() for letter in read.item)
