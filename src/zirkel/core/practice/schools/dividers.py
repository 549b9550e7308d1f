"""Dividers: a ratio set once, key distances carried over, the rest freehand."""

from zirkel.core.practice.schools.base import School, hints

SCHOOL = School(
    name="dividers",
    title="Dividers: a ratio set once, key distances carried over, the rest freehand",
    manners=frozenset(["length", "level", "plumb", "strip"]),
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
    reckons="dividers",
)
