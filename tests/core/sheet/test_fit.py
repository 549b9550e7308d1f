"""Fitting: round lengths that fit and what they cost, what could run off, inches."""

import math
import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests import examples
from tests.networks import RandomNetwork, study_of
from zirkel.core.frames import Frame, Placement
from zirkel.core.network.solve import solve
from zirkel.core.sheet.fit import longest, offers, overruns, placement_like
from zirkel.core.sheet.plan import free_space, make_plan
from zirkel.core.sightings import Drop, Level
from zirkel.core.study import Margins, Sheet
from zirkel.core.values.lengths import say_length

FRAME = Frame(0.0, 2.0, 0.0, 3.0)


def sheet(width, height, margin=10.0):
    return Sheet(width, height, Margins.even(margin))


class Offers(unittest.TestCase):
    def study(self, **how):
        return replace(study_of({"a": (0.0, 0.0), "b": (0.0, 1.0)}), sheet=sheet(220, 320), **how)

    def test_round_lengths_and_their_cost(self):
        """200 x 300 free for 2 x 3 units: 100 mm at most. 50 mm loses 50 * 3 at the far end."""
        made = offers(self.study(), FRAME, False, {})
        self.assertEqual([each.unit_mm for each in made], [100.0])
        tight = offers(replace(self.study(), sheet=sheet(217, 320)), FRAME, False, {})
        self.assertEqual([each.unit_mm for each in tight], [98.5, 98.0, 95.0, 90.0, 80.0, 50.0])
        self.assertAlmostEqual(tight[-1].cost_mm, (98.5 - 50.0) * 3.0)
        self.assertTrue(all(each.fits for each in tight))

    def test_a_fixed_length_is_named_whether_it_fits_or_not(self):
        made = offers(self.study(), FRAME, False, {"sight-size": 110.0})
        self.assertEqual((made[-1].why, made[-1].fits), ("sight-size", False))
        self.assertAlmostEqual(made[-1].cost_mm, -30.0)

    def test_inches(self):
        made = offers(self.study(), FRAME, True, {})
        self.assertEqual(say_length(made[0].unit_mm, True), "3 7/8 in")
        self.assertEqual([say_length(mm, True) for mm in (25.4, 12.7, 6.35, 101.6, 0.0)],
                         ["1 in", "1/2 in", "1/4 in", "4 in", "0 in"])  # fmt: skip

    def test_the_plan_rounds_in_the_artist_s_own_system(self):
        study = replace(self.study(), frame=FRAME, sheet=sheet(217, 320))
        self.assertAlmostEqual(make_plan(study, solve(study)).unit_mm, 95.0)
        inches = replace(study, inches=True)
        self.assertAlmostEqual(make_plan(inches, solve(inches)).unit_mm, 3.75 * 25.4)

    @examples(40)
    @given(st.integers(0, 500), st.floats(80, 900), st.floats(80, 900), st.floats(0, 30),
           st.booleans())  # fmt: skip
    def test_every_offer_that_fits_fits(self, seed, width, height, margin, inches):
        network = RandomNetwork(seed, n=8, kinds="dl", firm=True)
        study = replace(network.study, sheet=sheet(width, height, margin), inches=inches)
        solution = solve(study)
        plan = make_plan(study, solution)
        self.assertTrue(plan.fits)
        for each in offers(study, plan.frame, inches, {}):
            sized = make_plan(replace(study, unit_mm=each.unit_mm), solution)
            self.assertEqual(sized.fits, each.fits)
            for mark in sized.marks.values():
                self.assertTrue(margin - 1e-6 <= mark.held_left_mm <= width - margin + 1e-6)
                self.assertTrue(margin - 1e-6 <= mark.held_top_mm <= height - margin + 1e-6)

    def test_longest_is_exactly_what_the_free_space_holds(self):
        study = self.study()
        most = longest(FRAME, *free_space(study))
        self.assertAlmostEqual(most, 100.0)
        self.assertEqual(longest(Frame(1, 1, 1, 1), 100, 100), math.inf)


class Overruns(unittest.TestCase):
    def test_a_foot_that_could_run_off(self):
        """One sd of 0.03 at 100 mm a unit is 3 mm, so 6 mm surely. On the margin, 10 mm inside the
        sheet: 6 mm into the margin, and 4 mm short of the sheet's edge."""
        study = replace(
            study_of(
                {"a": (0.0, 0.0), "b": (0.0, 1.0), "foot": (0.2, 3.0)},
                (
                    Level(id="l", start="a", end="foot", offset=3.0, sigma=0.03),
                    Drop(id="d", start="a", end="foot", offset=0.2),
                    Drop(id="e", start="a", end="b", offset=0.0),
                ),
            ),
            sheet=sheet(220, 320),
            frame=FRAME,
        )
        solution = solve(study)
        plan = make_plan(study, solution)
        self.assertEqual(plan.unit_mm, 100.0)
        found = overruns(study, plan)
        foot = next(each for each in found if each.edge == "bottom")
        self.assertEqual(foot.landmark, "foot")
        self.assertAlmostEqual(foot.beyond_margin_mm, 6.0, places=6)
        self.assertAlmostEqual(foot.beyond_sheet_mm, -4.0, places=6)
        bare = replace(study, sheet=sheet(200, 300, 0.0))
        worst = overruns(bare, make_plan(bare, solution))[0]
        self.assertAlmostEqual(worst.beyond_sheet_mm, 6.0, places=6)

    def test_the_same_spot_as_on_the_reference(self):
        whole = Frame(0.0, 10.0, 0.0, 10.0)
        made = placement_like(Frame(1.0, 5.0, 4.0, 9.0), whole)
        self.assertEqual(made, Placement(1 / 6, 4 / 5))
        self.assertEqual(placement_like(whole, whole), Placement(0.5, 0.5))


if __name__ == "__main__":
    unittest.main()
