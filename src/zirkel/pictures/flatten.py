"""A photographed sheet as if looked at from straight above."""

from __future__ import annotations

import io
from pathlib import Path

import cv2
import numpy as np
from PIL import Image

from zirkel.core.check.photograph import flattening
from zirkel.core.drawn import Photograph

COARSE = 8
"""Pixels between places that are computed; between them the way is straight enough."""


def flat_view(path: Path, photograph: Photograph, size: tuple[float, float], longest: int) -> bytes:
    """JPEG of a sheet of so many mm, its longer side so many pixels."""
    scale = longest / max(size)
    width, height = (max(round(each * scale), 1) for each in size)
    x = (np.arange(0, width + COARSE, COARSE) + 0.5) / scale
    y = (np.arange(0, height + COARSE, COARSE) + 0.5) / scale
    places = np.stack(np.meshgrid(x, y), axis=-1)
    at = flattening(photograph, size).to_picture(places.reshape(-1, 2)).reshape(places.shape)
    fine = [_between(at[..., axis], width, height) for axis in (0, 1)]
    with Image.open(path, formats=("PNG", "JPEG")) as opened:
        pixels = np.asarray(opened.convert("RGB"))
    flat = cv2.remap(
        pixels, fine[0], fine[1], cv2.INTER_LINEAR, None, cv2.BORDER_CONSTANT, (239, 231, 218)
    )
    out = io.BytesIO()
    Image.fromarray(np.asarray(flat, dtype=np.uint8)).save(out, "JPEG", quality=88)
    return out.getvalue()


def _between(values: np.ndarray, width: int, height: int) -> np.ndarray:
    """(height, width) of values that stand at the first pixel of every COARSE ones."""
    rows = np.arange(height) / COARSE
    columns = np.arange(width) / COARSE
    grid = np.meshgrid(columns.astype(np.float32), rows.astype(np.float32))
    made = cv2.remap(values.astype(np.float32), grid[0], grid[1], cv2.INTER_LINEAR)
    # A picture's pixel 0 lies half a pixel in from its edge.
    return np.asarray(made - 0.5, dtype=np.float32)
