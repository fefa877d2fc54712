"""Everything that a kitchen writes down: products, preparations and how they are made."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field
from functools import cached_property
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.flags import Flag, shipped_flags
from yellow_ladle.core.levels import Level

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
EvidenceKind: TypeAlias = Literal["label", "supplier", "plain_food", "own_knowledge"]

KINDS: tuple[Kind, ...] = get_args(Kind)
ROLES: tuple[Role, ...] = get_args(Role)
STAGES: tuple[Stage, ...] = get_args(Stage)
EVIDENCE: tuple[EvidenceKind, ...] = get_args(EvidenceKind)

Statements: TypeAlias = Mapping[str, Level]


@dataclass(frozen=True, slots=True)
class Evidence:
    """Why a statement is believed, who made it, and when (ISO date)."""

    kind: str
    date: str | None = None
    person: str | None = None


@dataclass(frozen=True, slots=True)
class Product:
    """Something bought, with a label.

    `otherwise` is the level of every flag without a statement: free once a label was read in full
    or for a plain single food, unchecked before. Numbers are None where nobody has recorded them:
    `abv_percent` in per cent by volume, `unit_weight_g` the weight of one piece.
    """

    id: str
    name: str
    class_: str
    statements: Statements = field(default_factory=dict)
    otherwise: Level = Level.UNCHECKED
    certificates: tuple[str, ...] = ()
    abv_percent: float | None = None
    salt_g_per_100g: float | None = None
    so2_mg_per_kg: float | None = None
    density_g_per_ml: float | None = None
    unit_weight_g: float | None = None
    evidence: Mapping[str, Evidence] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Line:
    """One entry of a preparation; `item` is a product, a preparation, or `pot/by-product`."""

    item: str
    quantity: float
    unit: str
    role: str
    stage: str = "cook"
    optional: bool = False
    strained_out: bool = False
    choice: str | None = None
    chosen: bool = False
    note: str = ""


@dataclass(frozen=True, slots=True)
class Amount:
    """A quantity with its unit."""

    quantity: float
    unit: str


@dataclass(frozen=True, slots=True)
class ByProduct:
    """What a preparation yields besides itself; it carries everything of its preparation."""

    id: str
    name: str
    quantity: float | None = None
    unit: str | None = None


@dataclass(frozen=True, slots=True)
class Step:
    """One step of a method."""

    text: str
    minutes: float | None = None
    heat: str | None = None
    cue: str | None = None
    caution: str | None = None
    equipment: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Preparation:
    """Something made. Its own statements can raise what its lines bring, never lower it.

    `otherwise` None follows the rule: unchecked while there are no lines, free once there are.
    `variant_of` is the preparation that a plan made this one from.
    """

    id: str
    name: str
    kind: str
    class_: str | None = None
    colour: str | None = None
    lines: tuple[Line, ...] = ()
    statements: Statements = field(default_factory=dict)
    otherwise: Level | None = None
    yield_: Amount | None = None
    by_products: tuple[ByProduct, ...] = ()
    equipment: tuple[str, ...] = ()
    method: tuple[Step, ...] = ()
    evidence: Mapping[str, Evidence] = field(default_factory=dict)
    variant_of: str | None = None

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
class Kitchen:
    """Whose book it is, and the regime that it declares by."""

    name: str
    regime: str


@dataclass(frozen=True)
class Book:
    """A kitchen's whole ledger. Products and preparations by id, in the order of writing."""

    kitchen: Kitchen
    house_flags: tuple[Flag, ...]
    products: Mapping[str, Product]
    preparations: Mapping[str, Preparation]

    @classmethod
    def of(
        cls,
        kitchen: Kitchen,
        products: Iterable[Product],
        preparations: Iterable[Preparation],
        house_flags: Iterable[Flag] = (),
    ) -> "Book":
        """A book from loose pieces whose ids are known to be unique."""
        return cls(
            kitchen,
            tuple(house_flags),
            {product.id: product for product in products},
            {preparation.id: preparation for preparation in preparations},
        )

    @cached_property
    def flags(self) -> tuple[Flag, ...]:
        """The shipped vocabulary followed by the kitchen's own flags."""
        return (*shipped_flags(), *self.house_flags)

    def name(self, item: str) -> str:
        """The name by which a cook knows an item, a by-product with what it comes from."""
        if item in self.products:
            return self.products[item].name
        owner = self.preparations[owner_of(item)]
        by_product = self.by_product(item)
        return f"{by_product.name} from {owner.name}" if by_product else owner.name

    def by_product(self, item: str) -> ByProduct | None:
        """The by-product that an item names, if it names one."""
        owner, _, part = item.partition("/")
        made = self.preparations[owner].by_products if part else ()
        return next((entry for entry in made if entry.id == part), None)


def by_product_item(preparation: str, by_product: str) -> str:
    """How lines name a by-product."""
    return f"{preparation}/{by_product}"


def owner_of(item: str) -> str:
    """The product or preparation that an item belongs to: itself, or a by-product's preparation."""
    return item.partition("/")[0]


def items_of(preparation: Preparation) -> Iterator[str]:
    """The items that carry what a preparation carries: itself and its by-products."""
    yield preparation.id
    for by_product in preparation.by_products:
        yield by_product_item(preparation.id, by_product.id)
