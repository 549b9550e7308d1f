"""What is said where the data can't be opened: one sentence, no traceback, nothing overwritten."""

import sqlite3
import tempfile
import unittest
from pathlib import Path

from tests.files import SMALL, as_bytes
from zirkel.errors import BadInput
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study


class Opening(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "zirkel.sqlite"

    def written(self):
        store = Store.at(self.path)
        store.create(read_study(as_bytes(SMALL)))
        store.close()
        for rest in self.path.parent.glob("*-*"):
            rest.unlink()
        return self.path.read_bytes()

    def refused(self, *said):
        with self.assertRaises(BadInput) as caught:
            Store.at(self.path)
        self.assertEqual(caught.exception.field, "data")
        for each in said:
            self.assertIn(each, str(caught.exception))
        self.assertNotIn("\n", str(caught.exception))

    def test_something_else_is_left_as_it_is(self):
        self.path.write_bytes(b"a letter, not a database" * 100)
        self.refused("damaged or no database", "--data")
        self.assertTrue(self.path.read_bytes().startswith(b"a letter"))

    def test_cut_short(self):
        whole = self.written()
        self.path.write_bytes(whole[: len(whole) // 2])
        self.refused("damaged")

    def test_of_a_newer_version(self):
        self.written()
        with sqlite3.connect(self.path) as connection:
            connection.execute("UPDATE alembic_version SET version_num = '9999'")
        self.refused("newer Zirkel")

    def test_a_folder_where_the_file_should_be(self):
        self.path.mkdir()
        self.refused("can't be opened")

    def test_a_file_where_the_folder_should_be(self):
        file = self.path.parent / "file"
        file.write_text("not a folder")
        with self.assertRaises(BadInput):
            Store.at(file / "zirkel.sqlite")


if __name__ == "__main__":
    unittest.main()
