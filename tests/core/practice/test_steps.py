"""Steps follow the eye up and fall back; forced choices teach where most are seen; the record is
kept by what is posed plainly."""

import unittest
from dataclasses import replace
from itertools import count

import numpy as np

from tests import times
from tests.learners import LEARNERS, month, ratios
from zirkel.core.practice.choices import SHOWN
from zirkel.core.practice.estimate import read_record
from zirkel.core.practice.exercises import EXERCISES, LINES
from zirkel.core.practice.exercises.base import HARDEST
from zirkel.core.practice.history import months
from zirkel.core.practice.steps import (
    HIT,
    PLAIN_OF,
    SEEN,
    next_level,
    step,
    teaching_difference,
)
from zirkel.core.practice.trials import Trial, step_shown
from zirkel.core.simulation.eye import SimulatedEye, answers
from zirkel.core.subject.scene import seen_landmarks
from zirkel.scenes import shipped_scenes

HALF, GAP = LINES["half"], LINES["larger_gap"]
SCENES = shipped_scenes()


MOMENTS = count()


def set_at(steps, error):
    return [
        Trial("half", "share", float(next(MOMENTS)), 0.5, 0.5 + error, step=each) for each in steps
    ]


class Steps(unittest.TestCase):
    def test_hits_go_up_and_a_miss_falls_back_three_times_as_far(self):
        good = 0.9 * HIT * HALF.good_enough
        self.assertEqual(step(HALF, []), 1)
        self.assertEqual(step(HALF, set_at([1] * 4, good)), 2)
        self.assertEqual(step(HALF, set_at([1] * 40, good)), HARDEST)
        up = set_at([1] * 8, good)
        self.assertEqual(step(HALF, up), 3)
        fallen = [*up, *set_at([3], 1.3 * HIT * HALF.good_enough)]
        self.assertEqual(step(HALF, fallen), 2)
        self.assertEqual(step(HALF, [*fallen, *set_at([2] * 9, 0.3)]), 1)

    def test_an_answer_of_many_places_is_one_answer(self):
        line = LINES["block_in"]

        def answer(day, step_, error):
            return [Trial(line.name, line.measure, day, 0.0, error, step=step_) for _ in range(24)]

        one, two = answer(1.0, 0, 0.01), answer(2.0, 1, 0.01)
        self.assertIsNone(next_level(line, []))
        self.assertEqual(next_level(line, one), 1.0)
        self.assertIsNone(next_level(line, [*one, *two]))
        self.assertEqual(step(line, two), 1)
        good = [each for k in range(4) for each in answer(float(k), 1, 0.01)]
        self.assertEqual(step(line, good), 2)

    def test_what_is_posed_plainly_counts_for_no_step_and_comes_every_other_time(self):
        plain = set_at([0] * 40, 0.0)
        self.assertEqual(step(HALF, plain), 1)
        levels = [next_level(HALF, plain[:n]) for n in range(6)]
        self.assertEqual([each is None for each in levels], [n % PLAIN_OF == 0 for n in range(6)])

    def test_the_record_is_kept_by_what_is_posed_plainly(self):
        """An eye that is asked harder things errs by more, and is none the worse."""
        rng = np.random.default_rng(3)
        plain = [replace(each, answer=0.5 + float(rng.normal(0.0, 0.02)))
                 for each in set_at([0] * 40, 0.0)]  # fmt: skip
        hard = set_at([5] * 40, 0.2)
        self.assertEqual(read_record([*plain, *hard])["half"], read_record(plain)["half"])
        self.assertEqual(read_record(hard), {})

    def test_a_kept_trial_knows_its_step_by_what_was_shown(self):
        for extra, choice, at in (
            ({"shown": {"level": 3.0}}, False, 3), ({"shown": {"level": 0.04}}, True, 0),
            ({"shown": {}}, False, 0), ({}, False, 0), ({"shown": "x"}, False, 0),
        ):  # fmt: skip
            self.assertEqual(step_shown(extra, choice), at)


class Choices(unittest.TestCase):
    def test_what_teaches_is_seen_seven_to_eight_times_of_ten_whatever_the_eye(self):
        for factor in (0.2, 0.5, 1.0, 2.0):
            eye = SimulatedEye(0.0, factor * GAP.usual, slips=0.0)
            shares = []
            for seed in range(times(2)):
                rng = np.random.default_rng(seed)
                own = []
                for number in range(100):
                    level = next_level(GAP, own)
                    shown = level if rng.random() < 0.5 else -level
                    own += answers(eye, GAP, [shown], [number / 20.0], rng)
                level = teaching_difference(own, GAP.usual)
                seen = answers(eye, GAP, [level] * 400, [9.0] * 400, rng)
                shares.append(np.mean([each.truth * each.answer > 0 for each in seen]))
            with self.subTest(factor):
                self.assertAlmostEqual(float(np.mean(shares)), SEEN, delta=0.06)

    def test_no_difference_is_the_smallest_for_good(self):
        """An eye ten times as good as usual is shown what only it can tell."""
        rng = np.random.default_rng(1)
        eye = SimulatedEye(0.0, 0.15 * GAP.usual, slips=0.0)
        own = []
        for number in range(80):
            level = next_level(GAP, own)
            own += answers(eye, GAP, [level if rng.random() < 0.5 else -level], [number / 9], rng)
        self.assertLess(teaching_difference(own, GAP.usual), 0.25 * GAP.usual)
        self.assertLess(SHOWN.min(), 0.2)


class AMonth(unittest.TestCase):
    def test_each_learner_is_met_where_three_of_four_are_hit(self):
        for name in ("quick", "careless"):
            # Steps: the few choices of a month leave a difference's own error at a quarter.
            every = ratios(month(LEARNERS[name], 2))
            found = {k: r for k, r in every.items() if not EXERCISES[k].lines[0].choice}
            near = [3 / 4 <= each <= 4 / 3 for each in found.values()]
            with self.subTest(name):
                self.assertGreaterEqual(np.mean(near), 0.75, found)
                self.assertGreaterEqual(len(found), 4)


class Harder(unittest.TestCase):
    def test_every_step_can_be_answered_and_is_another_trial_than_the_plain_one(self):
        for name, exercise in EXERCISES.items():
            if exercise.lines[0].choice:
                continue
            plain = exercise.posed(7, None, SCENES)
            for at in range(1, HARDEST + 1):
                posed = exercise.posed(7, float(at), SCENES)
                for each in exercise.outcomes(posed, posed.truth):
                    error = Trial("x", each.line.measure, 0.0, each.truth, each.answer).error
                    self.assertAlmostEqual(error, 0.0, places=7, msg=(name, at))
                for piece in posed.pieces:
                    for x, y in piece.spots[:1] if piece.sort == "ellipse" else piece.spots:
                        self.assertTrue(-0.01 <= x <= 1.01 and -0.01 <= y <= posed.tall + 0.01)
            self.assertNotEqual(exercise.posed(7, float(HARDEST), SCENES), plain, name)

    def test_steps_make_lengths_shorter_tilts_nearly_plumb_and_landmarks_more(self):
        def mean(name, at, measure):
            return np.mean([
                measure(EXERCISES[name].posed(seed, at, SCENES)) for seed in range(times(20))
            ])  # fmt: skip

        def long(posed):
            a, b = np.array(posed.way.spots)
            return np.hypot(*(b - a))

        self.assertLess(mean("half", 5.0, long), 0.5 * mean("half", 1.0, long))
        self.assertLess(mean("tilt", 5.0, lambda p: (p.truth[0] + 45) % 90 - 45), 9.1)
        many = [len(EXERCISES["block_in"].posed(1, at, SCENES).way.names) for at in (1.0, 5.0)]
        self.assertLess(many[0], many[1])


class HeadTurned(unittest.TestCase):
    def test_to_the_right_is_where_the_nose_goes(self):
        for seed in range(12):
            posed = EXERCISES["head_turned"].posed(seed, None, SCENES)
            seen = seen_landmarks(SCENES["study_head"], posed.picture.station)
            x = np.array([each[0] for each in seen.values()])
            side = seen["nose_base"][0] - (x.min() + x.max()) / 2
            if abs(posed.truth[0]) >= 10:
                self.assertGreater(side * posed.truth[0], 0.0)


class Months(unittest.TestCase):
    def test_each_four_weeks_stand_by_themselves_and_few_trials_for_nothing(self):
        rng = np.random.default_rng(2)
        made = []
        for month_, spread in enumerate((0.06, 0.06, 0.02)):
            days = 28.0 * month_ + rng.uniform(0.0, 28.0, 40)
            made += answers(SimulatedEye(0.0, spread, slips=0.0), HALF, [0.5] * 40, days, rng)
        found = months(made, HALF.usual)
        self.assertEqual(len(found), 3)
        self.assertLess(found[-1].error, 0.6 * found[0].error)
        for each in found:
            self.assertGreater(each.sd, 0.0)
        self.assertEqual(months(made[:5], HALF.usual), [])
        self.assertEqual(months([], HALF.usual), [])


class Corners(unittest.TestCase):
    def test_an_edge_set_the_other_way_is_wrong(self):
        exercise = EXERCISES["angle_pair"]
        posed = exercise.posed(3, None, SCENES)
        [outcome] = exercise.outcomes(posed, [posed.truth[0] + 180.0])
        self.assertGreater(abs(outcome.answer), 80.0)
        [outcome] = exercise.outcomes(posed, [posed.truth[0] - 5.0])
        self.assertAlmostEqual(outcome.answer, -5.0)

    def test_an_envelope_errs_by_the_area_that_is_not_shared(self):
        exercise = EXERCISES["envelope"]
        posed = exercise.posed(5, None, SCENES)
        true = np.array(posed.truth).reshape(-1, 2)
        middle = true.mean(axis=0)
        larger = middle + 1.1 * (true - middle)
        [outcome] = exercise.outcomes(posed, larger.ravel().tolist())
        self.assertAlmostEqual(outcome.answer, 0.21, delta=0.04)
        shuffled = true[::-1].ravel().tolist()
        [outcome] = exercise.outcomes(posed, shuffled)
        self.assertEqual(outcome.answer, 0.0)

    def test_depth_is_as_a_camera_has_it(self):
        exercise = EXERCISES["foreshortened"]
        for seed in range(times(8)):
            posed = exercise.posed(seed, None, SCENES)
            ring = np.array(next(p for p in posed.pieces if p.sort == "area").spots)
            near, far = ring[1][0] - ring[0][0], ring[2][0] - ring[3][0]
            self.assertLess(far, near)
            self.assertAlmostEqual((ring[0][1] - ring[3][1]) / near, posed.truth[0])


if __name__ == "__main__":
    unittest.main()
