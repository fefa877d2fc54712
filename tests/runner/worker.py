"""One process that runs test classes of one suite as they are named to it.

It reads a line of JSON a class from its standard input, `{"class": …, "tests": [ids]}`, and writes
lines of JSON to its standard output: first all classes with their tests, then each test's outcome,
and `{"done": class}` after each class. What anything else prints goes to standard error.
"""

import contextlib
import io
import json
import os
import sys
import time
import unittest
from collections.abc import Iterator
from types import TracebackType
from typing import Any, TextIO

ExcInfo = tuple[type[BaseException], BaseException, TracebackType] | tuple[None, None, None]


class Recorder(unittest.TestResult):
    """Writes each test's outcome as soon as it is known."""

    def __init__(self, answers: TextIO) -> None:
        super().__init__()
        self._answers = answers
        self._printed = io.StringIO()
        self._began = time.monotonic()
        self._troubles: list[str] = []
        self._why_skipped: str | None = None

    def startTest(self, test: unittest.TestCase) -> None:
        super().startTest(test)
        self._begin()

    def stopTest(self, test: unittest.TestCase) -> None:
        super().stopTest(test)
        self._end(test.id())

    def addError(self, test: unittest.TestCase, err: Any) -> None:
        super().addError(test, err)
        self._trouble(test, self.errors[-1][1])

    def addFailure(self, test: unittest.TestCase, err: Any) -> None:
        super().addFailure(test, err)
        self._trouble(test, self.failures[-1][1])

    def addSubTest(self, test: unittest.TestCase, subtest: unittest.TestCase, err: Any) -> None:
        before = len(self.failures), len(self.errors)
        super().addSubTest(test, subtest, err)
        for kept, known in zip((self.failures, self.errors), before, strict=True):
            self._troubles += [f"{subtest}\n{text}" for _, text in kept[known:]]

    def addSkip(self, test: unittest.TestCase, reason: str) -> None:
        super().addSkip(test, reason)
        self._why_skipped = reason
        if not isinstance(test, unittest.TestCase):
            self._end(test.id())

    def addUnexpectedSuccess(self, test: unittest.TestCase) -> None:
        super().addUnexpectedSuccess(test)
        self._troubles.append("It was expected to fail and passed.")

    def say(self, answer: dict[str, Any]) -> None:
        """Writes one line of JSON."""
        self._answers.write(json.dumps(answer) + "\n")
        self._answers.flush()

    @contextlib.contextmanager
    def printing(self) -> Iterator[None]:
        """Keeps what tests print, to be written with their outcome."""
        with contextlib.redirect_stdout(self._printed), contextlib.redirect_stderr(self._printed):
            yield

    def _trouble(self, test: unittest.TestCase, text: str) -> None:
        self._troubles.append(text)
        # The setting up of a class or module is no test of its own: nothing is started or stopped.
        if not isinstance(test, unittest.TestCase):
            self._end(test.id())

    def _begin(self) -> None:
        self._began, self._troubles, self._why_skipped = time.monotonic(), [], None

    def _end(self, name: str) -> None:
        output = "\n".join((*self._troubles, self._printed.getvalue()))
        self._printed.seek(0)
        self._printed.truncate()
        status = "failed" if self._troubles else "passed"
        if self._why_skipped is not None and not self._troubles:
            status, output = "skipped", self._why_skipped
        seconds = time.monotonic() - self._began
        self.say({"name": name, "status": status, "seconds": seconds, "output": output})
        self._begin()


def flat(suite: unittest.TestSuite) -> Iterator[unittest.TestCase]:
    """Every test of nested suites."""
    for test in suite:
        if isinstance(test, unittest.TestSuite):
            yield from flat(test)
        else:
            yield test


def main() -> None:
    # Whatever prints to the standard output must not end up between the answers.
    answers = os.fdopen(os.dup(1), "w", encoding="utf-8")
    os.dup2(2, 1)
    recorder = Recorder(answers)
    suite, modules = sys.argv[1:]
    found = unittest.defaultTestLoader.discover(f"tests/{suite}", modules, ".")
    classes: dict[str, dict[str, unittest.TestCase]] = {}
    for test in flat(found):
        classes.setdefault(test.id().rpartition(".")[0], {})[test.id()] = test
    recorder.say({"classes": {name: list(tests) for name, tests in classes.items()}})
    for line in sys.stdin:
        wanted = json.loads(line)
        tests = classes[wanted["class"]]
        with recorder.printing():
            unittest.TestSuite(tests[name] for name in wanted["tests"]).run(recorder)
        recorder.say({"done": wanted["class"]})


if __name__ == "__main__":
    main()
