"""The kinds of documents that a kitchen keeps beside its goods and pots: a new one is a row."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import replace
from operator import attrgetter
from typing import TypeVar

from yellow_ladle.core.book.book import Book, Kitchen
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.book.kind import Brought, Kind, Slot
from yellow_ladle.core.book.label_photo import Photo
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.checks.book_faults import measure_faults, measures_missed, tool_faults
from yellow_ladle.core.checks.goal_faults import need_faults
from yellow_ladle.core.checks.name_faults import name_faults
from yellow_ladle.core.larder.house_flags import unchecked_for, with_house_flags, without_flag
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.regimes import regimes

V = TypeVar("V")

THE_KITCHEN = "kitchen"
"""The id of the one document that is the kitchen itself."""


def _each(type_: type[V], *values: object) -> Iterator[V]:
    for value in values:
        assert isinstance(value, type_)
        yield value


def _kitchen_faults(book: Book, _id: str, value: object) -> Iterator[Fault]:
    [kitchen] = _each(Kitchen, value)
    if kitchen.regime not in regimes():
        yield Fault("regime", unknown("regime", kitchen.regime, regimes()))
    yield from measure_faults(kitchen.measures)
    yield from measures_missed(book, kitchen)


def _with_kitchen(book: Book, values: Mapping[str, object]) -> Book:
    if THE_KITCHEN not in values:
        raise BookRefused([Fault(THE_KITCHEN, "a kitchen cannot be without its own settings")])
    [kitchen] = _each(Kitchen, values[THE_KITCHEN])
    return replace(book, kitchen=kitchen)


def _flag_brings(book: Book, id: str, flag: object | None) -> Brought:
    """A new flag leaves unchecked what nobody asked about; one that goes is said of nothing."""
    if flag is None:
        change = without_flag(book, id)
    elif any(each.id == id for each in book.house_flags):
        return (), ()
    else:
        change = unchecked_for(book, id)
    return change.products, change.preparations


def _flag_faults(book: Book, id: str, value: object) -> Iterator[Fault]:
    [flag] = _each(Flag, value)
    yield from name_faults("name", flag.name)
    for other in book.flags:
        named = {word.casefold() for word in (other.name, other.id, *other.also)}
        if other.id != id and flag.name.casefold() in named:
            yield Fault("name", f'"{other.name}" is a flag already')


def _tool_faults(book: Book, _id: str, value: object) -> Iterable[Fault]:
    [tool] = _each(Tool, value)
    return (*name_faults("tool", tool.name), *tool_faults(book.tools))


def _need_faults(book: Book, _id: str, value: object) -> Iterable[Fault]:
    [need] = _each(Need, value)
    return (*name_faults("guest", need.guest), *need_faults([need], book.flag_ids))


def _sign_off_faults(book: Book, id: str, _made: object) -> Iterator[Fault]:
    if id not in book.preparations:
        yield Fault(f"sign_offs.{id}", unknown("preparation", id, book.preparations))


def _photo_faults(book: Book, id: str, _photo: object) -> Iterator[Fault]:
    if id not in book.products:
        yield Fault(f"photos.{id}", unknown("product", id, book.products))


def _with_tools(book: Book, values: Mapping[str, object]) -> Book:
    tools = sorted(_each(Tool, *values.values()), key=attrgetter("name"))
    return replace(book, tools=tuple(tools))


def _with_needs(book: Book, values: Mapping[str, object]) -> Book:
    needs = sorted(_each(Need, *values.values()), key=attrgetter("id"))
    return replace(book, needs=tuple(needs))


def _with_rulings(book: Book, values: Mapping[str, object]) -> Book:
    rulings = filter(attrgetter("says_something"), _each(Ruling, *values.values()))
    return replace(book, rulings=tuple(sorted(rulings, key=attrgetter("id"))))


def _with_sign_offs(book: Book, values: Mapping[str, object]) -> Book:
    made = dict(zip(values, _each(SignOff, *values.values()), strict=True))
    return replace(book, sign_offs=dict(sorted(made.items())))


KITCHEN = Kind(
    name="kitchen",
    type=Kitchen,
    called=attrgetter("name"),
    written="The kitchen's own settings were changed",
    in_words={"regime": lambda id: regimes()[str(id)].name},
    faults=_kitchen_faults,
    slot=Slot(lambda book: {THE_KITCHEN: book.kitchen}, _with_kitchen),
)
HOUSE_FLAG = Kind(
    name="house_flag",
    type=Flag,
    called=attrgetter("name"),
    written="{} is a flag from now on",
    removed="{} is no flag any more",
    carried=True,
    faults=_flag_faults,
    brings=_flag_brings,
    slot=Slot(
        lambda book: {flag.id: flag for flag in book.house_flags},
        lambda book, values: with_house_flags(book, tuple(_each(Flag, *values.values()))),
    ),
)
TOOL = Kind(
    name="tool",
    type=Tool,
    called=attrgetter("name"),
    written="The tool {} was written down",
    removed="The tool {} was taken out",
    carried=True,
    faults=_tool_faults,
    slot=Slot(
        lambda book: {tool.slug: tool for tool in book.tools},
        _with_tools,
    ),
)
NEED = Kind(
    name="need",
    type=Need,
    called=attrgetter("guest"),
    written="{} waits for an answer",
    removed="{} has an answer",
    reaches="needs",
    faults=_need_faults,
    slot=Slot(
        lambda book: {need.id: need for need in book.needs},
        _with_needs,
    ),
)
RULE = Kind(
    name="rule",
    type=Ruling,
    called=attrgetter("id"),
    written='What is said of the rule "{}" was changed',
    removed='Nothing is said of the rule "{}" any more',
    reaches="rules",
    slot=Slot(
        lambda book: {said.id: said for said in book.rulings},
        _with_rulings,
    ),
)
SIGN_OFF = Kind(
    name="sign_off",
    type=SignOff,
    called=attrgetter("person"),
    written="{of} was signed off",
    removed="{of} is no longer signed off",
    reaches="sign_off",
    faults=_sign_off_faults,
    slot=Slot(
        lambda book: book.sign_offs,
        _with_sign_offs,
    ),
)
PHOTO = Kind(
    name="photo",
    type=Photo,
    called=attrgetter("date"),
    written="A picture of {of} was kept",
    removed="The picture of {of} was taken away",
    reaches="photo",
    faults=_photo_faults,
    goes_with_item=True,
)
KINDS: tuple[Kind, ...] = (KITCHEN, HOUSE_FLAG, TOOL, NEED, RULE, SIGN_OFF, PHOTO)
