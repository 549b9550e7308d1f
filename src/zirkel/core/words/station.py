"""What is to be mended about a station, in words."""

from __future__ import annotations

from zirkel.core.subject.calculator import Caution, RealReach

UNSURE = 0.03
"""Share of the reach from which a better measurement of it is advised."""


def say_caution(caution: Caution) -> str:
    """One caution: what is wrong, why it matters, and what to do."""
    return SAID[caution.about](caution)


def _distance(caution: Caution) -> str:
    much = "Far too near" if caution.badly else "A little near"
    metres = (caution.better or 0.0) / 1000
    return (
        f"{much}: {caution.value:.1f} times the subject's largest size. What is nearer to you "
        f"swells. Step back to {metres:.1f} m."
    )


def _cone(caution: Caution) -> str:
    much = "beyond what the eye takes in undistorted" if caution.badly else "wide"
    return (
        f"Its edge is seen {caution.value:.0f}° off the middle, {much}. Step back, or look "
        "straighter at it."
    )


def _lean(caution: Caution) -> str:
    return (
        f"The board leans {caution.value:.0f}°: its far edge is further from the "
        "eye, and heights that look right there come out too long. Set it upright."
    )


def _reach(_caution: Caution) -> str:
    return "The stick is more than half way to the subject. Step back."


SAID = {"distance": _distance, "cone": _cone, "lean": _lean, "reach": _reach}


def say_reach(made: RealReach) -> str:
    """The real reach with what it may be off, and how to have it surer."""
    said = f"Your reach is {made.reach_mm:.0f} mm, give or take {made.sd_mm:.0f} mm."
    if made.sd_mm > UNSURE * made.reach_mm:
        said += " Take a longer length, or a bigger step back, to have it surer."
    return said
