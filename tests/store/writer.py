"""A program that writes into a kitchen's file, as a second server or a script would.

`python -m tests.store.writer FILE NUMBER COUNT`: says a line for every write once it is answered.
"""

import random
import sys
from functools import partial
from pathlib import Path

from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.reading.update import stating
from yellow_ladle.core.swaps.rules.rulebook import switched
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.store.file.file_faults import FileLocked
from yellow_ladle.store.kitchen_settings import keep_need, keep_tool, set_rules
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.optimistic_lock import Stale
from yellow_ladle.store.tool_uses import add_use
from yellow_ladle.store.write_queue import Busy

RULES = ("rice-flour-roux", "gram-flour-roux")
WRITERS = 3


def main() -> None:
    path, number, count = Path(sys.argv[1]), int(sys.argv[2]), int(sys.argv[3])
    ledger, chance = Ledger.open(path), random.Random(number)
    book = ledger.now.reading.book
    # Every writer states flags of its own on products that all of them write.
    mine = [flag.id for n, flag in enumerate(book.flags) if n % WRITERS == number % WRITERS]
    wanted = [(id, flag) for flag in mine for id in list(book.products)[:8]]
    chance.shuffle(wanted)
    for turn in range(count):
        kind = chance.choice(("state", "state", "state", "need", "tool", "rule", "use"))
        told = write(ledger, kind, f"{number}-{turn}", wanted)
        print(told, flush=True)


def write(ledger: Ledger, kind: str, name: str, wanted: list[tuple[str, str]]) -> str:
    """One write, tried until it goes through; what was written, in words that can be looked up."""
    product, flag = wanted.pop() if kind == "state" and wanted else ("", "")
    while True:
        ledger.catch_up()
        now = ledger.now
        try:
            if product:
                change = stating(now.reading.book, product, flag, Level.CONTAINS)
                ledger.record(change, {product: now.versions[product]})
                return f"state {product} {flag}"
            if kind == "tool":
                keep_tool(ledger, Tool(f"Tool {name}", id=f"tool-{name}"), None)
                return f"tool tool-{name}"
            if kind == "rule":
                id = RULES[len(name) % len(RULES)]
                said = next((s.off for s in now.reading.book.rulings if s.id == id), False)
                seen = {id: now.setting_versions.get(f"rule/{id}")}
                set_rules(ledger, partial(switched, id=id, off=not said), seen)
                return f"rule {id}"
            if kind == "use":
                add_use(ledger, f"Tool {name}", "butter", None)
                return f"use Tool {name}"
            keep_need(ledger, Need(f"need-{name}", f"Guest {name}", ("milk",)), None)
            return f"need need-{name}"
        except (Stale, FileLocked, Busy):
            continue


if __name__ == "__main__":
    main()
