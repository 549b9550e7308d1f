"""Forced choices: a simulated eye is found out, as far as so many answers can tell."""

import unittest

import numpy as np

from tests import times
from zirkel.core.practice.choices import next_difference, read_choices
from zirkel.core.practice.exercises import LINES
from zirkel.core.practice.eye import UNKNOWN
from zirkel.core.practice.trials import Trial
from zirkel.core.simulation.eye import SimulatedEye, answers

LINE = LINES["larger_gap"]


def staircase(seed, eye, count):
    """Trials as the staircase asks for them."""
    rng = np.random.default_rng(seed)
    trials = []
    for number in range(count):
        size = next_difference(trials, LINE.usual)
        shown = size if rng.random() < 0.5 else -size
        trials += answers(eye, LINE, [shown], [number / 20.0], rng)
    return trials


class Threshold(unittest.TestCase):
    def test_it_is_within_a_fifth_after_forty_answers(self):
        """Of forty answers one standard deviation of 22 % is left open by the information in them
        (docs/mathematics.md): half of all eyes are told to better than 20 %, none to a half."""
        ratios, inside = [], []
        for seed in range(times(9)):
            eye = SimulatedEye(
                bias=(-0.01, 0.0, 0.015)[seed % 3], spread=(0.04, 0.06, 0.1)[seed % 3]
            )
            found = read_choices(staircase(seed, eye, 40), LINE.usual)
            ratios.append(found.spread / eye.spread)
            inside.append(abs(found.bias - eye.bias) < 1.96 * found.bias_sd)
        off = np.abs(np.array(ratios) - 1.0)
        self.assertLess(np.median(off), 0.2)
        self.assertLess(off.mean(), 0.28)
        self.assertAlmostEqual(np.mean(ratios), 1.0, delta=0.15)
        self.assertGreaterEqual(np.mean(inside), 0.85)

    def test_it_shows_what_tells_most(self):
        """At first what is plain to most eyes, then near what this eye just sees."""
        self.assertGreater(next_difference([], LINE.usual) / LINE.usual, 2.0)
        fine = staircase(1, SimulatedEye(0.0, 0.02), 25)
        blunt = staircase(1, SimulatedEye(0.0, 0.15), 25)
        self.assertLess(next_difference(fine, LINE.usual), 0.06)
        self.assertGreater(next_difference(blunt, LINE.usual), 0.12)

    def test_a_lean_to_one_side_is_told_from_dullness(self):
        found = read_choices(staircase(3, SimulatedEye(bias=0.06, spread=0.04), 80), LINE.usual)
        self.assertTrue(found.leans)
        self.assertAlmostEqual(found.bias, 0.06, delta=0.03)


class TooLittle(unittest.TestCase):
    def test_few_choices_tell_nothing(self):
        found = read_choices(staircase(1, SimulatedEye(0.0, 0.05), 5))
        self.assertEqual((found.bias, found.change.verdict), (None, UNKNOWN))

    def test_a_record_from_elsewhere_is_read_without_knowing_what_is_usual(self):
        rng = np.random.default_rng(2)
        shown = rng.choice([-3.0, -1.5, 1.5, 3.0], 300)
        days = np.linspace(0.0, 5.0, 300).tolist()
        trials = answers(SimulatedEye(0.4, 2.0), LINE, shown.tolist(), days, rng)
        found = read_choices(trials)
        self.assertAlmostEqual(found.spread, 2.0, delta=0.5)
        self.assertAlmostEqual(found.bias, 0.4, delta=0.4)

    def test_always_the_same_answer_is_no_error(self):
        trials = [Trial("x", "share", float(k), 0.05, 0.05, choice=True) for k in range(40)]
        self.assertIsNotNone(read_choices(trials, 0.06).spread)


class Changing(unittest.TestCase):
    def over_weeks(self, seed, per_week):
        rng = np.random.default_rng(seed)
        days = [7.0 * week + k / 40.0 for week in range(10) for k in range(40)]
        eye = SimulatedEye(0.0, 0.04, per_week)
        spread = 0.04 * np.exp(per_week * (np.array(days) - days[-1]) / 7.0)
        shown = 1.4 * spread * rng.choice([-1.0, 1.0], len(days))
        return answers(eye, LINE, shown.tolist(), days, rng)

    def test_a_large_change_is_told_and_none_is_not(self):
        better = [read_choices(self.over_weeks(s, -0.2), LINE.usual) for s in range(4)]
        self.assertGreaterEqual(sum(each.change.verdict == "better" for each in better), 3)
        # Then the spread is that of now, not of all weeks.
        self.assertLess(np.mean([each.spread for each in better]), 0.055)
        same = [read_choices(self.over_weeks(s, 0.0), LINE.usual).change for s in range(6)]
        self.assertTrue(all(each.verdict == UNKNOWN for each in same))


if __name__ == "__main__":
    unittest.main()
