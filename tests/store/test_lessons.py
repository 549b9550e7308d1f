"""Lessons and cards in the database: who joined what, what is kept of the wall."""

import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from tests.files import SMALL, as_bytes
from zirkel.errors import BadInput, NotFound
from zirkel.store import lessons as module
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study

STUDY = read_study(as_bytes(SMALL))


class StoreCase(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "zirkel.sqlite"
        self.store = Store.at(self.path)

    def tearDown(self):
        self.store.close()

    def study(self, title="Study"):
        return self.store.create(replace(STUDY, title=title)).id

    def again(self):
        """The same file, opened anew."""
        self.store.close()
        self.store = Store.at(self.path)


class Lessons(StoreCase):
    def test_pupils_are_listed_by_name_whatever_its_letters(self):
        lesson = self.store.lessons.make("Mask", "wooden_mask")
        for name in ("cleo", "Ada", "bo", "Åse"):
            self.store.lessons.join(lesson.id, name, self.study(name))
        self.again()
        self.assertEqual(
            [each.name for each in self.store.lessons.pupils(lesson.id)],
            ["Ada", "bo", "cleo", "Åse"],
        )
        ((found, count),) = self.store.lessons.all()
        self.assertEqual((found, count), (lesson, 4))

    def test_the_latest_comes_first_and_each_has_an_address_of_its_own(self):
        made = [self.store.lessons.make(f"Lesson {k}", "leaf_tile") for k in range(5)]
        self.assertEqual(len({each.id for each in made}), 5)
        listed = [each.title for each, _ in self.store.lessons.all()]
        self.assertEqual(sorted(listed), sorted(each.title for each in made))
        times = [each.made_at for each, _ in self.store.lessons.all()]
        self.assertEqual(times, sorted(times, reverse=True))

    def test_a_study_taken_down_is_no_pupil_s_until_it_hangs_again(self):
        lesson = self.store.lessons.make("Mask", "wooden_mask")
        study = self.study()
        self.store.lessons.join(lesson.id, "Ada", study)
        self.store.delete(study)
        self.assertEqual(self.store.lessons.pupils(lesson.id), [])
        self.store.delete(study, deleted=False)
        self.assertEqual([e.study_id for e in self.store.lessons.pupils(lesson.id)], [study])

    def test_closed_and_opened_again(self):
        lesson = self.store.lessons.make("Mask", "wooden_mask")
        self.assertFalse(lesson.closed)
        self.assertTrue(self.store.lessons.close(lesson.id, True).closed)
        self.again()
        self.assertTrue(self.store.lessons.get(lesson.id).closed)
        self.assertFalse(self.store.lessons.close(lesson.id, False).closed)

    def test_what_is_not_there_is_said(self):
        for asked in (
            lambda: self.store.lessons.get("00000000"),
            lambda: self.store.lessons.close("00000000", True),
            lambda: self.store.lessons.join("00000000", "Ada", 1),
        ):
            with self.assertRaises(NotFound):
                asked()
        self.assertEqual(self.store.lessons.pupils("00000000"), [])

    def test_there_are_only_so_many(self):
        most, module.MOST_LESSONS = module.MOST_LESSONS, 2
        self.addCleanup(setattr, module, "MOST_LESSONS", most)
        for _ in range(2):
            self.store.lessons.make("Mask", "wooden_mask")
        with self.assertRaises(BadInput):
            self.store.lessons.make("Mask", "wooden_mask")


class Cards(StoreCase):
    def listed(self, by="this"):
        return {each.id: each for each in self.store.cards.listed(by)}

    def test_a_card_is_of_one_version_and_one_zirkel(self):
        study = self.study()
        self.assertIsNone(self.listed()[study].card)
        self.store.cards.keep(study, 1, "this", {"title": "A"})
        self.again()
        self.assertEqual(self.listed()[study].card, {"title": "A"})
        self.assertIsNone(self.listed("another")[study].card)
        self.store.change(study, 1, "Rename", replace(STUDY, title="B"))
        self.assertIsNone(self.listed()[study].card)
        self.store.cards.keep(study, 2, "this", {"title": "B"})
        self.assertEqual(self.listed()[study].card, {"title": "B"})

    def test_a_study_that_is_gone_gets_no_card(self):
        self.store.cards.keep(99, 1, "this", {})
        self.assertEqual(self.listed(), {})

    def test_who_listens_is_told_of_every_version_after_it_is_kept(self):
        heard = []
        self.store.heard.append(
            lambda study, version: heard.append((study, version, self.store.version(study)))
        )
        study = self.study()
        self.assertEqual(heard, [])
        self.store.change(study, 1, "Rename", replace(STUDY, title="B"))
        self.store.undo(study, 2)
        self.store.redo(study, 3)
        self.assertEqual(heard, [(study, 2, 2), (study, 3, 3), (study, 4, 4)])


if __name__ == "__main__":
    unittest.main()
