"""The least troublesome way to place one landmark from those that stand.

Symbols: S is the joint covariance (2m, 2m) of the errors, in mm, of the m landmarks placed so far,
hand and all. Two lines say G e = A e_placed + n, so that

    cov(e) = G^-1 (A S A' + N) G^-T,   bias = G^-1 b,

with N the noise of both and b what rounding costs. A spot says e = w1 e1 + w2 e2 + n. The trouble
is the root of total variance and squared bias, plus the fuss of each move, plus what a longer chain
of placings costs. An arc and a line, or two arcs, meet twice: such a pair is only taken if the
words (which side, towards which hour) fit no second place.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from string import ascii_uppercase

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.sheet.recipe.manners import (
    BEYOND,
    FINER,
    IN_SQUARE,
    PARTS,
    SQUARE_PARTS,
    STEP_MM,
    TENTHS,
    USUAL,
    Judging,
    Lines,
    Spots,
    Way,
    gap_lines,
    length_lines,
    offset_lines,
    part_spots,
    pulled_lines,
    straight_lines,
    tick_lines,
    tilt_lines,
    touch_lines,
)

CROSSING = np.sin(np.radians(30.0))
"""Two lines that cross at less than 30 degrees do not fix a place well."""

SECOND_MOVE = 0.8
DEEPER_MM, DEEPEST = 0.9, 7
"""What each placing in a chain costs, and how many a landmark may hang on."""

SHORT_LIST, LOOKED_THROUGH = 30, 80
"""Lines of which all pairs are compared; pairs that are looked through for one that fits once."""

LAST_RESORT = 50.0
"""Trouble of going back to the sheet's edges: whatever else can be placed first is."""

BY_EYE = 0.02
"""What a landmark placed by eye alone errs by each way, as a share of the whole's longer side."""

MARGIN_MM = 6.0
"""How far beyond its side a second place has to lie, not to be taken for the first."""

Tick = tuple[int, float, str]


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
class Ground:
    """What stands: places (m, 2), covariance (2m, 2m), depth (m,) of the chain behind each; how
    lengths are said, what the school allows, its grid, and how exact the eye is."""

    placed: Array
    covariance: Array
    depth: Indices
    way: Way
    manners: frozenset[str]
    squares: Squares | None = None
    eye: Judging = USUAL


@dataclass(frozen=True, slots=True)
class Move:
    """One move of the hand, by the numbers of the landmarks it starts from: `manner` is left,
    right, top, bottom (a tick or edge), square, eye, pull, plumb, level, across, down, tilt, length
    or part; `value` mm, degrees or a share; `units` the same counted in units, where it is."""

    manner: str
    via: tuple[int, ...]
    value: float
    units: float | None = None


@dataclass(frozen=True, slots=True)
class Choice:
    """How one landmark is placed: weights (2, 2m) of what it carries on, noise (2, 2), bias
    (2,)."""

    trouble: float
    moves: tuple[Move, ...]
    weights: Array
    noise: Array
    bias: Array
    depth: int


def best(target: Array, ground: Ground, ticks: Sequence[Tick] = ()) -> Choice:
    """The least troublesome way; there always is one, at worst from the sheet's edges."""
    found: list[Choice] = []
    if "square" in ground.manners and ground.squares is not None:
        return _in_square(target, ground.squares, len(ground.covariance))
    if "edge" in ground.manners:
        return from_edges(target, len(ground.covariance), ground.way.step_mm)
    if len(ground.placed):
        found += _of(_crossing(target, lines_to(target, ground, ticks), ground))
        if "part" in ground.manners and len(ground.placed) > 1:
            found += _of(_spot(part_spots(target, ground.placed, ground.eye), ground))
        if not found and "gaps" in ground.manners:
            last = [*tick_lines(target, tuple(ticks)), *_last_gaps(target, ground)]
            found += _of(_crossing(target, last, ground))
        if not found and "level" in ground.manners:
            found += _of(_crossing(target, _always(target, ground), ground))
    if found:
        return min(found, key=lambda each: each.trouble)
    ruled = from_edges(target, len(ground.covariance), ground.way.step_mm)
    return replace(ruled, trouble=ruled.trouble + LAST_RESORT)


def _of(found: Choice | None) -> list[Choice]:
    return [] if found is None else [found]


def from_edges(target: Array, size: int, step_mm: float) -> Choice:
    """Set off from the sheet's left and top edges."""
    said = np.round(target / step_mm) * step_mm
    moves = (Move("left", (), float(said[0])), Move("top", (), float(said[1])))
    bias = said - target
    trouble = float(np.sqrt(2.0 * STEP_MM**2 + (bias**2).sum()))
    return Choice(trouble, moves, np.zeros((2, size)), np.eye(2) * STEP_MM**2, bias, 1)


def by_eye(found: Choice, extent_mm: float) -> Choice:
    """Where it looks right beside all that stands, in the place of the way that was found."""
    noise = np.eye(2) * (BY_EYE * extent_mm) ** 2
    return Choice(found.trouble, (Move("eye", (), 0.0),), np.zeros_like(found.weights), noise,
                  np.zeros(2), 1)  # fmt: skip


def as_fallen(found: Choice, off: Array) -> Choice:
    """Placed already, so far off the target, and measured there: it hangs on nothing else."""
    noise = np.eye(2) * STEP_MM**2
    return replace(found, weights=np.zeros_like(found.weights), noise=noise, bias=off, depth=1)


def _in_square(target: Array, squares: Squares, size: int) -> Choice:
    """In its square of the grid, to eighths across and down."""
    part = squares.square_mm / SQUARE_PARTS
    corner = np.array([squares.left_mm, squares.top_mm])
    said = corner + np.round((target - corner) / part) * part
    noise = np.eye(2) * (IN_SQUARE * squares.square_mm) ** 2
    bias = said - target
    trouble = float(np.sqrt(np.trace(noise) + (bias**2).sum()))
    return Choice(trouble, (Move("square", (), 0.0),), np.zeros((2, size)), noise, bias, 1)


def lines_to(target: Array, ground: Ground, ticks: Sequence[Tick] = ()) -> list[Lines]:
    """All lines that the school allows towards a target."""
    placed, way, manners, eye = ground.placed, ground.way, ground.manners, ground.eye
    made = list(tick_lines(target, tuple(ticks)))
    for axis, manner in ((0, "plumb"), (1, "level")):
        if manner in manners:
            made.append(straight_lines(target, placed, axis, eye))
            if "touch" in manners:
                made.append(touch_lines(target, placed, axis, eye))
        if manner in manners and ("units" in manners or "rule" in manners):
            made.append(offset_lines(target, placed, axis, way, eye))
        if "gaps" in manners and len(placed) > 1:
            made.append(gap_lines(target, placed, axis, eye=eye))
    if "pull" in manners:
        made.append(pulled_lines(target))
    if "from plumb" in manners:
        made += [
            offset_lines(target, placed[:1], 0, way, eye),
            straight_lines(target, placed[:1], 0, eye),
        ]
    if "tilt" in manners:
        made.append(tilt_lines(target, placed, eye))
    if "length" in manners:
        made.append(length_lines(target, placed, way, eye))
    return [each for each in made if len(each.via)]


def _last_gaps(target: Array, ground: Ground) -> list[Lines]:
    """For who has nothing but the eye: finer shares, as far again, and tenths."""
    parts = (*PARTS, *FINER, *BEYOND, *TENTHS)
    made = [gap_lines(target, ground.placed, axis, parts, ground.eye) for axis in (0, 1)]
    made += [straight_lines(target, ground.placed, axis, ground.eye) for axis in (0, 1)]
    return [each for each in made if len(each.via)]


def _always(target: Array, ground: Ground) -> list[Lines]:
    """Whatever the school allows, a plumb and a level with their offsets always place it."""
    made = [offset_lines(target, ground.placed, axis, ground.way, ground.eye) for axis in (0, 1)]
    made += [straight_lines(target, ground.placed, axis, ground.eye) for axis in (0, 1)]
    return [each for each in made if len(each.via)]


def _depths(via: Indices, weight: Array, depth: Indices) -> Indices:
    """(k,) the longest chain behind each line or spot."""
    behind = np.where(weight != 0.0, depth[via], 0) if len(depth) else np.zeros(via.shape, int)
    made: Indices = behind.max(axis=1)
    return made


def _spot(spots: Spots, ground: Ground) -> Choice | None:
    """The least troublesome of the spots."""
    if not len(spots.via):
        return None
    m = len(ground.placed)
    blocks = ground.covariance.reshape(m, 2, m, 2)
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
    behind = _depths(spots.via, w, ground.depth)
    trouble = np.sqrt(total) + spots.fuss + DEEPER_MM * behind
    trouble[behind > DEEPEST] = np.inf
    least = int(np.argmin(trouble))
    if not np.isfinite(trouble[least]):
        return None
    weights = np.zeros((2, 2 * m))
    for column, share in ((i[least], w[least, 0]), (j[least], w[least, 1])):
        weights[:, 2 * column : 2 * column + 2] += share * np.eye(2)
    move = Move("part", (int(i[least]), int(j[least])), float(spots.value[least]))
    return Choice(float(trouble[least]), (move,), weights, noise[least], spots.bias[least],
                  int(behind[least]) + 1)  # fmt: skip


def _crossing(target: Array, lines: Sequence[Lines], ground: Ground) -> Choice | None:
    """The least troublesome pair of lines that cross well, and only there."""
    if not lines:
        return None
    m = len(ground.placed)
    via = np.concatenate([each.via for each in lines])
    weight = np.concatenate([each.weight for each in lines])
    g = np.concatenate([each.g for each in lines])
    noise = np.concatenate([each.noise for each in lines])
    bias = np.concatenate([each.bias for each in lines])
    behind = _depths(via, weight, ground.depth)
    fuss = np.concatenate([each.fuss for each in lines]) + DEEPER_MM / 2.0 * behind
    source = [(each, row) for each in lines for row in range(len(each.via))]
    blocks = ground.covariance.reshape(m, 2, m, 2)

    def shared(p: Indices, q: Indices) -> Array:
        """(k,) covariance of what lines p and q carry on."""
        total = np.zeros(len(p))
        for a in (0, 1):
            for b in (0, 1):
                near = np.einsum("ka,kab,kb->k", g[p], blocks[via[p, a], :, via[q, b], :], g[q])
                total += weight[p, a] * weight[q, b] * near
        return total

    every = np.arange(len(via))
    own = shared(every, every)
    alone = np.sqrt(np.maximum(own, 0.0) + noise**2 + bias**2) + fuss
    alone[behind > DEEPEST] = np.inf
    short = _short_list(alone, g)
    a, b = np.triu_indices(len(short), 1)
    p, q = short[a], short[b]
    det = g[p, 0] * g[q, 1] - g[p, 1] * g[q, 0]
    good = (np.abs(det) >= CROSSING) & np.isfinite(alone[p] + alone[q])
    p, q, det = p[good], q[good], det[good]
    if not len(p):
        return None
    vp, vq, vpq = own[p] + noise[p] ** 2, own[q] + noise[q] ** 2, shared(p, q)
    # G^-1 = [[gq_y, -gp_y], [-gq_x, gp_x]] / det; rows for x and y of the place.
    variance = (
        (g[q, 1] ** 2 + g[q, 0] ** 2) * vp
        + (g[p, 1] ** 2 + g[p, 0] ** 2) * vq
        - 2.0 * (g[q, 1] * g[p, 1] + g[q, 0] * g[p, 0]) * vpq
    ) / det**2
    off_x = (g[q, 1] * bias[p] - g[p, 1] * bias[q]) / det
    off_y = (-g[q, 0] * bias[p] + g[p, 0] * bias[q]) / det
    trouble = np.sqrt(np.maximum(variance, 0.0) + off_x**2 + off_y**2)
    trouble = trouble + fuss[p] + fuss[q] + SECOND_MOVE
    for least in np.argsort(trouble, kind="stable")[:LOOKED_THROUGH]:
        i, j = int(p[least]), int(q[least])
        moves = tuple(_move(*source[each]) for each in (i, j))
        if not _meets_once(target, moves, ground.placed, g[[i, j]]):
            continue
        inverse = np.linalg.inv(np.array([g[i], g[j]]))
        rows = np.zeros((2, 2 * m))
        for row, line in enumerate((i, j)):
            for end in (0, 1):
                column = 2 * via[line, end]
                rows[row, column : column + 2] += weight[line, end] * g[line]
        spread = inverse @ np.diag([noise[i] ** 2, noise[j] ** 2]) @ inverse.T
        return Choice(
            float(trouble[least]), moves, inverse @ rows, spread,
            np.array([off_x[least], off_y[least]]), int(max(behind[i], behind[j])) + 1,
        )  # fmt: skip
    return None


def _short_list(alone: Array, g: Array) -> Indices:
    """The least troublesome lines, of both directions: many plumbs cross no plumb."""
    order = np.argsort(alone, kind="stable")
    flat = np.abs(g[order, 1]) > np.abs(g[order, 0])
    half = SHORT_LIST // 2
    made: Indices = np.concatenate([order[flat][:half], order[~flat][:half]])
    return made


def _move(lines: Lines, row: int) -> Move:
    w = lines.weight[row]
    via = tuple(int(each) for each, share in zip(lines.via[row], w, strict=True) if share)
    if lines.manner in ("across", "down"):
        via = (int(lines.via[row, 0]), int(lines.via[row, 1]))
    units = lines.units[row]
    return Move(lines.manner, via, float(lines.value[row]),
                None if np.isnan(units) else float(units))  # fmt: skip


def side_of(d: Array) -> str:
    """On which side something lies that is d away: the way it is further."""
    if abs(d[0]) >= abs(d[1]):
        return "right" if d[0] > 0 else "left"
    return "below" if d[1] > 0 else "above"


def _within_words(place: Array, target: Array, start: Array) -> bool:
    """Whether another place would also lie on the side that is said."""
    d, axis = target - start, 0 if abs((target - start)[0]) >= abs((target - start)[1]) else 1
    return bool(np.sign(d[axis]) * (place - start)[axis] > -MARGIN_MM)


def _meets_once(target: Array, moves: Sequence[Move], placed: Array, g: Array) -> bool:
    """Whether two lines meet at one place only that fits what is said of them."""
    arcs = [i for i, each in enumerate(moves) if each.manner == "length"]
    if not arcs:
        return True
    centre = placed[moves[arcs[0]].via[0]]
    if len(arcs) == 2:
        other = placed[moves[1].via[0]]
        base = (other - centre) / max(float(np.hypot(*(other - centre))), 1e-9)
        away = target - centre
        second = centre + 2.0 * (away @ base) * base - away
        return not (_within_words(second, target, centre) and _within_words(second, target, other))
    line = 1 - arcs[0]
    along = np.array([-g[line, 1], g[line, 0]])
    second = target - 2.0 * ((target - centre) @ along) * along
    if moves[line].manner == "tilt":
        start = placed[moves[line].via[0]]
        if (second - start) @ (target - start) <= 0.0:
            return True
    return not _within_words(second, target, centre)
