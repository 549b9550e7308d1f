"""Kits: pulled into place by the transformation that needs least; files that are sound or told."""

import json
import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.kits import placed
from zirkel.demo.generate import FOLDER
from zirkel.errors import BadInput
from zirkel.kits import FOLDER as KITS
from zirkel.kits import shipped_kits
from zirkel.studyfile.kit_file import kit_of, read_kit
from zirkel.studyfile.read import read_study

USUAL = {"a": (0.0, 0.0), "b": (1.0, 0.0), "c": (0.0, 1.0), "d": (0.6, 0.7)}
ANY = st.floats(-3.0, 3.0)


class Pulled(unittest.TestCase):
    def test_one_point_carries_all_along(self):
        made = placed(USUAL, {"a": (2.0, 1.0)})
        self.assertEqual(made["d"], (2.6, 1.7))
        self.assertEqual(placed(USUAL, {}), USUAL)
        self.assertEqual(placed(USUAL, {"gone": (1.0, 1.0)}), USUAL)

    @given(ANY, ANY, ANY, ANY)
    def test_two_turn_and_scale_and_nothing_else(self, ax, ay, bx, by):
        if np.hypot(bx - ax, by - ay) < 0.1:
            return
        made = {n: np.array(p) for n, p in placed(USUAL, {"a": (ax, ay), "b": (bx, by)}).items()}
        scale = np.linalg.norm(made["b"] - made["a"])
        for one, two in (("a", "c"), ("b", "d"), ("c", "d")):
            was = np.linalg.norm(np.subtract(USUAL[one], USUAL[two]))
            self.assertAlmostEqual(np.linalg.norm(made[one] - made[two]), scale * was, places=6)

    def test_three_stretch_and_keep_straight_lines(self):
        made = placed(USUAL, {"a": (0.0, 0.0), "b": (2.0, 0.0), "c": (0.0, 1.0)})
        np.testing.assert_allclose(made["d"], (1.2, 0.7), atol=1e-9)

    def test_three_in_a_line_only_turn_and_scale(self):
        usual = USUAL | {"e": (0.5, 0.0)}
        made = placed(usual, {"a": (0.0, 0.0), "e": (1.0, 0.02), "b": (2.0, 0.0)})
        self.assertAlmostEqual(made["d"][0], 1.2, delta=0.05)
        self.assertAlmostEqual(made["d"][1], 1.4, delta=0.05)
        self.assertEqual(made["e"], (1.0, 0.02))


class Files(unittest.TestCase):
    def test_every_kit_that_ships_can_be_begun_with(self):
        kits = shipped_kits()
        self.assertGreaterEqual(len(kits), 13)
        for name, kit in kits.items():
            self.assertIsNotNone(kit.unit, name)
            self.assertTrue(kit.shapes, name)
            self.assertTrue(any(each.tier == 1 for each in kit.landmarks), name)
            for each in kit.landmarks:
                self.assertTrue(0.0 <= each.at[1] <= 1.0 and 0.0 <= each.at[0] <= 1.3, each.id)
        self.assertGreaterEqual(len(kits["head_front"].heads[0].points), 20)

    def test_a_kit_made_of_a_study_is_read_again(self):
        study = read_study((FOLDER / "boathouse.zirkel.json").read_bytes())
        places = {each.id: each.rough for each in study.landmarks}
        kit = read_kit(kit_of(study, "mine", places))
        self.assertEqual((kit.name, kit.group, len(kit.landmarks)), ("mine", "My own", 21))
        self.assertEqual(kit.unit.start, study.unit.start)
        self.assertEqual(len(kit.families), 2)
        ys = [each.at[1] for each in kit.landmarks]
        self.assertGreaterEqual(min(ys), 0.0)
        self.assertLessEqual(max(ys), 1.0)
        with self.assertRaisesRegex(BadInput, "two landmarks at least"):
            kit_of(study, "mine", {})

    def test_what_is_no_kit_is_said(self):
        good = json.loads((KITS / "box.zirkel-kit.json").read_text())
        for change, why in (
            ({"format": "zirkel-study"}, "format"),
            ({"landmarks": good["landmarks"][:1]}, "at least 2"),
            ({"landmarks": [*good["landmarks"], good["landmarks"][0]]}, "one id"),
            ({"shapes": [{"id": "x", "outline": ["nowhere"]}]}, "no landmark “nowhere”"),
            ({"unit": {"from": "near_top", "to": "nowhere", "along": "plumb"}}, "nowhere"),
            ({"heads": [{"id": "h", "points": {"third_eye": "near_top"}}]}, "no point “third_eye”"),
            ({"mine": 1}, "mine"),
        ):
            with self.assertRaises(BadInput) as caught:
                read_kit(json.dumps({**good, **change}).encode())
            self.assertIn(why, str(caught.exception), change)


if __name__ == "__main__":
    unittest.main()
