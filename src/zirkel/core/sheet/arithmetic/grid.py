"""Centre cross and grid: squares on reference and sheet that correspond one to one.

The cross goes through the centre of the *sheet* and the centre of the reference's frame. Squares
are counted outwards from it in whole numbers, the same on both; what is left over at the edges is
left over on both. Columns are lettered, rows numbered, from the top left.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from string import ascii_uppercase

from zirkel.core.frames import Frame
from zirkel.core.sheet.plan import Plan
from zirkel.core.study import Sheet

MOST_SQUARES = 26

COLUMNS = 8
"""Columns of squares over a frame, unless more are asked for."""


@dataclass(frozen=True, slots=True)
class Grid:
    """Squares of `square_mm` on the sheet and `square_units` on the subject; `enlargement` in mm of
    sheet a unit. `across_mm`, `down_mm` are the lines on the sheet; `rest_*` what is left over
    beyond the outermost, on each side."""

    columns: int
    rows: int
    square_mm: float
    square_units: float
    enlargement: float
    across_mm: tuple[float, ...]
    down_mm: tuple[float, ...]
    rest_across_mm: float
    rest_down_mm: float
    centre_mm: tuple[float, float]
    centre_units: tuple[float, float]


@dataclass(frozen=True, slots=True)
class InSquare:
    """Where a landmark lies: its square's label, and shares of the square across and down."""

    label: str
    across: float
    down: float
    left_mm: float
    top_mm: float


def make_grid(frame: Frame, sheet: Sheet, columns: int) -> Grid:
    """An even number of columns over the frame's breadth, and as many whole rows as it takes.

    ValueError for a number of columns that is not from 2 to 26.
    """
    if not 2 <= columns <= MOST_SQUARES:
        raise ValueError(f"{columns} columns can't be lettered: choose 2 to {MOST_SQUARES}")
    width, height = frame.right - frame.left, frame.bottom - frame.top
    columns += columns % 2
    square_units = width / columns
    rows = 2 * max(1, math.ceil(height / 2.0 / square_units - 1e-9))
    free_w = sheet.width_mm - sheet.margin.left - sheet.margin.right
    free_h = sheet.height_mm - sheet.margin.top - sheet.margin.bottom
    # The centre of the sheet need not be the middle of what the margins leave.
    cx, cy = sheet.width_mm / 2.0, sheet.height_mm / 2.0
    room_w = 2.0 * min(cx - sheet.margin.left, sheet.width_mm - sheet.margin.right - cx, free_w)
    room_h = 2.0 * min(cy - sheet.margin.top, sheet.height_mm - sheet.margin.bottom - cy, free_h)
    most = min(room_w / columns, room_h / rows)
    step = next((s for s in (10.0, 5.0, 1.0, 0.5) if most >= 4 * s), 0.1)
    square = math.floor(most / step + 1e-9) * step
    return Grid(
        columns=columns,
        rows=rows,
        square_mm=square,
        square_units=square_units,
        enlargement=square / square_units,
        across_mm=tuple(cx + (i - columns // 2) * square for i in range(columns + 1)),
        down_mm=tuple(cy + (i - rows // 2) * square for i in range(rows + 1)),
        rest_across_mm=cx - columns / 2 * square,
        rest_down_mm=cy - rows / 2 * square,
        centre_mm=(cx, cy),
        centre_units=((frame.left + frame.right) / 2.0, (frame.top + frame.bottom) / 2.0),
    )


def laid(grid: Grid, origin_mm: Sequence[float], unit_mm: float) -> Grid:
    """The same squares where a drawing really lies, its origin at `origin_mm` and so many mm a
    unit: they are those of the sheet if it is centred and its unit is the enlargement."""
    side = grid.square_units * unit_mm
    cx, cy = (origin_mm[i] + unit_mm * grid.centre_units[i] for i in (0, 1))
    return replace(
        grid,
        square_mm=side,
        enlargement=unit_mm,
        across_mm=tuple(cx + (i - grid.columns // 2) * side for i in range(grid.columns + 1)),
        down_mm=tuple(cy + (i - grid.rows // 2) * side for i in range(grid.rows + 1)),
        rest_across_mm=cx - grid.columns / 2 * side,
        rest_down_mm=cy - grid.rows / 2 * side,
        centre_mm=(cx, cy),
    )


def in_square(grid: Grid, place: Sequence[float]) -> InSquare:
    """Where a place in units lies in the grid; beyond it in its outermost squares, with shares
    below 0 or above 1."""
    x = (place[0] - grid.centre_units[0]) / grid.square_units + grid.columns / 2
    y = (place[1] - grid.centre_units[1]) / grid.square_units + grid.rows / 2
    column = min(max(math.floor(x), 0), grid.columns - 1)
    row = min(max(math.floor(y), 0), grid.rows - 1)
    return InSquare(
        label=f"{ascii_uppercase[column]}{row + 1}",
        across=x - column,
        down=y - row,
        left_mm=grid.across_mm[0] + x * grid.square_mm,
        top_mm=grid.down_mm[0] + y * grid.square_mm,
    )


def all_in_squares(grid: Grid, places: Mapping[str, Sequence[float]]) -> dict[str, InSquare]:
    """Every landmark in its square."""
    return {name: in_square(grid, place) for name, place in places.items()}


def grid_over(plan: Plan, sheet: Sheet) -> Grid | None:
    """The grid over the plan's frame, laid where the drawing lies; None for a frame without
    breadth."""
    frame = plan.frame
    if frame is None or not plan.unit_mm or frame.right - frame.left < 1e-6:
        return None
    return laid(make_grid(frame, sheet, COLUMNS), plan.origin_mm, plan.unit_mm)
