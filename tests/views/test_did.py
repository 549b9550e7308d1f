"""What a reading is said to have done is what it has done."""

import unittest
from dataclasses import replace

from tests.networks import hand_study, study_of
from zirkel.core.drawn import Guess
from zirkel.core.sightings import Drop, Level, Span, Tilt
from zirkel.core.worked import Worked
from zirkel.views.did import say_what_it_did


def told(before, *more):
    """What the last of these readings did, after the others."""
    old = replace(before, sightings=(*before.sightings, *more[:-1]))
    return say_what_it_did(Worked(old), Worked(replace(old, sightings=(*old.sightings, more[-1]))))


class Did(unittest.TestCase):
    def setUp(self):
        self.bare = study_of({"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (2.0, 0.1)})

    def test_tying(self):
        across = Drop(id="1", start="a", end="c", offset=2.0)
        down = Level(id="2", start="a", end="c", offset=0.0)
        self.assertEqual(told(self.bare, across), (
            "Kept. It ties c in one direction; one more is needed.", False))  # fmt: skip
        self.assertEqual(told(self.bare, across, down), ("Kept. It ties c.", False))

    def test_contradicting(self):
        """x(c) is about 2.05 by two readings; a third that says 3 stands many errors away."""
        wrong = Drop(id="9", start="a", end="c", offset=3.2)
        text, bad = told(hand_study(), wrong)
        self.assertTrue(bad)
        self.assertIn("Sight it again", text)
        self.assertIn("the others make it 2", text)

    def test_the_unit_proves_no_place(self):
        """Read in its own direction, twice: it tells how the take counts."""
        read = [Span(id=str(k), start="a", end="b", along="plumb", towards="down", units=1.02,
                     take="t1") for k in (1, 2)]  # fmt: skip
        text, bad = told(self.bare, *read)
        self.assertEqual((text[:27], bad), ("Kept. It is the unit itself", False))
        self.assertIn("proves no place", text)

    def test_the_eye_is_told_its_side(self):
        read = Tilt(id="1", start="a", end="c", degrees=60.0)
        before = Worked(self.bare)
        for answer, said in ((48.0, "12° too steep"), (75.0, "15° too flat"), (60.0, "0° off"),
                             (120.0, "60° off, leaning the other way")):  # fmt: skip
            guess = Guess("g", "2026-05-04T09:00:00+00:00", "bench_tilt", "degrees", answer, 60.0)
            after = replace(self.bare, sightings=(read,), guesses=(guess,))
            text, _ = say_what_it_did(before, Worked(after))
            self.assertIn(said, text)

    def test_two_loose_ones_are_tied_to_each_other_only(self):
        loose = study_of({"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (2.0, 0.1), "d": (3.0, 0.5)})
        text, _ = told(loose, Tilt(id="1", start="c", end="d", degrees=112.0))
        self.assertEqual(text, "Kept. It ties c and d together, not yet to the rest.")

    def test_what_nothing_checks_is_not_said_to_be_agreed_with(self):
        first = Drop(id="1", start="a", end="c", offset=2.0)
        again = Drop(id="2", start="a", end="c", offset=2.0, sigma=9.0)
        self.assertIn("nothing checks it yet", told(self.bare, first, again)[0])
        text, _ = told(self.bare, first, replace(again, take="t2"))
        self.assertIn("The others had said as much", text)

    def test_a_copy_of_one_look_proves_nothing(self):
        first = (Drop(id="1", start="a", end="c", offset=2.0, take="t1"),
                 Level(id="2", start="a", end="c", offset=0.0, take="t1"))  # fmt: skip
        again = Drop(id="3", start="c", end="a", offset=-2.02, take="t1")
        self.assertNotIn("proves", told(self.bare, *first, again)[0])
        self.assertIn("It proves c", told(self.bare, *first, replace(again, take="t2"))[0])

    def test_several_at_once(self):
        more = [Drop(id=str(k), start="a", end=name, offset=x)
                for k, (name, x) in enumerate([("c", 2.0), ("b", 0.0)])]  # fmt: skip
        study = self.bare
        after = replace(study, sightings=tuple(more))
        text, bad = say_what_it_did(Worked(study), Worked(after))
        self.assertEqual((text[:17], bad), ("Kept 2 readings. ", False))
        wrong = [Drop(id=f"w{k}", start="a", end="c", offset=3.2, take="t2") for k in (1, 2)]
        hand = hand_study()
        after = replace(hand, sightings=(*hand.sightings, wrong[0], replace(wrong[1], offset=2.0)))
        text, bad = say_what_it_did(Worked(hand), Worked(after))
        self.assertTrue(bad)
        self.assertIn("the others say otherwise of: c 3 1/5", text)

    def test_proving(self):
        first = (Drop(id="1", start="a", end="c", offset=2.0),
                 Level(id="2", start="a", end="c", offset=0.0))  # fmt: skip
        again = Drop(id="3", start="a", end="c", offset=2.02, take="t2")
        text, bad = told(self.bare, *first, again)
        self.assertIn("It proves c", text)
        self.assertFalse(bad)

    def test_two_tilts_that_cross_too_thinly(self):
        """From a and b, close together, both lines to c run alike; from d and a they cross well."""
        wide = study_of({"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (5.0, 0.6), "d": (4.6, 4.0)})
        held = (Drop(id="1", start="a", end="d", offset=4.6),
                Level(id="2", start="a", end="d", offset=4.0))  # fmt: skip
        first = Tilt(id="3", start="a", end="c", degrees=96.8)
        text, bad = told(wide, *held, first, Tilt(id="4", start="b", end="c", degrees=85.4))
        self.assertTrue(bad)
        self.assertRegex(text, r"cross c at only 11°: too thin. Better from .* and .*\.")
        fine, bad = told(wide, *held, first, Tilt(id="4", start="d", end="c", degrees=6.7))
        self.assertFalse(bad)
        self.assertNotIn("thin", fine)

    def test_tightening_only_where_it_shows(self):
        study = hand_study()
        vague = Drop(id="8", start="a", end="c", offset=2.05, sigma=5.0)
        self.assertIn("it changes little", told(study, vague)[0])
        sharp = Drop(id="8", start="a", end="c", offset=2.05, sigma=0.005)
        self.assertRegex(told(study, sharp)[0], r"takes the slack in c from .+ to .+")

    def test_nothing_is_said_of_other_changes(self):
        study = hand_study()
        self.assertIsNone(say_what_it_did(Worked(study), Worked(replace(study, title="New"))))

    def test_struck_and_corrected(self):
        study = hand_study()
        struck = replace(study.sightings[0], struck=True)
        after = replace(study, sightings=(struck, *study.sightings[1:]))
        self.assertIn("is struck", say_what_it_did(Worked(study), Worked(after))[0])
        other = Span(id="s1", start="a", end="c", along="level", towards="right", units=2.05)
        after = replace(study, sightings=(other, *study.sightings[1:]))
        self.assertTrue(say_what_it_did(Worked(study), Worked(after))[0].startswith("Corrected"))


if __name__ == "__main__":
    unittest.main()
