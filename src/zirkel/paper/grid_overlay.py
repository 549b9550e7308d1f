"""The grid for the sheet at true size, with its labels and the centre cross."""

from __future__ import annotations

from collections.abc import Sequence
from string import ascii_uppercase

from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import Paper
from zirkel.paper.page import CHALK, LINE, PENCIL, Page


def grid_overlay(
    title: str, width_mm: float, height_mm: float, across: Sequence[float], down: Sequence[float]
) -> bytes:
    """One page of the given size with lines at `across` from its left and `down` from its top."""
    paper = Page(f"{title}, grid", width_mm, height_mm)
    for i, x in enumerate(across):
        middle = i == len(across) // 2
        paper.line([(x, down[0]), (x, down[-1])], CHALK if middle else PENCIL, 0.2)
    for i, y in enumerate(down):
        middle = i == len(down) // 2
        paper.line([(across[0], y), (across[-1], y)], CHALK if middle else PENCIL, 0.2)
    for i in range(len(across) - 1):
        paper.text((across[i] + across[i + 1]) / 2.0, down[0] - 1.5, ascii_uppercase[i], 3.4,
                   anchor="middle")  # fmt: skip
    for i in range(len(down) - 1):
        paper.text(across[0] - 1.5, (down[i] + down[i + 1]) / 2.0 + 1.2, str(i + 1), 3.4,
                   anchor="end")  # fmt: skip
    paper.box(0.2, 0.2, width_mm - 0.4, height_mm - 0.4, LINE, 0.2)
    if width_mm > 190.0:
        paper.proof_bar(6.0, height_mm - 3.0)
    return paper.done()


def _of(worked: Worked) -> bytes:
    study, grid = worked.study, worked.grid
    if grid is None:
        raise BadInput("frame", "there is nothing to lay a grid over yet: take a few readings")
    return grid_overlay(
        study.title, study.sheet.width_mm, study.sheet.height_mm, grid.across_mm, grid.down_mm
    )


PAPER = Paper("grid", "Grid for the sheet", "true size, centre cross", _of)
