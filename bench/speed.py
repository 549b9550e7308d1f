"""Speed of the core as ratios in one run: against SciPy's generic solver, and against bare
Cholesky factorizations of the same size and number."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from dataclasses import replace

import numpy as np
from scipy.optimize import least_squares
from tests.networks import RandomNetwork

from zirkel.core.arrays import Array
from zirkel.core.network import descend as descending
from zirkel.core.network.adjust import conclude
from zirkel.core.network.assemble import Network, linearize
from zirkel.core.network.doubts import judge
from zirkel.core.network.relations import find_relations
from zirkel.core.network.search import adjust
from zirkel.core.network.solve import solve
from zirkel.core.network.what_next import what_next
from zirkel.core.study import Study

NETWORKS = 7


def clock(run: Callable[[], object], times: int = 7) -> float:
    """Median seconds of a call, after one to warm up."""
    run()
    taken = []
    for _ in range(times):
        begin = time.perf_counter()
        run()
        taken.append(time.perf_counter() - begin)
    return statistics.median(taken)


def network_of(n: int, seed: int) -> RandomNetwork:
    """n landmarks and about 3 n readings, from a thumbnail 0.15 units off."""
    return RandomNetwork(seed, n=n, per=3, kinds="sssttpm", tap=0.15, firm=True)


def study_of(n: int, seed: int) -> Study:
    """Its study."""
    return network_of(n, seed).study


def held_studies(n: int) -> list[Study]:
    """The first few random networks of that size."""
    return [study_of(n, seed) for seed in range(NETWORKS if n < 100 else 2)]


def generic(net: Network, told: bool) -> int:
    """Places alone by SciPy's trust-region solver over our own vectorized residuals, from the
    same start, with a numeric Jacobian or told the analytic one; the number of its Jacobians."""
    datum, weight = net.datum, 1.0 / net.sigma
    n, free = len(net.ids), datum.gain > 0

    def apart(x: Array) -> tuple[Array, Array]:
        full = np.append(net.start.ravel(), np.zeros(len(net.takes) + 1))
        full[free] = x[datum.column[free]]
        return full[: 2 * n].reshape(n, 2), full[2 * n : -1]

    def residuals(x: Array) -> Array:
        places, drifts = apart(x)
        misfit = linearize(net, places, drifts, weight).misfit
        return np.concatenate([misfit, drifts / 0.02])

    def jacobian(x: Array) -> Array:
        places, drifts = apart(x)
        linear = linearize(net, places, drifts, weight)
        design = np.zeros((len(weight) + len(drifts), datum.unknowns + 1))
        for bucket, entries in zip(net.buckets, linear.entries, strict=True):
            rows = np.arange(bucket.rows.start, bucket.rows.stop)[:, None]
            np.add.at(design, (rows, bucket.unknown), -entries)
        for take in range(len(drifts)):
            design[len(weight) + take, datum.column[2 * n + take]] = 1 / 0.02
        return design[:, : datum.unknowns]

    found = least_squares(
        residuals,
        descending.unknown_places(net, net.start),
        jac=jacobian if told else "2-point",
        method="trf",
        xtol=1e-8,
        ftol=1e-8,
        gtol=1e-8,
    )
    return int(found.njev)


def factorizations(study: Study) -> tuple[int, np.ndarray]:
    """How many Cholesky factorizations a full solve makes, and a matrix of their size."""
    count = 0
    real = descending.lapack.dpotrf

    def counted(*args: object, **kwargs: object) -> object:
        nonlocal count
        count += 1
        return real(*args, **kwargs)

    descending.lapack.dpotrf = counted
    try:
        solution = solve(study)
    finally:
        descending.lapack.dpotrf = real
    return count, solution.adjusted.linear.normal


def arithmetic(net: Network) -> int:
    """The solve without turning records into arrays and arrays into records: places, covariance,
    redundancies, doubts; the number of doubts."""
    weight = 1.0 / net.sigma
    near = descending.come_near(net, weight, net.start)
    found = conclude(net, descending.descend(net, near, weight), weight)
    return len(judge(found).doubts)


def misread(study: Study, seed: int) -> Study:
    """The study with one reading off by twelve of its sigmas."""
    rng = np.random.default_rng(seed)
    with_values = [i for i, each in enumerate(study.sightings) if each.value_field]
    at = int(rng.choice(with_values))
    reading = study.sightings[at]
    value = reading.value + 12.0 * (reading.sigma or reading.default_sigma(False))
    value = value % reading.period if reading.period else value
    wrong = replace(reading, **{str(reading.value_field): value})
    return replace(study, sightings=(*study.sightings[:at], wrong, *study.sightings[at + 1 :]))


def one_wrong() -> None:
    """What one misread sighting costs, at 40 landmarks."""
    ratios = []
    for seed in range(24):
        kinds = ("sssttpm", "stdlpm")[seed % 2]
        study = RandomNetwork(seed, n=40, per=3, kinds=kinds, tap=0.15, firm=True).study
        wrong = misread(study, seed)
        clean = clock(lambda study=study: solve(study), 5)
        ratios.append(clock(lambda wrong=wrong: solve(wrong), 3) / clean)
    print(f"One misread sighting at 40 landmarks: {np.median(ratios):.1f} times a clean solve, "
          f"{max(ratios):.1f} at most, over 4 in {sum(r > 4 for r in ratios)} of 24.")  # fmt: skip


def one_more() -> None:
    """A reading added: begun from the last adjustment against from nothing."""
    for n in (40, 120, 400):
        ratios, apart = [], 0.0
        for study in held_studies(n)[:6]:
            before = replace(study, sightings=study.sightings[:-1])
            near = adjust(before)
            cold = clock(lambda study=study: adjust(study), 5)
            warm = clock(lambda study=study, near=near: adjust(study, near), 5)
            ratios.append(warm / cold)
            gap = np.abs(adjust(study).places - adjust(study, near).places).max()
            apart = max(apart, float(gap))
        print(f"One reading more at {n}: {np.median(ratios):.2f} of an adjustment from nothing, "
              f"the same places to {apart:.0e} units.")  # fmt: skip


def row(n: int) -> dict[str, float]:
    """Median ratios over several networks of one size."""
    found: dict[str, list[float]] = {}
    for study in held_studies(n):
        adjusted = adjust(study)
        count, normal = factorizations(study)
        times = 7 if n < 100 else 3
        full = clock(lambda study=study: solve(study), times)
        bare = count * clock(
            lambda normal=normal: np.linalg.cholesky(normal), 200 if n < 100 else 20
        )
        net = adjusted.network
        values = {
            "readings": float(len(study.sightings)),
            "ms": full * 1e3,
            "scipy/solve": clock(lambda net=net: generic(net, False), 1) / full
            if n <= 40
            else np.nan,
            "scipy told/solve": clock(lambda net=net: generic(net, True), 1) / full
            if n <= 40
            else np.nan,
            "solve/cholesky": full / bare,
            "arithmetic/cholesky": clock(lambda net=net: arithmetic(net), times) / bare,
            "next/solve": clock(lambda adjusted=adjusted: what_next(adjusted), times - 2) / full,
            "relations/solve": clock(
                lambda adjusted=adjusted: find_relations(adjusted, 15, 60.0), 3
            )
            / full
            if n <= 120
            else np.nan,
            "one step, ms": 1e3
            * clock(lambda a=adjusted: linearize(a.network, a.places, a.drifts, a.weight)),
        }
        for name, value in values.items():
            found.setdefault(name, []).append(value)
    return {name: float(np.median(values)) for name, values in found.items()}


def main() -> None:
    """Print the table."""
    rows = {n: row(n) for n in (20, 40, 120, 400)}
    names = list(rows[40])
    print("| landmarks | " + " | ".join(names) + " |")
    print("|---" * (len(names) + 1) + "|")
    for n, values in rows.items():
        said = ["" if np.isnan(v) else f"{v:.3g}" for v in values.values()]
        print(f"| {n} | " + " | ".join(said) + " |")
    print(f"From 40 to 400 landmarks the solve takes {rows[400]['ms'] / rows[40]['ms']:.0f} times.")
    one_wrong()
    one_more()


__all__ = ["clock", "main", "study_of"]
