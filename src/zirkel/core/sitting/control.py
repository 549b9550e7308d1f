"""Back at the same place: which few readings tell soonest whether the place is the same, and what
they say.

Whoever stands nearer, or holds the stick shorter, reads all lengths longer by a share s; whoever
turned the head or the board reads everything turned by t. For a reading with derivative g by the
place of its second end, and d the way from its first to its second, that shows as

    h = (g.d, g.Jd) for s and t,  J a quarter turn,

while by the readings so far it would be predicted with variance a'Qa, and errs itself by sigma.
Every new take drifts by a share of `NATURAL` by itself, an arm bent a little otherwise: that is no
other place, and is part of what S, the covariance of the k innovations v, lets pass. The change is
estimated by (H'S^-1 H)^-1 H'S^-1 v, and

    T = v'S^-1 H (H'S^-1 H)^-1 H'S^-1 v

is chi-squared with two degrees of freedom where nothing changed (G. Mardia, J. Kent, J. Bibby
1979, on the likelihood ratio). Readings are chosen one after the other so that now a turn, now a
size would stand out most: level and plumb offsets of what lies far apart tell a turn several times
as well as a tilt.
"""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import chdtri

from zirkel.core.arrays import Array, Flags
from zirkel.core.network.adjust import Adjustment, place_looseness
from zirkel.core.network.candidates import Candidates, all_candidates, prior_cofactor, row
from zirkel.core.network.sigmas import sigma_of
from zirkel.core.network.what_next import Suggestion, suggestion
from zirkel.core.sightings import Sighting

NEARER, TURNED = 0.03, float(np.radians(2.0))
"""Changes by which readings are compared: a share of the distance, and a turn."""

NATURAL = 0.02
"""By which share a take drifts that was taken at the same place (one standard deviation)."""

SIZE, TURN = 0, 1

MOST = 4
FALSE_ALARMS = 0.03
HELD = 1e-6
QUARTER = np.array([[0.0, -1.0], [1.0, 0.0]])


@dataclass(frozen=True, slots=True)
class SamePlace:
    """What control readings say: whether the place is the same, by which share all looks larger and
    by how many degrees turned (clockwise), each with its sd; how far the readings stand off, as
    chi-squared of two, and from where on that is told."""

    same: bool
    larger: float
    larger_sd: float
    turned_deg: float
    turned_sd_deg: float
    stands_off: float
    told_from: float


def controls(
    adjusted: Adjustment,
    unseen: Collection[str] = (),
    count: int = MOST,
    cofactor: Array | None = None,
    held: Flags | None = None,
) -> tuple[Suggestion, ...]:
    """The readings that tell soonest, at most `count`; none where nothing is held well enough. Of a
    time to come `cofactor` (2n + t, 2n + t) is what will be known, `held` (n,) what stands."""
    if held is None:
        held = np.linalg.eigvalsh(place_looseness(adjusted))[:, 1] < HELD
    if cofactor is None:
        cofactor = prior_cofactor(adjusted)
    every = all_candidates(adjusted, unseen, again=True)
    i, j = every.pair.T
    candidates = every.only(np.flatnonzero(held[i] & held[j]))
    size = len(candidates.sigma)
    if not size:
        return ()
    h = _signs(adjusted, candidates)
    chosen: list[int] = []
    rows: list[Array] = []
    used: set[tuple[int, int]] = set()
    while len(chosen) < min(count, size):
        best, most = None, -1.0
        way = SIZE if len(chosen) % 2 else TURN
        reach = [cofactor @ each for each in rows]
        for number in _promising(h, candidates, chosen):
            pair = (int(candidates.pair[number, 0]), int(candidates.pair[number, 1]))
            if pair in used:
                continue
            told = _told(candidates, h, cofactor, [*chosen, number], rows, reach)[way]
            if told > most:
                best, most = number, told
        if best is None:
            break
        chosen.append(best)
        used.add((int(candidates.pair[best, 0]), int(candidates.pair[best, 1])))
        rows.append(row(candidates, best, len(cofactor)))
    return tuple(suggestion(adjusted, candidates, cofactor, each, 0.0) for each in chosen)


def _signs(adjusted: Adjustment, candidates: Candidates) -> Array:
    """(c, 2) how each reading changes with the two changes that matter."""
    i, j = candidates.pair.T
    d = adjusted.places[j] - adjusted.places[i]
    g = candidates.slope
    return np.column_stack(
        [NEARER * (g * d).sum(axis=1), TURNED * (g * (d @ QUARTER.T)).sum(axis=1)]
    )


MOST_TRIED = 120


def _promising(h: Array, candidates: Candidates, chosen: Sequence[int]) -> list[int]:
    """Candidates that show either change most against their own error."""
    clear = np.abs(h) / candidates.sigma[:, None]
    tried = np.union1d(*(np.argsort(-clear[:, k])[:MOST_TRIED] for k in (0, 1)))
    return [int(each) for each in tried if each not in chosen]


def _told(
    candidates: Candidates, h: Array, cofactor: Array, numbers: list[int], rows: list[Array],
    reach: list[Array],
) -> tuple[float, float]:  # fmt: skip
    """By how much each of the two changes stands out: the non-centrality of the test."""
    last = row(candidates, numbers[-1], len(cofactor))
    k = len(numbers)
    s = np.empty((k, k))
    every = [*rows, last]
    for a, ra in enumerate([*reach, cofactor @ last]):
        for b in range(k):
            s[a, b] = float(ra @ every[b])
    s += np.diag(candidates.sigma[numbers] ** 2)
    s += (NATURAL / NEARER) ** 2 * np.outer(h[numbers, SIZE], h[numbers, SIZE])
    known = h[numbers].T @ np.linalg.solve(s, h[numbers])
    return float(known[SIZE, SIZE]), float(known[TURN, TURN])


def same_place(adjusted: Adjustment, readings: Sequence[Sighting]) -> SamePlace:
    """What control readings say, taken after the break and not part of the adjustment."""
    net = adjusted.network
    cofactor = prior_cofactor(adjusted)
    k, width = len(readings), len(cofactor)
    rows, v, sigma, h = np.zeros((k, width)), np.zeros(k), np.zeros(k), np.zeros((k, 2))
    for number, each in enumerate(readings):
        i, j = (net.index[name] for name in each.landmarks)
        p = adjusted.places[[i, j]][None]
        columns = type(each).columns([each], p)
        made = type(each).equation(columns, p, np.zeros(1))
        v[number] = float(type(each).misfit(columns.reading - made.fitted)[0])
        g = made.by_place[0, 1]
        rows[number, 2 * i : 2 * i + 2], rows[number, 2 * j : 2 * j + 2] = -g, g
        sigma[number] = each.inside * sigma_of(each, net.study)
        d = p[0, 1] - p[0, 0]
        h[number] = g @ d, g @ QUARTER @ d
    s = rows @ cofactor @ rows.T + np.diag(sigma**2)
    s += NATURAL**2 * np.outer(h[:, SIZE], h[:, SIZE])
    solved = np.linalg.solve(s, np.column_stack([h, v]))
    known = h.T @ solved[:, :2] + 1e-12 * np.eye(2)
    covariance = np.linalg.inv(known)
    change = covariance @ (h.T @ solved[:, 2])
    stands_off = float(change @ known @ change)
    told_from = float(chdtri(min(2, k), FALSE_ALARMS))
    return SamePlace(
        stands_off <= told_from, float(change[0]), float(covariance[0, 0] ** 0.5),
        float(np.degrees(change[1])), float(np.degrees(covariance[1, 1] ** 0.5)),
        stands_off, told_from,
    )  # fmt: skip
