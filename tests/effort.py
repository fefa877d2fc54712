"""How much a test tries, and from which seed; the runner sets both for all processes.

By default the tests that search for counter-examples try a part of what they can, and those that
take seconds and have a quicker one beside them wait; with `./ladle test --thorough` all is tried.
The same seed gives the same examples.
"""

import os
import unittest
from collections.abc import Callable, Sequence
from typing import Any, TypeVar

from hypothesis import seed, settings

THOROUGH = os.environ.get("LADLE_THOROUGH") == "1"
SEED = int(os.environ.get("LADLE_SEED", "1"))
QUICK_SHARE = 4
MIN_EXAMPLES = 3
LEFT_OUT = "only the thorough run tries it"

Test = TypeVar("Test", bound=Callable[..., Any])


Item = TypeVar("Item")

thorough = unittest.skipUnless(THOROUGH, LEFT_OUT)
"""A test that takes seconds, and beside which a quicker one tries the same parts."""


def sample(every: Sequence[Item]) -> Sequence[Item]:
    """The items that are tried: all in a thorough run, else a quarter, another one each seed."""
    return every if THOROUGH else every[SEED % QUICK_SHARE :: QUICK_SHARE]


def tries(full: int) -> int:
    """How often to try where a thorough run tries `full` times."""
    return full if THOROUGH else max(MIN_EXAMPLES, full // QUICK_SHARE)


def examples(full: int, **rest: Any) -> Callable[[Test], Test]:
    """Settings of a property that a thorough run tries `full` times.

    No database: examples remembered from an earlier run would make two runs differ.
    """

    def decorate(test: Test) -> Test:
        bounded = settings(max_examples=tries(full), deadline=None, database=None, **rest)
        seeded: Test = seed(SEED)(bounded(test))
        return seeded

    return decorate
