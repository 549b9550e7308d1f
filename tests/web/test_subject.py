"""The subject's side of the API: scenes, station, stick, reveal, pictures; bad uploads leave
nothing."""

import io
import json
import unittest
import xml.etree.ElementTree as ET
from unittest import mock

import numpy as np
from PIL import Image

from tests.pictures.images import BAD_PICTURES, drawing, saved
from tests.serving import ServedCase
from zirkel.core.network.slack import SQUARED_SIZE
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.scenes import shipped_file, shipped_scenes
from zirkel.views import subject


class SubjectCase(ServedCase):
    def get(self, path):
        return self.client.get(f"/api/v1{path}")

    def post(self, path, status=200, data=None, **body):
        kind = "image/unknown" if path == "/pictures" else "application/json"
        answer = self.client.post(
            f"/api/v1{path}",
            data=data,
            json=None if data else body,
            content_type=kind if data else None,
        )
        self.assertEqual(answer.status_code, status, answer.text)
        return answer.json

    def begin(self, scene="bottle_and_box"):
        self.bench = self.post("/studies/from-scene", 201, scene=scene)
        self.number = self.bench["id"]
        return self.bench

    def change(self, status=200, **change):
        version = self.get(f"/studies/{self.number}").json["version"]
        return self.post(f"/studies/{self.number}/changes", status, version=version, change=change)

    def seen(self, name):
        mark = next(m for m in self.bench["landmarks"] if m["id"] == name)
        return [mark["seen_left_mm"], mark["seen_top_mm"]]


class Scenes(SubjectCase):
    def test_a_study_of_a_scene_has_all_but_the_readings(self):
        bench = self.begin()
        self.assertEqual(bench["subject"]["kind"], "scene")
        self.assertEqual((len(bench["landmarks"]), bench["readings"]), (16, []))
        for shown, kind in (("image", "image/webp"), ("lines", "image/svg+xml")):
            image = self.client.get(bench["subject"][shown])
            self.assertEqual(image.mimetype, kind)
            self.assertIn("max-age", image.headers["Cache-Control"])

    def test_seen_and_squinted_at_in_another_light(self):
        def shown(**asked):
            reply = self.client.get("/api/v1/scenes/tea_chest/seen.webp", query_string=asked)
            self.assertEqual(reply.status_code, 200, reply.text if reply.is_json else "")
            return np.asarray(Image.open(io.BytesIO(reply.data)).convert("L"), dtype=int)

        own = shown(wide=300)
        self.assertEqual(max(own.shape), 300)
        # Lossy packing leaves a few codes about each of five tones.
        count = np.bincount(shown(wide=300, squint="true").ravel(), minlength=256)
        self.assertGreater(np.sort(count)[-25:].sum(), 0.95 * count.sum())
        self.assertLess(np.sort(np.bincount(own.ravel()))[-25:].sum(), 0.9 * own.size)
        left, right = (shown(wide=300, light=each) for each in ("low_left", "low_right"))
        self.assertEqual(left.shape[0], right.shape[0])
        reply = self.client.get("/api/v1/scenes/tea_chest/seen.webp?light=moon")
        self.assertEqual(reply.status_code, 422)
        self.assertIn("light", reply.text)

    def test_moving_the_light_is_kept_undone_and_said(self):
        self.begin()
        room = self.post(f"/studies/{self.number}/station")
        self.assertIsNone(room["light"])
        subject = {"scene": "bottle_and_box", "station": room["station"], "light": "window"}
        lit = self.change(type="set_subject", subject=subject)
        self.assertEqual(lit["undo"], "Move the light")
        self.assertIn("light=window", lit["subject"]["image"])
        self.assertEqual(self.post(f"/studies/{self.number}/station")["light"], "window")

    def test_lines_and_what_is_seen_lie_alike_in_any_light(self):
        """Shadows are part of the picture: its sides are other ones where the light is another."""
        self.begin()
        station = self.post(f"/studies/{self.number}/station")["station"]
        sides = set()
        for light in (None, "low_left", "low_right"):
            subject = {"scene": "bottle_and_box", "station": station, "light": light}
            shown = self.change(type="set_subject", subject=subject)["subject"]
            side = shown["width_mm"] / shown["height_mm"]
            root = ET.fromstring(self.client.get(shown["lines"]).data)
            self.assertAlmostEqual(float(root.get("width")) / float(root.get("height")), side, 3)
            seen = Image.open(io.BytesIO(self.client.get(f"{shown['image']}&wide=300").data))
            self.assertAlmostEqual(seen.width / seen.height, side, delta=0.02)
            sides.add(round(side, 3))
        self.assertGreater(len(sides), 1)

    def test_what_is_seen_lies_on_the_picture_where_the_scene_has_it(self):
        bench = self.begin()
        scene = shipped_scenes()["bottle_and_box"]
        seen = seen_landmarks(scene, scene.station)
        per = np.subtract(self.seen("cone_r"), self.seen("box_top_l")) / (
            seen["cone_r"] - seen["box_top_l"]
        )
        self.assertAlmostEqual(per[0], per[1], places=6)
        subject = bench["subject"]
        for mark in bench["landmarks"]:
            self.assertTrue(0 < mark["seen_left_mm"] - subject["left_mm"] < subject["width_mm"])

    def test_adding_a_scene_file(self):
        own = json.loads(shipped_file("bottle_and_box")) | {"title": "My corner"}
        data = json.dumps(own).encode()
        card = self.post("/scenes", 201, data=data)
        self.assertEqual((card["name"], card["title"]), ("my_corner", "My corner"))
        self.assertEqual(self.post("/scenes", 201, data=data)["name"], "my_corner")
        changed = json.dumps(own | {"work": "other"}).encode()
        self.assertEqual(self.post("/scenes", 201, data=changed)["name"], "my_corner_2")
        self.assertEqual(self.get("/scenes/my_corner/file").data, data)
        self.assertEqual(self.begin("my_corner")["subject"]["title"], "My corner")
        names = [each["name"] for each in self.get("/scenes").json["scenes"]]
        self.assertEqual(names[-2:], ["my_corner", "my_corner_2"])

    def test_a_scene_file_with_a_missing_field_is_not_kept(self):
        own = json.loads(shipped_file("bottle_and_box"))
        del own["station"]
        problem = self.post("/scenes", 422, data=json.dumps(own).encode())
        self.assertEqual(problem["field"], "station")
        self.assertEqual(len(self.get("/scenes").json["scenes"]), len(shipped_scenes()))

    def test_a_scene_that_is_not_here(self):
        self.begin()
        self.assertEqual(self.get("/scenes/nowhere/picture.svg").status_code, 404)
        station = {"distance_mm": 2000, "eye_height_mm": 400}
        bench = self.change(type="set_subject", subject={"scene": "gone", "station": station})
        self.assertIn("“gone” is not here", bench["subject"]["missing"])
        self.assertEqual(self.get(f"/studies/{self.number}/reveal").status_code, 422)


class Station(SubjectCase):
    def test_trying_changes_nothing_and_keeping_can_be_undone(self):
        self.begin()
        kept = self.post(f"/studies/{self.number}/station")
        near = {**kept["station"], "distance_mm": 700, "direction_deg": 30}
        tried = self.post(f"/studies/{self.number}/station", station=near)
        self.assertEqual([c["about"] for c in tried["cautions"]], ["distance", "cone", "reach"])
        self.assertNotEqual(tried["image"], kept["image"])
        self.assertAlmostEqual(
            tried["reckoned"]["unit_on_stick_mm"],
            tried["reckoned"]["unit_mm"] * 650 / 700,
        )
        self.assertEqual(self.post(f"/studies/{self.number}/station"), kept)
        bench = self.change(
            type="set_subject", subject={"scene": "bottle_and_box", "station": near}
        )
        self.assertEqual(bench["undo"], "Move the station")

    def test_faults_are_named_on_the_bench_and_cost_something(self):
        self.begin()
        station = self.post(f"/studies/{self.number}/station")["station"]
        bench = self.change(
            type="set_subject",
            subject={"scene": "bottle_and_box", "station": station, "faults": {"two_eyes": 63}},
        )
        self.assertEqual(bench["subject"]["faults"], ["Two eyes are open"])
        room = self.post(f"/studies/{self.number}/station")
        self.assertEqual([f["name"] for f in room["faults"] if f["on"]], ["two_eyes"])

    def test_only_a_simulated_subject_has_a_station(self):
        made = self.post("/studies", 201, title="Plain")
        self.assertEqual(self.post(f"/studies/{made['id']}/station", 422)["field"], "subject")

    def test_the_calculator_for_a_live_subject(self):
        """A sitter of 1300 mm at 4 m, a head of 230 mm, to be drawn 325 mm high: the easel goes to
        325 * 4000 / 1300 = 1000 mm, and a head is 57.5 mm on the sheet, 37.4 mm on the stick."""
        asked = ("/reckon?height_mm=1300&width_mm=700&unit_mm=230&distance_mm=4000&reach_mm=650"
                 "&easel_mm=900&wanted_mm=325")  # fmt: skip
        told = self.get(asked).json
        self.assertEqual(told["cautions"], [])
        made = told["reckoned"]
        self.assertAlmostEqual(made["easel_for_sheet_mm"], 1000.0)
        self.assertAlmostEqual(made["sheet_unit_mm"], 57.5)
        self.assertAlmostEqual(made["unit_on_stick_mm"], 37.375)
        near = self.get(asked.replace("distance_mm=4000", "distance_mm=2000")).json
        self.assertEqual([each["about"] for each in near["cautions"]], ["distance", "cone"])
        self.assertEqual(self.get(asked.replace("height_mm=1300", "height_mm=0")).status_code, 422)

    def test_the_real_reach(self):
        asked = "/reach?length_mm=2000&near_mm=320&far_mm=256&back_mm=1000"
        self.assertAlmostEqual(self.get(asked).json["reach_mm"], 640.0)
        self.assertEqual(self.get(asked.replace("far_mm=256", "far_mm=400")).status_code, 422)


class Stick(SubjectCase):
    def pose(self, held, start, end, **more):
        return {"held": held, "start": self.seen(start), "end": self.seen(end),
                "from_landmark": start, "to_landmark": end, **more}  # fmt: skip

    def read(self, status=200, **pose):
        return self.post(f"/studies/{self.number}/stick", status, **pose)

    def test_readings_are_the_truth_rounded_as_a_person_would(self):
        self.begin()
        scene = shipped_scenes()["bottle_and_box"]
        truth = truth_in_units(seen_landmarks(scene, scene.station), scene.unit)
        thumb = self.bench["sheet"]["unit_mm"]
        d = truth["cone_r"] - truth["box_top_l"]
        level = self.read(**self.pose("level", "box_top_l", "cone_r", thumb=thumb))
        self.assertAlmostEqual(level["exact"], d[0], places=6)
        self.assertAlmostEqual(level["entry"]["units"], d[0], delta=1 / 16)
        self.assertEqual(level["steps"], int(d[0]))
        self.assertEqual((level["entry"]["towards"], level["entry"]["take"]), ("right", "t1"))
        drop = self.read(**self.pose("drop", "box_top_l", "cone_r", thumb=thumb))
        self.assertAlmostEqual(drop["entry"]["offset"], d[0], delta=1 / 16)
        height = self.read(**self.pose("height", "cone_r", "box_top_l", thumb=thumb))
        self.assertAlmostEqual(height["entry"]["offset"], -d[1], delta=1 / 16)
        tilt = self.read(**self.pose("tilt", "box_top_l", "cone_r"))
        true = np.degrees(np.arctan2(d[0], -d[1])) % 180
        self.assertAlmostEqual(tilt["entry"]["degrees"], true, delta=1.26)

    def test_a_thumb_set_wrong_reads_wrong(self):
        self.begin()
        thumb = self.bench["sheet"]["unit_mm"]
        right = self.read(**self.pose("level", "box_top_l", "cone_r", thumb=thumb))
        wrong = self.read(**self.pose("level", "box_top_l", "cone_r", thumb=thumb / 1.25))
        self.assertAlmostEqual(wrong["exact"], right["exact"] * 1.25)

    def test_what_cannot_be_read(self):
        self.begin()
        for pose, words in (
            (self.pose("level", "box_top_l", "cone_r"), "set the thumb"),
            (self.pose("level", "box_top_l", "box_top_l", thumb=9), "both ends lie on one"),
            ({**self.pose("level", "box_top_l", "cone_r"), "to_landmark": "x"}, "no landmark “x”"),
        ):
            self.assertIn(words, self.read(422, **pose)["detail"])

    def test_two_that_stand_plumb_have_no_width_and_are_read_as_that(self):
        """Asked for a width that isn't there, one is no further for being told so."""
        self.begin()
        thumb = self.bench["sheet"]["unit_mm"]
        read = self.read(**self.pose("level", "box_top_l", "box_foot_l", thumb=thumb))
        self.assertEqual(read["entry"]["kind"], "drop")
        self.assertAlmostEqual(read["entry"].get("offset", 0.0), 0.0, delta=0.02)
        self.assertIn("no width to count: ", read["said"])
        level = self.read(**{**self.pose("plumb", "box_top_l", "cone_r", thumb=thumb),
                             "end": [200.0, self.seen("box_top_l")[1]]})  # fmt: skip
        self.assertEqual(level["entry"]["kind"], "level")

    def test_a_fault_spoils_it_and_says_so(self):
        self.begin()
        station = self.post(f"/studies/{self.number}/station")["station"]
        subject = {"scene": "bottle_and_box", "station": station, "faults": {"lean": 35}}
        self.bench = self.change(type="set_subject", subject=subject)
        thumb = self.bench["sheet"]["unit_mm"]
        read = self.read(**self.pose("straight", "box_top_l", "cone_r", thumb=thumb))
        self.assertGreater(read["entry"]["units"], 1.15 * read["exact"])
        self.assertIn("leans", read["faults"][0])
        self.assertIn("a steady hand would read", read["faults"][1])


class Revealing(SubjectCase):
    def test_the_truth_and_how_often_it_lay_inside(self):
        self.begin()
        scene = shipped_scenes()["bottle_and_box"]
        truth = truth_in_units(seen_landmarks(scene, scene.station), scene.unit)
        for name in ("cone_r", "cone_top"):
            for kind, axis, off in (("drop", 0, 0.0), ("level", 1, 0.2)):
                self.change(type="take_sighting", sighting={
                    "id": "x", "kind": kind, "from": "box_top_l", "to": name,
                    "offset": float(truth[name][axis]) + (off if name == "cone_top" else 0.0),
                })  # fmt: skip
        bench = self.get(f"/studies/{self.number}").json
        told = self.get(f"/studies/{self.number}/reveal").json
        marks = {each["landmark"]: each for each in told["marks"]}
        self.assertAlmostEqual(marks["cone_r"]["off_mm"], 0.0, places=6)
        self.assertTrue(marks["cone_r"]["inside"])
        unit = bench["sheet"]["unit_mm"]
        self.assertAlmostEqual(marks["cone_top"]["off_mm"], 0.2 * unit, places=4)
        self.assertGreater((0.2 / 0.03) ** 2, SQUARED_SIZE)
        self.assertFalse(marks["cone_top"]["inside"])
        self.assertIsNone(marks["bottle_foot_l"]["inside"])
        self.assertEqual((told["inside"], told["judged"]), (1, 2))
        self.assertAlmostEqual(told["expected_share"], 0.95, places=9)


class Pictures(SubjectCase):
    def take(self, **how):
        taken = self.post("/pictures", 201, data=saved(drawing(), "PNG"))
        self.begin()
        keys = ("picture", "width", "height")
        self.bench = self.change(type="set_subject", subject={**{k: taken[k] for k in keys}, **how})
        return taken

    def test_bad_uploads_leave_nothing_behind(self):
        for name, (data, words) in BAD_PICTURES.items():
            with self.subTest(name):
                status = 413 if len(data) > 40_000_000 else 422
                problem = self.post("/pictures", status, data=data or b" ")
                self.assertEqual(problem["status"], status)
                if status == 422 and data:
                    self.assertIn(words, problem["detail"])
        self.assertFalse((self.folder / "pictures").exists())

    def test_looked_at_as_the_study_says(self):
        self.take(tones=2, crop=[0, 0, 0.5, 0.5])
        shown = self.client.get(self.bench["subject"]["image"])
        self.assertEqual(shown.mimetype, "image/png")
        self.assertEqual(self.bench["subject"]["kind"], "picture")
        self.assertEqual(self.get(f"/pictures/{'b' * 64}/view").status_code, 404)
        own = self.bench["subject"]["image"].split("?")[0]
        self.assertEqual(self.client.get(f"{own}?crop=0.5,0,0.5,1").status_code, 422)

    def test_turn_measure_read_and_print(self):
        self.take()
        for name, rough in (("box_top_l", [50, 50]), ("box_foot_l", [50, 250]),
                            ("cone_r", [350, 150])):  # fmt: skip
            self.change(type="edit_landmark",
                        landmark={"id": name, "name": name, "rough": rough})  # fmt: skip
        self.change(type="turn_picture", start=[0, 0], end=[100, 3])
        bench = self.change(type="turn_picture", start=[50, 50], end=[50, 250])
        self.assertEqual(bench["subject"]["picture"]["turn_deg"], 0.0)
        self.assertEqual(self.get(f"/studies/{self.number}/print.pdf").status_code, 422)
        self.change(type="measure_picture", start=[0, 0], end=[400, 0], length_mm="20 cm")
        printed = self.get(f"/studies/{self.number}/print.pdf")
        self.assertEqual((printed.mimetype, printed.data[:5]), ("application/pdf", b"%PDF-"))
        bench = self.change(type="read_picture")
        cone = next(m for m in bench["landmarks"] if m["id"] == "cone_r")
        top = next(m for m in bench["landmarks"] if m["id"] == "box_top_l")
        unit = bench["sheet"]["unit_mm"]
        self.assertAlmostEqual((cone["from_left_mm"] - top["from_left_mm"]) / unit, 1.5, places=3)
        again = self.change(type="read_picture")
        self.assertEqual(len(again["readings"]), len(bench["readings"]))
        self.assertTrue(all(r["entry"]["note"] == "computed" for r in again["readings"]))
        # Nobody can have misread what was computed: it is not held to be unchecked.
        self.assertNotIn("unchecked", {r["state"] for r in again["readings"]})
        self.assertEqual(self.get(f"/studies/{self.number}/prompts").json["unchecked"], [])

    def test_silent_for_eye_first_work(self):
        self.take(silent=True)
        self.assertIn("kept silent", self.change(422, type="read_picture")["detail"])


class Kept(SubjectCase):
    def test_what_a_scene_looks_like_is_drawn_once_and_kept_for_the_next_start(self):
        with mock.patch("zirkel.views.subject.drawn", wraps=subject.drawn) as drawing:
            subject._drawings.clear()
            first = self.client.get("/api/v1/scenes/tea_chest/picture.svg").data
            subject._drawings.clear()
            self.assertEqual(self.client.get("/api/v1/scenes/tea_chest/picture.svg").data, first)
            self.assertEqual(drawing.call_count, 1)
            aside = "/api/v1/scenes/tea_chest/picture.svg?direction_deg=20"
            self.assertNotEqual(self.client.get(aside).data, first)
            self.assertEqual(drawing.call_count, 2)
            with mock.patch("zirkel.views.subject.drawn_by", return_value="another way"):
                subject._drawings.clear()
                self.client.get("/api/v1/scenes/tea_chest/picture.svg")
            self.assertEqual(drawing.call_count, 3)

    def test_a_station_from_which_nothing_can_be_drawn_is_said(self):
        with mock.patch("zirkel.pictures.scene_svg.picture_of", side_effect=ValueError("a sliver")):
            asked = self.client.get("/api/v1/scenes/tea_chest/picture.svg?direction_deg=33")
        self.assertEqual(asked.status_code, 422)
        self.assertIn("a sliver", asked.json["detail"])


if __name__ == "__main__":
    unittest.main()
