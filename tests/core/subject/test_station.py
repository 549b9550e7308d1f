"""The station: projection by worked examples, what moves when the artist moves, what it warns
of."""

import math
import unittest

import numpy as np

from tests.core.subject.scenes import STATION, block, scene_of
from zirkel.core.subject.calculator import (
    cautions,
    easel_for,
    on_stick,
    reach_from_two,
    reckon,
    sight_size,
)
from zirkel.core.subject.scene import seen_landmarks, truth_in_units, unit_length
from zirkel.core.subject.station import Station, view_from
from zirkel.core.words.station import say_caution, say_reach


class Projection(unittest.TestCase):
    def test_a_point_to_the_right_and_above(self):
        """1000 mm to the right and 300 above the eye at 2000 mm: (1000/2000, -300/2000)."""
        view = view_from(Station(2000.0, 1500.0), (0.0, 0.0))
        self.assertEqual(view.seen(np.array([[1000.0, 0.0, 1800.0]]))[0].tolist(), [0.5, -0.15])

    def test_on_a_stick_at_650_mm_half_is_325_mm(self):
        self.assertAlmostEqual(on_stick(1000.0, 650.0, 2000.0), 325.0)

    def test_from_the_left_side_depth_becomes_breadth(self):
        """From 90 degrees clockwise, at the left, what lay behind lies to the left."""
        view = view_from(Station(2000.0, 0.0, direction_deg=90.0), (0.0, 0.0))
        self.assertTrue(np.allclose(view.eye, [-2000.0, 0.0, 0.0]))
        self.assertTrue(np.allclose(view.seen(np.array([[0.0, 500.0, 0.0]])), [[-0.25, 0.0]]))

    def test_twice_as_far_is_half_as_large(self):
        scene = scene_of(block("b", (0.0, 0.0, 0.0), (100.0, 100.0, 1000.0)))
        near = unit_length(seen_landmarks(scene, Station(2000.0, 500.0)), scene.unit)
        far = unit_length(seen_landmarks(scene, Station(4000.0, 500.0)), scene.unit)
        self.assertAlmostEqual(near, 0.5)
        self.assertAlmostEqual(near / far, 2.0)

    def test_plumb_lines_stay_plumb_from_anywhere(self):
        scene = scene_of(block("b", (0.0, 0.0, 0.0), (100.0, 100.0, 1000.0)))
        for station in (Station(900.0, 2500.0, 40.0), Station(7000.0, -300.0, -130.0)):
            seen = truth_in_units(seen_landmarks(scene, station), scene.unit)
            self.assertAlmostEqual(float(seen["foot"][0]), 0.0, places=12)
            self.assertAlmostEqual(float(seen["foot"][1]), 1.0, places=12)


class Calculator(unittest.TestCase):
    def test_sight_size(self):
        """900 mm at 3000 mm on a board at 1000 mm: 300 mm; and the way back."""
        self.assertAlmostEqual(sight_size(900.0, 1000.0, 3000.0), 300.0)
        self.assertAlmostEqual(easel_for(300.0, 900.0, 3000.0), 1000.0)

    def test_the_real_reach_from_two_readings(self):
        """A door of 2000 mm, reach 640: at 4000 mm it covers 320, at 5000 mm 256."""
        made = reach_from_two(2000.0, 320.0, 256.0, 1000.0)
        self.assertAlmostEqual(made.reach_mm, 640.0)
        # g = 1/256 - 1/320 = 1/1280; 0.5 mm on both: 0.5 hypot(1/256^2, 1/320^2) * 1280 = 0.01157;
        # with 1 % of the step 0.01529 of 640 mm.
        self.assertAlmostEqual(made.sd_mm, 9.7991, places=3)
        self.assertNotIn("longer length", say_reach(made))
        short = reach_from_two(200.0, 32.0, 25.6, 1000.0)
        self.assertIn("longer length", say_reach(short))
        with self.assertRaisesRegex(ValueError, "smaller than before"):
            reach_from_two(2000.0, 256.0, 320.0, 1000.0)

    def test_what_slips_cost(self):
        """30 mm nearer on 650: 650/620 = 1.0484. 10 mm of sway at 650 and 2600: 30 mm there,
        a tenth of a unit of 300 mm, 6 mm where the unit is 60 mm on the sheet."""
        made = reckon(Station(2600.0, 500.0, reach_mm=650.0), 800.0, 400.0, 300.0, 60.0)
        self.assertAlmostEqual(made.bend_percent, 4.84, places=2)
        self.assertAlmostEqual(made.bend_sheet_mm, 60.0 * (650 / 620 - 1), places=9)
        self.assertAlmostEqual(made.sway_subject_mm, 30.0)
        self.assertAlmostEqual(made.sway_sheet_mm, 6.0)
        self.assertAlmostEqual(made.unit_on_stick_mm, 75.0)
        self.assertAlmostEqual(made.times_away, 3.25)

    def test_warnings_and_their_reasons(self):
        def about(station, size, widest):
            return [each.about for each in cautions(station, size, widest)]

        self.assertEqual(about(Station(3100.0, 500.0), 1000.0, 10.0), [])
        self.assertEqual(about(Station(2600.0, 500.0), 1000.0, 10.0), ["distance"])
        self.assertIn("A little near", say_caution(cautions(Station(2600.0, 0.0), 1000.0, 9.0)[0]))
        self.assertIn("Far too near", say_caution(cautions(Station(2400.0, 0.0), 1000.0, 9.0)[0]))
        self.assertIn("3.0 m", say_caution(cautions(Station(2400.0, 0.0), 1000.0, 9.0)[0]))
        self.assertEqual(about(Station(9000.0, 0.0), 1000.0, 31.0), ["cone"])
        self.assertEqual(about(Station(9000.0, 0.0, lean_deg=12.0), 1000.0, 5.0), ["lean"])
        self.assertEqual(about(Station(1200.0, 0.0, reach_mm=700.0), 300.0, 5.0), ["reach"])


class Moving(unittest.TestCase):
    def test_a_step_to_the_side_moves_near_things_against_far_ones(self):
        """Parallax: a near point moves left of a far one when the eye goes right."""
        scene = scene_of(block("b", (0.0, 0.0, 0.0), (2000.0, 2000.0, 10.0)))
        points = np.array([[0.0, -1000.0, 500.0], [0.0, 1000.0, 500.0]])
        for turn in (-8.0, 8.0):
            station = Station(STATION.distance_mm, 500.0, turn)
            seen = view_from(station, scene.extent.middle[:2]).seen(points)
            near_minus_far = seen[0, 0] - seen[1, 0]
            self.assertEqual(math.copysign(1.0, near_minus_far), math.copysign(1.0, turn))


if __name__ == "__main__":
    unittest.main()
