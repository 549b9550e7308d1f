"""`zirkel tones`, `depth`, `head` and `perspective` as in the contract, and their refusals."""

import json
import unittest

from tests.cli.typed import zirkel
from zirkel.demo.generate import FOLDER


def run(command, document, *more):
    data = document if isinstance(document, bytes) else json.dumps(document).encode()
    return zirkel(command, "-", *more, data=data)


def told(command, document, *more):
    made = run(command, document, *more)
    assert made.returncode == 0, made.stderr
    return json.loads(made.stdout)


class Tones(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.file = json.loads((FOLDER / "potting_bench.zirkel.json").read_bytes())

    def test_the_answer_has_the_contract_s_fields(self):
        answer = told("tones", self.file, "--groups", "5")
        self.assertTrue(answer["anchored"])
        self.assertEqual(set(answer["areas"]["bench"]), {"tone", "sd", "group", "on_sheet"})
        self.assertEqual(set(answer["readings"]["n1"]), {"seen", "expected", "standardized"})
        self.assertEqual(answer["doubts"][0]["reading"], "n28")
        self.assertGreaterEqual(len(answer["doubts"][0]["cycle"]), 3)
        self.assertEqual(len(answer["groups"]), 5)
        order = [each["tone"] for each in answer["groups"]]
        self.assertEqual(order, sorted(order))
        self.assertIsNotNone(answer["families"]["boundary"])
        gains = [each["gain"] for each in answer["next"] if each["kind"] == "darker"]
        self.assertEqual(gains, sorted(gains, reverse=True))
        self.assertEqual(len(told("tones", self.file)["groups"]), 3)

    def test_without_tones_and_with_one_area(self):
        bare = {key: value for key, value in self.file.items() if key != "tones"}
        empty = told("tones", bare)
        self.assertEqual((empty["areas"], empty["groups"], empty["next"]), ({}, [], []))
        one = told("tones", {**bare, "tones": {"areas": [{"id": "a"}]}})
        self.assertEqual((one["areas"]["a"]["tone"], one["loose"]), (None, ["a"]))

    def test_bad_input_ends_with_one_sentence_that_names_the_field(self):
        def with_reading(**change):
            readings = [{"id": "n1", "kind": "darker", "first": "bench", "second": "cast",
                         "by": "much", **change}]  # fmt: skip
            return {**self.file, "tones": {**self.file["tones"], "readings": readings}}

        for document, why in (
            (with_reading(second="bench"), "tones.readings.0"),
            (with_reading(second="nowhere"), "tones.readings.0.second"),
            (with_reading(by="hugely"), "tones.readings.0.by"),
            ({**self.file, "tones": []}, "tones"),
            ({**self.file, "overlaps": [{"front": "can", "behind": "can"}]}, "overlaps.0"),
            (
                {**self.file, "overlaps": [{"front": "can", "behind": "nobody"}]},
                "overlaps.0.behind",
            ),
        ):
            made = run("tones", document)
            self.assertEqual((made.returncode, made.stdout), (2, ""))
            self.assertIn(why, made.stderr)
            self.assertEqual(made.stderr.strip().count("\n"), 0)
        self.assertEqual(run("tones", self.file, "--groups", "9").returncode, 2)

    def test_depth(self):
        answer = told("depth", self.file)
        self.assertEqual((answer["layers"]["spout"], answer["layers"]["can"]), (1, 3))
        self.assertEqual(answer["cycles"], [])
        ring = [{"front": a, "behind": b} for a, b in (("can", "sack"), ("sack", "can"))]
        answer = told("depth", {**self.file, "overlaps": ring})
        self.assertEqual(answer["cycles"], [["can", "sack"]])
        self.assertIsNone(answer["layers"]["can"])
        self.assertEqual(answer["layers"]["dibber"], 1)


class Heads(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.file = json.loads((FOLDER / "block_head.zirkel.json").read_bytes())

    def test_the_answer_has_the_contract_s_fields(self):
        (head,) = told("head", self.file)["heads"]
        for field in ("turn_degrees", "nod_degrees", "roll_degrees"):
            self.assertIsInstance(head[field], float)
        self.assertEqual(len(head["sd_degrees"]), 3)
        self.assertGreater(len(head["middle"]), 10)
        self.assertEqual([each["name"] for each in head["levels"]],
                         ["brows", "eyes", "nose", "mouth"])  # fmt: skip
        self.assertEqual(set(head["departures"][0]), {"measure", "canon", "here", "sd"})
        self.assertFalse(head["mirrored"])

    def test_left_and_right_exchanged_and_too_little(self):
        points = self.file["heads"][0]["points"]
        swap = {"left": "right", "right": "left"}

        def other(name):
            stem, _, side = name.rpartition("_")
            return f"{stem}_{swap[side]}" if side in swap else name

        mirrored = [{"id": "head", "points": {other(n): at for n, at in points.items()}}]
        (head,) = told("head", {**self.file, "heads": mirrored})["heads"]
        self.assertTrue(head["mirrored"])
        self.assertAlmostEqual(head["turn_degrees"], 26.0, delta=8.0)
        line = ("crown", "hairline", "chin")
        for names, why in ((line, "6 tell at least"), ((), "6 tell at least")):
            few = [{"id": "head", "points": {n: points[n] for n in names}}]
            made = run("head", {**self.file, "heads": few})
            self.assertEqual(made.returncode, 2)
            self.assertIn(why, made.stderr)
            self.assertIn("heads.0.points", made.stderr)
        self.assertEqual(told("head", {**self.file, "heads": []}), {"heads": []})


class Perspective(unittest.TestCase):
    def test_the_boathouse(self):
        file = json.loads((FOLDER / "boathouse.zirkel.json").read_bytes())
        answer = told("perspective", file)
        self.assertAlmostEqual(answer["eye_level"]["y"], -0.7, delta=0.12)
        self.assertEqual([each["name"] for each in answer["families"]],
                         ["along the house", "across the gable"])  # fmt: skip
        self.assertEqual(answer["doubts"][0]["sighting"], "e2")
        self.assertTrue(all({"from", "to", "seen_degrees", "fitted_degrees", "standardized"}
                            <= set(each) for each in answer["edges"]))  # fmt: skip

    def test_families_tighten_what_is_solved(self):
        file = json.loads((FOLDER / "boathouse.zirkel.json").read_bytes())
        with_them = told("solve", file)["landmarks"]
        without = told("solve", {**file, "families": []})["landmarks"]
        far = ("eave_far_r", "wall_far_r", "ridge_far")
        for name in far:
            self.assertLessEqual(with_them[name]["sd_y"], without[name]["sd_y"] + 1e-9)
        self.assertLess(
            sum(with_them[n]["sd_y"] for n in far), sum(without[n]["sd_y"] for n in far)
        )


if __name__ == "__main__":
    unittest.main()
