"""Cards to cut out: the viewfinder in the frame's proportion, and the clock face for tilts."""

from __future__ import annotations

import math

from zirkel.paper.page import LINE, PENCIL, Paper

WIDTH, HEIGHT = 210.0, 297.0
OPENING, BORDER = 130.0, 26.0
RADIUS = 78.0


def viewfinder(title: str, ratio: float) -> bytes:
    """A card with an opening of the ratio width over height, its longer side 130 mm, with quarters
    and thirds ticked round it."""
    w, h = (OPENING, OPENING / ratio) if ratio >= 1 else (OPENING * ratio, OPENING)
    paper = Paper(f"{title}, viewfinder", WIDTH, HEIGHT)
    left, top = (WIDTH - w) / 2.0, 60.0
    paper.text(18.0, 16.0, f"{title}: viewfinder", 5.0, strong=True)
    paper.text(18.0, 23.0, "Cut along both lines; cut away from the hand, on a board. Hold it "
               "upright, one eye shut.", 3.2, colour=PENCIL)  # fmt: skip
    paper.box(left - BORDER, top - BORDER, w + 2 * BORDER, h + 2 * BORDER, LINE, 0.3, (2.0, 2.0))
    paper.box(left, top, w, h, pen=0.4)
    for share, tall in ((0.25, 5.0), (1 / 3, 3.0), (0.5, 8.0), (2 / 3, 3.0), (0.75, 5.0)):
        x, y = left + share * w, top + share * h
        for line in (
            [(x, top), (x, top - tall)],
            [(x, top + h), (x, top + h + tall)],
            [(left, y), (left - tall, y)],
            [(left + w, y), (left + w + tall, y)],
        ):
            paper.line(line, width=0.25)
    for place, said in ((0.25, "1/4"), (0.5, "1/2"), (0.75, "3/4")):
        paper.text(left + place * w, top - 9.5, said, 3.2, anchor="middle")
        paper.text(left - 9.0, top + place * h + 1.0, said, 3.2, anchor="end")
    paper.proof_bar(18.0, HEIGHT - 10.0)
    return paper.done()


def tilt_card(title: str) -> bytes:
    """A clock face: hours and five-minute lines, to lay against a stick that carries a tilt."""
    paper = Paper(f"{title}, tilt card", WIDTH, HEIGHT)
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
