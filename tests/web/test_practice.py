"""Practice through the API: posed without its truth, answered, on record, out and in again; series;
guesses of studies; the by-eye reading and recipe."""

import json
import unittest

import numpy as np

from tests.web.test_subject import SubjectCase
from zirkel.core.practice.exercises import EXERCISES
from zirkel.core.simulation.eye import SimulatedEye, answers
from zirkel.demo.generate import FOLDER
from zirkel.scenes import shipped_scenes
from zirkel.series import FOLDER as SERIES
from zirkel.studyfile.practice_file import read_practice

BENCH = (FOLDER / "potting_bench.zirkel.json").read_bytes()
SPAN = {"id": "x", "kind": "span", "along": "straight", "units": "2 1/2"}
PLAN = (SERIES / "flat_to_figure.zirkel-series.json").read_bytes()


def record_file(exercise, bias, spread, count=30):
    """A record file of a simulated eye."""
    line = EXERCISES[exercise].lines[0]
    eye = SimulatedEye(bias, spread, slips=0.0)
    rng = np.random.default_rng(1)
    days = [k / count for k in range(count)]
    trials = [
        {"exercise": line.name, "measure": line.measure, "truth": each.truth,
         "answer": each.answer, "at": f"2026-11-0{1 + k % 9}T09:00:{k % 60:02}Z", "hand": "left"}
        for k, each in enumerate(answers(eye, line, [2.0] * count, days, rng))
    ]  # fmt: skip
    return json.dumps({"format": "zirkel-practice", "version": 1, "trials": trials}).encode()


class PracticeCase(SubjectCase):
    number = 0

    def truth(self, card):
        return EXERCISES[card["exercise"]].posed(
            card["seed"], card.get("level"), shipped_scenes()
        ).truth  # fmt: skip

    def answer(self, card, answer, status=201, **more):
        PracticeCase.number += 1
        body = {"card": card, "answer": answer, "seconds": 2.5,
                "token": f"answer {self.number:05}", **more}  # fmt: skip
        return self.post("/practice/answer", status, **body)


class Drills(PracticeCase):
    def test_every_exercise_is_posed_without_its_truth_and_answered(self):
        for name in EXERCISES:
            posed = self.post("/practice/pose", 200, exercise=name)
            text = json.dumps(posed)
            truth = self.truth(posed["card"])
            if posed["way"]["sort"] not in ("choose", "along"):
                self.assertNotIn(f"{truth[0]:.9f}"[:10], text, name)
            self.assertNotIn('"truth"', text.replace('"look"', ""), name)
            said = [float(np.sign(truth[0]))] if posed["way"]["sort"] == "choose" else list(truth)
            judged = self.answer(posed["card"], said)
            self.assertTrue(judged["said"][0].endswith("."), name)
            self.assertTrue(judged["laid_over"], name)
            if posed["way"]["sort"] != "choose":
                self.assertLess(max(map(abs, judged["errors"])), 1e-9, name)
            room = self.get("/practice").json
            shown = next(each for each in room["exercises"] if each["name"] == name)
            self.assertGreaterEqual(shown["lines"][0]["trials"], 1, name)
        self.assertEqual(room["artist"], "me")

    def test_an_answer_may_be_typed(self):
        posed = self.post("/practice/pose", 200, exercise="tilt")
        judged = self.answer(posed["card"], [], typed="1:30")
        off = (45.0 - self.truth(posed["card"])[0] + 90.0) % 180.0 - 90.0
        self.assertAlmostEqual(judged["errors"][0], off)
        posed = self.post("/practice/pose", 200, exercise="widths")
        self.answer(posed["card"], [], typed="1 3/8")
        for text, said in (
            ("soon", "not a number"),
            ("97 mm", "no answer here"),
            ("900", "hardly"),
        ):
            problem = self.answer(posed["card"], [], 422, typed=text)
            self.assertIn(said, json.dumps(problem, ensure_ascii=False))

    def test_the_same_answer_sent_twice_is_on_record_once(self):
        posed = self.post("/practice/pose", 200, exercise="half")
        for _ in range(2):
            self.answer(posed["card"], [0.5], token="the same token")
        self.assertEqual(self.get("/practice").json["trials"], 1)

    def test_odd_answers_are_refused_with_a_reason_and_not_kept(self):
        half = self.post("/practice/pose", 200, exercise="half")["card"]
        gap = self.post("/practice/pose", 200, exercise="larger_gap")["card"]
        block = self.post("/practice/pose", 200, exercise="block_in")["card"]
        few = [0.1, 0.2, 0.4, 0.3, *[None] * 20]
        one_spot = [0.5] * 24
        for card, answer, said in (
            (half, [], "1 are asked for"), (half, [0.1, 0.2], "1 are asked for"),
            (half, [None], "missing"), (half, [1e9], "1e4"), (gap, [0.0], "must be chosen"),
            ({**half, "level": 0.1}, [0.5], "a step is 1 to 5"),
            ({**half, "level": 6}, [0.5], "a step is 1 to 5"),
            ({"exercise": "larger_gap", "seed": 1}, [1.0], "a forced choice"),
            (block, few, "Place 6 at least"), (block, one_spot, "Place 6 at least"),
        ):  # fmt: skip
            problem = json.dumps(self.answer(card, answer, 422))
            self.assertIn(said if said != "1e4" else "10000", problem, (card, answer))
        self.answer({"exercise": "nothing", "seed": 1}, [0.5], 404)
        self.answer(half, [0.5], 404, artist="nobody")
        self.assertEqual(self.get("/practice").json["trials"], 0)

    def test_a_forced_choice_comes_nearer_to_what_the_eye_just_sees(self):
        shown = []
        for _ in range(12):
            card = self.post("/practice/pose", 200, exercise="darker")["card"]
            shown.append(card["level"])
            self.answer(card, [float(np.sign(self.truth(card)[0]))])
        self.assertLess(np.mean(shown[-3:]), np.mean(shown[:3]))


class Record(PracticeCase):
    def test_out_and_in_again_kept_whole(self):
        self.post("/practice/file", 201, data=record_file("box", 0.05, 0.04))
        again = self.get("/practice/file").data
        self.assertEqual(len(read_practice(again)), 30)
        self.assertEqual(json.loads(again)["trials"][0]["hand"], "left")
        taken = self.post("/practice/file", 201, data=again)
        self.assertEqual(taken, {"trials": 30, "new": 0})
        rosa = self.post("/artists", 201, name="Rosa")["id"]
        taken = self.post(f"/practice/file?artist={rosa}", 201, data=again)
        self.assertEqual(taken["new"], 30)

    def test_another_measure_and_a_broken_file_are_refused(self):
        wrong = record_file("box", 0.0, 0.1).replace(b'"relative"', b'"steps"')
        self.assertIn("in relative here", json.dumps(self.post("/practice/file", 422, data=wrong)))
        self.post("/practice/file", 422, data=b'{"format": "zirkel"}')
        self.assertEqual(self.get("/practice").json["trials"], 0)

    def test_lines_of_elsewhere_are_shown_by_their_name(self):
        file = record_file("box", 0.0, 0.1).replace(b'"box"', b'"my_own"')
        self.post("/practice/file", 201, data=file)
        lines = self.get("/practice").json["guesses"]
        self.assertEqual([each["title"] for each in lines], ["my_own"])

    def test_the_plot_has_a_dot_a_trial_and_a_band_a_day(self):
        self.post("/practice/file", 201, data=record_file("box", 0.05, 0.04))
        room = self.get("/practice").json
        line = next(e for e in room["exercises"] if e["name"] == "box")["lines"][0]
        self.assertEqual((len(line["dots"]), len(line["days"])), (30, 9))
        last = line["history"][-1]
        self.assertEqual(last["at"], 29)
        self.assertAlmostEqual(last["bias"], 5.0, delta=2.5)
        self.assertRegex(line["lean"], "too tall")


class InStudies(PracticeCase):
    def bench(self):
        return self.post("/studies/import", 201, data=BENCH)

    def change(self, bench, **change):
        return self.post(f"/studies/{bench['id']}/changes", 200, version=bench["version"],
                         change=change)  # fmt: skip

    def test_guesses_before_measuring_are_a_line_of_their_own(self):
        rosa = self.post("/artists", 201, name="Rosa")["id"]
        bench = self.bench()
        names = [each["id"] for each in bench["landmarks"]][:2]
        span = {**SPAN, "from": names[0], "to": names[1]}
        for guess in ("2 1/4", "2.2", "2 1/8", "2.3"):
            bench = self.change(bench, type="take_sighting", sighting=span, artist=rosa,
                                guess={**span, "units": guess})  # fmt: skip
        lines = self.get(f"/practice?artist={rosa}").json["guesses"]
        self.assertEqual([each["name"] for each in lines], ["bench_span"])
        self.assertEqual(lines[0]["trials"], 4)
        self.assertEqual(self.get("/practice").json["guesses"], [])
        file = self.get(f"/practice/file?artist={rosa}").data
        self.assertEqual(len(read_practice(file)), 4)
        taken = self.post(f"/practice/file?artist={rosa}", 201, data=file)
        self.assertEqual(taken["new"], 0)

    def test_a_reading_by_eye_is_as_sure_as_the_record_says(self):
        self.post("/practice/file", 201, data=record_file("widths", 0.03, 0.06))
        own = self.get("/practice/eye").json
        eye = next(each for each in own["kinds"] if each["kind"] == "span")
        self.assertIn("spans come out", eye["said"])
        bench = self.bench()
        names = [each["id"] for each in bench["landmarks"]][:2]
        span = {**SPAN, "from": names[0], "to": names[1]}
        by_eye = {"sigma": eye["sigma"], "relative": eye["relative"]}
        after = self.change(bench, type="take_sighting", sighting=span, by_eye=by_eye)
        kept = json.loads(self.get(f"/studies/{after['id']}/file").data)["sightings"][-1]
        self.assertAlmostEqual(kept["sigma"], 2.5 * eye["sigma"])
        self.assertEqual(kept["note"], "by eye")

    def test_the_by_eye_recipe_is_reckoned_with_one_s_own_eye(self):
        self.post("/practice/file", 201, data=record_file("half", 0.0, 0.05))
        own = self.get("/practice/eye").json
        self.assertIn("parts lengths to", own["parting"])
        bench = self.change(self.bench(), type="set_method", method="by_eye")
        before = self.get(f"/studies/{bench['id']}/recipe").json
        bench = self.change(bench, type="set_eye", part=own["part"], straight=None)
        after = self.get(f"/studies/{bench['id']}/recipe").json
        self.assertAlmostEqual(after["eye"][0], own["part"])
        of = [np.mean([each["error_mm"] for each in room["placings"]]) for room in (before, after)]
        self.assertGreater(of[1], 1.3 * of[0])
        undone = self.post(f"/studies/{bench['id']}/undo", 200, version=bench["version"])
        self.assertIsNone(self.get(f"/studies/{undone['id']}/recipe").json["eye"])


class Plans(PracticeCase):
    def test_the_shipped_series_goes_from_flat_to_figure_and_knows_how_far_one_is(self):
        (series,) = self.get("/series").json["series"]
        scenes = [each["scene"] for each in series["steps"]]
        self.assertEqual((scenes[0], scenes[-1]), ("star_panel", "seated_figure"))
        self.assertFalse(any(each["missing"] for each in series["steps"]))
        study = self.post("/studies/from-scene", 201, scene="tea_chest")["id"]
        steps = self.get("/series").json["series"][0]["steps"]
        self.assertEqual((steps[2]["stands"], steps[2]["study"]), ("begun", study))
        # What is flat comes before what is solid.
        self.assertEqual(scenes[:3], ["star_panel", "leaf_tile", "tea_chest"])
        lesson = self.post("/lessons", 201, scene="tea_chest")["id"]
        self.post(f"/lessons/{lesson}/pupils", 200, name="Ada")
        steps = self.get("/series").json["series"][0]["steps"]
        self.assertEqual(steps[2]["study"], study, "a pupil's study is not one's own")
        self.assertEqual(steps[0]["stands"], "not begun")

    def test_one_s_own_is_kept_and_saved_and_a_scene_that_is_not_here_is_told(self):
        own = json.loads(PLAN) | {"name": "mine", "title": "Mine"}
        own["steps"] = [{**own["steps"][0], "scene": "gone"}]
        made = self.post("/series", 201, data=json.dumps(own).encode())
        self.assertTrue(made["own"])
        self.assertTrue(made["steps"][0]["missing"])
        self.assertEqual(json.loads(self.get("/series/mine/file").data), own)
        self.assertIn("steps", json.dumps(self.post("/series", 422, data=b'{"steps": []}')))
        self.assertEqual(self.get("/series/none/file").status_code, 404)
        (self.store.folder / "series" / "bad.zirkel-series.json").write_text("{")
        self.assertEqual(len(self.get("/series").json["trouble"]), 1)


if __name__ == "__main__":
    unittest.main()
