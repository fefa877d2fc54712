"""Plain labels ask little and lose nothing."""

import tomllib
import unittest
from pathlib import Path

from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.vocabulary.levels import Level

PLAIN = Path(__file__).with_name("plain.toml")
MOST_QUESTIONS = 1.5


class Plain(unittest.TestCase):
    def test_they_ask_little_and_lose_nothing(self) -> None:
        labels = tomllib.loads(PLAIN.read_text("utf-8"))["label"]
        asked = 0
        for label in labels:
            read = read_label(label["text"], label["lang"])
            contained = {flag for flag, level in read.levels.items() if level is Level.CONTAINS}
            asked += len(read.questions)
            with self.subTest(label["text"]):
                self.assertLessEqual(set(label["flags"]), contained)
        print(
            f"\nmeasured: {asked / len(labels):.2f} questions on each of {len(labels)} plain labels"
        )
        self.assertEqual(len(labels), 60)
        self.assertLessEqual(asked / len(labels), MOST_QUESTIONS)

    def test_a_sentence_in_capitals_stresses_nothing(self) -> None:
        loud = "INGREDIENTS: WHEAT FLOUR, SALT, ZORBAN. Store in a dry place, away from light."
        read = read_label(loud, "en")
        self.assertFalse([question for question in read.questions if "stresses" in question])
        self.assertIn("ZORBAN", [word.text for word in read.unknown])
        quiet = "Ingredients: sugar, salt, ZORBAN. Store in a dry place, away from light."
        self.assertTrue(
            any("stresses" in question for question in read_label(quiet, "en").questions)
        )


if __name__ == "__main__":
    unittest.main()
