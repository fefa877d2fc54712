"""What an item carries and whom it suits, as screens show it."""

from pydantic import BaseModel

from yellow_ladle.core.carrying.paths import Source
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import OWN_TOOLS, strained_on, verdict_sentence, way_names
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.core.vocabulary.regimes import regimes


class WayOut(BaseModel):
    """One source of a flag: its names from the source to here, and the ids by which it came."""

    source: str
    level: LevelWord
    names: list[str]
    via: list[str]
    own: bool
    strained_out: bool


class CarriedOut(BaseModel):
    """One flag above free, with every source. `tool_trace`: only own tools leave it."""

    flag: str
    name: str
    level: LevelWord
    tool_trace: bool
    ways: list[WayOut]


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


def carried(reading: Reading, item: str) -> list[CarriedOut]:
    """Every flag of an item above free, the surest first."""
    names = {flag.id: flag.name for flag in reading.book.flags}
    sources, traces = reading.sources(item), reading.tool_traces(item)
    levels = sorted(reading.levels(item).items(), key=lambda entry: -entry[1])
    return [
        CarriedOut(
            flag=flag,
            name=names[flag],
            level=level.word,
            tool_trace=flag in traces,
            ways=[_way(reading, source) for source in sources[flag]],
        )
        for flag, level in levels
    ]


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


def _way(reading: Reading, source: Source) -> WayOut:
    return WayOut(
        source=source.product,
        level=source.level.word,
        names=way_names(reading.book, source),
        via=list(source.via),
        own=source.own,
        strained_out=strained_on(reading.book, source),
    )
