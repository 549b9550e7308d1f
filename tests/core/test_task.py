"""A lesson's task: what it allows, until when it is due, when the truth is shown."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta, timezone

from zirkel.core.drawn import Photograph
from zirkel.core.lesson.limits import beyond, truth_is_shown
from zirkel.core.network.candidates import all_candidates
from zirkel.core.network.search import adjust
from zirkel.core.network.what_next import what_next
from zirkel.core.sightings import KINDS, Level, Tilt
from zirkel.core.simulation.begun import study_of_scene
from zirkel.core.study import Landmark, Shape, Study, UnitPair
from zirkel.core.task import HAND_IN, TRUTH, Task
from zirkel.core.words.lesson import say_handed
from zirkel.core.words.task import KIND_WORDS, TRUTH_WORDS, say_asked, say_kinds, say_progress
from zirkel.scenes import shipped_scenes

NAMES = ("a", "b", "c")
TILT = Tilt(id="t", start="a", end="b", degrees=40.0)


def study(**task):
    return Study(
        landmarks=tuple(Landmark(n, n, rough=(i, i * i)) for i, n in enumerate(NAMES)),
        unit=UnitPair("a", "c", "plumb", "unit"),
        shapes=(Shape("s", "s", NAMES),),
        task=Task(lesson="0badcafe", **task),
    )


def asked_for(given):
    """Kinds of all the readings that could be asked for."""
    found = all_candidates(adjust(given))
    return {found.sorts[number][0] for number in found.sort}


class Limits(unittest.TestCase):
    def test_what_the_lesson_gives_stays_and_all_else_is_the_pupil_s(self):
        given = replace(study(), eye_first=True)
        for change in (
            {"unit": None}, {"method": "grid"}, {"eye_first": False}, {"task": None},
        ):  # fmt: skip
            with self.subTest(change):
                self.assertIsNotNone(beyond(given, replace(given, **change)))
                own = replace(given, task=replace(given.task, lesson=None))
                self.assertIsNone(beyond(own, replace(own, **change)))
        for change in ({"title": "Mine"}, {"sightings": (TILT,)}, {"note": "x"}):
            self.assertIsNone(beyond(given, replace(given, **change)), change)

    def test_only_the_kinds_allowed_can_be_read_and_are_asked_for(self):
        given = study(kinds=("tilt", "span"))
        level = Level(id="l", start="a", end="b", offset=0.5)
        self.assertIsNone(beyond(given, replace(given, sightings=(TILT,))))
        field, said = beyond(given, replace(given, sightings=(TILT, level)))
        self.assertEqual(field, "kind")
        self.assertIn("level", said)
        # One that was of an allowed kind can't be corrected into another.
        read = replace(given, sightings=(TILT,))
        self.assertIsNotNone(beyond(read, replace(read, sightings=(replace(level, id="t"),))))
        self.assertIsNone(beyond(read, read))
        mask = study_of_scene(shipped_scenes()["wooden_mask"], None)
        self.assertGreater(len(asked_for(mask)), 2)
        for kinds in (("tilt", "span"), ("span",)):
            self.assertEqual(asked_for(replace(mask, task=Task(kinds=kinds))), set(kinds))
        # Of some kinds nothing is ever proposed: then nothing is asked for.
        self.assertEqual(asked_for(replace(mask, task=Task(kinds=("run",)))), set())
        self.assertEqual(what_next(adjust(replace(mask, task=Task(kinds=("run",))))).sightings, ())

    def test_handed_in_it_stays_as_it_is_until_it_is_taken_back(self):
        at = "2026-11-24T10:00:00+00:00"
        given = replace(study(handed_at=at), sightings=(TILT,))
        self.assertIn("handed in", beyond(given, replace(given, sightings=()))[1])
        self.assertIsNone(beyond(given, replace(given, note="x")))
        back = replace(given, task=replace(given.task, handed_at=None))
        self.assertIsNone(beyond(given, back))

    def test_the_truth_is_shown_when_the_lesson_says(self):
        at = "2026-11-24T10:00:00+00:00"
        shown = {
            (truth, handed): truth_is_shown(study(truth=truth, handed_at=handed))
            for truth in TRUTH for handed in (None, at)
        }  # fmt: skip
        self.assertEqual(
            {key for key, each in shown.items() if each},
            {("any", None), ("any", at), ("handed_in", at)},
        )
        self.assertTrue(truth_is_shown(Study()))
        own = study(truth="never")
        self.assertTrue(truth_is_shown(replace(own, task=replace(own.task, lesson=None))))


class Times(unittest.TestCase):
    def test_minutes_count_from_joining_and_a_day_is_over_at_its_end(self):
        here = timezone(timedelta(hours=2))
        now = datetime(2026, 11, 24, 10, 0, tzinfo=here)
        self.assertEqual(Task(minutes=40).due_from(now), "2026-11-24T10:40:00+02:00")
        self.assertEqual(Task(till="2026-11-30").due_from(now), "2026-11-30T23:59:59+02:00")
        self.assertIsNone(Task().due_from(now))

    def test_late_is_after_it_was_due_whatever_the_zone(self):
        due = "2026-11-24T10:40:00+02:00"
        for handed, late in (("2026-11-24T08:39:00+00:00", False), ("2026-11-24T08:41:00", True)):
            self.assertEqual(Task(due=due, handed_at=handed).late, late)
        self.assertFalse(Task(handed_at=datetime.now(UTC).isoformat()).late)
        self.assertFalse(Task(due=due).late)

    def test_what_is_no_task_is_said(self):
        for wrong in (
            {"kinds": ("nap",)}, {"till": "soon"}, {"minutes": 5.0, "till": "2026-11-24"},
            {"due": "later"}, {"handed_at": "x"},
        ):  # fmt: skip
            self.assertIsNotNone(Task(**wrong).problem(), wrong)
        self.assertIsNone(Task(kinds=("tilt",), till="2026-11-24").problem())


class Words(unittest.TestCase):
    def test_every_choice_has_its_words(self):
        self.assertEqual(set(KIND_WORDS), set(KINDS))
        self.assertEqual(set(TRUTH_WORDS), set(TRUTH))
        said = [say_asked(Task(hand_in=each)) for each in HAND_IN]
        self.assertEqual(len(set(said)), len(HAND_IN))
        self.assertEqual(say_asked(Task(hand_in="readings", readings=1)), "One reading")
        self.assertIsNone(say_kinds(Task()))
        self.assertEqual(say_kinds(Task(kinds=("tilt",))), "Only tilts.")
        self.assertEqual(
            say_kinds(Task(kinds=("level", "span", "tilt"))), "Only lengths, tilts and levels."
        )

    def test_how_far_it_is(self):
        made = replace(study(), sightings=(TILT, replace(TILT, id="u", struck=True)))
        for task, loose, said, done in (
            (Task("readings", 2), (), "1 of 2", False),
            (Task("readings", 1), (), "1 of 1", True),
            (Task(), ("b",), "2 of 3 held", False),
            (Task(), (), "3 of 3 held", True),
            (Task("drawing"), (), "not photographed yet", False),
        ):
            self.assertEqual(say_progress(made, task, loose), (said, done))
        corners = ((0.0, 0.0), (9.0, 0.0), (9.0, 9.0), (0.0, 9.0))
        shot = replace(made, photograph=Photograph("d" * 64, 9, 9, corners), drawn={"a": (1, 1)})
        self.assertEqual(say_progress(shot, Task("drawing"), ()), ("1 of 3 marked", False))

    def test_handed_in_and_late(self):
        self.assertIsNone(say_handed(None))
        self.assertIsNone(say_handed(Task()))
        at, due = "2026-11-24T10:00:00+00:00", "2026-11-24T09:00:00+00:00"
        self.assertEqual(say_handed(Task(handed_at=at)), "Handed in")
        self.assertEqual(say_handed(Task(handed_at=at, due=due)), "Handed in, late")


if __name__ == "__main__":
    unittest.main()
