"""Choosing how each landmark is placed, so that the error carried along stays least.

Symbols: S is the joint covariance (2m, 2m) of the errors, in mm, of the m landmarks placed so
far, hand and all. A line towards a new landmark says g.e = g.e_Q + noise, with e_Q the error of
the landmark it starts from; two lines say G e = A e_placed + n, so that

    cov(e) = G^-1 (A S A' + N) G^-T,   bias = G^-1 b,

with N the noise of both and b what rounding costs. A spot says e = sum w_Q e_Q + n. The trouble
of a construction is the square root of its total variance and squared bias, plus its fuss: how
much error one accepts to be spared a step or a hard number. Tier by tier the landmark is placed
next that is least trouble, in the least troublesome way (a greedy tree, as R. Prim (1957) grows
one), and S grows by it. Lengths are reckoned from where the steps before really lead, so that
rounding does not add up.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from string import ascii_uppercase

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.sheet.recipe.manners import (
    FUSS,
    IN_SQUARE,
    STEP_MM,
    Lines,
    Spots,
    Way,
    length_lines,
    offset_lines,
    part_spots,
    pulled_lines,
    stepped_spots,
    straight_lines,
    tilt_lines,
)

CROSSING = np.sin(np.radians(30.0))
"""Two lines that cross at less than 30 degrees do not fix a place well."""

SECOND_STEP = 0.3
"""Fuss, in mm, of a second step."""

LOOKED_AT = 6
"""Landmarks of each sort that are looked at again after every placing."""

MOST_STARTS = 60
"""Landmarks placed before that are looked at as starting points."""

MANY = 150
"""Landmarks beyond which fewer are looked at, and looked at again."""

SHORT_LIST = 26
"""Lines of which all pairs are compared."""

EDGES = ("left", "top")

ALL_MANNERS = frozenset({"plumb", "level", "units", "strip", "tilt", "length", "part", "step"})


@dataclass(frozen=True, slots=True)
class Squares:
    """A grid on the sheet: its first corner and the side of its squares, in mm."""

    left_mm: float
    top_mm: float
    square_mm: float

    def place(self, left_mm: float, top_mm: float) -> tuple[str, float, float]:
        """The label of a place's square, and the shares of it across and down."""
        x = (left_mm - self.left_mm) / self.square_mm
        y = (top_mm - self.top_mm) / self.square_mm
        column, row = max(math.floor(x + 1e-6), 0), max(math.floor(y + 1e-6), 0)
        return f"{ascii_uppercase[min(column, 25)]}{row + 1}", x - column, y - row


@dataclass(frozen=True, slots=True)
class Step:
    """One step of the hand. `manner` is edge, square, pull, plumb, level, tilt, length, part, down
    or across; `via` the landmarks it starts from; `value` mm (right and down positive), degrees or
    a share; `units` the same counted in units, where it is."""

    manner: str
    via: tuple[str, ...]
    value: float
    units: float | None = None


@dataclass(frozen=True, slots=True)
class Construction:
    """How one landmark is placed: its steps, where they lead, and the error to expect, in mm."""

    landmark: str
    tier: int
    steps: tuple[Step, ...]
    place: tuple[float, float]
    sd_mm: float
    off_mm: float
    """How far where the steps lead lies from the plan, by rounding."""


@dataclass(frozen=True, slots=True)
class Recipe:
    """All constructions in the order of placing."""

    constructions: tuple[Construction, ...]

    @property
    def steps_each(self) -> float:
        """Steps per landmark."""
        steps = sum(len(each.steps) for each in self.constructions)
        return steps / max(len(self.constructions), 1)


@dataclass(frozen=True, slots=True)
class _Choice:
    trouble: float
    steps: tuple[tuple[str, tuple[int, ...], float, float | None], ...]
    weights: Array
    noise: Array
    bias: Array


def make_recipe(
    marks: Mapping[str, Sequence[float]],
    tiers: Mapping[str, int],
    unit_mm: float | None,
    manners: frozenset[str] = ALL_MANNERS,
    anchor: str | None = None,
    squares: Squares | None = None,
    step_mm: float = 1.0,
) -> Recipe:
    """The recipe for marks (left, top) in mm; the anchor is set off from the sheet's edges, and is
    the most central of the large shapes' landmarks unless another is named.

    `manners` are those a school allows: plumb, level, tilt, length, part, step, and what lengths
    are counted by, units or strip; pull for heights that come straight from the subject, edge for
    places measured from the sheet's edges, square for places in the `squares` of a grid. Lengths
    set off with a rule are said to multiples of `step_mm`.
    """
    if not marks:
        return Recipe(())
    anchor = anchor or _central(marks, tiers)
    first = np.array(marks[anchor], dtype=float)
    said = np.round(first / step_mm) * step_mm
    way = Way(unit_mm, step_mm)
    placed, names = [said], [anchor]
    room = np.zeros((2 * len(marks), 2 * len(marks)))
    room[:2, :2] = np.eye(2) * STEP_MM**2
    made = [
        Construction(
            anchor,
            tiers[anchor],
            (Step("edge", ("left",), float(said[0])), Step("edge", ("top",), float(said[1]))),
            (float(said[0]), float(said[1])),
            STEP_MM,
            float(np.hypot(*(said - first))),
        )
    ]
    left = [name for name in marks if name != anchor]
    places = {name: np.array(marks[name], dtype=float) for name in marks}
    starts = MOST_STARTS if len(marks) <= MANY else MOST_STARTS // 3
    starts = starts if len(marks) <= 3 * MANY else MOST_STARTS // 5
    choices: dict[str, _Choice] = {}
    while left:
        covariance = room[: 2 * len(placed), : 2 * len(placed)]
        stand = np.array(placed)
        tier = min(tiers[name] for name in left)
        waiting = [name for name in left if tiers[name] == tier]
        for each in _worth_another_look(waiting, choices, places, placed[-1]):
            choices[each] = _best_from_some(
                places[each], stand, covariance, way, manners, squares, starts
            )
        name = min(waiting, key=lambda each: choices[each].trouble)
        chosen = choices.pop(name)
        own = _grow(room, chosen, 2 * len(placed))
        place = np.array(marks[name]) + chosen.bias
        placed.append(place)
        names.append(name)
        left.remove(name)
        made.append(
            Construction(
                name,
                tier,
                _named(chosen, names),
                (float(place[0]), float(place[1])),
                float(np.sqrt(np.trace(own) / 2.0)),
                float(np.hypot(*chosen.bias)),
            )
        )
    return Recipe(tuple(made))


def _worth_another_look(
    waiting: Sequence[str], choices: Mapping[str, _Choice], places: Mapping[str, Array], last: Array
) -> list[str]:
    """Of the landmarks still to be placed, those never looked at, those that are least trouble so
    far, and those nearest to the landmark placed last: for the others little has changed."""
    count = LOOKED_AT if len(places) <= MANY else LOOKED_AT // 3
    new = [name for name in waiting if name not in choices]
    old = [name for name in waiting if name in choices]
    easy = sorted(old, key=lambda name: choices[name].trouble)[:count]
    near = sorted(old, key=lambda name: float(np.hypot(*(places[name] - last))))[:count]
    return list(dict.fromkeys([*new, *easy, *near]))


def _central(marks: Mapping[str, Sequence[float]], tiers: Mapping[str, int]) -> str:
    """Errors grow with the distance from where the drawing begins, so it begins in the middle."""
    large = [name for name in marks if tiers[name] == min(tiers[each] for each in marks)]
    middle = np.mean([marks[name] for name in large], axis=0)
    return min(large, key=lambda name: float(np.hypot(*(np.array(marks[name]) - middle))))


def _named(chosen: _Choice, names: Sequence[str]) -> tuple[Step, ...]:
    """The steps with landmarks, or the sheet's edges, by name instead of number."""
    return tuple(
        Step(
            manner,
            (EDGES[i],) if manner == "edge" else tuple(names[each] for each in via),
            value,
            units,
        )
        for i, (manner, via, value, units) in enumerate(chosen.steps)
    )


def _grow(room: Array, chosen: _Choice, size: int) -> Array:
    """Write one landmark more into the joint covariance, which fills the first `size` coordinates
    of its room; answers the landmark's own covariance (2, 2)."""
    used = np.flatnonzero(chosen.weights.any(axis=0))
    weights = chosen.weights[:, used]
    reach = weights @ room[used, :size]
    own: Array = reach[:, used] @ weights.T + chosen.noise
    room[size : size + 2, :size] = reach
    room[:size, size : size + 2] = reach.T
    room[size : size + 2, size : size + 2] = own
    return own


def _best_from_some(
    target: Array,
    placed: Array,
    covariance: Array,
    way: Way,
    manners: frozenset[str],
    squares: Squares | None,
    starts: int,
) -> _Choice:
    """The best way from the landmarks placed first, which are the surest, and from those nearest:
    of all, in a drawing that doesn't have very many."""
    m = len(placed)
    if m <= starts:
        return _best(target, placed, covariance, way, manners, squares)
    away = np.hypot(*(placed - target).T)
    away[: starts // 3] = 0.0
    some = np.sort(np.argsort(away, kind="stable")[:starts])
    columns = (2 * some[:, None] + np.arange(2)).ravel()
    found = _best(target, placed[some], covariance[np.ix_(columns, columns)], way, manners, squares)
    weights = np.zeros((2, 2 * m))
    weights[:, columns] = found.weights
    steps = tuple(
        (manner, tuple(int(some[each]) for each in via), value, units)
        for manner, via, value, units in found.steps
    )
    return replace(found, steps=steps, weights=weights)


def _best(
    target: Array,
    placed: Array,
    covariance: Array,
    way: Way,
    manners: frozenset[str],
    squares: Squares | None,
) -> _Choice:
    options = [_best_spot(each, covariance) for each in _spots(target, placed, way, manners)]
    options.append(_best_crossing(_lines(target, placed, way, manners), covariance))
    if "square" in manners and squares is not None:
        options.append(_in_square(target, squares, len(covariance)))
    if "edge" in manners:
        options.append(_measured(target, len(covariance), way.step_mm))
    found = [each for each in options if each is not None]
    if not found:
        # Whatever the school allows, a plumb and a level with their offsets always place it.
        either = [offset_lines(target, placed, axis, Way(None, way.step_mm)) for axis in (0, 1)]
        near = [straight_lines(target, placed, axis) for axis in (0, 1)]
        made = _best_crossing([*either, *near], covariance)
        found = [_measured(target, len(covariance), way.step_mm) if made is None else made]
    return min(found, key=lambda each: each.trouble)


def _in_square(target: Array, squares: Squares, size: int) -> _Choice:
    """In its square of the grid, to tenths across and down."""
    tenth = squares.square_mm / 10.0
    corner = np.array([squares.left_mm, squares.top_mm])
    said = corner + np.round((target - corner) / tenth) * tenth
    noise = np.eye(2) * (IN_SQUARE * squares.square_mm) ** 2
    bias = said - target
    trouble = float(np.sqrt(np.trace(noise) + (bias**2).sum()))
    step = ("square", (), float(said[0]), None), ("square", (), float(said[1]), None)
    return _Choice(trouble, step[:1], np.zeros((2, size)), noise, bias)


def _measured(target: Array, size: int, step_mm: float) -> _Choice:
    """Set off from the sheet's edges, where nothing placed helps: a landmark right beside
    another."""
    said = np.round(target / step_mm) * step_mm
    steps = (("edge", (), float(said[0]), None), ("edge", (), float(said[1]), None))
    return _Choice(
        float(np.sqrt(2.0)) * STEP_MM + SECOND_STEP + 2.0 * FUSS["strip"],
        steps,
        np.zeros((2, size)),
        np.eye(2) * STEP_MM**2,
        said - target,
    )


def _counting(way: Way, manners: frozenset[str]) -> list[Way]:
    """In units and by the rule, as far as the school allows."""
    ways = [way] if way.unit_mm is not None and "units" in manners else []
    return [*ways, Way(None, way.step_mm)] if "strip" in manners else ways


def _lines(target: Array, placed: Array, way: Way, manners: frozenset[str]) -> list[Lines]:
    made = []
    for axis, manner in ((0, "plumb"), (1, "level")):
        if manner in manners:
            made.append(straight_lines(target, placed, axis))
            made += [
                offset_lines(target, placed, axis, counted) for counted in _counting(way, manners)
            ]
    if "pull" in manners:
        made.append(pulled_lines(target))
    if "tilt" in manners:
        made.append(tilt_lines(target, placed))
    if "length" in manners:
        made += [length_lines(target, placed, counted) for counted in _counting(way, manners)]
    return [each for each in made if len(each.via)]


def _spots(target: Array, placed: Array, way: Way, manners: frozenset[str]) -> list[Spots]:
    made = []
    if "part" in manners and len(placed) > 1:
        made.append(part_spots(target, placed))
    if "step" in manners:
        made += [
            stepped_spots(target, placed, axis, counted)
            for axis in (0, 1)
            for counted in _counting(way, manners)
        ]
    return [each for each in made if len(each.via)]


def _best_spot(spots: Spots, covariance: Array) -> _Choice | None:
    """The least troublesome of the spots."""
    m = len(covariance) // 2
    k = len(spots.via)
    blocks = covariance.reshape(m, 2, m, 2)
    i, j = spots.via.T
    w = spots.weight
    carried = (
        w[:, 0, None, None] ** 2 * blocks[i, :, i, :]
        + w[:, 1, None, None] ** 2 * blocks[j, :, j, :]
        + (w[:, 0] * w[:, 1])[:, None, None] * (blocks[i, :, j, :] + blocks[j, :, i, :])
    )
    across = np.column_stack([-spots.along[:, 1], spots.along[:, 0]])
    noise = (
        spots.noise[:, 0, None, None] ** 2 * spots.along[:, :, None] * spots.along[:, None, :]
        + spots.noise[:, 1, None, None] ** 2 * across[:, :, None] * across[:, None, :]
    )
    total = np.trace(carried + noise, axis1=1, axis2=2) + (spots.bias**2).sum(axis=1)
    trouble = np.sqrt(total) + spots.fuss
    best = int(np.argmin(trouble))
    weights = np.zeros((2, 2 * m))
    weights[:, 2 * i[best] : 2 * i[best] + 2] += w[best, 0] * np.eye(2)
    weights[:, 2 * j[best] : 2 * j[best] + 2] += w[best, 1] * np.eye(2)
    via = (int(i[best]),) if w[best, 1] == 0.0 else (int(i[best]), int(j[best]))
    step = (spots.manner, via, float(spots.value[best]), _or_none(spots.units[best]))
    return _Choice(
        float(trouble[best]), (step,), weights, noise[best], spots.bias[best]
    ) if k else None  # fmt: skip


def _best_crossing(lines: Sequence[Lines], covariance: Array) -> _Choice | None:
    """The least troublesome pair of lines that cross well."""
    if not lines:
        return None
    m = len(covariance) // 2
    via = np.concatenate([each.via for each in lines])
    g = np.concatenate([each.g for each in lines])
    noise = np.concatenate([each.noise for each in lines])
    bias = np.concatenate([each.bias for each in lines])
    fuss = np.concatenate([each.fuss for each in lines])
    tied = np.concatenate([np.full(len(each.via), float(each.tied)) for each in lines])
    source = [(each, row) for each in lines for row in range(len(each.via))]
    blocks = covariance.reshape(m, 2, m, 2)
    own = tied * np.einsum("ka,kab,kb->k", g, blocks[via, :, via, :], g)
    alone = np.sqrt(own + noise**2 + bias**2) + fuss
    short = np.argsort(alone, kind="stable")[:SHORT_LIST]
    a, b = np.triu_indices(len(short), 1)
    p, q = short[a], short[b]
    det = g[p, 0] * g[q, 1] - g[p, 1] * g[q, 0]
    good = np.abs(det) >= CROSSING
    if not good.any():
        return None
    p, q, det = p[good], q[good], det[good]
    shared = np.einsum("ka,kab,kb->k", g[p], blocks[via[p], :, via[q], :], g[q])
    shared *= tied[p] * tied[q]
    vp, vq = own[p] + noise[p] ** 2, own[q] + noise[q] ** 2
    # G^-1 = [[gq_y, -gp_y], [-gq_x, gp_x]] / det; rows for x and y of the place.
    variance = (
        (g[q, 1] ** 2 + g[q, 0] ** 2) * vp
        + (g[p, 1] ** 2 + g[p, 0] ** 2) * vq
        - 2.0 * (g[q, 1] * g[p, 1] + g[q, 0] * g[p, 0]) * shared
    ) / det**2
    off_x = (g[q, 1] * bias[p] - g[p, 1] * bias[q]) / det
    off_y = (-g[q, 0] * bias[p] + g[p, 0] * bias[q]) / det
    trouble = np.sqrt(np.maximum(variance, 0.0) + off_x**2 + off_y**2)
    trouble = trouble + fuss[p] + fuss[q] + SECOND_STEP
    best = int(np.argmin(trouble))
    i, j = int(p[best]), int(q[best])
    inverse = np.linalg.inv(np.array([g[i], g[j]]))
    rows = np.zeros((2, 2 * m))
    rows[0, 2 * via[i] : 2 * via[i] + 2] = tied[i] * g[i]
    rows[1, 2 * via[j] : 2 * via[j] + 2] = tied[j] * g[j]
    own_noise = inverse @ np.diag([noise[i] ** 2, noise[j] ** 2]) @ inverse.T
    steps = tuple(
        (
            lot.manner,
            (int(lot.via[row]),) if lot.tied else (),
            float(lot.value[row]),
            _or_none(lot.units[row]),
        )
        for lot, row in (source[i], source[j])
    )
    return _Choice(
        float(trouble[best]),
        steps,
        inverse @ rows,
        own_noise,
        np.array([off_x[best], off_y[best]]),
    )


def _or_none(value: float) -> float | None:
    return None if np.isnan(value) else float(value)
