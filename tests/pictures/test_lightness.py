"""Tones read off scenes and pictures, and off a photographed drawing in uneven light."""

import io
import tempfile
import unittest
from pathlib import Path

import numpy as np
from PIL import Image, ImageDraw

from zirkel.core.subject.scene import view_of
from zirkel.core.tones.grey import (
    grey_of,
    lightness_of_luminance,
    luminance,
    luminance_of_tone,
    tone_of,
)
from zirkel.pictures.drawn_tones import drawn_tones
from zirkel.pictures.lightness import picture_tones, scene_tones
from zirkel.rendering.render import rendered
from zirkel.scenes import shipped_scenes

BOXES = {
    "dark": ((60, 60), (200, 60), (200, 200), (60, 200)),
    "middle": ((200, 60), (340, 60), (340, 200), (200, 200)),
    "light": ((60, 240), (340, 240), (300, 330), (100, 330)),
}
TRUE = {"dark": 7.5, "middle": 4.6, "light": 2.4}


def painted(size=(420, 400), paper=1.0):
    """Luminance (h, w) of a sheet with flat areas."""
    picture = Image.new("F", size, luminance_of_tone(paper))
    draw = ImageDraw.Draw(picture)
    for name, outline in BOXES.items():
        draw.polygon(outline, fill=luminance_of_tone(TRUE[name]))
    return np.asarray(picture).astype(float)


def photographed(y, rng, noise=0.01):
    """JPEG bytes of luminance, with noise."""
    y = np.clip(y + rng.normal(0.0, noise, y.shape), 0.0, 1.0)
    c = np.where(y <= 0.0031308, 12.92 * y, 1.055 * y ** (1 / 2.4) - 0.055)
    grey = np.repeat((c * 255).round().astype(np.uint8)[..., None], 3, axis=2)
    out = io.BytesIO()
    Image.fromarray(grey).save(out, "JPEG", quality=90)
    return out.getvalue()


class Greys(unittest.TestCase):
    def test_there_and_back(self):
        for tone in np.linspace(1.0, 8.9, 12):
            self.assertAlmostEqual(
                tone_of(float(lightness_of_luminance(np.array(luminance_of_tone(tone))))), tone
            )
        self.assertEqual((grey_of(1.0), grey_of(9.0)), ("#ffffff", "#000000"))
        middle = int(grey_of(5.0)[1:3], 16)
        light = float(lightness_of_luminance(luminance(np.full(3, middle))))
        self.assertAlmostEqual(tone_of(light), 5.0, delta=0.03)


class ReadOff(unittest.TestCase):
    def test_areas_of_a_noisy_picture(self):
        rng = np.random.default_rng(1)
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "picture.jpg"
            path.write_bytes(photographed(painted(), rng, 0.02))
            found = picture_tones(path, BOXES | {"speck": ((1, 1), (2, 1), (2, 2))})
        self.assertEqual(set(found), set(BOXES))
        for name, tone in found.items():
            self.assertAlmostEqual(tone, TRUE[name], delta=0.15)

    def test_a_scene_s_own_light_and_shadow(self):
        """The box's top, its front and its side, of one colour: what most of each shows."""
        scene = shipped_scenes()["bottle_and_box"].in_light("low_left")
        seen = rendered(scene, scene.station, 300)
        box = next(each for each in scene.solids if each.id == "box")
        view = view_of(scene, scene.station)
        shapes = {
            face.patch: view.seen(face.corners).tolist()
            for face in box.faces()
            if face.normal() @ (face.corners[0] - view.eye) < 0
        }
        self.assertEqual(len(shapes), 3)
        found = scene_tones(seen, shapes | {"nowhere": [(9, 9), (9.1, 9), (9.1, 9.1)]})
        self.assertEqual(found.keys(), shapes.keys())
        facing = {face.patch: face.normal() @ np.array(scene.light) for face in box.faces()}
        order = sorted(found, key=found.__getitem__)
        self.assertEqual(order, sorted(found, key=lambda patch: -facing[patch]))
        self.assertGreater(found[order[-1]], found[order[0]] + 1.0)


class Drawn(unittest.TestCase):
    def test_the_light_across_the_sheet_is_evened_out(self):
        """A gradient of 30 % from corner to corner, paper white and toned."""
        for paper in (1.0, 3.5):
            for seed in range(4):
                rng = np.random.default_rng(seed)
                y = painted(paper=paper)
                rows, columns = np.mgrid[0 : y.shape[0], 0 : y.shape[1]]
                slope = rng.uniform(-1, 1, 2)
                slope /= np.abs(slope).sum()
                across = slope[0] * (rows / y.shape[0] - 0.5) + slope[1] * (
                    columns / y.shape[1] - 0.5
                )
                flat = photographed(0.8 * y * (1.0 + 0.3 * across), rng)
                found = drawn_tones(flat, BOXES, paper)
                for name, tone in found.items():
                    self.assertAlmostEqual(tone, TRUE[name], delta=0.4, msg=f"{paper} {name}")

    def test_without_bare_paper_nothing_is_told(self):
        whole = {"all": ((-50, -50), (470, -50), (470, 450), (-50, 450))}
        self.assertIsNone(
            drawn_tones(photographed(painted(), np.random.default_rng(0)), whole, 1.0)
        )


if __name__ == "__main__":
    unittest.main()
