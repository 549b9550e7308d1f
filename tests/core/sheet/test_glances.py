"""Glances: relations that hold in the drawing as placed, and that a slip would break."""

import math
import unittest

import numpy as np

from tests import times
from zirkel.core.sheet.recipe import Outline, Wishes, make_recipe
from zirkel.core.sheet.recipe.construct import ALL_MANNERS, Recipe
from zirkel.core.sheet.recipe.glances import LIMIT, MOST_A_STAGE, glances
from zirkel.core.sheet.recipe.hand import follow
from zirkel.core.sheet.recipe.manners import USUAL, Judging

UNIT = 60.0


class Quiet:
    """An eye without any error."""

    def normal(self, mean=0.0, sd=1.0, size=None):
        return np.zeros(size) if size else 0.0


def house(eye=USUAL):
    """A house of twelve marks in whole and half units: much of it is level, plumb or half-way."""
    marks = {
        "foot_l": (60, 360), "foot_r": (240, 360), "eave_l": (60, 240), "eave_r": (240, 240),
        "ridge": (150, 120), "door_l": (120, 360), "door_r": (180, 360), "lintel_l": (120, 270),
        "lintel_r": (180, 270), "pane_l": (195, 270), "pane_r": (225, 270), "chimney": (210, 150),
    }  # fmt: skip
    shapes = (
        Outline("wall", ("foot_l", "foot_r", "eave_r", "ridge", "eave_l"), True, 1),
        Outline("door", ("door_l", "lintel_l", "lintel_r", "door_r"), False, 2),
    )
    places = {name: (float(x), float(y)) for name, (x, y) in marks.items()}
    wishes = Wishes(unit=("eave_l", "foot_l"), shapes=shapes, eye=eye)
    return make_recipe(places, dict.fromkeys(places, 1), UNIT, wishes)


class Glanced(unittest.TestCase):
    def setUp(self):
        self.recipe = house()
        self.looks = glances(self.recipe, UNIT, ALL_MANNERS)
        self.names = [each.landmark for each in self.recipe.constructions]
        self.places = np.array([each.place for each in self.recipe.constructions])

    def test_all_hold_in_the_drawing_as_it_is_placed(self):
        self.assertGreater(len(self.looks), 3)
        for each in self.looks:
            self.assertFalse(each.notices(self.places, Quiet()), each)

    def test_none_looks_at_what_is_not_placed_yet(self):
        for each in self.looks:
            for name in each.landmarks:
                self.assertLess(self.names.index(name), each.after)

    def test_none_repeats_how_a_landmark_was_placed(self):
        via = {c.landmark: {n for s in c.steps for n in s.via} for c in self.recipe.constructions}
        for each in self.looks:
            held = set(each.landmarks)
            for name in held:
                self.assertFalse(held - {name} <= via[name], each)

    def test_few_a_stage_and_the_stick_once_at_most(self):
        by_stage = {}
        for each in self.looks:
            by_stage.setdefault(each.after, []).append(each.kind)
        for kinds in by_stage.values():
            self.assertLessEqual(len(kinds), MOST_A_STAGE)
            self.assertLessEqual(kinds.count("tilt"), 1)

    def test_a_landmark_moved_by_hand_breaks_what_looks_at_it(self):
        """Each landmark that a glance looks at, moved far across what it says, fails it."""
        for each in self.looks:
            column = int(np.abs(each.gradient).argmax())
            moved = self.places.ravel().copy()
            moved[column] += 2.0 * each.limit / abs(each.gradient[column])
            self.assertTrue(each.notices(moved.reshape(-1, 2), Quiet()), each)

    def test_a_sound_hand_is_seldom_stopped(self):
        """By its limit, a glance errs in two of a hundred drawings; all of them together in less
        than a third."""
        stopped = [0] * len(self.looks)
        any_of_them, drawings = 0, times(60)
        for k in range(drawings):
            rng = np.random.default_rng(k)
            lies = follow(self.recipe, UNIT, rng)
            there = np.array([lies[name] for name in self.names])
            found = [each.notices(there, rng) for each in self.looks]
            stopped = [a + b for a, b in zip(stopped, found, strict=True)]
            any_of_them += any(found)
        self.assertGreater(LIMIT, 2.0)
        self.assertLess(max(stopped), 3 + 0.04 * drawings)
        self.assertLess(any_of_them, drawings / 3)

    def test_a_rough_hand_that_is_known_is_seldom_stopped_either(self):
        """Its glances err as it does; unknown, it is stopped in every other drawing."""
        rough = Judging(part=0.03, straight=0.012, tilt=math.radians(2.5), length=0.03)
        stopped = {}
        for known in (USUAL, rough):
            recipe = house(known)
            looks = glances(recipe, UNIT, ALL_MANNERS, known)
            names = [each.landmark for each in recipe.constructions]
            stopped[known] = 0
            for k in range(times(40)):
                rng = np.random.default_rng(k)
                lies = follow(recipe, UNIT, rng, eye=rough)
                there = np.array([lies[name] for name in names])
                stopped[known] += any(each.notices(there, rng) for each in looks)
        self.assertGreater(stopped[USUAL], 0.4 * times(40))
        self.assertLess(stopped[rough], times(40) / 3)

    def test_too_little_to_look_at(self):
        self.assertEqual(glances(Recipe(()), UNIT, ALL_MANNERS), ())
        few = make_recipe({"a": (10.0, 10.0), "b": (90.0, 20.0)}, {"a": 1, "b": 1}, UNIT)
        self.assertEqual(glances(few, UNIT, ALL_MANNERS), ())

    def test_a_slip_is_carried_on_by_what_hangs_on_it(self):
        """What a millimetre at a landmark carries on is what following with that slip does."""
        hangs = self.recipe.hangs
        root = next(name for name in self.names if hangs.get(name))
        k = self.names.index(root)
        plain = follow(self.recipe, UNIT, Quiet())
        slipped = follow(self.recipe, UNIT, Quiet(), (root, np.array([1.0, 0.0])))
        made = np.array([slipped[name] - plain[name] for name in self.names]).ravel()
        np.testing.assert_allclose(made, self.recipe.carried[:, 2 * k], atol=0.05)


if __name__ == "__main__":
    unittest.main()
