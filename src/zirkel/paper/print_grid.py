"""The same squares as the sheet's grid, at the size of the print, to be laid over it."""

from __future__ import annotations

from zirkel.core.sheet.arithmetic.grid import COLUMNS, make_grid
from zirkel.core.study import PictureSubject, Study
from zirkel.core.subject.flat import unit_on_print_mm
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import Paper
from zirkel.paper.grid_overlay import grid_overlay

BORDER_MM = 12.0


def print_grid(worked: Worked) -> bytes:
    """One page a little larger than the grid; BadInput says what of the print isn't known yet."""
    study, frame, picture = worked.study, worked.plan.frame, worked.study.subject
    if not isinstance(picture, PictureSubject) or picture.mm_per_px is None:
        raise BadInput("subject", "measure one length on the picture first, to give its size")
    unit_mm = unit_on_print_mm(study)
    if frame is None or unit_mm is None:
        raise BadInput("unit", "choose a unit and set its two landmarks on the picture first")
    grid = make_grid(frame, study.sheet, COLUMNS)
    square = grid.square_units * unit_mm
    across = [BORDER_MM + i * square for i in range(grid.columns + 1)]
    down = [BORDER_MM + i * square for i in range(grid.rows + 1)]
    return grid_overlay(study.title, across[-1] + BORDER_MM, down[-1] + BORDER_MM, across, down)


def _of_a_picture(study: Study) -> bool:
    return isinstance(study.subject, PictureSubject)


PAPER = Paper(
    "print-grid", "Grid for the print", "the same squares", print_grid, fits=_of_a_picture
)
