"""The hands that come: who counts in quarters, who draws by a rough hand, whose drawing is a fifth
too large. What is told of them against what is so."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import replace

import numpy as np
from tests.core.check.test_large import LARGE, checked, drawn_wrong
from tests.core.test_own_hand import QUARTERS, WITHIN_95, counted_coarsely
from tests.networks import RandomNetwork

from zirkel.core.arrays import Array
from zirkel.core.artist import OwnHand
from zirkel.core.network.solve import Solution, solve
from zirkel.core.sheet.recipe.hand import follow
from zirkel.core.sightings import Sighting
from zirkel.core.simulation.observer import true_value, with_value
from zirkel.core.study import Study
from zirkel.core.worked import Worked
from zirkel.demo.generate import FOLDER
from zirkel.studyfile.read import read_study

STUDIES, DRAWN, NETWORKS = 30, 200, 40
GROSS, CHECKED = 8.0, 0.3
"""An error in the hand's own sigmas, and from which redundancy others check a reading."""
HANDS = {"usual": None, "rough": OwnHand(0.03, 2.5, 0.02), "good": OwnHand(0.01, 0.8, 0.01)}
DEMOS = ("potting_bench", "wooden_mask", "boathouse")


def sizes(network: RandomNetwork, solution: Solution) -> list[float]:
    """Squared distances of the places from the truth, in standard deviations as told."""
    made = []
    for name, mark in solution.landmarks.items():
        if mark.sd_x and mark.sd_y:
            off = np.array([mark.x, mark.y]) - network.truth[name]
            shared = mark.corr * mark.sd_x * mark.sd_y
            spread = np.array([[mark.sd_x**2, shared], [shared, mark.sd_y**2]])
            made.append(float(off @ np.linalg.solve(spread, off)))
    return made


def counting() -> None:
    print(f"Counted in quarters and five degrees, {STUDIES} studies of 20 landmarks")
    for name, counted in (("not known", None), ("counted_to", QUARTERS)):
        found, doubts = [], 0
        for seed in range(STUDIES):
            network = RandomNetwork(seed, n=20, per=4, kinds="stdl", tap=0.1)
            coarse = replace(counted_coarsely(network.study), counted_to=counted)
            solution = solve(coarse)
            doubts += len(solution.doubts)
            found += sizes(network, solution)
        within = float(np.mean(np.array(found) < WITHIN_95))
        print(f"  {name:10}  in the 95 % areas {within:.2f}  actual/told "
              f"{math.sqrt(np.mean(found) / 2.0):.2f}  accused {doubts}")  # fmt: skip


def reading() -> None:
    """A rougher hand, one with heavy tails, a take that is off, and a gross error among each."""
    print(f"Other hands, {NETWORKS} studies of 20 landmarks")
    for name in ("honest", "rough 1.5", "heavy tails", "take 8 % off"):
        found, first, accused = [], 0, 0
        for seed in range(NETWORKS):
            network = RandomNetwork(seed, n=20, per=4, kinds="stdl", tap=0.1)
            study = read_by(name, network.study, network.truth, np.random.default_rng(900 + seed))
            solution = solve(study)
            accused += len(solution.doubts)
            found += [each / solution.scatter**2 for each in sizes(network, solution)]
            checked = np.flatnonzero(solution.adjusted.redundancy > CHECKED)
            row = int(checked[7 * seed % len(checked)])
            wrong = solution.adjusted.network.sightings[row]
            number = study.sightings.index(wrong)
            much = GROSS * wrong.default_sigma(in_mm=False) * (1.5 if name == "rough 1.5" else 1.0)
            spoilt = with_value(wrong, _kept_in(wrong, wrong.value + much))
            among = (*study.sightings[:number], spoilt, *study.sightings[number + 1 :])
            doubts = solve(replace(study, sightings=among)).doubts
            first += bool(doubts) and doubts[0].sighting == wrong.id
        within = float(np.mean(np.array(found) < WITHIN_95))
        accused /= NETWORKS
        print(
            f"  {name:13} in the 95 % areas {within:.2f}  accused {accused:.2f} a study"
            f"  gross error first in {first} of {NETWORKS}"
        )


def read_by(hand: str, study: Study, truth: Mapping[str, Array], rng: np.random.Generator) -> Study:
    """The study's readings as another hand takes them."""
    if hand == "honest":
        return study
    made = []
    for each in study.sightings:
        sigma, value = each.default_sigma(in_mm=False), each.value
        if hand == "rough 1.5":
            value += rng.normal(0.0, math.sqrt(1.5**2 - 1.0) * sigma)
        elif hand == "heavy tails":
            value = true_value(each, truth) + sigma * rng.standard_t(3)
        elif each.kind == "span" and len(made) < len(study.sightings) / 3:
            value *= 1.08
        made.append(with_value(each, _kept_in(each, value)))
    return replace(study, sightings=tuple(made))


def _kept_in(reading: Sighting, value: float) -> float:
    """A value that such a reading can have."""
    if reading.kind == "tilt":
        return value % 180.0
    return max(value, 1.0 / 16.0) if reading.kind == "span" else value


def drawing() -> None:
    print("The recipe followed: actual over told")
    for demo in DEMOS:
        study = read_study((FOLDER / f"{demo}.zirkel.json").read_bytes())
        for name, hand in HANDS.items():
            worked = Worked(replace(study, hand=hand))
            recipe, marks, off = worked.recipe, worked.plan.marks, []
            for k in range(DRAWN):
                rng = np.random.default_rng(k)
                for each, at in follow(recipe, worked.stepped_in, rng, eye=worked.judging).items():
                    off.append(at - (marks[each].held_left_mm, marks[each].held_top_mm))
            made = math.sqrt(np.mean(np.sum(np.square(off), axis=1)))
            told = math.sqrt(np.mean([each.sd_mm**2 for each in recipe.constructions]))
            print(f"  {demo:14} {name:6} {made:5.2f} mm, told {told:5.2f}: {made / told:.2f}")


def checking() -> None:
    right = 0
    demos = ("wooden_mask", "boathouse", "block_head")
    for demo in demos:
        for number, (kind, field, amount) in enumerate(LARGE):
            found = checked(demo, lambda p, k=kind, a=amount: drawn_wrong(k, a, p), number)
            faults = found.diagnosis.faults
            zero = 1.0 if field == "factor" else 0.0
            right += [each.kind for each in faults] == [kind] and (
                abs((faults[0].amount[field] - zero) / (amount - zero) - 1.0) < 1 / 8
            )
    print(f"Large faults told as one, of their amount: {right} of {len(demos) * len(LARGE)}")


def main() -> None:
    counting()
    reading()
    drawing()
    checking()
