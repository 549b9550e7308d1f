"""Faults of the hand over true lengths: who suffers, by how much, and who doesn't."""

import math
import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.subject.faults import FAULTS, Asked
from zirkel.core.subject.stick import Holding

HOLD = Holding(reach_mm=650.0, distance_mm=2600.0, unit_mm=280.0)
DRAWS = 4000

LEVEL = Asked("span", "level", 2.0, math.pi / 2)
UPRIGHT = Asked("span", "plumb", 2.0, 0.0)
STRAIGHT = Asked("span", "straight", 2.0, math.pi / 4)
TILT = Asked("tilt", None, 2.0, math.pi / 4)
DROP = Asked("drop", None, 2.0, 0.0)
ACROSS = Asked("level", None, 2.0, math.pi / 2)


def errors(name, asked, size=None, hold=HOLD):
    """Many draws of one fault on one reading."""
    rng = np.random.default_rng(5)
    fault = FAULTS[name]
    size = fault.usual if size is None else size
    return [fault.error(size, asked, hold, rng) for _ in range(DRAWS)]


def spread(found, part):
    return float(np.std([getattr(each, part) for each in found]))


class Faults(unittest.TestCase):
    def test_none_of_it_is_no_error(self):
        for name in FAULTS:
            for asked in (LEVEL, UPRIGHT, STRAIGHT, TILT, DROP, ACROSS):
                for each in errors(name, asked, 0.0)[:20]:
                    self.assertAlmostEqual(each.factor, 1.0)
                    self.assertAlmostEqual(each.shift, 0.0)
                    self.assertAlmostEqual(each.turn, 0.0)

    def test_a_sway_shifts_what_lies_level_and_leaves_what_stands(self):
        over_there = 4.0 * (2600.0 - 650.0) / 650.0 / 280.0
        self.assertAlmostEqual(spread(errors("sway", LEVEL), "shift") / over_there, 1.0, delta=0.05)
        self.assertAlmostEqual(spread(errors("sway", DROP), "shift") / over_there, 1.0, delta=0.05)
        self.assertEqual(spread(errors("sway", UPRIGHT), "shift"), 0.0)
        self.assertEqual(spread(errors("sway", ACROSS), "shift"), 0.0)

    def test_on_a_slope_it_shifts_by_the_share_that_lies_level(self):
        level, straight = (spread(errors("sway", each), "shift") for each in (LEVEL, STRAIGHT))
        self.assertAlmostEqual(straight / level, math.sin(math.pi / 4), delta=0.05)

    def test_it_turns_a_short_edge_more_than_a_long_one(self):
        short = Asked("tilt", None, 0.5, math.pi / 4)
        long = Asked("tilt", None, 4.0, math.pi / 4)
        self.assertGreater(spread(errors("sway", short), "turn"),
                           4.0 * spread(errors("sway", long), "turn"))  # fmt: skip

    def test_an_elbow_that_creeps_shortens_counts_and_more_as_the_take_goes_on(self):
        early, late = (
            FAULTS["elbow"].error(30.0, Asked("span", "plumb", 2.0, 0.0, through), HOLD,
                                  np.random.default_rng(0)).factor
            for through in (0.2, 1.0)
        )  # fmt: skip
        self.assertLess(late, early)
        self.assertAlmostEqual(late, (650.0 - 30.0) / 650.0, delta=1e-3)

    def test_a_stick_that_leans_reads_long_but_not_where_it_is_hung_or_laid_level(self):
        rng = np.random.default_rng(0)
        long, short = (
            FAULTS["lean"].error(15.0, Asked("span", "straight", each, 0.5), HOLD, rng).factor
            for each in (3.0, 0.4)
        )
        self.assertGreater(short, 1.0)
        self.assertGreater(long, short)
        for asked in (UPRIGHT, LEVEL, DROP, ACROSS):
            self.assertEqual(FAULTS["lean"].error(15.0, asked, HOLD, rng).factor, 1.0)

    def test_an_arm_that_wobbles_errs_alike_on_every_length(self):
        lengths = [Asked("span", "plumb", each, 0.0) for each in (0.5, 1.0, 4.0)]
        found = [spread(errors("wobble", each), "shift") for each in lengths]
        self.assertAlmostEqual(found[0] / found[2], 1.0, delta=0.08)
        self.assertGreater(found[0], 0.0)

    @given(st.sampled_from(sorted(FAULTS)), st.floats(0.0, 1.0), st.floats(0.05, 6.0),
           st.floats(0.0, math.pi))  # fmt: skip
    def test_whatever_is_asked_the_error_is_a_number(self, name, share, length, tilt):
        fault = FAULTS[name]
        rng = np.random.default_rng(1)
        for kind, along in (("span", "level"), ("span", "plumb"), ("span", "straight"),
                            ("tilt", None), ("drop", None), ("level", None)):  # fmt: skip
            made = fault.error(
                share * fault.most, Asked(kind, along, length, tilt, share), HOLD, rng
            )
            self.assertTrue(np.isfinite([made.factor, made.shift, made.turn]).all())
            self.assertGreater(made.factor, 0.0)


if __name__ == "__main__":
    unittest.main()
