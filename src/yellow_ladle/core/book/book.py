"""Everything that a kitchen writes down: products, preparations and how they are made."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field
from functools import cached_property
from operator import attrgetter
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.book.maker import Evidence, Statements
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.pan import Pan, Reduction
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool, Toolbox
from yellow_ladle.core.vocabulary.criteria import CRITERIA, Criterion
from yellow_ladle.core.vocabulary.field_words import called
from yellow_ladle.core.vocabulary.flags import Flag, shipped_flags
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.units import Measure, Spoons, Unit, units_of

Kind: TypeAlias = Literal["stock", "roux", "sauce", "soup", "component", "dish"]
Role: TypeAlias = Literal[
    "thickener",
    "fat",
    "liquid",
    "body",
    "aromatic",
    "seasoning",
    "enrichment",
    "acid",
    "topping",
    "accompaniment",
]
Stage: TypeAlias = Literal["cook", "finish", "garnish"]
Treatment: TypeAlias = Literal["none", "stirred_in_late", "simmered", "flamed", "reduced_dry"]

KINDS: tuple[Kind, ...] = get_args(Kind)
ROLES: tuple[Role, ...] = get_args(Role)
STAGES: tuple[Stage, ...] = get_args(Stage)
TREATMENTS: tuple[Treatment, ...] = get_args(Treatment)

SECOND_LOOK_DAYS = 180
"""Days after which a statement wants a second look, until the kitchen says otherwise."""


@dataclass(frozen=True, slots=True)
class Line:
    """One entry of a preparation; `item` is a product, a preparation, or `pot/by-product`.

    `treatment` and `minutes` (its own time in the pot) decide how much alcohol is left. `group` is
    the heading that it stands under. `typed` keeps an amount that could not be understood: then the
    quantity is 0 and its weight unknown.
    """

    item: str = field(metadata=called("item", item=True))
    quantity: float
    unit: str
    role: str
    stage: str = "cook"
    optional: bool = False
    strained_out: bool = False
    choice: str | None = field(default=None, metadata=called("one of"))
    chosen: bool = field(default=False, metadata=called("in use"))
    note: str = ""
    equipment: tuple[str, ...] = field(default=(), metadata=called("tools"))
    treatment: str = "none"
    minutes: float | None = field(default=None, metadata=called("minutes in the pot"))
    group: str = ""
    typed: str = field(default="", metadata=called("as typed"))


@dataclass(frozen=True, slots=True)
class Yield:
    """How much a preparation makes. `note` says why more comes out than went in."""

    quantity: float
    unit: str
    note: str = ""


@dataclass(frozen=True, slots=True)
class ByProduct:
    """What a preparation yields besides itself; it carries everything of its preparation.

    `of` are the indexes of the lines that it comes of; None follows the rule (by_products.py).
    """

    id: str
    name: str
    quantity: float | None = None
    unit: str | None = None
    of: tuple[int, ...] | None = field(default=None, metadata=called("comes of line", places=True))


@dataclass(frozen=True, slots=True)
class Keeps:
    """How many days something keeps, chilled and frozen; None where nobody has said."""

    chilled_days: float | None = field(default=None, metadata=called("days chilled"))
    frozen_days: float | None = field(default=None, metadata=called("days frozen"))


@dataclass(frozen=True, slots=True)
class Step:
    """One step of a method. `minutes` are passive where nobody has to stand by.

    `uses` are the items of the lines that go in here; of an item on two lines `item#2` is the
    second.
    """

    text: str
    minutes: float | None = None
    heat: str | None = None
    cue: str | None = field(default=None, metadata=called("what to look for"))
    caution: str | None = None
    equipment: tuple[str, ...] = field(default=(), metadata=called("tools"))
    uses: tuple[str, ...] = ()
    passive: bool = field(default=False, metadata=called("nobody stands by"))


@dataclass(frozen=True, slots=True)
class RecipeVersion:
    """Another way to make a preparation, whole, while it is not the one in use.

    With by-products of its own it yields these; without, those of the card, by the rule.
    """

    name: str
    lines: tuple[Line, ...] = ()
    method: tuple[Step, ...] = ()
    colour: str | None = field(default=None, metadata=called("colour family"))
    yield_: Yield | None = None
    portions: float | None = None
    by_products: tuple[ByProduct, ...] = field(default=(), metadata=called("by-products"))


@dataclass(frozen=True, slots=True)
class Preparation:
    """Something made. Its own statements can raise what its lines bring, never lower it.

    `otherwise` None follows the rule: unchecked while there are no lines, free once there are.
    `variant_of` is the preparation that a plan made this one from. `way` names the way that the
    card shows and that counts; `ways` hold the others. `retired` is the day (ISO date) from which
    it is not offered any more. `not_in_it` are words of its texts that somebody has said are not in
    it. `course` is where a dish stands on a menu; `made_here` is false until somebody has cooked a
    card that came with the program; `section` is where in the kitchen it is made.
    """

    id: str
    name: str
    kind: str
    class_: str | None = None
    colour: str | None = field(default=None, metadata=called("colour family"))
    lines: tuple[Line, ...] = ()
    statements: Statements = field(default_factory=dict)
    otherwise: Level | None = field(default=None, metadata=called("level of the rest"))
    yield_: Yield | None = None
    by_products: tuple[ByProduct, ...] = field(default=(), metadata=called("by-products"))
    equipment: tuple[str, ...] = field(default=(), metadata=called("tools"))
    method: tuple[Step, ...] = ()
    evidence: Mapping[str, Evidence] = field(default_factory=dict)
    variant_of: str | None = field(default=None, metadata=called("pot it is made from", item=True))
    density_g_per_ml: float | None = field(default=None, metadata=called("density"))
    portions: float | None = None
    pan: Pan | None = None
    batches: tuple[Reduction, ...] = field(default=(), metadata=called("batches made"))
    way: str = field(default="", metadata=called("way in use"))
    ways: tuple[RecipeVersion, ...] = field(default=(), metadata=called("other ways"))
    retired: str | None = field(default=None, metadata=called("day from which it is retired"))
    not_in_it: tuple[str, ...] = field(default=(), metadata=called("words said not to be in it"))
    keeps: Keeps | None = None
    course: str | None = None
    made_here: bool = field(default=True, metadata=called("made here already"))
    section: str = ""

    @property
    def tools(self) -> tuple[str, ...]:
        """The tools that it goes through, by its card, its lines and its steps."""
        by_line = (name for line in self.lines for name in line.equipment)
        by_step = (name for step in self.method for name in step.equipment)
        return (*self.equipment, *by_line, *by_step)

    @property
    def own_otherwise(self) -> Level:
        """The level of its own for every flag without a statement of its own."""
        if self.otherwise is not None:
            return self.otherwise
        return Level.FREE if self.lines else Level.UNCHECKED

    def counted(self) -> list[int]:
        """The indexes of the lines that count: all but alternatives that were not chosen."""
        chosen: dict[str, int] = {}
        for index, line in enumerate(self.lines):
            if line.choice is not None and (line.chosen or line.choice not in chosen):
                chosen[line.choice] = index
        return [
            index
            for index, line in enumerate(self.lines)
            if line.choice is None or chosen[line.choice] == index
        ]


@dataclass(frozen=True, slots=True)
class Person:
    """Somebody who reads labels and signs pots here, by initials that are theirs alone."""

    initials: str
    name: str


@dataclass(frozen=True, slots=True)
class Kitchen:
    """Whose book it is, and the regime that it declares by.

    After `second_look_days` a statement wants a second look. `people` are those to choose from
    where somebody states, signs or records. `measures` are its own (its ladle, its scoop), `spoons`
    says what a bare cup or spoon holds. Scaled amounts are rounded to `weigh_to_g` and
    `measure_to_ml`. With `so2_by_amount` a well-known amount of sulphites under the regime's line
    leaves the declaration. Plans are ranked in `swap_order`. `time_zone` is an IANA name; None is
    that of the machine.
    """

    name: str
    regime: str
    second_look_days: int = SECOND_LOOK_DAYS
    people: tuple[Person, ...] = ()
    measures: tuple[Measure, ...] = ()
    spoons: Spoons = "us"
    weigh_to_g: float = 1
    measure_to_ml: float = 5
    so2_by_amount: bool = False
    swap_order: tuple[Criterion, ...] = CRITERIA
    time_zone: str | None = None


@dataclass(frozen=True)
class Book:
    """A kitchen's whole ledger. Products and preparations by id, in the order of writing."""

    kitchen: Kitchen
    house_flags: tuple[Flag, ...]
    products: Mapping[str, Product]
    preparations: Mapping[str, Preparation]
    tools: tuple[Tool, ...] = ()
    needs: tuple[Need, ...] = ()
    sign_offs: Mapping[str, SignOff] = field(default_factory=dict)
    rulings: tuple[Ruling, ...] = ()
    """What the kitchen says of swap rules, by id."""
    others: Mapping[str, Mapping[str, object]] = field(default_factory=dict)
    """Documents of kinds that have no field of their own: by kind, then by id."""

    @classmethod
    def of(
        cls,
        kitchen: Kitchen,
        products: Iterable[Product],
        preparations: Iterable[Preparation],
        house_flags: Iterable[Flag] = (),
        tools: Iterable[Tool] = (),
        needs: Iterable[Need] = (),
        sign_offs: Mapping[str, SignOff] | None = None,
        rulings: Iterable[Ruling] = (),
    ) -> "Book":
        """A book from loose pieces whose ids are known to be unique."""
        return cls(
            kitchen=kitchen,
            house_flags=tuple(house_flags),
            products={product.id: product for product in products},
            preparations={preparation.id: preparation for preparation in preparations},
            tools=tuple(tools),
            needs=tuple(needs),
            sign_offs=dict(sign_offs or {}),
            rulings=tuple(
                sorted(filter(attrgetter("says_something"), rulings), key=attrgetter("id"))
            ),
        )

    @cached_property
    def flags(self) -> tuple[Flag, ...]:
        """The shipped vocabulary followed by the kitchen's own flags."""
        return (*shipped_flags(), *self.house_flags)

    @cached_property
    def flag_ids(self) -> frozenset[str]:
        """The ids of all flags that the book knows."""
        return frozenset(flag.id for flag in self.flags)

    @cached_property
    def units(self) -> Mapping[str, Unit]:
        """Every unit with its size, the kitchen's own measures among them."""
        return units_of(self.kitchen.measures)

    @cached_property
    def toolbox(self) -> Toolbox:
        """The kitchen's tools, by whatever they are called."""
        return Toolbox(self.tools)

    @cached_property
    def tool_names(self) -> tuple[str, ...]:
        """The names of all tools that the kitchen lists or that a card names, each once, sorted."""
        named = {name for preparation in self.preparations.values() for name in preparation.tools}
        unlisted = {name for name in named if self.toolbox.get(name) is None}
        return tuple(sorted({tool.name for tool in self.tools} | unlisted))

    def name(self, item: str) -> str:
        """The name by which a cook knows an item, a by-product with what it comes from."""
        if item in self.products:
            return self.products[item].name
        owner = self.preparations[owner_of(item)]
        by_product = self.by_product(item)
        return f"{by_product.name} from {owner.name}" if by_product else owner.name

    def is_retired(self, item: str) -> bool:
        """Whether a product is put away or a preparation retired: it is not offered any more."""
        owner = owner_of(item)
        known = self.products.get(owner) or self.preparations.get(owner)
        return known is not None and known.retired is not None

    def by_product(self, item: str) -> ByProduct | None:
        """The by-product that an item names, if it names one."""
        owner, _, part = item.partition("/")
        made = self.preparations[owner].by_products if part else ()
        return next((entry for entry in made if entry.id == part), None)


def by_product_item(preparation: str, by_product: str) -> str:
    """How lines name a by-product."""
    return f"{preparation}/{by_product}"


def used_item(use: str) -> str:
    """The item that a step's `uses` names, without the number of its line."""
    return use.partition("#")[0]


def owner_of(item: str) -> str:
    """The product or preparation that an item belongs to: itself, or a by-product's preparation."""
    return item.partition("/")[0]


def items_of(preparation: Preparation) -> Iterator[str]:
    """The items that carry what a preparation carries: itself and its by-products."""
    yield preparation.id
    for by_product in preparation.by_products:
        yield by_product_item(preparation.id, by_product.id)
