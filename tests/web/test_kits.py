"""Kits and heads through the API: offered, pulled, kept, made of a study; heads told, refused."""

import json
import unittest

from tests.web.test_subject import SubjectCase
from zirkel.demo.generate import FOLDER
from zirkel.kits import FOLDER as KITS

MASK = (FOLDER / "wooden_mask.zirkel.json").read_bytes()
HEAD = (KITS / "head_front.zirkel-kit.json").read_bytes()


class Kits(SubjectCase):
    def test_offered_by_group_and_pulled(self):
        told = self.get("/kits").json
        groups = list(dict.fromkeys(each["group"] for each in told["kits"]))
        self.assertEqual(groups[:2], ["Head", "Figure"])
        places = self.post("/kits/pull", 200, usual={"a": [0, 0], "b": [1, 1]},
                           pulled={"a": [2, 2]})["places"]  # fmt: skip
        self.assertEqual(places, {"a": [2, 2], "b": [3, 3]})
        self.post("/kits/pull", 422, usual={"a": [0]}, pulled={})

    def test_one_s_own_is_kept_and_a_broken_one_told(self):
        own = {**json.loads(HEAD), "name": "mine", "title": "Mine"}
        made = self.post("/kits", 201, data=json.dumps(own).encode())
        self.assertTrue(made["own"])
        told = self.get("/kits").json
        self.assertIn("mine", [each["name"] for each in told["kits"]])
        problem = self.post("/kits", 422, data=b'{"format": "zirkel-kit"}')
        self.assertIn("version", json.dumps(problem))
        folder = self.store.folder / "kits"
        (folder / "bad.zirkel-kit.json").write_text("{")
        told = self.get("/kits").json
        self.assertEqual(len(told["trouble"]), 1)
        self.assertIn("bad.zirkel-kit.json", told["trouble"][0])
        self.assertIn("mine", [each["name"] for each in told["kits"]])

    def test_a_kit_of_a_study(self):
        study = self.post("/studies/import", 201, data=MASK)["id"]
        answer = self.get(f"/studies/{study}/kit")
        self.assertIn("zirkel-kit.json", answer.headers["Content-Disposition"])
        self.post("/kits", 201, data=answer.data)


class Heads(SubjectCase):
    def setUp(self):
        super().setUp()
        kit = json.loads(HEAD)
        origin = next(each["at"] for each in kit["landmarks"] if each["id"] == "crown")
        chin = next(each["at"] for each in kit["landmarks"] if each["id"] == "chin")
        unit = chin[1] - origin[1]
        sightings = []
        for each in kit["landmarks"]:
            if each["id"] == "crown":
                continue
            for kind, axis in (("drop", 0), ("level", 1)):
                offset = (each["at"][axis] - origin[axis]) / unit
                sightings.append({"id": f"{kind}_{each['id']}", "kind": kind, "from": "crown",
                                  "to": each["id"], "offset": offset})  # fmt: skip
        document = {
            "format": "zirkel-study", "version": 1, "title": "A head",
            "sheet": {"width_mm": 297, "height_mm": 420}, "unit": kit["unit"],
            "landmarks": [{"id": e["id"], "name": e["name"], "rough": e["at"]}
                          for e in kit["landmarks"]],
            "sightings": sightings, "heads": kit["heads"],
        }  # fmt: skip
        self.number = self.post("/studies/import", 201, data=json.dumps(document).encode())["id"]

    def told(self):
        return self.get(f"/studies/{self.number}/heads").json

    def test_a_head_from_the_front_looks_straight_out(self):
        (head,) = self.told()["heads"]
        self.assertEqual(head["said"], ["It looks straight out, upright."])
        self.assertEqual(len(head["lines"]), 5)
        self.assertTrue(head["departures"])
        self.assertEqual(head["predicted"], [])

    def test_points_taken_away_are_predicted_and_too_few_told(self):
        (head,) = self.told()["heads"]
        fewer = {k: v for k, v in head["points"].items() if not k.startswith("mouth")}
        self.change(type="put_head", head={"id": "head", "name": "Head", "points": fewer})
        (after,) = self.told()["heads"]
        self.assertEqual({each["point"] for each in after["predicted"]},
                         {"mouth_middle", "mouth_corner_left", "mouth_corner_right"})  # fmt: skip
        few = dict(list(fewer.items())[:3])
        self.change(type="put_head", head={"id": "head", "name": "Head", "points": few})
        self.assertIn("6 tell at least", self.told()["heads"][0]["said"][0])
        self.change(type="remove_head", id="head")
        self.assertEqual(self.told()["heads"], [])

    def test_what_is_no_head_is_refused(self):
        for points, why in (
            ({"third_eye": "crown"}, "no point “third_eye”"),
            ({"crown": "nowhere"}, "nowhere"),
            ({"crown": "chin", "chin": "chin"}, "two points of one head"),
        ):
            problem = self.change(422, type="put_head", head={"id": "x", "points": points})
            self.assertIn(why, json.dumps(problem, ensure_ascii=False))

    def test_a_removed_landmark_leaves_the_head_without_that_point(self):
        self.change(type="remove_landmark", id="jaw_left", with_sightings=True)
        self.assertNotIn("jaw_left", self.told()["heads"][0]["points"])


if __name__ == "__main__":
    unittest.main()
