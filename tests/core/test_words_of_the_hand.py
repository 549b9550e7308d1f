"""Sentences about faults, stations, scatter and doubtful places: each says what then happens."""

import re
import unittest

from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.network.ambiguity import Ambiguity, Telling
from zirkel.core.subject.calculator import Caution, RealReach
from zirkel.core.subject.faults import FAULTS
from zirkel.core.subject.stick import Holding
from zirkel.core.words.base import Words
from zirkel.core.words.faults import FAULT_WORDS
from zirkel.core.words.network import say_ambiguity, say_scatter, say_take
from zirkel.core.words.station import SAID, say_caution, say_reach

HOLD = Holding(reach_mm=650.0, distance_mm=2600.0, unit_mm=280.0)
WORDS = Words({"c": "Spout", "a": "Rim"}, "can")


class Faults(unittest.TestCase):
    def test_every_fault_has_words_and_no_words_are_left_over(self):
        self.assertEqual(set(FAULT_WORDS), set(FAULTS))

    def test_what_it_costs_is_one_sentence_with_a_number(self):
        for name, fault in FAULTS.items():
            words = FAULT_WORDS[name]
            said = words.costs(fault.usual, HOLD)
            self.assertTrue(said.endswith("."), said)
            self.assertRegex(said, r"\d")
            self.assertNotRegex(said, r"nan|inf|-\d")
            self.assertFalse(words.title.endswith("."))

    def test_more_of_it_costs_more(self):
        for name, fault in FAULTS.items():

            def cost(size, words=FAULT_WORDS[name]):
                return [
                    float(each) for each in re.findall(r"\d+(?:\.\d+)?", words.costs(size, HOLD))
                ]

            little, much = cost(fault.usual), cost(3.0 * fault.usual)
            self.assertGreater(sum(much), sum(little), name)

    def test_a_sway_by_hand(self):
        said = FAULT_WORDS["sway"].costs(5.0, HOLD)
        self.assertIn("moves the stick 15 mm over the subject", said)


class Stations(unittest.TestCase):
    def test_every_caution_says_what_to_do(self):
        for about in SAID:
            for badly in (False, True):
                said = say_caution(Caution(about, 2.0, badly, 2500.0))
                self.assertRegex(said, r"(Step back|Set it upright|look straighter)", about)
                self.assertTrue(said.endswith("."))

    def test_how_far_to_step_back_is_said_in_metres(self):
        said = say_caution(Caution("distance", 1.2, True, 2500.0))
        self.assertIn("Far too near: 1.2 times", said)
        self.assertIn("Step back to 2.5 m.", said)

    def test_an_unsure_reach_is_told_how_to_be_surer(self):
        sure, unsure = RealReach(650.0, 6.0), RealReach(650.0, 60.0)
        self.assertEqual(say_reach(sure), "Your reach is 650 mm, give or take 6 mm.")
        self.assertIn("bigger step back", say_reach(unsure))


class Elsewhere(unittest.TestCase):
    def test_which_way_and_what_would_tell(self):
        for other, where in (
            ((3.5, 1.0), "1 1/2 cans further right"),
            ((0.5, 1.0), "1 1/2 cans further left"),
            ((2.0, 2.25), "1 1/4 cans lower"),
            ((2.0, 0.0), "1 can higher"),
        ):
            for kind, tool in (
                ("drop", "One plumb"), ("level", "One level line"), ("tilt", "One more tilt"),
            ):  # fmt: skip
                found = Ambiguity("c", other, None, Telling(kind, "a", "c"))
                said = say_ambiguity(WORDS, found, (2.0, 1.0))
                self.assertIn(f"Spout may just as well lie {where}", said)
                self.assertTrue(said.endswith(f"{tool} from Rim would tell."), said)

    def test_far_from_its_tap(self):
        said = say_ambiguity(WORDS, Ambiguity("c", None, 1.25, None), (0.0, 0.0))
        self.assertIn("Spout lies 1 1/4 cans from where you tapped it", said)
        self.assertIn("?", said)

    def test_where_nothing_would_tell_nothing_is_promised(self):
        said = say_ambiguity(WORDS, Ambiguity("c", (1.0, 0.0), None, None), (0.0, 0.0))
        self.assertNotIn("would tell", said)


class Agreement(unittest.TestCase):
    def test_nothing_is_said_where_nothing_tells(self):
        self.assertIsNone(say_scatter(1.0, None))

    def test_by_how_much(self):
        for scatter, said in (
            (1.5, "one and a half times"), (2.05, "twice"), (1.75, "1.8 times"),
            (2.4, "two and a half times"), (3.0, "three times"), (3.4, "3.4 times"),
        ):  # fmt: skip
            self.assertIn(f"scatter about {said} as much", say_scatter(scatter, scatter**2))

    def test_better_and_as_believed(self):
        self.assertIn("agree better", say_scatter(1.0, 0.2))
        self.assertIn("about as much as believed", say_scatter(1.0, 1.0))

    @given(st.floats(1.01, 3.5))
    def test_whatever_it_is_the_sentence_is_whole(self, scatter):
        said = say_scatter(scatter, scatter**2)
        self.assertRegex(said, r"scatter about [\w. ]+ as much as believed\.")

    def test_takes_are_called_as_on_the_pad(self):
        self.assertEqual([say_take(each) for each in ("t1", "t12", "tea", "t", "evening")],
                         ["1", "12", "tea", "t", "evening"])  # fmt: skip


if __name__ == "__main__":
    unittest.main()
