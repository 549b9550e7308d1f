"""Depth on the sheet of the shipped boathouse: whatever is drawn there leads where it says, in mm
of the sheet, and a drawing without a size has none of it."""

import unittest
from dataclasses import replace

import numpy as np

from zirkel.core.perspective.ellipses import Rounds, RoundSeen, eight_points
from zirkel.core.perspective.on_sheet import depth_on_sheet
from zirkel.core.space import Repeat
from zirkel.core.worked import Worked
from zirkel.demo.generate import FOLDER
from zirkel.studyfile.read import read_study


def on_line(point, a, b):
    """How far a point lies off the line through a and b."""
    point, a, b = (np.asarray(each, dtype=float) for each in (point, a, b))
    along = (b - a) / np.linalg.norm(b - a)
    off = point - a
    return abs(off[0] * along[1] - off[1] * along[0])


class Boathouse(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.study = read_study((FOLDER / "boathouse.zirkel.json").read_bytes())
        cls.worked = Worked(cls.study)
        cls.made = cls.worked.depth_on_sheet
        cls.unit = cls.worked.plan.unit_mm
        cls.origin = cls.worked.plan.origin_mm

    def family(self, name):
        return next(each for each in self.made.families if each.name == name)

    def with_(self, **changes):
        worked = self.worked
        study = replace(self.study, **changes)
        spots = worked.positions
        return depth_on_sheet(study, worked.plan, worked.perspective, worked.rounds, spots)

    def test_eye_level_and_vanishing_points_are_where_the_readings_say_in_mm(self):
        found = self.worked.perspective
        self.assertAlmostEqual(self.made.eye, self.origin[1] + self.unit * found.eye_level)
        for told in found.families:
            if told.point is None:
                continue
            expected = np.asarray(self.origin) + self.unit * np.asarray(told.point)
            np.testing.assert_allclose(self.family(told.name).point, expected)
            if told.level:
                self.assertAlmostEqual(self.family(told.name).point[1], self.made.eye, places=6)

    def test_lines_through_matching_ticks_go_through_the_vanishing_point(self):
        width, checked = self.study.sheet.width_mm, 0
        for each in self.made.families:
            if each.point is None:
                continue
            for left, right in zip(each.ticks.left_mm, each.ticks.right_mm, strict=True):
                a, b = np.array([0.0, left]), np.array([width, right])
                far = np.linalg.norm(np.asarray(each.point) - a)
                self.assertLess(on_line(each.point, a, b), 1e-6 * max(far, 1.0), each.name)
                checked += 1
        self.assertGreater(checked, 6)

    def test_the_fan_runs_from_its_edges_towards_the_point_and_stays_beside_the_sheet(self):
        width, checked = self.study.sheet.width_mm, 0
        for each in self.made.families:
            for near, far in each.fan:
                self.assertLess(on_line(each.point, near, far), 1e-6 * width * 100)
                self.assertTrue(-1e-9 <= far[0] <= width + 1e-9 or far == near)
                checked += 1
        self.assertGreater(checked, 3)

    def test_edges_are_told_by_their_own_landmarks(self):
        names = {each.id for each in self.study.landmarks}
        for each in self.made.families:
            self.assertTrue(each.edges, each.name)
            for edge in each.edges:
                self.assertLessEqual(set(edge), names)

    def test_posts_begin_with_the_two_that_were_sighted(self):
        (row,) = self.study.repeats
        (steps,) = self.made.steps
        self.assertEqual((steps.name, steps.trouble), (row.name, None))
        self.assertEqual(len(steps.made.posts), row.count)
        feet = np.array([foot for _, foot in steps.made.posts])
        tops = np.array([top for top, _ in steps.made.posts])
        for line in (feet, tops):
            for point in line[2:]:
                self.assertLess(on_line(point, line[0], line[1]), 1e-6)
        apart = np.linalg.norm(np.diff(feet, axis=0), axis=1)
        self.assertTrue(np.all(np.diff(apart) < 0) or np.all(np.diff(apart) > 0))

    def test_posts_that_can_t_be_drawn_say_why_and_those_not_yet_placed_wait(self):
        (row,) = self.study.repeats
        spots = self.worked.positions
        one = Repeat("One post", row.first, row.first, 5)
        nowhere = Repeat("Not yet", row.first, ("unseen", "unseen_too"), 5)
        self.assertLessEqual(set(row.first), set(spots))
        (told,) = self.with_(repeats=(one, nowhere)).steps
        self.assertEqual((told.name, told.made), ("One post", None))
        self.assertIn("choose four corners", told.trouble)

    def test_without_a_size_nothing_is_drawn(self):
        plan = replace(self.worked.plan, unit_mm=None)
        empty = depth_on_sheet(
            self.study, plan, self.worked.perspective, self.worked.rounds, self.worked.positions
        )
        self.assertEqual((empty.eye, empty.families, empty.ellipses, empty.steps),
                         (None, (), (), ()))  # fmt: skip


class Ellipses(unittest.TestCase):
    def test_the_eight_points_touch_the_box_and_the_long_axis_is_first(self):
        study = read_study((FOLDER / "boathouse.zirkel.json").read_bytes())
        worked = Worked(study)
        middle, long, short = np.array([0.4, -0.2]), np.array([0.5, 0.1]), np.array([-0.04, 0.2])
        rim = RoundSeen(
            "rim", "Rim", None, tuple(middle), 0.51, 0.204, 101.3, 0.4, 0.05, None, None,
            eight_points(middle, long, short),
        )  # fmt: skip
        rounds = Rounds((rim,), None, None, None, ())
        made = depth_on_sheet(study, worked.plan, worked.perspective, rounds, worked.positions)
        (told,) = made.ellipses
        points, box = np.array(told.points), np.array(told.box)
        self.assertEqual((points.shape, box.shape), ((8, 2), (4, 2)))
        unit, origin = worked.plan.unit_mm, np.array(worked.plan.origin_mm)
        np.testing.assert_allclose(points.mean(axis=0), origin + unit * middle, atol=1e-9)
        np.testing.assert_allclose(box.mean(axis=0), origin + unit * middle, atol=1e-9)
        for i in (0, 2, 4, 6):
            sides = [on_line(points[i], box[j], box[(j + 1) % 4]) for j in range(4)]
            self.assertLess(min(sides), 1e-9, f"point {i} touches no side")
        for i, axis in ((0, long), (2, short)):
            across = np.linalg.norm(points[i + 4] - points[i])
            self.assertAlmostEqual(across, 2.0 * unit * np.linalg.norm(axis), places=9)
        # Between the axes' ends the rim runs inside the box, seven tenths of the way to a corner.
        for i in (1, 3, 5, 7):
            away = np.linalg.norm(points[i] - origin - unit * middle)
            corner = min(np.linalg.norm(c - points[i]) for c in box)
            self.assertAlmostEqual(away / (away + corner), np.sqrt(0.5), places=9)


if __name__ == "__main__":
    unittest.main()
