"""Copies of a kitchen's data, each verified after it is made, and putting one back as one act."""

import shutil
import sqlite3
import tempfile
from contextlib import closing
from dataclasses import dataclass
from pathlib import Path

from yellow_ladle.store.file.checkup import (
    Contents,
    Unsound,
    contents_of,
    refuse_damaged,
    refuse_foreign,
)
from yellow_ladle.store.file.file_faults import told_in_words
from yellow_ladle.store.file.photos import photos_folder, to_disk
from yellow_ladle.store.file.restore import (
    DATABASE,
    KEPT,
    PHOTOS,
    READY,
    finish_restore,
    prepared,
)
from yellow_ladle.store.ledger import Ledger


@dataclass(frozen=True, slots=True)
class Restored:
    """What a restore did: what it put back, what stood before, and where that was kept."""

    holds: Contents
    stood: Contents | None
    kept: Path | None


def copy_store(source: Path, target: Path) -> Contents:
    """A consistent copy, also while the source is in use, with the pictures beside it.

    It is opened and verified before it takes its name, so that whatever bears it is whole, also
    after a kill. Raises Unsound where it is not sound; then nothing is left of it.
    """
    fresh = target.with_name(f"{target.name}.making")
    with told_in_words():
        try:
            _remove(fresh)
            _copy_database(source, fresh)
            _copy_photos(source, fresh)
            to_disk(fresh)
            holds = verify(fresh)
            if photos_folder(fresh).exists():
                shutil.rmtree(photos_folder(target), ignore_errors=True)
                photos_folder(fresh).rename(photos_folder(target))
            fresh.rename(target)
            to_disk(target.parent)
            return holds
        except BaseException:
            _remove(fresh)
            raise


def verify(path: Path) -> Contents:
    """What a file holds, after everything about it was looked at. Raises Unsound.

    It may be of an earlier version: that one is brought to the newest form in a copy.
    """
    if not path.exists():
        raise Unsound(f"{path} is not there.")
    refuse_foreign(path)
    refuse_damaged(path, whole=True)
    with tempfile.TemporaryDirectory(prefix="yellow-ladle-") as folder:
        fresh = Path(folder) / DATABASE
        try:
            _copy_database(path, fresh)
            Ledger.open(fresh).close()
            return contents_of(fresh)
        except (sqlite3.DatabaseError, KeyError, ValueError) as error:
            raise Unsound(f"{path} holds no kitchen's data that can be read: {error}.") from error


def restore_store(source: Path, target: Path) -> Restored:
    """Puts a copy in the target's place, database and pictures as one act; keeps what stood.

    Raises Unsound where the copy is not sound; then nothing was changed. A restore that was
    interrupted is finished when the target is next opened.
    """
    holds = verify(source)
    target.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    stood = _told(target)
    folder = prepared(target)
    shutil.rmtree(folder, ignore_errors=True)
    (folder / PHOTOS).mkdir(mode=0o700, parents=True)
    fresh = folder / DATABASE
    _copy_database(source, fresh)
    Ledger.open(fresh).close()
    _count_on(fresh, 0 if stood is None else stood.counter)
    if photos_folder(source).exists():
        shutil.copytree(photos_folder(source), folder / PHOTOS, dirs_exist_ok=True)
    kept = _free_name(target) if target.exists() else None
    (folder / KEPT).write_text("" if kept is None else str(kept), "utf-8")
    for path in (fresh, folder / KEPT, folder):
        to_disk(path)
    (folder / READY).touch()
    to_disk(folder)
    finish_restore(target)
    return Restored(holds, stood, kept)


def _count_on(fresh: Path, counter: int) -> None:
    """Raises the counter above the one that stood: no version may name two things.

    A page that saw version 10 of what goes must not pass for one that saw version 10 of what comes.
    """
    with closing(sqlite3.connect(fresh)) as file:
        file.execute("UPDATE book SET counter = max(counter, ?) + 1", [counter])
        file.commit()


def _copy_photos(source: Path, target: Path) -> None:
    """Puts the source's pictures beside the target."""
    there, here = photos_folder(source), photos_folder(target)
    shutil.rmtree(here, ignore_errors=True)
    if there.exists():
        shutil.copytree(there, here)


def _copy_database(source: Path, target: Path) -> None:
    with closing(sqlite3.connect(source)) as old, closing(sqlite3.connect(target)) as new:
        old.backup(new)
        # One file without a log beside it, which can be opened where nothing may be written.
        new.execute("PRAGMA journal_mode = DELETE")


def _told(path: Path) -> Contents | None:
    """What a file holds, as far as it can be told: it may be damaged, which is why it goes."""
    try:
        return contents_of(path) if path.exists() else None
    except (sqlite3.DatabaseError, ValueError):
        return None


def _remove(path: Path) -> None:
    for rest in ("", "-wal", "-shm", "-journal"):
        path.with_name(path.name + rest).unlink(missing_ok=True)
    shutil.rmtree(photos_folder(path), ignore_errors=True)


def _free_name(target: Path) -> Path:
    number, kept = 1, target.with_suffix(".before-restore.sqlite")
    while kept.exists():
        number, kept = number + 1, target.with_suffix(f".before-restore-{number + 1}.sqlite")
    return kept
