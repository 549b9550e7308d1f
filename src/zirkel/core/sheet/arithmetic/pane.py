"""Picture plane: from the pane to the sheet, with the same border in proportion."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Enlargement:
    """Every length on the pane times `factor`; the pane's view covers `width_mm` by `height_mm` of
    the sheet, from `left_mm` and `top_mm`."""

    factor: float
    width_mm: float
    height_mm: float
    left_mm: float
    top_mm: float


def from_pane(
    pane: tuple[float, float], sheet: tuple[float, float], border_mm: float
) -> Enlargement:
    """The largest enlargement of a pane (width, height) onto a sheet that leaves the border free
    all round, in the middle of it. ValueError where nothing is left."""
    free = sheet[0] - 2 * border_mm, sheet[1] - 2 * border_mm
    if min(*pane, *free) <= 0:
        raise ValueError("pane and sheet less its border must be more than 0 mm both ways")
    factor = min(free[0] / pane[0], free[1] / pane[1])
    width, height = pane[0] * factor, pane[1] * factor
    return Enlargement(factor, width, height, (sheet[0] - width) / 2.0, (sheet[1] - height) / 2.0)
