"""A check against the one before it; what drawings do over and over; what decides."""

import json
import unittest

import numpy as np

from tests.core.check.test_large import planned
from zirkel.core.check.since import since
from zirkel.core.drawn import KeptCheck, KeptFault, KeptMove
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.network.decides import decides
from zirkel.core.practice.drawings import TRAINED_BY, habits
from zirkel.core.practice.exercises import EXERCISES
from zirkel.core.practice.today import todays
from zirkel.core.words.drawings import DID, say_habit, say_since
from zirkel.core.worked import Worked
from zirkel.studyfile.read import read_study

TARGETS = {name: (100.0 * i, 50.0) for i, name in enumerate(("a", "b", "c", "d"))}


def kept(off, moves=(), faults=()):
    """A check of four marks, so far off."""
    places = {n: tuple(np.add(TARGETS[n], off.get(n, (0.0, 0.0)))) for n in TARGETS}
    return KeptCheck(
        "check", "2026-11-02T09:00:00Z", "plan", False, 3.0, places=places, targets=TARGETS,
        moves=tuple(KeptMove("", each) for each in moves),
        faults=tuple(KeptFault(kind, "", way) for kind, way in faults),
    )  # fmt: skip


class SinceTheLast(unittest.TestCase):
    def test_what_came_what_did_not_and_what_moved_besides(self):
        before = kept({"a": (10.0, 0.0), "b": (0.0, 8.0)}, [("a", "b")])
        found = since(before, kept({"a": (2.0, 0.0), "b": (0.0, 7.0), "d": (-9.0, 0.0)}))
        self.assertEqual((found.repaired, found.open), (("a",), ("b",)))
        self.assertEqual(found.besides, {"d": (-9.0, 0.0)})

    def test_a_whole_that_was_sent_and_one_that_nobody_sent(self):
        far = dict.fromkeys(TARGETS, (12.0, 0.0))
        found = since(kept(far, [()]), kept({}))
        self.assertEqual((set(found.repaired), found.open, found.besides), (set(TARGETS), (), {}))
        slight = since(kept({}, [()]), kept({"a": (2.5, 0.0)}))
        self.assertEqual((slight.repaired, slight.open, slight.besides), ((), (), {}))

    def test_said(self):
        words = Worked(read_study(json.dumps(planned("wooden_mask")[0]).encode())).words
        found = since(
            kept({"a": (10.0, 0.0), "b": (0.0, 8.0)}, [("a", "b")]),
            kept({"b": (0.0, 7.0), "d": (-9.0, 0.0)}),
        )
        told = say_since(found, words)
        self.assertEqual(told[:2], ["Repaired since: a.", "Not repaired yet: b."])
        self.assertEqual(told[2], "Moved besides, and for the worse: d 9 mm to the left.")


class Habits(unittest.TestCase):
    def test_three_of_the_last_five_are_a_habit_two_are_none(self):
        grown, other = kept({}, faults=[("growth", "more")]), kept({}, faults=[("tilt", "less")])
        found = habits([grown, other, grown, other, grown, other, other])
        self.assertEqual(
            [(e.kind, e.way, e.times, e.of) for e in found], [("growth", "more", 3, 5)]
        )
        self.assertEqual(
            say_habit(found[0]), "Three of your last five drawings grew from where they were begun."
        )
        self.assertEqual(habits([grown, grown]), ())
        self.assertEqual(say_habit(habits([grown] * 3)[0])[:24], "Your last three drawings")

    def test_the_two_ways_of_a_fault_are_no_habit_together(self):
        left, right = kept({}, faults=[("lean", "less")]), kept({}, faults=[("lean", "more")])
        self.assertEqual(habits([left, right, left, right]), ())

    def test_what_has_no_way_is_none(self):
        self.assertEqual(habits([kept({}, faults=[("group", "")])] * 5), ())

    def test_a_habit_is_practised_away(self):
        self.assertLessEqual(set(TRAINED_BY.values()), set(EXERCISES))
        self.assertLessEqual({kind for kind, _ in DID}, set(TRAINED_BY))
        usual = [each.exercise.name for each in todays({}, [], 100.0)]
        wanted = next(name for name in TRAINED_BY.values() if name not in usual)
        self.assertIn(wanted, [e.exercise.name for e in todays({}, [], 100.0, {wanted})])


class Deciding(unittest.TestCase):
    def test_no_other_reading_makes_that_landmark_surer(self):
        adjusted = Worked(
            read_study(json.dumps(planned("boathouse")[0]).encode())
        ).solution.adjusted
        n = adjusted.network.index["jetty_l"]
        found = decides(adjusted, "jetty_l")
        before = np.trace(prior_cofactor(adjusted)[2 * n : 2 * n + 2, 2 * n : 2 * n + 2])
        self.assertIn("jetty_l", (found.start, found.end))
        self.assertGreater(found.gain, 0.3)
        self.assertLess(found.gain, 1.0)
        self.assertEqual(found.settles[0], "jetty_l")
        self.assertGreater(before, 0.0)


if __name__ == "__main__":
    unittest.main()
