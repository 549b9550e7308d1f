"""Lofts: closed, turned outwards, through their sections, their contour where it is seen."""

import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from tests import examples
from zirkel.core.subject.solids import Loft

STRAIGHT = [(0, 0, z, 50, 50) for z in (0, 100, 200, 300)]


def volume(faces) -> float:
    """By the divergence theorem: above zero where all faces look outwards."""
    total = 0.0
    for face in faces:
        a = face.corners[0]
        for b, c in zip(face.corners[1:], face.corners[2:], strict=False):
            total += float(a @ np.cross(b, c)) / 6.0
    return total


class Lofts(unittest.TestCase):
    def test_a_straight_one_is_a_rod_with_round_ends(self):
        rod = volume(Loft("loft", "rod", STRAIGHT, 64, 2).faces())
        closed = np.pi * 50**2 * 300 + 4 / 3 * np.pi * 50**3
        self.assertAlmostEqual(rod / closed, 1.0, delta=0.03)

    @examples(40)
    @given(
        st.lists(st.tuples(*[st.floats(-40, 40)] * 2, st.floats(10, 60)), min_size=2, max_size=7)
    )
    def test_every_edge_is_shared_by_two_faces_and_all_look_outwards(self, bends):
        sections = [(x, y, 90.0 * i, size, 0.8 * size) for i, (x, y, size) in enumerate(bends)]
        faces = Loft("loft", "any", sections, 9, 1).faces()
        edges = {}
        for face in faces:
            points = [tuple(np.round(each, 5)) for each in face.corners]
            for a, b in zip(points, [*points[1:], points[0]], strict=True):
                edges[a, b] = edges.get((a, b), 0) + 1
        for (a, b), count in edges.items():
            self.assertEqual((count, edges.get((b, a))), (1, 1))
        self.assertGreater(volume(faces), 0.0)

    def test_it_goes_through_its_sections(self):
        sections = [(0, 0, 0, 30, 20), (40, -60, 100, 50, 30), (0, -150, 160, 20, 20)]
        rings = Loft("loft", "limb", sections, 12, 3).rings()
        middles = np.array([each.mean(axis=0) for each in rings])
        for each in sections:
            self.assertLess(np.linalg.norm(middles - each[:3], axis=1).min(), 1e-6)

    def test_a_contour_point_is_the_furthest_to_its_side(self):
        rod = Loft("loft", "rod", STRAIGHT, 64, 2)
        eye = np.array([0.0, -3000.0, 150.0])
        for side, axis, sign in (
            ("left", 0, -1),
            ("right", 0, 1),
            ("front", 1, -1),
            ("back", 1, 1),
        ):
            point = rod.contour(1, side, eye)
            self.assertAlmostEqual(point[axis], sign * 50, delta=0.2)
            self.assertAlmostEqual(point[2], 100.0, places=6)
        self.assertIsNone(rod.contour(4, "left", eye))

    def test_what_cannot_be_is_said(self):
        for words, change in (
            ("lies where", {"sections": [STRAIGHT[0], STRAIGHT[0]]}),
            ("negative", {"sections": [(0, 0, 0, -1, 1), STRAIGHT[1]]}),
            ("2 to 80", {"sections": STRAIGHT[:1]}),
            ("3 to 96", {"sides": 2}),
            ("0 to 8", {"between": 9}),
        ):
            with self.assertRaisesRegex(ValueError, words):
                Loft(**({"kind": "loft", "id": "x", "sections": STRAIGHT} | change))
