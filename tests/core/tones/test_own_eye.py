"""An eye that errs more or less than usual is known by its comparisons, an ordinary one is left."""

import unittest
from unittest import mock

import numpy as np

from tests import times
from tests.core.tones import eyes
from zirkel.core.tones.estimate import estimate
from zirkel.core.tones.own_eye import own_scale
from zirkel.core.tones.probit import compared


class OwnEye(unittest.TestCase):
    def off(self, sigma, seeds, count=20, pairs=100, wrong=None):
        """Errors over what was told of them, and the scales of the eye."""
        errors, scales = [], []
        with mock.patch.object(eyes, "EYE", sigma):
            for seed in range(seeds):
                areas, readings, true = eyes.compared(
                    np.random.default_rng(seed), count, pairs, wrong=wrong
                )
                found = estimate(areas, readings)
                scales.append(found.eye)
                errors += [
                    (found.tones[area.id].tone - tone) / found.tones[area.id].sd
                    for area, tone in zip(areas, true, strict=True)
                    if found.tones[area.id].tone is not None
                ]
        return float(np.sqrt(np.mean(np.square(errors)))), np.array(scales)

    def test_what_is_told_holds_for_rough_and_for_good_eyes(self):
        for sigma in (0.35, 1.2, 1.6):
            ratio, scales = self.off(sigma, times(6))
            with self.subTest(sigma):
                self.assertGreater(ratio, 0.7)
                self.assertLess(ratio, 1.25)
                self.assertAlmostEqual(np.median(scales) * eyes.EYE / sigma, 1.0, delta=0.3)

    def test_an_ordinary_eye_is_taken_for_one(self):
        _, scales = self.off(0.7, times(6))
        self.assertGreaterEqual(np.mean(scales == 1.0), 0.95)

    def test_one_slip_is_no_rough_eye(self):
        _, scales = self.off(0.7, times(6), wrong=25)
        self.assertGreaterEqual(np.mean(scales == 1.0), 0.8)

    def test_a_few_comparisons_tell_nothing(self):
        areas, readings, _ = eyes.compared(np.random.default_rng(1), 9, 9)
        of = compared(readings, {each.id: i for i, each in enumerate(areas)})
        self.assertEqual(own_scale(of, np.ones(len(readings))), 1.0)


if __name__ == "__main__":
    unittest.main()
