"""Light and dark through the API: compared, doubted, read off, planned, and refused plainly."""

import io
import json
import unittest

import numpy as np
import shapely
from PIL import Image

from tests.web.test_subject import SubjectCase
from zirkel.core.tones.grey import luminance_of_tone
from zirkel.demo.generate import FOLDER
from zirkel.pictures.lightness import mask_of

PX_PER_MM = 2
BORDER_PX = 30

BENCH = (FOLDER / "potting_bench.zirkel.json").read_bytes()


def said(answer):
    return json.dumps(answer, ensure_ascii=False)


def apart(areas):
    """Ids of areas of which hardly anything is covered by another."""
    shapes = {each["id"]: shapely.Polygon(each["sheet_mm"]).buffer(0) for each in areas}
    return [
        name for name, own in shapes.items()
        if sum(own.intersection(o).area for n, o in shapes.items() if n != name) < 0.1 * own.area
    ]  # fmt: skip


def photographed_sheet(sheet, paper, areas):
    """A PNG of a sheet with (outline in mm, tone) painted on it, seen straight, in light that falls
    off by a third from one side to the other; and the sheet's corners in it."""
    size = [round(sheet[side] * PX_PER_MM) for side in ("height_mm", "width_mm")]
    y = np.full(size, luminance_of_tone(paper))
    for outline, tone in areas:
        y[mask_of([[c * PX_PER_MM for c in spot] for spot in outline], y.shape)] = (
            luminance_of_tone(tone)
        )
    y = y * np.linspace(1.0, 0.67, size[1])
    whole = np.pad(y, BORDER_PX, constant_values=0.05)
    code = np.where(whole <= 0.0031308, 12.92 * whole, 1.055 * whole ** (1 / 2.4) - 0.055)
    kept = io.BytesIO()
    Image.fromarray(np.rint(255 * code).astype(np.uint8)).convert("RGB").save(kept, "PNG")
    near, right, low = BORDER_PX, BORDER_PX + size[1], BORDER_PX + size[0]
    return kept.getvalue(), [[near, near], [right, near], [right, low], [near, low]]


class Tones(SubjectCase):
    def setUp(self):
        super().setUp()
        self.number = self.post("/studies/import", 201, data=BENCH)["id"]

    def told(self, groups=4):
        return self.get(f"/studies/{self.number}/tones?groups={groups}").json

    def test_the_bench_in_raking_light(self):
        room = self.told()
        self.assertEqual((len(room["areas"]), len(room["comparisons"])), (14, 30))
        self.assertTrue(room["anchored"])
        (doubt,) = room["doubts"]
        self.assertIn(
            "“Sack, lit side” a little darker than “Can, shaded side”?", doubt["headline"]
        )
        self.assertIn("Round in a circle", doubt["detail"])
        self.change(type="strike_tone", id=doubt["id"])
        self.assertEqual(self.told()["doubts"], [])
        self.assertEqual(len(self.told(6)["flat"]), 6)

    def test_an_answer_joins_the_others_under_its_own_id(self):
        asked = next(q for q in self.told()["questions"] if q["kind"] == "darker")
        reading = {"id": "n1", "kind": "darker", "first": asked["first"], "second": asked["second"],
                   "by": "clearly"}  # fmt: skip
        self.change(type="compare_tones", reading=reading)
        room = self.told()
        self.assertEqual(len({each["id"] for each in room["comparisons"]}), 31)
        self.assertNotIn((asked["first"], asked["second"]),
                         [(q["first"], q["second"]) for q in room["questions"]])  # fmt: skip

    def test_what_is_no_comparison_is_said(self):
        one = {"id": "x", "kind": "darker", "first": "bench", "second": "bench", "by": "much"}
        for reading, why in (
            (one, "compared with itself"),
            ({**one, "second": "nowhere"}, "there is no area “nowhere”"),
            ({**one, "second": "cast", "by": None}, "how much darker"),
            ({"id": "x", "kind": "step", "area": "bench"}, "needs its area and its step"),
            ({"id": "x", "kind": "alike", "first": "bench"}, "compares two areas"),
            ({"id": "x", "kind": "step", "area": "bench", "step": 99}, "at most 12"),
        ):
            self.assertIn(why, said(self.change(422, type="compare_tones", reading=reading)))
        for medium, why in (
            ({"paper": 3, "lightest": 6, "darkest": 4}, "no darker than the lightest"),
            ({"paper": 9, "lightest": 1, "darkest": 4}, "outside what the medium can do"),
        ):
            self.assertIn(why, said(self.change(422, type="set_medium", medium=medium)))

    def test_areas_outlined_suggested_and_removed_with_their_comparisons(self):
        outline = ["pot1_l", "pot2_r", "pot1_r", "pot2_l"]
        self.change(type="put_area", area={"id": "bow", "name": "Bow", "outline": outline})
        bow = next(each for each in self.told()["areas"] if each["id"] == "bow")
        self.assertIn("crosses itself", bow["trouble"])
        self.change(type="suggest_areas")
        names = [each["name"] for each in self.told()["areas"]]
        self.assertIn("Folded sack", names)
        self.assertIn("no shape is left", said(self.change(422, type="suggest_areas")))
        before = len(self.told()["comparisons"])
        self.change(type="remove_area", id="cast")
        after = self.told()
        self.assertLess(len(after["comparisons"]), before)
        self.assertNotIn("cast", [each["id"] for each in after["areas"]])

    def test_read_off_the_scene_and_kept_apart_from_one_s_own(self):
        read = self.get(f"/studies/{self.number}/tones/read").json
        self.assertGreaterEqual(len(read["steps"]), 12)
        self.change(type="read_tones", steps=read["steps"])
        computed = [each for each in self.told()["comparisons"] if each["computed"]]
        self.assertEqual(len(computed), len(read["steps"]))
        self.assertIn("read off the subject", computed[0]["said"])
        self.change(type="read_tones", steps={"bench": 3.0})
        self.assertEqual(len(self.told()["comparisons"]), 31)
        self.change(type="set_subject", subject=None)
        answer = self.get(f"/studies/{self.number}/tones/read")
        self.assertEqual(answer.status_code, 422)
        self.assertIn("compare by eye", answer.text)

    def test_a_medium_chosen_and_its_cautions_told(self):
        room = self.told()
        chosen = next(each for each in room["media"] if each["chosen"])
        self.assertEqual(chosen["name"], "chalks_toned")
        self.assertTrue(any("ventilation" in each for each in chosen["cautions"]))
        self.change(type="set_medium", medium=None)
        self.assertFalse(any(each["chosen"] for each in self.told()["media"]))

    def test_what_stands_before_what(self):
        room = self.told()
        self.assertTrue(any("firmest line" in each for each in room["layers"]))
        self.change(type="put_overlap", overlap={"front": "pot3", "behind": "pot1"})
        self.assertIn("In a circle: Top pot before Middle pot before Bottom pot before Top pot",
                      said(self.told()["layers"]))  # fmt: skip
        self.change(type="put_overlap", overlap={"front": "pot1", "behind": "pot3"})
        self.assertNotIn("In a circle", said(self.told()["layers"]))
        self.change(type="remove_overlap", overlap={"front": "pot1", "behind": "pot3"})
        self.change(422, type="put_overlap", overlap={"front": "pot1", "behind": "pot1"})
        self.change(422, type="put_overlap", overlap={"front": "pot1", "behind": "nowhere"})
        bench = self.get(f"/studies/{self.number}").json
        weights = {each["id"]: each["weight"] for each in bench["shapes"]}
        self.assertGreater(weights["pot1"], weights["pot3"])

    def test_the_scene_s_own_order_is_taken(self):
        boathouse = (FOLDER / "boathouse.zirkel.json").read_bytes()
        self.number = self.post("/studies/import", 201, data=boathouse)["id"]
        self.change(type="put_overlap", overlap={"front": "slipway", "behind": "jetty"})
        self.change(type="scene_overlaps")
        told = [each["said"] for each in self.told()["overlaps"]]
        self.assertIn("Jetty before Gable wall", told)
        self.assertIn("Slipway before Jetty", told)
        self.assertNotIn("Jetty before Slipway", told)
        self.assertIn("no more overlaps", said(self.change(422, type="scene_overlaps")))
        bench = self.get(f"/studies/{self.number}").json
        sides = {shape["id"]: shape["fades"] for shape in bench["shapes"]}
        self.assertTrue(sides["jetty"], "the jetty runs back")
        placed = {each["id"]: each["held_left_mm"] for each in bench["landmarks"]}
        for side in sides["jetty"]:
            self.assertLess(side["left"], 1.0)
            self.assertLessEqual({side["near"], side["far"]}, set(placed))
        self.assertIn("What runs back fades towards its far end: ", self.told()["layers"][-1])
        self.change(type="set_subject", subject=None)
        self.assertIn("only a scene", said(self.change(422, type="scene_overlaps")))

    def test_papers(self):
        for what, head in (
            ("tones", b"%PDF"),
            ("grey-card", b"%PDF"),
            ("tone-picture", b"\x89PNG"),
        ):
            answer = self.get(f"/studies/{self.number}/take/{what}")
            self.assertEqual(answer.status_code, 200, what)
            self.assertTrue(answer.data.startswith(head), what)

    def test_the_drawing_s_own_tones_need_a_photograph(self):
        bare = json.loads(BENCH)
        del bare["photograph"]
        self.number = self.post("/studies/import", 201, data=json.dumps(bare).encode())["id"]
        shown = self.get(f"/studies/{self.number}/tones/drawn").json
        self.assertIn("Take in a photograph", shown["missing"])

    def test_a_painted_sheet_in_uneven_light_is_held_against_the_plan(self):
        """Every area painted as planned, but one two steps too light; the light falls off by a
        third across the sheet."""
        file = json.loads(BENCH)
        for key in ("photograph", "drawn", "checks"):
            file.pop(key)
        self.number = self.post("/studies/import", 201, data=json.dumps(file).encode())["id"]
        areas = self.told()["areas"]
        planned = {each["id"]: each["on_sheet"] for each in areas}
        alone = apart([each for each in areas if each["sheet_mm"]])
        self.assertGreater(len(alone), 8)
        wrong = max(alone, key=lambda name: planned[name])
        picture, corners = photographed_sheet(
            file["sheet"], 4.5,
            [(each["sheet_mm"], planned[each["id"]] - 2.0 * (each["id"] == wrong))
             for each in areas if each["sheet_mm"]],
        )  # fmt: skip
        image = self.store.pictures.add(picture, "png", 900, 654)
        file["photograph"] = {"picture": image.id, "width": 900, "height": 654,
                              "corners": corners, "found": False}  # fmt: skip
        self.number = self.post("/studies/import", 201, data=json.dumps(file).encode())["id"]
        shown = self.get(f"/studies/{self.number}/tones/drawn").json
        self.assertIsNone(shown["missing"])
        off = {each["area"]: each["drawn"] - each["planned"] for each in shown["areas"]}
        for name in alone:
            self.assertAlmostEqual(off[name], -2.0 if name == wrong else 0.0, delta=0.5, msg=name)
        told = next(each for each in shown["areas"] if each["area"] == wrong)
        self.assertIn("too light: another layer", told["said"])
        self.assertTrue(shown["next"].startswith(f"Next: {told['name']}, "))
        self.assertEqual(shown["areas"][0]["area"], wrong)

    def test_an_empty_study_is_told_where_to_begin(self):
        bare = json.loads(BENCH)
        bare = {key: value for key, value in bare.items() if key not in ("tones", "overlaps")}
        self.number = self.post("/studies/import", 201, data=json.dumps(bare).encode())["id"]
        room = self.told()
        self.assertIn("outline the large shapes", room["anchor"])
        self.assertEqual((room["questions"], room["flat"], room["layers"]), ([], [], []))
        one = {"id": "a", "name": "A", "outline": ["can_rim_l", "can_rim_r", "can_foot_l"]}
        self.change(type="put_area", area=one)
        self.assertIn("One area alone", self.told()["anchor"])
        self.assertEqual(self.get(f"/studies/{self.number}/take/tones").status_code, 422)

    def test_the_file_holds_them_inside_tones(self):
        file = self.get(f"/studies/{self.number}/file").json
        self.assertEqual(len(file["tones"]["areas"]), 14)
        self.assertNotIn("tone_areas", file)
        file["tones"]["mine"] = {"kept": True}
        again = self.post("/studies/import", 201, data=json.dumps(file).encode())["id"]
        back = self.get(f"/studies/{again}/file").json
        self.assertEqual(back["tones"], file["tones"])
        file["tones"]["readings"][0]["by"] = "enormously"
        problem = self.post("/studies/import", 422, data=json.dumps(file).encode())
        self.assertIn("tones.readings.0", said(problem))
        file["tones"] = 5
        problem = self.post("/studies/import", 422, data=json.dumps(file).encode())
        self.assertIn("must be an object", said(problem))


if __name__ == "__main__":
    unittest.main()
