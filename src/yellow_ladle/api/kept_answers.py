"""Answers that are asked again and again, kept as bytes for as long as the book stands still."""

import asyncio
import gzip
from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated, TypeAlias

from fastapi import Depends, Request, Response
from pydantic import BaseModel
from starlette.concurrency import run_in_threadpool

from yellow_ladle.store.documents import Now

State: TypeAlias = tuple[int, str | None]

MAX_KEPT = 256
"""Answers kept at once; those that were made last."""
MIN_COMPRESSED = 800
"""Bytes below which an answer is sent as it is."""
LEVEL = 4
"""Of compression: the higher ones take longer than a kitchen's own network does."""


class KeptAnswers:
    """Encoded answers by their address, each with the book's counter and day that it is of."""

    def __init__(self) -> None:
        self._kept: OrderedDict[str, _Kept] = OrderedDict()
        self._making: dict[str, asyncio.Lock] = {}

    async def answer(self, request: Request, now: Now, make: Callable[[], BaseModel]) -> Response:
        """The answer to a request about the book, made anew only after a write or a night.

        Of several who ask for the same at once, one makes it and the others wait.
        """
        state = (now.counter, now.reading.on)
        address = f"{request.url.path}?{request.url.query}"
        kept = self._kept.get(address)
        if kept is None or kept.state != state:
            making = self._making.setdefault(address, asyncio.Lock())
            try:
                async with making:
                    kept = self._kept.get(address)
                    if kept is None or kept.state != state:
                        kept = await run_in_threadpool(_encoded, state, make)
                        self._kept[address] = kept
                        self._kept.move_to_end(address)
                        while len(self._kept) > MAX_KEPT:
                            self._kept.popitem(last=False)
            finally:
                if not making.locked():
                    self._making.pop(address, None)
        if "gzip" not in request.headers.get("accept-encoding", "") or kept.compressed is None:
            return Response(kept.plain, media_type="application/json")
        headers = {"Content-Encoding": "gzip", "Vary": "Accept-Encoding"}
        return Response(kept.compressed, media_type="application/json", headers=headers)


@dataclass(frozen=True, slots=True)
class _Kept:
    """One encoded answer, with the book's counter and the day that it is of."""

    state: State
    plain: bytes
    compressed: bytes | None


def _encoded(state: State, make: Callable[[], BaseModel]) -> _Kept:
    plain = make().model_dump_json(by_alias=True).encode()
    long = len(plain) >= MIN_COMPRESSED
    return _Kept(state, plain, gzip.compress(plain, LEVEL, mtime=0) if long else None)


async def _kept_answers(request: Request) -> KeptAnswers:
    kept: KeptAnswers = request.app.state.kept_answers
    return kept


TheKeptAnswers = Annotated[KeptAnswers, Depends(_kept_answers)]
