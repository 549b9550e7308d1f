"""Heads: turn, nod and roll of persons who differ, honest errors, mirrored and poor input."""

import unittest

import numpy as np

from tests.core.heads.people import person, sighted
from zirkel.canons import head_canons
from zirkel.core.head import Head
from zirkel.core.heads.canons import departures
from zirkel.core.heads.fit import TooLittle, fit_head
from zirkel.core.heads.model import RINGS, head_points, middle_line, ring, rotation
from zirkel.core.heads.solved import solve_head


class Turned(unittest.TestCase):
    def test_an_exact_head_is_found_exactly(self):
        for turn, nod, roll in ((0, 0, 0), (-40, 10, 5), (35, -15, -8), (50, 0, 12)):
            at = person(np.random.default_rng(0), turn, nod, roll, 0.0, 0.0)
            fit = fit_head(at, np.eye(2 * len(at)) * 1e-8)
            found = (fit.turn, fit.nod, fit.roll)
            np.testing.assert_allclose(found, (turn, nod, roll), atol=1.0)
            self.assertFalse(fit.mirrored)

    def test_signs_are_as_they_are_said(self):
        """Turned to the right the nose goes right; looking down it goes down; leaning right the
        crown goes right."""
        nose = head_points()["nose_base"] - head_points()["nose_root"] * 0
        self.assertGreater((rotation(0.4, 0, 0) @ nose)[0], 0.1)
        self.assertGreater((rotation(0, 0.3, 0) @ nose)[1], nose[1])
        self.assertGreater((rotation(0, 0, 0.3) @ head_points()["crown"])[0], 0.1)

    def test_persons_who_differ_and_readings_with_their_error(self):
        off, within = [], []
        for seed in range(40):
            rng = np.random.default_rng(seed)
            true = rng.uniform(-50, 50), rng.uniform(-20, 20), rng.uniform(-12, 12)
            fit = fit_head(*sighted(rng, person(rng, *true)))
            d = np.array((fit.turn, fit.nod, fit.roll)) - true
            off.append(d)
            within.append(np.abs(d) < 2.0 * np.array(fit.sd))
        rms = np.sqrt(np.mean(np.square(off), axis=0))
        self.assertTrue((rms < (5.0, 6.5, 2.0)).all(), rms)
        self.assertTrue((np.mean(within, axis=0) >= 0.85).all(), np.mean(within, axis=0))

    def test_left_and_right_the_wrong_way_round_are_recognized(self):
        found = 0
        for seed in range(10):
            rng = np.random.default_rng(seed)
            at, c = sighted(rng, person(rng, 15.0, 5.0, 3.0))
            swap = {"left": "right", "right": "left"}
            mirrored = {}
            for name, p in at.items():
                stem, _, side = name.rpartition("_")
                mirrored[f"{stem}_{swap[side]}" if side in swap else name] = p
            fit = fit_head(mirrored, c)
            found += fit.mirrored and abs(fit.turn - 15.0) < 15.0
        self.assertGreaterEqual(found, 9)

    def test_a_profile_and_few_points(self):
        rng = np.random.default_rng(2)
        at = person(rng, 80.0, 0.0, 0.0, 0.0, 0.0)
        side = {n: p for n, p in at.items() if not n.endswith("_right")}
        fit = fit_head(side, np.eye(2 * len(side)) * 1e-4)
        self.assertGreater(fit.turn, 55.0)
        some = ("crown", "chin", "eye_outer_left", "eye_outer_right", "nose_base", "mouth_middle")
        few = {n: p for n, p in person(rng, 20.0, 0.0, 0.0).items() if n in some}
        fit = fit_head(few, np.eye(12) * 1e-3)
        self.assertLess(abs(fit.turn - 20.0), 3.0 * fit.sd[0] + 5.0)

    def test_too_little_is_told(self):
        line = {n: np.array([0.0, i / 5.0]) for i, n in enumerate(
            ("crown", "hairline", "nose_root", "nose_base", "mouth_middle", "chin"))}  # fmt: skip
        with self.assertRaisesRegex(TooLittle, "one line"):
            fit_head(line, np.eye(12) * 1e-4)
        with self.assertRaisesRegex(TooLittle, "6 tell at least"):
            fit_head({"crown": np.zeros(2), "chin": np.ones(2)}, np.eye(4))


class Departing(unittest.TestCase):
    def test_a_planted_departure_stands_first(self):
        """The eyes set far apart: about four times what the readings may err by."""
        first = 0
        for seed in range(20):
            rng = np.random.default_rng(seed)
            wide = {f"eye_{part}_{side}": ((-0.09 if side == "left" else 0.09), 0.0, 0.0)
                    for part in ("inner", "outer") for side in ("left", "right")}  # fmt: skip
            at, c = sighted(rng, person(rng, rng.uniform(-30, 30), 0.0, 0.0, 0.03, 0.004, wide))
            fit = fit_head(at, c)
            found = departures(fit, at, c, head_canons()[1])
            eyes = [d for d in found if "eye" in d.measure]
            first += found[0] in eyes and found[0].off > 2.0
        self.assertGreaterEqual(first, 15)

    def test_a_head_by_the_book_departs_nowhere(self):
        at = person(np.random.default_rng(0), 25.0, 5.0, 0.0, 0.0, 0.0)
        c = np.eye(2 * len(at)) * 1e-3
        for each in departures(fit_head(at, c), at, c, head_canons()[1]):
            self.assertLess(abs(each.here - each.canon), 0.08 * each.canon, each.measure)
            self.assertGreater(each.sd, 0.0)


class Solved(unittest.TestCase):
    def setUp(self):
        rng = np.random.default_rng(3)
        self.at = person(rng, -30.0, 5.0, 2.0)
        names = [n for n in self.at if n not in ("mouth_middle", "brow_right")]
        self.index = {name: i for i, name in enumerate(names)}
        self.places = np.array([self.at[name] for name in names])
        self.c = np.eye(2 * len(names)) * 1e-3
        self.head = Head("h", "Head", {name: name for name in names})

    def test_lines_rings_and_predicted_points(self):
        found = solve_head(self.head, self.index, self.places, self.c, frozenset(),
                           head_canons()[1])  # fmt: skip
        self.assertEqual([name for name, _ in found.levels], list(RINGS))
        self.assertEqual(len(found.middle), len(middle_line()))
        self.assertIn("mouth_middle", found.predicted)
        near = found.predicted["mouth_middle"]
        away = np.hypot(*(np.array(near.at) - self.at["mouth_middle"]))
        self.assertLess(away, 3.0 * near.sd)
        self.assertEqual(ring("eyes").shape, (25, 3))

    def test_loose_points_and_unknown_landmarks_count_for_nothing(self):
        loose = frozenset(list(self.index)[5:])
        found = solve_head(self.head, self.index, self.places, self.c, loose, ())
        self.assertIn("6 tell at least", found.trouble)


if __name__ == "__main__":
    unittest.main()
