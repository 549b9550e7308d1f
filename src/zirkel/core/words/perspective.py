"""What families of edges tell, as one would say it before the subject."""

from __future__ import annotations

from zirkel.core.network.families import Perspective, SeenEdge, SeenFamily
from zirkel.core.values.tilts import say_tilt
from zirkel.core.words.base import Words

NEAR_UNITS, FAR_UNITS = 0.05, 40.0
"""What is so near an eye level lies on it; what vanishes so far off is as good as parallel."""

OFF = 3.29
"""Standard deviations from which on an edge is told to disagree."""


def say_eye_level(found: Perspective, words: Words, origin: str) -> str:
    """Where the eye level lies, counted from the landmark that everything is counted from."""
    if found.eye_level is None or found.eye_sd is None:
        return "No eye level yet: it takes a level family that recedes, two edges at least."
    y, name = found.eye_level, words.of(origin)
    within = words.slack(found.eye_sd)
    if abs(y) < NEAR_UNITS:
        return f"Your eye level runs through {name}, give or take {within}."
    where = "above" if y < 0 else "below"
    return f"Your eye level lies {words.count(abs(y))} {where} {name}, give or take {within}."


def say_family(family: SeenFamily, words: Words, origin: str) -> str:
    """Where a family vanishes, or that it doesn't."""
    if not family.determined:
        return "Too little tells yet: give it a second edge, well apart from the first."
    if family.at_infinity or family.point is None:
        tilt = say_tilt(family.direction_deg or 0.0)
        return f"They stay parallel as you see them: all at {tilt}."
    x, y = family.point
    side = "right" if x > 0 else "left"
    name = words.of(origin)
    if abs(x) > FAR_UNITS or abs(y) > FAR_UNITS:
        return f"They meet very far to the {side}: nearly parallel."
    height = "level with it"
    if abs(y) >= NEAR_UNITS:
        height = f"{words.count(abs(y))} {'higher' if y < 0 else 'lower'}"
    return f"They meet {words.count(abs(x))} to the {side} of {name}, {height}."


def say_edge(edge: SeenEdge, words: Words) -> str | None:
    """That an edge disagrees with its family, and what the family asks; None where it agrees."""
    if edge.standardized is None or abs(edge.standardized) < OFF:
        return None
    ends = f"{words.of(edge.start)} to {words.of(edge.end)}"
    return (
        f"{ends} stands at {say_tilt(edge.seen_deg)}, the others of its family ask for "
        f"{say_tilt(edge.fitted_deg)}. Sight it again."
    )
