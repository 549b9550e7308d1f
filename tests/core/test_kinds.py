"""Every kind states an equation whose derivative is right, and values worked by hand."""

import unittest

import numpy as np

from tests.networks import study_of
from zirkel.core.network.solve import solve
from zirkel.core.sightings import (
    KINDS,
    Drop,
    Level,
    Match,
    Order,
    Parallel,
    Part,
    Run,
    Sighting,
    Span,
    Tilt,
)
from zirkel.core.simulation.observer import true_value, with_value

TRUTH = {
    "a": np.array([0.2, 0.1]),
    "b": np.array([1.7, 0.9]),
    "c": np.array([0.9, 1.6]),
    "d": np.array([2.4, 0.3]),
}

EXAMPLES: list[tuple[Sighting, float]] = [
    (Span(id="1", start="a", end="b", along="straight", units=1), np.hypot(1.5, 0.8)),
    (Span(id="2", start="a", end="b", along="level", towards="left", units=1), -1.5),
    (Span(id="3", start="b", end="a", along="plumb", towards="up", units=1), 0.8),
    # atan2(1.5, -0.8) from 12 o'clock: 90 + atan(0.8 / 1.5) = 118.0725 degrees
    (Tilt(id="4", start="a", end="b", degrees=0), 118.07248693585296),
    (Drop(id="5", start="a", end="b"), 1.5),
    (Level(id="6", start="b", end="a"), -0.8),
    (Part(id="7", start="a", end="b", at="c", along="level", fraction=0.5), 0.7 / 1.5),
    (Part(id="8", start="a", end="b", at="c", along="plumb", fraction=0.5), 1.5 / 0.8),
    # (0.7 * 1.5 + 1.5 * 0.8) / (1.5^2 + 0.8^2) = 2.25 / 2.89
    (Part(id="9", start="a", end="b", at="c", along="straight", fraction=0.5), 2.25 / 2.89),
    # (1.5 * 1.5 - 0.8 * 0.7) / 1.7
    (Run(id="10", start="a", end="b", hits="c"), 1.69 / 1.7),
    (Match(id="11", first=("a", "b"), second=("c", "d"), along="level"), 1.0),
    (Match(id="12", first=("a", "b"), second=("d", "c"), along="plumb"), 0.8 / 1.3),
    (Parallel(id="13", first=("a", "b"), second=("a", "b")), 0.0),
    (Order(id="14", first="a", second="b", axis="lower"), -0.8),
]


class Equations(unittest.TestCase):
    def test_values_worked_by_hand(self):
        for reading, value in EXAMPLES:
            with self.subTest(reading=reading.id, kind=reading.kind):
                self.assertAlmostEqual(true_value(reading, TRUTH), value, places=12)

    def test_every_kind_has_an_example(self):
        self.assertEqual({reading.kind for reading, _ in EXAMPLES}, set(KINDS))

    def test_derivatives_agree_with_differences(self):
        for reading, _ in EXAMPLES:
            kind = type(reading)
            p = np.array([[TRUTH[name] for name in reading.landmarks]])
            columns, e = kind.columns([reading], p), np.array([0.03])
            made = kind.equation(columns, p, e)
            for place in np.ndindex(p.shape[1:]):
                step = np.zeros_like(p)
                step[0][place] = 1e-6
                ahead = kind.equation(columns, p + step, e).fitted
                behind = kind.equation(columns, p - step, e).fitted
                slope = kind.misfit(ahead - behind) / 2e-6
                with self.subTest(kind=kind.kind, reading=reading.id, place=place):
                    self.assertAlmostEqual(slope[0], made.by_place[0][place], places=7)
            if made.by_drift is not None:
                ahead = kind.equation(columns, p, e + 1e-6).fitted
                slope = (ahead - made.fitted) / 1e-6
                self.assertAlmostEqual(slope[0], made.by_drift[0], places=6)

    def test_coming_near_has_the_same_zero(self):
        for reading, value in EXAMPLES:
            if not reading.holds or reading.kind == "run":
                continue
            exact = _saying(reading, value)
            kind = type(exact)
            p = np.array([[TRUTH[name] for name in exact.landmarks]])
            made = kind.approach(kind.columns([exact], p), p)
            with self.subTest(kind=kind.kind, reading=reading.id):
                self.assertAlmostEqual(made.misclosure[0], 0.0, places=12)

    def test_a_span_without_a_side_follows_the_thumbnail(self):
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (-2.0, 0.4)}
        readings = (
            Span(id="s1", start="a", end="c", along="level", units=1.5),
            Level(id="s2", start="a", end="c", offset=0.5),
        )
        place = solve(study_of(places, readings)).landmarks["c"]
        self.assertAlmostEqual(place.x, -1.5, places=9)
        self.assertAlmostEqual(place.y, 0.5, places=9)

    def test_ten_and_four_o_clock_are_one_tilt(self):
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (1.5, 1.0)}
        for end in (("a", "c"), ("c", "a")):
            readings = (
                Tilt(id="s1", start=end[0], end=end[1], degrees=120.0),
                Span(id="s2", start="a", end="c", along="level", towards="right", units=1.7320508),
            )
            place = solve(study_of(places, readings)).landmarks["c"]
            self.assertAlmostEqual(place.y, 1.0, places=6)


class AcrossNothing(unittest.TestCase):
    """A part across two points that stand plumb: no hand reads it, and nothing may hang on it."""

    def test_nothing_comes_loose_by_it(self):
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (1.5, 1.0), "d": (0.02, 0.5)}
        readings = (
            Drop(id="s0", start="a", end="b"),
            Span(id="s1", start="a", end="c", along="level", towards="right", units=1.5),
            Level(id="s2", start="b", end="c"),
            Part(id="s3", start="a", end="b", at="d", along="plumb", fraction=0.5),
        )
        halved = Part(id="s4", start="a", end="b", at="d", along="level", fraction=0.5)
        for name in "ac":
            before = solve(study_of(places, readings)).landmarks[name]
            after = solve(study_of(places, (*readings, halved))).landmarks[name]
            self.assertIsNotNone(after.sd_x)
            self.assertAlmostEqual(after.x, before.x, places=3)
            self.assertAlmostEqual(after.sd_x, before.sd_x, delta=0.005)

    def test_its_derivative_agrees_with_differences_too(self):
        near = {"a": (0.2, 0.1), "b": (0.23, 0.12), "c": (0.5, 0.4)}
        p = np.array([[near[name] for name in "abc"]])
        for along in ("level", "plumb", "straight"):
            reading = Part(id="1", start="a", end="b", at="c", along=along, fraction=0.4)
            columns, e = Part.columns([reading], p), np.array([0.03])
            made = Part.equation(columns, p, e)
            for place in np.ndindex(p.shape[1:]):
                step = np.zeros_like(p)
                step[0][place] = 1e-6
                ahead = Part.equation(columns, p + step, e).fitted
                behind = Part.equation(columns, p - step, e).fitted
                slope = (ahead - behind) / 2e-6
                with self.subTest(along=along, place=place):
                    self.assertAlmostEqual(slope[0], made.by_place[0][place], places=6)


def _saying(reading: Sighting, value: float) -> Sighting:
    return with_value(reading, value)


if __name__ == "__main__":
    unittest.main()
