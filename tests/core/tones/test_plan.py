"""Flat tones chosen exactly, light kept from shadow, the medium's range, layers from overlaps."""

import unittest
from itertools import combinations, pairwise

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.light import Medium, ToneArea, ToneReading
from zirkel.core.study import Landmark, Shape, Sheet, Study
from zirkel.core.tones.estimate import estimate
from zirkel.core.tones.groups import flat_tones, on_sheet, two_families
from zirkel.core.tones.laying import WAYS, laying
from zirkel.core.tones.overlaps import fading, layers_of
from zirkel.core.tones.plan import plan_tones
from zirkel.core.tones.shares import crosses_itself, polygon_area, shares_of
from zirkel.core.tones.suggest import suggest_areas
from zirkel.core.words.laying import BEGIN, say_laying
from zirkel.media import shipped_media

TONES = st.lists(st.floats(1.0, 9.0), min_size=1, max_size=8)


def scatter(groups, tones, shares):
    total = 0.0
    for group in groups:
        w = np.array([shares[name] for name in group])
        t = np.array([tones[name] for name in group])
        total += float((w * (t - np.average(t, weights=w)) ** 2).sum())
    return total


class Groups(unittest.TestCase):
    @given(TONES, st.integers(1, 7), st.randoms(use_true_random=False))
    def test_as_good_as_trying_every_split(self, values, count, random):
        tones = {f"a{i}": value for i, value in enumerate(values)}
        shares = {name: random.uniform(0.05, 1.0) for name in tones}
        made = flat_tones(tones, shares, count)
        own = scatter([each.areas for each in made], tones, shares)
        order = sorted(tones, key=lambda name: tones[name])
        n, k = len(order), min(count, len(order))
        best = min(
            scatter(
                [order[a:b] for a, b in zip((0, *cuts), (*cuts, n), strict=True)], tones, shares
            )
            for cuts in combinations(range(1, n), k - 1)
        )
        self.assertAlmostEqual(own, best, places=7)
        self.assertEqual([each.tone for each in made], sorted(each.tone for each in made))
        self.assertEqual(sorted(name for each in made for name in each.areas), sorted(tones))

    def test_tones_that_differ_in_the_last_bit_stay_in_order(self):
        low, high = 1.959964, 1.9599640000000003
        tones = {"a": low, "b": high, "c": high, "d": high}
        for shares in ((0.1, 0.3, 0.3, 0.3), (0.7, 0.1, 0.15, 0.05)):
            made = flat_tones(tones, dict(zip(tones, shares, strict=True)), 3)
            self.assertEqual([g.tone for g in made], sorted(g.tone for g in made))

    def test_without_shares_all_count_alike(self):
        made = flat_tones({"a": 1.0, "b": 2.0, "c": 8.0}, {}, 2)
        self.assertEqual([each.areas for each in made], [("a", "b"), ("c",)])
        self.assertEqual(made[0].tone, 1.5)


class InTheMedium(unittest.TestCase):
    def test_what_fits_stays_and_what_doesn_t_is_drawn_together(self):
        fits = on_sheet({"a": 3.0, "b": 6.0}, Medium(1.0, 1.0, 8.0), True)
        self.assertEqual(fits, {"a": 3.0, "b": 6.0})
        wide = on_sheet({"a": 1.0, "b": 5.0, "c": 9.0}, Medium(4.0, 2.0, 6.0), True)
        self.assertEqual(wide, {"a": 2.0, "b": 4.0, "c": 6.0})
        high = on_sheet({"a": 7.0, "b": 9.0}, Medium(1.0, 1.0, 7.0), True)
        self.assertEqual(high, {"a": 5.0, "b": 7.0})
        self.assertEqual(on_sheet({"a": 0.0, "b": 2.0}, Medium(4.0, 1.5, 8.0), False)["a"], 1.5)

    @given(TONES)
    def test_the_order_is_kept(self, values):
        tones = {f"a{i}": value for i, value in enumerate(values)}
        made = on_sheet(tones, Medium(3.0, 2.0, 7.0), True)
        self.assertTrue(all(2.0 - 1e-9 <= each <= 7.0 + 1e-9 for each in made.values()))
        order = sorted(tones, key=lambda name: tones[name])
        laid = [made[name] for name in order]
        self.assertTrue(all(a <= b + 1e-12 for a, b in pairwise(laid)))

    def planned(self, medium, count=3):
        sides = {"a": "light", "b": "light", "c": "shadow", "d": "shadow"}
        areas = tuple(ToneArea(name, name, side) for name, side in sides.items())
        readings = [ToneReading(n, "step", area=n, step=s, sigma=0.05)
                    for n, s in (("a", 1.5), ("b", 4.6), ("c", 6.2), ("d", 8.4))]  # fmt: skip
        data = shipped_media()[medium]
        return plan_tones(areas, estimate(areas, readings), {}, data.medium, data, count)

    def laid(self, medium, count=4, shares=None):
        plan = self.planned(medium, count)
        return laying(plan, shipped_media()[medium], shares or {})

    def test_pencil_goes_from_light_to_dark_each_through_all_that_is_darker(self):
        found = self.laid("pencil_white")
        self.assertEqual(found.bare, ("a",))
        self.assertEqual([each.areas for each in found.passes],
                         [("b", "c", "d"), ("c", "d"), ("d",)])  # fmt: skip
        self.assertEqual([each.tool for each in found.passes], ["HB", "2B", "4B"])
        # Each on what lies there: not every tone from bare paper.
        self.assertEqual([each.layers for each in found.passes], [4, 2, 3])
        for one, after in pairwise(found.passes):
            self.assertEqual(one.end, after.begin)

    def test_charcoal_is_rubbed_to_the_middle_massed_lifted_and_the_blackest_last(self):
        found = self.laid("charcoal_white")
        acts = [each.act for each in found.passes]
        self.assertEqual(acts, ["ground", "lay", "lift", "accent"])
        self.assertEqual(found.bare, ())
        ground, mass, lift, accent = found.passes
        self.assertTrue(3.5 <= ground.end <= 5.5)
        self.assertEqual((mass.areas, lift.areas, accent.areas), (("c", "d"), ("a",), ("d",)))
        self.assertEqual((lift.tool, accent.tool), ("kneaded eraser", "compressed charcoal"))
        self.assertLess(lift.end, lift.begin)
        # Where most is light the ground is lighter.
        light = self.laid("charcoal_white", shares={"a": 0.9})
        self.assertEqual(light.passes[0].end, 3.5)

    def test_toned_paper_is_left_and_white_comes_last_above_it_alone(self):
        found = self.laid("chalks_toned")
        self.assertEqual(found.bare, ("b",))
        self.assertEqual([each.act for each in found.passes], ["lay", "lay", "white"])
        self.assertEqual(found.passes[-1].areas, ("a",))
        self.assertEqual(found.passes[-1].tool, "white chalk")
        self.assertFalse(any(each.act == "lift" for each in found.passes))

    def test_every_medium_reaches_every_tone_and_leaves_none_out(self):
        for name, data in shipped_media().items():
            plan = self.planned(name, 4)
            found = laying(plan, data, {})
            reached = {area: each.end for each in found.passes for area in each.areas}
            for flat in plan.flat:
                for area in flat.areas:
                    ends = reached.get(area, data.paper)
                    if data.way == "rubbed" and area not in reached:
                        ends = found.passes[0].end
                    self.assertAlmostEqual(ends, flat.on_sheet, delta=0.51, msg=(name, area))
            told = say_laying(found, {}, data.way)
            self.assertEqual(len(told), 1 + len(found.passes) + bool(found.bare))
            for said in told:
                self.assertRegex(said, r"^[A-Z0-9].*\.$")
        self.assertEqual(set(WAYS), set(BEGIN))

    def test_a_medium_of_which_nothing_is_known_is_one_grade(self):
        found = laying(self.planned("pencil_white", 4), None, {})
        told = say_laying(found, {"d": "Under the pot"}, "layers")
        self.assertTrue(told[-1].startswith("One grade, "), told)
        self.assertIn("Under the pot alone. Then no more", told[-1])

    def test_light_and_shadow_together_are_told(self):
        self.assertTrue(self.planned("pencil_white", 1).mixed)
        self.assertFalse(self.planned("pencil_white", 2).mixed)


class Sides(unittest.TestCase):
    def families(self, *tones):
        areas = [ToneArea(f"a{i}", f"a{i}", side) for i, (side, _) in enumerate(tones)]
        readings = [ToneReading(f"n{i}", "step", area=f"a{i}", step=tone, sigma=0.1)
                    for i, (_, tone) in enumerate(tones)]  # fmt: skip
        return two_families(areas, estimate(areas, readings))

    def test_apart_the_boundary_lies_midway(self):
        found = self.families(("light", 2.0), ("light", 4.0), ("shadow", 6.0), ("shadow", 8.0))
        self.assertAlmostEqual(found.boundary, 5.0, delta=0.05)
        self.assertEqual(found.crossing, ())

    def test_a_light_darker_than_a_shadow_crosses_and_worst_is_first(self):
        found = self.families(("light", 7.0), ("light", 3.0), ("shadow", 6.0), ("shadow", 5.0))
        self.assertEqual(
            [(c.light, c.shadow) for c in found.crossing], [("a0", "a3"), ("a0", "a2")]
        )
        self.assertAlmostEqual(found.crossing[0].by, 2.0, delta=0.05)
        self.assertIsNone(self.families(("light", 7.0)).boundary)


class Layers(unittest.TestCase):
    def test_each_as_near_as_its_overlaps_allow(self):
        found = layers_of("abcde", [("a", "b"), ("b", "c"), ("a", "c"), ("d", "c")])
        self.assertEqual(found.layers, {"a": 1, "b": 2, "c": 3, "d": 1, "e": 1})
        self.assertEqual(found.cycles, ())
        self.assertGreater(found.weight("a"), found.weight("b"))
        self.assertGreater(found.weight("b"), found.weight("c"))
        self.assertLess(found.weight("a", inner=True), found.weight("a"))

    def test_circles_have_no_layer_and_what_is_behind_them_does(self):
        found = layers_of("abcdz", [("a", "b"), ("b", "c"), ("c", "a"), ("c", "d"), ("z", "a")])
        self.assertEqual(found.cycles, (("a", "b", "c"),))
        self.assertEqual(found.layers["a"], None)
        self.assertEqual(found.layers["z"], 1)
        self.assertEqual(found.layers["d"], 3)

    @given(st.lists(st.tuples(st.integers(0, 7), st.integers(0, 7)), max_size=24))
    def test_layers_grow_along_every_overlap(self, pairs):
        overlaps = [(f"s{a}", f"s{b}") for a, b in pairs if a != b]
        found = layers_of([], overlaps)
        for front, behind in overlaps:
            a, b = found.layers[front], found.layers[behind]
            if a is not None and b is not None:
                self.assertLess(a, b)
        for cycle in found.cycles:
            for front, behind in zip(cycle, (*cycle[1:], cycle[0]), strict=True):
                self.assertIn((front, behind), overlaps)

    def test_sides_that_run_back_are_told_from_their_near_end(self):
        receding = [("b", "a"), ("c", "d"), ("a", "c"), ("d", "a")]
        self.assertEqual(fading("abcd", True, receding), (("b", "a"), ("c", "d"), ("d", "a")))
        # An open outline has no side from its last landmark to its first.
        self.assertEqual(fading("abcd", False, receding), (("b", "a"), ("c", "d")))
        self.assertEqual(fading("ab", True, [("b", "a")]), (("b", "a"),))
        self.assertEqual(fading("a", True, receding), ())

    def test_a_long_row_is_no_trouble(self):
        found = layers_of([], [(f"s{i}", f"s{i + 1}") for i in range(3000)])
        self.assertEqual(found.layers["s3000"], 3001)


class Outlines(unittest.TestCase):
    SQUARE = ((0.0, 0.0), (2.0, 0.0), (2.0, 1.0), (0.0, 1.0))

    def test_shares_of_the_frame(self):
        self.assertEqual(polygon_area(self.SQUARE), 2.0)
        places = dict(zip("abcd", self.SQUARE, strict=True)) | {"e": (4.0, 4.0)}
        areas = [ToneArea("x", "x", outline=tuple("abcd")), ToneArea("y", "y", share=0.3),
                 ToneArea("z", "z", outline=("a", "b"))]  # fmt: skip
        self.assertEqual(shares_of(areas, places, None), {"x": 2.0 / 16.0, "y": 0.3})
        self.assertEqual(shares_of(areas, places, (0.0, 2.0, 0.0, 2.0))["x"], 0.5)

    def test_an_outline_that_crosses_itself(self):
        self.assertFalse(crosses_itself(self.SQUARE))
        bow = (self.SQUARE[0], self.SQUARE[2], self.SQUARE[1], self.SQUARE[3])
        self.assertTrue(crosses_itself(bow))

    def test_a_border_splits_a_shape_into_its_two_sides(self):
        study = Study(
            title="Jug", sheet=Sheet(210.0, 297.0),
            landmarks=tuple(Landmark(n, n) for n in "abcdmxy"),
            shapes=(Shape("jug", "Jug", tuple("abcd"), True),
                    Shape("edge", "Edge", ("a", "m", "c"), False),
                    Shape("lid", "Lid", ("x", "y", "m"), True)),
        )  # fmt: skip
        made = {each.id: each.outline for each in suggest_areas(study)}
        self.assertEqual(set(made), {"jug_1", "jug_2", "lid"})
        self.assertEqual({frozenset(made["jug_1"]), frozenset(made["jug_2"])},
                         {frozenset("abcm"), frozenset("cdam")})  # fmt: skip

    @given(st.integers(5, 10), st.integers(0, 9), st.integers(2, 8), st.integers(0, 3),
           st.booleans())  # fmt: skip
    def test_the_parts_cover_the_whole_and_share_the_border(
        self, corners, start, apart, bends, two
    ):
        """A round shape parted by a border with bends, perhaps by a second one beside it."""
        turn = 2.0 * np.pi / corners
        spots = {f"o{i}": (np.cos(i * turn), np.sin(i * turn)) for i in range(corners)}
        a, b = start % corners, (start + min(apart, corners - 2)) % corners
        (ax, ay), (bx, by) = spots[f"o{a}"], spots[f"o{b}"]
        for i in range(bends):
            t = (i + 1) / (bends + 1)
            spots[f"m{i}"] = (ax + t * (bx - ax), ay + t * (by - ay))
        border = (f"o{a}", *(f"m{i}" for i in range(bends)), f"o{b}")
        shapes = [Shape("whole", "Whole", tuple(f"o{i}" for i in range(corners)), True),
                  Shape("border", "Border", border, False)]  # fmt: skip
        if two:
            # From the border's start: it runs within one part alone, or is a side of it.
            end = f"o{(b + 1) % corners}"
            shapes.append(Shape("second", "Second", (f"o{a}", end), False))
        study = Study(title="Round", sheet=Sheet(210.0, 297.0), shapes=tuple(shapes),
                      landmarks=tuple(Landmark(n, n) for n in spots))  # fmt: skip
        made = [each.outline for each in suggest_areas(study)]
        areas = [polygon_area([spots[n] for n in outline]) for outline in made]
        whole = polygon_area([spots[f"o{i}"] for i in range(corners)])
        self.assertAlmostEqual(sum(areas), whole, places=9)
        self.assertGreaterEqual(len(made), 2)
        self.assertTrue(all(len(set(outline)) == len(outline) >= 3 for outline in made))
        self.assertEqual(sum(set(border) <= set(outline) for outline in made), 2)


if __name__ == "__main__":
    unittest.main()
