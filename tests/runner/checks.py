"""The static checks, each a command that passes with exit code 0."""

import subprocess
import sys
import time
from dataclasses import dataclass
from pathlib import Path

from tests.runner.outcome import ROOT, Outcome

WEB = ROOT / "web"
BIN = Path(sys.executable).parent
COVERAGE = [sys.executable, "-m", "coverage"]


@dataclass(frozen=True)
class Check:
    """One check and the commands it consists of, the later ones run if the earlier passed."""

    name: str
    commands: tuple[tuple[str, ...], ...]
    folder: Path = ROOT

    def run(self) -> Outcome:
        """Runs it and keeps what it printed."""
        started = time.monotonic()
        output = ""
        for command in self.commands:
            done = subprocess.run(
                command,
                cwd=self.folder,
                text=True,
                stdin=subprocess.DEVNULL,
                stdout=subprocess.PIPE,
                stderr=subprocess.STDOUT,
            )
            output += done.stdout
            if done.returncode != 0:
                return Outcome(self.name, "failed", time.monotonic() - started, output)
        return Outcome(self.name, "passed", time.monotonic() - started, output)


def _tool(name: str, *rest: str) -> tuple[tuple[str, ...], ...]:
    return ((str(BIN / name), *rest),)


def _npm(script: str) -> tuple[tuple[str, ...], ...]:
    return (("npm", "run", "--silent", script),)


CHECKS = (
    Check("ruff lint", _tool("ruff", "check", ".")),
    Check("ruff format", _tool("ruff", "format", "--check", ".")),
    Check("import linter", _tool("lint-imports")),
    Check("prettier", _npm("format:check"), WEB),
    Check("eslint", _npm("lint"), WEB),
    Check("svelte-check", _npm("check"), WEB),
    Check("mypy", _tool("mypy")),
)
CORE_COVERAGE = Check(
    "coverage of core", ((*COVERAGE, "combine", "--quiet"), (*COVERAGE, "report"))
)
"""Read once every process of the core's tests has ended and written what it saw."""
