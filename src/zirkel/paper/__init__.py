"""Papers at true size, and files to take along: one module each, and a line here."""

from __future__ import annotations

from collections.abc import Mapping

from zirkel.paper import (
    grey_card,
    grid_overlay,
    log_pages,
    marks_sheet,
    marks_table,
    place_plan,
    plan_svg,
    print_grid,
    readings_table,
    recipe_pages,
    tick_strips,
    tilt_card,
    tone_picture,
    tone_sheet,
    viewfinder,
)
from zirkel.paper.base import Paper

PAPERS: Mapping[str, Paper] = {
    each.PAPER.name: each.PAPER
    for each in (
        marks_sheet,
        recipe_pages,
        tick_strips,
        viewfinder,
        tilt_card,
        tone_sheet,
        grey_card,
        place_plan,
        log_pages,
        grid_overlay,
        print_grid,
        plan_svg,
        tone_picture,
        marks_table,
        readings_table,
    )
}

__all__ = ["PAPERS", "Paper"]
