"""Rendered photographs of drawn sheets: corners found, and how far off clicked landmarks are."""

from __future__ import annotations

import tempfile
from pathlib import Path

import numpy as np
from PIL import Image

from zirkel.core.check.photograph import flattening
from zirkel.core.drawn import Photograph
from zirkel.demo.photograph import Camera, photograph, to_pixels
from zirkel.pictures.find_sheet import find_sheet

PHOTOGRAPHS = 100
CLICK_PX, NEAR_PX = 1.0, 3.0
SIZES = ((420.0, 297.0), (297.0, 420.0))


def camera(rng: np.random.Generator, seed: int) -> Camera:
    """Tilted up to 35 degrees, a lens that bends a little, a shadow across, noise, and any table, a
    white one too."""
    tilt, way = rng.uniform(0, 35), rng.uniform(0, 2 * np.pi)
    return Camera(
        width=2000, height=1500, back_deg=tilt * np.cos(way), side_deg=tilt * np.sin(way),
        turn_deg=rng.uniform(-12, 12), bend=rng.uniform(-0.04, 0.04), fill=rng.uniform(0.6, 0.9),
        paper=rng.uniform(0.75, 0.95), shadow=rng.uniform(0, 0.5), noise=rng.uniform(0.005, 0.03),
        table=tuple(np.clip(rng.uniform(0.15, 0.8) * rng.uniform(0.7, 1.3, 3), 0, 1)), seed=seed,
    )  # fmt: skip


def main() -> None:
    """How many sheets are found, called clear, called clear and wrong; and the landmarks."""
    rng = np.random.default_rng(5)
    near = clear = wrong = 0
    off: list[float] = []
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "photo.jpg"
        for number in range(PHOTOGRAPHS):
            size = SIZES[number % 2]
            lines = [rng.uniform((20, 20), np.array(size) - 20, (4, 2)) for _ in range(6)]
            seen = camera(rng, number)
            pixels, corners = photograph(size, lines, seen)
            Image.fromarray(pixels).save(path, quality=90)
            found = find_sheet(path, "0" * 64, size[0] / size[1])
            worst = float(np.hypot(*(np.array(found.corners) - corners).T).max())
            near += worst < NEAR_PX
            clear += found.clear
            wrong += found.clear and worst >= NEAR_PX
            if worst >= NEAR_PX:
                continue
            kept = Photograph("0" * 64, seen.width, seen.height, found.corners, found.bend)
            places = rng.uniform(0.04, 0.96, (30, 2)) * size
            clicks = to_pixels(seen, size, places) + rng.normal(0, CLICK_PX, places.shape)
            back = flattening(kept, size).to_sheet(clicks)
            off.append(float(np.sqrt(((back - places) ** 2).sum(axis=1).mean())))
    print(f"corners within {NEAR_PX:g} px: {near} of {PHOTOGRAPHS}; clear: {clear}, of them wrong: "
          f"{wrong}")  # fmt: skip
    print(
        f"clicked landmarks, mm of distance: {np.mean(off):.2f} on average, {max(off):.2f} at most"
    )
