"""How a picture is looked at: turned to true, cropped, grey, squinted at, in a few flat tones."""

from __future__ import annotations

import io
from pathlib import Path

import numpy as np
from PIL import Image, ImageEnhance, ImageFilter

from zirkel.core.study import PictureSubject
from zirkel.core.subject.flat import canvas_size, crop_box

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
        blur = subject.squint / 1000.0 * max(shown.size)
        shown = shown.filter(ImageFilter.GaussianBlur(blur))
    if subject.grey or subject.tones:
        shown = shown.convert("L").convert("RGB")
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


def flat_tones(picture: Image.Image, tones: int) -> Image.Image:
    """So many flat tones, set where they serve this picture best.

    One-dimensional k-means on the grey values (S. Lloyd (1982), Least squares quantization in PCM),
    from even shares of the pixels; it stops when nothing moves.
    """
    grey = np.asarray(picture.convert("L"))
    count = np.bincount(grey.ravel(), minlength=256).astype(float)
    level = np.arange(256.0)
    share = np.cumsum(count) / count.sum()
    centres = np.array([np.searchsorted(share, (i + 0.5) / tones) for i in range(tones)], float)
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
    return Image.fromarray(centres[nearest].round().astype(np.uint8)[grey]).convert("RGB")
