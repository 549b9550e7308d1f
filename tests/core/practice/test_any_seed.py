"""Exercises for any seed, records for any trials: nothing breaks, and what must hold holds."""

import json
import math
import unittest
from datetime import UTC, datetime

from hypothesis import given
from hypothesis import strategies as st

from tests import examples
from zirkel.core.practice.estimate import read_eye, read_record
from zirkel.core.practice.exercises import EXERCISES
from zirkel.core.practice.guesses import USUAL
from zirkel.core.practice.history import history
from zirkel.core.practice.trials import MEASURES, Trial
from zirkel.errors import BadInput
from zirkel.scenes import shipped_scenes
from zirkel.studyfile.practice_file import read_kept, read_practice, write_practice

SCENES = shipped_scenes()
SOME = examples(60)
SEED = st.integers(0, 2**31 - 1)
FIELDS = ("exercise", "measure", "at", "truth", "answer", "choice")
NUMBER = st.floats(-1e3, 1e3, allow_nan=False)


@st.composite
def trials(draw, most=60):
    """Trials of one exercise, of any errors and days."""
    measure = draw(st.sampled_from(MEASURES))
    choice = draw(st.booleans())
    made = []
    for _ in range(draw(st.integers(1, most))):
        truth = draw(NUMBER.filter(lambda x: abs(x) > 1e-6))
        answer = math.copysign(truth, draw(st.sampled_from((-1, 1)))) if choice else draw(NUMBER)
        day = draw(st.floats(0.0, 400.0))
        made.append(Trial("own", measure, day, truth, answer, choice=choice))
    return made


class AnySeed(unittest.TestCase):
    @SOME
    @given(SEED, st.sampled_from(sorted(EXERCISES)), st.floats(0.005, 0.4))
    def test_a_trial_can_be_answered_rightly_and_nothing_is_given_away(self, seed, name, level):
        exercise = EXERCISES[name]
        shown = level if exercise.lines[0].choice else None
        posed = exercise.posed(seed, shown, SCENES)
        self.assertTrue(all(math.isfinite(each) for each in posed.truth))
        outcomes = exercise.outcomes(posed, posed.truth)
        for each in outcomes:
            error = Trial("x", each.line.measure, 0.0, each.truth, each.answer).error
            self.assertAlmostEqual(error, 0.0, places=7)
        spots = {spot for piece in posed.pieces for spot in piece.spots}
        over = {spot for piece in posed.laid_over for spot in piece.spots}
        if posed.way.sort in ("along", "place", "places"):
            target = posed.laid_over[-1].spots[0]
            self.assertNotIn(target, spots)
        self.assertTrue(over)

    @SOME
    @given(SEED, st.sampled_from(["half", "third", "quarter", "tilt", "box", "roundness"]),
           st.floats(-0.1, 0.1))  # fmt: skip
    def test_an_error_that_is_made_is_the_error_that_is_told(self, seed, name, by):
        exercise = EXERCISES[name]
        posed = exercise.posed(seed, None, SCENES)
        line = exercise.lines[0]
        truth = posed.truth[0]
        answer = truth * (1.0 + by) if line.measure == "relative" else truth + by
        (outcome,) = exercise.outcomes(posed, [answer])
        error = Trial("x", line.measure, 0.0, outcome.truth, outcome.answer).error
        self.assertAlmostEqual(error, by, places=9)


class AnyRecord(unittest.TestCase):
    @SOME
    @given(trials())
    def test_what_is_told_is_finite_or_not_known(self, record):
        eye = read_eye(record)
        self.assertEqual(eye.trials, len(record))
        for number in (eye.bias, eye.bias_sd, eye.spread, eye.spread_sd):
            self.assertTrue(number is None or math.isfinite(number), eye)
        if eye.spread is not None:
            self.assertGreaterEqual(eye.spread, 0.0)
        for each in history(record):
            self.assertTrue(math.isfinite(each.bias) and math.isfinite(each.spread))

    @SOME
    @given(trials(), st.randoms())
    def test_the_order_in_which_trials_come_does_not_matter(self, record, chance):
        shuffled = list(record)
        chance.shuffle(shuffled)
        one, other = read_eye(record), read_eye(shuffled)
        for a, b in ((one.bias, other.bias), (one.spread, other.spread)):
            if a is None or b is None:
                self.assertEqual(a, b)
            else:
                self.assertAlmostEqual(a, b, delta=1e-3 * max(1.0, abs(a)))

    @SOME
    @given(trials(20))
    def test_a_record_written_and_read_is_the_same(self, record):
        at = datetime(2026, 11, 2, 9, 30, 1, 250_000, tzinfo=UTC)
        kept = [(each, at.replace(tzinfo=None), {"hand": "left", "n": k})
                for k, each in enumerate(record)]  # fmt: skip
        data = write_practice(kept)
        for (trial, when, extra), (wrote, _, more) in zip(read_kept(data), kept, strict=True):
            self.assertEqual((trial.truth, trial.answer, trial.choice),
                             (wrote.truth, wrote.answer, wrote.choice))  # fmt: skip
            self.assertEqual((when, extra), (at, more))
        self.assertEqual(len(read_practice(data)), len(record))
        self.assertEqual(list(read_record(read_practice(data), USUAL)), ["own"])

    @SOME
    @given(st.dictionaries(st.sampled_from(FIELDS),
                           st.one_of(st.none(), st.text(max_size=8), NUMBER, st.booleans(),
                                     st.lists(st.integers(), max_size=2))))  # fmt: skip
    def test_a_mangled_trial_is_refused_with_its_place_or_taken(self, mangled):
        sound = {"exercise": "half", "measure": "share", "at": "2026-11-02T09:00:00Z",
                 "truth": 0.5, "answer": 0.53}  # fmt: skip
        file = {"format": "zirkel-practice", "version": 1, "trials": [sound, {**sound, **mangled}]}
        try:
            self.assertEqual(len(read_practice(json.dumps(file).encode())), 2)
        except BadInput as error:
            self.assertIn("trials", str(error))


if __name__ == "__main__":
    unittest.main()
