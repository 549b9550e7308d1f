"""From a photograph to the sheet and back, and how sure a click on it is."""

import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from tests import examples
from zirkel.core.check.photograph import bent, flattening, homography, proportions, unbent
from zirkel.core.drawn import Photograph
from zirkel.demo.photograph import Camera, to_pixels

A3 = (420.0, 297.0)
NAME = "a" * 64


def taken(camera, size=A3, found=True):
    corners = np.array([(0, 0), (size[0], 0), size, (0, size[1])])
    at = to_pixels(camera, size, corners)
    return Photograph(NAME, camera.width, camera.height,
                      tuple((float(x), float(y)) for x, y in at), camera.bend, found)  # fmt: skip


CAMERAS = st.builds(
    Camera, back_deg=st.floats(-35, 35), side_deg=st.floats(-30, 30), turn_deg=st.floats(-15, 15),
    bend=st.floats(-0.05, 0.05), fill=st.floats(0.5, 0.95),
)  # fmt: skip


class Flattened(unittest.TestCase):
    @examples(40)
    @given(CAMERAS)
    def test_every_place_comes_back(self, camera):
        """Rendered by a camera model of its own, read by the corners alone."""
        places = np.random.default_rng(1).uniform((0, 0), A3, (20, 2))
        flat = flattening(taken(camera), A3)
        pixels = to_pixels(camera, A3, places)
        np.testing.assert_allclose(flat.to_sheet(pixels), places, atol=1e-3)
        np.testing.assert_allclose(flat.to_picture(places), pixels, atol=1e-3)

    @examples(40)
    @given(CAMERAS)
    def test_the_sheet_shows_its_proportions(self, camera):
        shown = proportions(taken(camera))
        if abs(camera.back_deg) + abs(camera.side_deg) > 12:
            self.assertAlmostEqual(shown, 420 / 297, delta=0.13)

    def test_a_lens_unbends_what_it_bent(self):
        at = np.random.default_rng(2).uniform(-0.9, 0.9, (50, 2))
        for bend in (-0.1, 0.0, 0.1):
            np.testing.assert_allclose(unbent(bent(at, bend), bend), at, atol=1e-9)

    def test_a_square_seen_askew(self):
        """Worked by hand: (0,0) (2,0) (1.5,1) (0.5,1) is the unit square seen from below; its
        middle is where the diagonals cross, at (1, 2/3)."""
        h = homography(np.array([(0, 0), (2, 0), (1.5, 1), (0.5, 1)], float),
                       np.array([(0, 0), (1, 0), (1, 1), (0, 1)], float))  # fmt: skip
        middle = h @ np.array([1.0, 2.0 / 3.0, 1.0])
        np.testing.assert_allclose(middle[:2] / middle[2], (0.5, 0.5), atol=1e-9)


class Sureness(unittest.TestCase):
    def test_clicks_come_back_as_surely_as_is_said(self):
        """Corners and clicks with their errors, 300 times: the scatter is what `spread` says, to a
        tenth; without the paper's own part, which is not simulated."""
        camera = Camera(back_deg=25, side_deg=-15)
        rng = np.random.default_rng(3)
        exact = taken(camera, found=False)
        places = rng.uniform((20, 20), (400, 277), (12, 2))
        pixels = to_pixels(camera, A3, places)
        off = []
        for _ in range(300):
            corners = np.array(exact.corners) + rng.normal(0, 1.5, (4, 2))
            moved = Photograph(NAME, camera.width, camera.height,
                               tuple(map(tuple, corners.tolist())), camera.bend)  # fmt: skip
            clicked = pixels + rng.normal(0, 1.2, pixels.shape)
            off.append(flattening(moved, A3).to_sheet(clicked) - places)
        seen = np.sqrt((np.array(off) ** 2).mean(axis=(0, 2)))
        said = np.sqrt(flattening(exact, A3).spread(places) ** 2 - 0.3**2)
        np.testing.assert_allclose(seen, said, rtol=0.12)

    def test_found_corners_are_surer_than_set_ones(self):
        camera = Camera()
        at = np.array([(200.0, 150.0)])
        found, by_hand = (
            flattening(taken(camera, found=f), A3).spread(at)[0] for f in (True, False)
        )
        self.assertLess(found, by_hand)


class Corners(unittest.TestCase):
    def problem(self, *corners):
        return Photograph(NAME, 1000, 800, corners).problem()

    def test_corners_that_make_no_sheet_are_told_apart(self):
        self.assertIsNone(self.problem((10, 10), (900, 20), (880, 700), (30, 690)))
        self.assertIn("wrong way", self.problem((10, 10), (30, 690), (880, 700), (900, 20)))
        self.assertIn("cross", self.problem((10, 10), (880, 700), (900, 20), (30, 690)))
        self.assertIn("one line", self.problem((10, 10), (100, 100), (300, 300), (700, 700)))
        self.assertIn("one spot", self.problem((10, 10), (12, 11), (880, 700), (30, 690)))


if __name__ == "__main__":
    unittest.main()
