"""What every answer bears, errors included, and HEAD for every address that can be asked for."""

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from yellow_ladle.store.announcements import WRITER

HEADERS = {
    "Content-Security-Policy": (
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; "
        "img-src 'self' data:; connect-src 'self'; base-uri 'none'; form-action 'self'; "
        "frame-ancestors 'none'"
    ),
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "no-referrer",
    "Cross-Origin-Opener-Policy": "same-origin",
}
PAGE = "x-page"
"""The header in which a page names itself, so that it is not told of its own writes."""


class Headed:
    """Puts the security headers on every answer, answers HEAD, and notes which page asks."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        WRITER.set(Headers(scope=scope).get(PAGE, "")[:100])
        head_only = scope["method"] == "HEAD"
        is_api = scope["path"].startswith("/api/")

        async def headed(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                headers.update(HEADERS)
                if is_api:
                    headers["Cache-Control"] = "no-store"
            elif head_only:
                message = {**message, "body": b""}
            await send(message)

        asked = {**scope, "method": "GET"} if head_only else scope
        await self._app(asked, receive, headed)
