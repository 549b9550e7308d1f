"""How sure a check is of its first fault, against how often it is right; and which kinds it
takes for which.

The faults are drawn at random, from a tenth of what is usual to half as much again, on the subjects
of three demonstrations and on made ones of 16 to 40 landmarks; the hand errs by 1 to 2 mm besides.
"""

from __future__ import annotations

import json
import math
from collections import Counter, defaultdict
from dataclasses import replace
from itertools import pairwise

import numpy as np
from tests.core.check.test_large import drawn_wrong, planned

from bench.checking import subject
from zirkel.core.arrays import Array
from zirkel.core.check.correct import Check
from zirkel.core.study import Study
from zirkel.core.worked import Worked
from zirkel.studyfile.read import read_study

DEMOS = ("wooden_mask", "boathouse", "block_head")
EACH = 40
KINDS = ("size", "tilt", "lean", "stretch", "shift", "group", "landmark", "group_size",
         "group_tilt", "growth", "bend")  # fmt: skip
SHARES, HANDS_MM = (0.1, 1.5), (1.0, 1.5, 2.0)
BINS = (0.0, 0.5, 0.7, 0.85, 0.95, 1.01)
ALIKE = 0.6
SOME = ("group", "landmark", "group_size", "group_tilt")


def subjects() -> list[tuple[Study, Array, list[str]]]:
    """Studies without a drawing, and where their plans have each landmark, in mm."""
    made = []
    for demo in DEMOS:
        file, marks = planned(demo)
        made.append((read_study(json.dumps(file).encode()), np.array(list(marks.values())),
                     list(marks)))  # fmt: skip
    for seed in range(6):
        study, worked = subject(seed, None)
        marks = worked.plan.marks
        ids = [each.id for each in study.landmarks]
        at = np.array([(marks[n].held_left_mm, marks[n].held_top_mm) for n in ids])
        made.append((study, at, ids))
    return made


def spoiled(
    kind: str, study: Study, at: Array, ids: list[str], rng: np.random.Generator
) -> tuple[Array, set[str]]:
    """Places with a fault of that kind, and the landmarks that it is on (empty: the whole)."""
    share = float(rng.choice([-1.0, 1.0]) * rng.uniform(*SHARES))
    turn = rng.uniform(0.0, 2.0 * math.pi)
    way = np.array([math.cos(turn), math.sin(turn)])
    if kind in SOME:
        own = _some(kind, study, ids, rng)
        made, held = at.copy(), at[own] - at[own].mean(axis=0)
        made[own] += {
            "group": 7.0 * share * way + 0.0 * held,
            "landmark": 7.0 * share * way + 0.0 * held,
            "group_size": 0.1 * share * held,
            "group_tilt": drawn_wrong("tilt", 5.0 * share, held) - held,
        }[kind]
        return made, {ids[i] for i in own}
    middle = at.mean(axis=0)
    if kind == "shift":
        return at + 8.0 * share * way, set()
    if kind == "growth":
        start = at[int(rng.integers(len(ids)))]
        far = np.hypot(*(at - start).T)
        return start + (at - start) * (1 + 0.1 * share * far / far.max())[:, None], set()
    away = at - middle
    if kind == "bend":
        bow = (away[:, 1] / np.abs(away[:, 1]).max()) ** 2
        return at + np.column_stack([5.0 * share * (bow - bow.mean()), 0.0 * bow]), set()
    amount = {"size": 1 + 0.05 * share, "stretch": math.exp(0.05 * share)}.get(kind, 2.3 * share)
    return middle + drawn_wrong(kind, amount, away), set()


def _some(kind: str, study: Study, ids: list[str], rng: np.random.Generator) -> list[int]:
    """One landmark, a shape, or two shapes that are not nearly all."""
    n, number = len(ids), {name: i for i, name in enumerate(ids)}
    if kind == "landmark":
        return [int(rng.integers(n))]
    shapes = [[number[name] for name in e.outline] for e in study.shapes if len(e.outline) >= 3]
    own = set(shapes[int(rng.integers(len(shapes)))])
    if kind != "group":
        own |= set(shapes[int(rng.integers(len(shapes)))])
    return sorted(own) if len(own) <= 0.7 * n else sorted(shapes[-1])


def checked(study: Study, places: Array, ids: list[str]) -> Check:
    """The check of a drawing with its marks at these places."""
    drawn = {n: (float(x), float(y)) for n, (x, y) in zip(ids, places, strict=True)}
    found = Worked(replace(study, drawn=drawn)).checked
    assert found is not None
    return found


def is_right(found: Check, kind: str, on: set[str]) -> bool:
    """Whether the first fault is of that kind, on mostly these landmarks."""
    first = found.diagnosis.faults[0]
    if first.kind != kind and {first.kind, kind} != {"group", "landmark"}:
        return False
    told = set(first.landmarks)
    return not (told or on) or len(told & on) > ALIKE * len(told | on)


def main() -> None:
    """The table, and how often each kind is told first."""
    each_kind: dict[str, Counter[str]] = defaultdict(Counter)
    told: list[tuple[float, bool]] = []
    all_subjects = subjects()
    for kind in KINDS:
        for seed in range(EACH):
            study, at, ids = all_subjects[seed % len(all_subjects)]
            rng = np.random.default_rng(7000 + seed)
            places, on = spoiled(kind, study, at, ids, rng)
            places = places + rng.normal(0.0, rng.choice(HANDS_MM), at.shape)
            found = checked(study, places, ids)
            faults = found.diagnosis.faults
            if not faults:
                each_kind[kind]["nothing"] += 1
                continue
            right = is_right(found, kind, on)
            each_kind[kind]["right" if right else f"{faults[0].kind}"] += 1
            told.append((found.diagnosis.sure or 0.0, right))
    for kind, counts in each_kind.items():
        print(f"{kind:10} {dict(+counts)}")
    print("sure       trials   right")
    for low, high in pairwise(BINS):
        within = [right for sure, right in told if low <= sure < high]
        if within:
            print(f"{low:.2f}-{high:.2f}  {len(within):6}  {np.mean(within):.2f}")
