"""A simulated eye that compares tones as people do: with an error, and in four words."""

import numpy as np

from zirkel.core.light import ToneArea, ToneReading

EYE = 0.7


def reading(name, first, second, seen):
    """What is said of a difference seen."""
    if abs(seen) < 0.4:
        return ToneReading(name, "alike", first, second)
    if seen < 0:
        first, second, seen = second, first, -seen
    by = "little" if seen < 1.4 else "clearly" if seen < 3.0 else "much"
    return ToneReading(name, "darker", first, second, by)


def compared(rng, count=14, pairs=36, steps=3, wrong=None):
    """Areas, readings and true tones: a round of neighbours, then pairs at random; `wrong` is the
    number of one that is off by four steps."""
    true = np.clip(rng.normal(5.0, 2.0, count), 1.0, 9.0)
    chosen = [(i, (i + 1) % count) for i in range(count)]
    while len(chosen) < pairs:
        i, j = (int(each) for each in rng.choice(count, 2, replace=False))
        chosen.append((i, j))
    readings = []
    for number, (i, j) in enumerate(chosen):
        d = float(true[i] - true[j])
        if number == wrong:
            d += 4.0 if d < 0 else -4.0
        readings.append(reading(f"n{number}", f"a{i}", f"a{j}", d + rng.normal(0.0, EYE)))
    for number in range(steps):
        i = int(rng.integers(count))
        step = float(true[i] + rng.normal(0.0, 0.8))
        readings.append(ToneReading(f"s{number}", "step", area=f"a{i}", step=step))
    return tuple(ToneArea(f"a{i}", f"a{i}") for i in range(count)), tuple(readings), true
