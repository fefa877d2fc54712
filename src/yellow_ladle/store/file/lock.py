"""One process serves a kitchen's file: an exclusive lock beside it, which ends with the process.

The lock is `flock` on a file of its own, so that it is free at once however the process ends, and
says by its content where the kitchen is served.
"""

import fcntl
import json
import os
from contextlib import suppress
from dataclasses import asdict, dataclass
from pathlib import Path


@dataclass(frozen=True, slots=True)
class Holder:
    """Who holds a file: the process, where it answers, and the socket for this machine's commands.

    `address` and `socket` are empty for a command that is at work and answers nobody.
    """

    pid: int
    address: str = ""
    socket: str = ""


class FileHeld(Exception):
    """Another process holds the kitchen's file. Nothing was changed."""

    def __init__(self, path: Path, holder: Holder) -> None:
        self.holder = holder
        where = f"serves it at {holder.address}" if holder.address else "is at work on it"
        super().__init__(
            f"{path}: another process ({holder.pid}) {where}; one at a time. Nothing was changed."
            + (" Use that one, or stop it first." if holder.address else " Try again in a moment.")
        )


class FileLock:
    """The right to change a kitchen's file, held until `release` or the end of the process."""

    def __init__(self, path: Path) -> None:
        self._path = path
        self._lock = lock_file(path)
        path.parent.mkdir(parents=True, exist_ok=True)
        self._file = os.open(self._lock, os.O_RDWR | os.O_CREAT | os.O_CLOEXEC, 0o600)
        try:
            fcntl.flock(self._file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError as error:
            os.close(self._file)
            raise FileHeld(path, holder_of(path)) from error
        self.tell(Holder(os.getpid()))

    def tell(self, holder: Holder) -> None:
        """Writes down who holds it."""
        content = json.dumps(asdict(holder)).encode()
        os.ftruncate(self._file, 0)
        os.pwrite(self._file, content, 0)

    def release(self) -> None:
        """Lets others have the file. The lock file stays: to remove it would free a held lock."""
        with suppress(OSError):
            os.ftruncate(self._file, 0)
            os.close(self._file)

    def __enter__(self) -> "FileLock":
        return self

    def __exit__(self, *_: object) -> None:
        self.release()


def lock_file(path: Path) -> Path:
    """Where the lock of a kitchen's file is: beside it."""
    return path.with_name(f"{path.name}.lock")


def holder_of(path: Path) -> Holder:
    """Who holds a file, as far as the holder has said."""
    try:
        return Holder(**json.loads(lock_file(path).read_text("utf-8")))
    except (OSError, ValueError, TypeError):
        return Holder(0)
