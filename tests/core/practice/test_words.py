"""What is said after a trial and of a record, as one would read it aloud."""

import unittest
from dataclasses import replace

from zirkel.core.practice.carried import OwnEye, Parting
from zirkel.core.practice.exercises import EXERCISES, LINES
from zirkel.core.practice.eye import NO_CHANGE_KNOWN, Change, Eye
from zirkel.core.practice.today import Drill
from zirkel.core.words.practice import (
    say_at_work,
    say_block_in,
    say_change,
    say_good,
    say_lean,
    say_outcome,
    say_parting,
    say_sigma,
    say_spread,
    say_why,
)
from zirkel.scenes import shipped_scenes

SCENES = shipped_scenes()


def after(name, *answer, seed=4, level=None):
    exercise = EXERCISES[name]
    posed = exercise.posed(seed, level, SCENES)
    said = [t + by for t, by in zip(posed.truth, answer, strict=True)]
    return say_outcome(exercise, posed, exercise.outcomes(posed, said))


def eye(name, bias=0.03, sd=0.005, spread=0.06, change=NO_CHANGE_KNOWN):
    return Eye(name, LINES[name].measure, 40, bias, sd, spread, spread / 9.0, 0.0, change)


class AfterATrial(unittest.TestCase):
    def test_which_way_and_of_what(self):
        for name, answer, said in (
            ("half", (0.03,), "3 % of the length too long."),
            ("half", (-0.12,), "12 % of the length too short."),
            ("half", (0.001,), "As exact as one can tell."),
            ("tone_steps", (1.0,), "1 step too dark on the right."),
            ("tone_steps", (-0.5,), "0.5 steps too light on the right."),
            ("place", (0.04, 0.0), "4 % of the frame too far right."),
            ("place", (-0.02, 0.03), "2 % of the frame too far left and 3 % of the frame too low."),
        ):
            self.assertTrue(after(name, *answer).startswith(said), (name, after(name, *answer)))

    def test_what_was_so_is_said_where_a_word_can_say_it(self):
        self.assertRegex(after("tilt", 6.0), r"^6° too far clockwise\. It leans to \d+:\d\d\.$")
        self.assertRegex(after("widths", 0.0), r"It is .* times\.$")
        self.assertRegex(after("box", 0.0), r"Its height is .* of its width\.$")
        self.assertRegex(after("roundness", 0.0), r"Its short axis is .* of the long one\.$")
        self.assertRegex(after("tone_steps", 0.0), r"It is [\d.]+ steps? (darker|lighter)\.$")

    def test_a_choice_is_right_or_not_and_by_how_much(self):
        exercise = EXERCISES["larger_gap"]
        posed = exercise.posed(3, 0.08, SCENES)
        side = "the right one" if posed.truth[0] > 0 else "the left one"
        for answer, said in ((posed.truth[0], "So it is"), (-posed.truth[0], "No")):
            told = say_outcome(exercise, posed, exercise.outcomes(posed, [answer]))
            self.assertEqual(told, f"{said}: {side}, by 8 %.")

    def test_a_sound_block_in_has_no_cause(self):
        posed = EXERCISES["block_in"].posed(2, None, SCENES)
        said = say_block_in(posed, posed.truth, SCENES[posed.picture.scene])
        self.assertEqual(len(said), 2)
        self.assertTrue(said[0].startswith("After the best size, place and turn"))
        self.assertEqual(said[1], "No cause stands out: what is left is scatter.")


class OfARecord(unittest.TestCase):
    def test_leaning_and_not(self):
        half = LINES["half"]
        self.assertEqual(say_lean(half, eye("half")), "On average 3 % of the length too long.")
        self.assertTrue(say_lean(half, eye("half", sd=0.02)).startswith("Leans to neither side"))
        gap = say_lean(LINES["larger_gap"], eye("larger_gap", bias=-0.03))
        self.assertEqual(gap, "Where both are alike, the left one looks larger, by 3 %.")
        block = say_lean(LINES["block_in"], eye("block_in"))
        self.assertTrue(block.startswith("Leans to neither side"))

    def test_scatter_is_of_an_answer_or_of_a_look(self):
        self.assertTrue(say_spread(LINES["half"], eye("half")).startswith("A single answer"))
        told = say_spread(LINES["larger_gap"], eye("larger_gap"))
        self.assertTrue(told.startswith("A single look tells differences of 6 %"))

    def test_change_is_told_by_the_week(self):
        surer = eye("half", change=Change(-0.1, 0.02, "better"))
        self.assertEqual(say_change(surer), "Getting surer: by about 10 % a week.")
        less = eye("half", change=Change(0.07, 0.01, "worse"))
        self.assertEqual(say_change(less), "Getting less sure: by about 7 % a week.")

    def test_why_it_is_practised(self):
        known = Drill(EXERCISES["half"], 10, 60.0, 9.2, LINES["half"], 0.031)
        self.assertEqual(say_why(known), "Your eye errs by about 3.1 % of the length.")
        tone = replace(known, worst=LINES["tone_steps"], error=0.8)
        self.assertEqual(say_why(tone), "Your eye errs by about 0.8 steps.")
        rim = replace(known, worst=LINES["roundness"], error=0.12)
        self.assertEqual(say_why(rim), "Your eye errs by about 12 %.")
        unknown = replace(known, worst=None, error=None)
        self.assertTrue(say_why(unknown).startswith("Not known yet"))

    def test_what_is_good_enough_at_the_easel_is_said_and_whether_the_eye_is_there(self):
        half, gap = LINES["half"], LINES["larger_gap"]
        for line, known, said in (
            (half, eye("half", 0.0, 0.001, 0.012), "Good enough to draw by: within 1.5 % of the"),
            (half, eye("half", 0.03, 0.001, 0.03), "Not yet good enough to draw by: within 1.5 %"),
            (gap, eye("larger_gap", 0.0, 0.01, 0.03), "Good enough to draw by: seeing 4 % is"),
            (half, replace(eye("half"), bias=None, spread=None), "At the easel within 1.5 %"),
        ):  # fmt: skip
            self.assertTrue(say_good(line, known).startswith(said), say_good(line, known))


class AtWork(unittest.TestCase):
    def test_in_the_words_of_the_reading_not_of_the_exercise(self):
        own = OwnEye("span", "widths", eye("widths"), False)
        said = (
            "By your eye, spans come out 3 % too long and scatter by 6 % (40 trials in practice)."
        )
        self.assertEqual(say_at_work(own), said)
        self.assertEqual(say_sigma(own), "± 6.7 %")
        even = OwnEye("tilt", "tilt", eye("tilt", 0.1, 0.4, 2.5), False)
        self.assertIn("tilts lean to neither side and scatter by 2.5°", say_at_work(even))

    def test_parting_says_what_is_known(self):
        both = say_parting(Parting(0.021, 0.015))
        self.assertEqual(
            both,
            "By the record, your eye parts lengths to 2.1 % and keeps plumb and level to 1.5 % of "
            "their length.",
        )
        self.assertNotIn("plumb", say_parting(Parting(0.021, None)))


if __name__ == "__main__":
    unittest.main()
