"""Something bought: what its labels say, whose they are, and what has been put into it."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.book.maker import Evidence, Maker, Paper, Statements, counted
from yellow_ladle.core.vocabulary.field_words import called
from yellow_ladle.core.vocabulary.levels import Level

EvidenceKind: TypeAlias = Literal["label", "supplier", "plain_food", "own_knowledge", "method"]
CertificateKind: TypeAlias = Literal["halal", "kosher", "vegan", "gluten_free", "organic"]

EVIDENCE: tuple[EvidenceKind, ...] = get_args(EvidenceKind)
CERTIFICATES: tuple[CertificateKind, ...] = get_args(CertificateKind)


@dataclass(frozen=True, slots=True)
class Part:
    """Another product within a compound one, with its share in per cent where it is known."""

    product: str = field(metadata=called("made of", item=True))
    percent: float | None = field(default=None, metadata=called("per cent"))


@dataclass(frozen=True, slots=True)
class Addition:
    """Something put into a running bag, with what it carried on that day.

    `live`: whether the bag also carries what the item carries now. It does not where that would
    make a pot go into itself; what it carried then stays either way.
    """

    item: str = field(metadata=called("put in", item=True))
    date: str = field(metadata=called("on"))
    person: str | None = None
    statements: Statements = field(default_factory=dict)
    certificates: tuple[str, ...] = ()
    live: bool = True


@dataclass(frozen=True, slots=True)
class Bag:
    """What is in a running bag since it was last emptied and washed, and when that was."""

    additions: tuple[Addition, ...] = ()
    emptied: str | None = None
    emptied_by: str | None = None


MAX_ALCOHOL_FREE = 0.5
"""Per cent by volume above which a drink is not free from alcohol, whatever its label says."""
MAX_SULPHITE_FREE = 10.0
"""Milligrams of SO2 in a kilogram above which a good is not free from sulphites.

Regulation (EU) 1169/2011, Annex II, 12."""
FIGURES = (
    *("abv_percent", "salt_g_per_100g", "so2_mg_per_kg", "density_g_per_ml", "unit_weight_g"),
    *("class_", "parts", "makers", "in_use"),
)
"""The fields of a product from which numbers are worked out."""


@dataclass(frozen=True, slots=True)
class Product:
    """Something bought, with a label. Of one without a class nobody has said what it is.

    `otherwise` is the level of every flag without a statement: free once a label was read in full
    or for a plain single food, unchecked before. With makers it says nothing, as each maker's label
    speaks for itself; then its own statements can only raise what theirs say. `in_use` names the
    maker whose label alone counts; with None the highest of all makers does. `parts` are carried as
    a preparation carries its lines. Numbers are None where nobody has recorded them: `abv_percent`
    in per cent by volume, `unit_weight_g` the weight of one piece, `price_per_kg` in the kitchen's
    money.
    """

    id: str
    name: str
    class_: str | None = None
    statements: Statements = field(default_factory=dict)
    otherwise: Level = field(default=Level.UNCHECKED, metadata=called("level of the rest"))
    certificates: tuple[str, ...] = ()
    abv_percent: float | None = field(default=None, metadata=called("alcohol in per cent"))
    salt_g_per_100g: float | None = field(default=None, metadata=called("salt in 100 g"))
    so2_mg_per_kg: float | None = field(default=None, metadata=called("SO2 in a kilogram"))
    density_g_per_ml: float | None = field(default=None, metadata=called("density"))
    unit_weight_g: float | None = field(default=None, metadata=called("weight of one"))
    price_per_kg: float | None = field(default=None, metadata=called("price of a kilogram"))
    evidence: Mapping[str, Evidence] = field(default_factory=dict)
    papers: Mapping[str, Paper] = field(default_factory=dict)
    label: str = field(default="", metadata=called("text of the label"))
    pack: str = ""
    code: str = field(default="", metadata=called("bar code"))
    makers: tuple[Maker, ...] = ()
    in_use: str | None = field(default=None, metadata=called("maker in use"))
    parts: tuple[Part, ...] = field(default=(), metadata=called("goods that it is made of"))
    bag: Bag | None = None

    @property
    def contents(self) -> tuple[str, ...]:
        """The items that it carries whole: its parts, and what is in the bag."""
        if not self.parts and self.bag is None:
            return ()
        added = self.bag.additions if self.bag else ()
        items = [part.product for part in self.parts]
        return tuple(dict.fromkeys((*items, *(entry.item for entry in added if entry.live))))

    @property
    def so2_counted(self) -> float | None:
        """Milligrams of SO2 in a kilogram, the most over the makers that count.

        None where the amount of one of them is not known.
        """
        amounts = [self.so2_of(maker) for maker in self.counted_makers] or [self.so2_mg_per_kg]
        known = [amount for amount in amounts if amount is not None]
        return max(known) if len(known) == len(amounts) else None

    def so2_of(self, maker: Maker) -> float | None:
        """A maker's own amount of SO2, else the product's."""
        return self.so2_mg_per_kg if maker.so2_mg_per_kg is None else maker.so2_mg_per_kg

    @property
    def counted_makers(self) -> tuple[Maker, ...]:
        """The makers whose labels count: the one in use, or all of them."""
        return counted(self.makers, self.in_use)


def figures(product: Product) -> tuple[object, ...]:
    """What the numbers of a product's derivatives are worked out from."""
    return tuple(getattr(product, key) for key in FIGURES)
