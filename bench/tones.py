"""Tones from simulated eyes: honesty, wrong comparisons, and how long it takes, as ratios."""

from __future__ import annotations

from time import perf_counter

import numpy as np
from tests.core.tones.eyes import compared

from zirkel.core.tones.estimate import estimate
from zirkel.core.tones.what_next import next_comparisons

SCENES = 100
SIZES = ((14, 30), (14, 60), (20, 100), (40, 150))


def main() -> None:
    """Error over stated sd; a comparison wrong by four steps; time against the smallest."""
    first_time = None
    for count, pairs in SIZES:
        off, furthest, doubted, false = [], 0, 0, 0
        for seed in range(SCENES):
            areas, readings, true = compared(np.random.default_rng(seed), count, pairs)
            found = estimate(areas, readings)
            off += [(found.tones[a.id].tone - t) / (found.tones[a.id].sd or 1.0)
                    for a, t in zip(areas, true, strict=True)
                    if found.tones[a.id].tone is not None]  # fmt: skip
            false += bool(found.doubts)
            wrong = compared(np.random.default_rng(seed), count, pairs, wrong=count + 2)
            found = estimate(*wrong[:2])
            sizes = {name: abs(each.standardized) for name, each in found.readings.items()}
            furthest += max(sizes, key=lambda name: sizes[name]) == f"n{count + 2}"
            doubted += bool(found.doubts) and found.doubts[0].reading == f"n{count + 2}"
        began = perf_counter()
        for seed in range(5):
            areas, readings, _ = compared(np.random.default_rng(seed), count, pairs)
            next_comparisons(estimate(areas, readings))
        took = (perf_counter() - began) / 5.0
        first_time = first_time or took
        ratio = np.sqrt(np.mean(np.square(off)))
        print(f"{count} areas, {pairs} comparisons: error over sd {ratio:.2f}; wrong by four steps")
        print(
            f"  furthest out {furthest}, first doubt {doubted}, false doubts {false} of {SCENES};"
        )
        print(f"  {took / first_time:.1f} times the first's time ({took * 1e3:.0f} ms)")
