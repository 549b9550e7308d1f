"""Hidden lines: what stands before hides what is behind, by areas and lengths worked by hand."""

import unittest

import numpy as np
import shapely

from tests.core.subject.scenes import STATION, block, scene_of
from zirkel.core.subject.picture import picture_of, visible
from zirkel.core.subject.scene import view_of
from zirkel.core.subject.solids import Ball, Prism
from zirkel.core.subject.station import Station

EYE_LEVEL = Station(4000.0, 500.0)


def area(picture, solid):
    return sum(each.shape.area for each in picture.areas if each.solid == solid)


class Hiding(unittest.TestCase):
    def test_a_wall_alone(self):
        """A wall of 1000 x 1000 mm, its face 3995 mm away: (1000/3995)^2. At eye height half-way
        up, straight on, its other faces are turned away."""
        scene = scene_of(block("wall", (0.0, 0.0, 0.0), (1000.0, 10.0, 1000.0)))
        self.assertAlmostEqual(
            area(picture_of(scene, EYE_LEVEL), "wall"), (1000 / 3995) ** 2, places=6
        )

    def test_a_part_of_a_wall_behind_another(self):
        """Seen straight on, a front wall from x = 0 to the right hides what of the back wall lies
        to the right of the middle: 250 of its 1000 mm."""
        floor = block("floor", (0.0, 0.0, -2.0), (4000.0, 2500.0, 1.0))
        back = block("back", (-250.0, 1000.0, 0.0), (1000.0, 10.0, 1000.0))
        front = block("front", (250.0, -1005.0, 0.0), (500.0, 10.0, 1000.0))
        with_front = picture_of(scene_of(back, front, floor), EYE_LEVEL)
        alone = picture_of(scene_of(back, floor), EYE_LEVEL)
        self.assertAlmostEqual(
            area(with_front, "back"), area(alone, "back") * (1.0 - 250.0 / 1000.0), delta=2e-4
        )

    def test_what_is_wholly_hidden_leaves_nothing(self):
        small = block("small", (0.0, 500.0, 100.0), (200.0, 10.0, 200.0))
        screen = block("screen", (0.0, -500.0, 0.0), (1000.0, 10.0, 1000.0))
        picture = picture_of(scene_of(small, screen), EYE_LEVEL)
        self.assertEqual(area(picture, "small"), 0.0)
        alone = picture_of(scene_of(screen, block("s", (0, 501, 0), (1, 1, 1))), EYE_LEVEL)
        self.assertAlmostEqual(picture.lines.length, alone.lines.length, delta=2e-3)

    def test_of_two_tops_in_one_plane_one_is_seen(self):
        """Two slabs of equal height that overlap by a quarter, from above: what is seen of both
        together is what is seen of a single slab as wide, and nothing is drawn twice."""
        high = Station(4000.0, 2500.0)
        one = block("one", (-250.0, 0.0, 0.0), (1000.0, 800.0, 100.0))
        two = block("two", (250.0, 0.0, 0.0), (1000.0, 800.0, 100.0))
        whole = block("whole", (0.0, 0.0, 0.0), (1500.0, 800.0, 100.0))
        both = picture_of(scene_of(one, two), high)
        single = area(picture_of(scene_of(whole), high), "whole")
        self.assertAlmostEqual(area(both, "one") + area(both, "two"), single, delta=0.01 * single)

    def test_what_reaches_behind_the_eye_is_cut_not_dropped(self):
        """A long table under the eye, from far ahead to behind it: its top is still seen."""
        table = block("table", (0.0, -2000.0, 0.0), (600.0, 8000.0, 50.0))
        lamp = block("lamp", (0.0, 1500.0, 50.0), (100.0, 100.0, 600.0))
        picture = picture_of(scene_of(table, lamp), Station(3000.0, 900.0))
        self.assertGreater(area(picture, "table"), 0.05)

    def test_where_solids_run_into_each_other_both_are_seen_in_part(self):
        """Two slabs crossing like an X, seen straight on: each is nearer on one side, so half of
        each is seen, and the line of their meeting stands upright in the middle."""
        one = block("one", (0.0, 0.0, 0.0), (1000.0, 4.0, 1000.0), 30.0)
        other = block("other", (0.0, 0.0, 0.0), (1000.0, 4.0, 1000.0), -30.0)
        picture = picture_of(scene_of(one, other), EYE_LEVEL)
        self.assertAlmostEqual(area(picture, "one"), area(picture, "other"), places=3)
        left = [a.shape.bounds for a in picture.areas if a.solid == "one"]
        self.assertLess(abs(min(b[0] for b in left)) - abs(max(b[2] for b in left)), 1.0)
        box = picture.lines.bounds
        middle = [
            line
            for line in picture.lines.geoms
            if abs(line.bounds[0]) < 2e-3 and abs(line.bounds[2]) < 2e-3
        ]
        self.assertTrue(middle)
        self.assertGreater(max(line.length for line in middle), 0.8 * (box[3] - box[1]))

    def test_nothing_is_drawn_twice_and_nothing_is_lost(self):
        """What is seen of the solids never overlaps, but for the hair's breadth by which a face
        must be nearer to stand before another; and it covers what their own outlines cover."""
        solids = (
            block("a", (0.0, 0.0, 0.0), (400.0, 300.0, 700.0), 20.0),
            Ball("ball", "b", (150.0, -200.0, 300.0), (200.0, 200.0, 200.0)),
            Prism("prism", "c", (-300.0, 100.0, 0.0), [(0, 0), (500, 0), (250, 900)], 80.0),
        )
        scene = scene_of(*solids)
        station = Station(4000.0, 900.0, 25.0)
        shapes = [a.shape for a in picture_of(scene, station).areas if a.tone != "cast"]
        together = shapely.union_all(shapes)
        overlap = sum(each.area for each in shapes) - together.area
        self.assertLess(abs(overlap), 1e-4 * together.area)
        view = view_of(scene, station)
        faces = [shapely.convex_hull(shapely.MultiPoint(view.seen(f.corners)))
                 for _, f in scene.faces]  # fmt: skip
        outline = shapely.union_all(faces)
        self.assertLess(outline.symmetric_difference(together).area, 1e-4 * together.area)

    def test_light_and_shadow(self):
        """Lit from the left, the left side of a turned box is light and its right side dark."""
        scene = scene_of(
            block("box", (0.0, 0.0, 0.0), (500.0, 500.0, 500.0), 45.0), light=(-1.0, 0.0, 0.3)
        )
        picture = picture_of(scene, Station(4000.0, 250.0))
        tones = {a.tone: a.shape for a in picture.areas if a.solid == "box"}
        self.assertLess(tones["light"].centroid.x, 0.0)
        self.assertGreater(tones["shadow"].centroid.x, 0.0)

    def test_a_dark_solid_and_solids_joined_as_one(self):
        blocks = (
            block("low", (0.0, 0.0, 0.0), (300.0, 300.0, 500.0)),
            block("high", (0.0, 0.0, 500.0), (300.0, 300.0, 500.0)),
        )
        apart = picture_of(scene_of(*blocks), EYE_LEVEL)
        joined = picture_of(scene_of(*blocks, joined=(("low", "high"),)), EYE_LEVEL)
        self.assertAlmostEqual(apart.lines.length - joined.lines.length, 300 / 3850, places=4)
        dark = picture_of(scene_of(*blocks, dark=frozenset({"low"})), EYE_LEVEL)
        self.assertEqual({a.tone for a in dark.areas if a.solid == "low"}, {"shadow"})


class Landmarks(unittest.TestCase):
    def test_a_point_behind_a_wall_cannot_be_sighted(self):
        scene = scene_of(
            block("wall", (0.0, -500.0, 0.0), (1000.0, 10.0, 1000.0)),
            block("far", (0.0, 900.0, 0.0), (10.0, 10.0, 10.0)),
        )
        points = np.array([[0.0, 800.0, 500.0], [1500.0, 800.0, 500.0], [0.0, -520.0, 500.0]])
        self.assertEqual(visible(scene, STATION, points).tolist(), [False, True, True])

    def test_behind_the_eye(self):
        scene = scene_of(block("wall", (0.0, 0.0, 0.0), (100.0, 10.0, 100.0)))
        self.assertFalse(visible(scene, STATION, np.array([[0.0, -5000.0, 500.0]]))[0])


if __name__ == "__main__":
    unittest.main()
