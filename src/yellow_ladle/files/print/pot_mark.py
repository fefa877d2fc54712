"""The mark of a level on paper: the pot seen from the side, as it is on the screen."""

from reportlab.lib.colors import Color
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable

from yellow_ladle.core.vocabulary.levels import Level

GRID = 20.0
"""The mark is drawn on a square of so many units, as in the client's PotMark; y runs downwards."""


class PotMark(Flowable):
    """A pot that is full (contains), half full (may contain), or has its lid on (unchecked)."""

    def __init__(self, level: Level, size: float, colour: Color) -> None:
        super().__init__()
        self.level, self.size, self.colour = level, size, colour
        self.width = self.height = size

    def draw(self) -> None:
        """Draws onto the canvas that the page has given."""
        pen: Canvas = self.canv
        pen.saveState()
        pen.translate(0, self.size)
        pen.scale(self.size / GRID, -self.size / GRID)
        pen.setStrokeColor(self.colour)
        pen.setFillColor(self.colour)
        pen.setLineWidth(1.7)
        pen.setLineCap(1)
        pen.setLineJoin(1)
        _body(pen, 7.2, fill=self.level is Level.CONTAINS)
        if self.level is Level.MAY_CONTAIN:
            _body(pen, 12.0, fill=True)
        for side, outwards in ((4.2, -1), (15.8, 1)):
            _ear(pen, side, outwards)
        if self.level is Level.UNCHECKED:
            _lid(pen)
        pen.restoreState()


def _body(pen: Canvas, top: float, fill: bool) -> None:
    path = pen.beginPath()
    path.moveTo(4.2, top)
    path.lineTo(15.8, top)
    path.lineTo(15.8, 14.5)
    path.curveTo(15.8, 15.8, 14.8, 16.8, 13.5, 16.8)
    path.lineTo(6.5, 16.8)
    path.curveTo(5.2, 16.8, 4.2, 15.8, 4.2, 14.5)
    path.close()
    pen.drawPath(path, stroke=1, fill=int(fill))


def _ear(pen: Canvas, side: float, outwards: int) -> None:
    far = side + outwards * 2.9
    path = pen.beginPath()
    path.moveTo(side, 9.3)
    path.curveTo(far, 9.3, far, 11.9, side, 11.9)
    pen.drawPath(path, stroke=1, fill=0)


def _lid(pen: Canvas) -> None:
    path = pen.beginPath()
    path.moveTo(3.4, 7.2)
    path.lineTo(16.6, 7.2)
    path.moveTo(5.5, 6.6)
    path.curveTo(6.4, 3.1, 13.6, 3.1, 14.5, 6.6)
    path.moveTo(10, 2.9)
    path.lineTo(10, 2.5)
    pen.drawPath(path, stroke=1, fill=0)
