"""A sitting through the API: the plan of its time, its clock, what is asked after a break, the
log."""

import json
import unittest

from tests.web.test_subject import SubjectCase
from zirkel.demo.generate import FOLDER

BENCH = (FOLDER / "potting_bench.zirkel.json").read_bytes()


class Sittings(SubjectCase):
    def setUp(self):
        super().setUp()
        self.bench = self.post("/studies/import", 201, data=BENCH)
        self.id = self.bench["id"]

    def change(self, status=200, **change):
        made = self.post(f"/studies/{self.id}/changes", status, version=self.bench["version"],
                         change=change)  # fmt: skip
        if status == 200:
            self.bench = made
        return made

    def room(self, minutes=10):
        return self.get(f"/studies/{self.id}/sitting?minutes={minutes}").json

    def test_the_plan_goes_by_the_minutes(self):
        short, long = self.room(2), self.room(20)
        self.assertEqual([each["stage"] for each in short["plan"]["stages"]], ["sight", "draw"])
        self.assertEqual(len(short["plan"]["readings"]), 8)
        self.assertGreater(len(long["plan"]["readings"]), 8)
        self.assertRegex(short["plan"]["said"], r"^8 readings fit\.")
        for odd in ("0", "x", "601", "1e9", "nan"):
            self.assertEqual(self.get(f"/studies/{self.id}/sitting?minutes={odd}").status_code, 422)

    def test_begun_moved_rested_ended_and_noted(self):
        self.assertIsNone(self.bench["clock"])
        before = self.bench["current_take"]
        blocks = [{"kind": "pose", "minutes": 2}, {"kind": "rest", "minutes": 5}]
        begun = self.change(type="begin_sitting", blocks=blocks)
        self.assertEqual([each["kind"] for each in begun["clock"]["blocks"]], ["pose", "rest"])
        self.assertNotEqual(begun["current_take"], before)
        moved = self.change(type="model_moved")
        self.assertEqual(moved["clock"]["moved"], 1)
        rested = self.change(type="rest_now")
        self.assertLess(rested["clock"]["blocks"][0]["minutes"], 0.2)
        self.assertEqual(rested["clock"]["blocks"][1]["minutes"], 5)
        ended = self.change(type="end_sitting")
        self.assertIsNone(ended["clock"])
        self.change(type="note_sitting", sitting="sitting", note="Cold light from the left.")
        (entry,) = self.room()["log"]
        self.assertEqual((entry["note"], entry["moved"]), ("Cold light from the left.", 1))
        file = json.loads(self.get(f"/studies/{self.id}/file").data)
        self.assertEqual(file["sittings"][0]["note"], "Cold light from the left.")

    def test_what_can_t_be_is_refused_with_a_reason(self):
        for change, said in (
            ({"type": "model_moved"}, "no sitting goes on"),
            ({"type": "rest_now"}, "no sitting goes on"),
            ({"type": "end_sitting"}, "no sitting goes on"),
            ({"type": "begin_sitting", "blocks": []}, "blocks"),
            ({"type": "begin_sitting", "blocks": [{"kind": "nap", "minutes": 5}]}, "kind"),
            ({"type": "begin_sitting", "blocks": [{"kind": "pose", "minutes": -1}]}, "minutes"),
            ({"type": "note_sitting", "sitting": "gone", "note": "x"}, "gone"),
        ):
            self.assertIn(said, json.dumps(self.change(422, **change), ensure_ascii=False), change)

    def test_after_a_break_the_same_place_is_asked_about_first_and_told(self):
        self.change(type="begin_sitting", blocks=[{"kind": "pose", "minutes": 20}])
        prompts = self.get(f"/studies/{self.id}/prompts").json["sightings"]
        self.assertTrue(all(each["control"] for each in prompts))
        self.assertLessEqual(len(prompts), 4)
        self.assertIn("same place", prompts[0]["because"])
        self.assertIsNone(self.room()["same"])
        again = [each for each in self.bench["readings"] if each["entry"]["kind"] == "span"][:4]
        for each in again:
            entry = {**each["entry"], "take": "t9"}
            self.change(type="take_sighting", sighting=entry)
        prompts = self.get(f"/studies/{self.id}/prompts").json["sightings"]
        self.assertFalse(any(each["control"] for each in prompts))
        self.assertTrue(self.room()["same"])
        self.assertEqual(self.room()["log"][0]["readings"], 4)

    def test_in_a_short_pose_the_plan_is_asked(self):
        fresh = json.loads(BENCH)
        fresh["sightings"] = []
        self.bench = self.post("/studies/import", 201, data=json.dumps(fresh).encode())
        self.id = self.bench["id"]
        usual = self.get(f"/studies/{self.id}/prompts").json["sightings"]
        self.change(type="begin_sitting", blocks=[{"kind": "pose", "minutes": 2}])
        planned = self.get(f"/studies/{self.id}/prompts").json["sightings"]
        self.assertEqual([e["ask"] for e in planned], self.room(2)["plan"]["readings"][:5])
        self.assertNotEqual([e["ask"] for e in planned], [e["ask"] for e in usual])


if __name__ == "__main__":
    unittest.main()
