"""Any sitting: its clock, its stages and its story add up whatever is in them."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta

from hypothesis import given
from hypothesis import strategies as st

from tests.files import SMALL, as_bytes
from zirkel.core.drawn import KeptCheck
from zirkel.core.pose import HOUR, KINDS, STAGES, Block, LogPicture, Place, Sitting
from zirkel.core.sitting.clock import rest_now, stands
from zirkel.core.sitting.place import laid_out
from zirkel.core.sitting.plan import stages_of
from zirkel.core.sitting.story import story
from zirkel.core.words.base import words_of
from zirkel.core.words.place import checklist
from zirkel.core.words.sitting import say_entry, say_spent
from zirkel.errors import BadInput
from zirkel.studyfile.read import read_study, write_study

STUDY = read_study(as_bytes(SMALL))
BEGAN = datetime(2026, 11, 2, 9, tzinfo=UTC)

blocks = st.lists(
    st.builds(Block, st.sampled_from(KINDS), st.floats(0.1, 120.0)), min_size=1, max_size=12
)
minutes = st.integers(-600, 54_000).map(lambda seconds: seconds / 60.0)
"""To the second, as times are kept."""

shares = st.dictionaries(st.sampled_from(STAGES), st.floats(0.1, 100.0), max_size=6)
lengths = st.none() | st.floats(150.0, 1200.0)
places = st.builds(
    Place, st.none() | st.floats(100.0, 500_000.0), st.none() | st.floats(0.0, 100_000.0), lengths,
    lengths, st.none() | st.floats(0.0, HOUR["le"]), st.none() | st.floats(0.0, 5_000.0),
    st.none() | st.floats(-45.0, 90.0), st.none() | st.floats(0.0, HOUR["le"]),
)  # fmt: skip


def at(gone):
    return BEGAN + timedelta(minutes=gone)


def sitting(made, **more):
    return Sitting("s", BEGAN.isoformat(), tuple(made), **more)


class Clock(unittest.TestCase):
    @given(blocks, minutes)
    def test_what_has_gone_and_what_is_left_add_up(self, made, gone):
        stood = stands(sitting(made), at(gone))
        total = sum(each.minutes for each in made)
        if stood.block is None:
            self.assertGreaterEqual(gone, total - 1e-6)
            return
        until = sum(each.minutes for each in made[: stood.block + 1])
        self.assertAlmostEqual(until - stood.seconds_left / 60.0, max(gone, 0.0), places=4)

    @given(blocks, minutes)
    def test_resting_early_never_shortens_a_rest_nor_adds_to_what_is_over(self, made, gone):
        before = sitting(made)
        after = rest_now(before, at(gone))
        rests = [each.minutes for each in before.blocks if each.kind == "rest"]
        kept = [each.minutes for each in after.blocks if each.kind == "rest"]
        self.assertGreaterEqual(len(kept), len(rests))
        for each in rests:
            self.assertIn(each, kept)
        stood = stands(before, at(gone))
        if stood.block is not None and before.blocks[stood.block].kind != "rest" and gone > 1:
            now = stands(after, at(gone) + timedelta(seconds=1))
            self.assertEqual(after.blocks[now.block].kind, "rest")


class Stages(unittest.TestCase):
    @given(st.floats(0.5, 600.0), shares)
    def test_they_part_the_whole_time_in_their_order(self, time, own):
        made = stages_of(time, STUDY, own)
        self.assertAlmostEqual(sum(each.minutes for each in made), time, places=6)
        order = [STAGES.index(each.stage) for each in made]
        self.assertEqual(order, sorted(order))
        if own:
            self.assertEqual({each.stage for each in made}, set(own))


class Story(unittest.TestCase):
    @given(blocks, st.lists(minutes, max_size=8), st.lists(minutes, max_size=3),
           minutes.filter(lambda gone: gone >= 0.0))  # fmt: skip
    def test_the_time_of_a_sitting_is_spent_once(self, made, read, checked, long):
        readings = tuple(
            replace(STUDY.sightings[0], id=f"r{k}", taken_at=at(gone).isoformat())
            for k, gone in enumerate(read)
        )
        checks = tuple(
            KeptCheck(f"c{k}", at(gone).isoformat(), "plan", False, 3.0)
            for k, gone in enumerate(checked)
        )
        study = replace(
            STUDY, sightings=readings, checks=checks,
            sittings=(sitting(made, ended=at(long).isoformat()),),
        )  # fmt: skip
        (entry,) = story(study, at(1e4))
        self.assertAlmostEqual(entry.minutes, long, places=4)
        self.assertEqual(
            entry.readings, sum(0 <= round(60 * gone) <= round(60 * long) for gone in read)
        )
        self.assertTrue(all(each > 0.0 for each in entry.spent.values()))
        told = sum(each for stage, each in entry.spent.items() if stage != "draw")
        if told <= long:
            self.assertAlmostEqual(sum(entry.spent.values()), long, places=4)
        self.assertTrue(say_entry(entry))
        said = say_spent(entry, words_of(study), 1.0)
        self.assertTrue(said is None or said.endswith("."))


class Places(unittest.TestCase):
    @given(places)
    def test_any_place_is_drawn_within_its_reach_and_said_in_sentences(self, place):
        laid = laid_out(place)
        self.assertEqual(laid is None, place.distance_mm is None)
        if laid is not None:
            spots = [laid.eye, *(laid.board or ()), *((laid.light,) if laid.light else ())]
            for x, y in spots:
                self.assertLessEqual(max(abs(x), abs(y)), laid.reach + 1e-6)
        for inches in (False, True):
            for each in checklist(place, inches):
                self.assertRegex(each, r"^[A-Z].*\.$")
                self.assertNotIn("None", each)

    @given(places, blocks, shares)
    def test_it_goes_into_the_file_and_out_again(self, place, made, own):
        kept = LogPicture("a" * 64, at(5).isoformat(), "Block-in")
        study = replace(STUDY, place=place, sittings=(sitting(made, pictures=(kept,), shares=own),))
        self.assertEqual(read_study(write_study(study)), study)

    def test_what_no_hand_could_have_is_refused_by_its_field(self):
        for field, value in (
            ("distance_mm", 1), ("eye_height_mm", -5), ("reach_mm", 9000), ("easel_hour", 13),
            ("light_hour", -1), ("lean_deg", 120), ("photographs", ["x"]), ("light", 7),
        ):  # fmt: skip
            with self.assertRaises(BadInput) as refused:
                read_study(as_bytes(SMALL | {"place": {field: value}}))
            self.assertIn(field, str(refused.exception))


if __name__ == "__main__":
    unittest.main()
