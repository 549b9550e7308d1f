"""The same squares as the sheet's grid, at the size of the print, to be laid over it."""

from __future__ import annotations

import numpy as np

from zirkel.core.sheet.arithmetic.grid import COLUMNS, make_grid
from zirkel.core.study import PictureSubject, Study, UnitPair
from zirkel.core.subject.flat import crop_box, flat_places, unit_on_print_mm
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import Paper
from zirkel.paper.grid_overlay import grid_overlay, with_border
from zirkel.paper.whole import Whole, in_own_pages, on_one_page


def print_grid(worked: Worked) -> Whole:
    """A page round the print, in its own millimetres; BadInput says what isn't known yet."""
    study, frame, picture = worked.study, worked.plan.frame, worked.study.subject
    if not isinstance(picture, PictureSubject) or picture.mm_per_px is None:
        raise BadInput("subject", "measure one length on the picture first, to give its size")
    unit_mm = unit_on_print_mm(study)
    if frame is None or unit_mm is None or not isinstance(study.unit, UnitPair):
        raise BadInput("unit", "choose a unit and set its two landmarks on the picture first")
    grid = make_grid(frame, study.sheet, COLUMNS)
    square = grid.square_units * unit_mm
    start = flat_places(study, picture)[study.unit.start] * picture.mm_per_px
    left, top = start + np.array([frame.left, frame.top]) * unit_mm
    across = [left + i * square for i in range(grid.columns + 1)]
    down = [top + i * square for i in range(grid.rows + 1)]
    box = crop_box(picture)
    over = tuple(each * picture.mm_per_px for each in box)
    return grid_overlay(study.title, (over[0], over[1], over[2], over[3]), across, down, "print")


def _of_a_picture(study: Study) -> bool:
    return isinstance(study.subject, PictureSubject)


def _size(study: Study) -> tuple[float, float] | None:
    """Of the page round the print, where its true size is known."""
    picture = study.subject
    if not isinstance(picture, PictureSubject) or picture.mm_per_px is None:
        return None
    left, top, right, bottom = crop_box(picture)
    return with_border((right - left) * picture.mm_per_px, (bottom - top) * picture.mm_per_px)


def _on_one_page(worked: Worked) -> bytes:
    return on_one_page(print_grid(worked))


PAPER = Paper(
    "print-grid", "Grid for the print", "the same squares", _on_one_page, fits=_of_a_picture
)
IN_PAGES = in_own_pages(print_grid, "print-grid", "Print's grid, in pages", _size)
