"""The part of a picture that is meant: turned upright, cut out, and made flat by its corners."""

from dataclasses import dataclass
from itertools import pairwise
from typing import TYPE_CHECKING

from yellow_ladle.core.book.fault import BookRefused, Fault

if TYPE_CHECKING:
    from PIL import Image

TURNS = (0, 90, 180, 270)
WHOLE = (0.0, 0.0, 1.0, 0.0, 1.0, 1.0, 0.0, 1.0)
"""The corners of a whole picture: x and y of each, clockwise from the upper left."""
MIN_AREA = 0.005
"""The least part of a picture that can be meant; less is a slip of the finger."""

MIN_TURN = 0.0005
"""Twice the least area of any three corners: degenerate crop quadrilaterals are rejected."""


@dataclass(frozen=True, slots=True)
class Frame:
    """How a picture is turned (degrees, clockwise), then the corners of the part that is meant.

    `corners`: x and y of each as shares of the turned picture's sides, clockwise from the upper
    left. Raises BookRefused where they are no such part of a picture.
    """

    turn: int = 0
    corners: tuple[float, ...] = WHOLE

    def __post_init__(self) -> None:
        if self.turn not in TURNS:
            raise _refused("turn", "a picture is turned by 0, 90, 180 or 270 degrees")
        if len(self.corners) != len(WHOLE) or not all(0 <= at <= 1 for at in self.corners):
            raise _refused("corners", "four corners are needed, each as two shares from 0 to 1")
        if not _clockwise(self.points) or _area(self.points) < MIN_AREA:
            raise _refused("corners", "the corners enclose no part of the picture; put them anew")

    @property
    def points(self) -> tuple[tuple[float, float], ...]:
        """The corners as pairs."""
        return tuple(zip(self.corners[::2], self.corners[1::2], strict=True))

    @property
    def is_whole(self) -> bool:
        """Whether nothing is cut off or made flat."""
        return self.corners == WHOLE


def framed(picture: "Image.Image", frame: Frame) -> "Image.Image":
    """A picture turned, and the part between its corners as a flat rectangle."""
    from PIL import Image

    if frame.turn:
        upright = {
            90: Image.Transpose.ROTATE_270,
            180: Image.Transpose.ROTATE_180,
            270: Image.Transpose.ROTATE_90,
        }
        picture = picture.transpose(upright[frame.turn])
    if frame.is_whole:
        return picture
    corners = [(x * picture.width, y * picture.height) for x, y in frame.points]
    top, right, bottom, left = (
        ((x - next_x) ** 2 + (y - next_y) ** 2) ** 0.5
        for (x, y), (next_x, next_y) in pairwise([*corners, corners[0]])
    )
    width, height = max(round(max(top, bottom)), 1), max(round(max(left, right)), 1)
    return picture.transform(
        (width, height),
        Image.Transform.PERSPECTIVE,
        _perspective(corners, width, height),
        Image.Resampling.BICUBIC,
    )


def _perspective(corners: list[tuple[float, float]], width: int, height: int) -> list[float]:
    """The eight numbers by which a place of the rectangle is found between the corners."""
    import numpy as np

    rows, wanted = [], []
    rectangle = ((0, 0), (width, 0), (width, height), (0, height))
    for (x, y), (from_x, from_y) in zip(rectangle, corners, strict=True):
        rows.append([x, y, 1, 0, 0, 0, -from_x * x, -from_x * y])
        rows.append([0, 0, 0, x, y, 1, -from_y * x, -from_y * y])
        wanted += [from_x, from_y]
    return [float(number) for number in np.linalg.solve(np.array(rows), np.array(wanted))]


def _clockwise(points: tuple[tuple[float, float], ...]) -> bool:
    """Whether every corner turns clearly the same way, y running downwards: no sides cross."""
    around = [*points, *points[:2]]
    return all(
        (bx - ax) * (cy - by) - (by - ay) * (cx - bx) > MIN_TURN
        for (ax, ay), (bx, by), (cx, cy) in zip(around, around[1:], around[2:], strict=False)
    )


def _area(points: tuple[tuple[float, float], ...]) -> float:
    around = [*points, points[0]]
    return sum(ax * by - bx * ay for (ax, ay), (bx, by) in pairwise(around)) / 2


def _refused(place: str, why: str) -> BookRefused:
    return BookRefused([Fault(place, why)])


WHOLE_PICTURE = Frame()
