"""What a product gives by the lot or the maker that was written down, or by neither."""

from collections.abc import Mapping
from dataclasses import replace

from yellow_ladle.core.book.inherent_flags import inherent_flags
from yellow_ladle.core.carrying.label_sources import product_mask
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import Level


class LabelMasks:
    """Masks of single labels, each worked out once. What a compound is made of comes on top."""

    def __init__(self, reading: Reading) -> None:
        self._reading = reading
        self._kept: dict[tuple[str, str | None], int] = {}
        self.unchecked = reading.layout.mask({}, Level.UNCHECKED)
        """What nothing is known of."""

    def of(self, product: str, maker: str | None) -> int:
        """A product's label by one maker, or as the book reads its labels where none is named.

        Of a maker that is none of the product's nothing is known; the product's own statements
        raise that.
        """
        key = (product, maker)
        if key not in self._kept:
            self._kept[key] = self._worked_out(product, maker)
        return self._kept[key]

    def of_lot(self, lot: Lot, maker: str | None = None) -> int:
        """The label of a lot: by its maker, or by another record of it, raised by its own words."""
        label = self.of(lot.product, lot.maker or maker)
        return label | self.raising(label, lot.statements)

    def raising(self, mask: int, statements: Mapping[str, Level]) -> int:
        """The statements that say more than a mask does, as a mask.

        What they repeat is left out: the mask knows more of it, such as its certificates. So are
        flags that the book has dropped since.
        """
        layout = self._reading.layout
        return layout.mask(
            {
                flag: level
                for flag, level in statements.items()
                if flag in layout.bits and level > layout.level(mask, layout.bits[flag])
            },
            Level.FREE,
        )

    def _worked_out(self, id: str, maker: str | None) -> int:
        reading = self._reading
        product = reading.book.products[id]
        if maker is None:
            return product_mask(reading.layout, product, reading.on, reading.book)
        if any(each.id == maker for each in product.makers):
            named = replace(product, in_use=maker)
            return product_mask(reading.layout, named, reading.on, reading.book)
        wine = inherent_flags(product).grape_wine
        unknown = reading.layout.mask({}, Level.UNCHECKED, grape_wine=wine)
        return unknown | reading.layout.mask(product.statements, Level.FREE)
