"""Habits of a pupil's readings against the truth: told when they are there, seldom when not."""

import unittest
from dataclasses import replace

import numpy as np

from zirkel.core.lesson.habits import FEWEST, SORTS, habits, near
from zirkel.core.simulation.artist import Hand, sight_scene
from zirkel.core.simulation.observer import with_value
from zirkel.core.study import Sheet
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.core.words.lesson import COMMON, HABITS, say_habit
from zirkel.scenes import shipped_scenes

SCENE = shipped_scenes()["wooden_mask"]
TRUTH = truth_in_units(seen_landmarks(SCENE, SCENE.station), SCENE.unit)


def sighted(seed):
    return sight_scene(SCENE, SCENE.station, Sheet(210.0, 297.0), seed, Hand(per_landmark=2.0))


def spoilt(readings, kind, change):
    return [with_value(e, change(e.value)) if e.kind == kind else e for e in readings]


def told(readings):
    return {each.habit: each for each in habits(readings, TRUTH)}


class Habits(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.pupils = [list(sighted(seed).sightings) for seed in range(12)]

    def test_an_honest_hand_is_seldom_told_of_any(self):
        false = sum(len(set(told(each)) - {"slips"}) for each in self.pupils)
        self.assertLessEqual(false, 2)

    def test_a_bent_elbow_and_a_turned_stick_are_told_by_how_much(self):
        short = [told(spoilt(each, "span", lambda v: 0.9 * v)) for each in self.pupils]
        self.assertGreaterEqual(sum("short" in each for each in short), 10)
        amounts = [each["short"].amount for each in short if "short" in each]
        self.assertAlmostEqual(float(np.mean(amounts)), 0.10, delta=0.02)
        turned = [told(spoilt(each, "tilt", lambda v: (v + 6.0) % 180)) for each in self.pupils]
        self.assertGreaterEqual(sum("clockwise" in each for each in turned), 10)
        back = [told(spoilt(each, "tilt", lambda v: (v - 6.0) % 180)) for each in self.pupils]
        self.assertGreaterEqual(sum("anticlockwise" in each for each in back), 10)

    def test_a_slip_is_a_slip_and_no_habit(self):
        readings = list(self.pupils[0])
        spans = [k for k, each in enumerate(readings) if each.kind == "span"]
        readings[spans[0]] = with_value(readings[spans[0]], 3.0 * readings[spans[0]].value)
        found = told(readings)
        self.assertGreaterEqual(found["slips"].amount, 1)
        self.assertNotIn("long", found)

    def test_too_few_struck_ones_and_strangers_tell_nothing(self):
        few = [each for each in self.pupils[0] if each.kind == "span"][: FEWEST - 1]
        self.assertEqual(told(spoilt(few, "span", lambda v: 0.5 * v)).keys() - {"slips"}, set())
        struck = [replace(each, struck=True) for each in self.pupils[0]]
        self.assertEqual(habits(struck, TRUTH), ())
        self.assertEqual(habits(self.pupils[0], {}), ())

    def test_every_habit_has_its_words(self):
        names = {name for sort in SORTS.values() for name in (sort.more, sort.less)} | {"slips"}
        self.assertEqual(set(HABITS), names)
        self.assertEqual(set(COMMON), names)
        for found in told(spoilt(self.pupils[0], "span", lambda v: 0.9 * v)).values():
            self.assertRegex(say_habit(found), r"^[a-z0-9].*[a-z]$")


class Near(unittest.TestCase):
    def test_a_share_of_the_larger_side(self):
        self.assertEqual(near(TRUTH, TRUTH), 0.0)
        size = max(np.ptp(np.array(list(TRUTH.values())), axis=0))
        moved = {name: at + np.array([0.03, 0.04]) for name, at in TRUTH.items()}
        self.assertAlmostEqual(near(moved, TRUTH), 0.05 / size)

    def test_too_little_to_compare(self):
        some = dict(list(TRUTH.items())[:2])
        self.assertIsNone(near(some, TRUTH))
        self.assertIsNone(near({"stranger": np.zeros(2)}, TRUTH))


if __name__ == "__main__":
    unittest.main()
