"""The kitchen, and the words that its screens choose from."""

from fastapi import APIRouter
from pydantic import BaseModel

from yellow_ladle.api.ledger import TheBook
from yellow_ladle.core.book import EVIDENCE, KINDS, ROLES, STAGES
from yellow_ladle.core.diets import diets
from yellow_ladle.core.levels import WORDS, Level
from yellow_ladle.core.reading import Reading
from yellow_ladle.core.regimes import regimes
from yellow_ladle.core.rules import swap_rules
from yellow_ladle.core.sentences import SAY
from yellow_ladle.core.units import units

router = APIRouter(tags=["kitchen"])


class FlagOut(BaseModel):
    """A flag of the vocabulary."""

    id: str
    name: str
    group: str
    note: str


class Named(BaseModel):
    """Something with an id and a name."""

    id: str
    name: str


class KitchenOut(BaseModel):
    """The kitchen and its vocabulary. `unchecked` counts statements that nobody has checked."""

    name: str
    regime: Named
    unchecked: int
    unchecked_products: int
    flags: list[FlagOut]
    diets: list[Named]
    levels: list[str]
    evidence: list[str]
    kinds: list[str]
    roles: list[str]
    stages: list[str]
    units: list[str]
    classes: list[str]
    say: str


@router.get("/kitchen")
def kitchen(now: TheBook) -> KitchenOut:
    """The kitchen, the regime that it declares by, and the words to choose from."""
    book = now.reading.book
    unchecked = [unchecked_flags(now.reading, id) for id in book.products]
    classes = {product.class_ for product in book.products.values()}
    for rule in swap_rules():
        classes.update(rule.with_)
        classes.update(rule.replaces)
    return KitchenOut(
        name=book.kitchen.name,
        regime=Named(id=book.kitchen.regime, name=regimes()[book.kitchen.regime].name),
        unchecked=sum(unchecked),
        unchecked_products=sum(count > 0 for count in unchecked),
        flags=[
            FlagOut(id=flag.id, name=flag.name, group=flag.group, note=flag.note)
            for flag in book.flags
        ],
        diets=[Named(id=diet.id, name=diet.name) for diet in diets().values()],
        levels=list(WORDS),
        evidence=list(EVIDENCE),
        kinds=list(KINDS),
        roles=list(ROLES),
        stages=list(STAGES),
        units=list(units()),
        classes=sorted(classes),
        say=SAY,
    )


def unchecked_flags(reading: Reading, product: str) -> int:
    """How many flags of a product nobody has checked."""
    return sum(level is Level.UNCHECKED for level in reading.levels(product).values())
