"""How good the answers are, on random networks whose truth is known."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
from tests.core.test_doubts import spoiled
from tests.core.test_relations import planted
from tests.networks import RandomNetwork

from zirkel.core.network.adjust import conclude, place_covariance
from zirkel.core.network.descend import descend
from zirkel.core.network.relations import find_relations
from zirkel.core.network.search import adjust
from zirkel.core.network.solve import solve

NETWORKS = 100
MAIN, ALL = "stdl", "stdlpm"


def network(seed: int, kinds: str, tap: float, per: int = 4) -> RandomNetwork:
    """20 to 60 landmarks, four readings for each."""
    return RandomNetwork(seed, n=20 + seed % 41, per=per, kinds=kinds, tap=tap)


def accuracy() -> None:
    """RMS error over RMS predicted sd, and how often the true valley is found."""
    for kinds in (MAIN, ALL):
        for tap in (0.15, 0.5):
            ratios, found, better = [], 0, 0
            for seed in range(NETWORKS):
                made = network(seed, kinds, tap)
                adjusted = adjust(made.study)
                net = adjusted.network
                begin = (made.places(), np.zeros(len(net.takes)))
                best = conclude(net, descend(net, begin, adjusted.weight), adjusted.weight)
                found += adjusted.cost <= best.cost * 1.0001
                better += adjusted.cost < best.cost * 0.9999
                variance = place_covariance(adjusted)[:, (0, 1), (0, 1)]
                error = np.mean((adjusted.places - made.places()) ** 2)
                ratios.append(np.sqrt(error / np.mean(variance)))
            print(
                f"| {'all kinds' if kinds == ALL else 'span, tilt, drop, level'} | {tap} | "
                f"{np.mean(ratios):.2f} | {found} of {NETWORKS} | {better} |"
            )


def takes() -> None:
    """Two takes whose drifts differ by 7 %."""
    close = named = 0
    for seed in range(NETWORKS):
        made = RandomNetwork(seed, n=20 + seed % 41, per=4, kinds="sstdl", drifts=(0.0, 0.07))
        found = solve(made.study).takes
        close += abs(found["t2"].drift - found["t1"].drift - 0.07) < 0.03
        named += found["t2"].significant
    print(f"Takes: difference within 3 % in {close}, named in {named} of {NETWORKS}.")


def doubts() -> None:
    """One and two readings wrong by eight of their own sigmas, and none."""
    first = both = clean = 0
    for seed in range(NETWORKS):
        study, wrong = spoiled(seed, 1)
        told = solve(study).doubts
        first += bool(told) and told[0].sighting == wrong[0]
        study, wrong = spoiled(1000 + seed, 2)
        both += set(wrong) <= {each.sighting for each in solve(study).doubts}
        clean += bool(solve(network(2000 + seed, "stdlp", 0.1).study).doubts)
    print(
        f"Doubts: the wrong one first in {first}, two both found in {both}, "
        f"a clean network doubted in {clean} of {NETWORKS}."
    )


def relations() -> None:
    """Planted relations in the top fifteen, and how many hold by chance beside them."""
    hits: dict[str, int] = {}
    for seed in range(NETWORKS):
        study, facts = planted(seed)
        found = find_relations(adjust(study), 15).relations
        for kind, landmarks in facts.items():
            hits[kind] = hits.get(kind, 0) + any(
                each.sighting.kind == kind and set(each.sighting.landmarks) == landmarks
                for each in found
            )
    print(f"Relations between large shapes, readings ten times as sharp: {hits} of {NETWORKS}.")
    counts = []
    for seed in range(20):
        study, _ = planted(seed)
        blunt = tuple(replace(each, sigma=None) for each in study.sightings)
        adjusted = adjust(replace(study, sightings=blunt))
        n = 2 * len(adjusted.network.ids)
        covariance = place_covariance(adjusted)
        i, j = np.triu_indices(n // 2, 1)
        d = np.abs(adjusted.places[j] - adjusted.places[i])
        spread = np.sqrt(covariance[i][:, (0, 1), (0, 1)] + covariance[j][:, (0, 1), (0, 1)])
        counts.append(int(((d < 2.0 * spread) & (d[:, ::-1] > 0.3)).sum()))
    print(f"Alignments that hold within usual errors, of 20 landmarks: {np.mean(counts):.0f}.")


def main() -> None:
    """Print everything."""
    print(
        "| kinds | thumbnail off by | RMS error / predicted | valley found | deeper than truth's |"
    )
    print("|---|---|---|---|---|")
    accuracy()
    takes()
    doubts()
    relations()
