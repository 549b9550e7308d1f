"""The plan of tones: few flat tones, and what each becomes on the paper (how they are laid, see
`laying`)."""

from __future__ import annotations

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
    areas, whether it is as the paper is."""

    number: int
    tone: float
    on_sheet: float
    areas: tuple[str, ...]
    bare: bool


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
    flat = tuple(
        FlatTone(i + 1, group.tone, mean, group.areas, _is_bare(mean, chosen.paper))
        for i, (group, mean) in enumerate(zip(groups, means, strict=True))
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
