"""Speed of the core as ratios in one run: against SciPy's generic solver, and against bare
Cholesky factorizations of the same size and number."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable

import numpy as np
from scipy.optimize import least_squares
from tests.networks import RandomNetwork

from zirkel.core.network import adjust as adjusting
from zirkel.core.network.assemble import Network, linearize
from zirkel.core.network.doubts import find_doubts
from zirkel.core.network.relations import find_relations
from zirkel.core.network.search import adjust
from zirkel.core.network.solve import solve
from zirkel.core.network.what_next import what_next
from zirkel.core.study import Study

TOLERANCE = adjusting.STEP_TOLERANCE
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


def generic(net: Network) -> int:
    """Places alone by SciPy's trust-region solver with a numeric Jacobian over our own vectorized
    residuals, from the same start; the number of evaluations of the Jacobian."""
    datum, weight = net.datum, 1.0 / net.sigma
    n = len(net.ids)

    def residuals(x: np.ndarray) -> np.ndarray:
        full = np.append(net.start.ravel(), np.zeros(len(net.takes) + 1))
        free = datum.gain > 0
        full[free] = x[datum.column[free]]
        places, drifts = full[: 2 * n].reshape(n, 2), full[2 * n : -1]
        misfit = np.empty(len(net.sigma))
        drift_of = np.append(drifts, 0.0)
        for group in net.groups:
            made = group.kind.equation(group.columns, places[group.where], drift_of[group.take])
            misfit[group.rows] = group.kind.misfit(group.columns.reading - made.fitted)
        return np.concatenate([misfit * weight, drifts / 0.02])

    x0 = adjusting.unknown_places(net, net.start)
    found = least_squares(
        residuals, x0, method="trf", xtol=TOLERANCE, ftol=TOLERANCE, gtol=TOLERANCE
    )
    return int(found.njev)


def factorizations(study: Study) -> tuple[int, np.ndarray]:
    """How many Cholesky factorizations a full solve makes, and a matrix of their size."""
    count = 0
    real = adjusting.lapack.dpotrf

    def counted(*args: object, **kwargs: object) -> object:
        nonlocal count
        count += 1
        return real(*args, **kwargs)

    adjusting.lapack.dpotrf = counted
    try:
        solution = solve(study)
    finally:
        adjusting.lapack.dpotrf = real
    return count, solution.adjusted.linear.normal


def arithmetic(net: Network) -> int:
    """The solve without turning records into arrays and arrays into records: places, covariance,
    redundancies, doubts; the number of doubts."""
    weight = 1.0 / net.sigma
    near = adjusting.come_near(net, weight, net.start)
    found = adjusting.conclude(net, adjusting.descend(net, near, weight), weight)
    return len(find_doubts(found))


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
            "scipy/solve": clock(lambda net=net: generic(net), 1) / full if n <= 40 else np.nan,
            "solve/cholesky": full / bare,
            "arithmetic/cholesky": clock(lambda net=net: arithmetic(net), times) / bare,
            "next/solve": clock(lambda adjusted=adjusted: what_next(adjusted), times - 2) / full,
            "relations/solve": clock(lambda adjusted=adjusted: find_relations(adjusted), 3) / full
            if n <= 40
            else np.nan,
            "one step, ms": 1e3
            * clock(lambda a=adjusted: linearize(a.network, a.places, a.drifts, a.weight)),
        }
        for name, value in values.items():
            found.setdefault(name, []).append(value)
    return {name: float(np.median(values)) for name, values in found.items()}


def main() -> None:
    """Print the table."""
    rows = {n: row(n) for n in (20, 40, 400)}
    names = list(rows[40])
    print("| landmarks | " + " | ".join(names) + " |")
    print("|---" * (len(names) + 1) + "|")
    for n, values in rows.items():
        said = ["" if np.isnan(v) else f"{v:.3g}" for v in values.values()]
        print(f"| {n} | " + " | ".join(said) + " |")
    print(f"From 40 to 400 landmarks the solve takes {rows[400]['ms'] / rows[40]['ms']:.0f} times.")


__all__ = ["clock", "main", "study_of"]
