"""How a plan of tones is laid: in passes over all from some tone on, each on what lies there.

Nobody lays one flat tone beside another from bare paper: the palest goes through everything but the
lights, the next through all that is darker, and so on, the darkest last and alone. What begins is
the medium's own: bare paper, paper rubbed to a middle tone out of which lights are lifted, or toned
paper that is left as the middle, with white on what is lighter than paper alone, at the end.

How a medium is laid is one function here, by its name in the medium's file.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.tones.media import MediumData
from zirkel.core.tones.plan import FlatTone, TonePlan

LEAST = 0.5
"""Steps below which two tones are one on the sheet."""


@dataclass(frozen=True, slots=True)
class Pass:
    """One pass: what is done (`ground`, `lay`, `lift`, `white` or `accent`), with what, over which
    areas (none: the whole sheet), from which step to which, in how many light layers."""

    act: str
    tool: str
    areas: tuple[str, ...]
    begin: float
    end: float
    layers: int


@dataclass(frozen=True, slots=True)
class Laying:
    """All passes in their order, and the areas that stay as the paper is."""

    passes: tuple[Pass, ...]
    bare: tuple[str, ...]


def laying(plan: TonePlan, data: MediumData | None, shares: Mapping[str, float]) -> Laying:
    """How the plan is laid in that medium; without one as with a pencil of one grade."""
    medium = data or plain(plan)
    return WAYS[medium.way](plan, medium, shares)


def plain(plan: TonePlan) -> MediumData:
    """A medium of which nothing is known but its ends."""
    chosen = plan.medium
    return MediumData("", "", chosen.paper, chosen.lightest, chosen.darkest, 1.0, ())


def _in_layers(plan: TonePlan, data: MediumData, shares: Mapping[str, float]) -> Laying:
    """From light to dark on what lies there; the lights stay paper."""
    del shares
    passes = _darker(plan.flat, data, data.paper, "lay")
    done = {name for each in passes for name in each.areas}
    return Laying(tuple(passes), _rest(plan, done))


def _rubbed(plan: TonePlan, data: MediumData, shares: Mapping[str, float]) -> Laying:
    """The paper rubbed to a middle tone; darker shapes massed, lights lifted out, accents last."""
    middle = _middle(plan, data, shares)
    ground = Pass("ground", data.ground, (), data.paper, middle, 1)
    masses = _darker(plan.flat, data, middle, "lay")
    accents = [each for each in masses[-1:] if each.end > data.accents_from]
    lifted = _lighter(plan.flat, middle, data.lift, "lift", data.layer)
    last = [Pass("accent", p.tool, p.areas, p.begin, p.end, p.layers) for p in accents]
    passes = (ground, *masses[: len(masses) - len(accents)], *lifted, *last)
    return Laying(passes, ())


def _toned(plan: TonePlan, data: MediumData, shares: Mapping[str, float]) -> Laying:
    """The paper is the middle and is left; dark first, white last and only above the paper."""
    del shares
    dark = _darker(plan.flat, data, data.paper, "lay")
    white = "white" if data.white is None else data.white[0]
    light = _lighter(plan.flat, data.paper, white, "white", data.layer)
    passes = (*dark, *light)
    return Laying(passes, _rest(plan, {name for each in passes for name in each.areas}))


WAYS: Mapping[str, Callable[[TonePlan, MediumData, Mapping[str, float]], Laying]] = {
    "layers": _in_layers,
    "rubbed": _rubbed,
    "toned": _toned,
    "wash": _in_layers,
}


def _darker(
    flat: Sequence[FlatTone], data: MediumData, begin: float, act: str
) -> list[Pass]:  # fmt: skip
    """Passes from a tone on to the darkest, each over everything that is at least so dark."""
    own = sorted((e for e in flat if e.on_sheet > begin + LEAST), key=lambda e: e.on_sheet)
    made: list[Pass] = []
    at = begin
    for number, each in enumerate(own):
        areas = tuple(name for later in own[number:] for name in later.areas)
        made.append(
            Pass(act, _stick(data, each.on_sheet), areas, at, each.on_sheet,
                 _layers(each.on_sheet - at, data.layer))
        )  # fmt: skip
        at = each.on_sheet
    return made


def _lighter(
    flat: Sequence[FlatTone], begin: float, tool: str, act: str, layer: float
) -> list[Pass]:
    """The same the other way: everything that is at least so light, the lightest last."""
    own = sorted((e for e in flat if e.on_sheet < begin - LEAST), key=lambda e: -e.on_sheet)
    made: list[Pass] = []
    at = begin
    for number, each in enumerate(own):
        areas = tuple(name for later in own[number:] for name in later.areas)
        made.append(Pass(act, tool, areas, at, each.on_sheet, _layers(at - each.on_sheet, layer)))
        at = each.on_sheet
    return made


def _layers(by: float, layer: float) -> int:
    return max(1, math.ceil(by / layer - 1e-9))


def _stick(data: MediumData, tone: float) -> str:
    """The hardest that reaches the tone without force."""
    if not data.sticks:
        return ""
    return next((s for s in data.sticks if s.darkest >= tone - 1e-9), data.sticks[-1]).name


def _middle(plan: TonePlan, data: MediumData, shares: Mapping[str, float]) -> float:
    """The tone that half of the picture is darker than, where the ground can be: no lighter than a
    rubbed paper is, no darker than can be lifted again."""
    own = sorted(plan.flat, key=lambda e: e.on_sheet)
    weights = [sum(max(shares.get(name, 0.0), 1e-6) for name in e.areas) for e in own]
    if not own:
        return data.rubbed_to
    half = np.searchsorted(np.cumsum(weights), sum(weights) / 2.0)
    low, high = data.rubbed_to - 1.0, data.rubbed_to + 1.0
    return float(np.clip(own[min(int(half), len(own) - 1)].on_sheet, low, high))


def _rest(plan: TonePlan, done: set[str]) -> tuple[str, ...]:
    return tuple(_in_order(plan, done))


def _in_order(plan: TonePlan, done: set[str]) -> Iterator[str]:
    for each in plan.flat:
        yield from (name for name in each.areas if name not in done)
