"""Lengths, fractions and tilts as artists enter and say them."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.values.fractions import as_mixed, parse_length, say_number
from zirkel.core.values.tilts import parse_tilt, say_tilt


class Lengths(unittest.TestCase):
    def test_entries(self):
        for text, value, in_mm in (
            ("1 3/8", 1.375, False),
            ("13/8", 1.625, False),
            ("1⅜", 1.375, False),
            ("⅓", 1 / 3, False),
            (" 2 ", 2.0, False),
            ("1,5", 1.5, False),
            (".5", 0.5, False),
            ("-1/4", -0.25, False),
            ("97 mm", 97.0, True),
            ("2.6 m", 2600.0, True),
            ("9.7cm", 97.0, True),
            ('3 1/2"', 88.9, True),
            ("3 1/2 in", 88.9, True),
        ):
            with self.subTest(text=text):
                entered = parse_length(text)
                self.assertAlmostEqual(entered.value, value)
                self.assertEqual(entered.in_mm, in_mm)

    def test_refusals_name_the_entry(self):
        for text in ("", "x", "1 2 3", "2 1/0", "1/", "nan", "inf", "1e9", "--1", "1 3/8 yd"):
            with self.subTest(text=text), self.assertRaisesRegex(ValueError, "“"):
                parse_length(text)

    @given(st.integers(0, 40), st.integers(0, 15), st.sampled_from((2, 3, 4, 8, 16)))
    def test_what_is_said_can_be_entered(self, whole, above, below):
        value = whole + (above % below) / below
        self.assertAlmostEqual(parse_length(say_number(value)).value, value, delta=0.013)

    def test_nearest_simple_fraction(self):
        self.assertEqual(as_mixed(1.37)[1:], (1, 3, 8))
        self.assertEqual(as_mixed(0.66)[1:], (0, 2, 3))
        self.assertIsNone(as_mixed(0.28))
        self.assertIsNone(as_mixed(float("nan")))
        self.assertEqual(say_number(-0.25), "−1/4")


class Tilts(unittest.TestCase):
    def test_entries(self):
        for text, degrees in (
            ("10 h", 120.0),
            ("4 o'clock", 120.0),
            ("10:30", 135.0),
            ("half past one", 45.0),
            ("quarter to 4", 112.5),
            ("ten o'clock", 120.0),
            ("45", 45.0),
            ("45°", 45.0),
            ("2", 60.0),
            ("2.5", 75.0),
            ("1 1/2", 45.0),
            ("2°", 2.0),
            ("12", 0.0),
            ("13", 13.0),
            ("1 1/2 h", 45.0),
            ("-10", 170.0),
            ("12:00", 0.0),
        ):
            with self.subTest(text=text):
                self.assertAlmostEqual(parse_tilt(text), degrees)

    def test_refusals_name_the_entry(self):
        for text in ("25:00", "720", "45 mm", "soon", "", "13 h", "1:75"):
            with self.subTest(text=text), self.assertRaisesRegex(ValueError, "“"):
                parse_tilt(text)

    @given(st.integers(0, 71))
    def test_what_is_said_can_be_entered(self, steps):
        self.assertAlmostEqual(parse_tilt(say_tilt(steps * 2.5)), steps * 2.5)


if __name__ == "__main__":
    unittest.main()
