"""A made-up kitchen to look around in before the first own recipe, kept apart from the own file."""

import shutil
from pathlib import Path
from tempfile import mkdtemp

from fastapi import APIRouter, FastAPI, HTTPException, Request

from yellow_ladle.api.dependencies import TheLedger
from yellow_ladle.api.open_kitchen import open_kitchen
from yellow_ladle.api.schemas.answer_forms import WrittenOut
from yellow_ladle.store.ledger import Ledger

router = APIRouter(prefix="/kitchen/made-up", tags=["kitchen"])


@router.post("")
def show_made_up(request: Request, ledger: TheLedger) -> WrittenOut:
    """Puts the demo's kitchen in the place of one in which nothing is recorded yet.

    It has a file of its own, which is thrown away with it or when the application ends.
    """
    from yellow_ladle.demo.kitchen import fill_with_demo

    app: FastAPI = request.app
    if not ledger.is_empty:
        message = "Your kitchen has something in it. The made-up one is only for an empty kitchen."
        raise HTTPException(409, message)
    folder = Path(mkdtemp(prefix="yellow-ladle-"))
    made_up = Ledger.open(folder / "made-up.sqlite")
    fill_with_demo(made_up)
    _put_behind(app, made_up)
    app.state.own_ledger, app.state.made_up_folder = ledger, folder
    return WrittenOut(version=made_up.now.counter)


@router.delete("")
def throw_away(request: Request) -> WrittenOut:
    """Throws the made-up kitchen away and restores the user's own, as it was."""
    app: FastAPI = request.app
    own: Ledger | None = app.state.own_ledger
    if own is None:
        raise HTTPException(404, "There is no made-up kitchen; this one is your own.")
    made_up: Ledger = app.state.ledger
    _put_behind(app, own)
    made_up.close()
    shutil.rmtree(app.state.made_up_folder, ignore_errors=True)
    return WrittenOut(version=own.now.counter)


def _put_behind(app: FastAPI, ledger: Ledger) -> None:
    """Opens another kitchen; every page's stream ends, so that it reads everything anew."""
    listeners = app.state.broadcast
    open_kitchen(app, ledger)
    listeners.publish(None)
