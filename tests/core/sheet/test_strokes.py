"""Straight strokes: never more than brute force finds, always within the tolerance."""

import itertools
import math
import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.sheet.strokes import MOST_POINTS, distances, fewest_strokes


def by_brute_force(p, tolerance):
    """The fewest strokes, by trying every choice of points between the ends."""
    n = len(p)
    for count in range(1, n):
        for between in itertools.combinations(range(1, n - 1), count - 1):
            chain = [0, *between, n - 1]
            if all(
                (distances(p[i + 1 : j], p[i], p[j]) <= tolerance + 1e-9).all()
                for i, j in itertools.pairwise(chain)
            ):
                return count
    raise AssertionError("a stroke for every pair of points always serves")


class Fewest(unittest.TestCase):
    @given(st.integers(0, 10_000), st.floats(0.05, 2.0), st.integers(2, 9))
    def test_as_few_as_brute_force(self, seed, tolerance, n):
        p = np.cumsum(np.random.default_rng(seed).normal(0.0, 1.0, (n, 2)), axis=0)
        strokes = fewest_strokes(p, tolerance)
        self.assertEqual(len(strokes), by_brute_force(p, tolerance))
        self.assertEqual((strokes[0].start, strokes[-1].end), (0, n - 1))
        for a, b in itertools.pairwise(strokes):
            self.assertEqual(a.end, b.start)
        for each in strokes:
            self.assertLessEqual(each.furthest, tolerance * (1 + 1e-9) + 1e-9)

    def test_a_line_is_one_stroke_and_a_corner_two(self):
        line = [(float(i), 2.0 * i) for i in range(50)]
        self.assertEqual(len(fewest_strokes(line, 0.01)), 1)
        corner = [(float(i), 0.0) for i in range(20)] + [(19.0, float(i)) for i in range(1, 20)]
        strokes = fewest_strokes(corner, 0.01)
        self.assertEqual([(s.start, s.end) for s in strokes], [(0, 19), (19, 38)])
        self.assertEqual([s.tilt_deg for s in strokes], [90.0, 0.0])
        self.assertEqual([s.length for s in strokes], [19.0, 19.0])

    def test_a_circle(self):
        """A chord that stays within t of a circle of radius r spans 2 arccos(1 - t / r): with r 100
        and t 2 that is 22.96 degrees, so that a full turn takes 16 strokes at least."""
        a = np.linspace(0.0, 2.0 * math.pi, 721)
        circle = 100.0 * np.column_stack([np.cos(a), np.sin(a)])
        self.assertEqual(len(fewest_strokes(circle, 2.0)), 16)

    def test_more_tolerance_never_takes_more_strokes(self):
        p = np.cumsum(np.random.default_rng(5).normal(0.0, 1.0, (120, 2)), axis=0)
        counts = [len(fewest_strokes(p, t)) for t in (0.1, 0.3, 1.0, 3.0, 10.0)]
        self.assertEqual(counts, sorted(counts, reverse=True))

    def test_of_as_few_the_closest(self):
        """Two strokes serve either way; the corner itself is the closer place to join them."""
        p = [(0.0, 0.0), (1.0, 0.05), (2.0, 0.0), (2.02, 1.0), (2.0, 2.0)]
        self.assertEqual(fewest_strokes(p, 0.2)[0].end, 2)

    def test_points_at_one_place(self):
        same = [(1.0, 1.0)] * 5
        self.assertEqual(len(fewest_strokes(same, 0.5)), 1)
        self.assertEqual(len(fewest_strokes([(0, 0), (5, 0), (0, 0)], 0.5)), 2)

    def test_refusals(self):
        for points, tolerance, words in (
            ([(0, 0)], 1.0, "two points"),
            ([(0, 0), (1, 1)], 0.0, "tolerance"),
            ([(i, 0) for i in range(MOST_POINTS + 1)], 1.0, "at most"),
        ):
            with self.assertRaisesRegex(ValueError, words):
                fewest_strokes(points, tolerance)


if __name__ == "__main__":
    unittest.main()
