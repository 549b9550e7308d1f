"""What lies flat drawn too tall: rims as round as one knows them to be, not as flat as they are
seen."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from zirkel.core.check.causes.base import Candidate, one_amount
from zirkel.core.check.drawing import Drawing

USUAL = 0.25
KINDS = 6
LEAST_MM = 1.0


def flat(drawing: Drawing) -> Iterator[Candidate]:
    """All rims that lie flat, drawn so many times as tall, each about its own middle."""
    columns = np.zeros_like(drawing.planned)
    for members in drawing.flat:
        own = drawing.planned[members, 1]
        columns[members, 1] = own - own.mean()
    if np.abs(columns).max() < LEAST_MM:
        return
    yield Candidate(
        "flat", columns.reshape(-1, 1), np.array([USUAL]), KINDS,
        np.flatnonzero(columns[:, 1]), one_amount("factor", 1.0),
    )  # fmt: skip
