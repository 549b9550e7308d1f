"""A sitting through the API: the plan of its time, its clock, what is asked after a break, the
log."""

import json
import unittest
from datetime import datetime

from icalendar import Calendar

from tests.pictures.images import drawing, saved
from tests.web.test_subject import SubjectCase
from zirkel.demo.generate import FOLDER

BENCH = (FOLDER / "potting_bench.zirkel.json").read_bytes()


class Sittings(SubjectCase):
    def setUp(self):
        super().setUp()
        self.bench = self.post("/studies/import", 201, data=BENCH)
        self.number = self.bench["id"]

    def change(self, status=200, **change):
        made = self.post(f"/studies/{self.number}/changes", status, version=self.bench["version"],
                         change=change)  # fmt: skip
        if status == 200:
            self.bench = made
        return made

    def room(self, minutes=10):
        return self.get(f"/studies/{self.number}/sitting?minutes={minutes}").json

    def test_the_plan_goes_by_the_minutes(self):
        short, long = self.room(2), self.room(20)
        self.assertEqual([each["stage"] for each in short["plan"]["stages"]], ["sight", "draw"])
        self.assertEqual(len(short["plan"]["readings"]), 8)
        self.assertGreater(len(long["plan"]["readings"]), 8)
        self.assertRegex(short["plan"]["said"], r"^8 readings fit\.")
        for odd in ("0", "x", "601", "1e9", "nan"):
            self.assertEqual(
                self.get(f"/studies/{self.number}/sitting?minutes={odd}").status_code, 422
            )

    def test_what_is_drawn_brings_its_own_care(self):
        room = self.room()
        self.assertEqual(room["care"]["about"], "still_life")
        self.assertNotIn("sitter", room["care"]["before"] + room["care"]["over"])
        self.assertIn("still_life", [each["name"] for each in room["materials"]])
        self.change(type="set_about", about="sitter")
        room = self.room()
        self.assertIn("free to stop at any time", room["care"]["before"])
        self.assertIn("Thank your sitter", room["care"]["over"])
        self.assertIn("from_life", [each["name"] for each in room["materials"]])
        self.change(422, type="set_about", about="ghosts")

    def test_the_next_sitting_on_the_wall_and_in_a_calendar(self):
        address = f"/studies/{self.number}/sitting.ics"
        self.assertEqual(self.get(address).status_code, 422)
        self.change(type="set_next_sitting", at="2026-12-03T14:00")
        self.assertEqual(self.room()["next_at"], "2026-12-03T14:00")
        cards = self.get("/studies").json["studies"]
        card = next(each for each in cards if each["id"] == self.number)
        self.assertEqual(card["next_at"], "2026-12-03T14:00")
        file = self.get(address)
        self.assertEqual(file.mimetype, "text/calendar")
        (event,) = Calendar.from_ical(file.data).walk("VEVENT")
        self.assertEqual(str(event["summary"]), self.bench["title"])
        self.assertEqual(event.decoded("dtstart"), datetime(2026, 12, 3, 14))
        self.assertIn("- A table that nobody bumps into", event["description"])
        self.change(422, type="set_next_sitting", at="tomorrow")

    def test_a_file_s_next_sitting_that_is_no_day_is_said_so(self):
        file = self.get(f"/studies/{self.number}/file").json
        made = self.post("/studies/import", 201, **{**file, "next_sitting": "soon"})
        answer = self.get(f"/studies/{made['id']}/sitting.ics")
        self.assertEqual(answer.status_code, 422)
        self.assertIn("“soon” is no day and hour", answer.json["detail"])

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
        self.change(type="note_sitting", sitting="sitting_3", note="Cold light from the left.")
        entry = self.room()["log"][-1]
        self.assertEqual((entry["note"], entry["moved"]), ("Cold light from the left.", 1))
        file = json.loads(self.get(f"/studies/{self.number}/file").data)
        self.assertEqual(file["sittings"][-1]["note"], "Cold light from the left.")

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

    def test_an_own_set_of_poses_is_kept_used_and_taken_away(self):
        mine = {"format": "zirkel-poses", "version": 1, "name": "Mine!", "title": "My own",
                "blocks": [{"kind": "pose", "minutes": 7}],
                "shares": {"sight": 1, "draw": 1}}  # fmt: skip
        kept = self.post("/poses", 201, **mine)
        self.assertEqual((kept["own"], kept["shares"]), (True, {"sight": 1, "draw": 1}))
        shown = {each["name"]: each for each in self.room()["sets"]}
        self.assertEqual(shown["Mine!"], kept)
        self.assertFalse(shown["ten_minutes"]["own"])
        by_it = self.get(f"/studies/{self.number}/sitting?minutes=7&poses=Mine!").json["plan"]
        self.assertEqual([e["stage"] for e in by_it["stages"]], ["sight", "draw"])
        begun = self.change(type="begin_sitting", blocks=kept["blocks"], shares=kept["shares"])
        self.assertEqual([e["stage"] for e in begun["clock"]["blocks"][0]["stages"]],
                         ["sight", "draw"])  # fmt: skip
        self.assertEqual(self.client.delete("/api/v1/poses/Mine!").status_code, 204)
        self.assertNotIn("Mine!", {each["name"] for each in self.room()["sets"]})
        gone = self.client.delete("/api/v1/poses/Mine!")
        self.assertEqual(gone.status_code, 404)
        self.assertIn("Mine!", gone.json["detail"])
        self.assertEqual(self.client.delete("/api/v1/poses/ten_minutes").status_code, 404)
        only_rests = [{"kind": "rest", "minutes": 1}]
        for change, said in (({"blocks": []}, "blocks"), ({"blocks": only_rests}, "only rests")):
            self.assertIn(said, json.dumps(self.post("/poses", 422, **(mine | change))))

    def test_the_place_is_written_down_with_its_plan_and_what_to_go_by(self):
        before = self.room()["place"]
        self.assertTrue(before["written"])
        self.change(type="set_place", place={"distance_mm": "3 m", "easel_mm": "70 cm",
                                             "light_hour": 10, "light": "Lamp"})  # fmt: skip
        place = self.room()["place"]
        self.assertEqual((place["plan"]["distance"], place["plan"]["easel"]), ("3.00 m", "70 cm"))
        self.assertIn("Light from 10 o'clock, as the subject stands: Lamp.", place["checklist"])
        paper = self.get(f"/studies/{self.number}/take/place")
        self.assertEqual(paper.data[:4], b"%PDF")
        refused = self.change(422, type="set_place", place={"distance_mm": "3 miles"})
        self.assertIn("distance_mm", refused["field"])

    def test_photographs_in_the_log_are_on_its_paper_too(self):
        picture = self.post("/pictures", 201, data=saved(drawing(), "JPEG"))["picture"]
        bare = self.get(f"/studies/{self.number}/take/log").data
        self.change(type="keep_log_picture", sitting="sitting", picture=picture, said="Block-in")
        entry = self.room()["log"][0]
        self.assertEqual([(e["picture"], e["said"], e["check"]) for e in entry["pictures"]],
                         [(picture, "Block-in", None)])  # fmt: skip
        self.assertGreater(len(self.get(f"/studies/{self.number}/take/log").data), len(bare) + 500)
        self.change(type="keep_log_picture", sitting="sitting", picture=picture, said="Anew")
        (again,) = self.room()["log"][0]["pictures"]
        self.assertEqual(again["said"], "Anew")
        self.change(type="drop_log_picture", sitting="sitting", picture=picture)
        self.assertEqual(self.room()["log"][0]["pictures"], [])
        # One that isn't in the data folder leaves its place empty.
        self.change(type="keep_log_picture", sitting="sitting", picture="e" * 64)
        self.assertEqual(self.get(f"/studies/{self.number}/take/log").status_code, 200)

    def test_after_a_break_the_same_place_is_asked_about_first_and_told(self):
        self.change(type="begin_sitting", blocks=[{"kind": "pose", "minutes": 20}])
        prompts = self.get(f"/studies/{self.number}/prompts").json["sightings"]
        self.assertTrue(all(each["control"] for each in prompts))
        self.assertLessEqual(len(prompts), 4)
        self.assertIn("same place", prompts[0]["because"])
        self.assertIsNone(self.room()["same"])
        again = [each for each in self.bench["readings"] if each["entry"]["kind"] == "span"][:4]
        for each in again:
            entry = {k: v for k, v in each["entry"].items() if k != "at"} | {"take": "t9"}
            self.change(type="take_sighting", sighting=entry)
        prompts = self.get(f"/studies/{self.number}/prompts").json["sightings"]
        self.assertFalse(any(each["control"] for each in prompts))
        self.assertTrue(self.room()["same"])
        self.assertEqual(self.room()["log"][-1]["readings"], 4)

    def test_in_a_short_pose_the_plan_is_asked(self):
        fresh = json.loads(BENCH)
        fresh["sightings"] = []
        self.bench = self.post("/studies/import", 201, data=json.dumps(fresh).encode())
        self.number = self.bench["id"]
        usual = self.get(f"/studies/{self.number}/prompts").json["sightings"]
        self.change(type="begin_sitting", blocks=[{"kind": "pose", "minutes": 2}])
        planned = self.get(f"/studies/{self.number}/prompts").json["sightings"]
        self.assertEqual([e["ask"] for e in planned], self.room(2)["plan"]["readings"][:5])
        self.assertNotEqual([e["ask"] for e in planned], [e["ask"] for e in usual])


if __name__ == "__main__":
    unittest.main()
