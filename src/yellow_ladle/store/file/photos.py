"""Photographs of labels, re-encoded and kept in a folder beside the database."""

import io
import os
from collections.abc import Collection
from pathlib import Path

from yellow_ladle.core.reading.update import Change
from yellow_ladle.files.picture import upright

MAX_SIDE = 2_000
QUALITY = 82


def to_disk(path: Path) -> None:
    """Waits until a file or a folder is on the disk."""
    opened = os.open(path, os.O_RDONLY)
    try:
        os.fsync(opened)
    finally:
        os.close(opened)


def photos_folder(database: Path) -> Path:
    """Where the pictures of a kitchen lie: beside its database."""
    return database.with_name(database.name + ".photos")


class Photos:
    """The photographs of one kitchen: at most one a product."""

    def __init__(self, database: Path) -> None:
        self._folder = photos_folder(database)

    def put(self, product: str, content: bytes) -> None:
        """Keeps a picture in the place of the one before. Raises BookRefused in words.

        It is drawn anew, so that nothing but its pixels is kept: no place, no camera, no script.
        """
        encoded = encoded_anew(content)
        self._folder.mkdir(parents=True, exist_ok=True)
        fresh = self._folder / f"{product}.fresh"
        fresh.write_bytes(encoded)
        to_disk(fresh)
        fresh.replace(self._place(product))
        to_disk(self._folder)

    def get(self, product: str) -> bytes | None:
        """A product's picture as WebP, or None."""
        place = self._place(product)
        return place.read_bytes() if place.exists() else None

    def drop(self, product: str) -> None:
        """Takes a product's picture away."""
        self._place(product).unlink(missing_ok=True)

    def move(self, before: Collection[str], change: Change, *, undone: bool) -> None:
        """Lets pictures go with their products, and come back where that is undone.

        `before`: the products that there were. Another product that is later made under the same
        id does not get the picture.
        """
        for id in change.removed:
            if id in before:
                self.put_away(id)
        for product in change.products if undone else ():
            if product.id not in before:
                self.bring_back(product.id)

    def put_away(self, product: str) -> None:
        """Keeps the picture of a product that is removed, for when that is taken back."""
        self._move(self._place(product), self._away(product))

    def bring_back(self, product: str) -> None:
        """Brings back the picture that a product had when it was removed."""
        self._move(self._away(product), self._place(product))

    def follow(self, products: Collection[str], brought_back: Collection[str]) -> None:
        """Moves what a kill kept from being moved after its product's removal or return."""
        for picture in list(self._folder.glob("*.webp")):
            if picture.stem not in products:
                self.put_away(picture.stem)
        for id in brought_back:
            if id in products and not self.has(id):
                self.bring_back(id)

    def _move(self, picture: Path, place: Path) -> None:
        if picture.exists():
            picture.replace(place)
            to_disk(self._folder)

    def _away(self, product: str) -> Path:
        return self._folder / f"{product}.removed"

    def has(self, product: str) -> bool:
        """Whether a product has a picture."""
        return self._place(product).exists()

    def _place(self, product: str) -> Path:
        return self._folder / f"{product}.webp"


def encoded_anew(content: bytes) -> bytes:
    """A picture as WebP with its longest side at most 2,000 pixels. Raises BookRefused."""
    picture = upright(content, MAX_SIDE)
    out = io.BytesIO()
    picture.save(out, "WEBP", quality=QUALITY, method=2)
    return out.getvalue()
