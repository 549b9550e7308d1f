"""Twelve landmarks in two minutes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.practice.board import Piece, Posed, Way, box, dot
from zirkel.core.practice.exercises.base import Exercise, Line, Outcome, Scenes, graded
from zirkel.core.practice.looks import Look, look_at

TALL = 0.56
SIDE = 0.47
LEFT, RIGHT, TOP = 0.015, 0.515, 0.045
LANDMARKS, SECONDS = 12, 120.0
MOST_LANDMARKS = 15
APART = 0.022
"""How far apart landmarks lie on the board, to be told from one another."""

FEWEST = 6
"""Landmarks without which nothing is scored: who stopped earlier has not blocked in."""


def say_time(seconds: float) -> str:
    """How long: "two minutes", "90 seconds"."""
    return "two minutes" if seconds == SECONDS else f"{seconds:.0f} seconds"


@dataclass(frozen=True, slots=True)
class Fitted:
    """Placed points after the best size, place and turn: off (n, 2) in shares of the whole's
    larger side; `stretch` how much too tall for its width it was placed; which of the landmarks
    were placed."""

    off: Array
    stretch: float
    placed: tuple[int, ...]


class PlacedPoints(Exercise):
    """Several points placed in an empty frame, at any size and place."""

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """Each coordinate's error after the best size, place and turn. The fit takes four of the
        2n errors; what is left is made that much larger."""
        fitted = fit(posed, answer)
        n = len(fitted.placed)
        freed = float(np.sqrt(2 * n / (2 * n - 4)))
        return [Outcome(self.lines[0], 0.0, float(e) * freed) for e in fitted.off.ravel()]

    def over(self, posed: Posed, answer: Sequence[float]) -> tuple[Piece, ...]:
        """The truth at the size, place and turn at which they were placed: what is off looks as far
        off as it is told."""
        return over_at_size(posed, answer)


class BlockIn(PlacedPoints):
    """A scene with twelve numbered landmarks; each to be set in the empty frame, in that order."""

    name, title = "block_in", "Block in the landmarks"
    trains = "Everything at once and against time: the proportions of the whole, before any part."
    lines = (
        Line("block_in", "Block in: each landmark", "share", "", "", usual=0.03, good=0.02,
             of="of the whole"),
        Line("block_in_height", "Block in: height to width", "relative", "too tall", "too wide",
             usual=0.06, good=0.04, kinds=("span",)),
    )  # fmt: skip
    in_a_drill = 1
    fewest = FEWEST
    seconds = 100.0

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """The largest landmarks first."""
        many = round(graded(level, LANDMARKS, 7, MOST_LANDMARKS))
        seconds = round(graded(level, SECONDS, 12.0 * many, 6.0 * many))
        look = look_at(scenes, rng, (LEFT, TOP, LEFT + SIDE, TOP + SIDE), many)
        names = chosen(look, rng, many)
        there = np.array([look.places[each] for each in names])
        truth = (there - (LEFT, TOP)) / SIDE
        over = truth * SIDE + (RIGHT, TOP)
        return Posed(
            asks=f"Block it in: {len(names)} landmarks in turn, {say_time(seconds)}. Any size, any "
            "place.", tall=TALL,
            pieces=(
                box(RIGHT, TOP, RIGHT + SIDE, TOP + SIDE),
                *(dot(look.places[each], "heavy", str(k + 1)) for k, each in enumerate(names)),
            ),
            way=Way("places", ((RIGHT, TOP), (RIGHT + SIDE, TOP + SIDE)),
                    names=tuple(look.names[each] for each in names), seconds=seconds),
            truth=tuple(float(each) for each in truth.ravel()),
            laid_over=tuple(dot((float(x), float(y)), "truth") for x, y in over),
            picture=look.picture, landmarks=tuple(names),
        )  # fmt: skip

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """As of any placed points, and how much too tall it is."""
        tall = 1.0 + fit(posed, answer).stretch
        return [*super().outcomes(posed, answer), Outcome(self.lines[1], 1.0, tall)]


def over_at_size(posed: Posed, answer: Sequence[float]) -> tuple[Piece, ...]:
    """The true places at the size, place and turn of those that were placed."""
    placed, true, drawn = pairs(posed, answer)
    if len(placed) < 2:
        return posed.laid_over
    z, w = true[:, 0] + 1j * true[:, 1], drawn[:, 0] + 1j * drawn[:, 1]
    turn = _turn(z, w)
    every = np.array(posed.truth).reshape(-1, 2)
    there = (every[:, 0] + 1j * every[:, 1] - z.mean()) / turn + w.mean()
    return tuple(
        dot((float(each.real) * SIDE + RIGHT, float(each.imag) * SIDE + TOP), "truth")
        for each in there
    )


def _turn(z: Array, w: Array) -> complex:
    """Size and turn, as one number, that bring the placed ones to the true ones."""
    z0, w0 = z - z.mean(), w - w.mean()
    return complex(np.vdot(w0, z0)) / max(float(np.vdot(w0, w0).real), 1e-12) or 1.0


def chosen(look: Look, rng: np.random.Generator, many: int = LANDMARKS) -> list[str]:
    """So many landmarks, the lower tiers first, from the top down; near ones only where there are
    not as many that lie apart."""
    names = sorted(look.places)
    rng.shuffle(names)
    names.sort(key=lambda each: look.tiers[each])
    kept: list[str] = []
    for name in names:
        x, y = look.places[name]
        near = [np.hypot(x - a, y - b) for a, b in (look.places[each] for each in kept)]
        if min(near, default=1.0) >= APART and len(kept) < many:
            kept.append(name)
    kept += [name for name in names if name not in kept][: many - len(kept)]
    return sorted(kept, key=lambda each: look.places[each][1])


def fit(posed: Posed, answer: Sequence[float]) -> Fitted:
    """The best size, place and turn (a least-squares similarity), and the best stretch as well."""
    placed, true, drawn = pairs(posed, answer)
    z, w = true[:, 0] + 1j * true[:, 1], drawn[:, 0] + 1j * drawn[:, 1]
    z0, w0 = z - z.mean(), w - w.mean()
    turn = _turn(z, w)
    size = max(float(np.ptp(true, axis=0).max()), 1e-9)
    e = (turn * w0 - z0) / size
    # Of the same points: d = scale * stretch on the upright alone, to first order.
    across = float(np.dot(true[:, 0] - true[:, 0].mean(), drawn[:, 0] - drawn[:, 0].mean()))
    down = float(np.dot(true[:, 1] - true[:, 1].mean(), drawn[:, 1] - drawn[:, 1].mean()))
    across /= max(float(np.var(true[:, 0]) * len(true)), 1e-12)
    down /= max(float(np.var(true[:, 1]) * len(true)), 1e-12)
    stretch = down / across - 1.0 if across > 0.05 else 0.0
    return Fitted(np.column_stack([e.real, e.imag]), float(np.clip(stretch, -0.9, 9.0)), placed)


def pairs(posed: Posed, answer: Sequence[float]) -> tuple[tuple[int, ...], Array, Array]:
    """Which landmarks were placed, where they truly are, and where they were put, (n, 2) each."""
    drawn = np.asarray(answer, dtype=float).reshape(-1, 2)
    placed = tuple(int(i) for i in np.flatnonzero(np.isfinite(drawn).all(axis=1)))
    true = np.array(posed.truth).reshape(-1, 2)
    at = list(placed)
    return placed, true[at], drawn[at]
