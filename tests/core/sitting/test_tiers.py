"""When it is enough: by tiers, checked, in the order in which a person sights."""

import unittest
from dataclasses import replace

import numpy as np

from tests import times
from tests.networks import SHEET, study_of
from zirkel.core.network.solve import solve
from zirkel.core.network.standing import sliding
from zirkel.core.network.what_next import Next, Suggestion, what_next
from zirkel.core.sightings import Span
from zirkel.core.simulation.artist import _as_sighting, fresh_study
from zirkel.core.simulation.observer import observe
from zirkel.core.sitting.tiers import as_held, sight_for, tiers
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.core.words.base import Words
from zirkel.core.words.enough import say_enough, say_on, say_tier
from zirkel.kits import shipped_kits
from zirkel.scenes import shipped_scenes

NOTHING = Next((), (), ())


def suggested(kind, start, end, along=None):
    return Suggestion(kind, start, end, along, None, 0.1, (end, 1.0, 0.5))


class UntilEnough(unittest.TestCase):
    def of_scene(self, scene, rng):
        study = fresh_study(scene, scene.station, SHEET, 0.06, rng)
        return study, truth_in_units(seen_landmarks(scene, scene.station), scene.unit)

    def of_kit(self, kit, rng):
        """A kit taken as it ships, for a subject that looks just like it."""
        at = {each.id: np.array(each.at) for each in kit.landmarks}
        axis = 0 if kit.unit.along == "level" else 1
        length = abs(at[kit.unit.end] - at[kit.unit.start])[axis]
        truth = {name: (place - at[kit.unit.start]) / length for name, place in at.items()}
        tiers = {each.id: each.tier for each in kit.landmarks}
        return study_of({n: tuple(p) for n, p in truth.items()}, (), kit.unit, tiers), truth

    def follow(self, study, truth, rng):
        """Readings by suggestions alone until the large shapes stand; how far these are off then on
        average, as a share of the height; and what was asked."""
        asked = []
        for number in range(120):
            solution = solve(study)
            found = tiers(solution, sliding(solution))
            told = sight_for(solution, found, what_next(solution.adjusted))
            if told.standing:
                break
            first = told.next.sightings[0]
            asked.append((first.kind, first.start, first.end, first.along))
            reading = observe(_as_sighting(first, f"s{number}", "t1"), truth, rng)
            study = replace(study, sightings=(*study.sightings, reading))
        places = dict(zip(solution.adjusted.network.ids, solution.adjusted.places, strict=True))
        height = np.ptp([truth[each.id][1] for each in study.landmarks])
        off = [
            np.hypot(*(places[each.id] - truth[each.id])) / height
            for each in study.landmarks
            if each.tier == 1
        ]
        return asked, float(np.mean(off)), float(np.max(off)), found[0]

    def test_every_scene_comes_to_enough_and_the_large_shapes_are_right_then(self):
        means = []
        for name, scene in shipped_scenes().items():
            for seed in range(times(1)):
                rng = np.random.default_rng(seed)
                asked, mean, worst, large = self.follow(*self.of_scene(scene, rng), rng)
                self.assertLess(len(asked), 8 * large.landmarks, name)
                self.assertEqual(len(asked), len(set(asked)), f"{name}: asked twice")
                self.assertLess(worst, 0.08, name)
                self.assertEqual(large.loose, ())
                means.append(mean)
        self.assertLess(np.mean(means), 0.0175)

    def test_kits_come_to_enough(self):
        kits = shipped_kits()
        for name in list(kits)[: times(3)]:
            if kits[name].unit is None or kits[name].unit.along == "straight":
                continue
            rng = np.random.default_rng(1)
            asked, _, worst, large = self.follow(*self.of_kit(kits[name], rng), rng)
            self.assertLess(len(asked), 9 * large.landmarks, name)
            self.assertEqual(len(asked), len(set(asked)), f"{name}: asked twice")
            self.assertLess(worst, 0.08, name)


class Tiers(unittest.TestCase):
    def setUp(self):
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (1.0, 0.0), "d": (1.0, 1.0)}
        self.study = study_of(
            places,
            [
                Span(id="s1", start="a", end="c", along="level", units=1.0, towards="right"),
                Span(id="s2", start="a", end="b", along="level", units=0.0, towards="right"),
            ],
            tiers={"d": 2},
        )

    def told(self, **how):
        solution = solve(self.study)
        return tiers(solution, sliding(solution), **how)

    def test_what_is_loose_and_what_nothing_checks_is_told_by_tier(self):
        large, middle = self.told()
        self.assertEqual((large.tier, large.landmarks, large.loose), (1, 3, ("c",)))
        self.assertFalse(large.sure)
        self.assertEqual((middle.tier, middle.loose), (2, ("d",)))
        self.assertEqual(set(large.unchecked), {"s1", "s2"})

    def test_what_cannot_be_seen_is_not_waited_for(self):
        (large,) = self.told(unseen=("c", "d"))
        self.assertEqual(large.landmarks, 2)
        self.assertEqual(large.loose, ())

    def test_the_artist_s_own_tolerance_is_what_is_enough(self):
        self.assertTrue(self.told(enough=0.5, unseen=("c",))[0].sure)
        self.assertFalse(self.told(enough=0.001, unseen=("c",))[0].sure)

    def test_it_is_said_how_sure_they_are_and_what_may_be_done_then(self):
        words = Words({}, "jug", 100.0)
        large, _ = self.told()
        self.assertEqual(say_tier(words, large), "Large shapes: 2 of 3 held.")
        (sure,) = self.told(unseen=("c", "d"))
        self.assertIn("will do.", say_tier(words, sure))
        self.assertIn("go on to the middle shapes", say_enough(1, 3))
        self.assertEqual(say_enough(2, 2), "Everything stands: draw it.")
        self.assertEqual(
            (say_on(1, 2), say_on(2, 2)), ("On to the middle shapes", "Sight on all the same")
        )

    def test_once_all_stand_what_is_usual_is_asked(self):
        solution = solve(self.study)
        usual = Next((suggested("tilt", "a", "d"),), (), ())
        self.assertEqual(sight_for(solution, (), usual).next, usual)


class AsHeld(unittest.TestCase):
    def order(self, readings, *asked):
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (1.0, 0.0), "d": (1.0, 1.0)}
        found = as_held(solve(study_of(places, readings)), asked)
        return [(each.kind, each.start + each.end) for each in found]

    def test_from_what_stands_to_what_does_not(self):
        between, tied = suggested("tilt", "c", "d"), suggested("tilt", "a", "c")
        self.assertEqual(self.order([], between, tied), [("tilt", "ac"), ("tilt", "cd")])

    def test_one_landmark_s_together_and_the_stick_held_as_it_was(self):
        read = [Span(id="s1", start="a", end="c", along="level", units=1.0, towards="right")]
        asked = suggested("tilt", "b", "d"), suggested("tilt", "a", "c")
        self.assertEqual(self.order(read, *asked), [("tilt", "ac"), ("tilt", "bd")])
        asked = suggested("tilt", "a", "d"), suggested("span", "a", "d", "level")
        self.assertEqual(self.order(read, *asked), [("span", "ad"), ("tilt", "ad")])

    def test_one_look_is_not_taken_twice_under_two_names(self):
        read = [Span(id="s1", start="a", end="c", along="level", units=1.0, towards="right")]
        again, other = suggested("drop", "a", "c"), suggested("level", "a", "c")
        self.assertEqual(len(self.order(read, again, other)), 1)
        self.assertEqual(self.order(read, again), [("drop", "ac")])


if __name__ == "__main__":
    unittest.main()
