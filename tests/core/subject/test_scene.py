"""Scenes: landmarks sit on what is drawn, edges said to be parallel are, the box holds
everything."""

import unittest
from dataclasses import replace

import numpy as np
import shapely
from hypothesis import given
from hypothesis import strategies as st

from tests import examples
from tests.core.subject.scenes import block, scene_of
from zirkel.core.simulation.artist import holding, sightable
from zirkel.core.subject.picture import box_of, picture_of
from zirkel.core.subject.scene import (
    SceneLandmark,
    hulls,
    landmark_points,
    seen_landmarks,
    truth_in_units,
    unit_length,
    view_of,
)
from zirkel.core.subject.solids import Turned
from zirkel.core.subject.station import Station
from zirkel.scenes import shipped_scenes

SCENES = st.sampled_from(sorted(shipped_scenes()))
ON_IT = 0.035
"""How far from what is drawn a landmark may be seen, as a share of the scene's own picture."""


class Shipped(unittest.TestCase):
    def test_every_landmark_is_seen_on_what_is_drawn(self):
        """Each lies on the outline of some solid, or within it, as seen: none floats beside it."""
        for name, scene in shipped_scenes().items():
            picture = picture_of(scene, scene.station)
            whole = shapely.union_all([a.shape for a in picture.areas if a.tone != "cast"])
            left, top, right, bottom = picture.box
            reach = ON_IT * max(right - left, bottom - top)
            for landmark, place in seen_landmarks(scene, scene.station).items():
                off = shapely.distance(whole, shapely.Point(place))
                self.assertLess(off, reach, f"{name}: {landmark}")

    def test_edges_that_are_said_to_be_parallel_are(self):
        for name, scene in shipped_scenes().items():
            points = landmark_points(scene, view_of(scene, scene.station))
            for family, (edges, level) in scene.families.items():
                ways = [points[b] - points[a] for a, b in edges]
                ways = [way / np.linalg.norm(way) for way in ways]
                for way in ways[1:]:
                    self.assertLess(np.linalg.norm(np.cross(ways[0], way)), 0.02, (name, family))
                if level:
                    self.assertLess(max(abs(float(way[2])) for way in ways), 0.02, (name, family))

    def test_enough_can_be_seen_of_each_from_its_own_station(self):
        for name, scene in shipped_scenes().items():
            seen = sightable(scene, scene.station)
            self.assertGreaterEqual(len(seen), 0.8 * len(scene.landmarks), name)
            self.assertIn(scene.unit.start, seen)
            self.assertIn(scene.unit.end, seen)

    def test_the_unit_is_a_good_one_to_hold_a_stick_to(self):
        """Between 2 and 40 cm on the stick: big enough to read, small enough to hold."""
        for name, scene in shipped_scenes().items():
            self.assertTrue(20.0 < holding(scene, scene.station).unit_on_stick_mm < 400.0, name)

    @examples(8)
    @given(SCENES, st.floats(-40.0, 40.0), st.floats(0.9, 2.0))
    def test_the_box_holds_all_that_is_drawn(self, name, turn, further):
        scene = shipped_scenes()[name]
        station = replace(scene.station, direction_deg=turn,
                          distance_mm=scene.station.distance_mm * further)  # fmt: skip
        left, top, right, bottom = box_of(scene, station)
        for area in picture_of(scene, station).areas:
            x0, y0, x1, y1 = area.shape.bounds
            self.assertTrue(left <= x0 and x1 <= right and top <= y0 and y1 <= bottom)

    @examples(20)
    @given(SCENES, st.floats(1.0, 4.0))
    def test_from_far_away_proportions_come_to_rest(self, name, further):
        """Stepping back changes proportions less and less: at thirty times the distance, doubling
        it moves no landmark by more than 4 % of a unit of the whole."""
        scene = shipped_scenes()[name]
        far = replace(scene.station, distance_mm=scene.station.distance_mm * 30.0 * further)
        doubled = replace(far, distance_mm=2.0 * far.distance_mm)
        a, b = (truth_in_units(seen_landmarks(scene, s), scene.unit) for s in (far, doubled))
        spread = max(float(np.hypot(*place)) for place in a.values())
        moved = max(float(np.hypot(*(a[n] - b[n]))) for n in a)
        self.assertLess(moved, 0.04 * spread)


class Landmarks(unittest.TestCase):
    def test_contour_points_wander_with_the_artist_and_fixed_ones_do_not(self):
        can = Turned("turned", "can", (0.0, 0.0, 0.0), [(100.0, 0.0), (100.0, 300.0)])
        marks = (
            SceneLandmark("edge", "Edge", 1, on="can", ring=1, side="right"),
            SceneLandmark("foot", "Foot", 1, (0.0, 0.0, 0.0)),
            SceneLandmark("top", "Top", 1, (0.0, 0.0, 300.0)),
        )
        scene = scene_of(can, landmarks=marks)
        one, other = (
            landmark_points(scene, view_of(scene, Station(2000.0, 150.0, turn))) for turn in (0, 90)
        )
        self.assertEqual(one["foot"].tolist(), other["foot"].tolist())
        self.assertAlmostEqual(float(one["edge"][0]), 100.0 * np.sqrt(1 - 0.05**2), places=6)
        self.assertAlmostEqual(float(other["edge"][0]), -100.0 * 0.05, places=6)

    def test_counting_does_not_depend_on_the_scale_of_the_world(self):
        small = scene_of(block("b", (0.0, 0.0, 0.0), (200.0, 80.0, 1000.0)))
        large = scene_of(
            block("b", (0.0, 0.0, 0.0), (2000.0, 800.0, 10_000.0)),
            landmarks=tuple(replace(m, at=tuple(10.0 * v for v in m.at)) for m in small.landmarks),
        )
        near, far = Station(4000.0, 500.0, 17.0), Station(40_000.0, 5000.0, 17.0)
        a, b = (seen_landmarks(s, t) for s, t in ((small, near), (large, far)))
        self.assertAlmostEqual(unit_length(a, small.unit), unit_length(b, large.unit))

    def test_a_unit_without_length_gives_no_truth(self):
        scene = scene_of(block("b", (0.0, 0.0, 0.0), (10.0, 10.0, 10.0)))
        same = {"top": np.zeros(2), "foot": np.zeros(2)}
        self.assertEqual(truth_in_units(same, scene.unit), {})

    def test_hulls_for_plan_and_side(self):
        scene = scene_of(block("b", (100.0, 50.0, 0.0), (200.0, 80.0, 1000.0)))
        (plan,) = hulls(scene, np.array([[1.0, 0, 0], [0, 1.0, 0]]), scene.extent.middle)
        self.assertEqual(sorted(set(np.round(plan[:, 0]))), [-100.0, 100.0])
        self.assertEqual(sorted(set(np.round(plan[:, 1]))), [-40.0, 40.0])


if __name__ == "__main__":
    unittest.main()
