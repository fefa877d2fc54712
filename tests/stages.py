"""The stages of `./ladle test`, each timed; the last line counts what passed and what failed."""

import os
import re
import subprocess
import sys
import time
from dataclasses import dataclass, field
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
WEB = ROOT / "web"
BIN = Path(sys.executable).parent
SUITES = ("core", "files", "api", "browser")


@dataclass(frozen=True)
class Stage:
    """One check: a command, and whether its output counts tests."""

    name: str
    command: list[str]
    cwd: Path = ROOT
    suite: bool = False


@dataclass
class Tally:
    """What passed and failed, a check counted as one."""

    passed: int = 0
    failed: int = 0
    broken: list[str] = field(default_factory=list)


def stages() -> list[Stage]:
    tool = lambda name, *rest: [str(BIN / name), *rest]  # noqa: E731
    npm = lambda script: ["npm", "run", "--silent", script]  # noqa: E731
    coverage = [sys.executable, "-m", "coverage"]
    unit = ["-m", "unittest", "discover", "-t", "."]
    core = [*coverage, "run", *unit, "-s", "tests/core"]
    suites = [
        Stage(f"tests: {name}", [sys.executable, *unit, "-s", f"tests/{name}"], suite=True)
        for name in SUITES[1:]
    ]
    return [
        Stage("ruff: lint", tool("ruff", "check", ".")),
        Stage("ruff: format", tool("ruff", "format", "--check", ".")),
        Stage("mypy", tool("mypy")),
        Stage("import linter", tool("lint-imports")),
        Stage("svelte-check", npm("check"), WEB),
        Stage("eslint", npm("lint"), WEB),
        Stage("prettier", npm("format:check"), WEB),
        Stage("tests: core", core, suite=True),
        Stage("coverage of core", [*coverage, "report"]),
        *suites,
    ]


def main() -> int:
    wanted = sys.argv[1:]
    chosen = [stage for stage in stages() if not wanted or any(w in stage.name for w in wanted)]
    tally = Tally()
    for stage in chosen:
        run(stage, tally)
    for name in tally.broken:
        print(f"failed: {name}")
    print(f"{tally.passed} passed, {tally.failed} failed")
    return 1 if tally.failed or not tally.passed else 0


def run(stage: Stage, tally: Tally) -> None:
    started = time.monotonic()
    environment = os.environ | {
        "PATH": f"{BIN}{os.pathsep}{os.environ['PATH']}",
        "SE_OFFLINE": "true",
        "SE_AVOID_STATS": "true",
    }
    done = subprocess.run(
        stage.command,
        cwd=stage.cwd,
        env=environment,
        text=True,
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
    )
    passed, failed = count(stage, done.returncode, done.stdout)
    tally.passed += passed
    tally.failed += failed
    took = time.monotonic() - started
    counts = f"{passed} passed, {failed} failed, " if stage.suite else ""
    print(f"{'ok    ' if not failed else 'FAILED'} {stage.name}: {counts}{took:.1f} s", flush=True)
    for line in re.findall(r"^measured: .*$", done.stdout, re.MULTILINE):
        print(f"       {line}")
    if failed:
        tally.broken.append(stage.name)
        print(done.stdout)


def count(stage: Stage, code: int, output: str) -> tuple[int, int]:
    """How much a stage passed and failed; a suite that ran no test has failed."""
    if not stage.suite:
        return (1, 0) if code == 0 else (0, 1)
    ran = re.search(r"^Ran (\d+) tests?", output, re.MULTILINE)
    total = int(ran[1]) if ran else 0
    bad = sum(int(n) for n in re.findall(r"(?:failures|errors|unexpected successes)=(\d+)", output))
    if total == 0 or (code != 0 and bad == 0):
        return max(total - 1, 0), 1
    return max(total - bad, 0), bad


if __name__ == "__main__":
    sys.exit(main())
