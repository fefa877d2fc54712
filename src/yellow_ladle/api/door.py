"""Who may ask: only by the names that the kitchen goes by, and writes only from its own pages.

A page of somebody else's, opened in a cook's browser, could otherwise write into the book: by
sending a form to it, or by a name of its own that it makes point at this machine (DNS rebinding).
https://fetch.spec.whatwg.org/#origin-header, https://www.w3.org/TR/fetch-metadata/
"""

import asyncio
from collections.abc import Collection
from http import HTTPStatus

from starlette.datastructures import Headers
from starlette.requests import ClientDisconnect
from starlette.responses import JSONResponse
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from yellow_ladle.api.errors import MEDIA_TYPE, Problem

LOOPBACK = ("127.0.0.1", "localhost", "::1")
READS = ("GET", "HEAD", "OPTIONS")
OWN_SITE = ("same-origin", "none")
"""What browsers say of a request that no other site made. `none`: somebody typed the address."""
SECONDS_FOR_A_PIECE = 30.0
"""How long a client may take for the next piece of what it sends."""
MAX_BODY = 16 * 1024 * 1024
"""Bytes of the longest body. A bigger book comes in by the command line."""


class Door:
    """Refuses requests by a foreign name, writes from foreign pages, and bodies without end.

    `hosts`: the names that the kitchen goes by, any if None.
    """

    def __init__(self, app: ASGIApp, hosts: Collection[str] | None) -> None:
        self._app = app
        self._hosts = None if hosts is None else {host.lower() for host in hosts}

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        refused = self._refused(scope)
        if refused is not None:
            await refused(scope, receive, send)
            return
        body = _Body(receive)

        async def answered(message: Message) -> None:
            if not body.too_long:
                await send(message)

        try:
            await self._app(scope, body.receive, answered)
        except ClientDisconnect:
            if not body.too_long:
                raise
        if body.too_long:
            await _too_long()(scope, receive, send)

    def _refused(self, scope: Scope) -> JSONResponse | None:
        headers = Headers(scope=scope)
        asked = headers.get("host", "")
        if self._hosts is not None and host_of(asked) not in self._hosts:
            return _problem(
                HTTPStatus.MISDIRECTED_REQUEST,
                f'This kitchen does not go by the name "{host_of(asked)[:100]}". Use the address'
                " that was printed when it was started, or start it with --name for this one.",
            )
        if scope["method"] not in READS and not _is_own(headers, asked):
            return _problem(
                HTTPStatus.FORBIDDEN,
                "A page that is not this kitchen's own wanted to write into its book. Nothing was"
                " recorded. Open the kitchen by its own address.",
            )
        length = headers.get("content-length", "0")
        if not length.isdecimal() or int(length) > MAX_BODY:
            return _too_long()
        return None


def host_of(host: str) -> str:
    """The name in a Host header, without its port and the brackets of an IPv6 address."""
    if host.startswith("["):
        return host[1:].partition("]")[0].lower()
    return host.partition(":")[0].lower()


def _is_own(headers: Headers, host: str) -> bool:
    """Whether a write comes from the kitchen's own page, or from no page at all."""
    if headers.get("sec-fetch-site", "none") not in OWN_SITE:
        return False
    origin = headers.get("origin")
    return origin is None or origin.partition("://")[2].lower() == host.lower()


class _Body:
    """What a client sends, until there is too much of it: its length may not be told beforehand."""

    def __init__(self, receive: Receive) -> None:
        self._receive = receive
        self._size = 0
        self._whole = False
        self.too_long = False

    async def receive(self) -> Message:
        try:
            # Once the body is whole, all that can come is that the client goes.
            message = await asyncio.wait_for(
                self._receive(), None if self._whole else SECONDS_FOR_A_PIECE
            )
        except TimeoutError:
            return {"type": "http.disconnect"}
        self._whole = not message.get("more_body", False)
        self._size += len(message.get("body", b""))
        if self._size > MAX_BODY:
            # As if the client had gone: whoever reads the body stops, and its answer is not sent.
            self.too_long = True
            return {"type": "http.disconnect"}
        return message


def _too_long() -> JSONResponse:
    limit = MAX_BODY // (1024 * 1024)
    return _problem(
        HTTPStatus.REQUEST_ENTITY_TOO_LARGE,
        f"What was sent has over {limit} MB. Nothing was recorded. Take a book of that size in with"
        " ./ladle import on the kitchen's own machine.",
    )


def _problem(status: HTTPStatus, detail: str) -> JSONResponse:
    problem = Problem(title=status.phrase, status=status, detail=detail)
    content = problem.model_dump(exclude_none=True)
    return JSONResponse(content, status, media_type=MEDIA_TYPE)
