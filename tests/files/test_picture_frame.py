"""The part of a picture that is meant: turned, cut out, made flat, and refused where it is none."""

import unittest

from hypothesis import given
from hypothesis import strategies as st
from PIL import Image, ImageChops, ImageDraw, ImageStat

from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.files.picture_frame import TURNS, WHOLE, Frame, framed

SHARES = st.floats(0, 1, allow_nan=False)
COLOURS = ("red", "lime", "blue", "yellow")


def quarters(width: int = 80, height: int = 40) -> Image.Image:
    """A picture with another colour in each quarter, clockwise from the upper left."""
    page = Image.new("RGB", (width, height))
    draw = ImageDraw.Draw(page)
    places = ((0, 0), (width // 2, 0), (width // 2, height // 2), (0, height // 2))
    for (x, y), colour in zip(places, COLOURS, strict=True):
        draw.rectangle(((x, y), (x + width // 2, y + height // 2)), fill=colour)
    return page


def apart(one: Image.Image, other: Image.Image) -> float:
    """The mean difference of two pictures' pixels, of 255."""
    return max(ImageStat.Stat(ImageChops.difference(one, other)).mean)


class Framed(unittest.TestCase):
    def test_turning_goes_clockwise_and_four_times_is_none(self) -> None:
        page = quarters()
        self.assertEqual(framed(page, Frame(90)).getpixel((1, 1)), (255, 255, 0))
        again = page
        for turn in (90, 270, 180, 180):
            again = framed(again, Frame(turn))
        self.assertEqual(again.tobytes(), page.tobytes())

    def test_corners_are_of_the_turned_picture(self) -> None:
        upper_left = (0.0, 0.0, 0.5, 0.0, 0.5, 0.5, 0.0, 0.5)
        for turn, colour in zip(TURNS, ("red", "yellow", "blue", "lime"), strict=True):
            part = framed(quarters(), Frame(turn, upper_left))
            inside = part.crop((3, 3, part.width - 3, part.height - 3))
            self.assertLess(apart(inside, Image.new("RGB", inside.size, colour)), 2, turn)

    def test_what_lies_slanted_is_made_flat(self) -> None:
        page = quarters(200, 100)
        corners = (0.2, 0.1, 0.8, 0.2, 0.9, 0.9, 0.1, 0.8)
        # The same picture laid onto the corners, then taken from there.
        back = Image.new("RGB", (400, 300), "white")
        inverse = framed_onto(page, [(x * 400, y * 300) for x, y in Frame(0, corners).points])
        back.paste(inverse)
        flat = framed(back, Frame(0, corners)).resize(page.size)
        self.assertLess(apart(flat, page), 12)

    @given(st.lists(SHARES, min_size=8, max_size=8))
    def test_every_four_corners_are_a_part_or_refused(self, corners: list[float]) -> None:
        try:
            frame = Frame(0, tuple(corners))
        except BookRefused as error:
            self.assertIn("corners", error.faults[0].message)
            return
        part = framed(quarters(), frame)
        self.assertGreater(part.width * part.height, 0)

    def test_what_is_no_frame_is_refused(self) -> None:
        for frame in (
            {"turn": 45},
            {"corners": (0.0, 0.0, 1.0, 1.0)},
            {"corners": (*WHOLE[:7], 1.5)},
            {"corners": (0.0, 0.0, 1.0, 1.0, 1.0, 0.0, 0.0, 1.0)},  # two sides cross
            {"corners": (0.5, 0.5, 0.51, 0.5, 0.51, 0.51, 0.5, 0.51)},
            {"corners": (1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 1.0, 1.0)},  # a mirror's picture
            {"corners": (0.0, 0.0, 1.0, 0.0, 1e-180, 1.0, 0.0, 1.0)},  # two in one place
            {"corners": (0.0, 0.0, 0.5, 1e-9, 1.0, 0.0, 0.5, 1.0)},  # three on a line
        ):
            with self.assertRaises(BookRefused):
                Frame(**frame)  # type: ignore[arg-type]


def framed_onto(page: Image.Image, corners: list[tuple[float, float]]) -> Image.Image:
    """A picture of 400 by 300 with the page laid onto four corners."""
    import numpy as np

    sides = ((0, 0), (page.width, 0), (page.width, page.height), (0, page.height))
    rows, wanted = [], []
    for (x, y), (to_x, to_y) in zip(corners, sides, strict=True):
        rows += [[x, y, 1, 0, 0, 0, -to_x * x, -to_x * y], [0, 0, 0, x, y, 1, -to_y * x, -to_y * y]]
        wanted += [to_x, to_y]
    numbers = [float(n) for n in np.linalg.solve(np.array(rows), np.array(wanted))]
    return page.transform(
        (400, 300),
        Image.Transform.PERSPECTIVE,
        numbers,
        Image.Resampling.BICUBIC,
        fillcolor="white",
    )


if __name__ == "__main__":
    unittest.main()
