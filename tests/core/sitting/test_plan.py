"""What fits into the time: the large shapes surer than by a sensible order, and as sure as said."""

import unittest
from dataclasses import replace
from datetime import datetime, timedelta

import numpy as np
from bench.hands import MAKERS, fresh
from bench.sitting import planned, unplanned

from tests import times
from zirkel.core.frames import Frame
from zirkel.core.light import ToneArea
from zirkel.core.network.search import adjust
from zirkel.core.sightings import Drop
from zirkel.core.sitting.over_poses import plan_poses
from zirkel.core.sitting.plan import own_pace, plan_readings, plan_sitting, stages_of


def subject(number):
    return MAKERS[number % len(MAKERS)](np.random.default_rng(300 + number))


def beginning(number):
    made = subject(number)
    return made, fresh(made, np.random.default_rng(number))


def smaller(made, study, reading):
    """The tier of the smaller shape that a reading is about, the unit's own ends apart."""
    unit = {study.unit.start, study.unit.end}
    return max((made.tiers[n] for n in {reading.start, reading.end} - unit), default=1)


class Planned(unittest.TestCase):
    def test_large_shapes_are_nearer_than_by_a_sensible_order_and_as_near_as_said(self):
        for count in (8, 16):
            ours, theirs, expected = [], [], []
            for number in range(18):
                error, sd = planned(subject(number), number, count)
                ours.append(error)
                expected.append(sd)
                theirs.append(unplanned(subject(number), number, count))
            a, b, e = (np.sqrt(np.mean(np.square(each))) for each in (ours, theirs, expected))
            self.assertLessEqual(a / b, 0.8, count)
            self.assertGreaterEqual(a / e, 0.85, count)
            self.assertLessEqual(a / e, 1.2, count)

    def test_more_time_is_never_worse_and_what_is_loose_is_told(self):
        _, study = beginning(1)
        adjusted = adjust(study)
        plans = [plan_readings(adjusted, count) for count in (0, 2, 6, 14, 40)]
        expected = [each.expected_sd for each in plans]
        self.assertEqual(expected, sorted(expected, reverse=True))
        self.assertAlmostEqual(expected[0], plans[0].sd_now)
        everyone = [each.id for each in sorted(study.landmarks, key=lambda each: each.tier)]
        self.assertEqual(list(plans[0].left_loose), [e for e in everyone if e != study.unit.start])
        self.assertEqual(plans[-1].left_loose, ())

    def test_only_the_large_shapes_count(self):
        made, study = beginning(0)
        small = {name for name, tier in made.tiers.items() if tier > 1}
        plan = plan_readings(adjust(study), 10)
        named = {name for each in plan.sightings for name in (each.start, each.end)}
        self.assertEqual(named & small, set())

    def test_scatter_is_told_too(self):
        _, study = beginning(2)
        plain, scattered = (plan_sitting(adjust(study), 2.0, 7.0, s) for s in (1.0, 1.6))
        self.assertAlmostEqual(scattered.expected_sd, 1.6 * plain.expected_sd)
        self.assertEqual(len(plain.sightings), 8)

    def test_from_the_large_shapes_to_detail_and_nothing_loose_that_time_could_hold(self):
        for number in range(3):
            made, study = beginning(number)
            plan = plan_readings(adjust(study), 44)
            self.assertEqual(plan.left_loose, ())
            tiers = [smaller(made, study, each) for each in plan.sightings]
            # One far landmark of whatever tier may come first: it gives the scale of all taps.
            first = [tiers.index(tier, 1) for tier in sorted(set(tiers))]
            self.assertEqual(first, sorted(first))
            self.assertEqual(max(tiers), max(made.tiers.values()))

    def test_the_list_goes_on_while_there_is_time(self):
        _, study = beginning(1)
        plan = plan_readings(adjust(study), 400)
        self.assertEqual(len(plan.sightings), 400)
        self.assertLess(plan.expected_sd, plan_readings(adjust(study), 110).expected_sd)

    def test_sure_enough_is_what_the_artist_says(self):
        """Content with less, the middle shapes come earlier."""
        made, study = beginning(1)

        def first_small(enough):
            plan = plan_readings(adjust(study), 60, enough=enough)
            small = [smaller(made, study, each) > 1 for each in plan.sightings]
            return small.index(True, 1) if any(small[1:]) else len(small)

        self.assertLess(first_small(0.1), first_small(0.02))


class OverPoses(unittest.TestCase):
    def planned(self, poses=(20.0, 20.0, 20.0), rests=(5.0, 10.0), number=0, **changed):
        _, study = beginning(number)
        return plan_poses(adjust(replace(study, **changed)), poses, rests)

    def minutes(self, plans, stage):
        return [sum(e.minutes for e in plan.stages if e.stage == stage) for plan in plans]

    def test_framing_once_sighting_falls_and_drawing_grows(self):
        for number in range(3):
            plans = self.planned(number=number)
            for plan in plans:
                self.assertAlmostEqual(sum(each.minutes for each in plan.stages), 20.0)
            framed = [each > 0 for each in self.minutes(plans, "frame")]
            self.assertEqual(framed, [True, False, False])
            sight, draw = self.minutes(plans, "sight"), self.minutes(plans, "draw")
            self.assertEqual(sight, sorted(sight, reverse=True))
            self.assertEqual(draw, sorted(draw))
            self.assertGreaterEqual(sum(draw), 24.0)
            self.assertTrue(all(each > 0 for each in self.minutes(plans, "check")))

    def test_no_more_readings_than_an_arm_holds_and_controls_after_every_rest(self):
        plans = self.planned((20.0, 20.0, 20.0, 40.0), (3.0, 10.0, 20.0))
        self.assertEqual([len(each.controls) for each in plans], [0, 2, 4, 5])
        for plan in plans:
            self.assertLessEqual(len(plan.controls) + len(plan.sightings), 45)
        before = {frozenset((e.start, e.end)) for e in plans[0].sightings}
        _, study = beginning(0)
        origin = study.unit.start
        for each in plans[1].controls:
            held = {name for pair in before for name in pair} | {origin}
            self.assertLessEqual({each.start, each.end}, held)
        expected = [each.expected_sd for each in plans]
        self.assertEqual(expected, sorted(expected, reverse=True))

    def test_a_drawing_that_stands_is_not_framed_anew(self):
        plans = self.planned(drawn={"jug": (10.0, 10.0)})
        self.assertEqual(self.minutes(plans, "frame") + self.minutes(plans, "envelope"), [0.0] * 6)

    def test_short_poses_are_sighting_and_drawing(self):
        plans = self.planned((2.0,) * 5, (0.5,))
        self.assertEqual([e.stage for e in plans[0].stages], ["sight", "draw"])
        self.assertEqual([len(each.controls) for each in plans], [0, 2, 2, 2, 2])


class Odd(unittest.TestCase):
    def test_a_study_without_landmarks_or_large_ones(self):
        _, study = beginning(0)
        none = plan_sitting(adjust(replace(study, landmarks=(), shapes=(), unit=None)), 5.0)
        self.assertEqual((none.sightings, none.left_loose), ((), ()))
        small = tuple(replace(each, tier=3) for each in study.landmarks)
        plan = plan_readings(adjust(replace(study, landmarks=small)), 6)
        self.assertEqual(len(plan.sightings), 6)

    def test_slower_readings_are_fewer(self):
        _, study = beginning(0)
        adjusted = adjust(study)
        fast, slow = (plan_sitting(adjusted, 2.0, seconds) for seconds in (7.0, 14.0))
        self.assertEqual((len(fast.sightings), len(slow.sightings)), (8, 4))
        self.assertEqual(slow.sightings, fast.sightings[:4])


class Stages(unittest.TestCase):
    def test_a_short_pose_is_sighting_and_drawing(self):
        _, study = beginning(0)
        self.assertEqual([each.stage for each in stages_of(2.0, study)], ["sight", "draw"])
        long = stages_of(20.0, study)
        self.assertEqual([each.stage for each in long],
                         ["frame", "envelope", "sight", "draw", "check"])  # fmt: skip
        self.assertAlmostEqual(sum(each.minutes for each in long), 20.0)
        self.assertAlmostEqual(long[2].minutes, 9.0)

    def test_what_is_done_needs_no_time_and_tone_takes_its_own(self):
        _, study = beginning(0)
        framed = replace(study, frame=Frame(0.0, 0.0, 1.0, 1.0))
        self.assertNotIn("frame", [each.stage for each in stages_of(20.0, framed)])
        toned = replace(study, tone_areas=(ToneArea("a", "a"),))
        stages = stages_of(20.0, toned)
        self.assertEqual(stages[-1].stage, "tone")
        self.assertAlmostEqual(sum(each.minutes for each in stages), 20.0)

    def test_own_stages_part_the_time_as_they_compare(self):
        _, study = beginning(0)
        own = stages_of(20.0, study, {"draw": 1.0, "sight": 3.0})
        self.assertEqual([(each.stage, each.minutes) for each in own],
                         [("sight", 15.0), ("draw", 5.0)])  # fmt: skip
        none = plan_sitting(adjust(study), 20.0, own={"draw": 1.0})
        self.assertEqual(none.sightings, ())


class Pace(unittest.TestCase):
    def taken(self, seconds):
        at, made = datetime(2026, 11, 2, 9), []
        for number, gap in enumerate(seconds):
            at += timedelta(seconds=gap)
            made.append(Drop(id=f"s{number}", start="a", end="b", offset=0.0,
                             taken_at=at.isoformat()))  # fmt: skip
        _, study = beginning(0)
        return replace(study, sightings=tuple(made))

    def test_the_median_gap_without_the_pauses(self):
        self.assertAlmostEqual(own_pace(self.taken([0, 9, 11, 10, 300, 10, 12, 9, 3600, 10])), 10.0)

    def test_unknown_from_few_or_without_times(self):
        self.assertIsNone(own_pace(self.taken([0, 9, 11])))
        study = self.taken([0] + [9] * 9)
        never = tuple(replace(each, taken_at="long ago") for each in study.sightings)
        self.assertIsNone(own_pace(replace(study, sightings=never)))


class Turned(unittest.TestCase):
    def test_a_unit_is_not_turned_round_for_a_little_less_strain(self):
        """Few readings that strain a little are not worth believing that the unit was tapped
        upside down."""
        worst = max(large_error_of(number) for number in range(times(20)))
        self.assertLess(worst, 0.3)


def large_error_of(number):
    return planned(MAKERS[number % 3](np.random.default_rng(900 + number)), number, 16)[0]


if __name__ == "__main__":
    unittest.main()
