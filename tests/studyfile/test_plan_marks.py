"""A plan taken along as SVG, changed as drawing programs change it, is read back as a drawing."""

import re
import unittest
from dataclasses import replace

from tests.networks import RandomNetwork
from zirkel.commands.tables import ReadTable
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper import PAPERS
from zirkel.studyfile.plan_marks import MARK, is_plan, read_plan

LAYERS = ("sheet", "ticks", "box", "plumb", "shapes", "depth", "marks", "loose")


class ReadBack(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        study = RandomNetwork(5, n=9, per=4, kinds="sstdl", firm=True).study
        cls.study = replace(study, title="Jug & pot", unit_mm=60.0)
        cls.worked = Worked(cls.study)
        cls.plan = PAPERS["plan"].make(cls.worked).decode()
        cls.held = {
            name: (mark.held_left_mm, mark.held_top_mm)
            for name, mark in cls.worked.plan.marks.items()
            if cls.worked.standing[name] != "loose"
        }

    def near(self, found, moved=()):
        self.assertEqual(set(found), set(self.held))
        for name, at in self.held.items():
            dx, dy = dict(moved).get(name, (0.0, 0.0))
            self.assertAlmostEqual(found[name][0], at[0] + dx, delta=0.02)
            self.assertAlmostEqual(found[name][1], at[1] + dy, delta=0.02)

    def read(self, plan):
        return read_plan(plan.encode(), self.study)

    def test_its_layers_have_names(self):
        for name in LAYERS:
            self.assertIn(f'<g id="{name}">', self.plan)

    def test_unmoved_it_is_the_plan(self):
        self.near(self.read(self.plan))

    def test_a_mark_moved_by_a_transformation_of_its_group(self):
        name = sorted(self.held)[0]
        before, after = self.plan.split(f'<path id="{MARK}{name}"')
        head, group = before.rsplit("<g ", 1)
        plan = f'{head}<g transform="translate(7,-3.5)" {group}<path id="{MARK}{name}"{after}'
        self.near(self.read(plan), [(name, (7.0, -3.5))])

    def test_a_mark_whose_cross_was_written_anew(self):
        name = sorted(self.held)[1]
        x, y = self.held[name]
        plan = re.sub(
            rf'(<path id="{MARK}{name}" d=")[^"]*"',
            rf'\1m {x + 2},{y + 4} h 4 m -2,-2 v 4"', self.plan,
        )  # fmt: skip
        self.near(self.read(plan), [(name, (4.0, 4.0))])

    def test_in_other_units_and_moved_as_a_whole(self):
        """As from a program that counts in points and puts the sheet elsewhere on its page."""
        inside = self.plan.split("</title>", 1)[1].rsplit("</svg>", 1)[0]
        plan = (
            '<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="900pt" '
            'height="1300pt" viewBox="0 0 900 1300">'
            f'<g transform="matrix(2.834646,0,0,2.834646,40,25)">{inside}</g></svg>'
        )
        self.near(self.read(plan))

    def test_it_comes_in_where_tables_do_and_keeps_what_it_does_not_have(self):
        gone, kept = sorted(self.held)[:2]
        plan = re.sub(rf'<path id="{MARK}{gone}"', "<path", self.plan)
        after = ReadTable(table=plan).made(replace(self.study, drawn={gone: (1.0, 2.0)}))
        self.assertEqual(after.drawn[gone], (1.0, 2.0))
        self.assertAlmostEqual(after.drawn[kept][0], self.held[kept][0], delta=0.02)
        self.assertFalse(is_plan(b"landmark,from_left_mm\n"))

    def test_what_is_wrong_is_said(self):
        cases = (
            (self.plan.replace("the-sheet", "rect1"), "keep the layer “sheet”"),
            (self.plan.replace(MARK, "path"), "no mark of this study"),
            (self.plan[: len(self.plan) // 2], "no SVG that can be read"),
            ("<html><p>not a plan</p></html>", "no SVG that can be read"),
            ('<!DOCTYPE svg [<!ENTITY a "b">]>' + self.plan, "declares entities"),
            (re.sub(r'(id="the-sheet" width=")', r"\g<1>9", self.plan), "another proportion"),
        )
        for plan, said in cases:
            with self.subTest(said), self.assertRaisesRegex(BadInput, said):
                self.read(plan)


if __name__ == "__main__":
    unittest.main()
