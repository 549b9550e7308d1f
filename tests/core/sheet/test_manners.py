"""Each manner's line is what its step draws: its normal, its distances and its noise, by
differences."""

import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.schools import SCHOOLS
from zirkel.core.sheet.recipe.construct import ALL_MANNERS, make_recipe
from zirkel.core.sheet.recipe.hand import follow
from zirkel.core.sheet.recipe.manners import (
    FUSS,
    SPOT_OFF_MM,
    STEP_MM,
    STRAIGHT_SHARE,
    TILT_RAD,
    Way,
    length_lines,
    offset_lines,
    part_spots,
    pulled_lines,
    stepped_spots,
    straight_lines,
    tilt_lines,
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
        """70 mm right of the plumb is 1 1/8 units of 60 (67.5) or 70 by the strip; both miss the
        target by what they are rounded."""
        target, placed = np.array([170.0, 200.0]), np.array([[100.0, 100.0]])
        units = offset_lines(target, placed, 0, Way(UNIT))
        self.assertEqual((units.units[0], units.value[0], units.bias[0]), (1.125, 67.5, -2.5))
        strip = offset_lines(target, placed, 0, Way(None))
        self.assertEqual((strip.value[0], strip.bias[0]), (70.0, 0.0))
        self.assertAlmostEqual(strip.noise[0], np.hypot(STEP_MM, STRAIGHT_SHARE * 100.0))
        left = offset_lines(np.array([30.0, 200.0]), placed, 0, Way(None))
        self.assertEqual(left.value[0], -70.0)

    def test_a_straight_line_is_only_for_what_is_straight(self):
        placed = np.array([[100.0, 100.0], [140.0, 102.0], [101.0, 104.0]])
        self.assertEqual(straight_lines(np.array([102.0, 300.0]), placed, 0).via.tolist(), [0, 2])
        self.assertEqual(straight_lines(np.array([200.0, 103.5]), placed, 1).via.tolist(), [1, 2])

    def test_a_carried_tilt_errs_with_its_length(self):
        placed = np.array([[0.0, 0.0]])
        near, far = (tilt_lines(np.array([d, d]), placed) for d in (50.0, 200.0))
        self.assertAlmostEqual(far.noise[0] / near.noise[0], 4.0)
        self.assertAlmostEqual(near.noise[0], TILT_RAD * np.hypot(50, 50))
        self.assertEqual(near.value[0], 135.0)

    def test_near_plumb_and_level_no_tilt_is_carried(self):
        self.assertEqual(len(tilt_lines(np.array([1.0, 100.0]), np.zeros((1, 2))).via), 0)

    def test_what_is_pulled_across_starts_from_no_mark(self):
        line = pulled_lines(np.array([50.0, 60.0]))
        self.assertFalse(line.tied)
        self.assertEqual(line.value[0], 60.0)


class InInches(unittest.TestCase):
    def test_where_inches_are_said_lengths_are_set_off_to_sixteenths(self):
        """70 mm are 2 3/4 in (69.85): the rounding is that of what is said."""
        target, placed = np.array([100.0, 200.0]), np.array([[30.0, 100.0]])
        made = offset_lines(target, placed, 0, Way(None, SIXTEENTH_MM))
        self.assertAlmostEqual(float(made.value[0]), 69.85)
        self.assertAlmostEqual(float(made.bias[0]), -0.15)
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

    def test_straight_down_so_many_units(self):
        spots = stepped_spots(np.array([101.0, 222.0]), np.array([[100.0, 100.0]]), 1, Way(UNIT))
        self.assertEqual((spots.manner, spots.units[0], spots.value[0]), ("down", 2.0, 120.0))
        self.assertTrue(np.allclose(spots.bias[0], (-1.0, -2.0)))
        up = stepped_spots(np.array([100.0, 40.0]), np.array([[100.0, 100.0]]), 1, Way(UNIT))
        self.assertEqual(up.units[0], -1.0)


class Together(unittest.TestCase):
    def test_errors_that_are_carried_on_together_are_told_together(self):
        """Two landmarks placed from a third share its error: over many hands, the correlation of
        what they are off is what the shared start makes it."""
        marks = {"a": (100.0, 100.0), "b": (100.0, 340.0), "c": (103.0, 341.0)}
        tiers = {"a": 1, "b": 2, "c": 3}
        recipe = make_recipe(marks, tiers, UNIT, frozenset({"step", "units", "strip"}), anchor="a")
        lies = [follow(recipe, UNIT, np.random.default_rng(k)) for k in range(600)]
        off = {n: np.array([one[n][0] for one in lies]) for n in marks}
        told = {each.landmark: each.sd_mm for each in recipe.constructions}
        self.assertGreater(told["b"], told["a"])
        self.assertGreater(np.corrcoef(off["a"], off["b"])[0, 1], 0.4)

    def test_schools_name_manners_that_exist(self):
        known = ALL_MANNERS | {"pull", "edge", "square"}
        for school in SCHOOLS.values():
            self.assertLessEqual(school.manners, known, school.name)
            self.assertTrue(school.set_up and school.checks and school.mistakes)
        self.assertTrue(all(fuss >= 0 for fuss in FUSS.values()))


if __name__ == "__main__":
    unittest.main()
