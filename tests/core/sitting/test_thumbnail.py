"""What a thumbnail is really worth, against thumbnails tapped again and again."""

import unittest
from dataclasses import replace

import numpy as np

from tests import times
from zirkel.core.network.candidates import TAP, as_tapped, prior_cofactor
from zirkel.core.network.search import adjust
from zirkel.core.sightings import Drop, Level, Span
from zirkel.core.study import Landmark, Sheet, Study, UnitLength, UnitPair

PLACES = {"a": (0.0, 0.0), "b": (0.1, 1.0), "c": (3.0, 0.5), "d": (-1.5, 4.0), "e": (0.4, 5.0)}
EACH = TAP / np.sqrt(2.0)
SEEDS = times(200)


def tapped(seed, unit=None, sightings=()):
    """A study of those places with a thumbnail tapped as thumbnails are, in a scale of its own."""
    rng = np.random.default_rng(seed)
    size = float(rng.uniform(0.3, 3.0))
    landmarks = []
    for name, at in PLACES.items():
        x, y = size * (np.array(at) + rng.normal(0.0, EACH, 2))
        landmarks.append(Landmark(name, name, 1, (float(x), float(y))))
    return Study(
        "Thumbnails", "comparative", Sheet(300.0, 400.0), tuple(landmarks),
        sightings=tuple(sightings), unit=unit or UnitPair("a", "b", "plumb", "unit"),
    )  # fmt: skip


def spread(sightings=()):
    """(2n, 2n) mean squared errors over many thumbnails, and what is said of one of them."""
    true = np.array(list(PLACES.values())).ravel()
    made = []
    for seed in range(SEEDS):
        found = adjust(tapped(seed, sightings=sightings))
        made.append(found.places.ravel() - true)
    exact = [Landmark(name, name, 1, (float(x), float(y))) for name, (x, y) in PLACES.items()]
    study = replace(tapped(0, sightings=sightings), landmarks=tuple(exact))
    told = as_tapped(adjust(study))
    errors = np.array(made)
    return errors.T @ errors / SEEDS, told[: errors.shape[1], : errors.shape[1]]


class Thumbnail(unittest.TestCase):
    def test_before_any_reading_it_is_as_good_as_said(self):
        """Most of what is off far from the unit is the scale of the unit's two taps."""
        found, told = spread()
        for name, k in (("c", 4), ("d", 6), ("e", 8)):
            for axis in (0, 1):
                ratio = np.sqrt(found[k + axis, k + axis] / told[k + axis, k + axis])
                self.assertAlmostEqual(ratio, 1.0, delta=0.25, msg=(name, axis))
        self.assertGreater(told[9, 9], 4.0 * told[8, 8])

    def test_what_lies_far_from_the_unit_goes_together(self):
        found, told = spread()
        seen = found[7, 9] / np.sqrt(found[7, 7] * found[9, 9])
        said = told[7, 9] / np.sqrt(told[7, 7] * told[9, 9])
        self.assertAlmostEqual(seen, said, delta=0.15)
        self.assertGreater(said, 0.8)

    def test_spans_that_are_read_give_the_scale(self):
        """Once a long span is read, what it doesn't hold is no longer off by the unit's taps."""
        span = Span(id="s", start="a", end="e", along="plumb", units=5.0, towards="down")
        _, before = spread()
        found, after = spread([span])
        self.assertLess(after[7, 7], 0.5 * before[7, 7])
        self.assertLess(found[7, 7], 0.5 * before[7, 7])

    def test_what_readings_hold_is_not_made_less_sure(self):
        readings = [
            Span(id="x", start="a", end="c", along="level", units=3.0, towards="right"),
            Level(id="y", start="b", end="c", offset=-0.5),
            Drop(id="z", start="a", end="b", offset=0.1),
        ]
        study = tapped(1, sightings=readings)
        adjusted = adjust(study)
        told, loose_word = as_tapped(adjusted), prior_cofactor(adjusted)
        for k in (2, 4, 5):
            self.assertAlmostEqual(told[k, k], loose_word[k, k], delta=0.1 * loose_word[k, k])

    def test_the_unit_s_own_ends_are_where_they_are(self):
        told = as_tapped(adjust(tapped(3)))
        for k in (0, 1, 3):
            self.assertAlmostEqual(told[k, k], 0.0)

    def test_in_millimetres_there_is_no_scale_to_be_off_by(self):
        study = tapped(2, UnitLength(1.0, "mm", "a"))
        told = as_tapped(adjust(study))
        self.assertAlmostEqual(told[8, 8], told[4, 4])
        self.assertTrue((np.linalg.eigvalsh(told) > -1e-9).all())

    def test_it_is_a_covariance(self):
        for seed in range(5):
            told = as_tapped(adjust(tapped(seed)))
            self.assertTrue(np.allclose(told, told.T))
            self.assertGreater(np.linalg.eigvalsh(told)[0], -1e-9)


class UpsideDown(unittest.TestCase):
    """A unit that points the other way than it was tapped has its price, and no more."""

    def study(self, true, sightings):
        landmarks = tuple(Landmark(n, n, 1, (float(x), float(y))) for n, (x, y) in true.items())
        return Study(
            "Turned", "comparative", Sheet(300.0, 400.0), landmarks, sightings=tuple(sightings),
            unit=UnitPair("a", "b", "plumb", "unit"),
        )  # fmt: skip

    def readings(self, places, flip=1.0):
        """Signed readings among all, so that they hold which side is which."""
        made = []
        names = list(places)
        for k, first in enumerate(names):
            for second in names[k + 1 :]:
                (ax, ay), (bx, by) = places[first], places[second]
                made.append(Level(id=f"l{first}{second}", start=first, end=second,
                                  offset=flip * (by - ay)))  # fmt: skip
                made.append(Drop(id=f"d{first}{second}", start=first, end=second, offset=bx - ax))
        return made

    def test_many_readings_that_say_so_are_believed(self):
        """Tapped upside down, every level reads the other way."""
        found = adjust(self.study(PLACES, self.readings(PLACES, flip=-1.0)))
        there = dict(zip(found.network.ids, found.places, strict=True))
        self.assertLess(there["b"][1], 0.0)
        self.assertTrue(found.convincing)

    def test_a_little_strain_is_not(self):
        strained = [
            Span(id="s1", start="a", end="c", along="level", units=3.0, towards="right"),
            Level(id="l1", start="b", end="c", offset=-0.42),
            Span(id="s2", start="a", end="c", along="plumb", units=0.42, towards="down"),
            Span(id="s3", start="a", end="c", along="straight", units=3.12),
            Drop(id="d1", start="a", end="b", offset=0.0),
        ]
        found = adjust(self.study(PLACES, strained))
        there = dict(zip(found.network.ids, found.places, strict=True))
        self.assertGreater(there["b"][1], 0.0)


if __name__ == "__main__":
    unittest.main()
