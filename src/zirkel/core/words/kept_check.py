"""A check as it is kept: its numbers and its sentences, and whether the eye had seen it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.check.causes.base import Fault
from zirkel.core.check.correct import Check
from zirkel.core.drawn import EyeGuess, KeptCheck, KeptFault, KeptMove
from zirkel.core.words.checked import About
from zirkel.core.words.drawn_wrong import say_correction, say_fault, say_touch_up


def kept_check(about: About, name: str, at: str, guesses: Sequence[EyeGuess] = ()) -> KeptCheck:
    """The check of a study at some time (ISO), under a name."""
    found = about.check
    drawing = found.drawing
    places = drawing.planned + drawing.off
    off = np.array([each.off for each in found.standing.values()])
    known = [i for i in range(len(drawing.ids)) if drawing.is_known(i)]
    return KeptCheck(
        id=name,
        at=at,
        against="proportions" if drawing.free.shape[1] else "plan",
        sound=found.sound,
        apart_mm=round(float(np.sqrt((off[known] ** 2).sum(axis=1).mean())), 2),
        sound_tiers=found.sound_tiers,
        places={drawing.ids[i]: _rounded(places[i]) for i in known},
        targets={drawing.ids[i]: _rounded(places[i] - off[i]) for i in known},
        faults=tuple(
            KeptFault(each.kind, say_fault(about, each), way_of(each), each.landmarks)
            for each in found.diagnosis.faults
        ),
        moves=_moves(about),
        guesses=tuple(replace(each, right=was_right(each, found)) for each in guesses),
        photograph=about.study.photograph,
    )


def way_of(fault: Fault) -> str:
    """Which of its two ways a fault went: more or less of it; "" for what went some way aside."""
    amount = fault.amount
    if "factor" in amount:
        return "more" if amount["factor"] > 1.0 else "less"
    known = [amount[name] for name in ("degrees", "share") if name in amount]
    return ("more" if known[0] > 0.0 else "less") if known else ""


def _moves(about: About) -> tuple[KeptMove, ...]:
    """What is to be done: the orders, then the pass over single marks."""
    orders = [
        KeptMove(say_correction(about, each), each.fault.landmarks) for each in about.check.orders
    ]
    if about.check.touch_up:
        orders.append(KeptMove(say_touch_up(about), tuple(about.check.touch_up)))
    return tuple(orders)


def _rounded(at: Array) -> tuple[float, float]:
    return round(float(at[0]), 2), round(float(at[1]), 2)


def was_right(guess: EyeGuess, found: Check) -> bool | None:
    """Whether what the eye said turned out so; None where it wasn't measured."""
    if guess.landmark is None:
        kinds = {each.kind: each for each in found.diagnosis.faults}
        if guess.way == "fine":
            return not any(not each.landmarks for each in kinds.values())
        size = kinds.get("size")
        if guess.way in ("larger", "smaller"):
            return size is not None and (size.amount["factor"] > 1) == (guess.way == "larger")
        shift = kinds.get("shift")
        return shift is not None and _goes(guess.way, *shift.amount["off_mm"])
    stands = found.standing.get(guess.landmark)
    if stands is None:
        return None
    if guess.way == "fine":
        return stands.within
    return not stands.within and _goes(guess.way, *stands.off)


def _goes(way: str, dx: float, dy: float) -> bool:
    """Whether an offset goes that way for the most part, or at least half as much as the other."""
    if way in ("left", "right"):
        return (dx > 0) == (way == "right") and abs(dx) > 0.5 * abs(dy)
    return (dy > 0) == (way == "lower") and abs(dy) > 0.5 * abs(dx)
