"""A kitchen's file opened by the one process that may change it."""

from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import create_engine

from yellow_ladle.store.file.backup_schedule import Backups
from yellow_ladle.store.file.checkup import Unsound, refuse_damaged, refuse_foreign
from yellow_ladle.store.file.engine import is_newest
from yellow_ladle.store.file.lock import FileLock
from yellow_ladle.store.file.restore import finish_restore
from yellow_ladle.store.kept_photos import take_in_pictures
from yellow_ladle.store.ledger import Ledger


@dataclass(frozen=True, slots=True)
class KitchenFile:
    """The ledger of a file with the lock on it, and its backups."""

    ledger: Ledger
    lock: FileLock
    backups: Backups

    @classmethod
    def open(cls, path: Path, folder: Path | None = None) -> "KitchenFile":
        """Takes the lock and opens the file; one of an earlier form is backed up before.

        `folder` is where backups go. Raises FileHeld, Unsound, FileFault.
        """
        lock = FileLock(path)
        try:
            finish_restore(path)
            refuse_foreign(path)
            backups = Backups(path, folder)
            if path.exists() and path.stat().st_size and not _has_newest_form(path):
                # Of a file of today's form the ledger sees to it.
                refuse_damaged(path)
                backups.make(datetime.now(UTC), "before-migration")
            ledger = Ledger.open(path)
            take_in_pictures(ledger)
            return cls(ledger, lock, backups)
        except Unsound as error:
            lock.release()
            raise Unsound(f"{error}{offered(path, folder)}") from error
        except BaseException:
            lock.release()
            raise

    def close(self) -> None:
        """Closes the file and lets others have it."""
        self.ledger.close()
        self.lock.release()

    def __enter__(self) -> "KitchenFile":
        return self

    def __exit__(self, *_: object) -> None:
        self.close()


def offered(path: Path, folder: Path | None = None) -> str:
    """A sentence with the newest good backup of a file that cannot be opened; "" without one."""
    backups = Backups(path, folder)
    newest = backups.newest_good()
    if newest is None:
        return ""
    return f" The newest good backup: ./ladle restore {newest} --book {path}"


def _has_newest_form(path: Path) -> bool:
    engine = create_engine(f"sqlite:///{path}")
    try:
        with engine.connect() as connection:
            return is_newest(connection)
    finally:
        engine.dispose()
