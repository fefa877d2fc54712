"""Answers that are asked again and again, kept as bytes for as long as the book stands still."""

import gzip
from collections import OrderedDict
from collections.abc import Callable
from threading import Lock
from typing import Annotated

from fastapi import Depends, Request, Response
from pydantic import BaseModel

from yellow_ladle.store.book_repository import Now

MAX_KEPT = 32
"""Answers kept at once; those that were asked for last."""
MIN_COMPRESSED = 800
"""Bytes below which an answer is sent as it is."""
LEVEL = 4
"""Of compression: the higher ones take longer than a kitchen's own network does."""


class KeptAnswers:
    """Encoded answers by their address, each with the book's counter and day that it is of."""

    def __init__(self) -> None:
        self._kept: OrderedDict[str, tuple[tuple[int, str | None], bytes, bytes]] = OrderedDict()
        self._lock = Lock()

    def answer(self, request: Request, now: Now, make: Callable[[], BaseModel]) -> Response:
        """The answer to a request about the whole book, made anew only after a write or a night."""
        state = (now.counter, now.reading.on)
        address = f"{request.url.path}?{request.url.query}"
        with self._lock:
            kept = self._kept.get(address)
        if kept is None or kept[0] != state:
            plain = make().model_dump_json(by_alias=True).encode()
            kept = (state, plain, gzip.compress(plain, LEVEL, mtime=0))
            with self._lock:
                self._kept[address] = kept
                self._kept.move_to_end(address)
                while len(self._kept) > MAX_KEPT:
                    self._kept.popitem(last=False)
        _, plain, compressed = kept
        if len(plain) < MIN_COMPRESSED or "gzip" not in request.headers.get("accept-encoding", ""):
            return Response(plain, media_type="application/json")
        headers = {"Content-Encoding": "gzip", "Vary": "Accept-Encoding"}
        return Response(compressed, media_type="application/json", headers=headers)


def _kept_answers(request: Request) -> KeptAnswers:
    kept: KeptAnswers = request.app.state.kept_answers
    return kept


TheKeptAnswers = Annotated[KeptAnswers, Depends(_kept_answers)]
