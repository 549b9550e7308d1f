"""What a check finds and what it asks for, said as at the easel."""

import unittest
from dataclasses import replace

import numpy as np

from tests.networks import study_of
from zirkel.core.check.causes.base import Fault
from zirkel.core.check.correct import Correction, check
from zirkel.core.check.drawing import drawing_of
from zirkel.core.drawn import Ruled
from zirkel.core.sightings import Drop, Span
from zirkel.core.study import Shape, UnitPair
from zirkel.core.words.base import Words
from zirkel.core.words.check import say_measure, say_verdict
from zirkel.core.words.checked import About, say_way, say_where
from zirkel.core.words.drawn_wrong import say_correction, say_fault
from zirkel.core.worked import Worked

NAMES = {"a": "Can, foot", "b": "Can, rim", "c": "Spout", "d": "Leaf"}
WORDS = Words(NAMES, "can", 80.0)
PLACES = {"a": (0.0, 1.0), "b": (0.0, 0.0), "c": (1.0, 0.5), "d": (-1.0, 0.75)}


def about(moved=None, words=WORDS):
    """The study of four landmarks, drawn where its plan has them but for what `moved` adds, mm."""
    study = study_of(PLACES, [
        Span(id="1", start="a", end="c", along="level", towards="right", units=1.0),
        Span(id="2", start="a", end="c", along="plumb", towards="up", units=0.5),
        Drop(id="3", start="a", end="d", offset=-1.0),
        Span(id="4", start="a", end="d", along="plumb", towards="up", units=0.25),
        Drop(id="5", start="a", end="b", offset=0.0),
    ], UnitPair("b", "a", "plumb", "can"))  # fmt: skip
    study = replace(study, shapes=(Shape("can", "Can", ("a", "b")),))
    worked = Worked(study)
    extra = {name: np.zeros(2) for name in PLACES} | (moved or {})
    drawn = {name: (mark.held_left_mm + float(extra[name][0]),
                    mark.held_top_mm + float(extra[name][1]))
             for name, mark in worked.plan.marks.items()}  # fmt: skip
    study = replace(study, drawn=drawn)
    worked = Worked(study)
    return About(study, words, check(drawing_of(study, worked.solution.adjusted, worked.plan)))


def fault(kind, landmarks=(), **amount):
    return Fault(kind, amount, tuple(landmarks), np.zeros((4, 2)))


class Ways(unittest.TestCase):
    def test_a_move_and_a_fault_name_opposite_things(self):
        self.assertEqual(say_way(WORDS, -6, 2), "6 mm to the left and 2 mm down")
        self.assertEqual(say_way(WORDS, 6, -2), "6 mm to the right and 2 mm up")
        self.assertEqual(say_where(WORDS, 6, 2), "6 mm too far right and 2 mm too low")
        self.assertEqual(say_where(WORDS, -6, -2), "6 mm too far left and 2 mm too high")

    def test_what_no_hand_can_do_is_left_out_and_the_rest_is_to_half_a_millimetre(self):
        self.assertEqual(say_way(WORDS, 6.3, 0.9), "6.5 mm to the right")
        self.assertEqual(say_way(WORDS, 0.2, -4.1), "4 mm up")

    def test_a_small_move_is_still_told(self):
        self.assertEqual(say_where(WORDS, 0.4, -0.9), "1 mm too high")


class Measures(unittest.TestCase):
    def test_each_way_to_hold_the_ruler(self):
        for more, told in (
            ({"side": "left"}, "Spout: 112 mm from the left edge"),
            ({"side": "plumb"}, "Spout: 112 mm right of the drawn plumb line"),
            ({"start": "a"}, "Can, foot to Spout: 112 mm straight"),
            ({"start": "a", "along": "level"}, "Spout: 112 mm right of Can, foot"),
            ({"start": "a", "along": "plumb"}, "Spout: 112 mm lower than Can, foot"),
        ):
            self.assertEqual(say_measure(Ruled("1", "c", 112.0, **more), WORDS), told)

    def test_less_than_nothing_is_the_other_side(self):
        for more, told in (
            ({"side": "plumb"}, "left of the drawn plumb line"),
            ({"start": "a", "along": "level"}, "left of Can, foot"),
            ({"start": "a", "along": "plumb"}, "higher than Can, foot"),
        ):
            said = say_measure(Ruled("1", "c", -7.0, **more), WORDS)
            self.assertEqual(said, f"Spout: 7 mm {told}")


class Faults(unittest.TestCase):
    def test_wholes(self):
        sound = about()
        for kind, amount, told in (
            ("size", {"factor": 1.13}, "Everything is 13 % too large."),
            ("size", {"factor": 0.9}, "Everything is 10 % too small."),
            ("tilt", {"degrees": -2.5}, "The whole is turned anticlockwise by 2.5°."),
            ("lean", {"degrees": 2.0}, "Everything leans to the right by 2.0°."),
            ("stretch", {"factor": 1.05}, "The whole is 5 % too tall for its width."),
            ("shift", {"off_mm": (9.0, 0.0)}, "The whole sits 9 mm too far right."),
        ):
            self.assertEqual(say_fault(sound, fault(kind, **amount)), told)

    def test_a_shape_is_called_by_its_name(self):
        sound = about()
        self.assertEqual(say_fault(sound, fault("group", "ab", off_mm=(0.0, 5.0))),
                         "Can sits 5 mm too low.")  # fmt: skip
        self.assertEqual(say_fault(sound, fault("wide", "ab", factor=1.2)), "Can is 20 % too wide.")
        self.assertEqual(say_fault(sound, fault("group", "cd", off_mm=(0.0, 5.0))),
                         "Spout and Leaf sit 5 mm too low.")  # fmt: skip

    def test_left_for_right_is_named_only_where_it_is_the_mirror_image(self):
        """The leaf belongs 80 mm left of the foot: 160 mm too far right is its mirror image."""
        sound = about()
        across = 2 * (sound.check.drawing.planned[sound.spot("a"), 0]
                      - sound.check.drawing.planned[sound.spot("d"), 0])  # fmt: skip
        said = say_fault(sound, fault("landmark", "d", off_mm=(across, 0.0)))
        self.assertIn("as far right of Can, foot as it should be left of it", said)
        half = say_fault(sound, fault("landmark", "d", off_mm=(across / 2, 0.0)))
        self.assertNotIn("confused", half)


class Corrections(unittest.TestCase):
    def test_a_size_may_be_kept_by_another_unit_which_is_named(self):
        moves = np.array([(0.0, -4.0), (0.0, 6.0), (-1.0, 0.0), (1.0, 0.0)])
        made = Correction(fault("size", factor=1.1), moves)
        self.assertEqual(
            say_correction(about(), made),
            "Bring everything in by 10 % from the middle: Can, rim goes 6 mm down. Or keep the "
            "size, as the drawing agrees with itself: give the unit 88 mm in Frame.",
        )

    def test_without_a_unit_on_the_sheet_no_other_is_offered(self):
        made = Correction(fault("size", factor=0.9), np.full((4, 2), 3.0))
        said = say_correction(about(words=Words(NAMES, "can", None)), made)
        self.assertTrue(said.startswith("Let everything out by 10 %"))
        self.assertNotIn("Frame", said)

    def test_a_landmark_goes_back_the_way_it_came(self):
        made = Correction(fault("landmark", "c", off_mm=(9.0, -3.0)),
                          np.array([(0, 0), (0, 0), (-9, 3), (0, 0)], float))  # fmt: skip
        self.assertEqual(say_correction(about(), made),
                         "Bring Spout 9 mm to the left and 3 mm down.")  # fmt: skip


class Verdicts(unittest.TestCase):
    def test_sound_one_place_and_the_whole(self):
        self.assertEqual(say_verdict(about()),
                         "It stands. Nothing is off by more than you allow.")  # fmt: skip
        one = about({"c": np.array((40.0, 0.0))})
        self.assertEqual(say_verdict(one), "It is off in one place: Spout.")
        whole = about({name: np.array((30.0, 20.0)) for name in PLACES})
        self.assertEqual(say_verdict(whole), "It is off as a whole, not in one place.")

    def test_no_sentence_shows_its_template(self):
        for moved in ({"c": np.array((40.0, 0.0))},
                      {name: 1.2 * 80 * np.array(at) for name, at in PLACES.items()}):  # fmt: skip
            found = about(moved)
            told = [say_correction(found, each) for each in found.check.orders]
            self.assertTrue(told)
            for each in told:
                self.assertNotRegex(each, r"[{}]")


if __name__ == "__main__":
    unittest.main()
