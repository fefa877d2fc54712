"""The photographs of products: documents like all else, with their pixels in files beside them."""

from yellow_ladle.core.book.kind import Document
from yellow_ladle.core.book.label_photo import Photo
from yellow_ladle.core.checks.document_kinds import PHOTO
from yellow_ladle.core.reading.update import Change
from yellow_ladle.store.documents import Now
from yellow_ladle.store.file.photos import Photos
from yellow_ladle.store.history import NOBODY, Act
from yellow_ladle.store.ledger import Ledger


def photo_of(now: Now, product: str) -> Photo | None:
    """The photograph that a product has."""
    found = PHOTO.held(now.reading.book).get(product)
    assert found is None or isinstance(found, Photo)
    return found


def keep_photo(ledger: Ledger, product: str, content: bytes, act: Act = NOBODY) -> None:
    """Keeps a picture in the place of the one before. Raises BookRefused in words."""
    _record(ledger, product, Photo(Photos(ledger.path).put(content), ledger.today), act)


def drop_photo(ledger: Ledger, product: str, act: Act = NOBODY) -> None:
    """Takes a product's picture away. Its file stays, so that this can be taken back."""
    _record(ledger, product, None, act)


def take_in_pictures(ledger: Ledger) -> None:
    """Names by their content the pictures that an earlier version named by their products.

    Only for whoever has the file to himself. A picture whose product is gone stays as it is.
    """
    photos = Photos(ledger.path)
    for product in photos.named_by_product():
        if product in ledger.now.reading.book.products:
            _record(ledger, product, Photo(photos.rename(product), ledger.today), NOBODY)


def _record(ledger: Ledger, product: str, photo: Photo | None, act: Act) -> None:
    with ledger.alone() as now:
        known = photo_of(now, product)
        if (known and known.picture) == (photo and photo.picture):
            return
        document = Document(PHOTO, product, photo)
        seen = {document.key: now.setting_versions.get(document.key)}
        ledger.record(Change(documents=(document,)), seen, act)
