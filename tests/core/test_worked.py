"""What follows from a study is worked out once, and nobody waits for what he didn't ask for."""

import unittest
from dataclasses import replace
from threading import Event, Thread
from unittest.mock import patch

import numpy as np

from tests.networks import RandomNetwork, hand_study
from zirkel.core import worked as module
from zirkel.core.worked import Worked


class Once(unittest.TestCase):
    def test_a_study_is_solved_once_for_all_that_needs_it(self):
        worked = Worked(hand_study())
        with patch.object(module, "solve", wraps=module.solve) as solving:
            for part in ("solution", "plan", "relations", "words", "recipe"):
                self.assertIs(getattr(worked, part), getattr(worked, part), part)
            self.assertIs(worked.next(), worked.next())
            self.assertIs(worked.ambiguities(), worked.ambiguities())
        self.assertEqual(solving.call_count, 1)

    def test_two_threads_that_ask_for_the_same_wait_for_one_computation(self):
        worked, go, found = Worked(hand_study()), Event(), []

        def slow(*args):
            go.wait(5.0)
            return module_solve(*args)

        module_solve = module.solve
        with patch.object(module, "solve", side_effect=slow) as solving:
            threads = [Thread(target=lambda: found.append(worked.solution)) for _ in range(3)]
            for each in threads:
                each.start()
            go.set()
            for each in threads:
                each.join()
        self.assertEqual(solving.call_count, 1)
        self.assertTrue(all(each is found[0] for each in found))

    def test_the_next_version_does_not_wait_for_the_relations_of_this_one(self):
        worked, begun, go = Worked(hand_study()), Event(), Event()
        self.assertIsNotNone(worked.solution)

        def slow(*args):
            begun.set()
            go.wait(10.0)
            return module_relations(*args)

        module_relations = module.find_relations
        with patch.object(module, "find_relations", side_effect=slow):
            thread = Thread(target=lambda: worked.relations)
            thread.start()
            self.assertTrue(begun.wait(5.0))
            after = worked.followed_by(replace(worked.study, sightings=worked.study.sightings[:-1]))
            self.assertIsNotNone(after.plan)
            self.assertTrue(thread.is_alive())
            go.set()
            thread.join()


class Following(unittest.TestCase):
    def test_what_changes_no_reading_is_not_adjusted_again(self):
        worked = Worked(hand_study())
        self.assertIsNotNone(worked.solution)
        with patch.object(module, "solve", wraps=module.solve) as solving:
            after = worked.followed_by(replace(worked.study, title="Renamed", unit_mm=50.0))
            self.assertEqual(after.solution.landmarks, worked.solution.landmarks)
            self.assertEqual(after.plan.unit_mm, 50.0)
        solving.assert_not_called()

    def test_one_reading_more_or_less_gives_what_a_solve_from_nothing_gives(self):
        for seed in range(6):
            study = RandomNetwork(seed, n=15, per=3, kinds="sstdlpm", firm=True).study
            shorter = replace(study, sightings=study.sightings[:-1])
            for first, then in ((shorter, study), (study, shorter)):
                worked = Worked(first)
                self.assertIsNotNone(worked.solution)
                after = worked.followed_by(then).solution
                cold = Worked(then).solution
                for name, place in cold.landmarks.items():
                    told = after.landmarks[name]
                    self.assertTrue(np.allclose((told.x, told.y), (place.x, place.y), atol=1e-8))
                    self.assertTrue(
                        np.allclose((told.sd_x, told.sd_y), (place.sd_x, place.sd_y), atol=1e-8)
                    )

    def test_a_reading_struck_and_taken_up_again_leads_back(self):
        study = RandomNetwork(3, n=12, per=3, kinds="sstdl", firm=True).study
        first = Worked(study)
        struck = replace(study.sightings[7], struck=True)
        without = first.followed_by(
            replace(study, sightings=(*study.sightings[:7], struck, *study.sightings[8:]))
        )
        self.assertNotIn(struck.id, without.solution.readings)
        again = without.followed_by(study).solution
        for name, place in first.solution.landmarks.items():
            self.assertAlmostEqual(again.landmarks[name].x, place.x, places=8)
            self.assertAlmostEqual(again.landmarks[name].y, place.y, places=8)

    def test_a_landmark_more_starts_where_it_was_tapped(self):
        study = RandomNetwork(4, n=10, per=3, kinds="sdl", firm=True).study
        last = study.landmarks[-1].id
        fewer = replace(
            study,
            landmarks=study.landmarks[:-1],
            sightings=tuple(s for s in study.sightings if last not in s.landmarks),
        )
        worked = Worked(fewer)
        self.assertIsNotNone(worked.solution)
        after, cold = worked.followed_by(study).solution, Worked(study).solution
        self.assertAlmostEqual(after.landmarks[last].x, cold.landmarks[last].x, places=8)


if __name__ == "__main__":
    unittest.main()
