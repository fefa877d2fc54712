"""The application: routes, error handling, security headers, and the built client."""

from pathlib import Path
from typing import TYPE_CHECKING, Any

from fastapi import APIRouter, FastAPI
from fastapi.responses import FileResponse
from starlette.exceptions import HTTPException
from starlette.middleware.gzip import GZipMiddleware

from yellow_ladle import __version__
from yellow_ladle.api.built_assets import BuiltAssets
from yellow_ladle.api.cards import (
    amount_routes,
    base_routes,
    card_routes,
    change_routes,
    comparison_routes,
    family_routes,
    history_routes,
    preparation_routes,
    recipe_routes,
    thickening_routes,
)
from yellow_ladle.api.door import Door
from yellow_ladle.api.errors import PROBLEMS, add_handlers
from yellow_ladle.api.headers import Headed
from yellow_ladle.api.kitchen import (
    event_routes,
    find_routes,
    health_routes,
    house_flag_routes,
    kitchen_routes,
    made_up_routes,
)
from yellow_ladle.api.larder import (
    feed_routes,
    intake_routes,
    label_routes,
    photo_routes,
    picture_routes,
    product_routes,
    question_routes,
    tool_routes,
    unchecked_routes,
)
from yellow_ladle.api.open_kitchen import open_kitchen
from yellow_ladle.api.production import (
    batch_routes,
    lot_routes,
    shelf_routes,
    today_routes,
    trace_routes,
)
from yellow_ladle.api.swaps import (
    applied_plan_routes,
    guest_routes,
    menu_routes,
    plan_routes,
    rule_routes,
)
from yellow_ladle.api.text_workers import TextWorkers
from yellow_ladle.store.ledger import Ledger

if TYPE_CHECKING:
    from yellow_ladle.store.file.passphrase import Passphrase

CLIENT = Path(__file__).parents[3] / "web" / "dist"

ROUTES = (
    *(kitchen_routes, family_routes, preparation_routes, product_routes),
    *(change_routes, find_routes, event_routes, health_routes, made_up_routes),
    house_flag_routes,
    *(plan_routes, applied_plan_routes, menu_routes, rule_routes, guest_routes),
    *(recipe_routes, base_routes, card_routes, amount_routes, thickening_routes, comparison_routes),
    *(label_routes, picture_routes, unchecked_routes, tool_routes, history_routes),
    *(intake_routes, feed_routes, photo_routes, question_routes),
    *(today_routes, batch_routes, lot_routes, shelf_routes, trace_routes),
)

METHODS = ["GET", "POST", "PUT", "PATCH", "DELETE"]


def create_app(
    ledger: Ledger | None,
    hosts: list[str] | None = None,
    feed: str | None = None,
    *,
    passphrase: "Passphrase | None" = None,
    in_the_clear: bool = False,
    backups: Path | None = None,
    log: Path | None = None,
) -> FastAPI:
    """The application over one kitchen's ledger.

    `hosts`: the names it answers to, any if None. `feed`: the address of a supplier's feed.
    `passphrase` is asked of every device. `in_the_clear`: other machines reach it without TLS,
    which every page then says. `backups`: their folder, beside the book if None.
    `log`: the file for a line about every request.
    """
    app = FastAPI(
        title="Yellow Ladle",
        version=__version__,
        description="What is in every pot, where from, and what can be done about it.",
        openapi_url="/api/v1/openapi.json",
        docs_url=None,
        redoc_url=None,
    )
    app.state.ledger = None
    app.state.own_ledger = None
    app.state.feed = feed
    app.state.in_the_clear = in_the_clear
    app.state.backups = backups
    app.state.text_workers = TextWorkers()
    if ledger is not None:
        open_kitchen(app, ledger)
    app.add_middleware(GZipMiddleware, minimum_size=800)
    if passphrase is not None:
        from yellow_ladle.api.device_login import DeviceLogin  # a kitchen by itself asks nobody

        app.add_middleware(DeviceLogin, passphrase=passphrase)
    app.add_middleware(Door, hosts=hosts)
    app.add_middleware(Headed)
    if log is not None:
        from yellow_ladle.api.request_log import RequestLog, request_log  # only where it is kept

        app.add_middleware(RequestLog, log=request_log(log))
    add_handlers(app)
    api = APIRouter(prefix="/api/v1", responses=PROBLEMS)
    for part in ROUTES:
        api.include_router(part.router)
    app.include_router(api)
    _serve_client(app)
    return app


def openapi_document() -> dict[str, Any]:
    """The API's description, from which the client's types are generated."""
    return create_app(None).openapi()


def _nothing_there(path: str) -> None:
    raise HTTPException(404, f"There is nothing at /api/{path}. /api/docs lists what there is.")


def _serve_client(app: FastAPI) -> None:
    """The built client: hashed assets as files, the API's documentation, else the one page."""
    built = CLIENT.exists()
    if built:
        app.mount("/assets", BuiltAssets(directory=CLIENT / "assets"))
        app.add_api_route("/api/docs", _documentation, include_in_schema=False)
    # Behind every route of the API and before the page, which answers any address.
    app.add_api_route("/api/{path:path}", _nothing_there, methods=METHODS, include_in_schema=False)
    if built:
        app.add_api_route("/{path:path}", _page, include_in_schema=False)


def _documentation() -> FileResponse:
    return FileResponse(CLIENT / "api-docs.html")


def _page(path: str) -> FileResponse:
    file = CLIENT / path
    if path and file.is_file() and file.resolve().is_relative_to(CLIENT):
        return FileResponse(file)
    return FileResponse(CLIENT / "index.html", headers={"Cache-Control": "no-cache"})
