"""What a record declares of its fields holds in the file: bounds, names, unknown fields kept."""

import copy
import unittest

from tests.core.test_collections import full_study
from tests.files import as_bytes, small
from zirkel.core.collections import collections
from zirkel.core.fields import entries_of, file_name
from zirkel.core.frames import Frame, KeptFrame, Placement
from zirkel.core.study import Landmark, Shape, Sheet, Study, UnitPair
from zirkel.errors import BadInput
from zirkel.studyfile.read import parse_json, read_study, write_study

WRONG = {
    "number": ("one and a bit", "1/0", [1], {}),
    "mm": ("two hands", True, []),
    "flag": ("perhaps", 2, []),
    "point": ([1.0], [1.0, 2.0, 3.0], "here", [None, 1.0]),
    "id": (7, ["a"], None),
    "name": (7, ["a"], {}),
    "text": (7, {}, None),
    "tilt": ("26:00", [3], {}),
    "choice": ("neither", 3),
}


def whole():
    """A study file in which every record stands."""
    document = parse_json(write_study(full_study()))
    document["frame"] = {"left": -1.0, "top": -1.0, "right": 2.0, "bottom": 2.0}
    document["placement"] = {"across": 0.25, "down": 0.75}
    return document


class Declared(unittest.TestCase):
    def refused(self, document, field):
        with self.assertRaises(BadInput) as told:
            read_study(as_bytes(document))
        self.assertIn(field, str(told.exception))
        self.assertRegex(str(told.exception), r"[a-z]")

    def test_the_whole_one_is_read(self):
        try:
            read_study(as_bytes({k: v for k, v in whole().items() if k not in
                                 ("frame", "placement")}))  # fmt: skip
        except BadInput as error:
            self.fail(str(error))

    def test_a_wrong_value_of_any_field_of_a_landmark_is_named(self):
        for each, declared in entries_of(Landmark):
            name = file_name(each, declared)
            for wrong in WRONG.get(declared.sort, ()):
                if wrong is None and declared.optional:
                    continue
                document = whole()
                document["landmarks"][1][name] = wrong
                self.refused(document, f"landmarks.1.{name}")

    def test_of_a_shape_too(self):
        for each, declared in entries_of(Shape):
            name = file_name(each, declared)
            if declared.many:
                continue
            for wrong in WRONG.get(declared.sort, ()):
                if wrong is None and declared.optional:
                    continue
                document = whole()
                document["shapes"][0][name] = wrong
                self.refused(document, f"shapes.0.{name}")

    def test_and_of_every_sighting(self):
        for number, reading in enumerate(full_study().sightings):
            field = str(reading.value_field)
            for wrong in ("1/0", "a few", [1], {}, True):
                document = whole()
                document["sightings"][number][field] = wrong
                self.refused(document, f"sightings.{number}.{field}")
            for name in ("from", "to"):
                document = whole()
                document["sightings"][number][name] = "nobody"
                self.refused(document, "nobody")

    def test_bounds_are_kept(self):
        for part, field, wrong in (
            ("sheet", "width_mm", -1.0),
            ("sheet", "height_mm", 0.0),
            ("sheet", "width_mm", 1e9),
        ):
            document = small()
            document[part][field] = wrong
            self.refused(document, f"{part}.{field}")
        for field, wrong in (("unit_mm", 0.0), ("unit_mm", -3.0), ("drawn_sigma_mm", 0.0)):
            self.refused(small(**{field: wrong}), field)
        self.refused(small(trust={"tilt": 99.0}), "trust")

    def test_what_must_be_there_is_asked_for(self):
        document = small()
        del document["landmarks"]
        self.refused(document, "there is no landmark")
        for part, number, name in (
            ("landmarks", 0, "id"),
            ("shapes", 0, "id"),
            ("sightings", 0, "kind"),
            ("sightings", 0, "units"),
        ):
            document = small()
            del document[part][number][name]
            self.refused(document, f"{part}.{number}")

    def test_what_may_be_missing_has_a_usual_value(self):
        document = small()
        for name in ("title", "sheet", "method"):
            document.pop(name)
        document["landmarks"][0].pop("name")
        study = read_study(as_bytes(document))
        self.assertTrue(study.title)
        self.assertGreater(study.sheet.width_mm, 0.0)
        self.assertEqual(study.landmarks[0].name, study.landmarks[0].id)

    def test_two_of_one_name_are_refused_in_every_collection(self):
        for each in collections():
            if not each.key:
                continue
            document = whole()
            records = document.get(each.file)
            if records:
                records.append(copy.deepcopy(records[0]))
                self.refused(document, each.file)


class Kept(unittest.TestCase):
    def test_what_zirkel_does_not_know_is_kept_on_every_record(self):
        document = parse_json(write_study(full_study()))
        places = [document, document["sheet"], document["unit"]]
        for each in collections():
            if each.key and document.get(each.file):
                places.append(document[each.file][0])
        self.assertGreaterEqual(len(places), 7)
        for number, place in enumerate(places):
            place["from_elsewhere"] = {"number": number, "deep": [1, {"x": None}]}
        again = parse_json(write_study(read_study(as_bytes(document))))
        found = [again, again["sheet"], again["unit"]]
        found += [again[e.file][0] for e in collections() if e.key and again.get(e.file)]
        for number, place in enumerate(found):
            self.assertEqual(place["from_elsewhere"], {"number": number, "deep": [1, {"x": None}]})

    def test_reading_and_writing_change_nothing(self):
        first = write_study(full_study())
        self.assertEqual(write_study(read_study(first)), first)
        self.assertEqual(read_study(first), full_study())

    def test_what_is_at_its_default_is_not_written(self):
        document = parse_json(write_study(full_study()))
        for name in ("inches", "trust", "frames", "note", "sight_size_mm", "check_against"):
            self.assertNotIn(name, document)

    def test_every_declared_field_has_a_place_in_the_file(self):
        for record in (Study, Sheet, Landmark, Shape, Frame, KeptFrame, Placement, UnitPair):
            names = [file_name(each, declared) for each, declared in entries_of(record)]
            self.assertTrue(all(each.replace("_", "a").isalnum() for each in names))


if __name__ == "__main__":
    unittest.main()
