"""Back at the same place: what control readings find, and that they find nothing where nothing has
changed."""

import unittest

import numpy as np
from bench.hands import MAKERS, fresh
from bench.sitting import sighted, taken_again

from zirkel.core.network.search import adjust
from zirkel.core.sitting.control import MOST, controls, same_place


class Controls(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        found = [sighted(number) for number in range(18)]
        cls.places = [(subject, adjusted, k) for k, (subject, adjusted, _) in enumerate(found)]
        cls.asked = [asked for _, _, asked in found]

    def found(self, larger, turned):
        return [
            same_place(adjusted, taken_again(subject, asked, larger, turned, number))
            for (subject, adjusted, number), asked in zip(self.places, self.asked, strict=True)
        ]

    def test_at_most_four_of_what_is_held_each_pair_once(self):
        for asked in self.asked:
            self.assertTrue(2 <= len(asked) <= MOST)
            pairs = {frozenset((each.start, each.end)) for each in asked}
            self.assertEqual(len(pairs), len(asked))

    def test_nothing_is_found_where_nothing_changed(self):
        found = self.found(0.0, 0.0)
        self.assertGreaterEqual(sum(each.same for each in found), 15)
        self.assertLess(abs(np.mean([each.turned_deg for each in found])), 0.7)

    def test_a_large_change_is_found_and_told_as_it_is(self):
        for larger, turned in ((0.1, 0.0), (-0.1, 0.0), (0.0, 5.0), (0.0, -5.0)):
            found = self.found(larger, turned)
            least = 12 if larger else 17
            self.assertGreaterEqual(sum(not each.same for each in found), least, (larger, turned))
            self.assertAlmostEqual(np.mean([e.larger for e in found]), larger, delta=0.02)
            self.assertAlmostEqual(np.mean([e.turned_deg for e in found]), turned, delta=0.8)

    def test_two_degrees_are_found_in_most_and_a_take_s_own_drift_is_no_other_place(self):
        found = self.found(0.0, 2.0)
        self.assertGreaterEqual(sum(not each.same for each in found), 11)
        self.assertLess(np.mean([each.turned_sd_deg for each in found]), 0.65)
        drifted = [each for share in (-0.02, 0.02) for each in self.found(share, 0.0)]
        self.assertGreaterEqual(sum(each.same for each in drifted), 30)

    def test_how_sure_that_is_is_honest(self):
        found = self.found(0.03, 2.0)
        off = [(e.larger - 0.03) / e.larger_sd for e in found]
        off += [(e.turned_deg - 2.0) / e.turned_sd_deg for e in found]
        self.assertAlmostEqual(float(np.std(off)), 1.0, delta=0.35)

    def test_the_best_four_are_better_than_the_first_four_taken(self):
        """By the standard deviations they leave."""
        wins = 0
        for (subject, adjusted, number), asked in zip(self.places, self.asked, strict=True):
            ours = same_place(adjusted, taken_again(subject, asked, 0.0, 0.0, number))
            first = same_place(adjusted, adjusted.network.sightings[:4])
            wins += ours.larger_sd / 0.03 + np.radians(ours.turned_sd_deg) / 0.035 < (
                first.larger_sd / 0.03 + np.radians(first.turned_sd_deg) / 0.035
            )
        self.assertGreaterEqual(wins, 15)


class Odd(unittest.TestCase):
    def test_where_nothing_is_held_nothing_is_asked(self):
        subject = MAKERS[0](np.random.default_rng(1))
        study = fresh(subject, np.random.default_rng(1))
        self.assertEqual(controls(adjust(study)), ())

    def test_one_control_reading_tells_what_it_can(self):
        subject, adjusted, _ = sighted(1)
        asked = controls(adjusted, count=1)
        found = same_place(adjusted, taken_again(subject, asked, 0.3, 0.0, 1))
        self.assertEqual(len(asked), 1)
        self.assertTrue(np.isfinite([found.larger, found.stands_off]).all())


if __name__ == "__main__":
    unittest.main()
