"""What is said of light and dark, read aloud: plain, whole sentences that tell what to do."""

import unittest

from zirkel.core.light import Medium, ToneArea, ToneReading
from zirkel.core.tones.estimate import ToneDoubt, estimate
from zirkel.core.tones.groups import Crossing
from zirkel.core.tones.overlaps import layers_of
from zirkel.core.tones.plan import FlatTone, TonePlan
from zirkel.core.tones.what_next import NextComparison
from zirkel.core.words.tones import (
    called,
    say_anchor,
    say_circle,
    say_crossing,
    say_difference,
    say_fading,
    say_layers,
    say_loose,
    say_mixed,
    say_question,
    say_reading,
    say_step,
    say_tone_doubt,
)

NAMES = {"a": "Can, lit side", "b": "Bench", "c": "Pot"}


def flat(on_sheet, areas):
    return FlatTone(1, on_sheet, on_sheet, areas, False)


class Readings(unittest.TestCase):
    def test_each_kind_as_it_was_said(self):
        for reading, said in (
            (ToneReading("1", "darker", "a", "b", "little"),
             "“Can, lit side” a little darker than Bench"),
            (ToneReading("1", "darker", "b", "c", "clearly"), "Bench clearly darker than Pot"),
            (ToneReading("1", "darker", "b", "c", "much"), "Bench much darker than Pot"),
            (ToneReading("1", "alike", "b", "c"), "Bench and Pot alike"),
            (ToneReading("1", "step", area="b", step=4.0), "Bench: step 4 on the grey card"),
            (ToneReading("1", "step", area="b", step=4.3, computed=True),
             "Bench: step 4.3 read off the subject"),
        ):  # fmt: skip
            self.assertEqual(say_reading(reading, NAMES), said)
        self.assertEqual(called("unknown", NAMES), "unknown")

    def test_differences_in_the_words_in_which_they_are_asked(self):
        for d, said in ((0.0, "about alike"), (0.3, "about alike"), (-1.0, "a little lighter"),
                        (1.0, "a little darker"),
                        (2.0, "clearly darker"),
                        (-2.9, "clearly lighter"),
                        (4.0, "much darker")):  # fmt: skip
            self.assertEqual(say_difference(d), said)
        self.assertEqual((say_step(4.0), say_step(4.26)), ("4", "4.3"))

    def test_questions(self):
        self.assertEqual(say_question(NextComparison("darker", "a", "b", 0.2), NAMES),
                         "Squint. Which is darker, and by how much?")  # fmt: skip
        self.assertEqual(say_question(NextComparison("step", "b", None, 0.2), NAMES),
                         "Hold the grey card to Bench. Which step is it?")  # fmt: skip


class Doubts(unittest.TestCase):
    def test_the_chain_is_told_round(self):
        reading = ToneReading("1", "darker", "a", "b", "much")
        head, detail = say_tone_doubt(
            ToneDoubt("1", 4.0, -1.0, ("a", "b", "c")), reading, None, NAMES
        )
        self.assertEqual(head, "“Can, lit side” much darker than Bench?")
        self.assertEqual(
            detail,
            "The others have “Can, lit side” a little lighter. Round in a circle: “Can, lit side”, "
            "darker than Bench, darker than Pot, darker than “Can, lit side”. Look again with "
            "half-closed eyes.",
        )

    def test_without_a_chain_and_of_the_card(self):
        reading = ToneReading("1", "alike", "b", "c")
        detail = say_tone_doubt(ToneDoubt("1", 4.0, 3.5, ("b", "c")), reading, None, NAMES)[1]
        self.assertEqual(
            detail, "The others have Bench much darker. Look again with half-closed eyes."
        )
        step = ToneReading("1", "step", area="b", step=9.0)
        detail = say_tone_doubt(ToneDoubt("1", 4.0, 3.52, ()), step, None, NAMES)[1]
        self.assertEqual(detail, "The others make it step 3.5. Hold the card to it again.")


class WhatIsKnown(unittest.TestCase):
    def estimate(self, count, *readings):
        return estimate([ToneArea(n, n) for n in "abc"[:count]], readings)

    def test_from_nothing_to_anchored(self):
        darker = ToneReading("1", "darker", "a", "b", "clearly")
        step = ToneReading("2", "step", area="a", step=5.0)
        for found, said in (
            (self.estimate(0), "outline the large shapes"),
            (self.estimate(1), "One area alone"),
            (self.estimate(2), "Nothing compared yet"),
            (self.estimate(2, darker), "against one another only"),
        ):
            self.assertIn(said, say_anchor(found))
        self.assertIsNone(say_anchor(self.estimate(2, darker, step)))

    def test_what_is_loose(self):
        darker = ToneReading("1", "darker", "a", "b", "clearly")
        self.assertEqual(say_loose(self.estimate(3, darker), NAMES),
                         "Not tied to the others yet: Pot.")  # fmt: skip
        self.assertIsNone(say_loose(self.estimate(2, darker), NAMES))
        self.assertIsNone(say_loose(self.estimate(3), NAMES))
        many = estimate([ToneArea(n, n) for n in "abcdefgh"], [darker])
        self.assertEqual(say_loose(many, {}), "Not tied to the others yet: c, d, e and 3 more.")

    def test_a_light_darker_than_a_shadow(self):
        said = say_crossing(Crossing("a", "b", 1.23, 0.4), NAMES)
        self.assertIn("“Can, lit side”, in the light, is darker than "
            "Bench, in shadow, by 1.2 steps",
                      said)  # fmt: skip
        self.assertIn("Keep the families apart", said)


class Planned(unittest.TestCase):
    WHITE = Medium(1.0, 1.0, 7.5)

    def test_light_and_shadow_in_one_tone_are_named_and_never_a_dead_end(self):
        sides = {"a": "light", "b": "shadow"}
        apart = TonePlan((flat(2.0, ("a",)), flat(5.0, ("b",))), {}, None, self.WHITE, False)
        self.assertIsNone(say_mixed(apart, sides, 3, NAMES))
        one = TonePlan((flat(3.0, ("a", "b", "c")),), {}, None, self.WHITE, True)
        self.assertEqual(
            say_mixed(one, sides, 5, NAMES),
            "In so few tones “Can, lit side”, in the light, and Bench, in shadow, are one. "
            "5 tones keep them apart.",
        )
        never = say_mixed(one, sides, None, NAMES)
        self.assertIn("no number of tones parts them", never)
        self.assertIn("within the thing", never)


class InFront(unittest.TestCase):
    def test_from_front_to_back_and_circles(self):
        names = {"a": "Can", "b": "Pots", "c": "Wall"}
        self.assertEqual(
            say_layers(layers_of("abc", [("a", "b"), ("b", "c")]), names),
            ("1. Can: firmest line.", "2. Pots: lighter line.", "3. Wall: lightest line."),
        )
        self.assertEqual(say_layers(layers_of("abc", []), names), ())
        self.assertEqual(
            say_fading([("a", "b"), ("a", "x")], {"a": "Eave, near", "b": "Eave, far"}),
            ("What runs back fades towards its far end: Eave, near to Eave, far; "
             "Eave, near to x.",),
        )  # fmt: skip
        self.assertEqual(say_fading([], names), ())
        self.assertEqual(
            say_circle(("a", "b"), names),
            "In a circle: Can before Pots before Can. One of these is the wrong way round.",
        )


if __name__ == "__main__":
    unittest.main()
