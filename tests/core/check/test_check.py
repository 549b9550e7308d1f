"""Planted faults are found by their amount, sound drawings stay sound, corrections repair."""

import unittest
from dataclasses import replace

import numpy as np
from bench.checking import ONE, drawn, named, planted, subject

from zirkel.core.check.causes.some import moved
from zirkel.core.check.correct import check
from zirkel.core.check.diagnose import diagnose
from zirkel.core.check.drawing import drawing_of
from zirkel.core.check.tolerance import tolerances
from zirkel.core.worked import Worked


def of(study):
    """The drawing of a study."""
    worked = Worked(study)
    return drawing_of(study, worked.solution.adjusted, worked.plan)


class Faults(unittest.TestCase):
    def test_each_fault_of_a_whole_is_told_exactly_where_nothing_errs(self):
        """Without noise the amounts are those planted: size 1.05, tilt 2.5 degrees clockwise, tops
        2.5 degrees to the right, height over width 1.05."""
        _, worked = subject(3, 1.0)
        for kind in ("size", "tilt", "lean", "stretch"):
            rng = np.random.default_rng(5)
            move, _, amount = planted(worked, kind, 1.0, rng)
            study = self.exact(worked, move)
            (fault,) = diagnose(of(study)).faults
            self.assertEqual(fault.kind, kind)
            told = fault.amount.get("factor", fault.amount.get("degrees"))
            self.assertAlmostEqual(told, amount, delta=0.002 * abs(amount))

    def exact(self, worked, move):
        names = [each.id for each in worked.study.landmarks]
        marks = [worked.plan.marks[name] for name in names]
        return replace(worked.study, drawn={
            name: (mark.held_left_mm + float(dx), mark.held_top_mm + float(dy))
            for name, mark, (dx, dy) in zip(names, marks, move, strict=True)
        })  # fmt: skip

    def test_clockwise_and_to_the_right(self):
        """A landmark above the middle goes right when the whole is turned clockwise or leans."""
        _, worked = subject(4, 1.0)
        names = [each.id for each in worked.study.landmarks]
        p = np.array([(worked.plan.marks[n].held_left_mm, worked.plan.marks[n].held_top_mm)
                      for n in names])  # fmt: skip
        away = p - p.mean(axis=0)
        a = np.radians(3.0)
        turned = away @ np.array([[np.cos(a), np.sin(a)], [-np.sin(a), np.cos(a)]]) - away
        (fault,) = diagnose(of(self.exact(worked, turned))).faults
        self.assertEqual(fault.kind, "tilt")
        self.assertAlmostEqual(fault.amount["degrees"], 3.0, delta=0.05)
        self.assertGreater(turned[np.argmin(away[:, 1]), 0], 0.0)

    def test_planted_faults_are_named_first(self):
        right = total = 0
        for kind in ONE:
            for seed in range(5):
                _, worked = subject(seed, None)
                rng = np.random.default_rng(100 + seed)
                move, on, amount = planted(worked, kind, 1.0, rng)
                faults = diagnose(of(drawn(worked, [move], rng))).faults
                alike = named(faults[0], kind, on, amount) if faults else False
                right += alike or (kind == "landmark" and bool(faults) and faults[0].kind == kind)
                total += 1
        self.assertGreaterEqual(right, total - 3)

    def test_sound_drawings_are_sound(self):
        claimed = 0
        for seed in range(20):
            _, worked = subject(seed, None)
            made = drawn(worked, [], np.random.default_rng(300 + seed))
            claimed += bool(diagnose(of(made)).faults)
        self.assertLessEqual(claimed, 2)

    def test_a_drawing_need_only_agree_with_itself(self):
        """Against proportions, place and size are the artist's own; a lean still shows."""
        _, worked = subject(6, 1.0)
        names = [each.id for each in worked.study.landmarks]
        p = np.array([(worked.plan.marks[n].held_left_mm, worked.plan.marks[n].held_top_mm)
                      for n in names])  # fmt: skip
        away = p - p.mean(axis=0)
        larger = 0.3 * away + np.array([20.0, -15.0])
        study = replace(self.exact(worked, larger), check_against="proportions")
        found = check(of(study))
        self.assertTrue(found.sound)
        self.assertLess(max(np.hypot(*each.off) for each in found.standing.values()), 1e-6)
        leaning = larger + np.column_stack([-0.06 * away[:, 1], 0 * away[:, 1]])
        faults = check(of(replace(self.exact(worked, leaning), check_against="proportions")))
        self.assertEqual(faults.diagnosis.faults[0].kind, "lean")


class Corrections(unittest.TestCase):
    def test_applied_they_bring_every_landmark_within_tolerance(self):
        within = moves = 0
        for seed in range(12):
            _, worked = subject(seed, None)
            rng = np.random.default_rng(400 + seed)
            move, _, _ = planted(worked, ONE[seed % len(ONE)], 1.0, rng)
            drawing = of(drawn(worked, [move], rng))
            found = check(drawing)
            left = drawing.off + sum(each.moves for each in found.orders) + found.touched
            measure = found.diagnosis.errs
            within += bool((np.hypot(*left.T) <= tolerances(drawing, measure) + 1e-9).all())
            moves += len(found.orders) > 2
        self.assertEqual(within, 12)
        self.assertLessEqual(moves, 1)

    def test_nothing_to_say_of_too_little(self):
        study, worked = subject(1, None)
        self.assertIsNone(of(study))
        made = drawn(worked, [], np.random.default_rng(1))
        spot = dict.fromkeys(made.drawn, (50.0, 50.0))
        self.assertIsNotNone(of(replace(made, drawn=spot)))
        few = dict(list(made.drawn.items())[:2])
        self.assertIsNone(of(replace(made, drawn=few)))

    def test_a_group_costs_more_to_name_the_more_like_it_there_are(self):
        _, worked = subject(2, None)
        drawing = of(drawn(worked, [], np.random.default_rng(1)))
        one, five = (moved(drawing, np.arange(k)) for k in (1, 5))
        self.assertGreater(five.alternatives, one.alternatives)


if __name__ == "__main__":
    unittest.main()
