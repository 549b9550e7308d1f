"""What depth puts on paper: matching ticks meet where the family does, and nothing joins marks."""

import unittest

import numpy as np

from tests.paper.drawn import pages
from zirkel.core.worked import Worked
from zirkel.demo.generate import FOLDER
from zirkel.paper import PAPERS
from zirkel.paper.depth_lines import Stroke, Word, depth_lines, say_ticks
from zirkel.studyfile.read import read_study


class OnPaper(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.worked = Worked(read_study((FOLDER / "boathouse.zirkel.json").read_bytes()))
        cls.depth = cls.worked.depth_on_sheet
        cls.sheet = cls.worked.study.sheet
        cls.lines = list(depth_lines(cls.depth, cls.sheet))

    def test_lines_through_ticks_of_one_number_meet_in_the_vanishing_point(self):
        family = next(f for f in self.depth.families if f.name == "along the house")
        x, y = family.point
        for left, right in zip(family.ticks.left_mm, family.ticks.right_mm, strict=True):
            at = left + (right - left) * x / self.sheet.width_mm
            self.assertLess(abs(at - y), 0.005 * np.hypot(x, y))

    def test_ticks_of_both_edges_carry_the_same_numbers(self):
        said = [each.said for each in self.lines if isinstance(each, Word)]
        ticks = sum(len(f.ticks.left_mm) for f in self.depth.families)
        numbers = [each for each in said if each.isdigit()]
        self.assertEqual(len(numbers), 2 * ticks)
        self.assertIn("eye level", said)
        self.assertEqual(len(say_ticks(self.depth)), 2)

    def test_the_posts_stand_in_the_row(self):
        (row,) = self.depth.steps
        strokes = [tuple(each.points) for each in self.lines if isinstance(each, Stroke)]
        for post in row.made.posts:
            self.assertIn(post, strokes)

    def test_marks_sheet_plan_and_recipe_carry_them(self):
        svg = PAPERS["plan"].make(self.worked).decode()
        self.assertIn(">eye level<", svg)
        self.assertGreater(svg.count('class="depth"'), 30)
        marks = pages(PAPERS["marks"].make(self.worked))[0]
        flat = [(a, b) for a, b in marks.segments() if abs(a[1] - b[1]) < 1e-6]
        eye = [
            s for s in flat if abs(s[0][1] - self.depth.eye) < 0.1 and abs(s[1][0] - s[0][0]) > 400
        ]
        self.assertEqual(len(eye), 1)
        self.assertGreater(len(PAPERS["recipe"].make(self.worked)), 5000)


if __name__ == "__main__":
    unittest.main()
