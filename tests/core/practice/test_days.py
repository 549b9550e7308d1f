"""Good and bad days: the bias's interval holds, a mood is no change, a gain is seen through it."""

import math
import unittest

import numpy as np

from tests import times
from zirkel.core.practice.days import by_day
from zirkel.core.practice.estimate import read_eye
from zirkel.core.practice.eye import BETTER, UNKNOWN
from zirkel.core.practice.trials import Trial

BIAS, SPREAD = 0.012, 0.05


def trials(seed, per_week=0.0, tau=0.5, omega=0.2, weeks=8, days=5, a_day=4):
    """Eight weeks of five days of four trials; moods of half the spread in bias, and of a fifth in
    the spread itself."""
    rng = np.random.default_rng(seed)
    made = []
    for week in range(weeks):
        for weekday in sorted(rng.choice(7, days, replace=False)):
            day = 7.0 * week + weekday
            bias = BIAS + rng.normal(0.0, tau * SPREAD)
            spread = SPREAD * math.exp(per_week * day / 7.0 + rng.normal(0.0, omega))
            made += [
                Trial("half", "share", day + 0.3 + 0.001 * k, 0.5, 0.5 + rng.normal(bias, spread))
                for k in range(a_day)
            ]
    return made


class Moods(unittest.TestCase):
    def test_the_bias_lies_where_it_is_said_to(self):
        for tau in (0.5, 1.5):
            found = [read_eye(trials(seed, tau=tau)) for seed in range(times(60))]
            inside = [abs(each.bias - BIAS) < 1.96 * each.bias_sd for each in found]
            self.assertGreaterEqual(np.mean(inside), 0.86, tau)

    def test_a_mood_is_no_change(self):
        told = [read_eye(trials(seed)).change.verdict != UNKNOWN for seed in range(times(60))]
        self.assertLessEqual(np.mean(told), 0.05)

    def test_ten_per_cent_a_week_are_seen_through_it(self):
        gain = math.log(0.9)
        told = [read_eye(trials(seed, gain)).change for seed in range(times(60))]
        self.assertGreaterEqual(np.mean([each.verdict == BETTER for each in told]), 0.55)
        self.assertAlmostEqual(np.mean([each.per_week for each in told]), gain, delta=0.02)

    def test_without_moods_nothing_is_lost(self):
        steady = [read_eye(trials(seed, math.log(0.9), 0.0, 0.0)) for seed in range(times(40))]
        self.assertGreaterEqual(np.mean([e.change.verdict == BETTER for e in steady]), 0.8)

    def test_slips_on_bad_days_are_still_not_believed(self):
        made = trials(3)
        slipped = [
            Trial("half", "share", e.day, 0.5, e.answer + (0.9 if i % 30 == 0 else 0.0))
            for i, e in enumerate(made)
        ]
        plain, found = read_eye(made), read_eye(slipped)
        self.assertGreater(found.lapses, 0.01)
        self.assertLess(abs(found.spread / plain.spread - 1.0), 0.25)


class ByDay(unittest.TestCase):
    def test_one_day_is_its_mean(self):
        x = np.array([0.1, 0.2, 0.3, 0.2])
        found = by_day(x, np.zeros(4), np.zeros(4, int), np.ones(4), (0.2, math.log(0.08), 0.0))
        self.assertAlmostEqual(found.bias, 0.2)
        self.assertTrue(math.isinf(found.slope_sd))
        self.assertEqual(found.bias_freedom, 3.0)

    def test_days_that_differ_by_more_than_their_trials_leave_few_degrees_of_freedom(self):
        rng = np.random.default_rng(1)
        day = np.repeat(np.arange(10), 20)
        mood = rng.normal(0.0, 1.0, 10)[day]
        x = mood + rng.normal(0.0, 0.1, 200)
        found = by_day(x, np.zeros(200), day, np.ones(200), (0.0, 0.0, 0.0))
        self.assertAlmostEqual(found.bias_freedom, 9.0, delta=0.5)
        self.assertAlmostEqual(
            found.bias_sd, np.std(mood[::20], ddof=1) / math.sqrt(10), delta=0.02
        )


class LongRecords(unittest.TestCase):
    def test_ten_years_of_daily_practice_are_read(self):
        """Thirty-six thousand trials of one exercise."""
        rng = np.random.default_rng(2)
        made = [
            Trial("half", "share", float(day) + 0.01 * k, 0.5, 0.5 + rng.normal(BIAS, SPREAD))
            for day in range(3650)
            for k in range(10)
        ]
        found = read_eye(made)
        self.assertAlmostEqual(found.bias, BIAS, delta=0.002)
        self.assertEqual(found.change.verdict, UNKNOWN)


if __name__ == "__main__":
    unittest.main()
