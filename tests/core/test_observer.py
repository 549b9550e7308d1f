"""The honest observer: noise of the stated size, rounding as a person rounds, drifts that show."""

import unittest

import numpy as np

from tests.networks import RandomNetwork
from zirkel.core.network.solve import solve
from zirkel.core.network.standing import PROVEN, sliding, standings
from zirkel.core.sightings import Drop, Match, Part, Run, Span, Tilt
from zirkel.core.simulation.observer import observe, true_value, with_value

TRUTH = {"a": np.zeros(2), "b": np.array([1.6, 0.7]), "c": np.array([0.8, 0.35])}
SPAN = Span(id="s", start="a", end="b", along="level", towards="right", units=1.0)


class Observing(unittest.TestCase):
    def test_noise_is_as_large_as_the_default_says(self):
        rng = np.random.default_rng(1)
        for reading, sigma in (
            (SPAN, np.hypot(0.03, 0.025 * 1.6)),
            (Tilt(id="t", start="a", end="b", degrees=0.0), 2.0),
            (Drop(id="d", start="a", end="b"), np.hypot(0.03, 0.025 * 1.6)),
            (Part(id="p", start="a", end="b", at="c", along="level", fraction=0.5), 0.03),
        ):
            true = true_value(reading, TRUTH)
            read = [observe(reading, TRUTH, rng, rounded=False).value for _ in range(800)]
            self.assertAlmostEqual(np.mean(read), true, delta=0.15 * sigma)
            self.assertAlmostEqual(np.std(read) / sigma, 1.0, delta=0.1)

    def test_rounding(self):
        rng = np.random.default_rng(2)
        for _ in range(50):
            self.assertEqual(observe(SPAN, TRUTH, rng).value * 16 % 1, 0.0)
            tilt = observe(Tilt(id="t", start="a", end="b", degrees=0.0), TRUTH, rng).value
            self.assertEqual(tilt / 2.5 % 1, 0.0)
            self.assertTrue(0.0 <= tilt < 180.0)

    def test_rounded_or_not_the_error_is_as_large_as_the_default_says(self):
        """Rounding is part of the usual error, not added to it. The true values are spread, so that
        none sits on a sixteenth."""
        rng = np.random.default_rng(7)
        off = {"span": [], "drop": [], "tilt": []}
        for _ in range(1500):
            there = {"a": np.zeros(2), "b": rng.uniform((0.8, 0.3), (1.6, 1.2))}
            for reading, sigma in (
                (SPAN, np.hypot(0.03, 0.025 * there["b"][0])),
                (Drop(id="d", start="a", end="b"), np.hypot(0.03, 0.025 * there["b"][0])),
                (Tilt(id="t", start="a", end="b", degrees=0.0), 2.0),
            ):
                error = observe(reading, there, rng).value - true_value(reading, there)
                off[reading.kind].append(error / sigma)
        for kind, errors in off.items():
            self.assertAlmostEqual(float(np.std(errors)), 1.0, delta=0.06, msg=kind)

    def test_a_tiny_length_never_reads_zero(self):
        rng = np.random.default_rng(3)
        near = {**TRUTH, "b": np.array([0.01, 0.0])}
        self.assertTrue(all(observe(SPAN, near, rng).value > 0 for _ in range(50)))

    def test_a_drift_lengthens_what_is_read(self):
        self.assertAlmostEqual(true_value(SPAN, TRUTH, 0.05), 1.6 * 1.05)

    def test_what_has_no_value_is_left_alone(self):
        run = Run(id="r", start="a", end="b", hits="c")
        self.assertIs(observe(run, TRUTH, np.random.default_rng(0)), run)
        self.assertIs(with_value(run, 3.0), run)
        equal = Match(id="m", first=("a", "b"), second=("a", "c"), along="level")
        self.assertEqual(with_value(equal, 2.0).ratio, 2.0)


class Standing(unittest.TestCase):
    def test_every_landmark_stands_somewhere(self):
        network = RandomNetwork(6, n=14, per=3, tap=0.05)
        solution = solve(network.study)
        found = standings(solution, sliding(solution))
        self.assertEqual(set(found), set(network.names))
        loose = set(sliding(solution))
        doubted = {
            name
            for doubt in solution.doubts
            for each in network.study.sightings
            if each.id == doubt.sighting
            for name in each.landmarks
        }
        best: dict[str, float] = {}
        for each in network.study.sightings:
            redundancy = solution.readings[each.id].redundancy or 0.0
            for name in each.landmarks:
                best[name] = max(best.get(name, 0.0), redundancy)
        for name, standing in found.items():
            if name in loose:
                self.assertEqual(standing, "loose")
            elif name not in doubted:
                proven = best.get(name, 0.0) >= PROVEN
                self.assertEqual(standing, "proven" if proven else "held")


if __name__ == "__main__":
    unittest.main()
