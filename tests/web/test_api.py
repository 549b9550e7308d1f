"""The API: use cases end to end, problems as RFC 9457, and fuzzing against its own document."""

import gzip
import json
import re
import tempfile
import threading
import unittest
from pathlib import Path

from pydantic import BaseModel

from tests import times
from tests.files import BAD_FILES, SMALL, small
from tests.serving import ServedCase
from tests.web.fuzz import ask_everything
from zirkel.web.app import WebConfig, create_app
from zirkel.web.openapi import document

SPAN = {"id": "new", "kind": "span", "from": "can_top", "to": "pot_rim", "along": "straight",
        "units": "1 5/8"}  # fmt: skip


class ApiCase(ServedCase):
    def setUp(self):
        super().setUp()
        self.made = self.client.post("/api/v1/studies", json=SMALL).json

    def change(self, version, status=200, **change):
        answer = self.client.post(
            "/api/v1/studies/1/changes", json={"version": version, "change": change}
        )
        self.assertEqual(answer.status_code, status, answer.text)
        return answer.json


class UseCases(ApiCase):
    def test_answers_of_some_length_are_packed_for_who_can_unpack_them(self):
        plain = self.client.get("/api/v1/studies/1")
        self.assertNotIn("Content-Encoding", plain.headers)
        asked = {"Accept-Encoding": "gzip"}
        packed = self.client.get("/api/v1/studies/1", headers=asked)
        self.assertEqual(packed.headers["Content-Encoding"], "gzip")
        self.assertEqual(json.loads(gzip.decompress(packed.data)), plain.json)
        self.assertLess(len(packed.data), 0.4 * len(plain.data))
        # What the door says holds the passcode, and short answers gain nothing.
        for path in ("/api/v1/door", "/api/v1/running"):
            answer = self.client.get(path, headers=asked)
            self.assertNotIn("Content-Encoding", answer.headers)

    def test_a_study_on_the_bench(self):
        bench = self.client.get("/api/v1/studies/1").json
        self.assertEqual(bench, self.made)
        rim = next(each for each in bench["landmarks"] if each["id"] == "pot_rim")
        self.assertEqual((rim["standing"], rim["letters"]), ("held", "p"))
        self.assertEqual(
            bench["readings"][0]["said"], "Can, top of rim to Pot, rim: 1 5/8 cans right"
        )
        self.assertAlmostEqual(bench["sheet"]["unit_mm"], 160.0)

    def test_a_reading_tightens_the_drawing(self):
        before = {e["id"]: e["slack_mm"] for e in self.made["landmarks"]}
        after = self.change(1, type="take_sighting", sighting=SPAN)
        self.assertEqual((after["version"], after["readings"][-1]["id"]), (2, "s4"))
        sd = {e["id"]: e["slack_mm"] for e in after["landmarks"]}
        self.assertLess(sd["pot_rim"], before["pot_rim"])
        self.assertEqual(after["undo"], "Can, top of rim to Pot, rim: 1 5/8 cans straight")

    def test_strike_correct_remove_undo_redo(self):
        after = self.change(1, type="strike_sighting", id="s1")
        self.assertEqual(after["readings"][0]["state"], "struck")
        after = self.change(2, type="strike_sighting", id="s1", struck=False)
        corrected = {**self.made["readings"][0]["entry"], "units": "1 1/2"}
        after = self.change(3, type="edit_sighting", sighting=corrected)
        self.assertEqual(after["readings"][0]["entry"]["units"], 1.5)
        after = self.change(4, type="remove_sighting", id="s1")
        self.assertEqual([each["id"] for each in after["readings"]], ["s2", "s3"])
        back = self.client.post("/api/v1/studies/1/undo", json={"version": 5}).json
        self.assertEqual(back["readings"][0]["entry"]["units"], 1.5)
        again = self.client.post("/api/v1/studies/1/redo", json={"version": 6}).json
        self.assertEqual(len(again["readings"]), 2)

    def test_landmarks_and_shapes(self):
        after = self.change(1, type="add_landmark", name="Sack, côté gauche", tier=2)
        self.assertEqual(after["landmarks"][-1]["id"], "sack_cote_gauche")
        shape = {
            "id": "x",
            "name": "X",
            "outline": ["can_top", "sack_cote_gauche"],
            "closed": False,
        }
        after = self.change(2, type="put_shape", shape=shape)
        self.assertEqual(after["shapes"][-1]["outline"], shape["outline"])
        after = self.change(3, type="remove_landmark", id="sack_cote_gauche")
        self.assertEqual(after["shapes"][-1]["outline"], ["can_top"])

    def test_a_used_landmark_is_not_lost_by_accident(self):
        problem = self.change(1, 422, type="remove_landmark", id="pot_rim")
        self.assertIn("2 readings use Pot, rim", problem["detail"])
        problem = self.change(1, 422, type="remove_landmark", id="can_top", with_sightings=True)
        self.assertIn("end of the unit", problem["detail"])
        after = self.change(1, type="remove_landmark", id="pot_rim", with_sightings=True)
        self.assertEqual([each["id"] for each in after["readings"]], ["s3"])

    def test_settings(self):
        unit = {"from": "can_top", "to": "pot_rim", "along": "level", "name": "gap"}
        self.change(1, type="set_title", title="Noon")
        self.change(2, type="set_unit_size", unit_mm="2 in")
        self.change(3, type="set_trust", trust={"tilt": 1.5, "span": 1.0})
        self.change(4, type="set_sheet", sheet={"width_mm": 400, "height_mm": 300, "margin_mm": 5})
        self.change(5, type="set_placement", placement={"across": 0.2, "down": 0.3})
        after = self.change(6, type="set_unit", unit=unit)
        self.assertEqual((after["title"], after["unit"]["name"]), ("Noon", "gap"))
        self.assertAlmostEqual(after["sheet"]["unit_mm"], 50.8)
        after = self.change(7, type="set_unit_size", unit_mm=None)
        self.assertFalse(after["sheet"]["unit_chosen"])
        saved = json.loads(self.client.get("/api/v1/studies/1/file").data)
        self.assertEqual(saved["trust"], {"tilt": 1.5})

    def test_the_prompter(self):
        prompts = self.client.get("/api/v1/studies/1/prompts").json
        self.assertTrue(prompts["sightings"][0]["ask"])
        self.assertEqual(set(prompts["unchecked"]), {"s1", "s2", "s3"})
        self.assertTrue(prompts["checks"][0]["checks"])

    def test_file_out_and_in_again(self):
        saved = self.client.get("/api/v1/studies/1/file")
        self.assertIn("potting_bench.zirkel.json", saved.headers["Content-Disposition"])
        again = self.client.post(
            "/api/v1/studies/import", data=saved.data, content_type="application/json"
        )
        self.assertEqual(again.status_code, 201)
        self.assertEqual(again.json["readings"], self.made["readings"])
        self.assertEqual(len(self.client.get("/api/v1/studies").json["studies"]), 2)

    def test_taken_down_and_hung_up(self):
        def put(removed):
            body = {"removed": removed}
            return self.client.put("/api/v1/studies/1/removed", json=body).status_code

        self.assertEqual(put(True), 204)
        self.assertEqual(self.client.get("/api/v1/studies/1").status_code, 404)
        self.assertEqual(put(False), 204)
        self.assertEqual(self.client.get("/api/v1/studies/1").status_code, 200)


class Problems(ApiCase):
    def test_bad_files_are_problems_and_nothing_is_kept(self):
        for what, (data, message) in BAD_FILES.items():
            answer = self.client.post(
                "/api/v1/studies/import", data=data, content_type="application/json"
            )
            with self.subTest(what):
                self.assertIn(answer.status_code, (413, 422))
                self.assertEqual(answer.mimetype, "application/problem+json")
                self.assertTrue(answer.json["field"])
                if answer.status_code == 422:
                    self.assertRegex(answer.json["detail"], message)
        self.assertEqual(len(self.client.get("/api/v1/studies").json["studies"]), 1)

    def test_a_bad_entry_names_its_field(self):
        for entry, field, words in (
            ({**SPAN, "units": 0}, "units", "greater than 0"),
            ({**SPAN, "units": "2 1/0"}, "units", "divides by zero"),
            ({**SPAN, "units": "97 mm"}, "units", "counted in units"),
            ({**SPAN, "to": "can_top"}, "sighting", "to itself"),
            ({**SPAN, "to": "nowhere"}, "sighting", "no landmark “nowhere”"),
            ({**SPAN, "units": 1e300}, "units", "1e+300"),
        ):
            problem = self.change(1, 422, type="take_sighting", sighting=entry)
            with self.subTest(entry=entry):
                self.assertIn(field, problem["field"])
                self.assertIn(words, problem["detail"])
        self.assertEqual(self.client.get("/api/v1/studies/1").json["version"], 1)

    def test_a_stale_change_is_a_conflict(self):
        self.change(1, type="set_title", title="Mine")
        problem = self.change(1, 409, type="set_title", title="Theirs")
        self.assertEqual(problem["current_version"], 2)
        self.assertEqual(self.client.get("/api/v1/studies/1").json["title"], "Mine")

    def test_a_repeated_token_is_one_change(self):
        body = {"version": 1, "token": "abcdefgh", "change": {"type": "set_title", "title": "A"}}
        versions = [
            self.client.post("/api/v1/studies/1/changes", json=body).json["version"]
            for _ in range(3)
        ]
        self.assertEqual(versions, [2, 2, 2])

    def test_no_span_without_a_unit(self):
        self.client.post("/api/v1/studies", json=small(unit=None, sightings=[]))
        answer = self.client.post(
            "/api/v1/studies/2/changes",
            json={"version": 1, "change": {"type": "take_sighting", "sighting": SPAN}},
        )
        self.assertIn("choose the unit first", answer.json["detail"])

    def test_every_error_is_a_problem(self):
        for answer, status in (
            (self.client.get("/api/v1/nothing"), 404),
            (self.client.get("/api/v1/studies/99"), 404),
            (self.client.delete("/api/v1/studies"), 405),
            (self.client.post("/api/v1/studies", data="{"), 400),
            (self.client.post("/api/v1/studies/1/changes", json={"version": 1}), 422),
        ):
            self.assertEqual((answer.status_code, answer.mimetype),
                             (status, "application/problem+json"))  # fmt: skip
            self.assertTrue(answer.json["detail"])

    def test_two_tablets_lose_nothing(self):
        """Eight clients add ten readings each; the refused ones come again with the new version."""
        kept = []

        def artist():
            client = self.app.test_client()
            for _ in range(10):
                while True:
                    version = client.get("/api/v1/studies/1").json["version"]
                    change = {"type": "take_sighting", "sighting": SPAN}
                    answer = client.post(
                        "/api/v1/studies/1/changes", json={"version": version, "change": change}
                    )
                    if answer.status_code == 200:
                        kept.append(answer.json["readings"][-1]["id"])
                        break
                    self.assertEqual(answer.status_code, 409)

        artists = [threading.Thread(target=artist) for _ in range(4)]
        for each in artists:
            each.start()
        for each in artists:
            each.join()
        self.assertEqual(len(set(kept)), 40)
        readings = self.client.get("/api/v1/studies/1").json["readings"]
        self.assertEqual(len(readings), 43)


class Document(unittest.TestCase):
    def test_no_two_schemas_go_by_one_name(self):
        """One of them would be described as the other, and nobody would notice."""
        named = document()["components"]["schemas"]
        known = {}

        def gather(model):
            for each in model.__subclasses__():
                if each.__module__.startswith("zirkel.") and each.__name__ in named:
                    known.setdefault(each.__name__, set()).add(each.__module__)
                gather(each)

        gather(BaseModel)
        self.assertGreater(len(known), 100)
        self.assertEqual({name: at for name, at in known.items() if len(at) > 1}, {})

    def test_it_describes_every_operation(self):
        found = document()
        operations = {(path, method) for path, entry in found["paths"].items() for method in entry}
        with tempfile.TemporaryDirectory() as folder:
            app = create_app(WebConfig(Path(folder) / "zirkel.sqlite", front_end=None))
            app.extensions["zirkel_store"].close()
        served = {
            (re.sub(r"<(?:\w+:)?(\w+)>", r"{\1}", rule.rule), method.lower())
            for rule in app.url_map.iter_rules()
            if rule.rule.startswith("/api/v1/") and not rule.endpoint.startswith("openapi.")
            for method in rule.methods - {"HEAD", "OPTIONS"}
        }
        self.assertEqual(operations, served)
        for path, method in operations:
            self.assertTrue(found["paths"][path][method]["operationId"])

    def test_requests_made_from_it_never_break_the_server(self):
        with tempfile.TemporaryDirectory() as folder:
            app = create_app(WebConfig(Path(folder) / "zirkel.sqlite", front_end=None))
            app.test_client().post("/api/v1/studies", json=SMALL)
            ask_everything(self, app, times(3))
            again = create_app(WebConfig(Path(folder) / "zirkel.sqlite", front_end=None))
            wall = again.test_client().get("/api/v1/studies").json
            self.assertEqual(wall["broken"], [])
            self.assertGreater(len(wall["studies"]), 0)
            for made in (app, again):
                made.extensions["zirkel_store"].close()


if __name__ == "__main__":
    unittest.main()
