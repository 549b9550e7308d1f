"""The check's side of the API: corners, the flattened sheet, checks kept; odd input is answered
plainly and leaves nothing behind."""

import io
import json
import unittest

import numpy as np
from PIL import Image

from tests.files import as_bytes
from tests.web.test_subject import SubjectCase
from zirkel.demo.generate import FOLDER
from zirkel.demo.photograph import Camera, photograph

DEMO = (FOLDER / "potting_bench.zirkel.json").read_bytes()


class CheckCase(SubjectCase):
    def setUp(self):
        super().setUp()
        picture = FOLDER / "potting_bench_drawing.jpg"
        with Image.open(picture) as opened:
            self.size = opened.size
        self.picture = self.store.pictures.add(picture.read_bytes(), "jpg", *self.size).id
        self.number = self.post("/studies/import", 201, data=DEMO)["id"]

    def room(self):
        return self.get(f"/studies/{self.number}/check").json


class Room(CheckCase):
    def test_the_demonstration_is_off_where_it_was_drawn_wrong(self):
        room = self.room()
        verdict = room["verdict"]
        self.assertFalse(verdict["sound"])
        self.assertEqual(verdict["faults"][0]["said"], "Watering can is 13 % too wide.")
        self.assertIn("Spout, tip", verdict["faults"][1]["said"])
        self.assertEqual(len(verdict["moves"]), 2)
        self.assertEqual([arrow["landmark"] for arrow in verdict["moves"][1]["arrows"]],
                         ["spout_tip"])  # fmt: skip
        self.assertEqual(len(room["history"]), 1)
        self.assertEqual([gate["sound"] for gate in room["gates"]], [False, False, False])

    def test_what_was_found_is_told_only_of_the_drawing_that_was_checked(self):
        self.change(type="mark_drawn", landmark="spout_tip", at=[270, 40])
        room = self.room()
        self.assertIsNone(room["verdict"])
        self.assertEqual(len(room["history"]), 1)
        self.change(type="keep_check")
        room = self.room()
        self.assertEqual(len(room["verdict"]["faults"]), 1)
        self.assertEqual(len(room["history"]), 2)
        self.assertIn("4", room["history"][0]["apart"])

    def test_corrections_are_ticked_and_the_stage_is_gone_on_from(self):
        self.change(type="tick_move", check="check", number=1)
        self.change(type="go_on", tier=2)
        room = self.room()
        self.assertEqual([each["done"] for each in room["verdict"]["moves"]], [False, True])
        self.assertEqual(room["history"][0]["done"], 1)
        self.assertEqual([each["gone"] for each in room["gates"]], [True, True, False])
        study = self.store.get(self.number).study
        self.assertEqual([each.earned for each in study.went_on], [False])

    def test_before_anything_is_measured_it_is_said_what_is_missing(self):
        self.begin()
        room = self.room()
        self.assertIsNone(room["verdict"])
        self.assertIn("three at least", room["missing"])
        for n, (name, at) in enumerate((("bottle_foot_l", [90, 90]), ("bottle_foot_r", [150, 90]))):
            if any(each["id"] == name for each in room["landmarks"]):
                self.change(type="mark_drawn", landmark=name, at=at)
                self.assertIn(f"{2 - n} more landmark", self.room()["missing"])


class EyeFirst(CheckCase):
    """What the eye said is kept with what was found; nothing is lost by an odd guess."""

    def test_a_guess_at_a_reading_is_kept_in_its_own_measure(self):
        for kind, fields, guess, measure in (
            ("span", {"along": "level", "units": 1.5}, {"along": "level", "units": 1.25},
             "relative"),
            ("tilt", {"degrees": 40}, {"degrees": 47.5}, "degrees"),
            ("drop", {"offset": 0.25}, {"offset": 0}, "units"),
        ):  # fmt: skip
            ends = {"id": "x", "kind": kind, "from": "can_rim_l", "to": "pot1_l"}
            self.change(type="take_sighting", sighting={**ends, **fields},
                        guess={**ends, **guess})  # fmt: skip
            kept = self.store.get(self.number).study.guesses[-1]
            self.assertEqual((kept.exercise, kept.measure), (f"bench_{kind}", measure))
            self.assertNotEqual(kept.answer, kept.truth)
        ends = {"id": "x", "from": "can_rim_l", "to": "pot1_l"}
        self.change(type="take_sighting", sighting={**ends, "kind": "tilt", "degrees": 30},
                    guess={**ends, "kind": "drop", "offset": 0})  # fmt: skip
        self.assertEqual(len(self.store.get(self.number).study.guesses), 3)
        self.change(422, type="take_sighting", sighting={**ends, "kind": "tilt", "degrees": 30},
                    guess={"kind": "tilt", "degrees": "steep"})  # fmt: skip

    def test_what_looked_off_is_told_beside_what_was_found(self):
        guesses = [{"way": "lower", "landmark": "spout_tip"}, {"way": "fine"},
                   {"way": "left", "landmark": "sack_l"}]  # fmt: skip
        self.change(type="keep_check", guesses=guesses)
        told = self.room()["verdict"]["guesses"]
        self.assertEqual([each["right"] for each in told], [True, True, False])
        self.assertEqual(told[0]["eye"], "Spout, tip: too low")
        self.assertIn("too low", told[0]["found"])
        self.assertEqual(told[2]["found"], "It stands.")
        for odd in ([{"way": "sideways"}], [{"way": "left", "landmark": "nowhere"}], [{}] * 300):
            self.change(422, type="keep_check", guesses=odd)
        self.assertEqual(len(self.room()["history"]), 2)

    def test_how_it_is_judged_changes_what_is_allowed_not_what_was_kept(self):
        before = self.room()
        self.change(type="set_checking", manner="free", tolerance={"large": "12 mm"})
        after = self.room()
        self.assertEqual(after["history"], before["history"])
        self.assertEqual([each["own_mm"] for each in after["allowed"]], [12.0, None, None])
        self.assertEqual(after["manner"], "free")
        self.change(422, type="set_checking", tolerance={"large": -1})
        self.change(type="set_checking", against="proportions")
        self.assertEqual(self.room()["against"], "proportions")
        self.assertIsNone(self.store.get(self.number).study.tolerance)

    def test_the_next_check_says_what_came_of_the_moves(self):
        verdict = self.room()["verdict"]
        tip = next(a for m in verdict["moves"] for a in m["arrows"] if a["landmark"] == "spout_tip")
        self.assertEqual(verdict["since"], [])
        self.change(type="mark_drawn", landmark="spout_tip", at=tip["end"])
        self.change(type="keep_check")
        since = self.room()["verdict"]["since"]
        self.assertTrue(since[0].startswith("Repaired since: Spout, tip"), since)
        self.assertIn("Not repaired yet", since[1])

    def test_what_three_drawings_did_is_told_and_handed_to_practice(self):
        """Three studies of one's own with the demonstration's drawing: a can too wide each time.
        Two are none; the demonstration itself and one taken off the wall don't count."""
        said = ["Your last three drawings all had a shape too wide."]
        unchecked = {key: each for key, each in json.loads(DEMO).items() if key != "checks"}
        self.store.create(self.store.get(self.number).study, demo="potting_bench")
        self.store.delete(self.number)
        for told in ([], [], said):
            made = self.post("/studies/import", 201, data=as_bytes(unchecked))
            self.number = made["id"]
            self.change(type="keep_check")
            self.assertEqual(self.room()["habits"], told)
        practice = self.get("/practice").json
        self.assertEqual(practice["habits"], said)
        self.assertEqual(practice["today"][0]["exercise"], "box")
        self.store.delete(self.number)
        self.assertEqual(self.get("/practice").json["habits"], [])

    def test_a_drawing_by_eye_where_the_plan_is_unsure_asks_for_a_sighting(self):
        """A mark off by half as much again as the plan is sure of: the reading that decides is
        asked for; by the recipe it is a slip, and nothing is asked."""
        worked = self.store.get(self.number).worked
        name, mark = max(
            ((n, m) for n, m in worked.plan.marks.items() if m.sd_mm),
            key=lambda each: each[1].sd_mm,
        )
        for each, at in worked.plan.marks.items():
            aside = max(1.7 * mark.sd_mm, 12.0) if each == name else 0.0
            self.change(
                type="mark_drawn",
                landmark=each,
                at=[at.held_left_mm + aside, at.held_top_mm],
            )
        self.change(type="keep_check")
        verdict = self.room()["verdict"]
        asked = verdict["decide"] or " ".join(verdict["suspects"])
        self.assertIn("ight", asked)
        self.change(type="set_drawn_by", by="recipe")
        self.change(type="keep_check")
        self.assertIsNone(self.room()["verdict"]["decide"])


class Pictures(CheckCase):
    def test_the_sheet_is_found_and_laid_flat(self):
        found = self.post(f"/studies/{self.number}/corners", picture=self.picture)
        self.assertTrue(found["clear"])
        self.change(type="set_photograph", photograph=found["photograph"])
        answer = self.get(f"/studies/{self.number}/drawing.jpg?longest=420")
        flat = Image.open(io.BytesIO(answer.data))
        self.assertEqual(flat.size, (420, 297))
        kept = self.get(f"/studies/{self.number}/drawing.jpg?longest=420&check=check")
        self.assertEqual(Image.open(io.BytesIO(kept.data)).size, (420, 297))

    def test_marks_keep_to_their_pixels_when_a_corner_is_moved(self):
        before = dict(self.store.get(self.number).study.drawn)
        kept = self.room()["photograph"]["record"]
        moved = [[x + 12, y] for x, y in kept["corners"]]
        self.change(type="set_photograph", photograph={**kept, "corners": moved, "found": False})
        after = self.store.get(self.number).study
        shift = np.array([np.subtract(after.drawn[name], before[name]) for name in before])
        self.assertTrue((shift[:, 0] < -1.5).all())
        self.assertLess(np.abs(shift[:, 1]).max(), 1.0)
        self.assertGreater(after.drawn_sigma_mm, 0.5)

    def test_another_photograph_is_marked_anew_and_undo_brings_the_old_one_back(self):
        pixels, _ = photograph((420.0, 297.0), [], Camera(width=900, height=700))
        out = io.BytesIO()
        Image.fromarray(pixels).save(out, "PNG")
        taken = self.post("/pictures", 201, data=out.getvalue())
        found = self.post(f"/studies/{self.number}/corners", picture=taken["picture"])
        before = self.store.get(self.number).study
        bench = self.change(type="set_photograph", photograph=found["photograph"])
        self.assertEqual(dict(self.store.get(self.number).study.drawn), {})
        self.post(f"/studies/{self.number}/undo", version=bench["version"])
        self.assertEqual(self.store.get(self.number).study, before)

    def test_odd_corners_and_pictures_are_answered_plainly(self):
        kept = self.room()["photograph"]["record"]
        a, b, c, d = kept["corners"]
        before = self.store.get(self.number)
        for corners, words in (
            ([b, a, d, c], "wrong way"),
            ([a, c, b, d], "cross"),
            ([a, a, c, d], "one spot"),
            ([[0, 0], [9, 9], [90, 90], [900, 900]], "one line"),
            ([a, b, c], "at least 4"),
            ([a, b, c, [1e400, 0]], "number"),
        ):
            change = {"type": "set_photograph", "photograph": {**kept, "corners": corners}}
            answer = self.change(422, **change)
            with self.subTest(words):
                self.assertIn(words, answer["detail"] + str(answer.get("problems")))
        for path in (f"/studies/{self.number}/drawing.jpg?check=none", "/studies/99/drawing.jpg"):
            self.assertEqual(self.get(path).status_code, 404)
        self.post(f"/studies/{self.number}/corners", 404, picture="f" * 64)
        self.post("/pictures", 422, data=b"\x89PNG not one")
        self.assertEqual(self.store.get(self.number), before)

    def test_all_at_one_spot_is_no_drawing(self):
        document = json.loads(DEMO)
        document["drawn"] = {name: [100.0, 100.0] for name in document["drawn"]}
        document.pop("checks")
        self.number = self.post("/studies/import", 201, data=as_bytes(document))["id"]
        room = self.room()
        self.change(type="keep_check")
        self.assertFalse(self.room()["verdict"]["sound"])
        self.assertIsNone(room["verdict"])


if __name__ == "__main__":
    unittest.main()
