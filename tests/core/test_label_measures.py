"""Recall and precision on label texts of our own; the figures are printed."""

import unittest

from tests.labels.measuring import found, labels, measured, spread
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.vocabulary.levels import Level


class Measures(unittest.TestCase):
    def setUp(self) -> None:
        self.labels = labels()
        self.before = [label for label in self.labels if label["written"] == "before"]

    def test_there_are_enough_and_a_third_was_written_before_the_lexicon(self) -> None:
        self.assertGreaterEqual(len(self.labels), 150)
        self.assertGreaterEqual(3 * len(self.before), 150)

    def test_nothing_contained_is_missed_and_little_is_made_up(self) -> None:
        for name, chosen in (("before the lexicon", self.before), ("in all", self.labels)):
            measure = measured(chosen, Level.CONTAINS)
            print(
                f"\nmeasured: {len(chosen)} labels written {name}, contains: recall"
                f" {100 * measure.recall:.1f} %, precision {100 * measure.precision:.1f} %"
            )
            self.assertEqual(dict(measure.missed), {})
            self.assertGreaterEqual(measure.precision, 0.97)
        for row in measured(self.labels, Level.CONTAINS).rows():
            print(f"measured: {row}")

    def test_precautions_are_found(self) -> None:
        measure = measured(self.labels, Level.MAY_CONTAIN)
        self.assertEqual(dict(measure.missed), {})
        self.assertGreaterEqual(measure.precision, 0.97)

    def test_what_the_label_leaves_open_is_asked(self) -> None:
        for label in self.labels:
            asked = found(label, "auto")[Level.UNCHECKED]
            self.assertLessEqual(spread(label.get("unchecked", [])), asked, label["text"])

    def test_told_the_language_it_finds_the_same(self) -> None:
        for label in self.labels:
            told = found(label, label["lang"])[Level.CONTAINS]
            self.assertLessEqual(spread(label.get("contains", [])), told, label["text"])


class Phrases(unittest.TestCase):
    """Negations, exceptions and damaged words: what is named behind them is not lost."""

    def test_nothing_is_lost_and_little_is_made_up(self) -> None:
        for name in ("phrases", "aside"):
            chosen = labels(name)
            for level in (Level.CONTAINS, Level.MAY_CONTAIN):
                measure = measured(chosen, level)
                print(
                    f"\nmeasured: {len(chosen)} texts of {name}, {level.word}: recall"
                    f" {100 * measure.recall:.1f} %, precision {100 * measure.precision:.1f} %"
                )
                self.assertEqual(dict(measure.missed), {}, name)
                self.assertGreaterEqual(measure.precision, 0.97, name)
            for label in chosen:
                asked = found(label, "auto")[Level.UNCHECKED]
                self.assertLessEqual(spread(label.get("unchecked", [])), asked, label["text"])


class WholeLabels(unittest.TestCase):
    """Most ordinary labels are understood to the last word."""

    def test_four_of_five_are_complete(self) -> None:
        chosen = labels("whole")
        complete = sum(read_label(label["text"]).complete for label in chosen)
        print(f"\nmeasured: {complete} of {len(chosen)} ordinary whole labels are complete")
        self.assertGreaterEqual(complete, 0.8 * len(chosen))
