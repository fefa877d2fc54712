"""Letting devices in: each gives the passphrase once and bears a cookie from then on."""

from http import HTTPStatus
from http.cookies import SimpleCookie
from importlib.resources import files
from urllib.parse import parse_qs

from starlette.concurrency import run_in_threadpool
from starlette.datastructures import Headers
from starlette.requests import Request
from starlette.responses import HTMLResponse, JSONResponse, RedirectResponse, Response
from starlette.types import ASGIApp, Receive, Scope, Send

from yellow_ladle.api.errors import MEDIA_TYPE, Problem
from yellow_ladle.store.file.passphrase import Passphrase, TooManyTries

COOKIE = "yellow-ladle-device"
DAYS = 400
"""For how long a device is let in; browsers keep no cookie longer."""
ADDRESS = "/door"
STYLE = "/door.css"


class DeviceLogin:
    """Asks every device for the passphrase before anything else is answered."""

    def __init__(self, app: ASGIApp, passphrase: Passphrase) -> None:
        self._app = app
        self._passphrase = passphrase
        folder = files("yellow_ladle.api")
        self._page = folder.joinpath("door.html").read_text("utf-8")
        self._style = folder.joinpath("door.css").read_text("utf-8")

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or self._is_known(Headers(scope=scope)):
            await self._app(scope, receive, send)
            return
        answer = await self._answer(Request(scope, receive))
        await answer(scope, receive, send)

    def _is_known(self, headers: Headers) -> bool:
        cookies: SimpleCookie = SimpleCookie(headers.get("cookie", ""))
        return COOKIE in cookies and self._passphrase.knows(cookies[COOKIE].value)

    async def _answer(self, request: Request) -> Response:
        if request.url.path == STYLE:
            return Response(self._style, media_type="text/css")
        if request.url.path == ADDRESS and request.method == "POST":
            return await self._let_in(request)
        if request.url.path.startswith("/api/") or request.method != "GET":
            problem = Problem(
                title="Not let in",
                status=HTTPStatus.UNAUTHORIZED,
                detail="This device has not given the kitchen's passphrase. Nothing was recorded."
                " Open the kitchen's page and give it.",
            )
            content = problem.model_dump(exclude_none=True)
            return JSONResponse(content, HTTPStatus.UNAUTHORIZED, media_type=MEDIA_TYPE)
        return self._asked("")

    async def _let_in(self, request: Request) -> Response:
        given = parse_qs((await request.body()).decode("utf-8", "replace"))
        words = given.get("passphrase", [""])[0]
        address = request.client.host if request.client else ""
        try:
            # Argon2 takes its time on purpose, and others are served meanwhile.
            token = await run_in_threadpool(self._passphrase.let_in, words, address)
        except TooManyTries as error:
            return self._asked(str(error), HTTPStatus.TOO_MANY_REQUESTS)
        if token is None:
            return self._asked("That is not the kitchen's passphrase.")
        answer = RedirectResponse("/", HTTPStatus.SEE_OTHER)
        answer.set_cookie(
            COOKIE,
            token,
            max_age=DAYS * 24 * 3600,
            httponly=True,
            samesite="strict",
            secure=request.url.scheme == "https",
        )
        return answer

    def _asked(self, told: str, status: HTTPStatus = HTTPStatus.UNAUTHORIZED) -> Response:
        return HTMLResponse(self._page.replace("<!-- told -->", told), status)
