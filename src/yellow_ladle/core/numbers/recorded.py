"""What is recorded of a product, as grams in a gram of it."""

from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.numbers.retention import ETHANOL_G_PER_ML
from yellow_ladle.core.numbers.thickeners import thickener_of

Recorded = tuple[float | None, float | None, float | None, float]


def in_a_gram(product: Product) -> Recorded:
    """Grams of salt and ethanol, milligrams of SO2, and starch in grams of flour, in one gram.

    None where nobody has recorded it. A product that is no thickener holds no starch that counts.
    """
    salt, so2 = product.salt_g_per_100g, product.so2_counted
    thickener = thickener_of().get(taken_as(product) or "")
    return (
        None if salt is None else salt / 100,
        _ethanol(product),
        None if so2 is None else so2 / 1000,
        0.0 if thickener is None else 1 / thickener.weight,
    )


def _ethanol(product: Product) -> float | None:
    """Grams of ethanol in a gram: volume per cent by its density; none needs no density."""
    if product.abv_percent is None:
        return None
    if product.abv_percent == 0:
        return 0.0
    if product.density_g_per_ml is None:
        return None
    return product.abv_percent / 100 * ETHANOL_G_PER_ML / product.density_g_per_ml
