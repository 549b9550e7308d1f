"""Scenes and pictures in the data folder: kept once, found again, never half; migrated from
before."""

import hashlib
import json
import os
import signal
import subprocess
import sys
import tempfile
import textwrap
import threading
import unittest
from pathlib import Path

from sqlalchemy import inspect

from tests.pictures.images import drawing, saved
from zirkel.errors import BadInput, NotFound
from zirkel.scenes import shipped_file, shipped_scenes
from zirkel.store.database import connect, migrate
from zirkel.store.store import Store

KEEPER = """
import sys
from pathlib import Path
from zirkel.store.store import Store

store = Store.at(Path(sys.argv[1]))
number = 0
while True:
    number += 1
    kept = store.pictures.add(b"picture %d" % number * 20_000, "png", 64, 64)
    print(kept.id, flush=True)
"""


def scene(title, **more):
    document = json.loads(shipped_file("bottle_and_box"))
    return json.dumps({**document, "title": title, **more}).encode()


class ShelfCase(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "zirkel.sqlite"
        self.store = Store.at(self.path)
        self.addCleanup(self.store.close)


class Scenes(ShelfCase):
    def test_kept_and_found_after_a_restart(self):
        added = self.store.scenes.add(scene("Window sill"))
        self.assertEqual(added.name, "window_sill")
        self.store.close()
        again = Store.at(self.path)
        self.addCleanup(again.close)
        self.assertEqual(again.scenes.get("window_sill").landmarks, added.landmarks)
        self.assertEqual(again.scenes.file("window_sill"), scene("Window sill"))
        self.assertEqual(len(again.scenes.all()), len(shipped_scenes()) + 1)

    def test_a_title_of_a_shipped_scene_gets_a_name_of_its_own(self):
        self.assertEqual(self.store.scenes.add(scene("Boathouse")).name, "boathouse_2")
        self.assertEqual(self.store.scenes.get("boathouse").work, "architecture")

    def test_added_from_two_tablets_at_once_it_is_kept_once(self):
        names = []
        threads = [
            threading.Thread(target=lambda: names.append(self.store.scenes.add(scene("Sill")).name))
            for _ in range(6)
        ]
        for each in threads:
            each.start()
        for each in threads:
            each.join()
        self.assertEqual(names, ["sill"] * 6)

    def test_bad_ones_and_missing_ones(self):
        with self.assertRaises(BadInput):
            self.store.scenes.add(b"{}")
        self.assertIsNone(self.store.scenes.find("nowhere"))
        with self.assertRaises(NotFound):
            self.store.scenes.get("nowhere")
        with self.assertRaises(NotFound):
            self.store.scenes.file("nowhere")


class Pictures(ShelfCase):
    def test_the_same_picture_is_kept_once(self):
        data = saved(drawing(), "PNG")
        one, other = (self.store.pictures.add(data, "png", 400, 300) for _ in range(2))
        self.assertEqual(one, other)
        self.assertEqual(one.id, hashlib.sha256(data).hexdigest())
        self.assertEqual(len(list(one.path.parent.iterdir())), 1)
        self.assertEqual(self.store.pictures.get(one.id).path.read_bytes(), data)

    def test_a_file_that_was_taken_away_is_said_to_be_missing(self):
        kept = self.store.pictures.add(b"x" * 100, "png", 64, 64)
        kept.path.unlink()
        with self.assertRaisesRegex(NotFound, "add its file again"):
            self.store.pictures.get(kept.id)
        self.store.pictures.add(b"x" * 100, "png", 64, 64)
        self.assertEqual(self.store.pictures.get(kept.id).width, 64)

    def test_what_was_acknowledged_is_whole_after_a_kill(self):
        command = [sys.executable, "-c", textwrap.dedent(KEEPER), str(self.path)]
        with subprocess.Popen(command, stdout=subprocess.PIPE, text=True) as keeper:
            told = [keeper.stdout.readline().strip() for _ in range(12)]
            os.kill(keeper.pid, signal.SIGKILL)
            told += keeper.stdout.read().split()
        whole = [name for name in told if len(name) == 64]
        self.assertGreaterEqual(len(whole), 12)
        for name in whole:
            kept = self.store.pictures.get(name)
            self.assertEqual(hashlib.sha256(kept.path.read_bytes()).hexdigest(), name)


class FromBefore(unittest.TestCase):
    def test_a_database_of_the_first_version_takes_scenes_and_pictures(self):
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "zirkel.sqlite"
            migrate(path, "0001")
            migrate(path)
            with connect(path).connect() as connection:
                self.assertLessEqual(
                    {"scene", "picture", "record"}, set(inspect(connection).get_table_names())
                )
            again = Store.at(path)
            self.addCleanup(again.close)
            self.assertEqual(again.scenes.add(scene("Sill")).name, "sill")


if __name__ == "__main__":
    unittest.main()
