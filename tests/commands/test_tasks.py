"""A task given: from a scene, from a study of one's own, from a file; taken up by a pupil."""

import json
import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from tests.commands.test_shelf import own_scene
from tests.core.test_lesson import sighted
from tests.pictures.images import drawing, saved
from zirkel.commands.change_study import change_study
from zirkel.commands.lessons import (
    give_again,
    join_lesson,
    lesson_file,
    make_lesson,
    take_lesson_file,
)
from zirkel.commands.pictures import take_picture
from zirkel.commands.sightings import TakeSighting
from zirkel.commands.studies import begin_from_scene, copy_study, export_study, import_study
from zirkel.commands.subject import ReadPicture
from zirkel.commands.tasks import HandIn, LeaveTask
from zirkel.core.study import Landmark, PictureSubject, Shape, Study, UnitLength, UnitPair
from zirkel.core.task import Task
from zirkel.errors import BadInput, NotFound
from zirkel.store.given import given_by
from zirkel.store.store import Store
from zirkel.views.lessons import lesson_shown, lesson_wall, list_lessons


class TaskCase(unittest.TestCase):
    def setUp(self):
        self.store = self.shelf()

    def shelf(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(store.close)
        return store

    def plate(self, **changed):
        """A study of a photograph of the teacher's own, with its points set on it."""
        kept = take_picture(self.store, saved(drawing(), "PNG")).kept
        points = {"top": (50, 50), "foot": (50, 250), "right": (350, 150)}
        made = Study(
            title="A plate",
            landmarks=tuple(Landmark(n, n, rough=at) for n, at in points.items()),
            unit=UnitPair("top", "foot", "plumb", "post"),
            shapes=(Shape("all", "All", tuple(points)),),
            subject=PictureSubject(kept.id, kept.width, kept.height),
        )
        return self.store.create(replace(made, **changed)).id

    def joined(self, lesson, name="Ada"):
        number = join_lesson(self.store, lesson.id, name, again=False)
        return number, self.store.get(number).study


class Giving(TaskCase):
    def test_each_pupil_begins_with_what_was_asked(self):
        task = Task("readings", 12, ("tilt",), "Look for the lean.", minutes=20)
        lesson = make_lesson(self.store, "Lean", "wooden_mask", None, task, "grid", eye_first=True)
        _, study = self.joined(lesson)
        self.assertEqual((study.title, study.method, study.eye_first), ("Ada: Lean", "grid", True))
        self.assertEqual(study.task.lesson, lesson.id)
        self.assertIsNotNone(study.task.due)
        self.assertEqual(replace(study.task, lesson=None, due=None), task)
        shown = lesson_shown(self.store, lesson.id)
        self.assertEqual((shown.task.asks, shown.task.kinds), ("12 readings", "Only tilts."))

    def test_a_study_of_one_s_own_is_given_without_what_was_read_and_drawn(self):
        own = begin_from_scene(self.store, "wooden_mask", None)
        station = replace(own.study.subject.station, direction_deg=25.0)
        study = replace(
            own.study, sightings=sighted(1).sightings, drawn={"chin": (3.0, 4.0)}, note="mine",
            subject=replace(own.study.subject, station=station),
        )  # fmt: skip
        self.store.change(own.id, 1, "x", study)
        lesson = make_lesson(self.store, "", study=own.id)
        _, theirs = self.joined(lesson)
        self.assertEqual((theirs.sightings, dict(theirs.drawn), theirs.note), ((), {}, None))
        self.assertEqual(theirs.subject.station, station)
        self.assertIn(own.id, [each.id for each in list_lessons(self.store).studies])
        # What the teacher does with it afterwards is not the class's.
        self.store.change(
            own.id, 2, "x", replace(study, sightings=(), shapes=(), landmarks=study.landmarks[:-1])
        )
        self.assertEqual(len(given_by(self.store, lesson).landmarks), len(study.landmarks))

    def test_a_photograph_is_given_and_its_own_points_are_the_truth(self):
        lesson = make_lesson(self.store, "Plate", study=self.plate())
        number, study = self.joined(lesson)
        with self.assertRaisesRegex(BadInput, "kept silent"):
            change_study(self.store, number, 1, ReadPicture())
        # A point pulled elsewhere on one's own picture moves no truth.
        pulled = tuple(
            replace(each, rough=(200, 200)) if each.id == "right" else each
            for each in study.landmarks
        )
        read = [
            {"kind": "span", "id": "x", "from": "top", "to": "right", "along": "level",
             "towards": "right", "units": 1.5},
            {"kind": "level", "id": "x", "from": "top", "to": "right", "offset": 0.5},
            {"kind": "drop", "id": "x", "from": "top", "to": "foot"},
        ]  # fmt: skip
        self.store.change(number, 1, "x", replace(study, landmarks=pulled))
        for version, each in enumerate(read, 2):
            change_study(self.store, number, version, TakeSighting(sighting=each))
        drawn = {"top": (40.0, 40.0), "foot": (40.0, 140.0), "right": (190.0, 90.0)}
        self.store.change(number, 5, "x", replace(self.store.get(number).study, drawn=drawn))
        [pupil] = lesson_wall(self.store, lesson.id).pupils
        self.assertAlmostEqual(pupil.near_percent, 0.0, places=3)
        self.assertAlmostEqual(pupil.drawn_percent, 0.0, places=6)

    def test_what_can_t_be_compared_is_not_given(self):
        for changed, words in (
            ({"subject": None}, "live"),
            ({"unit": UnitLength(1.0, "mm", "top")}, "unit on the subject"),
            ({"landmarks": (Landmark("top", "Top"), Landmark("foot", "Foot")), "shapes": ()},
             "fewer than three"),
        ):  # fmt: skip
            with self.subTest(changed), self.assertRaisesRegex(BadInput, words):
                make_lesson(self.store, "", study=self.plate(**changed))
        with self.assertRaisesRegex(BadInput, "give a scene"):
            make_lesson(self.store, "")
        self.assertEqual(self.store.lessons.all(), [])

    def test_its_own_settings_and_sight_size_go_with_a_study_and_its_file(self):
        number = self.plate(eye_first=True)
        lesson = make_lesson(self.store, "", study=number, method="sight_size_flat")
        given = given_by(self.store, lesson)
        self.assertTrue(given.eye_first)
        other = self.shelf()
        taken = take_lesson_file(other, lesson_file(self.store, lesson.id)[1])
        self.assertEqual(given_by(other, taken), given)

    def test_a_picture_that_is_not_here_is_not_given(self):
        with self.assertRaises(NotFound):
            make_lesson(self.store, "", "wooden_mask", None, Task(picture="d" * 64))
        self.assertEqual(self.store.lessons.all(), [])

    def test_given_again_it_asks_the_same_of_the_next_class(self):
        first = make_lesson(self.store, "Lean", "wooden_mask", None, Task("drawing", minutes=9))
        self.joined(first)
        second = give_again(self.store, first.id)
        self.assertNotEqual(first.id, second.id)
        self.assertEqual(given_by(self.store, first), given_by(self.store, second))
        self.assertEqual(lesson_wall(self.store, second.id).pupils, [])
        old = self.store.lessons.make("Of before", "leaf_tile")
        self.assertIsNone(lesson_shown(self.store, old.id).task)
        self.assertEqual(given_by(self.store, give_again(self.store, old.id)).task, Task())


class Files(TaskCase):
    def test_a_lesson_goes_to_another_shelf_with_its_pictures(self):
        shown = take_picture(self.store, saved(drawing(90, 60), "PNG")).kept.id
        task = Task("drawing", text="Straight sides first.", picture=shown)
        lesson = make_lesson(self.store, "Plate", study=self.plate(), task=task)
        title, data = lesson_file(self.store, lesson.id)
        self.assertEqual(title, "Plate")
        other = self.shelf()
        taken = take_lesson_file(other, data)
        self.assertEqual(given_by(other, taken), given_by(self.store, lesson))
        self.assertTrue(other.pictures.get(shown).path.is_file())
        self.assertEqual(lesson_file(other, taken.id), (title, data))

    def test_a_scene_of_one_s_own_goes_with_it(self):
        scene = self.store.scenes.add(own_scene())
        lesson = make_lesson(self.store, "", scene.name)
        other = self.shelf()
        taken = take_lesson_file(other, lesson_file(self.store, lesson.id)[1])
        self.assertIn(taken.scene, other.scenes.added())
        join_lesson(other, taken.id, "Ada", again=False)

    def test_what_is_wrong_with_a_file_is_said_and_nothing_is_given(self):
        lesson = make_lesson(self.store, "Plate", study=self.plate())
        whole = json.loads(lesson_file(self.store, lesson.id)[1])
        [name] = whole["pictures"]
        other = self.shelf()
        for change, field in (
            ({"format": "zirkel-study"}, "format"),
            ({"study": {"format": "zirkel-study", "version": 1, "task": {"hand_in": "x"}}}, "task"),
            ({"pictures": {name: "?"}}, "pictures"),
            ({"pictures": {name: "AAAA"}}, "pictures"),
            ({"title": ""}, "title"),
        ):
            with self.subTest(change), self.assertRaises(BadInput) as caught:
                take_lesson_file(other, json.dumps({**whole, **change}).encode())
            self.assertIn(field, caught.exception.field)
        with self.assertRaises(NotFound):
            take_lesson_file(other, json.dumps({**whole, "pictures": {}}).encode())
        self.assertEqual(other.lessons.all(), [])


class AtWork(TaskCase):
    def test_handed_in_taken_back_and_gone_on_with(self):
        number, study = self.joined(make_lesson(self.store, "", "wooden_mask"))
        with self.assertRaisesRegex(BadInput, "nothing is read"):
            change_study(self.store, number, 1, HandIn(handed=True))
        self.store.change(number, 1, "x", replace(study, sightings=sighted(1).sightings[:5]))
        change_study(self.store, number, 2, HandIn(handed=True))
        level = TakeSighting(
            sighting={"kind": "level", "id": "x", "from": "chin", "to": "temple_l"}
        )
        with self.assertRaisesRegex(BadInput, "handed in: take it back"):
            change_study(self.store, number, 3, level)
        [pupil] = lesson_wall(self.store, study.task.lesson).pupils
        self.assertEqual(pupil.handed, "Handed in")
        change_study(self.store, number, 3, HandIn(handed=False))
        change_study(self.store, number, 4, level)
        [pupil] = lesson_wall(self.store, study.task.lesson).pupils
        self.assertIsNone(pupil.handed)

    def test_at_home_it_binds_no_longer_and_may_be_left_behind(self):
        lesson = make_lesson(self.store, "", "wooden_mask", None, Task(kinds=("tilt",)))
        number, _ = self.joined(lesson)
        with self.assertRaisesRegex(BadInput, "the lesson's as long"):
            change_study(self.store, number, 1, LeaveTask())
        taken = import_study(self.store, export_study(self.store, number)[1])
        for own in (taken.id, copy_study(self.store, number).id):
            task = self.store.get(own).study.task
            self.assertEqual((task.lesson, task.kinds), (None, ("tilt",)))
            change_study(self.store, own, 1, LeaveTask())
            self.assertIsNone(self.store.get(own).study.task)

    def test_who_looked_at_the_truth_first_is_told_on_the_wall(self):
        lesson = make_lesson(self.store, "", "wooden_mask", None, Task(truth="any"))
        for name, looks in (("First", True), ("Never", False)):
            number, study = self.joined(lesson, name)
            self.store.change(number, 1, "x", replace(study, sightings=sighted(1).sightings[:5]))
            if looks:
                self.store.lessons.looked(number)
        first, never = lesson_wall(self.store, lesson.id).pupils
        self.assertEqual((first.looked, never.looked), (True, False))
        change_study(self.store, never.study_id, 2, HandIn(handed=True))
        change_study(self.store, first.study_id, 2, HandIn(handed=True))
        # Who looks once it is handed in has not looked first.
        task = self.store.get(never.study_id).study.task
        past = replace(task, handed_at="2020-01-01T00:00:00+00:00")
        study = replace(self.store.get(never.study_id).study, task=past)
        self.store.change(never.study_id, 3, "x", study)
        self.store.lessons.looked(never.study_id)
        self.store.lessons.looked(10**6)
        first, never = lesson_wall(self.store, lesson.id).pupils
        self.assertFalse(never.looked)


if __name__ == "__main__":
    unittest.main()
