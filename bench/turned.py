"""A unit tapped upside down: how often the drawing stands the right way up all the same, and how
often an honest thumbnail is turned over."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from bench.hands import MAKERS, Hand, Subject, fresh, sensible
from zirkel.core.network.doubts import judge
from zirkel.core.network.search import adjust
from zirkel.core.study import Study

SUBJECTS = 36
COUNTS = (14, 20, 28, 36)
OFF = 0.3
"""Root mean square distance in units from which a solution is another one."""


def tapped(study: Study, upside_down: bool) -> Study:
    """The study with the unit's two ends exchanged on its thumbnail."""
    unit = study.unit
    rough = {each.id: each.rough for each in study.landmarks}
    other = {unit.start: rough[unit.end], unit.end: rough[unit.start]} if upside_down else {}
    return replace(
        study,
        landmarks=tuple(
            replace(each, rough=other.get(each.id, each.rough)) for each in study.landmarks
        ),
    )


def readings(
    subject: Subject, study: Study, rng: np.random.Generator, count: int, wrong: bool
) -> Study:
    """So many readings in a sensible order, the fifth grossly wrong if it is to be."""
    hand, asking = Hand(subject, rng), sensible(study)
    asked = next(asking)
    while len(study.sightings) < count:
        number = len(study.sightings)
        read = hand.read(*asked, number)
        if wrong and number == 5:
            field = read.value_field
            sigma = read.sigma or read.default_sigma(in_mm=False)
            read = replace(read, **{field: getattr(read, field) + 8.0 * sigma})
        study = replace(study, sightings=(*study.sightings, read))
        asked = asking.send(study)
    return study


def main() -> None:
    """Print how often it comes out right, by how the unit was tapped and what was read."""
    for upside_down in (False, True):
        for wrong in (False, True):
            told = []
            for count in COUNTS:
                right = doubted = 0
                for seed in range(SUBJECTS):
                    rng = np.random.default_rng(seed)
                    subject = MAKERS[seed % len(MAKERS)](rng)
                    study = tapped(fresh(subject, rng), upside_down)
                    found = adjust(readings(subject, study, rng, count, wrong))
                    truth = np.array([subject.places[name] for name in found.network.ids])
                    off = (
                        found.places
                        - truth
                        - (found.places - truth)[found.network.index[subject.unit[0]]]
                    )
                    right += float(np.sqrt((off**2).sum(axis=1).mean())) < OFF
                    doubted += len(judge(found).doubts) > wrong
                told.append(f"{count}: {right} of {SUBJECTS} ({doubted} too many doubts)")
            how = "upside down" if upside_down else "as it stands"
            print(f"tapped {how}, {'one' if wrong else 'no'} gross error: {'; '.join(told)}")


if __name__ == "__main__":
    main()
