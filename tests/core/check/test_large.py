"""A beginner draws a fifth too large or leaning by ten degrees: one large fault is one fault, its
amount is right, and what it moved is told exactly."""

import json
import math
import unittest
from functools import cache

import numpy as np

from tests import times
from zirkel.core.worked import Worked
from zirkel.demo.generate import FOLDER
from zirkel.studyfile.answers import CheckAnswer
from zirkel.studyfile.read import read_study

OWN = ("drawn", "checks", "photograph", "measured", "resighted")
"""Of the demonstrations' own drawings."""

LARGE = (
    *(("size", "factor", amount) for amount in (0.75, 0.85, 1.2, 1.35)),
    *(("tilt", "degrees", amount) for amount in (-15.0, -8.0, 10.0, 15.0)),
    *(("lean", "degrees", amount) for amount in (-10.0, 10.0, 15.0)),
    *(("stretch", "factor", amount) for amount in (0.8, 1.15, 1.3)),
)


def drawn_wrong(kind, amount, places):
    """(n, 2) places about their middle as a hand with that fault has them, y down."""
    x, y = places.T
    if kind == "size":
        return amount * places
    if kind == "tilt":
        a = math.radians(amount)
        return np.column_stack([x * math.cos(a) - y * math.sin(a),
                                x * math.sin(a) + y * math.cos(a)])  # fmt: skip
    if kind == "lean":
        return np.column_stack([x - y * math.tan(math.radians(amount)), y])
    return np.column_stack([x / math.sqrt(amount), y * math.sqrt(amount)])


@cache
def planned(demo):
    """A demonstration without its drawing: its file, and where its plan has each landmark."""
    file = json.loads((FOLDER / f"{demo}.zirkel.json").read_bytes())
    file = {key: value for key, value in file.items() if key not in OWN}
    marks = Worked(read_study(json.dumps(file).encode())).plan.marks
    return file, {name: (m.held_left_mm, m.held_top_mm) for name, m in marks.items()}


def checked(demo, moved, seed):
    """The check of a drawing whose marks were moved so, each off by a millimetre besides."""
    file, marks = planned(demo)
    places = np.array(list(marks.values()))
    middle = places.mean(axis=0)
    noise = np.random.default_rng(seed).normal(0.0, 1.0, places.shape)
    drawn = middle + moved(places - middle) + noise
    file = {**file, "drawn": dict(zip(marks, drawn.tolist(), strict=True))}
    return Worked(read_study(json.dumps(file).encode())).checked


class Large(unittest.TestCase):
    def test_one_large_fault_is_one_fault_of_about_its_amount(self):
        right = asked = 0
        for number, (kind, field, amount) in enumerate(LARGE * times(1)):
            demo = ("wooden_mask", "boathouse", "block_head")[number % 3]
            found = checked(demo, lambda p, k=kind, a=amount: drawn_wrong(k, a, p), number)
            faults = found.diagnosis.faults
            kinds = [each.kind for each in faults if not each.landmarks]
            self.assertEqual(len(kinds), len(set(kinds)), f"{kind} {amount}: {kinds}")
            asked += 1
            if [each.kind for each in faults] != [kind]:
                continue
            unit = 1.0 if field == "factor" else 0.0
            share = (faults[0].amount[field] - unit) / (amount - unit)
            self.assertAlmostEqual(share, 1.0, delta=1 / 8, msg=f"{kind} {amount}")
            right += 1
        self.assertGreaterEqual(right, 0.9 * asked)

    def test_what_is_said_to_have_moved_is_exactly_what_did(self):
        """Too large and turned: by their columns alone a turn by twelve degrees also grows."""

        def both(places):
            return drawn_wrong("tilt", 12.0, drawn_wrong("size", 1.2, places))

        faults = checked("wooden_mask", both, 1).diagnosis.faults
        self.assertEqual({each.kind for each in faults}, {"size", "tilt"})
        _, marks = planned("wooden_mask")
        places = np.array(list(marks.values()))
        places = places - places.mean(axis=0)
        off = sum(each.moved for each in faults) - (both(places) - places)
        off -= off.mean(axis=0)
        self.assertLess(np.sqrt((off**2).sum(axis=1).mean()), 1.0)


class ByTheRecipe(unittest.TestCase):
    """Judged by how well the drawing was measured, not by how sure the plan is."""

    def answer(self, seed, slips=(), by="recipe", sigma=1.0):
        """`zirkel check` of a drawing by the plan, with the hand's small errors and these slips."""
        file, marks = planned("potting_bench")
        rng = np.random.default_rng(seed)
        drawn = {name: list(np.array(at) + rng.normal(0.0, 0.3, 2)) for name, at in marks.items()}
        for name, (right, down) in slips:
            drawn[name] = [drawn[name][0] + right, drawn[name][1] + down]
        file = {**file, "drawn": drawn, "drawn_by": by, "drawn_sigma_mm": sigma}
        return CheckAnswer.of(Worked(read_study(json.dumps(file).encode())).checked)

    def test_tolerances_are_the_artist_s_whatever_the_plan_leaves_open(self):
        found = self.answer(1, sigma=0.5)
        tiers = {each["id"]: each["tier"] for each in planned("potting_bench")[0]["landmarks"]}
        large = [one["tolerance_mm"] for n, one in found.landmarks.items() if tiers[n] == 1]
        self.assertEqual({round(each, 9) for each in large}, {1.5})
        rough = self.answer(1, sigma=1.2).landmarks.values()
        self.assertEqual({round(each["tolerance_mm"], 9) for each in rough}, {2.4})

    def test_a_slip_that_the_plan_s_own_slack_would_hide_is_touched_up(self):
        """Three millimetres, down to the right: brought back by as much, and no fault."""
        told = 0
        for seed in range(times(4)):
            name = sorted(planned("potting_bench")[1])[3 * seed % 20]
            found = self.answer(seed, [(name, (2.4, 1.8))])
            self.assertEqual((found.verdict, found.faults, found.corrections), ("sound", [], []))
            self.assertFalse(found.landmarks[name]["within"])
            right, down = found.touch_up[name]
            self.assertAlmostEqual(right, -2.4, delta=1.2)
            self.assertAlmostEqual(down, -1.8, delta=1.2)
            told += len(found.touch_up) == 1
            self.assertEqual(self.answer(seed, [(name, (2.4, 1.8))], by="eye").touch_up, {})
        self.assertGreaterEqual(told, 0.7 * times(4))

    def test_a_large_fault_is_no_touch_up(self):
        file, marks = planned("potting_bench")
        places = np.array(list(marks.values()))
        drawn = places.mean(axis=0) + 1.2 * (places - places.mean(axis=0))
        file = {
            **file,
            "drawn": dict(zip(marks, drawn.tolist(), strict=True)),
            "drawn_by": "recipe",
        }
        found = CheckAnswer.of(Worked(read_study(json.dumps(file).encode())).checked)
        self.assertEqual((found.verdict, [e["fault"] for e in found.faults]), ("off", ["size"]))
        self.assertLessEqual(len(found.corrections), 3)
        self.assertEqual(found.touch_up, {})


if __name__ == "__main__":
    unittest.main()
