"""What the commands print about the demo kitchen, held to the byte in tests/files/outputs.

A change of these outputs is a change of a contract. Where one is meant, write them anew with
`LADLE_WRITE_OUTPUTS=1 ./ladle test test_outputs`, and read the difference before it is committed.
"""

import os
import unittest
from pathlib import Path

from typer.testing import CliRunner

from yellow_ladle.cli import app

ROOT = Path(__file__).resolve().parents[2]
HELD = Path(__file__).parent / "outputs"
DEMO = str(ROOT / "src/yellow_ladle/demo/skerrow-light.book.json")
DAYS = str(ROOT / "src/yellow_ladle/demo/skerrow-light.daybook.json")
DAY = ("--on", "2026-11-25")
OUTPUTS: dict[str, tuple[str, ...]] = {
    "derive.json": ("derive", DEMO, *DAY, "--json"),
    "derive-us-9.json": ("derive", DEMO, *DAY, "--regime", "us-9", "--json"),
    "derive.txt": ("derive", DEMO, *DAY),
    "swap-pie-wheat.json": ("swap", DEMO, "--item", "hen-leek-pie", "--clear", "wheat", "--json"),
    "swap-cod-vegan.json": ("swap", DEMO, "--item", "cod-samphire", "--fit", "vegan", "--json"),
    "swap-polenta.txt": ("swap", DEMO, "--item", "mushroom-polenta", "--fit", "vegetarian"),
    "numbers.json": ("numbers", DEMO, "--json"),
    "label.json": ("label", "-", "--json"),
    "day.json": ("day", DEMO, DAYS, "--on", "2026-11-24", "--json"),
    "day.txt": ("day", DEMO, DAYS, "--on", "2026-11-24"),
    "trace-butter.json": ("trace", DEMO, DAYS, "--lot", "lot-3", "--json"),
    "trace-pie.txt": ("trace", DEMO, DAYS, "--batch", "b-109"),
    "trace-mill.json": (
        *("trace", DEMO, DAYS, "--product", "oatmeal", "--maker", "fell-mill", "--json"),
    ),
    "amount.json": ("amount", "1 1/2 cups plain flour, sifted", "--json"),
}
LABEL = "Wheat flour, skimmed milk powder, salt; furikake. May contain sesame and nuts."


class Outputs(unittest.TestCase):
    maxDiff = 2_000

    def test_they_are_as_they_were(self) -> None:
        for name, words in OUTPUTS.items():
            with self.subTest(output=name):
                done = CliRunner().invoke(app, list(words), input=LABEL)
                self.assertEqual(done.exit_code, 0, done.output[:500])
                held = HELD / name
                if os.environ.get("LADLE_WRITE_OUTPUTS") == "1":
                    held.write_bytes(done.output.encode())
                self.assertEqual(done.output, held.read_bytes().decode())

    def test_every_file_is_held_against_a_command(self) -> None:
        self.assertEqual({path.name for path in HELD.iterdir()}, set(OUTPUTS))


if __name__ == "__main__":
    unittest.main()
