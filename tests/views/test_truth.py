"""What a photograph told of the hand is offered to the next live subject, and to no scene."""

import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from tests.core.check.test_true_places import rougher, sighted
from zirkel.commands.artist import SetLeanings
from zirkel.commands.change_study import change_study
from zirkel.core.artist import Leanings
from zirkel.store.store import Store
from zirkel.views.bench import open_bench
from zirkel.views.truth import open_truth


class Offered(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(self.store.close)
        self.told, _ = sighted("potting_bench", 1, -0.08, 4.0)
        self.live = replace(
            self.told, subject=None, subject_photograph=None, photographed={}, title="Another"
        )

    def add(self, study):
        return self.store.create(study).id

    def test_another_live_subject_is_offered_what_the_photograph_told(self):
        self.add(replace(self.told, subject=None))
        other = self.add(self.live)
        room = open_truth(self.store, other)
        self.assertEqual(room.studies, 1)
        self.assertAlmostEqual(room.offered.length, -0.08, delta=0.03)
        self.assertAlmostEqual(room.offered.tilt_degrees, 4.0, delta=1.5)
        self.assertIn("short", room.record[0])
        self.assertIsNone(open_bench(self.store, other).artist.leanings)

    def test_it_is_taken_over_or_refused_once(self):
        self.add(replace(rougher(self.told, 2, 2.5), subject=None))
        other = self.add(self.live)
        offered = open_truth(self.store, other).offered
        self.assertGreater(offered.trust["tilt"], 1.5)
        after = SetLeanings(**offered.model_dump()).made(self.live)
        self.assertEqual(after.leanings.length, offered.length)
        self.assertEqual(after.trust["tilt"], offered.trust["tilt"])
        change_study(self.store, other, 1, SetLeanings(**offered.model_dump()))
        self.assertIsNone(open_truth(self.store, other).offered)
        refused = SetLeanings().made(self.live)
        self.assertEqual(refused.leanings, Leanings())
        self.assertEqual(refused.trust, self.live.trust)

    def test_a_scene_is_offered_nothing(self):
        self.add(replace(self.told, subject=None))
        scene = self.add(replace(self.told, photographed={}, subject_photograph=None))
        self.assertIsNone(open_truth(self.store, scene).offered)

    def test_nobody_photographed_anything(self):
        room = open_truth(self.store, self.add(self.live))
        self.assertEqual((room.studies, room.record, room.offered), (0, [], None))


if __name__ == "__main__":
    unittest.main()
