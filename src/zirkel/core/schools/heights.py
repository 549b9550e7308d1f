"""Heights from the sheet's top and widths from one plumb: the table of both kinds of sight-size."""

from __future__ import annotations

from zirkel.core.schools.base import Reckoned, Table


def heights(worked: Reckoned) -> Table:
    """Heights that pull straight across, and widths from the plumb through one landmark: it can be
    hung on the subject as well, as a plumb through no landmark could not."""
    words = worked.words
    marks = sorted(worked.plan.marks.items(), key=lambda item: item[1].held_top_mm)
    hung = plumb_landmark(worked)
    at = worked.plan.marks[hung].held_left_mm

    def width(left_mm: float) -> str:
        side = "right" if left_mm >= at else "left"
        return f"{words.length(abs(left_mm - at))} {side}"

    off = worked.off_sight_size
    hangs = f"widths from the plumb through {words.of(hung)}, {words.length(at)} from the left"
    return Table(
        title=f"{off} Set it so in Set-up. Heights, and {hangs}"
        if off
        else f"Heights that pull straight across, and {hangs}",
        head=("Landmark", "below the top edge", "from the plumb"),
        rows=tuple(
            (
                words.of(name),
                words.length(mark.held_top_mm),
                "on the plumb" if name == hung else width(mark.held_left_mm),
            )
            for name, mark in marks
        ),
    )


def plumb_landmark(worked: Reckoned) -> str:
    """The large shapes' landmark nearest to the middle of the drawing's breadth: errors grow with
    the distance from the plumb."""
    marks = worked.plan.marks
    tiers = {each.id: each.tier for each in worked.study.landmarks}
    first = min(tiers[name] for name in marks)
    lefts = [mark.held_left_mm for mark in marks.values()]
    middle = (min(lefts) + max(lefts)) / 2.0
    large = [name for name in marks if tiers[name] == first]
    return min(large, key=lambda name: abs(marks[name].held_left_mm - middle))
