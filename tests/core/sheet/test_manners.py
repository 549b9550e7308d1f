"""Each manner's line is what its move draws: its normal, its distances and its noise, by
differences."""

import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.schools import SCHOOLS
from zirkel.core.sheet.recipe.construct import ALL_MANNERS
from zirkel.core.sheet.recipe.manners import (
    FUSS,
    SPOT_OFF_MM,
    STEP_MM,
    STRAIGHT_SHARE,
    TILT_RAD,
    Way,
    gap_lines,
    in_units,
    length_lines,
    offset_lines,
    part_spots,
    pulled_lines,
    stepping,
    straight_lines,
    tick_lines,
    tilt_lines,
    touch_lines,
)
from zirkel.core.values.lengths import SIXTEENTH_MM, say_length

UNIT = 60.0
PLACE = st.tuples(st.floats(20, 280), st.floats(20, 400))
STEP = 1e-4


def coordinate(manner, start, p):
    """What is constant along a line of this manner from a landmark, in mm or radians."""
    d = p - start
    return {"plumb": d[0], "level": d[1], "length": np.hypot(*d),
            "tilt": np.arctan2(d[0], -d[1])}[manner]  # fmt: skip


class Lines(unittest.TestCase):
    @given(PLACE, PLACE)
    def test_normals_are_the_gradients_of_what_is_constant(self, target, start):
        target, start = np.array(target), np.array(start)
        if np.hypot(*(target - start)) < 15:
            return
        placed = start[None, :]
        made = [
            *(offset_lines(target, placed, axis, Way(UNIT)) for axis in (0, 1)),
            *(straight_lines(target, placed, axis) for axis in (0, 1)),
            tilt_lines(target, placed),
            length_lines(target, placed, Way(None)),
        ]
        for lines in (each for each in made if len(each.via)):
            slope = [
                (coordinate(lines.manner, start, target + h)
                 - coordinate(lines.manner, start, target - h)) / (2 * STEP)
                for h in STEP * np.eye(2)
            ]  # fmt: skip
            along = np.array(slope) / np.hypot(*slope)
            self.assertTrue(np.allclose(lines.g[0], along, atol=1e-5), lines.manner)

    def test_what_is_said_and_what_its_rounding_costs(self):
        """70 mm right of the plumb is 1 1/8 units of 60 (67.5) or 70 by the rule; both miss the
        target by what they are rounded."""
        target, placed = np.array([170.0, 200.0]), np.array([[100.0, 100.0]])
        units = offset_lines(target, placed, 0, Way(UNIT))
        self.assertEqual((units.units[0], units.value[0], units.bias[0]), (1.125, 67.5, -2.5))
        ruled = offset_lines(target, placed, 0, Way(UNIT, ruled=True))
        self.assertEqual((ruled.value[0], ruled.bias[0]), (70.0, 0.0))
        self.assertAlmostEqual(
            ruled.noise[0], np.hypot(np.sqrt(70 / 60) * STEP_MM, STRAIGHT_SHARE * 100.0)
        )
        left = offset_lines(np.array([30.0, 200.0]), placed, 0, Way(None))
        self.assertEqual(left.value[0], -70.0)

    def test_a_straight_line_is_only_for_what_is_straight(self):
        placed = np.array([[100.0, 100.0], [140.0, 102.0], [100.5, 104.0]])
        at = straight_lines(np.array([102.0, 300.0]), placed, 0).via[:, 0]
        self.assertEqual(at.tolist(), [0, 2])

    def test_a_touch_and_a_pencil_s_breadth(self):
        """7.6 mm left of the plumb is a pencil's breadth (7 mm), 1.9 mm a touch (2 mm); 20 mm is
        neither."""
        placed = np.array([[100.0, 100.0]])
        for off, said in ((-7.6, -7.0), (1.9, 2.0), (12.0, 10.5)):
            line = touch_lines(np.array([100.0 + off, 300.0]), placed, 0)
            self.assertEqual(line.value.tolist(), [said])
            self.assertAlmostEqual(line.bias[0], said - off)
        self.assertEqual(len(touch_lines(np.array([120.0, 300.0]), placed, 0).via), 0)

    def test_a_tilt_points_towards_the_new_landmark_to_five_minutes(self):
        """From (0, 0) to (100, -100) is half past one, 45 degrees; the other way is half past
        seven, 225; 47 degrees are said as 47.5."""
        start = np.zeros((1, 2))
        self.assertEqual(tilt_lines(np.array([100.0, -100.0]), start).value[0], 45.0)
        self.assertEqual(tilt_lines(np.array([-100.0, 100.0]), start).value[0], 225.0)
        turned = 100 * np.array([np.sin(np.radians(47.0)), -np.cos(np.radians(47.0))])
        line = tilt_lines(turned, start)
        self.assertEqual(line.value[0], 47.5)
        self.assertAlmostEqual(line.bias[0], np.radians(0.5) * 100.0)

    def test_a_carried_tilt_errs_with_its_length_and_is_not_carried_along_a_plumb(self):
        near, far = (tilt_lines(np.array([d, d]), np.zeros((1, 2))) for d in (50.0, 200.0))
        self.assertAlmostEqual(far.noise[0] / near.noise[0], 4.0)
        self.assertAlmostEqual(near.noise[0], TILT_RAD * np.hypot(50, 50))
        self.assertEqual(len(tilt_lines(np.array([1.0, 100.0]), np.zeros((1, 2))).via), 0)

    def test_a_share_of_a_gap_lies_on_a_line(self):
        """Half-way across from 40 to 200 is 120, wherever it is in height; what both ends err by is
        carried half each."""
        placed = np.array([[40.0, 100.0], [200.0, 160.0]])
        lines = gap_lines(np.array([121.0, 300.0]), placed, 0)
        (row,) = np.flatnonzero(np.abs(lines.value - 0.5) < 1e-9)
        self.assertEqual(lines.weight[row].tolist(), [0.5, 0.5])
        self.assertAlmostEqual(lines.bias[row], -1.0)

    def test_what_starts_from_no_mark_carries_no_error_on(self):
        pulled = pulled_lines(np.array([50.0, 60.0]))
        (tick,) = tick_lines(np.array([50.0, 60.3]), ((1, 60.0, "top"),))
        self.assertEqual(pulled.weight.tolist() + tick.weight.tolist(), [[0.0, 0.0]] * 2)
        self.assertAlmostEqual(tick.bias[0], -0.3)


class Lengths(unittest.TestCase):
    def test_counting_units(self):
        """2 3/8 of 60 mm is 142.5, 61 mm are rather one unit than 1 1/8; stepping two and three
        eighths errs by the root of that in mm, less than a unit by one."""
        count, said, fuss = in_units(np.array([143.0, 61.0]), UNIT)
        self.assertEqual((count.tolist(), said.tolist()), ([2.375, 1.0], [142.5, 60.0]))
        self.assertGreater(fuss[0], fuss[1])
        noise = stepping(np.array([142.5, 20.0]), UNIT)
        self.assertAlmostEqual(noise[0], np.sqrt(2.375))
        self.assertEqual(noise[1], 1.0)

    def test_where_inches_are_said_lengths_are_set_off_to_sixteenths(self):
        """70 mm are 2 3/4 in (69.85): the rounding is that of what is said."""
        target, placed = np.array([100.0, 200.0]), np.array([[30.0, 100.0]])
        made = offset_lines(target, placed, 0, Way(None, SIXTEENTH_MM))
        self.assertAlmostEqual(float(made.value[0]), 69.85)
        self.assertEqual(say_length(float(made.value[0]), True), "2 3/4 in")


class Spots(unittest.TestCase):
    def test_weights_lead_to_the_spot(self):
        placed = np.array([[0.0, 0.0], [120.0, 90.0], [300.0, 10.0]])
        spots = part_spots(np.array([40.5, 29.7]), placed)
        self.assertEqual(len(spots.via), 1)
        there = (spots.weight[0][:, None] * placed[spots.via[0]]).sum(axis=0)
        self.assertTrue(np.allclose(there, (40.0, 30.0)))
        self.assertTrue(np.allclose(spots.bias[0], (-0.5, 0.3)))

    def test_none_for_what_lies_off(self):
        placed = np.array([[0.0, 0.0], [120.0, 90.0]])
        self.assertEqual(len(part_spots(np.array([60.0, 45.0 + 2 * SPOT_OFF_MM]), placed).via), 0)


class Known(unittest.TestCase):
    def test_schools_name_manners_that_exist(self):
        known = ALL_MANNERS | {"pull", "edge", "square", "length", "rule", "from plumb"}
        for school in SCHOOLS.values():
            self.assertLessEqual(school.manners, known, school.name)
            self.assertTrue(school.set_up and school.checks and school.mistakes)
        self.assertTrue(all(fuss >= 0 for fuss in FUSS.values()))


if __name__ == "__main__":
    unittest.main()
