"""On every paper of every demonstration, and of a study of forty landmarks, words lie on the page,
away from its edge, and none over another."""

import tempfile
import unittest
from collections import defaultdict
from dataclasses import replace
from itertools import combinations
from pathlib import Path

from tests.networks import RandomNetwork
from tests.paper.words import written
from zirkel.commands.lay_out_demo import lay_out_demo
from zirkel.demo.generate import FOLDER
from zirkel.errors import ZirkelError
from zirkel.paper import PAPERS
from zirkel.store.store import Store
from zirkel.views.take_along import take_along

AT_TRUE_SIZE = ("marks", "grid", "tones")
"""Papers as large as the sheet itself, on which words stand where the drawing is."""

EDGE, OVER = 6.0, 0.8
"""What printers leave free, and by how much two may touch, in mm."""


class Words(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        cls.addClassCleanup(cls.store.close)
        lay_out_demo(cls.store, FOLDER)
        for each in list(cls.store.all()):
            inches = replace(each.study, title=f"{each.study.title}, in inches", inches=True)
            cls.store.create(inches)
        many = RandomNetwork(4, n=40, kinds="stdl").study
        cls.store.create(replace(many, title="Forty landmarks", inches=True))
        cls.found = {}
        for stored in cls.store.all():
            for name in PAPERS:
                with written() as found:
                    try:
                        take_along(cls.store, stored.id, name)
                    except ZirkelError:
                        continue
                cls.found[stored.study.title, name] = list(found)

    def test_there_are_papers_of_five_studies_for_both_printers(self):
        self.assertEqual(len({title for title, _ in self.found}), 9)
        self.assertGreater(sum(map(len, self.found.values())), 1000)

    def test_every_word_lies_on_its_page_and_where_a_printer_prints(self):
        for (title, name), words in self.found.items():
            for each in words:
                edge = 0.0 if name in AT_TRUE_SIZE or each.kept else EDGE
                left, top, right, bottom = each.box
                inside = (
                    left >= edge and top >= edge
                    and right <= each.size[0] - edge and bottom <= each.size[1] - edge
                )  # fmt: skip
                self.assertTrue(inside, (title, name, each.said, each.box))

    def test_no_word_lies_over_another(self):
        for (title, name), words in self.found.items():
            pages = defaultdict(list)
            for each in words:
                pages[each.page].append(each)
            for page in pages.values():
                for a, b in combinations(page, 2):
                    self.assertLess(a.crosses(b), OVER, (title, name, a.said, b.said))

    def test_a_recipe_is_two_pages_in_letters_for_an_arm_s_length(self):
        for (title, name), words in self.found.items():
            if name == "recipe" and title != "Forty landmarks":
                self.assertLessEqual(len({each.page for each in words}), 2, title)
                least = min(each.high for each in words if not each.said.startswith("100 mm"))
                self.assertGreaterEqual(least, 3.2, title)


if __name__ == "__main__":
    unittest.main()
