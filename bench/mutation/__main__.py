"""`python -m bench.mutation [--count N] [--seed N]`: puts faults into the core, one at a time.

Each is tried against the tests that reach its line, the quickest first, until one fails. What no
test notices is printed with its difference: either a test is missing, or the fault is none.
"""

import argparse
import difflib
import json
import os
import shutil
import subprocess
import sys
import tempfile
import time
from collections import Counter
from collections.abc import Mapping
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path
from queue import SimpleQueue
from typing import Any

from bench.mutation.mutants import CORE, Mutant, sampled

ROOT = CORE.parents[2]
LANES = 2
MAX_SECONDS = 60.0
"""Of tests for one mutant: the quickest that reach its line are run, the rest left out."""
STARTING = 30.0
"""Seconds beyond twice what its tests take after which a mutant runs without an end."""


@dataclass(frozen=True, slots=True)
class Tried:
    """What came of one mutant: `killed` where a test failed or did not end."""

    mutant: Mutant
    killed: bool
    tests: int
    difference: str


def main() -> None:
    parser = argparse.ArgumentParser(prog="python -m bench.mutation", description=__doc__)
    parser.add_argument("--count", type=int, default=300)
    parser.add_argument("--seed", type=int, default=1)
    asked = parser.parse_args()
    started = time.monotonic()
    seconds, reached = measured()
    print(f"lines mapped in {time.monotonic() - started:.0f} s", flush=True)
    mutants = sampled(asked.count, asked.seed, reached)
    folders: SimpleQueue[Path] = SimpleQueue()
    with tempfile.TemporaryDirectory() as folder, ThreadPoolExecutor(LANES) as pool:
        for lane in range(LANES):
            shutil.copytree(ROOT / "src", Path(folder) / str(lane))
            folders.put(Path(folder) / str(lane))
        found = []
        for one in pool.map(lambda mutant: tried(mutant, seconds, reached, folders), mutants):
            found.append(one)
            if not one.killed:
                print(f"\nlives after {one.tests} tests, {len(found)} of {len(mutants)}")
                print(f"{one.mutant.operator}\n{one.difference}", flush=True)
    report(found, time.monotonic() - started)


def measured() -> tuple[dict[str, float], dict[str, dict[str, list[str]]]]:
    """Each test's seconds, and the tests that reach each line, by file and line."""
    command = [sys.executable, "-m", "bench.mutation.reach"]
    processes = [
        subprocess.Popen(
            [*command, str(part), str(LANES)], cwd=ROOT, stdout=subprocess.PIPE, text=True
        )
        for part in range(LANES)
    ]
    seconds: dict[str, float] = {}
    reached: dict[str, dict[str, list[str]]] = {}
    with ThreadPoolExecutor(LANES) as pool:
        for text, _ in pool.map(subprocess.Popen.communicate, processes):
            part: dict[str, Any] = json.loads(text)
            seconds |= part["seconds"]
            for path, lines in part["reached"].items():
                of_file = reached.setdefault(path, {})
                for line, tests in lines.items():
                    of_file.setdefault(line, []).extend(tests)
    return seconds, reached


def tried(
    mutant: Mutant,
    seconds: Mapping[str, float],
    reached: Mapping[str, Mapping[str, list[str]]],
    folders: "SimpleQueue[Path]",
) -> Tried:
    """Runs the tests that reach a mutant's line against a copy of the code that holds it."""
    tests = sorted(set(reached[str(mutant.path)][str(mutant.line)]), key=lambda id: seconds[id])
    chosen: list[str] = []
    total = 0.0
    for test in tests:
        if total + seconds[test] > MAX_SECONDS and chosen:
            break
        chosen.append(test)
        total += seconds[test]
    whole, code = mutant.path.read_text("utf-8"), mutant.code()
    folder = folders.get()
    held = folder / mutant.path.relative_to(ROOT / "src")
    try:
        held.write_text(code, "utf-8")
        killed = fails(folder, chosen, 2 * total + STARTING)
    finally:
        held.write_text(whole, "utf-8")
        folders.put(folder)
    name = str(mutant.path.relative_to(CORE))
    lines = difflib.unified_diff(
        whole.splitlines(), code.splitlines(), name, name, n=1, lineterm=""
    )
    return Tried(mutant, killed, len(chosen), "\n".join(lines))


def fails(folder: Path, tests: list[str], seconds: float) -> bool:
    """Whether one of the tests fails, or does not end, with the code of a folder."""
    path = os.pathsep.join((str(folder), str(ROOT)))
    environment = {**os.environ, "PYTHONPATH": path, "PYTHONDONTWRITEBYTECODE": "1"}
    try:
        done = subprocess.run(
            [sys.executable, "-m", "bench.mutation.run_tests"],
            cwd=ROOT,
            env=environment,
            input="\n".join(tests),
            text=True,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
            timeout=seconds,
        )
    except subprocess.TimeoutExpired:
        return True
    return done.returncode != 0


def report(found: list[Tried], seconds: float) -> None:
    """How many were killed of each part, and of all."""
    every, killed = Counter[str](), Counter[str]()
    for one in found:
        part = one.mutant.path.relative_to(CORE).parts[0]
        every[part] += 1
        killed[part] += one.killed
    for part in sorted(every):
        print(f"{part}: {killed[part]} of {every[part]} killed")
    share = 100 * killed.total() / every.total()
    print(f"{killed.total()} of {every.total()} killed, {share:.1f} %, in {seconds:.0f} s")


if __name__ == "__main__":
    main()
