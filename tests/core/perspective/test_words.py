"""What families tell, said as one would say it before the subject."""

import unittest
from dataclasses import replace

import numpy as np

from zirkel.core.network.families import Perspective, SeenEdge, SeenFamily
from zirkel.core.perspective.ellipses import Rounds, RoundSeen
from zirkel.core.perspective.shadows import Light
from zirkel.core.perspective.station import EyePlace
from zirkel.core.space import Repeat
from zirkel.core.words.base import Words
from zirkel.core.words.perspective import (
    say_crossing,
    say_edge,
    say_eye_level,
    say_family,
    say_light,
    say_repeat,
    say_round,
    say_station,
)

WORDS = Words({"foot": "Door, foot", "a": "Eave, near", "b": "Eave, far"}, "door", 80.0)


def family(point=None, direction=None, determined=True):
    infinite = determined and point is None
    return SeenFamily("side", True, "edges", point, (0.1, 0.1), infinite, direction, determined)


def seen(eye, sd=0.05):
    return Perspective(eye, sd, (), (), np.zeros((0, 2)), np.zeros((0, 0)))


class Said(unittest.TestCase):
    def test_the_eye_level(self):
        self.assertEqual(
            say_eye_level(seen(-1.5), WORDS, "foot"),
            "Your eye level lies 1 1/2 doors above Door, foot, give or take 4 mm.",
        )
        self.assertIn("below Door, foot", say_eye_level(seen(0.5), WORDS, "foot"))
        self.assertIn("runs through Door, foot", say_eye_level(seen(0.01), WORDS, "foot"))
        none = say_eye_level(Perspective(None, None, (), (), np.zeros((0, 2)), np.zeros((0, 0))),
                             WORDS, "foot")  # fmt: skip
        self.assertIn("No eye level yet", none)

    def test_where_a_family_vanishes(self):
        for made, said in (
            (family((6.0, -1.0)), "They meet 6 doors to the right of Door, foot, 1 door higher."),
            (family((-3.0, 0.0)), "They meet 3 doors to the left of Door, foot, level with it."),
            (family((-3.0, 0.5)), "They meet 3 doors to the left of Door, foot, 1/2 door lower."),
            (family((90.0, -1.0)), "They meet very far to the right: nearly parallel."),
            (family(None, 90.0), "They stay parallel as you see them: all at 3:00."),
            (family(None, None, False),
             "Too little tells yet: give it a second edge, well apart from the first."),
        ):  # fmt: skip
            self.assertEqual(say_family(made, WORDS, "foot"), said)

    def test_an_edge_that_disagrees(self):
        off = SeenEdge("side", "edges", "a", "b", 100.0, 92.5, 4.2)
        self.assertEqual(
            say_edge(off, WORDS),
            "Eave, near to Eave, far stands at 3:20, the others of its family ask for 3:05. "
            "Sight it again.",
        )
        self.assertIsNone(say_edge(SeenEdge("side", "edges", "a", "b", 100.0, 99.0, 1.0), WORDS))
        self.assertIsNone(say_edge(SeenEdge("side", "edges", "a", "b", 100.0, 99.0, None), WORDS))

    def test_edges_that_cross_are_no_family(self):
        places = {"a": (0.0, 0.0), "b": (2.0, 2.0), "foot": (0.0, 2.0), "d": (2.0, 0.0)}
        said = say_crossing([("a", "b"), ("foot", "d")], places, WORDS)
        self.assertIn("cross as you see them", said)
        self.assertIsNone(say_crossing([("a", "foot"), ("b", "d")], places, WORDS))
        self.assertIsNone(say_crossing([("a", "b"), ("b", "d")], places, WORDS))

    def test_uprights_that_lean(self):
        lean = replace(family((2.0, -40.0)), level=False)
        self.assertEqual(
            say_family(lean, WORDS, "foot"),
            "They lean together, to meet 40 doors above Door, foot.",
        )

    def test_shadows_that_disagree_name_the_tip(self):
        for sort, said in (("rays", "contradicts the other shadows"), ("tracks", "runs along")):
            off = SeenEdge("sun", sort, "a", "b", 100.0, 92.5, 4.2)
            self.assertIn(said, say_edge(off, WORDS))
            self.assertIn("Sight", say_edge(off, WORDS))

    def test_circles(self):
        def rim(rho, expected=None, strain=None):
            return RoundSeen("r", "Rim", None, (0, 0), 1.0, abs(rho), 90.0, rho, 0.02, expected,
                             strain, ())  # fmt: skip

        none, doubted = Rounds((), None, None, None, ()), Rounds((), 0.0, 0.1, 5.0, ("r",))
        for made, found, said in (
            (rim(0.5), none, "Rim: 1/2 as high as it is wide, below your eye."),
            (rim(-0.25), none, "Rim: 1/4 as high as it is wide, above your eye."),
            (rim(0.01), none, "Rim: seen as good as from its edge, a line."),
            (rim(0.99), none, "Rim: seen as good as a full circle, below your eye."),
            (rim(0.5, 0.5, 0.3), none,
             "Rim: 1/2 as high as it is wide, below your eye. The others agree."),
            (rim(0.5, 0.25, 5.0), doubted,
             "Rim: 1/2 as high as it is wide, below your eye. The other circles ask for 1/4: "
             "sight its nearest rim again, or its width."),
        ):  # fmt: skip
            self.assertEqual(say_round(made, found), said)

    def test_lights_steps_and_the_station(self):
        for kind, told, at, behind, said in (
            ("sun", False, None, False, "isn't known yet"),
            ("lamp", False, None, False, "isn't known yet"),
            ("sun", True, None, False, "straight across"),
            ("sun", True, (0.0, 3.0), True, "behind you"),
            ("sun", True, (0.0, -3.0), False, "before you"),
            ("lamp", True, (0.0, -3.0), False, "where all rays cross"),
        ):
            self.assertIn(said, say_light(Light(kind, at, at, told, behind), WORDS))
        steps = say_repeat(Repeat("Posts", ("a", "foot"), ("b", "foot"), 5), WORDS)
        self.assertIn("until there are 5", " ".join(steps))
        self.assertIn("isn't told yet", say_station(None, WORDS)[0])
        place = EyePlace(8.5, 0.5, "left", "right", 0.0)
        said = say_station(place, WORDS)
        self.assertIn("your eye was 8 1/2 doors away", said[0])
        self.assertIn("give or take 6 %", said[0])


if __name__ == "__main__":
    unittest.main()
