"""Writers wait in line: one at a time, so many at most, and not for ever."""

from collections.abc import Iterator
from contextlib import contextmanager
from threading import Condition, Lock, RLock
from types import TracebackType

MAX_WAITING = 64
"""Writers that wait at once; one more is refused."""
SECONDS = 5.0
"""How long a writer waits before it is refused."""


class Busy(Exception):
    """So many write at once that this one was not let in. Nothing of it was written."""

    def __init__(self) -> None:
        super().__init__(
            "The kitchen's book is busy with other people's changes. Nothing was recorded; what you"
            " typed is kept here. Record it again in a moment."
        )


class Gate:
    """Readers pass at any time, but while it is closed; it closes once the last has gone out."""

    def __init__(self) -> None:
        self._changed = Condition()
        self._inside = 0
        self._closed = False

    def __enter__(self) -> None:
        with self._changed:
            if not self._changed.wait_for(lambda: not self._closed, SECONDS):
                raise Busy
            self._inside += 1

    def __exit__(self, *_: object) -> None:
        with self._changed:
            self._inside -= 1
            self._changed.notify_all()

    @contextmanager
    def closed(self) -> Iterator[None]:
        """Nobody is inside, and whoever comes waits. Raises Busy where somebody stays too long."""
        with self._changed:
            self._closed = True
            try:
                if not self._changed.wait_for(lambda: self._inside == 0, SECONDS):
                    raise Busy
            except BaseException:
                self._closed = False
                self._changed.notify_all()
                raise
        try:
            yield
        finally:
            with self._changed:
                self._closed = False
                self._changed.notify_all()


class WriteQueue:
    """A context in which one thread writes. A thread that writes already goes straight in."""

    def __init__(self) -> None:
        self._writing = RLock()
        self._count = Lock()
        self._waiting = 0

    def __enter__(self) -> None:
        if self._writing.acquire(blocking=False):
            return
        with self._count:
            if self._waiting >= MAX_WAITING:
                raise Busy
            self._waiting += 1
        try:
            if not self._writing.acquire(timeout=SECONDS):
                raise Busy
        finally:
            with self._count:
                self._waiting -= 1

    def __exit__(
        self,
        kind: type[BaseException] | None,
        error: BaseException | None,
        trace: TracebackType | None,
    ) -> None:
        self._writing.release()
