"""Random boxes and sheds from random stations: eye level, vanishing points, wrong edges."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.doubts import judge
from zirkel.core.network.families import Perspective, perspective
from zirkel.core.network.search import adjust
from zirkel.core.sightings import Drop, Level, Sighting, Tilt
from zirkel.core.space import Family
from zirkel.core.study import Landmark, Sheet, Study, UnitPair

TILT_DEG, PLACE_UNITS = 1.5, 0.03
SCENES = 100
CORNERS = [(x, y, z) for z in (0, 1) for y in (0, 1) for x in (0, 1)]
ALONG = {"left-going": (0, 1), "right-going": (1, 2), "uprights": (2, 4)}


def seen_box(rng: np.random.Generator, square_on: bool) -> tuple[dict[str, Array], float]:
    """A box as it is seen: landmarks by name, and the eye level's y."""
    size = rng.uniform((1.5, 1.5, 0.8), (4.0, 4.0, 2.5))
    turn = 0.0 if square_on else rng.uniform(0.35, 1.2)
    away, eye = rng.uniform(6.0, 12.0), rng.uniform(0.5, 3.0)
    side = rng.uniform(-1.5, 1.5)
    c, s = np.cos(turn), np.sin(turn)
    points = {}
    for i, corner in enumerate(CORNERS):
        x, y, z = (np.array(corner) - (0.5, 0.5, 0.0)) * size
        across, deep = c * x - s * y + side, s * x + c * y + away
        points[f"p{i}"] = np.array([across / deep, (eye - z) / deep]) * away
    return points, 0.0


def families_of(level_only: bool = False) -> tuple[Family, ...]:
    """The box's three families, four edges each."""
    made = []
    for name, (axis, step) in {"a": (0, 1), "b": (1, 2), "up": (2, 4)}.items():
        edges = tuple(
            (f"p{i}", f"p{i + step}") for i, corner in enumerate(CORNERS) if corner[axis] == 0
        )
        made.append(Family(name, edges, name != "up"))
    return tuple(each for each in made if each.level or not level_only)


def sighted(
    points: Mapping[str, Array], rng: np.random.Generator, wrong: tuple[str, str] | None = None
) -> tuple[Study, dict[str, Array]]:
    """The study that somebody sights of it: a plumb and a level for every landmark, a tilt for
    every edge; and the truth in its units. One edge's tilt may be 8 degrees wrong."""
    origin, end = points["p0"], points["p4"]
    unit = float(np.hypot(*(end - origin)))
    truth = {name: (p - origin) / unit for name, p in points.items()}
    readings: list[Sighting] = []
    for name, p in truth.items():
        if name == "p0":
            continue
        for kind, axis in ((Drop, 0), (Level, 1)):
            sigma = float(np.hypot(PLACE_UNITS, 0.025 * p[axis]))
            value = float(p[axis] + rng.normal(0, sigma))
            readings.append(kind(id=f"{kind.kind}{name}", start="p0", end=name, offset=value))
    for family in families_of():
        for a, b in family.edges:
            d = truth[b] - truth[a]
            tilt = np.degrees(np.arctan2(d[0], -d[1])) + rng.normal(0, TILT_DEG)
            if wrong == (a, b):
                tilt += 8.0 * rng.choice([-1, 1])
            readings.append(
                Tilt(id=f"t{a}{b}", start=a, end=b, degrees=float(tilt % 180.0), sigma=TILT_DEG)
            )
    study = Study(
        title="Box", sheet=Sheet(297.0, 420.0),
        landmarks=tuple(
            Landmark(n, n, 1, tuple((p + rng.normal(0, 0.05, 2)).tolist()))
            for n, p in truth.items()
        ),
        sightings=tuple(readings), unit=UnitPair("p0", "p4", "straight", "post"),
        families=families_of(),
    )  # fmt: skip
    return study, truth


def seen(seed: int, square_on: bool = False, wrong: tuple[str, str] | None = None
         ) -> tuple[Perspective, Adjustment, dict[str, Array], float]:  # fmt: skip
    """The perspective of one scene, its adjustment, the truth, and the true eye level."""
    rng = np.random.default_rng(seed)
    points, level = seen_box(rng, square_on)
    study, truth = sighted(points, rng, wrong)
    adjusted = adjust(study)
    unit = float(np.hypot(*(points["p4"] - points["p0"])))
    return perspective(adjusted), adjusted, truth, float((level - points["p0"][1]) / unit)


def main() -> None:
    """Coverage of the eye level, families at infinity, wrong edges, how much families tighten."""
    within = total = flat = first = 0
    slack, honest, honest_alone, alarms = [], [], [], 0
    for seed in range(SCENES):
        found, adjusted, truth, eye = seen(seed)
        if found.eye_level is not None and found.eye_sd is not None:
            total += 1
            within += abs(found.eye_level - eye) <= 2.0 * found.eye_sd
        names = adjusted.network.ids
        at = np.array([truth[name] for name in names])
        before = adjusted.alone or adjusted
        for made, these in ((adjusted, honest), (before, honest_alone)):
            off = (made.places - at)[1:]
            variance = _cofactor(made).diagonal().reshape(-1, 2)[1:]
            these.append(float((off**2).sum() / variance.sum()))
        slack.append(_areas(_cofactor(adjusted)) / _areas(_cofactor(before)))
        alarms += bool(judge(adjusted).doubts) or bool(adjusted.aside)
        up, *_ = seen(seed, square_on=True)
        flat += all(each.at_infinity for each in up.families if each.name in ("a", "up"))
        edge = families_of()[seed % 2].edges[seed % 4]
        _, there, *_ = seen(seed, wrong=edge)
        doubts = judge(there).doubts
        first += bool(doubts) and doubts[0].sighting == f"t{edge[0]}{edge[1]}"
    print(f"eye level within two sd: {within} of {total}")
    print(f"families parallel to the picture told so: {flat} of {SCENES}")
    print(f"an edge wrong by 8 degrees stands out first: {first} of {SCENES}")
    print(
        f"slack with families {np.mean(slack):.2f} of that without; "
        f"RMS error over predicted {np.sqrt(np.mean(honest)):.2f}, "
        f"without families {np.sqrt(np.mean(honest_alone)):.2f}"
    )
    print(f"false doubts: {alarms} of {SCENES}")  # fmt: skip


def _cofactor(adjusted: Adjustment) -> Array:
    from zirkel.core.network.candidates import prior_cofactor  # noqa: PLC0415

    n = len(adjusted.network.ids)
    return prior_cofactor(adjusted)[: 2 * n, : 2 * n]


def _areas(covariance: Array) -> float:
    """Mean area of the standard ellipses of all landmarks but the two that the unit holds."""
    n = len(covariance) // 2
    blocks = covariance.reshape(n, 2, n, 2)
    dets = [max(float(np.linalg.det(blocks[i, :, i, :])), 0.0) for i in range(n)]
    return float(np.mean(np.sqrt([each for each in dets if each > 1e-12])))
