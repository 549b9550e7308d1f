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
    recipe_html,
    recipe_pages,
    recipe_text,
    tick_strips,
    tilt_card,
    tone_picture,
    tone_sheet,
    viewfinder,
)
from zirkel.paper.base import Paper

PAPERS: Mapping[str, Paper] = {
    each.name: each
    for each in (
        marks_sheet.PAPER,
        marks_sheet.IN_PAGES,
        recipe_pages.PAPER,
        tick_strips.PAPER,
        viewfinder.PAPER,
        tilt_card.PAPER,
        tone_sheet.PAPER,
        grey_card.PAPER,
        place_plan.PAPER,
        log_pages.PAPER,
        grid_overlay.PAPER,
        grid_overlay.IN_PAGES,
        print_grid.PAPER,
        print_grid.IN_PAGES,
        plan_svg.PAPER,
        recipe_text.PAPER,
        recipe_html.PAPER,
        tone_picture.PAPER,
        marks_table.PAPER,
        readings_table.PAPER,
    )
}

__all__ = ["PAPERS", "Paper"]
