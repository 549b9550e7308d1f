"""How a picture is looked at, pixel by pixel; scenes as SVG; the print at true size."""

import unittest
import xml.etree.ElementTree as ET
from dataclasses import replace

import numpy as np
from PIL import Image

from tests.pictures.images import drawing
from zirkel.core.study import PictureSubject
from zirkel.core.subject.flat import on_canvas
from zirkel.core.subject.picture import picture_of
from zirkel.core.tones.grey import lightness_of_luminance
from zirkel.pictures.scene_svg import scene_svg
from zirkel.pictures.views import LINEAR, flat_tones, grey_of, looked_at
from zirkel.scenes import shipped_scenes

WHOLE = PictureSubject("0" * 64, 400, 300)


def look(longest=400, **how):
    return looked_at(drawing(), replace(WHOLE, **how), longest)


class Looking(unittest.TestCase):
    def test_turned_places_show_what_was_there(self):
        """A white corner's middle stays white wherever turning carries it."""
        for turn in (0.0, 17.0, -33.0, 90.0, 180.0):
            shown = look(longest=2000, turn_deg=turn)
            at = on_canvas(replace(WHOLE, turn_deg=turn), np.array([[50.0, 37.0], [300.0, 225.0]]))
            white, black = (shown.getpixel((int(x), int(y)))[0] for x, y in at)
            self.assertGreater(white, 240, turn)
            self.assertLess(black, 15, turn)

    def test_cropped_and_scaled(self):
        shown = look(longest=100, crop=(0.5, 0.5, 1.0, 1.0))
        self.assertEqual(shown.size, (100, 75))
        self.assertEqual(shown.getpixel((50, 40)), (0, 0, 0))

    def test_squint_smooths_and_keeps_the_mean(self):
        sharp, soft = np.asarray(look()).astype(float), np.asarray(look(squint=20)).astype(float)
        self.assertLess(
            np.abs(np.diff(soft, axis=1)).max(), 0.2 * np.abs(np.diff(sharp)).max() + 60
        )
        light, mixed = LINEAR[sharp.astype(int)].mean(), LINEAR[soft.astype(int)].mean()
        self.assertGreater(mixed, 0.9 * light)
        self.assertLess(mixed, 1.02 * light)

    def test_contrast_spreads_about_the_mean(self):
        flat, strong = (np.asarray(look(contrast=c)).astype(float) for c in (0.5, 1.5))
        self.assertLess(flat.std(), np.asarray(look()).astype(float).std())
        self.assertGreater(strong.std(), flat.std())

    def test_so_many_flat_tones_where_they_serve_best(self):
        """A picture of exactly three greys keeps them; a ramp in two tones is cut where the
        lightness is half: L* = 50 lies between the codes 118 and 119, so nearly there."""
        self.assertEqual(np.unique(np.asarray(look(tones=3))).tolist(), [0, 128, 255])
        ramp = Image.fromarray(np.tile(np.arange(256, dtype=np.uint8), (8, 1)))
        two = np.asarray(flat_tones(ramp, 2))[0, :, 0]
        self.assertEqual(len(np.unique(two)), 2)
        self.assertAlmostEqual(int((two == two[0]).sum()), 119, delta=1)

    def test_greys_are_by_lightness(self):
        """Pure red has Y = 0.2126, L* = 116 * 0.2126^(1/3) - 16 = 53.2; so has the grey of code
        127. By encoded luma it came out at 76, L* 32."""
        red = Image.new("RGB", (4, 4), (255, 0, 0))
        self.assertEqual(grey_of(red).getpixel((1, 1)), (127, 127, 127))
        self.assertAlmostEqual(float(lightness_of_luminance(np.array(0.2126))), 53.23, places=2)
        for grey in (0, 1, 20, 128, 200, 255):
            same = grey_of(Image.new("RGB", (2, 2), (grey, grey, grey)))
            self.assertEqual(same.getpixel((0, 0)), (grey, grey, grey))


class Scenes(unittest.TestCase):
    def test_every_scene_is_clean_svg_without_scripts(self):
        for name, scene in shipped_scenes().items():
            with self.subTest(name):
                root = ET.fromstring(scene_svg(picture_of(scene, scene.station)))
                tags = {each.tag.split("}")[1] for each in root.iter()}
                self.assertEqual(tags, {"svg", "g", "path"})
                width, height = (float(v) for v in root.attrib["viewBox"].split()[2:])
                self.assertAlmostEqual(max(width, height), 1000.0, places=1)
                for path in root.iter("{http://www.w3.org/2000/svg}path"):
                    numbers = [float(v) for v in
                               path.attrib["d"].replace("M", " ").replace("Z", " ")
                               .replace(",", " ").split()]  # fmt: skip
                    self.assertGreaterEqual(min(numbers, default=0.0), -1.0)
                    self.assertLessEqual(max(numbers, default=0.0), 1001.0)

    def test_one_scene_at_least_for_each_kind_of_work(self):
        works = {scene.work for scene in shipped_scenes().values()}
        self.assertEqual(works, {"still life", "portrait", "figure", "architecture", "flat design"})


if __name__ == "__main__":
    unittest.main()
