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


PLAIN_FOOD: EvidenceKind = "plain_food"
"""The evidence of what is known of a single food without a label."""
METHOD: EvidenceKind = "method"
"""The evidence of a statement that a card's own words make."""
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
PROPOSED_BY = ("name", "label", "statements", "otherwise")
"""The fields of a product by which a class is proposed."""


@dataclass(frozen=True, slots=True)
class Product:
    """Something bought, with a label. Of one without a class nobody has said what it is.

    `otherwise` is the level of every flag without a statement: free once a label was read in full
    or for a plain single food, unchecked before. With makers it says nothing, as each maker's label
    speaks for itself; then its own statements can only raise what theirs say. `in_use` names the
    maker whose label alone counts; with None the highest of all makers does. `parts` are carried as
    a preparation carries its lines. Numbers are None where nobody has recorded them: `abv_percent`
    in per cent by volume, `unit_weight_g` the weight of one piece, `price_per_kg` in the kitchen's
    money. One that is `retired` (ISO date) is not offered any more. `merged` are the ids of goods
    that were recorded twice and put into this one.
    """

    id: str
    name: str = field(metadata=called("name", headings=("product", "item", "description", "goods")))
    class_: str | None = field(
        default=None, metadata=called("class", headings=("category", "kind"))
    )
    statements: Statements = field(default_factory=dict)
    otherwise: Level = field(
        default=Level.UNCHECKED,
        metadata=called("level of the rest", headings=("all the rest", "rest", "everything else")),
    )
    certificates: tuple[str, ...] = field(
        default=(), metadata=called("certificates", headings=("certificate",))
    )
    abv_percent: float | None = field(
        default=None,
        metadata=called("alcohol in per cent", headings=("abv", "alcohol %", "alcohol % vol")),
    )
    salt_g_per_100g: float | None = field(
        default=None,
        metadata=called("salt in 100 g", headings=("salt", "salt g/100g", "salt g per 100 g")),
    )
    so2_mg_per_kg: float | None = field(
        default=None,
        metadata=called("SO2 in a kilogram", headings=("so2", "sulphites mg/kg", "total so2")),
    )
    density_g_per_ml: float | None = field(
        default=None, metadata=called("density", headings=("density", "density g/ml"))
    )
    unit_weight_g: float | None = field(
        default=None,
        metadata=called("weight of one", headings=("unit weight", "piece weight", "weight of one")),
    )
    price_per_kg: float | None = field(
        default=None,
        metadata=called(
            "price of a kilogram", headings=("price", "price per kg", "price/kg", "cost per kg")
        ),
    )
    evidence: Mapping[str, Evidence] = field(default_factory=dict)
    papers: Mapping[str, Paper] = field(default_factory=dict)
    label: str = field(
        default="",
        metadata=called(
            "text of the label", headings=("ingredients", "ingredient list", "label text")
        ),
    )
    pack: str = field(default="", metadata=called("pack", headings=("pack size", "size")))
    code: str = field(
        default="", metadata=called("bar code", headings=("barcode", "bar code", "gtin", "ean"))
    )
    makers: tuple[Maker, ...] = ()
    in_use: str | None = field(default=None, metadata=called("maker in use"))
    parts: tuple[Part, ...] = field(default=(), metadata=called("goods that it is made of"))
    bag: Bag | None = None
    retired: str | None = field(default=None, metadata=called("day from which it is put away"))
    merged: tuple[str, ...] = field(default=(), metadata=called("goods that were put into it"))

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
        if not self.makers:
            return self.so2_mg_per_kg
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
    """What the numbers of a product's derivatives are worked out from.

    Of one without a class that is also what a class is proposed by.
    """
    taken_by = () if product.class_ else PROPOSED_BY
    return tuple(getattr(product, key) for key in (*FIGURES, *taken_by))
