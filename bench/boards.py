"""How long the board and the larder take: just after opening, and while the book stands still."""

import tempfile
from pathlib import Path
from time import perf_counter

from fastapi.testclient import TestClient

from bench.made_up import large_book
from yellow_ladle.api.app import create_app
from yellow_ladle.server.run import settle
from yellow_ladle.store.ledger import Ledger

POTS = 2_000
ASKED = ("/api/v1/family", "/api/v1/products")
TIMES = 5


def main() -> None:
    """Prints the milliseconds of the first answer and of the next, the median of five openings."""
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "kitchen.sqlite"
        ledger = Ledger.open(path)
        ledger.replace_book(large_book(POTS, POTS // 4))
        ledger.close()
        for address in ASKED:
            pairs = sorted(first_and_next(path, address) for _ in range(TIMES))
            first, kept = pairs[TIMES // 2]
            print(
                f"{address}, {POTS:,} pots: {first:.0f} ms just after opening, {kept:.0f} ms from"
                f" what is kept, {first / kept:.0f} to 1"
            )


def first_and_next(path: Path, address: str) -> tuple[float, float]:
    """Milliseconds of the first answer after opening a file, and of the second."""
    ledger = Ledger.open(path)
    try:
        client = TestClient(create_app(ledger), base_url="http://127.0.0.1")
        client.get("/api/v1/labels/languages")
        settle()
        spent = []
        for _ in range(2):
            begun = perf_counter()
            client.get(address).raise_for_status()
            spent.append((perf_counter() - begun) * 1000)
        return spent[0], spent[1]
    finally:
        ledger.close()


if __name__ == "__main__":
    main()
