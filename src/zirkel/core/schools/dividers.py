"""Dividers: a ratio set once, key distances carried over, the rest freehand."""

from __future__ import annotations

from zirkel.core.schools.base import Reckoned, School, Table, hints
from zirkel.core.sheet.arithmetic.dividers import pivot_of_ten, worth_carrying
from zirkel.core.subject.flat import unit_on_print_mm


def distances(worked: Reckoned) -> Table:
    """The distances worth carrying; and the ratio to set, where the print's size is known."""
    words, unit_mm = worked.words, worked.plan.unit_mm or 1.0
    tiers = {each.id: each.tier for each in worked.study.landmarks}
    print_mm = unit_on_print_mm(worked.study)
    title = "Distances worth carrying"
    if print_mm:
        ratio = unit_mm / print_mm
        title = (
            f"Ratio 1 : {ratio:.2f}, pivot at {pivot_of_ten(ratio):.2f} on a scale of ten. {title}"
        )
    return Table(
        title=title,
        head=("From", "to", "counts", "on the sheet"),
        rows=tuple(
            (words.of(each.start), words.of(each.end), words.count(each.units),
             words.length(each.sheet_mm))
            for each in worth_carrying(worked.positions, tiers, unit_mm)
        ),
    )  # fmt: skip


SCHOOL = School(
    name="dividers",
    title="Dividers: a ratio set once, key distances carried over, the rest freehand",
    manners=frozenset(["length", "rule", "tilt"]),
    aids=("dividers", "a ruler", "a stick"),
    set_up=hints(
        ("dividers", "Set the ratio once and lock it. Try it on the unit: it must come out exact."),
        ("unit", "Carry the longest distances first."),
    ),
    checks=hints(
        ("dividers", "Try the unit again every ten distances."),
        ("triangle", "Check a point from a third one: two arcs always cross somewhere."),
    ),
    mistakes=hints(
        ("dividers", "The points are opened a little each time they are set down."),
        ("thin", "Two arcs cross at a thin angle and slide along each other."),
    ),
    reckons=distances,
)
