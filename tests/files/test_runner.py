"""The test command itself: nothing that failed is counted as passed, nothing skipped is hidden."""

import io
import json
import unittest
from pathlib import Path
from typing import Any

from tests.runner.__main__ import SUITES
from tests.runner.lanes import Lanes, Suite
from tests.runner.outcome import Outcome, Remembered
from tests.runner.worker import Recorder

TESTS = Path(__file__).resolve().parents[1]


class Suites(unittest.TestCase):
    def test_every_test_module_belongs_to_a_suite(self) -> None:
        folders = {path.parent.name for path in TESTS.glob("*/test_*.py")}
        self.assertEqual(folders - {*SUITES}, set())
        self.assertEqual(list(TESTS.glob("test_*.py")), [])


class Mixed(unittest.TestCase):
    """One test of each kind, named so that only the tests below run them."""

    def passes(self) -> None:
        print("measured: one thing")

    def fails(self) -> None:
        self.assertEqual(1, 2)

    def breaks(self) -> None:
        raise KeyError("gone")

    def fails_in_part(self) -> None:
        for number in (1, 2, 3):
            with self.subTest(number=number):
                self.assertNotEqual(number, 2)

    @unittest.skip("not on this machine")
    def skipped(self) -> None:
        raise AssertionError

    @unittest.expectedFailure
    def passes_against_expectation(self) -> None:
        pass


class Unprepared(unittest.TestCase):
    """A class that cannot be set up."""

    @classmethod
    def setUpClass(cls) -> None:
        raise OSError("no disk")

    def never(self) -> None:
        pass


def recorded(*tests: unittest.TestCase) -> list[dict[str, Any]]:
    """What the recorder writes of some tests."""
    answers = io.StringIO()
    recorder = Recorder(answers)
    with recorder.printing():
        unittest.TestSuite(tests).run(recorder)
    return [json.loads(line) for line in answers.getvalue().splitlines()]


class Recording(unittest.TestCase):
    def status(self, name: str) -> tuple[str, str]:
        [answer] = recorded(Mixed(name))
        return answer["status"], answer["output"]

    def test_each_kind_of_end(self) -> None:
        self.assertEqual(self.status("passes"), ("passed", "measured: one thing\n"))
        self.assertEqual(self.status("skipped"), ("skipped", "not on this machine"))
        for name, words in (
            ("fails", "1 != 2"),
            ("breaks", "KeyError: 'gone'"),
            ("fails_in_part", "number=2"),
            ("passes_against_expectation", "expected to fail"),
        ):
            status, output = self.status(name)
            self.assertEqual(status, "failed", name)
            self.assertIn(words, output)

    def test_one_failure_does_not_colour_the_next(self) -> None:
        answers = recorded(Mixed("fails"), Mixed("passes"))
        self.assertEqual([answer["status"] for answer in answers], ["failed", "passed"])

    def test_a_class_that_cannot_be_set_up_has_failed(self) -> None:
        answers = recorded(Unprepared("never"))
        self.assertEqual([answer["status"] for answer in answers], ["failed"])
        self.assertIn("no disk", answers[0]["output"])


class WhatIsRemembered(unittest.TestCase):
    def test_what_was_not_run_stays_failed(self) -> None:
        before = Remembered(("a", "b"))
        outcomes = [Outcome("a", "passed", 1), Outcome("c", "failed", 1)]
        after = Remembered(("b", "c"), True, 7, {"a": 1, "c": 1})
        self.assertEqual(before.after(outcomes, True, 7), after)


class SuitesThatCannotRun(unittest.TestCase):
    def test_a_suite_that_is_not_there_fails_once_and_ends(self) -> None:
        lanes = Lanes([Suite("nowhere", lambda _: True)], lambda _: None)
        lanes.run(2)
        self.assertEqual({outcome.name for outcome in lanes.outcomes}, {"tests.nowhere"})
        self.assertEqual({outcome.status for outcome in lanes.outcomes}, {"failed"})
        self.assertIn("ended with code 1", lanes.outcomes[0].output)
