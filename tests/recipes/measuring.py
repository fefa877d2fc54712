"""How much of the recipe texts a reader finds, against what stands beside them."""

import tomllib
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from yellow_ladle.core.amounts.understood import Understood
from yellow_ladle.core.recipes.ingredient_text import understood_line
from yellow_ladle.core.recipes.recipe import Recipe
from yellow_ladle.core.recipes.text_reader import text_recipes

HERE = Path(__file__).parent


@dataclass
class Counted:
    """What was found of what there is. `silent` are amounts read wrongly without a question."""

    lines: int = 0
    lines_found: int = 0
    amounts: int = 0
    amounts_right: int = 0
    steps: int = 0
    steps_in_order: int = 0
    recipes: int = 0
    recipes_found: int = 0
    silent: list[str] = field(default_factory=list)
    faults: list[str] = field(default_factory=list)

    def share(self, found: int, whole: int) -> float:
        return 100 * found / whole if whole else 100.0

    @property
    def told(self) -> str:
        """The shares in one line."""
        return (
            f"lines found {self.share(self.lines_found, self.lines):.1f} % of {self.lines}, "
            f"amounts right {self.share(self.amounts_right, self.amounts):.1f} %, "
            f"steps in order {self.share(self.steps_in_order, self.steps):.1f} % of {self.steps}, "
            f"recipes {self.recipes_found} of {self.recipes}, "
            f"misread without a question {len(self.silent)}"
        )


def fresh() -> Iterator[dict[str, Any]]:
    """The texts that were written after the reader, set after set."""
    for path in sorted((HERE / "fresh").glob("*.toml"), key=lambda path: int(path.stem)):
        yield from tomllib.loads(path.read_text("utf-8"))["text"]


def texts(*, english: bool, aside: bool) -> Iterator[dict[str, Any]]:
    """The texts of a file, those kept aside or the others."""
    name = "english" if english else "other_languages"
    data = tomllib.loads((HERE / f"{name}.toml").read_text("utf-8"))
    return (text for text in data["text"] if text.get("aside", False) is aside)


def measure(chosen: Iterator[dict[str, Any]]) -> Counted:
    """What the reader finds in some texts."""
    counted = Counted()
    for text in chosen:
        wanted, found = text["recipe"], text_recipes(text["text"])
        counted.recipes += len(wanted)
        names = {recipe.name: recipe for recipe in found}
        counted.recipes_found += sum(recipe["name"] in names for recipe in wanted)
        if [recipe.name for recipe in found] != [recipe["name"] for recipe in wanted]:
            counted.faults.append(f"names: {[recipe.name for recipe in found]}")
        # A recipe whose name was read otherwise is still there, if as many were found.
        places = found if len(found) == len(wanted) else [Recipe("")] * len(wanted)
        for recipe, there in zip(wanted, places, strict=True):
            _compare(counted, recipe, names.get(recipe["name"], there))
    return counted


def _compare(counted: Counted, wanted: dict[str, Any], found: Recipe) -> None:
    place = wanted["name"]
    told = _yield(found)
    if told != (wanted.get("portions"), wanted.get("yield")):
        counted.faults.append(f"{place}: yield {told}")
    left = [(line.text, line.group, understood_line(line.text)) for line in found.lines]
    for expected in wanted["lines"]:
        amount, item, *section = expected.split("|")
        counted.lines += 1
        match = next((entry for entry in left if _is(entry[2], item, amount)), None)
        if match is None or (section and match[1] != section[0]):
            counted.faults.append(f"{place}: no line {expected}")
            if match is None:
                continue
        else:
            counted.lines_found += 1
        left.remove(match)
        counted.amounts += 1
        read = _amount(match[2])
        if read == amount or (amount == "?" and match[2].question):
            counted.amounts_right += 1
        else:
            counted.faults.append(f"{place}: {match[0]!r} read as {read}, is {amount}")
            if not match[2].question:
                counted.silent.append(match[0])
    counted.faults += [f"{place}: nobody wrote the line {text!r}" for text, _, _ in left]
    at = 0
    for expected in wanted["steps"]:
        begins, _, minutes = expected.partition("|")
        counted.steps += 1
        here = next((n for n in range(at, len(found.steps)) if _step(found, n, begins)), None)
        if here is None:
            counted.faults.append(f"{place}: no step {expected}")
            continue
        at, step = here + 1, found.steps[here]
        if step.minutes == (float(minutes) if minutes else None):
            counted.steps_in_order += 1
        else:
            counted.faults.append(f"{place}: {step.text!r} takes {step.minutes}")
    if len(found.steps) > len(wanted["steps"]):
        counted.faults.append(f"{place}: {len(found.steps)} steps")


def _step(found: Recipe, at: int, begins: str) -> bool:
    return found.steps[at].text.startswith(begins)


def _is(read: Understood, item: str, amount: str) -> bool:
    """Whether a line is the one that is looked for; of one that is asked its text is enough."""
    return read.item == item or (amount == "?" and item in read.text)


def _amount(read: Understood) -> str:
    if read.quantity is None:
        return "?" if read.question else "-"
    low = read.quantity if read.low is None else read.low
    high = "" if read.high is None else f"..{read.high:g}"
    return f"{low:g}{high} {read.unit}"


def _yield(found: Recipe) -> tuple[float | None, str | None]:
    made = found.yield_
    return found.portions, None if made is None else f"{made.quantity:g} {made.unit}"
