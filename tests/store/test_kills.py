"""Commands that are killed at any moment: the file is the old one or the new one, whole."""

import io
import json
import random
import signal
import sqlite3
import subprocess
import sys
import tempfile
import time
import unittest
from contextlib import closing
from pathlib import Path
from unittest.mock import patch

from PIL import Image

from tests.effort import SEED, tries
from tests.filled import demo_content, filled
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.update import Change
from yellow_ladle.store.file.backup import verify
from yellow_ladle.store.file.backup_schedule import Backups
from yellow_ladle.store.file.kitchen_file import KitchenFile
from yellow_ladle.store.file.photos import Photos, photos_folder
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger

ROOT = Path(__file__).resolve().parents[2]
KEPT = ROOT / "tests/files/kept"
KILLS = 20


class Killed(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.path = self.folder / "kitchen.sqlite"
        self.chance = random.Random(SEED)

    def kill(self, *words: str, within: float) -> None:
        """Runs a command and kills it at some moment of the time that it takes."""
        process = subprocess.Popen(
            [sys.executable, "-m", "yellow_ladle", *words, "--book", str(self.path)],
            cwd=ROOT,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
        )
        time.sleep(self.chance.uniform(0.2, within))
        process.send_signal(signal.SIGKILL)
        process.wait()

    def seconds(self, *words: str) -> float:
        """How long a command takes when nobody kills it."""
        begun = time.monotonic()
        command = [sys.executable, "-m", "yellow_ladle", *words, "--book", str(self.path)]
        subprocess.run(command, cwd=ROOT, check=True, capture_output=True)
        return time.monotonic() - begun

    def pots(self) -> int:
        """The pots of the file, which can be opened and is whole."""
        with KitchenFile.open(self.path) as file:
            made = len(file.ledger.now.reading.book.preparations)
        self.assertEqual(verify(self.path).preparations, made)
        return made

    def test_an_import_is_whole_or_not_there(self) -> None:
        filled(demo_content(), self.path).close()
        small = self.folder / "small.book.json"
        content = json.loads(demo_content())
        content["preparations"], content["sign_offs"] = [], []
        small.write_text(json.dumps(content))
        whole = self.folder / "whole.book.json"
        whole.write_bytes(demo_content())
        within = self.seconds("import", str(small), "--replace")
        for turn in range(tries(KILLS)):
            book = whole if turn % 2 else small
            self.kill("import", str(book), "--replace", within=within)
            self.assertIn(self.pots(), (0, 50))
        for backup in Backups(self.path).files():
            self.assertIn(verify(backup).preparations, (0, 50))

    def test_a_picture_goes_and_comes_with_its_product_all_the_same(self) -> None:
        """A kill between the change and the picture is made up for when the file is opened."""
        filled(demo_content(), self.path).close()
        spare = Product("spare", "Spare tub")
        photos = Photos(self.path)
        no_move = patch.object(Photos, "_move")
        with KitchenFile.open(self.path) as file:
            file.ledger.record(Change(products=(spare,)), {"spare": None})
            picture = io.BytesIO()
            Image.new("RGB", (40, 40), "tan").save(picture, "PNG")
            photos.put("spare", picture.getvalue())
            seen = file.ledger.now.versions["spare"]
            with no_move:
                file.ledger.record(Change(removed=("spare",)), {"spare": seen})
        self.assertTrue(photos.has("spare"))
        with KitchenFile.open(self.path) as file:
            self.assertFalse(photos.has("spare"))
            [removal, _] = file.ledger.history("spare")
            with no_move:
                file.ledger.undo(removal.id, Act("NB", "wrong"))
        self.assertFalse(photos.has("spare"))
        KitchenFile.open(self.path).close()
        self.assertTrue(photos.has("spare"))

    def test_another_product_of_that_name_does_not_get_the_picture(self) -> None:
        filled(demo_content(), self.path).close()
        spare = Product("spare", "Spare tub")
        folder = photos_folder(self.path)
        folder.mkdir()
        (folder / "spare.removed").write_bytes(b"of another tub")
        with KitchenFile.open(self.path) as file:
            file.ledger.record(Change(products=(spare,)), {"spare": None})
        KitchenFile.open(self.path).close()
        self.assertFalse(Photos(self.path).has("spare"))

    def test_what_bears_the_name_of_a_backup_is_whole(self) -> None:
        filled(demo_content(), self.path).close()
        within = self.seconds("backup", str(self.folder / "first.sqlite"))
        for turn in range(tries(KILLS)):
            target = self.folder / f"{turn}.sqlite"
            self.kill("backup", str(target), within=within)
            if target.exists():
                self.assertEqual(verify(target).preparations, 50)
            self.assertEqual(self.pots(), 50)

    def test_a_migration_is_done_or_not_begun(self) -> None:
        for turn in range(tries(KILLS)):
            for old in self.folder.glob("kitchen.sqlite*"):
                if old.is_file():
                    old.unlink()
            with closing(sqlite3.connect(self.path)) as file:
                file.executescript((KEPT / "kitchen_0006.sql").read_text("utf-8"))
            with self.subTest(turn):
                self.kill("backup", str(self.folder / f"{turn}.sqlite"), within=1.5)
                with closing(sqlite3.connect(self.path)) as file:
                    [(revision,)] = file.execute("SELECT version_num FROM alembic_version")
                self.assertIn(revision, ("0006", "0009"))
                with closing(Ledger.open(self.path)) as ledger:
                    self.assertTrue(ledger.now.reading.book.preparations)


if __name__ == "__main__":
    unittest.main()
