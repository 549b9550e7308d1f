"""A real subject's truth: a photograph from the eye's own place, and what it says of the hand.

The landmarks tapped on the photograph are pixels; the lens is straightened where an edge that is
straight in reality was tapped along. Size, place and turn of the photograph are free.

*Where they truly are.* With q the pixels and x the solved places with covariance C, the similarity
a q + b q' + t (q' is q turned by a right angle) that fits best, weighed by C and by what the
photograph itself errs, lays the photograph over the block-in.

*What the hand does.* A reading r of a length is short by a share common to all, and by its take's
drift; a tilt leans by so much. With p(u) what the readings would be at the photograph's places, in
its own units of the subject's, turned by phi,

    r = p(phi, beta + drift of the take) + tau [tilts] + e,

linearized in u = (phi, beta, tau, drifts), by Gauss-Newton steps; beyond two sigmas a misfit counts
for less (P. Huber 1964). What the photograph errs (a click, and an eye that stood elsewhere by a
few hundredths of the distance) goes into each reading's sigma, and once more into beta, since the
unit is a length on the photograph as well.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.optimize import brentq, minimize_scalar

from zirkel.core.arrays import Array
from zirkel.core.check.photograph import unbent
from zirkel.core.drawn import SubjectPhotograph
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.network.sigmas import COUNTED, rounding, sigma_of
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study, UnitLength, UnitPair

LEAST = 5
"""Landmarks without which a photograph tells too little."""

CLICK_PX, PARALLAX, PARALLAX_DEG = 1.5, 0.01, 0.4
"""What a tap errs each way, and what lengths and tilts do on a photograph that was taken as far off
as the eye was, but not from quite the same place."""

TURN_SD, SHORT_SD, LEAN_SD, DRIFT_SD = math.radians(3.0), 0.1, math.radians(5.0), 0.02
"""What is believed of camera and hand before any reading."""

ROUNDS, STEP, HUBER = 8, 1e-5, 2.0
SURE = 2.5
"""Standard deviations from which a leaning is told: nothing is claimed of an honest hand."""

LARGEST_BEND = 0.3
FEWEST_OF_A_KIND = 8
FINEST, ROUGHEST = 0.25, 6.0
"""Factors on a kind's usual sigma that are believed of anybody."""

MEDIAN_SD = 1.17
"""Relative standard deviation, times the root of their number, of a scatter told by the median of
what n readings are off (P. J. Rousseeuw, C. Croux 1993: 37 % efficient)."""


@dataclass(frozen=True, slots=True)
class Leaning:
    """How much, one standard deviation of it, and whether that is sure enough to be told."""

    value: float
    sd: float

    @property
    def told(self) -> bool:
        """Whether it is more than its own error."""
        return abs(self.value) > SURE * self.sd


@dataclass(frozen=True, slots=True)
class RealHand:
    """What the readings do against the photograph: lengths too long (+) or short (-), a share;
    tilts turned clockwise (+), degrees; each take's drift, a share; and by kind, how many times
    what is usual readings err by, rounding and photograph apart, with how many there are."""

    length: Leaning
    tilt: Leaning | None
    takes: Mapping[str, Leaning]
    trust: Mapping[str, tuple[float, int]]


@dataclass(frozen=True, slots=True)
class TruePlaces:
    """Places (2,) in units by landmark, laid over the block-in; the lens's bend; the hand."""

    places: Mapping[str, Array]
    bend: float
    hand: RealHand | None


def true_places(study: Study, adjusted: Adjustment, loose: frozenset[str]) -> TruePlaces | None:
    """The truth by the study's photograph; None where too little was tapped on it."""
    photograph = study.subject_photograph
    index = adjusted.network.index
    held = [n for n in study.photographed if n in index and n not in loose]
    if photograph is None or len(held) < LEAST:
        return None
    bend = bend_of(photograph)
    names = [name for name in study.photographed if name in index]
    q = _straight(photograph, [study.photographed[name] for name in names], bend)
    q = q - q.mean(axis=0)
    over = _laid_over(adjusted, names, q, held)
    return TruePlaces(
        dict(zip(names, over, strict=True)), bend, _hand(study, dict(zip(names, q, strict=True)))
    )


def bend_of(photograph: SubjectPhotograph) -> float:
    """The lens's bend that makes the tapped edge straight; 0 where too little was tapped."""
    if len(photograph.edge) < 4:
        return 0.0
    points = _straight(photograph, photograph.edge, 0.0) / _half(photograph)

    def scatter(bend: float) -> float:
        at = unbent(points, bend)
        return float(np.linalg.svd(at - at.mean(axis=0), compute_uv=False)[1])

    found = minimize_scalar(scatter, bounds=(-LARGEST_BEND, LARGEST_BEND), method="bounded")
    gained = scatter(0.0) ** 2 - float(found.fun) ** 2
    telling = gained > (SURE * CLICK_PX / _half(photograph)) ** 2
    return round(float(found.x), 4) if telling else 0.0


def _half(photograph: SubjectPhotograph) -> float:
    return math.hypot(photograph.width, photograph.height) / 2.0


def _straight(
    photograph: SubjectPhotograph, pixels: Sequence[tuple[float, float]], bend: float
) -> Array:
    """(k, 2) pixels from the picture's middle, as a straight lens would have them."""
    half = _half(photograph)
    middle = np.array([photograph.width, photograph.height]) / 2.0
    made: Array = half * unbent((np.array(pixels, dtype=float) - middle) / half, bend)
    return made


def _laid_over(adjusted: Adjustment, names: list[str], q: Array, held: list[str]) -> Array:
    """(k, 2) the photograph's places in the block-in's units."""
    rows = np.array([names.index(name) for name in held])
    at = np.array([adjusted.network.index[name] for name in held])
    x = adjusted.places[at]
    full = (2 * at[:, None] + np.arange(2)).ravel()
    extent = float(np.ptp(x, axis=0).max())
    own = (PARALLAX * extent) ** 2
    covariance = prior_cofactor(adjusted)[np.ix_(full, full)] + own * np.eye(2 * len(at))

    def design(p: Array) -> Array:
        turned = np.column_stack([-p[:, 1], p[:, 0]])
        ones = np.tile(np.eye(2), (len(p), 1))
        made: Array = np.column_stack([p.ravel(), turned.ravel(), ones])
        return made

    a = design(q[rows])
    weighed = np.linalg.solve(covariance, np.column_stack([a, x.ravel()]))
    fit = np.linalg.solve(a.T @ weighed[:, :4], a.T @ weighed[:, 4])
    made: Array = (design(q) @ fit).reshape(-1, 2)
    return made


def _hand(study: Study, q: Mapping[str, Array]) -> RealHand | None:
    """What the readings between landmarks of the photograph say of the hand."""
    unit = study.unit
    if not isinstance(unit, UnitPair) or not {unit.start, unit.end} <= q.keys():
        return None
    d = q[unit.end] - q[unit.start]
    size = {"level": abs(d[0]), "plumb": abs(d[1])}.get(unit.along, float(np.hypot(*d)))
    used = [
        each for each in study.sightings
        if not each.struck and each.holds and each.value_field and set(each.landmarks) <= q.keys()
        and len(each.landmarks) == 2
    ]  # fmt: skip
    if size < 1.0 or len(used) < LEAST:
        return None
    places = {name: np.asarray(at / size) for name, at in q.items()}
    click = CLICK_PX / size
    takes = tuple(dict.fromkeys(e.take_name for e in used if e.take_name is not None))
    tilts = np.array([each.kind == "tilt" for each in used])
    value = np.array([each.value * each.inside for each in used])
    usual = np.array([sigma_of(each, study) * each.inside for each in used])
    sigma = np.hypot(usual, [_photograph_errs(each, places, click) for each in used])
    prior = np.array([TURN_SD, SHORT_SD, LEAN_SD, *([DRIFT_SD] * len(takes))])

    def off(u: Array) -> Array:
        told = np.array([_told(each, places, u, takes) for each in used])
        raw = value - told - tilts * u[2]
        period = np.array([each.period or np.inf for each in used])
        folded = np.where(
            np.isfinite(period), raw - np.where(np.isfinite(period), period, 0.0)
            * np.round(raw / np.where(np.isfinite(period), period, 1.0)), raw,
        )  # fmt: skip
        made: Array = folded / sigma
        return made

    u = np.zeros(len(prior))
    covariance = np.diag(prior**2)
    for _ in range(ROUNDS):
        here = off(u)
        by = np.column_stack([(off(u + STEP * e) - here) / STEP for e in np.eye(len(u))])
        weight = HUBER / np.maximum(np.abs(here), HUBER)
        normal = (by * weight[:, None]).T @ by + np.diag(prior**-2.0)
        covariance = np.linalg.inv(normal)
        u = u - covariance @ (by.T @ (weight * here) + u / prior**2)
    left = off(u)
    sd = np.sqrt(covariance.diagonal())
    own = math.hypot(PARALLAX, math.sqrt(2.0) * click)
    return RealHand(
        Leaning(float(u[1]), math.hypot(float(sd[1]), own)),
        Leaning(math.degrees(u[2]), math.hypot(math.degrees(sd[2]), PARALLAX_DEG))
        if tilts.sum() >= LEAST
        else None,
        {name: Leaning(float(u[3 + i]), float(sd[3 + i])) for i, name in enumerate(takes)},
        _own_trust(study, used, left * sigma, places, click),
    )


def _own_trust(
    study: Study, used: list[Sighting], off: Array, places: Mapping[str, Array], click: float
) -> dict[str, tuple[float, int]]:
    """By kind, the factor on its usual sigma with which half the readings are off by less than the
    half of a normal one; a slip among them counts for little."""
    in_mm = isinstance(study.unit, UnitLength)
    made = {}
    for kind in sorted({each.kind for each in used}):
        own = [(each, e) for each, e in zip(used, off, strict=True)
               if each.kind == kind and each.sigma is None]  # fmt: skip
        if len(own) < FEWEST_OF_A_KIND:
            continue
        error = np.abs([e for _, e in own])
        read = np.array([each.default_sigma(in_mm) * each.inside for each, _ in own])
        steps = np.array([rounding(kind, study) * each.inside for each, _ in own])
        photo = np.array([_photograph_errs(each, places, click) for each, _ in own])
        most, least = (_factor(error, read, rest) for rest in (steps, np.hypot(steps, photo)))
        # What the photograph may err by makes nobody surer than is usual.
        made[kind] = max(least, min(most, 1.0)), len(own)
    return made


def _factor(error: Array, read: Array, rest: Array) -> float:
    def beyond(factor: float) -> float:
        return 1.4826 * float(np.median(error / np.hypot(factor * read, rest))) - 1.0

    if beyond(FINEST) <= 0.0:
        return FINEST
    return ROUGHEST if beyond(ROUGHEST) >= 0.0 else float(brentq(beyond, FINEST, ROUGHEST))


def _photograph_errs(reading: Sighting, places: Mapping[str, Array], click: float) -> float:
    d = places[reading.landmarks[1]] - places[reading.landmarks[0]]
    far = max(float(np.hypot(*d)), 1e-6)
    if reading.kind == "tilt":
        return math.hypot(math.radians(PARALLAX_DEG), math.sqrt(2.0) * click / far)
    return math.hypot(PARALLAX * far, math.sqrt(2.0) * click)


def _told(
    reading: Sighting, places: Mapping[str, Array], u: Array, takes: tuple[str, ...]
) -> float:
    """What the reading would be, in the unit computed with."""
    c, s = math.cos(u[0]), math.sin(u[0])
    turn = np.array([[c, -s], [s, c]])
    p = np.array([[turn @ places[name] for name in reading.landmarks]])
    drift = 0.0
    if reading.kind in COUNTED:
        drift = float(u[1])
        if reading.take_name is not None:
            drift += float(u[3 + takes.index(reading.take_name)])
    equation = type(reading).equation(type(reading).columns([reading], p), p, np.array([drift]))
    return float(equation.fitted[0])


def together(hands: Sequence[RealHand]) -> tuple[Leaning | None, Leaning | None]:
    """Length and tilt over several studies, each weighed by how sure it is."""
    return (
        _mean([each.length for each in hands]),
        _mean([each.tilt for each in hands if each.tilt is not None]),
    )


def trust_of(hands: Sequence[RealHand]) -> dict[str, float]:
    """By kind, how many times what is usual this hand errs by over several studies, where that is
    surely more, or less."""
    made = {}
    for kind in sorted({kind for each in hands for kind in each.trust}):
        found = [each.trust[kind] for each in hands if kind in each.trust]
        count = sum(many for _, many in found)
        middle = sum(many * math.log(factor) for factor, many in found) / count
        if abs(middle) > SURE * MEDIAN_SD / math.sqrt(count):
            made[kind] = math.exp(middle)
    return made


def _mean(found: Sequence[Leaning]) -> Leaning | None:
    if not found:
        return None
    weight = np.array([each.sd**-2.0 for each in found])
    value = float(weight @ [each.value for each in found] / weight.sum())
    return Leaning(value, float(weight.sum() ** -0.5))
