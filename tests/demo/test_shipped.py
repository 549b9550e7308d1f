"""The demonstrations that ship: open files, solvable, each with something to show."""

import json
import unittest

from zirkel.canons import head_canons
from zirkel.core.schools import SCHOOLS
from zirkel.core.worked import Worked
from zirkel.demo.generate import FOLDER
from zirkel.scenes import shipped_scenes
from zirkel.studyfile.read import read_study, write_study


class Shipped(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.files = {path.stem: path.read_bytes() for path in FOLDER.glob("*.zirkel.json")}
        cls.studies = {name: read_study(data) for name, data in cls.files.items()}
        cls.worked = {name: Worked(study) for name, study in cls.studies.items()}

    def test_they_are_of_different_subjects(self):
        self.assertEqual(len(self.studies), 4)
        self.assertEqual(len({study.title for study in self.studies.values()}), 4)
        self.assertEqual(len({study.subject.scene for study in self.studies.values()}), 4)

    def test_their_scenes_ship_too(self):
        for name, study in self.studies.items():
            self.assertIn(study.subject.scene, shipped_scenes(), name)
            self.assertIn(study.method, SCHOOLS, name)

    def test_they_are_as_zirkel_writes_them(self):
        for name, study in self.studies.items():
            self.assertEqual(write_study(study), self.files[name], name)
            self.assertEqual(json.loads(self.files[name])["format"], "zirkel-study")

    def test_readings_name_landmarks_and_one_another_s_takes(self):
        for name, study in self.studies.items():
            ids = [each.id for each in study.landmarks]
            self.assertEqual(len(set(ids)), len(ids), name)
            for reading in study.sightings:
                self.assertLessEqual(set(reading.landmarks), set(ids), name)
            self.assertGreaterEqual(len(study.sightings), 2 * (len(ids) - 2), name)

    def test_they_fit_on_their_sheets(self):
        for name, worked in self.worked.items():
            self.assertTrue(worked.plan.fits, name)
            self.assertEqual(list(worked.plan.outside), [], name)

    def test_nearly_all_of_each_is_held(self):
        for name, worked in self.worked.items():
            self.assertLessEqual(len(worked.solution.loose), 1, name)

    def test_one_has_a_wrong_reading_and_a_loose_landmark_to_show(self):
        bench = next(w for n, w in self.worked.items() if n.startswith("potting_bench"))
        self.assertTrue(bench.solution.doubts)
        self.assertEqual(len(bench.solution.loose), 1)
        self.assertEqual(bench.solution.doubts[0].sighting, "s13")

    def test_what_is_told_first_concerns_what_is_loose(self):
        bench = next(w for n, w in self.worked.items() if n.startswith("potting_bench"))
        first = bench.next().sightings[0]
        self.assertIn(bench.solution.loose[0].landmark, (first.start, first.end))

    def test_readings_agree_about_as_well_as_a_hand_does(self):
        for name, worked in self.worked.items():
            factor = worked.solution.variance_factor
            self.assertIsNotNone(factor, name)
            self.assertGreater(factor, 0.3, name)
            self.assertLess(factor, 4.0 if worked.solution.doubts else 2.0, name)
            self.assertEqual(worked.solution.scatter, 1.0, name)
            for take in worked.solution.takes.values():
                self.assertLess(abs(take.drift), 0.1, name)

    def test_each_has_a_recipe_and_something_simple_to_draw_by(self):
        for name, worked in self.worked.items():
            self.assertTrue(worked.recipe.constructions, name)
            self.assertTrue(worked.relations.relations, name)

    def test_the_boathouse_recedes_with_one_tilt_wrong_and_a_third_post_that_is_there(self):
        boathouse = self.worked["boathouse.zirkel"]
        self.assertEqual(boathouse.solution.doubts[0].sighting, "e2")
        self.assertEqual(len(boathouse.perspective.families), 2)
        self.assertLess(abs(boathouse.perspective.eye_level + 1650.0 / 2350.0), 0.1)
        self.assertEqual(len(boathouse.depth_on_sheet.steps[0].made.posts), 3)

    def test_the_bench_has_its_tones_and_one_contradiction(self):
        bench = self.worked["potting_bench.zirkel"]
        self.assertEqual(len(bench.study.tone_areas), 14)
        self.assertEqual([each.reading for each in bench.tones.doubts], ["n28"])
        self.assertEqual(bench.layers.cycles, ())

    def test_the_head_is_turned_as_it_stands(self):
        """28 degrees, less a little for being seen from near."""
        (head,) = self.worked["block_head.zirkel"].heads(head_canons()[1])
        self.assertAlmostEqual(head.fitted.turn, 27.0, delta=2.0 * head.fitted.sd[0])
        self.assertLess(abs(head.fitted.roll), 2.0 * head.fitted.sd[2])
        self.assertTrue(head.departures)
        self.assertIn("ear_top_right", head.predicted)


if __name__ == "__main__":
    unittest.main()
