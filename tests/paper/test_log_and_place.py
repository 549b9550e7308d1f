"""The log and the place on paper: photographs that are there, missing or damaged; long stories over
several pages; plans of any size within their page."""

import tempfile
import unittest
from dataclasses import replace
from itertools import combinations
from pathlib import Path

from tests.files import SMALL, as_bytes
from tests.paper.drawn import pages
from tests.paper.words import written
from tests.pictures.images import drawing, saved
from zirkel.core.pose import Block, LogPicture, Place, Sitting
from zirkel.core.worked import Worked
from zirkel.paper import PAPERS, log_pages, place_plan
from zirkel.studyfile.read import read_study

STUDY = read_study(as_bytes(SMALL))
AT = "2026-11-02T09:00:00+00:00"
ENDED = "2026-11-02T10:00:00+00:00"


def sitting(name="s", **more):
    return Sitting(name, AT, (Block("pose", 20.0),), ended=ENDED, **more)


def shown(*names):
    return tuple(LogPicture(each * 64, AT, f"Pass {each}") for each in names)


class Log(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def picture_of(self, name):
        path = self.folder / f"{name}.png"
        return path if path.is_file() else None

    def keep(self, letter, data):
        (self.folder / f"{letter * 64}.png").write_bytes(data)

    def made(self, *sittings):
        study = replace(STUDY, sittings=sittings)
        return log_pages.PAPER.illustrated(Worked(study), self.picture_of)

    def test_photographs_that_are_there_are_on_it(self):
        bare = self.made(sitting(pictures=shown("a")))
        self.keep("a", saved(drawing(), "PNG"))
        with_one = self.made(sitting(pictures=shown("a")))
        self.assertGreater(with_one.count(b"/Subtype /Image"), bare.count(b"/Subtype /Image"))

    def test_one_that_is_damaged_hides_neither_words_nor_others(self):
        self.keep("a", b"no picture")
        self.keep("b", saved(drawing(), "PNG"))
        data = self.made(sitting(pictures=shown("a", "b"), note="Cold."))
        self.assertTrue(data.startswith(b"%PDF"))
        self.assertEqual(data.count(b"/Subtype /Image"), 1)

    def test_of_many_the_last_few_are_shown(self):
        letters = "abcdef0123"
        for k, letter in enumerate(letters):
            self.keep(letter, saved(drawing(40 + k, 30), "PNG"))
        data = self.made(sitting(pictures=shown(*letters)))
        self.assertEqual(data.count(b"/Subtype /Image"), log_pages.MOST_SHOWN)

    def test_a_long_story_runs_over_pages(self):
        sittings = [sitting(f"s{k}", note="Grey light, steady. " * 20) for k in range(25)]
        self.assertGreater(len(list(pages(self.made(*sittings)))), 3)

    def test_a_note_longer_than_a_page_ends_where_each_page_ends(self):
        with written() as words:
            self.made(
                sitting(note="Grey light, steady. " * 190), sitting("s2", note="Warm light. " * 300)
            )
        self.assertGreater(len({each.page for each in words}), 1)
        for each in words:
            self.assertLess(each.box[3], each.size[1] - 6.0, each.said)

    def test_without_photographs_at_hand_it_is_made_too(self):
        study = replace(STUDY, sittings=(sitting(pictures=shown("a")),))
        self.assertTrue(PAPERS["log"].make(Worked(study)).startswith(b"%PDF"))


class Plan(unittest.TestCase):
    def test_any_size_of_room_stays_on_the_page(self):
        for distance in (150.0, 900.0, 2600.0, 12_000.0, 80_000.0, 500_000.0):
            for hour in (0.0, 3.0, 6.0, 9.0):
                place = Place(
                    distance_mm=distance, easel_mm=700.0, easel_hour=hour, light_hour=hour,
                    eye_height_mm=1560.0, board_mm=1300.0 + 80.0 * hour / 3.0,
                )  # fmt: skip
                with written() as words:
                    data = place_plan.PAPER.make(Worked(replace(STUDY, place=place)))
                for a, b in combinations(words, 2):
                    self.assertLess(a.crosses(b), 0.8, (distance, hour, a.said, b.said))
                (page,) = pages(data)
                for ends in page.segments():
                    for x, y in ends:
                        self.assertTrue(-1 <= x <= 211 and -1 <= y <= 298, (distance, hour, x, y))

    def test_a_long_list_runs_over_pages(self):
        words = "Chalk crosses at the front legs of the stool, and so on. " * 60
        place = Place(marks=words[:3900], light=words[:3900], pose=words[:3900])
        with written() as written_there:
            data = place_plan.PAPER.make(Worked(replace(STUDY, place=place)))
        self.assertGreater(len(list(pages(data))), 1)
        for each in written_there:
            self.assertLess(each.box[3], each.size[1] - 6.0, each.said)


if __name__ == "__main__":
    unittest.main()
