"""Circles seen as ellipses: exact against points of the circle, honest with several, and the one
that contradicts is found."""

import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.network.adjust import place_covariance
from zirkel.core.network.search import adjust
from zirkel.core.perspective.ellipses import eight_points, roundness_of, rounds_seen, seen_circle
from zirkel.core.sightings import Drop, Level
from zirkel.core.space import Round
from zirkel.core.study import Landmark, Sheet, Study, UnitPair

NAMES = ("left", "right", "near", "far")


def projected(centre, radius, normal, count=24):
    """Points of a circle as they are seen, without any conic."""
    n = np.asarray(normal, dtype=float) / np.linalg.norm(normal)
    u = np.cross(n, [0.0, 0.0, 1.0]) if abs(n[2]) < 0.9 else np.cross(n, [1.0, 0.0, 0.0])
    u = u / np.linalg.norm(u)
    v = np.cross(n, u)
    t = np.linspace(0.0, 2.0 * np.pi, count, endpoint=False)[:, None]
    p = np.asarray(centre) + radius * (np.cos(t) * u + np.sin(t) * v)
    return p[:, :2] / p[:, 2:]


class Exact(unittest.TestCase):
    @given(
        st.floats(-2.0, 2.0), st.floats(0.2, 2.5), st.floats(4.0, 12.0), st.floats(0.2, 1.5),
        st.floats(-0.6, 0.6), st.floats(-0.6, 0.6),
    )  # fmt: skip
    def test_every_point_of_the_circle_lies_on_the_ellipse(self, x, y, z, radius, nx, nz):
        """Level circles and leaning ones, straight ahead and to the side."""
        centre, normal = (x, y, z), (nx, 1.0, nz)
        if abs(np.dot(normal, centre)) < 0.3:
            return
        seen = seen_circle(centre, radius, normal)
        tilt = np.radians(seen.tilt_deg)
        along = np.array([np.sin(tilt), -np.cos(tilt)])
        across = np.array([-along[1], along[0]])
        p = projected(centre, radius, normal) - seen.centre
        rim = (p @ along / seen.long) ** 2 + (p @ across / seen.short) ** 2
        np.testing.assert_allclose(rim, 1.0, atol=1e-7)
        self.assertGreaterEqual(seen.long, seen.short)

    def test_straight_ahead_it_is_the_plain_formula_and_the_centres_differ(self):
        for height, distance, radius in ((1.2, 5.0, 0.8), (-0.7, 3.0, 0.5), (2.0, 9.0, 3.0)):
            seen = seen_circle((0.0, height, distance), radius)
            self.assertAlmostEqual(seen.roundness, roundness_of(height, distance, radius), places=9)
            self.assertGreater(abs(seen.centre[1]), abs(height / distance) + 1e-4)

    def test_what_can_t_be_seen_is_said(self):
        with self.assertRaisesRegex(ValueError, "ahead"):
            seen_circle((0.0, 1.0, 0.5), 0.8)
        with self.assertRaisesRegex(ValueError, "edge"):
            seen_circle((0.0, 0.0, 5.0), 0.8)
        with self.assertRaisesRegex(ValueError, "outline"):
            roundness_of(1.0, 0.5, 0.8)

    def test_eight_points_lie_on_the_rim(self):
        points = np.array(eight_points(np.zeros(2), np.array([3.0, 0.0]), np.array([0.0, 1.0])))
        np.testing.assert_allclose((points[:, 0] / 3.0) ** 2 + points[:, 1] ** 2, 1.0, atol=1e-9)


def bottle(rng, wrong=None, noise=0.01):
    """A turned thing of four rims on one upright axis, read by plumb and level with little error;
    one rim's nearest point may be read too low. The eye is at y = 0, five away."""
    heights, radii = (0.6, 1.2, 1.9, 2.6), (0.3, 0.45, 0.5, 0.4)
    places, rounds = {"top": np.zeros(2), "foot": np.array([0.0, 1.0])}, []
    for i, (h, r) in enumerate(zip(heights, radii, strict=True)):
        seen = seen_circle((0.0, h, 5.0), r)
        (x, y), a, b = seen.centre, seen.long, seen.short
        own = {"left": (x - a, y), "right": (x + a, y), "near": (x, y + b), "far": (x, y - b)}
        for name in NAMES[: 4 if i == 0 else 3]:
            places[f"{name}{i}"] = 5.0 * np.array(own[name])
        far = "far0" if i == 0 else None
        rounds.append(Round(f"r{i}", f"Rim {i}", f"left{i}", f"right{i}", f"near{i}", far, "axis"))
    readings = []
    for name, p in places.items():
        if name == "top":
            continue
        for kind, axis in ((Drop, 0), (Level, 1)):
            value = float(p[axis] + rng.normal(0.0, noise))
            if wrong == name and axis == 1:
                value += 0.12
            readings.append(kind(id=f"{kind.kind}_{name}", start="top", end=name, offset=value,
                                 sigma=noise))  # fmt: skip
    study = Study(
        title="Bottle", sheet=Sheet(297.0, 420.0),
        landmarks=tuple(Landmark(n, n, 1, tuple(p.tolist())) for n, p in places.items()),
        sightings=tuple(readings), unit=UnitPair("top", "foot", "plumb", "unit"),
        rounds=tuple(rounds),
    )  # fmt: skip
    return study, places


def told(study, eye=None):
    adjusted = adjust(study)
    n = len(adjusted.network.ids)
    covariance = np.zeros((2 * n, 2 * n))
    for i, own in enumerate(place_covariance(adjusted)):
        covariance[2 * i : 2 * i + 2, 2 * i : 2 * i + 2] = own
    return rounds_seen(study.rounds, adjusted.network.index, adjusted.places, covariance, eye)


class Together(unittest.TestCase):
    def test_the_eye_level_and_the_distance_come_out_of_the_rims(self):
        found = told(bottle(np.random.default_rng(1), noise=0.002)[0])
        self.assertAlmostEqual(found.eye_level, 0.0, delta=3.0 * found.eye_sd)
        self.assertAlmostEqual(found.distance, 5.0, delta=0.8)
        self.assertEqual(found.doubts, ())
        roundness = [each.roundness for each in found.seen]
        self.assertEqual(roundness, sorted(roundness))
        for each in found.seen:
            self.assertAlmostEqual(each.expected, each.roundness, delta=0.06)

    def test_the_rim_that_breaks_the_row_is_found(self):
        found_first = 0
        for seed in range(20):
            rng = np.random.default_rng(seed)
            found = told(bottle(rng, wrong=f"near{1 + seed % 3}")[0])
            found_first += found.doubts[:1] == (f"r{1 + seed % 3}",)
        self.assertGreaterEqual(found_first, 18)

    def test_honest_rims_are_seldom_doubted(self):
        false = sum(
            bool(told(bottle(np.random.default_rng(100 + seed))[0]).doubts) for seed in range(30)
        )
        self.assertLessEqual(false, 1)

    def test_a_known_eye_level_lets_two_rims_check_each_other(self):
        study, _ = bottle(np.random.default_rng(3), wrong="near1")
        two = replace(study, rounds=study.rounds[1:3])
        self.assertIsNone(told(two).seen[0].standardized)
        self.assertIsNotNone(told(two, (0.0, 0.02)).seen[0].standardized)

    def test_one_rim_alone_says_only_what_is_seen(self):
        study, _ = bottle(np.random.default_rng(3))
        one = replace(study, rounds=study.rounds[:1])
        found = told(one)
        self.assertIsNone(found.eye_level)
        self.assertIsNone(found.seen[0].expected)


class InTheNetwork(unittest.TestCase):
    def test_an_ellipse_tightens_and_holds_what_is_loose(self):
        """The far rim of a whole ellipse needs no reading: it lies as far behind as the near one
        before."""
        study, places = bottle(np.random.default_rng(5))
        fewer = tuple(each for each in study.sightings if "far0" not in each.landmarks)
        alone = replace(study, sightings=fewer)
        adjusted = adjust(alone)
        self.assertFalse(adjusted.loose.shape[1])
        at = adjusted.places[adjusted.network.index["far0"]]
        np.testing.assert_allclose(at, places["far0"], atol=0.06)
        without = adjust(replace(alone, rounds=()))
        self.assertTrue(without.loose.shape[1])
        held = without.network.index["near0"]
        before, after = (place_covariance(each)[held].trace() for each in (without, adjusted))
        self.assertLess(after, before)


if __name__ == "__main__":
    unittest.main()
