"""The tilt card: laid with its long edge along the stick, it is read where its thread falls.

The thread hangs from the middle of the long edge. With the edge along a stick of tilt t and the
card's right end towards the stick's upper end (at 3 o'clock: the right one), the thread makes
180 - t degrees with the edge, clockwise from that end. Rays go out to the card's other three edges,
where hours stand outside and degrees inside.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

from zirkel.core.words.recipe import say_units
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper, own_page
from zirkel.paper.page import CHALK, LINE, PAGES_MM, PENCIL, VERDIGRIS, Page
from zirkel.paper.tick_strips import PARTS

CARD_WIDE, CARD_HIGH = 174.0, 118.0
LEFT, TOP = 18.0, 50.0
STRIP, STRIP_HIGH = 252.0, 13.0
"""Where the strip of the unit begins, and how high it is, in mm."""
LEAST_UNIT = 16.0
"""In mm: the names of a shorter unit's parts would lie over one another."""

STEP_DEG = 2.5
"""Five minutes of the hour."""

HOURS_IN, DEGREES_IN = 13.0, 23.0
"""How far hours and degrees stand inside the card's edge, in mm."""


def tilt_card(
    title: str, size: tuple[float, float] = PAGES_MM["A4"],
    unit: Sequence[tuple[float, str]] = (), named: str = "",
) -> bytes:  # fmt: skip
    """One page with the card to cut out, how it is used, and a strip with the unit and its
    parts."""
    paper = Page(f"{title}, tilt card", *size)
    y = paper.head(LEFT, CARD_WIDE, title, "Tilt card and unit strip")
    paper.wrapped(
        LEFT, y, CARD_WIDE,
        "Stick it on board and cut it out, away from the hand. Pull a thread through the hole and "
        "tie a weight to it.", 3.8, serif=True,
    )  # fmt: skip
    _in_use(paper)
    paper.box(LEFT, TOP, CARD_WIDE, CARD_HIGH, LINE, 0.3, (1.5, 1.5))
    hole = (LEFT + CARD_WIDE / 2.0, TOP + 5.0)
    paper.circle(*hole, 1.2, CHALK, 0.3)
    paper.line([(LEFT, TOP + 1.2), (LEFT + CARD_WIDE, TOP + 1.2)], width=0.5)
    paper.text(hole[0] - 8.0, TOP + 6.0, "along the stick", 3.0, colour=PENCIL, anchor="end")
    paper.text(hole[0] + 8.0, TOP + 6.0, "right end up", 3.0, colour=PENCIL)
    for number in range(int(180 / STEP_DEG) + 1):
        _ray(paper, hole, number * STEP_DEG)
    if unit:
        _strip(paper, unit, named)
    paper.foot(LEFT, CARD_WIDE)
    return paper.done()


USED = (LEFT + 44.0, TOP + CARD_HIGH + 41.0)
"""Middle of the drawing of how it is used, the lean of its stick in degrees, and how large
it is."""
LEAN, IN_SMALL = 40.0, 0.78


def _in_use(paper: Page) -> None:
    """The card in small, laid along a leaning stick, its thread hanging straight down."""
    turn = math.radians(LEAN)
    along, across = (math.sin(turn), -math.cos(turn)), (math.cos(turn), math.sin(turn))

    def at(far: float, beside: float) -> tuple[float, float]:
        far, beside = IN_SMALL * far, IN_SMALL * beside
        return (USED[0] + far * along[0] + beside * across[0],
                USED[1] + far * along[1] + beside * across[1])  # fmt: skip

    paper.line([at(-46.0, -1.6), at(46.0, -1.6)], "#7a5a24", 2.2)
    paper.line([at(-46.0, -1.6), at(46.0, -1.6)], "#d9b36c", 1.5)
    corners = [at(-26.0, 0.0), at(26.0, 0.0), at(26.0, 34.0), at(-26.0, 34.0)]
    paper.area(corners, "#f6f0e4")
    paper.line(corners, width=0.4, closed=True)
    hole = at(0.0, 2.4)
    low = (hole[0], hole[1] + 40.0 * IN_SMALL)
    paper.circle(*hole, 0.9, CHALK, 0.4)
    paper.line([hole, low], VERDIGRIS, 0.4)
    paper.area([(low[0] - 1.6, low[1]), (low[0] + 1.6, low[1]), (low[0], low[1] + 4.4)], VERDIGRIS)
    paper.wrapped(
        LEFT + 98.0, USED[1] - 20.0, CARD_WIDE - 98.0,
        "Lay the long edge along the stick, its right end up, flat to the eye. Where the thread "
        "falls is the tilt: the hour outside, degrees inside. Carry it to the sheet the same way.",
        4.0, serif=True,
    )  # fmt: skip


def ray_end(hole: tuple[float, float], tilt_deg: float, inside_mm: float) -> tuple[float, float]:
    """Where the thread of that tilt comes to within so many mm of the card's edge."""
    turned = math.radians(180.0 - tilt_deg)
    way = (math.cos(turned), math.sin(turned))
    beside, below = CARD_WIDE / 2.0 - inside_mm, TOP + CARD_HIGH - inside_mm - hole[1]
    reach = min(
        beside / abs(way[0]) if abs(way[0]) > 1e-9 else math.inf,
        below / way[1] if way[1] > 1e-9 else math.inf,
    )
    return hole[0] + reach * way[0], hole[1] + reach * way[1]


def _ray(paper: Page, hole: tuple[float, float], tilt_deg: float) -> None:
    minutes = round(2.0 * tilt_deg)
    hour, half = minutes % 60 == 0, minutes % 30 == 0
    long = 9.0 if hour else 6.5 if half else 4.5 if minutes % 15 == 0 else 2.5
    paper.line([ray_end(hole, tilt_deg, long), ray_end(hole, tilt_deg, 0.6)],
               width=0.4 if hour else 0.2)  # fmt: skip
    if half:
        x, y = ray_end(hole, tilt_deg, HOURS_IN if hour else HOURS_IN - 2.0)
        whole = minutes // 60 or 12
        said = str(whole) if hour else f"{whole}:30"
        paper.text(x, y + 1.4, said, 4.6 if hour else 2.8, strong=hour, anchor="middle")
    if hour and 0.0 < tilt_deg < 180.0:
        x, y = ray_end(hole, tilt_deg, DEGREES_IN)
        paper.text(x, y + 1.0, f"{tilt_deg:.0f}°", 3.0, colour=PENCIL, anchor="middle")


def _strip(paper: Page, unit: Sequence[tuple[float, str]], named: str) -> None:
    """One unit and its parts, from the strip's own end: laid on the sheet, or held to the stick."""
    right, below = LEFT + unit[-1][0], STRIP + STRIP_HIGH
    paper.box(LEFT, STRIP, right - LEFT, STRIP_HIGH, LINE, 0.3, (1.5, 1.5))
    for mm, said in unit[:-1]:
        paper.line([(LEFT + mm, STRIP), (LEFT + mm, STRIP + 5.0)], width=0.25)
        paper.text(LEFT + mm, STRIP + 8.6, said, 3.0, anchor="middle")
    room = right + 3.0 if right + 3.0 + paper.wide(named, 3.0) < LEFT + CARD_WIDE else LEFT
    paper.text(room, below - 1.4 if room > LEFT else STRIP - 1.6, named, 3.0, strong=True)


def _of(worked: Worked) -> bytes:
    study, unit_mm = worked.study, worked.plan.unit_mm or 0.0
    # What is counted in millimetres has a ruler for its strip.
    counted = () if worked.stepped_in is None or unit_mm < LEAST_UNIT else PARTS
    parts = [(n, said) for n, said in counted if n * unit_mm <= CARD_WIDE]
    named = say_units(parts[-1][0], worked.words.unit) if parts else ""
    strip = [(n * unit_mm, said) for n, said in parts]
    return tilt_card(study.title, own_page(study), strip, named)


PAPER = Paper("tilts", "Tilt card", "with a thread; a strip of the unit", _of)
