"""Checks that cost a glance: simple relations between what stands, chosen so that a slip would
show.

A check says a.p = c of some landmarks' coordinates p: two are level, one is straight under another,
half-way between two, so many units below another, an edge points to an hour. In a drawing without a
slip it is off by noise of variance a S a' + glance^2, with S the covariance of what was placed. A
slip of landmark k by v is carried on to all that hangs on it (C), and shows as a C_k v: a relation
by which a landmark was placed itself shows nothing, one between landmarks that were placed
independently of one another does. A deviation of LIMIT standard deviations is noticed.

After each stage the relations are taken that would catch most of the slips not caught yet, of
SLIP_MM in any direction, of the landmarks that others hang on; until none adds much.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import ndtr

from zirkel.core.arrays import Array
from zirkel.core.sheet.recipe.construct import Recipe
from zirkel.core.sheet.recipe.manners import (
    PARTS,
    TILT_SAID_DEG,
    USUAL,
    Judging,
    stepping,
)

SLIP_MM, LIMIT = 8.0, 2.3
DIRECTIONS = 8
EYE_MM = 0.8
"""What a glance itself is good to."""

MOST_A_STAGE, LEAST_GAIN = 3, 0.2
"""Checks after one stage, and by how many slips caught one has to add."""

OFF_MM, APART_MM, LONGEST_MM = 1.5, 35.0, 260.0
SIMPLE_COUNTS = (0.25, 0.5, 0.75, 1.0, 1.5, 2.0, 3.0)
MOST_LANDMARKS, MOST_EARLY, MOST_ENTRIES = 60, 30, 4


@dataclass(frozen=True, slots=True)
class Glance:
    """One check, after so many placings: `kind` is level, plumb, below, beside, across, down or
    tilt; its landmarks; value in units, a share, or degrees; gradient by all coordinates (2m,),
    what it ought to be, and the deviation from which on it is noticed, in mm."""

    after: int
    kind: str
    landmarks: tuple[str, ...]
    value: float
    gradient: Array
    meant: float
    limit: float
    glance: float
    """What the glance itself errs by, one standard deviation."""

    def notices(self, places: Array, rng: np.random.Generator) -> bool:
        """Whether a glance at a drawing with all landmarks there (m, 2) finds it off."""
        off = float(self.gradient @ places.ravel()) - self.meant + rng.normal(0.0, self.glance)
        return bool(abs(off) > self.limit)


@dataclass(frozen=True, slots=True)
class _Relation:
    kind: str
    landmarks: tuple[int, ...]
    value: float
    entries: tuple[tuple[int, float], ...]
    glance: float


def glances(
    recipe: Recipe, unit_mm: float | None, manners: frozenset[str], eye: Judging = USUAL
) -> tuple[Glance, ...]:
    """The checks of a recipe, in the order of placing, for who judges so exactly."""
    made, carried, covariance = recipe.constructions, recipe.carried, recipe.covariance
    if carried is None or covariance is None or len(made) < 4:
        return ()
    places = np.array([each.place for each in made])
    pool = _Pool(recipe, places, _early(carried, len(made)), unit_mm, manners, eye)
    found: list[Glance] = []
    for stage in range(len(recipe.stages)):
        numbers = [i for i, each in enumerate(made) if each.stage == stage]
        if not numbers:
            continue
        first, stand = min(numbers), max(numbers) + 1
        sticks = False
        for _ in range(MOST_A_STAGE):
            best = pool.best(first, stand, sticks)
            if best is None:
                break
            relation, limit = best
            sticks = sticks or relation.kind == "tilt"
            gradient = np.zeros(2 * len(made))
            for column, share in relation.entries:
                gradient[column] += share
            found.append(
                Glance(
                    stand, relation.kind, tuple(made[i].landmark for i in relation.landmarks),
                    relation.value, gradient, float(gradient @ places.ravel()), limit,
                    relation.glance,
                )
            )  # fmt: skip
    return tuple(found)


class _Pool:
    """All relations that may be glanced at, and the slips that are not caught yet."""

    def __init__(
        self, recipe: Recipe, places: Array, early: Sequence[int], unit_mm: float | None,
        manners: frozenset[str], eye: Judging,
    ) -> None:  # fmt: skip
        made = recipe.constructions
        at = {each.landmark: i for i, each in enumerate(made)}
        started = [{at[name] for step in each.steps for name in step.via} for each in made]
        self.relations = [
            each
            for each in _relations(places[:MOST_LANDMARKS], unit_mm, manners, eye)
            if not _was_placed_by(each, started)
        ]
        self.sticks = np.array([each.kind == "tilt" for each in self.relations], dtype=bool)
        self.last = np.array([max(each.landmarks) for each in self.relations], dtype=int)
        turn = np.pi * np.arange(DIRECTIONS) / DIRECTIONS
        ways = SLIP_MM * np.column_stack([np.cos(turn), np.sin(turn)])
        self.open = np.ones((len(early), DIRECTIONS))
        if not self.relations:
            return
        columns = np.zeros((len(self.relations), MOST_ENTRIES), dtype=int)
        shares = np.zeros((len(self.relations), MOST_ENTRIES))
        for row, each in enumerate(self.relations):
            for place, (column, share) in enumerate(each.entries):
                columns[row, place], shares[row, place] = column, share
        assert recipe.covariance is not None and recipe.carried is not None
        near = recipe.covariance[columns[:, :, None], columns[:, None, :]]
        variance = np.einsum("ra,rab,rb->r", shares, near, shares)
        glance = np.array([each.glance for each in self.relations])
        self.sd = np.sqrt(np.maximum(variance, 0.0) + glance**2)
        of_early = (2 * np.array(early)[:, None] + np.arange(2)).ravel()
        reach = np.einsum("ra,rae->re", shares, recipe.carried[:, of_early][columns])
        shown = np.abs(reach.reshape(len(self.relations), len(early), 2) @ ways.T)
        sd = self.sd[:, None, None]
        self.caught = ndtr((shown - LIMIT * sd) / sd)

    def best(self, first: int, stand: int, by_eye: bool) -> tuple[_Relation, float] | None:
        """The relation on landmarks placed by now, one of them since `first`, that catches most
        slips not caught yet, and its limit; taken out of the pool. `by_eye` asks for no stick:
        one is laid on once a stage at most."""
        good = (self.last >= first) & (self.last < stand)
        now = np.flatnonzero(good & ~(self.sticks & by_eye))
        if not len(now):
            return None
        gain = (self.caught[now] * self.open).sum(axis=(1, 2)) / DIRECTIONS
        least = int(now[int(gain.argmax())])
        if gain.max() < LEAST_GAIN:
            return None
        self.open = self.open * (1.0 - self.caught[least])
        self.last[least] = -1
        return self.relations[least], LIMIT * float(self.sd[least])


def _was_placed_by(relation: _Relation, started: Sequence[set[int]]) -> bool:
    """Whether one of its landmarks was placed from all the others: a glance would repeat that."""
    held = set(relation.landmarks)
    return any(held - {each} <= started[each] for each in held)


def _early(carried: Array, m: int) -> list[int]:
    """Landmarks on which others hang, at most the first third and three at least."""
    hangs = [
        int((np.abs(carried[2 * k + 2 :, 2 * k : 2 * k + 2]) > 0.2).any(axis=1).sum())
        for k in range(m)
    ]
    first = [k for k in range(m) if k < max(m // 2, 3) and hangs[k]]
    return first[:MOST_EARLY] or [0]


def _relations(
    places: Array, unit_mm: float | None, manners: frozenset[str], eye: Judging
) -> Iterator[_Relation]:
    """All simple relations in the places as they are drawn."""
    m = len(places)
    for i in range(m):
        for j in range(m):
            d = places[j] - places[i]
            away = float(np.hypot(*d))
            if i == j or away < APART_MM or away > LONGEST_MM:
                continue
            if i < j:
                yield from _straight(i, j, d, away, eye)
                if "tilt" in manners:
                    yield from _leaning(i, j, d, away, eye)
            if unit_mm and "units" in manners:
                yield from _counted(i, j, d, unit_mm, eye)
    yield from _parted(places, eye)


def _straight(i: int, j: int, d: Array, away: float, eye: Judging) -> Iterator[_Relation]:
    for axis, kind in ((1, "level"), (0, "plumb")):
        if abs(d[axis]) <= OFF_MM:
            entries = ((2 * j + axis, 1.0), (2 * i + axis, -1.0))
            yield _Relation(kind, (i, j), 0.0, entries, EYE_MM + eye.straight * away)


def _leaning(i: int, j: int, d: Array, away: float, eye: Judging) -> Iterator[_Relation]:
    exact = float(np.degrees(np.arctan2(d[0], -d[1])) % 360.0)
    said = round(exact / TILT_SAID_DEG) * TILT_SAID_DEG
    steep = min(abs(d[0]), abs(d[1])) > 0.08 * away
    if steep and abs(np.radians(said - exact)) * away <= OFF_MM:
        g = np.array([-d[1], d[0]]) / away
        entries = tuple(
            (2 * k + axis, sign * float(g[axis]))
            for k, sign in ((j, 1), (i, -1))
            for axis in (0, 1)
        )
        yield _Relation("tilt", (i, j), said % 360.0, entries, EYE_MM + eye.tilt * away)


def _counted(i: int, j: int, d: Array, unit_mm: float, eye: Judging) -> Iterator[_Relation]:
    for axis, kind in ((1, "below"), (0, "beside")):
        for count in SIMPLE_COUNTS:
            if d[axis] > 0 and abs(d[axis] - count * unit_mm) <= OFF_MM:
                noise = float(stepping(np.array([d[axis]]), unit_mm, eye)[0])
                entries = ((2 * j + axis, 1.0), (2 * i + axis, -1.0))
                yield _Relation(kind, (i, j), count, entries, EYE_MM + noise)


def _parted(places: Array, eye: Judging) -> Iterator[_Relation]:
    """One at a simple share of the way across or down between two others."""
    m = len(places)
    for axis, kind in ((0, "across"), (1, "down")):
        x = places[:, axis]
        i, j = np.triu_indices(m, 1)
        gap = x[j] - x[i]
        good = np.abs(gap) > APART_MM
        i, j, gap = i[good], j[good], gap[good]
        for share, _ in PARTS:
            at = x[i] + share * gap
            pair, k = np.nonzero(np.abs(at[:, None] - x[None, :]) <= OFF_MM)
            for p, middle in zip(pair, k, strict=True):
                a, b = int(i[p]), int(j[p])
                if middle in (a, b):
                    continue
                entries = (
                    (2 * int(middle) + axis, 1.0),
                    (2 * a + axis, -(1.0 - share)),
                    (2 * b + axis, -share),
                )
                length = float(np.hypot(*(places[b] - places[a])))
                yield _Relation(kind, (a, b, int(middle)), share, entries,
                                EYE_MM + eye.part * length)  # fmt: skip
