"""Choosing how one landmark is placed: its error is what many hands make, its place the only
one."""

import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from tests import examples
from zirkel.core.sheet.recipe.choose import (
    DEEPEST,
    LAST_RESORT,
    Ground,
    Squares,
    best,
    from_edges,
    lines_to,
    side_of,
)
from zirkel.core.sheet.recipe.construct import ALL_MANNERS
from zirkel.core.sheet.recipe.manners import Way

UNIT = 60.0
PLACED = np.array([[60.0, 60.0], [200.0, 70.0], [70.0, 250.0], [210.0, 260.0]])


def ground(placed=PLACED, manners=ALL_MANNERS, sd=1.0, depth=1, **more):
    m = len(placed)
    return Ground(placed, sd**2 * np.eye(2 * m), np.full(m, depth), Way(UNIT), manners, **more)


class Choosing(unittest.TestCase):
    @examples(60)
    @given(st.floats(20, 270), st.floats(20, 380))
    def test_there_is_always_a_way_and_it_leads_near(self, x, y):
        target = np.array([x, y])
        chosen = best(target, ground())
        self.assertIn(len(chosen.moves), (1, 2))
        self.assertLess(np.hypot(*chosen.bias), 12.0)
        values = np.linalg.eigvalsh(chosen.noise)
        self.assertGreaterEqual(values.min(), -1e-9)
        for move in chosen.moves:
            self.assertTrue(all(0 <= each < len(PLACED) for each in move.via))

    def test_half_way_between_two_is_one_move_and_carries_half_of_either(self):
        chosen = best(np.array([130.0, 65.0]), ground())
        (move,) = chosen.moves
        self.assertEqual((move.manner, move.value, set(move.via)), ("part", 0.5, {0, 1}))
        np.testing.assert_allclose(chosen.weights[:, :4], 0.5 * np.hstack([np.eye(2)] * 2))

    def test_what_hangs_on_a_long_chain_is_not_hung_on(self):
        deep = ground(depth=DEEPEST + 1)
        chosen = best(np.array([130.0, 65.0]), deep)
        self.assertEqual({move.manner for move in chosen.moves}, {"left", "top"})
        self.assertGreater(chosen.trouble, LAST_RESORT)

    def test_surer_starts_are_chosen(self):
        """Two landmarks stand level with the target; the surer one is taken."""
        placed = np.array([[60.0, 150.0], [250.0, 150.0], [150.0, 40.0]])
        covariance = np.diag([9.0, 9.0, 0.1, 0.1, 1.0, 1.0])
        made = Ground(placed, covariance, np.ones(3, int), Way(UNIT), frozenset({"plumb", "level"}))
        chosen = best(np.array([150.0, 150.0]), made)
        level = next(move for move in chosen.moves if move.manner == "level")
        self.assertEqual(level.via, (1,))

    def test_the_covariance_of_a_crossing_is_that_of_many_hands(self):
        """A tilt from one and a level with another: both lines are drawn with their noise from
        where the landmarks came to lie, and crossed, 4000 times."""
        target = np.array([150.0, 260.0])
        manners = frozenset({"tilt", "level"})
        chosen = best(target, ground(manners=manners))
        self.assertEqual({move.manner for move in chosen.moves}, {"tilt", "level"})
        tilt = next(move for move in chosen.moves if move.manner == "tilt")
        level = next(move for move in chosen.moves if move.manner == "level")
        rng = np.random.default_rng(1)
        a = PLACED[tilt.via[0]] + rng.normal(0, 1, (4000, 2))
        b = PLACED[level.via[0]] + rng.normal(0, 1, (4000, 2))
        turn = np.radians(tilt.value) + rng.normal(0, np.radians(1.0), 4000)
        away = abs(target[0] - PLACED[level.via[0], 0])
        y = b[:, 1] + level.value + rng.normal(0, 0.005 * away, 4000)
        if level.value:
            y = y + rng.normal(0, 1.0, 4000)
        x = a[:, 0] - (y - a[:, 1]) * np.tan(turn)
        made = np.cov(np.column_stack([x, y]).T)
        told = chosen.weights @ np.eye(8) @ chosen.weights.T + chosen.noise
        np.testing.assert_allclose(np.diag(made), np.diag(told), rtol=0.12)

    def test_from_the_edges_to_the_ruler_s_finest_mark(self):
        chosen = from_edges(np.array([100.3, 57.8]), 0, 1.0)
        self.assertEqual([move.value for move in chosen.moves], [100.0, 58.0])
        np.testing.assert_allclose(chosen.bias, (-0.3, 0.2))


class Schools(unittest.TestCase):
    def manners(self, *own, **more):
        made = lines_to(np.array([150.0, 180.0]), ground(manners=frozenset(own), **more))
        return {each.manner for each in made}

    def test_only_what_is_allowed_is_offered(self):
        self.assertEqual(self.manners("tilt"), {"tilt"})
        self.assertEqual(self.manners("length", "rule"), {"length"})
        self.assertEqual(self.manners("plumb", "level", "units"), {"plumb", "level"})
        self.assertEqual(self.manners("pull", "from plumb"), {"pull", "plumb"})

    def test_widths_in_sight_size_are_from_the_first_landmark_alone(self):
        made = lines_to(np.array([150.0, 180.0]), ground(manners=frozenset({"pull", "from plumb"})))
        plumb = next(each for each in made if each.manner == "plumb")
        self.assertEqual(set(plumb.via.ravel()), {0})

    def test_a_first_tick_is_a_line_for_who_stands_on_it(self):
        target = np.array([150.0, 20.2])
        made = lines_to(target, ground(), ((1, 20.0, "top"),))
        self.assertEqual(made[0].manner, "top")
        self.assertAlmostEqual(made[0].bias[0], -0.2)

    def test_squares_are_lettered_across_and_numbered_down(self):
        squares = Squares(10.0, 20.0, 40.0)
        self.assertEqual(squares.place(10.0, 20.0)[0], "A1")
        label, across, down = squares.place(95.0, 150.0)
        self.assertEqual(label, "C4")
        self.assertAlmostEqual(across, 0.125)
        self.assertAlmostEqual(down, 0.25)

    def test_sides(self):
        ways = {(5, 1): "right", (-5, 1): "left", (1, 5): "below", (1, -5): "above"}
        for d, side in ways.items():
            self.assertEqual(side_of(np.array(d, float)), side)


if __name__ == "__main__":
    unittest.main()
