"""A grey card of nine steps to hold to the subject: through the hole in each step the subject's
tone is seen beside it."""

from __future__ import annotations

from zirkel.core.tones.grey import grey_of
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper, own_page
from zirkel.paper.page import LINE, PENCIL, Page

LEFT, TOP = 30.0, 54.0
STEP_WIDE, STEP_HIGH, HOLE = 60.0, 22.5, 5.0
STEPS = 9


def grey_card(size: tuple[float, float]) -> bytes:
    """One page of that size."""
    paper = Page("Grey card", *size)
    room = size[0] - 2 * LEFT
    y = paper.head(LEFT, room, "Grey card", "Nine steps, to hold to the subject")
    paper.wrapped(
        LEFT, y, room,
        "Cut it out and cut the holes. Hold it in the light that falls on the subject, one eye "
        "shut, and find the step that vanishes beside the tone seen through its hole.", 3.8,
        serif=True,
    )  # fmt: skip
    for step in range(1, STEPS + 1):
        y = TOP + (step - 1) * STEP_HIGH
        corners = [(LEFT, y), (LEFT + STEP_WIDE, y), (LEFT + STEP_WIDE, y + STEP_HIGH),
                   (LEFT, y + STEP_HIGH)]  # fmt: skip
        paper.area(corners, grey_of(step))
        paper.circle(LEFT + STEP_WIDE / 2, y + STEP_HIGH / 2, HOLE, "#ffffff", 0.1, filled=True)
        paper.circle(LEFT + STEP_WIDE / 2, y + STEP_HIGH / 2, HOLE, LINE, 0.2)
        paper.text(LEFT + STEP_WIDE + 5.0, y + STEP_HIGH / 2 + 2.0, str(step), 6.0, strong=True)
    paper.box(LEFT, TOP, STEP_WIDE, STEPS * STEP_HIGH, LINE, 0.2, (2.0, 2.0))
    paper.wrapped(
        LEFT + STEP_WIDE + 18.0, TOP + 8.0, 80.0,
        "A printer's greys are only as good as its ink and paper: white is the paper's own, black "
        "the ink's. Steps between keep their order, which is what counts.", 3.2, colour=PENCIL,
    )  # fmt: skip
    paper.foot(LEFT, room)
    return paper.done()


def _of(worked: Worked) -> bytes:
    return grey_card(own_page(worked.study))


PAPER = Paper("grey-card", "Grey card", "nine steps, to hold to the subject", _of)
