"""The place and the sets as the room shows them: what was written, what a station tells, and the
artist's own files beside those that ship."""

import json
import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from tests.files import SMALL, as_bytes
from tests.studyfile.test_poses import MINE
from zirkel.commands.lists import MY_OWN, keep_list
from zirkel.commands.studies import begin_from_scene
from zirkel.core.pose import Block, Place, Sitting
from zirkel.errors import BadInput, NotFound
from zirkel.kits import shipped_kits
from zirkel.materials import all_materials
from zirkel.poses import FIRST, shipped_poses
from zirkel.store.store import Store
from zirkel.studyfile.materials_file import FileItem
from zirkel.studyfile.poses_file import PosesFile
from zirkel.studyfile.read import read_study
from zirkel.views import sitting as module
from zirkel.views.place import place_shown
from zirkel.views.sitting import clock_of, drop_poses, keep_poses, open_sitting

STUDY = read_study(as_bytes(SMALL))
AT = "2026-11-02T09:00:00+00:00"


class Shown(unittest.TestCase):
    def test_nothing_written_down_is_said_to_be_so(self):
        shown = place_shown(STUDY)
        self.assertFalse(shown.written)
        self.assertEqual((shown.plan, shown.checklist), (None, []))

    def test_written_down_it_has_its_plan_with_words_on_its_lines(self):
        place = Place(distance_mm=2600.0, easel_mm=700.0, light_hour=3.0)
        shown = place_shown(replace(STUDY, place=place))
        self.assertTrue(shown.written)
        self.assertEqual((shown.plan.distance, shown.plan.easel), ("2.60 m", "70 cm"))
        self.assertGreater(shown.plan.light[0], 0.0)
        inches = place_shown(replace(STUDY, place=place, inches=True))
        self.assertEqual(inches.plan.distance, "102 in")

    def test_a_place_without_a_distance_has_a_list_but_no_plan(self):
        shown = place_shown(replace(STUDY, place=Place(marks="Chalk")))
        self.assertIsNone(shown.plan)
        self.assertEqual(shown.checklist[0], "On the marks: Chalk.")


class RoomCase(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(self.store.close)
        self.number = self.store.create(STUDY).id

    def room(self, **asked):
        return open_sitting(self.store, self.number, asked.pop("minutes", 10.0), **asked)


class Sets(RoomCase):
    def test_those_that_ship_are_there_and_none_is_own(self):
        room = self.room()
        self.assertEqual([each.name for each in room.sets], list(shipped_poses()))
        self.assertFalse(any(each.own for each in room.sets))
        self.assertEqual((room.usual_set, room.sets_trouble), (FIRST, []))

    def test_an_own_one_of_a_shipped_name_takes_its_place_until_taken_away(self):
        own = PosesFile.model_validate(MINE | {"name": FIRST, "title": "Ten of my own"})
        keep_poses(self.store, own)
        shown = {each.name: each for each in self.room().sets}
        self.assertEqual((shown[FIRST].title, shown[FIRST].own), ("Ten of my own", True))
        self.assertEqual(len(shown), len(shipped_poses()))
        drop_poses(self.store, FIRST)
        self.assertFalse({each.name: each for each in self.room().sets}[FIRST].own)
        with self.assertRaises(NotFound):
            drop_poses(self.store, FIRST)

    def test_a_broken_file_is_told_and_doesn_t_hinder_taking_another_away(self):
        keep_poses(self.store, PosesFile.model_validate(MINE))
        (self.store.folder / "poses" / "a.zirkel-poses.json").write_text("{")
        self.assertEqual(len(self.room().sets_trouble), 1)
        drop_poses(self.store, MINE["name"])
        self.assertEqual(len(self.room().sets), len(shipped_poses()))

    def test_there_are_only_so_many(self):
        most, module.MOST_SETS = module.MOST_SETS, 1
        self.addCleanup(setattr, module, "MOST_SETS", most)
        keep_poses(self.store, PosesFile.model_validate(MINE))
        keep_poses(self.store, PosesFile.model_validate(MINE | {"title": "Anew"}))
        with self.assertRaises(BadInput):
            keep_poses(self.store, PosesFile.model_validate(MINE | {"name": "other"}))
        kept = json.loads((self.store.folder / "poses" / "thursday.zirkel-poses.json").read_text())
        self.assertEqual(kept["title"], "Anew")

    def test_a_set_that_is_not_there_parts_the_time_as_usual(self):
        usual = [each.stage for each in self.room().plan.stages]
        self.assertEqual([e.stage for e in self.room(poses="nowhere").plan.stages], usual)
        keep_poses(self.store, PosesFile.model_validate(MINE))
        own = self.room(poses="thursday").plan.stages
        self.assertEqual([each.stage for each in own], ["sight", "draw"])
        self.assertAlmostEqual(own[0].minutes, 2.0 * own[1].minutes)


class Clock(RoomCase):
    def going(self, **more):
        blocks = (Block("pose", 20.0), Block("rest", 5.0), Block("work", 10.0))
        return replace(STUDY, sittings=(Sitting("s", AT, blocks, **more),))

    def test_each_pose_has_its_stages_and_a_rest_has_none(self):
        shown = clock_of(self.going())
        parts = [sum(each.minutes for each in block.stages) for block in shown.blocks]
        for found, wanted in zip(parts, (20.0, 0.0, 10.0), strict=True):
            self.assertAlmostEqual(found, wanted)

    def test_by_own_stages_it_runs_by_those(self):
        shown = clock_of(self.going(shares={"sight": 3.0, "tone": 1.0}))
        self.assertEqual([each.name for each in shown.blocks[0].stages], ["Sight", "Tone"])
        self.assertAlmostEqual(shown.blocks[0].stages[0].minutes, 15.0)

    def test_without_a_sitting_there_is_none(self):
        self.assertIsNone(clock_of(STUDY))
        self.assertIsNone(clock_of(self.going(ended=AT)))


class BeforeAScene(RoomCase):
    def test_what_the_station_tells_is_shown_but_isn_t_written(self):
        number = begin_from_scene(self.store, "wooden_mask", None).id
        shown = open_sitting(self.store, number, 10.0).place
        self.assertFalse(shown.written)
        self.assertIsNotNone(shown.plan)
        self.assertIsNone(shown.place.eye_height_mm)
        self.assertIsNone(self.store.get(number).study.place)


class Lists(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(self.store.close)
        self.folder = self.store.folder / "materials"

    def held(self, name):
        return [each.what for each in all_materials(self.folder)[0][name].items]

    def test_a_shipped_list_is_written_anew_and_given_up(self):
        before = self.held("everyday")
        keep_list(self.store, "everyday", [FileItem(what="A thermos")])
        self.assertEqual(self.held("everyday"), ["A thermos"])
        keep_list(self.store, "everyday", [FileItem(what="Two"), FileItem(what="Three")])
        self.assertEqual(self.held("everyday"), ["Two", "Three"])
        self.assertEqual(len(list(self.folder.iterdir())), 1)
        keep_list(self.store, "everyday", [])
        self.assertEqual(self.held("everyday"), before)

    def test_an_own_list_and_none_of_that_name(self):
        keep_list(self.store, MY_OWN, [FileItem(what="Blue apron", stage="clean")])
        self.assertEqual(self.held(MY_OWN), ["Blue apron"])
        with self.assertRaises(NotFound):
            keep_list(self.store, "nothing", [FileItem(what="x")])
        keep_list(self.store, MY_OWN, [])
        self.assertNotIn(MY_OWN, all_materials(self.folder)[0])

    def test_a_kit_says_what_it_is_of(self):
        kits = shipped_kits()
        self.assertEqual(kits["figure_seated"].about, "sitter")
        self.assertEqual(kits["street_corner"].about, "building")
        self.assertTrue(all(each.about for each in kits.values()))


if __name__ == "__main__":
    unittest.main()
