"""Takes: a change of stance is named at its true size, and only where one was."""

import unittest
from dataclasses import replace

import numpy as np

from tests.networks import RandomNetwork, study_of
from zirkel.core.network.solve import solve
from zirkel.core.sightings import Drop, Level, Span
from zirkel.core.simulation.observer import true_value
from zirkel.core.words.network import take_warning, thin_take

TRIES = 20


def drawing(seed, drift):
    """24 landmarks read in two takes, the second of which drifts."""
    return RandomNetwork(7000 + seed, n=24, per=4, kinds="sstdl", drifts=(0.0, drift)).study


def two_takes(lengths, drift=0.0):
    """The same upright lengths read in both takes, without noise."""
    places = {"a": (0.0, 0.0), "b": (0.0, 1.0)}
    places |= {f"p{i}": (0.4 + 0.3 * i, 0.0) for i in range(len(lengths))}
    places |= {f"q{i}": (0.4 + 0.3 * i, y) for i, y in enumerate(lengths)}
    readings = []
    for i, length in enumerate(lengths):
        readings += [
            Drop(id=f"d{i}", start="a", end=f"p{i}", offset=0.4 + 0.3 * i),
            Level(id=f"l{i}", start="a", end=f"p{i}"),
            Drop(id=f"e{i}", start=f"p{i}", end=f"q{i}"),
        ]
        for take, share in (("t1", 0.0), ("t2", drift)):
            readings.append(
                Span(id=f"{take}{i}", start=f"p{i}", end=f"q{i}", along="plumb", towards="down",
                     units=length * (1.0 + share), take=take)
            )  # fmt: skip
    return study_of(places, readings)


class Named(unittest.TestCase):
    def test_eight_in_a_hundred_are_named(self):
        named = [solve(drawing(seed, 0.08)).takes["t2"].significant for seed in range(TRIES)]
        self.assertGreaterEqual(sum(named), TRIES - 3)

    def test_both_ways(self):
        for drift in (-0.1, 0.1):
            takes = [solve(drawing(seed, drift)).takes["t2"] for seed in range(6)]
            told = [each for each in takes if each.significant]
            self.assertGreaterEqual(len(told), 4)
            for each in told:
                self.assertGreater(each.apart * drift, 0.0)

    def test_nothing_is_named_where_nothing_drifted(self):
        found = [solve(drawing(seed, 0.0)).takes for seed in range(TRIES)]
        self.assertLessEqual(sum(each.significant for t in found for each in t.values()), 1)

    def test_it_is_told_at_its_size_not_drawn_towards_nothing(self):
        apart = [solve(drawing(seed, 0.08)).takes["t2"].apart for seed in range(TRIES)]
        self.assertAlmostEqual(float(np.mean(apart)), 0.08, delta=0.012)

    def test_worked_by_hand(self):
        for drift in (-0.06, 0.1):
            takes = solve(two_takes([2.0, 2.5, 3.0, 2.2], drift)).takes
            self.assertAlmostEqual(takes["t2"].apart, drift, delta=0.15 * abs(drift))
            self.assertLess(takes["t2"].apart * takes["t1"].apart, 0.0)

    def test_what_is_drawn_believes_less_of_it(self):
        take = solve(two_takes([2.0, 2.5, 3.0, 2.2], 0.1)).takes["t2"]
        self.assertLess(abs(take.drift), abs(take.apart))


class Thin(unittest.TestCase):
    def test_a_take_of_one_short_length_cannot_tell(self):
        study = two_takes([2.0, 2.5, 3.0, 2.2])
        few = [each for each in study.sightings if not each.id.startswith("t2")]
        short = Span(id="lone", start="a", end="p0", along="level", towards="right", units=0.4,
                     take="t2")  # fmt: skip
        takes = solve(replace(study, sightings=(*few, short))).takes
        self.assertTrue(takes["t2"].thin)
        self.assertFalse(takes["t2"].significant)

    def test_long_lengths_read_again_tell(self):
        takes = solve(two_takes([3.0, 3.5, 4.0, 3.2, 3.6, 3.8])).takes
        self.assertFalse(takes["t2"].thin)
        self.assertFalse(takes["t2"].significant)

    def test_it_is_said_what_to_do(self):
        self.assertIn("Sight one long span of an earlier take again", thin_take("t2"))
        self.assertIn("you stepped back", take_warning("t2", -0.08))


class Observed(unittest.TestCase):
    def test_a_take_lengthens_what_is_counted_and_nothing_else(self):
        network = RandomNetwork(1, n=12, per=4, kinds="stdlp", noise=False, drifts=(0.0, 0.1))
        study = network.study
        for each in study.sightings:
            true = true_value(each, network.truth)
            if each.take_name == "t2" and each.kind == "span":
                self.assertAlmostEqual(each.value / true, 1.1, delta=0.02)
            elif each.kind in ("tilt", "part"):
                self.assertAlmostEqual(each.value, true, delta=1e-6)


if __name__ == "__main__":
    unittest.main()
