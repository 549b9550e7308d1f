"""Each school's own arithmetic, and what it allows where the drawing isn't at sight-size."""

import unittest
from dataclasses import replace

import numpy as np

from tests.networks import RandomNetwork
from zirkel.commands.settings import SetMethod, SetUnitSize
from zirkel.core.schools import SCHOOLS, tables_of
from zirkel.core.schools.heights import heights, plumb_landmark
from zirkel.core.study import UnitLength
from zirkel.core.values.lengths import say_length
from zirkel.core.words.sight_size import say_taking_up
from zirkel.core.worked import Worked


def study_by(school, **changes):
    """A solved drawing by that school, with a unit of 60 mm."""
    study = RandomNetwork(5, n=12, per=4, kinds="sstdl", firm=True).study
    return replace(study, method=school, unit_mm=60.0, **changes)


class Tables(unittest.TestCase):
    def test_every_school_reckons_for_any_study_without_falling(self):
        for name in SCHOOLS:
            for table in tables_of(Worked(study_by(name))):
                self.assertTrue(table.title)
                for row in table.rows:
                    self.assertEqual(len(row), len(table.head), f"{name}: {table.title}")
                    self.assertNotIn("nan", " ".join(row))

    def test_in_inches_no_millimetre_is_said(self):
        for name in SCHOOLS:
            study = study_by(name)
            inches = replace(study, inches=True)
            for table in tables_of(Worked(inches)):
                self.assertNotRegex(" ".join(map(" ".join, table.rows)), r"\d mm", name)

    def test_dividers_carry_what_the_plan_has_between_the_marks(self):
        worked = Worked(study_by("dividers"))
        table = tables_of(worked)[0]
        names = {worked.words.of(each.id): each.id for each in worked.study.landmarks}
        for start, end, _, on_sheet in table.rows:
            a, b = (worked.plan.marks[names[each]] for each in (start, end))
            apart = np.hypot(
                a.held_left_mm - b.held_left_mm, a.held_top_mm - b.held_top_mm
            )  # what the table says must be what a rule on the finished plan shows
            self.assertEqual(on_sheet, say_length(float(apart), False))

    def test_heights_are_from_the_top_in_order_and_widths_from_a_landmark(self):
        worked = Worked(study_by("sight_size_life"))
        table, hung = heights(worked), plumb_landmark(worked)
        tops = [float(row[1].split()[0]) for row in table.rows]
        self.assertEqual(tops, sorted(tops))
        on_it = [row[0] for row in table.rows if row[2] == "on the plumb"]
        self.assertEqual(on_it, [worked.words.of(hung)])
        lefts = [mark.held_left_mm for mark in worked.plan.marks.values()]
        middle = (min(lefts) + max(lefts)) / 2
        away = abs(worked.plan.marks[hung].held_left_mm - middle)
        self.assertLess(away, (max(lefts) - min(lefts)) / 2)


class SightSize(unittest.TestCase):
    def test_heights_are_pulled_only_where_the_drawing_is_at_sight_size(self):
        for school in (each for each in SCHOOLS.values() if each.at_sight_size):
            study = study_by(school.name)
            self.assertFalse(Worked(study).at_sight_size)
            self.assertNotIn("pull", Worked(study).manners)
            self.assertIn("units", Worked(study).manners)
            fixed = Worked(replace(study, sight_size_mm=60.0))
            self.assertTrue(fixed.at_sight_size)
            self.assertEqual(fixed.manners, school.manners)
            larger = Worked(replace(study, sight_size_mm=60.0, unit_mm=66.0))
            self.assertFalse(larger.at_sight_size)
            self.assertIsNone(fixed.off_sight_size)
            self.assertIn("measure the unit from your spot", Worked(study).off_sight_size or "")
            self.assertIn("the unit measures 60 mm", larger.off_sight_size or "")

    def test_other_schools_keep_their_manners(self):
        for school in (each for each in SCHOOLS.values() if not each.at_sight_size):
            self.assertEqual(Worked(study_by(school.name)).manners, school.manners)
            self.assertIsNone(Worked(study_by(school.name)).off_sight_size)

    def test_what_is_read_in_millimetres_of_the_sheet_is_at_sight_size(self):
        study = study_by("sight_size_life", unit=UnitLength(1.0, "mm", "p0"))
        self.assertTrue(Worked(study).at_sight_size)

    def test_taking_up_the_school_sets_the_unit_where_its_size_is_known(self):
        study = study_by("comparative")
        after = SetMethod(method="sight_size_life", sight_size_mm=48.0).made(study)
        self.assertEqual((after.unit_mm, after.sight_size_mm), (48.0, 48.0))
        self.assertTrue(Worked(after).at_sight_size)
        unknown = SetMethod(method="sight_size_life").made(study)
        self.assertEqual((unknown.unit_mm, unknown.sight_size_mm), (60.0, None))
        other = SetMethod(method="grid", sight_size_mm=48.0).made(study)
        self.assertEqual((other.unit_mm, other.sight_size_mm), (60.0, None))

    def test_going_back_restores_what_the_unit_was(self):
        for own in (60.0, None):
            study = replace(study_by("comparative"), unit_mm=own)
            there = SetMethod(method="sight_size_life", sight_size_mm=48.0).made(study)
            again = SetMethod(method="sight_size_life", sight_size_mm=52.0).made(there)
            self.assertEqual(again.unit_mm, 52.0)
            back = SetMethod(method="comparative").made(again)
            self.assertEqual((back.unit_mm, back.unit_mm_elsewhere), (own, None))
        self.assertEqual(say_taking_up(Worked(study).words, 60.0, 60.0)[-17:], "mark where it is.")
        self.assertIn("to 48 mm; now it is 60 mm", say_taking_up(Worked(study).words, 60.0, 48.0))

    def test_another_size_is_remembered_as_not_sight_size(self):
        study = SetMethod(method="sight_size_life", sight_size_mm=48.0).made(
            study_by("comparative")
        )
        larger = SetUnitSize(unit_mm=60.0).made(study)
        self.assertEqual(larger.sight_size_mm, 48.0)
        self.assertFalse(Worked(larger).at_sight_size)
        measured = SetUnitSize(unit_mm=51.0, sight_size=True).made(study)
        self.assertTrue(Worked(measured).at_sight_size)


if __name__ == "__main__":
    unittest.main()
