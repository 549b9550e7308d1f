"""What habit does to a drawing: shapes too wide or too tall, near-uprights made upright, depth
drawn as it is known to be."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from zirkel.core.check.causes.base import Candidate
from zirkel.core.check.causes.some import LARGEST_SHARE
from zirkel.core.check.drawing import Drawing

USUAL_GROWTH, USUAL_SHARE, USUAL_DEPTH = 0.08, 0.6, 0.2
LEAST_GROWN, LEAST_EDGES = 4, 2
UPRIGHT_DEG = (1.5, 12.0)
"""Edges that lean so little, but do lean, are the ones that get drawn upright."""

KINDS = 6
WAYS = {"wide": (1.0, 0.0), "tall": (0.0, 1.0)}
"""Of a shape that was drawn larger one way only: which of its sides."""


def sided(drawing: Drawing) -> Iterator[Candidate]:
    """Each shape wider or taller than it should be, about its own middle."""
    held = [each for _, each in drawing.groups if len(each) >= LEAST_GROWN]
    for members in held:
        if len(members) > LARGEST_SHARE * len(drawing.ids):
            continue
        for kind, ways in WAYS.items():
            columns = np.zeros((len(drawing.ids), 2))
            away = drawing.planned[members] - drawing.planned[members].mean(axis=0)
            columns[members] = away * ways
            yield Candidate(
                kind, columns.reshape(-1, 1), np.array([USUAL_GROWTH]), KINDS + 3.0 * len(held),
                members, lambda b: {"factor": 1.0 + float(b[0])},
            )  # fmt: skip


def depths(drawing: Drawing) -> Iterator[Candidate]:
    """Edges that run back, all drawn longer than they are seen: as one knows them to be."""
    columns = np.zeros((len(drawing.ids), 2))
    count = np.zeros(len(drawing.ids))
    for near, far in drawing.receding:
        columns[far] += drawing.planned[far] - drawing.planned[near]
        count[far] += 1.0
    if (count > 0).sum() < LEAST_EDGES:
        return
    columns /= np.maximum(count, 1.0)[:, None]
    yield Candidate(
        "depth", columns.reshape(-1, 1), np.array([USUAL_DEPTH]), KINDS, np.flatnonzero(count),
        lambda b: {"factor": 1.0 + float(b[0])},
    )  # fmt: skip


def uprights(drawing: Drawing) -> Iterator[Candidate]:
    """All edges that lean a little, drawn as if they did not: 1 of its amount makes them plumb."""
    columns = np.zeros((len(drawing.ids), 2))
    count = np.zeros(len(drawing.ids))
    for a, b in drawing.edges:
        dx, dy = drawing.planned[b] - drawing.planned[a]
        lean = abs(np.degrees(np.arctan2(dx, abs(dy))))
        if UPRIGHT_DEG[0] < lean < UPRIGHT_DEG[1]:
            columns[a, 0] += dx / 2.0
            columns[b, 0] -= dx / 2.0
            count[[a, b]] += 1.0
    if (count > 0).sum() < 2 * LEAST_EDGES:
        return
    columns /= np.maximum(count, 1.0)[:, None]
    yield Candidate(
        "uprights", columns.reshape(-1, 1), np.array([USUAL_SHARE]), KINDS,
        np.flatnonzero(count), lambda b: {"share": float(b[0])},
    )  # fmt: skip
