"""Four learners through a month: do the steps follow the eye, does the day's choice serve what is
weakest, is what is told of change true?"""

from __future__ import annotations

import numpy as np
from tests.learners import LEARNERS, Month, month, ratios

from zirkel.core.practice.estimate import read_record
from zirkel.core.practice.exercises import EXERCISES
from zirkel.core.practice.eye import BETTER, WORSE
from zirkel.core.practice.guesses import USUAL

MONTHS = 10
WITHIN = 4.0 / 3.0


def served(made: Month) -> float:
    """Trials an exercise of the weakest third got, over those of one of the strongest third."""
    by_error = sorted(
        EXERCISES.values(),
        key=lambda e: -max(made.spread(line, 15.0) * line.worth_mm for line in e.lines),
    )
    third = len(by_error) // 3
    shares = [made.chosen[e.name] / e.in_a_drill for e in by_error]
    return float(np.sum(shares[:third]) / max(np.sum(shares[-third:]), 1.0))


def main() -> None:
    """A line for each learner."""
    for name, learner in LEARNERS.items():
        months = [month(learner, seed) for seed in range(MONTHS)]
        found = [each for made in months for each in ratios(made).items()]
        set_at, chosen = (
            [ratio for name_, ratio in found if EXERCISES[name_].lines[0].choice is choice]
            for choice in (False, True)
        )
        verdicts = [eye.change.verdict for made in months
                    for eye in read_record(made.trials, USUAL).values()]  # fmt: skip
        told = f"better {verdicts.count(BETTER)}, less sure {verdicts.count(WORSE)}"
        said = "; ".join(
            f"{what} over the eye's own {np.median(each):.2f}, within a third "
            f"{np.mean([1 / WITHIN <= one <= WITHIN for one in each]):.0%} of {len(each)}"
            for what, each in (("steps", set_at), ("differences", chosen))
        )
        print(f"{name}: {said}; "
              f"drills of the weakest third to those of the strongest "
              f"{np.median([served(made) for made in months]):.1f}; "
              f"of {len(verdicts)} lines told {told}", flush=True)  # fmt: skip
