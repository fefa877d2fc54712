"""Tools that several pots go through, and the traces that they leave from one in the next."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from yellow_ladle.core.levels import Level


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


def users(
    tools: Iterable[Tool], equipment: Mapping[str, Iterable[str]]
) -> dict[str, tuple[str, ...]]:
    """Per tool that is always shared, the items that go through it. `equipment`: tools by item."""
    shared = {tool.name for tool in tools if tool.always_shared and not tool.dedicated}
    found: dict[str, list[str]] = {}
    for item, names in equipment.items() if shared else ():
        for name in dict.fromkeys(names):
            if name in shared:
                found.setdefault(name, []).append(item)
    return {name: tuple(items) for name, items in found.items() if len(items) > 1}


def left_behind(tools: Iterable[Tool], uses: Sequence[Use]) -> dict[str, list[tuple[str, str]]]:
    """Per item the tools it went through unwashed, each with an item that went before it."""
    dedicated = {tool.name for tool in tools if tool.dedicated}
    inside: dict[str, list[str]] = {}
    found: dict[str, list[tuple[str, str]]] = {}
    for use in uses:
        if use.item is None:
            inside[use.tool] = []
            continue
        if use.tool in dedicated:
            continue
        before = inside.setdefault(use.tool, [])
        for other in before:
            if other != use.item:
                found.setdefault(use.item, []).append((use.tool, other))
        if use.item not in before:
            before.append(use.item)
    return found
