"""Tools that several pots go through, and the traces that they leave from one in the next."""

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from unicodedata import combining, normalize

from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Tool:
    """A sieve, a blender, a fryer. `dedicated`: kept for one thing, so that it leaves no traces.

    `always_shared`: the kitchen takes it that every pot which goes through it leaves traces in the
    others, whatever the day; then the reading of the book counts it.
    """

    name: str
    dedicated: bool = False
    always_shared: bool = False


@dataclass(frozen=True, slots=True)
class Use:
    """What went through a tool, in the order of the day. `item` None: it was washed."""

    tool: str
    item: str | None


@dataclass(frozen=True, slots=True)
class Through:
    """What may come into a pot by way of a tool: the other item, and what that carries."""

    tool: str
    item: str
    levels: Mapping[str, Level]
    mask: int


def tool_key(name: str) -> str:
    """What two names of one tool have in common: no case, blanks, hyphens or accents."""
    plain = normalize("NFKD", name.casefold())
    return "".join(sign for sign in plain if sign.isalnum())


def tool_id(name: str) -> str:
    """The id of a tool that has none: the slug of its name."""
    plain = "".join(s for s in normalize("NFKD", name.casefold()) if not combining(s))
    return re.sub(r"[^a-z0-9]+", "-", plain).strip("-") or "tool"


def within_sentence(name: str) -> str:
    """A tool's name as it stands within a sentence: `the stick blender`, `the UV lamp`."""
    return name[:1].lower() + name[1:] if name[1:2].islower() else name


def clean_name(name: str, tools: Iterable[Tool]) -> str:
    """What a card calls a tool that is washed before and after the pot, or kept for it.

    It is the name of no tool that leaves traces.
    """
    sharing = {tool_key(tool.name) for tool in tools if not tool.dedicated}
    clean = f"clean {within_sentence(name)}"
    while tool_key(clean) in sharing:
        clean = f"other {clean}"
    return clean


def known_name(name: str, known: Iterable[str]) -> str | None:
    """The name by which a tool is known already, if it is."""
    key = tool_key(name)
    return next((other for other in known if tool_key(other) == key), None)


def users(
    tools: Iterable[Tool], equipment: Mapping[str, Iterable[str]]
) -> dict[str, tuple[str, ...]]:
    """Per tool that is always shared, the items that go through it. `equipment`: tools by item."""
    shared = {
        tool_key(tool.name): tool.name
        for tool in tools
        if tool.always_shared and not tool.dedicated
    }
    found: dict[str, list[str]] = {}
    for item, names in equipment.items() if shared else ():
        for key in dict.fromkeys(map(tool_key, names)):
            if key in shared:
                found.setdefault(shared[key], []).append(item)
    return {name: tuple(items) for name, items in found.items() if len(items) > 1}


def left_behind(tools: Iterable[Tool], uses: Sequence[Use]) -> dict[str, list[tuple[str, str]]]:
    """Per item the tools it went through unwashed, each with an item that went before it."""
    listed = {tool_key(tool.name): tool for tool in tools}
    inside: dict[str, list[str]] = {}
    found: dict[str, list[tuple[str, str]]] = {}
    for use in uses:
        key = tool_key(use.tool)
        if use.item is None:
            inside[key] = []
            continue
        if key in listed and listed[key].dedicated:
            continue
        before = inside.setdefault(key, [])
        for other in before:
            if other != use.item:
                name = listed[key].name if key in listed else use.tool
                found.setdefault(use.item, []).append((name, other))
        if use.item not in before:
            before.append(use.item)
    return found
