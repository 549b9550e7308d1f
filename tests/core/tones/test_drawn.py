"""Drawn tones against the plan: what is off, the order that is broken, which area is next."""

import unittest
from types import SimpleNamespace

from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.light import Medium
from zirkel.core.tones.drawn import BROKEN_STEPS, OFF_STEPS, against_plan
from zirkel.core.words.tones import say_drawn

PLAN = SimpleNamespace(
    areas={"wall": 2.0, "pot": 4.0, "shade": 6.0, "cast": 8.0}, medium=Medium(1.0, 1.0, 8.0)
)


class AgainstPlan(unittest.TestCase):
    def test_as_planned_nothing_is_next(self):
        found = against_plan(PLAN, {"wall": 2.5, "pot": 3.5, "cast": 8.6})
        self.assertEqual({each.sort for each in found.areas}, {"as planned"})
        self.assertEqual((found.broken, found.next), ((), None))

    def test_what_can_be_darkened_comes_before_what_must_be_lifted(self):
        found = against_plan(PLAN, {"wall": 5.0, "shade": 5.0, "pot": 4.0})
        self.assertEqual([each.area for each in found.areas], ["wall", "shade", "pot"])
        self.assertEqual(found.next.area, "shade")
        self.assertEqual([say_drawn(each) for each in found.areas],
                         ["3 steps too dark: lift it", "1 steps too light: another layer",
                          "as planned"])  # fmt: skip
        alone = against_plan(PLAN, {"wall": 5.0})
        self.assertEqual(alone.next.area, "wall")

    def test_beyond_the_medium_it_can_t_be_taken_back(self):
        (found,) = against_plan(PLAN, {"shade": 8.9}).areas
        self.assertEqual(found.sort, "too dark")
        self.assertIn("leave it, and tune the others", say_drawn(found))

    def test_the_order_that_is_broken(self):
        found = against_plan(PLAN, {"wall": 5.0, "pot": 4.5, "shade": 6.0})
        self.assertEqual(found.broken, (("pot", "wall"),))

    @given(st.dictionaries(st.sampled_from(sorted(PLAN.areas)), st.floats(0.0, 10.0)))
    def test_worst_first_and_every_broken_pair_is_one(self, drawn):
        found = against_plan(PLAN, drawn)
        offs = [abs(each.off) for each in found.areas]
        self.assertEqual(offs, sorted(offs, reverse=True))
        self.assertEqual({each.area for each in found.areas}, set(drawn))
        for a, b in found.broken:
            self.assertGreater(PLAN.areas[a], PLAN.areas[b] + OFF_STEPS)
            self.assertGreater(drawn[b], drawn[a] + BROKEN_STEPS)
        for each in found.areas:
            self.assertEqual(each.sort == "as planned", abs(each.off) <= OFF_STEPS)


if __name__ == "__main__":
    unittest.main()
