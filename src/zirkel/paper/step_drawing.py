"""One step of the recipe, drawn small: a plumb hung, a level laid, a tilt carried, a length stepped
off, as it is on the screen."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from zirkel.paper.page import GRAPHITE, LINE, PENCIL, VERDIGRIS, Page

Place = tuple[float, float]
BEYOND = 3.0
"""Millimetres of paper that a plumb or level reaches beyond the two it joins."""


@dataclass(frozen=True, slots=True)
class DrawnStep:
    """One move of the hand: its manner and value as in the recipe, and the places (mm on the
    sheet) of the landmarks it starts from."""

    manner: str
    value: float
    via: Sequence[Place]


@dataclass(frozen=True, slots=True)
class SmallSheet:
    """The sheet in small: where its corner lies on the paper, how large it is, and the share."""

    left: float
    top: float
    width: float
    height: float
    share: float

    def at(self, place: Place) -> Place:
        """Where a place of the sheet lies on the paper."""
        return self.left + place[0] * self.share, self.top + place[1] * self.share


_Drawing = Callable[[Page, SmallSheet, Sequence[Place], Place, float], None]


def small_sheet(
    paper: Page, left: float, top: float, size_mm: Place, most: float, placed: Sequence[Place],
    lines: Sequence[tuple[Sequence[Place], bool]],
) -> SmallSheet:  # fmt: skip
    """A sheet no larger than `most` with what has been placed and joined so far."""
    share = min(most / size_mm[0], most / size_mm[1])
    small = SmallSheet(left, top, size_mm[0] * share, size_mm[1] * share, share)
    paper.box(left, top, small.width, small.height, LINE, 0.25)
    for points, closed in lines:
        paper.line([small.at(each) for each in points], PENCIL, 0.15, closed=closed)
    for each in placed:
        paper.cross(*small.at(each), 0.7, PENCIL)
    return small


def draw_step(paper: Page, small: SmallSheet, step: DrawnStep, place: Place) -> None:
    """The step over a small sheet, towards where it leads."""
    via = [small.at(each) for each in step.via]
    _BY_MANNER.get(step.manner, _stepped_off)(paper, small, via, small.at(place), step.value)


def _length(paper: Page, a: Place, b: Place) -> None:
    paper.line([a, b], VERDIGRIS, 0.35, (1.2, 0.7))


def _from_edge(paper: Page, small: SmallSheet, to: Place, side: str) -> None:
    edge = {
        "left": (small.left, to[1]), "right": (small.left + small.width, to[1]),
        "top": (to[0], small.top), "bottom": (to[0], small.top + small.height),
    }[side]  # fmt: skip
    _length(paper, edge, to)


def _edge(side: str) -> _Drawing:
    return lambda paper, small, _via, to, _value: _from_edge(paper, small, to, side)


def _plumb(paper: Page, _small: SmallSheet, via: Sequence[Place], to: Place,
           value: float) -> None:  # fmt: skip
    x, low = via[0][0], max(via[0][1], to[1]) + BEYOND
    paper.line([(x, min(via[0][1], to[1]) - BEYOND), (x, low)], width=0.25)
    paper.area([(x - 0.8, low), (x + 0.8, low), (x, low + 1.9)], GRAPHITE)
    if value:
        _length(paper, (x, to[1]), to)


def _level(paper: Page, _small: SmallSheet, via: Sequence[Place], to: Place,
           value: float) -> None:  # fmt: skip
    y = via[0][1]
    ends = min(via[0][0], to[0]) - BEYOND, max(via[0][0], to[0]) + BEYOND
    paper.line([(ends[0], y), (ends[1], y)], width=0.25)
    if value:
        _length(paper, (to[0], y), to)


def _tilt(paper: Page, _small: SmallSheet, via: Sequence[Place], to: Place,
          value: float) -> None:  # fmt: skip
    reach = math.dist(via[0], to) + BEYOND
    turn = math.radians(value)
    tip = via[0][0] + reach * math.sin(turn), via[0][1] - reach * math.cos(turn)
    paper.line([via[0], tip], width=0.25)
    paper.circle(*via[0], 2.6, PENCIL, 0.15)


def _between(paper: Page, via: Sequence[Place], to: Place, across: bool) -> None:
    """A share of the way across or down between two: the two carried along, the way itself."""
    if len(via) < 2:
        return
    ends = [(each[0], to[1]) if across else (to[0], each[1]) for each in via[:2]]
    for each, end in zip(via, ends, strict=False):
        paper.line([each, end], PENCIL, 0.2, (0.3, 0.7))
    _length(paper, ends[0], ends[1])


def _part(paper: Page, small: SmallSheet, via: Sequence[Place], to: Place,
          value: float) -> None:  # fmt: skip
    if len(via) < 2:
        _stepped_off(paper, small, via, to, value)
        return
    _length(paper, via[0], via[1])
    paper.circle(*to, 1.5, PENCIL, 0.15)


def _stepped_off(paper: Page, _small: SmallSheet, via: Sequence[Place], to: Place,
                 _value: float) -> None:  # fmt: skip
    if via:
        _length(paper, via[0], to)


_BY_MANNER: dict[str, _Drawing] = {
    **{side: _edge(side) for side in ("left", "right", "top", "bottom")},
    "pull": _edge("left"), "square": _edge("left"),
    "plumb": _plumb, "level": _level, "tilt": _tilt, "part": _part,
    "across": lambda paper, _s, via, to, _v: _between(paper, via, to, across=True),
    "down": lambda paper, _s, via, to, _v: _between(paper, via, to, across=False),
}  # fmt: skip
