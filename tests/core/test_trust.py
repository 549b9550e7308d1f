"""Trust: factors planted in the noise are recovered within their own stated uncertainty."""

import unittest
from dataclasses import replace

import numpy as np

from tests.networks import RandomNetwork
from zirkel.core.network.search import adjust
from zirkel.core.network.trust import ENOUGH, personal_trust
from zirkel.core.simulation.observer import observe

TRUE = {"span": 0.6, "tilt": 1.8, "drop": 1.0, "level": 1.0}


def sighted(seed: int):
    """A study read by someone good at spans and bad at tilts."""
    network = RandomNetwork(seed, n=30, per=6, kinds="stdl", tap=0.05)
    rng = np.random.default_rng(seed)
    readings = []
    for each in network.study.sightings:
        usual = each.default_sigma(in_mm=False)
        noisy = observe(
            replace(each, sigma=usual * TRUE[each.kind]), network.truth, rng, rounded=False
        )
        readings.append(replace(noisy, sigma=None))
    return replace(network.study, sightings=tuple(readings))


class Components(unittest.TestCase):
    def test_true_factors_are_recovered(self):
        ratios: dict[str, list[float]] = {}
        inside = total = 0
        for seed in range(12):
            for each in personal_trust(adjust(sighted(seed))):
                ratios.setdefault(each.kind, []).append(each.estimate / TRUE[each.kind])
                inside += abs(each.estimate - TRUE[each.kind]) < 2.5 * each.sd
                total += 1
        for kind, values in ratios.items():
            self.assertAlmostEqual(float(np.mean(values)), 1.0, delta=0.12, msg=kind)
        self.assertGreaterEqual(inside / total, 0.9)

    def test_a_clear_difference_is_offered_and_nothing_is_applied(self):
        study = sighted(3)
        found = {each.kind: each for each in personal_trust(adjust(study))}
        self.assertTrue(found["tilt"].offered)
        self.assertTrue(found["span"].offered)
        self.assertEqual(found["tilt"].set_now, 1.0)
        taken = replace(study, trust={k: c.estimate for k, c in found.items()})
        again = {each.kind: each for each in personal_trust(adjust(taken))}
        self.assertFalse(again["tilt"].offered)
        self.assertAlmostEqual(again["tilt"].estimate, found["tilt"].estimate, delta=0.05)

    def test_too_few_readings_are_no_reason(self):
        study = RandomNetwork(2, n=5, per=3, kinds="stdl").study
        for each in personal_trust(adjust(study)):
            self.assertLess(each.redundancy, ENOUGH)
            self.assertIsNone(each.estimate)
            self.assertFalse(each.offered)


if __name__ == "__main__":
    unittest.main()
