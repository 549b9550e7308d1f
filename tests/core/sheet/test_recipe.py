"""The recipe: moves lead to the plan, errors are as told, schools keep to their manners, slips
show, and it is said as one would say it."""

import unittest

import numpy as np
from bench.recipe import PER_LANDMARK, measured, recipe_of, simple_share, slips_caught, suited_sheet
from hypothesis import given
from hypothesis import strategies as st

from tests import examples, times
from zirkel.core.network.solve import solve
from zirkel.core.schools import SCHOOLS, school_of
from zirkel.core.sheet.plan import make_plan
from zirkel.core.sheet.recipe import Outline, Step, Wishes, make_recipe
from zirkel.core.sheet.recipe.choose import CROSSING, DEEPEST, Squares, _within_words
from zirkel.core.sheet.recipe.construct import ALL_MANNERS, Construction
from zirkel.core.sheet.recipe.dictation import dictation
from zirkel.core.sheet.recipe.glances import glances
from zirkel.core.sheet.recipe.hand import follow
from zirkel.core.sheet.recipe.order import envelope, extremes, stages
from zirkel.core.simulation.artist import Hand, sight_scene
from zirkel.core.words.base import Words
from zirkel.core.words.recipe import Scene, say_hour, say_item, say_placing, say_units
from zirkel.scenes import shipped_scenes

UNIT = 60.0
EDGES = {"left", "right", "top", "bottom"}


class Steady:
    """A hand without any error."""

    def normal(self, mean=0.0, sd=1.0, size=None):
        return np.zeros(size) if size else 0.0


def some_marks(seed, n=14):
    rng = np.random.default_rng(seed)
    places = rng.uniform((20, 20), (280, 400), (n, 2))
    names = [f"p{i}" for i in range(n)]
    marks = {name: tuple(p) for name, p in zip(names, places.tolist(), strict=True)}
    return marks, {name: 1 + i % 3 for i, name in enumerate(names)}


def by(school, **more):
    squares = Squares(10.0, 10.0, 40.0) if school == "grid" else None
    return Wishes(SCHOOLS[school].manners, squares, **more)


class Following(unittest.TestCase):
    @examples(40)
    @given(st.integers(0, 10_000), st.sampled_from(sorted(SCHOOLS)))
    def test_without_error_the_moves_lead_where_they_say_and_that_is_near_the_plan(
        self, seed, school
    ):
        marks, tiers = some_marks(seed)
        recipe = make_recipe(marks, tiers, UNIT, by(school))
        self.assertEqual({each.landmark for each in recipe.constructions}, set(marks))
        lies = follow(recipe, UNIT, Steady())
        for each in recipe.constructions:
            # Arcs and tilts are crossed as straight lines near the place: that is off a little.
            self.assertLess(np.hypot(*(lies[each.landmark] - each.place)), 1.2, each)
            off = np.hypot(*np.subtract(each.place, marks[each.landmark]))
            self.assertAlmostEqual(off, each.off_mm, delta=0.6)
            # What can't be placed surely, as by two tilts that hardly cross, says so.
            self.assertLess(off, max(10.0, each.sd_mm), each)

    def test_every_move_starts_from_what_is_placed_already_and_no_chain_is_long(self):
        marks, tiers = some_marks(3, 30)
        placed = {}
        for each in make_recipe(marks, tiers, UNIT).constructions:
            for step in each.steps:
                self.assertLessEqual(set(step.via), set(placed))
                deep = max((placed[name] for name in step.via), default=0)
                self.assertLess(deep, each.depth)
            placed[each.landmark] = each.depth
        self.assertLessEqual(max(placed.values()), DEEPEST + 1)

    def test_the_distance_told_is_the_distance_made(self):
        """Over many hands, the root mean square distance from the plan is what the recipe says of
        each landmark, within a fifth, and of all together within five in a hundred."""
        marks, tiers = some_marks(8, 12)
        recipe = make_recipe(marks, tiers, UNIT)
        lies = [follow(recipe, UNIT, np.random.default_rng(k)) for k in range(times(150))]
        made, told = [], []
        for each in recipe.constructions:
            off = np.array([one[each.landmark] for one in lies]) - marks[each.landmark]
            made.append(float((off**2).sum(axis=1).mean()))
            told.append(each.sd_mm**2)
            self.assertAlmostEqual(np.sqrt(made[-1]) / each.sd_mm, 1.0, delta=0.2, msg=str(each))
        self.assertAlmostEqual(float(np.sqrt(np.mean(made) / np.mean(told))), 1.0, delta=0.05)

    def test_lines_that_cross_at_a_thin_angle_are_never_used(self):
        marks, tiers = some_marks(11, 18)
        recipe = make_recipe(marks, tiers, UNIT, by("triangulation"))
        thin = [
            abs(np.sin(np.radians(each.steps[0].value - each.steps[1].value)))
            for each in recipe.constructions
            if {step.manner for step in each.steps} == {"tilt"}
        ]
        self.assertGreater(len(thin), 12)
        self.assertGreaterEqual(min(thin), CROSSING - 0.03)

    def test_no_second_place_fits_what_is_said(self):
        """Two arcs, or an arc and a tilt, meet twice: the other place is not on the side that is
        said, or not towards the hour."""
        marks, tiers = some_marks(5, 24)
        recipe = make_recipe(marks, tiers, UNIT, by("dividers"))
        at = {each.landmark: np.array(each.place) for each in recipe.constructions}
        arcs = 0
        for each in recipe.constructions:
            here = at[each.landmark]
            for step, other in (each.steps, each.steps[::-1]) if len(each.steps) == 2 else ():
                if step.manner != "length":
                    continue
                arcs += 1
                centre = at[step.via[0]]
                if other.manner == "length":
                    base = at[other.via[0]] - centre
                    base = base / np.hypot(*base)
                    second = centre + 2 * ((here - centre) @ base) * base - (here - centre)
                    fits = _within_words(second, here, at[other.via[0]])
                else:
                    a = np.radians(other.value)
                    way = np.array([np.sin(a), -np.cos(a)])
                    second = here - 2 * ((here - centre) @ way) * way
                    fits = (second - at[other.via[0]]) @ way > 0
                self.assertFalse(fits and _within_words(second, here, centre), each)
        self.assertGreater(arcs, 10)


class Choosing(unittest.TestCase):
    def test_what_lies_straight_under_is_dropped_and_what_lies_half_way_is_halved(self):
        marks = {"top": (100.0, 50.0), "foot": (100.0, 302.0), "waist": (100.4, 176.0),
                 "left": (31.0, 200.0), "right": (250.0, 90.0)}  # fmt: skip
        tiers = dict.fromkeys(marks, 1)
        recipe = make_recipe(marks, tiers, UNIT, Wishes(unit=("top", "foot")))
        steps = {c.landmark: c.steps for c in recipe.constructions}
        self.assertIn(Step("plumb", ("top",), 0.0, None, "below"), steps["foot"])
        self.assertEqual([step.manner for step in steps["waist"]], ["part"])
        self.assertEqual(steps["waist"][0].value, 0.5)

    def test_schools_use_their_manners_and_nothing_else(self):
        marks, tiers = some_marks(5, 20)
        for school, own in (
            ("dividers", {"length", "tilt"}),
            ("triangulation", {"tilt"}),
            ("by_eye", {"plumb", "level", "across", "down", "part"}),
            ("grid", {"square"}),
            ("picture_plane", set()),
            ("sight_size_life", {"pull", "plumb"}),
            ("comparative", {"plumb", "level", "across", "down", "part", "tilt"}),
        ):
            made = make_recipe(marks, tiers, UNIT, by(school)).constructions
            used = {step.manner for each in made[2:] for step in each.steps} - EDGES
            self.assertLessEqual(used, own, school)
        eye = make_recipe(marks, tiers, UNIT, by("by_eye"))
        self.assertTrue(all(s.units is None for c in eye.constructions for s in c.steps))
        self.assertEqual(school_of("something else").name, "comparative")

    def test_in_sight_size_widths_are_from_the_plumb_and_nothing_else(self):
        marks, tiers = some_marks(9)
        made = make_recipe(marks, tiers, None, by("sight_size_life")).constructions
        plumb = made[0].landmark
        for each in made[1:]:
            self.assertEqual({step.manner for step in each.steps}, {"pull", "plumb"})
            self.assertEqual({via for step in each.steps for via in step.via}, {plumb})
        self.assertLess(max(each.sd_mm for each in made), 4.0)

    def test_in_the_squares_of_a_grid(self):
        """Squares of 40 mm from (20, 20): (107, 73) is in C2, 0.175 and 0.325 into it, said in
        eighths; 1/8 and 3/8 put it 2 mm left and 2 mm down."""
        marks = {"a": (140.0, 140.0), "b": (107.0, 73.0)}
        squares = Squares(20.0, 20.0, 40.0)
        wishes = Wishes(frozenset({"square"}), squares)
        recipe = make_recipe(marks, {"a": 1, "b": 2}, None, wishes)
        last = next(each for each in recipe.constructions if each.landmark == "b")
        self.assertEqual([step.manner for step in last.steps], ["square"])
        np.testing.assert_allclose(last.place, (105.0, 75.0))
        self.assertEqual(
            say_placing(last, Words({}, "head"), squares),
            "b: in square C2, 1/8 of the way across, 3/8 of the way down.",
        )

    def test_landmarks_at_one_place_and_alone(self):
        same = {"a": (50.0, 50.0), "b": (50.0, 50.0), "c": (50.2, 50.1)}
        self.assertEqual(len(make_recipe(same, dict.fromkeys(same, 1), UNIT).constructions), 3)
        self.assertEqual(make_recipe({}, {}, UNIT).constructions, ())
        self.assertEqual(make_recipe({"a": (9, 9)}, {"a": 1}, None).steps_each, 2.0)


class Order(unittest.TestCase):
    marks = {  # noqa: RUF012
        "top": (150.0, 20.0), "foot": (140.0, 380.0), "left": (30.0, 200.0),
        "right": (260.0, 210.0), "a": (120.0, 150.0), "b": (180.0, 150.0), "c": (150.0, 230.0),
        "d": (200.0, 300.0), "e": (230.0, 300.0), "lone": (150.0, 310.0),
    }  # fmt: skip
    shapes = (
        Outline("small", ("d", "e"), False, 2), Outline("large", ("a", "b", "c"), True, 1),
    )  # fmt: skip

    def setUp(self):
        self.at = {name: np.array(p) for name, p in self.marks.items()}
        self.tiers = dict.fromkeys(self.marks, 1)

    def test_ends_of_the_whole_then_envelope_then_shapes_large_before_small(self):
        made = stages(self.at, self.tiers, self.shapes, ("a", "c"))
        self.assertEqual(
            [each.kind for each in made], ["ticks", "envelope", "shape", "shape", "rest"]
        )
        self.assertEqual(set(made[0].landmarks), {"a", "c", "top", "foot", "left", "right"})
        self.assertEqual([each.shape.id for each in made if each.shape], ["large", "small"])
        self.assertEqual(made[-1].landmarks, ("lone",))

    def test_features_first_begins_with_the_unit_and_draws_no_envelope(self):
        made = stages(self.at, self.tiers, self.shapes, ("a", "c"), inside_out=True)
        self.assertEqual(made[0].landmarks, ("a", "c"))
        self.assertNotIn("envelope", [each.kind for each in made])

    def test_the_envelope_is_few_straight_lines_round_everything(self):
        corners = envelope(self.at)
        self.assertLessEqual(len(corners), 6)
        self.assertLessEqual({"top", "foot", "left", "right"}, set(corners))
        self.assertEqual(extremes(self.at)["top"], ["top"])

    def test_dictated_ticks_placings_joins_and_when_to_stand_back(self):
        marks = {name: tuple(p) for name, p in self.marks.items()}
        recipe = make_recipe(marks, self.tiers, UNIT, Wishes(unit=("a", "c"), shapes=self.shapes))
        items = dictation(recipe, glances(recipe, UNIT, ALL_MANNERS))
        kinds = [each.kind for each in items]
        self.assertEqual(kinds[:6], ["tick"] * 4 + ["box", "place"])
        self.assertEqual(kinds.count("place"), len(marks))
        self.assertEqual(kinds.count("join"), 3)
        self.assertEqual(kinds[-1], "back")
        joined = next(i for i, each in enumerate(items) if each.join and each.join.shape)
        self.assertEqual(items[joined].join.shape.id, "large")
        before = {each.construction.landmark for each in items[:joined] if each.construction}
        self.assertLessEqual({"a", "b", "c"}, before)
        self.assertNotIn("box", [each.kind for each in dictation(recipe, (), boxed=False)])


class Saying(unittest.TestCase):
    words = Words({"crown": "Crown", "chin": "Chin", "eye": "Eye, left", "new": "Ear"}, "head")

    def said(self, *steps, place=(100.0, 200.0), **at):
        where = {"crown": (100.0, 80.0), "chin": (100.0, 140.0), "eye": (60.0, 110.0), **at}
        made = Construction("new", 1, steps, place, 1.0, 0.0)
        return say_placing(made, self.words, None, {"top": 41.0}, where, (297.0, 420.0))

    def test_one_sentence_a_placing(self):
        for steps, said in (
            ((Step("plumb", ("crown",), 0.0), Step("level", ("crown",), 120.0, 2.0)),
             "Ear: straight under Crown, two heads down."),
            ((Step("plumb", ("crown",), -2.0), Step("level", ("crown",), 60.0, 1.0)),
             "Ear: one head below Crown, a touch left of its plumb."),
            ((Step("plumb", ("crown",), 30.0, 0.5), Step("level", ("crown",), 0.0)),
             "Ear: level with Crown, half a head to the right."),
            ((Step("top", (), 41.0), Step("plumb", ("chin",), 7.0)),
             "Ear: on the top tick, a pencil's breadth right of the plumb from Chin."),
            ((Step("left", (), 132.0), Step("bottom", (), 400.0)),
             "Ear: 20 mm from the bottom edge, 132 mm from the left edge."),
            ((Step("tilt", ("eye",), 195.0), Step("level", ("chin",), 0.0)),
             "Ear: level with Chin, on the line from Eye left towards 6:30."),
            ((Step("part", ("crown", "chin"), 1 / 3),),
             "Ear: a third of the way from Crown to Chin."),
            ((Step("part", ("crown", "chin"), 0.5),), "Ear: half-way between Crown and Chin."),
            ((Step("down", ("chin", "crown"), 0.25), Step("across", ("crown", "eye"), 0.5)),
             "Ear: three quarters of the way down from Crown to Chin, "
             "half-way across from Eye left to Crown."),
            ((Step("length", ("chin",), 97.0, None, "above"), Step("tilt", ("crown",), 90.0)),
             "Ear: 97 mm from Chin, up, on the line from Crown towards 3:00."),
        ):  # fmt: skip
            self.assertEqual(self.said(*steps), said)

    def test_hours_and_counts(self):
        self.assertEqual(
            [say_hour(d) for d in (0, 47.5, 195, 357.5)], ["12:00", "1:35", "6:30", "11:55"]
        )
        for units, said in ((0.5, "half a head"), (1.0, "one head"), (2.0, "two heads"),
                            (1.5, "one and a half heads"), (0.375, "3/8 of a head"),
                            (2.125, "2 1/8 heads"), (0.75, "three quarters of a head"),
        ):  # fmt: skip
            self.assertEqual(say_units(units, "head"), said)

    def test_everything_dictated_is_a_sentence(self):
        marks, tiers = some_marks(2, 16)
        shapes = (Outline("s", ("p0", "p3", "p6"), True, 1),)
        for school in SCHOOLS:
            recipe = make_recipe(marks, tiers, UNIT, by(school, shapes=shapes, unit=("p0", "p1")))
            items = dictation(recipe, glances(recipe, UNIT, SCHOOLS[school].manners))
            places = {each.landmark: each.place for each in recipe.constructions}
            ticks = {side: mm for _, mm, side in recipe.ticks}
            scene = Scene(
                Words({name: name for name in marks}, "head"), {"s": "Sack"}, places,
                by(school).squares, ticks, (297.0, 420.0),
            )  # fmt: skip
            for each in items:
                self.assertRegex(say_item(each, scene), r"^[A-Zp].*[.?]$", school)


MEASURED_ON = ("boathouse", "bottle_and_box", "leaf_tile", "potting_bench", "seated_figure",
               "study_head", "wooden_mask")  # fmt: skip


class Landing(unittest.TestCase):
    def test_better_than_by_the_first_two_readings(self):
        """The bench in small: nearer the plan than 1.2 % of the frame's height, nearer the truth
        than 0.7 of placing by first readings, in fewer than 2.2 moves."""
        rows = [measured(shipped_scenes()[name], 1) for name in ("seated_figure", "wooden_mask")]
        truth, plan, first, steps = np.mean(rows, axis=0)
        self.assertLess(plan, 1.2)
        self.assertLess(truth / first, 0.7)
        self.assertLess(steps, 2.2)

    def test_moves_are_simple_chains_short_and_slips_show(self):
        """Of seven studies: a third of the moves and more cost a glance, chains are four long in
        the middle, and two thirds of slips of 8 mm are caught (of a star of equal points, half:
        docs/measurements.md)."""
        simple, depth, caught, false = [], [], [], []
        for name in MEASURED_ON:
            scene = shipped_scenes()[name]
            study = sight_scene(
                scene, scene.station, suited_sheet(scene), 1, Hand(per_landmark=PER_LANDMARK)
            )
            plan = make_plan(study, solve(study))
            marks = {n: (m.held_left_mm, m.held_top_mm) for n, m in plan.marks.items()}
            recipe = recipe_of(study, marks, plan.unit_mm)
            simple.append(simple_share(recipe))
            depth.append(float(np.median([each.depth for each in recipe.constructions])))
            found = slips_caught(recipe, plan.unit_mm, 25)
            caught.append(found[0])
            false.append(found[1])
        self.assertGreater(np.mean(simple), 0.35)
        self.assertLessEqual(np.mean(depth), 4.0)
        self.assertGreater(np.mean(caught), 0.66)
        self.assertLess(np.mean(false), 0.35)


if __name__ == "__main__":
    unittest.main()
