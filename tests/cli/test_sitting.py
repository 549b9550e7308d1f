"""`zirkel sitting`: what fits into the time, as the file's own contract has it."""

import json
import unittest

from tests.cli.typed import zirkel
from tests.files import SMALL, as_bytes


def sitting(*options, document=SMALL):
    return zirkel("sitting", "-", *options, data=as_bytes(document))


class Sitting(unittest.TestCase):
    def test_stages_and_readings_by_minutes_and_pace(self):
        answer = json.loads(sitting("--minutes", "20").stdout)
        minutes = {each["stage"]: each["minutes"] for each in answer["stages"]}
        self.assertAlmostEqual(sum(minutes.values()), 20.0)
        self.assertIn("sight", minutes)
        self.assertLess(answer["expected_sd"], answer["sd_now"])
        first = answer["sightings"][0]
        self.assertLessEqual({"kind", "from", "to", "gain", "because"}, set(first))
        slow = json.loads(
            sitting("--minutes", "2", "--seconds-per-reading", "30").stdout
        )  # fmt: skip
        self.assertLessEqual(len(slow["sightings"]), 1)

    def test_one_plan_over_all_poses(self):
        poses = json.loads(sitting("--poses", "20,20,20", "--rests", "5,10").stdout)["poses"]
        self.assertEqual(len(poses), 3)
        for number, pose in enumerate(poses):
            self.assertAlmostEqual(sum(each["minutes"] for each in pose["stages"]), 20.0)
            self.assertEqual(bool(pose["controls"]), number > 0)
            self.assertLessEqual(len(pose["controls"]) + len(pose["sightings"]), 45)
        self.assertEqual(poses[0]["stages"][0]["stage"], "frame")
        self.assertLessEqual({"kind", "from", "to", "because"}, set(poses[1]["controls"][0]))

    def test_odd_times_are_refused(self):
        for text in (
            "--minutes 0", "--minutes soon", "--minutes", "--minutes nan",
            "--minutes 5 --seconds-per-reading 0", "--poses 20,,20", "--poses 0",
            "--poses " + "5," * 70 + "5",
            "--poses 20,20 --rests 5,5", "--poses 20,20 --rests now",
        ):  # fmt: skip
            options = text.split()
            found = sitting(*options)
            self.assertEqual((found.returncode, found.stdout), (2, ""), options)
            self.assertTrue(found.stderr)


if __name__ == "__main__":
    unittest.main()
