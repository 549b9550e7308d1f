"""Lengths are said as a rule shows them: millimetres, or sixteenths of an inch."""

import re
import unittest
from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.values.lengths import INCH_MM, SIXTEENTH_MM, say_length, say_within
from zirkel.core.values.names import slug

lengths = st.floats(-3000.0, 3000.0)


def in_mm(said):
    """The length that is said, read again as someone with a rule would."""
    sign = -1.0 if said.startswith("−") else 1.0
    number = said.lstrip("−").split(" mm")[0]
    if said.endswith(" in"):
        parts = said.removesuffix(" in").lstrip("−").split()
        return sign * float(sum(Fraction(each) for each in parts)) * INCH_MM
    return sign * float(number)


class Said(unittest.TestCase):
    def test_by_hand(self):
        for mm, inches, said in (
            (97.5, False, "97.5 mm"),
            (-0.04, False, "0 mm"),
            (25.4, True, "1 in"),
            (12.7, True, "1/2 in"),
            (-103.2, True, "−4 1/16 in"),
            (0.3, True, "0 in"),
            (100.0, False, "100 mm"),
        ):
            self.assertEqual(say_length(mm, inches), said)

    @given(lengths)
    def test_in_millimetres_to_a_tenth(self, mm):
        self.assertAlmostEqual(in_mm(say_length(mm, False)), mm, delta=0.0501)

    @given(lengths)
    def test_in_inches_to_half_a_sixteenth(self, mm):
        said = say_length(mm, True)
        self.assertAlmostEqual(in_mm(said), mm, delta=SIXTEENTH_MM / 2 + 1e-6)
        for denominator in re.findall(r"/(\d+)", said):
            self.assertIn(int(denominator), (2, 4, 8, 16))

    @given(lengths, st.booleans())
    def test_nothing_is_never_negative(self, mm, inches):
        self.assertNotIn(say_length(mm, inches), ("−0 mm", "−0 in"))

    @given(st.floats(0.0, 400.0))
    def test_how_closely_is_never_said_as_nothing_in_inches(self, mm):
        said = say_within(mm, True)
        self.assertGreaterEqual(in_mm(said), SIXTEENTH_MM - 1e-9)
        self.assertAlmostEqual(in_mm(said), max(mm, SIXTEENTH_MM), delta=SIXTEENTH_MM / 2 + 1e-6)

    def test_how_closely_in_millimetres(self):
        for mm, said in ((3.26, "3.3 mm"), (13.7, "14 mm"), (0.4, "0.4 mm")):
            self.assertEqual(say_within(mm, False), said)

    def test_names_of_files(self):
        self.assertRegex(slug("Potting bench, morning light"), r"^[a-z0-9_]+$")
        self.assertTrue(slug("…"))


if __name__ == "__main__":
    unittest.main()
