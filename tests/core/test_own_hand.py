"""The hand that is there: who counts in quarters is believed so far, who draws by a rough hand is
told so far, and both come out true."""

import json
import math
import unittest
from dataclasses import replace

import numpy as np

from tests import times
from tests.files import small
from tests.networks import RandomNetwork, hand_study
from zirkel.core.artist import CountedTo, OwnHand
from zirkel.core.network.sigmas import sigma_of
from zirkel.core.network.solve import solve
from zirkel.core.sheet.recipe.hand import follow
from zirkel.core.sightings import Drop, Run, Span, Tilt
from zirkel.core.simulation.observer import with_value
from zirkel.core.worked import Worked
from zirkel.demo.generate import FOLDER
from zirkel.errors import BadInput
from zirkel.studyfile.read import read_study, write_study

QUARTERS = CountedTo(units=0.25, degrees=5.0)
WITHIN_95 = 5.991


def counted_coarsely(study):
    """The same readings as somebody gives them who counts in quarters and half hours of ten."""
    made = []
    for each in study.sightings:
        step = 5.0 if each.kind == "tilt" else 0.25
        value = round(each.value / step) * step
        if each.kind == "span":
            value = max(value, step)
        made.append(with_value(each, value % 180.0 if each.kind == "tilt" else value))
    return replace(study, sightings=tuple(made))


class Counted(unittest.TestCase):
    def test_rounding_is_added_to_what_a_reading_errs_by(self):
        """A step's variance is step^2 / 12: of a quarter 0.0052, of five degrees 2.08."""
        study = replace(hand_study(), counted_to=QUARTERS)
        span = Span(id="s", start="a", end="b", along="straight", units=2.0)
        read = 0.03**2 + (0.025 * 2.0) ** 2
        self.assertAlmostEqual(sigma_of(span, study), math.sqrt(read + 0.25**2 / 12.0))
        self.assertAlmostEqual(sigma_of(Drop(id="d", start="a", end="b"), study),
                               math.sqrt(0.03**2 + 0.25**2 / 12.0))  # fmt: skip
        tilt = Tilt(id="t", start="a", end="b", degrees=30.0)
        self.assertAlmostEqual(sigma_of(tilt, study), math.sqrt(4.0 + 25.0 / 12.0))
        self.assertEqual(sigma_of(replace(span, sigma=0.02), study), 0.02)
        run = Run(id="r", start="a", end="b", hits="c")
        self.assertEqual(sigma_of(run, study), 0.05)
        only = replace(study, counted_to=CountedTo(degrees=5.0))
        self.assertAlmostEqual(sigma_of(span, only), math.sqrt(read))

    def test_areas_hold_the_truth_and_nobody_is_accused_for_rounding(self):
        """Without it half of all places lie outside their 95 % areas, twice as far off as told."""
        inside, sizes, doubts = [], [], 0
        for seed in range(times(10)):
            network = RandomNetwork(seed, n=20, per=4, kinds="stdl", tap=0.1)
            coarse = counted_coarsely(network.study)
            solution = solve(replace(coarse, counted_to=QUARTERS))
            doubts += len(solution.doubts)
            for name, mark in solution.landmarks.items():
                if not mark.sd_x or not mark.sd_y:
                    continue
                off = np.array([mark.x, mark.y]) - network.truth[name]
                shared = mark.corr * mark.sd_x * mark.sd_y
                spread = np.array([[mark.sd_x**2, shared], [shared, mark.sd_y**2]])
                size = float(off @ np.linalg.solve(spread, off))
                inside.append(size < WITHIN_95)
                sizes.append(size / 2.0)
        self.assertGreater(np.mean(inside), 0.92)
        self.assertAlmostEqual(np.sqrt(np.mean(sizes)), 1.0, delta=0.15)
        self.assertLessEqual(doubts, times(10) / 5)


class Hand(unittest.TestCase):
    def test_the_recipe_is_as_far_off_as_it_says_for_a_rough_and_for_a_good_hand(self):
        study = read_study((FOLDER / "wooden_mask.zirkel.json").read_bytes())
        usual = Worked(study).recipe
        told = {}
        for name, hand in (("rough", OwnHand(0.03, 2.5, 0.02)), ("good", OwnHand(0.01, 0.8, 0.01))):
            worked = Worked(replace(study, hand=hand))
            recipe, marks, off = worked.recipe, worked.plan.marks, []
            for k in range(times(40)):
                rng = np.random.default_rng(k)
                for each, at in follow(recipe, worked.stepped_in, rng, eye=worked.judging).items():
                    off.append(at - (marks[each].held_left_mm, marks[each].held_top_mm))
            made = math.sqrt(np.mean(np.sum(np.square(off), axis=1)))
            told[name] = math.sqrt(np.mean([each.sd_mm**2 for each in recipe.constructions]))
            self.assertGreater(made / told[name], 0.85, name)
            self.assertLess(made / told[name], 1.2, name)
        told["usual"] = math.sqrt(np.mean([each.sd_mm**2 for each in usual.constructions]))
        self.assertLess(told["good"], told["usual"])
        self.assertLess(told["usual"], told["rough"])

    def test_what_isn_t_known_of_it_stays_as_is_usual(self):
        study = read_study((FOLDER / "wooden_mask.zirkel.json").read_bytes())
        usual = Worked(study).judging
        own = Worked(replace(study, hand=OwnHand(tilt_degrees=3.0))).judging
        self.assertEqual((own.part, own.length), (usual.part, usual.length))
        self.assertAlmostEqual(math.degrees(own.tilt), 3.0)


class InTheFile(unittest.TestCase):
    def test_both_are_read_and_written(self):
        document = small(counted_to={"units": 0.25}, hand={"length": 0.03, "tilt_degrees": 2.5})
        study = read_study(json.dumps(document).encode())
        self.assertEqual(study.counted_to, CountedTo(units=0.25))
        self.assertEqual(read_study(write_study(study)), study)
        self.assertEqual(study.hand, OwnHand(length=0.03, tilt_degrees=2.5))

    def test_odd_ones_are_refused_by_their_field(self):
        for field, value in (("counted_to", {"units": 0}), ("counted_to", {"degrees": 100.0}),
                             ("hand", {"length": -0.1}), ("hand", {"part": "much"})):  # fmt: skip
            with self.assertRaisesRegex(BadInput, rf"{field}\.{next(iter(value))}"):
                read_study(json.dumps(small(**{field: value})).encode())


if __name__ == "__main__":
    unittest.main()
