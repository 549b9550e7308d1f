"""Tones read off what is seen: CIE lightness of areas on a rendered scene or a picture."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from pathlib import Path

import numpy as np
from PIL import Image, ImageDraw
from shapely import Polygon

from zirkel.core.arrays import Array, Flags
from zirkel.core.tones.grey import lightness_of_luminance, luminance, tone_of
from zirkel.rendering.render import Rendered

BORDER_SHARE = 0.12
"""Share of an area's own reach that is left out along its border, where tones run into each
other."""

LEAST_PIXELS = 12


def scene_tones(
    seen: Rendered, outlines: Mapping[str, Sequence[Sequence[float]]]
) -> dict[str, float]:
    """The tone of each outline (as tangents) on a rendered scene: the median within its border."""
    left, top, right, _ = seen.box
    size = seen.codes.shape[1] / (right - left)
    pixels = {
        name: [((x - left) * size, (y - top) * size) for x, y in outline]
        for name, outline in outlines.items()
    }
    return tones_in(luminance(seen.codes.astype(float)), pixels)


def picture_tones(
    path: Path, outlines: Mapping[str, Sequence[Sequence[float]]]
) -> dict[str, float]:
    """The tone of each outline on a picture, in pixels of it: the median within its border."""
    with Image.open(path, formats=("PNG", "JPEG")) as opened:
        pixels = np.asarray(opened.convert("RGB"))
    return tones_in(luminance(pixels), outlines)


def tones_in(y: Array, outlines: Mapping[str, Sequence[Sequence[float]]]) -> dict[str, float]:
    """The same on an image of luminance (h, w)."""
    made = {}
    for name, outline in outlines.items():
        inside = y[mask_of(outline, y.shape)]
        if len(inside) >= LEAST_PIXELS:
            made[name] = tone_of(float(lightness_of_luminance(np.array(np.median(inside)))))
    return made


def mask_of(outline: Sequence[Sequence[float]], shape: tuple[int, ...]) -> Flags:
    """(h, w) which pixels lie well within an outline."""
    height, width = shape[:2]
    mask = Image.new("1", (width, height))
    polygon = _shape(outline)
    if polygon is not None:
        reach = np.sqrt(polygon.area)
        inner = polygon.buffer(-BORDER_SHARE * reach)
        parts = [inner] if inner.geom_type == "Polygon" else list(inner.geoms)
        draw = ImageDraw.Draw(mask)
        for part in parts or [polygon]:
            if not part.is_empty:
                draw.polygon([(x, y) for x, y in part.exterior.coords], fill=1)
    made: Flags = np.asarray(mask, dtype=bool)
    return made


def _shape(outline: Sequence[Sequence[float]]) -> Polygon | None:
    if len(outline) < 3:
        return None
    shape = Polygon(outline).buffer(0)
    if shape.is_empty:
        return None
    return shape if shape.geom_type == "Polygon" else max(shape.geoms, key=lambda each: each.area)
