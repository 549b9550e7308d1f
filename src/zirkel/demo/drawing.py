"""The potting bench as somebody drew it and photographed it: the can too wide, the spout's tip too
low, the rest as a careful hand leaves it; with its first check."""

from __future__ import annotations

import hashlib
import io
from dataclasses import replace
from pathlib import Path

import numpy as np
from PIL import Image

from zirkel.core.arrays import Array
from zirkel.core.check.photograph import flattening_of, sigma_of
from zirkel.core.drawn import Photograph
from zirkel.core.study import Study
from zirkel.core.words.checked import About
from zirkel.core.words.kept_check import kept_check
from zirkel.core.worked import Worked
from zirkel.demo.photograph import Camera, photograph, to_pixels
from zirkel.pictures.find_sheet import find_sheet

CAMERA = Camera(width=1800, height=1350, back_deg=21.0, side_deg=-7.0, turn_deg=-3.0)
HAND_MM, CLICK_PX = 0.9, 0.8
WIDER, TIP = 1.13, ("spout_tip", (3.0, 8.5))
CAN = ("can_rim_l", "can_rim_r", "can_shoulder_r", "can_dent", "can_foot_r", "can_foot_l",
       "can_shoulder_l")  # fmt: skip
JPEG_QUALITY = 86
AT = "2026-04-18T10:40:00+00:00"


def drawn_places(study: Study, seed: int) -> dict[str, Array]:
    """Where this hand put every landmark, in mm."""
    rng = np.random.default_rng(seed)
    marks = Worked(study).plan.marks
    places = {
        name: np.array([mark.held_left_mm, mark.held_top_mm]) + rng.normal(0.0, HAND_MM, 2)
        for name, mark in marks.items()
    }
    middle = float(np.mean([places[name][0] for name in CAN]))
    for name in CAN:
        places[name][0] = middle + WIDER * (places[name][0] - middle)
    places[TIP[0]] += np.array(TIP[1])
    return places


def with_drawing(study: Study, picture: Path, seed: int = 3) -> Study:
    """The study with the drawing photographed into that file, marked on it, and checked."""
    places = drawn_places(study, seed)
    lines = []
    for shape in study.shapes:
        names = [*shape.outline, shape.outline[0]] if shape.closed else list(shape.outline)
        lines.append([(float(places[n][0]), float(places[n][1])) for n in names])
    size = (study.sheet.width_mm, study.sheet.height_mm)
    pixels, _ = photograph(size, lines, CAMERA)
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "JPEG", quality=JPEG_QUALITY)
    picture.write_bytes(out.getvalue())
    name = hashlib.sha256(out.getvalue()).hexdigest()
    found = find_sheet(picture, name, size[0] / size[1])
    taken = Photograph(
        name, CAMERA.width, CAMERA.height, found.corners, found.bend, found=found.clear
    )
    rng = np.random.default_rng(seed + 1)
    at = to_pixels(CAMERA, size, np.array(list(places.values())))
    clicked = flattening_of(taken, study.sheet).to_sheet(at + rng.normal(0.0, CLICK_PX, at.shape))
    drawn = {
        name: (round(float(x), 2), round(float(y), 2))
        for name, (x, y) in zip(places, clicked, strict=True)
    }
    measured = replace(
        study, photograph=taken, drawn=drawn,
        drawn_sigma_mm=sigma_of(taken, study.sheet, drawn.values()),
    )  # fmt: skip
    worked = Worked(measured)
    check = worked.checked
    if check is None:
        raise ValueError("the demonstration's drawing can't be checked")
    kept = kept_check(About(measured, worked.words, check), "check", AT)
    return replace(measured, checks=(kept,))
