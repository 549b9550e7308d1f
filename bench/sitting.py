"""Sittings at made-up subjects: planned readings of the large shapes against a sensible order of as
many, what was expected against what was found, and what control readings find after a break.

Subjects, hand and the sensible order are those of `hands`. The error is the root mean square over
the coordinates of the tier-1 landmarks but the origin.
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from bench.hands import MAKERS, Hand, Subject, following, fresh, run, sensible
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.search import adjust
from zirkel.core.network.solve import solve
from zirkel.core.network.what_next import Suggestion
from zirkel.core.sightings import Sighting
from zirkel.core.sitting.control import controls, same_place
from zirkel.core.sitting.plan import plan_readings
from zirkel.core.study import Study

SUBJECTS, COUNTS = 60, (8, 16, 30)


def large_error(study: Study, subject: Subject) -> float:
    """(RMS over coordinates) of the tier-1 landmarks, in units."""
    found = solve(study).landmarks
    off = [
        np.array([found[n].held_x, found[n].held_y]) - subject.places[n]
        for n, tier in subject.tiers.items()
        if tier == 1
    ]
    return float(np.sqrt(np.mean(np.square(off))))


def planned(subject: Subject, seed: int, count: int) -> tuple[float, float]:
    """Error found and expected once the planned readings are taken."""
    rng = np.random.default_rng(seed)
    study = fresh(subject, rng)
    hand = Hand(subject, rng)
    plan = plan_readings(adjust(study), count)
    readings = [
        hand.read(each.kind, each.start, each.end, each.along, number)
        for number, each in enumerate(plan.sightings)
    ]
    return large_error(replace(study, sightings=tuple(readings)), subject), plan.expected_sd


def unplanned(subject: Subject, seed: int, count: int) -> float:
    """Error of a sensible order of as many readings."""
    rng = np.random.default_rng(seed)
    study = fresh(subject, rng)
    hand = Hand(subject, rng)
    asking = sensible(study)
    readings = [hand.read(*next(asking), number) for number in range(count)]
    return large_error(replace(study, sightings=tuple(readings)), subject)


def main() -> None:
    """Print the table."""
    print("| readings | planned | sensible | ratio | found over expected |")
    print("|---|---|---|---|---|")
    for count in COUNTS:
        ours, theirs, expected = [], [], []
        for number in range(SUBJECTS):
            subject = MAKERS[number % len(MAKERS)](np.random.default_rng(900 + number))
            error, sd = planned(subject, number, count)
            ours.append(error)
            expected.append(sd)
            theirs.append(unplanned(subject, number, count))
        a, b, e = (float(np.sqrt(np.mean(np.square(each)))) for each in (ours, theirs, expected))
        print(f"| {count} | {a:.3f} | {b:.3f} | {a / b:.2f} | {a / e:.2f} |")
    print()
    print("| after the break | told | larger by (sd) | turned by (sd) |")
    print("|---|---|---|---|")
    places = [sighted(number) for number in range(SUBJECTS)]
    for larger, turned in (
        (0.0, 0.0),
        (0.0, 1.5),
        (0.0, 2.0),
        (0.03, 2.0),
        (0.06, 0.0),
        (0.0, 4.0),
        (0.1, 0.0),
    ):
        found = [
            same_place(adjusted, taken_again(subject, asked, larger, turned, number))
            for number, (subject, adjusted, asked) in enumerate(places)
        ]
        told = np.mean([not each.same for each in found])
        size = np.array([each.larger for each in found])
        turn = np.array([each.turned_deg for each in found])
        print(f"| {larger:.0%} larger, {turned:g}° turned | {told:.0%} | {size.mean():.1%} "
              f"({size.std():.1%}) | {turn.mean():.1f}° ({turn.std():.1f}°) |")  # fmt: skip


def sighted(number: int) -> tuple[Subject, Adjustment, tuple[Suggestion, ...]]:
    """A subject sighted thirty times, and the control readings that are asked then."""
    subject = MAKERS[number % len(MAKERS)](np.random.default_rng(700 + number))
    readings = tuple(run(subject, number, following, 30).readings)
    study = replace(fresh(subject, np.random.default_rng(number)), sightings=readings)
    adjusted = adjust(study)
    return subject, adjusted, controls(adjusted)


def taken_again(
    subject: Subject, asked: tuple[Suggestion, ...], larger: float, turned: float, seed: int
) -> list[Sighting]:
    """The control readings from where all looks larger and turned, in a take that drifts as any."""
    a = np.radians(turned)
    turn = (1.0 + larger) * np.array([[np.cos(a), -np.sin(a)], [np.sin(a), np.cos(a)]])
    there = replace(subject, places={name: turn @ at for name, at in subject.places.items()})
    hand = Hand(there, np.random.default_rng(seed))
    return [hand.read(e.kind, e.start, e.end, e.along, k) for k, e in enumerate(asked)]
