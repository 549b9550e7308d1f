"""A simulated hand that follows a recipe, as exact as hands are.

Each move is done with its own error, from where the landmarks before really came to lie; two lines
are crossed as they are drawn, arcs and all (Newton's method, from where the recipe says they
cross). A slip of one landmark can be planted, to see what notices it.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.sheet.recipe.construct import EDGE, Construction, Recipe, Step
from zirkel.core.sheet.recipe.manners import (
    PULLED_MM,
    STEP_MM,
    USUAL,
    Judging,
    stepping,
)

Drawn = tuple[Callable[[Array], float], Callable[[Array], Array]]
"""A function of a place that is zero on what is drawn, and its derivative."""


def follow(
    recipe: Recipe,
    unit_mm: float | None,
    rng: np.random.Generator,
    slip: tuple[str, Array] | None = None,
    eye: Judging = USUAL,
) -> dict[str, Array]:
    """Where each landmark comes to lie, (2,) in mm."""
    lies: dict[str, Array] = {}
    for each in recipe.constructions:
        lies[each.landmark] = _placed(each, lies, unit_mm, rng, eye)
        if slip is not None and slip[0] == each.landmark:
            lies[each.landmark] = lies[each.landmark] + slip[1]
    return lies


def _placed(
    each: Construction,
    lies: Mapping[str, Array],
    unit_mm: float | None,
    rng: np.random.Generator,
    eye: Judging,
) -> Array:
    meant = np.array(each.place)
    if each.fell or each.steps[0].manner in ("square", "eye"):
        # What is judged so, or measured, is as exact as the construction says: it leans on no mark.
        own = np.sqrt(max(each.sd_mm**2 - each.off_mm**2, 0.0) / 2.0)
        return meant + rng.normal(0.0, own, 2)
    if each.steps[0].manner == "part":
        return _spot(each.steps[0], lies, rng, eye)
    drawn = [_drawn(step, lies, meant, unit_mm, rng, eye) for step in each.steps]
    at = meant.copy()
    for _ in range(20):
        value = np.array([f(at) for f, _ in drawn])
        slope = np.array([df(at) for _, df in drawn])
        move = np.linalg.solve(slope, -value)
        at = at + move
        if np.abs(move).max() < 1e-9:
            break
    return at


def _length(step: Step, unit_mm: float | None, rng: np.random.Generator, eye: Judging) -> float:
    """A length as stepped or carried."""
    noise = float(stepping(np.array([step.value]), unit_mm, eye)[0])
    return step.value + float(rng.normal(0.0, noise))


def _spot(step: Step, lies: Mapping[str, Array], rng: np.random.Generator, eye: Judging) -> Array:
    start = lies[step.via[0]]
    b = lies[step.via[1]] - start
    length = float(np.hypot(*b))
    across = np.array([-b[1], b[0]]) / max(length, 1e-9)
    made: Array = (
        start
        + b * (step.value + rng.normal(0.0, eye.part))
        + across * rng.normal(0.0, eye.straight * length)
    )
    return made


def _upright(axis: int, at: float) -> Drawn:
    slope = np.eye(2)[axis]
    return (lambda p: float(p[axis] - at)), (lambda p: slope)


def _drawn(
    step: Step,
    lies: Mapping[str, Array],
    meant: Array,
    unit_mm: float | None,
    rng: np.random.Generator,
    eye: Judging,
) -> Drawn:
    """What a move draws, as a function that is zero on it, and its derivative."""  # fmt: skip
    if step.manner == "pull":
        return _upright(1, step.value + float(rng.normal(0.0, PULLED_MM)))
    if step.manner in EDGE:
        return _upright(EDGE[step.manner], step.value + float(rng.normal(0.0, STEP_MM)))
    start = lies[step.via[0]]
    if step.manner in ("across", "down"):
        axis = 0 if step.manner == "across" else 1
        b = lies[step.via[1]] - start
        size = float(np.hypot(*b))
        share = eye.part * max(abs(step.value), 1.0)
        noise = np.hypot(share, eye.straight) * size
        return _upright(axis, float(start[axis] + step.value * b[axis] + rng.normal(0.0, noise)))
    if step.manner in ("plumb", "level"):
        axis = 0 if step.manner == "plumb" else 1
        away = abs(meant[1 - axis] - start[1 - axis])
        offset = _length(step, unit_mm, rng, eye) if step.value else 0.0
        return _upright(axis, float(start[axis] + offset + rng.normal(0.0, eye.straight * away)))
    if step.manner == "tilt":
        a = np.radians(step.value) + rng.normal(0.0, eye.tilt)
        normal = np.array([np.cos(a), np.sin(a)])
        return (lambda p: float(normal @ (p - start))), (lambda p: normal)
    radius = _length(step, unit_mm, rng, eye)
    return (
        lambda p: float(np.hypot(*(p - start))) - radius,
        lambda p: np.asarray((p - start) / np.hypot(*(p - start))),
    )
