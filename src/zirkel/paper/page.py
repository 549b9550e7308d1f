"""A page at true size: millimetres from its top-left corner, y down, with a proof bar.

ReportLab counts points from the bottom left; everything here is turned round once, so that places
on paper are the same numbers as places on the sheet.
"""

from __future__ import annotations

import io
from collections.abc import Sequence
from pathlib import Path
from typing import Any

from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

FONTS = Path(__file__).parent / "fonts"
PLAIN, STRONG = "SourceSans3-Regular", "SourceSans3-SemiBold"
GRAPHITE, PENCIL, LINE = "#2b2926", "#5f584e", "#cdc1ad"
CHALK, VERDIGRIS = "#a83a25", "#2f6b57"
PROOF_MM = 100.0
LEADING = 1.35

PAGES_MM = {
    "A4": (210.0, 297.0), "A3": (297.0, 420.0), "A2": (420.0, 594.0), "A1": (594.0, 841.0),
    "Letter": (215.9, 279.4), "Tabloid": (279.4, 431.8), "C": (431.8, 558.8),
}  # fmt: skip
"""Common pages, ISO's and in inches: short side, long side."""


def _fonts() -> None:
    for name in (PLAIN, STRONG):
        if name not in pdfmetrics.getRegisteredFontNames():
            pdfmetrics.registerFont(TTFont(name, FONTS / f"{name}.ttf"))


class Page:
    """A PDF document being drawn, page by page; equal drawings give equal bytes."""

    def __init__(self, title: str, width_mm: float, height_mm: float) -> None:
        _fonts()
        self._out = io.BytesIO()
        self.width_mm, self.height_mm = width_mm, height_mm
        self._canvas = Canvas(
            self._out,
            pagesize=(width_mm * mm, height_mm * mm),
            invariant=1,
            initialFontName=PLAIN,  # type: ignore[arg-type]  # the stubs have it wrong
        )
        self._canvas.setTitle(title)
        self._canvas.setCreator("Zirkel")

    def turn_page(self, width_mm: float | None = None, height_mm: float | None = None) -> None:
        """Begin another page, of the same size unless told."""
        self._canvas.showPage()
        self.width_mm = width_mm or self.width_mm
        self.height_mm = height_mm or self.height_mm
        self._canvas.setPageSize((self.width_mm * mm, self.height_mm * mm))

    def done(self) -> bytes:
        """The document's bytes."""
        self._canvas.save()
        return self._out.getvalue()

    def line(self, points: Sequence[Sequence[float]], colour: str = GRAPHITE, width: float = 0.25,
             dash: Sequence[float] = (), closed: bool = False) -> None:  # fmt: skip
        """A line through points in mm; width and dashes in mm."""
        self._pen(colour, width, dash)
        path = self._canvas.beginPath()
        for i, (x, y) in enumerate(points):
            (path.lineTo if i else path.moveTo)(*self._at(x, y))
        if closed:
            path.close()
        self._canvas.drawPath(path, stroke=1, fill=0)

    def box(self, x: float, y: float, width: float, height: float, colour: str = GRAPHITE,
            pen: float = 0.25, dash: Sequence[float] = ()) -> None:  # fmt: skip
        """An upright rectangle from its top-left corner."""
        corners = [(x, y), (x + width, y), (x + width, y + height), (x, y + height)]
        self.line(corners, colour, pen, dash, closed=True)

    def area(self, points: Sequence[Sequence[float]], colour: str) -> None:
        """A flat area without a line round it."""
        self._canvas.setFillColor(colour)
        path = self._canvas.beginPath()
        for i, (x, y) in enumerate(points):
            (path.lineTo if i else path.moveTo)(*self._at(x, y))
        path.close()
        self._canvas.drawPath(path, stroke=0, fill=1)

    def circle(self, x: float, y: float, radius: float, colour: str = GRAPHITE,
               pen: float = 0.25, filled: bool = False) -> None:  # fmt: skip
        """A circle, its radius in mm."""
        self._pen(colour, pen, ())
        self._canvas.setFillColor(colour)
        self._canvas.circle(*self._at(x, y), radius * mm, stroke=1, fill=int(filled))

    def cross(self, x: float, y: float, arm: float = 2.0, colour: str = GRAPHITE) -> None:
        """A small upright cross."""
        self.line([(x - arm, y), (x + arm, y)], colour)
        self.line([(x, y - arm), (x, y + arm)], colour)

    def text(self, x: float, y: float, said: str, size: float = 3.4, strong: bool = False,
             colour: str = GRAPHITE, anchor: str = "start",
             turn_deg: float = 0.0) -> None:  # fmt: skip
        """Words on a base line, `size` being the height of the type in mm."""
        self._canvas.saveState()
        self._canvas.setFillColor(colour)
        self._canvas.setFont(STRONG if strong else PLAIN, size * mm)
        self._canvas.translate(*self._at(x, y))
        self._canvas.rotate(-turn_deg)
        draw: Any = {
            "start": self._canvas.drawString,
            "middle": self._canvas.drawCentredString,
            "end": self._canvas.drawRightString,
        }[anchor]
        draw(0, 0, said)
        self._canvas.restoreState()

    def wide(self, said: str, size: float = 3.4, strong: bool = False) -> float:
        """How wide words come out, in mm."""
        return float(pdfmetrics.stringWidth(said, STRONG if strong else PLAIN, size * mm)) / mm

    def lines(self, said: str, width: float, size: float = 3.4, strong: bool = False) -> list[str]:
        """Words over as many lines of that width as they need; a word too long by itself is
        broken."""
        made = [""]
        for word in said.split():
            longer = f"{made[-1]} {word}".strip()
            if self.wide(longer, size, strong) <= width:
                made[-1] = longer
                continue
            made.append(word)
            while self.wide(made[-1], size, strong) > width:
                shorter = range(len(made[-1]) - 1, 0, -1)
                fits = next(
                    n for n in shorter if n == 1 or self.wide(made[-1][:n], size, strong) <= width
                )
                made[-1:] = [made[-1][:fits], made[-1][fits:]]
        return [each for each in made if each] or [""]

    def wrapped(self, x: float, y: float, width: float, said: str, size: float = 3.4,
                strong: bool = False, colour: str = GRAPHITE) -> float:  # fmt: skip
        """Words over as many lines as they need; the base line that comes next."""
        for line in self.lines(said, width, size, strong):
            self.text(x, y, line, size, strong, colour)
            y += LEADING * size
        return y

    def image(self, picture: Any, x: float, y: float, width: float, height: float) -> None:
        """A picture (an ImageReader) in a rectangle from its top-left corner."""
        left, top = self._at(x, y)
        self._canvas.drawImage(picture, left, top - height * mm, width * mm, height * mm)

    def proof_bar(self, x: float, y: float) -> None:
        """A bar of exactly 100 mm to hold a ruler to."""
        self.line([(x, y), (x + PROOF_MM, y)], width=0.3)
        for at in range(0, 101, 10):
            tall = 3.0 if at % 50 == 0 else 1.6
            self.line([(x + at, y - tall), (x + at, y)], width=0.3)
        self.text(x + PROOF_MM + 3.0, y, "100 mm: if a ruler says otherwise, print at 100 %",
                  2.8, colour=PENCIL)  # fmt: skip

    def _at(self, x: float, y: float) -> tuple[float, float]:
        return x * mm, (self.height_mm - y) * mm

    def _pen(self, colour: str, width: float, dash: Sequence[float]) -> None:
        self._canvas.setStrokeColor(colour)
        self._canvas.setLineWidth(width * mm)
        self._canvas.setDash([each * mm for each in dash] if dash else [])
        self._canvas.setLineCap(1)
        self._canvas.setLineJoin(1)


def page_for(width_mm: float, height_mm: float) -> tuple[float, float]:
    """The smallest common page, upright or lying, that holds so much; else one made to measure.
    ISO's come before those in inches that are hardly smaller."""
    pages = [page for short, long in PAGES_MM.values() for page in ((short, long), (long, short))]
    holding = [page for page in pages if width_mm <= page[0] and height_mm <= page[1]]
    if not holding:
        return width_mm, height_mm
    least = min(w * h for w, h in holding)
    return next(page for page in holding if page[0] * page[1] <= 1.05 * least)
