"""The potting bench in raking light from the left: fourteen areas, thirty comparisons by eye of
which one contradicts the others, and which shape stands before which."""

from __future__ import annotations

from dataclasses import replace
from itertools import combinations

import numpy as np

from zirkel.core.light import Overlap, ToneArea, ToneReading
from zirkel.core.study import Study
from zirkel.media import shipped_media

SEED = 21
EYE, CARD = 0.5, 0.4
COMPARED = 28
WRONG = ("can_shade", "sack_light")

AREAS = (
    ("sack_light", "Sack, lit side", "light", 2.2, "sack_l sack_fold sack_front"),
    ("sack_shade", "Sack, shaded side", "shadow", 5.6, "sack_fold sack_r sack_front"),
    ("can_light", "Can, lit side", "light", 3.4, "can_rim_l can_rim_r can_foot_l can_shoulder_l"),
    ("can_shade", "Can, shaded side", "shadow", 6.8,
     "can_rim_r can_shoulder_r can_dent can_foot_r can_foot_l"),
    ("spout_light", "Spout, lit edge", "light", 4.0, "spout_knee spout_tip spout_root"),
    ("spout_shade", "Spout, underside", "shadow", 6.2, "can_shoulder_r spout_knee spout_root"),
    ("pot1_light", "Top pot, lit side", "light", 4.1, "pot1_l pot1_r pot2_l"),
    ("pot1_shade", "Top pot, shaded side", "shadow", 6.5, "pot1_r pot2_r pot2_l"),
    ("pot2_light", "Middle pot, lit side", "light", 4.5, "pot2_l pot2_r pot3_l"),
    ("pot2_shade", "Middle pot, shaded side", "shadow", 7.0, "pot2_r pot3_r pot3_l"),
    ("pot3_light", "Bottom pot, lit side", "light", 4.8, "pot3_l pot3_r stack_foot_l"),
    ("pot3_shade", "Bottom pot, shaded side", "shadow", 7.4, "pot3_r stack_foot_r stack_foot_l"),
    ("cast", "Shadow cast on the bench", "shadow", 7.9,
     "can_foot_r stack_foot_l dibber_grip sack_r"),
    ("bench", "Bench, in the light", "light", 3.0, "dibber_grip dibber_point stack_foot_l"),
)  # fmt: skip
BEFORE = (("sack", "can"), ("can", "handle"), ("spout", "pot3"), ("dibber", "sack"),
          ("pot1", "pot2"), ("pot2", "pot3"))  # fmt: skip


def with_raking_light(study: Study) -> Study:
    """The study with its light and dark compared."""
    rng = np.random.default_rng(SEED)
    true = {name: tone for name, _, _, tone, _ in AREAS}
    names = list(true)
    pairs = [(names[i], names[(i + 1) % len(names)]) for i in range(len(names))]
    others = [each for each in combinations(names, 2) if each not in pairs and each != WRONG]
    for i in rng.permutation(len(others))[: COMPARED - len(pairs) - 1]:
        pairs.append(others[i])
    readings = [_compared(i + 1, a, b, true[a] - true[b] + rng.normal(0.0, EYE))
                for i, (a, b) in enumerate(pairs)]  # fmt: skip
    readings.append(ToneReading(f"n{COMPARED}", "darker", WRONG[1], WRONG[0], "little"))
    for number, name in enumerate(("can_light", "pot2_shade"), COMPARED + 1):
        step = float(round(true[name] + rng.normal(0.0, CARD)))
        readings.append(ToneReading(f"n{number}", "step", area=name, step=step))
    return replace(
        study,
        tone_areas=tuple(
            ToneArea(name, title, side, outline=tuple(outline.split()))
            for name, title, side, _, outline in AREAS
        ),
        tone_readings=tuple(readings),
        tone_medium=shipped_media()["chalks_toned"].medium,
        overlaps=tuple(Overlap(f"o{i}", a, b) for i, (a, b) in enumerate(BEFORE, 1)),
    )


def _compared(number: int, a: str, b: str, seen: float) -> ToneReading:
    first, second = (a, b) if seen >= 0 else (b, a)
    size = abs(seen)
    if size < 0.4:
        return ToneReading(f"n{number}", "alike", first, second)
    by = "little" if size < 1.4 else "clearly" if size < 3.0 else "much"
    return ToneReading(f"n{number}", "darker", first, second, by)
