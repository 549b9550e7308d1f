"""An artist's own files beside the database: a broken one hides no other, a full shelf still takes
a new version of what is on it, and nothing half-written stands there."""

import tempfile
import unittest
from pathlib import Path

from zirkel.errors import BadInput
from zirkel.studyfile.own_files import keep_own, read_own

ENDING = ".zirkel-word.json"


def word(data):
    """A file of one word."""
    text = data.decode("utf-8", "replace")
    if not text.isalpha():
        raise BadInput("word", f"“{text}” is no word")
    return text


class OwnFiles(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name) / "words"

    def keep(self, name, data, most=3):
        keep_own(self.folder / f"{name}{ENDING}", ENDING, data, "words", most)

    def test_a_folder_that_is_not_there_holds_nothing(self):
        self.assertEqual(read_own(self.folder, ENDING, word), ([], ()))

    def test_kept_and_read_in_the_order_of_their_names(self):
        self.keep("b", b"bench")
        self.keep("a", b"anvil")
        self.assertEqual(read_own(self.folder, ENDING, word), (["anvil", "bench"], ()))

    def test_a_broken_one_is_told_by_its_name_and_hides_no_other(self):
        self.keep("a", b"anvil")
        self.keep("b", b"3 + 4")
        found, wrong = read_own(self.folder, ENDING, word)
        self.assertEqual(found, ["anvil"])
        self.assertEqual(len(wrong), 1)
        self.assertTrue(wrong[0].startswith(f"b{ENDING}: "), wrong)
        self.assertIn("no word", wrong[0])

    def test_what_can_t_be_opened_is_told_too(self):
        self.keep("a", b"anvil")
        (self.folder / f"b{ENDING}").mkdir()
        found, wrong = read_own(self.folder, ENDING, word)
        self.assertEqual((found, len(wrong)), (["anvil"], 1))

    def test_other_files_are_not_looked_at(self):
        self.keep("a", b"anvil")
        (self.folder / "notes.txt").write_text("4 + 5")
        self.assertEqual(read_own(self.folder, ENDING, word), (["anvil"], ()))

    def test_the_same_name_is_replaced_also_on_a_full_shelf(self):
        for name in ("a", "b", "c"):
            self.keep(name, b"old")
        self.keep("b", b"new")
        self.assertEqual(read_own(self.folder, ENDING, word)[0], ["old", "new", "old"])
        with self.assertRaises(BadInput) as caught:
            self.keep("d", b"more")
        self.assertIn("3 words are kept at most", str(caught.exception))
        self.assertEqual(len(read_own(self.folder, ENDING, word)[0]), 3)

    def test_nothing_but_the_file_itself_is_left(self):
        self.keep("a", b"anvil")
        self.assertEqual([each.name for each in self.folder.iterdir()], [f"a{ENDING}"])


if __name__ == "__main__":
    unittest.main()
