"""The wall of a lesson: what is compared with the truth, what can't be, and no broken study hides
another."""

import tempfile
import unittest
from dataclasses import replace
from datetime import timedelta
from pathlib import Path

from sqlalchemy import update
from sqlalchemy.orm import Session

from tests.core.test_lesson import sighted
from zirkel.commands.lessons import join_lesson, make_lesson
from zirkel.core.drawn import KeptCheck
from zirkel.core.lesson.habits import is_common, is_quiet
from zirkel.core.study import UnitLength, UnitPair
from zirkel.core.words.lesson import COMMON, SHOW
from zirkel.store.clock import now
from zirkel.store.store import Store
from zirkel.store.tables import RecordRow, StudyRow
from zirkel.views.lessons import lesson_shown, lesson_wall, list_lessons


class Wall(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(self.store.close)
        self.lesson = make_lesson(self.store, "", "wooden_mask").id

    def pupil(self, name, seed=None, **changed):
        """A pupil who has sighted the scene, the study changed in some way."""
        number = join_lesson(self.store, self.lesson, name, again=False)
        study = self.store.get(number).study
        readings = () if seed is None else sighted(seed).sightings
        self.store.change(number, 1, "Sight it", replace(study, sightings=readings, **changed))
        return number

    def wall(self):
        made = lesson_wall(self.store, self.lesson)
        return made, {each.name: each for each in made.pupils}

    def test_who_is_there_and_does_nothing_is_stuck_and_who_left_or_is_done_is_not(self):
        ada, bo = self.pupil("Ada", 1), self.pupil("Bo")
        with Session(self.store._engine) as session, session.begin():
            session.execute(
                update(StudyRow)
                .where(StudyRow.id.in_((ada, bo)))
                .values(changed_at=now() - timedelta(minutes=5))
            )

        def stuck(**rooms):
            numbers = {{"ada": ada, "bo": bo}[name]: room for name, room in rooms.items()}
            made = lesson_wall(self.store, self.lesson, numbers)
            return {each.name: (each.room, each.stuck) for each in made.pupils}

        self.assertEqual(stuck()["Bo"], (None, None))
        self.assertEqual(stuck(bo="bench")["Bo"], ("bench", "Nothing for 5 minutes."))
        self.assertFalse(is_quiet(5.0, here=True, done=True))
        self.assertFalse(is_quiet(90.0, here=True, done=False))

    def test_without_a_title_it_is_called_as_its_scene(self):
        shown = lesson_shown(self.store, self.lesson)
        self.assertEqual(shown.title, "Wooden mask on a peg")
        listed = list_lessons(self.store)
        self.assertEqual([each.pupils for each in listed.lessons], [0])
        self.assertIn("leaf_tile", [each.name for each in listed.scenes])

    def test_the_truth_fills_the_frame_it_is_drawn_in(self):
        made, _ = self.wall()
        points = [point for line in made.truth for point in line.points]
        self.assertAlmostEqual(max(max(abs(x), abs(y)) for x, y in points), 0.5, places=3)
        self.assertTrue(any(line.closed for line in made.truth))

    def test_more_readings_come_nearer(self):
        few = sighted(3).sightings[:8]
        number = join_lesson(self.store, self.lesson, "Few", again=False)
        study = self.store.get(number).study
        self.store.change(number, 1, "Sight it", replace(study, sightings=few))
        self.pupil("Many", seed=3)
        made, by_name = self.wall()
        self.assertLess(by_name["Many"].near_percent, by_name["Few"].near_percent)
        self.assertGreater(by_name["Many"].held, by_name["Few"].held)
        self.assertLess(by_name["Many"].near_percent, 5.0)
        self.assertIn(made.median_percent, [each.near_percent for each in made.pupils])

    def test_who_counts_in_another_unit_is_not_compared(self):
        self.pupil("Own", seed=1, unit=UnitPair("temple_l", "temple_r", "level", "width"))
        self.pupil("Ruler", seed=2, unit=UnitLength(1.0, "mm", "chin"))
        self.pupil("None", seed=None)
        made, by_name = self.wall()
        for name in ("Own", "Ruler", "None"):
            self.assertIsNone(by_name[name].near_percent, name)
            self.assertEqual((by_name[name].lines, by_name[name].habits), ([], []))
        self.assertIsNone(made.median_percent)

    def test_struck_readings_don_t_count_and_the_last_check_is_told(self):
        readings = tuple(replace(each, struck=True) for each in sighted(4).sightings)
        checks = (KeptCheck("a", "2026-11-02T09:00:00+00:00", "plan", False, 9.0),
                  KeptCheck("b", "2026-11-02T10:00:00+00:00", "plan", True, 2.5))  # fmt: skip
        number = join_lesson(self.store, self.lesson, "Ada", again=False)
        study = self.store.get(number).study
        self.store.change(number, 1, "x", replace(study, sightings=readings, checks=checks))
        _, by_name = self.wall()
        ada = by_name["Ada"]
        self.assertEqual((ada.readings, ada.near_percent), (0, None))
        self.assertEqual((ada.checks, ada.apart_mm), (2, 2.5))

    def test_a_study_that_can_t_be_read_is_told_and_hides_no_other(self):
        broken = self.pupil("Broken", seed=1)
        self.pupil("Whole", seed=2)
        with Session(self.store._engine) as session, session.begin():
            session.execute(
                update(RecordRow).where(RecordRow.study_id == broken).values(body={"id": "only"})
            )
        self.store._worked.clear()
        made, by_name = self.wall()
        self.assertEqual(set(by_name), {"Whole"})
        self.assertEqual(len(made.trouble), 1)
        self.assertIn("Broken", made.trouble[0])

    def test_only_what_is_held_is_compared_and_what_is_loose_drawn_loose(self):
        few = [each for each in sighted(3).sightings if "chin" in each.landmarks][:5]
        number = join_lesson(self.store, self.lesson, "Few", again=False)
        study = self.store.get(number).study
        self.store.change(number, 1, "Sight it", replace(study, sightings=tuple(few)))
        _, by_name = self.wall()
        pupil = by_name["Few"]
        self.assertLess(pupil.held, pupil.landmarks)
        if pupil.near_percent is not None:
            self.assertLess(pupil.near_percent, 15.0)
        self.assertTrue(any(line.loose for line in pupil.lines))
        points = [point for line in pupil.lines for point in line.points]
        self.assertLessEqual(max(max(abs(x), abs(y)) for x, y in points), 1.5)
        self.assertTrue(pupil.tiers[0].startswith("large shapes "))

    def test_the_same_answers_give_the_same_wall_after_a_restart(self):
        for name, seed in (("Ada", 1), ("Bo", 2)):
            number = join_lesson(self.store, self.lesson, name, again=False)
            study = self.store.get(number).study
            for count in range(5, 30, 6):
                readings = sighted(seed).sightings[:count]
                version = self.store.version(number)
                after = self.store.get(number).worked.followed_by(
                    replace(study, sightings=readings)
                )
                self.store.change(number, version, "x", after)
        before, _ = self.wall()
        self.store._worked.clear()
        after, _ = self.wall()
        for one, other in zip(before.pupils, after.pupils, strict=True):
            self.assertAlmostEqual(one.near_percent, other.near_percent, places=6)
            self.assertEqual((one.held, one.tiers, one.habits),
                             (other.held, other.tiers, other.habits))  # fmt: skip

    def test_two_of_five_are_no_class(self):
        self.assertFalse(is_common(2, 3))
        self.assertTrue(is_common(3, 5))
        self.assertFalse(is_common(3, 9))
        self.assertEqual(set(SHOW), set(COMMON))

    def test_what_is_common_is_told_by_how_many_share_it(self):
        for name, seed in (("Ada", 1), ("Bo", 2), ("Cleo", 3)):
            bent = tuple(
                replace(each, units=0.85 * each.units) if each.kind == "span" else each
                for each in sighted(seed).sightings
            )
            number = join_lesson(self.store, self.lesson, name, again=False)
            study = self.store.get(number).study
            self.store.change(number, 1, "x", replace(study, sightings=bent))
        made, _ = self.wall()
        self.assertIn("too short", made.common[0].said)
        self.assertEqual(len(made.common[0].names), 3)
        self.assertIn("arm", made.common[0].show)
        counts = [len(each.names) for each in made.common]
        self.assertEqual(counts, sorted(counts, reverse=True))


if __name__ == "__main__":
    unittest.main()
