"""What families tell, said as one would say it before the subject."""

import unittest

import numpy as np

from zirkel.core.network.families import Perspective, SeenEdge, SeenFamily
from zirkel.core.words.base import Words
from zirkel.core.words.perspective import say_edge, say_eye_level, say_family

WORDS = Words({"foot": "Door, foot", "a": "Eave, near", "b": "Eave, far"}, "door", 80.0)


def family(point=None, direction=None, determined=True):
    infinite = determined and point is None
    return SeenFamily("side", True, point, (0.1, 0.1), infinite, direction, determined)


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
        off = SeenEdge("side", "a", "b", 100.0, 92.5, 4.2)
        self.assertEqual(
            say_edge(off, WORDS),
            "Eave, near to Eave, far stands at 3:20, the others of its family ask for 3:05. "
            "Sight it again.",
        )
        self.assertIsNone(say_edge(SeenEdge("side", "a", "b", 100.0, 99.0, 1.0), WORDS))
        self.assertIsNone(say_edge(SeenEdge("side", "a", "b", 100.0, 99.0, None), WORDS))


if __name__ == "__main__":
    unittest.main()
