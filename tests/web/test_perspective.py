"""Families of edges through the API: told in words, replaced, refused, taken away."""

import unittest

from tests.web.test_subject import SubjectCase
from zirkel.demo.generate import FOLDER

BOATHOUSE = (FOLDER / "boathouse.zirkel.json").read_bytes()
RECEDING = [["ridge", "ridge_far"], ["eave_r", "eave_far_r"], ["wall_foot_r", "wall_far_r"]]


class Families(SubjectCase):
    def setUp(self):
        super().setUp()
        self.id = self.post("/studies/import", 201, data=BOATHOUSE)["id"]
        self.edges = RECEDING

    def told(self):
        return self.get(f"/studies/{self.id}/perspective").json

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


if __name__ == "__main__":
    unittest.main()
