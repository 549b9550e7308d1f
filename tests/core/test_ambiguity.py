"""Placements that may be wrong are said, with the reading that would tell."""

import unittest
from dataclasses import replace

import numpy as np

from tests.networks import study_of
from zirkel.core.network.ambiguity import ambiguities
from zirkel.core.network.search import adjust
from zirkel.core.sightings import Drop, Level, Span
from zirkel.core.words.base import words_of
from zirkel.core.words.network import say_ambiguity

HELD = (
    Drop(id="s1", start="a", end="b"),
    Span(id="s2", start="a", end="c", along="level", towards="right", units=1.0),
    Level(id="s3", start="a", end="c", offset=0.5),
)
TWO_ARCS = (
    Span(id="s4", start="a", end="d", along="straight", units=1.3),
    Span(id="s5", start="b", end="d", along="straight", units=1.0),
)


def study(tapped, *more):
    """d is known by its distances from a and b alone, which lie upright: it may lie at either side,
    0.97 units from their plumb (y = 0.5 + (1.3^2 - 1) / 2 = 0.845, x = sqrt(1.69 - 0.714))."""
    places = {"a": (0, 0), "b": (0, 1), "c": (1.0, 0.5), "d": tapped}
    return study_of(places, (*HELD, *TWO_ARCS, *more))


class UpsideDown(unittest.TestCase):
    def said(self, off):
        """Two levels, from either end of the unit to c, cannot both hold: a unit either way up
        meets them as badly, but for how far off the second is."""
        readings = (
            Span(id="s1", start="a", end="c", along="level", towards="right", units=1.0),
            Level(id="s2", start="a", end="c", offset=0.0),
            Level(id="s3", start="b", end="c", offset=off),
            Level(id="s4", start="a", end="d", offset=0.2),
            Drop(id="s5", start="a", end="d", offset=0.5),
        )
        places = {"a": (0, 0), "b": (0, 1), "c": (1.0, 0.1), "d": (0.5, 0.2)}
        return [e for e in ambiguities(adjust(study_of(places, readings))) if e.landmark == "b"]

    def test_a_unit_that_fits_either_way_up_is_said_with_what_would_tell(self):
        (told,) = self.said(0.004)
        np.testing.assert_allclose(told.other, (0.0, -1.0), atol=1e-9)
        self.assertIsNotNone(told.telling)
        words = words_of(study_of({"a": (0, 0), "b": (0, 1), "c": (1, 0.1)}), 100.0)
        self.assertIn("may just as well lie 2", say_ambiguity(words, told, (0.0, 1.0)))
        for off in (-0.05, 0.05):
            self.assertEqual(self.said(off), [])


class Mirrors(unittest.TestCase):
    def test_either_side_fits_where_the_tap_does_not_tell(self):
        adjusted = adjust(study((0.05, 0.8)))
        told = ambiguities(adjusted)
        self.assertEqual([each.landmark for each in told], ["d"])
        here = adjusted.places[adjusted.network.index["d"]]
        np.testing.assert_allclose(told[0].other, (-here[0], here[1]), atol=0.06)
        self.assertAlmostEqual(abs(here[0]), 0.988, delta=0.01)
        said = say_ambiguity(words_of(adjusted.network.study), told[0], tuple(here))
        self.assertRegex(said, r"d may just as well lie .* (left|right)")
        self.assertIn("would tell", said)

    def test_a_clear_tap_settles_it(self):
        self.assertEqual(ambiguities(adjust(study((0.95, 0.8)))), ())

    def test_the_reading_that_would_tell_does(self):
        before = study((0.05, 0.8))
        told = ambiguities(adjust(before))[0].telling
        self.assertEqual((told.end, told.kind), ("d", "drop"))
        where = adjust(before).places[adjust(before).network.index["d"]]
        start = adjust(before).places[adjust(before).network.index[told.start]]
        reading = Drop(id="n", start=told.start, end="d", offset=float(where[0] - start[0]))
        after = replace(before, sightings=(*before.sightings, reading))
        self.assertEqual(ambiguities(adjust(after)), ())


class Far(unittest.TestCase):
    def test_a_landmark_far_from_its_tap_is_asked_about(self):
        places = {"a": (0, 0), "b": (0, 1), "c": (1.0, 0.5), "d": (-1.0, 2.0)}
        more = (
            Span(id="s4", start="c", end="d", along="level", towards="right", units=1.0),
            Level(id="s5", start="c", end="d", offset=0.5),
        )
        adjusted = adjust(study_of(places, (*HELD, *more)))
        told = ambiguities(adjusted)
        self.assertEqual([(each.landmark, each.other) for each in told], [("d", None)])
        here = tuple(adjusted.places[adjusted.network.index["d"]])
        said = say_ambiguity(words_of(adjusted.network.study), told[0], here)
        self.assertIn("from where you tapped it", said)


if __name__ == "__main__":
    unittest.main()
