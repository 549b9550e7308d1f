"""Habits of a hand, readings that are rather wrong, and what is said of it all."""

import unittest
from dataclasses import replace

import numpy as np
from bench.checking import drawn, subject

from zirkel.core.check.diagnose import diagnose
from zirkel.core.check.drawing import drawing_of
from zirkel.core.check.gate import earned, gates
from zirkel.core.drawn import EyeGuess, Photograph, Ruled, Tolerances
from zirkel.core.study import Shape
from zirkel.core.words.check import say_measure, say_suspect, say_verdict
from zirkel.core.words.checked import About
from zirkel.core.words.drawn_wrong import say_correction, say_fault
from zirkel.core.words.kept_check import kept_check
from zirkel.core.worked import Worked


def about(study):
    worked = Worked(study)
    return About(study, worked.words, worked.checked)


class CheckCase(unittest.TestCase):
    def setUp(self):
        self.study, self.worked = subject(7, 1.0)
        self.names = [each.id for each in self.study.landmarks]
        marks = self.worked.plan.marks
        self.p = np.array([(marks[n].held_left_mm, marks[n].held_top_mm) for n in self.names])
        self.shape = max(self.study.shapes, key=lambda each: len(each.outline))
        self.own = [self.names.index(each) for each in self.shape.outline]

    def made(self, move, noise=0.5, **more):
        rng = np.random.default_rng(11)
        places = self.p + move + rng.normal(0, noise, self.p.shape)
        return about(replace(
            self.study, drawn={n: (float(x), float(y)) for n, (x, y) in zip(
                self.names, places, strict=True)}, **more,
        ))  # fmt: skip

    def still(self):
        return np.zeros_like(self.p)


class Habits(CheckCase):
    def away(self):
        return self.p[self.own] - self.p[self.own].mean(axis=0)

    def test_what_was_looked_at_longest_has_grown(self):
        for kind, ways, words in (("group_size", (1, 1), "too large"), ("wide", (1, 0), "too wide"),
                                  ("tall", (0, 1), "too tall")):  # fmt: skip
            move = self.still()
            move[self.own] = 0.16 * self.away() * ways
            made = self.made(move)
            first = made.check.diagnosis.faults[0]
            with self.subTest(kind):
                self.assertEqual(
                    (first.kind, set(first.landmarks)), (kind, set(self.shape.outline))
                )
                self.assertAlmostEqual(first.amount["factor"], 1.16, delta=0.03)
                self.assertIn(words, say_fault(made, first))
                self.assertIn("about its middle", say_correction(made, made.check.orders[0]))

    def test_near_uprights_made_upright(self):
        """Ten posts that lean by 4 to 7 degrees, drawn plumb."""
        tops = list(range(0, 20, 2))
        rng = np.random.default_rng(4)
        shapes = tuple(
            Shape(f"post{i}", "Post", (self.names[i], self.names[i + 1]), False) for i in tops
        )
        lean = np.radians(rng.uniform(4, 7, len(tops)) * rng.choice([-1, 1], len(tops)))
        study = replace(self.study, shapes=shapes)
        worked = Worked(study)
        places = {}
        planned = dict(worked.plan.marks)
        for i, a in zip(tops, lean, strict=True):
            top = self.p[i]
            foot = top + 120 * np.array([np.tan(a), 1.0])
            planned[self.names[i + 1]] = replace(
                planned[self.names[i + 1]], held_left_mm=float(foot[0]), held_top_mm=float(foot[1])
            )
            x = (top[0] + foot[0]) / 2
            places[self.names[i]] = (float(x), float(top[1]))
            places[self.names[i + 1]] = (float(x), float(foot[1]))
        study = replace(study, drawn=places)
        plan = replace(worked.plan, marks=planned)
        found = diagnose(drawing_of(study, worked.solution.adjusted, plan))
        self.assertEqual(found.faults[0].kind, "uprights")
        self.assertAlmostEqual(found.faults[0].amount["share"], 1.0, delta=0.1)

    def test_left_and_right_confused(self):
        """A landmark drawn on the other side of the plumb it was sighted from."""
        marks = self.worked.plan.marks
        each = next(
            s for s in self.study.sightings
            if s.kind == "drop"
            and 8 < abs(marks[s.end].held_left_mm - marks[s.start].held_left_mm) < 60
        )  # fmt: skip
        across = marks[each.end].held_left_mm - marks[each.start].held_left_mm
        move = self.still()
        move[self.names.index(each.end), 0] = -2 * across
        made = self.made(move)
        fault = made.check.diagnosis.faults[0]
        self.assertEqual(fault.landmarks, (each.end,))
        self.assertIn("Left and right were confused", say_fault(made, fault))


class Hanging(CheckCase):
    def test_one_wrong_width_that_all_the_rest_copied(self):
        """Everything placed from one landmark stands as far off as it does: told as that one and
        what hangs on it, and brought back by one move."""
        hangs = self.worked.recipe.hangs
        n = len(self.names)
        shapes = [set(each.outline) for each in self.study.shapes]
        root, others = next(
            (name, own)
            for name, own in hangs.items()
            if 4 <= len(own) <= 0.45 * n and not any(({name} | own) <= each for each in shapes)
        )
        move = self.still()
        for name in {root, *others}:
            move[self.names.index(name)] = (9.0, 0.0)
        made = self.made(move)
        first = made.check.diagnosis.faults[0]
        self.assertEqual((first.kind, set(first.landmarks)), ("group", {root, *others}))
        self.assertIn(f"{made.words.of(root)} and all that hangs on it", say_fault(made, first))
        self.assertEqual(len(made.check.orders), 1)


class WrongReading(CheckCase):
    def test_a_reading_is_named_where_the_drawing_is_right(self):
        """One weakly checked reading spoiled by 12 of its sigmas, and a drawing after the subject
        itself: the check doubts the reading, by name, and about as much."""
        adjusted = self.worked.solution.adjusted
        readings = [s for s in self.study.sightings if s.kind == "span"]
        row = adjusted.network.row_of()
        weak = min(readings, key=lambda s: float(adjusted.redundancy[row[s.id]]))
        spoiled = replace(weak, units=weak.units + 12 * float(adjusted.network.sigma[row[weak.id]]))
        study = replace(
            self.study,
            sightings=tuple(spoiled if s.id == weak.id else s for s in self.study.sightings),
        )
        study = replace(study, drawn={
            n: (float(x), float(y)) for n, (x, y) in zip(self.names, self.p, strict=True)
        })  # fmt: skip
        made = about(study)
        self.assertFalse(made.check.sound)
        named = {each.sighting: each.expected for each in made.check.suspects}
        self.assertIn(weak.id, named)
        self.assertAlmostEqual(named[weak.id], weak.units, delta=0.15 * weak.units)
        said = say_suspect(made, made.check.suspects[0])
        self.assertIn("rather one reading is wrong than the drawing", said)

    def test_none_is_named_where_the_hand_slipped(self):
        move = self.still()
        move[self.own] = (9.0, -7.0)
        self.assertEqual(self.made(move).check.suspects, ())


class Said(CheckCase):
    def test_a_whole_and_a_place(self):
        away = self.p - self.p.mean(axis=0)
        made = self.made(0.05 * away)
        self.assertEqual(say_verdict(made), "It is off as a whole, not in one place.")
        self.assertEqual(say_fault(made, made.check.diagnosis.faults[0]),
                         "Everything is 5 % too large.")  # fmt: skip
        self.assertIn("give the unit", say_correction(made, made.check.orders[0]))
        sound = self.made(self.still())
        self.assertEqual(say_verdict(sound), "It stands. Nothing is off by more than you allow.")
        move = self.still()
        move[4] = (8.0, 6.0)
        one = self.made(move)
        name = one.words.of(self.names[4])
        self.assertEqual(say_verdict(one), f"It is off in one place: {name}.")
        self.assertRegex(
            say_correction(one, one.check.orders[0]),
            rf"^Bring {name} [789](\.5)? mm to the left and [567](\.5)? mm up\.",
        )

    def test_growing_from_a_landmark(self):
        still = self.p[5]
        made = self.made(0.06 * (self.p - still), noise=0.3)
        size = next(f for f in made.check.diagnosis.faults if f.kind == "size")
        self.assertIn(f"growing from {made.words.of(self.names[5])}", say_fault(made, size))

    def test_growing_from_a_plumb_line(self):
        """Widths alone grow from the plumb through the landmark furthest left."""
        left = int(self.p[:, 0].argmin())
        move = np.column_stack([0.07 * (self.p[:, 0] - self.p[left, 0]), 0 * self.p[:, 1]])
        made = self.made(move, noise=0.3)
        wide = next(f for f in made.check.diagnosis.faults if f.kind == "stretch")
        self.assertIn("too wide for its height, growing away from the plumb through",
                      say_fault(made, wide))  # fmt: skip

    def test_measures_of_the_drawing(self):
        words = self.worked.words
        name, other = words.of("p0"), words.of("p1")
        for ruled, said in (
            (Ruled("a", "p0", 112.0, side="left"), f"{name}: 112 mm from the left edge"),
            (Ruled("a", "p0", -8.0, side="plumb"), f"{name}: 8 mm left of the drawn plumb line"),
            (Ruled("a", "p0", 50.0, start="p1"), f"{other} to {name}: 50 mm straight"),
            (Ruled("a", "p0", -5.5, start="p1", along="plumb"), f"{name}: 5.5 mm higher than {other}"),  # noqa: E501
        ):  # fmt: skip
            self.assertEqual(say_measure(ruled, words), said)


class Judged(CheckCase):
    def test_a_copy_is_held_closer_than_a_free_drawing_and_the_artists_own_count_first(self):
        move = self.still()
        allowed = [
            self.made(move, manner=manner).check.standing[self.names[0]].tolerance
            for manner in ("copy", None, "free")
        ]
        self.assertEqual(allowed, sorted(set(allowed)))
        own = self.made(move, tolerance=Tolerances(large=40.0, middle=40.0, detail=40.0))
        self.assertTrue(all(each.tolerance > 40.0 for each in own.check.standing.values()))

    def test_a_stage_is_earned_by_a_sound_check(self):
        tiers = tuple(replace(each, tier=1 + i % 2) for i, each in enumerate(self.study.landmarks))
        study = replace(self.study, landmarks=tiers)
        self.assertEqual(earned(study), 1)
        self.study = study
        move = self.still()
        sound = self.made(move)
        kept = kept_check(sound, "check", "2026-01-01T00:00:00+00:00")
        self.assertEqual(kept.sound_tiers, (1, 2))
        after = replace(study, checks=(kept,))
        self.assertEqual(earned(after), 3)
        self.assertEqual([each.sound for each in gates(after)], [True, True, False])
        middle = next(i for i, each in enumerate(tiers) if each.tier == 2)
        move[middle] = (14.0, 0.0)
        off = kept_check(self.made(move), "check_2", "2026-01-02T00:00:00+00:00")
        self.assertEqual(earned(replace(study, checks=(kept, off))), 2)

    def test_what_the_eye_said_is_set_beside_what_was_found(self):
        move = self.still()
        move[4] = (0.0, 12.0)
        made = self.made(move)
        guesses = (
            EyeGuess("lower", self.names[4]), EyeGuess("left", self.names[4]),
            EyeGuess("fine", self.names[0]), EyeGuess("larger"), EyeGuess("fine"),
        )  # fmt: skip
        kept = kept_check(made, "check", "2026-01-01T00:00:00+00:00", guesses)
        self.assertEqual([each.right for each in kept.guesses], [True, False, True, False, True])

    def test_a_check_keeps_where_everything_was(self):
        photo = Photograph("a" * 64, 100, 80, ((1, 1), (99, 1), (99, 79), (1, 79)))
        made = self.made(self.still(), photograph=photo)
        kept = kept_check(made, "check", "2026-01-01T00:00:00+00:00")
        self.assertEqual(kept.photograph, photo)
        self.assertEqual(set(kept.places), set(self.names))
        self.assertTrue(kept.sound)
        self.assertLess(kept.apart_mm, 1.5)

    def test_noise_of_the_hand_alone_is_no_fault(self):
        made = about(drawn(self.worked, [], np.random.default_rng(8)))
        self.assertEqual(made.check.diagnosis.faults, ())


if __name__ == "__main__":
    unittest.main()
