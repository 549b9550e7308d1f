"""The study file: round trips lose nothing, and bad files are told exactly what is wrong."""

import json
import unittest
from pathlib import Path

from hypothesis import given
from hypothesis import strategies as st

from tests.files import BAD_FILES, SMALL, as_bytes, small, with_sighting
from zirkel.core.sightings import KINDS
from zirkel.core.study import Margins, UnitLength
from zirkel.demo.generate import DEMOS
from zirkel.demo.generate import FOLDER as DEMO_FOLDER
from zirkel.errors import BadInput
from zirkel.studyfile.read import read_study, write_study
from zirkel.studyfile.sightings import MODELS

DOCS = Path(__file__).parents[2] / "docs"

EVERY_KIND = [
    {"kind": "span", "from": "can_top", "to": "pot_rim", "along": "straight", "units": "1 5/8"},
    {"kind": "tilt", "from": "can_top", "to": "pot_rim", "degrees": "10:30"},
    {"kind": "drop", "from": "can_top", "to": "pot_rim", "offset": -0.5},
    {"kind": "level", "from": "can_top", "to": "pot_rim"},
    {"kind": "part", "from": "can_top", "to": "can_foot", "at": "pot_rim", "along": "plumb",
     "fraction": "1/3"},
    {"kind": "run", "from": "can_top", "to": "can_foot", "hits": "pot_rim"},
    {"kind": "match", "first": ["can_top", "can_foot"], "second": ["can_top", "pot_rim"],
     "along": "straight", "ratio": 1.5},
    {"kind": "parallel", "first": ["can_top", "can_foot"], "second": ["can_top", "pot_rim"]},
    {"kind": "order", "first": "can_foot", "second": "pot_rim", "axis": "lower"},
]  # fmt: skip


class RoundTrips(unittest.TestCase):
    def test_writing_and_reading_again(self):
        every = [{"id": f"k{i}", **each} for i, each in enumerate(EVERY_KIND)]
        document = small(
            sightings=every,
            drawn={"can_top": [112.0, 80.5]},
            frame={"left": -0.4, "right": 2.3, "top": -0.1, "bottom": 1.6},
            placement={"across": 0.5, "down": 0.4},
            families=[{"name": "l", "edges": [["can_top", "can_foot"]], "level": True}],
            trust={"tilt": 1.5},
            check_against="proportions",
            unit_mm=60.0,
            note="a note",
            colour_of_the_sky="grey",
        )
        study = read_study(as_bytes(document))
        self.assertEqual(read_study(write_study(study)), study)
        self.assertEqual({s.kind for s in study.sightings}, set(KINDS))
        self.assertEqual(json.loads(write_study(study))["colour_of_the_sky"], "grey")

    def test_what_zirkel_does_not_know_is_kept(self):
        document = small()
        document["landmarks"][0]["true"] = [1, 2]
        document["sightings"][0]["mood"] = "tired"
        document["shapes"][0]["ink"] = {"pen": 3}
        again = json.loads(write_study(read_study(as_bytes(document))))
        self.assertEqual(again["landmarks"][0]["true"], [1, 2])
        self.assertEqual(again["sightings"][0]["mood"], "tired")
        self.assertEqual(again["shapes"][0]["ink"], {"pen": 3})

    def test_without_a_name_it_goes_by_its_id(self):
        document = small(shapes=[{"id": "can", "outline": ["can_top", "can_foot"]}])
        del document["landmarks"][0]["name"]
        study = read_study(as_bytes(document))
        self.assertEqual((study.landmarks[0].name, study.shapes[0].name), ("can_top", "can"))

    def test_entries_become_decimals(self):
        study = read_study(as_bytes(with_sighting(**EVERY_KIND[0])))
        self.assertEqual(study.sightings[-1].value, 1.625)
        study = read_study(as_bytes(with_sighting(**EVERY_KIND[1])))
        self.assertEqual(study.sightings[-1].value, 135.0)

    def test_sheets_and_units(self):
        sheet = {"width_mm": "9 in", "height_mm": "30 cm",
                 "margin_mm": {"left": 1, "right": 2, "top": 3, "bottom": 4}}  # fmt: skip
        unit = {"mm": 1.0, "name": "mm", "origin": "can_top"}
        study = read_study(as_bytes(small(sheet=sheet, unit=unit)))
        self.assertAlmostEqual(study.sheet.width_mm, 228.6)
        self.assertEqual(study.sheet.height_mm, 300.0)
        self.assertEqual(study.sheet.margin, Margins(1, 2, 3, 4))
        self.assertEqual(study.unit, UnitLength(1.0, "mm", "can_top"))
        self.assertEqual(read_study(write_study(study)), study)

    def test_the_demonstrations_are_what_the_generator_makes(self):
        for name, arrangement in DEMOS.items():
            stored = read_study((DEMO_FOLDER / f"{name}.zirkel.json").read_bytes())
            made = arrangement()
            self.assertEqual([s.id for s in made.sightings], [s.id for s in stored.sightings])
            for one, other in zip(made.sightings, stored.sightings, strict=True):
                self.assertAlmostEqual(one.value, other.value)

    @given(st.text(max_size=60), st.text(min_size=1, max_size=60))
    def test_any_text_survives_or_is_refused(self, title, name):
        document = small(title=title)
        document["landmarks"][2]["name"] = name
        try:
            study = read_study(json.dumps(document).encode("utf-8", "replace"))
        except BadInput:
            return
        self.assertEqual(read_study(write_study(study)), study)


class BadFiles(unittest.TestCase):
    def test_each_is_told_what_is_wrong(self):
        for what, (data, message) in BAD_FILES.items():
            with self.subTest(what), self.assertRaisesRegex(BadInput, message):
                read_study(data)

    def test_all_problems_are_named_at_once(self):
        document = small(sheet={"width_mm": -1, "height_mm": "tall"}, unit_mm=-2)
        with self.assertRaises(BadInput) as caught:
            read_study(as_bytes(document))
        named = [caught.exception.field, *(field for field, _ in caught.exception.more)]
        self.assertEqual(named, ["sheet.width_mm", "sheet.height_mm", "unit_mm"])

    @given(st.recursive(
        st.none() | st.booleans() | st.floats() | st.text(max_size=8),
        lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner,
                                                                    max_size=3),
        max_leaves=8,
    ), st.sampled_from(sorted(SMALL)))  # fmt: skip
    def test_nonsense_anywhere_is_refused_or_taken_never_a_crash(self, value, field):
        try:
            read_study(as_bytes(small(**{field: value})))
        except BadInput as refused:
            self.assertTrue(refused.problem)


class Documentation(unittest.TestCase):
    def test_every_kind_and_its_fields_are_documented(self):
        text = (DOCS / "study-file.md").read_text()
        for kind, model in MODELS.items():
            self.assertIn(f"`{kind}`", text)
            for name, info in model.model_fields.items():
                self.assertIn(f"`{info.alias or name}`", text, kind)


if __name__ == "__main__":
    unittest.main()
