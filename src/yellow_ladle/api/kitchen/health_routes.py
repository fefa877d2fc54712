"""How the application and its backups are, for whoever runs the kitchen."""

from datetime import datetime

from fastapi import APIRouter, Request
from pydantic import BaseModel

from yellow_ladle import __version__
from yellow_ladle.api.dependencies import TheLedger
from yellow_ladle.store.file.backup_schedule import Backups, BackupState
from yellow_ladle.store.file.engine import newest_revision
from yellow_ladle.store.file.lock import holder_of
from yellow_ladle.store.ledger import Ledger

router = APIRouter(tags=["kitchen"])

MAX_HOURS = 48
"""A last good backup that is older than this is told on every page."""

MAX_SECONDS_BEHIND = 120
"""A clock that stands this far before the last moment of the history is told on every page."""


class HealthOut(BaseModel):
    """`revision`: the form of the file. `served_by`: the process that holds it, 0 for none.

    `worry` says what somebody has to see to, of the backups or of the clock, else it is empty.
    """

    version: str
    revision: str
    counter: int
    served_by: int
    listening: int
    backups: BackupState
    backups_in: str
    worry: str


@router.get("/health")
def health(request: Request, ledger: TheLedger) -> HealthOut:
    """Version, form of the file, counter, lock, open pages, and the newest backup."""
    backups = Backups(ledger.path, request.app.state.backups)
    state = backups.state
    return HealthOut(
        version=__version__,
        revision=newest_revision(),
        counter=ledger.now.counter,
        served_by=holder_of(ledger.path).pid,
        listening=request.app.state.broadcast.listening,
        backups=state,
        backups_in=str(backups.folder),
        worry=" ".join(filter(None, (state.worry(ledger.moment, MAX_HOURS), _clock(ledger)))),
    )


def _clock(ledger: Ledger) -> str:
    if ledger.seconds_behind <= MAX_SECONDS_BEHIND:
        return ""
    last = datetime.fromisoformat(ledger.moment).astimezone()
    return (
        f"The kitchen's clock says it is {ledger.today}, but something was recorded at"
        f" {last:%Y-%m-%d %H:%M}. Set the clock: use-by days and certificates go by it."
    )
