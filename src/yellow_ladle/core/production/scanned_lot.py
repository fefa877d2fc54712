"""The lot that the bars on a pack tell of: one that is known, or a new one."""

from yellow_ladle.core.book.product import Product
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.vocabulary.gs1_elements import Scanned, same_number

GRAMS_A_KILOGRAM = 1000


def lot_of_pack(found: Scanned, product: Product, known: list[Lot], today: str) -> Lot:
    """The lot of a product by what its pack says; without an id where it is a new one.

    A code that holds no lot, such as one that somebody typed, is the lot's own. A best-before date
    ends nothing: only a use-by date does. The maker is the one whose pack has this number.
    """
    code = found.lot or found.code
    for lot in known:
        if lot.product == product.id and lot.code == code:
            return lot
    maker = next(
        (each.id for each in product.makers if each.code and same_number(each.code) == found.code),
        None,
    )
    best_before = found.use_by if found.expires is None else None
    return Lot(
        id="",
        product=product.id,
        received=today,
        maker=maker,
        code=code,
        use_by=found.expires.isoformat() if found.expires else None,
        best_before=best_before.isoformat() if best_before else None,
        quantity=found.weight_kg * GRAMS_A_KILOGRAM if found.weight_kg else None,
        unit="g" if found.weight_kg else None,
    )
