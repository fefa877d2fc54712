"""Backing a kitchen's data up, and putting a backup back."""

import shutil
import sqlite3
from contextlib import closing
from pathlib import Path

from sqlalchemy.exc import DatabaseError

from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.photos import photos_folder


class NotAKitchen(ValueError):
    """A file that holds no kitchen's data."""


def copy_store(source: Path, target: Path) -> None:
    """A consistent copy, also while the source is in use, with the pictures beside it."""
    with closing(sqlite3.connect(source)) as old, closing(sqlite3.connect(target)) as new:
        old.backup(new)
    _copy_photos(source, target)


def _copy_photos(source: Path, target: Path) -> None:
    """Puts the source's pictures in the place of the target's."""
    there, here = photos_folder(source), photos_folder(target)
    if here.exists():
        shutil.rmtree(here)
    if there.exists():
        shutil.copytree(there, here)


def restore_store(source: Path, target: Path) -> Path | None:
    """Puts a copy in the target's place and returns where the former target was kept."""
    fresh = target.with_suffix(".restoring")
    fresh.parent.mkdir(parents=True, exist_ok=True)
    fresh.unlink(missing_ok=True)
    try:
        copy_store(source, fresh)
        Ledger.open(fresh).close()
    except (DatabaseError, sqlite3.DatabaseError, KeyError) as error:
        fresh.unlink(missing_ok=True)
        raise NotAKitchen("holds no kitchen's data; nothing was changed") from error
    kept = None
    if target.exists():
        kept = _free_name(target)
        copy_store(target, kept)
    with closing(sqlite3.connect(fresh)) as old, closing(sqlite3.connect(target)) as new:
        old.backup(new)
    _copy_photos(source, target)
    fresh.unlink()
    if photos_folder(fresh).exists():
        shutil.rmtree(photos_folder(fresh))
    return kept


def _free_name(target: Path) -> Path:
    number, kept = 1, target.with_suffix(".before-restore.sqlite")
    while kept.exists():
        number, kept = number + 1, target.with_suffix(f".before-restore-{number + 1}.sqlite")
    return kept
