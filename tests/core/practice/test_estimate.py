"""Simulated eyes: bias and spread come out as they are, lapses are not believed, and a change is
only told where there is one."""

import unittest

import numpy as np

from tests import times
from zirkel.core.practice.estimate import read_eye, read_record
from zirkel.core.practice.eye import BETTER, UNKNOWN, WORSE
from zirkel.core.practice.trials import Trial

BIAS, SPREAD = 0.012, 0.05


def eye(seed, count=160, weeks=8.0, per_week=0.0, lapses=0.0, measure="share"):
    """Trials of a simulated eye over so many weeks."""
    rng = np.random.default_rng(seed)
    days = np.sort(rng.uniform(0.0, 7.0 * weeks, count))
    errors = BIAS + SPREAD * np.exp(per_week * (days - days.max()) / 7.0) * rng.normal(size=count)
    wild = rng.random(count) < lapses
    errors[wild] = rng.uniform(-0.5, 0.5, int(wild.sum()))
    return [Trial("half", measure, d, 0.5, 0.5 + e) for d, e in zip(days, errors, strict=True)]


def share_of(verdict, **of):
    return np.mean([read_eye(eye(seed, **of)).change.verdict == verdict for seed in range(100)])


class Honest(unittest.TestCase):
    def test_intervals_of_the_bias_hold_and_the_spread_is_its_own(self):
        for of in ({}, {"count": 40, "weeks": 2.0}, {"lapses": 0.03}):
            found = [read_eye(eye(seed, **of)) for seed in range(times(100))]
            within = np.mean([abs(e.bias - BIAS) < 1.96 * e.bias_sd for e in found])
            self.assertGreaterEqual(within, 0.90, of)
            self.assertLessEqual(within, 0.99, of)
            self.assertAlmostEqual(np.mean([e.spread for e in found]) / SPREAD, 1.0, delta=0.05)
            told = np.mean([e.spread_sd for e in found]) / np.std([e.spread for e in found])
            self.assertAlmostEqual(told, 1.0, delta=0.3)

    def test_lapses_do_not_spread_the_eye(self):
        clean, wild = read_eye(eye(3)), read_eye(eye(3, lapses=0.06))
        self.assertAlmostEqual(wild.spread / clean.spread, 1.0, delta=0.15)
        self.assertGreater(wild.lapses, clean.lapses)

    def test_an_eye_that_never_errs_and_one_that_always_says_the_same(self):
        exact = read_eye([Trial("half", "share", float(d), 0.5, 0.5) for d in range(30)])
        self.assertAlmostEqual(exact.bias, 0.0)
        self.assertLess(exact.spread, 1e-6)
        steady = read_eye([Trial("half", "share", float(d), 0.5, 0.6) for d in range(30)])
        self.assertAlmostEqual(steady.bias, 0.1)


class Changing(unittest.TestCase):
    def test_an_eye_that_betters_is_told_so_and_one_that_worsens(self):
        self.assertGreaterEqual(share_of(BETTER, per_week=-0.105), 0.88)
        self.assertGreaterEqual(share_of(WORSE, per_week=0.105), 0.8)

    def test_what_does_not_change_is_left_unsaid(self):
        self.assertGreaterEqual(share_of(UNKNOWN), 0.95)
        self.assertGreaterEqual(share_of(UNKNOWN, count=32, weeks=2.5), 0.95)

    def test_looking_every_few_days_finds_no_more_by_chance(self):
        false, eyes = 0, times(15)
        for seed in range(eyes):
            trials = eye(seed, 240, 10.0)
            false += any(
                read_eye(trials[:upto]).change.verdict != UNKNOWN for upto in range(30, 241, 10)
            )
        self.assertLessEqual(false, eyes / 15)

    def test_the_spread_is_that_of_now(self):
        now = [read_eye(eye(seed, per_week=-0.15)).spread for seed in range(30)]
        self.assertAlmostEqual(np.mean(now) / SPREAD, 1.0, delta=0.08)


class TooLittle(unittest.TestCase):
    def test_three_trials_tell_nothing_yet(self):
        found = read_eye(eye(1, 3))
        self.assertEqual((found.bias, found.spread, found.change.verdict), (None, None, UNKNOWN))

    def test_many_trials_of_one_day_tell_no_change(self):
        self.assertIsNone(read_eye(eye(1, 60, 0.1)).change.per_week)

    def test_errors_are_each_in_their_measure(self):
        for measure, truth, answer, error in (
            ("relative", 4.0, 5.0, 0.25), ("share", 0.5, 0.53, 0.03), ("steps", 4.0, 6.0, 2.0),
            ("degrees", 178.0, 3.0, 5.0), ("degrees", 10.0, 95.0, 85.0), ("units", 2.0, 1.5, -0.5),
        ):  # fmt: skip
            self.assertAlmostEqual(Trial("x", measure, 0.0, truth, answer).error, error)

    def test_each_exercise_has_its_own(self):
        both = [*eye(1, 40), *[Trial("tilt", "degrees", float(d), 40.0, 42.0) for d in range(30)]]
        found = read_record(both)
        self.assertEqual(list(found), ["half", "tilt"])
        self.assertAlmostEqual(found["tilt"].bias, 2.0)


if __name__ == "__main__":
    unittest.main()
