"""How routes reach the kitchen's ledger."""

from typing import Annotated
from urllib.parse import unquote

from fastapi import Depends, Request
from starlette.concurrency import run_in_threadpool

from yellow_ladle.api.errors import Missing
from yellow_ladle.api.text_workers import TextWorkers
from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.product import Product
from yellow_ladle.store.documents import Now
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger


async def _ledger(request: Request) -> Ledger:
    """The ledger, with the book as the file holds it today.

    Most requests find it so, and need no thread of their own to see it.
    """
    ledger: Ledger = request.app.state.ledger
    if not ledger.is_current:
        await run_in_threadpool(ledger.catch_up)
        await run_in_threadpool(ledger.turn_day)
    return ledger


async def _now(ledger: Annotated[Ledger, Depends(_ledger)]) -> Now:
    return ledger.now


TheLedger = Annotated[Ledger, Depends(_ledger)]
TheBook = Annotated[Now, Depends(_now)]


PERSON = "x-person"
"""The header in which a device says who is at it, in per cent encoding."""
MAX_PERSON = 200


async def _actor(request: Request) -> Act:
    """Who does what is asked for: whom the device names."""
    person = unquote(request.headers.get(PERSON, ""))[:MAX_PERSON].strip()
    return Act(person or None)


TheActor = Annotated[Act, Depends(_actor)]


def person_or_refused(person: str | None, why: str) -> str:
    """The person behind a request. Raises BookRefused, with the reason, where nobody is named."""
    if person is None:
        raise BookRefused([Fault("person", f"say at the top who you are: {why}")])
    return person


async def _text_workers(request: Request) -> TextWorkers:
    workers: TextWorkers = request.app.state.text_workers
    return workers


TheTextWorkers = Annotated[TextWorkers, Depends(_text_workers)]


def preparation_or_missing(now: Now, id: str) -> Preparation:
    """A preparation of the book as it stands; Missing where there is none."""
    if id not in now.reading.book.preparations:
        raise Missing("pot", id)
    return now.reading.book.preparations[id]


def product_or_missing(now: Now, id: str) -> Product:
    """A product of the book as it stands; Missing where there is none."""
    if id not in now.reading.book.products:
        raise Missing("product", id)
    return now.reading.book.products[id]
