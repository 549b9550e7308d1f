"""Readings and families together are the least squares of both: against an independent search over
places, eye level and vanishing points at once, and by the slope of what is made least."""

import unittest
from dataclasses import replace

import numpy as np
from bench.perspective import families_of, seen_box, sighted
from scipy.optimize import least_squares

from zirkel.core.network.adjust import place_covariance
from zirkel.core.network.assemble import gains, linearize
from zirkel.core.network.bundles import STRAIGHT_RAD, Bundles
from zirkel.core.network.search import adjust
from zirkel.core.space import Family
from zirkel.core.study import UnitPair

NEAR_SD, NEAR_COST = 0.03, 3e-5
"""How far places may be from the very least, as a share of how sure they are, and the cost's: the
length of an edge counts as fixed in each step."""


def off_the_line(a, b, point):
    """n.v of the line through a and b with a homogeneous point of length 1."""
    across = a[0] * b[1] - a[1] * b[0]
    line = np.array([a[1] - b[1], b[0] - a[0], across]) / np.hypot(*(b - a))
    return float(line @ point) / float(np.linalg.norm(point))


class Together:
    """The sum of squares of a study, written out with every vanishing point as an unknown of its
    own: two angles each, and for level ones an angle and the shared eye level."""

    def __init__(self, study):
        self.found = adjust(study)
        self.alone = self.found.alone
        self.net = self.alone.network
        bundles = Bundles.of(self.alone)
        self.middle, self.size = bundles.middle, bundles.size
        self.edges = [
            (f, self.net.index[a], self.net.index[b])
            for f, family in enumerate(study.families)
            for a, b in family.edges
        ]
        self.level = [family.level for family in study.families]
        # What the datum holds still is no unknown: the unit's first end, and the other's height.
        held = gains(self.net.datum, self.alone.places)[: 2 * len(self.net.ids)] == 0.0
        self.free = np.flatnonzero(~held)

    def spots(self, unknown):
        places = self.alone.places.copy().ravel()
        places[self.free] = unknown[: len(self.free)]
        return places.reshape(-1, 2)

    def point(self, f, angles, eye):
        t, u = angles[2 * f : 2 * f + 2]
        if self.level[f]:
            return np.array([np.cos(t), eye * np.sin(t), np.sin(t)])
        return np.array([np.cos(u) * np.cos(t), np.cos(u) * np.sin(t), np.sin(u)])

    def misses(self, unknown):
        places = self.spots(unknown)
        linear = linearize(self.net, places, self.alone.drifts, self.alone.weight)
        seen = (places - self.middle) / self.size
        eye, angles = unknown[len(self.free)], unknown[len(self.free) + 1 :]
        bent = [
            off_the_line(seen[a], seen[b], self.point(f, angles, eye)) / STRAIGHT_RAD
            for f, a, b in self.edges
        ]
        return np.concatenate([linear.misfit, bent])

    def least(self, angles, eye):
        """The search from the places that the readings alone make."""
        start = [self.alone.places.ravel()[self.free], [eye], angles]
        made = least_squares(
            self.misses, np.concatenate(start), x_scale="jac", xtol=1e-13, ftol=1e-13, gtol=1e-13
        )
        return self.spots(made.x), 2.0 * made.cost, made.x[len(self.free)]

    def begin(self):
        """Angles and eye level near those found, put off a little so that the search has to go."""
        eye = 0.0
        angles = np.zeros(2 * len(self.level))
        bundles = Bundles.of(self.alone)
        bundles.solve()
        eye = bundles.e + 0.05
        for f, v in enumerate(bundles.v):
            if self.level[f]:
                angles[2 * f] = np.arctan2(v[2], v[0]) + 0.02
            else:
                angles[2 * f : 2 * f + 2] = np.arctan2(v[1], v[0]), np.arcsin(v[2]) + 0.02
        return angles, eye


def a_box(seed, level_only=False):
    rng = np.random.default_rng(seed)
    study, _ = sighted(seen_box(rng, False)[0], rng)
    families = families_of(True) if level_only else study.families
    return replace(study, unit=UnitPair("p0", "p4", "plumb", "post"), families=families)


class TheLeastSquaresOfBoth(unittest.TestCase):
    def test_no_search_over_all_unknowns_at_once_finds_better_places(self):
        for seed in range(6):
            for level_only in (False, True):
                study = a_box(seed, level_only)
                both = Together(study)
                self.assertEqual(both.found.aside, ())
                places, cost, _ = both.least(*both.begin())
                sure = np.sqrt(np.trace(place_covariance(both.found), axis1=1, axis2=2)).mean()
                off = np.abs(both.found.places - places).max()
                self.assertLess(off, NEAR_SD * sure, f"seed {seed}, level only {level_only}")
                self.assertLess(abs(both.found.cost / cost - 1.0), NEAR_COST)

    def test_the_readings_alone_are_further_from_their_families(self):
        for seed in range(6):
            study = a_box(seed)
            both = Together(study)
            bundles = Bundles.of(both.alone)
            bundles.solve()
            before = np.linalg.norm(bundles.conditions(both.alone.places)[0])
            after = np.linalg.norm(bundles.conditions(both.found.places)[0])
            self.assertLess(after, 0.2 * before)
            own = linearize(both.net, both.found.places, both.found.drifts, both.found.weight)
            alone = linearize(both.net, both.alone.places, both.alone.drifts, both.alone.weight)
            self.assertGreaterEqual(own.cost, alone.cost)

    def test_every_place_is_at_least_as_sure_as_before(self):
        study = a_box(3)
        both = Together(study)
        before, after = (place_covariance(each) for each in (both.alone, both.found))
        self.assertGreaterEqual(np.linalg.eigvalsh(before - after).min(), -1e-9)
        sums = [float(np.trace(each, axis1=1, axis2=2).sum()) for each in (before, after)]
        self.assertLess(sums[1], 0.9 * sums[0])


class Slopes(unittest.TestCase):
    def test_conditions_slope_as_they_say_with_the_points_following(self):
        """The slope of half the sum of squares: numerically, and by the derivative told."""
        study = a_box(1)
        found = adjust(study)
        bundles = Bundles.of(found.alone)
        bundles.solve()
        rng = np.random.default_rng(0)
        places = found.places + rng.normal(0.0, 1e-4, found.places.shape)
        miss, by_place = bundles.conditions(places)
        told = miss @ by_place
        step = 1e-6
        for i in range(places.size):
            ends = []
            for sign in (1.0, -1.0):
                moved = places.ravel().copy()
                moved[i] += sign * step
                w, _ = bundles.conditions(moved.reshape(-1, 2))
                ends.append(0.5 * float(w @ w))
            slope = (ends[0] - ends[1]) / (2.0 * step)
            self.assertAlmostEqual(told[i], slope, delta=0.02 * np.abs(told).max())

    def test_what_the_points_can_take_up_is_no_evidence(self):
        """As many conditions as edges, less one parameter for each level family, two for any other
        and one for the eye level."""
        for level_only, taken in ((False, 5), (True, 3)):
            study = a_box(2, level_only)
            found = adjust(study)
            edges = sum(len(family.edges) for family in study.families)
            self.assertEqual(found.conditions, edges - taken)

    def test_two_edges_of_one_family_are_no_evidence(self):

        study = a_box(4)
        two = Family("a", study.families[0].edges[:2], False)
        found = adjust(replace(study, families=(two,)))
        np.testing.assert_allclose(found.places, found.alone.places, atol=1e-9)


if __name__ == "__main__":
    unittest.main()
