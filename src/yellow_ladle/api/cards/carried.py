"""What an item carries and whom it suits, as screens show it."""

from collections.abc import Sequence

from pydantic import BaseModel

from yellow_ladle.core.cards.card_words import words_behind
from yellow_ladle.core.carrying.paths import Source
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.reading.breakdown import Brought, PartId, by_flag, by_source
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import OWN_TOOLS, strained_on, verdict_sentence, way_names
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.core.vocabulary.regimes import regimes


class WayOut(BaseModel):
    """One source of a flag: its names from the source to here, and the ids by which it came.

    `words` are those of a card's own text that made its statement.
    """

    source: str
    level: LevelWord
    names: list[str]
    via: list[str]
    own: bool
    strained_out: bool
    words: list[str]


class CarriedOut(BaseModel):
    """Flags of one level from the same sources: the ways that give the level, and lower ones."""

    flags: list[str]
    names: list[str]
    level: LevelWord
    ways: list[WayOut]
    lower: list[WayOut]


class LevelNames(BaseModel):
    """What stands at one level, wherever it comes from, as a sheet lists it."""

    level: LevelWord
    names: list[str]


class CarriedPartOut(BaseModel):
    """A part of the list; `declared` is what the kitchen's regime wants declared, in its words."""

    id: PartId
    name: str
    entries: list[CarriedOut]
    levels: list[LevelNames]


class BringerOut(BaseModel):
    """One source with its way, and all that it brings, the surest first."""

    way: WayOut
    brings: list[Brought]


class CarriesOut(BaseModel):
    """What an item carries, the same told twice: by flag, and by what brings it."""

    parts: list[CarriedPartOut]
    bringers: list[BringerOut]


class SuitsOut(BaseModel):
    """One diet's verdict in a sentence; `traces` are flags shown without being counted."""

    diet: str
    name: str
    verdict: Verdict
    sentence: str
    traces: list[str]
    note: str


class DeclaredOut(BaseModel):
    """What the kitchen's regime wants declared, by the names of its groups."""

    contains: list[str]
    may_contain: list[str]
    unchecked: list[str]


def carries(reading: Reading, item: str) -> CarriesOut:
    """Every flag of an item above free, by flag and by source."""
    return CarriesOut(
        parts=[
            CarriedPartOut(
                id=part.id,
                name=part.name,
                entries=[
                    CarriedOut(
                        flags=list(entry.flags),
                        names=list(entry.names),
                        level=entry.level.word,
                        ways=[_way(reading, source, entry.flags) for source in entry.sources],
                        lower=[_way(reading, source, entry.flags) for source in entry.lower],
                    )
                    for entry in part.entries
                ],
                levels=[
                    LevelNames(level=level.word, names=list(names))
                    for level, names in part.names.items()
                ],
            )
            for part in by_flag(reading, item)
        ],
        bringers=[
            BringerOut(
                way=_way(reading, bringer.source, [f for b in bringer.brings for f in b.flags]),
                brings=list(bringer.brings),
            )
            for bringer in by_source(reading, item)
        ],
    )


def suits(reading: Reading, item: str) -> list[SuitsOut]:
    """Every diet's verdict on an item: what does not suit first."""
    order = list(Verdict)[::-1]
    found = [
        SuitsOut(
            diet=id,
            name=diets()[id].name,
            verdict=fit.verdict,
            sentence=verdict_sentence(reading, item, diets()[id], fit),
            traces=list(fit.traces),
            note=diets()[id].note,
        )
        for id, fit in reading.suitability(item).items()
    ]
    return sorted(found, key=lambda entry: order.index(entry.verdict))


def declared(reading: Reading, item: str) -> DeclaredOut:
    """The declaration of an item by the names of the regime's groups."""
    regime = regimes()[reading.book.kitchen.regime]
    names = {group.id: group.name for group in regime.groups}
    declaration = reading.declaration(item)
    levels, traces = reading.levels(item), reading.tool_traces(item)
    by_tools = {
        group.id
        for group in regime.groups
        if traces.issuperset(flag for flag in group.flags if flag in levels)
    }
    return DeclaredOut(
        contains=[names[group] for group in declaration.contains],
        may_contain=[
            f"{names[group]} ({OWN_TOOLS})" if group in by_tools else names[group]
            for group in declaration.may_contain
        ],
        unchecked=[names[group] for group in declaration.unchecked],
    )


def _way(reading: Reading, source: Source, flags: Sequence[str]) -> WayOut:
    return WayOut(
        source=source.product,
        level=source.level.word,
        names=way_names(reading.book, source),
        via=list(source.via),
        own=source.own,
        strained_out=strained_on(reading.book, source),
        words=list(words_behind(reading, source.product, flags)) if source.own else [],
    )
