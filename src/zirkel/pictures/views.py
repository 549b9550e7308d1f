"""How a picture is looked at: turned to true, cropped, grey, squinted at, in a few flat tones."""

from __future__ import annotations

import io
from pathlib import Path

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageEnhance, ImageFilter

from zirkel.core.arrays import Array
from zirkel.core.study import PictureSubject
from zirkel.core.subject.flat import canvas_size, crop_box
from zirkel.core.tones.grey import LUMINANCE, encoded, lightness_of_luminance, linear

PAPER = (251, 248, 241)
SHOWN_MOST = 1600


def view_of(path: Path, subject: PictureSubject, longest: int = SHOWN_MOST) -> bytes:
    """What is looked at, as PNG where it is flat tones and as JPEG else."""
    shown = opened_view(path, subject, longest)
    out = io.BytesIO()
    if subject.tones:
        shown.save(out, "PNG")
    else:
        shown.save(out, "JPEG", quality=88)
    return out.getvalue()


def opened_view(path: Path, subject: PictureSubject, longest: int) -> Image.Image:
    """The kept picture as it is looked at, opened."""
    with Image.open(path, formats=("PNG", "JPEG")) as opened:
        return looked_at(opened.convert("RGB"), subject, longest)


def looked_at(picture: Image.Image, subject: PictureSubject, longest: int) -> Image.Image:
    """The picture as the subject says, its longer side at most so many pixels."""
    shown = _turned_and_cropped(picture, subject)
    shown.thumbnail((longest, longest), Image.Resampling.LANCZOS)
    if subject.squint:
        shown = squinted(shown, subject.squint / 1000.0 * max(shown.size))
    if subject.grey or subject.tones:
        shown = grey_of(shown)
    if subject.contrast != 1.0:
        shown = ImageEnhance.Contrast(shown).enhance(subject.contrast)
    return flat_tones(shown, subject.tones) if subject.tones else shown


def _turned_and_cropped(picture: Image.Image, subject: PictureSubject) -> Image.Image:
    if subject.turn_deg:
        # Pillow turns counter-clockwise, about the middle, onto a canvas that holds it all.
        turned = picture.rotate(
            -subject.turn_deg, Image.Resampling.BICUBIC, expand=True, fillcolor=PAPER
        )
        width, height = (round(side) for side in canvas_size(subject))
        if turned.size != (width, height):
            turned = turned.resize((width, height), Image.Resampling.BILINEAR)
    else:
        turned = picture.copy()
    if subject.crop == (0.0, 0.0, 1.0, 1.0):
        return turned
    left, top, right, bottom = (round(side) for side in crop_box(subject))
    return turned.crop((left, top, max(right, left + 1), max(bottom, top + 1)))


def squinted(picture: Image.Image, blur_px: float) -> Image.Image:
    """Blurred as an eye half shut sees: light is mixed, not its encoding. The light is kept at its
    square root between the two, so that eight bits are enough for the darks."""
    rooted = Image.fromarray(_bytes(np.sqrt(LINEAR[np.asarray(picture)])))
    blurred = np.asarray(rooted.filter(ImageFilter.GaussianBlur(blur_px)), dtype=float) / 255.0
    return Image.fromarray(_bytes(encoded(blurred**2)))


def grey_of(picture: Image.Image) -> Image.Image:
    """Greys of the same lightness: what counts is the light (CIE luminance), not how it is
    encoded."""
    light = LINEAR[np.asarray(picture)] @ LUMINANCE
    return Image.fromarray(_bytes(encoded(light))).convert("RGB")


def _bytes(values: Array) -> NDArray[np.uint8]:
    return np.clip(np.rint(values * 255.0), 0, 255).astype(np.uint8)


LINEAR = linear(np.arange(256.0))
"""Light of each code."""


def flat_tones(picture: Image.Image, tones: int) -> Image.Image:
    """So many flat tones, set where they serve this picture best, by lightness.

    One-dimensional k-means on L* (S. Lloyd (1982), Least squares quantization in PCM), from even
    shares of the pixels; it stops when nothing moves.
    """
    grey = np.asarray(picture.convert("L"))
    count = np.bincount(grey.ravel(), minlength=256).astype(float)
    level = lightness_of_luminance(LINEAR)
    share = np.cumsum(count) / count.sum()
    starts = [np.searchsorted(share, (i + 0.5) / tones) for i in range(tones)]
    centres = level[np.minimum(starts, 255)]
    for _ in range(64):
        nearest = np.abs(level[:, None] - centres[None, :]).argmin(axis=1)
        moved = centres.copy()
        for i in range(tones):
            weight = count[nearest == i].sum()
            if weight > 0:
                moved[i] = (level * count)[nearest == i].sum() / weight
        if np.allclose(moved, centres):
            break
        centres = moved
    nearest = np.abs(level[:, None] - centres[None, :]).argmin(axis=1)
    codes = np.abs(level[:, None] - centres[None, :]).argmin(axis=0)
    return Image.fromarray(codes[nearest].astype(np.uint8)[grey]).convert("RGB")
