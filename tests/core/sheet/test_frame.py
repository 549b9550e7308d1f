"""The frame: shares, touches and negative shapes on figures whose areas are known."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.frames import Frame
from zirkel.core.sheet.frame import frame_facts, suggested_direction, with_proportion
from zirkel.core.study import Shape

FRAME = Frame(0.0, 4.0, 0.0, 2.0)
PLACES = {"a": (1.0, 0.5), "b": (3.0, 0.5), "c": (3.0, 1.5), "d": (1.0, 1.5),
          "e": (1.5, 0.0), "f": (4.0, 1.0), "g": (-0.5, 1.0)}  # fmt: skip
BOX = Shape("box", "Box", ("a", "b", "c", "d"))


class OfNothing(unittest.TestCase):
    def test_a_frame_too_small_to_frame_anything_says_so(self):
        for right, bottom in ((5e-324, 1.0), (1.0, 1e-300), (0.0, 1.0), (1.0, -1.0), (1e-7, 1.0)):
            self.assertIn("must be smaller", Frame(0.0, right, 0.0, bottom).problem())
        self.assertIsNone(Frame(0.0, 1e-5, 0.0, 1e-5).problem())

    @given(st.floats(-1e9, 1e9), st.floats(-1e9, 1e9), st.floats(1e-6, 1e6))
    def test_any_other_has_its_facts_wherever_it_lies(self, left, top, size):
        frame = Frame(left, left + size, top, top + size)
        if frame.problem() is not None:
            return
        facts = frame_facts(frame, PLACES, [BOX])
        self.assertGreaterEqual(facts.subject_share, 0.0)
        self.assertLessEqual(sum(each.share for each in facts.negative), 1.0 + 1e-6)


class Facts(unittest.TestCase):
    def test_a_box_of_two_in_a_frame_of_eight(self):
        facts = frame_facts(FRAME, PLACES, [BOX])
        self.assertEqual((facts.width, facts.height, facts.suggested), (4.0, 2.0, "landscape"))
        self.assertAlmostEqual(facts.subject_share, 2.0 / 8.0)
        self.assertEqual(len(facts.negative), 1)
        piece = facts.negative[0]
        self.assertAlmostEqual(piece.share, 6.0 / 8.0)
        self.assertTrue(piece.at_edge)
        self.assertEqual(len(piece.holes), 1)

    def test_a_subject_from_edge_to_edge_parts_the_background(self):
        bar = Shape("bar", "Bar", ("p", "q", "r", "s"))
        places = {"p": (1.0, -1.0), "q": (2.0, -1.0), "r": (2.0, 3.0), "s": (1.0, 3.0)}
        facts = frame_facts(FRAME, places, [bar])
        self.assertEqual([round(each.share, 6) for each in facts.negative], [0.5, 0.25])
        self.assertAlmostEqual(facts.subject_share, 0.25)

    def test_a_hole_between_shapes_is_a_piece_of_its_own(self):
        """Four bars round a square of 1: the square is enclosed and touches no edge."""
        corners = {"p": (1.0, 0.25), "q": (2.5, 0.25), "r": (2.5, 1.75), "s": (1.0, 1.75)}
        inner = {"t": (1.25, 0.5), "u": (2.25, 0.5), "v": (2.25, 1.5), "w": (1.25, 1.5)}
        bars = [Shape(o, o, tuple(o)) for o in ("pqut", "qrvu", "rswv", "sptw")]
        facts = frame_facts(FRAME, corners | inner, bars)
        hole = next(each for each in facts.negative if not each.at_edge)
        self.assertAlmostEqual(hole.share, 1.0 / 8.0)

    def test_what_touches_the_edges_and_where(self):
        touches = {each.landmark: each for each in frame_facts(FRAME, PLACES, []).touches}
        self.assertEqual(set(touches), {"e", "f", "g"})
        self.assertEqual((touches["e"].edge, touches["e"].share), ("top", 0.375))
        self.assertEqual((touches["f"].edge, touches["f"].units), ("right", 1.0))
        self.assertLess(touches["g"].inside, 0.0)

    def test_a_crossed_outline_keeps_both_lobes(self):
        """A bow tie over a square of 2 x 2: two triangles of 1 each, half of the square."""
        places = {"a": (0, 0), "b": (2, 2), "c": (2, 0), "d": (0, 2)}
        bow = Shape("bow", "bow", ("a", "b", "c", "d"))
        facts = frame_facts(Frame(0.0, 2.0, 0.0, 2.0), places, [bow])
        self.assertAlmostEqual(facts.subject_share, 0.5)

    def test_crossed_and_open_outlines_are_no_crash(self):
        crossed = Shape("x", "X", ("a", "c", "b", "d"))
        line = Shape("l", "L", ("a", "b", "c"), closed=False)
        facts = frame_facts(FRAME, PLACES, [crossed, line])
        self.assertTrue(0.0 < facts.subject_share < 0.25)

    @given(st.floats(0.2, 5.0), st.floats(0.1, 9.0), st.floats(0.1, 9.0))
    def test_in_a_proportion_the_frame_only_grows(self, ratio, width, height):
        frame = Frame(1.0, 1.0 + width, -2.0, -2.0 + height)
        made = with_proportion(frame, ratio)
        wide, high = made.right - made.left, made.bottom - made.top
        self.assertAlmostEqual(wide / high / ratio, 1.0, places=6)
        self.assertLessEqual(made.left, frame.left + 1e-9)
        self.assertGreaterEqual(made.bottom, frame.bottom - 1e-9)
        self.assertTrue(abs(wide - width) < 1e-9 or abs(high - height) < 1e-9)

    def test_directions(self):
        said = [suggested_direction(*size) for size in ((3, 2), (2, 3), (2, 2.1))]
        self.assertEqual(said, ["landscape", "portrait", "either"])


if __name__ == "__main__":
    unittest.main()
