"""Vanishing points and eye level: exact where nothing errs, honest where it does, and a plain
answer where too little tells."""

import unittest
from dataclasses import replace

import numpy as np
from bench.perspective import families_of, seen, sighted

from zirkel.core.network.adjust import place_covariance
from zirkel.core.network.doubts import judge
from zirkel.core.network.families import perspective
from zirkel.core.network.search import adjust
from zirkel.core.space import Family


class Exact:
    """A hand without any error."""

    def normal(self, mean=0.0, sd=1.0, size=None):
        return np.zeros(size) if size else 0.0

    def choice(self, these):
        return these[0]


def two_point():
    """A box seen edge on: depth edges vanish at (-6, 0) and (6, 0), uprights stay upright; the near
    post stands from (0, 0.5) to (0, -1.5), those beside it a third of the way; the far one where
    the receding lines of both sides cross."""
    post = {"p0": (0.0, 0.5), "p4": (0.0, -1.5)}
    share = 1.0 / 3.0
    for name, other, to in (("p1", "p0", 6.0), ("p5", "p4", 6.0), ("p2", "p0", -6.0),
                            ("p6", "p4", -6.0)):  # fmt: skip
        x, y = post[other]
        post[name] = (x + share * (to - x), y * (1 - share))
    for name, right, left in (("p3", "p1", "p2"), ("p7", "p5", "p6")):
        (ax, ay), (bx, by) = post[right], post[left]
        m = np.array([[-6.0 - ax, bx - 6.0], [-ay, by]])
        t = np.linalg.solve(m, [bx - ax, by - ay])[0]
        post[name] = (ax + t * (-6.0 - ax), ay * (1 - t))
    return {name: np.array(p) for name, p in post.items()}


class WithoutError(unittest.TestCase):
    def setUp(self):
        self.study, self.truth = sighted(two_point(), Exact())
        self.found = perspective(adjust(self.study))

    def family(self, name):
        return next(each for each in self.found.families if each.name == name)

    def test_both_vanishing_points_and_the_eye_level(self):
        """The post is 2 long, so in its units the points lie 6 / 2 to either side of it and a
        quarter of a unit above its foot."""
        right, left, up = (self.family(name) for name in ("a", "b", "up"))
        np.testing.assert_allclose(right.point, (3.0, -0.25), atol=1e-4)
        np.testing.assert_allclose(left.point, (-3.0, -0.25), atol=1e-4)
        self.assertAlmostEqual(self.found.eye_level, -0.25, places=4)
        self.assertTrue(up.at_infinity)
        self.assertAlmostEqual(np.sin(np.radians(up.direction_deg)), 0.0, places=3)

    def test_every_edge_fits(self):
        for each in self.found.edges:
            apart = (each.seen_deg - each.fitted_deg + 90.0) % 180.0 - 90.0
            self.assertAlmostEqual(apart, 0.0, delta=0.01)
            self.assertLess(abs(each.standardized or 0.0), 0.05)

    def test_families_tighten_and_never_loosen(self):
        """The network itself: what is drawn by, not only what is told of the perspective."""
        with_them = adjust(self.study)
        without = adjust(replace(self.study, families=()))
        before, after = (place_covariance(each)[:, (0, 1), (0, 1)] for each in (without, with_them))
        self.assertGreaterEqual((before - after).min(), -1e-9)
        self.assertGreater((before - after).sum(), 0.1 * before.sum())
        np.testing.assert_allclose(with_them.places, without.places, atol=1e-3)
        self.assertGreater(with_them.freedom, without.freedom)


class Joined(unittest.TestCase):
    """Families as evidence in the network."""

    def test_what_the_network_and_the_perspective_have_is_the_same(self):
        for seed in range(5):
            found, adjusted, *_ = seen(seed)
            np.testing.assert_allclose(adjusted.places, found.places, atol=0.03)
            sd = place_covariance(adjusted)[:, (0, 1), (0, 1)].ravel()
            ratio = sd[sd > 1e-6] / found.covariance.diagonal()[sd > 1e-6]
            self.assertAlmostEqual(float(np.median(ratio)), 1.0, delta=0.1)

    def test_a_family_holds_what_no_reading_does(self):
        """A corner with one tilt only can slide along it; its two families hold it."""
        study, truth = sighted(two_point(), Exact())
        gone = {"dropp3", "levelp3", "tp1p3", "tp3p7"}
        fewer = replace(
            study, sightings=tuple(each for each in study.sightings if each.id not in gone)
        )
        self.assertTrue(adjust(replace(fewer, families=())).loose.shape[1])
        held = adjust(fewer)
        self.assertFalse(held.loose.shape[1])
        at = held.places[held.network.index["p3"]]
        np.testing.assert_allclose(at, truth["p3"], atol=0.02)

    def test_an_edge_that_is_not_parallel_is_set_aside(self):
        """All its readings agree; only the family does not."""
        study, _ = sighted(two_point(), np.random.default_rng(4))
        odd = replace(study.families[0], edges=(*study.families[0].edges, ("p0", "p7")))
        adjusted = adjust(replace(study, families=(odd, *study.families[1:])))
        self.assertEqual(len(adjusted.aside), 1)
        found = perspective(adjusted)
        worst = max(found.edges, key=lambda each: abs(each.standardized or 0.0))
        self.assertEqual((worst.start, worst.end), ("p0", "p7"))
        self.assertGreater(abs(worst.standardized), 3.29)
        self.assertEqual(judge(adjusted).doubts, ())
        self.assertAlmostEqual(found.eye_level, -0.25, delta=0.15)


class WithError(unittest.TestCase):
    def test_the_eye_level_is_as_sure_as_is_said(self):
        """Forty boxes: within two standard deviations in 36 at least, and the mean square of the
        deviate is about one."""
        deviates = []
        for seed in range(40):
            found, _, _, eye = seen(seed)
            deviates.append((found.eye_level - eye) / found.eye_sd)
        self.assertGreaterEqual(sum(abs(d) <= 2.0 for d in deviates), 36)
        self.assertAlmostEqual(float(np.mean(np.square(deviates))), 1.0, delta=0.45)

    def test_parallel_to_the_picture_is_at_infinity(self):
        flat = 0
        for seed in range(20):
            found, *_ = seen(seed, square_on=True)
            flat += all(f.at_infinity for f in found.families if f.name in ("a", "up"))
        self.assertGreaterEqual(flat, 19)

    def test_a_wrong_tilt_is_the_first_doubt(self):
        first = 0
        for seed in range(40):
            edge = families_of()[seed % 2].edges[seed % 4]
            _, adjusted, *_ = seen(seed, wrong=edge)
            doubts = judge(adjusted).doubts
            first += bool(doubts) and doubts[0].sighting == f"t{edge[0]}{edge[1]}"
        self.assertGreaterEqual(first, 35)


class TooLittle(unittest.TestCase):
    def told(self, *families):
        study, _ = sighted(two_point(), np.random.default_rng(2))
        return perspective(adjust(replace(study, families=families)))

    def test_one_edge_tells_nothing_but_for_a_level_one_beside_others(self):
        alone = self.told(Family("a", (("p0", "p1"),), False))
        self.assertFalse(alone.families[0].determined)
        self.assertIsNone(alone.families[0].point)
        self.assertIsNone(alone.eye_level)
        beside = self.told(families_of()[0], Family("one", (("p0", "p2"),), True))
        self.assertTrue(beside.families[1].determined)
        self.assertAlmostEqual(beside.families[1].point[0], -3.0, delta=1.5)

    def test_edges_on_one_line_and_none_at_all(self):
        line = self.told(Family("line", (("p0", "p1"), ("p1", "p0")), False))
        self.assertFalse(line.families[0].determined)
        nothing = self.told(Family("empty", (), True))
        self.assertEqual(nothing.edges, ())
        self.assertFalse(nothing.families[0].determined)

    def test_uprights_alone_have_no_eye_level(self):
        found = self.told(families_of()[2])
        self.assertIsNone(found.eye_level)
        self.assertTrue(found.families[0].at_infinity)


if __name__ == "__main__":
    unittest.main()
