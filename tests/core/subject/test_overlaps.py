"""What stands before what, read off a scene: nearer before farther where both cover the same part
of the picture, whichever is named first, and nothing told where nothing is hidden."""

import unittest
from dataclasses import replace
from itertools import product

from tests.core.subject.scenes import block, scene_of
from zirkel.core.study import Shape
from zirkel.core.subject.overlaps import overlaps_of
from zirkel.core.subject.scene import SceneLandmark, view_of
from zirkel.scenes import shipped_scenes


def face(name, x, y, side, size=400.0):
    """Landmarks round an upright square, seen from the front, and its shape."""
    corners = [(0, 0), (1, 0), (1, 1), (0, 1)]
    marks = tuple(
        SceneLandmark(f"{name}{i}", name, 1, (x + a * size, y, side + b * size))
        for i, (a, b) in enumerate(corners)
    )
    return marks, Shape(name, name, tuple(mark.id for mark in marks), True)


class Told(unittest.TestCase):
    def told(self, *faces, shapes=None):
        marks = [mark for own, _ in faces for mark in own]
        scene = scene_of(block("a", (0, 0, 0), (100, 100, 1000)), landmarks=tuple(marks))
        return overlaps_of(scene, scene.station, shapes or [shape for _, shape in faces])

    def setUp(self):
        scene = scene_of(block("a", (0, 0, 0), (100, 100, 1000)))
        self.toward = 1 if view_of(scene, scene.station).eye[1] > 0 else -1

    def test_the_nearer_one_stands_before_the_other_in_either_order(self):
        front = face("front", 0, 300 * self.toward, 300)
        behind = face("behind", 100, -300 * self.toward, 350)
        for faces in ((front, behind), (behind, front)):
            self.assertEqual(self.told(*faces), [("front", "behind")])

    def test_side_by_side_or_at_one_depth_nothing_is_told(self):
        left, right = face("left", -900, 0, 300), face("right", 700, 200 * self.toward, 300)
        self.assertEqual(self.told(left, right), [])
        one, other = face("one", 0, 0, 300), face("other", 200, 0, 300)
        self.assertEqual(self.told(one, other), [])

    def test_a_part_does_not_stand_before_its_own_whole(self):
        front = face("front", 0, 300 * self.toward, 300)
        behind = face("behind", 100, -300 * self.toward, 350)
        shapes = [replace(front[1], part_of="behind"), behind[1]]
        self.assertEqual(self.told(front, behind, shapes=shapes), [])

    def test_a_line_hides_as_well_and_a_shape_unseen_is_left_out(self):
        front = face("front", 0, 300 * self.toward, 300)
        behind = face("behind", 100, -300 * self.toward, 350)
        line = replace(front[1], closed=False)
        self.assertEqual(self.told(front, behind, shapes=[line, behind[1]]), [("front", "behind")])
        gone = Shape("gone", "Gone", ("nowhere", "nowhere_too"), True)
        self.assertEqual(
            self.told(front, behind, shapes=[gone, front[1], behind[1]]), [("front", "behind")]
        )

    def test_no_pair_is_told_both_ways_in_any_shipped_scene(self):
        for (name, scene), turn in product(sorted(shipped_scenes().items()), (-20.0, 0.0, 25.0)):
            station = replace(scene.station, direction_deg=scene.station.direction_deg + turn)
            told = overlaps_of(scene, station, scene.shapes)
            self.assertEqual(len(told), len(set(told)), name)
            self.assertFalse({(b, a) for a, b in told} & set(told), name)
            known = {shape.id for shape in scene.shapes}
            self.assertLessEqual({each for pair in told for each in pair}, known)


if __name__ == "__main__":
    unittest.main()
