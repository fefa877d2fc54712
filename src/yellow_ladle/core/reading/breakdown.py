"""What an item carries, told once: part by part and flag by flag, or by what brings it."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from typing import Literal

from yellow_ladle.core.carrying.paths import Source
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import OWN_TOOLS
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.regimes import regimes

PartId = Literal["declared", "allergen", "origin", "house"]

Groups = tuple[tuple[str, tuple[str, ...]], ...]
"""The names under which flags are told, each with its flags."""

ORDER = (Level.CONTAINS, Level.MAY_CONTAIN, Level.UNCHECKED)
"""How the levels follow each other on every list and sheet."""


@dataclass(frozen=True, slots=True)
class BreakdownEntry:
    """Flags of one level that come from the same sources.

    `names`: the regime's groups, each with those of its flags in brackets where it has several;
    elsewhere the flags' own names. `sources`: those that give the level. `lower`: the others.
    """

    flags: tuple[str, ...]
    names: tuple[str, ...]
    level: Level
    sources: tuple[Source, ...]
    lower: tuple[Source, ...]


@dataclass(frozen=True, slots=True)
class BreakdownPart:
    """One part of the list: what the regime wants declared, other allergens, origins, house.

    `names`: what stands at each level, wherever it comes from, as a sheet lists it.
    """

    id: PartId
    name: str
    entries: tuple[BreakdownEntry, ...]
    names: Mapping[Level, tuple[str, ...]]


@dataclass(frozen=True, slots=True)
class Brought:
    """What one source brings at one level."""

    level: Level
    flags: tuple[str, ...]
    names: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Bringer:
    """One source with its way, and all that it brings, the surest first."""

    source: Source
    brings: tuple[Brought, ...]


def by_flag(reading: Reading, item: str) -> tuple[BreakdownPart, ...]:
    """Every flag above free once; what the kitchen's regime wants declared stands first.

    What nobody has checked is one entry a part where it comes from the same sources. The part of
    what is declared is there, empty, also where only other things are carried.
    """
    sources, words = reading.sources(item), _Words.of(reading, item)
    found: list[BreakdownPart] = []
    for id, name, groups in words.parts:
        entries: dict[tuple[object, ...], list[tuple[str, list[str]]]] = {}
        told_in: dict[str, tuple[object, ...]] = {}
        for group, flags in groups:
            for flag in (flag for flag in flags if flag in sources):
                # A doubt is not told group by group: thirty flags of one jar are one entry.
                within = "" if sources[flag][0].level is Level.UNCHECKED else group
                # Some laws list a flag under two names: wheat, and gluten.
                key = told_in.setdefault(flag, (within, _ways(sources[flag])))
                listed = entries.setdefault(key, [])
                if listed and listed[-1][0] == group:
                    listed[-1][1].append(flag)
                else:
                    listed.append((group, [flag]))
        told = [_entry(words, listed, sources) for listed in entries.values()]
        if told or (id == "declared" and sources):
            told.sort(key=lambda entry: ORDER.index(entry.level))
            found.append(BreakdownPart(id, name, tuple(told), _names(words, groups, sources)))
    return tuple(found)


def by_source(reading: Reading, item: str) -> tuple[Bringer, ...]:
    """Each source of an item with all that it brings: the one that brings the most surely first."""
    words = _Words.of(reading, item)
    brought: dict[tuple[object, ...], tuple[Source, dict[str, Level]]] = {}
    found = reading.sources(item)
    for flag in words.order:
        for source in found.get(flag, ()):
            way = (source.product, source.via, source.own, source.tool)
            brought.setdefault(way, (source, {}))[1][flag] = source.level
    bringers = [Bringer(source, _brought(words, levels)) for source, levels in brought.values()]

    def place(bringer: Bringer) -> tuple[object, ...]:
        first = bringer.brings[0]
        return (ORDER.index(first.level), -len(first.flags), len(bringer.source.via),
                bringer.source.product, bringer.source.via)  # fmt: skip

    return tuple(sorted(bringers, key=place))


@dataclass(frozen=True, slots=True)
class _Words:
    """The flags that a book knows by part and group, and what each is called there."""

    parts: tuple[tuple[PartId, str, Groups], ...]
    flag_names: dict[str, str]
    several: frozenset[str]
    """Names of groups that stand for several flags."""
    traces: frozenset[str]
    """Flags that only the kitchen's own tools leave."""

    @property
    def order(self) -> Iterator[str]:
        """Every flag, part by part."""
        return (flag for _, _, groups in self.parts for _, flags in groups for flag in flags)

    @staticmethod
    def of(reading: Reading, item: str) -> "_Words":
        """The words for one item: sulphites left out of its declaration by amount are not first."""
        regime = regimes()[reading.book.kitchen.regime]
        declaration = reading.declaration(item)
        declared = {*declaration.contains, *declaration.may_contain, *declaration.unchecked}
        known = {flag.id: flag for flag in reading.book.flags}
        groups = tuple(
            (group.name, tuple(flag for flag in group.flags if flag in known))
            for group in regime.groups
            if group.id in declared
        )
        listed = {flag for _, flags in groups for flag in flags}
        names = {id: flag.name for id, flag in known.items()}

        def rest(kind: str) -> Groups:
            flags = (f.id for f in known.values() if f.group == kind and f.id not in listed)
            return tuple((names[id], (id,)) for id in flags)

        return _Words(
            (
                ("declared", f"To declare, {regime.name}", groups),
                ("allergen", "Other allergens", rest("allergen")),
                ("origin", "Origins", rest("origin")),
                ("house", "House flags", rest("house")),
            ),
            names,
            frozenset(group.name for group in regime.groups if len(group.flags) > 1),
            reading.tool_traces(item),
        )

    def group_name(self, group: str, flags: list[str]) -> str:
        """A group's name, with those of its flags in brackets that are meant."""
        aside = [self.flag_names[flag].lower() for flag in flags] if group in self.several else []
        if self.traces.issuperset(flags):
            aside.append(OWN_TOOLS)
        return f"{group} ({', '.join(aside)})" if aside else group


def _ways(sources: Iterable[Source]) -> tuple[tuple[object, ...], ...]:
    return tuple((s.product, s.via, s.own, s.tool, s.level) for s in sources)


def _entry(
    words: _Words, listed: list[tuple[str, list[str]]], sources: dict[str, tuple[Source, ...]]
) -> BreakdownEntry:
    flags = tuple(dict.fromkeys(flag for _, members in listed for flag in members))
    given = sources[flags[0]]
    level = given[0].level
    return BreakdownEntry(
        flags=flags,
        names=tuple(words.group_name(group, members) for group, members in listed),
        level=level,
        sources=tuple(source for source in given if source.level is level),
        lower=tuple(source for source in given if source.level is not level),
    )


def _names(
    words: _Words, groups: Groups, sources: Mapping[str, tuple[Source, ...]]
) -> dict[Level, tuple[str, ...]]:
    found: dict[Level, tuple[str, ...]] = {}
    for level in ORDER:
        at_level = [
            (group, [flag for flag in flags if flag in sources and sources[flag][0].level is level])
            for group, flags in groups
        ]
        names = tuple(words.group_name(group, flags) for group, flags in at_level if flags)
        if names:
            found[level] = names
    return found


def _brought(words: _Words, levels: dict[str, Level]) -> tuple[Brought, ...]:
    found = []
    for level in ORDER:
        flags = tuple(flag for flag, given in levels.items() if given is level)
        if flags:
            found.append(Brought(level, flags, tuple(words.flag_names[flag] for flag in flags)))
    return tuple(found)
