"""Doubts: the wrong reading is found first, clean drawings are left in peace, rivals are named."""

import unittest
from dataclasses import replace

import numpy as np

from tests import times
from tests.networks import RandomNetwork, hand_study, study_of
from zirkel.core.network.doubts import _snoop, _snoop_at_once
from zirkel.core.network.search import adjust
from zirkel.core.network.sigmas import sigma_of
from zirkel.core.network.solve import solve
from zirkel.core.sightings import Drop, Level, Order, Span
from zirkel.core.simulation.observer import with_value
from zirkel.core.words.base import words_of
from zirkel.core.words.network import doubt_detail, doubt_headline

WRONG_BY = 8.0
CHECKED = 0.4
TRIES = times(20)


def spoiled(seed: int, count: int):
    """A random network with `count` well-checked readings off by eight of their own sigmas."""
    network = RandomNetwork(seed, n=20 + seed % 21, per=4, kinds="stdlp", tap=0.1)
    study = network.study
    adjusted = adjust(study)
    rows = np.flatnonzero(adjusted.redundancy > CHECKED)
    rng = np.random.default_rng(seed)
    wrong = []
    for row in rng.permutation(rows):
        reading = adjusted.network.sightings[row]
        error = WRONG_BY * sigma_of(reading, study) * (1 if reading.value > 0 else -1)
        value = reading.value + error
        if reading.period is not None:
            value %= reading.period / reading.inside
        study = replace(
            study,
            sightings=tuple(
                with_value(s, value) if s.id == reading.id else s for s in study.sightings
            ),
        )
        wrong.append(reading.id)
        if len(wrong) == count:
            break
    return study, wrong


class Statistics(unittest.TestCase):
    def test_one_wrong_reading_is_the_first_doubt(self):
        first = 0
        for seed in range(TRIES):
            study, wrong = spoiled(seed, 1)
            doubts = solve(study).doubts
            first += bool(doubts) and doubts[0].sighting == wrong[0]
        self.assertGreaterEqual(first, 0.9 * TRIES)

    def test_two_wrong_readings_are_both_found(self):
        both = 0
        for seed in range(TRIES):
            study, wrong = spoiled(500 + seed, 2)
            both += set(wrong) <= {each.sighting for each in solve(study).doubts}
        self.assertGreaterEqual(both, 0.75 * TRIES)

    def test_clean_drawings_are_left_in_peace(self):
        doubted = 0
        for seed in range(2 * TRIES):
            network = RandomNetwork(900 + seed, n=20 + seed % 21, per=4, kinds="stdlp", tap=0.1)
            doubted += bool(solve(network.study).doubts)
        self.assertLess(doubted, 0.12 * 2 * TRIES)


class ByHand(unittest.TestCase):
    def test_what_the_others_expect(self):
        # Three drops say 0, one says 0.6: the others make it 0 exactly.
        readings = tuple(
            Drop(id=f"s{i}", start="a", end="c", offset=value)
            for i, value in enumerate((0.0, 0.0, 0.0, 0.6))
        )
        doubts = solve(study_of({"a": (0, 0), "b": (0, 1), "c": (0, 2)}, readings)).doubts
        self.assertEqual([each.sighting for each in doubts], ["s3"])
        self.assertAlmostEqual(doubts[0].expected, 0.0)
        # sigma = 0.03 for each zero, sqrt(0.03^2 + 0.015^2) for the other; against the mean of the
        # three, w = 0.6 / sqrt(0.03^2 + 0.015^2 + 0.03^2 / 3) = 15.89.
        w = 0.6 / (0.03**2 + 0.015**2 + 0.03**2 / 3.0) ** 0.5
        self.assertAlmostEqual(doubts[0].standardized, w)

    def test_from_where_on_a_reading_is_doubted(self):
        """At 3.29 of its own standard deviations, one in a thousand by chance: 3.2 is left in
        peace, 3.4 is not. Of v against three zeros, as above: v = w (0.0012 / (1 - 0.000625
        w^2))^(1/2)."""
        for w, doubted in ((3.2, []), (3.4, ["s3"])):
            v = w * (0.0012 / (1.0 - 0.000625 * w**2)) ** 0.5
            readings = tuple(
                Drop(id=f"s{i}", start="a", end="c", offset=value)
                for i, value in enumerate((0.0, 0.0, 0.0, v))
            )
            solution = solve(study_of({"a": (0, 0), "b": (0, 1), "c": (0, 2)}, readings))
            self.assertAlmostEqual(abs(solution.readings["s3"].standardized), w)
            self.assertEqual([each.sighting for each in solution.doubts], doubted)

    def test_two_that_check_only_each_other_are_rivals(self):
        study = hand_study()
        apart = tuple(replace(s, offset=2.6) if s.id == "s2" else s for s in study.sightings)
        study = replace(study, sightings=apart)
        doubt = solve(study).doubts[0]
        self.assertEqual({doubt.sighting, *doubt.rivals}, {"s1", "s2"})
        self.assertIn("can't be told", doubt_detail(study, words_of(study), doubt))

    def test_a_broken_order_is_doubted_and_moves_nothing(self):
        readings = (
            Drop(id="s1", start="a", end="c", offset=1.0),
            Level(id="s2", start="a", end="c", offset=0.5),
            Order(id="s3", first="a", second="c", axis="lower"),
            Order(id="s4", first="c", second="a", axis="lower"),
        )
        places = {"a": (0, 0), "b": (0, 1), "c": (1, 0.5)}
        solution = solve(study_of(places, readings))
        self.assertEqual([each.sighting for each in solution.doubts], ["s3"])
        self.assertAlmostEqual(solution.landmarks["c"].y, 0.5)
        self.assertAlmostEqual(solution.readings["s3"].residual, -0.5)

    def test_a_struck_reading_has_no_say(self):
        study = hand_study()
        struck = tuple(replace(s, struck=s.id == "s1") for s in study.sightings)
        solution = solve(replace(study, sightings=struck))
        self.assertAlmostEqual(solution.landmarks["c"].x, 2.1)
        self.assertNotIn("s1", solution.readings)

    def test_it_is_said_plainly(self):
        readings = tuple(
            Span(id=f"s{i}", start="a", end="c", along="level", towards="right", units=value)
            for i, value in enumerate((1.5, 1.5, 1.5, 1.25, 2.0))
        )
        study = study_of({"a": (0, 0), "b": (0, 1), "c": (1, 1)}, readings)
        said = doubt_headline(study, words_of(study), solve(study).doubts[0])
        self.assertEqual(said, "a to c: 2 units right. The others make it 1 7/16 units.")


class AtOnce(unittest.TestCase):
    def test_without_adjusting_again_the_same_readings_are_doubted(self):
        """On huge networks doubts are told by the correlations of the residuals alone."""
        alike = 0
        for seed in range(10):
            study, _ = spoiled(seed, 2)
            adjusted = adjust(study)
            exact, _ = _snoop(adjusted, 1.0)
            quick = _snoop_at_once(adjusted, 1.0)
            alike += {each.sighting for each in exact} == {each.sighting for each in quick}
            if exact and quick and exact[0].sighting == quick[0].sighting:
                scale = max(1.0, abs(exact[0].expected - exact[0].reads))
                self.assertLess(abs(exact[0].expected - quick[0].expected), 0.1 * scale)
        self.assertGreaterEqual(alike, 8)


if __name__ == "__main__":
    unittest.main()
