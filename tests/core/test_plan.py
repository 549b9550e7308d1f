"""The plan: the largest round unit that fits, and marks inside the margins whenever it fits."""

import math
import unittest
from dataclasses import replace

import numpy as np

from tests.networks import RandomNetwork, study_of
from zirkel.core.frames import Frame, Placement
from zirkel.core.network.solve import solve
from zirkel.core.sheet.plan import make_plan
from zirkel.core.sightings import Drop, Level
from zirkel.core.study import Margins, Sheet


def plan_of(study):
    return make_plan(study, solve(study))


def box_study():
    """Landmarks that span 2 units across and 3 down."""
    places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (2.0, 3.0)}
    readings = (
        Drop(id="s1", start="a", end="b"),
        Drop(id="s2", start="a", end="c", offset=2.0),
        Level(id="s3", start="a", end="c", offset=3.0),
    )
    return study_of(places, readings)


class ByHand(unittest.TestCase):
    def test_the_largest_round_unit(self):
        # Free space 267 x 390 mm: 267 / 2 = 133.5 and 390 / 3 = 130 mm, so 130 fits exactly.
        plan = plan_of(box_study())
        self.assertEqual((plan.unit_mm, plan.fits, plan.orientation), (130.0, True, "portrait"))
        self.assertAlmostEqual(plan.fill, 1.0)
        # Across, 267 - 260 = 7 mm are left over, half of them on the left: 15 + 3.5.
        self.assertAlmostEqual(plan.marks["a"].from_left_mm, 18.5)
        self.assertAlmostEqual(plan.marks["a"].from_top_mm, 15.0)
        self.assertAlmostEqual(plan.marks["c"].from_left_mm, 278.5)
        self.assertAlmostEqual(plan.marks["c"].from_top_mm, 405.0)
        # sd of c: sqrt(0.03^2 + (0.025 * 3)^2) = 0.08078 units down, 10.5 mm at 130 mm; its slack
        # is sqrt(-2 ln 0.05) = 2.4477 times that.
        self.assertAlmostEqual(plan.marks["c"].sd_mm, 130.0 * math.hypot(0.03, 0.075))
        self.assertAlmostEqual(plan.marks["c"].slack.longer, 2.4477 * 10.501, places=2)

    def test_own_unit_margins_placement_and_frame(self):
        study = replace(
            box_study(),
            unit_mm=50.0,
            sheet=Sheet(200.0, 300.0, Margins(10.0, 20.0, 30.0, 40.0)),
            placement=Placement(0.0, 1.0),
            frame=Frame(-0.5, 2.5, 0.0, 3.0),
        )
        plan = plan_of(study)
        # Free space 170 x 230; the frame is 150 x 150; all 80 mm left over go above it.
        self.assertAlmostEqual(plan.marks["a"].from_left_mm, 10.0 + 25.0)
        self.assertAlmostEqual(plan.marks["a"].from_top_mm, 30.0 + 80.0)
        self.assertAlmostEqual(plan.fill, 150 / 170)
        self.assertTrue(plan.fits)

    def test_what_runs_off_is_named(self):
        plan = plan_of(replace(box_study(), unit_mm=150.0))
        self.assertFalse(plan.fits)
        self.assertEqual(plan.outside, ("a", "b", "c"))

    def test_a_frame_that_crops_does_not_fit(self):
        plan = plan_of(replace(box_study(), frame=Frame(0.0, 1.0, 0.0, 1.0)))
        self.assertFalse(plan.fits)
        self.assertIn("c", plan.outside)

    def test_loose_landmarks_have_no_mark(self):
        plan = plan_of(study_of({"a": (0, 0), "b": (0, 1), "c": (1, 1)}))
        self.assertIsNone(plan.marks["c"].from_left_mm)
        self.assertIsNone(plan.marks["b"].from_left_mm)
        self.assertIsNotNone(plan.marks["b"].from_top_mm)
        self.assertIsNone(plan.marks["b"].sd_mm)

    def test_no_landmarks(self):
        self.assertEqual(dict(plan_of(study_of({}, unit=None)).marks), {})


class RandomStudies(unittest.TestCase):
    def test_nothing_outside_the_margins_when_it_fits(self):
        rng = np.random.default_rng(7)
        fitting = 0
        for seed in range(40):
            study = RandomNetwork(seed, n=10, per=3, tap=0.1).study
            left, right, top, bottom = rng.uniform(0.0, 30.0, 4)
            width, height = rng.uniform(100.0, 600.0, 2)
            study = replace(
                study,
                sheet=Sheet(width, height, Margins(left, right, top, bottom)),
                placement=Placement(*rng.uniform(0.0, 1.0, 2)),
                unit_mm=None if seed % 2 else float(rng.uniform(10.0, 200.0)),
            )
            plan = plan_of(study)
            fitting += plan.fits
            if not plan.fits:
                continue
            for mark in plan.marks.values():
                self.assertTrue(left - 1e-6 <= mark.held_left_mm <= width - right + 1e-6)
                self.assertTrue(top - 1e-6 <= mark.held_top_mm <= height - bottom + 1e-6)
        self.assertGreater(fitting, 20)


if __name__ == "__main__":
    unittest.main()
