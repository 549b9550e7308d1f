"""The eye's record with simulated eyes: intervals, spread, verdicts on change, forced choices."""

from __future__ import annotations

import numpy as np
from tests.core.practice.test_days import trials as moody

from zirkel.core.practice.choices import next_difference, read_choices
from zirkel.core.practice.estimate import read_eye
from zirkel.core.practice.exercises import LINES
from zirkel.core.practice.eye import BETTER, UNKNOWN
from zirkel.core.practice.trials import Trial
from zirkel.core.simulation.eye import SimulatedEye, answers

EYES = 400
BIAS, SPREAD = 0.012, 0.05
HALF, GAP = LINES["half"], LINES["larger_gap"]


def _trials(seed: int, count: int, weeks: float, per_week: float, slips: float) -> list[Trial]:
    rng = np.random.default_rng(seed)
    days = np.sort(rng.uniform(0.0, 7.0 * weeks, count)).tolist()
    eye = SimulatedEye(BIAS, SPREAD, per_week, slips)
    return answers(eye, HALF, [0.5] * count, days, rng)


def main() -> None:
    """Answers that are set, then forced choices."""
    for count, weeks, slips in ((12, 0.5, 0.0), (40, 2.0, 0.0), (160, 8.0, 0.0), (160, 8.0, 0.03)):
        found = [read_eye(_trials(seed, count, weeks, 0.0, slips)) for seed in range(EYES)]
        inside = np.mean([abs((e.bias or 0) - BIAS) < 1.96 * (e.bias_sd or 0) for e in found])
        spread = np.array([(e.spread or 0.0) / SPREAD for e in found])
        false = np.mean([e.change.verdict != UNKNOWN for e in found])
        print(f"{count} trials, {slips:.0%} slips: bias within its 95 % interval {inside:.1%}; "
              f"spread {spread.mean():.3f} of the true one; verdicts where nothing changes "
              f"{false:.1%}")  # fmt: skip
    for slips in (0.0, 0.03):
        told = np.mean([
            read_eye(_trials(seed, 160, 8.0, np.log(0.9), slips)).change.verdict == BETTER
            for seed in range(EYES)
        ])  # fmt: skip
        print(
            f"better by 10 % a week over eight weeks of twenty, {slips:.0%} slips: told {told:.1%}"
        )
    for tau, omega in ((0.0, 0.0), (0.5, 0.2), (0.8, 0.35)):
        for days, a_day in ((5, 4), (1, 20)):
            same = [read_eye(moody(seed, 0.0, tau, omega, 8, days, a_day)) for seed in range(EYES)]
            gain = [
                read_eye(moody(seed, np.log(0.9), tau, omega, 8, days, a_day)).change.verdict
                for seed in range(EYES)
            ]
            inside = np.mean([abs((e.bias or 0) - BIAS) < 1.96 * (e.bias_sd or 0) for e in same])
            false = np.mean([e.change.verdict != UNKNOWN for e in same])
            told = np.mean([each == BETTER for each in gain])
            print(f"moods {tau:g} and {omega:g}, {days} days a week of {a_day}: bias within "
                  f"{inside:.1%}, falsely changed {false:.1%}, 10 % a week told {told:.1%}",
                  flush=True)  # fmt: skip
    looked = 0
    for seed in range(100):
        trials = _trials(seed, 240, 10.0, 0.0, 0.0)
        looked += any(
            read_eye(trials[:upto]).change.verdict != UNKNOWN for upto in range(30, 241, 5)
        )
    print(f"looked at after every five trials for ten weeks: ever told a change {looked} of 100")
    for factor in (0.5, 1.0, 2.0):
        eye = SimulatedEye(0.01, factor * GAP.usual)
        ratios = []
        for seed in range(100):
            rng = np.random.default_rng(seed)
            trials: list[Trial] = []
            for number in range(40):
                size = next_difference(trials, GAP.usual)
                shown = size if rng.random() < 0.5 else -size
                trials += answers(eye, GAP, [shown], [number / 20.0], rng)
            ratios.append((read_choices(trials, GAP.usual).spread or 0.0) / eye.spread)
        off = np.abs(np.array(ratios) - 1.0)
        print(f"40 forced choices, an eye of {factor:g} times the usual error: threshold "
              f"{np.mean(ratios):.2f} of the true one, half of all within {np.median(off):.0%}, "
              f"within 20 %: {np.mean(off < 0.2):.0%}")  # fmt: skip
