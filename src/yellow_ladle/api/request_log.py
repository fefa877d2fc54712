"""What was asked, how it was answered and how long it took: a line of JSON for each request.

A line names the route and never the address, the text or the people of a request, so that no guest
is in it.
"""

import logging
from logging.handlers import RotatingFileHandler
from pathlib import Path
from time import perf_counter

import structlog
from starlette.types import ASGIApp, Message, Receive, Scope, Send

MAX_BYTES = 2_000_000
FILES = 5
"""The newest files that are kept, each of at most `MAX_BYTES`."""


def request_log(path: Path) -> structlog.stdlib.BoundLogger:
    """A log in a file, which is turned over before it grows without end."""
    path.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    logger = logging.getLogger(f"yellow_ladle.requests.{path}")
    logger.setLevel(logging.INFO)
    logger.propagate = False
    logger.handlers = [RotatingFileHandler(path, maxBytes=MAX_BYTES, backupCount=FILES - 1)]
    log: structlog.stdlib.BoundLogger = structlog.wrap_logger(
        logger,
        processors=[
            structlog.processors.TimeStamper(fmt="iso", utc=True),
            structlog.processors.JSONRenderer(),
        ],
        wrapper_class=structlog.stdlib.BoundLogger,
    )
    return log


class RequestLog:
    """Writes a line for every request once it is answered."""

    def __init__(self, app: ASGIApp, log: structlog.stdlib.BoundLogger) -> None:
        self._app = app
        self._log = log

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        begun, status = perf_counter(), 500

        async def noted(message: Message) -> None:
            nonlocal status
            if message["type"] == "http.response.start":
                status = message["status"]
            await send(message)

        try:
            await self._app(scope, receive, noted)
        finally:
            route = getattr(scope.get("route"), "path", "")
            milliseconds = round((perf_counter() - begun) * 1000, 1)
            self._log.info(
                "request", method=scope["method"], route=route, status=status, ms=milliseconds
            )
