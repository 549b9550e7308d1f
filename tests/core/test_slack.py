"""Slack means one thing: the area in which a landmark lies 19 times in 20."""

import math
import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.network.slack import SDS, SQUARED_SIZE, area, inside, radii, squared_distance

sds = st.floats(0.001, 3.0)
angles = st.floats(0.0, math.pi)


def covariance(longer, shorter, angle):
    turn = np.array([[math.cos(angle), -math.sin(angle)], [math.sin(angle), math.cos(angle)]])
    return turn @ np.diag([longer**2, shorter**2]) @ turn.T


class Area(unittest.TestCase):
    def test_the_size_is_chi_squared_of_two(self):
        self.assertAlmostEqual(SQUARED_SIZE, 5.991, places=3)
        self.assertAlmostEqual(SDS, 2.448, places=3)

    def test_worked_by_hand(self):
        found = area(np.array([[4.0, 0.0], [0.0, 1.0]]))
        self.assertAlmostEqual(found.longer, 2.0 * SDS)
        self.assertAlmostEqual(found.shorter, SDS)
        self.assertAlmostEqual(found.angle_deg % 180.0, 0.0)
        upright = area(np.array([[1.0, 0.0], [0.0, 4.0]]))
        self.assertAlmostEqual(upright.angle_deg, 90.0)

    @given(sds, sds, angles)
    def test_area_and_radius_say_the_same(self, one, other, angle):
        s = covariance(max(one, other), min(one, other), angle)
        self.assertAlmostEqual(area(s).longer, float(radii(s[None])[0]), places=6)

    @given(sds, sds, angles)
    def test_turning_the_drawing_changes_no_slack(self, one, other, angle):
        straight = covariance(max(one, other), min(one, other), 0.0)
        turned = covariance(max(one, other), min(one, other), angle)
        self.assertAlmostEqual(area(straight).longer, area(turned).longer, places=6)
        self.assertAlmostEqual(area(straight).shorter, area(turned).shorter, places=5)

    @given(sds, sds, angles)
    def test_the_ends_of_the_axes_are_on_the_edge(self, one, other, angle):
        longer, shorter = max(one, other), max(min(one, other), max(one, other) / 100)
        s = covariance(longer, shorter, angle)
        found = area(s)
        way = np.array([math.cos(angle), math.sin(angle)])
        self.assertAlmostEqual(
            squared_distance(way * found.longer, s) / SQUARED_SIZE, 1.0, places=4
        )
        self.assertTrue(inside(way * found.longer * 0.99, s))
        self.assertFalse(inside(way * found.longer * 1.01, s))

    def test_it_holds_nineteen_times_in_twenty(self):
        rng = np.random.default_rng(1)
        s = covariance(0.2, 0.05, 0.7)
        spots = rng.multivariate_normal([0.0, 0.0], s, 20_000)
        share = np.mean([inside(each, s) for each in spots])
        self.assertAlmostEqual(share, 0.95, delta=0.006)

    def test_of_many_at_once(self):
        many = np.array([covariance(0.1 * k, 0.05, 0.3 * k) for k in range(1, 6)])
        each = [area(s).longer for s in many]
        self.assertTrue(np.allclose(radii(many), each))


if __name__ == "__main__":
    unittest.main()
