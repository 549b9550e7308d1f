"""Tones of the drawing itself, from its photograph: the light across the sheet evened out by the
bare paper.

Light falls unevenly on a sheet, and a camera sees paper and light as one product. Where the paper
is bare its reflectance is known, so what is seen there is the light alone: a quadratic in x and y
is fitted to the logarithm of that, robustly, since marks and specks are no paper. All else divided
by it is reflectance.
"""

from __future__ import annotations

import io
from collections.abc import Mapping, Sequence

import numpy as np
from PIL import Image

from zirkel.core.arrays import Array
from zirkel.core.tones.grey import luminance, luminance_of_tone
from zirkel.pictures.lightness import mask_of, tones_in

COARSE = 6
ROUNDS = 8
SOFT = 0.03
"""Relative difference from the fit beyond which a pixel is no bare paper."""

LEAST_SHARE = 0.02
"""Share of the sheet that must be bare paper."""


def drawn_tones(
    flat: bytes, outlines: Mapping[str, Sequence[Sequence[float]]], paper: float
) -> dict[str, float] | None:
    """The tone of each outline (in pixels of the flattened sheet) when the bare paper is of tone
    `paper`; None where too little bare paper is left to even out the light."""
    with Image.open(io.BytesIO(flat)) as opened:
        y = luminance(np.asarray(opened.convert("RGB")))
    light = paper_light(y, outlines)
    if light is None:
        return None
    white = luminance_of_tone(paper)
    return tones_in(y / light * white, outlines)


def paper_light(y: Array, outlines: Mapping[str, Sequence[Sequence[float]]]) -> Array | None:
    """(h, w) what bare paper would show at every pixel, from where it is bare."""
    height, width = y.shape
    drawn = np.zeros(y.shape, dtype=bool)
    for outline in outlines.values():
        drawn |= mask_of(_grown(outline), y.shape)
    rows, columns = np.mgrid[0:height:COARSE, 0:width:COARSE]
    bare = ~drawn[rows, columns].ravel()
    if bare.mean() < LEAST_SHARE:
        return None
    r, c = rows.ravel() / height - 0.5, columns.ravel() / width - 0.5
    terms = np.stack([np.ones_like(r), r, c, r * r, r * c, c * c], axis=1)
    value = np.log(np.maximum(y[rows, columns].ravel(), 1e-4))
    # Paper is the lightest of what is bare: marks beside it only ever darken.
    use = bare & (value > np.quantile(value[bare], 0.5) - 0.7)
    fit = np.linalg.lstsq(terms[use], value[use], rcond=None)[0]
    for _ in range(ROUNDS):
        off = value - terms @ fit
        weight = np.where(bare, 1.0 / (1.0 + (off / SOFT) ** 2), 0.0)
        weight *= np.where(off < 0, 0.5, 1.0)
        root = np.sqrt(weight)
        fit = np.linalg.lstsq(terms * root[:, None], value * root, rcond=None)[0]
    r, c = (np.mgrid[0:height, 0:width] / np.array([height, width])[:, None, None]) - 0.5
    made: Array = np.exp(
        fit[0] + fit[1] * r + fit[2] * c + fit[3] * r * r + fit[4] * r * c + fit[5] * c * c
    )
    return made


def _grown(outline: Sequence[Sequence[float]]) -> list[list[float]]:
    """The outline grown by a third about its middle, so that its soft border is no paper."""
    points = np.asarray(outline, dtype=float)
    middle = points.mean(axis=0)
    made: list[list[float]] = (middle + 1.45 * (points - middle)).tolist()
    return made
