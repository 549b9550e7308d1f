"""The plan of tones: few flat tones, what each becomes on the paper, with which stick, in how many
light layers, in which order.

On white paper the order is from light to dark; on toned paper both ways from the paper's own tone,
the light ones first. The darkest goes on last, since the paper fills and it can't be taken back.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.light import Medium, ToneArea
from zirkel.core.tones.estimate import Estimate
from zirkel.core.tones.groups import Families, Group, flat_tones, on_sheet, two_families
from zirkel.core.tones.media import MediumData

BARE = 0.5
"""How near the paper's own tone a flat tone is left bare."""

USUAL = Medium()
USUAL_GROUPS = 4


@dataclass(frozen=True, slots=True)
class FlatTone:
    """One flat tone: its number from the lightest, its step in the subject and on the sheet, its
    areas, whether it is left bare, its stick and layers; when it is laid, 1 first, None if bare."""

    number: int
    tone: float
    on_sheet: float
    areas: tuple[str, ...]
    bare: bool
    stick: str | None
    layers: int
    turn: int | None


@dataclass(frozen=True, slots=True)
class TonePlan:
    """All of it; `areas` gives each known area's step on the sheet."""

    flat: tuple[FlatTone, ...]
    areas: Mapping[str, float]
    families: Families
    medium: Medium
    mixed: bool
    """Whether a flat tone holds areas of the light and of the shadow together."""


def plan_tones(
    areas: tuple[ToneArea, ...],
    found: Estimate,
    shares: Mapping[str, float],
    medium: Medium | None,
    data: MediumData | None,
    count: int = USUAL_GROUPS,
) -> TonePlan:
    """So many flat tones at most, in this medium."""
    chosen = medium or (data.medium if data else USUAL)
    known = {name: each.tone for name, each in found.tones.items() if each.tone is not None}
    groups = flat_tones(known, shares, count)
    laid = on_sheet(known, chosen, found.anchored)
    means = [_mean(group, laid, shares) for group in groups]
    turns = _turns(means, chosen.paper)
    flat = tuple(
        _flat(i, group, means[i], turns[i], chosen, data) for i, group in enumerate(groups)
    )
    mixed = any(_is_mixed(each, areas) for each in flat)
    return TonePlan(flat, laid, two_families(areas, found), chosen, mixed)


def _is_mixed(flat: FlatTone, areas: tuple[ToneArea, ...]) -> bool:
    sides = {each.side for each in areas if each.id in flat.areas}
    return {"light", "shadow"} <= sides


def _mean(group: Group, laid: Mapping[str, float], shares: Mapping[str, float]) -> float:
    weights = [max(shares.get(name, 0.0), 1e-6) for name in group.areas]
    total = sum(w * laid[name] for w, name in zip(weights, group.areas, strict=True))
    return total / sum(weights)


def _is_bare(tone: float, paper: float) -> bool:
    return abs(tone - paper) < BARE


def _turns(means: list[float], paper: float) -> list[int | None]:
    """When each is laid: outwards from the paper's tone, light ones first, the darkest last."""
    laid = [i for i, mean in enumerate(means) if not _is_bare(mean, paper)]
    order = sorted(laid, key=lambda i: (means[i] > paper, abs(means[i] - paper)))
    return [order.index(i) + 1 if i in order else None for i in range(len(means))]


def _flat(
    i: int, group: Group, mean: float, turn: int | None, medium: Medium, data: MediumData | None
) -> FlatTone:
    bare = turn is None
    stick, layers = None, 0
    if not bare:
        layers = 1
        if data is not None:
            layers = max(1, math.ceil(abs(mean - medium.paper) / data.layer - 1e-9))
            if mean < medium.paper:
                stick = data.white[0] if data.white else None
            else:
                softest = data.sticks[-1]
                stick = next((s for s in data.sticks if s.darkest >= mean - 1e-9), softest).name
    return FlatTone(i + 1, group.tone, mean, group.areas, bare, stick, layers, turn)
