"""Scene files: the shipped ones read, bad ones are refused with the field's name."""

import copy
import json
import unittest

from zirkel.errors import BadInput
from zirkel.scenes import shipped_file, shipped_scenes
from zirkel.studyfile.read import read_study, write_study
from zirkel.studyfile.scene_file import read_scene

GOOD = json.loads(shipped_file("bottle_and_box"))


def refused(change):
    """What is said of the good scene after a change to it."""
    document = copy.deepcopy(GOOD)
    change(document)
    try:
        read_scene("x", json.dumps(document).encode())
    except BadInput as error:
        return f"{error.field}: {error.problem}"
    return "nothing"


class Refused(unittest.TestCase):
    def test_each_with_its_field(self):
        cases = [
            (lambda d: d.pop("station"), "station: is missing"),
            (lambda d: d.pop("unit"), "unit: is missing"),
            (lambda d: d["solids"][0].pop("size"), "solids.0.size: is missing"),
            (lambda d: d["solids"][0].update(kind="blob"), "solids.0.kind: must be one of"),
            (lambda d: d["solids"][0].update(size=[1, -2, 3]), "depth is -2"),
            (lambda d: d["solids"][1].update(id="box"), "solids.1.id: “box” is used twice"),
            (lambda d: d["landmarks"][0].update(id="box_back"), "is used twice"),
            (lambda d: d["landmarks"][5].update(ring=40), "ring 40 of “bottle”"),
            (lambda d: d["landmarks"][5].update(on="vase"), "landmarks.5.on"),
            (lambda d: d["shapes"][0]["outline"].append("nose"), "no landmark “nose”"),
            (lambda d: d["unit"].update({"from": "nose"}), "unit.from: there is no landmark"),
            (lambda d: d["unit"].update({"to": "box_top_l"}), "seen at one place"),
            (lambda d: d.update(format="something"), "format: must be “zirkel-scene”"),
            (lambda d: d.update(version=2), "version"),
            (lambda d: d.update(light=[0, 0, 0]), "light: has no direction"),
            (lambda d: d.update(dark=["cloud"]), "dark: there is no solid “cloud”"),
            (lambda d: d.update(colours=[{"of": ["cloud"], "colour": "#ffffff"}]),
             "colours: there is no solid “cloud”"),
            (lambda d: d.update(ground="white"), "ground"),
            (lambda d: d.update(sky=2), "sky"),
            (lambda d: d["landmarks"][0].update(at=[0, -9000, 0]), "behind the eye"),
            (lambda d: d["solids"][0].update(at=[1e9, 0, 0]), "solids.0.at.0: 1e+09 is too large"),
            (lambda d: d["solids"][1].update(sides=96, profile=[[9, i] for i in range(60)]),
             "more than 4000 faces"),
            (lambda d: d.update(wings=2), "wings"),
            (lambda d: d.update(solids=[]), "solids: needs at least 1"),
        ]  # fmt: skip
        for change, words in cases:
            with self.subTest(words):
                self.assertIn(words, refused(change))

    def test_not_even_a_scene(self):
        for data in (b"[]", b"{", b"\xff\xfe", b'{"format": NaN}'):
            with self.subTest(data), self.assertRaises(BadInput):
                read_scene("x", data)


class Shipped(unittest.TestCase):
    def test_each_is_good_to_sight(self):
        for name, scene in shipped_scenes().items():
            with self.subTest(name):
                self.assertGreaterEqual(len(scene.landmarks), 16)
                self.assertTrue(any(each.tier == 1 for each in scene.landmarks))
                away = scene.station.distance_mm / float(scene.extent.size.max())
                self.assertGreater(away, 2.5)


class Subjects(unittest.TestCase):
    def study(self, subject):
        document = {"format": "zirkel-study", "version": 1, "landmarks": [], "sightings": [],
                    "subject": subject}  # fmt: skip
        return json.dumps(document).encode()

    def test_a_subject_goes_there_and_back(self):
        station = {"distance_mm": 2000, "eye_height_mm": 470, "direction_deg": -12.5}
        picture = {"picture": "a" * 64, "width": 800, "height": 600, "crop": [0, 0.1, 1, 0.9],
                   "turn_deg": 3.5, "tones": 3, "mm_per_px": 0.25, "silent": True}  # fmt: skip
        for subject in ({"scene": "boathouse", "station": station, "faults": {"sway": 4}}, picture):
            study = read_study(self.study(subject))
            self.assertEqual(read_study(write_study(study)), study)

    def test_bad_subjects(self):
        station = {"distance_mm": 2000, "eye_height_mm": 470}
        picture = {"picture": "a" * 64, "width": 800, "height": 600}
        for subject, words in (
            ({"scene": "b", "station": station, "faults": {"yawn": 1}}, "“yawn” is no fault"),
            ({"scene": "b", "station": station, "faults": {"sway": 900}}, "at most 60 mm"),
            ({"scene": "b", "station": {**station, "distance_mm": 3}}, "at least 200"),
            ({**picture, "crop": [0.5, 0, 0.5, 1]}, "crop leaves nothing"),
            ({**picture, "picture": "../../etc/passwd"}, "picture"),
        ):
            with self.subTest(words), self.assertRaises(BadInput) as caught:
                read_study(self.study(subject))
            said = [f"{caught.exception.field}: {caught.exception.problem}",
                    *(f"{f}: {p}" for f, p in caught.exception.more)]  # fmt: skip
            self.assertTrue(any(words in each for each in said), said)


if __name__ == "__main__":
    unittest.main()
