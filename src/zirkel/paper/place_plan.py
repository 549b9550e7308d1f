"""The place on paper: a plan from above to scale, the heights, and what to tick off to
come back to it."""

from __future__ import annotations

import math

from zirkel.core.pose import Place
from zirkel.core.sitting.place import BOARD_MM, Laid, laid_out, place_of
from zirkel.core.study import Study
from zirkel.core.words.place import checklist, say_far
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import Paper, own_page
from zirkel.paper.page import CHALK, GRAPHITE, LEADING, LINE, PENCIL, VERDIGRIS, Page

EDGE = 16.0
PLAN_TOP, PLAN_HIGH, PLAN_WIDE = 34.0, 126.0, 112.0
SIDE_LEFT = 142.0
SCALES = (5, 10, 20, 25, 30, 40, 50, 75, 100, 200, 500, 1000, 2000, 5000, 10000)
"""Scales of a plan that a ruler reads easily."""

TEXT, SMALL, ITEM = 3.8, 3.2, 4.2
CHAIR, SUBJECT = 220.0, 160.0
"""Half sizes of what is drawn at true scale, in mm of the room."""


def _fits(study: Study) -> bool:
    return place_of(study) is not None


def _of(worked: Worked) -> bytes:
    study = worked.study
    place = place_of(study)
    if place is None:
        raise BadInput("place", "nothing is written down of the place yet: measure it first")
    paper = Page(f"{study.title}, the place", *own_page(study))
    wide = paper.width_mm - 2 * EDGE
    paper.head(EDGE, wide, study.title, "The place, to come back to it another day")
    laid = laid_out(place)
    y = 34.0
    if laid is not None:
        _plan(paper, place, laid, study.inches)
        _side(paper, place, study.inches)
        y = PLAN_TOP + PLAN_HIGH + 14.0
    paper.text(EDGE, y, "To come back to it", 5.0, strong=True, serif=True)
    y += 9.0
    for each in checklist(place, study.inches):
        for number, line in enumerate(paper.lines(each, wide - 8.0, ITEM)):
            if y > paper.height_mm - EDGE:
                paper.turn_page()
                y = 2 * EDGE
            if not number:
                paper.box(EDGE, y - 3.4, 4.0, 4.0, PENCIL)
            paper.text(EDGE + 8.0, y, line, ITEM)
            y += LEADING * ITEM
        y += 2.4
    return paper.done()


def _plan(paper: Page, place: Place, laid: Laid, inches: bool) -> None:
    """From above, subject at the top, the artist below it."""
    wide = 2.0 * max(abs(x) for x, _ in (laid.eye, *(laid.board or ()), laid.light or laid.eye))
    spots = (laid.eye, (0.0, 0.0), *(laid.board or ()), *((laid.light,) if laid.light else ()))
    high = max(y for _, y in spots) - min(y for _, y in spots)
    room = (PLAN_WIDE - 24.0, PLAN_HIGH - 34.0)
    scale = next(
        (s for s in SCALES if max(wide, 2 * BOARD_MM) / s <= room[0] and high / s <= room[1]),
        SCALES[-1],
    )
    middle = EDGE + PLAN_WIDE / 2.0
    top = PLAN_TOP + 16.0 - min(y for _, y in spots) / scale

    def at(x: float, y: float) -> tuple[float, float]:
        return middle + x / scale, top + y / scale

    paper.box(EDGE, PLAN_TOP, PLAN_WIDE, PLAN_HIGH, LINE)
    paper.text(EDGE, PLAN_TOP - 3.0, f"From above, 1 : {scale}", SMALL, colour=PENCIL)
    subject, eye = at(0.0, 0.0), at(*laid.eye)
    paper.line([subject, eye], PENCIL, 0.2, (1.6, 1.2))
    paper.circle(*subject, max(SUBJECT / scale, 2.0), GRAPHITE, 0.5)
    paper.text(subject[0], subject[1] - max(SUBJECT / scale, 2.0) - 2.0, "subject", SMALL,
               anchor="middle")  # fmt: skip
    half = max(CHAIR / scale, 2.6)
    paper.box(eye[0] - half, eye[1] - half, 2 * half, 2 * half, GRAPHITE, 0.5)
    for x in (-half, half):
        for y in (-half, half):
            paper.cross(eye[0] + x, eye[1] + y, 1.4, CHALK)
    paper.text(eye[0], eye[1] + half + 5.0, "chair or feet", SMALL, anchor="middle")
    if place.distance_mm is not None:
        half_way = (subject[1] + eye[1]) / 2.0
        paper.text(middle + 2.5, half_way, say_far(place.distance_mm, inches), TEXT, strong=True)
    if laid.board is not None:
        ends = [at(*each) for each in laid.board]
        paper.line(ends, GRAPHITE, 1.0)
        right = max(ends, key=lambda each: each[0])
        paper.text(right[0] + 2.0, right[1] + 1.0, "board", SMALL)
    if laid.light is not None:
        _light(paper, at(*laid.light), subject)


def _light(paper: Page, lamp: tuple[float, float], subject: tuple[float, float]) -> None:
    """The light and the way it goes, with an arrow's head at the subject's side."""
    dx, dy = subject[0] - lamp[0], subject[1] - lamp[1]
    far = math.hypot(dx, dy) or 1.0
    dx, dy = dx / far, dy / far
    end = (lamp[0] + dx * far * 0.7, lamp[1] + dy * far * 0.7)
    paper.line([lamp, end], VERDIGRIS, 0.5)
    for turn in (-0.45, 0.45):
        c, s = math.cos(turn), math.sin(turn)
        back = (end[0] - 3.0 * (c * dx - s * dy), end[1] - 3.0 * (s * dx + c * dy))
        paper.line([end, back], VERDIGRIS, 0.5)
    paper.circle(*lamp, 2.2, VERDIGRIS, 0.5)
    paper.text(lamp[0], lamp[1] - 3.6, "light", SMALL, colour=VERDIGRIS, anchor="middle")


def _side(paper: Page, place: Place, inches: bool) -> None:
    """Heights above the floor, of the eye and of the board's middle."""
    heights = [
        (mm, said)
        for mm, said in ((place.eye_height_mm, "eye"), (place.board_mm, "board, middle"))
        if mm is not None
    ]
    if not heights:
        return
    right, floor = paper.width_mm - EDGE, PLAN_TOP + PLAN_HIGH - 14.0
    scale = next(
        (s for s in SCALES if max(mm for mm, _ in heights) / s <= PLAN_HIGH - 34.0), SCALES[-1]
    )
    paper.text(SIDE_LEFT, PLAN_TOP - 3.0, f"Heights, 1 : {scale}", SMALL, colour=PENCIL)
    paper.line([(SIDE_LEFT, floor), (right, floor)], GRAPHITE, 0.5)
    paper.text(SIDE_LEFT, floor + 5.0, "floor", SMALL)
    for number, (mm, said) in enumerate(heights):
        x, y = SIDE_LEFT + 8.0 + 20.0 * number, floor - mm / scale
        paper.line([(x, floor), (x, y)], PENCIL, 0.2, (1.6, 1.2))
        paper.line([(x - 4.0, y), (x + 4.0, y)], GRAPHITE, 0.7)
        paper.text(x + 5.0, y - 1.2 + 0.2 * number, say_far(mm, inches), TEXT, strong=True)
        paper.text(x + 5.0, y + 3.4, said, SMALL)


PAPER = Paper(
    "place", "The place",
    "plan, heights, a list to tick off",
    _of, fits=_fits,
)  # fmt: skip
