"""What a guest can have, plate by plate: as it is, after asking, with a swap, or not at all."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import TheBook
from yellow_ladle.api.schemas.plan_forms import GoalsPiece
from yellow_ladle.api.swaps.plan_routes import goals_of
from yellow_ladle.core.book.need import Strictness
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.menu.guest_answer import (
    Serving,
    goals_of_need,
    guest_answers,
    plans_for,
)
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.piece import Id

router = APIRouter(prefix="/guests", tags=["guests"])

SECONDS_FOR_PLANS = 4.0
"""Seconds in which plans are looked for in one answer."""


class GuestIn(BaseModel):
    """What a guest must have cleared or fit, and how strictly."""

    goals: GoalsPiece
    strictness: Strictness = "allergy"


class GuestPlateOut(BaseModel):
    """One plate for the guest; `because` are the flags in the way, or those that are told."""

    plate: str
    name: str
    course: str
    serving: Serving
    because: dict[str, Level]


class GuestOut(BaseModel):
    """Every plate for the guest. `goals` are the goals as they count, in words."""

    goals: str
    plates: list[GuestPlateOut]


class GuestPlansIn(GuestIn):
    """The plates for which a swap is looked for, the most wanted first."""

    plates: Annotated[list[Id], Field(max_length=500)]


class GuestPlanOut(BaseModel):
    """A swap that lets the guest have a plate, in a sentence for the floor; null: there is none."""

    plate: str
    sentence: str | None


@router.post("/plates")
def plates_for_a_guest(wanted: GuestIn, now: TheBook) -> GuestOut:
    """Every plate as it is, to be asked about, or to be changed."""
    reading, goals = now.reading, goals_of(now, wanted.goals)
    made = reading.book.preparations
    return GuestOut(
        goals=goals_of_need(goals, wanted.strictness).words(),
        plates=[
            GuestPlateOut(
                plate=answer.plate,
                name=made[answer.plate].name,
                course=made[answer.plate].course or "",
                serving=answer.serving,
                because=dict(answer.because),
            )
            for answer in guest_answers(reading, goals, wanted.strictness)
        ],
    )


@router.post("/plans")
def plans_for_a_guest(wanted: GuestPlansIn, now: TheBook) -> list[GuestPlanOut]:
    """The best swap for each of some plates, as many as can be looked for in some seconds."""
    reading, goals = now.reading, goals_of(now, wanted.goals)
    plates = [plate for plate in wanted.plates if plate in reading.book.preparations]
    counted = goals_of_need(goals, wanted.strictness)
    found = plans_for(
        reading=reading,
        plates=plates,
        goals=goals,
        strictness=wanted.strictness,
        seconds=SECONDS_FOR_PLANS,
    )
    return [
        GuestPlanOut(plate=p, sentence=plan and floor_sentence(reading, plan, counted))
        for p, plan in found
    ]
