"""The study's story on paper: each sitting with what was done and written and how the drawing
looked, and what to look at first."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, datetime
from pathlib import Path

from PIL import Image
from reportlab.lib.utils import ImageReader

from zirkel.core.sitting.clock import moment
from zirkel.core.sitting.story import Entry, story
from zirkel.core.words.sitting import say_entry, say_look_again, say_spent
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper, PictureOf, own_page
from zirkel.paper.page import GRAPHITE, LEADING, LINE, PENCIL, Page

EDGE, FOOT = 16.0, 20.0
TEXT, HEAD = 3.8, 4.4
PICTURE_MM, GAP, MOST_SHOWN = 42.0, 4.0, 4
MOST_TOGETHER = 120.0
"""Height of a sitting that is kept on one page; a longer one goes on on the next."""

LARGEST_PX = 700
"""Pixels of a photograph's longer side on paper: 42 mm need no more."""


def _nothing(_name: str) -> Path | None:
    return None


class _Column:
    """Words down a page, turning it when it is full."""

    def __init__(self, paper: Page) -> None:
        self.paper, self.y = paper, 18.0
        self.wide = paper.width_mm - 2 * EDGE

    def room(self, high: float) -> None:
        if self.y + high > self.paper.height_mm - FOOT:
            self.paper.turn_page()
            self.y = 18.0

    def rule(self) -> None:
        self.paper.line([(EDGE, self.y + 3.0), (EDGE + self.wide, self.y + 3.0)], LINE)
        self.y += 9.0

    def say(self, text: str, size: float = TEXT, strong: bool = False, pale: bool = False,
            serif: bool = False) -> None:  # fmt: skip
        colour = PENCIL if pale else GRAPHITE
        for line in self.paper.lines(text, self.wide, size, strong, serif):
            self.room(0.0)
            self.paper.text(EDGE, self.y, line, size, strong, colour, serif=serif)
            self.y += LEADING * size
        self.y += 0.8


def _of(worked: Worked, picture_of: PictureOf = _nothing) -> bytes:
    study = worked.study
    paper = Page(f"{study.title}, log", *own_page(study))
    column = _Column(paper)
    column.y = paper.head(EDGE, column.wide, study.title, "What was done, sitting by sitting")
    if study.note:
        column.say(study.note, pale=True)
    for each in story(study, datetime.now(UTC), reckon=True):
        _sitting(column, each, worked, picture_of)
    again = say_look_again(study, worked.words, worked.solution)
    if again:
        column.room(24.0)
        column.rule()
        column.say("Another day, look at this first", HEAD, strong=True, serif=True)
        for line in again:
            column.room(12.0)
            column.say(f"· {line}")
    return paper.done()


def _sitting(column: _Column, entry: Entry, worked: Worked, picture_of: PictureOf) -> None:
    began = moment(entry.sitting.at)
    head = entry.sitting.at if began is None else f"{began:%d %B %Y, %H:%M} UTC"
    brought = say_spent(entry, worked.words, worked.solution.scatter)
    lines = [each for each in (say_entry(entry), brought, entry.sitting.note) if each]
    shown = [(path, said) for path, said in _photographs(entry, picture_of)][-MOST_SHOWN:]
    high = 12.0 + sum(
        TEXT * 1.35 * len(column.paper.lines(line, column.wide, TEXT)) for line in lines
    )
    column.room(min(high + (PICTURE_MM + 8.0 if shown else 0.0), MOST_TOGETHER))
    column.rule()
    column.say(head.lstrip("0"), HEAD, strong=True, serif=True)
    for line in lines:
        column.say(line)
    if shown:
        column.room(PICTURE_MM + 8.0)
        _row(column, shown)


def _photographs(entry: Entry, picture_of: PictureOf) -> list[tuple[Path, str]]:
    found = []
    for each, check in entry.pictures:
        path = picture_of(each.picture)
        if path is not None:
            found.append((path, each.said or ("checked" if check else "")))
    return found


def _row(column: _Column, shown: Sequence[tuple[Path, str]]) -> None:
    """Photographs side by side, each as high as the others; one that can't be read is left out."""
    x = EDGE
    for path, said in shown:
        try:
            with Image.open(path) as opened:
                picture = opened.convert("RGB")
        except OSError:
            continue
        picture.thumbnail((LARGEST_PX, LARGEST_PX))
        wide = PICTURE_MM * picture.width / picture.height
        wide = min(wide, column.wide / MOST_SHOWN - GAP)
        tall = wide * picture.height / picture.width
        column.paper.image(ImageReader(picture), x, column.y, wide, tall)
        if said:
            words = column.paper.lines(said, wide, 3.0)[0]
            column.paper.text(x, column.y + tall + 4.0, words, 3.0, colour=PENCIL)
        x += wide + GAP
    column.y += PICTURE_MM + 8.0


PAPER = Paper(
    "log", "The log", "each sitting, and what to look at first",
    _of, fits=lambda study: bool(study.sittings), illustrated=_of,
)  # fmt: skip
