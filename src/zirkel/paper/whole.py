"""A drawing at true size, on one page of its own size, or on several of the artist's own printer,
with overlaps to glue and a map of them."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from string import ascii_uppercase

from zirkel.core.study import Study
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import Paper, own_page
from zirkel.paper.page import CHALK, LINE, PENCIL, Page

EDGE, OVERLAP = 12.0, 10.0
"""What is left free round a page for the printer and the tile's name; how far the next tile goes
over the one before."""

TICK = 5.0
MOST_TILES = 100
"""Pages that anybody would glue."""

MAP_TOP = 48.0


@dataclass(frozen=True, slots=True)
class Whole:
    """A page of its own size, in mm, and what draws it."""

    title: str
    width_mm: float
    height_mm: float
    draw: Callable[[Page], None]


@dataclass(frozen=True, slots=True)
class Tile:
    """What one page shows: its name, and the rectangle of the whole, from (left, top), in mm."""

    name: str
    left: float
    top: float
    width: float
    height: float


def on_one_page(whole: Whole) -> bytes:
    """One page of the whole's own size."""
    paper = Page(whole.title, whole.width_mm, whole.height_mm)
    whole.draw(paper)
    return paper.done()


def tiles_of(width_mm: float, height_mm: float, page: tuple[float, float]) -> list[Tile]:
    """The tiles of a whole, row by row, all of one size but the last ones, each over the one before
    by the overlap."""
    room_x, room_y = page[0] - 2 * EDGE, page[1] - 2 * EDGE

    def cuts(length: float, room: float) -> list[float]:
        count = max(math.ceil((length - OVERLAP) / (room - OVERLAP) - 1e-9), 1)
        return [k * (room - OVERLAP) for k in range(count)]

    return [
        Tile(
            f"{ascii_uppercase[row % 26]}{column + 1}", left, top,
            min(room_x, width_mm - left), min(room_y, height_mm - top),
        )
        for row, top in enumerate(cuts(height_mm, room_y))
        for column, left in enumerate(cuts(width_mm, room_x))
    ]  # fmt: skip


def in_pages(whole: Whole, page: tuple[float, float]) -> bytes:
    """The map, then every tile, upright or lying, whichever takes fewer pages."""
    ways = [page, (page[1], page[0])]
    page = min(ways, key=lambda each: len(tiles_of(whole.width_mm, whole.height_mm, each)))
    tiles = tiles_of(whole.width_mm, whole.height_mm, page)
    if len(tiles) > MOST_TILES:
        raise BadInput("sheet", f"it would take {len(tiles)} pages: have it printed in one piece")
    paper = Page(whole.title, whole.width_mm, whole.height_mm)
    paper.keep("whole", whole.draw)
    paper.resize(*page)
    _map(paper, whole, tiles)
    for each in tiles:
        paper.turn_page()
        paper.put("whole", each.left, each.top, (EDGE, EDGE, each.width, each.height))
        _to_glue(paper, each, whole)
        paper.text(EDGE, page[1] - 7.0, f"{whole.title}: {each.name} of {len(tiles)} pages", 2.8,
                   colour=PENCIL)  # fmt: skip
    return paper.done()


def _map(paper: Page, whole: Whole, tiles: list[Tile]) -> None:
    """The whole in small, with every tile's name where it goes."""
    width, height = paper.width_mm - 2 * EDGE, paper.height_mm
    y = paper.head(EDGE, width, whole.title, f"{len(tiles)} pages to glue, and where each goes")
    paper.wrapped(
        EDGE, y, width, "Print at 100 %. Cut each page along its dashed lines, away from the hand, "
        "and glue it over the one before, cross on cross.", 3.6, serif=True,
    )  # fmt: skip
    share = min(width / whole.width_mm, (height - MAP_TOP - 24.0) / whole.height_mm)
    paper.put("whole", 0.0, 0.0, (EDGE, MAP_TOP, share * whole.width_mm, share * whole.height_mm),
              share)  # fmt: skip
    for each in tiles:
        x, y = EDGE + share * each.left, MAP_TOP + share * each.top
        paper.box(x, y, share * each.width, share * each.height, CHALK, 0.2)
        middle = (x + share * each.width / 2.0, y + share * each.height / 2.0)
        paper.area([(middle[0] - 6.0, middle[1] - 5.0), (middle[0] + 6.0, middle[1] - 5.0),
                    (middle[0] + 6.0, middle[1] + 3.0), (middle[0] - 6.0, middle[1] + 3.0)],
                   "#ffffff")  # fmt: skip
        paper.text(middle[0], middle[1] + 1.0, each.name, 5.0, strong=True, anchor="middle")
    paper.foot(EDGE, width)


def _to_glue(paper: Page, tile: Tile, whole: Whole) -> None:
    """Where the page is cut, and the crosses that come to lie on those of its neighbours."""
    right, below = EDGE + tile.width, EDGE + tile.height
    across = [EDGE + OVERLAP / 2.0] if tile.left else []
    down = [EDGE + OVERLAP / 2.0] if tile.top else []
    if tile.left:
        paper.line([(EDGE, EDGE), (EDGE, below)], LINE, 0.2, (1.5, 1.5))
    if tile.top:
        paper.line([(EDGE, EDGE), (right, EDGE)], LINE, 0.2, (1.5, 1.5))
    if tile.left + tile.width < whole.width_mm:
        across.append(right - OVERLAP / 2.0)
    if tile.top + tile.height < whole.height_mm:
        down.append(below - OVERLAP / 2.0)
    middle_x, middle_y = EDGE + tile.width / 2.0, EDGE + tile.height / 2.0
    for x in across:
        for y in down or [middle_y]:
            paper.cross(x, y, TICK, CHALK)
    if not across:
        for y in down:
            paper.cross(middle_x, y, TICK, CHALK)


def in_own_pages(
    of: Callable[[Worked], Whole], name: str, label: str,
    size: Callable[[Study], tuple[float, float] | None],
) -> Paper:  # fmt: skip
    """The paper that gives a whole in pages of the artist's own printer, for who has one larger
    than those; `size` is that of the whole in mm, None where there is none."""

    def larger(study: Study) -> bool:
        page, needed = own_page(study), size(study)
        return needed is not None and (min(needed) > page[0] or max(needed) > page[1])

    def make(worked: Worked) -> bytes:
        return in_pages(of(worked), own_page(worked.study))

    return Paper(f"{name}-pages", label, "to glue, for your own printer", make,
                 fits=larger)  # fmt: skip
