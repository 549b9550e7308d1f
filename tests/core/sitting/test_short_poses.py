"""Short poses: a study for each, a box and three readings, and what they have in common."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta

from tests.core.sitting.test_clock import sighted
from zirkel.core.network.solve import solve
from zirkel.core.pose import Block
from zirkel.core.sightings import Span, Tilt
from zirkel.core.sitting.clock import moment
from zirkel.core.sitting.short_poses import (
    READINGS,
    asked_of,
    in_a_short_pose,
    in_common,
    left_loose,
    one_each,
)
from zirkel.core.words.base import Words
from zirkel.core.words.short_poses import say_common, say_never_held
from zirkel.core.worked import Worked

BEGAN = datetime(2026, 5, 4, 18, 0, tzinfo=UTC)
BLOCKS = (Block("pose", 2.0), Block("pose", 2.0), Block("rest", 3.0), Block("pose", 5.0))


def read_as(study, *readings):
    made = [
        kind(id=f"r{k}", start=start, end=end, **values)
        for k, (kind, start, end, values) in enumerate(readings)
    ]
    return replace(study, sightings=tuple(made))


class ShortPoses(unittest.TestCase):
    def setUp(self):
        self.study = sighted()
        self.made = one_each(self.study, BLOCKS, "abc", BEGAN)
        self.names = [each.id for each in self.study.landmarks]

    def test_each_pose_is_a_study_of_its_own_that_begins_in_its_turn(self):
        self.assertEqual(len(self.made), 3)
        starts = [moment(each.sittings[0].at) - BEGAN for each in self.made]
        self.assertEqual(starts, [timedelta(minutes=m) for m in (0, 2, 7)])
        for number, each in enumerate(self.made, 1):
            self.assertTrue(each.title.endswith(f", pose {number} of 3"))
            self.assertEqual((each.sightings, each.checks, dict(each.drawn)), ((), (), {}))
            self.assertEqual(each.landmarks, self.study.landmarks)
            self.assertTrue(in_a_short_pose(each))
        self.assertFalse(in_a_short_pose(self.study))

    def test_a_box_and_three_readings_are_asked_and_then_nothing(self):
        study = self.made[0]
        asked = asked_of(solve(study).adjusted)
        boxes = [each for each in asked if each.kind == "span" and each.along]
        self.assertGreaterEqual(len(boxes), 1)
        self.assertLessEqual(len(asked), READINGS + 2)
        n = self.names
        full = read_as(
            study,
            (Span, n[0], n[1], {"units": 2.0, "along": "plumb"}),
            (Span, n[0], n[2], {"units": 1.0, "along": "level"}),
            *((Tilt, n[0], n[k], {"degrees": 20.0 * k}) for k in range(3, 3 + READINGS)),
        )
        self.assertEqual(asked_of(solve(full).adjusted), ())

    def test_what_stays_and_what_the_pose_changes(self):
        a, b, c = self.names[:3]
        studies = [
            read_as(
                each,
                (Span, a, b, {"units": 3.0 + 0.02 * k, "along": "plumb"}),
                (Tilt, a, c, {"degrees": (170.0 + 30.0 * k) % 180.0}),
            )
            for k, each in enumerate(self.made)
        ]
        found = in_common(studies)
        self.assertEqual([each.alike for each in found], [True, False])
        self.assertEqual(in_common(studies[:2]), [])
        words = Worked(self.study).words
        said = say_common(found, words)
        self.assertIn("In 3 poses the same: ", said[0])
        self.assertIn("not the same", said[1])

    def test_tilts_about_the_plumb_are_one_value(self):
        a, b = self.names[:2]
        studies = [
            read_as(each, (Tilt, a, b, {"degrees": degrees}))
            for each, degrees in zip(self.made, (179.5, 0.0, 0.5), strict=True)
        ]
        self.assertTrue(in_common(studies)[0].alike)

    def test_what_nothing_held_three_times(self):
        a, b, c = self.names[:3]
        read = [read_as(each, (Span, a, b, {"units": 1.0, "along": "level"})) for each in self.made]
        self.assertEqual(left_loose([(each, [c]) for each in read]), [c])
        self.assertEqual(left_loose([(each, [c]) for each in read[:2]]), [])
        self.assertEqual(left_loose([(each, [c]) for each in self.made]), [])
        self.assertIsNone(say_never_held([]))
        self.assertIn("Foot", say_never_held(["Foot"]))
        self.assertIsInstance(Worked(self.study).words, Words)


if __name__ == "__main__":
    unittest.main()
