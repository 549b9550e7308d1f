"""Everything that can be done to a study: what it makes of it, what it is called, and undone."""

import json
import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from pydantic import TypeAdapter

from tests.files import SMALL, as_bytes
from zirkel.commands import AnyChange
from zirkel.commands.base import Change
from zirkel.commands.change_study import change_study
from zirkel.commands.landmarks import AddLandmark
from zirkel.core.study import UnitLength
from zirkel.errors import BadInput, NotFound, StaleVersion
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study

TAKE = {"id": "new", "kind": "drop", "from": "can_top", "to": "pot_rim", "offset": "1 5/8"}

FRAME = {"left": -0.5, "right": 2.5, "top": -0.2, "bottom": 1.4}
STATION = {"distance_mm": 40_000, "eye_height_mm": 1650}
PICTURE = {"picture": "c" * 64, "width": 600, "height": 400}
PHOTO = {**PICTURE, "corners": [[10, 10], [580, 12], [590, 390], [8, 392]]}

CHANGES = (
    ({"type": "take_sighting", "sighting": TAKE},
     "Pot, rim 1 5/8 cans right of the plumb from Can, top of rim"),
    ({"type": "take_sightings",
      "sightings": [TAKE, {**TAKE, "to": "can_foot", "offset": 0},
                    {"id": "o", "kind": "order", "first": "pot_rim", "second": "can_top",
                     "axis": "right"}]},
     "3 readings, the first Pot, rim 1 5/8 cans right of the plumb from Can, top of rim"),
    ({"type": "edit_sighting",
      "sighting": {"id": "s2", "kind": "level", "from": "can_top", "to": "pot_rim",
                   "offset": "-1/4"}},
     "Correct Pot, rim 1/4 can higher than Can, top of rim"),
    ({"type": "strike_sighting", "id": "s3"}, "Strike Can, foot on the plumb from Can, top of rim"),
    ({"type": "strike_sighting", "id": "s3", "struck": False},
     "Take up again Can, foot on the plumb from Can, top of rim"),
    ({"type": "keep_sighting", "id": "s2"}, "Keep Pot, rim 1/4 can higher than Can, top of rim"),
    ({"type": "remove_sighting", "id": "s1"},
     "Remove Can, top of rim to Pot, rim: 1 5/8 cans right"),
    ({"type": "adopt_relation",
      "relation": {"id": "r", "kind": "level", "from": "can_top", "to": "pot_rim"}},
     "Draw by: Pot, rim level with Can, top of rim"),
    ({"type": "leave_relation", "id": "r1"}, "Leave out a relation"),
    ({"type": "put_head", "head": {"id": "h", "name": "Face",
                                   "points": {"crown": "can_top", "chin": "can_foot"}}},
     "Head: Face"),
    ({"type": "remove_head", "id": "h"}, "A head no more"),
    ({"type": "put_figure", "figure": {"id": "f", "name": "Model",
                                       "points": {"crown": "can_top", "chin": "can_foot"}}},
     "Figure: Model"),
    ({"type": "remove_figure", "id": "f"}, "A figure no more"),
    ({"type": "put_shape", "shape": {"id": "tri", "name": "Tri",
                                     "outline": ["can_top", "can_foot", "pot_rim"]}},
     "Shape Tri"),
    ({"type": "suggest_areas"}, "Areas from the shapes"),
    ({"type": "put_area", "area": {"id": "lit", "name": "Lit", "side": "light",
                                   "outline": ["can_top", "pot_rim", "can_foot"]}},
     "Area: Lit"),
    ({"type": "compare_tones",
      "reading": {"id": "n1", "kind": "darker", "first": "tri", "second": "lit", "by": "much"}},
     "Tri much darker than Lit"),
    ({"type": "strike_tone", "id": "n1"}, "Strike: Tri much darker than Lit"),
    ({"type": "strike_tone", "id": "n1", "struck": False},
     "Take up again: Tri much darker than Lit"),
    ({"type": "read_tones", "steps": {"lit": 2.5}}, "Read 1 tones off the subject"),
    ({"type": "remove_tone", "id": "n1"}, "Remove a comparison"),
    ({"type": "set_medium", "medium": {"paper": 1, "lightest": 1, "darkest": 8}},
     "Choose the medium"),
    ({"type": "remove_area", "id": "lit"}, "Remove area Lit"),
    ({"type": "add_landmark", "name": "Sack, fold", "tier": 2, "rough": [0.6, 0.4]},
     "Add Sack, fold"),
    ({"type": "edit_landmark", "landmark": {"id": "sack_fold", "name": "Sack, top", "tier": 1}},
     "Change Sack, top"),
    ({"type": "put_repeat", "repeat": {"name": "Pots", "first": ["can_top", "can_foot"],
                                       "second": ["sack_fold", "pot_rim"], "count": 4}},
     "Equal steps: Pots"),
    ({"type": "add_shape", "name": "Pots", "outline": ["can_top", "can_foot"], "closed": False},
     "Shape Pots"),
    ({"type": "put_shape",
      "shape": {"id": "sack", "name": "Sack", "outline": ["sack_fold", "can_foot"]}},
     "Shape Sack"),
    ({"type": "put_overlap", "overlap": {"front": "sack", "behind": "can"}}, "Sack before Can"),
    ({"type": "remove_overlap", "overlap": {"front": "sack", "behind": "can"}},
     "Take back an overlap"),
    ({"type": "remove_shape", "id": "can"}, "Remove shape Can"),
    ({"type": "remove_landmark", "id": "pot_rim", "with_sightings": True},
     "Remove Pot, rim and 4 readings"),
    ({"type": "set_title", "title": "Evening"}, "Rename from Potting bench"),
    ({"type": "set_note", "note": "North light."}, "Write a note"),
    ({"type": "set_method", "method": "dividers"}, "Method dividers"),
    ({"type": "set_block_in", "inside_out": True, "box_ticked": False}, "Features first"),
    ({"type": "set_block_in", "inside_out": True, "box_ticked": True}, "Tick the box"),
    ({"type": "set_order", "landmarks": ["can_top", "can_foot"]}, "Place Can, foot next"),
    ({"type": "set_order", "landmarks": []}, "The recipe's own order"),
    ({"type": "set_placing", "landmark": "can_top", "how": "eye"}, "Can, top of rim: by eye"),
    ({"type": "set_placing", "landmark": "can_top", "how": "fell", "left": "90",
      "top": "4 in"},
     "Can, top of rim: where it fell"),
    ({"type": "set_placing", "landmark": "can_foot", "how": "left_out"}, "Can, foot: left out"),
    ({"type": "set_placing", "landmark": "can_top", "how": "recipe"},
     "Can, top of rim: by the recipe"),
    ({"type": "set_sheet", "sheet": {"width_mm": "9 in", "height_mm": "12 in"}},
     "Sheet 228.6 × 304.8 mm"),
    ({"type": "set_unit",
      "unit": {"from": "can_foot", "to": "can_top", "along": "straight", "name": "jug"}},
     "Unit jug"),
    ({"type": "set_unit_size", "unit_mm": 80}, "Unit at 80 mm"),
    ({"type": "set_unit_size", "unit_mm": None}, "Largest round unit that fits"),
    ({"type": "set_placement", "placement": {"across": 0.3, "down": 0.6}}, "Place on the sheet"),
    ({"type": "set_trust", "trust": {"tilt": 2.0}}, "Set trust in readings"),
    ({"type": "begin_sitting", "blocks": [{"kind": "pose", "minutes": 20}]}, "Begin a sitting"),
    ({"type": "model_moved"}, "The model has moved"),
    ({"type": "go_on_shifted"}, "Go on in a new take"),
    ({"type": "back_to_the_mark"}, "Back to the mark"),
    ({"type": "rest_now"}, "Rest now"),
    ({"type": "end_sitting"}, "End the sitting"),
    ({"type": "note_sitting", "sitting": "sitting", "note": "Cold."}, "Note on a sitting"),
    ({"type": "keep_log_picture", "sitting": "sitting", "picture": "d" * 64, "said": "Block-in"},
     "Photograph of the drawing"),
    ({"type": "drop_log_picture", "sitting": "sitting", "picture": "d" * 64},
     "Take a photograph out of the log"),
    ({"type": "set_place", "place": {"distance_mm": "2.6 m", "light_hour": 9.5}}, "The place"),
    ({"type": "set_place", "place": None}, "Forget the place"),
    ({"type": "set_tags", "tags": ["still life", "Still Life", " ", "evening"]},
     "Tags: still life, evening"),
    ({"type": "put_away", "away": True}, "Into the drawer"),
    ({"type": "put_away", "away": False}, "Back on the wall"),
    ({"type": "set_eye", "part": 0.03, "straight": None}, "Draw by my own eye"),
    ({"type": "believe_scatter", "factor": 1.5}, "Believe my own scatter"),
    ({"type": "set_frame", "frame": FRAME}, "Frame the subject"),
    ({"type": "set_frame", "frame": None}, "Frame all landmarks"),
    ({"type": "keep_frame", "frame": {**FRAME, "name": "close"}}, "Keep the frame close"),
    ({"type": "drop_frame", "name": "close"}, "Drop the frame close"),
    ({"type": "set_lengths", "inches": True}, "Lengths in inches"),
    ({"type": "read_table", "table": "kind,from,to\nlevel,can_top,can_foot\n"},
     "Read 1 readings from a table"),
    ({"type": "read_table", "table": "landmark,from_left_mm,from_top_mm\ncan_top,90.5,40\n"},
     "Read marks as drawn"),
    ({"type": "set_subject", "subject": {"scene": "boathouse", "station": STATION}},
     "Take a scene as the subject"),
    ({"type": "set_subject",
      "subject": {"scene": "boathouse", "station": {**STATION, "direction_deg": 20}}},
     "Move the station"),
    ({"type": "set_subject", "subject": None}, "Take the subject away"),
    ({"type": "set_subject", "subject": PICTURE}, "Take a picture as the subject"),
    ({"type": "set_subject", "subject": {**PICTURE, "grey": True}},
     "Look at the picture otherwise"),
    ({"type": "turn_picture", "start": [10, 10], "end": [14, 210]}, "Turn the picture to true"),
    ({"type": "measure_picture", "start": [0, 0], "end": [300, 400], "length_mm": "10 cm"},
     "Give the picture its true size"),
    ({"type": "edit_landmark", "landmark": {"id": "can_top", "name": "Top", "rough": [100, 50]}},
     "Change Top"),
    ({"type": "edit_landmark", "landmark": {"id": "can_foot", "name": "Foot", "rough": [100, 350]}},
     "Change Foot"),
    ({"type": "read_picture"}, "Read the landmarks off the picture"),
    ({"type": "put_family",
      "family": {"name": "rims", "edges": [["can_top", "sack_fold"]], "level": True}},
     "Parallel edges: rims"),
    ({"type": "add_edge", "name": "rims", "edge": ["can_foot", "sack_fold"]},
     "An edge of rims"),
    ({"type": "remove_family", "name": "rims"}, "Parallel no more: rims"),
    ({"type": "put_round", "round": {"id": "r1", "name": "Rim", "left": "can_top",
                                     "right": "sack_fold", "near": "can_foot"}},
     "Circle: Rim"),
    ({"type": "put_shadow", "shadow": {"id": "h1", "name": "Shadow", "top": "can_top",
                                       "foot": "can_foot", "tip": "sack_fold"}},
     "Cast shadow: Shadow"),
    ({"type": "remove_depth", "what": "shadows", "key": "h1"}, "Removed: h1"),
    ({"type": "remove_depth", "what": "rounds", "key": "r1"}, "Removed: r1"),
    ({"type": "set_photograph", "photograph": PHOTO}, "Take in a photograph of the drawing"),
    ({"type": "mark_drawn", "landmark": "can_top", "at": [60, 50]}, "Mark Top on the drawing"),
    ({"type": "mark_drawn", "landmark": "can_foot", "at": [60, 190]}, "Mark Foot on the drawing"),
    ({"type": "mark_drawn", "landmark": "sack_fold", "at": [200, 100]},
     "Mark Sack, top on the drawing"),
    ({"type": "set_photograph",
      "photograph": {**PHOTO, "corners": [[12, 10], [580, 12], [590, 390], [8, 392]]}},
     "Set the corners of the sheet"),
    ({"type": "rule_drawing",
      "ruled": {"id": "x", "landmark": "can_top", "mm": "6 cm", "side": "left"}},
     "Rule 60 mm on the drawing"),
    ({"type": "resight_drawing",
      "sighting": {"id": "x", "kind": "tilt", "from": "can_top", "to": "sack_fold",
                   "degrees": "4 o'clock"}},
     "On the drawing: Top to Sack, top: tilt 4:00"),
    ({"type": "set_checking", "against": "proportions", "manner": "free",
      "tolerance": {"large": "3 mm"}},
     "Set how the drawing is judged"),
    ({"type": "set_checking", "against": "plan"}, "Set how the drawing is judged"),
    ({"type": "set_drawn_by", "by": "recipe"}, "Drawn by the recipe"),
    ({"type": "set_drawn_by", "by": "eye"}, "Drawn by eye"),
    ({"type": "set_counting", "units": 0.25, "degrees": 5}, "Say how finely you count"),
    ({"type": "set_counting"}, "Say how finely you count"),
    ({"type": "set_hand", "length": 0.03, "tilt_degrees": 2.5, "part": 0.02},
     "Say how your hand errs"),
    ({"type": "set_hand"}, "Draw by the usual hand"),
    ({"type": "set_leanings", "length": -0.04, "tilt_degrees": 2.0},
     "Take out what your hand does"),
    ({"type": "set_leanings"}, "Take readings as they are"),
    ({"type": "set_leanings", "trust": {"tilt": 1.5}}, "Set trust in readings"),
    ({"type": "set_subject_photograph",
      "photograph": {"picture": "e" * 64, "width": 900, "height": 600}},
     "Take in a photograph of the subject"),
    ({"type": "mark_photographed", "landmark": "can_top", "at": [90, 60]},
     "Tap Top on the photograph"),
    ({"type": "set_subject_photograph",
      "photograph": {"picture": "e" * 64, "width": 900, "height": 600, "edge": [[1, 2], [3, 4]]}},
     "Tap along an edge"),
    ({"type": "mark_photographed", "landmark": "can_top", "at": None},
     "Take the tap of Top back"),
    ({"type": "set_subject_photograph", "photograph": None},
     "Take the subject's photograph away"),
    ({"type": "set_about", "about": "sitter"}, "Say what it is of"),
    ({"type": "set_next_sitting", "at": "2026-12-03T14:00"}, "Say when the next sitting is"),
    ({"type": "set_next_sitting", "at": None}, "No next sitting"),
    ({"type": "set_about", "about": None}, "Say what it is of"),
    ({"type": "set_eye_first", "on": True}, "Look first, then measure"),
    ({"type": "keep_check", "guesses": [{"landmark": "sack_fold", "way": "lower"}]},
     "Check 1 of the drawing"),
    ({"type": "tick_move", "check": "check", "number": 0}, "Tick off a correction"),
    ({"type": "tick_move", "check": "check", "number": 0, "done": False},
     "A correction is still to be made"),
    ({"type": "go_on", "tier": 2}, "Go on to the middle shapes"),
    ({"type": "drop_measure", "id": "ruled"}, "Take back a measure of the drawing"),
    ({"type": "mark_drawn", "landmark": "can_top", "at": None},
     "Take the mark of Top back"),
    ({"type": "set_photograph", "photograph": None}, "Take the photograph away"),
    ({"type": "hand_in", "handed": True}, "Hand it in"),
    ({"type": "hand_in", "handed": False}, "Take back what was handed in"),
    ({"type": "leave_task"}, "Leave the lesson's task behind"),
)  # fmt: skip
"""Changes made one after the other, and what undo calls each."""

REFUSED = (
    ({"type": "strike_sighting", "id": "s9"}, "no reading “s9” any more"),
    ({"type": "remove_sighting", "id": "s9"}, "no reading “s9” any more"),
    ({"type": "remove_shape", "id": "x"}, "no shape “x” any more"),
    ({"type": "leave_relation", "id": "r7"}, "no adopted relation “r7” any more"),
    ({"type": "edit_landmark", "landmark": {"id": "x", "name": "X"}}, "no landmark “x” any more"),
    ({"type": "put_shape", "shape": {"id": "x", "outline": ["nowhere"]}}, "no landmark “nowhere”"),
    ({"type": "set_unit", "unit": {"from": "can_top", "to": "x", "along": "plumb"}},
     "no landmark “x”"),
    ({"type": "take_sighting", "sighting": {**TAKE, "to": "can_top"}}, "to itself"),
    ({"type": "drop_frame", "name": "wide"}, "no frame “wide” any more"),
    ({"type": "read_table", "table": "kind,from,to\nlevel,can_top,nowhere\n"}, "“nowhere”"),
    ({"type": "turn_picture", "start": [0, 0], "end": [9, 9]}, "no picture “subject” any more"),
    ({"type": "read_picture"}, "no picture"),
    ({"type": "put_family", "family": {"name": "a", "edges": [["can_top", "nowhere"]]}},
     "no landmark “nowhere”"),
    ({"type": "put_family", "family": {"name": "a", "edges": [["can_top", "can_top"]]}},
     "is no edge"),
    ({"type": "put_family",
      "family": {"name": "a", "edges": [["can_top", "pot_rim"], ["pot_rim", "can_top"]]}},
     "there twice"),
    ({"type": "remove_family", "name": "x"}, "no family “x” any more"),
    ({"type": "mark_drawn", "landmark": "nowhere", "at": [1, 1]}, "no landmark “nowhere”"),
    ({"type": "mark_drawn", "landmark": "can_top", "at": [900, 1]}, "not on the sheet"),
    ({"type": "set_order", "landmarks": ["nowhere"]}, "no landmark “nowhere”"),
    ({"type": "set_placing", "landmark": "can_top", "how": "fell"}, "left and top"),
    ({"type": "set_placing", "landmark": "can_top", "how": "fell", "left": 900, "top": 4},
     "900 mm is not on the sheet"),
    ({"type": "set_next_sitting", "at": "tomorrow"}, "no day and hour"),
    ({"type": "mark_photographed", "landmark": "can_top", "at": [1, 1]}, "take in a photograph"),
    ({"type": "mark_photographed", "landmark": "nowhere", "at": [1, 1]}, "no landmark “nowhere”"),
    ({"type": "set_subject_photograph",
      "photograph": {"picture": "e" * 64, "width": 9, "height": 9, "edge": [[1, 20]]}},
     "not on the photograph"),
    ({"type": "rule_drawing", "ruled": {"id": "x", "landmark": "nowhere", "mm": 3, "side": "left"}},
     "no landmark “nowhere”"),
    ({"type": "drop_measure", "id": "x"}, "no measure “x” any more"),
    ({"type": "keep_check"}, "at least three landmarks"),
    ({"type": "tick_move", "check": "x", "number": 0}, "no check “x” any more"),
    ({"type": "keep_log_picture", "sitting": "x", "picture": "d" * 64}, "no sitting “x” any more"),
    ({"type": "drop_log_picture", "sitting": "x", "picture": "d" * 64}, "no sitting “x” any more"),
    ({"type": "begin_sitting", "blocks": [{"minutes": 5, "kind": "pose"}], "shares": {"nap": 1}},
     "no stage “nap”"),
)  # fmt: skip

change_of = TypeAdapter(AnyChange).validate_python


class ChangeCase(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(self.store.close)
        asked = {**SMALL, "task": {"hand_in": "readings"}}
        self.number = self.store.create(read_study(as_bytes(asked))).id


class History(ChangeCase):
    def test_every_change_is_called_by_name_undone_and_brought_again(self):
        states = [self.store.get(self.number).study]
        for version, (fields, label) in enumerate(CHANGES, start=1):
            bench = change_study(self.store, self.number, version, change_of(fields))
            with self.subTest(fields["type"]):
                self.assertEqual((bench.version, bench.undo), (version + 1, label))
            states.append(self.store.get(self.number).study)
        version = len(CHANGES) + 1
        for before in reversed(states[:-1]):
            bench = self.store.undo(self.number, version)
            version += 1
            self.assertEqual(self.store.get(self.number).study, before)
        self.assertIsNone(bench.undo)
        for after in states[1:]:
            bench = self.store.redo(self.number, version)
            version += 1
            self.assertEqual(self.store.get(self.number).study, after)
        self.assertIsNone(bench.redo)

    def test_every_kind_of_change_is_tried_here(self):
        # What a scene shows needs one whose landmarks are the study's: tried with the boathouse.
        tried = {fields["type"] for fields, _ in CHANGES} | {"scene_overlaps"}
        offered = {each.model_fields["type"].default for each in Change.__subclasses__()}
        self.assertEqual(tried, offered)


class Refusals(ChangeCase):
    def test_what_cannot_be_done_changes_nothing(self):
        before = self.store.get(self.number)
        for fields, words in REFUSED:
            with self.subTest(fields["type"]), self.assertRaisesRegex(BadInput, words):
                change_study(self.store, self.number, 1, change_of(fields))
        self.assertEqual(self.store.get(self.number), before)

    def test_the_version_comes_first(self):
        change = change_of({"type": "set_title", "title": "A"})
        with self.assertRaises(StaleVersion):
            change_study(self.store, self.number, 4, change)
        with self.assertRaises(NotFound):
            change_study(self.store, 99, 1, change)

    def test_a_token_counts_once_even_after_other_changes(self):
        change = change_of({"type": "add_landmark", "name": "Peg"})
        change_study(self.store, self.number, 1, change, "token-of-mine")
        change_study(self.store, self.number, 2, change_of({"type": "set_title", "title": "A"}))
        bench = change_study(self.store, self.number, 1, change, "token-of-mine")
        self.assertEqual(bench.version, 3)
        self.assertEqual(sum(each.name == "Peg" for each in bench.study.landmarks), 1)


class Details(ChangeCase):
    def test_a_taken_reading_knows_when(self):
        change_study(
            self.store, self.number, 1, change_of({"type": "take_sighting", "sighting": TAKE})
        )
        reading = self.store.get(self.number).study.sightings[-1]
        self.assertEqual(reading.id, "s4")
        self.assertRegex(reading.taken_at, r"^\d{4}-\d\d-\d\dT")

    def test_correcting_keeps_time_and_note(self):
        document = {**SMALL, "sightings": [
            {**SMALL["sightings"][1], "at": "2026-11-01T10:00:00+00:00", "note": "squinted"},
        ]}  # fmt: skip
        study_id = self.store.create(read_study(as_bytes(document))).id
        corrected = {"id": "s2", "kind": "level", "from": "can_top", "to": "pot_rim", "offset": 1}
        change_study(
            self.store, study_id, 1, change_of({"type": "edit_sighting", "sighting": corrected})
        )
        (reading,) = self.store.get(study_id).study.sightings
        self.assertEqual(
            (reading.offset, reading.taken_at, reading.note),
            (1.0, "2026-11-01T10:00:00+00:00", "squinted"),
        )

    def test_a_landmark_leaves_all_it_stood_in(self):
        for version, fields in enumerate(
            (
                {"type": "adopt_relation",
                 "relation": {"id": "r", "kind": "drop", "from": "can_foot", "to": "pot_rim"}},
                {"type": "put_shape",
                 "shape": {"id": "gap", "outline": ["pot_rim", "can_foot", "can_top"]}},
                {"type": "remove_landmark", "id": "pot_rim", "with_sightings": True},
            ),
            start=1,
        ):  # fmt: skip
            change_study(self.store, self.number, version, change_of(fields))
        study = self.store.get(self.number).study
        self.assertEqual(study.adopted, ())
        self.assertEqual(study.shapes[-1].outline, ("can_foot", "can_top"))
        self.assertEqual([each.id for each in study.sightings], ["s3"])


class BegunInMillimetres(unittest.TestCase):
    def test_the_first_landmark_is_where_lengths_are_counted_from(self):
        empty = read_study(
            json.dumps(
                {"format": "zirkel-study", "version": 1, "method": "sight_size_life"}
            ).encode()
        )
        first = AddLandmark(name="Crown").made(empty)
        self.assertEqual(first.unit, UnitLength(1.0, "mm", "crown"))
        self.assertEqual(AddLandmark(name="Chin").made(first).unit, first.unit)
        other = replace(empty, method="comparative")
        self.assertIsNone(AddLandmark(name="Crown").made(other).unit)


if __name__ == "__main__":
    unittest.main()
