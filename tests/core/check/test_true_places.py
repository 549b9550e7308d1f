"""A photograph of the subject: its truth laid over the block-in, and what the hand does always."""

import unittest
from dataclasses import replace

import numpy as np

from tests import times
from zirkel.core.artist import Leanings
from zirkel.core.check.true_places import bend_of, together, true_places, trust_of
from zirkel.core.drawn import SubjectPhotograph
from zirkel.core.network.solve import solve
from zirkel.core.simulation.artist import Hand, sight_scene
from zirkel.core.simulation.observer import with_value
from zirkel.core.study import Sheet
from zirkel.core.subject.scene import seen_landmarks
from zirkel.demo.subject_photograph import Telephone
from zirkel.scenes import shipped_scenes

SCENES = ("wooden_mask", "potting_bench", "boathouse", "tea_chest")
TAP_PX, TELEPHONE = 1.5, Telephone()


def photographed(study, scene, rng, telephone=TELEPHONE):
    """The study with the scene's photograph, its landmarks and the edge tapped."""
    places, edge = telephone.places(scene)
    taps = [
        tuple(map(float, np.asarray(at) + rng.normal(0.0, TAP_PX, 2)))
        for at in (*(places[each.id] for each in study.landmarks), *edge)
    ]
    names = [each.id for each in study.landmarks]
    photograph = SubjectPhotograph("0" * 64, telephone.width, telephone.height,
                                   tuple(taps[len(names) :]))  # fmt: skip
    return replace(study, subject_photograph=photograph,
                   photographed=dict(zip(names, taps, strict=False)))  # fmt: skip


def sighted(name, seed, length=0.0, tilt=0.0):
    """A study of a shipped scene by a hand that reads lengths long by a share, tilts clockwise by
    degrees; and its photograph."""
    scene = shipped_scenes()[name]
    study = sight_scene(scene, scene.station, Sheet(297.0, 420.0), seed, Hand(per_landmark=4.0))

    def leaning(each):
        if each.kind == "span":
            return with_value(each, each.value * (1.0 + length))
        return with_value(each, (each.value + tilt) % 180.0) if each.kind == "tilt" else each

    study = replace(study, sightings=tuple(map(leaning, study.sightings)))
    return photographed(study, scene, np.random.default_rng(seed)), scene


def rougher(study, seed, factor):
    """The study by a hand whose lengths and tilts err by so many times what is usual."""
    rng = np.random.default_rng([seed, 99])
    more = np.sqrt(factor**2 - 1.0)

    def taken(each):
        if each.kind not in ("span", "tilt"):
            return each
        value = each.value + rng.normal(0.0, more * each.default_sigma(False))
        return with_value(each, value % 180.0 if each.kind == "tilt" else value)

    return replace(study, sightings=tuple(map(taken, study.sightings)))


def found_in(study):
    solution = solve(study)
    return true_places(study, solution.adjusted, frozenset(e.landmark for e in solution.loose))


class TruePlaces(unittest.TestCase):
    def test_a_leaning_hand_is_known_after_two_studies(self):
        near = tries = 0
        for seed in range(times(6)):
            hands = [found_in(sighted(name, seed, -0.06, 3.0)[0]).hand for name in SCENES[:2]]
            length, tilt = together(hands)
            tries += 2
            near += abs(length.value + 0.06) < 0.02
            near += abs(tilt.value - 3.0) < 1.0
        self.assertGreaterEqual(near / tries, 0.8)

    def test_nothing_is_claimed_of_an_honest_hand(self):
        claimed = tries = 0
        for seed in range(times(3)):
            for name in SCENES:
                hand = found_in(sighted(name, seed)[0]).hand
                claimed += hand.length.told + bool(hand.tilt and hand.tilt.told)
                tries += 2
        self.assertLessEqual(claimed / tries, 0.05)

    def test_the_truth_lies_where_the_scene_has_it(self):
        study, scene = sighted("potting_bench", 3)
        found = found_in(study)
        seen = seen_landmarks(scene, scene.station)
        names = list(found.places)
        p = np.array([found.places[name] for name in names])
        q = np.array([seen[name] for name in names])
        p, q = p - p.mean(axis=0), q - q.mean(axis=0)
        k = float((p * q).sum() / (q * q).sum())
        self.assertLess(float(np.hypot(*(p - k * q).T).mean()), 0.02 * float(np.ptp(p[:, 1])))

    def test_the_lens_is_straightened_by_an_edge_alone(self):
        scene = shipped_scenes()["wooden_mask"]
        study, _ = sighted("wooden_mask", 1)
        for bend in (-0.03, 0.03):
            bowed = photographed(study, scene, np.random.default_rng(2), Telephone(bend=bend))
            self.assertAlmostEqual(bend_of(bowed.subject_photograph), bend, delta=0.006)
        few = replace(study.subject_photograph, edge=study.subject_photograph.edge[:3])
        self.assertEqual(bend_of(few), 0.0)

    def test_what_a_hand_errs_by_is_known_and_an_honest_one_is_left_alone(self):
        near = told = claimed = tries = 0
        for seed in range(times(4)):
            for factor in (1.0, 2.0):
                trust = trust_of([
                    found_in(rougher(sighted(name, seed)[0], seed, factor)).hand
                    for name in SCENES[:2]
                ])  # fmt: skip
                tries += 2
                if factor == 1.0:
                    claimed += len(trust)
                told += factor > 1.0 and len(trust)
                near += factor > 1.0 and sum(1.4 < each < 2.8 for each in trust.values())
        self.assertLessEqual(claimed, max(1, tries // 20))
        self.assertGreaterEqual(told / (tries / 2), 0.7)
        self.assertGreaterEqual(near / told, 0.9)

    def test_a_take_that_drifted_stands_out(self):
        study, _ = sighted("boathouse", 2)
        drifted = tuple(
            with_value(e, e.value * 1.08) if e.kind == "span" and e.take == "t2" else e
            for e in study.sightings
        )
        takes = found_in(replace(study, sightings=drifted)).hand.takes
        self.assertEqual(max(takes, key=lambda name: takes[name].value), "t2")

    def test_too_little_tells_nothing(self):
        study, _ = sighted("wooden_mask", 1)
        self.assertIsNone(found_in(replace(study, subject_photograph=None)))
        few = dict(list(study.photographed.items())[:4])
        self.assertIsNone(found_in(replace(study, photographed=few)))
        without = {n: at for n, at in study.photographed.items() if n != study.unit.end}
        self.assertIsNone(found_in(replace(study, photographed=without)).hand)


class Straightened(unittest.TestCase):
    def test_what_a_hand_does_always_is_taken_out(self):
        study, scene = sighted("boathouse", 5, -0.08, 4.0)
        seen = seen_landmarks(scene, scene.station)
        plain, known = (
            solve(replace(study, leanings=each)) for each in (None, Leanings(-0.08, 4.0))
        )
        off = []
        for solution in (plain, known):
            names = list(solution.adjusted.network.ids)
            p = solution.adjusted.places - solution.adjusted.places.mean(axis=0)
            q = np.array([seen[name] for name in names])
            q = q - q.mean(axis=0)
            k = float((p * q).sum() / (q * q).sum())
            off.append(float(np.hypot(*(p - k * q).T).mean()))
        self.assertLess(off[1], 0.7 * off[0])
        same = solve(replace(study, leanings=Leanings()))
        self.assertEqual(same.variance_factor, plain.variance_factor)


if __name__ == "__main__":
    unittest.main()
