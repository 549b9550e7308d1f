"""The plan of tones at true size: the whole in a few flat tones, and how each is laid."""

from __future__ import annotations

from zirkel.core.tones.grey import grey_of
from zirkel.core.tones.laying import laying
from zirkel.core.words.laying import say_laying
from zirkel.core.words.tones import say_step
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import Paper, own_page
from zirkel.paper.marks_sheet import MOST_PAGE_MM
from zirkel.paper.page import LINE, Page
from zirkel.paper.tone_areas import flat_areas, has_tones, tone_medium, tone_plan

EDGE, SWATCH, ROW = 18.0, 16.0, 24.0


def tone_sheet(worked: Worked) -> bytes:
    """A page of the sheet's own size, then one that tells how each tone is laid."""
    study, sheet = worked.study, worked.study.sheet
    if max(sheet.width_mm, sheet.height_mm) > MOST_PAGE_MM:
        raise BadInput("sheet", f"a sheet of more than {MOST_PAGE_MM / 1000:.0f} m is not printed")
    plan = tone_plan(worked)
    if not plan.flat:
        raise BadInput("tones", "no tone is known yet: compare areas first")
    paper = Page(f"{study.title}, tones", sheet.width_mm, sheet.height_mm)
    whole = [(0.0, 0.0), (sheet.width_mm, 0.0), (sheet.width_mm, sheet.height_mm),
             (0.0, sheet.height_mm)]  # fmt: skip
    paper.area(whole, grey_of(plan.medium.paper))
    for area in flat_areas(worked, plan):
        paper.area(area.points, area.grey)
    paper.proof_bar(sheet.margin.left, sheet.height_mm - 7.0)
    page = own_page(study)
    paper.turn_page(*page)
    names = {each.id: each.name for each in study.tone_areas}
    y = paper.head(
        EDGE, page[0] - 2 * EDGE, study.title, "The plan of tones: what to lay, in which order"
    )
    for each in plan.flat:
        corners = [(EDGE, y), (EDGE + SWATCH, y), (EDGE + SWATCH, y + SWATCH), (EDGE, y + SWATCH)]
        paper.area(corners, grey_of(each.on_sheet))
        paper.box(EDGE, y, SWATCH, SWATCH, LINE, 0.2)
        paper.text(EDGE + SWATCH + 6.0, y + 5.5, f"step {say_step(each.on_sheet)}", 3.8)
        own = "; ".join(names.get(name, name) for name in each.areas)
        below = paper.wrapped(
            EDGE + SWATCH + 26.0, y + 5.0, 126.0, f"{own} (paper)" if each.bare else own, 3.8
        )
        y = max(y + ROW, below + 4.0)
        if y > page[1] - 40.0:
            paper.turn_page(*page)
            y = 20.0
    data = tone_medium(worked)
    way = "layers" if data is None else data.way
    for number, said in enumerate(say_laying(laying(plan, data, worked.shares), names, way)):
        if y > page[1] - 30.0:
            paper.turn_page(*page)
            y = 20.0
        if number:
            paper.text(EDGE, y, f"{number}.", 4.0, strong=True)
        y = paper.wrapped(EDGE + 8.0, y, page[0] - 2 * EDGE - 8.0, said, 4.0) + 3.0
    paper.proof_bar(EDGE, page[1] - 8.0)
    return paper.done()


PAPER = Paper(
    "tones", "Plan of tones", "flat, at true size", tone_sheet,
    fits=has_tones,
)  # fmt: skip
