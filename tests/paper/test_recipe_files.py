"""The recipe as text and as a web page; names in any script; whose papers they are."""

import unittest
from dataclasses import replace
from html import unescape

from tests.networks import RandomNetwork
from tests.paper.words import written
from zirkel.core.words.recipe import say_item, scene_of
from zirkel.core.worked import Worked
from zirkel.paper import PAPERS
from zirkel.paper.page import drawn_by, stand_in


def study_of(**changes):
    study = RandomNetwork(5, n=9, per=4, kinds="sstdl", firm=True).study
    return replace(study, unit_mm=60.0, **changes)


class RecipeFiles(unittest.TestCase):
    def setUp(self):
        self.worked = Worked(study_of(title="Jug & pot"))
        study, words, recipe = self.worked.study, self.worked.words, self.worked.recipe
        scene = scene_of(study, words, recipe, self.worked.squares)
        self.steps = [say_item(each, scene) for each in self.worked.dictation]

    def in_order(self, said, steps):
        at = 0
        for each in steps:
            at = said.index(each, at) + 1

    def test_as_text_every_step_in_its_order_in_lines_that_fit(self):
        said = PAPERS["recipe-text"].make(self.worked).decode()
        self.assertTrue(all(len(line) <= 78 for line in said.splitlines()))
        self.in_order(" ".join(said.split()), self.steps)

    def test_as_a_page_every_step_the_whole_and_nothing_from_elsewhere(self):
        said = PAPERS["recipe-html"].make(self.worked).decode()
        self.in_order(unescape(said), [f"<span>{each}</span>" for each in self.steps])
        self.assertIn("<title>Jug &amp; pot</title>", said)
        self.assertEqual(said.count("</text>"), len(self.worked.recipe.constructions))
        for word in ("http", "src=", "<script"):
            self.assertNotIn(word, said)


class AnyScript(unittest.TestCase):
    def test_what_the_faces_have_is_left_and_the_rest_can_be_read(self):
        for said in ("Kanne, Fuß", "Tüte, œuvre", "1 3/8"):
            self.assertEqual(stand_in(said), said)
        self.assertEqual(stand_in("e\u0301"), "\u00e9")
        for said in ("壺", "جرة", "כד", "กา", "Чайник"):
            self.assertRegex(stand_in(said), "^[A-Za-z ]+$")

    def test_names_in_any_script_stand_on_every_paper(self):
        study = study_of(title="壺と鉢")
        marks = tuple(replace(each, name=f"壺 {each.name}") for each in study.landmarks)
        worked = Worked(replace(study, landmarks=marks))
        for name in ("marks", "recipe", "strips", "tilts"):
            with written() as words:
                PAPERS[name].make(worked)
            self.assertTrue(any("壺" in each.said for each in words))


class Authors(unittest.TestCase):
    def test_a_paper_names_its_title_and_who_draws(self):
        worked = Worked(study_of(title="Jug"))
        with drawn_by("Ines"):
            data = PAPERS["marks"].make(worked)
        self.assertIn(b"/Author (Ines)", data)
        self.assertIn(b"/Title (Jug, marks)", data)
        self.assertNotIn(b"Ines", PAPERS["marks"].make(worked))


if __name__ == "__main__":
    unittest.main()
