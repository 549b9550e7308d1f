"""Comparative, at arm's length: a unit on the subject, any size on the sheet."""

from zirkel.core.schools.base import School, hints

SCHOOL = School(
    name="comparative",
    title="Comparative, at arm's length: a unit on the subject, any size on the sheet",
    manners=frozenset(["plumb", "level", "touch", "units", "tilt", "gaps", "part"]),
    aids=("a stick", "a plumb line"),
    set_up=hints(
        (
            "station",
            "Mark where you stand. Elbow locked, one eye shut, the stick square to your sight.",
        ),
        (
            "unit",
            "Choose a unit that is easy to find again; on the sheet it may be any length.",
        ),
        ("board", "Board upright, sheet square to it, so that your plumbs are plumb on both."),
    ),
    checks=hints(
        ("stick", "Sight the unit again now and then: a drift shows there first."),
        ("plumb", "Cross-check large heights with a plumb or level from another side."),
    ),
    mistakes=hints(
        ("elbow", "The elbow bends: every count comes short."),
        ("eyes", "Two eyes open: the stick is in two places."),
        ("lean", "The stick leans into the scene and reads a wrong tilt."),
    ),
)
