"""The tilt card: tilts by the hour."""

from __future__ import annotations

import math

from zirkel.core.worked import Worked
from zirkel.paper.base import Paper
from zirkel.paper.page import PENCIL, Page

WIDTH, HEIGHT = 210.0, 297.0
RADIUS = 78.0


def tilt_card(title: str) -> bytes:
    """A clock face: hours and five-minute lines, to lay against a stick that carries a tilt."""
    paper = Page(f"{title}, tilt card", WIDTH, HEIGHT)
    cx, cy = WIDTH / 2.0, 125.0
    paper.text(18.0, 16.0, f"{title}: tilts by the clock", 5.0, strong=True)
    paper.text(18.0, 23.0, "Keep 12 straight up by a plumb. The stick turns flat to the eye, like "
               "a clock's hand.", 3.2, colour=PENCIL)  # fmt: skip
    paper.circle(cx, cy, RADIUS, pen=0.4)
    for minute in range(0, 720, 5):
        a = math.radians(minute / 2.0)
        hour, quarter = minute % 60 == 0, minute % 15 == 0
        inner = RADIUS - (14.0 if hour else 8.0 if quarter else 3.5)
        way = (math.sin(a), -math.cos(a))
        paper.line(
            [(cx + way[0] * inner, cy + way[1] * inner),
             (cx + way[0] * RADIUS, cy + way[1] * RADIUS)],
            width=0.35 if hour else 0.18,
        )  # fmt: skip
        if hour:
            name = str(minute // 60 or 12)
            paper.text(cx + way[0] * (RADIUS + 6.0), cy + way[1] * (RADIUS + 6.0) + 1.6, name, 5.0,
                       strong=True, anchor="middle")  # fmt: skip
            degrees = f"{(minute / 2) % 180:.0f}°"
            paper.text(cx + way[0] * (RADIUS - 19.0), cy + way[1] * (RADIUS - 19.0) + 1.0, degrees,
                       2.8, colour=PENCIL, anchor="middle")  # fmt: skip
    paper.line([(cx, cy - RADIUS), (cx, cy + RADIUS)], PENCIL, 0.2, (2.0, 1.0))
    paper.cross(cx, cy, 4.0)
    paper.proof_bar(18.0, HEIGHT - 10.0)
    return paper.done()


def _of(worked: Worked) -> bytes:
    return tilt_card(worked.study.title)


PAPER = Paper("tilts", "Clock-face card", "tilts by the hour", _of)
