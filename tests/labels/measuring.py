"""How well the label reader does on the label texts of this folder."""

import tomllib
from collections import Counter
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.regimes import regimes

NUTS = ("almond", "hazelnut", "walnut", "cashew", "pecan", "brazil_nut", "pistachio", "macadamia")
GLUTEN = ("wheat", "rye", "barley", "oats")
EU_14 = tuple(flag for group in regimes()["eu-14"].groups for flag in group.flags)
GROUPS = {"nuts": (*NUTS, "pine_nut"), "gluten": GLUTEN, "all14": EU_14}
FOLDER = Path(__file__).parent


@dataclass
class Measure:
    """Counts over flags of labels: rightly found, missed, and found without being there."""

    right: Counter[str] = field(default_factory=Counter)
    missed: Counter[str] = field(default_factory=Counter)
    wrong: Counter[str] = field(default_factory=Counter)

    @property
    def recall(self) -> float:
        return _share(self.right.total(), self.missed.total())

    @property
    def precision(self) -> float:
        return _share(self.right.total(), self.wrong.total())

    def rows(self) -> list[str]:
        """A line a flag: recall and precision, in per cent."""
        flags = [flag.id for flag in shipped_flags()]
        seen = [flag for flag in flags if self.right[flag] + self.missed[flag] + self.wrong[flag]]
        return [
            f"{flag:14}"
            f" recall {100 * _share(self.right[flag], self.missed[flag]):5.1f} %,"
            f" precision {100 * _share(self.right[flag], self.wrong[flag]):5.1f} %"
            f" of {self.right[flag] + self.missed[flag]}"
            for flag in seen
        ]


def labels(name: str = "labels") -> list[dict[str, Any]]:
    """The label texts of a file with their right answers."""
    found = list(tomllib.loads((FOLDER / f"{name}.toml").read_text("utf-8"))["label"])
    for label in found:
        if label.get("may_contain") == ["others14"]:
            named = spread(label.get("contains", []))
            label["may_contain"] = [flag for flag in EU_14 if flag not in named]
    return found


def spread(flags: list[str]) -> set[str]:
    """Flags with the words for groups written out."""
    return {flag for word in flags for flag in GROUPS.get(word, [word])}


def found(label: dict[str, Any], language: str) -> dict[Level, set[str]]:
    """What the reader proposes for a label, by level."""
    by_level: dict[Level, set[str]] = {level: set() for level in Level}
    for flag, level in read_label(label["text"], language).levels.items():
        by_level[level].add(flag)
    return by_level


def measured(chosen: list[dict[str, Any]], level: Level) -> Measure:
    """The counts for one level, `contains` or `may_contain`, over some labels."""
    measure = Measure()
    for label in chosen:
        proposed = found(label, "auto")[level]
        wanted = spread(label.get(level.word, []))
        measure.right.update(proposed & wanted)
        measure.missed.update(wanted - proposed)
        measure.wrong.update(proposed - wanted)
    return measure


def _share(right: int, other: int) -> float:
    return right / (right + other) if right + other else 1.0


def main() -> None:
    every = labels()
    before = [label for label in every if label["written"] == "before"]
    after = [label for label in every if label["written"] == "after"]
    for name, chosen in (("before the lexicon", before), ("after", after), ("all", every)):
        for level in (Level.CONTAINS, Level.MAY_CONTAIN):
            measure = measured(chosen, level)
            print(
                f"{len(chosen)} labels written {name}, {level.word}:"
                f" recall {100 * measure.recall:.1f} %, precision {100 * measure.precision:.1f} %"
            )
    for level in (Level.CONTAINS, Level.MAY_CONTAIN):
        print(f"\n{level.word}, flag by flag")
        print("\n".join(measured(every, level).rows()))


if __name__ == "__main__":
    main()
