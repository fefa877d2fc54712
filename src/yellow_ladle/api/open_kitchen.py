"""Puts a kitchen behind the application: its ledger, its events and its kept answers."""

from fastapi import FastAPI

from yellow_ladle.api.cards.presence import Presence
from yellow_ladle.api.events import Broadcast
from yellow_ladle.api.kept_answers import KeptAnswers
from yellow_ladle.api.production.kept_day import KeptDay
from yellow_ladle.store.applied_plans import lapse
from yellow_ladle.store.ledger import Ledger


def open_kitchen(app: FastAPI, ledger: Ledger) -> None:
    """Puts a kitchen behind the application, in the place of any other.

    Plans made for a day that is over are taken back at once, and at the turn of each day.
    """
    lapse(ledger)
    if lapse not in ledger.mornings:
        ledger.mornings.append(lapse)
    app.state.ledger = ledger
    app.state.own_ledger = None
    app.state.presence = Presence()
    app.state.kept_answers = KeptAnswers()
    app.state.kept_day = KeptDay()
    app.state.broadcast = Broadcast()
    ledger.announcements.listen(app.state.broadcast.publish)
