"""A restore that was prepared beside the kitchen's file, and is finished as one act.

The database and the pictures are two things on the disk, which a kill could split. So the restore
is laid out in a folder first and marked as ready; from then on it only goes forward, and whoever
next opens the file finishes it.
"""

import shutil
import sqlite3
from contextlib import closing, suppress
from pathlib import Path

from yellow_ladle.store.file.photos import photos_folder, to_disk

READY = "ready"
"""The mark within a prepared restore that all of it is there: from then on it goes forward only."""
DATABASE = "kitchen.sqlite"
PHOTOS = "photos"
KEPT = "kept"


def finish_restore(target: Path) -> None:
    """Finishes a restore that was prepared in full, step by step as far as each is not yet done.

    One that was not prepared in full is dropped. Nobody else may have the target open.
    """
    folder = prepared(target)
    if not folder.exists():
        return
    if (folder / READY).exists():
        kept = (folder / KEPT).read_text("utf-8")
        if (folder / DATABASE).exists():
            if kept and target.exists() and not Path(kept).exists():
                _close_log(target)
                target.rename(kept)
            for rest in ("-wal", "-shm"):
                target.with_name(target.name + rest).unlink(missing_ok=True)
            (folder / DATABASE).rename(target)
        if (folder / PHOTOS).exists():
            here = photos_folder(target)
            if kept and here.exists() and not photos_folder(Path(kept)).exists():
                here.rename(photos_folder(Path(kept)))
            shutil.rmtree(here, ignore_errors=True)
            (folder / PHOTOS).rename(here)
        to_disk(target.parent)
    shutil.rmtree(folder)


def prepared(target: Path) -> Path:
    """Where a restore of a file is laid out."""
    return target.with_name(f"{target.name}.restoring")


def _close_log(path: Path) -> None:
    """Takes the write-ahead log into the file, so that the file alone is all there is."""
    # A damaged file is kept as it is: it is what goes.
    with suppress(sqlite3.DatabaseError), closing(sqlite3.connect(path)) as connection:
        connection.execute("PRAGMA wal_checkpoint(TRUNCATE)")
