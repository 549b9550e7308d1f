"""How finely an artist counts is found from the readings, and not of who counts finer."""

import unittest
from dataclasses import replace

import numpy as np

from tests import times
from tests.core.test_own_hand import counted_coarsely
from tests.networks import RandomNetwork
from zirkel.core.artist import CountedTo
from zirkel.core.network.counting import counting
from zirkel.core.words.counting import say_counting


def rounded(study, units, degrees):
    """The same readings, counted so."""
    made = []
    for each in study.sightings:
        step = {"span": units, "drop": units, "level": units, "tilt": degrees}.get(each.kind)
        field = each.value_field
        value = each.value if not step else round(each.value / step) * step
        made.append(replace(each, **{field: value}) if field and step else each)
    return replace(study, sightings=tuple(made))


class Counting(unittest.TestCase):
    def network(self, seed):
        return RandomNetwork(seed, n=20, per=4, kinds="stdl", tap=0.1).study

    def test_quarters_and_fives_are_found(self):
        for seed in range(times(6)):
            coarse = replace(counted_coarsely(self.network(seed)), counted_to=None)
            self.assertEqual(counting(coarse), CountedTo(0.25, 5.0))

    def test_the_coarsest_that_all_keep_to(self):
        halves = counting(rounded(self.network(1), 0.5, 15.0))
        self.assertEqual((halves.units, halves.degrees), (0.5, 15.0))
        thirds = counting(rounded(self.network(2), 1 / 3, 10.0))
        self.assertAlmostEqual(thirds.units, 1 / 3)
        self.assertEqual(thirds.degrees, 10.0)

    def test_who_counts_in_eighths_and_reads_to_a_degree_is_not_told_so(self):
        for seed in range(times(12)):
            self.assertIsNone(counting(rounded(self.network(seed), 0.125, 1.0)))

    def test_few_readings_and_what_is_whole_tell_nothing(self):
        study = rounded(self.network(3), 0.25, 5.0)
        self.assertIsNone(counting(replace(study, sightings=study.sightings[:8])))
        self.assertIsNone(counting(rounded(self.network(3), 1.0, 90.0)))
        sure = tuple(replace(each, sigma=0.01) for each in study.sightings)
        self.assertIsNone(counting(replace(study, sightings=sure)))

    def test_one_finer_reading_is_enough_to_say_nothing(self):
        study = rounded(self.network(4), 0.25, 5.0)
        at = next(i for i, each in enumerate(study.sightings) if each.kind == "drop")
        finer = list(study.sightings)
        finer[at] = replace(finer[at], offset=float(np.floor(finer[at].offset)) + 0.4)
        self.assertIsNone(counting(replace(study, sightings=tuple(finer))).units)

    def test_said(self):
        self.assertEqual(
            say_counting(CountedTo(0.25, 15.0)),
            "You count in quarters and read tilts to half hours: so the areas are to be that much "
            "wider.",
        )
        self.assertIn("read tilts to 5°", say_counting(CountedTo(None, 5.0)))
        self.assertIn("thirds", say_counting(CountedTo(1 / 3, None)))


if __name__ == "__main__":
    unittest.main()
