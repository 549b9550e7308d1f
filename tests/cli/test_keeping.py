"""`zirkel backup`, `restore`, `pack` and `unpack`, as typed."""

import contextlib
import io
import tempfile
import unittest
import urllib.request
from pathlib import Path

from tests.cli.typed import zirkel
from tests.serving import Server
from zirkel.cli.main import main
from zirkel.store.store import Store


class Keeping(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.data = self.folder / "data"
        Store.at(self.data / "zirkel.sqlite").close()

    def test_copied_listed_and_put_back(self):
        self.assertIn("no copies", zirkel("restore", "--data", self.data).stdout)
        made = zirkel("backup", "--data", self.data)
        name = made.stdout.split()[0]
        self.assertIn(name, zirkel("restore", "--data", self.data).stdout)
        done = zirkel("restore", name, "--data", self.data)
        self.assertEqual((done.returncode, done.stderr), (0, ""))
        self.assertIn("is in place", done.stdout)
        odd = zirkel("restore", "another", "--data", self.data)
        self.assertEqual((odd.returncode, odd.stdout, odd.stderr.count("\n")), (2, "", 1))

    def test_not_while_it_is_served(self):
        name = zirkel("backup", "--data", self.data).stdout.split()[0]
        server = Server(self.data, demo=False)
        server.start()
        self.addCleanup(server.kill)
        refused = zirkel("restore", name, "--data", self.data)
        self.assertEqual(refused.returncode, 2)
        self.assertIn("stop the Zirkel that serves it first", refused.stderr)
        urllib.request.urlopen(server.address + "/api/v1/studies").close()

    def test_packed_and_unpacked_elsewhere(self):
        file, there = self.folder / "shelf.zip", self.folder / "there"
        said = io.StringIO()
        with contextlib.redirect_stdout(said):
            self.assertEqual(main(["pack", str(file), "--data", str(self.data)]), 0)
            self.assertEqual(main(["unpack", str(file), "--data", str(there)]), 0)
        before = file.read_bytes()
        with contextlib.redirect_stderr(io.StringIO()) as told:
            self.assertEqual(main(["pack", str(file), "--data", str(self.data)]), 2)
        self.assertIn("is there already", told.getvalue())
        self.assertEqual(file.read_bytes(), before)
        with contextlib.redirect_stdout(io.StringIO()):
            self.assertEqual(main(["pack", str(file), "--data", str(self.data), "--replace"]), 0)
        self.assertIn("New: 0 studies", said.getvalue())
        self.assertTrue((there / "zirkel.sqlite").is_file())
        self.assertEqual(list(self.folder.glob("*.new")), [])

    def test_what_can_t_be_is_said_in_one_sentence(self):
        for words, said in (
            (("backup", "--data", self.folder / "none"), "there is no zirkel.sqlite"),
            (("pack", self.folder / "none" / "x.zip", "--data", self.data), "can't be written"),
            (("unpack", self.folder / "none.zip", "--data", self.data), "can't be read"),
            (("unpack", self.data / "zirkel.sqlite", "--data", self.data), "no archive"),
        ):
            done = zirkel(*words)
            self.assertEqual((done.returncode, done.stdout, done.stderr.count("\n")), (2, "", 1))
            self.assertIn(said, done.stderr)


if __name__ == "__main__":
    unittest.main()
