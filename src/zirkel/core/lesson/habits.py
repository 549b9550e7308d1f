"""What a class made of one scene: how near each came, and which habits their readings show.

A habit is told of a pupil's readings of one kind against the truth: the weighted mean error of at
least `FEWEST` of them, slips taken out by their median, where it is more than both what matters and
two and a half times its own standard deviation (four kinds are looked at, for each of a class).
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.sightings import Sighting
from zirkel.core.simulation.observer import true_value

FEWEST = 4
SURE_SDS = 2.5
SLIP_SDS = 4.0
"""Errors beyond which a reading is a slip, in its own standard deviations."""

SCALE = 1.4826
"""Standard deviation over the median of absolute deviations, for a normal error."""


@dataclass(frozen=True, slots=True)
class Sort:
    """Readings that share an error: from which mean on it matters, and what it is called when it is
    more than that, and when it is less."""

    least: float
    more: str
    less: str
    relative: bool = False


SORTS: Mapping[str, Sort] = {
    "span": Sort(0.02, "long", "short", relative=True),
    "tilt": Sort(1.5, "clockwise", "anticlockwise"),
    "drop": Sort(0.03, "plumb_right", "plumb_left"),
    "level": Sort(0.03, "level_low", "level_high"),
}
"""By kind of reading: relative errors of lengths, degrees, units."""

SLIPS = "slips"

FEWEST_PUPILS, SHARE = 3, 1.0 / 3.0
"""Pupils, and more than which share of those who read, from which a habit is the class's."""


def is_common(sharing: int, reading: int) -> bool:
    """Whether so many of so many pupils share a habit enough to call it common."""
    return sharing >= FEWEST_PUPILS and sharing > SHARE * reading


QUIET_MIN, LEFT_MIN, REFUSED = 3.0, 60.0, 3
"""Minutes without anything done after which a pupil who is there may be stuck, and after which the
room was left; how many refusals in a row say so too."""


def is_quiet(minutes: float, here: bool, done: bool) -> bool:
    """Whether a pupil who is there and not done has not come on for too long."""
    return here and not done and QUIET_MIN <= minutes < LEFT_MIN


@dataclass(frozen=True, slots=True)
class Habit:
    """What a pupil's readings have in common: which, by how much (a share, degrees, units; for
    slips how many), out of how many readings."""

    habit: str
    amount: float
    readings: int


def errors(readings: Sequence[Sighting], truth: Mapping[str, Array], sort: Sort) -> Array:
    """(n, 2) the errors of readings of one kind, and what each is said to err by."""
    found = []
    for each in readings:
        true = true_value(each, truth)
        off, sigma = each.value - true, each.sigma or each.default_sigma(in_mm=False)
        if each.period is not None:
            period = each.period / each.inside
            off = (off + period / 2.0) % period - period / 2.0
        if sort.relative:
            if abs(true) < 1e-6:
                continue
            off, sigma = off / abs(true), sigma / abs(true)
        found.append((off, sigma))
    return np.array(found, dtype=float).reshape(-1, 2)


def habits(readings: Sequence[Sighting], truth: Mapping[str, Array]) -> tuple[Habit, ...]:
    """The habits that the readings show, and how many slips."""
    told: list[Habit] = []
    slips, read = 0, 0
    for kind, sort in SORTS.items():
        own = [
            each for each in readings
            if each.kind == kind and not each.struck and each.value_field is not None
            and set(each.landmarks) <= truth.keys()
        ]  # fmt: skip
        found = errors(own, truth, sort)
        if len(found) == 0:
            continue
        off, sigma = found.T
        middle = float(np.median(off))
        apart = np.abs(off - middle)
        spread = np.maximum(sigma, SCALE * float(np.median(apart)))
        kept = apart <= SLIP_SDS * spread
        count = int(kept.sum())
        slips, read = slips + len(off) - count, read + len(off)
        if count < FEWEST:
            continue
        mean, sd = _weighted(off[kept], sigma[kept])
        if abs(mean) > max(sort.least, SURE_SDS * sd):
            told.append(Habit(sort.more if mean > 0 else sort.less, abs(mean), count))
    if slips:
        told.append(Habit(SLIPS, float(slips), read))
    return tuple(told)


def _weighted(off: Array, sigma: Array) -> tuple[float, float]:
    """Mean error by the weight of each reading, and its standard deviation: by what readings are
    said to err by, or by their scatter where that is more."""
    weight = 1.0 / sigma**2
    mean = float((weight * off).sum() / weight.sum())
    scatter = float((weight * (off - mean) ** 2).sum()) / (len(off) - 1)
    return mean, math.sqrt(max(scatter, 1.0) / float(weight.sum()))


def drawn_near(drawn: Mapping[str, Array], truth: Mapping[str, Array]) -> float | None:
    """The same of marks on a sheet, in millimetres, laid over the truth at the place, the turn and
    the size that fit best: how near the proportions are."""
    names = [name for name in drawn if name in truth]
    if len(names) < 3:
        return None
    marks = np.array([drawn[name] for name in names])
    true = np.array([truth[name] for name in names])
    middle = marks.mean(axis=0)
    z = (marks - middle) @ np.array([1.0, 1j])
    aim = (true - true.mean(axis=0)) @ np.array([1.0, 1j])
    spread = float((abs(z) ** 2).sum())
    if spread <= 0.0:
        return None
    turned = z * (z.conj() @ aim) / spread + true.mean(axis=0) @ np.array([1.0, 1j])
    places = dict(zip(names, np.column_stack([turned.real, turned.imag]), strict=True))
    return near(places, truth)


def near(places: Mapping[str, Array], truth: Mapping[str, Array]) -> float | None:
    """Root mean square distance of places from where they truly are, as a share of the true height
    (of the width where that is larger); None where fewer than three are known."""
    both = [name for name in places if name in truth]
    if len(both) < 3:
        return None
    true = np.array([truth[name] for name in both])
    size = float(np.ptp(np.array(list(truth.values())), axis=0).max())
    off = np.array([places[name] for name in both]) - true
    return float(np.sqrt((off**2).sum(axis=1).mean())) / size if size > 0.0 else None
