"""Text out of a photograph of a label, by Tesseract from Debian's packages.

Every word carries the reader's own certainty. What is not certain is marked, and a picture of
which less than half is certain is refused: a word that is read wrongly may be an allergen. What was
not read at all cannot be marked; where ink stands beside the words that were read, that is told.
"""

import csv
import io
import os
import re
import shutil
import subprocess
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cache
from statistics import median
from typing import TYPE_CHECKING

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.labels.languages import AUTO, language_of
from yellow_ladle.core.words.letters import tokens
from yellow_ladle.files.picture import upright
from yellow_ladle.files.picture_frame import WHOLE_PICTURE, Frame, framed

if TYPE_CHECKING:
    from PIL import Image

PACKAGES = {"en": "eng", "fr": "fra", "de": "deu", "es": "spa", "it": "ita"}
"""Tesseract's data by our languages."""
MISSING = (
    "The picture reader is missing. Install it with: sudo apt-get install tesseract-ocr"
    " tesseract-ocr-eng tesseract-ocr-fra tesseract-ocr-deu tesseract-ocr-spa tesseract-ocr-ita"
)
CERTAIN = 80
"""Of 100; a word that is less certain is marked."""
MIN_CERTAIN_SHARE = 0.5
BAR = re.compile(r"(?<![^\W_])\|(?![^\W_])|(?<=\d)\|")
"""A bar that stands alone or after a number: in a recipe the litre's letter, never certain."""
LEAST_HEIGHT, GOOD_HEIGHT, MAX_ENLARGED = 24, 36, 4.0
"""Pixels of a line below which the picture is enlarged, what it is enlarged to, and how often."""
MAX_SIDE, MAX_SIDE_BEFORE = 3_000, 5_000
"""Pixels of the longest side that is read, and of a picture before a part of it is cut out."""
SHOWN_SIDE, SHOWN_QUALITY = 1_200, 70
SIDEWAYS = (90, 270, 180)
"""Turns that are tried on a picture of which nothing is certain as it is."""
MIN_LETTERS_OF_A_SHAPE = 4
"""Letters of a word that is wider than high wherever it stands upright."""
MAX_SECONDS = 20
MAX_UNREAD_INK = 0.06
"""The share of dark pixels that may lie beside the words that were read: specks and edges."""
AGAIN = "Too little of it can be read. Take the picture again, closer and in better light."
UNREAD = "A part of the picture was not read. Compare the words with the jar, or take it again."


class ReaderMissing(Exception):
    """The program that reads pictures is not on this machine."""


@dataclass(frozen=True, slots=True)
class WordPlace:
    """Where something stands in a picture, as shares of its width and its height."""

    left: float
    top: float
    width: float
    height: float


@dataclass(frozen=True, slots=True)
class ReadWord:
    """One word with its place in the text, in code points, and how certain it is, of 100.

    `place`: where it stands in the picture.
    """

    text: str
    start: int
    end: int
    certainty: float
    place: WordPlace

    @property
    def certain(self) -> bool:
        """Whether it may stand without being looked at."""
        return self.certainty >= CERTAIN


@dataclass(frozen=True, slots=True)
class PictureText:
    """What was read in a picture; `unread`: ink stands beside the words.

    `picture`: the part that was read, as a small JPEG to compare the words with. `turn`: how far it
    was turned for that, clockwise in degrees.
    """

    text: str
    words: tuple[ReadWord, ...]
    language: str
    unread: bool
    picture: bytes
    turn: int = 0

    @property
    def uncertain(self) -> tuple[ReadWord, ...]:
        """The words that have to be looked at."""
        return tuple(word for word in self.words if not word.certain)


def can_read(language: str = "en") -> bool:
    """Whether pictures can be read here, in a language."""
    return PACKAGES[language] in _installed()


def read_picture(
    content: bytes, language: str = AUTO, frame: Frame = WHOLE_PICTURE, *, by_line: bool = False
) -> PictureText:
    """The text of the framed part of a picture in one language, given or found first.

    `by_line`: a line of the picture is a line of the text, as in a recipe; else a paragraph is, as
    on a label. Raises ReaderMissing, and BookRefused where it is no picture or too little of it is
    certain.
    """
    if not can_read():
        raise ReaderMissing(MISSING)
    whole = upright(content, MAX_SIDE if frame.is_whole else MAX_SIDE_BEFORE)
    # One that somebody has turned or cut is meant as it is.
    turns = SIDEWAYS if frame == WHOLE_PICTURE else ()
    lying: PictureText | None = None
    for each in (frame, *(Frame(turn) for turn in turns)):
        seen = framed(whole.copy(), each)
        seen.thumbnail((MAX_SIDE, MAX_SIDE))
        found = _found(seen, language, each.turn, by_line=by_line)
        if found is not None and (_stands(found, seen.size) or not turns):
            return found
        lying = lying or found
    if lying is not None:
        return lying
    raise BookRefused([Fault("photo", AGAIN)])


def _stands(found: PictureText, size: tuple[int, int]) -> bool:
    """Whether words are wider than they are high, so that the picture is upright.

    The reader reads lines that run upwards as well.
    """
    width, height = size
    shapes = [
        word.place.width * width / (word.place.height * height)
        for word in found.words
        if len(word.text) >= MIN_LETTERS_OF_A_SHAPE and word.place.height > 0
    ]
    return not shapes or median(shapes) > 1


def _found(seen: "Image.Image", language: str, turn: int, *, by_line: bool) -> PictureText | None:
    """The text of an upright picture; None where too little of it is certain."""
    picture = _prepared(seen)
    spoken = "en" if language == AUTO else language
    rows = _read(picture, spoken)
    height = median([row.height for row in rows]) if rows else LEAST_HEIGHT / 2
    if height < LEAST_HEIGHT:
        factor = min(GOOD_HEIGHT / max(height, 1), MAX_ENLARGED)
        picture = picture.resize((round(picture.width * factor), round(picture.height * factor)))
        rows = _read(picture, spoken)
    if language == AUTO:
        found = language_of(tokens(_joined(rows, picture.size)[0]))
        if found != spoken and found in PACKAGES and can_read(found):
            spoken, rows = found, _read(picture, found)
    text, words = _joined(rows, picture.size, by_line=by_line)
    if sum(word.certain for word in words) < MIN_CERTAIN_SHARE * max(len(words), 1) or not words:
        return None
    return PictureText(
        text=text,
        words=words,
        language=spoken,
        unread=_unread(picture, rows),
        picture=_shown(seen),
        turn=turn,
    )


@dataclass(frozen=True, slots=True)
class _Row:
    """A word as the reader tells it: its line, its place in pixels, its certainty and its text."""

    line: tuple[int, int, int]
    left: int
    top: int
    width: int
    height: int
    certainty: float
    text: str


def _prepared(picture: "Image.Image") -> "Image.Image":
    """Grey, with the shade of the ground taken out, dark letters on light."""
    from PIL import ImageChops, ImageFilter, ImageOps, ImageStat

    grey = ImageOps.grayscale(picture)
    if ImageStat.Stat(grey).median[0] < 128:
        grey = ImageOps.invert(grey)
    radius = max(grey.size) // 25
    ground = grey.filter(ImageFilter.MedianFilter(5)).filter(ImageFilter.GaussianBlur(radius))
    # A shadow across the label is in its blurred ground as well, and goes with it.
    even = ImageChops.invert(ImageChops.subtract(ground, grey, scale=1.0))
    return ImageOps.autocontrast(even, cutoff=(1, 20))


def _read(picture: "Image.Image", language: str) -> list[_Row]:
    out = io.BytesIO()
    picture.save(out, "PNG")
    command = ["tesseract", "stdin", "stdout", "-l", PACKAGES[language], "--psm", "3", "tsv"]
    # One thread: several pictures may be read at once, and more threads make one no quicker.
    environment = os.environ | {"OMP_THREAD_LIMIT": "1"}
    try:
        done = subprocess.run(
            command,
            input=out.getvalue(),
            capture_output=True,
            env=environment,
            timeout=MAX_SECONDS,
            check=True,
        )
    except FileNotFoundError as error:
        raise ReaderMissing(MISSING) from error
    except (subprocess.CalledProcessError, subprocess.TimeoutExpired) as error:
        raise BookRefused([Fault("photo", AGAIN)]) from error
    return list(_rows(done.stdout.decode("utf-8", errors="replace")))


def _rows(table: str) -> Iterator[_Row]:
    reader = csv.DictReader(io.StringIO(table), delimiter="\t", quoting=csv.QUOTE_NONE)
    for row in reader:
        if row["level"] != "5" or not (row["text"] or "").strip():
            continue
        line = (int(row["block_num"]), int(row["par_num"]), int(row["line_num"]))
        left, top, width, height = (int(row[key]) for key in ("left", "top", "width", "height"))
        yield _Row(
            line=line,
            left=left,
            top=top,
            width=width,
            height=height,
            certainty=float(row["conf"]),
            text=row["text"].strip(),
        )


def _joined(
    rows: Sequence[_Row], size: tuple[int, int], *, by_line: bool = False
) -> tuple[str, tuple[ReadWord, ...]]:
    """The text paragraph by paragraph or line by line, and its words with their places."""
    width, height = size
    parts: list[str] = []
    words: list[ReadWord] = []
    at = 0
    for number, row in enumerate(rows):
        if number:
            gap = _line_gap if by_line else _gap
            parts.append(gap(rows[number - 1], row))
            at += len(parts[-1])
        parts.append(BAR.sub("l", row.text) if by_line else row.text)
        place = WordPlace(
            row.left / width, row.top / height, row.width / width, row.height / height
        )
        certainty = 0.0 if BAR.search(row.text) else row.certainty
        words.append(
            ReadWord(
                text=parts[-1], start=at, end=at + len(row.text), certainty=certainty, place=place
            )
        )
        at += len(row.text)
    return "".join(parts), tuple(words)


def _gap(before: _Row, row: _Row) -> str:
    """What stands between two words. A line ends where the label is full, not where a sentence is.

    After a hyphen it is kept, as the reader of labels joins what was parted there.
    """
    if before.line == row.line:
        return " "
    parted = before.text.endswith("-") and row.text[:1].islower()
    return "\n" if parted or before.line[:2] != row.line[:2] else " "


def _line_gap(before: _Row, row: _Row) -> str:
    """What stands between two words where lines are kept: paragraphs stand apart."""
    if before.line == row.line:
        return " "
    return "\n" if before.line[:2] == row.line[:2] else "\n\n"


def _shown(picture: "Image.Image") -> bytes:
    """A picture as a small JPEG."""
    small = picture.copy()
    small.thumbnail((SHOWN_SIDE, SHOWN_SIDE))
    out = io.BytesIO()
    small.save(out, "JPEG", quality=SHOWN_QUALITY)
    return out.getvalue()


def _unread(picture: "Image.Image", rows: Sequence[_Row]) -> bool:
    """Whether more dark pixels lie beside the words than specks and edges make."""
    from PIL import ImageDraw, ImageStat

    dark = picture.point(lambda value: 255 if value < 110 else 0)
    whole = ImageStat.Stat(dark).sum[0]
    beside = dark.copy()
    draw = ImageDraw.Draw(beside)
    for row in rows:
        edge = max(row.height // 3, 3)
        corner = (row.left + row.width + edge, row.top + row.height + edge)
        draw.rectangle(((row.left - edge, row.top - edge), corner), fill=0)
    return whole > 0 and ImageStat.Stat(beside).sum[0] / whole > MAX_UNREAD_INK


@cache
def _installed() -> frozenset[str]:
    """The languages that Tesseract has here; none where it is missing."""
    if shutil.which("tesseract") is None:
        return frozenset()
    done = subprocess.run(
        ["tesseract", "--list-langs"], capture_output=True, text=True, check=False, timeout=10
    )
    return frozenset(done.stdout.split("\n")[1:])
