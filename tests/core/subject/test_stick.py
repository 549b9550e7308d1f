"""The stick and its faults, on examples worked by hand; counts as a person says them."""

import math
import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.subject.faults import FAULTS, Asked
from zirkel.core.subject.faults.elbow import ElbowCreep, covers
from zirkel.core.subject.faults.lean import Lean, flatter, longer
from zirkel.core.subject.faults.sway import Sway, moves_over_subject
from zirkel.core.subject.faults.two_eyes import HOW_OFTEN, TwoEyes
from zirkel.core.subject.faults.wobble import Wobble
from zirkel.core.subject.stick import Holding, read_offset, read_tilt, step_off
from zirkel.core.values.fractions import as_a_person_counts
from zirkel.core.words.faults import FAULT_WORDS

HOLD = Holding(reach_mm=650.0, distance_mm=2600.0, unit_mm=300.0)
LEVEL = Asked("span", "level", 2.0, math.pi / 2)
UPRIGHT = Asked("span", "plumb", 2.0, 0.0)


def error(fault, size, asked, seed=0):
    return fault.error(size, asked, HOLD, np.random.default_rng(seed))


class Counting(unittest.TestCase):
    def test_stepping_off(self):
        """3.25 thumbs of 2 mm in 6.5 mm: three steps and a quarter."""
        counted = step_off((1.0, 1.0), (7.5, 9.0), "level", 2.0)
        self.assertEqual((counted.steps, counted.rest, counted.said), (3, 0.25, 3.25))
        self.assertAlmostEqual(step_off((0, 0), (3, 4), "straight", 2.0).exact, 2.5)
        self.assertAlmostEqual(step_off((0, 4), (3, 0), "plumb", 2.0).exact, 2.0)
        with self.assertRaisesRegex(ValueError, "set the thumb"):
            step_off((0, 0), (1, 1), "level", 0.0)

    def test_as_a_person_counts(self):
        for exact, said in ((2.36, 2.375), (1.34, 4 / 3), (0.69, 11 / 16), (0.01, 1 / 16),
                            (2.97, 3.0), (1.46, 1.5), (5.10, 5.125)):  # fmt: skip
            self.assertAlmostEqual(as_a_person_counts(exact), said, msg=str(exact))

    @given(st.floats(0.0, 20.0))
    def test_never_further_off_than_half_the_widest_gap(self, exact):
        """The widest gap between the parts is an eighth."""
        self.assertLessEqual(abs(as_a_person_counts(exact, 0.0) - exact), 1 / 16 + 1e-12)

    def test_tilts_by_the_clock(self):
        """From the middle to the right and up by as much: half past one, 45 degrees."""
        self.assertEqual(read_tilt((0, 0), (5, -5)), 45.0)
        self.assertEqual(read_tilt((5, -5), (0, 0)), 45.0)
        self.assertEqual(read_tilt((0, 0), (1.0, 10.0)), 175.0)
        self.assertEqual(read_tilt((0, 0), (0.1, 10.0)), 0.0)

    def test_offsets_keep_their_side(self):
        self.assertEqual(read_offset((10, 0), (4, 9), 0, 8.0), -0.75)
        self.assertEqual(read_offset((0, 10), (3, 16), 1, 4.0), 1.5)
        self.assertEqual(read_offset((0, 10), (3, 10.01), 1, 4.0), 0.0)


class Faults(unittest.TestCase):
    def test_three_centimetres_nearer_on_sixty_five(self):
        """65 / 62 = 1.0484: the stick covers 4.8 % more, so that counts come 4.6 % short."""
        self.assertAlmostEqual(covers(650.0, 30.0), 1.0484, places=4)
        at_the_end = Asked("span", "level", 2.0, 0.0, through_take=1.0)
        self.assertAlmostEqual(error(ElbowCreep, 30.0, at_the_end).factor, 62 / 65)
        self.assertEqual(error(ElbowCreep, 30.0, LEVEL).factor, 1.0)
        self.assertEqual(error(ElbowCreep, 30.0, Asked("tilt", None, 1.0, 0.5, 1.0)).turn, 0.0)
        self.assertIn("4.8 %", FAULT_WORDS["elbow"].costs(30.0, HOLD))
        self.assertIn("4.6 %", FAULT_WORDS["elbow"].costs(30.0, HOLD))

    def test_five_millimetres_of_sway(self):
        """5 (2600 - 650) / 650 = 15 mm over the subject: a twentieth of a unit of 300 mm."""
        self.assertAlmostEqual(moves_over_subject(HOLD, 5.0), 15.0)
        shifts = [error(Sway, 5.0, LEVEL, seed).shift for seed in range(2000)]
        self.assertAlmostEqual(float(np.std(shifts)), 0.05, delta=0.003)
        self.assertEqual(error(Sway, 5.0, UPRIGHT).shift, 0.0)

    def test_wobble(self):
        """1 mm at each end, a unit that covers 75 mm: sqrt(2) / 75 = 0.0189 units."""
        self.assertAlmostEqual(HOLD.unit_on_stick_mm, 75.0)
        shifts = [error(Wobble, 1.0, UPRIGHT, seed).shift for seed in range(2000)]
        self.assertAlmostEqual(float(np.std(shifts)), math.sqrt(2) / 75, delta=0.001)
        short, long = (Asked("tilt", None, length, 0.3) for length in (0.5, 2.0))
        self.assertAlmostEqual(error(Wobble, 1.0, short).turn, 4 * error(Wobble, 1.0, long).turn)

    def test_a_stick_that_leans_ten_degrees(self):
        """A unit that covers 75 of 650: 1 / (cos 10 - 75/650 sin 10) = 1.0365. A slope of 45
        degrees: tan t' = sqrt(0.5 * 0.9698 + 0.03015) / (0.7071 * 0.9848), 45.86 degrees."""
        self.assertAlmostEqual(longer(75.0, 650.0, 10.0), 1.0365, places=4)
        self.assertAlmostEqual(math.degrees(flatter(math.radians(45.0), 10.0)), 0.864, places=3)
        self.assertAlmostEqual(flatter(math.pi / 2, 25.0), 0.0)
        rising, falling = (Asked("tilt", None, 1.0, math.radians(t)) for t in (45.0, 135.0))
        self.assertAlmostEqual(error(Lean, 10.0, rising).turn, -error(Lean, 10.0, falling).turn)
        self.assertEqual(error(Lean, 10.0, LEVEL).factor, 1.0)

    def test_two_eyes_mix_up_some_readings_by_a_great_deal(self):
        """63 mm between the eyes: 63 * 3 = 189 mm over there, 0.63 of a unit, one way or other."""
        shifts = [error(TwoEyes, 63.0, LEVEL, seed).shift for seed in range(2000)]
        wrong = [each for each in shifts if each]
        self.assertAlmostEqual(len(wrong) / 2000, HOW_OFTEN, delta=0.03)
        self.assertEqual({round(abs(each), 6) for each in wrong}, {0.63})
        self.assertEqual({each > 0 for each in wrong}, {True, False})

    def test_a_leaning_stick_steps_off_a_long_length_thumb_by_thumb(self):
        """What three and a half thumbs come to is 3.5 times what one comes to."""
        long, unit = Asked("span", "straight", 3.5, 0.3), Asked("span", "straight", 1.0, 0.3)
        self.assertAlmostEqual(error(Lean, 20.0, long).factor, error(Lean, 20.0, unit).factor)

    def test_two_eyes_turn_tilts_and_shift_what_lies_level_in_a_straight_span(self):
        """63 mm of eyes are 189 mm over the subject, 0.63 units: a plumb edge of 2 units is turned
        by 0.315 rad, a span that leans 30 degrees is off by half the shift."""
        rng = next(seed for seed in range(200) if error(TwoEyes, 63.0, LEVEL, seed).shift)
        upright = error(TwoEyes, 63.0, Asked("tilt", None, 2.0, 0.0), rng)
        self.assertAlmostEqual(abs(upright.turn), 0.315)
        leaning = error(TwoEyes, 63.0, Asked("span", "straight", 2.0, math.pi / 6), rng)
        self.assertAlmostEqual(abs(leaning.shift), 0.315)

    def test_every_fault_says_what_it_costs(self):
        for name, fault in FAULTS.items():
            with self.subTest(name):
                self.assertEqual(fault.name, name)
                self.assertRegex(FAULT_WORDS[name].costs(fault.usual, HOLD), r"\d.*\.$")
                self.assertLessEqual(fault.usual, fault.most)


if __name__ == "__main__":
    unittest.main()
