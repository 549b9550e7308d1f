"""Depth through the API: told in words, replaced, refused, taken away."""

import json
import unittest

from tests.web.test_subject import SubjectCase
from zirkel.demo.generate import FOLDER

BOATHOUSE = (FOLDER / "boathouse.zirkel.json").read_bytes()
RECEDING = [["ridge", "ridge_far"], ["eave_r", "eave_far_r"], ["wall_foot_r", "wall_far_r"]]


class Families(SubjectCase):
    def setUp(self):
        super().setUp()
        bare = json.loads(BOATHOUSE) | {"families": [], "repeats": []}
        self.number = self.post("/studies/import", 201, data=json.dumps(bare).encode())["id"]
        self.edges = RECEDING

    def told(self):
        return self.get(f"/studies/{self.number}/perspective").json

    def test_before_any_family_there_is_no_eye_level(self):
        told = self.told()
        self.assertEqual((told["families"], told["doubts"], told["eye_mm"]), ([], [], None))
        self.assertIn("No eye level yet", told["eye_level"])

    def test_the_boathouse_recedes_to_an_eye_level(self):
        self.change(type="put_family", family={"name": "side", "edges": self.edges[:1],
                                               "level": True})  # fmt: skip
        self.assertIn("second edge", self.told()["families"][0]["said"])
        self.change(type="put_family", family={"name": "side", "edges": self.edges, "level": True})
        told = self.told()
        self.assertRegex(told["families"][0]["said"], r"^They (meet|stay)")
        self.assertRegex(told["eye_level"], r"Your eye level lies .* above Opening, foot left")
        # The eye level is on the sheet, and ticks along both its edges match.
        self.assertGreater(told["eye_mm"], 0.0)
        side = told["families"][0]
        self.assertGreater(len(side["left_mm"]), 2)
        self.assertEqual(len(side["left_mm"]), len(side["right_mm"]))
        self.change(422, type="put_family", family={"name": "other", "edges": self.edges[:1]})
        self.change(type="remove_family", name="side")
        self.assertEqual(self.told()["families"], [])

    def test_edges_come_one_by_one_and_none_is_there_twice(self):
        for a, b in self.edges:
            self.change(type="add_edge", name="side", edge=[a, b])
        self.assertEqual(self.told()["families"][0]["edges"], self.edges)
        for edge, said in ((self.edges[0], "twice"), (["ridge", "ridge"], "no edge"),
                           (["ridge", "nowhere"], "nowhere")):  # fmt: skip
            problem = self.change(422, type="add_edge", name="side", edge=edge)
            self.assertIn(said, json.dumps(problem, ensure_ascii=False))
        problem = self.change(422, type="add_edge", name="other", edge=self.edges[1][::-1])
        self.assertIn("one of “side” already", json.dumps(problem, ensure_ascii=False))

    def test_a_row_in_equal_steps_and_what_can_t_be_one(self):
        row = {"name": "Posts", "first": ["post1_top", "post1_foot"],
               "second": ["post2_top", "post2_foot"], "count": 4}  # fmt: skip
        self.change(type="put_repeat", repeat=row)
        (told,) = self.told()["steps"]
        self.assertEqual((told["count"], len(told["posts_mm"]), told["trouble"]), (4, 4, None))
        self.assertIn("there stands the third", " ".join(told["said"]))
        self.change(422, type="put_repeat", repeat={**row, "second": ["post1_top", "post2_foot"]})
        self.change(422, type="put_repeat", repeat={**row, "count": 2})
        self.change(type="remove_depth", what="repeats", key="Posts")
        self.change(422, type="remove_depth", what="repeats", key="Posts")

    def test_a_circle_and_a_shadow_are_told(self):
        self.change(type="put_round", round={"id": "r1", "name": "Wheel", "left": "jetty_l",
                                             "right": "wall_far_r", "near": "pile"})  # fmt: skip
        self.change(type="put_shadow", shadow={"id": "h1", "name": "Post", "top": "post1_top",
                                               "foot": "post1_foot", "tip": "slip_r"})  # fmt: skip
        told = self.told()
        self.assertEqual(len(told["rounds"][0]["points_mm"]), 8)
        self.assertIn("as high as it is wide", told["rounds"][0]["said"])
        self.assertIn("Where the sun stands isn't known yet", told["lights"][0])
        self.change(422, type="put_round", round={"id": "r2", "name": "x", "left": "pile",
                                                  "right": "pile", "near": "ridge"})  # fmt: skip
        self.change(type="remove_landmark", id="pile", with_sightings=True)
        self.assertEqual(self.told()["rounds"], [])

    def test_how_deep_a_table_is_seen(self):
        query = "height=45&distance=120&width=30&depth=20"
        told = self.get(f"/depth?{query}").json
        self.assertAlmostEqual(told["depth"], 45 * 20 / (30 * 140))
        self.assertIn("though you know it to be 2/3", told["said"])
        for bad in ("distance=0", "width=-1", "depth=nan", "height=inf"):
            name = bad.split("=")[0]
            mended = "&".join(bad if e.startswith(name) else e for e in query.split("&"))
            self.assertEqual(self.get(f"/depth?{mended}").status_code, 422, bad)


if __name__ == "__main__":
    unittest.main()
