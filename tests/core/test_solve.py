"""The adjustment: known answers, agreement with a generic solver, invariances, statistics."""

import math
import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import least_squares

from tests import examples
from tests.networks import UNIT, RandomNetwork, hand_study, study_of
from zirkel.core.network.adjust import place_covariance
from zirkel.core.network.assemble import DRIFT_SIGMA
from zirkel.core.network.search import adjust
from zirkel.core.network.sigmas import sigma_of
from zirkel.core.network.solve import solve
from zirkel.core.sightings import Drop, Level, Match, Order, Parallel, Part, Run, Span, Tilt
from zirkel.core.simulation.observer import observe, true_value, with_value
from zirkel.core.study import UnitLength, UnitPair


def residuals(study, places, drifts):
    """Weighted residuals by plain loops over the readings, independent of the adjustment."""
    found = []
    for each in study.sightings:
        if each.struck or not each.holds:
            continue
        drift = drifts.get(each.take_name, 0.0)
        difference = each.value - true_value(each, places, drift)
        if each.period is not None:
            period = each.period / each.inside
            difference -= period * round(difference / period)
        found.append(difference / sigma_of(each, study))
    return np.array(found + [each / DRIFT_SIGMA for each in drifts.values()])


def generic_solution(study, start):
    """The same least-squares problem by SciPy's trust-region solver with numeric derivatives."""
    names = [each.id for each in study.landmarks]
    unit = study.unit
    takes = sorted({s.take_name for s in study.sightings if s.take_name})
    free = [(n, axis) for n in names for axis in (0, 1)
            if n != unit.start and not (n == unit.end and axis == 1)]  # fmt: skip

    def unpack(x):
        places = {unit.start: np.zeros(2), unit.end: np.array([0.0, 1.0])}
        for (name, axis), value in zip(free, x, strict=False):
            places.setdefault(name, np.zeros(2))[axis] = value
        return places, dict(zip(takes, x[len(free) :], strict=True))

    x0 = np.array([start[name][axis] for name, axis in free] + [0.0] * len(takes))
    found = least_squares(
        lambda x: residuals(study, *unpack(x)), x0, xtol=1e-14, ftol=1e-14, gtol=1e-12
    )
    return unpack(found.x)[0], 2.0 * found.cost


class KnownAnswers(unittest.TestCase):
    def test_weighted_mean_by_hand(self):
        place = solve(hand_study()).landmarks["c"]
        weights = 1 / (0.03**2 + 0.05**2), 1 / (0.03**2 + 0.0525**2)
        self.assertAlmostEqual(place.x, (2.0 * weights[0] + 2.1 * weights[1]) / sum(weights))
        self.assertAlmostEqual(place.x, 2.048184, places=5)
        self.assertAlmostEqual(place.sd_x, 0.041973, places=5)
        self.assertAlmostEqual(place.sd_y, 0.03, places=9)

    def test_redundancy_and_standardized_residual_by_hand(self):
        solution = solve(hand_study())
        # Leverage of a reading in a weighted mean is its share of the weight.
        weights = 1 / (0.03**2 + 0.05**2), 1 / (0.03**2 + 0.0525**2)
        share = weights[0] / sum(weights)
        self.assertAlmostEqual(solution.readings["s1"].redundancy, 1 - share)
        self.assertAlmostEqual(solution.readings["s2"].redundancy, share)
        # Two readings 0.1 apart: w = 0.1 / sqrt(s1^2 + s2^2) for both, with opposite signs.
        w = 0.1 / math.sqrt(0.03**2 + 0.05**2 + 0.03**2 + 0.0525**2)
        self.assertAlmostEqual(solution.readings["s1"].standardized, -w)
        self.assertAlmostEqual(solution.readings["s2"].standardized, w)
        self.assertIsNone(solution.readings["s3"].standardized)
        self.assertAlmostEqual(solution.variance_factor, w**2)

    def test_a_triangle_of_angles_alone(self):
        # Level 1 below, upright 1, and the hypotenuse at 4:30 (135 degrees) fix c at (1, 1).
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (0.8, 1.1)}
        readings = (
            Tilt(id="s1", start="a", end="c", degrees=135.0),
            Tilt(id="s2", start="b", end="c", degrees=90.0),
            Drop(id="s3", start="a", end="b"),
        )
        place = solve(study_of(places, readings)).landmarks["c"]
        self.assertAlmostEqual(place.x, 1.0, places=9)
        self.assertAlmostEqual(place.y, 1.0, places=9)

    def test_a_straight_unit_keeps_its_length(self):
        unit = UnitPair("a", "b", "straight", "edge")
        readings = (
            Tilt(id="s1", start="a", end="b", degrees=150.0),
            Drop(id="s2", start="a", end="b", offset=0.48),
        )
        place = solve(study_of({"a": (0, 0), "b": (0.4, 0.9)}, readings, unit)).landmarks["b"]
        self.assertAlmostEqual(math.hypot(place.x, place.y), 1.0, places=12)
        self.assertGreater(place.sd_x, place.sd_y)

    def test_lengths_in_millimetres_have_no_exact_pair(self):
        study = replace(
            study_of(
                {"a": (0, 0), "b": (0, 1)},
                (
                    Span(id="s1", start="a", end="b", along="plumb", towards="down", units=97.0),
                    Drop(id="s2", start="a", end="b", offset=3.0),
                ),
            ),
            unit=UnitLength(1.0, "mm", "a"),
        )
        place = solve(study).landmarks["b"]
        self.assertAlmostEqual(place.y, 97.0, places=6)
        self.assertAlmostEqual(place.sd_y, math.hypot(1.0, 0.97), places=6)
        self.assertAlmostEqual(place.sd_x, math.hypot(1.0, 0.03), places=9)

    def test_an_own_sigma_and_trust_override_the_default(self):
        study = hand_study()
        doubled = solve(replace(study, trust={"level": 2.0})).landmarks["c"]
        self.assertAlmostEqual(doubled.sd_y, 0.06)
        own = [replace(s, sigma=0.5) if s.id == "s3" else s for s in study.sightings]
        mine = solve(replace(study, sightings=tuple(own), trust={"level": 2.0})).landmarks["c"]
        self.assertAlmostEqual(mine.sd_y, 0.5)


class Agreement(unittest.TestCase):
    def test_with_a_generic_solver_from_half_a_unit_off(self):
        for seed in range(6):
            network = RandomNetwork(seed, n=12, per=5, kinds="stdl", tap=0.5)
            study = network.study
            places, cost = generic_solution(study, network.truth)
            adjusted = adjust(study)
            expected = np.array([places[name] for name in network.names])
            with self.subTest(seed=seed):
                self.assertLess(np.abs(adjusted.places - expected).max(), 1e-6)
                self.assertAlmostEqual(adjusted.cost, cost, places=6)

    def test_covariance_with_the_scatter_of_many_drawings(self):
        network = RandomNetwork(3, n=8, per=4, kinds="stdl", tap=0.05)
        predicted = place_covariance(adjust(network.study))
        rng = np.random.default_rng(1)
        scatter = []
        for _ in range(300):
            again = tuple(
                observe(s, network.truth, rng, rounded=False) for s in network.study.sightings
            )
            scatter.append(adjust(replace(network.study, sightings=again)).places)
        spread = np.var(np.array(scatter), axis=0)
        ratio = spread.sum() / (predicted[:, 0, 0] + predicted[:, 1, 1]).sum()
        self.assertTrue(0.85 < ratio < 1.15, ratio)


class Properties(unittest.TestCase):
    @examples(30)
    @given(seed=st.integers(0, 10_000), n=st.integers(4, 14))
    def test_exact_readings_return_the_truth(self, seed, n):
        network = RandomNetwork(seed, n=n, per=4, kinds="stdl", tap=0.1, noise=False, firm=True)
        solution = solve(network.study)
        for name, place in solution.landmarks.items():
            for found, true in zip((place.x, place.y), network.truth[name], strict=True):
                if found is not None:
                    self.assertAlmostEqual(found, true, delta=1e-9)

    @examples(30)
    @given(seed=st.integers(0, 10_000), left_out=st.integers(0, 11))
    def test_adding_a_reading_never_enlarges_a_variance(self, seed, left_out):
        network = RandomNetwork(seed, n=6, per=4, kinds="stdl", tap=0.05, noise=False, firm=True)
        readings = network.study.sightings
        fewer = tuple(s for i, s in enumerate(readings) if i != left_out)
        before = solve(replace(network.study, sightings=fewer)).landmarks
        after = solve(network.study).landmarks
        for name in network.names:
            for axis in ("sd_x", "sd_y"):
                was, now = getattr(before[name], axis), getattr(after[name], axis)
                if was is not None:
                    self.assertLessEqual(now, was * (1 + 1e-9) + 1e-12)

    @examples(25)
    @given(seed=st.integers(0, 10_000), data=st.data())
    def test_the_order_of_readings_does_not_matter(self, seed, data):
        network = RandomNetwork(seed, n=7, per=4, kinds="stdlp", tap=0.05)
        shuffled = data.draw(st.permutations(network.study.sightings))
        one = adjust(network.study)
        other = adjust(replace(network.study, sightings=tuple(shuffled)))
        self.assertLess(np.abs(one.places - other.places).max(), 1e-7)
        self.assertAlmostEqual(one.cost, other.cost, places=6)

    def test_the_thumbnail_s_scale_and_place_do_not_matter(self):
        network = RandomNetwork(5, n=10, per=4)
        moved = tuple(
            replace(each, rough=(each.rough[0] * 7.0 - 900.0, each.rough[1] * 7.0 + 50.0))
            for each in network.study.landmarks
        )
        one, other = adjust(network.study), adjust(replace(network.study, landmarks=moved))
        self.assertLess(np.abs(one.places - other.places).max(), 1e-7)

    def test_errors_are_as_large_as_predicted(self):
        ratios = []
        for seed in range(40):
            network = RandomNetwork(100 + seed, n=20 + seed, per=4, tap=0.15)
            adjusted = adjust(network.study)
            error = np.sqrt(np.mean((adjusted.places - network.places()) ** 2))
            covariance = place_covariance(adjusted)
            predicted = np.sqrt(np.mean(covariance[:, [0, 1], [0, 1]]))
            ratios.append(error / predicted)
        self.assertTrue(0.9 < np.mean(ratios) < 1.1, np.mean(ratios))


class Looseness(unittest.TestCase):
    def test_nothing_read_is_all_loose(self):
        solution = solve(study_of({"a": (0, 0), "b": (0, 1), "c": (1, 1)}))
        self.assertEqual(
            {each.landmark: each.direction for each in solution.loose}, {"b": "level", "c": "both"}
        )
        self.assertIsNone(solution.landmarks["c"].x)
        self.assertIsNone(solution.variance_factor)
        self.assertEqual(solution.landmarks["b"].y, 1.0)

    def test_no_unit_is_all_loose(self):
        solution = solve(study_of({"a": (0, 0), "b": (0, 1)}, unit=None))
        self.assertEqual([each.direction for each in solution.loose], ["both", "both"])

    def test_no_landmarks(self):
        solution = solve(study_of({}, unit=None))
        self.assertEqual((dict(solution.landmarks), solution.loose), ({}, ()))

    def test_one_reading_leaves_the_other_direction(self):
        places = {"a": (0, 0), "b": (0, 1), "c": (1, 0.5)}
        cases = {
            "plumb": Drop(id="s", start="a", end="c", offset=1.0),
            "level": Level(id="s", start="a", end="c", offset=0.5),
        }
        for direction, reading in cases.items():
            loose = {e.landmark: e.direction for e in solve(study_of(places, (reading,))).loose}
            self.assertEqual(loose["c"], direction)
        tilted = (Tilt(id="s", start="a", end="c", degrees=120.0),)
        loose = {e.landmark: e.direction for e in solve(study_of(places, tilted)).loose}
        self.assertAlmostEqual(loose["c"], 120.0, places=4)

    def test_an_order_holds_nothing(self):
        reading = Order(id="s", first="c", second="a", axis="lower")
        solution = solve(study_of({"a": (0, 0), "b": (0, 1), "c": (1, 1)}, (reading,)))
        self.assertIn("c", [each.landmark for each in solution.loose])


class Degenerate(unittest.TestCase):
    """Input that has no good answer gets an honest one, never a crash or a number made up."""

    def _sound(self, study):
        solution = solve(study)
        loose = {each.landmark for each in solution.loose}
        for name, place in solution.landmarks.items():
            for value in (place.held_x, place.held_y):
                self.assertTrue(math.isfinite(value), name)
            for value in (place.sd_x, place.sd_y):
                self.assertTrue(value is None or math.isfinite(value), name)
            self.assertEqual(place.x is None or place.y is None, name in loose)
        return solution

    def test_all_on_one_line(self):
        places = {f"p{i}": (0.0, float(i)) for i in range(5)}
        spans = tuple(
            Span(id=f"s{i}", start="p0", end=f"p{i}", along="straight", units=float(i))
            for i in range(2, 5)
        )
        unit = UnitPair("p0", "p1", "plumb", "unit")
        solution = self._sound(study_of(places, spans, unit))
        self.assertEqual({each.direction for each in solution.loose}, {"level"})

    def test_two_landmarks_in_one_place(self):
        places = {"a": (0, 0), "b": (0, 1), "c": (1, 1), "d": (1, 1)}
        readings = (
            Drop(id="s1", start="a", end="c", offset=1.0),
            Level(id="s2", start="a", end="c", offset=1.0),
            Drop(id="s3", start="c", end="d"),
            Level(id="s4", start="c", end="d"),
            Tilt(id="s5", start="c", end="d", degrees=30.0),
            Drop(id="s6", start="a", end="b"),
        )
        solution = self._sound(study_of(places, readings))
        self.assertAlmostEqual(solution.landmarks["d"].x, 1.0, places=3)

    def test_readings_that_contradict_wholly(self):
        readings = tuple(
            Drop(id=f"s{i}", start="a", end="c", offset=value)
            for i, value in enumerate((1.0, -3.0, 50.0, 7.0))
        )
        solution = self._sound(study_of({"a": (0, 0), "b": (0, 1), "c": (1, 1)}, readings))
        self.assertTrue(solution.doubts)

    def test_tilts_only_and_spans_only(self):
        network = RandomNetwork(8, n=8, per=4, kinds="t", tap=0.05)
        self._sound(network.study)
        network = RandomNetwork(8, n=8, per=4, kinds="s", tap=0.05)
        straight = tuple(
            with_value(s, true_value(s, network.truth))
            for s in (replace(s, along="straight", towards=None) for s in network.study.sightings)
        )
        unit = UnitPair("p0", "p1", "straight", "unit")
        solution = self._sound(replace(network.study, sightings=straight, unit=unit))
        self.assertEqual(len(solution.loose), 7, "nothing tells which way is up")

    def test_two_pieces(self):
        places = {"a": (0, 0), "b": (0, 1), "c": (2, 0), "d": (3, 1)}
        readings = (
            Drop(id="s1", start="a", end="b"),
            Drop(id="s2", start="c", end="d", offset=1.0),
            Level(id="s3", start="c", end="d", offset=1.0),
            Level(id="s4", start="c", end="d", offset=-1.0),
        )
        solution = self._sound(study_of(places, readings))
        self.assertEqual([(e.landmark, e.direction) for e in solution.loose],
                         [("c", "both"), ("d", "both")])  # fmt: skip
        self.assertAlmostEqual(solution.readings["s4"].redundancy, 0.5)

    def test_a_unit_whose_ends_coincide_on_the_thumbnail(self):
        readings = (
            Drop(id="s1", start="a", end="b", offset=0.1),
            Span(id="s2", start="a", end="c", along="level", towards="right", units=2.0),
            Level(id="s3", start="b", end="c", offset=-0.5),
        )
        places = {"a": (0.3, 0.3), "b": (0.3, 0.3), "c": (0.9, 0.4)}
        place = self._sound(study_of(places, readings)).landmarks
        self.assertAlmostEqual(place["c"].y, 0.5, places=9)

    def test_three_hundred_readings_of_one_pair(self):
        rng = np.random.default_rng(0)
        readings = tuple(
            Drop(id=f"s{i}", start="a", end="c", offset=float(rng.normal(0.0, 0.03)), sigma=0.03)
            for i in range(300)
        )
        place = self._sound(study_of({"a": (0, 0), "b": (0, 1), "c": (0, 1)}, readings)).landmarks
        self.assertIsNone(place["c"].y)
        self.assertAlmostEqual(place["c"].sd_x or 0.03 / math.sqrt(300), 0.03 / math.sqrt(300))

    def test_a_match_of_a_zero_length(self):
        places = {"a": (0, 0), "b": (0, 1), "c": (1, 1), "d": (1, 1)}
        readings = (
            Match(id="s1", first=("a", "b"), second=("c", "d"), along="plumb", ratio=1.0),
            Drop(id="s2", start="c", end="d"),
            Level(id="s3", start="c", end="d"),
        )
        self._sound(study_of(places, readings))

    def test_parts_runs_and_parallels_of_nothing(self):
        places = dict.fromkeys("abcd", (0.5, 0.5))
        readings = (
            Part(id="s1", start="a", end="b", at="c", along="straight", fraction=0.5),
            Part(id="s2", start="c", end="d", at="a", along="level", fraction=0.5),
            Run(id="s3", start="c", end="d", hits="b"),
            Parallel(id="s4", first=("a", "c"), second=("b", "d")),
        )
        self._sound(study_of(places, readings, UNIT))


class Takes(unittest.TestCase):
    def test_a_drift_between_two_takes_is_found_and_named(self):
        close = named = 0
        for seed in range(40):
            network = RandomNetwork(300 + seed, n=24, per=4, kinds="sstdl", drifts=(0.0, 0.07))
            solution = solve(network.study)
            takes = solution.takes
            close += abs(takes["t2"].apart - 0.07) < 0.03
            named += takes["t2"].significant
        self.assertGreaterEqual(close, 32)
        self.assertGreaterEqual(named, 34)


if __name__ == "__main__":
    unittest.main()
