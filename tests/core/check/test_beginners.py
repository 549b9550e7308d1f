"""What beginners do: features too large together, growth, a bow, shapes squeezed at the edge, a
head's far side too wide, and what no cause explains."""

import json
import unittest
from dataclasses import replace

import numpy as np

from tests import times
from tests.core.check.test_large import planned
from zirkel.core.check.causes.crowding import crowding
from zirkel.core.check.causes.symmetry import symmetry
from zirkel.core.check.correct import check
from zirkel.core.words.check import say_verdict
from zirkel.core.words.checked import About
from zirkel.core.words.drawn_wrong import say_correction, say_fault, say_touch_up
from zirkel.core.worked import Worked
from zirkel.studyfile.answers import CheckAnswer
from zirkel.studyfile.read import read_study

DEMOS = ("wooden_mask", "boathouse", "block_head")


class Beginner(unittest.TestCase):
    def drawn(self, demo, moved, seed, noise=1.0, **more):
        """A study with a drawing whose marks (n, 2) were moved so, by that hand."""
        file, marks = planned(demo)
        ids, at = list(marks), np.array(list(marks.values()))
        tiers = {each["id"]: each["tier"] for each in file["landmarks"]}
        places = moved(at, np.array([tiers[name] for name in ids]))
        places = places + np.random.default_rng(seed).normal(0.0, noise, at.shape)
        drawn = dict(zip(ids, places.tolist(), strict=True))
        return Worked(read_study(json.dumps({**file, "drawn": drawn, **more}).encode()))

    def told(self, worked):
        """Every sentence of a check, and its verdict."""
        about = About(worked.study, worked.words, worked.checked)
        said = [say_fault(about, each) for each in worked.checked.diagnosis.faults]
        said += [say_correction(about, each) for each in worked.checked.orders]
        return " ".join([say_verdict(about), *said])

    def left(self, found):
        """How far marks are off, root mean square, once the orders are carried out, in mm."""
        left = found.drawing.off + sum((e.moves for e in found.orders), np.zeros(2))
        return float(np.sqrt((left**2).sum(axis=1).mean()))


def together(factor):
    """The smaller shapes larger about their own middle, the large one right."""

    def moved(at, tiers):
        made, own = at.copy(), tiers > 1
        middle = at[own].mean(axis=0)
        made[own] = middle + factor * (at[own] - middle)
        return made

    return moved


def growth(factor, start):
    """Size growing with the distance from one mark."""

    def moved(at, tiers):
        away = at - at[start]
        far = np.hypot(*away.T)
        return at[start] + away * (1.0 + (factor - 1.0) * far / far.max())[:, None]

    return moved


class Together(Beginner):
    def test_features_too_large_in_a_right_outline_are_one_fault(self):
        factors = (0.88, 0.9, 1.1, 1.12, 1.2)
        right = 0
        for number in range(times(10)):
            demo, factor = DEMOS[number % 3], factors[number % 5]
            found = self.drawn(demo, together(factor), number).checked
            faults = found.diagnosis.faults
            tiers = dict(zip(found.drawing.ids, found.drawing.tiers, strict=True))
            smaller = {name for name, tier in tiers.items() if tier > 1}
            if [each.kind for each in faults] != ["group_size"]:
                continue
            on = set(faults[0].landmarks)
            right += (
                len(on & smaller) / len(on | smaller) > 0.85
                and abs((faults[0].amount["factor"] - 1) / (factor - 1) - 1) < 1 / 4
                and self.left(found) < 2.5
            )
        self.assertGreaterEqual(right, 0.8 * times(10))

    def test_they_are_called_by_their_shapes_and_why_is_said(self):
        said = self.told(self.drawn("wooden_mask", together(1.15), 3))
        self.assertRegex(said, r"together are 1[3-7] % too large. What is looked at longest grows.")
        self.assertRegex(said, r"Make .* 1[3-7] % smaller about their middle")
        self.assertIn("It is off in one place", said)

    def test_features_turned_together(self):
        def moved(at, tiers):
            made, own = at.copy(), tiers > 1
            away = at[own] - at[own].mean(axis=0)
            made[own] += 0.12 * np.column_stack([-away[:, 1], away[:, 0]])
            return made

        worked = self.drawn("block_head", moved, 1)
        (fault,) = worked.checked.diagnosis.faults
        self.assertEqual(fault.kind, "group_tilt")
        self.assertAlmostEqual(fault.amount["degrees"], np.degrees(0.12), delta=1.0)
        self.assertIn("turned clockwise", self.told(worked))


class Growth(Beginner):
    def test_from_wherever_it_was_begun_it_is_one_fault(self):
        for number, factor in enumerate((1.1, 1.2, 0.85, 1.12) * times(1)):
            demo = DEMOS[number % 3]
            start = 2 * (number % 8)
            found = self.drawn(demo, growth(factor, start), number).checked
            (fault,) = found.diagnosis.faults
            self.assertEqual(fault.kind, "growth", demo)
            # Whether from this landmark or its neighbour hardly shows.
            planned, named = found.drawing.planned, found.drawing.ids.index(fault.amount["from"])
            missed = np.hypot(*(planned[named] - planned[start]))
            self.assertLess(missed, 0.2 * np.ptp(planned, axis=0).max(), demo)
            self.assertAlmostEqual((fault.amount["factor"] - 1) / (factor - 1), 1.0, delta=0.15)
            self.assertLess(self.left(found), 4.0)

    def test_in_the_order_of_placing(self):
        file, marks = planned("wooden_mask")
        order = list(Worked(read_study(json.dumps(file).encode())).recipe.hangs)
        ids = list(marks)
        place = np.array([order.index(name) for name in ids])
        start = ids.index(order[0])

        def moved(at, tiers):
            share = place / place.max()
            return at[start] + (at - at[start]) * (1.0 + 0.12 * share)[:, None]

        worked = self.drawn("wooden_mask", moved, 4, noise=0.7)
        self.assertEqual(worked.checked.diagnosis.faults[0].kind, "growth")
        self.assertLessEqual(len(worked.checked.orders), 3)
        self.assertLess(self.left(worked.checked), 4.0)
        self.assertIn("a little longer than the one before it", self.told(worked))

    def test_from_is_a_landmark_of_the_answer(self):
        found = CheckAnswer.of(self.drawn("boathouse", growth(1.15, 0), 2).checked)
        (fault,) = found.faults
        self.assertEqual(fault["fault"], "growth")
        self.assertIn(fault["from"], found.landmarks)
        self.assertNotIn("landmarks", fault)


class OtherHabits(Beginner):
    def test_a_line_of_symmetry_that_curves(self):
        def moved(at, tiers):
            y = (at[:, 1] - at[:, 1].mean()) / np.ptp(at[:, 1])
            return at + np.column_stack([40.0 * (y**2 - (y**2).mean()), 0.0 * y])

        worked = self.drawn("wooden_mask", moved, 1)
        self.assertEqual([e.kind for e in worked.checked.diagnosis.faults], ["bend"])
        self.assertIn("as a bow: its ends are", self.told(worked))

    def test_shapes_squeezed_as_the_sheet_ran_out(self):
        """On a sheet that ends where the plan does; on a wide one nothing is offered."""
        worked = self.drawn("boathouse", lambda at, tiers: at, 1)
        drawing = worked.checked.drawing
        wide = replace(drawing, sheet=(1e4, 1e4), planned=drawing.planned + 4e3)
        self.assertEqual(list(crowding(wide)), [])
        x = drawing.planned[:, 0]
        near = replace(drawing, sheet=(float(x.max()) + 5.0, 1e4))
        away = np.maximum(x - x.mean(), 0.0)
        squeezed = np.column_stack([-0.2 * away**2 / away.max(), 0.0 * away])
        noise = np.random.default_rng(1).normal(0.0, 1.0, squeezed.shape)
        found = check(replace(near, off=squeezed + noise))
        (fault,) = found.diagnosis.faults
        self.assertEqual((fault.kind, fault.amount["side"]), ("crowding", "right"))
        self.assertAlmostEqual(fault.amount["factor"], 0.8, delta=0.04)
        about = About(worked.study, worked.words, found)
        self.assertIn("the sheet ran out", say_fault(about, fault))
        self.assertIn("over the edge if need be", say_correction(about, found.orders[0]))

    def test_rims_as_round_as_they_are_known_to_be(self):
        worked = self.drawn("boathouse", lambda at, tiers: at, 1)
        drawing = worked.checked.drawing
        n = len(drawing.ids)
        rng = np.random.default_rng(4)
        at = rng.uniform(40.0, 250.0, (n, 2))
        rims = (np.arange(4), np.arange(4, 8))
        for rim, middle in zip(rims, ((100.0, 80.0), (220.0, 180.0)), strict=True):
            at[rim] = np.add(middle, [(-40.0, 0.0), (40.0, 0.0), (0.0, 18.0), (0.0, -18.0)])
        flat = replace(
            drawing, planned=at, flat=rims, hanging=(), groups=(), receding=(), edges=(), order=()
        )
        off = rng.normal(0.0, 1.0, (n, 2))
        off[:8, 1] += 0.6 * np.tile([0.0, 0.0, 18.0, -18.0], 2)
        found = check(replace(flat, off=off))
        self.assertEqual([each.kind for each in found.diagnosis.faults], ["flat"])
        self.assertAlmostEqual(found.diagnosis.faults[0].amount["factor"], 1.6, delta=0.12)
        about = About(worked.study, worked.words, found)
        self.assertIn("as round as one knows it", say_fault(about, found.diagnosis.faults[0]))
        self.assertIn("Flatten the rims", say_correction(about, found.orders[0]))

    def test_the_far_side_of_a_turned_head_as_wide_as_the_near_one(self):
        worked = self.drawn("wooden_mask", lambda at, tiers: at, 1)
        drawing = worked.checked.drawing
        n = len(drawing.ids)
        # A head on the drawing's own marks: a middle line, near points 50 mm off it, far ones 30.
        at = np.zeros((n, 2))
        middle, near, far = (0, 1, 2), (3, 4, 5, 6), (7, 8, 9, 10)
        for row in range(4):
            at[near[row]], at[far[row]] = (50.0, 60.0 * row), (-30.0, 60.0 * row)
        for row in range(3):
            at[middle[row]] = (0.0, 80.0 * row)
        rng = np.random.default_rng(3)
        at[11:] = rng.uniform(-150.0, 250.0, (n - 11, 2))
        head = replace(
            drawing, planned=at + 300.0, mirrored=((middle, tuple(zip(far, near, strict=True))),),
            hanging=(), groups=(), receding=(), edges=(), order=(),
        )  # fmt: skip
        off = rng.normal(0.0, 1.0, (n, 2))
        off[list(far), 0] -= 20.0
        found = check(replace(head, off=off))
        self.assertEqual([each.kind for each in found.diagnosis.faults], ["symmetry"])
        self.assertAlmostEqual(found.diagnosis.faults[0].amount["share"], 1.0, delta=0.15)
        self.assertEqual(set(found.diagnosis.faults[0].landmarks), {drawing.ids[i] for i in far})
        about = About(worked.study, worked.words, found)
        self.assertIn("so one knows it to be", say_fault(about, found.diagnosis.faults[0]))
        self.assertIn("Narrow the far side", say_correction(about, found.orders[0]))
        level = replace(head, mirrored=((middle, tuple(zip(near, near, strict=True))),))
        self.assertEqual(list(symmetry(level)), [])


class NoneOfThese(Beginner):
    def scattered(self, seed):
        def moved(at, tiers):
            return at + np.random.default_rng(100 + seed).normal(0.0, 9.0, at.shape)

        return self.drawn(DEMOS[seed % 3], moved, seed)

    def test_a_scatter_is_said_to_be_that_and_not_ten_orders(self):
        right = 0
        for seed in range(times(6)):
            worked = self.scattered(seed)
            found = CheckAnswer.of(worked.checked)
            self.assertLessEqual(len(found.corrections), 3)
            if found.unexplained is None:
                continue
            right += found.unexplained["share"] > 0.6 and len(found.faults) <= 1
            self.assertEqual(found.verdict, "off")
            self.assertIn("none of the usual causes", self.told(worked))
            # The furthest first, by what the faults leave; where there is none, that is all.
            far = [np.hypot(*found.landmarks[n]["off_mm"]) for n in found.unexplained["landmarks"]]
            self.assertTrue(found.faults or far == sorted(far, reverse=True))
        self.assertGreaterEqual(right, 0.8 * times(6))

    def test_a_sound_drawing_and_one_with_a_cause_leave_nothing_open(self):
        for moved in (lambda at, tiers: at, growth(1.2, 0), together(1.15)):
            found = self.drawn("boathouse", moved, 5).checked
            self.assertIsNone(found.diagnosis.unexplained)

    def test_slips_of_a_recipe_are_touched_up(self):
        """Four millimetres each way at every fourth mark: no fault, no lesson, a pass."""

        def moved(at, tiers):
            made = at.copy()
            made[::4] += np.random.default_rng(2).choice([-4.0, 4.0], made[::4].shape)
            return made

        worked = self.drawn("block_head", moved, 2, noise=0.4, drawn_by="recipe")
        found = CheckAnswer.of(worked.checked)
        self.assertEqual((found.verdict, found.corrections), ("sound", []))
        slipped = {list(found.landmarks)[i] for i in range(0, len(found.landmarks), 4)}
        self.assertLessEqual(slipped, set(found.touch_up))
        about = About(worked.study, worked.words, worked.checked)
        self.assertIn("It stands; touch up", say_verdict(about))
        self.assertIn("as their arrows say", say_touch_up(about))


class Sure(Beginner):
    def test_a_plain_fault_is_sure_and_a_slight_one_less(self):
        plain = self.drawn("boathouse", growth(1.2, 0), 1).checked.diagnosis
        self.assertGreater(plain.sure, 0.9)
        slight = [
            self.drawn("boathouse", growth(1.0 + 0.01 * k, 4), k, noise=2.0).checked.diagnosis
            for k in range(2, 6)
        ]
        told = [each.sure for each in slight if each.faults]
        self.assertTrue(all(0.0 <= each < plain.sure for each in told), told)

    def test_nothing_found_has_no_chance_of_being_right(self):
        found = CheckAnswer.of(self.drawn("boathouse", lambda at, tiers: at, 1).checked)
        self.assertEqual((found.faults, found.sure, found.unexplained), ([], None, None))


class Orders(Beginner):
    def test_none_undoes_what_another_does(self):
        """Too large a mask with the features too small in it: whatever is found, no order takes
        back most of one before it."""
        for seed in range(times(3)):

            def moved(at, tiers):
                grown = at.mean(axis=0) + 1.15 * (at - at.mean(axis=0))
                return together(1 / 1.15)(grown, tiers)

            found = self.drawn(DEMOS[seed % 3], moved, seed).checked
            for number, each in enumerate(found.orders):
                for before in found.orders[:number]:
                    undone = -float((each.moves * before.moves).sum())
                    self.assertLess(undone, 0.5 * float((each.moves**2).sum()))

    def test_a_whole_beside_its_place_is_not_to_be_moved_on_its_sheet(self):
        worked = self.drawn("wooden_mask", lambda at, tiers: at - (12.0, 0.0), 1)
        self.assertIn("The whole sits 12 mm too far left", self.told(worked))
        self.assertIn("Leave it where it is", self.told(worked))


if __name__ == "__main__":
    unittest.main()
