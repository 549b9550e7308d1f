"""The recipe as the artist wants it: what stands stays, and the rest is reckoned again."""

import unittest

import numpy as np

from tests import times
from tests.core.sheet.test_recipe import UNIT, Steady, some_marks
from zirkel.core.sheet.recipe import Wishes, make_recipe
from zirkel.core.sheet.recipe.hand import follow
from zirkel.core.sheet.recipe.own import Own


class Otherwise(unittest.TestCase):
    """The artist pulls a landmark forward, places one by eye, leaves one out, or measures one."""

    def setUp(self):
        self.marks, self.tiers = some_marks(5)
        self.plain = make_recipe(self.marks, self.tiers, UNIT)
        self.order = [each.landmark for each in self.plain.constructions]

    def recipe(self, **own):
        return make_recipe(self.marks, self.tiers, UNIT, Wishes(own=Own(**own)))

    def test_what_stands_keeps_its_order_and_the_pulled_one_is_next(self):
        stands, pulled = self.order[:4], self.order[9]
        made = [e.landmark for e in self.recipe(order=(*stands, pulled)).constructions]
        self.assertEqual(made[:5], [*stands, pulled])
        self.assertEqual(set(made), set(self.marks))

    def test_nothing_is_placed_from_one_left_out_and_what_stood_before_is_as_it_was(self):
        gone = self.order[4]
        made = self.recipe(left_out=frozenset({gone})).constructions
        self.assertEqual({e.landmark for e in made}, set(self.marks) - {gone})
        self.assertNotIn(gone, {name for e in made for step in e.steps for name in step.via})
        self.assertEqual(made[:4], self.plain.constructions[:4])

    def test_one_by_eye_keeps_its_turn_and_tells_how_far_off_it_may_be(self):
        name = self.order[4]
        made = {e.landmark: e for e in self.recipe(by_eye=frozenset({name})).constructions}
        self.assertEqual(list(made)[:5], self.order[:5])
        self.assertEqual([step.manner for step in made[name].steps], ["eye"])
        extent = np.ptp(np.array(list(self.marks.values())), axis=0).max()
        self.assertAlmostEqual(made[name].sd_mm, np.sqrt(2) * 0.02 * extent)

    def test_what_fell_elsewhere_draws_nothing_after_it_along(self):
        first = self.order[2]
        x, y = self.marks[first]
        plain = self.recipe(fell={first: (x + 9.0, y - 6.0)})
        made = {e.landmark: e for e in plain.constructions}
        self.assertEqual(made[first].place, (x + 9.0, y - 6.0))
        self.assertIn(first, {n for e in plain.constructions for s in e.steps for n in s.via})
        lies = follow(plain, UNIT, Steady())
        for name, at in self.marks.items():
            if name != first:
                off = np.hypot(*(lies[name] - at))
                self.assertLess(off, max(10.0, made[name].sd_mm), name)

    def test_errors_are_as_told_whatever_is_done_otherwise(self):
        name, at = self.order[2], self.marks[self.order[2]]
        recipe = self.recipe(
            fell={name: (at[0] + 5.0, at[1])}, by_eye=frozenset({self.order[5]})
        )  # fmt: skip
        rng = np.random.default_rng(1)
        off = [
            [np.sum((lies[e.landmark] - self.marks[e.landmark]) ** 2) for e in recipe.constructions]
            for lies in (follow(recipe, UNIT, rng) for _ in range(times(200)))
        ]
        told = np.array([e.sd_mm for e in recipe.constructions])
        ratio = np.sqrt(np.mean(off, axis=0)) / told
        self.assertLess(np.abs(ratio - 1.0).max(), 0.25)


if __name__ == "__main__":
    unittest.main()
