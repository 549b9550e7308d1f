"""Depth drawn as it is known to be, told where families of edges say what runs back."""

import unittest
from dataclasses import replace

import numpy as np
from bench.perspective import families_of, seen_box, sighted

from zirkel.core.network.families import receding
from zirkel.core.words.checked import About
from zirkel.core.words.drawn_wrong import say_correction, say_fault
from zirkel.core.worked import Worked


class Depth(unittest.TestCase):
    def test_what_runs_back_too_long_is_told_as_that(self):
        """A box whose receding edges are drawn 1.3 times as long as they are seen, each far end
        away from its near one: the share is found within a third."""
        rng = np.random.default_rng(4)
        points, _ = seen_box(rng, False)
        study, _ = sighted(points, rng)
        worked = Worked(replace(study, families=families_of()))
        marks = {n: np.array([m.held_left_mm, m.held_top_mm]) for n, m in worked.plan.marks.items()}
        back = receding(worked.perspective, worked.positions)
        self.assertGreaterEqual(len(back), 6)
        drawn = {n: p + rng.normal(0, 0.4, 2) for n, p in marks.items()}
        for far in {far for _, far in back}:
            own = [marks[far] - marks[near] for near, end in back if end == far]
            drawn[far] = drawn[far] + 0.3 * np.mean(own, axis=0)
        made = Worked(replace(worked.study, drawn={
            n: (float(x), float(y)) for n, (x, y) in drawn.items()
        }))  # fmt: skip
        first = made.checked.diagnosis.faults[0]
        self.assertEqual(first.kind, "depth")
        self.assertAlmostEqual(first.amount["factor"], 1.3, delta=0.1)
        about = About(made.study, made.words, made.checked)
        self.assertIn("as you know it, not as you see it", say_fault(about, first))
        self.assertIn("far ends", say_correction(about, made.checked.orders[0]))

    def test_nothing_runs_back_where_nothing_is_said_of_it(self):
        rng = np.random.default_rng(4)
        study, _ = sighted(seen_box(rng, False)[0], rng)
        self.assertEqual(receding(Worked(replace(study, families=())).perspective, {}), [])


if __name__ == "__main__":
    unittest.main()
