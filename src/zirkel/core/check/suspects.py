"""Readings that are likelier to be wrong than the drawing.

A drawing differs from the plan where either is wrong. If reading i, of standard deviation sigma_i,
was taken wrong by d sigma_i, the plan was moved by g d, g = N^-1 a_i with a_i counted in sigma_i
(see `network.adjust`), and a sound drawing stands off by -g d: one more cause that a diagnosis may
have (see `diagnose`), on even terms with a landmark that slipped. How large d may be, the other
readings say by how well they check this one: with redundancy r and residual v sigma_i it is
N(v / (r + 1/6^2), 1 / (r + 1/6^2)), and the odds for an error at all are those of v under either:
with w = v / sqrt(r), -2 ln odds = ln(1 + 6^2 r) + w^2 / (1 + 6^2 r) - w^2.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from zirkel.core.check.causes.base import Candidate
from zirkel.core.check.diagnose import Diagnosis, instead_of
from zirkel.core.check.drawing import Drawing
from zirkel.core.network.adjust import LEAST_REDUNDANCY, Adjustment, row_of_design
from zirkel.core.network.assemble import gains

BLUNDER = 6.0
"""Standard deviation of readings that were taken wrong, in their own."""

LEAST_MOVE_MM = 1.0


@dataclass(frozen=True, slots=True)
class Suspect:
    """A reading that explains what fault number so-and-so does, and better; `expected` is what it
    would read if the drawing is right there."""

    fault: int
    sighting: str
    expected: float


def suspects(
    drawing: Drawing, found: Diagnosis, adjusted: Adjustment, unit_mm: float
) -> tuple[Suspect, ...]:
    """For each fault of a part, the reading that rather is wrong, where there is one."""
    parts = [i for i, each in enumerate(found.faults) if each.kind in ("landmark", "group")]
    if not parts:
        return ()
    pool = list(_candidates(drawing, adjusted, unit_mm))
    made = []
    for number in parts:
        better = instead_of(drawing, found, number, [each for each, _ in pool])
        if better is not None:
            row = next(at for each, at in pool if each is better[0])
            made.append(_suspect(adjusted, number, row, float(better[1][0])))
    return tuple(made)


def _candidates(
    drawing: Drawing, adjusted: Adjustment, unit_mm: float
) -> Iterator[tuple[Candidate, int]]:
    net = adjusted.network
    number = {name: i for i, name in enumerate(net.ids)}
    own = np.array([number[name] for name in drawing.ids])
    rows = (2 * own[:, None] + np.arange(2)).ravel()
    every = np.arange(len(drawing.ids))
    readings = [each for each in net.study.sightings if not each.struck and each.holds]
    place = net.row_of()
    gain = gains(net.datum, adjusted.places)
    for each in readings:
        row = place[each.id]
        reach = adjusted.cofactor @ row_of_design(net, adjusted.linear, row)
        moved = reach[net.datum.column] * gain
        columns = -unit_mm * moved[rows][:, None]
        if np.abs(columns).max() * BLUNDER < LEAST_MOVE_MM:
            continue
        r = max(float(adjusted.redundancy[row]), 0.0)
        precision = r + BLUNDER**-2.0
        misfit = float(adjusted.misfit[row])
        wider = 1.0 + BLUNDER**2 * r
        strain = misfit**2 / r if r > LEAST_REDUNDANCY else 0.0
        known = math.log(wider) + strain / wider - strain
        yield (
            Candidate(
                "reading",
                columns,
                np.array([precision**-0.5]),
                len(readings),
                every,
                lambda b: {},
                mean=misfit / precision,
                known=known,
            ),
            row,
        )


def _suspect(adjusted: Adjustment, fault: int, row: int, amount: float) -> Suspect:
    """What the reading would be without its error of so many of its sigmas."""
    net = adjusted.network
    each = net.sightings[row]
    expected = each.value - amount * float(net.sigma[row]) / each.inside
    if each.period is not None:
        expected %= 180.0
    return Suspect(fault, each.id, expected)
