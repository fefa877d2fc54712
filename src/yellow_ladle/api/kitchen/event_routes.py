"""The stream by which open pages hear what was recorded."""

from fastapi import APIRouter, Request
from fastapi.responses import StreamingResponse

from yellow_ladle.api.dependencies import TheLedger
from yellow_ladle.api.events import Broadcast

router = APIRouter(tags=["kitchen"])


@router.get("/events", response_class=StreamingResponse)
async def events(request: Request, ledger: TheLedger) -> StreamingResponse:
    """Server-sent events: `standing` first, `written` for each write, `beat` every few seconds.

    Each has the book's counter, and that of what is `appended` day by day; `written` says what it
    reached, in a line, and by whom.
    """
    broadcast: Broadcast = request.app.state.broadcast
    headers = {"X-Accel-Buffering": "no"}
    return StreamingResponse(
        broadcast.events(ledger), media_type="text/event-stream", headers=headers
    )
