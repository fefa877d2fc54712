"""Photographs of labels, re-encoded and kept in a folder beside the database."""

import io
import os
import re
from hashlib import sha256
from pathlib import Path

from yellow_ladle.files.picture import upright

MAX_SIDE = 2_000
QUALITY = 82
NAME = re.compile(r"[0-9a-f]{64}")
"""How a picture is named that lies under the hash of its content."""


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
    """The photographs of one kitchen, each in a file named by the SHA-256 of its content.

    A file that is there is never changed, and stays for whoever takes a change back.
    """

    def __init__(self, database: Path) -> None:
        self._folder = photos_folder(database)

    def put(self, content: bytes) -> str:
        """Keeps a picture and answers its name. Raises BookRefused in words.

        It is drawn anew, so that nothing but its pixels is kept: no place, no camera, no script.
        """
        return self._keep(encoded_anew(content))

    def get(self, picture: str) -> bytes | None:
        """A picture by its name, as WebP; None where its file is gone."""
        place = self._place(picture)
        return place.read_bytes() if place.exists() else None

    def named_by_product(self) -> list[str]:
        """The products whose pictures an earlier version kept under their ids."""
        found = self._folder.glob("*.webp")
        return sorted(picture.stem for picture in found if not NAME.fullmatch(picture.stem))

    def rename(self, product: str) -> str:
        """Gives a picture that is named by its product the name of its content."""
        old = self._place(product)
        picture = self._keep(old.read_bytes())
        old.unlink()
        return picture

    def _keep(self, encoded: bytes) -> str:
        picture = sha256(encoded).hexdigest()
        place = self._place(picture)
        if not place.exists():
            self._folder.mkdir(parents=True, exist_ok=True)
            fresh = place.with_suffix(".fresh")
            fresh.write_bytes(encoded)
            to_disk(fresh)
            fresh.replace(place)
            to_disk(self._folder)
        return picture

    def _place(self, picture: str) -> Path:
        return self._folder / f"{picture}.webp"


def encoded_anew(content: bytes) -> bytes:
    """A picture as WebP with its longest side at most 2,000 pixels. Raises BookRefused."""
    picture = upright(content, MAX_SIDE)
    out = io.BytesIO()
    picture.save(out, "WEBP", quality=QUALITY, method=2)
    return out.getvalue()
