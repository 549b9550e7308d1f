"""A lesson through the API: given, joined under names, its wall."""

import json
import unittest
from concurrent.futures import ThreadPoolExecutor

from tests.core.test_lesson import sighted
from tests.web.test_subject import SubjectCase
from zirkel.studyfile.read import write_study


class Lessons(SubjectCase):
    def setUp(self):
        super().setUp()
        self.lesson = self.post("/lessons", 201, scene="wooden_mask", title="  Tuesday   mask ")
        self.path = f"/lessons/{self.lesson['id']}"

    def join(self, name, status=200, **more):
        return self.post(f"{self.path}/pupils", status, name=name, **more)

    def sight(self, study, seed=1, count=30, spoil=1.0):
        version = 1
        for each in json.loads(write_study(sighted(seed)))["sightings"][:count]:
            each.pop("at", None)
            if each["kind"] == "span":
                each["units"] *= spoil
            change = {"type": "take_sighting", "sighting": each}
            version = self.post(f"/studies/{study}/changes", version=version, change=change)[
                "version"
            ]

    def wall(self):
        return self.get(f"{self.path}/wall").json

    def test_each_joins_under_a_name_of_their_own(self):
        self.assertEqual(self.lesson["title"], "Tuesday mask")
        ada = self.join("Ada ")["study_id"]
        bo = self.join("Bo")["study_id"]
        self.assertNotEqual(ada, bo)
        bench = self.get(f"/studies/{ada}").json
        self.assertEqual((bench["title"], bench["readings"]), ("Ada: Tuesday mask", []))
        taken = self.join("ADA", 422)
        self.assertIn("Ada is here already", taken["detail"])
        self.assertEqual(self.join("ada", again=True)["study_id"], ada)
        self.assertNotIn("Bo", json.dumps(self.get(self.path).json))
        listed = self.get("/lessons").json["lessons"]
        self.assertEqual([(e["title"], e["pupils"]) for e in listed], [("Tuesday mask", 2)])
        wall = self.get("/studies").json
        self.assertFalse({ada, bo} & {each["id"] for each in wall["studies"]})
        self.assertEqual(wall["pupils"], 2)

    def test_who_is_refused_again_and_again_is_named_until_it_works(self):
        ada = self.join("Ada")["study_id"]
        wrong = {"type": "strike_sighting", "id": "nothing"}
        for _ in range(3):
            self.assertIsNone(self.wall()["pupils"][0]["stuck"])
            self.post(f"/studies/{ada}/changes", 422, version=1, change=wrong)
        self.assertEqual(self.wall()["pupils"][0]["stuck"], "Refused 3 times in a row.")
        self.sight(ada, count=1)
        self.assertIsNone(self.wall()["pupils"][0]["stuck"])

    def test_ten_of_one_name_at_once_are_one_pupil(self):
        with ThreadPoolExecutor(10) as pool:
            clients = [self.client.application.test_client() for _ in range(10)]
            answers = list(pool.map(
                lambda c: c.post(f"/api/v1{self.path}/pupils", json={"name": "Ada"}), clients
            ))  # fmt: skip
        self.assertEqual(sorted(each.status_code for each in answers), [200] + [422] * 9)
        self.assertEqual([each["name"] for each in self.wall()["pupils"]], ["Ada"])

    def test_the_wall_tells_how_near_each_came_and_what_is_common(self):
        studies = [self.join(name)["study_id"] for name in ("Ada", "Bo", "Cleo")]
        self.assertIsNone(self.wall()["median_percent"])
        self.sight(studies[0], seed=1)
        self.sight(studies[1], seed=2, spoil=0.9)
        wall = self.wall()
        ada, bo, cleo = wall["pupils"]
        self.assertLess(ada["near_percent"], bo["near_percent"] + 5)
        self.assertEqual((cleo["near_percent"], cleo["lines"], cleo["readings"]), (None, [], 0))
        self.assertEqual(len(ada["lines"]), len(wall["truth"]))
        self.assertTrue(any("too short" in each for each in bo["habits"]), bo["habits"])
        # One of three is no class.
        self.assertEqual(wall["common"], [])
        self.assertIsNotNone(wall["median_percent"])

    def test_closed_nobody_joins_but_who_is_in_goes_on(self):
        ada = self.join("Ada")["study_id"]
        self.client.put(f"/api/v1{self.path}/closed", json={"closed": True})
        self.assertIn("nobody joins", self.join("Bo", 422)["detail"])
        self.assertEqual(self.join("Ada", again=True)["study_id"], ada)
        self.client.put(f"/api/v1{self.path}/closed", json={"closed": False})
        self.join("Bo")

    def test_a_study_that_was_taken_down_is_off_the_wall_and_its_name_free(self):
        ada = self.join("Ada")["study_id"]
        self.client.put(f"/api/v1/studies/{ada}/removed", json={"removed": True})
        self.assertEqual(self.wall()["pupils"], [])
        self.assertNotEqual(self.join("Ada")["study_id"], ada)

    def test_what_can_t_be_is_refused_with_a_reason(self):
        self.assertEqual(self.post("/lessons", 404, scene="nowhere")["status"], 404)
        self.assertEqual(self.get("/lessons/00000000").status_code, 404)
        self.assertEqual(self.get("/lessons/x/wall").status_code, 422)
        for name in ("", " ", "x" * 99, 3, None):
            self.join(name, 422)
        self.assertEqual(self.post("/lessons", 201, scene="leaf_tile")["title"], "Tile with a leaf")


if __name__ == "__main__":
    unittest.main()
