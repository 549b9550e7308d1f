"""The record of a made-up eye: nine weeks of practice, so that the plots have something to show."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

import numpy as np

from zirkel.core.practice.exercises import LINES
from zirkel.core.practice.trials import Trial, day_of
from zirkel.core.simulation.eye import SimulatedEye, answers

NAME = "A made-up eye"
WEEKS, SEED = 9, 7

EYES: dict[str, tuple[SimulatedEye, tuple[float, float], int]] = {
    "half": (SimulatedEye(0.004, 0.016, -0.08, seconds=4.0), (0.5, 0.5), 10),
    "third": (SimulatedEye(0.018, 0.024, -0.03, seconds=5.0), (1 / 3, 1 / 3), 8),
    "plumb": (SimulatedEye(0.5, 1.1, seconds=4.0), (0.0, 0.0), 8),
    "tilt": (SimulatedEye(-0.4, 2.6, -0.11, seconds=6.0), (5.0, 175.0), 10),
    "widths": (SimulatedEye(0.03, 0.07, -0.05, seconds=8.0), (1.2, 4.5), 8),
    "box": (SimulatedEye(0.035, 0.045, seconds=6.0), (0.5, 2.0), 8),
    "larger_gap": (SimulatedEye(0.008, 0.045, seconds=3.0), (0.02, 0.11), 14),
    "tone_steps": (SimulatedEye(-0.3, 0.7, -0.04, seconds=6.0), (-4.0, 4.0), 8),
}
"""By line of the record: the eye, from where to where truths go, trials in a drill."""


def made_up_record(until: datetime) -> list[tuple[Trial, datetime]]:
    """Trials of nine weeks up to the day before, two drills or three each."""
    rng = np.random.default_rng(SEED)
    made: list[tuple[Trial, datetime]] = []
    evening = until.astimezone(UTC).replace(hour=18, minute=10, second=0, microsecond=0)
    for name, (eye, (low, high), in_a_drill) in EYES.items():
        line = LINES[name]
        days = sorted(
            int(each) for each in rng.choice(np.arange(1, 7 * WEEKS), 2 * WEEKS, replace=False)
        )
        moments = [
            evening - timedelta(days=back, seconds=-9 * number)
            for back in reversed(days)
            for number in range(in_a_drill)
        ]
        truths = rng.uniform(low, high, len(moments))
        if line.choice:
            truths *= rng.choice([-1.0, 1.0], len(moments))
        trials = answers(eye, line, truths.tolist(), [day_of(at) for at in moments], rng)
        made += zip(trials, moments, strict=True)
    return made
