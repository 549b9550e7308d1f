"""Sittings at made-up subjects: planned readings of the large shapes against a sensible order of as
many, and what was expected against what was found.

Subjects, hand and the sensible order are those of `hands`. The error is the root mean square over
the coordinates of the tier-1 landmarks but the origin.
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from bench.hands import MAKERS, Hand, Subject, fresh, sensible
from zirkel.core.network.search import adjust
from zirkel.core.network.solve import solve
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
