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

    def test_odd_times_are_refused(self):
        for text in (
            "--minutes 0", "--minutes soon", "--minutes", "--minutes nan",
            "--minutes 5 --seconds-per-reading 0",
        ):  # fmt: skip
            options = text.split()
            found = sitting(*options)
            self.assertEqual((found.returncode, found.stdout), (2, ""), options)
            self.assertTrue(found.stderr)


if __name__ == "__main__":
    unittest.main()
