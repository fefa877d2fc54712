"""Backups: which are kept, each verified, and a restore that no kill can split."""

import shutil
import sqlite3
import tempfile
import unittest
from collections.abc import Callable, Iterator
from contextlib import closing
from datetime import UTC, date, datetime, timedelta
from functools import partial
from pathlib import Path
from typing import Any
from unittest.mock import patch

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.filled import demo_content, filled
from yellow_ladle.core.reading.update import stating
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.store.file.backup import copy_store, restore_store, verify
from yellow_ladle.store.file.backup_schedule import DAILY, MONTHLY, WEEKLY, Backups, kept
from yellow_ladle.store.file.checkup import Unsound
from yellow_ladle.store.file.photos import photos_folder
from yellow_ladle.store.file.restore import finish_restore
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.optimistic_lock import Stale

DAYS = st.dates(date(2024, 1, 1), date(2028, 12, 31))


class Killed(BaseException):
    """What a process that is killed does not get to say."""


def _dying(steps: Iterator[int], last: int, act: Callable[..., Any]) -> Callable[..., Any]:
    """An act that is the process's end where it is the last of all its steps."""

    def wrapped(*given: Any, **named: Any) -> Any:
        if next(steps) == last:
            raise Killed
        return act(*given, **named)

    return wrapped


def named(day: date, second: int = 0) -> str:
    return f"{day.isoformat()}T03{second // 60:02}{second % 60:02}-night.sqlite"


class Thinning(unittest.TestCase):
    @examples(200)
    @given(st.sets(DAYS, min_size=1, max_size=120))
    def test_the_newest_of_each_period_is_kept_and_no_more(self, days: set[date]) -> None:
        names = {named(day) for day in days}
        found = kept(names)
        self.assertLessEqual(found, names)
        self.assertLessEqual(len(found), DAILY + WEEKLY + MONTHLY)
        newest = sorted(days, reverse=True)
        self.assertLessEqual({named(day) for day in newest[:DAILY]}, found)
        months = sorted({(day.year, day.month) for day in days}, reverse=True)[:MONTHLY]
        for year, month in months:
            last = max(day for day in days if (day.year, day.month) == (year, month))
            self.assertIn(named(last), found)
        self.assertEqual(kept(found), found, "thinning out again takes nothing more")

    @examples(200)
    @given(DAYS, st.integers(1, 400))
    def test_a_year_of_nights_keeps_days_weeks_and_months(self, first: date, nights: int) -> None:
        names: set[str] = set()
        for night in range(nights):
            names = kept(names | {named(first + timedelta(night))})
        last = first + timedelta(nights - 1)
        for back in range(min(DAILY, nights)):
            self.assertIn(named(last - timedelta(back)), names)

    def test_of_several_on_one_day_the_newest_is_kept(self) -> None:
        day = date(2026, 11, 26)
        self.assertEqual(kept({named(day, second) for second in (1, 5, 3)}), {named(day, 5)})
        self.assertEqual(kept({"state.json", "notes.sqlite"}), set())


class Copies(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.path = self.folder / "kitchen.sqlite"
        filled(demo_content(), self.path).close()
        photos_folder(self.path).mkdir()
        (photos_folder(self.path) / "butter.webp").write_bytes(b"the old picture")

    def test_one_is_made_each_night_once(self) -> None:
        backups = Backups(self.path)
        night = datetime(2026, 11, 26, 3, 5).astimezone()
        self.assertFalse(backups.due(night - timedelta(hours=1)))
        self.assertTrue(backups.due(night))
        made = backups.make(night, "night")
        assert made is not None
        self.assertFalse(backups.due(night + timedelta(hours=5)))
        self.assertTrue(backups.due(night + timedelta(days=1)))
        self.assertEqual(verify(made).preparations, 50)
        self.assertEqual((backups.state.file, backups.state.failed), (made.name, ""))

    def test_one_that_fails_is_told_and_leaves_nothing_behind(self) -> None:
        backups = Backups(self.path)
        first = backups.make(datetime(2026, 11, 25, 3, tzinfo=UTC), "night")
        with patch("yellow_ladle.store.file.backup._copy_photos", side_effect=OSError("disk full")):
            self.assertIsNone(backups.make(datetime(2026, 11, 26, 3, tzinfo=UTC), "night"))
        self.assertEqual(backups.files(), [first])
        self.assertIn("disk full", backups.state.why)
        self.assertTrue(backups.state.last.startswith("2026-11-25"))

    def test_no_version_is_used_twice_after_a_restore(self) -> None:
        copy = self.folder / "copy.sqlite"
        copy_store(self.path, copy)
        with closing(Ledger.open(self.path)) as ledger:
            for flag in ("soy", "mustard"):
                change = stating(ledger.now.reading.book, "butter", flag, Level.CONTAINS)
                ledger.record(change, {"butter": ledger.now.versions["butter"]})
            seen = ledger.now.versions["butter"]
        restore_store(copy, self.path)
        with closing(Ledger.open(self.path)) as ledger:
            change = stating(ledger.now.reading.book, "butter", "celery", Level.CONTAINS)
            with self.assertRaises(Stale):
                ledger.record(change, {"butter": seen})
            ledger.record(change, {"butter": ledger.now.versions["butter"]})
            self.assertGreater(ledger.now.versions["butter"], seen)

    def test_a_damaged_copy_is_refused_and_nothing_is_changed(self) -> None:
        copy = self.folder / "copy.sqlite"
        copy_store(self.path, copy)
        content = bytearray(copy.read_bytes())
        content[8192:8700] = b"\xff" * 508
        copy.write_bytes(content)
        before = self.path.read_bytes()
        with self.assertRaises(Unsound):
            restore_store(copy, self.path)
        self.assertEqual(self.path.read_bytes(), before)

    def test_a_kill_at_any_step_leaves_the_old_or_the_new_whole(self) -> None:
        copy = self.folder / "copy.sqlite"
        copy_store(self.path, copy)
        with closing(sqlite3.connect(self.path)) as file:
            later = "UPDATE document SET content = json_set(content, '$.name', 'Later')"
            file.execute(f"{later} WHERE kind = 'kitchen'")
            file.commit()
        (photos_folder(self.path) / "butter.webp").write_bytes(b"the new picture")
        old, new = ("Skerrow Light", b"the old picture"), ("Later", b"the new picture")
        rename, touch = Path.rename, Path.touch
        for step in range(1, 9):
            with self.subTest(step=step):
                folder = self.folder / f"step-{step}"
                folder.mkdir()
                target = folder / "kitchen.sqlite"
                shutil.copy(self.path, target)
                shutil.copytree(photos_folder(self.path), photos_folder(target))
                dies = partial(_dying, iter(range(1, 100)), step)
                killed = False
                with (
                    patch.object(Path, "rename", dies(rename)),
                    patch.object(Path, "touch", dies(touch)),
                    patch("shutil.rmtree", dies(shutil.rmtree)),
                ):
                    try:
                        restore_store(copy, target)
                    except Killed:
                        killed = True
                finish_restore(target)
                with closing(Ledger.open(target)) as ledger:
                    name = ledger.now.reading.book.kitchen.name
                picture = (photos_folder(target) / "butter.webp").read_bytes()
                self.assertIn((name, picture), (old, new))
                if not killed:
                    self.assertEqual((name, picture), old)


if __name__ == "__main__":
    unittest.main()
