"""The study's story on paper: each sitting with what was done and written, and what to look at
first."""

from __future__ import annotations

from datetime import UTC, datetime

from zirkel.core.sitting.clock import moment
from zirkel.core.sitting.story import story
from zirkel.core.words.sitting import say_entry, say_look_again
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper
from zirkel.paper.page import LINE, PENCIL, Page

WIDTH, HEIGHT = 210.0, 297.0
EDGE, FOOT = 16.0, 20.0
TEXT = 3.8


def _of(worked: Worked) -> bytes:
    study = worked.study
    paper = Page(f"{study.title}, log", WIDTH, HEIGHT)
    y = paper.wrapped(EDGE, 18.0, WIDTH - 2 * EDGE, study.title, 6.5, strong=True)
    if study.note:
        y = paper.wrapped(EDGE, y + 1.0, WIDTH - 2 * EDGE, study.note, TEXT, colour=PENCIL)
    for each in story(study, datetime.now(UTC)):
        began = moment(each.sitting.at)
        head = each.sitting.at if began is None else f"{began:%d %B %Y, %H:%M} UTC"
        lines = [say_entry(each), *([each.sitting.note] if each.sitting.note else [])]
        high = 12.0 + sum(
            TEXT * 1.35 * len(paper.lines(line, WIDTH - 2 * EDGE, TEXT)) for line in lines
        )
        if y + high > HEIGHT - FOOT:
            paper.turn_page()
            y = 18.0
        paper.line([(EDGE, y + 3.0), (WIDTH - EDGE, y + 3.0)], LINE)
        y = paper.wrapped(EDGE, y + 9.0, WIDTH - 2 * EDGE, head.lstrip("0"), 4.4, strong=True)
        for line in lines:
            y = paper.wrapped(EDGE, y + 0.8, WIDTH - 2 * EDGE, line, TEXT)
    again = say_look_again(study, worked.words, worked.solution)
    if again:
        if y + 24.0 > HEIGHT - FOOT:
            paper.turn_page()
            y = 18.0
        paper.line([(EDGE, y + 3.0), (WIDTH - EDGE, y + 3.0)], LINE)
        y = paper.wrapped(
            EDGE, y + 9.0, WIDTH - 2 * EDGE, "Another day, look at this first", 4.4, strong=True
        )
        for line in again:
            if y + 12.0 > HEIGHT - FOOT:
                paper.turn_page()
                y = 18.0
            y = paper.wrapped(EDGE, y + 0.8, WIDTH - 2 * EDGE, f"· {line}", TEXT)
    return paper.done()


PAPER = Paper(
    "log", "The log", "Each sitting with what was done and written, and what to look at first.",
    _of, fits=lambda study: bool(study.sittings),
)  # fmt: skip
