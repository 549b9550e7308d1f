"""Tones from comparisons: honest, doubting the right reading, and plain where too little tells."""

import unittest
from dataclasses import replace
from itertools import pairwise

import numpy as np
from scipy.optimize import minimize
from scipy.special import ndtr

from tests.core.tones.eyes import compared, reading
from zirkel.core.light import ToneArea, ToneReading
from zirkel.core.tones.estimate import estimate
from zirkel.core.tones.probit import PRIOR, PRIOR_SD, find_mode, likelihood
from zirkel.core.tones.probit import compared as as_arrays
from zirkel.core.tones.what_next import ANSWERS, next_comparisons


def areas(*names):
    return tuple(ToneArea(name, name) for name in names)


def darker(name, first, second, by="clearly"):
    return ToneReading(name, "darker", first, second, by)


def step(name, area, value):
    return ToneReading(name, "step", area=area, step=value)


class Model(unittest.TestCase):
    def test_slope_and_curvature_are_the_likelihood_s_own(self):
        """Against differences of the likelihood itself, far out in the tails too."""
        of = as_arrays(
            [darker("1", "a", "b", by) for by in ("little", "clearly", "much")]
            + [ToneReading("4", "alike", "a", "b"), step("5", "a", 4.0)],
            {"a": 0, "b": 1},
        )
        for d in (-9.0, -3.0, -0.2, 0.0, 0.9, 2.2, 4.0, 12.0):
            e = 1e-5
            at = np.full(5, d)
            below, here, above = (likelihood(of, at + shift) for shift in (-e, 0.0, e))
            np.testing.assert_allclose(
                (above[0] - below[0]) / (2 * e), here[1], rtol=1e-4, atol=1e-6
            )
            np.testing.assert_allclose(
                (below[1] - above[1]) / (2 * e), here[2], rtol=1e-3, atol=1e-5
            )
            self.assertGreaterEqual(here[2].min(), 0.0)

    def test_the_mode_is_where_a_general_minimizer_finds_it(self):
        _, readings, _ = compared(np.random.default_rng(1), 6, 14)
        of = as_arrays(readings, {f"a{i}": i for i in range(6)})
        mode = find_mode(of, np.ones((1, len(readings))))

        def cost(t):
            return (
                -likelihood(of, of.rows @ t)[0].sum() + 0.5 * (((t - PRIOR) / PRIOR_SD) ** 2).sum()
            )

        found = minimize(cost, np.full(6, PRIOR), method="BFGS")
        np.testing.assert_allclose(mode.tones[0], found.x, atol=1e-3)
        self.assertTrue((np.linalg.eigvalsh(mode.covariance[0]) > 0).all())

    def test_many_problems_at_once_are_as_each_alone(self):
        _, readings, _ = compared(np.random.default_rng(2), 7, 18)
        of = as_arrays(readings, {f"a{i}": i for i in range(7)})
        use = (np.random.default_rng(3).random((5, len(readings))) > 0.3).astype(float)
        together = find_mode(of, use)
        for row in range(5):
            alone = find_mode(of, use[row : row + 1])
            np.testing.assert_allclose(together.tones[row], alone.tones[0], atol=1e-6)


class Honest(unittest.TestCase):
    def test_tones_lie_as_near_as_is_said(self):
        off = []
        for seed in range(60):
            held, readings, true = compared(np.random.default_rng(seed))
            found = estimate(held, readings)
            off += [(found.tones[a.id].tone - t) / found.tones[a.id].sd
                    for a, t in zip(held, true, strict=True)]  # fmt: skip
        self.assertAlmostEqual(float(np.sqrt(np.mean(np.square(off)))), 1.0, delta=0.1)

    def test_the_wrong_one_stands_out_furthest_and_clean_ones_are_left_alone(self):
        first = doubted = false = 0
        for seed in range(40):
            held, readings, _ = compared(np.random.default_rng(seed), 14, 56, wrong=20)
            found = estimate(held, readings)
            off = {name: abs(each.standardized) for name, each in found.readings.items()}
            first += max(off, key=off.get) == "n20"
            doubted += bool(found.doubts) and found.doubts[0].reading == "n20"
            clean = compared(np.random.default_rng(seed), 14, 56)
            false += bool(estimate(*clean[:2]).doubts)
        self.assertGreaterEqual(first, 35)
        self.assertGreaterEqual(doubted, 26)
        self.assertLessEqual(false, 2)

    def test_the_chain_that_contradicts_can_be_followed(self):
        """a over b over c over d by much each, and one that says d much over a."""
        names = "abcd"
        readings = [darker(f"{x}{y}{i}", x, y, "much") for x, y in pairwise(names) for i in (1, 2)]
        readings.append(darker("wrong", "d", "a", "much"))
        found = estimate(areas(*names), readings)
        self.assertEqual(found.doubts[0].reading, "wrong")
        self.assertEqual(found.doubts[0].cycle, ("d", "a", "b", "c"))
        self.assertLess(found.readings["wrong"].expected, -3.0)
        self.assertGreater(found.readings["wrong"].standardized, 3.29)

    def test_struck_and_own_sigma(self):
        two = areas("a", "b")
        said = [darker("1", "a", "b", "much"), step("2", "b", 3.0)]
        struck = [replace(said[0], struck=True), said[1]]
        self.assertIsNone(estimate(two, struck).tones["a"].tone)
        vague = [said[0], replace(said[1], sigma=3.0)]
        self.assertGreater(estimate(two, vague).tones["b"].sd, estimate(two, said).tones["b"].sd)


class TooLittle(unittest.TestCase):
    def test_no_areas_one_area_nothing_compared(self):
        self.assertEqual(estimate((), ()).tones, {})
        self.assertEqual(next_comparisons(estimate((), ())), ())
        one = estimate(areas("a"), ())
        self.assertEqual((one.loose, one.anchored), (("a",), False))
        self.assertEqual(next_comparisons(one), ())
        alone = estimate(areas("a"), [step("1", "a", 4.0)])
        self.assertTrue(alone.anchored)
        self.assertAlmostEqual(alone.tones["a"].tone, 4.07, delta=0.05)

    def test_afloat_is_counted_from_the_lightest(self):
        found = estimate(areas("a", "b", "c"), [darker("1", "a", "b"), darker("2", "b", "c")])
        self.assertFalse(found.anchored)
        self.assertEqual((found.tones["c"].tone, found.tones["c"].sd), (0.0, 0.0))
        self.assertGreater(found.tones["a"].tone, found.tones["b"].tone)
        self.assertEqual(found.loose, ())

    def test_what_nothing_ties_is_loose(self):
        found = estimate(
            areas("a", "b", "c", "d"),
            [darker("1", "a", "b"), darker("2", "c", "d"), step("3", "a", 6)],
        )
        self.assertEqual(found.loose, ("c", "d"))
        self.assertIsNone(found.tones["c"].tone)
        said = [darker("1", "a", "b"), darker("2", "b", "c"), darker("3", "d", "e")]
        apart = estimate(areas("a", "b", "c", "d", "e"), said)
        self.assertEqual(apart.loose, ("d", "e"))

    def test_contradictions_without_end_do_not_break_it(self):
        ring = [darker(f"{i}", f"a{i}", f"a{(i + 1) % 5}", "much") for i in range(5)]
        found = estimate(areas(*(f"a{i}" for i in range(5))), ring)
        self.assertTrue(all(np.isfinite(each.tone) for each in found.tones.values()))


class Next(unittest.TestCase):
    def test_a_gain_is_what_computing_again_gives(self):
        """Each answer added to the readings by hand, weighed by its chance."""
        held, readings, _ = compared(np.random.default_rng(4), 6, 9, steps=1)
        found = estimate(held, readings)
        best = next(each for each in next_comparisons(found, 30) if each.kind == "darker")
        d, sd = found.difference(best.first, best.second)
        before = found.mode.covariance[0].trace()
        spread = np.hypot(sd, 0.7)
        after = 0.0
        for low, high in ANSWERS:
            chance = ndtr((high - d) / spread) - ndtr((low - d) / spread)
            middle = (max(low, -5.0) + min(high, 5.0)) / 2.0
            again = estimate(held, [*readings, reading("new", best.first, best.second, middle)])
            after += chance * again.mode.covariance[0].trace()
        self.assertAlmostEqual(best.gain, 1.0 - after / before, places=6)

    def test_what_is_loose_is_tied_first(self):
        held = areas("a", "b", "c", "d")
        found = estimate(held, [darker("1", "a", "b"), darker("2", "b", "c"), step("3", "a", 6)])
        self.assertIn("d", {next_comparisons(found)[0].first, next_comparisons(found)[0].second})

    def test_nothing_is_asked_twice_and_no_card_where_none_was_used(self):
        held, readings, _ = compared(np.random.default_rng(4), 6, 9, steps=0)
        found = estimate(held, readings)
        asked = {frozenset(each.areas) for each in readings}
        for each in next_comparisons(found, 10):
            self.assertEqual(each.kind, "darker")
            self.assertNotIn(frozenset((each.first, each.second)), asked)


if __name__ == "__main__":
    unittest.main()
