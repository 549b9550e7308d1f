"""Preparing pictures: upright, scaled, refused with a reason, within bounded memory."""

import io
import json
import subprocess
import sys
import unittest

import numpy as np
from PIL import Image

from tests.pictures.images import BAD_PICTURES, drawing, saved
from zirkel.errors import BadInput
from zirkel.pictures.prepare import LONGEST_KEPT, prepare

MEASURE = """
import json, resource, sys
sys.path.insert(0, ".")
from tests.pictures.images import BAD_PICTURES, drawing, saved
from zirkel.errors import BadInput
from zirkel.pictures.prepare import prepare
def peak():
    return resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
started = peak()
for data, _ in BAD_PICTURES.values():
    try:
        prepare(data)
    except BadInput:
        pass
refused = peak()
prepare(saved(drawing(8000, 6000), "JPEG"))
print(json.dumps({"refusing": refused - started, "a 48-megapixel photograph": peak() - refused}))
"""

LARGE = """
import io, resource, sys
from PIL import Image
from zirkel.pictures.prepare import prepare
out = io.BytesIO()
Image.new(sys.argv[1], (8000, 8000)).save(out, sys.argv[2], **(
    {"compress_level": 1} if sys.argv[2] == "PNG" else {}))
with open("/proc/self/clear_refs", "w") as clear:
    clear.write("5")
prepare(out.getvalue())
with open("/proc/self/status") as status:
    print(next(int(line.split()[1]) for line in status if line.startswith("VmHWM")) / 1024)
"""


def opened(data):
    picture = Image.open(io.BytesIO(data))
    picture.load()
    return picture


class Preparing(unittest.TestCase):
    def test_every_orientation_tag_ends_upright(self):
        """What a phone stores under each tag is the upright picture laid the other way."""
        back = {
            2: Image.Transpose.FLIP_LEFT_RIGHT,
            3: Image.Transpose.ROTATE_180,
            4: Image.Transpose.FLIP_TOP_BOTTOM,
            5: Image.Transpose.TRANSPOSE,
            6: Image.Transpose.ROTATE_90,
            7: Image.Transpose.TRANSVERSE,
            8: Image.Transpose.ROTATE_270,
        }
        for tag, lay in back.items():
            exif = Image.Exif()
            exif[0x0112] = tag
            made = prepare(saved(drawing().transpose(lay), "JPEG", exif=exif, quality=95))
            self.assertEqual((made.width, made.height), (400, 300), tag)
            picture = opened(made.data)
            self.assertGreater(picture.getpixel((20, 20))[0], 240, tag)
            self.assertLess(picture.getpixel((380, 280))[0], 15, tag)
            self.assertNotIn(0x0112, picture.getexif())

    def test_a_large_photograph_is_scaled_and_turned(self):
        exif = Image.Exif()
        exif[0x0112] = 6
        photo = drawing(6000, 4000).transpose(Image.Transpose.ROTATE_90)
        made = prepare(saved(photo, "JPEG", exif=exif))
        self.assertEqual((made.width, made.height), (LONGEST_KEPT, LONGEST_KEPT * 2 // 3))
        self.assertTrue(made.scaled)
        self.assertLess(opened(made.data).getpixel((2000, 1400))[0], 15)

    def test_kinds_kept(self):
        for kind, ending in (("PNG", "png"), ("JPEG", "jpg"), ("WEBP", "jpg")):
            made = prepare(saved(drawing(), kind))
            self.assertEqual((made.ending, made.scaled), (ending, False))

    def test_see_through_becomes_paper(self):
        clear = Image.new("RGBA", (64, 64), (0, 0, 0, 0))
        self.assertEqual(opened(prepare(saved(clear, "PNG")).data).getpixel((5, 5)), (255,) * 3)
        few = drawing().convert("P")
        self.assertEqual(opened(prepare(saved(few, "PNG")).data).mode, "RGB")

    def test_greys_of_sixteen_bits_keep_their_steps(self):
        steps = np.linspace(0, 65535, 64 * 48).reshape(48, 64).astype(np.uint16)
        out = io.BytesIO()
        Image.fromarray(steps).save(out, "PNG")
        kept = np.asarray(Image.open(io.BytesIO(prepare(out.getvalue()).data)).convert("L"))
        self.assertEqual((kept.min(), kept.max()), (0, 255))
        self.assertAlmostEqual(float(kept.mean()), 127.0, delta=1.0)

    def test_bad_ones_are_refused_with_a_reason(self):
        for name, (data, words) in BAD_PICTURES.items():
            with self.subTest(name), self.assertRaises(BadInput) as caught:
                prepare(data)
            self.assertEqual(caught.exception.field, "picture")
            self.assertIn(words, caught.exception.problem, name)

    def test_memory_stays_bounded(self):
        """In a process of its own: refusing takes the file's size and little more; a photograph of
        48 million pixels is never unpacked whole."""
        run = subprocess.run(
            [sys.executable, "-c", MEASURE], capture_output=True, text=True, check=True
        )
        peaks = json.loads(run.stdout)
        self.assertLess(peaks["refusing"], 250, peaks)
        self.assertLess(peaks["a 48-megapixel photograph"], 400, peaks)

    def test_sixty_four_million_pixels_of_any_mode_stay_within_bounds(self):
        modes = {"P": "PNG", "RGBA": "PNG", "I;16": "PNG", "CMYK": "JPEG"}
        for mode, kind in modes.items():
            run = subprocess.run(
                [sys.executable, "-c", LARGE, mode, kind],
                capture_output=True,
                text=True,
                check=True,
            )
            self.assertLess(float(run.stdout), 500, mode)
        webp = saved(drawing(5200, 5000), "WEBP")
        with self.assertRaisesRegex(BadInput, "24 million in all of WebP"):
            prepare(webp)


if __name__ == "__main__":
    unittest.main()
