"""Areas from the shapes that stand: every closed one, split by a border line where one runs through
it from outline to outline."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from zirkel.core.light import ToneArea
from zirkel.core.study import Shape, Study


def suggest_areas(study: Study) -> Iterator[ToneArea]:
    """Areas with their outlines, not yet of any side; ids and names from their shapes."""
    borders = [each for each in study.shapes if not each.closed and len(each.outline) > 1]
    for shape in study.shapes:
        if not shape.closed or len(shape.outline) < 3:
            continue
        loops = [tuple(shape.outline)]
        for border in borders:
            loops = [half for loop in loops for half in _halves(loop, border.outline)]
        yield from _named(shape, loops)


def _named(shape: Shape, loops: Sequence[tuple[str, ...]]) -> Iterator[ToneArea]:
    for number, loop in enumerate(loops, 1):
        alone = len(loops) == 1
        name = shape.name if alone else f"{shape.name}, side {number}"
        yield ToneArea(shape.id if alone else f"{shape.id}_{number}", name, outline=loop)


def _halves(loop: tuple[str, ...], border: Sequence[str]) -> list[tuple[str, ...]]:
    """The two loops into which a border parts an outline, or the outline alone."""
    start, end, inner = border[0], border[-1], tuple(border[1:-1])
    if start == end or start not in loop or end not in loop or set(inner) & set(loop):
        return [loop]
    i, j = loop.index(start), loop.index(end)
    one = loop[i : j + 1] if i < j else (*loop[i:], *loop[: j + 1])
    other = loop[j : i + 1] if j < i else (*loop[j:], *loop[: i + 1])
    halves = [(*one, *inner[::-1]), (*other, *inner)]
    return halves if all(len(each) >= 3 for each in halves) else [loop]
