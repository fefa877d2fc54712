"""Reading of somebody's text, in processes of its own that are ended when it takes too long.

A text may be anything. Where its reading has no end in sight, it must not hold up the answers that
other cooks wait for; a thread could neither be ended nor run beside them.
"""

import asyncio
from collections.abc import Callable
from concurrent.futures import CancelledError, TimeoutError
from multiprocessing import get_context
from threading import Lock, Timer
from typing import ParamSpec, TypeVar

from fastapi.concurrency import run_in_threadpool
from pebble import ProcessExpired, ProcessPool

P = ParamSpec("P")
T = TypeVar("T")

SECONDS = 5.0
"""Seconds that the reading of one text may take."""
MAX_WORKERS = 2
MAX_HERE = 2_000
"""Letters of a text that is read within milliseconds, whatever stands in it."""


class TextTooSlow(Exception):
    """A text that could not be read in the time that one request may take."""

    def __init__(self, seconds: float) -> None:
        super().__init__(
            f"This text could not be read within {seconds:g} seconds, so reading it was stopped."
            " Nothing of it was kept. Send a part of it at a time."
        )


class TextWorkers:
    """Processes that read texts. They are started by the first long text, or by `warm`."""

    def __init__(self, seconds: float = SECONDS) -> None:
        self._seconds = seconds
        self._pool: ProcessPool | None = None
        self._starting = Lock()
        self._later: Timer | None = None
        self._ending = False

    async def run(self, letters: int, work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
        """What a module's function makes of a text of so many letters. Raises TextTooSlow.

        Arguments and result go from process to process: they have to be picklable.
        """
        if letters <= MAX_HERE:
            return await run_in_threadpool(work, *args, **kwargs)
        pool = await run_in_threadpool(self._started)
        future = pool.schedule(work, args=list(args), kwargs=kwargs, timeout=self._seconds)
        try:
            done: T = await asyncio.wrap_future(future)
        except (TimeoutError, ProcessExpired, CancelledError) as error:
            raise TextTooSlow(self._seconds) from error
        return done

    def warm(self, after: float = 0.0) -> None:
        """Starts the processes some seconds later, so that no text need wait for them."""
        self._later = Timer(after, self._warm)
        self._later.daemon = True
        self._later.start()

    def _warm(self) -> None:
        for _ in range(MAX_WORKERS):
            if not self._ending:
                self._started().schedule(_load)

    def stop(self) -> None:
        """Ends the processes, whatever they read."""
        self._ending = True
        if self._later is not None:
            self._later.cancel()
        with self._starting:
            if self._pool is not None:
                self._pool.stop()  # type: ignore[no-untyped-call]
                self._pool.join()
                self._pool = None

    def _started(self) -> ProcessPool:
        with self._starting:
            if self._pool is None or not self._pool.active:
                # Spawned, not forked: the server has threads, and a fork would copy their locks.
                self._pool = ProcessPool(
                    max_workers=MAX_WORKERS, context=get_context("spawn"), initializer=_load
                )
            return self._pool


def _load() -> None:
    """Brings in what reads, with its words, before the time of any text is counted."""
    from yellow_ladle.core.labels.reader import read_label
    from yellow_ladle.files.recipes.any_recipe import recipes_of

    recipes_of(b"Soup\n\n100 g leek\n\nBoil it.\n")
    read_label("Sugar, milk")
