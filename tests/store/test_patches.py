"""Patches say what a change touched and nothing else; what is kept can be read again."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.core.test_collections import full_study
from zirkel.core.sightings import Drop, Span
from zirkel.core.study import Landmark, Shape
from zirkel.errors import BadInput
from zirkel.store.patches import OWN, Patch, changed, difference, split
from zirkel.studyfile.read import parse_json, prove, refuse_endless
from zirkel.studyfile.schema import study_to_file

MOVES = ("title", "strike", "append", "drop", "shape", "drawn", "reverse", "trust", "insert")


def moved(study, move):
    """The study after one of the changes that a studio could make."""
    if move == "title":
        return replace(study, title=study.title + "!")
    if move == "strike" and study.sightings:
        first = replace(study.sightings[0], struck=not study.sightings[0].struck)
        return replace(study, sightings=(first, *study.sightings[1:]))
    if move in ("append", "insert"):
        made = Drop(id=f"n{len(study.sightings)}", start="a", end="e", offset=0.25)
        if any(each.id == made.id for each in study.sightings):
            return study
        parts = (*study.sightings, made) if move == "append" else (made, *study.sightings)
        return replace(study, sightings=parts)
    if move == "drop":
        return replace(study, sightings=study.sightings[1:])
    if move == "shape":
        return replace(study, shapes=study.shapes[:-1])
    if move == "drawn":
        return replace(study, drawn={**study.drawn, "e": (10.0, 20.0)})
    if move == "reverse":
        return replace(study, landmarks=study.landmarks[::-1])
    return replace(study, trust={"tilt": 1.5})


def whole(study):
    """Every record as the file has it, under (table, key)."""
    return dict(split(study_to_file(study)))


class Difference(unittest.TestCase):
    def test_from_nothing_all_is_new(self):
        patches = difference(None, full_study())
        self.assertEqual({(p.table, p.key) for p in patches}, set(whole(full_study())))
        self.assertTrue(all(each.before is None for each in patches))

    def test_nothing_changed_nothing_said(self):
        self.assertEqual(difference(full_study(), full_study()), [])
        study = full_study()
        self.assertEqual(difference(study, study), [])

    def test_one_reading_struck_is_one_patch(self):
        study = full_study()
        (patch,) = difference(study, moved(study, "strike"))
        self.assertEqual((patch.table, patch.key), ("sightings", "s1"))
        self.assertTrue(patch.after["body"]["struck"])
        self.assertNotIn("struck", patch.before["body"])

    def test_one_reading_more_at_the_end_is_one_patch_in_its_place(self):
        study = full_study()
        (patch,) = difference(study, moved(study, "append"))
        self.assertEqual((patch.key, patch.before, patch.after["position"]), ("n3", None, 3))

    def test_own_fields_are_one_record(self):
        study = full_study()
        (patch,) = difference(study, moved(study, "title"))
        self.assertEqual((patch.table, patch.after["title"]), (OWN, "Full!"))

    def test_reversed_takes_it_back(self):
        patch = Patch("sightings", "s1", None, {"body": {}, "position": 0})
        self.assertEqual(patch.reversed().reversed(), patch)
        self.assertEqual((patch.reversed().before, patch.reversed().after), (patch.after, None))

    @given(st.lists(st.sampled_from(MOVES), max_size=6))
    def test_patches_lead_from_one_state_to_the_other_and_back(self, moves):
        study = after = full_study()
        for move in moves:
            after = moved(after, move)
        records = whole(study)
        patches = difference(study, after)
        for each in patches:
            self.assertEqual(records.get((each.table, each.key)), each.before)
            if each.after is None:
                del records[each.table, each.key]
            else:
                records[each.table, each.key] = each.after
        self.assertEqual(records, whole(after))
        for each in (patch.reversed() for patch in patches):
            if each.after is None:
                del records[each.table, each.key]
            else:
                records[each.table, each.key] = each.after
        self.assertEqual(records, whole(study))

    @given(st.lists(st.sampled_from(MOVES), max_size=5))
    def test_what_is_the_same_object_in_the_same_place_is_left_out(self, moves):
        study = after = full_study()
        for move in moves:
            after = moved(after, move)
        part, places = changed(after, study)
        for name, stands in places.items():
            held = {"shapes": after.shapes, "sightings": after.sightings,
                    "landmarks": after.landmarks}.get(name)  # fmt: skip
            if held is not None:
                shown = {"shapes": part.shapes, "sightings": part.sightings,
                         "landmarks": part.landmarks}[name]  # fmt: skip
                self.assertEqual(tuple(held[i] for i in stands), shown)


class Proved(unittest.TestCase):
    def test_a_whole_study_and_what_changed_of_it(self):
        study = full_study()
        prove(study)
        after = moved(study, "append")
        prove(after, changed(after, study)[0])

    def test_what_names_nobody_is_refused_even_if_it_was_not_touched(self):
        study = full_study()
        orphaned = replace(study, landmarks=study.landmarks[:-1])
        for part in (None, changed(orphaned, study)[0]):
            with self.assertRaises(BadInput):
                prove(orphaned, part)

    def test_what_no_file_can_hold_is_refused(self):
        study = full_study()
        half = replace(study, title="half \ud800 a letter")
        endless = Span(id="s9", start="a", end="c", along="level", towards="right", units=1e400)
        beyond = replace(study, sightings=(*study.sightings, endless))
        nameless = replace(study, landmarks=(*study.landmarks, Landmark("z", "", 1, (0.0, 0.0))))
        lone = replace(study, shapes=(*study.shapes, Shape("", "No key", ("a", "b"), False)))
        for wrong in (half, beyond, nameless, lone):
            for part in (None, changed(wrong, study)[0]):
                with self.assertRaises(BadInput, msg=wrong.title):
                    prove(wrong, part)

    def test_numbers_beyond_all_numbers_are_refused_wherever_they_stand(self):
        refuse_endless({"a": [1.0, {"b": 2}], "c": None, "d": True, "e": "1e999"})
        for document, field in (
            ('{"a": 1e999}', "a"),
            ('{"a": [0, {"b": -1e999}]}', "a.1.b"),
            ('{"x": {"y": [1e999]}}', "x.y.0"),
        ):
            with self.assertRaises(BadInput) as told:
                refuse_endless(parse_json(document.encode()))
            self.assertIn(field, str(told.exception))


if __name__ == "__main__":
    unittest.main()
