"""Odd studies through every door: an answer or a plain sentence, never a crash."""

import unittest

from tests.serving import ServedCase
from zirkel.core.schools import SCHOOLS
from zirkel.paper import PAPERS

UNIT = {"from": "a", "to": "b", "along": "plumb", "name": "unit"}


def marks(**places):
    return [
        {"id": name, "name": name.upper(), **({"rough": list(at)} if at else {})}
        for name, at in places.items()
    ]


def shape(*outline):
    return [{"id": "s", "name": "S", "outline": list(outline)}]


def drop(a, b, offset=0.0):
    return {"id": f"d{a}{b}", "kind": "drop", "from": a, "to": b, "offset": offset}


def level(a, b, offset=0.0):
    return {"id": f"l{a}{b}", "kind": "level", "from": a, "to": b, "offset": offset}


STATION = {"distance_mm": 2000, "eye_height_mm": 400}
PICTURE = {"picture": "d" * 64, "width": 800, "height": 600}
SQUARE = {"a": (0, 0), "b": (0, 1), "c": (1, 1), "d": (1, 0)}

ODD = {
    "nothing at all": {},
    "one landmark, no unit": {"landmarks": marks(a=(0, 0))},
    "landmarks never tapped": {"landmarks": marks(a=None, b=None, c=None), "unit": UNIT},
    "no readings": {"landmarks": marks(**SQUARE), "unit": UNIT, "shapes": shape("a", "b", "c")},
    "all on one upright line": {
        "landmarks": marks(a=(0, 0), b=(0, 1), c=(0, 2)), "unit": UNIT,
        "sightings": [drop("a", "b"), drop("a", "c"), level("a", "c", 2.0)],
        "shapes": shape("a", "b", "c"),
    },
    "two at one place": {
        "landmarks": marks(a=(0, 0), b=(0, 1), c=(1, 1), d=(1, 1)), "unit": UNIT,
        "sightings": [drop("a", "b"), drop("a", "c", 1.0), level("a", "c", 1.0), drop("c", "d"),
                      level("c", "d")],
    },
    "a unit whose ends are tapped at one place": {
        "landmarks": marks(a=(0, 0), b=(0, 0), c=(1, 1)), "unit": UNIT,
        "sightings": [drop("a", "c", 1.0)],
    },
    "two pieces": {
        "landmarks": marks(**SQUARE, e=(5, 5), f=(6, 5)), "unit": UNIT,
        "sightings": [drop("a", "b"), drop("a", "c", 1.0), level("a", "c", 1.0),
                      drop("e", "f", 1.0), level("e", "f")],
    },
    "readings in millimetres": {
        "landmarks": marks(**{n: (90 * x, 90 * y) for n, (x, y) in SQUARE.items()}),
        "unit": {"mm": 1.0, "name": "mm", "origin": "a"}, "method": "sight_size_flat",
        "sightings": [drop("a", "b"), level("a", "b", 90), drop("a", "c", 90), level("a", "c", 90),
                      drop("a", "d", 90), level("a", "d")],
        "shapes": shape("a", "b", "c", "d"),
    },
    "a unit far too large for the sheet": {
        "landmarks": marks(**SQUARE), "unit": UNIT, "unit_mm": 5000,
        "sightings": [drop("a", "b"), drop("a", "c", 1.0), level("a", "c", 1.0)],
    },
    "a tiny sheet": {
        "landmarks": marks(**SQUARE), "unit": UNIT,
        "sheet": {"width_mm": 10, "height_mm": 8, "margin_mm": 1},
        "sightings": [drop("a", "b"), drop("a", "c", 1.0), level("a", "c", 1.0)],
    },
    "a frame that holds nothing": {
        "landmarks": marks(**SQUARE), "unit": UNIT, "inches": True,
        "frame": {"left": 50, "right": 51, "top": 50, "bottom": 51},
        "sightings": [drop("a", "b"), drop("a", "c", 1.0), level("a", "c", 1.0)],
    },
    "a scene that isn't here": {
        "landmarks": marks(**SQUARE), "unit": UNIT,
        "subject": {"scene": "nowhere", "station": STATION},
    },
    "a scene with landmarks of its own": {
        "landmarks": marks(a=(0, 0), b=(0, 1), box_top_l=(1, 1)), "unit": UNIT,
        "subject": {"scene": "bottle_and_box", "station": STATION},
    },
    "an eye in the middle of its scene": {
        "landmarks": marks(box_top_l=(0, 0), box_foot_l=(0, 1), cone_top=(1, 1)),
        "unit": {**UNIT, "from": "box_top_l", "to": "box_foot_l"},
        "subject": {"scene": "bottle_and_box",
                    "station": {"distance_mm": 200, "eye_height_mm": 100}},
    },
    "a picture that isn't here": {
        "landmarks": marks(a=(100, 100), b=(100, 300), c=None), "unit": UNIT,
        "subject": {**PICTURE, "mm_per_px": 0.25, "turn_deg": 12.0},
    },
}  # fmt: skip

DOORS = [
    ("get", "", {200}),
    ("get", "/prompts", {200}),
    ("get", "/relations", {200}),
    ("get", "/trust", {200}),
    ("get", "/file", {200}),
    ("get", "/recipe", {200}),
    ("get", "/check", {200}),
    ("get", "/perspective", {200}),
    ("get", "/drawing.jpg", {404}),
    ("post", "/sheet", {200}),
    ("post", "/station", {200, 422}),
    ("get", "/reveal", {200, 422}),
    ("get", "/print.pdf", {404, 422}),
    *(("get", f"/take/{what}", {200, 422}) for what in PAPERS),
]


class Odd(ServedCase):
    def make(self, document):
        made = self.client.post("/api/v1/studies", json={"title": "Odd", **document})
        self.assertEqual(made.status_code, 201, made.text)
        return made.json["id"]

    def test_every_door_answers(self):
        for name, document in ODD.items():
            number = self.make(document)
            for method, door, expected in DOORS:
                with self.subTest(study=name, door=door):
                    path = f"/api/v1/studies/{number}{door}"
                    body = {"json": {}} if method == "post" else {}
                    answer = getattr(self.client, method)(path, **body)
                    self.assertIn(answer.status_code, expected, answer.data[:300])
                    if answer.status_code == 422:
                        self.assertTrue(answer.json["field"], answer.text)

    def test_every_school_s_recipe_answers(self):
        for name, document in ODD.items():
            number = self.make(document)
            for version, school in enumerate(SCHOOLS, start=1):
                with self.subTest(study=name, school=school):
                    bench = self.client.get(f"/api/v1/studies/{number}").json
                    self.client.post(
                        f"/api/v1/studies/{number}/changes",
                        json={"version": bench["version"],
                              "change": {"type": "set_method", "method": school}},
                    )  # fmt: skip
                    room = self.client.get(f"/api/v1/studies/{number}/recipe")
                    self.assertEqual(room.status_code, 200, (version, room.text[:300]))
                    held = len(document.get("landmarks", [])) - len(room.json["loose"])
                    self.assertEqual(len(room.json["placings"]), held)

    def test_the_stick_says_why_it_cannot_read(self):
        number = self.make(ODD["no readings"])
        pose = {"held": "straight", "start": [0, 0], "end": [9, 9], "from_landmark": "a",
                "to_landmark": "c"}  # fmt: skip
        for change, status in (({}, 422), ({"thumb": 3}, 200), ({"held": "tilt"}, 200),
                               ({"thumb": -1}, 422), ({"held": "sideways"}, 422),
                               ({"start": [float("1e9"), 0]}, 422)):  # fmt: skip
            answer = self.client.post(f"/api/v1/studies/{number}/stick", json={**pose, **change})
            self.assertEqual(answer.status_code, status, (change, answer.text[:200]))

    def test_questions_in_the_address_are_answered_by_field(self):
        for asked, field in (
            ("/reach?length_mm=0&near_mm=1&far_mm=1&back_mm=1", "length_mm"),
            ("/reach?near_mm=1&far_mm=1&back_mm=1", "length_mm"),
            ("/plumbs?top_mm=1&middle_mm=1&foot_mm=1&height_mm=x", "height_mm"),
            ("/scenes/boathouse/picture.svg?distance_mm=5", "distance_mm"),
            (f"/pictures/{'a' * 64}/view?contrast=90", "contrast"),
        ):
            answer = self.client.get(f"/api/v1{asked}")
            self.assertEqual((answer.status_code, answer.json["field"]), (422, field), asked)


if __name__ == "__main__":
    unittest.main()
