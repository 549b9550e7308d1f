"""The drawing's own tones against the plan: what is off, where the order is broken, what next."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from itertools import permutations

from zirkel.core.tones.plan import TonePlan

OFF_STEPS = 0.7
"""Steps from which a drawn tone is off the plan."""

BROKEN_STEPS = OFF_STEPS / 2
"""Steps by which one must be lighter than another that should be lighter than it."""


@dataclass(frozen=True, slots=True)
class Drawn:
    """An area as it is drawn and as it was planned, in steps. `sort` is `as planned`, `dark`,
    `light`, or `too dark` where the medium can't be taken back so far."""

    area: str
    drawn: float
    planned: float
    sort: str

    @property
    def off(self) -> float:
        """Steps darker than planned."""
        return self.drawn - self.planned


@dataclass(frozen=True, slots=True)
class AgainstPlan:
    """Areas, the furthest off first; pairs (should be darker, is darker) out of order; and which to
    work on next."""

    areas: tuple[Drawn, ...]
    broken: tuple[tuple[str, str], ...]
    next: Drawn | None


def against_plan(plan: TonePlan, drawn: Mapping[str, float]) -> AgainstPlan:
    """Judge drawn tones (in steps, of areas that the plan knows)."""
    areas = [
        Drawn(name, tone, plan.areas[name], _sort(plan, tone, plan.areas[name]))
        for name, tone in drawn.items()
    ]
    areas.sort(key=lambda each: -abs(each.off))
    broken = tuple(
        (a, b)
        for a, b in permutations(drawn, 2)
        if plan.areas[a] - plan.areas[b] > OFF_STEPS and drawn[b] - drawn[a] > BROKEN_STEPS
    )
    off = [each for each in areas if each.sort != "as planned"]
    # What can still be darkened comes before what would have to be lifted.
    light = [each for each in off if each.sort == "light"]
    return AgainstPlan(tuple(areas), broken, next(iter(light or off), None))


def _sort(plan: TonePlan, tone: float, planned: float) -> str:
    if tone > plan.medium.darkest + OFF_STEPS:
        return "too dark"
    if abs(tone - planned) <= OFF_STEPS:
        return "as planned"
    return "dark" if tone > planned else "light"
