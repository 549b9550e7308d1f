"""Medium and canon files: those that ship are sound, an artist's own are read or told plainly."""

import json
import tempfile
import unittest
from pathlib import Path

from zirkel.canons import FILE, figure_canons, head_canons
from zirkel.errors import BadInput
from zirkel.media import FOLDER, own_media, shipped_media
from zirkel.studyfile.canon_file import read_canons
from zirkel.studyfile.medium_file import read_medium

GOOD = json.loads((FOLDER / "chalks_toned.zirkel-medium.json").read_text())


class Media(unittest.TestCase):
    def test_those_that_ship(self):
        media = shipped_media()
        self.assertGreaterEqual(len(media), 4)
        for name, each in media.items():
            self.assertEqual(each.name, name)
            self.assertIsNone(each.problem())
            self.assertTrue(each.cautions, name)
            self.assertEqual(each.medium.name, name)
        spray = [m for m in media.values() if any("fixative" in each for each in m.cautions)]
        for each in spray:
            self.assertTrue(
                any("ventilation" in said and "label" in said for said in each.cautions)
            )

    def test_what_is_no_medium_is_said(self):
        for change, why in (
            ({"format": "zirkel-study"}, "format"),
            ({"paper": 20}, "paper"),
            ({"darkest": 1.0, "lightest": 5.0}, "no darker than the lightest"),
            ({"paper": 9.0}, "outside what the medium can do"),
            ({"sticks": []}, "sticks"),
            (
                {"sticks": [{"name": "soft", "darkest": 8}, {"name": "hard", "darkest": 3}]},
                "hardest",
            ),
            ({"layer": 0}, "layer"),
            ({"brand": "x"}, "brand"),
        ):
            with self.assertRaises(BadInput) as caught:
                read_medium(json.dumps({**GOOD, **change}).encode())
            self.assertIn(why, str(caught.exception), change)
        with self.assertRaisesRegex(BadInput, "not JSON"):
            read_medium(b"{")

    def test_one_s_own_beside_a_broken_one(self):
        with tempfile.TemporaryDirectory() as name:
            folder = Path(name)
            mine = {**GOOD, "name": "mine", "title": "My charcoal"}
            (folder / "mine.zirkel-medium.json").write_text(json.dumps(mine))
            (folder / "bad.zirkel-medium.json").write_text('{"format": "zirkel-medium"}')
            (folder / "notes.txt").write_text("not a medium")
            found, wrong = own_media(folder)
        self.assertEqual([each.title for each in found.values()], ["My charcoal"])
        self.assertEqual(len(wrong), 1)
        self.assertIn("bad.zirkel-medium.json", wrong[0])
        self.assertEqual(own_media(Path("/nowhere/at/all")), ({}, ()))


class Canons(unittest.TestCase):
    def test_those_that_ship_are_told_to_be_rules_of_thumb(self):
        note, rules = head_canons()
        self.assertIn("differ by age and by person", note)
        self.assertGreaterEqual(len(rules), 8)
        self.assertTrue(any("five" in each.measure or each.canon == 5.0 for each in rules))

    def test_those_of_figures_count_in_heads_for_each_age(self):
        note, rules = figure_canons()
        self.assertIn("Children have their own", note)
        tall = {each.who: each.canon for each in rules if each.measure == "heads tall"}
        self.assertEqual(tall["an adult"], 7.5)
        self.assertEqual(sorted(tall.values(), reverse=True), list(tall.values()))

    def test_what_is_no_canon_is_said(self):
        good = json.loads(FILE.read_text())
        first = good["measures"][0]
        for change, why in (
            ({"of": "hands"}, "of"),
            ({"measures": []}, "at least 1"),
            ({"measures": [{**first, "canon": 0}]}, "canon"),
            ({"measures": [{**first, "over": [["crown", "third_eye"]]}]}, "no point “third_eye”"),
            ({"measures": [{**first, "by": []}]}, "by"),
            ({"of": "figures"}, "a figure has no point “eye_inner_left”"),
        ):
            with self.assertRaises(BadInput) as caught:
                read_canons(json.dumps({**good, **change}).encode())
            self.assertIn(why, str(caught.exception), change)


if __name__ == "__main__":
    unittest.main()
