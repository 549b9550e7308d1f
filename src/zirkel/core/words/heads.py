"""What is said of a head and of where it departs from the rules of thumb."""

from __future__ import annotations

import math

from zirkel.core.heads.canons import Departure
from zirkel.core.heads.drift import Drift
from zirkel.core.heads.figure import FigureMeasures, Told
from zirkel.core.heads.solved import SolvedHead
from zirkel.core.values.fractions import say_number

OVER = 0.15
"""Heads within which a plumb falls on a foot."""

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
            "Left and right are the wrong way round: left means the picture's left. It is read the "
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


def say_figure(told: FigureMeasures) -> tuple[str, ...]:
    """Heads tall and wide, balance, shoulders against hips."""
    said = []
    if told.tall is not None:
        said.append(f"{say_number(told.tall.value)} heads tall, ± {told.tall.sd:.1f}.")
    if told.wide is not None:
        said.append(f"{say_number(told.wide.value)} heads wide, ± {told.wide.sd:.1f}.")
    if told.balance is not None and told.foot is not None:
        foot = "left" if told.foot.endswith("left") else "right"
        size = abs(told.balance.value)
        if size < max(OVER, SURE * told.balance.sd):
            said.append(f"The plumb from the pit of the neck falls on the {foot} foot.")
        else:
            side = "right" if told.balance.value > 0 else "left"
            said.append(
                f"The plumb from the pit of the neck falls {say_number(size)} head {side} of the "
                f"{foot} foot, ± {told.balance.sd:.1f}."
            )
    for name, each in (("Shoulders", told.shoulders), ("Hips", told.hips)):
        if each is not None:
            said.append(f"{name} {_say_lean(each)}.")
    if told.shoulders is not None and told.hips is not None:
        apart = told.shoulders.value - told.hips.value
        sd = math.hypot(told.shoulders.sd, told.hips.sd)
        if abs(apart) > SURE * sd:
            said.append(f"They lean against each other by {abs(apart):.0f}°, ± {sd:.0f}°.")
    said += [say_departure(each, first=False) for each in told.departures]
    return tuple(said) or ("Too few of its points are held yet.",)


def _say_lean(told: Told) -> str:
    if abs(told.value) < max(1.0, told.sd):
        return f"level, ± {told.sd:.0f}°"
    lower = "right" if told.value > 0 else "left"
    return f"{abs(told.value):.0f}° lower on the {lower}, ± {told.sd:.0f}°"


def say_drift(each: Drift) -> str:
    """That the drawing has what the rule has, not what was sighted."""
    measure = each.measure[0].upper() + each.measure[1:]
    return (
        f"{measure}: drawn {say_number(each.drawn)}, as the rule has it; you sighted "
        f"{say_number(each.sighted)}. The drawing has drifted to the rule."
    )


def say_departure(each: Departure, first: bool = True) -> str:
    """One measure against its canon; the first to depart is told to be the likeness."""
    measure = each.measure[0].upper() + each.measure[1:]
    here, canon = say_number(each.here), say_number(each.canon)
    rule = f"the rule for {each.who}" if each.who else "the rule"
    if each.off < SURE:
        return f"{measure}: {here}, as {rule} has it ({canon})."
    likeness = ": that is the likeness" if first else ""
    return f"{measure}: {here}, where {rule} has {canon}{likeness}."


def say_point(name: str) -> str:
    """A point of the head, as said."""
    stem, _, side = name.rpartition("_")
    plain = (stem if side in ("left", "right") else name).replace("_", " ")
    return f"{plain}, {side}" if side in ("left", "right") else plain
