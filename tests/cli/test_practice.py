"""`zirkel practice`: the record of an eye read from its file, and refused in one sentence."""

import json
import unittest

from tests.cli.typed import zirkel

TRIAL = {"exercise": "half", "measure": "share", "at": "2026-11-02T09:00:00Z", "truth": 0.5,
         "answer": 0.53, "seconds": 3.2}  # fmt: skip


def told(document):
    data = document if isinstance(document, bytes) else json.dumps(document).encode()
    return zirkel("practice", "-", data=data)


def record(*trials):
    return {"format": "zirkel-practice", "version": 1, "trials": list(trials)}


class Practice(unittest.TestCase):
    def test_a_record_is_told_by_exercise(self):
        trials = [{**TRIAL, "at": f"2026-11-{d:02d}T09:00:00Z", "answer": 0.5 + 0.01 * (d % 5)}
                  for d in range(1, 29)]  # fmt: skip
        answer = json.loads(told(record(*trials)).stdout)
        half = answer["exercises"]["half"]
        self.assertEqual((half["trials"], half["measure"]), (28, "share"))
        self.assertAlmostEqual(half["bias"], 0.02, delta=0.005)
        self.assertEqual(half["change"]["verdict"], "not known yet")
        self.assertEqual(json.loads(told(record()).stdout), {"exercises": {}})

    def test_bad_input_ends_with_one_sentence(self):
        for document, why in (
            ({**record(), "format": "zirkel-study"}, "format"),
            (record({**TRIAL, "at": "yesterday"}), "trials.0.at"),
            (record({**TRIAL, "answer": "much"}), "trials.0.answer"),
            (record({**TRIAL, "measure": "relative", "truth": 0}), "truth other than 0"),
            (record(TRIAL, {**TRIAL, "measure": "degrees"}), "call one of them otherwise"),
            (b"{", "not JSON"),
        ):
            made = told(document)
            self.assertEqual((made.returncode, made.stdout), (2, ""), document)
            self.assertIn(why, made.stderr)
            self.assertEqual(made.stderr.strip().count("\n"), 0)


if __name__ == "__main__":
    unittest.main()
