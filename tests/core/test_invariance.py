"""What must not change an answer does not, and identities of least squares hold."""

import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from tests import examples
from tests.networks import RandomNetwork, study_of
from zirkel.core.network.adjust import place_covariance
from zirkel.core.network.assemble import DRIFT_SIGMA
from zirkel.core.network.search import adjust
from zirkel.core.network.solve import slide_direction, solve
from zirkel.core.sightings import Drop, Level, Span, Tilt
from zirkel.core.study import UnitPair

SEEDS = st.integers(0, 5_000)


def firm(seed: int, n: int = 9, **options) -> RandomNetwork:
    """A network in which nothing is loose."""
    return RandomNetwork(seed, n=n, per=4, kinds="stdlp", tap=0.05, firm=True, **options)


class Identities(unittest.TestCase):
    @examples(25)
    @given(SEEDS)
    def test_redundancies_add_up_to_the_degrees_of_freedom(self, seed):
        """trace(I - A Q A') over readings and expected drifts is m + t - u."""
        adjusted = adjust(firm(seed).study)
        t = len(adjusted.drifts)
        own = adjusted.cofactor[-t:, -t:].diagonal() if t else np.zeros(0)
        drifts = (1.0 - own / DRIFT_SIGMA**2).sum()
        self.assertAlmostEqual(adjusted.redundancy.sum() + drifts, adjusted.freedom, delta=1e-4)

    @examples(25)
    @given(SEEDS)
    def test_covariances_are_symmetric_and_never_negative(self, seed):
        covariance = place_covariance(adjust(firm(seed).study))
        np.testing.assert_allclose(covariance, covariance.transpose(0, 2, 1), atol=1e-12)
        self.assertGreater(np.linalg.eigvalsh(covariance).min(), -1e-12)

    @examples(15)
    @given(SEEDS)
    def test_misfits_stand_square_to_what_the_places_can_do(self, seed):
        """At the least sum of squares A'v = 0."""
        adjusted = adjust(firm(seed).study)
        pull = adjusted.linear.rhs
        size = np.sqrt(adjusted.linear.normal.diagonal())
        self.assertLess(np.abs(pull / size).max(), 1e-5)


class Irrelevant(unittest.TestCase):
    @examples(15)
    @given(SEEDS)
    def test_other_names_make_no_difference(self, seed):
        study = firm(seed).study
        new = {each.id: f"z{len(study.landmarks) - i}" for i, each in enumerate(study.landmarks)}

        def renamed(reading):
            fields = {
                name: new[value] if role == "landmark" else tuple(new[each] for each in value)
                for name, role in type(reading).landmark_slots()
                for value in [getattr(reading, name)]
            }
            return replace(reading, **fields)

        other = replace(
            study,
            landmarks=tuple(replace(each, id=new[each.id]) for each in study.landmarks),
            sightings=tuple(renamed(each) for each in study.sightings),
            unit=UnitPair(new[study.unit.start], new[study.unit.end], "plumb", "unit"),
        )
        np.testing.assert_allclose(adjust(other).places, adjust(study).places, atol=1e-8)

    @examples(15)
    @given(SEEDS, st.integers(0, 30))
    def test_a_struck_reading_is_as_if_never_taken(self, seed, number):
        study = firm(seed).study
        number %= len(study.sightings)
        struck = tuple(
            replace(s, struck=True) if i == number else s for i, s in enumerate(study.sightings)
        )
        gone = tuple(s for i, s in enumerate(study.sightings) if i != number)
        one = adjust(replace(study, sightings=struck))
        other = adjust(replace(study, sightings=gone))
        np.testing.assert_allclose(one.places, other.places, atol=1e-10)

    @examples(15)
    @given(SEEDS)
    def test_a_level_span_counts_the_same_from_either_end(self, seed):
        study = firm(seed).study
        other_way = {"left": "right", "right": "left", "up": "down", "down": "up", None: None}

        def turned(each):
            if not isinstance(each, Span):
                return each
            way = other_way[each.towards]
            return replace(each, start=each.end, end=each.start, towards=way)

        turned_study = replace(study, sightings=tuple(turned(s) for s in study.sightings))
        np.testing.assert_allclose(adjust(turned_study).places, adjust(study).places, atol=1e-8)

    def test_a_sharper_reading_pulls_harder(self):
        places = {"a": (0, 0), "b": (0, 1), "c": (1, 1)}
        for sigma, expected in ((0.03, 1.1), (0.01, 1.18), (0.09, 1.02)):
            readings = (
                Drop(id="s1", start="a", end="c", offset=1.0, sigma=0.03),
                Drop(id="s2", start="a", end="c", offset=1.2, sigma=sigma),
                Level(id="s3", start="a", end="c", offset=1.0),
            )
            found = solve(study_of(places, readings)).landmarks["c"].x
            self.assertAlmostEqual(found, expected, places=6)


class Directions(unittest.TestCase):
    def test_ways_to_slide(self):
        for degrees in (17.0, 60.0, 135.0):
            way = np.array([np.sin(np.radians(degrees)), -np.cos(np.radians(degrees))])
            self.assertAlmostEqual(slide_direction(np.outer(way, way)), degrees)
        self.assertEqual(slide_direction(np.diag([1.0, 0.0])), "level")
        self.assertEqual(slide_direction(np.diag([0.0, 1.0])), "plumb")
        self.assertEqual(slide_direction(np.eye(2)), "both")
        self.assertIsNone(slide_direction(np.zeros((2, 2))))

    def test_a_chain_slides_together(self):
        """d hangs on c, and c is loose along a tilt: both slide along it."""
        places = {"a": (0, 0), "b": (0, 1), "c": (1, 0.6), "d": (1.5, 0.6)}
        readings = (
            Drop(id="s0", start="a", end="b"),
            Tilt(id="s1", start="a", end="c", degrees=120.0),
            Drop(id="s2", start="c", end="d", offset=0.5),
            Level(id="s3", start="c", end="d", offset=0.0),
        )
        loose = {each.landmark: each.direction for each in solve(study_of(places, readings)).loose}
        self.assertEqual(set(loose), {"c", "d"})
        self.assertAlmostEqual(loose["c"], 120.0, places=3)
        self.assertAlmostEqual(loose["d"], 120.0, places=3)


if __name__ == "__main__":
    unittest.main()
