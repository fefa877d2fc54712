"""Tools that several pots go through, and the traces that they leave from one in the next."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from unicodedata import normalize

from yellow_ladle.core.book.ids import free_id, slug
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Tool:
    """A sieve, a blender, a fryer. Without an `id` it goes by the slug of its name.

    `dedicated`: kept for one thing, so that it leaves no traces.
    `always_shared`: the kitchen takes it that every pot which goes through it leaves traces in the
    others, whatever the day; then the reading of the book counts it.
    `absorbs`: no wash clears it of what went through, as the oil of a fryer or a wooden board.
    """

    name: str
    dedicated: bool = False
    always_shared: bool = False
    id: str = ""
    absorbs: bool = False

    @property
    def slug(self) -> str:
        """The id by which documents name it."""
        return self.id or tool_id(self.name)

    @property
    def keys(self) -> tuple[str, str]:
        """What cards may call it, as `tool_key` has it: its name, and its id."""
        return tool_key(self.name), tool_key(self.slug)


@dataclass(frozen=True, slots=True)
class Use:
    """What went through a tool, in the order of the day. `item` None: it was washed.

    `renewed`: what it holds was replaced, which clears also a tool that no wash clears.
    """

    tool: str
    item: str | None
    renewed: bool = False


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
    return slug(name.casefold()) or "tool"


def with_free_id(tool: Tool, tools: Iterable[Tool]) -> Tool:
    """A new tool, with an id of its own where another tool goes by the slug of its name.

    Names in other scripts have no slug: all of them would be `tool`.
    """
    listed = {other.slug: other for other in tools}
    namesake = listed.get(tool.slug)
    if namesake is None or tool_key(namesake.name) == tool_key(tool.name):
        return tool
    return replace(tool, id=free_id(tool.name, listed, otherwise="tool"))


def within_sentence(name: str) -> str:
    """A tool's name as it stands within a sentence: `the stick blender`, `the UV lamp`."""
    return name[:1].lower() + name[1:] if name[1:2].islower() else name


def clean_name(name: str, tools: Iterable[Tool]) -> str:
    """What a card calls a tool that is washed before and after the pot, or kept for it.

    It is the name of no tool that leaves traces.
    """
    sharing = {key for tool in tools if not tool.dedicated for key in tool.keys}
    clean = f"clean {within_sentence(name)}"
    while tool_key(clean) in sharing:
        clean = f"other {clean}"
    return clean


class Toolbox:
    """The tools that a kitchen lists, found by whatever a card or a person calls them."""

    def __init__(self, tools: Iterable[Tool]) -> None:
        self._by_key: dict[str, Tool] = {}
        self._keys: dict[str, str] = {}
        for tool in tools:
            for key in tool.keys:
                self._by_key.setdefault(key, tool)

    def get(self, name: str) -> Tool | None:
        """The listed tool of a name or id; None where it is a plain one that only cards name."""
        return self._by_key.get(tool_key(name))

    def key(self, name: str) -> str:
        """What all names of one tool have in common, its id among them."""
        # Days ask for the same few names by the hundred thousand.
        if name not in self._keys:
            tool = self.get(name)
            self._keys[name] = tool_key(name if tool is None else tool.slug)
        return self._keys[name]

    def keeps_traces(self, name: str) -> bool:
        """Whether a tool leaves something of what went through it: all but dedicated ones do."""
        tool = self.get(name)
        return tool is None or not tool.dedicated

    def is_cleared(self, name: str, *, renewed: bool) -> bool:
        """Whether a wash clears a tool; one that absorbs only where what it holds was renewed."""
        tool = self.get(name)
        return renewed or tool is None or not tool.absorbs

    def slug(self, name: str) -> str:
        """The id by which documents name a tool."""
        tool = self.get(name)
        return tool_id(name) if tool is None else tool.slug

    def shared(self, name: str) -> Tool | None:
        """The listed tool, where it leaves traces in whatever goes through it."""
        tool = self.get(name)
        return tool if tool is not None and tool.always_shared and not tool.dedicated else None


def users(box: Toolbox, equipment: Mapping[str, Iterable[str]]) -> dict[str, tuple[str, ...]]:
    """Per tool that is always shared, the items that go through it. `equipment`: tools by item."""
    found: dict[str, dict[str, None]] = {}
    for item, names in equipment.items():
        for name in names:
            if (tool := box.shared(name)) is not None:
                found.setdefault(tool.name, {})[item] = None
    return {name: tuple(items) for name, items in found.items() if len(items) > 1}


def left_behind(box: Toolbox, uses: Sequence[Use]) -> dict[str, list[tuple[str, str]]]:
    """Per item the tools it went through unwashed, each with an item that went before it."""
    inside: dict[str, list[str]] = {}
    found: dict[str, list[tuple[str, str]]] = {}
    for use in uses:
        key, tool = box.key(use.tool), box.get(use.tool)
        if use.item is None:
            if box.is_cleared(use.tool, renewed=use.renewed):
                inside[key] = []
            continue
        if not box.keeps_traces(use.tool):
            continue
        before = inside.setdefault(key, [])
        for other in before:
            if other != use.item:
                name = use.tool if tool is None else tool.name
                found.setdefault(use.item, []).append((name, other))
        if use.item not in before:
            before.append(use.item)
    return found
