"""What is said of a sitting: what the time is good for, and whether the place is the same."""

import unittest
from dataclasses import replace

from zirkel.core.sitting.control import SamePlace
from zirkel.core.sitting.plan import SittingPlan
from zirkel.core.words.base import Words
from zirkel.core.words.sitting import say_plan, say_same

SAME = SamePlace(True, 0.004, 0.02, 0.2, 1.0, 0.1, 6.4)
WORDS = Words({}, "can", 100.0)


class Place(unittest.TestCase):
    def test_the_same_says_what_it_would_have_shown(self):
        told = say_same(SAME)
        self.assertTrue(told.startswith("The place is the same, as far as these readings tell"))
        self.assertIn("4 % in size or 2° turned", told)

    def test_a_shift_says_which(self):
        for change, said in (
            ({"larger": 0.1}, "all looks 10 % larger."),
            ({"larger": -0.06}, "all looks 6 % smaller."),
            ({"turned_deg": 5.0}, "turned by 5° clockwise."),
            ({"turned_deg": -4.0}, "turned by 4° the other way."),
            (
                {"larger": 0.1, "turned_deg": 5.0},
                "all looks 10 % larger and turned by 5° clockwise.",
            ),
        ):
            told = say_same(replace(SAME, same=False, **change))
            self.assertEqual(told, f"Something has shifted: {said}")

    def test_a_shift_that_is_neither_for_sure_claims_neither(self):
        told = say_same(replace(SAME, same=False))
        self.assertEqual(
            told, "Something has shifted: what was sighted before and now do not agree."
        )


class Plan(unittest.TestCase):
    def plan(self, count, expected, now):
        return SittingPlan((), (None,) * count, expected, now, (), 7.0)

    def test_what_fits_and_what_it_brings(self):
        told = say_plan(self.plan(8, 0.02, 0.08), WORDS)
        self.assertEqual(
            told,
            "8 readings fit. The large shapes will then be sure to about 5 mm; now it is 20 mm.",
        )
        self.assertTrue(say_plan(self.plan(1, 0.02, 0.08), WORDS).startswith("One reading fits."))

    def test_no_more_is_promised_than_comes(self):
        told = say_plan(self.plan(3, 0.0201, 0.0203), WORDS)
        self.assertEqual(told, "3 readings fit. They hardly make the large shapes surer than 5 mm.")
        self.assertTrue(say_plan(self.plan(0, 0.02, 0.02), WORDS).startswith("There is nothing"))


if __name__ == "__main__":
    unittest.main()
