"""How well a hand lands by the recipe, against placing each landmark by its own first two
readings."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.solve import solve
from zirkel.core.sheet.plan import make_plan
from zirkel.core.sheet.recipe import Outline, Recipe, Wishes, make_recipe
from zirkel.core.sheet.recipe.construct import ALL_MANNERS
from zirkel.core.sheet.recipe.glances import SLIP_MM, glances
from zirkel.core.sheet.recipe.hand import follow
from zirkel.core.sheet.recipe.manners import STEP_MM, STRAIGHT_SHARE, TILT_RAD, stepping
from zirkel.core.sightings import Sighting
from zirkel.core.simulation.artist import Hand, sight_scene
from zirkel.core.study import Sheet, Study
from zirkel.core.subject.picture import box_of
from zirkel.core.subject.scene import Scene, seen_landmarks, truth_in_units
from zirkel.scenes import shipped_scenes

HANDS = 40
PER_LANDMARK = 4.0
STUDIES = 10


def suited_sheet(scene: Scene) -> Sheet:
    left, top, right, bottom = box_of(scene, scene.station)
    return Sheet(420.0, 297.0) if right - left > bottom - top else Sheet(297.0, 420.0)


def line_of(
    reading: Sighting, new: str, lies: Mapping[str, Array], unit_mm: float, rng: np.random.Generator
) -> tuple[Array, float] | None:
    """The line n.p = c that one reading draws for a new landmark from one that lies already."""
    a, b = reading.landmarks[:2]
    other, way = (a, 1.0) if new == b else (b, -1.0)
    start = lies[other]
    if reading.kind in ("drop", "level") or (
        reading.kind == "span" and reading.along in ("level", "plumb")
    ):
        axis = 0 if reading.kind == "drop" or getattr(reading, "along", "") == "level" else 1
        value = reading.value
        if reading.kind == "span" and reading.towards in ("left", "up"):
            value = -value
        stepped = abs(value) * unit_mm
        noise = float(stepping(np.array([stepped]), unit_mm)[0]) if stepped else 0.0
        offset = way * value * unit_mm + rng.normal(0.0, noise)
        away = unit_mm
        at = start[axis] + offset + rng.normal(0.0, STRAIGHT_SHARE * away)
        return np.eye(2)[axis], float(at)
    if reading.kind == "tilt":
        t = np.radians(reading.value) + rng.normal(0.0, TILT_RAD)
        normal = np.array([np.cos(t), np.sin(t)])
        return normal, float(normal @ start)
    return None


def by_first_readings(study: Study, origin: Array, unit_mm: float,
                      rng: np.random.Generator) -> dict[str, Array]:  # fmt: skip
    """Each landmark where its first two crossing readings put it; no adjustment, no checking."""
    unit = study.unit
    lies = {unit.start: origin + rng.normal(0.0, STEP_MM, 2)}
    lines: dict[str, list[tuple[Array, float]]] = {unit.end: [(np.array([0.0, 1.0]),
        float(lies[unit.start][1] + unit_mm + rng.normal(0.0, STEP_MM)))]}  # fmt: skip
    used: set[str] = set()
    moved = True
    while moved:
        moved = False
        for reading in study.sightings:
            new = [n for n in reading.landmarks if n not in lies]
            if reading.id in used or len(reading.landmarks) != 2 or len(new) != 1:
                continue
            made = line_of(reading, new[0], lies, unit_mm, rng)
            used.add(reading.id)
            if made is None:
                continue
            lines.setdefault(new[0], []).append(made)
            found = crossing(lines[new[0]])
            if found is not None:
                lies[new[0]] = found
                moved = True
                break
    return lies


def crossing(lines: list[tuple[Array, float]]) -> Array | None:
    """Where the last line crosses an earlier one at 20 degrees or more."""
    n, c = lines[-1]
    for m, d in lines[:-1]:
        both = np.array([m, n])
        if abs(np.linalg.det(both)) > np.sin(np.radians(20.0)):
            return np.linalg.solve(both, [d, c])
    return None


def recipe_of(study: Study, marks, unit_mm: float) -> Recipe:
    """The comparative recipe of a study in units."""
    shapes = tuple(Outline(each.id, each.outline, each.closed, each.tier) for each in study.shapes)
    tiers = {each.id: each.tier for each in study.landmarks}
    wishes = Wishes(unit=(study.unit.start, study.unit.end), shapes=shapes)
    return make_recipe(marks, tiers, unit_mm, wishes)


def slips_caught(recipe: Recipe, unit_mm: float, hands: int) -> tuple[float, float]:
    """Shares of drawings with a slip of an early landmark in which a dictated glance finds it, and
    of drawings without one in which a glance is off all the same."""
    looks = glances(recipe, unit_mm, ALL_MANNERS)
    names = [each.landmark for each in recipe.constructions]
    caught = false = 0
    for k in range(hands):
        rng = np.random.default_rng(k)
        early = names[int(rng.integers(0, max(3, len(names) // 3)))]
        turn = rng.uniform(0, 2 * np.pi)
        slip = (early, SLIP_MM * np.array([np.cos(turn), np.sin(turn)]))
        for planted in (slip, None):
            lies = follow(recipe, unit_mm, rng, planted)
            there = np.array([lies[name] for name in names])
            found = any(each.notices(there, rng) for each in looks)
            caught += found and planted is not None
            false += found and planted is None
    return caught / hands, false / hands


def simple_share(recipe: Recipe) -> float:
    """Share of the moves that cost a glance: straight under, level, halves, thirds, quarters."""
    steps = [step for each in recipe.constructions for step in each.steps]
    easy = [
        step.manner in ("part", "across", "down")
        or (step.manner in ("plumb", "level") and step.value == 0)
        for step in steps
    ]
    return float(np.mean(easy))


def measured(scene: Scene, seed: int) -> tuple[float, float, float, float]:
    """Mean error of tier-1 landmarks in % of the frame's height: by the recipe against the truth
    and against the plan, by first readings; and steps per landmark."""
    hand = Hand(per_landmark=PER_LANDMARK)
    study = sight_scene(scene, scene.station, suited_sheet(scene), seed, hand)
    plan = make_plan(study, solve(study))
    marks = {n: (m.held_left_mm, m.held_top_mm) for n, m in plan.marks.items()}
    tiers = {each.id: each.tier for each in study.landmarks}
    recipe = recipe_of(study, marks, plan.unit_mm)
    truth = truth_in_units(seen_landmarks(scene, scene.station), scene.unit)
    origin = np.array(plan.origin_mm)
    height = (plan.frame.bottom - plan.frame.top) * plan.unit_mm
    large = [name for name, tier in tiers.items() if tier == 1]
    off: dict[str, list[float]] = {"truth": [], "plan": [], "first": []}
    for k in range(HANDS):
        lies = follow(recipe, plan.unit_mm, np.random.default_rng(1000 + k))
        rough = by_first_readings(study, origin, plan.unit_mm, np.random.default_rng(k))
        for name in large:
            there = origin + plan.unit_mm * truth[name]
            off["truth"].append(float(np.hypot(*(lies[name] - there))))
            off["plan"].append(float(np.hypot(*(lies[name] - marks[name]))))
            if name in rough:
                off["first"].append(float(np.hypot(*(rough[name] - there))))
    share = {each: 100.0 * float(np.mean(values)) / height for each, values in off.items()}
    return share["truth"], share["plan"], share["first"], recipe.steps_each


def voice() -> None:
    """How simple the moves are, how long the chains, and what the glances catch."""
    print("| scene | simple moves | longest chain | median | slips caught | false |")
    print("|---|---|---|---|---|---|")
    rows = []
    for name, scene in shipped_scenes().items():
        for seed in (1, 2):
            hand = Hand(per_landmark=PER_LANDMARK)
            study = sight_scene(scene, scene.station, suited_sheet(scene), seed, hand)
            plan = make_plan(study, solve(study))
            marks = {n: (m.held_left_mm, m.held_top_mm) for n, m in plan.marks.items()}
            recipe = recipe_of(study, marks, plan.unit_mm)
            depth = [each.depth for each in recipe.constructions]
            caught, false = slips_caught(recipe, plan.unit_mm, HANDS)
            row = (simple_share(recipe), max(depth), float(np.median(depth)), caught, false)
            rows.append(row)
            print(f"| {name} {seed} | " + " | ".join(f"{x:.2f}" for x in row) + " |")
    print("| mean | " + " | ".join(f"{x:.2f}" for x in np.mean(rows, axis=0)) + " |")


def main() -> None:
    """Print the table."""
    print("| scene | seed | recipe, off the truth | recipe, off the plan | first two readings | "
          "ratio | steps each |")  # fmt: skip
    print("|---|---|---|---|---|---|---|")
    rows = []
    scenes = list(shipped_scenes().items())
    for number in range(STUDIES):
        name, scene = scenes[number % len(scenes)]
        seed = 1 + number // len(scenes)
        truth, plan, first, steps = measured(scene, seed)
        rows.append((truth, plan, first, steps))
        print(f"| {name} | {seed} | {truth:.2f} % | {plan:.2f} % | {first:.2f} % | "
              f"{truth / first:.2f} | {steps:.2f} |")  # fmt: skip
    voice()
    truth, plan, first, steps = np.mean(rows, axis=0)
    print(f"| mean | | {truth:.2f} % | {plan:.2f} % | {first:.2f} % | {truth / first:.2f} | "
          f"{steps:.2f} |")  # fmt: skip
