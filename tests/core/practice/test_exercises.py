"""Every exercise: posed again from its seed, true by its own drawing, and fair to who answers."""

import math
import unittest

import numpy as np

from tests import times
from zirkel.core.practice.diagnosed import diagnosed
from zirkel.core.practice.exercises import EXERCISES
from zirkel.core.practice.exercises.block_in import fit
from zirkel.core.practice.trials import Trial
from zirkel.core.subject.scene import seen_landmarks
from zirkel.core.tones.grey import tone_of
from zirkel.core.words.practice import say_block_in, say_outcome
from zirkel.scenes import shipped_scenes

SCENES = shipped_scenes()
SEEDS = range(times(8))
LEVEL = 0.07


def posed(name, seed, level=None):
    exercise = EXERCISES[name]
    shown = level if level is not None else LEVEL if exercise.lines[0].choice else None
    return exercise.posed(seed, shown, SCENES)


def errors(name, trial, answer):
    return [
        Trial("x", each.line.measure, 0.0, each.truth, each.answer).error
        for each in EXERCISES[name].outcomes(trial, answer)
    ]


class Every(unittest.TestCase):
    def test_the_same_seed_poses_the_same_trial(self):
        for name in EXERCISES:
            self.assertEqual(posed(name, 5), posed(name, 5), name)
            self.assertNotEqual(posed(name, 5), posed(name, 6), name)

    def test_all_lies_on_the_board_and_the_truth_can_be_answered(self):
        for name in EXERCISES:
            for seed in SEEDS:
                trial = posed(name, seed)
                for piece in (*trial.pieces, *trial.laid_over):
                    for x, y in piece.spots[:1] if piece.sort == "ellipse" else piece.spots:
                        self.assertTrue(-0.01 <= x <= 1.01, (name, seed, piece))
                        self.assertTrue(-0.01 <= y <= trial.tall + 0.01, (name, seed, piece))
                if trial.way.sort in ("scale", "stretch"):
                    self.assertLess(trial.truth[0], trial.way.high, (name, seed))
                if trial.way.sort == "along":
                    self.assertTrue(0.0 < trial.truth[0] < 1.0, (name, seed))
                if trial.way.sort in ("place", "places"):
                    self.assertTrue(all(0.0 <= each <= 1.0 for each in trial.truth), (name, seed))

    def test_who_answers_the_truth_errs_by_nothing(self):
        for name, exercise in EXERCISES.items():
            trial = posed(name, 3)
            self.assertTrue(np.allclose(errors(name, trial, trial.truth), 0.0, atol=1e-9), name)
            said = say_outcome(exercise, trial, exercise.outcomes(trial, trial.truth))
            self.assertRegex(said, r"^(As exact|So it is).*\.$", name)

    def test_what_is_asked_is_a_sentence_and_every_line_is_one_s_own(self):
        seen = set()
        for name, exercise in EXERCISES.items():
            self.assertRegex(posed(name, 1).asks, r"[.?]$")
            self.assertRegex(exercise.trains, r"\.$")
            for line in exercise.lines:
                self.assertNotIn(line.name, seen)
                seen.add(line.name)


class TrueByTheDrawing(unittest.TestCase):
    """The truth reckoned again from what is drawn."""

    def test_tilts_and_parts(self):
        for seed in SEEDS:
            trial = posed("tilt", seed)
            (ax, ay), (bx, by) = next(p for p in trial.pieces if p.look == "heavy").spots
            seen = math.degrees(math.atan2(bx - ax, ay - by)) % 180.0
            self.assertAlmostEqual(seen, trial.truth[0] % 180.0)
            half = posed("half", seed)
            (ax, ay), (bx, by) = half.pieces[0].spots
            middle = ((ax + bx) / 2, (ay + by) / 2)
            self.assertTrue(np.allclose(half.laid_over[0].spots[0], middle))

    def test_degrees_off_the_plumb(self):
        for seed in SEEDS:
            trial = posed("plumb", seed)
            mark = next(p for p in trial.pieces if p.look == "heavy").spots[0]
            (ax, y), (bx, _) = trial.way.spots
            for share in (0.2, 0.7):
                off = math.degrees(math.atan2(ax + share * (bx - ax) - mark[0], abs(y - mark[1])))
                self.assertAlmostEqual(errors("plumb", trial, [share])[0], off)

    def test_boxes_and_counts(self):
        for seed in SEEDS:
            trial = posed("box", seed)
            there = np.array(trial.pieces[0].spots)
            wide, high = np.ptp(there, axis=0)
            self.assertAlmostEqual(trial.truth[0], high / wide)
            count = posed("widths", seed)
            unit, height = [p for p in count.pieces if p.look == "asked"]
            wide = unit.spots[1][0] - unit.spots[0][0]
            self.assertAlmostEqual(count.truth[0], (height.spots[1][1] - height.spots[0][1]) / wide)

    def test_a_jar_s_foot_is_rounder_than_its_rim(self):
        for seed in SEEDS:
            trial = posed("roundness", seed)
            foot, rim = (p for p in trial.pieces if p.sort == "ellipse")
            if foot.spots[0][1] < rim.spots[0][1]:
                foot, rim = rim, foot
            below, above = (p.spots[1][1] / p.spots[1][0] for p in (foot, rim))
            self.assertGreater(below, above)
            self.assertAlmostEqual(above, trial.truth[0])
            self.assertLessEqual(foot.spots[0][1] + foot.spots[1][1], trial.tall)

    def test_the_truth_lies_at_the_block_in_s_own_size_and_place(self):
        exercise = EXERCISES["block_in"]
        for seed in SEEDS:
            trial = posed("block_in", seed)
            true = np.array(trial.truth).reshape(-1, 2)
            smaller = (0.5 * (true - 0.5) + (0.4, 0.6)).ravel().tolist()
            over = exercise.over(trial, smaller)
            (left, top), (right, _) = trial.way.spots
            drawn = np.array(smaller).reshape(-1, 2) * (right - left) + (left, top)
            there = np.array([piece.spots[0] for piece in over])
            self.assertTrue(np.allclose(there, drawn, atol=1e-9))

    def test_gaps_and_the_sign_of_the_choice(self):
        for seed in SEEDS:
            trial = posed("larger_gap", seed)
            posts = [np.array(p.spots)[:, 0] for p in trial.pieces if p.sort == "area"]
            left = posts[1].min() - posts[0].max()
            right = posts[2].min() - posts[1].max()
            self.assertAlmostEqual((right - left) / ((right + left) / 2.0), trial.truth[0])
            self.assertAlmostEqual(abs(trial.truth[0]), LEVEL)
            wrong = EXERCISES["larger_gap"].outcomes(trial, [-np.sign(trial.truth[0])])[0]
            self.assertAlmostEqual(wrong.answer, -wrong.truth)

    def test_negatives_and_tones(self):
        for seed in SEEDS:
            trial = posed("negative", seed)
            hole, copy = (np.ptp(np.array(p.spots), axis=0) for p in trial.pieces if p.tone == 1.0)
            stretched = (copy[0] / copy[1]) / (hole[0] / hole[1]) - 1.0
            self.assertAlmostEqual(stretched, trial.truth[0])
            darker = posed("darker", seed, 0.5)
            left, right = darker.pieces[1].tone, darker.pieces[3].tone
            self.assertAlmostEqual(right - left, darker.truth[0])
        self.assertAlmostEqual(tone_of(50.0), 5.0)

    def test_a_scene_s_landmark_is_where_the_scene_shows_it(self):
        shown = 0
        for seed in SEEDS:
            trial = posed("place", seed)
            if trial.picture is None:
                continue
            shown += 1
            scene = SCENES[trial.picture.scene]
            seen = np.array(list(seen_landmarks(scene, trial.picture.station).values()))
            at = next(p for p in trial.pieces if p.sort == "dot").spots[0]
            size = trial.picture.box[2] - trial.picture.box[0]
            # Some landmark lies there, wherever the picture was laid.
            low = seen - seen.min(axis=0)
            spots = low / np.ptp(seen[:, 0])
            self.assertLess(size, 0.5)
            self.assertTrue(np.isfinite(spots).all() and 0.0 < at[0] < 0.5)
        self.assertGreater(shown, times(2))


class BlockIn(unittest.TestCase):
    def drawn(self, trial, scale=1.0, turn=0.0, stretch=1.0, off=(0.0, 0.0), noise=0.0, seed=0):
        true = np.array(trial.truth).reshape(-1, 2)
        a = math.radians(turn)
        around = true - true.mean(axis=0)
        around = (
            around
            * (1.0, stretch)
            @ np.array([[math.cos(a), math.sin(a)], [-math.sin(a), math.cos(a)]])
        )
        made = scale * around + true.mean(axis=0) + off
        made += np.random.default_rng(seed).normal(0.0, noise, made.shape)
        return made.ravel().tolist()

    def test_size_place_and_turn_are_the_artist_s_own(self):
        trial = posed("block_in", 2)
        answer = self.drawn(trial, scale=0.7, turn=4.0, off=(0.05, -0.02))
        self.assertLess(np.abs(fit(trial, answer).off).max(), 1e-9)

    def test_too_tall_is_told_and_named(self):
        for seed in range(4):
            trial = posed("block_in", seed)
            answer = self.drawn(trial, scale=0.8, stretch=1.15, noise=0.004, seed=seed)
            self.assertAlmostEqual(fit(trial, answer).stretch, 0.15, delta=0.06)
            scene = SCENES[trial.picture.scene]
            kinds = [f.kind for f in diagnosed(trial, answer, scene)[1].diagnosis.faults]
            self.assertIn("stretch", kinds)

    def test_spread_is_not_made_smaller_by_the_fit(self):
        exercise, found = EXERCISES["block_in"], []
        for seed in range(40):
            trial = posed("block_in", seed % 5)
            answer = self.drawn(trial, noise=0.02, seed=seed)
            size = np.ptp(np.array(trial.truth).reshape(-1, 2), axis=0).max()
            found += [
                each.answer * size
                for each in exercise.outcomes(trial, answer)
                if each.line.name == "block_in"
            ]
        self.assertAlmostEqual(float(np.std(found)) / 0.02, 1.0, delta=0.05)

    def test_one_landmark_far_off_is_named_and_what_was_left_out_said(self):
        trial = posed("block_in", 1)
        answer = self.drawn(trial, noise=0.002, seed=1)
        answer[7] += 0.12
        answer[20] = answer[21] = float("nan")
        said = say_block_in(trial, answer, SCENES[trial.picture.scene])
        self.assertIn("1 not placed in the time.", said)
        self.assertIn(trial.way.names[3], " ".join(said))


if __name__ == "__main__":
    unittest.main()
