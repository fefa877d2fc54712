"""Open pages hear of every write: a stream of server-sent events for each browser.

https://html.spec.whatwg.org/multipage/server-sent-events.html
"""

import asyncio
import json
from collections.abc import AsyncIterator
from dataclasses import asdict
from threading import Lock

from yellow_ladle.store.announcements import Announced
from yellow_ladle.store.ledger import Ledger

SECONDS_BETWEEN_BEATS = 5.0
"""A page that hears nothing for three of these takes the connection to be gone."""
MAX_BEHIND = 200
"""Events that wait for one page; a page further behind reads everything anew."""


class Stream:
    """The events that wait for one page."""

    def __init__(self) -> None:
        self.loop = asyncio.get_running_loop()
        self.waiting: asyncio.Queue[Announced | None] = asyncio.Queue(MAX_BEHIND)

    def put(self, announced: Announced | None) -> None:
        """Adds one; None ends the stream. A page that is too far behind gets the last one only."""
        while self.waiting.full():
            self.waiting.get_nowait()
        self.waiting.put_nowait(announced)


class Broadcast:
    """Every open stream. Writers are in threads of their own and never wait for a page."""

    def __init__(self) -> None:
        self._streams: set[Stream] = set()
        self._lock = Lock()
        self._ended = False

    @property
    def listening(self) -> int:
        """How many streams are open."""
        with self._lock:
            return len(self._streams)

    def publish(self, announced: Announced | None) -> None:
        """Tells every open page; None ends them all."""
        with self._lock:
            self._ended = self._ended or announced is None
            for stream in self._streams:
                stream.loop.call_soon_threadsafe(stream.put, announced)

    async def events(self, ledger: Ledger) -> AsyncIterator[bytes]:
        """The stream of one page: what stands, every write from now on, and a beat in between."""
        stream = Stream()
        with self._lock:
            if self._ended:
                return
            self._streams.add(stream)
        try:
            yield _event("standing", _counters(ledger))
            while True:
                try:
                    wait = asyncio.wait_for(stream.waiting.get(), SECONDS_BETWEEN_BEATS)
                    announced = await wait
                except TimeoutError:
                    yield _event("beat", _counters(ledger))
                    continue
                if announced is None:
                    return
                yield _event("written", asdict(announced) | {"at": ledger.moment})
        finally:
            with self._lock:
                self._streams.discard(stream)


def _counters(ledger: Ledger) -> dict[str, object]:
    now = ledger.now
    return {"counter": now.counter, "appended": now.appended, "at": ledger.moment}


def _event(kind: str, content: dict[str, object]) -> bytes:
    return f"event: {kind}\ndata: {json.dumps(content, ensure_ascii=False)}\n\n".encode()
