"""Pictures of labels, drawn from their texts: fonts, sizes, bends, blur, noise, shade, columns."""

import io
import math
import textwrap
from dataclasses import dataclass
from pathlib import Path
from random import Random

import reportlab
from PIL import Image, ImageDraw, ImageFilter, ImageFont

FONTS = Path(reportlab.__file__).parent / "fonts"
FACES = ("Vera.ttf", "VeraBd.ttf", "VeraIt.ttf")


@dataclass(frozen=True)
class Drawn:
    """How a picture is drawn. A clean one is sharp, straight and evenly lit."""

    face: str
    size: int
    blur: float = 0.0
    turned: float = 0.0
    bent: float = 0.0
    noise: int = 0
    shade: float = 0.0
    columns: int = 1

    @property
    def clean(self) -> bool:
        """Whether nothing is wrong with it."""
        return not (self.blur or self.turned or self.bent or self.noise or self.shade)


def drawings(seed: int, *, clean: bool) -> Drawn:
    """One way to draw, another for each seed."""
    random = Random(seed)
    face, size = random.choice(FACES), random.choice((18, 22, 28, 36))
    columns = 2 if random.random() < 0.15 else 1
    if clean:
        return Drawn(face, size, columns=columns)
    return Drawn(
        face,
        size,
        blur=random.choice((0, 0.6, 1.2, 2.0)),
        turned=random.uniform(-3, 3),
        bent=random.choice((0, 4, 9)),
        noise=random.choice((0, 12, 30)),
        shade=random.choice((0, 0.35, 0.7)),
        columns=columns,
    )


def picture(text: str, how: Drawn, seed: int) -> bytes:
    """A label's text as a PNG."""
    font = ImageFont.truetype(str(FONTS / how.face), how.size)
    width = 34 if how.columns == 1 else 22
    lines = textwrap.wrap(text, width)
    step, margin = round(how.size * 1.45), how.size * 2
    per = math.ceil(len(lines) / how.columns)
    column = round(max(font.getlength(line) for line in lines)) + margin
    page = Image.new("L", (column * how.columns + margin * 2, step * per + margin * 2), 245)
    draw = ImageDraw.Draw(page)
    for number, line in enumerate(lines):
        place = (margin + column * (number // per), margin + step * (number % per))
        draw.text(place, line, fill=25, font=font)
    if how.turned:
        page = page.rotate(
            how.turned, expand=True, fillcolor=245, resample=Image.Resampling.BICUBIC
        )
    if how.bent:
        page = _bent(page, how.bent)
    if how.blur:
        page = page.filter(ImageFilter.GaussianBlur(how.blur))
    if how.shade:
        page = _shaded(page, how.shade)
    if how.noise:
        random = Random(seed)
        grain = Image.frombytes("L", page.size, random.randbytes(page.width * page.height))
        page = Image.blend(page, grain, how.noise / 255)
    out = io.BytesIO()
    page.save(out, "PNG")
    return out.getvalue()


def _bent(page: Image.Image, depth: float) -> Image.Image:
    """As on a jar: the middle of each line stands higher than its ends."""
    bent = Image.new("L", page.size, 245)
    for x in range(page.width):
        down = round(depth * (1 - math.sin(math.pi * x / page.width)))
        bent.paste(page.crop((x, 0, x + 1, page.height)), (x, down))
    return bent


def _shaded(page: Image.Image, depth: float) -> Image.Image:
    """A shadow that grows from left to right."""
    ramp = Image.linear_gradient("L").rotate(90).resize(page.size)
    dark = page.point(lambda value: round(value * (1 - depth)))
    return Image.composite(page, dark, ramp)
