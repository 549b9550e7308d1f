"""Two drawn plumbs in words: parallel, parting or bent, and what to do about it."""

from __future__ import annotations

from zirkel.core.sheet.arithmetic.sight_size import Parting
from zirkel.core.values.lengths import say_length


def say_parting(made: Parting, inches: bool = False) -> str:
    """Whether two plumbs are parallel, and which way to move the second."""
    said = []
    if made.parts:
        wide, way = ("foot", "towards") if made.apart_mm > 0 else ("top", "away from")
        much = say_length(abs(made.apart_mm), inches)
        said.append(
            f"They part by {abs(made.degrees):.2f}°, wider at the {wide}: move the foot of the "
            f"second {much} {way} the first."
        )
    if made.bent:
        way = "apart" if made.bend_mm > 0 else "together"
        much = say_length(abs(made.bend_mm), inches)
        said.append(
            f"One of them is bent: {much} {way} in the middle. Hold a taut string to both, and "
            "draw the one that leaves it again."
        )
    return " ".join(said) or "The two plumbs are parallel."
