"""The simulated eye errs as it is told to, and the made-up record shows what it was made with."""

import unittest
from datetime import UTC, datetime

import numpy as np

from zirkel.core.practice.estimate import read_record
from zirkel.core.practice.exercises import LINES
from zirkel.core.practice.guesses import USUAL
from zirkel.core.practice.trials import day_of
from zirkel.core.simulation.eye import SimulatedEye, answers
from zirkel.demo.made_up_eye import EYES, WEEKS, made_up_record

UNTIL = datetime(2026, 11, 2, 9, tzinfo=UTC)


def errors(eye, name, truth=2.0, count=4000, weeks=0.0):
    days = np.linspace(0.0, 7.0 * weeks, count).tolist()
    made = answers(eye, LINES[name], [truth] * count, days, np.random.default_rng(1))
    return np.array([each.error for each in made]), made


class Simulated(unittest.TestCase):
    def test_bias_and_spread_are_those_asked_for_in_every_measure(self):
        for name, bias, spread in (("half", 0.02, 0.03), ("widths", -0.05, 0.1),
                                   ("tilt", 1.0, 3.0), ("tone_steps", 0.2, 0.7)):  # fmt: skip
            found, _ = errors(SimulatedEye(bias, spread, slips=0.0), name)
            self.assertAlmostEqual(found.mean(), bias, delta=4.0 * spread / 63.0)
            self.assertAlmostEqual(found.std() / spread, 1.0, delta=0.05)

    def test_an_eye_that_betters_ends_at_its_spread(self):
        found, _ = errors(SimulatedEye(0.0, 0.02, per_week=-0.2, slips=0.0), "half", weeks=6.0)
        early, late = found[:400].std(), found[-400:].std()
        self.assertAlmostEqual(late / 0.02, 1.0, delta=0.15)
        self.assertAlmostEqual(np.log(early / late), 1.08, delta=0.2)

    def test_slips_are_wide_and_as_many_as_asked_for(self):
        found, _ = errors(SimulatedEye(0.0, 0.01, slips=0.1), "half")
        self.assertAlmostEqual((np.abs(found) > 0.04).mean(), 0.1 * 0.617, delta=0.02)

    def test_forced_choices_are_right_as_often_as_the_spread_says(self):
        eye = SimulatedEye(0.0, 0.05, slips=0.0)
        _, made = errors(eye, "larger_gap", truth=0.05)
        right = np.mean([each.answer > 0 for each in made])
        self.assertAlmostEqual(right, 0.841, delta=0.02)
        self.assertTrue(all(each.choice and abs(each.answer) == 0.05 for each in made))


class MadeUp(unittest.TestCase):
    def test_it_ends_the_day_before_and_says_what_it_was_made_with(self):
        record = made_up_record(UNTIL)
        days = [trial.day for trial, _ in record]
        self.assertLess(max(days), day_of(UNTIL))
        self.assertLess(max(days) - min(days), 7.0 * WEEKS)
        eyes = read_record([trial for trial, _ in record], USUAL)
        self.assertEqual(set(eyes), set(EYES))
        for name, (made, _, _) in EYES.items():
            eye = eyes[name]
            self.assertLess(abs(eye.bias - made.bias), 4.0 * eye.bias_sd, name)
            self.assertNotEqual(eye.change.verdict, "worse", name)
        self.assertEqual(eyes["tilt"].change.verdict, "better")

    def test_the_same_day_makes_the_same_record(self):
        self.assertEqual(made_up_record(UNTIL), made_up_record(UNTIL))


if __name__ == "__main__":
    unittest.main()
