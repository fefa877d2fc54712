"""How soon a kitchen's file is open, and what it holds in memory: by the number of its pots."""

import re
import subprocess
import sys
import tempfile
from collections.abc import Callable
from functools import partial
from pathlib import Path
from time import perf_counter

from bench.made_up import large_book
from yellow_ladle.files.book.book_file import parse_book, write_book
from yellow_ladle.store.ledger import Ledger

SIZES = (2_000, 10_000)


def main() -> None:
    """Prints the seconds of an import and of opening its file, and the memory once it is open."""
    for pots in SIZES:
        book = large_book(pots, pots // 4)
        raw = write_book(book)
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "kitchen.sqlite"
            ledger = Ledger.open(path)
            read = seconds(partial(parse_book, raw))
            written = seconds(partial(ledger.replace_book, book))
            ledger.close()
            opened, megabytes = opening(path)
            print(
                f"{pots:,} pots: import {read + written:.1f} s (read {read:.1f}, written"
                f" {written:.1f}), opened in {opened:.2f} s, {megabytes:.0f} MB once open"
            )


def opening(path: Path) -> tuple[float, float]:
    """Seconds to open a file and megabytes at their highest, in a process of its own."""
    done = subprocess.run(
        [sys.executable, "-m", "bench.opening", str(path)],
        check=True,
        capture_output=True,
        text=True,
    )
    opened, megabytes = done.stdout.split()
    return float(opened), float(megabytes)


def seconds(act: Callable[[], object]) -> float:
    """How long something takes, once."""
    begun = perf_counter()
    act()
    return perf_counter() - begun


def most_megabytes() -> float:
    """The most memory that this process ever held. `getrusage` counts its parent's as well."""
    status = Path("/proc/self/status").read_text("ascii")
    [kilobytes] = re.findall(r"VmHWM:\s+(\d+)", status)
    return int(kilobytes) / 1024


if __name__ == "__main__":
    if len(sys.argv) == 1:
        main()
    else:
        spent = seconds(partial(Ledger.open, Path(sys.argv[1])))
        print(spent, most_megabytes())
