"""Few flat tones for many areas, chosen exactly; light kept from shadow; the subject's range
carried into what the medium can do.

On a line the best groups are always runs of neighbours, so that the best split into k runs follows
from the best splits of fewer areas into k - 1: least sum of share (tone - group's mean)^2 over all
splits, in a few array operations a group (W. Fisher 1958, *On grouping for maximum homogeneity*).
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.light import Medium, ToneArea
from zirkel.core.tones.estimate import Estimate

MOST_GROUPS = 7
SURE_SDS = 1.0
"""Standard deviations by which a light area must be darker than a shadow to be said to cross."""


@dataclass(frozen=True, slots=True)
class Group:
    """A flat tone: its step, and the areas in it."""

    tone: float
    areas: tuple[str, ...]


def flat_tones(
    tones: Mapping[str, float], shares: Mapping[str, float], count: int
) -> tuple[Group, ...]:
    """So many groups at most, lightest first: fewer where there are fewer areas."""
    names = sorted(tones, key=lambda name: (tones[name], name))
    n, k = len(names), min(count, len(names))
    if not n:
        return ()
    t = np.array([tones[name] for name in names])
    w = np.array([max(shares.get(name, 0.0), 0.0) for name in names])
    if not w.sum() > 0:
        w = np.ones(n)
    w = np.maximum(w, 1e-9 * w.max())
    cost = _run_costs(t, w)
    best = cost[0].copy()
    cuts: list[list[int]] = []
    for _ in range(1, k):
        options = np.full((n, n), np.inf)
        # options[i, j]: the last run begins at i and ends at j.
        options[1:, :] = best[:-1, None] + cost[1:, :]
        cuts.append(options.argmin(axis=0).tolist())
        best = np.minimum(options.min(axis=0), np.inf)
    ends, end = [n], n
    for cut in reversed(cuts):
        end = int(cut[end - 1])
        ends.append(end)
    starts = [*ends[1:], 0]
    made = []
    for start, stop in zip(starts[::-1], ends[::-1], strict=True):
        own = slice(start, stop)
        # A mean of like tones comes out beside them in the last bit: kept between them, so that
        # the groups stay in order.
        mean = np.clip(np.average(t[own], weights=w[own]), t[start], t[stop - 1])
        made.append(Group(float(mean), tuple(names[own])))
    return tuple(each for each in made if each.areas)


def _run_costs(t: Array, w: Array) -> Array:
    """(n, n) weighted scatter of the run from i to j about its mean; infinite for j < i."""
    middle = np.average(t, weights=w)
    t = t - middle
    sums = [np.concatenate([[0.0], np.cumsum(w * t**power)]) for power in (0, 1, 2)]
    n = len(t)
    i, j = np.triu_indices(n)
    zero, one, two = (each[j + 1] - each[i] for each in sums)
    made = np.full((n, n), np.inf)
    made[i, j] = np.maximum(two - one**2 / zero, 0.0)
    return made


@dataclass(frozen=True, slots=True)
class Crossing:
    """An area in the light darker than one in shadow: by how many steps, and the sd of that."""

    light: str
    shadow: str
    by: float
    sd: float


@dataclass(frozen=True, slots=True)
class Families:
    """The tone that parts light from shadow (None where one is missing), and what crosses."""

    boundary: float | None
    crossing: tuple[Crossing, ...]


def two_families(areas: Sequence[ToneArea], found: Estimate) -> Families:
    """Light against shadow: the boundary that is crossed least, midway where nothing crosses."""
    own = {
        side: [each.id for each in areas if each.side == side
               and found.tones[each.id].tone is not None]
        for side in ("light", "shadow")
    }  # fmt: skip
    if not own["light"] or not own["shadow"]:
        return Families(None, ())
    crossing = []
    for light in own["light"]:
        for shadow in own["shadow"]:
            by, sd = found.difference(light, shadow)
            if by > SURE_SDS * sd:
                crossing.append(Crossing(light, shadow, by, sd))
    crossing.sort(key=lambda each: -each.by / max(each.sd, 1e-9))
    lights, shadows = (
        np.array([found.tones[name].tone for name in own[side]], dtype=float)
        for side in ("light", "shadow")
    )
    return Families(_boundary(lights, shadows), tuple(crossing))


def _boundary(lights: Array, shadows: Array) -> float:
    """The tone for which least lies on the wrong side in sum; the middle of all such."""
    corners = np.unique(np.concatenate([lights, shadows]))
    wrong = np.maximum(lights[:, None] - corners, 0.0).sum(axis=0)
    wrong += np.maximum(corners - shadows[:, None], 0.0).sum(axis=0)
    best = corners[wrong <= wrong.min() + 1e-9]
    return float((best.min() + best.max()) / 2.0)


def on_sheet(tones: Mapping[str, float], medium: Medium, anchored: bool) -> dict[str, float]:
    """Each tone as the medium gives it: as it is where it fits, else the whole range drawn together
    or shifted, its order kept. Tones afloat begin at the medium's lightest."""
    if not tones:
        return {}
    low, high = min(tones.values()), max(tones.values())
    room = medium.darkest - medium.lightest
    scale = min(1.0, room / (high - low)) if high > low else 1.0
    begin = medium.lightest if not anchored else min(
        max(low, medium.lightest), medium.darkest - scale * (high - low)
    )  # fmt: skip
    return {name: begin + scale * (tone - low) for name, tone in tones.items()}
