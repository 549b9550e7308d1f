"""How near the order of `zirkel next` comes to the best there is: an exchange optimum beside it.

For a number of readings, whole designs are compared by what they leave of the variance of the
places by tier (4, 2, 1), at the true places, each reading at its default sigma and each once, all
in one take. The exchange takes one reading out and puts the best of all others in, over and over,
until no exchange helps any more, from the design of `next` and from two at random; the best of the
three is the optimum (after V. V. Fedorov 1972, *Theory of optimal experiments*).
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from bench.hands import MAKERS, Subject, fresh
from zirkel.core.arrays import Array
from zirkel.core.network.candidates import (
    Candidates,
    all_candidates,
    coordinate_weights,
    gains_of,
    prior_cofactor,
    row,
    with_reading,
)
from zirkel.core.network.search import adjust
from zirkel.core.network.what_next import in_the_take_at_hand, what_next
from zirkel.core.simulation.artist import _as_sighting
from zirkel.core.simulation.observer import observe
from zirkel.core.study import Landmark, Study

COUNTS = (20, 30, 40)
SUBJECTS = 6
BEGINNINGS = 2
LEAST = 1e-4


def at_the_truth(subject: Subject, rng: np.random.Generator) -> Study:
    """The study of a subject whose thumbnail is exact."""
    study = fresh(subject, rng)
    landmarks = tuple(
        Landmark(
            each.id, each.name, each.tier, (float(subject.places[each.id][0]),
                                            float(subject.places[each.id][1])),
        )
        for each in study.landmarks
    )  # fmt: skip
    return replace(study, landmarks=landmarks)


def by_next(study: Study, subject: Subject, count: int) -> Study:
    """The study once the first suggestion was followed so often, read without error."""
    rng = np.random.default_rng(0)
    for number in range(count):
        asked = what_next(adjust(study), 1).sightings[0]
        exact = replace(_as_sighting(asked, f"s{number}", "t1"), sigma=1e-6)
        read = observe(exact, subject.places, rng, rounded=False)
        study = replace(study, sightings=(*study.sightings, replace(read, sigma=None)))
    return study


class Designs:
    """All that could be read of a study, and what designs of it leave of what is known before."""

    def __init__(self, study: Study, read: Study) -> None:
        self.adjusted = adjust(study)
        # One take for all, whose drift is not known either: lengths of it err together.
        self.prior, take = in_the_take_at_hand(self.adjusted, prior_cofactor(self.adjusted))
        self.candidates: Candidates = all_candidates(adjust(read), again=True).in_take(take)
        weights = coordinate_weights(self.adjusted)
        self.weights = np.append(weights, np.zeros(len(self.prior) - len(weights)))
        names = self.adjusted.network.ids
        self.number = {
            (*self.candidates.sorts[sort], frozenset((names[i], names[j]))): k
            for k, (sort, (i, j)) in enumerate(
                zip(self.candidates.sort, self.candidates.pair, strict=True)
            )
        }

    def cofactor(self, chosen: list[int]) -> Array:
        """Covariance once all of them are taken."""
        known = self.prior
        for each in chosen:
            known = with_reading(
                known, row(self.candidates, each, len(known)), float(self.candidates.sigma[each])
            )
        return known

    def left(self, chosen: list[int]) -> float:
        """Weighted variance that they leave."""
        return float(self.weights @ self.cofactor(chosen).diagonal())

    def exchanged(self, chosen: list[int]) -> float:
        """What is left once no exchange of one reading helps any more."""
        chosen, now = list(chosen), self.left(chosen)
        better = True
        while better:
            better = False
            for place in range(len(chosen)):
                others = chosen[:place] + chosen[place + 1 :]
                known = self.cofactor(others)
                gain = gains_of(self.candidates, known, self.weights)
                gain[others] = 0.0
                best = int(gain.argmax())
                then = float(self.weights @ known.diagonal()) - float(gain[best])
                if then < now * (1.0 - LEAST):
                    chosen[place], now, better = best, then, True
        return now


def main() -> None:
    """The error left by `next` over that of the optimum, by number of readings."""
    print("Error (root of the weighted variance) left by `next` over the exchange optimum")
    for count in COUNTS:
        ratios = []
        for seed in range(SUBJECTS):
            rng = np.random.default_rng(seed)
            subject = MAKERS[seed % len(MAKERS)](rng)
            study = at_the_truth(subject, rng)
            read = by_next(study, subject, count)
            designs = Designs(study, read)
            taken = [
                designs.number[each.kind, getattr(each, "along", None), frozenset(each.landmarks)]
                for each in read.sightings
            ]
            free = len(designs.candidates.sigma)
            begun = [taken] + [
                rng.choice(free, count, replace=False).tolist() for _ in range(BEGINNINGS)
            ]
            best = min(designs.exchanged(each) for each in begun)
            ratios.append(float(np.sqrt(designs.left(taken) / best)))
        print(f"  {count} readings: {np.mean(ratios):.3f} on average, {max(ratios):.3f} at worst")


if __name__ == "__main__":
    main()
