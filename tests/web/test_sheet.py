"""The sheet's side of the API: frame and fit, the recipe by every school, strokes, papers,
tables."""

import unittest

from tests.web.test_prompts import PrompterCase
from zirkel.core.schools import SCHOOLS
from zirkel.paper import PAPERS


class SheetCase(PrompterCase):
    def post(self, path, status=200, **body):
        answer = self.client.post(f"/api/v1/studies/{self.number}{path}", json=body)
        self.assertEqual(answer.status_code, status, answer.text)
        return answer.json

    def room(self, **frame):
        return self.post("/sheet", frame=frame or None)


class Framing(SheetCase):
    def test_trying_a_frame_changes_nothing(self):
        before = self.room()
        tried = self.room(left=-1.0, right=4.0, top=-1.0, bottom=2.0)
        self.assertEqual((tried["width_said"], tried["height_said"]), ("5", "3"))
        self.assertLess(tried["subject_share"], before["subject_share"])
        self.assertEqual(self.room(), before)
        self.post("/sheet", 422, frame={"left": 2, "right": 1, "top": 0, "bottom": 1})

    def test_the_frame_is_kept_undone_and_compared(self):
        frame = {"left": -1.0, "right": 3.5, "top": -0.5, "bottom": 2.0}
        bench = self.change(type="set_frame", frame=frame)
        self.assertEqual(bench["undo"], "Frame the subject")
        self.change(type="keep_frame", frame={**frame, "name": "wide"})
        self.change(type="keep_frame", frame={**frame, "right": 1.0, "name": "the can"})
        self.change(type="keep_frame", frame={**frame, "right": 3.0, "name": "wide"})
        room = self.room()
        self.assertTrue(room["framed"])
        self.assertEqual([each["name"] for each in room["kept"]], ["the can", "wide"])
        self.assertEqual(room["kept"][1]["width"], 4.0)
        self.change(type="drop_frame", name="wide")
        self.assertEqual(len(self.room()["kept"]), 1)
        saved = self.get("/file")
        self.assertEqual([each["name"] for each in saved["frames"]], ["the can"])

    def test_offers_placements_and_inches(self):
        room = self.room()
        here = next(each for each in room["offers"] if each["here"])
        self.assertTrue(here["fits"])
        self.assertIn("sight-size", [each["why"] for each in room["offers"]])
        self.change(type="set_unit_size", unit_mm=room["offers"][-1]["unit_mm"])
        above = next(p for p in room["placements"] if p["name"] == "a little above centre")
        self.change(type="set_placement",
                    placement={"across": above["across"], "down": above["down"]})  # fmt: skip
        room = self.room()
        self.assertTrue(next(p for p in room["placements"] if p["name"] == above["name"])["here"])
        self.change(type="set_lengths", inches=True)
        room = self.room()
        self.assertTrue(all(each["said"].endswith(" in") for each in room["offers"]))

    def test_a_frame_round_all_landmarks_is_touched_and_not_run_over(self):
        said = [each["said"] for each in self.room()["touches"]]
        self.assertTrue(said)
        self.assertTrue(all(" touches the " in each for each in said), said)
        tighter = {**self.room()["all_round"]}
        tighter["left"] += 0.2
        said = [each["said"] for each in self.room(**tighter)["touches"]]
        self.assertTrue(any("runs over the left edge" in each for each in said), said)

    def test_what_could_run_off_is_said(self):
        self.change(type="set_sheet", sheet={"width_mm": 420, "height_mm": 297, "margin_mm": 1})
        self.assertTrue(any("off the sheet" in said for said in self.room()["overruns"]))

    def test_a_print_s_own_size_is_offered_and_can_be_enlarged(self):
        """A unit of 200 px at 0.25 mm each is 50 mm on the print; twice that is 100."""
        subject = {"picture": "e" * 64, "width": 800, "height": 600, "mm_per_px": 0.25}
        self.change(type="set_subject", subject=subject)
        for name, rough in (("can_rim_l", [100, 100]), ("can_foot_l", [104, 300])):
            self.change(type="edit_landmark",
                        landmark={"id": name, "name": name, "rough": rough})  # fmt: skip
        room = self.room()
        self.assertAlmostEqual(room["print_unit_mm"], 50.0)
        twice = next(each for each in room["offers"] if each["why"] == "twice")
        self.assertAlmostEqual(twice["unit_mm"], 100.0)

    def test_a_study_without_landmarks_has_a_room(self):
        made = self.client.post("/api/v1/studies", json={"title": "Bare"}).json
        self.number = made["id"]
        self.assertEqual(self.room()["landmarks"], [])
        recipe = self.get("/recipe")
        self.assertEqual((recipe["placings"], recipe["own"]), ([], []))


class Drawing(SheetCase):
    def test_the_recipe_by_every_school(self):
        for school in SCHOOLS:
            self.change(type="set_method", method=school)
            room = self.get("/recipe")
            self.assertEqual(room["school"], school)
            self.assertEqual(len(room["placings"]), 24)
            self.assertEqual(room["loose"], ["Dibber, point"])
            self.assertLess(room["steps_each"], 2.2)
            self.assertTrue(room["set_up"] and room["checks"] and room["mistakes"])
            self.assertEqual(len(room["own"]), 3 if SCHOOLS[school].reckons else 2, school)

    def test_the_grid_s_table_and_lines(self):
        self.change(type="set_method", method="grid")
        table = self.get("/recipe")["own"][0]
        self.assertEqual(len(table["across_mm"]), 9)
        self.assertEqual(len(table["rows"]), 25)
        self.assertRegex(table["rows"][0][1], r"^[A-H]\d$")

    def test_the_plumb_lines_to_draw_first(self):
        table = next(t for t in self.get("/recipe")["own"] if t["title"].startswith("Plumb lines"))
        self.assertTrue(1 <= len(table["rows"]) <= 3)
        self.assertTrue(all("," in row[1] for row in table["rows"]), "each goes through several")

    def test_strokes(self):
        bow = [[float(x), 0.02 * (x - 50) ** 2] for x in range(101)]
        fine = self.post("/strokes", points=bow, tolerance_mm=0.5)["strokes"]
        coarse = self.post("/strokes", points=bow, tolerance_mm=8)["strokes"]
        self.assertLess(len(coarse), len(fine))
        self.assertRegex(fine[0]["said"], r"^\d+:\d\d · .* can")
        self.assertTrue(all(each["furthest_mm"] <= 0.5 for each in fine))
        self.post("/strokes", 422, points=bow, tolerance_mm=0)
        self.post("/strokes", 422, points=bow[:1], tolerance_mm=1)

    def test_two_plumbs(self):
        asked = "/api/v1/plumbs?top_mm=100&middle_mm=101&foot_mm=102&height_mm=400"
        self.assertFalse(self.client.get(asked).json["parallel"])
        self.assertEqual(self.client.get(asked.replace("=400", "=0")).status_code, 422)


class FramesOfNothing(SheetCase):
    def test_a_frame_too_small_to_frame_anything_is_refused(self):
        for right, bottom in ((5e-324, 1.0), (1.0, 1e-200), (1e-9, 1e-9), (0.0, 1.0), (-1.0, 1.0)):
            frame = {"left": 0.0, "top": 0.0, "right": right, "bottom": bottom}
            answer = self.client.post(f"/api/v1/studies/{self.number}/sheet", json={"frame": frame})
            self.assertEqual(answer.status_code, 422, frame)
            self.assertIn("must be smaller", answer.json["detail"])
        for at, size in ((0.0, 1e-5), (1e6, 1e-5), (9e8, 1e-3), (-9e8, 1.0)):
            small = {"left": at, "top": at, "right": at + size, "bottom": at + size}
            answer = self.client.post(f"/api/v1/studies/{self.number}/sheet", json={"frame": small})
            self.assertIn(answer.status_code, (200, 422), answer.text[:300])


class TakingAlong(SheetCase):
    def test_everything_can_be_taken(self):
        begins = {"pdf": b"%PDF-", "svg": b"<svg ", "csv": b"", "png": b"\x89PNG", "txt": b"",
                  "html": b"<!doctype html>"}  # fmt: skip
        for what, (kind, ending) in ((n, p.sort) for n, p in PAPERS.items()):
            if what in ("print-grid", "print-grid-pages"):
                continue
            with self.subTest(what):
                answer = self.client.get(f"/api/v1/studies/{self.number}/take/{what}")
                self.assertEqual((answer.status_code, answer.mimetype), (200, kind))
                self.assertTrue(answer.data.startswith(begins[ending]))
                self.assertIn(f"_{what}.{ending}", answer.headers["Content-Disposition"])

    def test_it_names_who_draws_and_no_id(self):
        who = self.client.post("/api/v1/artists", json={"name": "Ines"}).json["id"]
        take = f"/api/v1/studies/{self.number}/take/marks?artist="
        self.assertIn(b"/Author (Ines)", self.client.get(f"{take}{who}").data)
        self.assertIn(b"/Author ()", self.client.get(f"{take}nobody").data)

    def test_what_cannot_be_taken(self):
        for what, status in (("trace", 404), ("print-grid", 422), ("print-grid-pages", 422)):
            answer = self.client.get(f"/api/v1/studies/{self.number}/take/{what}")
            self.assertEqual(answer.status_code, status)

    def test_readings_out_and_in_again_change_nothing_twice(self):
        table = self.client.get(f"/api/v1/studies/{self.number}/take/readings-table").text
        before = self.get()["readings"]
        self.assertIn("part", {each["entry"]["kind"] for each in before})
        after = self.change(type="read_table", table=table)
        self.assertEqual(len(after["readings"]), len(before))
        added = "kind,from,to,offset\ndrop,can_rim_l,pot1_r,2 1/4\n"
        after = self.change(type="read_table", table=added)
        self.assertEqual(len(after["readings"]), len(before) + 1)
        self.assertEqual(after["undo"], "Read 1 readings from a table")

    def test_a_bad_table_changes_nothing(self):
        for table in ("kind,from,to,offset\ndrop,can_rim_l,nowhere,1\n", "nonsense"):
            answer = self.client.post(
                f"/api/v1/studies/{self.number}/changes",
                json={"version": 1, "change": {"type": "read_table", "table": table}},
            )
            self.assertEqual(answer.status_code, 422)
        self.assertEqual(self.get()["version"], 1)


if __name__ == "__main__":
    unittest.main()
