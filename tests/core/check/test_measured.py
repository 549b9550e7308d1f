"""The drawing as measured: any mixture of ruler, stick and marks that determines something."""

import unittest
from dataclasses import replace

import numpy as np
from bench.checking import subject

from zirkel.core.check.measured import by_name, measured
from zirkel.core.drawn import Ruled
from zirkel.core.sightings import Span, Tilt
from zirkel.core.study import UnitLength
from zirkel.core.worked import Worked


class Ruler(unittest.TestCase):
    def setUp(self):
        self.study, self.worked = subject(3, 1.0)
        marks = self.worked.plan.marks
        self.true = {
            each.id: np.array([marks[each.id].held_left_mm + 7.0, marks[each.id].held_top_mm - 4.0])
            for each in self.study.landmarks
        }
        self.ids = list(self.true)

    def found(self, *ruled, **more):
        return measured(replace(self.study, ruled=ruled, **more), self.worked.plan)

    def from_edges(self, name, number, side="left", other="top"):
        x, y = self.true[name]
        sheet = self.study.sheet
        mm = {"left": x, "right": sheet.width_mm - x, "top": y, "bottom": sheet.height_mm - y}
        return (Ruled(f"{number}a", name, mm[side], side=side),
                Ruled(f"{number}b", name, mm[other], side=other))  # fmt: skip

    def assert_at(self, found, name, within=0.01):
        np.testing.assert_allclose(by_name(found)[name], self.true[name], atol=within)

    def test_from_any_two_edges(self):
        a, b = self.ids[:2]
        found = self.found(*self.from_edges(a, 1), *self.from_edges(b, 2, "right", "bottom"))
        self.assert_at(found, a)
        self.assert_at(found, b)
        self.assertLess(found.sd.max(), 2.0)

    def test_two_lengths_place_a_third(self):
        """A landmark that was only measured from two others lies where the arcs cross; the plan
        tells which of the two crossings."""
        a, b, c = self.ids[:3]
        arcs = [
            Ruled(f"r{i}", c, float(np.hypot(*(self.true[c] - self.true[one]))), start=one)
            for i, one in enumerate((a, b))
        ]
        found = self.found(*self.from_edges(a, 1), *self.from_edges(b, 2), *arcs)
        self.assert_at(found, c, 0.2)

    def test_a_plumb_line_drawn_anywhere(self):
        """Two landmarks measured from it lie as far apart as they are, and once one of them is
        known from the edge, so is the other."""
        a, b = self.ids[:2]
        line = 120.0
        beside = [
            Ruled(f"p{i}", name, float(self.true[name][0] - line), side="plumb")
            for i, name in enumerate((a, b))
        ]
        down = Ruled("d", b, float(self.true[b][1]), side="top")
        found = self.found(*self.from_edges(a, 1), *beside, down)
        self.assert_at(found, b)

    def test_what_was_measured_one_way_only_is_not_known(self):
        a = self.ids[0]
        found = self.found(self.from_edges(a, 1)[0])
        self.assertEqual(by_name(found), {})
        self.assertIsNone(Worked(replace(self.study, ruled=self.from_edges(a, 1))).checked)

    def test_a_misread_ruler_is_doubted_and_told_what_it_should_be(self):
        a, b, c = self.ids[:3]
        good = [*self.from_edges(a, 1), *self.from_edges(b, 2), *self.from_edges(c, 3)]
        long = float(np.hypot(*(self.true[b] - self.true[a])))
        wrong = Ruled("wrong", b, long + 10.0, start=a)
        also = Ruled("also", c, float(np.hypot(*(self.true[c] - self.true[b]))), start=b)
        found = self.found(*good, wrong, also)
        ((name, expected),) = found.doubts
        self.assertEqual(name, "wrong")
        self.assertAlmostEqual(expected, long, delta=0.5)

    def test_marks_and_ruler_together(self):
        a, b = self.ids[:2]
        found = self.found(*self.from_edges(a, 1), drawn={b: tuple(self.true[b])})
        self.assert_at(found, a)
        self.assert_at(found, b)


class Stick(unittest.TestCase):
    def sighted(self, study, place, length):
        """Every landmark sighted from the two before it, exactly, counted in the drawn unit."""
        ids, readings = list(place), []
        for i in range(1, len(ids)):
            for j in range(max(0, i - 2), i):
                d = place[ids[i]] - place[ids[j]]
                readings.append(Span(
                    id=f"s{i}_{j}", start=ids[j], end=ids[i], along="straight",
                    units=float(np.hypot(*d)) / length,
                ))  # fmt: skip
                readings.append(Tilt(
                    id=f"t{i}_{j}", start=ids[j], end=ids[i],
                    degrees=float(np.degrees(np.arctan2(d[0], -d[1])) % 180.0),
                ))  # fmt: skip
        return replace(study, resighted=tuple(readings))

    def test_ratios_and_tilts_alone_tell_the_proportions(self):
        """At four fifths of the planned size and elsewhere on the sheet: what the drawing has in
        common is its own, and against itself it is sound."""
        study, worked = subject(5, 1.0)
        marks = worked.plan.marks
        place = {
            each.id: 0.8 * np.array([marks[each.id].held_left_mm, marks[each.id].held_top_mm])
            + 30.0
            for each in study.landmarks
        }
        made = self.sighted(study, place, 0.8 * worked.plan.unit_mm)
        found = measured(made, worked.plan)
        self.assertTrue(found.afloat)
        there = np.array([place[name] for name in found.ids])
        a, b = (each - each.mean(axis=0) for each in (found.places, there))
        scale = float((a * b).sum() / (b * b).sum())
        self.assertLess(np.abs(a / scale - b).max(), 0.02 * np.ptp(b))
        self.assertTrue(Worked(made).checked.sound)

    def test_at_sight_size_lengths_are_millimetres(self):
        study, worked = subject(5, 1.0)
        marks = worked.plan.marks
        a, b = (each.id for each in study.landmarks[:2])
        place = {n: np.array([marks[n].held_left_mm, marks[n].held_top_mm]) for n in (a, b)}
        length = float(np.hypot(*(place[b] - place[a])))
        flat = replace(study, unit=UnitLength(1.0, "mm", a))
        d = place[b] - place[a]
        tilt = Tilt(id="t", start=a, end=b,
                    degrees=float(np.degrees(np.arctan2(d[0], -d[1])) % 180.0))  # fmt: skip
        span = Span(id="s", start=a, end=b, along="straight", units=length + 20.0)
        found = measured(
            replace(flat, resighted=(span, tilt), drawn={a: tuple(place[a])}), worked.plan
        )
        apart = np.hypot(*(np.array(by_name(found)[b]) - place[a]))
        self.assertAlmostEqual(apart, length + 20.0, delta=0.2)


if __name__ == "__main__":
    unittest.main()
