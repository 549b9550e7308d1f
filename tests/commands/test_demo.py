"""The demonstrations are laid out once, and never over what the user has."""

import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from zirkel.commands.lay_out_demo import lay_out_demo
from zirkel.demo.generate import FOLDER
from zirkel.store.store import Store


class LayingOut(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(self.store.close)

    def test_once_only(self):
        self.assertEqual(len(lay_out_demo(self.store, FOLDER)), 4)
        self.assertEqual(lay_out_demo(self.store, FOLDER), [])
        self.assertEqual(len(self.store.all()), 4)

    def test_a_touched_study_stays_as_it_was_left(self):
        lay_out_demo(self.store, FOLDER)
        stored = self.store.all()[0]
        mine = replace(stored.study, title="Mine now", sightings=())
        self.store.change(stored.id, stored.version, "Clear", mine)
        lay_out_demo(self.store, FOLDER)
        self.assertEqual(self.store.get(stored.id).study, mine)

    def test_one_taken_down_stays_down(self):
        lay_out_demo(self.store, FOLDER)
        self.store.delete(self.store.all()[0].id)
        self.assertEqual(lay_out_demo(self.store, FOLDER), [])
        self.assertEqual(len(self.store.all()), 3)


if __name__ == "__main__":
    unittest.main()
