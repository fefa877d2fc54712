"""Which tests reach which lines, and how long each takes: `python -m bench.mutation.reach PART OF`.

Writes one JSON object to standard output: `seconds` by test, and `reached`, by file and line the
tests that run it. PART of OF says which share of the test classes this process runs.
"""

import gc
import json
import os
import sys
import time
import unittest
from collections import defaultdict
from functools import _lru_cache_wrapper
from pathlib import Path
from typing import Any

import coverage

from tests.runner.worker import flat

SUITES = ("core", "recipes")


class Reaching(unittest.TestResult):
    """Names the running test to the coverage measurement, and keeps its seconds."""

    def __init__(self, measured: coverage.Coverage) -> None:
        super().__init__()
        self._measured = measured
        self._began = 0.0
        self.seconds: dict[str, float] = {}

    def startTest(self, test: unittest.TestCase) -> None:
        super().startTest(test)
        self._measured.switch_context(test.id())
        self._began = time.monotonic()

    def stopTest(self, test: unittest.TestCase) -> None:
        super().stopTest(test)
        self.seconds[test.id()] = time.monotonic() - self._began
        self._measured.switch_context("")


def main(part: int, of: int) -> None:
    answers = os.fdopen(os.dup(1), "w", encoding="utf-8")
    os.dup2(2, 1)
    measured = coverage.Coverage(
        data_file=None, source_pkgs=["yellow_ladle.core"], branch=False, config_file=False
    )
    measured.start()
    tests = [
        test
        for suite in SUITES
        for test in flat(unittest.defaultTestLoader.discover(f"tests/{suite}", "test*.py", "."))
    ]
    classes: dict[str, list[unittest.TestCase]] = defaultdict(list)
    for test in tests:
        classes[test.id().rpartition(".")[0]].append(test)
    result = Reaching(measured)
    module = ""
    for name in sorted(classes)[part::of]:
        if name.rpartition(".")[0] != module:
            forget()
        module = name.rpartition(".")[0]
        unittest.TestSuite(classes[name]).run(result)
    measured.stop()
    json.dump({"seconds": result.seconds, "reached": reached(measured)}, answers)


def forget() -> None:
    """Empties the caches of the core: what a module only finds there is not seen to run."""
    for found in gc.get_objects():
        if isinstance(found, _lru_cache_wrapper) and found.__module__.startswith("yellow_ladle"):
            found.cache_clear()


def reached(measured: coverage.Coverage) -> dict[str, dict[int, list[str]]]:
    """By file and line, the tests during which it ran. What runs on import belongs to none."""
    data: Any = measured.get_data()
    found: dict[str, dict[int, list[str]]] = {}
    for path in data.measured_files():
        lines = data.contexts_by_lineno(path)
        found[str(Path(path).resolve())] = {
            line: [test for test in tests if test] for line, tests in lines.items() if any(tests)
        }
    return found


if __name__ == "__main__":
    main(int(sys.argv[1]), int(sys.argv[2]))
