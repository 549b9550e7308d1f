"""Where landmarks sit on the drawing, from whatever was measured of it: a network of its own.

Places marked on a photograph or in the file, lengths ruled from the sheet's edges, from the drawn
plumb line or from landmark to landmark, ratios and tilts sighted on the drawing: all are readings
in one network counted in millimetres, adjusted as those of the subject are. Every landmark also has
its planned place as a reading so weak that it says nothing where anything else does: so any mixture
has a solution, and what was not measured has a standard deviation as large as the sheet.

Lengths sighted with the stick are counted in the unit as it was drawn, of which only its ends are
known: two auxiliary lengths, one level and one upright, are tied to it and carry the count.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.drawn import Ruled
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.network.solve import solve
from zirkel.core.sheet.plan import Plan
from zirkel.core.sightings import Drop, Level, Match, Sighting, Span
from zirkel.core.study import Landmark, Study, UnitLength, UnitPair

CORNER, UPRIGHT, ACROSS, PLUMB = "\ncorner", "\nupright", "\nacross", "\nplumb"
"""Auxiliary points: no landmark can be called so."""

RULED_SIGMA_MM, RULED_SHARE = 0.7, 0.003
"""One standard deviation of a ruled length: reading the ruler, and laying it."""

TIED = 1e-4
LEAST_AFLOAT = 3
KNOWN_MM = 25.0
"""A place less sure than this was not measured."""


@dataclass(frozen=True, slots=True)
class Measured:
    """n landmarks: places (n, 2) and their covariance (2n, 2n) in mm, how sure each is (n,), and
    measures that the others contradict: their id and what the others make of it."""

    ids: tuple[str, ...]
    places: Array
    covariance: Array
    sd: Array
    doubts: tuple[tuple[str, float], ...] = ()
    afloat: bool = False
    """Whether nothing ruled says where on the sheet the drawing is: it can only agree with itself.
    `sd` is then that of a place against the others."""

    def known(self, number: int) -> bool:
        """Whether so numbered a landmark was measured both ways."""
        return bool(self.sd[number] < KNOWN_MM)


def measured(study: Study, plan: Plan) -> Measured | None:
    """All that was measured of the drawing; None where nothing was, or nothing is planned."""
    if plan.unit_mm is None:
        return None
    names = _named(study)
    ids = tuple(each.id for each in study.landmarks if each.id in names and each.id in plan.marks)
    if not ids:
        return None
    if not study.ruled and not study.resighted:
        places = np.array([study.drawn[name] for name in ids], dtype=float)
        sigma = study.drawn_sigma_mm
        sd = np.full(len(ids), sigma)
        return Measured(ids, places, sigma**2 * np.eye(2 * len(ids)), sd)
    return _adjusted(study, plan, ids)


def _named(study: Study) -> set[str]:
    held = set(study.drawn)
    for each in study.ruled:
        held |= {each.landmark} | ({each.start} if each.start else set())
    for sighting in study.resighted:
        if not sighting.struck and sighting.holds:
            held |= set(sighting.landmarks)
            held |= set(_ends(study.unit))
    return held


def _ends(unit: object) -> tuple[str, ...]:
    return (unit.start, unit.end) if isinstance(unit, UnitPair) else ()


def _adjusted(study: Study, plan: Plan, ids: tuple[str, ...]) -> Measured:
    """The network of the drawing, solved."""
    unit_mm = plan.unit_mm or 1.0
    marks = {name: (plan.marks[name].held_left_mm, plan.marks[name].held_top_mm) for name in ids}
    sheet = study.sheet
    aids = {
        CORNER: (0.0, 0.0),
        UPRIGHT: (0.0, unit_mm),
        ACROSS: (unit_mm, 0.0),
        PLUMB: (sheet.width_mm / 2, 0.0),
    }
    weak = math.hypot(sheet.width_mm, sheet.height_mm)
    readings: list[Sighting] = [*_aids(study, unit_mm, weak)]
    for name, at in marks.items():
        readings += _at(f"\nplan {name}", name, at, weak)
    for name in ids:
        if name in study.drawn:
            readings += _at(name, name, study.drawn[name], study.drawn_sigma_mm)
    readings += [_ruled(each, study) for each in study.ruled]
    for each in study.resighted:
        if not each.struck and each.holds:
            readings += _stick(each, study, unit_mm)
    starts = {**aids, **marks, **{n: study.drawn[n] for n in ids if n in study.drawn}}
    network = Study(
        title="The drawing",
        landmarks=tuple(Landmark(name, name, 1, at) for name, at in starts.items()),
        sightings=tuple(readings),
        unit=UnitLength(1.0, "mm", CORNER),
    )
    solution = solve(network)
    adjusted = solution.adjusted
    number = {name: i for i, name in enumerate(adjusted.network.ids)}
    at_rows = np.array([number[name] for name in ids])
    rows = (2 * at_rows[:, None] + np.arange(2)).ravel()
    covariance = prior_cofactor(adjusted)[np.ix_(rows, rows)]
    many = len(ids) >= LEAST_AFLOAT
    afloat = many and bool(
        np.sqrt(covariance[0::2, 0::2].mean() + covariance[1::2, 1::2].mean()) > KNOWN_MM
    )
    told = _against_each_other(covariance, adjusted.places[at_rows]) if afloat else covariance
    sd = np.sqrt(np.maximum(told.diagonal().reshape(-1, 2).max(axis=1), 0.0))
    own = {each.id for each in study.ruled} | {each.id for each in study.resighted}
    doubts = tuple((d.sighting, d.expected) for d in solution.doubts if d.sighting in own)
    return Measured(ids, adjusted.places[at_rows], covariance, sd, doubts, afloat)


def _against_each_other(covariance: Array, places: Array) -> Array:
    """The covariance without what all have in common: place and size."""
    common = place_and_size(places)
    out = np.eye(len(covariance)) - common @ np.linalg.pinv(common)
    made: Array = out @ covariance @ out
    return made


def place_and_size(places: Array) -> Array:
    """(2n, 3) how all coordinates change when the whole goes right, down, and grows."""
    made = np.zeros((2 * len(places), 3))
    made[0::2, 0] = 1.0
    made[1::2, 1] = 1.0
    made[:, 2] = (places - places.mean(axis=0)).ravel()
    return made


def _at(key: str, name: str, at: tuple[float, float], sigma: float) -> Iterator[Sighting]:
    """A place on the sheet as two readings from its corner."""
    yield Drop(id=f"\nx {key}", start=CORNER, end=name, offset=at[0], sigma=sigma)
    yield Level(id=f"\ny {key}", start=CORNER, end=name, offset=at[1], sigma=sigma)


def _aids(study: Study, unit_mm: float, weak: float) -> Iterator[Sighting]:
    """What ties the auxiliary points: the plumb line anywhere, two lengths as long as the unit."""
    width = study.sheet.width_mm
    yield Drop(id="\np1", start=CORNER, end=PLUMB, offset=width / 2, sigma=weak)
    yield Level(id="\np2", start=CORNER, end=PLUMB, offset=0.0, sigma=TIED)
    yield Drop(id="\nu1", start=CORNER, end=UPRIGHT, offset=0.0, sigma=TIED)
    yield Level(id="\nu2", start=CORNER, end=UPRIGHT, offset=unit_mm, sigma=weak)
    yield Level(id="\na1", start=CORNER, end=ACROSS, offset=0.0, sigma=TIED)
    yield Match(
        id="\na2", first=(CORNER, ACROSS), second=(CORNER, UPRIGHT), along="straight", ratio=1.0,
        sigma=TIED,
    )  # fmt: skip
    used = any(not each.struck and each.holds for each in study.resighted)
    if used and isinstance(study.unit, UnitPair):
        along = study.unit.along
        yield Match(
            id="\nu3", first=_pair(study.unit), second=_carrier(along), along=along, ratio=1.0,
            sigma=TIED,
        )  # fmt: skip


def _pair(unit: UnitPair) -> tuple[str, str]:
    return unit.start, unit.end


def _carrier(along: str) -> tuple[str, str]:
    """The auxiliary length that can be measured along that."""
    return CORNER, ACROSS if along == "level" else UPRIGHT


def _ruled(each: Ruled, study: Study) -> Sighting:
    """A ruled length as a reading in the drawing's network."""
    sigma = math.hypot(RULED_SIGMA_MM, RULED_SHARE * each.mm)
    if each.start is not None:
        if each.along == "straight":
            return Span(
                id=each.id, start=each.start, end=each.landmark, along="straight",
                units=max(abs(each.mm), 1e-3), sigma=sigma,
            )  # fmt: skip
        kind = Drop if each.along == "level" else Level
        return kind(id=each.id, start=each.start, end=each.landmark, offset=each.mm, sigma=sigma)
    if each.side == "plumb":
        return Drop(id=each.id, start=PLUMB, end=each.landmark, offset=each.mm, sigma=sigma)
    across = each.side in ("left", "right")
    far = {"right": study.sheet.width_mm, "bottom": study.sheet.height_mm}.get(each.side or "")
    offset = each.mm if far is None else far - each.mm
    kind = Drop if across else Level
    return kind(id=each.id, start=CORNER, end=each.landmark, offset=offset, sigma=sigma)


def _stick(each: Sighting, study: Study, unit_mm: float) -> Iterator[Sighting]:
    """A sighting of the drawing as readings in its network."""
    if isinstance(study.unit, UnitLength):
        yield _without_take(each)
    elif isinstance(each, Span):
        sigma = each.sigma or each.default_sigma(False)
        ends = (each.start, each.end)
        yield from _counted(each.id, ends, each.along, each.units, sigma, unit_mm)
    elif isinstance(each, Drop | Level):
        sigma = each.sigma or each.default_sigma(False)
        along = "level" if isinstance(each, Drop) else "plumb"
        ends = (each.start, each.end)
        yield from _counted(each.id, ends, along, each.offset, sigma, unit_mm)
    else:
        in_units = each.kind == "run"
        given = (each.sigma or each.default_sigma(False)) * unit_mm if in_units else each.sigma
        yield replace(each, sigma=given)


def _counted(
    key: str, ends: tuple[str, str], along: str, units: float, sigma: float, unit_mm: float
) -> Iterator[Sighting]:
    """So many drawn units from one end to the other."""
    if units:
        yield Match(
            id=key, first=ends, second=_carrier(along), along=along, ratio=abs(units), sigma=sigma
        )
        return
    kind = Drop if along == "level" else Level
    yield kind(id=key, start=ends[0], end=ends[1], offset=0.0, sigma=sigma * unit_mm)


def _without_take(each: Sighting) -> Sighting:
    return replace(each, take=None) if hasattr(each, "take") else each  # type: ignore[call-arg]


def by_name(found: Measured) -> Mapping[str, tuple[float, float]]:
    """Places of the landmarks that were measured both ways."""
    return {
        name: (float(x), float(y))
        for i, (name, (x, y)) in enumerate(zip(found.ids, found.places, strict=True))
        if found.known(i)
    }
