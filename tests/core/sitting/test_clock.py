"""The clock of a sitting: exact however long nobody looked, rests never shortened; and what is
asked while it runs."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import pairwise

import numpy as np
from bench.hands import MAKERS, following, fresh, run

from zirkel.commands.sittings import BackToTheMark, GoOnShifted
from zirkel.core.network.solve import solve
from zirkel.core.pose import Block, Sitting
from zirkel.core.sitting.clock import USUAL_REST, moment, rest_now, running, stands
from zirkel.core.sitting.control import MOST
from zirkel.core.sitting.course import controls_left, plan_now, shifted, since_the_break, told
from zirkel.core.words.base import words_of
from zirkel.core.words.sitting import say_plan, say_same
from zirkel.errors import BadInput
from zirkel.poses import shipped_poses

BEGAN = datetime(2026, 11, 2, 9, tzinfo=UTC)
LONG = shipped_poses()["long_pose"].blocks


def after(**gone):
    return BEGAN + timedelta(**gone)


def sitting(blocks=LONG, **more):
    return Sitting("sitting", BEGAN.isoformat(), blocks, **more)


class Clock(unittest.TestCase):
    def test_it_stands_where_it_should_after_any_time(self):
        for gone, block, left in (
            (0, 0, 1200), (1199, 0, 1), (1200, 1, 300), (1499.5, 1, 0.5), (1500, 2, 1200),
            (3600, 4, 900), (4499, 4, 1), (4500, None, 0), (1e6, None, 0),
        ):  # fmt: skip
            at = stands(sitting(), after(seconds=gone))
            self.assertEqual((at.block, round(at.seconds_left, 3)), (block, left), gone)

    def test_a_clock_ahead_of_time_or_without_a_time_has_not_begun(self):
        self.assertEqual(stands(sitting(), after(seconds=-30)).seconds_left, 1200.0)
        broken = replace(sitting(), at="this morning")
        self.assertEqual(stands(broken, after(hours=5)).block, 0)

    def test_resting_early_keeps_the_whole_rest_and_moves_what_follows(self):
        now = after(minutes=8)
        rested = rest_now(sitting(), now)
        at = stands(rested, now + timedelta(seconds=1))
        self.assertEqual((at.block, round(at.seconds_left)), (1, 299))
        self.assertEqual(rested.blocks[1:], LONG[1:])
        self.assertEqual(stands(rested, after(minutes=13)).block, 2)

    def test_without_a_rest_planned_there_is_the_usual_one(self):
        rested = rest_now(sitting(shipped_poses()["two_minutes"].blocks), after(seconds=50))
        self.assertEqual(rested.blocks[1], Block("rest", USUAL_REST))
        self.assertEqual(len(rested.blocks), 6)

    def test_a_rest_is_never_shortened(self):
        for gone in (1300, 9999):
            self.assertEqual(rest_now(sitting(), after(seconds=gone)), sitting())

    def test_the_one_that_goes_on(self):
        _, study = beginning()
        ended = sitting(ended=after(hours=1).isoformat())
        self.assertIsNone(running(replace(study, sittings=(ended,))))
        going = replace(sitting(), id="second")
        self.assertEqual(running(replace(study, sittings=(ended, going))), going)

    def test_times_of_files(self):
        self.assertEqual(moment("2026-11-02T09:00:00"), BEGAN)
        self.assertEqual(moment("2026-11-02T10:00:00+01:00"), BEGAN)
        self.assertIsNone(moment("soon"))

    def test_every_set_has_rests_where_poses_are_long(self):
        for name, poses in shipped_poses().items():
            self.assertRegex(poses.title, r"^[A-Z]", name)
            for first, second in pairwise(poses.blocks):
                if first.minutes >= 20 and first.kind != "rest":
                    self.assertEqual(second.kind, "rest", name)


def beginning(number=0):
    subject = MAKERS[number](np.random.default_rng(700 + number))
    return subject, fresh(subject, np.random.default_rng(number))


def sighted(number=0, readings=30):
    """A study sighted the day before."""
    subject, study = beginning(number)
    taken = run(subject, number, following, readings).readings
    day = (BEGAN - timedelta(days=1)).isoformat()
    held = tuple(replace(each, taken_at=day) for each in taken)
    return replace(study, sightings=held, sittings=(sitting(),))


def read_larger(study):
    """Four lengths again, a quarter longer, a minute after the sitting began."""
    spans = [each for each in study.sightings if each.kind == "span"][:4]
    at = after(minutes=1).isoformat()
    return tuple(
        replace(each, id=f"b{k}", units=1.25 * each.units, taken_at=at)
        for k, each in enumerate(spans)
    )


class Course(unittest.TestCase):
    def test_after_a_break_control_readings_are_asked_until_there_are_enough(self):
        study = sighted()
        since = since_the_break(study, after(minutes=1))
        self.assertEqual((len(since.before.sightings), since.after), (30, ()))
        adjusted = solve(study).adjusted
        asked = controls_left(adjusted, since)
        self.assertEqual(len(asked), MOST)
        # Read again just as it was: the place is the same.
        again = [
            replace(each, id=f"again{k}", taken_at=after(minutes=1).isoformat())
            for k, each in enumerate(study.sightings[:MOST])
        ]
        taken = replace(study, sightings=(*study.sightings, *again))
        later = since_the_break(taken, after(minutes=2))
        self.assertEqual(controls_left(adjusted, later), ())
        self.assertIsNone(told(since))
        found = told(later)
        self.assertTrue(found.same)
        self.assertRegex(
            say_same(found), r"^The place is the same, .* \d+ % in size or \d+° turned"
        )

    def test_a_shift_is_told_with_its_way(self):
        study = sighted(2)
        larger = read_larger(study)
        off = replace(study, sightings=(*study.sightings, *larger))
        found = told(since_the_break(off, after(minutes=2)))
        self.assertFalse(found.same)
        self.assertIn("larger", say_same(found))

    def test_a_rest_that_is_over_is_a_break_and_a_short_one_asks_two(self):
        study = sighted()
        blocks = (Block("pose", 10.0), Block("rest", 4.0), Block("pose", 10.0))
        sat = replace(study, sittings=(replace(sitting(), blocks=blocks),))
        now = after(minutes=15)
        since = since_the_break(sat, now)
        self.assertEqual(since.began, after(minutes=14))
        self.assertEqual(since.most, 2)
        self.assertEqual(len(controls_left(solve(sat).adjusted, since)), 2)
        self.assertEqual(since_the_break(sat, after(minutes=12)).most, MOST)
        long = (*blocks[:1], Block("rest", 10.0), *blocks[2:])
        rested = replace(study, sittings=(replace(sitting(), blocks=long),))
        self.assertEqual(since_the_break(rested, after(minutes=21)).most, MOST)

    def test_a_shift_is_told_until_it_is_gone_on_with_or_mended(self):
        study = sighted(2)
        larger = read_larger(study)
        one = (sitting((Block("pose", 60.0),)),)
        off = replace(study, sightings=(*study.sightings, *larger), sittings=one)
        self.assertIn("larger", say_same(shifted(off)))
        self.assertIsNone(shifted(study))
        self.assertIsNone(shifted(GoOnShifted().made(off)))
        back = BackToTheMark().made(off)
        self.assertIsNone(shifted(back))
        self.assertEqual([e.id for e in back.sightings if e.struck], [e.id for e in larger])
        self.assertEqual(len(controls_left(solve(back).adjusted, since_the_break(back))), MOST)
        with self.assertRaisesRegex(BadInput, "no sitting goes on"):
            GoOnShifted().made(replace(off, sittings=()))

    def test_nothing_before_or_no_sitting_is_no_break(self):
        _, study = beginning()
        self.assertIsNone(since_the_break(replace(study, sittings=(sitting(),))))
        self.assertIsNone(since_the_break(replace(sighted(), sittings=())))

    def test_moving_counts_from_then_on(self):
        study = sighted()
        early = tuple(
            replace(each, id=f"c{k}", taken_at=after(minutes=2).isoformat())
            for k, each in enumerate(study.sightings[:3])
        )
        moved = replace(sitting(), moved=(after(minutes=5).isoformat(),))
        since = since_the_break(
            replace(study, sightings=(*study.sightings, *early), sittings=(moved,))
        )
        self.assertEqual(since.after, ())
        self.assertEqual(len(since.before.sightings), 33)

    def test_the_plan_is_for_what_is_left_of_the_pose(self):
        _, study = beginning()
        adjusted = solve(study).adjusted
        going = sitting()
        self.assertIsNone(plan_now(adjusted, going, after(minutes=2), 1.0))
        late = plan_now(adjusted, going, after(minutes=18), 1.0)
        later = plan_now(adjusted, going, after(minutes=19), 1.0)
        self.assertEqual((len(late.sightings), len(later.sightings)), (8, 4))
        self.assertIsNone(plan_now(adjusted, going, after(minutes=22), 1.0))
        self.assertIsNone(plan_now(adjusted, going, after(hours=3), 1.0))
        self.assertRegex(say_plan(late, words_of(study)), r"^8 readings fit\. The large shapes")


if __name__ == "__main__":
    unittest.main()
