"""Connections that ask for nothing do not keep others out, and do not fill the log."""

import asyncio
import logging
from itertools import count
from time import monotonic
from typing import Any

from uvicorn.protocols.http.h11_impl import H11Protocol

MAX_CONNECTIONS = 400
"""Connections at once. One more takes the place of the oldest that waits without a request."""
MAX_ACCEPTED = 100
"""Connections that are taken in before the first of them is looked at.

asyncio takes in as many in one go, and above the limit is only what it took in so: a process whose
files have run out could take in nobody, not even to put another one out.
"""
SECONDS_FOR_HEADERS = 10.0
"""How long a new connection may take until its first request is there."""
MAX_LINES = 5
"""Lines of one kind that are logged within a minute."""

_numbers = count()


class BoundedProtocol(H11Protocol):
    """HTTP/1.1 with a time for the first request, and with an end to the number of connections."""

    def connection_made(self, transport: asyncio.Transport) -> None:  # type: ignore[override]
        super().connection_made(transport)
        self._number = next(_numbers)
        self._late = self.loop.call_later(SECONDS_FOR_HEADERS, self._drop_if_waiting)
        if len(self.connections) > MAX_CONNECTIONS:
            waiting = [
                other
                for other in self.connections
                if isinstance(other, BoundedProtocol) and other is not self and other.is_waiting
            ]
            dropped = min(waiting, key=lambda other: other._number, default=self)
            dropped.transport.abort()

    def connection_lost(self, exc: Exception | None) -> None:
        self._late.cancel()
        super().connection_lost(exc)

    @property
    def is_waiting(self) -> bool:
        """Whether no request is being answered."""
        return self.cycle is None or self.cycle.response_complete

    def _drop_if_waiting(self) -> None:
        if self.cycle is None:
            self.transport.abort()


class FewOfAKind(logging.Filter):
    """Lets so many lines of one kind through in a minute, and then says how many it kept back."""

    def __init__(self) -> None:
        super().__init__()
        self._seen: dict[str, tuple[float, int]] = {}

    def filter(self, record: logging.LogRecord) -> bool:
        """Whether a line is to be logged."""
        kind = str(record.msg)
        begun, lines = self._seen.get(kind, (monotonic(), 0))
        if monotonic() - begun > 60:
            kept_back = lines - MAX_LINES
            begun, lines = monotonic(), 0
            if kept_back > 0:
                record.msg = f"{record.msg} (and {kept_back} more like it before)"
        self._seen[kind] = (begun, lines + 1)
        return lines < MAX_LINES


def quiet(config: dict[str, Any]) -> dict[str, Any]:
    """Uvicorn's configuration of the log with times, and with few lines of a kind."""
    formatters = {**config["formatters"]}
    formatters["default"] = {
        **formatters["default"],
        "fmt": "%(asctime)s %(levelprefix)s %(message)s",
    }
    handlers = {
        name: {**handler, "filters": ["few"]} for name, handler in config["handlers"].items()
    }
    filters = {"few": {"()": FewOfAKind}}
    # asyncio tells of every connection that it could not take in.
    loggers = {**config["loggers"], "asyncio": {"handlers": ["default"], "propagate": False}}
    return {
        **config,
        "formatters": formatters,
        "handlers": handlers,
        "filters": filters,
        "loggers": loggers,
    }
