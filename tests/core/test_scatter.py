"""A hand that scatters more than was believed accuses no reading; a wrong reading is no scatter."""

import unittest
from dataclasses import replace

from tests.core.test_doubts import spoiled
from tests.networks import RandomNetwork
from zirkel.commands.settings import BelieveScatter
from zirkel.core.network.slack import SDS
from zirkel.core.network.solve import solve
from zirkel.core.simulation.observer import true_value, with_value
from zirkel.core.worked import Worked

TRIES = 16


def sighted_by(seed, factor):
    """A drawing in which every error is `factor` times as large as it is believed to be."""
    network = RandomNetwork(3000 + seed, n=20, per=4, kinds="stdl", tap=0.1)
    study = network.study
    wider = []
    for each in study.sightings:
        true = true_value(each, network.truth)
        error = each.value - true
        if each.period is not None:
            half = each.period / each.inside / 2
            error = (error + half) % (2 * half) - half
        value = true + factor * error
        if each.period is not None:
            value %= each.period / each.inside
        elif each.kind == "span":
            value = max(value, 0.01)
        wider.append(with_value(each, value))
    return replace(study, sightings=tuple(wider))


class Scatter(unittest.TestCase):
    def test_a_hand_that_scatters_more_accuses_hardly_any_reading(self):
        for factor, least in ((1.5, 10), (2.0, 14)):
            accused = found = 0
            for seed in range(TRIES):
                solution = solve(sighted_by(seed, factor))
                accused += bool(solution.doubts)
                found += solution.scatter > 1.0
            self.assertLessEqual(accused, 3, factor)
            self.assertGreaterEqual(found, least, factor)

    def test_a_usual_hand_is_left_in_peace(self):
        told = [solve(sighted_by(seed, 1.0)).scatter for seed in range(TRIES)]
        self.assertLessEqual(sum(each > 1.0 for each in told), 2)

    def test_the_areas_drawn_are_widened_by_it(self):
        seed = next(s for s in range(TRIES) if solve(sighted_by(s, 2.0)).scatter > 1.5)
        worked = Worked(replace(sighted_by(seed, 2.0), unit_mm=60.0))
        for name, place in worked.solution.landmarks.items():
            slack = worked.plan.marks[name].slack
            if place.sd_x is None or slack is None or name in ("p0", "p1"):
                continue
            widest = max(place.sd_x, place.sd_y) * 60.0 * worked.solution.scatter * SDS
            self.assertGreaterEqual(slack.longer, 0.999 * widest)

    def test_a_wrong_reading_is_not_taken_for_scatter(self):
        named = 0
        for seed in range(TRIES):
            study, wrong = spoiled(seed, 1)
            solution = solve(study)
            named += bool(solution.doubts) and solution.doubts[0].sighting == wrong[0]
        self.assertGreaterEqual(named, TRIES - 4)

    def test_it_is_said_and_can_be_made_one_s_own(self):
        seed = next(s for s in range(TRIES) if solve(sighted_by(s, 2.0)).scatter > 1.5)
        worked = Worked(sighted_by(seed, 2.0))
        again = Worked(BelieveScatter(factor=worked.solution.scatter).made(worked.study))
        self.assertEqual(again.solution.scatter, 1.0)
        self.assertEqual(again.solution.doubts, ())


if __name__ == "__main__":
    unittest.main()
