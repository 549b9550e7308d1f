"""The recipe: every landmark placed from those before it, stage by stage, with the error that is to
be expected of it.

Within a stage the landmark is placed next that is least trouble, in the least troublesome way (see
`choose`): a greedy tree, as R. Prim (1957) grows one, and the joint covariance S grows by it.
Lengths are reckoned from where the moves before really lead, so that rounding does not add up.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.patience import step
from zirkel.core.sheet.recipe.choose import (
    Choice,
    Ground,
    Move,
    Squares,
    Tick,
    as_fallen,
    best,
    by_eye,
    from_edges,
    side_of,
)
from zirkel.core.sheet.recipe.manners import USUAL, Judging, Way
from zirkel.core.sheet.recipe.order import Outline, Stage, extremes, longest_base, stages
from zirkel.core.sheet.recipe.own import Own

LOOKED_AT = 6
"""Landmarks of each sort that are looked at again after every placing."""

MOST_STARTS, MANY = 60, 150
"""Landmarks placed before that are looked at as starting points; beyond how many landmarks fewer
are."""

ALL_MANNERS = frozenset({"plumb", "level", "touch", "units", "tilt", "gaps", "part"})
EDGE = {"left": 0, "right": 0, "top": 1, "bottom": 1}


@dataclass(frozen=True, slots=True)
class Step:
    """One move of the hand, from landmarks by name. `manner` as in `choose.Move`; `side` says of an
    arc, a touch or an offset on which side of the landmark it starts from the new one lies."""

    manner: str
    via: tuple[str, ...]
    value: float
    units: float | None = None
    side: str = ""


@dataclass(frozen=True, slots=True)
class Construction:
    """How one landmark is placed: its steps, where they lead, and the distance from the plan to
    expect, root mean square, in mm; `depth` the longest chain of placings it hangs on, itself
    included."""

    landmark: str
    tier: int
    steps: tuple[Step, ...]
    place: tuple[float, float]
    sd_mm: float
    off_mm: float
    """How far where the steps lead lies from the plan, by rounding."""
    depth: int = 1
    stage: int = 0
    fell: bool = False
    """Whether it stands already, where it was measured on the sheet."""


@dataclass(frozen=True, slots=True)
class Recipe:
    """All constructions in the order of placing, the stages they belong to, the first ticks (axis,
    mm from the left or top edge, side); joint covariance (2m, 2m) and how a slip is carried on
    (2m, 2m): column pair k is what 1 mm at landmark k does to all."""

    constructions: tuple[Construction, ...]
    stages: tuple[Stage, ...] = ()
    ticks: tuple[Tick, ...] = ()
    covariance: Array | None = None
    carried: Array | None = None

    @property
    def hangs(self) -> dict[str, frozenset[str]]:
        """Of each landmark, in the order of placing, those placed from it, directly or by
        others."""
        made: dict[str, set[str]] = {each.landmark: set() for each in self.constructions}
        above: dict[str, set[str]] = {}
        for each in self.constructions:
            direct = {name for step in each.steps for name in step.via}
            above[each.landmark] = direct.union(*(above[name] for name in direct))
            for name in above[each.landmark]:
                made[name].add(each.landmark)
        return {name: frozenset(others) for name, others in made.items()}

    @property
    def steps_each(self) -> float:
        """Steps per landmark."""
        steps = sum(len(each.steps) for each in self.constructions)
        return steps / max(len(self.constructions), 1)


@dataclass(frozen=True, slots=True)
class Wishes:
    """What the recipe is for: the school's manners and grid, how lengths are set off, the unit's
    two ends, shapes, whether features come before the outline, how exact the eye is, and what the
    artist does otherwise."""

    manners: frozenset[str] = ALL_MANNERS
    squares: Squares | None = None
    step_mm: float = 1.0
    unit: tuple[str, str] | None = None
    shapes: tuple[Outline, ...] = ()
    inside_out: bool = False
    eye: Judging = USUAL
    own: Own = field(default_factory=Own)


PLAIN = Wishes()


def make_recipe(
    marks: Mapping[str, Sequence[float]],
    tiers: Mapping[str, int],
    unit_mm: float | None,
    wishes: Wishes = PLAIN,
) -> Recipe:
    """The recipe for marks (left, top) in mm.

    Manners are those a school allows: plumb, level, touch, tilt, length, gaps (shares of what lies
    between two landmarks, across or down), part; what lengths are counted by, units or rule; pull
    for heights that come straight from the subject, edge for places measured from the sheet's
    edges, square for places in the squares of a grid. Ruled lengths are said to multiples of
    `step_mm`.
    """
    if not marks:
        return Recipe(())
    places = {name: np.array(at, dtype=float) for name, at in marks.items()}
    # Who triangulates begins from a long base, not from the ends of the whole.
    base = longest_base(places, tiers) if wishes.manners == {"tilt"} else None
    inside_out = wishes.inside_out or base is not None
    own = tuple(name for name in wishes.own.order if name in places)
    order = [Stage("own", own)] if own else []
    order += stages(places, tiers, wishes.shapes, base or wishes.unit, inside_out)
    builder = _Builder(places, tiers, unit_mm, wishes)
    for number, stage in enumerate(order):
        placed = [
            each for each in stage.landmarks if each in places and each not in wishes.own.left_out
        ]
        if stage.kind == "own":
            for name in placed:
                builder.place_stage(number, [name])
        else:
            builder.place_stage(number, placed)
    m = len(builder.made)
    return Recipe(
        tuple(builder.made), tuple(order), tuple(builder.ticks()),
        builder.room[: 2 * m, : 2 * m], builder.carried[: 2 * m, : 2 * m],
    )  # fmt: skip


class _Builder:
    """What stands, and the constructions made."""

    def __init__(
        self, places: Mapping[str, Array], tiers: Mapping[str, int], unit_mm: float | None,
        wishes: Wishes,
    ) -> None:  # fmt: skip
        self.places, self.tiers, self.wishes = places, tiers, wishes
        self.way = Way(unit_mm, wishes.step_mm, "units" not in wishes.manners)
        self.sides = extremes(places)
        self.extent = float(np.ptp(np.array(list(places.values())), axis=0).max())
        self.names: list[str] = []
        self.placed: list[Array] = []
        self.depth: list[int] = []
        self.made: list[Construction] = []
        size = 2 * len(places)
        self.room, self.carried = np.zeros((size, size)), np.zeros((size, size))

    @property
    def _ticked(self) -> bool:
        """Whether the ends of the whole are ticked first: not by who triangulates, rules from edges
        or begins inside."""
        return "level" in self.wishes.manners and not self.wishes.inside_out

    def ticks(self) -> list[Tick]:
        """The first ticks, where the drawing begins with any."""
        if not self._ticked:
            return []
        return [tick for name in self.sides for tick in self._ticks_of(name)]

    def _ticks_of(self, name: str) -> list[Tick]:
        step = self.wishes.step_mm
        return [
            (EDGE[side], float(np.round(self.places[name][EDGE[side]] / step) * step), side)
            for side in self.sides.get(name, ())
        ]

    def place_stage(self, number: int, names: Sequence[str]) -> None:
        """Places all landmarks of a stage that don't stand yet, the easiest first."""
        waiting = [name for name in dict.fromkeys(names) if name not in self.names]
        choices: dict[str, Choice] = {}
        while waiting:
            step(f"working out the recipe: {len(self.names)} of {len(self.places)} placed")
            if not self.names and self.wishes.squares is None:
                name = waiting[0]
                first = from_edges(self.places[name], 0, self.wishes.step_mm)
                choices[name] = self._as_wished(name, first)
            else:
                for each in self._worth_another_look(waiting, choices):
                    choices[each] = self._best(each)
                # The unit's second end follows its first: everything is counted in it.
                counted = self.wishes.unit if "units" in self.wishes.manners else None
                second = next((n for n in waiting if n in (counted or ())), None)
                name = second or min(waiting, key=lambda each: choices[each].trouble)
            self._put(number, name, choices.pop(name))
            waiting.remove(name)

    def _best(self, name: str) -> Choice:
        """The best way from the landmarks placed first, which are the surest, and those nearest: of
        all, in a drawing that doesn't have very many."""
        m = len(self.placed)
        n = len(self.places)
        starts = MOST_STARTS if n <= MANY else MOST_STARTS // (3 if n <= 3 * MANY else 5)
        stand = np.array(self.placed).reshape(-1, 2)
        target = self.places[name]
        some = np.arange(m)
        if m > starts:
            away = np.hypot(*(stand - target).T)
            away[: starts // 3] = 0.0
            some = np.sort(np.argsort(away, kind="stable")[:starts])
        columns = (2 * some[:, None] + np.arange(2)).ravel()
        squares = self.wishes.squares
        manners = self.wishes.manners
        if n > 3 * MANY and "units" in manners:
            # Among so many landmarks halves and thirds are too many to be looked through.
            manners = manners - {"gaps", "part"}
        ground = Ground(
            stand[some], self.room[np.ix_(columns, columns)],
            np.array(self.depth, dtype=int)[some], self.way,
            manners, squares, self.wishes.eye,
        )  # fmt: skip
        ticks = self._ticks_of(name) if self._ticked else ()
        found = best(target, ground, ticks)
        weights = np.zeros((2, 2 * m))
        weights[:, columns] = found.weights
        moves = tuple(replace(e, via=tuple(int(some[i]) for i in e.via)) for e in found.moves)
        return self._as_wished(name, replace(found, moves=moves, weights=weights))

    def _as_wished(self, name: str, found: Choice) -> Choice:
        """The way found, or what the artist does instead of it."""
        own = self.wishes.own
        if name in own.fell:
            return as_fallen(found, np.array(own.fell[name]) - self.places[name])
        return by_eye(found, self.extent) if name in own.by_eye else found

    def _worth_another_look(
        self, waiting: Sequence[str], choices: Mapping[str, Choice]
    ) -> list[str]:
        """Those never looked at, those that are least trouble so far, and those nearest to the
        landmark placed last: for the others little has changed."""
        n = len(self.places)
        count = LOOKED_AT if n <= MANY else LOOKED_AT // (3 if n <= 3 * MANY else 6)
        new = [name for name in waiting if name not in choices]
        old = [name for name in waiting if name in choices]
        last = self.placed[-1] if self.placed else np.zeros(2)
        easy = sorted(old, key=lambda name: choices[name].trouble)[:count]
        near = sorted(old, key=lambda name: float(np.hypot(*(self.places[name] - last))))[:count]
        return list(dict.fromkeys([*new, *easy, *near]))

    def _put(self, stage: int, name: str, chosen: Choice) -> None:
        """Writes one landmark more into what stands."""
        size = 2 * len(self.placed)
        # A choice made some placings ago knows nothing of what was placed since.
        w = np.zeros((2, size))
        w[:, : chosen.weights.shape[1]] = chosen.weights
        reach = w @ self.room[:size, :size]
        own = reach @ w.T + chosen.noise
        self.room[size : size + 2, :size] = reach
        self.room[:size, size : size + 2] = reach.T
        self.room[size : size + 2, size : size + 2] = own
        self.carried[size : size + 2, :size] = w @ self.carried[:size, :size]
        self.carried[size : size + 2, size : size + 2] = np.eye(2)
        place = self.places[name] + chosen.bias
        steps = tuple(self._named(each, place) for each in chosen.moves)
        self.placed.append(place)
        self.names.append(name)
        self.depth.append(chosen.depth)
        self.made.append(
            Construction(
                name, self.tiers[name], steps, (float(place[0]), float(place[1])),
                float(np.sqrt(np.trace(own) + (chosen.bias**2).sum())),
                float(np.hypot(*chosen.bias)), chosen.depth, stage, name in self.wishes.own.fell,
            )
        )  # fmt: skip

    def _named(self, move: Move, place: Array) -> Step:
        """The move with landmarks by name, and on which side the new one lies."""
        via = tuple(self.names[each] for each in move.via)
        side = side_of(place - self.placed[move.via[0]]) if move.via else ""
        return Step(move.manner, via, move.value, move.units, side)
