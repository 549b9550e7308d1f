"""The place a study is drawn from: its plan, what is said to come back to it, and its paper."""

import unittest
from dataclasses import replace

from tests.files import SMALL, as_bytes
from tests.paper.drawn import pages
from zirkel.core.pose import Place
from zirkel.core.sitting.place import BOARD_MM, LIGHT_SHARE, laid_out, place_of
from zirkel.core.study import SimulatedSubject
from zirkel.core.subject.station import Station
from zirkel.core.words.place import checklist, say_far, say_hour
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.place_plan import PAPER
from zirkel.studyfile.read import read_study, write_study

FULL = Place(
    distance_mm=2600.0, eye_height_mm=1560.0, reach_mm=650.0, easel_mm=700.0, easel_hour=3.0,
    board_mm=1300.0, lean_deg=4.0, light_hour=9.0, light="North window.", marks="Chalk crosses",
    pose="Spout to the right", photographs=("a" * 64,),
)  # fmt: skip


class Plan(unittest.TestCase):
    def test_hours_lie_on_the_floor_with_twelve_away_from_the_artist(self):
        laid = laid_out(FULL)
        self.assertEqual(laid.eye, (0.0, 2600.0))
        middle = [sum(each) / 2 for each in zip(*laid.board, strict=True)]
        self.assertAlmostEqual(middle[0], 700.0)
        self.assertAlmostEqual(middle[1], 2600.0)
        # The board stands square to the way to it, so at three o'clock it runs away from the eye.
        self.assertAlmostEqual(abs(laid.board[0][1] - laid.board[1][1]), BOARD_MM)
        self.assertAlmostEqual(laid.board[0][0], laid.board[1][0])
        self.assertAlmostEqual(laid.light[0], -2600.0 * LIGHT_SHARE)
        self.assertAlmostEqual(laid.light[1], 0.0)

    def test_only_what_was_measured_is_drawn(self):
        self.assertIsNone(laid_out(replace(FULL, distance_mm=None)))
        bare = laid_out(Place(distance_mm=3000.0))
        self.assertEqual((bare.board, bare.light, bare.reach), (None, None, 3000.0))
        unsaid = laid_out(Place(distance_mm=3000.0, easel_mm=600.0))
        # Nobody looks through a board: beside the line of sight until it is said where it stands.
        self.assertGreater(min(x for x, _ in unsaid.board), 0.0)
        ahead = laid_out(Place(distance_mm=3000.0, easel_mm=600.0, easel_hour=12.0))
        self.assertAlmostEqual(ahead.board[0][1], 2400.0)
        turned = laid_out(
            Place(distance_mm=3000.0, easel_mm=600.0, easel_hour=12.0, board_turn_deg=90.0)
        )
        self.assertAlmostEqual(turned.board[0][0], turned.board[1][0])
        self.assertAlmostEqual(abs(turned.board[0][1] - turned.board[1][1]), BOARD_MM)

    def test_before_a_scene_the_station_is_taken_over_but_no_heights(self):
        study = read_study(as_bytes(SMALL))
        self.assertIsNone(place_of(study))
        shown = replace(study, subject=SimulatedSubject("scene", Station(2600.0, 620.0)))
        found = place_of(shown)
        self.assertEqual((found.distance_mm, found.eye_height_mm), (2600.0, None))
        self.assertEqual(place_of(replace(shown, place=FULL)), FULL)

    def test_it_is_kept_in_the_study_file(self):
        study = replace(read_study(as_bytes(SMALL)), place=FULL, tags=("a", "b"), put_away=True)
        self.assertEqual(read_study(write_study(study)), study)
        odd = as_bytes(SMALL | {"place": {"distance_mm": -3, "light_hour": 13}})
        with self.assertRaises(BadInput) as refused:
            read_study(odd)
        self.assertIn("place", str(refused.exception))


class Words(unittest.TestCase):
    def test_one_sentence_each_the_marks_first_and_the_readings_last(self):
        told = checklist(FULL)
        self.assertEqual(told[0], "On the marks: Chalk crosses.")
        self.assertIn(
            "Eye to subject 2.60 m, along the floor: a string or a tape, or 9 shoes heel to toe.",
            told,
        )
        self.assertIn("Eye to board 70 cm, towards 3 o'clock.", told)
        self.assertIn("The board leaning back by 4°, its middle 1.30 m above the floor.", told)
        self.assertIn("Light from 9 o'clock, as the subject stands: North window.", told)
        self.assertTrue(told[-1].startswith("Begin the sitting"))
        for each in told:
            self.assertRegex(each, r"^[A-Z].*[^.]\.$")

    def test_nothing_is_said_of_nothing(self):
        self.assertEqual(checklist(Place()), [])
        self.assertEqual(checklist(Place(board_mm=1300.0))[0],
                         "The board, its middle 1.30 m above the floor.")  # fmt: skip
        self.assertEqual(checklist(Place(light="Lamp"))[0], "Light: Lamp.")
        self.assertEqual(checklist(Place(lean_deg=0.0))[0], "The board upright.")

    def test_lengths_about_a_room_and_hours(self):
        self.assertEqual(say_far(640.0, False), "64 cm")
        self.assertEqual(say_far(2604.0, False), "2.60 m")
        self.assertEqual(say_far(2540.0, True), "100 in")
        for hour, said in (
            (0.0, "12 o'clock"), (12.0, "12 o'clock"), (1.5, "half past 1"),
            (12.4, "half past 12"), (11.9, "12 o'clock"), (3.1, "3 o'clock"),
        ):  # fmt: skip
            self.assertEqual(say_hour(hour), said, hour)


class OnPaper(unittest.TestCase):
    def test_it_is_offered_once_there_is_a_place_and_its_plan_is_to_scale(self):
        study = read_study(as_bytes(SMALL))
        self.assertFalse(PAPER.fits(study))
        with self.assertRaises(BadInput):
            PAPER.make(Worked(study))
        placed = replace(study, place=FULL)
        self.assertTrue(PAPER.fits(placed))
        (page,) = pages(PAPER.make(Worked(placed)))
        # One to fifty: 2.6 m come to 52 mm, and the board's half metre to 10.
        lengths = [
            round(((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2) ** 0.5, 1) for a, b in page.segments()
        ]
        scale = next(s for s in (30, 40, 50) if round(2600 / s, 1) in lengths)
        self.assertIn(round(BOARD_MM / scale, 1), lengths)

    def test_odd_places_are_drawn_too(self):
        study = read_study(as_bytes(SMALL))
        for place in (
            Place(distance_mm=500_000.0, easel_mm=20_000.0, easel_hour=6.0, light_hour=0.0),
            Place(distance_mm=100.0, easel_mm=20_000.0, easel_hour=9.0),
            Place(marks="word " * 700), Place(eye_height_mm=0.0, distance_mm=150.0),
        ):  # fmt: skip
            self.assertTrue(PAPER.make(Worked(replace(study, place=place))).startswith(b"%PDF"))


if __name__ == "__main__":
    unittest.main()
