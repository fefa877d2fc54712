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

from PIL import Image

from tests.effort import SEED, tries
from tests.filled import demo_content, filled
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.update import Change
from yellow_ladle.store.file.backup import verify
from yellow_ladle.store.file.backup_schedule import Backups
from yellow_ladle.store.file.kitchen_file import KitchenFile
from yellow_ladle.store.file.photos import Photos, photos_folder
from yellow_ladle.store.kept_photos import keep_photo, photo_of
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

    def test_pictures_of_an_earlier_version_are_taken_in_when_the_file_is_opened(self) -> None:
        filled(demo_content(), self.path).close()
        folder = photos_folder(self.path)
        folder.mkdir()
        (folder / "butter.webp").write_bytes(b"of butter")
        (folder / "gone.webp").write_bytes(b"of what is gone")
        (folder / "spare.removed").write_bytes(b"of another tub")
        for _ in range(2):
            with KitchenFile.open(self.path) as file:
                known = photo_of(file.ledger.now, "butter")
                assert known is not None
                self.assertEqual(Photos(self.path).get(known.picture), b"of butter")
                self.assertEqual(len(file.ledger.history("butter", kind="photo")), 1)
        names = {path.name for path in folder.iterdir()}
        self.assertEqual(names, {f"{known.picture}.webp", "gone.webp", "spare.removed"})

    def test_another_product_of_that_name_does_not_get_the_picture(self) -> None:
        filled(demo_content(), self.path).close()
        spare = Product("spare", "Spare tub")
        picture = io.BytesIO()
        Image.new("RGB", (40, 40), "tan").save(picture, "PNG")
        with KitchenFile.open(self.path) as file:
            ledger = file.ledger
            ledger.record(Change(products=(spare,)), {"spare": None})
            keep_photo(ledger, "spare", picture.getvalue())
            ledger.record(Change(removed=("spare",)), {"spare": ledger.now.versions["spare"]})
            ledger.record(Change(products=(spare,)), {"spare": None})
            self.assertIsNone(photo_of(ledger.now, "spare"))
        with KitchenFile.open(self.path) as file:
            self.assertIsNone(photo_of(file.ledger.now, "spare"))

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
