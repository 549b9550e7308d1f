"""Lines through matching ticks meet where the family vanishes, wherever that is."""

import unittest
from itertools import pairwise

from hypothesis import assume, given
from hypothesis import strategies as st

from zirkel.core.perspective.ticks import LEAST_APART_MM, edge_ticks

WIDTH, HEIGHT = 420.0, 297.0
FAR = st.one_of(st.floats(460, 20_000), st.floats(-20_000, -40))


class Ticks(unittest.TestCase):
    @given(FAR, st.floats(-300, 600))
    def test_lines_through_matching_ticks_meet_in_the_point(self, vx, vy):
        made = edge_ticks((vx, vy), None, WIDTH, HEIGHT)
        assume(made is not None)
        self.assertEqual(len(made.left_mm), len(made.right_mm))
        lines = list(zip(made.left_mm, made.right_mm, strict=True))
        for left, right in lines:
            self.assertGreaterEqual(min(left, right), -1e-6)
            self.assertLessEqual(max(left, right), HEIGHT + 1e-6)
        (a, b), (c, d) = lines[0], lines[-1]
        # y = a + (b - a) x / w meets y = c + (d - c) x / w.
        x = WIDTH * (c - a) / ((b - a) - (d - c))
        y = a + (b - a) * x / WIDTH
        apart = abs(vx) + abs(vy)
        self.assertAlmostEqual(x, vx, delta=0.005 * apart)
        self.assertAlmostEqual(y, vy, delta=0.005 * apart)

    def test_worked_by_hand(self):
        """To a point 840 mm right of the left edge, 100 mm down: the right edge is half-way, so
        that ticks 100 mm above and below the eye level on the left come to 50 mm on the right."""
        made = edge_ticks((840.0, 100.0), None, WIDTH, HEIGHT)
        pairs = dict(zip(made.left_mm, made.right_mm, strict=True))
        self.assertAlmostEqual(pairs[0.0], 50.0)
        self.assertAlmostEqual(pairs[100.0], 100.0)
        self.assertAlmostEqual(pairs[200.0], 150.0)

    def test_parallel_lines_slope_alike(self):
        """At three o'clock they are level; at 80 degrees they rise by 420 / tan 80 = 74 mm."""
        level = edge_ticks(None, 90.0, WIDTH, HEIGHT)
        self.assertEqual(level.left_mm, level.right_mm)
        rising = edge_ticks(None, 80.0, WIDTH, HEIGHT)
        for left, right in zip(rising.left_mm, rising.right_mm, strict=True):
            self.assertAlmostEqual(left - right, 74.06, delta=0.01)

    def test_where_the_edges_tell_nothing(self):
        self.assertIsNone(edge_ticks((200.0, 100.0), None, WIDTH, HEIGHT))
        self.assertIsNone(edge_ticks(None, 0.0, WIDTH, HEIGHT))
        self.assertIsNone(edge_ticks(None, None, WIDTH, HEIGHT))

    @given(FAR, st.floats(0, 297))
    def test_ticks_can_be_told_apart(self, vx, vy):
        made = edge_ticks((vx, vy), None, WIDTH, HEIGHT)
        if made is not None and len(made.left_mm) > 2:
            for side in (made.left_mm, made.right_mm):
                gaps = [b - a for a, b in pairwise(side)]
                self.assertGreater(min(gaps), 0.9 * min(LEAST_APART_MM, 1.0))


if __name__ == "__main__":
    unittest.main()
