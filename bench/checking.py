"""Drawings with planted faults: how often the check names them, and how its corrections do.

A subject of 16 to 40 landmarks in shapes of neighbours; a drawing by the plan with 1.5 mm of hand;
no fault, one, or two of those that the practice knows.
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np
from tests.networks import RandomNetwork

from zirkel.core.check.correct import check
from zirkel.core.check.diagnose import diagnose
from zirkel.core.check.drawing import drawing_of
from zirkel.core.check.tolerance import tolerances
from zirkel.core.study import Shape, Study
from zirkel.core.worked import Worked

NOISE_MM = 1.5
ONE = ("size", "tilt", "stretch", "lean", "group", "landmark")
STUDIES = 50
ALIKE, SLACK_MM = 0.6, 1.2
"""Share of landmarks that two groups have in common, and what noise alone does to a move of one."""


def subject(seed: int, sigma: float | None) -> tuple[Study, Worked]:
    """A study with readings, and what follows; shapes are runs of neighbours."""
    rng = np.random.default_rng(seed)
    n = int(rng.integers(16, 41))
    net = RandomNetwork(seed, n=n, per=4, kinds="sssdlt", tap=0.1, firm=True)
    study = net.study
    if sigma is not None:
        study = replace(study, drawn_sigma_mm=sigma)
    places = Worked(study).places
    names = [each.id for each in study.landmarks]
    at = np.array([places[name] for name in names])
    left = list(np.argsort(at[:, 0] + 0.3 * at[:, 1]))
    shapes = []
    while len(left) >= 4:
        start = left.pop(0)
        near = sorted(left, key=lambda i: float(np.hypot(*(at[i] - at[start]))))
        own = [start, *near[: int(rng.integers(3, 8))]]
        left = [i for i in left if i not in own]
        shapes.append(Shape(f"shape{len(shapes)}", "Shape", tuple(names[i] for i in own), True))
    study = replace(study, shapes=tuple(shapes))
    return study, Worked(study)


def planted(worked: Worked, kind: str, share: float, rng: np.random.Generator):
    """How far each landmark is moved by that fault (n, 2), what it is on, and its amount."""
    study = worked.study
    names = [each.id for each in study.landmarks]
    p = np.array([(worked.plan.marks[n].held_left_mm, worked.plan.marks[n].held_top_mm)
                  for n in names])  # fmt: skip
    away = p - p.mean(axis=0)
    sign = rng.choice([-1.0, 1.0])
    a = sign * share * np.radians(2.5)
    if kind == "size":
        return sign * share * 0.05 * away, names, 1 + sign * share * 0.05
    if kind == "tilt":
        return np.column_stack([-a * away[:, 1], a * away[:, 0]]), names, np.degrees(a)
    if kind == "lean":
        return np.column_stack([-np.tan(a) * away[:, 1], 0 * away[:, 1]]), names, np.degrees(a)
    if kind == "stretch":
        f = 1 + sign * share * 0.05
        return np.column_stack([0 * away[:, 0], (f - 1) * away[:, 1]]), names, f
    size = 8.0 if kind == "landmark" else 7.0
    turn = rng.uniform(0, 2 * np.pi)
    move = share * size * np.array([np.cos(turn), np.sin(turn)])
    if kind == "landmark":
        own = [int(rng.integers(len(names)))]
    elif rng.random() < 0.5 and study.shapes:
        shape = study.shapes[int(rng.integers(len(study.shapes)))]
        own = [names.index(each) for each in shape.outline]
    else:
        k = int(rng.integers(4, 11))
        i = int(rng.integers(len(names)))
        own = list(np.argsort(np.hypot(*(p - p[i]).T))[:k])
    moved = np.zeros_like(p)
    moved[own] = move
    return moved, [names[i] for i in own], move


def drawn(worked: Worked, moves, rng: np.random.Generator) -> Study:
    """The study with the drawing that these faults and the hand have made."""
    study = worked.study
    places = {}
    noise = rng.normal(0.0, NOISE_MM, (len(study.landmarks), 2))
    for i, each in enumerate(study.landmarks):
        mark = worked.plan.marks[each.id]
        at = np.array([mark.held_left_mm, mark.held_top_mm]) + noise[i] + sum(m[i] for m in moves)
        places[each.id] = (float(at[0]), float(at[1]))
    return replace(study, drawn=places)


def named(fault, kind: str, on: list[str], amount) -> bool:
    """Whether a fault is that one, its amount within a fifth."""
    if fault.kind != kind:
        return False
    if kind in ("group", "landmark"):
        both, either = set(on) & set(fault.landmarks), set(on) | set(fault.landmarks)
        off = np.array(fault.amount["off_mm"])
        near = float(np.hypot(*(off - amount))) <= 0.2 * float(np.hypot(*amount)) + SLACK_MM
        return len(both) / len(either) > ALIKE and near
    told = fault.amount.get("factor", fault.amount.get("degrees"))
    base = 1.0 if "factor" in fault.amount else 0.0
    return abs((told - base) - (amount - base)) <= 0.2 * abs(amount - base)


def main() -> None:
    """One fault, none, two, and smaller ones."""
    for sigma in (None, NOISE_MM):
        for share in (1.0, 0.6):
            right = dict.fromkeys(ONE, 0)
            for kind in ONE:
                for seed in range(STUDIES):
                    _, worked = subject(seed, sigma)
                    rng = np.random.default_rng(1000 + seed)
                    move, on, amount = planted(worked, kind, share, rng)
                    made = drawn(worked, [move], rng)
                    found = diagnose(drawing_of(made, worked.solution.adjusted, worked.plan))
                    right[kind] += bool(found.faults) and named(found.faults[0], kind, on, amount)
            print(f"sigma {sigma}, share {share}: {right} of {STUDIES}", flush=True)
        sound = two = repaired = few = 0
        for seed in range(2 * STUDIES):
            _, worked = subject(seed, sigma)
            rng = np.random.default_rng(2000 + seed)
            made = drawn(worked, [], rng)
            sound += not diagnose(drawing_of(made, worked.solution.adjusted, worked.plan)).faults
            kinds = rng.choice(ONE, 2, replace=False)
            faults = [planted(worked, kind, 1.0, rng) for kind in kinds]
            made = drawn(worked, [each[0] for each in faults], rng)
            found = diagnose(drawing_of(made, worked.solution.adjusted, worked.plan)).faults
            both = all(any(f.kind == k for f in found) for k in kinds)
            two += both and len(found) <= 3
            checked = check(drawing_of(made, worked.solution.adjusted, worked.plan))
            drawing = checked.drawing
            left = drawing.off + sum(each.moves for each in checked.orders) + checked.touched
            limit = tolerances(drawing, checked.diagnosis.errs) + 1e-9
            repaired += bool((np.hypot(*left.T) <= limit).all())
            few += len(checked.orders) <= len(kinds) + 1
        print(f"sigma {sigma}: corrections repair all {repaired}, few enough {few}")
        print(f"sigma {sigma}: sound {sound}, two {two} of {2 * STUDIES}", flush=True)
