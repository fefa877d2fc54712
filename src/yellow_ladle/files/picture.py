"""Pictures from cameras, opened with care: bounded, upright, of a known kind."""

import io
import warnings
from typing import TYPE_CHECKING

from yellow_ladle.core.book.fault import BookRefused, Fault

if TYPE_CHECKING:
    from PIL import Image

MAX_BYTES = 10 * 1024 * 1024
MAX_PIXELS = 36_000_000
FORMATS = ("PNG", "JPEG", "WEBP")


def upright(content: bytes, max_side: int) -> "Image.Image":
    """A picture as it was meant to be seen, in RGB, its longest side so many pixels at most.

    Raises BookRefused in words.
    """
    from PIL import Image, ImageOps, UnidentifiedImageError  # who adds no picture needs none of it

    if len(content) > MAX_BYTES:
        raise _refused("the picture is over 10 MB; take it smaller")
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            picture = Image.open(io.BytesIO(content), formats=FORMATS)
            # The size stands in the head: it is asked before a single pixel is unpacked.
            too_large = picture.width * picture.height > MAX_PIXELS
            if not too_large:
                picture.draft("RGB", (max_side, max_side))
                picture.thumbnail((max_side, max_side))
                return ImageOps.exif_transpose(picture).convert("RGB")
    except UnidentifiedImageError as error:
        raise _refused("this is no PNG, JPEG or WebP picture") from error
    except (OSError, ValueError, SyntaxError, Warning, Image.DecompressionBombError) as error:
        raise _refused("the picture cannot be read; it may be cut off") from error
    raise _refused("the picture has over 36 megapixels; take it smaller")


def is_picture(content: bytes) -> bool:
    """Whether bytes begin as one of the kinds of pictures that are read."""
    return content.startswith((b"\x89PNG\r\n", b"\xff\xd8\xff")) or (
        content[:4] == b"RIFF" and content[8:12] == b"WEBP"
    )


def _refused(why: str) -> BookRefused:
    return BookRefused([Fault("photo", why)])
