"""The network as arrays: readings grouped by kind, and their linearized normal equations.

Symbols: n landmarks, t takes, m readings that hold; x the u unknowns: coordinates that the unit
does not fix, then one drift per take. A (m, u) the derivative of the fitted values by x, each row
divided by the reading's sigma; v the misfits divided likewise; N = A'A, b = A'v.

A row of A has at most nine entries that are not zero, so N is summed up reading by reading from
those, never through a full A: the cost grows with the readings, not with readings times
landmarks squared.

The unit is exact, so it is not a reading but takes coordinates out of the unknowns. Each of the
2n + t full coordinates c has a `column` among the unknowns and a `gain`, dc/dx: 1 where it is
free, 0 where it is fixed. The end of a straight unit can only swing about its start: its x and y
share one column, and their gains turn with the place.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import groupby
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import Array
from zirkel.core.network.sigmas import sigmas, upright
from zirkel.core.sightings import Sighting
from zirkel.core.sightings.base import Columns
from zirkel.core.study import Study, UnitLength, UnitPair

Indices = NDArray[np.intp]

DRIFT_SIGMA = 0.02
"""One standard deviation of a take's drift before anything is read in it."""

GROSS = 4.0
"""Misfit in sigmas from which a reading pulls less and less while coming near."""

CURVATURE_STEP = 1e-6
"""Step in units over which derivatives are compared."""

SHORT_ROW, LONG_ROW = 5, 8
"""Entries in a row of A: two landmarks and a drift, or up to four landmarks."""


@dataclass(frozen=True, slots=True)
class Group:
    """The k readings of one kind: rows `first` to `first + k` of the network."""

    kind: type[Sighting]
    first: int
    columns: Columns
    where: Indices
    """(k, L) landmark numbers."""
    take: Indices
    """(k,) take numbers; t where a reading has none."""
    wide: bool
    """Whether its rows are long ones."""
    local: slice
    """The readings' place among the rows of their bucket."""
    entries: int
    """How many entries of a row are by places."""

    @property
    def rows(self) -> slice:
        """The readings' place among all m rows."""
        return slice(self.first, self.first + len(self.where))


class Bucket(NamedTuple):
    """Rows of equal width w: their full coordinates (k, w), and the unknowns those belong to."""

    rows: slice
    full: Indices
    unknown: Indices
    squares: Indices
    """(k * w * w,) flat places in N of the products of each row's entries."""


@dataclass(frozen=True, slots=True)
class Datum:
    """Which coordinates are unknown: `column` (2n + t + 1,) and `swing`, (start, end) or None."""

    column: Indices
    gain: Array
    unknowns: int
    swing: tuple[int, int] | None
    exact: tuple[int, int, int] | None
    """(start, end, axis) of a level or upright unit."""


@dataclass(frozen=True, slots=True)
class Network:
    """All that stays the same while the places are adjusted."""

    study: Study
    sightings: tuple[Sighting, ...]
    """Those that hold and are not struck, in the order of the rows."""
    ids: tuple[str, ...]
    index: dict[str, int]
    takes: tuple[str, ...]
    groups: tuple[Group, ...]
    buckets: tuple[Bucket, ...]
    sigma: Array
    """(m,) in the unit computed with."""
    datum: Datum
    start: Array
    """(n, 2) places to start from, in units."""
    all_full: Indices
    """Of every entry of A that may not be zero, bucket by bucket: its full coordinate,"""
    all_rows: Indices
    """its row,"""
    all_unknown: Indices
    """its unknown,"""
    all_squares: Indices
    """and the flat places in N of its row's products."""

    @property
    def in_mm(self) -> bool:
        """Whether readings are lengths on the sheet itself."""
        return isinstance(self.study.unit, UnitLength)

    def row_of(self) -> dict[str, int]:
        """Row of each sighting by its id."""
        return {each.id: row for row, each in enumerate(self.sightings)}


class Linear(NamedTuple):
    """The network linearized at some places."""

    residual: Array
    """(m,) reading minus fitted value, in the unit computed with."""
    misfit: Array
    """(m,) the residual divided by sigma; 0 where set aside."""
    entries: tuple[Array, ...]
    """For each bucket, (k, w) the entries of A."""
    normal: Array
    rhs: Array
    cost: float


def build(study: Study, start: Array) -> Network:
    """Arrays for the study's readings that hold; `start` (n, 2) in units."""
    ids = tuple(each.id for each in study.landmarks)
    index = {each: i for i, each in enumerate(ids)}
    used = [s for s in study.sightings if s.holds and not s.struck]
    joined = {s.id: s.landmarks for s in used}
    takes = tuple(dict.fromkeys(s.take_name for s in used if s.take_name is not None))
    used.sort(key=lambda s: (len(joined[s.id]) > 2, s.family or s.kind))
    datum = _datum(study, index, start, len(takes))
    groups = tuple(_groups(upright(used, study.leanings), joined, index, takes, start))
    buckets = tuple(_buckets(groups, datum, 2 * len(ids)))
    rows = [np.repeat(np.arange(b.rows.start, b.rows.stop), b.full.shape[1]) for b in buckets]
    return Network(
        study=study,
        sightings=tuple(used),
        ids=ids,
        index=index,
        takes=takes,
        groups=groups,
        buckets=buckets,
        sigma=sigmas(used, study),
        datum=datum,
        start=start,
        all_full=_joined([b.full.ravel() for b in buckets]),
        all_rows=_joined(rows),
        all_unknown=_joined([b.unknown.ravel() for b in buckets]),
        all_squares=_joined([b.squares for b in buckets]),
    )


def _joined(parts: Sequence[Indices]) -> Indices:
    return np.concatenate(parts) if parts else np.zeros(0, dtype=np.intp)


def _joined_values(parts: Sequence[Array]) -> Array:
    return parts[0] if len(parts) == 1 else np.concatenate(parts or [np.zeros(0)])


def _groups(
    used: Sequence[Sighting],
    joined: dict[str, tuple[str, ...]],
    index: dict[str, int],
    takes: tuple[str, ...],
    start: Array,
) -> list[Group]:
    made: list[Group] = []
    first = narrow = 0
    take_number = {name: i for i, name in enumerate(takes)}
    for _, members in groupby(used, key=lambda s: s.family or s.kind):
        readings = list(members)
        k = len(readings)
        where = np.array([[index[n] for n in joined[s.id]] for s in readings], dtype=np.intp)
        take = [take_number.get(s.take_name or "", len(takes)) for s in readings]
        wide = where.shape[1] > 2
        if not wide:
            narrow = first + k
        local = slice(first - narrow, first - narrow + k) if wide else slice(first, first + k)
        made.append(
            Group(
                kind=type(readings[0]),
                first=first,
                columns=type(readings[0]).columns(readings, start[where]),
                where=where,
                take=np.array(take, dtype=np.intp),
                wide=wide,
                local=local,
                entries=2 * where.shape[1],
            )
        )
        first += k
    return made


def _datum(study: Study, index: dict[str, int], start: Array, takes: int) -> Datum:
    n = len(index)
    free = np.ones(2 * n + takes + 1, dtype=bool)
    free[-1] = False
    swing = exact = None
    unit = study.unit
    if isinstance(unit, UnitLength):
        origin = index[unit.origin]
        free[[2 * origin, 2 * origin + 1]] = False
    elif isinstance(unit, UnitPair):
        origin, end = index[unit.start], index[unit.end]
        free[[2 * origin, 2 * origin + 1]] = False
        if unit.along == "straight":
            swing = (origin, end)
            free[2 * end + 1] = False
        else:
            axis = 0 if unit.along == "level" else 1
            exact = (origin, end, axis)
            free[2 * end + axis] = False
    column = np.where(free, np.cumsum(free) - 1, 0)
    gain = free.astype(float)
    if swing is not None:
        column[2 * swing[1] + 1] = column[2 * swing[1]]
    return Datum(column, gain, int(free.sum()), swing, exact)


def gains(datum: Datum, places: Array) -> Array:
    """dc/dx for every full coordinate at these places, (2n + t + 1,)."""
    if datum.swing is None:
        return datum.gain
    start, end = datum.swing
    dx, dy = places[end] - places[start]
    turned = datum.gain.copy()
    turned[2 * end], turned[2 * end + 1] = -dy, dx
    return turned


def moved(datum: Datum, places: Array, drifts: Array, step: Array) -> tuple[Array, Array]:
    """Places (n, 2) and drifts (t,) after a step in the unknowns; a straight unit keeps its 1."""
    n = len(places)
    change = step[datum.column] * gains(datum, places) if len(step) else np.zeros(2 * n + 1)
    there = places + change[: 2 * n].reshape(n, 2)
    if datum.swing is not None:
        start, end = datum.swing
        d = there[end] - there[start]
        there[end] = there[start] + d / np.hypot(d[0], d[1])
    return there, drifts + change[2 * n : -1]


def _buckets(groups: Sequence[Group], datum: Datum, drift_from: int) -> list[Bucket]:
    made: list[Bucket] = []
    for wide, members in groupby(groups, key=lambda g: g.wide):
        full = np.concatenate([_coordinates(g, wide, drift_from) for g in members])
        first = made[-1].rows.stop if made else 0
        unknown = datum.column[full]
        squares = unknown[:, :, None] * datum.unknowns + unknown[:, None, :]
        made.append(Bucket(slice(first, first + len(full)), full, unknown, squares.ravel()))
    return made


def _coordinates(group: Group, wide: bool, drift_from: int) -> Indices:
    """Full coordinates (k, w) of each row's entries; unused ones point at the last, of gain 0."""
    k, places = group.where.shape
    full = np.full((k, LONG_ROW if wide else SHORT_ROW), -1, dtype=np.intp)
    full[:, 0 : 2 * places : 2] = 2 * group.where
    full[:, 1 : 2 * places : 2] = 2 * group.where + 1
    if not wide:
        full[:, 4] = drift_from + group.take
    return full


def linearize(net: Network, places: Array, drifts: Array, weight: Array) -> Linear:
    """Misfits and normal equations at these places; `weight` (m,) is 1/sigma, 0 to set aside."""
    misfit, raw = _equations(net, places, drifts)
    normal, rhs, entries, cost = _sum_up(
        net, raw, misfit * weight, weight, gains(net.datum, places)
    )
    _expect_drifts(net, drifts, normal, rhs)
    return Linear(misfit, misfit * weight, entries, normal, rhs, cost + _drift_cost(drifts))


def downhill(net: Network, places: Array, drifts: Array, weight: Array) -> tuple[Array, float]:
    """b = A'v (u,) and the cost alone: a fraction of the price of the whole equations."""
    misfit, raw = _equations(net, places, drifts)
    v = misfit * weight
    flat = _weighted(net, raw, weight, gains(net.datum, places))
    rhs = _added_up(net.all_unknown, flat * v[net.all_rows], net.datum.unknowns)
    if len(drifts):
        rhs[-len(drifts) :] -= drifts * DRIFT_SIGMA**-2
    return rhs, float(v @ v) + _drift_cost(drifts)


def _equations(net: Network, places: Array, drifts: Array) -> tuple[Array, tuple[Array, ...]]:
    """Misfits (m,) in the unit computed with, and the raw entries of A by full coordinates."""
    misfit = np.empty(len(net.sigma))
    raw = _blank_entries(net)
    drift_of = np.append(drifts, 0.0)
    for group in net.groups:
        made = group.kind.equation(group.columns, places[group.where], drift_of[group.take])
        misfit[group.rows] = group.kind.misfit(group.columns.reading - made.fitted)
        _enter(raw, group, made.by_place, made.by_drift)
    return misfit, raw


def _weighted(net: Network, raw: tuple[Array, ...], weight: Array, gain: Array) -> Array:
    """All entries of A in one row, by unknowns, divided by their readings' sigmas."""
    scale = gain[net.all_full] * weight[net.all_rows]
    return _joined_values([values.ravel() for values in raw]) * scale


def curvature(net: Network, places: Array, drifts: Array, pull: Array) -> Array:
    """(u, u) sum of `pull` (m,) times each fitted value's second derivatives.

    They are differences of the first derivatives over one small step in each of a reading's own
    coordinates, so that a kind need not state them.
    """
    u = net.datum.unknowns
    raw = tuple(np.zeros((*bucket.full.shape, bucket.full.shape[1])) for bucket in net.buckets)
    drift_of = np.append(drifts, 0.0)
    for group in net.groups:
        p, e = places[group.where], drift_of[group.take]
        here = group.kind.equation(group.columns, p, e)
        k, count = len(p), group.where.shape[1]
        bends = raw[-1 if group.wide else 0][group.local]
        for c in range(2 * count):
            beside = p.copy()
            beside[:, c // 2, c % 2] += CURVATURE_STEP
            there = group.kind.equation(group.columns, beside, e)
            bend = (there.by_place - here.by_place).reshape(k, -1) / CURVATURE_STEP
            bends[:, c, : 2 * count] = bend
            if here.by_drift is not None and there.by_drift is not None:
                by_drift = (there.by_drift - here.by_drift) / CURVATURE_STEP
                bends[:, c, 4] = bends[:, 4, c] = by_drift
    gain = gains(net.datum, places)
    total = np.zeros(u * u)
    for bucket, bends in zip(net.buckets, raw, strict=True):
        own = gain[bucket.full]
        scaled = bends * own[:, :, None] * own[:, None, :] * pull[bucket.rows, None, None]
        total += np.bincount(bucket.squares, scaled.ravel(), u * u)
    square = total.reshape(u, u)
    return 0.5 * (square + square.T)


def linearize_coming_near(net: Network, places: Array, weight: Array) -> Linear:
    """The same with each kind's straighter form, no drift, and less say for gross misfits."""
    misfit = np.empty(len(net.sigma))
    stretch = np.empty(len(net.sigma))
    raw = _blank_entries(net)
    for group in net.groups:
        made = group.kind.approach(group.columns, places[group.where])
        misfit[group.rows] = made.misclosure
        stretch[group.rows] = made.stretch
        _enter(raw, group, made.by_place, None)
    sharp = weight / stretch
    softened = sharp / np.sqrt(1.0 + (misfit * sharp / GROSS) ** 2)
    normal, rhs, entries, cost = _sum_up(
        net, raw, misfit * softened, softened, gains(net.datum, places)
    )
    _expect_drifts(net, np.zeros(len(net.takes)), normal, rhs)
    return Linear(misfit, misfit * softened, entries, normal, rhs, cost)


def _blank_entries(net: Network) -> tuple[Array, ...]:
    return tuple(np.zeros(bucket.full.shape) for bucket in net.buckets)


def _enter(raw: tuple[Array, ...], group: Group, by_place: Array, by_drift: Array | None) -> None:
    rows = raw[-1 if group.wide else 0][group.local]
    rows[:, : group.entries] = by_place.reshape(len(by_place), -1)
    if by_drift is not None:
        rows[:, 4] = by_drift


def _added_up(places: Indices, values: Array, length: int) -> Array:
    return np.bincount(places, values, length).astype(float, copy=False)


def _sum_up(
    net: Network, raw: tuple[Array, ...], v: Array, weight: Array, gain: Array
) -> tuple[Array, Array, tuple[Array, ...], float]:
    u = net.datum.unknowns
    flat = _weighted(net, raw, weight, gain)
    rhs = _added_up(net.all_unknown, flat * v[net.all_rows], u)
    entries, products, first = [], [], 0
    for bucket in net.buckets:
        a = flat[first : first + bucket.full.size].reshape(bucket.full.shape)
        entries.append(a)
        products.append((a[:, :, None] * a[:, None, :]).ravel())
        first += a.size
    normal = _added_up(net.all_squares, _joined_values(products), u * u)
    return normal.reshape(u, u), rhs, tuple(entries), float(v @ v)


def _expect_drifts(net: Network, drifts: Array, normal: Array, rhs: Array) -> None:
    """Every drift is expected to be 0 with DRIFT_SIGMA: one more observation each."""
    t, u = len(net.takes), net.datum.unknowns
    if t:
        normal.reshape(-1)[(u - t) * (u + 1) :: u + 1] += DRIFT_SIGMA**-2
        rhs[u - t :] -= drifts * DRIFT_SIGMA**-2


def _drift_cost(drifts: Array) -> float:
    return float(drifts @ drifts) * DRIFT_SIGMA**-2
