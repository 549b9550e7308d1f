"""What is practised today, what the record says in the work, and how it went over time."""

import unittest
from datetime import UTC, datetime

import numpy as np

from zirkel.core.drawn import Guess
from zirkel.core.practice.carried import own_eyes, parting
from zirkel.core.practice.estimate import read_record
from zirkel.core.practice.exercises import EXERCISES, LINES
from zirkel.core.practice.guesses import USUAL, as_trials
from zirkel.core.practice.history import history
from zirkel.core.practice.today import AT_MOST, todays
from zirkel.core.practice.trials import Trial
from zirkel.core.simulation.eye import SimulatedEye, answers
from zirkel.core.words.practice import (
    say_amount,
    say_at_work,
    say_change,
    say_lean,
    say_parting,
    say_sigma,
    say_spread,
    say_why,
)


def trials(name, bias, spread, count=60, days=None, seed=1, truth=2.0):
    rng = np.random.default_rng(seed)
    when = np.linspace(0.0, 3.0, count) if days is None else days
    eye = SimulatedEye(bias, spread, slips=0.0)
    return answers(eye, LINES[name], [truth] * len(when), list(when), rng)


class Today(unittest.TestCase):
    def test_a_first_day_is_three_untried_exercises_of_about_four_minutes(self):
        drills = todays({}, [], 10.0)
        self.assertTrue(1 <= len(drills) <= 3)
        self.assertLessEqual(sum(each.seconds for each in drills), AT_MOST)
        self.assertTrue(all(each.error_mm is None for each in drills))
        self.assertIn("Not known yet", say_why(drills[0]))

    def test_where_most_is_to_be_gained_comes_first(self):
        record = []
        for name, exercise in EXERCISES.items():
            for line in exercise.lines:
                worse = 6.0 if name == "third" else 1.0
                usual = line.usual / 2.0
                record += trials(line.name, 0.0, worse * usual, truth=1.0)
        drills = todays(read_record(record, USUAL), record, 10.0)
        self.assertEqual(drills[0].exercise.name, "third")
        self.assertRegex(say_why(drills[0]), r"about [\d.]+ % of the length")

    def test_what_was_practised_an_hour_ago_waits(self):
        worst = trials("third", 0.0, 0.2)
        eyes = read_record(worst, USUAL)
        self.assertEqual(todays(eyes, worst, 20.0)[0].exercise.name, "third")
        self.assertNotEqual(todays(eyes, worst, 3.04)[0].exercise.name, "third")


class InTheWork(unittest.TestCase):
    def test_exercises_speak_for_their_kind_until_the_bench_does(self):
        record = trials("widths", 0.03, 0.05)
        own = own_eyes(read_record(record, USUAL))["span"]
        self.assertFalse(own.at_work)
        self.assertTrue(own.relative)
        self.assertAlmostEqual(own.sigma, (0.03**2 + 0.05**2) ** 0.5, delta=0.012)
        said = say_at_work(own)
        self.assertRegex(said, r"spans come out 3?\d?(\.\d)? % too long and scatter by")
        self.assertRegex(say_sigma(own), r"^± \d(\.\d)? %$")
        guesses = [
            Guess(f"g{k}", "2026-11-01T10:00:00Z", "bench_span", "relative", 2.0 + k % 3 / 10, 2.0)
            for k in range(20)
        ]
        at_work = [trial for trial, _ in as_trials(guesses, None)]
        self.assertTrue(own_eyes(read_record([*record, *at_work], USUAL))["span"].at_work)

    def test_another_s_guesses_and_broken_ones_are_left_out(self):
        of = {"exercise": "bench_tilt", "measure": "degrees", "answer": 31.0, "truth": 30.0}
        guesses = [
            Guess("a", "2026-11-01T10:00:00Z", artist="rosa", **of),
            Guess("b", "yesterday", **of),
            Guess("c", "2026-11-01", **{**of, "measure": "share"}),
            Guess("d", "2026-11-01T10:00:00", **of),
        ]
        self.assertEqual(len(as_trials(guesses, None)), 1)
        self.assertEqual(len(as_trials(guesses, "rosa")), 1)
        self.assertEqual(as_trials(guesses, None)[0][1], datetime(2026, 11, 1, 10, tzinfo=UTC))

    def test_too_few_or_counted_otherwise_lend_no_sigma(self):
        self.assertEqual(own_eyes(read_record(trials("half", 0.0, 0.02, 5), USUAL)), {})
        plumb = own_eyes(read_record(trials("plumb", 0.0, 1.0, truth=0.0), USUAL))["drop"]
        self.assertIsNone(plumb.sigma)
        self.assertIsNone(say_sigma(plumb))

    def test_parting_is_the_mean_square_over_all_parts(self):
        record = [*trials("half", 0.0, 0.01), *trials("third", 0.02, 0.01)]
        found = parting(read_record(record, USUAL))
        self.assertAlmostEqual(found.part, ((0.01**2 + 0.0005) / 2) ** 0.5, delta=0.004)
        self.assertIsNone(found.straight)
        self.assertIn("parts lengths to", say_parting(found))
        self.assertIsNone(say_parting(parting({})))


class OverTime(unittest.TestCase):
    def test_each_day_rests_on_the_latest_trials(self):
        days = [float(day) for day in range(10) for _ in range(12)]
        early = [Trial("half", "share", d, 0.5, 0.5 + (0.1 if d < 5 else 0.0)) for d in days]
        noisy = [
            Trial(t.exercise, t.measure, t.day, t.truth, t.answer + 0.01 * (k % 3 - 1))
            for k, t in enumerate(early)
        ]
        stood = history(noisy)
        self.assertEqual([each.upto for each in stood], [12 * k for k in range(1, 11)])
        self.assertAlmostEqual(stood[3].bias, 0.1, delta=0.005)
        self.assertAlmostEqual(stood[-1].bias, 0.0, delta=0.005)

    def test_sentences(self):
        line = LINES["half"]
        eye = read_record(trials("half", 0.03, 0.02), USUAL)["half"]
        self.assertRegex(say_lean(line, eye), r"^On average .* % of the length too long\.$")
        self.assertRegex(say_spread(line, eye), r"give or take \d+\.\d %\.$")
        self.assertEqual(say_change(eye), "Whether it changes is not known yet.")
        few = read_record(trials("half", 0.03, 0.02, 3), USUAL)["half"]
        self.assertEqual(say_lean(line, few), "Not known yet.")
        for measure, size, said in (
            ("share", 0.03, "3 %"), ("relative", 0.124, "12 %"), ("degrees", 2.04, "2°"),
            ("degrees", 12.6, "13°"), ("steps", 1.0, "1 step"), ("steps", 0.52, "0.5 steps"),
        ):  # fmt: skip
            self.assertEqual(say_amount(measure, size), said)


if __name__ == "__main__":
    unittest.main()
