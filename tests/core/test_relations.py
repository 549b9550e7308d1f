"""Natural relations: what is planted is found, what is named is news, nothing loose is claimed."""

import unittest
from dataclasses import replace

import numpy as np

from tests.networks import RandomNetwork, study_of
from zirkel.core.network.relations import Relation, find_relations, simple_here
from zirkel.core.network.search import adjust
from zirkel.core.network.sigmas import sigma_of
from zirkel.core.sightings import Drop, Level, Match, Part, Run, Span
from zirkel.core.simulation.observer import true_value, with_value

OTHER_WAY = {"right": "left", "left": "right", "up": "down", "down": "up"}


def read_exactly(truth, study, sharpness=0.1, seed=0):
    """The study's readings taken again of another truth, with a tenth of their usual error."""
    rng = np.random.default_rng(seed)
    readings = []
    for each in study.sightings:
        sigma = sigma_of(each, study) * sharpness
        value = true_value(each, truth) + rng.normal(0.0, sigma)
        if each.period is not None:
            value %= each.period / each.inside
        taken = replace(with_value(each, abs(value)) if each.kind == "span" else
                        with_value(each, value), sigma=sigma)  # fmt: skip
        if each.kind == "span" and value < 0:
            taken = replace(taken, towards=OTHER_WAY[each.towards])
        readings.append(taken)
    landmarks = tuple(
        replace(each, rough=(float(truth[each.id][0]), float(truth[each.id][1])))
        for each in study.landmarks
    )
    return replace(study, sightings=tuple(readings), landmarks=landmarks)


def planted(seed: int):
    """A network in which a half, a plumb, a level and two equal lengths hold exactly between
    large shapes; all else is detail."""
    network = RandomNetwork(seed, n=20, per=5, kinds="stdl", tap=0.0)
    rng = np.random.default_rng(seed)
    truth = dict(network.truth)
    a, b, half, under, beside, p, q, r = (f"p{i}" for i in rng.permutation(np.arange(2, 20))[:8])
    truth[a], truth[b] = np.array([0.3, 0.2]), np.array([2.1, 1.7])
    truth[half] = (truth[a] + truth[b]) / 2.0
    truth[under] = np.array([truth[a][0], 2.6])
    truth[beside] = np.array([0.9, truth[b][1]])
    truth[p], truth[q], truth[r] = (
        np.array([1.5, 0.3]),
        np.array([2.8, 0.75]),
        np.array([2.3, 1.42]),
    )
    truth[r] = truth[p] + (truth[r] - truth[p]) * (
        np.hypot(*(truth[q] - truth[p])) / np.hypot(*(truth[r] - truth[p]))
    )
    extra = tuple(
        Span(id=f"x{i}", start=p, end=end, along="straight", units=1.0)
        for i, end in enumerate((q, r))
    )
    large = {a, b, half, under, beside, p, q, r}
    study = replace(
        network.study,
        sightings=(*network.study.sightings, *extra),
        landmarks=tuple(
            replace(each, tier=1 if each.id in large else 3) for each in network.study.landmarks
        ),
    )
    facts = {
        "part": {a, b, half},
        "drop": {a, under},
        "level": {b, beside},
        "match": {p, q, r},
    }
    return read_exactly(truth, study, seed=seed), facts


class Planted(unittest.TestCase):
    def test_halves_equals_and_alignments_of_large_shapes_are_found(self):
        hits = dict.fromkeys(("part", "drop", "level", "match"), 0)
        tries = 20
        for seed in range(tries):
            study, facts = planted(seed)
            found = find_relations(adjust(study), 15).relations
            for kind, landmarks in facts.items():
                hits[kind] += any(
                    each.sighting.kind == kind and set(each.sighting.landmarks) == landmarks
                    for each in found
                )
        for kind, count in hits.items():
            self.assertGreaterEqual(count, 0.8 * tries, f"{kind}: {hits}")


class ByHand(unittest.TestCase):
    def setUp(self):
        places = {"a": (0, 0), "b": (0, 1), "c": (1.5, 0), "d": (1.5, 2), "e": (1.5, 1)}
        readings = (
            Drop(id="s1", start="a", end="b"),
            Drop(id="s2", start="a", end="c", offset=1.5),
            Level(id="s3", start="a", end="c", offset=0.01),
            Drop(id="s4", start="a", end="d", offset=1.51),
            Level(id="s5", start="a", end="d", offset=2.0),
            Drop(id="s6", start="a", end="e", offset=1.49),
            Level(id="s7", start="a", end="e", offset=1.01),
        )
        self.found = find_relations(adjust(study_of(places, readings)), 15)

    def test_off_and_sd(self):
        level = next(
            each
            for each in self.found.relations
            if each.sighting.kind == "level" and set(each.sighting.landmarks) == {"a", "c"}
        )
        self.assertAlmostEqual(level.off, 0.01)
        self.assertAlmostEqual(level.sd, 0.03, places=5)
        half = next(
            each
            for each in self.found.relations
            if each.sighting.kind == "part" and each.sighting.along == "straight"
        )
        self.assertEqual(half.sighting.value, 0.5)
        self.assertEqual(half.sighting.at, "e")
        # (1.01 - 0.01) / (2.00 - 0.01) = 0.50251
        self.assertAlmostEqual(half.off, 0.0025, places=3)

    def test_lines_for_the_whole_drawing(self):
        best = self.found.plumbs[0]
        self.assertEqual(set(best.through), {"c", "d", "e"})
        self.assertAlmostEqual(best.at, 1.5)
        self.assertAlmostEqual(best.mean_reach, (1.5 + 1.5 + 0.0 + 0.01 + 0.01) / 5)
        self.assertEqual([round(each.at, 1) for each in self.found.levels], [1.0, 0.0])

    def test_each_is_a_fact_of_its_own(self):
        """c and d on one plumb, and e on the same as c: that e is under d is no news."""
        drops = [
            set(each.sighting.landmarks)
            for each in self.found.relations
            if each.sighting.kind == "drop"
        ]
        stack = [each for each in drops if each <= {"c", "d", "e"}]
        self.assertLessEqual(len(stack), 2, stack)

    def test_only_what_holds_is_listed(self):
        for each in self.found.relations:
            self.assertLessEqual(abs(each.off), 2.5 * each.sd)

    def test_best_first_and_never_of_what_is_loose(self):
        study = RandomNetwork(4, n=15, per=1, tap=0.1).study
        for each in find_relations(adjust(study), 10).relations:
            self.assertLess(each.sd, 0.5)
        self.assertEqual(find_relations(adjust(study_of({}, unit=None))).relations, ())


class SimpleHere(unittest.TestCase):
    """What is shown to be drawn by: certain, news, and never a large shape by a detail."""

    def setUp(self):
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (1.0, 0.0), "d": (1.0, 1.0)}
        self.study = study_of(places, [Drop(id="s1", start="c", end="d")], tiers={"a": 3, "d": 2})

    def told(self, sighting, within=0.01):
        found = (Relation(sighting, 0.0, 0.01, 1.0, within),)
        return [each.sighting for each in simple_here(found, self.study, 0.05)]

    def test_what_is_no_surer_than_the_large_shapes_is_not_shown(self):
        level = Level(id="r", start="b", end="d")
        self.assertEqual(self.told(level), [level])
        self.assertEqual(self.told(level, within=0.06), [])

    def test_what_was_just_read_is_no_news(self):
        self.assertEqual(self.told(Drop(id="r", start="d", end="c")), [])

    def test_the_larger_stands_first(self):
        (told,) = self.told(Drop(id="r", start="a", end="b", offset=0.5))
        self.assertEqual((told.start, told.end, told.offset), ("b", "a", -0.5))

    def test_a_large_shape_is_not_placed_by_a_detail(self):
        part = {"id": "r", "along": "straight", "fraction": 0.5}
        self.assertEqual(self.told(Part(start="a", end="c", at="b", **part)), [])
        self.assertEqual(len(self.told(Part(start="b", end="c", at="a", **part))), 1)
        self.assertEqual(self.told(Run(id="r", start="a", end="d", hits="b")), [])
        same = {"id": "r", "along": "straight", "ratio": 1.0}
        self.assertEqual(self.told(Match(first=("a", "b"), second=("b", "c"), **same)), [])


if __name__ == "__main__":
    unittest.main()
