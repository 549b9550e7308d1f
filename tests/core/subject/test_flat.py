"""Pictures as subjects: there and back over turning and cropping, turning to true, computed
readings."""

import math
import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.commands.subject import MeasurePicture, ReadPicture
from zirkel.core.network.solve import solve
from zirkel.core.network.start import thumbnail_scale
from zirkel.core.schools.taking_up import taken_up
from zirkel.core.study import Landmark, PictureSubject, Sheet, Study, UnitLength, UnitPair
from zirkel.core.subject.flat import (
    COMPUTED,
    canvas_size,
    computed_readings,
    crop_box,
    on_canvas,
    on_picture,
    true_size,
    turn_to_true,
)
from zirkel.core.subject.sight import sight_size_of
from zirkel.errors import BadInput

PICTURE = PictureSubject("0" * 64, 800, 600)
ANYWHERE = st.tuples(st.floats(0, 800), st.floats(0, 600))


class Places(unittest.TestCase):
    @given(ANYWHERE, st.floats(-180, 180))
    def test_there_and_back_and_never_off_the_canvas(self, place, turn):
        picture = replace(PICTURE, turn_deg=turn)
        there = on_canvas(picture, np.array([place]))
        width, height = canvas_size(picture)
        self.assertTrue((there >= -1e-6).all() and (there <= [width + 1e-6, height + 1e-6]).all())
        self.assertTrue(np.allclose(on_picture(picture, there), [place], atol=1e-8))

    def test_a_quarter_turn_clockwise(self):
        """The top-left corner comes to the top right of a canvas of 600 x 800."""
        picture = replace(PICTURE, turn_deg=90.0)
        self.assertTrue(np.allclose(canvas_size(picture), (600.0, 800.0)))
        self.assertTrue(np.allclose(on_canvas(picture, np.array([[0.0, 0.0]])), [[600.0, 0.0]]))

    def test_crop_in_shares(self):
        self.assertEqual(
            crop_box(replace(PICTURE, crop=(0.25, 0.5, 0.75, 1.0))), (200.0, 300.0, 600.0, 600.0)
        )

    @given(ANYWHERE, ANYWHERE)
    def test_turned_to_true_the_edge_is_plumb_or_level(self, a, b):
        if math.dist(a, b) < 1.0:
            with self.assertRaises(ValueError):
                turn_to_true(a, b)
            return
        turn = turn_to_true(a, b)
        self.assertLessEqual(abs(turn), 45.0)
        there = on_canvas(replace(PICTURE, turn_deg=turn), np.array([a, b]))
        self.assertAlmostEqual(float(np.abs(there[1] - there[0]).min()), 0.0, places=6)

    def test_true_size(self):
        """A length of 500 px (300, 400) that measures 125 mm: a quarter of a mm each."""
        self.assertAlmostEqual(true_size((10, 10), (310, 410), 125.0), 0.25)
        with self.assertRaises(ValueError):
            true_size((10, 10), (10, 10), 125.0)
        with self.assertRaises(ValueError):
            true_size((10, 10), (20, 10), 0.0)


class Computed(unittest.TestCase):
    def study(self, picture):
        spots = {"a": (100, 100), "b": (100, 300), "c": (400, 180), "d": None}
        return Study(
            "Print", "flat", Sheet(210.0, 297.0),
            tuple(Landmark(name, name, 1, spot) for name, spot in spots.items()),
            unit=UnitPair("a", "b", "plumb", "bar"), subject=picture,
        )  # fmt: skip

    def test_readings_place_every_landmark_that_was_set(self):
        """Unit 200 px: c lies 1.5 to the right and 0.4 down; d was never set."""
        study = self.study(PICTURE)
        readings = computed_readings(study, PICTURE)
        self.assertEqual({each.note for each in readings}, {COMPUTED})
        solution = solve(replace(study, sightings=readings))
        place = solution.landmarks["c"]
        self.assertAlmostEqual(place.x, 1.5, places=4)
        self.assertAlmostEqual(place.y, 0.4, places=4)
        self.assertAlmostEqual(place.sd_x, math.sqrt(2) * 1.5 / 200, places=4)
        self.assertEqual([each.landmark for each in solution.loose], ["d"])

    def test_on_a_turned_picture_they_are_those_of_the_true_one(self):
        straight = computed_readings(self.study(PICTURE), PICTURE)
        turn = 7.0
        tilted = replace(PICTURE, turn_deg=turn)
        study = self.study(tilted)
        wider, higher = np.subtract(canvas_size(tilted), (800, 600)) / 2.0
        spots = {m.id: on_picture(tilted, np.add([m.rough], [wider, higher]))[0]
                 for m in study.landmarks if m.rough}  # fmt: skip
        study = replace(study, landmarks=tuple(
            replace(m, rough=tuple(spots[m.id]) if m.id in spots else None)
            for m in study.landmarks
        ))  # fmt: skip
        for one, other in zip(straight, computed_readings(study, tilted), strict=True):
            self.assertAlmostEqual(one.value, other.value, places=4)

    def test_in_millimetres_by_the_print_s_own_size(self):
        """0.5 mm a pixel: c lies 150 mm right of a and 40 below; nothing without that size."""
        picture = replace(PICTURE, mm_per_px=0.5)
        study = replace(self.study(picture), unit=UnitLength(1.0, "mm", "a"))
        readings = computed_readings(study, picture)
        place = solve(replace(study, sightings=readings)).landmarks["c"]
        self.assertAlmostEqual(place.x, 150.0, places=3)
        self.assertAlmostEqual(place.y, 40.0, places=3)
        unknown = replace(study, subject=PICTURE)
        self.assertEqual(computed_readings(unknown, PICTURE), ())
        with self.assertRaisesRegex(BadInput, "measure one length"):
            ReadPicture(type="read_picture").made(unknown)

    def test_before_anything_is_read_a_pixel_is_no_millimetre(self):
        study = replace(self.study(PICTURE), unit=UnitLength(1.0, "mm", "a"))
        self.assertAlmostEqual(thumbnail_scale(study) * 300.0, 0.8 * 210.0)
        measured = replace(study, subject=replace(PICTURE, mm_per_px=0.5))
        self.assertAlmostEqual(thumbnail_scale(measured), 0.5)
        self.assertEqual(thumbnail_scale(replace(study, subject=None)), 1.0)

    def test_the_sheet_at_sight_size_is_as_large_as_the_print(self):
        """The bar measures 200 px."""
        study = replace(self.study(replace(PICTURE, mm_per_px=0.7)), method="comparative")
        self.assertAlmostEqual(sight_size_of(study, None), 140.0)
        self.assertIsNone(sight_size_of(self.study(PICTURE), None))
        flat = taken_up(study, "sight_size_flat", 140.0)
        self.assertEqual(flat.unit_mm, 140.0)
        again = MeasurePicture(
            type="measure_picture", start=(0, 0), end=(100, 0), length_mm=100
        ).made(flat)
        self.assertAlmostEqual(again.unit_mm, 200.0)
        self.assertIsNone(taken_up(again, "comparative", None).unit_mm)

    def test_no_unit_no_readings(self):
        study = replace(self.study(PICTURE), unit=None)
        self.assertEqual(computed_readings(study, PICTURE), ())
        self.assertEqual(
            computed_readings(replace(study, unit=UnitPair("a", "d", "plumb", "x")), PICTURE), ()
        )


if __name__ == "__main__":
    unittest.main()
