"""Numbers as they are spoken, a hundred ways."""

import unittest

from zirkel.core.values.fractions import parse_length
from zirkel.core.values.spoken import as_typed
from zirkel.core.values.tilts import parse_tilt

LENGTHS = {
    "two and three eighths": 2.375, "two three eighths": 2.375, "2 and three eighths": 2.375,
    "2 and 3/8": 2.375, "two and 3/8": 2.375, "to and three eighths": 2.375,
    "Two and three-eighths": 2.375, "two and three eighths.": 2.375, "a half": 0.5, "half": 0.5,
    "one half": 0.5, "half a unit": 0.5, "half of a unit": 0.5, "a third": 1 / 3,
    "one third": 1 / 3,
    "two thirds": 2 / 3, "a quarter": 0.25, "one quarter": 0.25, "three quarters": 0.75,
    "three fourths": 0.75, "an eighth": 0.125, "five eighths": 0.625, "seven eighths": 0.875,
    "one and a half": 1.5, "one and one half": 1.5, "one and a quarter": 1.25,
    "one and three quarters": 1.75, "1 and a half": 1.5, "one": 1, "won": 1, "two": 2, "too": 2,
    "for": 4, "four": 4, "for and a half": 4.5, "seven": 7, "seven and a half": 7.5,
    "seven and a half units": 7.5, "seven units": 7, "one unit": 1, "three times": 3, "ten": 10,
    "eleven and a third": 34 / 3, "twelve": 12, "nineteen": 19, "twenty": 20, "twenty one": 21,
    "twenty-one": 21, "twenty one and a half": 21.5, "ninety nine": 99, "one hundred": 100,
    "a hundred": 100, "one hundred and five": 105, "two hundred and forty": 240, "zero": 0,
    "nothing": 0, "one point five": 1.5, "one point two five": 1.25, "point five": 0.5,
    "zero point seven five": 0.75, "2 point 5": 2.5, "twelve point five": 12.5,
    "minus a half": -0.5, "minus one and a quarter": -1.25, "negative two": -2,
    "five sixteenths": 0.3125, "two fifths": 0.4, "one and four fifths": 1.8,
    "three and ⅜": 3.375, "a tenth": 0.1, "nine tenths": 0.9, "one twelfth": 1 / 12,
}  # fmt: skip
MILLIMETRES = {
    "twelve centimetres": 120, "twelve and a half centimetres": 125, "ninety seven millimetres": 97,
    "97 millimetres": 97, "nine point seven centimeters": 97, "two metres": 2000,
    "two point six metres": 2600, "one and a half meters": 1500, "three inches": 76.2,
    "three and a half inches": 88.9, "an inch": None, "one inch": 25.4,
}  # fmt: skip
TILTS = {
    "half past four": 135, "quarter past two": 67.5, "quarter to four": 112.5, "four o'clock": 120,
    "four oclock": 120, "four thirty": 135, "ten fifteen": 127.5, "two thirty": 75,
    "one forty five": 52.5, "4 30": 135, "ten": 120, "forty five degrees": 45,
    "forty-five degrees": 45, "ninety degrees": 90, "eight degrees": 8, "one hundred degrees": 100,
    "twelve and a half degrees": 12.5, "half past twelve": 15, "twelve": 0, "three": 90,
}  # fmt: skip
NOT_SAID = ("two and", "and a half", "strides", "three strides", "a", "the", "point", "half past",
            "one two three", "minus", "eighths of", "two thirds four", "a a half")  # fmt: skip


class Spoken(unittest.TestCase):
    def test_a_hundred_ways(self):
        said = len(LENGTHS) + len(MILLIMETRES) + len(TILTS)
        self.assertGreaterEqual(said, 100)
        for text, value in LENGTHS.items():
            with self.subTest(text):
                entered = parse_length(text)
                self.assertFalse(entered.in_mm)
                self.assertAlmostEqual(entered.value, value)

    def test_lengths_with_their_unit(self):
        for text, value in MILLIMETRES.items():
            with self.subTest(text):
                if value is None:
                    self.assertRaises(ValueError, parse_length, text)
                else:
                    entered = parse_length(text)
                    self.assertTrue(entered.in_mm)
                    self.assertAlmostEqual(entered.value, value)

    def test_tilts(self):
        for text, value in TILTS.items():
            with self.subTest(text):
                self.assertAlmostEqual(parse_tilt(text), value)

    def test_what_is_nothing_is_refused(self):
        for text in NOT_SAID:
            with self.subTest(text):
                self.assertIsNone(as_typed(text))
                self.assertRaises(ValueError, parse_length, text)


if __name__ == "__main__":
    unittest.main()
