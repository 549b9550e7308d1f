"""Lists of what to lay out: those that ship, an artist's own, broken ones; and series files."""

import json
import tempfile
import unittest
from pathlib import Path

from zirkel.core.schools import SCHOOLS
from zirkel.core.sitting.materials import fitting
from zirkel.core.study import ABOUT
from zirkel.errors import BadInput
from zirkel.materials import ENDING, FOLDER, all_materials, shipped_materials
from zirkel.media import shipped_media
from zirkel.scenes import shipped_scenes
from zirkel.series import FOLDER as SERIES
from zirkel.series import own_series, shipped_series
from zirkel.studyfile.materials_file import read_materials
from zirkel.studyfile.series_file import read_series, write_series

EVERYDAY = json.loads((FOLDER / f"everyday{ENDING}").read_text())
PLAN = json.loads((SERIES / "flat_to_figure.zirkel-series.json").read_text())


def as_bytes(document):
    return json.dumps(document).encode()


class Shipped(unittest.TestCase):
    def test_every_school_lays_something_out_and_names_only_schools(self):
        lists = shipped_materials()
        self.assertEqual(next(iter(lists)), "everyday")
        for each in lists.values():
            self.assertLessEqual(set(each.schools), set(SCHOOLS), each.name)
            self.assertTrue(each.cautions, each.name)
            self.assertLessEqual(set(each.about), set(ABOUT), each.name)
            self.assertLessEqual(set(each.media), set(shipped_media()), each.name)
        for school in SCHOOLS:
            laid = fitting(lists.values(), school)
            self.assertEqual(laid[0].name, "everyday", school)
        self.assertEqual([e.name for e in fitting(lists.values(), "grid")], ["everyday"])

    def test_what_is_drawn_and_on_what_brings_its_own(self):
        lists = shipped_materials().values()

        def laid(*of):
            return [each.name for each in fitting(lists, *of)]

        self.assertEqual(laid("sight_size_life", "sitter"), ["everyday", "from_life", "sight_size"])
        self.assertEqual(laid("grid", "still_life", "chalks_toned", "toned"),
                         ["everyday", "still_life", "toned_paper"])  # fmt: skip
        for about in ("building", "outdoors"):
            self.assertEqual(laid("grid", about), ["everyday", "outdoors"])
        self.assertEqual(laid("grid", "copy", "pencil_white", "white"), ["everyday", "copy"])

    def test_each_thing_brings_only_what_can_hurt_there(self):
        def told(about):
            return " ".join(c for each in fitting(shipped_materials().values(), "grid", about)
                            for c in each.cautions)  # fmt: skip

        self.assertIn("sun", told("building"))
        self.assertNotIn("sitter", told("building"))
        self.assertIn("may stop at any time", told("sitter"))
        for word in ("traffic", "they may stop"):
            self.assertNotIn(word, told("still_life"))

    def test_a_list_for_what_nobody_draws_is_refused(self):
        file = {"format": "zirkel-materials", "version": 1, "name": "x", "title": "X",
                "items": [{"what": "Chalk"}], "about": ["ghosts"]}  # fmt: skip
        with self.assertRaisesRegex(BadInput, "“ghosts” is nothing that is drawn"):
            read_materials(as_bytes(file))

    def test_cautions_name_what_can_hurt_and_who_comes_first(self):
        told = " ".join(c for each in shipped_materials().values() for c in each.cautions)
        for word in ("blades", "label and local rules", "shoulder", "stop at any time", "traffic"):
            self.assertIn(word, told)

    def test_the_shipped_series_names_scenes_that_ship_each_once(self):
        for series in shipped_series().values():
            scenes = [each.scene for each in series.steps]
            self.assertEqual(len(set(scenes)), len(scenes))
            self.assertLessEqual(set(scenes), set(shipped_scenes()))
            for each in series.steps:
                self.assertTrue(each.trains.endswith("."), each.title)
                self.assertTrue(each.how.endswith("."), each.title)


class Own(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def test_one_s_own_is_added_or_takes_a_shipped_one_s_place(self):
        mine = {**EVERYDAY, "items": [{"what": "My grandfather's stool"}]}
        (self.folder / f"a{ENDING}").write_bytes(as_bytes(mine))
        (self.folder / f"b{ENDING}").write_bytes(as_bytes({**mine, "name": "b", "title": "B"}))
        found, wrong = all_materials(self.folder)
        self.assertEqual(wrong, ())
        self.assertEqual(found["everyday"].items[0].what, "My grandfather's stool")
        self.assertEqual(len(found), len(shipped_materials()) + 1)

    def test_broken_ones_are_told_by_their_file_and_hide_no_other(self):
        (self.folder / f"broken{ENDING}").write_text("{")
        (self.folder / "bad.zirkel-series.json").write_text('{"format": "zirkel-series"}')
        found, wrong = all_materials(self.folder)
        self.assertEqual(found, shipped_materials())
        self.assertEqual(len(wrong), 1)
        self.assertIn(f"broken{ENDING}", wrong[0])
        series, trouble = own_series(self.folder)
        self.assertEqual((series, len(trouble)), ({}, 1))
        self.assertIn("bad.zirkel-series.json", trouble[0])


class Refused(unittest.TestCase):
    def test_lists_with_what_is_wrong(self):
        for change, field in (
            ({"items": []}, "items"), ({"items": [{"what": ""}]}, "what"),
            ({"items": [{"what": "x", "stage": "dance"}]}, "stage"), ({"version": 2}, "version"),
            ({"title": None}, "title"), ({"owner": "me"}, "owner"),
        ):  # fmt: skip
            with self.assertRaises(BadInput) as caught:
                read_materials(as_bytes({**EVERYDAY, **change}))
            self.assertIn(field, str(caught.exception), change)

    def test_series_with_what_is_wrong(self):
        step = PLAN["steps"][0]
        for change, field in (
            ({"steps": []}, "steps"), ({"steps": [{**step, "scene": ""}]}, "scene"),
            ({"steps": [{**step, "points": 3}]}, "points"), ({"format": "x"}, "format"),
            ({"name": 3}, "name"),
        ):  # fmt: skip
            with self.assertRaises(BadInput) as caught:
                read_series(as_bytes({**PLAN, **change}))
            self.assertIn(field, str(caught.exception), change)

    def test_a_series_written_is_read_the_same(self):
        for series in shipped_series().values():
            self.assertEqual(read_series(write_series(series)), series)


if __name__ == "__main__":
    unittest.main()
