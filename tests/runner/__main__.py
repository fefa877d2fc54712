"""`./ladle test`: runs what was asked for and says what came of it; the last line counts."""

import argparse
import os
import random
import re
import subprocess
import sys
import time

from tests.effort import LEFT_OUT
from tests.runner.checks import BIN, CHECKS, CORE_COVERAGE, COVERAGE
from tests.runner.lanes import Lanes, Suite
from tests.runner.outcome import ROOT, Outcome, Remembered

SUITES = ("browser", "files", "store", "api", "labels", "recipes", "production", "core")
SLOWEST = 10


def main() -> int:
    asked = arguments()
    remembered = Remembered.load()
    if asked.again:
        if not remembered.failed:
            print("Nothing failed when it was last run.")
            return 0
        asked.thorough, asked.seed = remembered.thorough, str(remembered.seed)
    seed = random.randrange(1, 10**6) if asked.seed == "random" else int(asked.seed)
    os.environ |= {
        "LADLE_THOROUGH": "1" if asked.thorough else "0",
        "LADLE_SEED": str(seed),
        "PATH": f"{BIN}{os.pathsep}{os.environ['PATH']}",
        "PYTHONHASHSEED": str(seed % 2**32),
        "SE_OFFLINE": "true",
        "SE_AVOID_STATS": "true",
    }
    print(f"seed {seed}, {'thorough' if asked.thorough else 'quick'}", flush=True)
    lanes = Lanes(chosen(asked, remembered), tell)
    coverage = any(isinstance(stage, Suite) and stage.coverage for stage in lanes.stages)
    if coverage:
        subprocess.run([*COVERAGE, "erase"], cwd=ROOT, check=True)
    started = time.monotonic()
    lanes.run(asked.lanes)
    if coverage:
        lanes.keep(CORE_COVERAGE.run())
    if not lanes.outcomes:
        print(f"Nothing has a name that holds {' or '.join(asked.names)}.")
    remembered.after(lanes.outcomes, asked.thorough, seed).save()
    return report(lanes, time.monotonic() - started)


def arguments() -> argparse.Namespace:
    parser = argparse.ArgumentParser(
        prog="./ladle test",
        description="Every check and test. NAMEs of suites and checks choose among them"
        f" ({', '.join(SUITES)}; {', '.join(check.name for check in CHECKS)});"
        " any other NAME keeps the tests whose full names hold it; one that modules are named by"
        " keeps to these.",
    )
    parser.add_argument("names", nargs="*", metavar="NAME")
    parser.add_argument("--thorough", action="store_true", help="try all that each test can try")
    parser.add_argument("--again", action="store_true", help="only what failed last time")
    parser.add_argument("--seed", default="1", help="a number, or 'random'; 1 if not said")
    parser.add_argument("--lanes", type=int, default=2, help="how many work side by side")
    return parser.parse_args()


MEASURED = ("core", "recipes", "production")
"""The suites that together are to cover the core."""


def chosen(asked: argparse.Namespace, remembered: Remembered) -> list[Suite | object]:
    """The stages to run, in the order in which the two lanes begin from either end."""
    if asked.again:
        names = set(remembered.failed)
        checks = [check for check in CHECKS if check.name in names]
        whole = CORE_COVERAGE.name in names
        suites = [
            Suite(name, lambda test: test in names, coverage=False)
            for name in SUITES
            if any(test.startswith(f"tests.{name}") for test in names)
        ]
        if whole:
            suites = [suite for suite in suites if suite.name not in MEASURED]
            suites += [Suite(name, lambda _: True, coverage=True) for name in MEASURED]
        return [*suites, *checks]
    stages = [word for word in asked.names if word in SUITES or of_checks(word)]
    words = [word for word in asked.names if word not in stages]
    # Measuring doubles what a test of the core takes, so only the thorough run does.
    measured = asked.thorough and not words and (not stages or set(MEASURED) <= set(stages))
    checks = [
        check
        for check in CHECKS
        if (not words and not stages) or any(word in check.name for word in stages)
    ]
    suites = [
        Suite(
            name,
            lambda test: not words or any(word in test for word in words),
            modules_of(name, words),
            coverage=measured and name in MEASURED,
        )
        for name in SUITES
        if not stages or name in stages
    ]
    return [*suites, *checks]


def modules_of(suite: str, words: list[str]) -> str:
    """The pattern of the modules that a single word names, so that only they are loaded."""
    pattern = f"test*{words[0]}*.py" if len(words) == 1 else "test*.py"
    return pattern if any((ROOT / "tests" / suite).glob(pattern)) else "test*.py"


def of_checks(word: str) -> bool:
    """Whether a word names a check."""
    return any(word in check.name for check in CHECKS)


def tell(outcome: Outcome) -> None:
    """A failure at once and whole, with what was measured; of what passes only the latter."""
    if outcome.status == "failed":
        print(f"FAILED {outcome.name} ({outcome.seconds:.1f} s)\n{outcome.output}", flush=True)
        return
    for line in re.findall(r"^measured: .*$", outcome.output, re.MULTILINE):
        print(line, flush=True)


def report(lanes: Lanes, seconds: float) -> int:
    """Times, what was skipped, what failed, and how many of each."""
    by_status: dict[str, list[Outcome]] = {"passed": [], "failed": [], "skipped": []}
    for outcome in lanes.outcomes:
        by_status[outcome.status].append(outcome)
    for group in (*SUITES, "checks"):
        took = [outcome for outcome in lanes.outcomes if group_of(outcome.name) == group]
        if took:
            spent = sum(outcome.seconds for outcome in took)
            print(f"{group}: {len(took)} in {spent:.0f} s")
    each = ", ".join(f"{taken:.0f} s" for taken in lanes.seconds)
    print(f"lanes: {each}; {seconds:.0f} s in all")
    slowest = sorted(lanes.outcomes, key=lambda outcome: -outcome.seconds)[:SLOWEST]
    print("slowest:")
    for outcome in slowest:
        print(f"  {outcome.seconds:6.1f} s  {outcome.name}")
    skipped = [outcome for outcome in by_status["skipped"] if outcome.output != LEFT_OUT]
    print(f"left for --thorough: {len(by_status['skipped']) - len(skipped)}")
    print(f"skipped: {len(skipped)}")
    for outcome in skipped:
        print(f"  {outcome.name}: {outcome.output}")
    for outcome in by_status["failed"]:
        print(f"failed: {outcome.name}")
    print(f"{len(by_status['passed'])} passed, {len(by_status['failed'])} failed")
    return 1 if by_status["failed"] or not by_status["passed"] else 0


def group_of(name: str) -> str:
    """The suite of a test, by its full name."""
    return next((suite for suite in SUITES if name.startswith(f"tests.{suite}")), "checks")


if __name__ == "__main__":
    sys.exit(main())
