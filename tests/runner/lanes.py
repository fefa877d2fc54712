"""Checks and suites in lanes side by side.

The stages stand in a row. One lane begins at its left end, the other at its right, and they meet
somewhere in the middle: the browser, which waits much, runs beside what computes, and hardly any
suite needs more than one process. A suite is divided by test classes, a large class into parts.
"""

import json
import subprocess
import sys
import tempfile
import threading
import time
from collections import deque
from collections.abc import Callable
from dataclasses import dataclass, field
from functools import partial
from typing import Any

from tests.runner.checks import COVERAGE, Check
from tests.runner.outcome import ROOT, Outcome

MAX_SECONDS = 1200
"""No class of tests takes as long; a process that does hangs and is ended."""
MAX_TESTS = 4
"""Tests of a class that one lane takes at a time, so that the lanes end together."""


@dataclass
class Suite:
    """The tests of one folder.

    `wants` says of a test's id whether it is to be run, `modules` in which files to look for them.
    """

    name: str
    wants: Callable[[str], bool]
    modules: str = "test*.py"
    coverage: bool = False
    pending: deque[tuple[str, list[str]]] | None = None
    """Classes with their tests that no lane has taken; None until a process has listed them."""

    def list(self, classes: dict[str, list[str]]) -> None:
        """Fills `pending`, unless another lane has done so."""
        if self.pending is None:
            wanted = {name: [*filter(self.wants, tests)] for name, tests in classes.items()}
            self.pending = deque(
                (name, tests[start : start + MAX_TESTS])
                for name, tests in wanted.items()
                for start in range(0, len(tests), MAX_TESTS)
            )


class Worker:
    """A process that runs classes of one suite."""

    def __init__(self, suite: Suite) -> None:
        self.suite = suite
        self._log = tempfile.TemporaryFile(  # noqa: SIM115 — open as long as the process is
            "w+", encoding="utf-8", errors="replace"
        )
        measured = [*COVERAGE, "run", "--parallel-mode"] if suite.coverage else [sys.executable]
        self._process = subprocess.Popen(
            [*measured, "-m", "tests.runner.worker", suite.name, suite.modules],
            cwd=ROOT,
            text=True,
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
            stderr=self._log,
        )

    def classes(self) -> dict[str, list[str]]:
        """Every class of the suite with its tests. Raises Ended where the process could not."""
        found: dict[str, list[str]] = self._answer()["classes"]
        return found

    def run(self, name: str, tests: list[str], keep: Callable[[Outcome], None]) -> None:
        """Runs a class's tests. Raises Ended where the process ends or hangs before it is done."""
        guard = threading.Timer(MAX_SECONDS, self._process.kill)
        guard.start()
        try:
            assert self._process.stdin
            self._process.stdin.write(json.dumps({"class": name, "tests": tests}) + "\n")
            self._process.stdin.flush()
            while "done" not in (answer := self._answer()):
                keep(Outcome(**answer))
        except BrokenPipeError:
            raise Ended(self._last_words()) from None
        finally:
            guard.cancel()

    def close(self) -> None:
        """Lets the process end by itself, so that it writes what it has measured."""
        self._process.communicate()
        self._log.close()

    def _answer(self) -> dict[str, Any]:
        assert self._process.stdout
        line = self._process.stdout.readline()
        if not line:
            raise Ended(self._last_words())
        answer: dict[str, Any] = json.loads(line)
        return answer

    def _last_words(self) -> str:
        code = self._process.wait()
        self._log.seek(0)
        return f"The process of these tests ended with code {code}.\n{self._log.read()[-20_000:]}"


class Ended(Exception):
    """A worker's process that ended before it was done, with its last words."""


@dataclass
class Lanes:
    """All stages, and what has come of them so far."""

    stages: list[Check | Suite]
    tell: Callable[[Outcome], None]
    outcomes: list[Outcome] = field(default_factory=list)
    seconds: list[float] = field(default_factory=list)
    _taken: set[str] = field(default_factory=set)
    _lock: threading.RLock = field(default_factory=threading.RLock)

    def run(self, count: int) -> None:
        """Works until nothing is left."""
        self.seconds = [0.0] * count
        threads = [threading.Thread(target=self._lane, args=(n,)) for n in range(count)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()

    def _lane(self, number: int) -> None:
        started = time.monotonic()
        stages = self.stages if number % 2 == 0 else self.stages[::-1]
        for stage in stages:
            if isinstance(stage, Suite):
                self._suite(stage, from_left=number % 2 == 0)
            elif self._take(stage.name):
                self.keep(stage.run())
        self.seconds[number] = time.monotonic() - started

    def keep(self, outcome: Outcome) -> None:
        """Notes one outcome and tells it."""
        with self._lock:
            self.outcomes.append(outcome)
            self.tell(outcome)

    def _take(self, name: str) -> bool:
        with self._lock:
            taken = name in self._taken
            self._taken.add(name)
            return not taken

    def _suite(self, suite: Suite, *, from_left: bool) -> None:
        """Runs classes of a suite until no more are left; a process that ended is replaced."""
        worker: Worker | None = None
        while suite.pending is None or suite.pending:
            if worker is None:
                worker = Worker(suite)
                try:
                    classes = worker.classes()
                except Ended as failure:
                    self.keep(Outcome(f"tests.{suite.name}", "failed", 0, str(failure)))
                    return
                with self._lock:
                    suite.list(classes)
            with self._lock:
                if not suite.pending:
                    break
                name, tests = suite.pending.popleft() if from_left else suite.pending.pop()
            ran: set[str] = set()
            try:
                worker.run(name, tests, partial(self._keep_of, ran))
            except Ended as failure:
                for test in tests:
                    if test not in ran:
                        self.keep(Outcome(test, "failed", 0, str(failure)))
                worker = None
        if worker is not None:
            worker.close()

    def _keep_of(self, ran: set[str], outcome: Outcome) -> None:
        ran.add(outcome.name)
        self.keep(outcome)
