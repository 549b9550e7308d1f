"""The schools' own arithmetic, by worked examples."""

import math
import unittest

from zirkel.core.frames import Frame
from zirkel.core.sheet.arithmetic.dividers import pivot_of_ten, worth_carrying
from zirkel.core.sheet.arithmetic.grid import in_square, laid, make_grid
from zirkel.core.sheet.arithmetic.pane import from_pane
from zirkel.core.sheet.arithmetic.ruler import end_error, reads
from zirkel.core.sheet.arithmetic.sight_size import parting
from zirkel.core.sheet.arithmetic.triangles import (
    THIN_DEG,
    ThreeLines,
    best_triangles,
    better_pair,
    crossing,
    three_lines,
)
from zirkel.core.study import Margins, Sheet
from zirkel.core.words.plumbs import say_parting


class Grids(unittest.TestCase):
    frame = Frame(0.0, 4.0, 0.0, 3.0)
    sheet = Sheet(420.0, 297.0, Margins(40.0, 10.0, 10.0, 10.0))

    def test_squares_correspond_and_the_cross_is_the_sheet_s_own(self):
        """8 columns over 4 units: half a unit each; 3 units take 6 rows. The room about the sheet's
        centre is 2 * (210 - 40) = 340 by 277, so that squares are 42.5, rounded down to 40."""
        grid = make_grid(self.frame, self.sheet, 8)
        self.assertEqual((grid.columns, grid.rows, grid.square_units), (8, 6, 0.5))
        self.assertEqual((grid.square_mm, grid.enlargement), (40.0, 80.0))
        self.assertEqual(grid.centre_mm, (210.0, 148.5))
        self.assertEqual((grid.across_mm[0], grid.across_mm[-1]), (50.0, 370.0))
        self.assertEqual((grid.rest_across_mm, grid.rest_down_mm), (50.0, 28.5))

    def test_a_place_in_its_square(self):
        """(2.75, 0.6) lies three quarters of a unit right of the middle and 0.9 above it: column 6
        (F), half across; row 2, a fifth down."""
        grid = make_grid(self.frame, self.sheet, 8)
        there = in_square(grid, (2.75, 0.6))
        self.assertEqual(there.label, "F2")
        self.assertAlmostEqual(there.across, 0.5)
        self.assertAlmostEqual(there.down, 0.2)
        self.assertAlmostEqual(there.left_mm, 210.0 + 0.75 * 80.0)
        self.assertAlmostEqual(there.top_mm, 148.5 - 0.9 * 80.0)

    def test_laid_where_the_drawing_lies(self):
        """Centred, at the enlargement, it is the sheet's own grid."""
        grid = make_grid(self.frame, self.sheet, 8)
        origin = (210.0 - 2.0 * 80.0, 148.5 - 1.5 * 80.0)
        self.assertEqual(laid(grid, origin, 80.0), grid)
        moved = laid(grid, (origin[0] + 7.0, origin[1]), 80.0)
        self.assertEqual(moved.centre_mm, (217.0, 148.5))

    def test_odd_numbers_are_rounded_up_on_both(self):
        self.assertEqual(make_grid(self.frame, self.sheet, 7).columns, 8)
        with self.assertRaisesRegex(ValueError, "30 columns"):
            make_grid(self.frame, self.sheet, 30)


class Others(unittest.TestCase):
    def test_pivot_on_a_scale_of_ten(self):
        """Same size in the middle; 2 : 1 at two thirds."""
        self.assertEqual(pivot_of_ten(1.0), 5.0)
        self.assertAlmostEqual(pivot_of_ten(2.0), 20 / 3)
        with self.assertRaises(ValueError):
            pivot_of_ten(0.0)

    def test_distances_worth_carrying_are_long_and_spread(self):
        places = {f"p{i}": (math.cos(i), 2 * math.sin(i)) for i in range(9)}
        made = worth_carrying(places, dict.fromkeys(places, 1), 50.0)
        self.assertEqual(len(made), 12)
        ends = [name for each in made for name in (each.start, each.end)]
        self.assertEqual(set(ends), set(places))
        self.assertLessEqual(max(ends.count(name) for name in places), 5)
        self.assertAlmostEqual(made[0].sheet_mm, 50.0 * made[0].units)

    def test_two_plumbs(self):
        """2 mm further apart at the foot over 400 mm: atan(2/400) = 0.286 degrees."""
        made = parting(100.0, 101.0, 102.0, 400.0)
        self.assertAlmostEqual(made.degrees, 0.2865, places=4)
        self.assertFalse(made.parallel)
        said = say_parting(made)
        self.assertIn("wider at the foot: move the foot of the second 2 mm towards the", said)
        self.assertNotIn("bent", said)
        self.assertIn("away from", say_parting(parting(102.0, 101.0, 100.0, 400.0)))
        self.assertTrue(parting(100.0, 100.1, 100.2, 400.0).parallel)
        bent = parting(100.0, 104.0, 100.0, 400.0)
        self.assertEqual((bent.bent, bent.parts), (True, False))
        self.assertIn("4 mm apart in the middle", say_parting(bent))
        both = say_parting(parting(100.0, 104.0, 102.0, 400.0))
        self.assertIn("wider at the foot", both)
        self.assertIn("bent", both)
        with self.assertRaises(ValueError):
            parting(1.0, 1.0, 1.0, 0.0)

    def test_from_the_pane(self):
        """A pane of 200 x 250 on a sheet of 500 x 600 with 50 mm: twice, limited by both."""
        made = from_pane((200.0, 250.0), (500.0, 600.0), 50.0)
        self.assertEqual((made.factor, made.left_mm, made.top_mm), (2.0, 50.0, 50.0))
        with self.assertRaises(ValueError):
            from_pane((200.0, 250.0), (100.0, 600.0), 50.0)

    def test_triangles_refuse_thin_ones(self):
        """A point above the middle of the base crosses at 90 degrees; one far out on the base's own
        line is reached by no tilt from it, but from the first point it is."""
        places = {"a": (0.0, 0.0), "b": (2.0, 0.0), "top": (1.0, -1.0), "out": (6.0, 0.1)}
        made, thin = best_triangles(places, dict.fromkeys(places, 1), ("a", "b"))
        self.assertEqual(made[0].point, "top")
        self.assertAlmostEqual(made[0].crossing_deg, 90.0, places=4)
        self.assertAlmostEqual(made[0].error, math.radians(1.0) * math.sqrt(4.0))
        self.assertEqual(thin, ["out"])
        for each in made:
            self.assertGreaterEqual(each.crossing_deg, THIN_DEG)

    def test_the_three_lines_to_begin_with(self):
        """The longest near-level and near-upright that share an end, and the tilt that joins."""
        places = {"foot": (0, 0), "far": (4, 0.3), "top": (0.1, -3), "mid": (1.5, -1.4)}
        made = three_lines(places, dict.fromkeys(places, 1))
        self.assertEqual(made, ThreeLines(("foot", "far"), ("foot", "top"), ("top", "far")))
        slanted = {"a": (0, 0), "b": (1, 1), "c": (2, 2.2)}
        self.assertIsNone(three_lines(slanted, dict.fromkeys(slanted, 1)))

    def test_a_better_pair_for_a_thin_one(self):
        places = {"a": (0, 0), "b": (0.2, 0), "c": (4, -3), "x": (4, 0.2)}
        self.assertLess(crossing(places, "x", "a", "b"), 5.0)
        self.assertEqual(better_pair(places, "x", ["a", "b", "c"]), ("a", "c"))
        self.assertIsNone(better_pair(places, "x", ["a", "b"]))
        self.assertIsNone(crossing(places, "x", "x", "b"))

    def test_a_ruler_from_ten(self):
        self.assertEqual(reads(82.5), 182.5)
        self.assertEqual(end_error(82.5, 4.0), 4.0)


if __name__ == "__main__":
    unittest.main()
