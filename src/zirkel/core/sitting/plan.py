"""What fits into the time of a sitting: its stages, and which readings make the large shapes as
sure as they can be.

The order of `what_next` follows how an artist works when there is time: one landmark after the
other is tied down. In a short pose only the large shapes count, all together. With Q the covariance
of the unknowns, in loose directions what a tapped thumbnail is usually worth, the reading is taken
that leaves the least tr(M Q), M being one on the coordinates of the tier-1 landmarks and zero on
all others; then Q is brought up to date and the next chosen. A pair of readings that only together
tie a landmark is found too, since the thumbnail holds every direction a little.

What is expected is the root mean square standard deviation over those coordinates, times the
scatter of the readings so far.
"""

from __future__ import annotations

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import (
    all_candidates,
    as_tapped,
    gains_of,
    row,
    with_reading,
    with_thumbnail,
)
from zirkel.core.network.what_next import Suggestion, in_the_take_at_hand, suggestion
from zirkel.core.patience import step
from zirkel.core.pose import STAGES
from zirkel.core.study import Study

SECONDS_PER_READING = 7.0
LEAST_GAIN = 1e-3
"""Share of the variance that is left by then from which a reading is worth its seconds."""

ANYWHERE, LOOSE_FROM = 1e4, 1e2
"""Where a landmark may lie that nothing holds, and from when on it counts as loose; in units, or in
mm where readings are."""

SHORT_MINUTES = 5.0
"""A pose in which nothing is done but to sight and to draw."""

SHORT = (("sight", 0.47), ("draw", 0.53))
LONG = (("frame", 0.08), ("envelope", 0.12), ("sight", 0.45), ("draw", 0.25), ("check", 0.10))
TONE = 0.35
"""Stages with their shares of the time; what tone takes of it once there are areas to compare."""

PAUSE_SECONDS = 60.0
"""What lies further apart than this was not one reading after the other."""

FEWEST_TIMES = 6


@dataclass(frozen=True, slots=True)
class Stage:
    """A stage of the sitting and its minutes."""

    stage: str
    minutes: float


@dataclass(frozen=True, slots=True)
class SittingPlan:
    """The stages; the readings in the order in which they are taken; the standard deviation to be
    expected of the large shapes' coordinates then, in units, and what it is now; which of their
    landmarks will be loose still."""

    stages: tuple[Stage, ...]
    sightings: tuple[Suggestion, ...]
    expected_sd: float
    sd_now: float
    left_loose: tuple[str, ...]
    seconds_per_reading: float


def stages_of(
    minutes: float, study: Study, own: Mapping[str, float] | None = None
) -> tuple[Stage, ...]:
    """The time parted into stages, by the artist's own shares where there are some; by the usual
    ones, what is done already needs none."""
    if own:
        shares = {stage: own[stage] for stage in STAGES if stage in own}
    else:
        shares = dict(SHORT if minutes <= SHORT_MINUTES else LONG)
        if study.frame is not None:
            shares.pop("frame", None)
        if study.tone_areas and minutes > SHORT_MINUTES:
            shares["tone"] = TONE
    total = sum(shares.values())
    return tuple(Stage(name, minutes * share / total) for name, share in shares.items())


def own_pace(study: Study) -> float | None:
    """Seconds from one reading to the next, the median of those that followed each other; None
    where too few have their times."""
    times = sorted(at for each in study.sightings if (at := _time(each.taken_at)) is not None)
    gaps = np.diff(np.array(times))
    own = gaps[(gaps > 0.0) & (gaps < PAUSE_SECONDS)]
    return float(np.median(own)) if len(own) >= FEWEST_TIMES else None


def _time(text: str | None) -> float | None:
    try:
        return None if text is None else datetime.fromisoformat(text).timestamp()
    except ValueError:
        return None


def plan_sitting(
    adjusted: Adjustment,
    minutes: float,
    seconds_per_reading: float = SECONDS_PER_READING,
    scatter: float = 1.0,
    unseen: Collection[str] = (),
    own: Mapping[str, float] | None = None,
) -> SittingPlan:
    """The plan for so many minutes, parted by the artist's `own` shares if there are some."""
    stages = stages_of(minutes, adjusted.network.study, own)
    sighting = next((each.minutes for each in stages if each.stage == "sight"), 0.0)
    count = math.floor(sighting * 60.0 / seconds_per_reading + 1e-9)
    return plan_readings(adjusted, count, stages, seconds_per_reading, scatter, unseen)


def plan_readings(
    adjusted: Adjustment,
    count: int,
    stages: Sequence[Stage] = (),
    seconds_per_reading: float = SECONDS_PER_READING,
    scatter: float = 1.0,
    unseen: Collection[str] = (),
) -> SittingPlan:
    """The plan for so many readings."""
    net = adjusted.network
    n = len(net.ids)
    known = as_tapped(adjusted)
    large = np.array([each.tier == 1 for each in net.study.landmarks], dtype=bool)
    if not large.any():
        large[:] = True
    now, take = in_the_take_at_hand(adjusted, known)
    anywhere, _ = in_the_take_at_hand(adjusted, with_thumbnail(adjusted, ANYWHERE))
    weights = np.zeros(len(now))
    weights[: 2 * n] = np.repeat(large, 2)
    before = _rms(now, weights)
    chosen: list[Suggestion] = []
    if n > 1 and net.study.unit is not None:
        plain = all_candidates(adjusted, unseen)
        candidates = plain.in_take(take)
        free = np.ones(len(candidates.sigma), dtype=bool)
        while len(chosen) < count and free.any():
            step("planning the sitting")
            total = max(float(weights @ now.diagonal()), 1e-300)
            gain = np.where(free, gains_of(candidates, now, weights), -1.0) / total
            best = int(np.argmax(gain))
            if gain[best] < LEAST_GAIN:
                break
            chosen.append(suggestion(adjusted, plain, known, best, float(gain[best])))
            a, sigma = row(candidates, best, len(now)), float(candidates.sigma[best])
            now, anywhere = with_reading(now, a, sigma), with_reading(anywhere, a, sigma)
            free[best] = False
    loose = _spread(anywhere, n) > LOOSE_FROM**2
    return SittingPlan(
        tuple(stages), tuple(chosen), scatter * _rms(now, weights), scatter * before,
        tuple(net.ids[i] for i in np.flatnonzero(loose & large)), seconds_per_reading,
    )  # fmt: skip


def large_shapes_sd(adjusted: Adjustment) -> float:
    """How sure the large shapes are now: the root mean square standard deviation over their
    landmarks' coordinates, in units."""
    return plan_readings(adjusted, 0).sd_now


def _rms(cofactor: Array, weights: Array) -> float:
    """Root mean square standard deviation over the weighted coordinates."""
    return float(np.sqrt(weights @ cofactor.diagonal() / max(float(weights.sum()), 1.0)))


def _spread(cofactor: Array, n: int) -> Array:
    """(n,) largest variance of each landmark in any direction."""
    each = np.arange(n)
    own = cofactor[: 2 * n, : 2 * n].reshape(n, 2, n, 2)[each, :, each, :]
    return np.asarray(np.linalg.eigvalsh(own)[:, 1], dtype=float)
