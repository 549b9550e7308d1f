"""Figures measured from what was sighted; drawings of heads that drift to the rule."""

import unittest

import numpy as np

from tests.core.heads.test_fit import person
from zirkel.canons import figure_canons, head_canons
from zirkel.core.head import Figure, Head
from zirkel.core.heads.drift import drifts
from zirkel.core.heads.figure import measure_figure
from zirkel.core.heads.solved import solve_head
from zirkel.core.words.heads import (
    say_departure,
    say_drift,
    say_figure,
    say_point,
    say_pose,
)

MODEL = {
    "crown": (0.0, 0.0), "chin": (0.0, 1.0), "pit": (0.05, 1.3), "shoulder_left": (-1.0, 1.5),
    "shoulder_right": (1.0, 1.7), "hip_left": (-0.7, 3.8), "hip_right": (0.7, 3.6),
    "heel_left": (0.1, 7.5), "heel_right": (0.9, 7.3), "wrist_right": (1.3, 4.0),
}  # fmt: skip


ADULT = {"crown": (0.0, 0.0), "chin": (0.0, 1.0), "crotch": (0.0, 3.75), "knee_left": (-0.3, 5.6),
         "heel_left": (-0.3, 7.5), "heel_right": (0.3, 7.5)}  # fmt: skip
CHILD = {"crown": (0.0, 0.0), "chin": (0.0, 1.0), "crotch": (0.0, 3.3), "knee_left": (-0.2, 4.7),
         "heel_left": (-0.2, 6.1), "heel_right": (0.2, 6.1)}  # fmt: skip


def measured(points=MODEL, sd=0.02, loose=frozenset(), canons=()):
    names = list(points)
    places = np.array([points[name] for name in names])
    figure = Figure("f", "Model", {name: name for name in names})
    index = {name: i for i, name in enumerate(names)}
    return measure_figure(figure, index, places, np.eye(2 * len(names)) * sd**2, loose, canons)


class Figures(unittest.TestCase):
    def test_heads_tall_and_wide_balance_and_tilts(self):
        told = measured()
        self.assertAlmostEqual(told.tall.value, 7.5)
        self.assertAlmostEqual(told.wide.value, 2.3)
        self.assertAlmostEqual(told.balance.value, -0.05)
        self.assertEqual(told.foot, "heel_left")
        self.assertAlmostEqual(told.shoulders.value, np.degrees(np.arctan2(0.2, 2.0)))
        self.assertAlmostEqual(told.hips.value, np.degrees(np.arctan2(-0.2, 1.4)))

    def test_the_errors_are_those_of_many_hands(self):
        rng = np.random.default_rng(1)
        tall, lean = [], []
        for _ in range(300):
            shaken = {n: tuple(np.array(p) + rng.normal(0, 0.02, 2)) for n, p in MODEL.items()}
            told = measured(shaken)
            tall.append(told.tall.value)
            lean.append(told.shoulders.value)
        self.assertAlmostEqual(float(np.std(tall)) / measured().tall.sd, 1.0, delta=0.15)
        self.assertAlmostEqual(float(np.std(lean)) / measured().shoulders.sd, 1.0, delta=0.15)

    def test_nothing_beyond_what_was_sighted(self):
        few = measured({"crown": (0.0, 0.0), "chin": (0.0, 1.0)})
        self.assertEqual((few.tall, few.balance, few.shoulders, few.foot), (None,) * 4)
        self.assertIsNone(measured(loose=frozenset(["hip_left"])).hips)
        nothing = measured({"knee_left": (0.0, 0.0)})
        self.assertEqual(say_figure(nothing), ("Too few of its points are held yet.",))

    def test_said(self):
        said = " ".join(say_figure(measured()))
        for part in (
            "7 1/2 heads tall",
            "falls on the left foot",
            "Shoulders 6° lower on the right",
            "Hips 8° lower on the left",
            "lean against each other by 14°",
        ):
            self.assertIn(part, said)
        off = measured({**MODEL, "pit": (0.9, 1.3)})
        self.assertIn("right of the left foot", " ".join(say_figure(off)))


class ByTheRule(unittest.TestCase):
    rules = figure_canons()[1]

    def against(self, points, sd=0.02):
        return {each.measure: each for each in measured(points, sd, canons=self.rules).departures}

    def test_each_is_held_against_the_rule_of_its_own_stature(self):
        for points, who in ((ADULT, "an adult"), (CHILD, "a child of six")):
            found = self.against(points)
            self.assertEqual({each.who for each in found.values()}, {who})
            self.assertTrue(all(each.off < 2.0 for each in found.values()), found)
            self.assertEqual(len(found), 3)

    def test_long_legs_depart_and_are_told(self):
        found = self.against({**ADULT, "crotch": (0.0, 3.3)})
        off = found["crotch on the way from crown to heels"]
        self.assertAlmostEqual(off.here, 3.3 / 7.5, places=2)
        self.assertGreater(off.off, 2.0)
        self.assertIn("where the rule for an adult has 1/2", say_departure(off, False))

    def test_who_sits_is_held_against_nothing(self):
        sitting = {**ADULT, "crotch": (0.0, 3.7), "heel_left": (0.6, 5.5), "heel_right": (0.9, 5.4)}
        self.assertEqual(self.against(sitting), {})
        self.assertEqual(self.against({"crown": (0.0, 0.0), "chin": (0.0, 1.0)}), {})

    def test_an_unsure_measure_departs_from_nothing(self):
        self.assertGreater(self.against({**ADULT, "crotch": (0.0, 3.3)}, 0.5)
                           ["crotch on the way from crown to heels"].sd, 0.05)  # fmt: skip


class Drifting(unittest.TestCase):
    def test_a_likeness_drawn_by_the_rule_is_told_as_drifted(self):
        wide = {f"eye_{part}_{side}": ((-0.09 if side == "left" else 0.09), 0.0, 0.0)
                for part in ("inner", "outer") for side in ("left", "right")}  # fmt: skip
        at = person(np.random.default_rng(0), 10.0, 0.0, 0.0, 0.0, 0.0, wide)
        plain = person(np.random.default_rng(0), 10.0, 0.0, 0.0, 0.0, 0.0)
        names = list(at)
        head = Head("h", "Head", {name: name for name in names})
        solved = solve_head(head, {n: i for i, n in enumerate(names)},
                            np.array([at[n] for n in names]), np.eye(2 * len(names)) * 4e-4,
                            frozenset(), head_canons()[1])  # fmt: skip
        found = drifts(head, solved, at, plain, head_canons()[1])
        gap = next(each for each in found if each.measure.startswith("gap between the eyes"))
        self.assertGreater(gap.sighted, 1.6)
        self.assertLess(abs(gap.drawn - 1.0), 0.4)
        self.assertIn("has drifted to the rule", say_drift(gap))
        self.assertEqual(drifts(head, solved, at, at, head_canons()[1]), ())
        self.assertEqual(drifts(head, solved, at, {}, head_canons()[1]), ())

    def test_what_is_said_of_a_head(self):
        at = person(np.random.default_rng(0), 30.0, -12.0, 8.0, 0.0, 0.0)
        names = list(at)
        head = Head("h", "Head", {name: name for name in names})
        solved = solve_head(head, {n: i for i, n in enumerate(names)},
                            np.array([at[n] for n in names]), np.eye(2 * len(names)) * 1e-5,
                            frozenset(), head_canons()[1])  # fmt: skip
        said = " ".join(say_pose(solved))
        self.assertRegex(said, r"Turned to the right by (29|30|31)°")
        self.assertIn("Looking up", said)
        self.assertIn("crown to the right", said)
        self.assertIn("as the rule has it", say_departure(solved.departures[-1]))
        self.assertEqual(say_point("eye_outer_left"), "eye outer, left")
        self.assertEqual(say_point("nose_base"), "nose base")


if __name__ == "__main__":
    unittest.main()
