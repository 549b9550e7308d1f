"""Solids: closed, faces outwards, of the right size; contour points where lines of sight touch."""

import math
import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.subject.solids import Ball, Box, Cone, Facets, Prism, Turned


def volume(solid):
    """By the divergence theorem: the sum over faces of (place . normal) area / 3, from triangles.

    It comes out right only if the solid is closed and every face looks outwards.
    """
    total = 0.0
    for face in solid.faces():
        a = face.corners[0]
        for i in range(1, len(face.corners) - 1):
            total += float(np.dot(a, np.cross(face.corners[i], face.corners[i + 1]))) / 6.0
    return total


class Volumes(unittest.TestCase):
    def test_box(self):
        box = Box("box", "b", (10.0, -20.0, 5.0), (30.0, 40.0, 50.0), 33.0)
        self.assertAlmostEqual(volume(box), 60_000.0, places=6)

    def test_turned_cylinder_is_its_polygon_times_its_height(self):
        can = Turned("turned", "t", (5.0, 6.0, 7.0), [(40.0, 0.0), (40.0, 100.0)], 24)
        area = 0.5 * 24 * 40.0**2 * math.sin(2.0 * math.pi / 24)
        self.assertAlmostEqual(volume(can), area * 100.0, places=4)

    def test_a_turned_pot_with_a_hollow_holds_less(self):
        full = Turned("turned", "t", (0.0, 0.0, 0.0), [(40.0, 0.0), (40.0, 100.0)], 32)
        pot = Turned("turned", "t", (0.0, 0.0, 0.0),
                     [(40.0, 0.0), (40.0, 100.0), (30.0, 100.0), (30.0, 60.0)], 32)  # fmt: skip
        ring = 0.5 * 32 * math.sin(2.0 * math.pi / 32)
        self.assertAlmostEqual(volume(full) - volume(pot), ring * 30.0**2 * 40.0, places=4)

    def test_cone_in_any_direction(self):
        base = 0.5 * 14 * 12.0**2 * math.sin(2.0 * math.pi / 14)
        for end in ((0.0, 0.0, 90.0), (90.0, 0.0, 0.0), (30.0, -60.0, 60.0)):
            cone = Cone("cone", "c", (0.0, 0.0, 0.0), end, 12.0, 0.0)
            self.assertAlmostEqual(volume(cone), base * 90.0 / 3.0, places=4)
            other = Cone("cone", "c", (0.0, 0.0, 0.0), end, 0.0, 12.0)
            self.assertAlmostEqual(volume(other), base * 90.0 / 3.0, places=4)

    def test_ball_is_a_little_smaller_than_round(self):
        ball = Ball("ball", "b", (3.0, 4.0, 5.0), (20.0, 30.0, 40.0), 20.0)
        share = volume(ball) / (4.0 / 3.0 * math.pi * 20.0 * 30.0 * 40.0)
        self.assertTrue(0.9 < share < 1.0, share)

    def test_prism_convex_or_not_and_either_way_round(self):
        l_shape = [(0.0, 0.0), (60.0, 0.0), (60.0, 20.0), (20.0, 20.0), (20.0, 80.0), (0.0, 80.0)]
        for outline in (l_shape, l_shape[::-1]):
            prism = Prism("prism", "p", (1.0, 2.0, 3.0), outline, 10.0, 71.0)
            self.assertAlmostEqual(volume(prism), (60 * 20 + 20 * 60) * 10.0, places=4)

    def test_facets_mirrored(self):
        corners = [(0.0, 0.0, 0.0), (10.0, 0.0, 0.0), (0.0, 12.0, 0.0), (0.0, 0.0, 9.0)]
        planes = [[0, 1, 3], [0, 2, 1], [1, 2, 3]]
        half = Facets("facets", "f", (4.0, 4.0, 4.0), corners, planes, True)
        self.assertAlmostEqual(volume(half), 2.0 * 10.0 * 12.0 * 9.0 / 6.0, places=6)


class Refusals(unittest.TestCase):
    def test_each_says_what_is_wrong(self):
        for make, words in (
            (lambda: Box("box", "b", (0, 0, 0), (1, 0, 1)), "depth is 0"),
            (lambda: Turned("turned", "t", (0, 0, 0), [(1, 0)]), "two rings"),
            (lambda: Turned("turned", "t", (0, 0, 0), [(-1, 0), (1, 2)]), "negative radius"),
            (lambda: Turned("turned", "t", (0, 0, 0), [(1, 0), (1, 2)], 500), "sides is 500"),
            (lambda: Cone("cone", "c", (0, 0, 0), (0, 0, 0), 1, 1), "length is 0"),
            (lambda: Ball("ball", "b", (0, 0, 0), (1, 1, -1)), "height is -1"),
            (
                lambda: Prism("prism", "p", (0, 0, 0), [(0, 0), (1, 1), (1, 0), (0, 1)], 1),
                "crosses",
            ),
            (lambda: Facets("facets", "f", (0, 0, 0), [(0, 0, 0)], [[0, 1, 2]]), "corner 1"),
        ):
            with self.assertRaisesRegex(ValueError, words):
                make()


class Contours(unittest.TestCase):
    @given(st.floats(1.0, 80.0), st.floats(100.0, 5000.0), st.floats(-3.0, 3.0))
    def test_lines_of_sight_touch_the_ring(self, radius, distance, way):
        """Where it touches, the line from the eye stands square on the radius, seen from above."""
        can = Turned("turned", "t", (7.0, -9.0, 0.0), [(radius, 0.0), (radius, 50.0)])
        eye = np.array([7.0, -9.0, 300.0]) + distance * np.array([math.sin(way), math.cos(way), 0])
        left, right = (can.contour(1, side, eye) for side in ("left", "right"))
        for point in (left, right):
            out = point[:2] - np.array([7.0, -9.0])
            self.assertAlmostEqual(float(np.hypot(*out)), radius, places=6)
            self.assertAlmostEqual(float(out @ (eye[:2] - point[:2])) / distance, 0.0, places=6)
        ahead = np.array([7.0, -9.0]) - eye[:2]
        across = np.array([ahead[1], -ahead[0]])
        self.assertGreater(float(across @ (right - left)[:2]), 0.0)

    def test_no_such_ring(self):
        can = Turned("turned", "t", (0.0, 0.0, 0.0), [(5.0, 0.0), (5.0, 50.0)])
        self.assertIsNone(can.contour(2, "left", np.array([0.0, -500.0, 0.0])))


if __name__ == "__main__":
    unittest.main()
