"""Every view of a study shows the same numbers: those of the core, at every version."""

import re
import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

import numpy as np

from zirkel.commands.lay_out_demo import lay_out_demo
from zirkel.core.network.slack import SHARE
from zirkel.core.network.solve import solve
from zirkel.core.sightings import KINDS
from zirkel.core.simulation.observer import true_value, with_value
from zirkel.core.worked import Worked
from zirkel.demo.generate import FOLDER
from zirkel.paper import PAPERS
from zirkel.store.store import Store
from zirkel.views.bench import open_bench
from zirkel.views.prompts import open_prompts, open_relations, open_trust
from zirkel.views.recipe import open_recipe
from zirkel.views.reveal import reveal
from zirkel.views.take_along import papers_of, take_along
from zirkel.views.wall import wall


class Views(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        cls.addClassCleanup(cls.store.close)
        lay_out_demo(cls.store, FOLDER)
        cls.ids = [each.id for each in cls.store.all()]

    def test_there_is_something_to_look_at(self):
        self.assertEqual(len(self.ids), 4)

    def test_the_bench_shows_what_the_readings_say(self):
        """By the solved units alone: from landmark to landmark as many millimetres as units times
        the unit's length; slack as long as the covariance's longest 95 % axis."""
        for study_id in self.ids:
            bench = open_bench(self.store, study_id)
            solved = solve(self.store.get(study_id).study).landmarks
            unit = bench.sheet.unit_mm
            known = [each for each in bench.landmarks if solved[each.id].x is not None
                     and solved[each.id].y is not None]  # fmt: skip
            self.assertGreater(len(known), 8)
            first = known[0]
            for each in known:
                one, other = solved[each.id], solved[first.id]
                self.assertAlmostEqual(
                    each.held_left_mm - first.held_left_mm, unit * (one.x - other.x), places=5
                )
                self.assertAlmostEqual(
                    each.held_top_mm - first.held_top_mm, unit * (one.y - other.y), places=5
                )
                shared = one.corr * one.sd_x * one.sd_y
                spread = np.linalg.eigvalsh([[one.sd_x**2, shared], [shared, one.sd_y**2]])[1]
                self.assertAlmostEqual(each.slack_mm, unit * np.sqrt(5.991 * spread), delta=0.02)

    def test_wall_and_bench_count_alike(self):
        cards = {each.id: each for each in wall(self.store, lambda: 0.0).studies}
        for study_id in self.ids:
            bench, card = open_bench(self.store, study_id), cards[study_id]
            self.assertEqual(card.landmarks, len(bench.landmarks))
            self.assertEqual(card.readings, len(bench.readings))
            self.assertEqual(card.doubts, sum(not each.kept for each in bench.doubts))
            held = sum(each.standing != "loose" for each in bench.landmarks)
            self.assertEqual(card.held, held)

    def test_what_is_suggested_starts_from_the_slack_that_is_shown(self):
        for study_id in self.ids:
            slack = {e.id: e.slack_mm for e in open_bench(self.store, study_id).landmarks}
            prompts = open_prompts(self.store, study_id)
            for each in (*prompts.sightings[:1], *prompts.checks[:1]):
                self.assertLess(each.after_mm, each.before_mm)
                if slack[each.settles] is not None:
                    self.assertAlmostEqual(each.before_mm, slack[each.settles], places=5)

    def test_the_reading_suggested_first_does_what_is_promised(self):
        for study_id in self.ids:
            stored = self.store.get(study_id)
            worked = stored.worked
            prompt = open_prompts(self.store, study_id).sightings[0]
            fields = {"along": prompt.along, "towards": prompt.towards, "units": 1.0}
            fields = {"span": fields, "tilt": {"degrees": 0.0}}.get(prompt.kind, {})
            asked = KINDS[prompt.kind](id="promised", start=prompt.start, end=prompt.end, **fields)
            held = {
                name: np.array([place.held_x, place.held_y])
                for name, place in worked.solution.landmarks.items()
            }
            value = true_value(asked, held)
            study = replace(
                worked.study, sightings=(*worked.study.sightings, with_value(asked, value))
            )
            after = Worked(study).plan.marks[prompt.settles].slack
            self.assertIsNotNone(after)
            self.assertAlmostEqual(
                after.longer, prompt.after_mm, delta=0.15 * prompt.after_mm + 0.5
            )

    def test_every_sentence_ends_and_holds_no_placeholder(self):
        for study_id in self.ids:
            bench, prompts = open_bench(self.store, study_id), open_prompts(self.store, study_id)
            said = [
                *(each.ask for each in prompts.sightings),
                *(each.because for each in (*prompts.sightings, *prompts.checks)),
                *(each.headline for each in bench.doubts),
                *(each.detail for each in bench.doubts),
                *(each.warning for each in bench.takes if each.warning),
                *(each.said for each in prompts.ambiguous),
            ]
            self.assertTrue(said)
            for each in said:
                self.assertRegex(each, r"[.?]$")
                self.assertNotRegex(each, r"\bNone\b|\bnan\b|\{|\}|_", each)

    def test_relations_say_within_what_they_hold(self):
        for study_id in self.ids:
            found = open_relations(self.store, study_id).relations
            self.assertTrue(found)
            for each in found:
                self.assertRegex(each.within, r"^within [\d./ ⁄]+ (mm|in)$")
                self.assertEqual(len(set(each.landmarks)), len(set(each.landmarks) & {
                    one.id for one in open_bench(self.store, study_id).landmarks
                }))  # fmt: skip
            worths = [each.worth for each in found]
            self.assertTrue(all(worth > 0 for worth in worths))

    def test_the_recipe_leads_to_the_plan_within_what_it_says(self):
        for study_id in self.ids:
            room, bench = open_recipe(self.store, study_id), open_bench(self.store, study_id)
            marks = {each.id: each for each in bench.landmarks}
            placed = [each.landmark for each in room.placings]
            self.assertEqual(len(set(placed)), len(placed))
            self.assertEqual(len(placed) + len(room.loose), len(marks))
            for each in room.placings:
                self.assertAlmostEqual(each.plan_left_mm, marks[each.landmark].held_left_mm)
                self.assertAlmostEqual(each.plan_top_mm, marks[each.landmark].held_top_mm)
                for step in each.steps:
                    before = placed[: placed.index(each.landmark)]
                    self.assertLessEqual(set(step.via), {*before, "left", "top"})

    def test_in_inches_no_sentence_speaks_of_millimetres(self):
        for study_id in self.ids:
            stored = self.store.get(study_id)
            inches = replace(stored.study, inches=True, title="In inches")
            made = self.store.create(inches)
            shown = (
                open_bench(self.store, made.id), open_recipe(self.store, made.id),
                open_prompts(self.store, made.id), open_relations(self.store, made.id),
                reveal(self.store, made.id),
            )  # fmt: skip
            text = " ".join(each.model_dump_json() for each in shown)
            self.assertNotRegex(text, r"\d mm\b")
            self.assertRegex(text, r"\d in\b")
            self.store.delete(made.id)

    def test_readings_that_agree_are_said_to_wherever_certainty_is_shown(self):
        for study_id in self.ids:
            said = open_bench(self.store, study_id).agreement
            self.assertTrue(said)
            self.assertEqual(open_recipe(self.store, study_id).agreement, said)
            self.assertTrue(reveal(self.store, study_id).said.endswith(said))

    def test_trust_names_kinds_that_were_read(self):
        for study_id in self.ids:
            kinds = {each.kind for each in open_bench(self.store, study_id).readings}
            for each in open_trust(self.store, study_id).kinds:
                self.assertIn(each.kind, kinds)

    def test_all_papers_offered_can_be_taken_and_no_others(self):
        for study_id in self.ids:
            offered = [each.what for each in papers_of(self.store, study_id).papers]
            self.assertLessEqual(set(offered), set(PAPERS))
            for what in offered:
                taken = take_along(self.store, study_id, what)
                self.assertTrue(taken.data)
                self.assertRegex(taken.name, rf"^[a-z0-9_]+_{re.escape(what)}\.\w+$")

    def test_the_truth_lies_in_the_areas_about_as_often_as_it_should(self):
        inside = judged = 0
        for study_id in self.ids:
            shown = reveal(self.store, study_id)
            self.assertEqual(shown.expected_share, SHARE)
            told = [each.inside for each in shown.marks if each.inside is not None]
            self.assertEqual((sum(told), len(told)), (shown.inside, shown.judged))
            inside, judged = inside + shown.inside, judged + shown.judged
        self.assertGreater(inside / judged, 0.8)


if __name__ == "__main__":
    unittest.main()
