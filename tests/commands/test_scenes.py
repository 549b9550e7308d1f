"""Scenes are proved before they are kept: drawn, a study made of them, planned."""

import json
import tempfile
import time
import unittest
from pathlib import Path
from unittest import mock

from zirkel.commands import scenes
from zirkel.commands.scenes import add_scene
from zirkel.core.patience import heard_by, no_longer_than, step
from zirkel.errors import BadInput, TooMuchWork
from zirkel.scenes import shipped_file, shipped_scenes
from zirkel.store.store import Store


class Proved(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(self.store.close)
        self.file = {**json.loads(shipped_file("tea_chest")), "title": "A box of mine"}

    def add(self, **changed):
        return add_scene(self.store, json.dumps({**self.file, **changed}).encode())

    def test_a_sound_scene_is_kept(self):
        self.assertEqual(self.add().title, "A box of mine")
        self.assertEqual(len(self.store.scenes.added()), 1)

    def test_one_that_cannot_be_drawn_is_not(self):
        cannot = mock.patch.object(scenes, "drawn", side_effect=ValueError("a hole in a line"))
        with cannot, self.assertRaises(BadInput) as caught:
            self.add()
        self.assertIn("a hole in a line", str(caught.exception))
        self.assertEqual(self.store.scenes.added(), {})

    def test_one_that_takes_too_long_is_not(self):
        solid = self.file["solids"][0]
        many = [*self.file["solids"], *({**solid, "id": f"more{k}"} for k in range(40))]
        with mock.patch.object(scenes, "MOST_S", 0.02), self.assertRaises(BadInput) as caught:
            self.add(solids=many)
        self.assertEqual(caught.exception.field, "solids")
        self.assertEqual(self.store.scenes.added(), {})

    def test_every_shipped_scene_would_be_taken(self):
        for name in list(shipped_scenes())[:3]:
            scene = {**json.loads(shipped_file(name)), "title": f"Mine: {name}"}
            add_scene(self.store, json.dumps(scene).encode())
        self.assertEqual(len(self.store.scenes.added()), 3)


class Bound(unittest.TestCase):
    def test_work_ends_by_its_own_processor_time_alone(self):
        with heard_by(no_longer_than(0.05)):
            time.sleep(0.1)
            step("sleeping costs nothing")
            until = time.thread_time() + 0.06
            while time.thread_time() < until:
                pass
            with self.assertRaises(TooMuchWork) as caught:
                step("working")
        self.assertIn("Nothing was changed", str(caught.exception))


if __name__ == "__main__":
    unittest.main()
