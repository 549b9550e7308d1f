"""What fits into the time of a sitting: its stages, and which readings bring the drawing furthest.

The order of `what_next` follows how an artist works when there is time: one landmark after the
other is tied down. A sitting ends: first the large shapes have to stand, all together, as surely as
a block-in needs, then the middle ones, then detail; with time left the large ones are refined
again. With Q the covariance of the unknowns, in loose directions what a tapped thumbnail is usually
worth, the reading is taken that leaves the least tr(M Q), M being one on the coordinates of the
tier at hand and zero on all others; then Q is brought up to date and the next chosen. A pair of
readings that only together tie a landmark is found too, since the thumbnail holds every direction a
little. A tier is done when none of its landmarks is loose and its coordinates are sure to
`ENOUGH` of the height, root mean square, or when no reading brings it anything worth its seconds.

What is expected is the root mean square standard deviation over the coordinates of the large
shapes, times the scatter of the readings so far.
"""

from __future__ import annotations

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime

import numpy as np

from zirkel.core.arrays import Array, Flags
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

ENOUGH = 1.0 / 50.0
"""How sure a block-in's landmarks have to be, as a share of the height of all."""

TO_HOLD = 2
"""Readings that hold a landmark. With so many left for each that is loose, those go first: once the
large shapes stand, nothing is left loose that there is time to hold."""

IN_THE_END = {1: 4.0, 2: 2.0, 3: 1.0}
"""What the coordinates of each tier weigh once all are done."""

SHORT_LIST, LOOKED_AGAIN = 600, 25
"""Candidates that are ranked after each reading, and after how many all are again."""

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
    expected of the large shapes' coordinates then, in units, and what it is now; which landmarks
    will be loose still, of whatever tier."""

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
        shares = usual_shares(study, minutes)
    total = sum(shares.values())
    return tuple(Stage(name, minutes * share / total) for name, share in shares.items())


def usual_shares(study: Study, minutes: float) -> dict[str, float]:
    """Stages and their usual shares of so much time; what is done already has none: a drawing that
    stands on its sheet isn't framed anew."""
    shares = dict(SHORT if minutes <= SHORT_MINUTES else LONG)
    begun = bool(study.drawn or study.checks)
    if study.frame is not None or begun:
        shares.pop("frame", None)
    if begun:
        shares.pop("envelope", None)
    if study.tone_areas and minutes > SHORT_MINUTES:
        shares["tone"] = TONE
    return shares


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
    enough: float | None = None,
    most: int | None = None,
) -> SittingPlan:
    """The plan for so many minutes, parted by the artist's `own` shares if there are some; `enough`
    is how sure landmarks have to be, in units, where the artist says so, and `most` how many
    readings are not too many."""
    stages = stages_of(minutes, adjusted.network.study, own)
    sighting = next((each.minutes for each in stages if each.stage == "sight"), 0.0)
    count = math.floor(sighting * 60.0 / seconds_per_reading + 1e-9)
    if most is not None:
        count = min(count, most)
    return plan_readings(adjusted, count, stages, seconds_per_reading, scatter, unseen, enough)


def plan_readings(
    adjusted: Adjustment,
    count: int,
    stages: Sequence[Stage] = (),
    seconds_per_reading: float = SECONDS_PER_READING,
    scatter: float = 1.0,
    unseen: Collection[str] = (),
    enough: float | None = None,
) -> SittingPlan:
    """The plan for so many readings."""
    course = Course(adjusted, unseen, enough)
    before = course.large_sd
    chosen = course.taken(count)
    return SittingPlan(
        tuple(stages), chosen, scatter * course.large_sd, scatter * before, course.loose,
        seconds_per_reading,
    )  # fmt: skip


class Course:
    """Readings chosen one after the other, as if each were taken."""

    def __init__(
        self, adjusted: Adjustment, unseen: Collection[str] = (), enough: float | None = None
    ) -> None:
        net = adjusted.network
        self._adjusted, self._n = adjusted, len(net.ids)
        self._known = as_tapped(adjusted)
        self._now, take = in_the_take_at_hand(adjusted, self._known)
        self._anywhere, _ = in_the_take_at_hand(adjusted, with_thumbnail(adjusted, ANYWHERE))
        tiers = np.array([each.tier for each in net.study.landmarks], dtype=int)
        if not (tiers == 1).any():
            tiers[:] = 1
        self._tiers = tiers
        self._to_do = [tier for tier in (1, 2, 3) if (tiers == tier).any()]
        height = float(np.ptp(adjusted.places[:, 1])) if self._n else 0.0
        self._enough = ENOUGH * height if enough is None else enough
        self._begun = self._n > 1 and net.study.unit is not None
        if self._begun:
            self._plain = all_candidates(adjusted, unseen)
            self._candidates = self._plain.in_take(take)
            self._free = np.ones(len(self._candidates.sigma), dtype=bool)
            self._looked_at = np.empty(0, dtype=int)
            self._since = LOOKED_AGAIN

    @property
    def cofactor(self) -> Array:
        """(2n + t, 2n + t) covariance of places and drifts by then."""
        size = len(self._known)
        return self._now[:size, :size]

    @property
    def large_sd(self) -> float:
        """Root mean square standard deviation over the large shapes' coordinates, in units."""
        return _rms(self._now, self._weights({1: 1.0}))

    @property
    def held(self) -> Flags:
        """(n,) which landmarks nothing leaves loose any more."""
        return _spread(self._anywhere, self._n) <= LOOSE_FROM**2

    @property
    def loose(self) -> tuple[str, ...]:
        """Which landmarks are loose still, the large ones first."""
        loose = np.flatnonzero(~self.held)
        order = sorted(loose, key=lambda i: (int(self._tiers[i]), int(i)))
        return tuple(self._adjusted.network.ids[i] for i in order)

    def taken(self, count: int) -> tuple[Suggestion, ...]:
        """The next so many; once everything has been read, all of it again from another look."""
        chosen: list[Suggestion] = []
        while self._begun and len(chosen) < count and len(self._free):
            step("planning the sitting")
            if not self._free.any():
                self._free[:] = True
                self._since = LOOKED_AGAIN
            pressing = self._tier != 1 and TO_HOLD * (~self.held).sum() >= count - len(chosen)
            if pressing and not self.held.all():
                weights = np.zeros(len(self._now))
                weights[: 2 * self._n] = np.repeat(~self.held, 2)
            else:
                weights = self._weights({self._tier: 1.0} if self._tier else IN_THE_END)
            best, share = self._best(weights)
            if self._tier and not pressing and (share < LEAST_GAIN or self._stands(self._tier)):
                self._to_do.pop(0)
                self._since = LOOKED_AGAIN
                continue
            made = suggestion(self._adjusted, self._plain, self._known, best, share)
            chosen.append(made)
            self._take(best)
        return tuple(chosen)

    @property
    def _tier(self) -> int | None:
        """The tier at hand; None once all are done."""
        return self._to_do[0] if self._to_do else None

    def _weights(self, of: Mapping[int, float]) -> Array:
        weights = np.zeros(len(self._now))
        own = [of.get(int(tier), 0.0) for tier in self._tiers]
        weights[: 2 * self._n] = np.repeat(own, 2)
        return weights

    def _stands(self, tier: int) -> bool:
        """Whether the landmarks of a tier are all held, and sure enough."""
        own = self._tiers == tier
        if not self.held[own].all():
            return False
        return _rms(self._now, self._weights({tier: 1.0})) <= self._enough

    def _best(self, weights: Array) -> tuple[int, float]:
        """The candidate that takes most, and the share that it takes. Most of them are ranked only
        now and then: what was far behind a few readings ago is not first now."""
        total = max(float(weights @ self._now.diagonal()), 1e-300)
        if self._since >= LOOKED_AGAIN or not self._free[self._looked_at].any():
            gain = gains_of(self._candidates, self._now, weights)
            open_ = np.flatnonzero(self._free)
            self._looked_at = open_[np.argsort(-gain[open_], kind="stable")[:SHORT_LIST]]
            self._since = 0
        few = self._looked_at[self._free[self._looked_at]]
        gain = gains_of(self._candidates.only(few), self._now, weights)
        best = int(np.argmax(gain))
        return int(few[best]), float(gain[best]) / total

    def _take(self, number: int) -> None:
        a, sigma = row(self._candidates, number, len(self._now)), self._candidates.sigma[number]
        self._now = with_reading(self._now, a, float(sigma))
        self._anywhere = with_reading(self._anywhere, a, float(sigma))
        self._free[number] = False
        self._since += 1


def large_shapes_sd(adjusted: Adjustment) -> float:
    """How sure the large shapes are now: the root mean square standard deviation over their
    landmarks' coordinates, in units."""
    return Course(adjusted).large_sd


def _rms(cofactor: Array, weights: Array) -> float:
    """Root mean square standard deviation over the weighted coordinates."""
    return float(np.sqrt(weights @ cofactor.diagonal() / max(float(weights.sum()), 1.0)))


def _spread(cofactor: Array, n: int) -> Array:
    """(n,) largest variance of each landmark in any direction."""
    each = np.arange(n)
    own = cofactor[: 2 * n, : 2 * n].reshape(n, 2, n, 2)[each, :, each, :]
    return np.asarray(np.linalg.eigvalsh(own)[:, 1], dtype=float)
