"""A page at true size: millimetres from its top-left corner, y down, with a proof bar.

ReportLab counts points from the bottom left; everything here is turned round once, so that places
on paper are the same numbers as places on the sheet.
"""

from __future__ import annotations

import io
import re
import unicodedata
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from contextvars import ContextVar
from functools import cache, lru_cache
from pathlib import Path
from typing import Any

from anyascii import anyascii
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

FONTS = Path(__file__).parent / "fonts"
PLAIN, STRONG = "SourceSans3-Regular", "SourceSans3-SemiBold"
SERIF, TITLE = "SourceSerif4-Regular", "SourceSerif4-SemiBold"
FACES = {(False, False): PLAIN, (True, False): STRONG, (False, True): SERIF, (True, True): TITLE}
"""By whether it is strong, and whether it has serifs: as on the screen, figures and notes without,
what is said to the artist with."""
FRACTION = re.compile(r"(?<![\w/.])(\d{1,2})/(\d{1,2})(?![\w/])")
RAISED, FIGURE, SLASH = 0.34, 0.62, "\u2044"
"""A fraction's figures: how far the upper one is raised and how large they are, of the type."""
GRAPHITE, PENCIL, LINE = "#2b2926", "#5f584e", "#cdc1ad"
CHALK, VERDIGRIS = "#a83a25", "#2f6b57"
PROOF_MM = 100.0
LEADING = 1.35

PAGES_MM = {
    "A4": (210.0, 297.0), "A3": (297.0, 420.0), "A2": (420.0, 594.0), "A1": (594.0, 841.0),
    "Letter": (215.9, 279.4), "Tabloid": (279.4, 431.8), "C": (431.8, 558.8),
}  # fmt: skip
"""Common pages, ISO's and in inches: short side, long side."""


_author: ContextVar[str] = ContextVar("author", default="")


@contextmanager
def drawn_by(artist: str) -> Iterator[None]:
    """Papers made meanwhile name this artist as their author."""
    token = _author.set(artist)
    try:
        yield
    finally:
        _author.reset(token)


def _fonts() -> None:
    for name in FACES.values():
        if name not in pdfmetrics.getRegisteredFontNames():
            pdfmetrics.registerFont(TTFont(name, FONTS / f"{name}.ttf"))


class Page:
    """A PDF document being drawn, page by page; equal drawings give equal bytes."""

    def __init__(self, title: str, width_mm: float, height_mm: float) -> None:
        _fonts()
        self._out = io.BytesIO()
        self._kept: dict[str, float] = {}
        self.width_mm, self.height_mm = width_mm, height_mm
        self._canvas = Canvas(
            self._out,
            pagesize=(width_mm * mm, height_mm * mm),
            invariant=1,
            initialFontName=PLAIN,  # type: ignore[arg-type]  # the stubs have it wrong
        )
        self._canvas.setTitle(title)
        self._canvas.setCreator("Zirkel")
        self._canvas.setAuthor(_author.get())

    def turn_page(self, width_mm: float | None = None, height_mm: float | None = None) -> None:
        """Begin another page, of the same size unless told."""
        self._canvas.showPage()
        self.width_mm = width_mm or self.width_mm
        self.height_mm = height_mm or self.height_mm
        self._canvas.setPageSize((self.width_mm * mm, self.height_mm * mm))

    def resize(self, width_mm: float, height_mm: float) -> None:
        """Make the page that is begun of another size; what is kept stays as it was drawn."""
        self.width_mm, self.height_mm = width_mm, height_mm
        self._canvas.setPageSize((width_mm * mm, height_mm * mm))

    def keep(self, name: str, draw: Callable[[Page], None]) -> None:
        """Draw something once, as large as this page, to be put on others: before anything else."""
        self._canvas.beginForm(name, 0, 0, self.width_mm * mm, self.height_mm * mm)
        draw(self)
        self._canvas.endForm()
        self._kept[name] = self.height_mm

    def put(self, name: str, left: float, top: float, into: tuple[float, float, float, float],
            share: float = 1.0) -> None:  # fmt: skip
        """What was kept, from its (left, top) on, into a rectangle (x, y, width, height) of this
        page, at a share of its size."""
        x, y, width, height = into
        self._canvas.saveState()
        window = self._canvas.beginPath()
        window.rect(*self._at(x, y + height), width * mm, height * mm)
        self._canvas.clipPath(window, stroke=0, fill=0)
        low = self._kept[name] * share - top * share
        self._canvas.translate((x - left * share) * mm, (self.height_mm - y - low) * mm)
        self._canvas.scale(share, share)
        self._canvas.doForm(name)
        self._canvas.restoreState()

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
             colour: str = GRAPHITE, anchor: str = "start", turn_deg: float = 0.0,
             serif: bool = False) -> None:  # fmt: skip
        """Words on a base line, `size` being the height of the type in mm; fractions as such."""
        back = {"start": 0.0, "middle": 0.5, "end": 1.0}[anchor]
        at = -back * self.wide(said, size, strong, serif)
        self._canvas.saveState()
        self._canvas.setFillColor(colour)
        self._canvas.translate(*self._at(x, y))
        self._canvas.rotate(-turn_deg)
        for piece, share, raised in _pieces(said):
            self._canvas.setFont(FACES[strong, serif], share * size * mm)
            self._canvas.drawString(at * mm, raised * size * mm, piece)
            at += _wide(piece, share * size, FACES[strong, serif])
        self._canvas.restoreState()

    def wide(self, said: str, size: float = 3.4, strong: bool = False,
             serif: bool = False) -> float:  # fmt: skip
        """How wide words come out, in mm."""
        face = FACES[strong, serif]
        return sum(_wide(piece, share * size, face) for piece, share, _ in _pieces(said))

    def lines(self, said: str, width: float, size: float = 3.4, strong: bool = False,
              serif: bool = False) -> list[str]:  # fmt: skip
        """Words over as many lines of that width as they need; a word too long by itself is
        broken."""
        made = [""]
        for word in said.split():
            longer = f"{made[-1]} {word}".strip()
            if self.wide(longer, size, strong, serif) <= width:
                made[-1] = longer
                continue
            made.append(word)
            while self.wide(made[-1], size, strong, serif) > width:
                shorter = range(len(made[-1]) - 1, 0, -1)
                fits = next(
                    n for n in shorter
                    if n == 1 or self.wide(made[-1][:n], size, strong, serif) <= width
                )  # fmt: skip
                made[-1:] = [made[-1][:fits], made[-1][fits:]]
        return [each for each in made if each] or [""]

    def wrapped(self, x: float, y: float, width: float, said: str, size: float = 3.4,
                strong: bool = False, colour: str = GRAPHITE,
                serif: bool = False) -> float:  # fmt: skip
        """Words over as many lines as they need; the base line that comes next."""
        for line in self.lines(said, width, size, strong, serif):
            self.text(x, y, line, size, strong, colour, serif=serif)
            y += LEADING * size
        return y

    def head(self, x: float, width: float, title: str, what: str, y: float = 17.0) -> float:
        """Over a page: a plumb hung beside the study's title, what the page is, a line; the base
        line below."""
        self.line([(x, y - 5.0), (x + 4.4, y - 5.0)], width=0.6)
        self.line([(x + 2.2, y - 5.0), (x + 2.2, y - 0.9)], width=0.3)
        self.area([(x + 1.3, y - 1.0), (x + 3.1, y - 1.0), (x + 2.2, y + 1.4)], VERDIGRIS)
        y = self.wrapped(x + 8.0, y, width - 8.0, title, 6.2, strong=True, serif=True) - 2.2
        y = self.wrapped(x + 8.0, y, width - 8.0, what, 3.4, colour=PENCIL) - 1.4
        self.line([(x, y), (x + width, y)], LINE)
        return y + 7.5

    def foot(self, x: float, width: float, number: int | None = None) -> None:
        """At the foot of a page: the bar to hold a ruler to, and the page's number."""
        self.proof_bar(x, self.height_mm - 8.0)
        if number is not None:
            self.text(x + width, self.height_mm - 8.0, str(number), 3.2, colour=PENCIL,
                      anchor="end")  # fmt: skip

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


@cache
def _drawn() -> frozenset[int]:
    """Signs that every face has."""
    _fonts()
    fonts = [pdfmetrics.getFont(name) for name in FACES.values()]
    faces = [font.face.charToGlyph for font in fonts if isinstance(font, TTFont)]
    return frozenset(faces[0]).intersection(*faces[1:])


@lru_cache(maxsize=4096)
def stand_in(said: str) -> str:
    """Words with what no face has in Latin letters, or in words: boxes can't be read."""
    plain = unicodedata.normalize("NFC", said)
    if all(ord(sign) in _drawn() for sign in plain):
        return plain
    return "".join(sign if ord(sign) in _drawn() else anyascii(sign) for sign in plain)


def _pieces(said: str) -> Iterator[tuple[str, float, float]]:
    """Words in pieces of one size each: (piece, share of the type's size, how far raised)."""
    said = stand_in(said)
    at = 0
    for found in FRACTION.finditer(said):
        before = said[at : found.start()]
        # A whole and its fraction are one number.
        yield re.sub(r"(\d) $", "\\1\u2009", before), 1.0, 0.0
        yield found[1], FIGURE, RAISED
        yield SLASH, 1.0, 0.0
        yield found[2], FIGURE, 0.0
        at = found.end()
    yield said[at:], 1.0, 0.0


def _wide(piece: str, size: float, face: str) -> float:
    return float(pdfmetrics.stringWidth(piece, face, size * mm)) / mm


def page_for(width_mm: float, height_mm: float) -> tuple[float, float]:
    """The smallest common page, upright or lying, that holds so much; else one made to measure.
    ISO's come before those in inches that are hardly smaller."""
    pages = [page for short, long in PAGES_MM.values() for page in ((short, long), (long, short))]
    holding = [page for page in pages if width_mm <= page[0] and height_mm <= page[1]]
    if not holding:
        return width_mm, height_mm
    least = min(w * h for w, h in holding)
    return next(page for page in holding if page[0] * page[1] <= 1.05 * least)
