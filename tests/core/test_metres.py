"""Lengths about a room as they are entered: metres beside the other units, and said again."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.values.fractions import MM_PER, parse_length
from zirkel.core.words.place import say_far


class Metres(unittest.TestCase):
    def test_metres_stand_beside_the_others(self):
        for text, mm in (
            ("2.6 m", 2600.0), ("2,6m", 2600.0), ("1 1/2 m", 1500.0), ("½ m", 500.0),
            ("260 cm", 2600.0), ("2600 mm", 2600.0), ("-1 m", -1000.0),
        ):  # fmt: skip
            found = parse_length(text)
            self.assertTrue(found.in_mm, text)
            self.assertAlmostEqual(found.value, mm, msg=text)

    def test_what_is_no_unit_is_no_length(self):
        for text in ("2 miles", "3 M", "m", "2 m 60", "two m"):
            with self.assertRaises(ValueError):
                parse_length(text)

    @given(st.floats(100.0, 500_000.0))
    def test_what_is_said_can_be_entered_again(self, mm):
        found = parse_length(say_far(mm, inches=False))
        self.assertTrue(found.in_mm)
        self.assertAlmostEqual(found.value, mm, delta=5.0 + 1e-6)
        inches = parse_length(say_far(mm, inches=True))
        self.assertAlmostEqual(inches.value, mm, delta=MM_PER["in"] / 2 + 1e-6)


if __name__ == "__main__":
    unittest.main()
