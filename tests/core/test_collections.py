"""Whatever a study holds follows from one registry: references, removal, fields and files."""

import unittest
from dataclasses import fields, is_dataclass, replace

from zirkel.core.collections import collections, landmark_names, removed
from zirkel.core.fields import entries_of, landmarks_in, without_landmark
from zirkel.core.frames import Frame, KeptFrame
from zirkel.core.sightings import KINDS, Drop, Level, Part, Span
from zirkel.core.space import Family
from zirkel.core.study import Landmark, Shape, Sheet, Study, UnitLength, UnitPair
from zirkel.studyfile.schema import study_to_file


def full_study():
    """A study in which every collection names landmarks."""
    landmarks = tuple(
        Landmark(name, name.upper(), 1, (0.1 * i, 0.2 * (i % 3))) for i, name in enumerate("abcde")
    )
    return Study(
        title="Full",
        method="comparative",
        sheet=Sheet(297.0, 420.0),
        landmarks=landmarks,
        sightings=(
            Span(id="s1", start="a", end="c", along="level", towards="right", units=2.0),
            Drop(id="s2", start="b", end="d"),
            Part(id="s3", start="a", end="b", at="e", along="plumb", fraction=0.5),
        ),
        unit=UnitPair("a", "b", "plumb", "unit"),
        shapes=(
            Shape("x", "Whole", ("a", "b", "c", "d"), True),
            Shape("y", "Edge", ("c", "d"), False),
        ),
        drawn={"c": (100.0, 120.0), "d": (50.0, 60.0)},
        families=(Family("f", (("a", "c"), ("b", "d"))),),
        adopted=(Level(id="r1", start="c", end="d"),),
    )


class Registry(unittest.TestCase):
    def test_every_field_that_holds_many_records_is_in_it(self):
        names = {each.name for each in collections()}
        for each, declared in entries_of(Study):
            if declared.many == "list" and declared.records:
                self.assertIn(each.name, names)
        self.assertLessEqual({"landmarks", "sightings", "shapes", "families", "drawn"}, names)

    def test_their_order_is_the_file_s(self):
        document = list(study_to_file(full_study()))
        listed = [each.file for each in collections() if each.file in document]
        self.assertEqual(listed, sorted(listed, key=document.index))

    def test_every_record_told_apart_by_a_key_has_it(self):
        study = full_study()
        for each in collections():
            if each.key:
                for record in getattr(study, each.name):
                    self.assertTrue(getattr(record, each.key), each.name)

    def test_every_field_of_every_record_is_declared_once(self):
        for record in (Landmark, Shape, Sheet, Frame, KeptFrame, Family, UnitPair, UnitLength,
                       *KINDS.values()):  # fmt: skip
            self.assertTrue(is_dataclass(record))
            declared = {each.name for each, _ in entries_of(record)}
            for each in fields(record):
                if each.metadata.get("entry"):
                    self.assertIn(each.name, declared, record.__name__)


class Naming(unittest.TestCase):
    def test_each_name_says_where_it_stands(self):
        found = list(landmark_names(full_study()))
        self.assertIn(("unit.from", "a"), found)
        self.assertIn(("unit.to", "b"), found)
        self.assertTrue(any(path.startswith("shapes.0.outline") for path, _ in found))
        self.assertIn(("drawn.c", "c"), found)
        families = {name for path, name in found if path.startswith("families.0")}
        self.assertEqual(families, {"a", "b", "c", "d"})

    def test_of_one_record(self):
        shape = Shape("x", "Whole", ("a", "b"), True)
        self.assertEqual({name for _, name in landmarks_in(shape)}, {"a", "b"})
        self.assertEqual({name for _, name in landmarks_in(UnitPair("a", "b", "plumb", "u"))},
                         {"a", "b"})  # fmt: skip


class Removing(unittest.TestCase):
    def test_nothing_names_what_is_gone(self):
        for name in "cde":
            left = removed(full_study(), name)
            self.assertNotIn(name, [each.id for each in left.landmarks])
            self.assertNotIn(name, [named for _, named in landmark_names(left)], name)
            for reading in left.sightings:
                self.assertNotIn(name, reading.landmarks)

    def test_what_can_be_without_it_stays(self):
        left = removed(full_study(), "c")
        self.assertEqual(left.shapes[0].outline, ("a", "b", "d"))
        self.assertEqual([each.id for each in left.sightings], ["s2", "s3"])
        self.assertEqual(set(left.drawn), {"d"})
        self.assertEqual(left.adopted, ())

    def test_what_is_not_there_takes_nothing_with_it(self):
        study = full_study()
        self.assertEqual(removed(study, "nobody"), study)

    def test_removing_all_but_the_unit_leaves_a_study(self):
        left = full_study()
        for name in "cde":
            left = removed(left, name)
        self.assertEqual([each.id for each in left.landmarks], ["a", "b"])
        self.assertEqual(left.sightings, ())

    def test_a_record_alone(self):
        self.assertEqual(
            without_landmark(Shape("x", "Whole", ("a", "b", "c"), True), "b"),
            Shape("x", "Whole", ("a", "c"), True),
        )
        kept = Landmark("a", "A", 1, (0.0, 0.0))
        self.assertEqual(without_landmark(kept, "b"), kept)
        self.assertEqual(replace(kept, name="B").name, "B")


if __name__ == "__main__":
    unittest.main()
