"""What is said of a head and of where it departs from the rules of thumb."""

from __future__ import annotations

from zirkel.core.heads.canons import Departure
from zirkel.core.heads.solved import SolvedHead
from zirkel.core.values.fractions import say_number

STRAIGHT_DEG = 3.0
SURE = 2.0
"""Degrees within which a head looks straight out, and standard deviations from which a departure is
more than its error."""


def say_pose(head: SolvedHead) -> tuple[str, ...]:
    """Turn, nod and roll."""
    fit = head.fitted
    if fit is None:
        return (f"{head.name}: {head.trouble}.",)
    said = []
    if fit.mirrored:
        said.append(
            "Left and right are the wrong way round: left means the picture’s left. It is read the "
            "other way round here."
        )
    for value, sd, ways in (
        (fit.turn, fit.sd[0], ("turned to the right", "turned to the left")),
        (fit.nod, fit.sd[1], ("looking down", "looking up")),
        (fit.roll, fit.sd[2], ("leaning with the crown to the right", "leaning with the crown to "
                               "the left")),
    ):  # fmt: skip
        if abs(value) > max(STRAIGHT_DEG, sd):
            way = ways[0] if value > 0 else ways[1]
            said.append(f"{way.capitalize()} by {abs(value):.0f}°, give or take {sd:.0f}°.")
    if len(said) == int(fit.mirrored):
        said.append("It looks straight out, upright.")
    return tuple(said)


def say_departure(each: Departure) -> str:
    """One measure against its canon."""
    measure = each.measure[0].upper() + each.measure[1:]
    here, canon = say_number(each.here), say_number(each.canon)
    if each.off < SURE:
        return f"{measure}: {here}, as the rule has it ({canon})."
    return f"{measure}: {here}, where the rule has {canon}: that is the likeness."


def say_point(name: str) -> str:
    """A point of the head, as said."""
    stem, _, side = name.rpartition("_")
    plain = (stem if side in ("left", "right") else name).replace("_", " ")
    return f"{plain}, {side}" if side in ("left", "right") else plain
