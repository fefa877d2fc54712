"""What the commands print about the demo kitchen, held to the byte.

A change of these outputs is a change of a contract. Where one is meant, print them before and
after, read the difference, and put the new sums in.
"""

import unittest
from hashlib import sha256
from pathlib import Path

from typer.testing import CliRunner

from yellow_ladle.cli import app

ROOT = Path(__file__).resolve().parents[2]
DEMO = str(ROOT / "src/yellow_ladle/demo/skerrow-light.book.json")
DAY = ("--on", "2026-11-25")
OUTPUTS: dict[tuple[str, ...], str] = {
    ("derive", DEMO, *DAY, "--json"): "21bef18cb72a0138",
    ("derive", DEMO, *DAY, "--regime", "us-9", "--json"): "1c5944e1e1d8b4c3",
    ("derive", DEMO, *DAY): "3630f73cbc326cae",
    ("swap", DEMO, "--item", "hen-leek-pie", "--clear", "wheat", "--json"): "51262de7374e3634",
    ("swap", DEMO, "--item", "cod-samphire", "--fit", "vegan", "--json"): "47d7b30b051ec22d",
    ("swap", DEMO, "--item", "mushroom-polenta", "--fit", "vegetarian"): "8bc4f30a24b213a7",
    ("numbers", DEMO, "--json"): "1c607889aa7e3002",
    ("label", "-", "--json"): "6da6a9955c8b7f9a",
    ("amount", "1 1/2 cups plain flour, sifted", "--json"): "eb49697e4664e0c2",
}
LABEL = "Wheat flour, skimmed milk powder, salt; furikake. May contain sesame and nuts."


class Outputs(unittest.TestCase):
    maxDiff = None

    def test_they_are_as_they_were(self) -> None:
        for words, held in OUTPUTS.items():
            with self.subTest(command=" ".join(words[:4])):
                done = CliRunner().invoke(app, list(words), input=LABEL)
                self.assertEqual(done.exit_code, 0, done.output[:500])
                self.assertEqual(sha256(done.output.encode()).hexdigest()[:16], held)


if __name__ == "__main__":
    unittest.main()
