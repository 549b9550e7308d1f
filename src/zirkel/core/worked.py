"""One study worked out once: solution, plan, words, what to sight next, relations, trust, recipe.

Each part is computed when it is first asked for, and then kept; views of one version of a study
share it. A version that follows another starts its adjustment from the places of that one.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Collection, Sequence
from contextlib import AbstractContextManager
from dataclasses import replace
from threading import RLock
from typing import Any, TypeVar, cast

from zirkel.core.arrays import Array
from zirkel.core.check.correct import Check, check
from zirkel.core.check.drawing import drawing_of
from zirkel.core.check.true_places import TruePlaces, true_places
from zirkel.core.heads.canons import Canon
from zirkel.core.heads.figure import FigureMeasures, measure_figure
from zirkel.core.heads.solved import SolvedHead, solve_head
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.ambiguity import Ambiguity, ambiguities
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.network.families import Perspective, perspective, receding
from zirkel.core.network.relations import Found, find_relations
from zirkel.core.network.solve import Solution, solve
from zirkel.core.network.standing import sliding, standings
from zirkel.core.network.trust import Component, personal_trust
from zirkel.core.network.what_next import Next, what_next
from zirkel.core.perspective.ellipses import Rounds, rounds_seen
from zirkel.core.perspective.on_sheet import DepthOnSheet, depth_on_sheet
from zirkel.core.schools import OTHERWISE, School, Table, school_of, tables_of
from zirkel.core.sheet.arithmetic.grid import Grid, grid_over
from zirkel.core.sheet.plan import Plan, make_plan
from zirkel.core.sheet.recipe import Outline, Recipe, Wishes, make_recipe
from zirkel.core.sheet.recipe.choose import Squares
from zirkel.core.sheet.recipe.dictation import Item, dictation
from zirkel.core.sheet.recipe.glances import glances
from zirkel.core.sheet.recipe.manners import USUAL, Judging
from zirkel.core.sheet.recipe.own import own_of
from zirkel.core.study import Study, UnitLength, UnitPair
from zirkel.core.tones.estimate import Estimate, estimate
from zirkel.core.tones.media import MediumData
from zirkel.core.tones.overlaps import Layers, layers_of
from zirkel.core.tones.plan import USUAL_GROUPS, TonePlan, plan_tones
from zirkel.core.tones.shares import shares_of
from zirkel.core.tones.what_next import NextComparison, next_comparisons
from zirkel.core.values.lengths import SIXTEENTH_MM
from zirkel.core.words.base import Words, words_of
from zirkel.core.words.network import say_scatter
from zirkel.core.words.sight_size import say_off_sight_size

PROMPTED = 5
RELATIONS = 40

MOST_HANGING = 120
"""Landmarks up to which a check asks what was placed from what."""

SAME_SIZE = 0.01
"""Share by which a drawing may differ from sight-size and still be taken for it."""

T = TypeVar("T")


class Worked:
    """A study with all that follows from it, each part worked out when it is first asked for.

    Two threads that ask for the same part wait for one computation of it; nobody waits for a part
    that he hasn't asked for, as a reading must not wait for the relations of the version before.
    """

    def __init__(
        self,
        study: Study,
        before: Adjustment | None = None,
        solution: Solution | None = None,
    ) -> None:
        """`before` is the adjustment of an earlier version, to start from; `solution` that of one
        with the same readings."""
        self.study = study
        self._before = before
        self._locks: dict[str, AbstractContextManager[bool]] = {}
        self._parts: dict[str, Any] = {} if solution is None else {"solution": solution}

    def _once(self, name: str, make: Callable[[], T]) -> T:
        if name in self._parts:
            return cast("T", self._parts[name])
        with self._locks.setdefault(name, RLock()):
            if name not in self._parts:
                self._parts[name] = make()
            return cast("T", self._parts[name])

    def followed_by(self, study: Study) -> Worked:
        """The next version, to be adjusted from where this one was, if that is known."""
        if "solution" not in self._parts:
            return Worked(study, self._before)
        if _measured(study) == _measured(self.study):
            return Worked(study, solution=_retold(self.solution, study))
        return Worked(study, self.solution.adjusted)

    @property
    def solved(self) -> bool:
        """Whether its readings have been adjusted already."""
        return "solution" in self._parts

    @property
    def solution(self) -> Solution:
        """What the readings say."""
        return self._once("solution", lambda: solve(self.study, self._before))

    @property
    def places(self) -> dict[str, Array]:
        """Places (2,) in units by landmark, where they are held meanwhile."""
        adjusted = self.solution.adjusted
        return dict(zip(adjusted.network.ids, adjusted.places, strict=True))

    @property
    def positions(self) -> dict[str, tuple[float, float]]:
        """The same as plain numbers."""
        return {name: (float(x), float(y)) for name, (x, y) in self.places.items()}

    @property
    def sliding(self) -> dict[str, str | float]:
        """Which way each landmark that is not held could slide."""
        return self._once("sliding", lambda: sliding(self.solution))

    @property
    def standing(self) -> dict[str, str]:
        """How each landmark stands."""
        return self._once("standing", lambda: standings(self.solution, self.sliding))

    @property
    def plan(self) -> Plan:
        """Where each landmark goes on the sheet."""
        return self._once("plan", lambda: make_plan(self.study, self.solution))

    @property
    def words(self) -> Words:
        """How landmarks, counts and lengths are called."""
        return self._once("words", lambda: words_of(self.study, self.plan.unit_mm))

    def next(self, unseen: Collection[str] = ()) -> Next:
        """What to sight next, of what can be seen from where the artist stands."""
        name = f"next without {sorted(unseen)}"
        return self._once(name, lambda: what_next(self.solution.adjusted, PROMPTED, unseen))

    def ambiguities(self, unseen: Collection[str] = ()) -> tuple[Ambiguity, ...]:
        """Placements that may be wrong."""
        name = f"ambiguities without {sorted(unseen)}"
        return self._once(name, lambda: ambiguities(self.solution.adjusted, unseen))

    @property
    def relations(self) -> Found:
        """The simple relations in the solved drawing."""
        return self._once("relations", lambda: self.find_relations(RELATIONS))

    def find_relations(self, count: int) -> Found:
        """So many of them; none that leans on a landmark in doubt or that may lie elsewhere."""
        shaky = {name for name, how in self.standing.items() if how == "doubt"}
        shaky |= {each.landmark for each in self.ambiguities()}
        return find_relations(self.solution.adjusted, count, self.plan.unit_mm, shaky)

    @property
    def trust(self) -> tuple[Component, ...]:
        """How good each kind of reading really is, by the study's own readings."""
        return self._once("trust", lambda: personal_trust(self.solution.adjusted))

    @property
    def school(self) -> School:
        """The school that the study works by."""
        return school_of(self.study.method)

    @property
    def grid(self) -> Grid | None:
        """The grid over the frame; None without breadth."""
        return self._once("grid", lambda: grid_over(self.plan, self.study.sheet))

    @property
    def tables(self) -> tuple[Table, ...]:
        """The school's own arithmetic."""
        return self._once("tables", lambda: tables_of(self))

    @property
    def squares(self) -> Squares | None:
        """The squares of a school that places by them; None for the others."""
        grid = self.grid if "square" in self.school.manners else None
        if grid is None:
            return None
        return Squares(grid.across_mm[0], grid.down_mm[0], grid.square_mm)

    @property
    def at_sight_size(self) -> bool:
        """Whether the drawing is as large as the subject looks from the station: what is read is
        millimetres of the sheet, or the unit has been set to what it measures from there."""
        fixed = self.study.sight_size_mm
        if isinstance(self.study.unit, UnitLength):
            return True
        unit_mm = self.plan.unit_mm
        return fixed is not None and unit_mm is not None and abs(unit_mm / fixed - 1.0) < SAME_SIZE

    @property
    def off_sight_size(self) -> str | None:
        """What is wrong where a school at sight-size draws at another size, or None."""
        if self.at_sight_size or not self.school.at_sight_size:
            return None
        return say_off_sight_size(self.words, self.study.sight_size_mm)

    @property
    def agreement(self) -> str | None:
        """How well the readings agree on the whole, in words: said wherever certainty is shown."""
        found = self.solution
        return say_scatter(found.scatter, found.variance_factor, found.adjusted.freedom)

    @property
    def manners(self) -> frozenset[str]:
        """The manners of placing that the school allows here: heights are pulled straight across
        only where the drawing is at sight-size."""
        school = self.school
        if school.at_sight_size and not self.at_sight_size:
            return school_of(OTHERWISE).manners
        return school.manners

    @property
    def perspective(self) -> Perspective:
        """Eye level and vanishing points of the study's families."""
        return self._once("perspective", lambda: perspective(self.solution.adjusted))

    @property
    def rounds(self) -> Rounds:
        """What the study's circles tell; with the eye level, where families know it."""
        return self._once("rounds", self._rounds)

    def _rounds(self) -> Rounds:
        found, eye = self.perspective, None
        if found.eye_level is not None and found.eye_sd is not None:
            eye = found.eye_level, found.eye_sd
        index, places, covariance, _ = self._known_places
        return rounds_seen(self.study.rounds, index, places, covariance, eye)

    @property
    def depth_on_sheet(self) -> DepthOnSheet:
        """What depth puts on the sheet."""
        return self._once(
            "depth on sheet",
            lambda: depth_on_sheet(
                self.study, self.plan, self.perspective, self.rounds, self.positions
            ),
        )

    @property
    def tones(self) -> Estimate:
        """What the comparisons of light and dark say."""
        study = self.study
        return self._once("tones", lambda: estimate(study.tone_areas, study.tone_readings))

    @property
    def shares(self) -> dict[str, float]:
        """Each area's share of the frame."""
        frame = self.study.frame
        box = None if frame is None else (frame.left, frame.right, frame.top, frame.bottom)
        return shares_of(self.study.tone_areas, self.positions, box)

    def plan_tones(self, data: MediumData | None, count: int = USUAL_GROUPS) -> TonePlan:
        """So many flat tones in the study's medium, of which this is known."""
        study = self.study
        return plan_tones(study.tone_areas, self.tones, self.shares, study.tone_medium, data, count)

    @property
    def next_comparisons(self) -> tuple[NextComparison, ...]:
        """What to compare next."""
        return self._once("next comparisons", lambda: next_comparisons(self.tones))

    @property
    def layers(self) -> Layers:
        """Which shape stands before which."""
        overlaps = [(each.front, each.behind) for each in self.study.overlaps]
        return layers_of((each.id for each in self.study.shapes), overlaps)

    @property
    def running_back(self) -> tuple[tuple[str, str], ...]:
        """Edges that run back, (near end, far end), by the families of parallel edges."""
        if not self.study.families:
            return ()
        return tuple(receding(self.perspective, self.positions))

    def heads(self, canons: Sequence[Canon]) -> tuple[SolvedHead, ...]:
        """The study's heads, fitted, compared with these canons."""
        known = self._known_places
        return self._once(
            "heads", lambda: tuple(solve_head(e, *known, canons) for e in self.study.heads)
        )

    def figures(self, canons: Sequence[Canon]) -> tuple[FigureMeasures, ...]:
        """What the study's figures tell, compared with these canons."""
        return tuple(measure_figure(e, *self._known_places, canons) for e in self.study.figures)

    @property
    def _known_places(self) -> tuple[dict[str, int], Array, Array, frozenset[str]]:
        """Numbers of the landmarks, their places (n, 2), covariance (2n, 2n), which are loose."""
        adjusted = self.solution.adjusted
        n = len(adjusted.network.ids)
        covariance = prior_cofactor(adjusted)[: 2 * n, : 2 * n]
        return adjusted.network.index, adjusted.places, covariance, self.loose

    @property
    def loose(self) -> frozenset[str]:
        """Landmarks that the readings do not hold."""
        return frozenset(each.landmark for each in self.solution.loose)

    @property
    def checked(self) -> Check | None:
        """The drawing checked, as it was measured; None where too little of it was."""
        return self._once("checked", self._checked)

    def _checked(self) -> Check | None:
        hangs = self.recipe.hangs if len(self.study.landmarks) <= MOST_HANGING else {}
        drawing = drawing_of(
            self.study, self.solution.adjusted, self.plan, self.solution.scatter, hangs,
            self.running_back,
        )  # fmt: skip
        unit_mm = self.plan.unit_mm or 1.0
        return None if drawing is None else check(drawing, self.solution.adjusted, unit_mm)

    @property
    def true_places(self) -> TruePlaces | None:
        """Where a real subject's landmarks truly are, by a photograph of it; None without one."""
        return self._once(
            "true places", lambda: true_places(self.study, self.solution.adjusted, self.loose)
        )

    @property
    def sure_enough(self) -> float | None:
        """How sure the artist wants the large shapes, in units; None where not said."""
        own, size = self.study.tolerance, self.plan.unit_mm
        return own.large / size if own and own.large and size else None

    @property
    def recipe(self) -> Recipe:
        """How to place every landmark that is held, by the study's school."""
        return self._once("recipe", self._recipe)

    def _recipe(self) -> Recipe:
        marks = {
            name: (mark.held_left_mm, mark.held_top_mm)
            for name, mark in self.plan.marks.items()
            if name not in self.loose
        }
        study, unit = self.study, self.study.unit
        wishes = Wishes(
            self.manners, self.squares,
            SIXTEENTH_MM if study.inches else 1.0,
            (unit.start, unit.end) if isinstance(unit, UnitPair) else None,
            tuple(Outline(each.id, each.outline, each.closed, each.tier) for each in study.shapes),
            study.inside_out,
            self.judging, own_of(study),
        )  # fmt: skip
        tiers = {each.id: each.tier for each in study.landmarks}
        return make_recipe(marks, tiers, self.stepped_in, wishes)

    @property
    def judging(self) -> Judging:
        """How exact hand and eye are: the artist's own, as far as they are known."""
        eye, hand = self.study.eye, self.study.hand
        own = USUAL if eye is None else Judging(eye.part, eye.straight)
        if hand is None:
            return own
        tilt = None if hand.tilt_degrees is None else math.radians(hand.tilt_degrees)
        return own._replace(part=hand.part or own.part, length=hand.length, tilt=tilt or own.tilt)

    @property
    def stepped_in(self) -> float | None:
        """The unit that lengths are stepped off in, in mm; None where they are ruled in mm."""
        return None if isinstance(self.study.unit, UnitLength) else self.plan.unit_mm

    @property
    def dictation(self) -> tuple[Item, ...]:
        """The recipe as a teacher would dictate it."""
        return self._once("dictation", self._dictation)

    def _dictation(self) -> tuple[Item, ...]:
        recipe = self.recipe
        looks = glances(recipe, self.stepped_in, self.manners, self.judging)
        manners = self.manners
        first = "plumb" if "pull" in manners else "grid" if self.squares else ""
        return dictation(recipe, looks, first, not self.study.box_ticked)


def _measured(study: Study) -> tuple[object, ...]:
    """All of a study that its adjustment depends on."""
    depth = study.families, study.rounds, study.shadows
    own = study.trust, study.counted_to, study.leanings
    return study.landmarks, study.sightings, study.unit, *own, *depth


def _retold(solution: Solution, study: Study) -> Solution:
    """The solution as that of a study with the same readings."""
    network = replace(solution.adjusted.network, study=study)
    return replace(solution, adjusted=replace(solution.adjusted, network=network))
