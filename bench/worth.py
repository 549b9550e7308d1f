"""Does it pay? The same hand draws the same landmarks in the same time, as practised and with
Zirkel; what comes out in the end.

A reading takes 7 s and a mark 10 s, either way. *As practised*: each landmark from the nearest one
that stands, by a width and a height, or from its two nearest, the mean of both; then, until the
time is over, checks of long distances, two more readings before anything is moved, which then moves
by the mean of the three. From how many neighbours, and from how far off a check is proved again, is
what serves that artist best at each hand and time (`WAYS`). *With Zirkel*: the readings of
`zirkel sitting`, the marks by the recipe, a photograph (a minute with its taps, 1 mm), and what its
check orders carried out in another minute; twice, once or never, as serves best (`PASSES`).

The error is the root mean square distance of the large shapes' marks from the truth, in percent of
the height of all, the drawing laid over at its own place and size; of that the mean over all
subjects. It is broken down: what the readings leave, what the recipe adds, what the check takes.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass, replace
from itertools import product

import numpy as np

from bench.hands import DRIFT, MAKERS, TAKE, asked_for, fresh
from bench.recipe import suited_sheet
from zirkel.core.arrays import Array
from zirkel.core.artist import OwnHand
from zirkel.core.network.search import adjust
from zirkel.core.sheet.recipe.hand import follow
from zirkel.core.sheet.recipe.manners import PART_SHARE, STRAIGHT_SHARE, TILT_RAD, Judging, stepping
from zirkel.core.sightings import Sighting
from zirkel.core.simulation.artist import fresh_study
from zirkel.core.simulation.observer import observe, true_value, with_value
from zirkel.core.sitting.plan import plan_readings
from zirkel.core.study import Study
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.core.worked import Worked
from zirkel.scenes import shipped_scenes

READING_S, MARK_S, PHOTOGRAPH_S, CARRIED_OUT_S = 7.0, 10.0, 60.0, 60.0
HANDS = {"good": 0.7, "usual": 1.0, "rough": 1.6}
"""How much each hand errs against what is usual, in reading and in drawing."""

MINUTES = (10, 20, 40)
TAP = 0.06
WAYS = tuple(product((1, 2), (0.01, 0.015, 0.02, 0.03, 0.06)))
"""Neighbours that a mark is placed from, and the share of the height from which a check is proved
again: the best for the practised artist counts."""

PASSES = (0, 1, 2)
"""How often the drawing is photographed and corrected: the best for Zirkel's counts as well."""

LENGTH_SHARE, TAPPED_MM, LEAST_MM = 0.014, 1.0, 0.5
"""A length stepped off, as a share of it; a tap on a photograph; the finest that a mark is put."""

MOST_LANDMARKS, MADE, DRAWINGS = 20, 6, 2


@dataclass(frozen=True)
class Subject:
    """What is drawn: an empty study of it, and where its landmarks truly are, in units."""

    study: Study
    truth: Mapping[str, Array]

    @property
    def height(self) -> float:
        """The larger side of all, in units."""
        return float(np.ptp(np.array(list(self.truth.values())), axis=0).max())


def subjects(seed: int) -> list[Subject]:
    """The shipped scenes and some made ones."""
    rng = np.random.default_rng(seed)
    made = []
    for scene in shipped_scenes().values():
        study = fresh_study(scene, scene.station, suited_sheet(scene), TAP, rng)
        own = sorted(study.landmarks, key=lambda each: each.tier)
        ends = (study.unit.start, study.unit.end)
        kept = [e for e in own if e.id in ends]
        kept += [e for e in own if e.id not in ends][: MOST_LANDMARKS - 2]
        names = {each.id for each in kept}
        shapes = tuple(e for e in study.shapes if names.issuperset(e.outline))
        truth = truth_in_units(seen_landmarks(scene, scene.station), scene.unit)
        made.append(Subject(replace(study, landmarks=tuple(kept), shapes=shapes),
                            {name: np.asarray(truth[name]) for name in names}))  # fmt: skip
    for number in range(MADE):
        subject = MAKERS[number % len(MAKERS)](rng)
        made.append(Subject(fresh(subject, rng), subject.places))
    return made


class Artist:
    """One hand at one subject: it reads, steps off and marks, each with its own errors."""

    def __init__(self, subject: Subject, rough: float, seed: int) -> None:
        self.subject, self.rough = subject, rough
        self.rng = np.random.default_rng(seed)
        self.drifts = self.rng.normal(0.0, DRIFT, 200)
        self.eye = Judging(PART_SHARE * rough, STRAIGHT_SHARE * rough, TILT_RAD * rough,
                           LENGTH_SHARE * rough)  # fmt: skip
        self.taken = 0

    def read(self, kind: str, start: str, end: str, along: str | None) -> Sighting:
        """The next reading."""
        truth, drift = self.subject.truth, float(self.drifts[self.taken // TAKE])
        asked = asked_for(truth, kind, start, end, along, self.taken)
        self.taken += 1
        value = max(abs(true_value(asked, truth, drift)), 1e-3)
        own = self.rough * with_value(asked, value).default_sigma(in_mm=False)
        return replace(observe(replace(asked, sigma=own), truth, self.rng, drift), sigma=None)

    def offset(self, start: str, end: str, axis: int) -> float:
        """How far the end lies right of the start, or below it, as read, in units."""
        rough = {each.id: np.array(each.rough) for each in self.subject.study.landmarks}
        near = abs((rough[end] - rough[start])[axis]) < 0.3
        kind = ("drop", "level")[axis] if near else "span"
        reading = self.read(kind, start, end, ("level", "plumb")[axis])
        back = getattr(reading, "towards", "") in ("left", "up")
        return -reading.value if back else reading.value

    def stepped(self, length_mm: float, unit_mm: float) -> float:
        """The error of a length as it is stepped off."""
        exact = stepping(np.array([abs(length_mm)]), unit_mm, self.eye)[0]
        return float(self.rng.normal(0.0, math.hypot(exact, LEAST_MM)))


def laid_over(subject: Subject, lies: Mapping[str, Array], unit_mm: float) -> float:
    """How far the large shapes' marks are off, root mean square, in percent of the height; place
    and size of all are the drawing's own."""
    names = list(lies)
    p = np.array([subject.truth[name] for name in names]) * unit_mm
    q = np.array([lies[name] for name in names])
    a, b = p - p.mean(axis=0), q - q.mean(axis=0)
    off = b * float((a * b).sum() / (b**2).sum()) - a
    tiers = {each.id: each.tier for each in subject.study.landmarks}
    large = np.array([tiers[name] == 1 for name in names])
    return 100.0 * float(np.sqrt((off[large] ** 2).sum(axis=1).mean())) / (subject.height * unit_mm)


def practised(
    artist: Artist, minutes: float, unit_mm: float, neighbours: int, proved_from: float
) -> float:
    """What an artist brings out without Zirkel."""
    subject, left = artist.subject, 60.0 * minutes
    rough = {each.id: np.array(each.rough) for each in subject.study.landmarks}
    unit = subject.study.unit
    lies = {unit.start: np.zeros(2)}
    order = [unit.start]
    todo = [each.id for each in subject.study.landmarks if each.id != unit.start]
    tiers = {each.id: each.tier for each in subject.study.landmarks}
    while todo:
        name = min(todo, key=lambda n: (n != unit.end, tiers[n], _nearest(rough, n, order)[0]))
        todo.remove(name)
        places = []
        for _, other in _by_nearness(rough, name, order)[:neighbours]:
            d = np.array([artist.offset(other, name, axis) for axis in (0, 1)]) * unit_mm
            if name == unit.end:
                d = subject.truth[name] * unit_mm
            noise = [artist.stepped(d[axis], unit_mm)
                     + artist.rng.normal(0.0, artist.eye.straight * abs(d[1 - axis]))
                     for axis in (0, 1)]  # fmt: skip
            places.append(lies[other] + d + noise)
            left -= 2 * READING_S + MARK_S
        lies[name] = np.mean(places, axis=0)
        order.append(name)
    limit = proved_from * subject.height * unit_mm
    for a, b, axis in _long_distances(rough, order):
        if left < READING_S:
            break
        left -= READING_S
        off = [_against(artist, lies, a, b, axis, unit_mm)]
        if abs(off[0]) > limit and left >= 2 * READING_S + MARK_S:
            off += [_against(artist, lies, a, b, axis, unit_mm) for _ in range(2)]
            left -= 2 * READING_S
            if abs(np.mean(off)) > limit:
                left -= MARK_S
                moved = -float(np.mean(off))
                lies[b] = lies[b] + np.eye(2)[axis] * (moved + artist.stepped(moved, unit_mm))
    return laid_over(subject, lies, unit_mm)


def _by_nearness(
    rough: Mapping[str, Array], name: str, among: list[str]
) -> list[tuple[float, str]]:
    return sorted((float(np.hypot(*(rough[name] - rough[n]))), n) for n in among)


def _nearest(rough: Mapping[str, Array], name: str, among: list[str]) -> tuple[float, str]:
    return _by_nearness(rough, name, among)[0]


def _long_distances(rough: Mapping[str, Array], order: list[str]) -> Iterator[tuple[str, str, int]]:
    """Each landmark in turn against what lies furthest, the one placed later last."""
    far = {name: [n for _, n in reversed(_by_nearness(rough, name, order)) if n != name]
           for name in order}  # fmt: skip
    for rank in range(10 * len(order)):
        for name in order:
            other = far[name][(rank // 2) % len(far[name])]
            a, b = sorted((name, other), key=order.index)
            yield a, b, rank % 2


def _against(
    artist: Artist, lies: Mapping[str, Array], a: str, b: str, axis: int, unit_mm: float
) -> float:
    """How much too far apart two marks are, as read on the subject and stepped off on the sheet."""
    read = artist.offset(a, b, axis) * unit_mm
    drawn = float((lies[b] - lies[a])[axis])
    return drawn + artist.stepped(drawn, unit_mm) - read


def with_zirkel(artist: Artist, minutes: float, passes: int) -> tuple[float, float, float]:
    """What the readings leave, the drawing by the recipe before its check, and after it."""
    subject = artist.subject
    marks = len(subject.study.landmarks)
    left = 60.0 * minutes - marks * MARK_S - passes * (PHOTOGRAPH_S + CARRIED_OUT_S)
    plan = plan_readings(adjust(subject.study), max(int(left / READING_S), 2 * marks))
    readings = tuple(artist.read(e.kind, e.start, e.end, e.along) for e in plan.sightings)
    hand = OwnHand(artist.eye.length, math.degrees(artist.eye.tilt), artist.eye.part)
    study = replace(subject.study, sightings=readings, hand=hand, drawn_by="recipe",
                    drawn_sigma_mm=TAPPED_MM)  # fmt: skip
    worked = Worked(study)
    unit_mm = worked.plan.unit_mm
    by_plan = {name: np.array([mark.held_left_mm, mark.held_top_mm])
               for name, mark in worked.plan.marks.items()}  # fmt: skip
    placed = follow(worked.recipe, worked.stepped_in, artist.rng, eye=artist.eye)
    lies = {name: placed.get(name, at) for name, at in by_plan.items()}
    before = laid_over(subject, lies, unit_mm)
    for _ in range(passes):
        tapped = {n: tuple(at + artist.rng.normal(0.0, TAPPED_MM, 2)) for n, at in lies.items()}
        found = Worked(replace(study, drawn=tapped)).checked
        moves = sum((each.moves for each in found.orders), found.touched)
        for name, move in zip(found.drawing.ids, moves, strict=True):
            if np.hypot(*move) > 0.0:
                noise = [artist.stepped(float(each), unit_mm) for each in move]
                lies[name] = lies[name] + move + noise
    return laid_over(subject, by_plan, unit_mm), before, laid_over(subject, lies, unit_mm)


def one(task: tuple[int, int, float, int]) -> tuple[list[float], list[tuple[float, float, float]]]:
    """Errors of one hand at one subject in so many minutes: as practised, in each of its `WAYS`;
    with Zirkel, in three stages, for each number of `PASSES`."""
    seed, number, rough, minutes = task
    subject = subjects(seed)[number]
    unit_mm = Worked(subject.study).plan.unit_mm or 100.0
    theirs = [practised(Artist(subject, rough, number), minutes, unit_mm, *way) for way in WAYS]
    ours = [with_zirkel(Artist(subject, rough, number), minutes, each) for each in PASSES]
    return theirs, ours


def compared(rough: float, minutes: int, workers: int = 2) -> tuple[float, float, float, float]:
    """Means over all subjects: as practised at its best, and with Zirkel what the readings leave,
    before the check, after it."""
    tasks = [(seed, number, rough, minutes)
             for seed in range(DRAWINGS) for number in range(len(subjects(seed)))]  # fmt: skip
    with ProcessPoolExecutor(workers) as pool:
        rows = list(pool.map(one, tasks))
    theirs = np.mean([each for each, _ in rows], axis=0).min()
    readings, before, after = min(np.mean([each for _, each in rows], axis=0), key=lambda e: e[2])
    return float(theirs), float(readings), float(before), float(after)


def main() -> None:
    """Print the table."""
    print("| hand | minutes | as practised | with Zirkel | ratio | readings | with the recipe |")
    print("|---|---|---|---|---|---|---|")
    for (name, rough), minutes in product(HANDS.items(), MINUTES):
        theirs, readings, before, after = compared(rough, minutes)
        print(f"| {name} | {minutes} | {theirs:.2f} % | {after:.2f} % | {after / theirs:.2f} | "
              f"{readings:.2f} % | {before:.2f} % |", flush=True)  # fmt: skip


if __name__ == "__main__":
    main()
