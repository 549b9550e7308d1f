"""The simulated artist: exact sighting gives the truth back, honest sighting fits its own
errors."""

import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from tests import examples, times
from zirkel.core.network.adjust import place_covariance
from zirkel.core.network.slack import squared_distance
from zirkel.core.network.solve import solve
from zirkel.core.sightings import Drop, Level, Span, Tilt
from zirkel.core.sightings.span import towards
from zirkel.core.simulation.artist import (
    Hand,
    fresh_study,
    sight_scene,
)
from zirkel.core.simulation.unsteady import by_an_unsteady_hand, spoil
from zirkel.core.study import Sheet
from zirkel.core.subject.faults.lean import flatter
from zirkel.core.subject.scene import seen_landmarks, truth_in_units, unit_length
from zirkel.core.subject.sight import holding
from zirkel.core.subject.stick import read_offset, read_tilt, step_off
from zirkel.scenes import shipped_scenes

SHEET = Sheet(297.0, 420.0)


def stick_readings(seen, unit, names, rng):
    """Every landmark sighted with the stick against two others: counts, offsets and tilts."""
    thumb = unit_length(seen, unit)
    made = []
    for i, name in enumerate(names):
        others = [each for each in names[:i] if each != name][-3:] or [unit.start]
        for other in others:
            if other == name:
                continue
            a, b = seen[other], seen[name]
            key = f"{other}-{name}"
            for axis, along in ((0, "level"), (1, "plumb")):
                counted = step_off(a, b, along, thumb)
                if counted.exact > 0.1:
                    made.append(Span(
                        id=f"{along} {key}", start=other, end=name, along=along,
                        towards=towards(along, *(b - a)), units=counted.said, sigma=1 / 32,
                    ))  # fmt: skip
                else:
                    kind = (Drop, Level)[axis]
                    offset = read_offset(a, b, axis, thumb)
                    made.append(kind(id=f"{along} {key}", start=other, end=name, offset=offset,
                                     sigma=1 / 32))  # fmt: skip
            if np.hypot(*(b - a)) > 0.5 * thumb:
                made.append(Tilt(id=f"tilt {key}", start=other, end=name, degrees=read_tilt(a, b)))
    return tuple(made)


class Exactly(unittest.TestCase):
    @examples(15)
    @given(st.sampled_from(sorted(shipped_scenes())), st.floats(-25.0, 25.0), st.floats(1.0, 1.6))
    def test_the_stick_gives_the_projected_truth_within_its_rounding(self, name, turn, further):
        """From any station: no landmark is further off than two roundings of an eighth, across or
        down."""
        scene = shipped_scenes()[name]
        station = replace(
            scene.station, direction_deg=turn, distance_mm=scene.station.distance_mm * further
        )
        seen = seen_landmarks(scene, station)
        truth = truth_in_units(seen, scene.unit)
        rng = np.random.default_rng(1)
        study = fresh_study(scene, station, SHEET, 0.05, rng)
        names = [each.id for each in study.landmarks]
        names.remove(scene.unit.start)
        ordered = [scene.unit.start, *names]
        study = replace(study, sightings=stick_readings(seen, scene.unit, ordered, rng))
        solution = solve(study)
        self.assertEqual(solution.loose, ())
        for landmark, place in solution.landmarks.items():
            off = np.abs(np.subtract((place.x, place.y), truth[landmark])).max()
            self.assertLess(off, 0.125, landmark)


class Honestly(unittest.TestCase):
    def test_variance_factor_is_near_one_and_the_truth_lies_where_it_is_said_to(self):
        factors, inside = [], []
        for name, scene in shipped_scenes().items():
            for seed in range(3, 3 + times(1)):
                study = sight_scene(scene, scene.station, SHEET, seed)
                solution = solve(study)
                self.assertEqual(solution.loose, (), name)
                factors.append(solution.variance_factor)
                truth = truth_in_units(seen_landmarks(scene, scene.station), scene.unit)
                covariance = place_covariance(solution.adjusted)
                ids = solution.adjusted.network.ids
                inside += [
                    squared_distance(truth[n] - solution.adjusted.places[i], covariance[i])
                    for i, n in enumerate(ids)
                    if n not in (scene.unit.start, scene.unit.end)
                ]
        self.assertAlmostEqual(float(np.mean(factors)), 1.0, delta=0.25)
        # Squared distances of two degrees of freedom: 63 % lie below 2, 86 % below 4.
        self.assertAlmostEqual(float(np.mean(np.array(inside) < 2.0)), 0.63, delta=0.12)
        self.assertAlmostEqual(float(np.mean(np.array(inside) < 4.0)), 0.86, delta=0.09)

    def test_the_same_seed_sights_the_same(self):
        scene = shipped_scenes()["bottle_and_box"]
        one, other = (sight_scene(scene, scene.station, SHEET, 3) for _ in range(2))
        self.assertEqual(one, other)
        self.assertNotEqual(one, sight_scene(scene, scene.station, SHEET, 4))

    def test_an_elbow_that_creeps_is_found_as_the_take_s_drift(self):
        scene = shipped_scenes()["bottle_and_box"]
        truth = truth_in_units(seen_landmarks(scene, scene.station), scene.unit)
        hold = holding(scene, scene.station)
        reading = Span(id="s", start="box_top_l", end="cone_r", along="level", towards="right",
                       units=3.0)  # fmt: skip
        rng = np.random.default_rng(0)
        spoiled = spoil(reading, truth, hold, {"elbow": 65.0}, 1.0, rng)
        self.assertAlmostEqual(spoiled.units, 3.0 * 0.9)
        self.assertIs(spoil(reading, truth, hold, {}, 1.0, rng), reading)

    def test_an_unsteady_hand_says_what_a_person_would(self):
        """A creeping elbow at the end of its take turns 2 1/2 into 2.5 * 0.9 = 2.25; a leaning
        stick turns 45 degrees by 11.9, said to five minutes of the clock; a plumb stays a
        plumb."""
        rng = np.random.default_rng(0)
        hold = holding(shipped_scenes()["boathouse"], shipped_scenes()["boathouse"].station)
        span = Span(id="s", start="a", end="b", along="level", towards="right", units=2.5)
        read = by_an_unsteady_hand(span, ((0, 0), (2.5, 0.3)), hold, {"elbow": 65.0}, 1.0, rng)
        self.assertEqual(read.units, 2.25)
        tilt = Tilt(id="t", start="a", end="b", degrees=45.0)
        leaned = by_an_unsteady_hand(tilt, ((0, 0), (1, -1)), hold, {"lean": 35.0}, 0.0, rng)
        self.assertEqual(
            leaned.degrees, 45.0 + round(np.degrees(flatter(np.pi / 4, 35.0)) / 2.5) * 2.5
        )
        drop = Drop(id="d", start="a", end="b", offset=-1.5)
        ends = ((0, 0), (-1.5, 2.0))
        read = by_an_unsteady_hand(drop, ends, hold, {"elbow": 65.0}, 1.0, rng)
        self.assertEqual(read.offset, -1.5)

    def test_takes_and_counts(self):
        scene = shipped_scenes()["leaf_tile"]
        study = sight_scene(scene, scene.station, SHEET, 0, Hand(per_landmark=2.0, take_length=10))
        self.assertEqual(len(study.sightings), 2 * len(study.landmarks))
        takes = {each.take_name for each in study.sightings} - {None}
        self.assertLessEqual(takes, {f"t{i}" for i in range(1, 6)})
        self.assertEqual(study.subject.scene, "leaf_tile")


if __name__ == "__main__":
    unittest.main()
