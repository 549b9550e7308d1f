"""A study's story: what was done in each sitting, what to look at first another day; and what a
study waits for."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta

from tests.files import SMALL, as_bytes
from zirkel.core.drawn import KeptCheck, KeptMove, Photograph
from zirkel.core.network.solve import solve
from zirkel.core.pose import Block, LogPicture, Sitting
from zirkel.core.sitting.plan import large_shapes_sd
from zirkel.core.sitting.story import story
from zirkel.core.words.base import words_of
from zirkel.core.words.sitting import LOOK_FIRST, say_entry, say_look_again, say_spent
from zirkel.core.words.wall import ORDER, stage_of, waits_for
from zirkel.core.worked import Worked
from zirkel.paper.log_pages import PAPER
from zirkel.studyfile.read import read_study

BEGAN = datetime(2026, 11, 2, 9, tzinfo=UTC)


def at(**gone):
    return (BEGAN + timedelta(**gone)).isoformat()


def check(name, when, moves=(), sound=False):
    return KeptCheck(name, when, "plan", sound, 6.4, moves=moves)


def sat(study, **more):
    blocks = (Block("pose", 20.0),)
    return replace(study, sittings=(Sitting("sitting", at(), blocks, **more),))


class Story(unittest.TestCase):
    def setUp(self):
        self.study = read_study(as_bytes(SMALL))

    def test_what_falls_within_a_sitting_is_counted_in_it(self):
        times = [at(minutes=-5), at(minutes=1), at(minutes=2), at(minutes=45), "long ago", None]
        readings = tuple(
            replace(self.study.sightings[k % len(self.study.sightings)], id=f"r{k}", taken_at=when)
            for k, when in enumerate(times)
        )
        study = replace(self.study, sightings=readings, checks=(check("c", at(minutes=20)),))
        ended = sat(study, ended=at(minutes=30), moved=(at(minutes=3),))
        (entry,) = story(ended, BEGAN + timedelta(days=1))
        self.assertEqual((entry.minutes, entry.readings, entry.checks), (30.0, 2, 1))
        self.assertEqual(
            say_entry(entry),
            "30 min, 2 readings, moved once, 1 check, the drawing 6 mm from where it should be",
        )
        (entry,) = story(sat(study), BEGAN + timedelta(hours=1))
        self.assertEqual((entry.minutes, entry.readings), (60.0, 3))
        self.assertIn("60 min so far", say_entry(entry))

    def test_time_goes_to_what_was_entered_and_the_rest_to_drawing(self):
        readings = tuple(
            replace(self.study.sightings[0], id=f"r{k}", taken_at=at(seconds=60 + 10 * k))
            for k in range(4)
        )
        blocks = (Block("pose", 20.0), Block("rest", 5.0), Block("pose", 20.0))
        sitting = Sitting("s", at(), blocks, ended=at(minutes=30))
        study = replace(
            self.study,
            sightings=readings,
            sittings=(sitting,),
            checks=(check("c", at(minutes=28)),),
        )
        (entry,) = story(study, BEGAN + timedelta(days=1))
        # A minute to the first reading, ten seconds to each of the three after it; five minutes at
        # most before a check; the rest by the clock; all else drawing.
        for stage, minutes in (("sight", 1.5), ("check", 5.0), ("rest", 5.0), ("draw", 18.5)):
            self.assertAlmostEqual(entry.spent[stage], minutes, msg=stage)
        self.assertIsNone(entry.sd_before)
        said = say_spent(entry, words_of(study), 1.0)
        self.assertEqual(
            said, "2 min sighting, 18 min drawing and looking, 5 min checking, 5 min rest."
        )

    def test_how_sure_the_large_shapes_were_before_and_after(self):
        timed = tuple(
            replace(each, taken_at=at(minutes=k)) for k, each in enumerate(self.study.sightings)
        )
        study = sat(replace(self.study, sightings=timed, unit_mm=60.0), ended=at(minutes=30))
        (entry,) = story(study, BEGAN + timedelta(days=1), reckon=True)
        self.assertGreater(entry.sd_before, 2 * entry.sd_after)
        self.assertAlmostEqual(entry.sd_after, large_shapes_sd(solve(study).adjusted), delta=1e-9)
        self.assertRegex(
            say_spent(entry, words_of(study), 1.0), r"sure to \d+ mm before, to \d+ mm after\.$"
        )

    def test_photographs_stand_in_their_order_with_those_of_checks(self):
        kept = LogPicture("a" * 64, at(minutes=10), "Block-in")
        corners = ((0.0, 0.0), (90.0, 0.0), (90.0, 90.0), (0.0, 90.0))
        photo = Photograph("b" * 64, 100, 100, corners)
        checked = replace(check("c", at(minutes=5)), photograph=photo)
        (entry,) = story(
            sat(replace(self.study, checks=(checked,)), ended=at(minutes=30), pictures=(kept,)),
            BEGAN,
        )
        self.assertEqual([each.picture for each, _ in entry.pictures], ["b" * 64, "a" * 64])
        self.assertEqual([found for _, found in entry.pictures], [checked, None])

    def test_two_checks_tell_how_far_it_has_come(self):
        first = replace(check("c", at(minutes=5)), apart_mm=9.2)
        both = replace(self.study, checks=(first, check("d", at(minutes=20))))
        (entry,) = story(sat(both, ended=at(minutes=30)), BEGAN)
        self.assertIn("6 mm from where it should be, 9 mm at first", say_entry(entry))

    def test_what_to_look_at_first_is_what_was_told_and_not_done(self):
        moves = tuple(KeptMove(f"Move {k}.", done=k == 0) for k in range(10))
        study = replace(self.study, checks=(check("c", at(), moves),))
        told = say_look_again(study, words_of(study), solve(study))
        self.assertLessEqual(len(told), LOOK_FIRST)
        self.assertIn("Move 1.", told)
        self.assertNotIn("Move 0.", told)

    def test_the_log_on_paper_is_offered_once_there_is_one(self):
        self.assertFalse(PAPER.fits(self.study))
        noted = sat(self.study, ended=at(minutes=30), note="Cold. " * 40)
        many = replace(
            noted, sittings=tuple(replace(noted.sittings[0], id=f"s{k}") for k in range(30))
        )
        self.assertTrue(PAPER.fits(many))
        data = PAPER.make(Worked(many))
        self.assertTrue(data.startswith(b"%PDF"))
        self.assertGreater(data.count(b"/Type /Page"), 3)


class Waits(unittest.TestCase):
    def setUp(self):
        self.study = read_study(as_bytes(SMALL))

    def test_each_stands_by_what_comes_first(self):
        study, drawn = self.study, {self.study.landmarks[0].id: (10.0, 10.0)}
        one_move = (KeptMove("Move it."),)
        for case, doubts, loose, what, said in (
            (sat(study), 2, 0, "sitting", "A sitting goes on"),
            (study, 2, 3, "doubts", "2 to look at again"),
            (replace(study, sightings=()), 0, 3, "readings", "Waits for its first reading"),
            (study, 0, 3, "loose", "3 not held yet: sight on"),
            (study, 0, 0, "draw", "Ready to be drawn"),
            (replace(study, drawn=drawn), 0, 0, "check", "Waits to be checked"),
            (replace(study, checks=(check("c", at(), one_move),)), 0, 0, "corrections",
             "1 correction to make"),
            (replace(study, checks=(check("c", at(), sound=True),)), 0, 0, "done", "It stands"),
            (replace(study, checks=(check("c", at()),)), None, None, "check",
             "Waits to be checked again"),
        ):  # fmt: skip
            self.assertEqual(waits_for(case, doubts, loose), (what, said))
            self.assertIn(what, ORDER)

    def test_each_has_come_so_far_on_its_way(self):
        study, drawn = self.study, {self.study.landmarks[0].id: (10.0, 10.0)}
        for case, doubts, loose, stage in (
            (study, 2, 0, "sight"),
            (study, 0, 3, "sight"),
            (replace(study, sightings=()), 0, 0, "sight"),
            (study, 0, 0, "draw"),
            (study, None, None, "draw"),
            (replace(study, drawn=drawn), 1, 1, "check"),
            (replace(study, checks=(check("c", at()),)), 0, 0, "check"),
            (replace(study, checks=(check("c", at(), sound=True),)), 3, 0, "done"),
        ):
            self.assertEqual(stage_of(case, doubts, loose), stage)


if __name__ == "__main__":
    unittest.main()
