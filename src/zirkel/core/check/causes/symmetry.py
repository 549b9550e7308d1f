"""The far side of a turned head drawn as wide as the near one, as one knows it to be."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from zirkel.core.check.causes.base import Candidate
from zirkel.core.check.drawing import Drawing

USUAL_SHARE = 0.6
KINDS = 6
LEAST, NARROWER = 2, 0.85
"""Pairs without which nothing is said, and how narrow the far side is where a head is turned."""


def symmetry(drawing: Drawing) -> Iterator[Candidate]:
    """1 of its amount makes both sides of a head as wide as its near side."""
    for middle, pairs in drawing.mirrored:
        if len(middle) < LEAST or len(pairs) < LEAST:
            continue
        own = drawing.planned[list(middle)]
        _, _, axes = np.linalg.svd(own - own.mean(axis=0))
        across = (drawing.planned - own.mean(axis=0)) @ axes[1]
        both = np.array(pairs)
        apart = np.abs(across[both])
        far = int(apart.sum(axis=0).argmin())
        if apart[:, far].sum() > NARROWER * apart[:, 1 - far].sum():
            continue
        columns = np.zeros_like(drawing.planned)
        members = both[:, far]
        wider = (apart[:, 1 - far] - apart[:, far]) * np.sign(across[members])
        columns[members] = wider[:, None] * axes[1]
        yield Candidate(
            "symmetry", columns.reshape(-1, 1), np.array([USUAL_SHARE]), KINDS,
            np.sort(members), lambda b: {"share": float(b[0])},
        )  # fmt: skip
