"""From an uploaded file to a picture that can be sighted: checked, upright, not too large.

What a file claims to be is never believed: Pillow finds out, and only three of its readers are let
near. Sizes are read from the header before a single pixel is decoded.
"""

from __future__ import annotations

import io
import warnings
from dataclasses import dataclass
from threading import Lock

from PIL import Image, ImageOps, UnidentifiedImageError

from zirkel.errors import BadInput

FORMATS = ("PNG", "JPEG", "WEBP")
MOST_BYTES = 40_000_000
MOST_PIXELS = 64_000_000
MOST_SIDE = 20_000
LEAST_SIDE = 32
LONGEST_KEPT = 2400
"""Longer sides than this, in pixels, are scaled down: more shows on no screen, and costs time."""

JPEG_QUALITY = 92

MOST_WEBP_PIXELS = 24_000_000
"""Its reader holds the picture several times over and can't read it smaller."""

BAND_ROWS = 64

ONE_AT_A_TIME = Lock()
"""Each may take 400 MB meanwhile; several at once would take that several times."""


@dataclass(frozen=True, slots=True)
class Prepared:
    """A picture ready to be kept."""

    data: bytes
    ending: str
    width: int
    height: int
    scaled: bool


def prepare(data: bytes) -> Prepared:
    """The picture of an uploaded file; BadInput says what is wrong with it.

    Photographs are turned upright by their own orientation tag. JPEG files are decoded at a
    reduced size at once where they are far larger than what is kept.
    """
    if len(data) > MOST_BYTES:
        raise BadInput(
            "picture",
            f"the file has {len(data) / 1e6:.0f} MB, more than Zirkel takes "
            f"({MOST_BYTES / 1e6:.0f} MB): save the picture smaller",
        )
    with ONE_AT_A_TIME, warnings.catch_warnings():
        # Sizes are refused below, with the size named; far beyond them Pillow refuses by itself.
        warnings.simplefilter("ignore", Image.DecompressionBombWarning)
        try:
            with Image.open(io.BytesIO(data), formats=FORMATS) as opened:
                _check_size(opened)
                return _prepared(opened)
        except UnidentifiedImageError as error:
            raise BadInput("picture", _not_a_picture(data)) from error
        except Image.DecompressionBombError as error:
            raise BadInput(
                "picture", "it unpacks to far more than any picture has: save it smaller"
            ) from error
        except (OSError, SyntaxError, ValueError, EOFError) as error:
            raise BadInput(
                "picture", "the file is cut short or damaged: open it elsewhere and save it again"
            ) from error


KEPT_AS = {"PNG": "png", "JPEG": "jpg"}
"""What a prepared picture is kept as, by its format: the ending of its file."""


def prepared_before(data: bytes) -> Prepared:
    """A picture that was prepared elsewhere, as it is; BadInput where it is none, is cut short or
    is larger than any that Zirkel keeps."""
    try:
        with Image.open(io.BytesIO(data), formats=tuple(KEPT_AS)) as opened:
            _check_size(opened)
            if max(opened.size) > LONGEST_KEPT:
                raise BadInput("picture", f"is longer than the {LONGEST_KEPT} pixels that are kept")
            opened.load()
            width, height = opened.size
            return Prepared(data, KEPT_AS[str(opened.format)], width, height, scaled=False)
    except (OSError, SyntaxError, ValueError, EOFError, Image.DecompressionBombError) as error:
        raise BadInput("picture", f"is no picture that can be read ({error})") from error


def _check_size(opened: Image.Image) -> None:
    width, height = opened.size
    webp = opened.format == "WEBP"
    most = MOST_WEBP_PIXELS if webp else MOST_PIXELS
    if width * height > most:
        raise BadInput(
            "picture",
            f"it is {width} × {height} pixels, more than Zirkel takes "
            f"({most / 1e6:.0f} million in all{' of WebP' if webp else ''}): save it smaller",
        )
    if max(width, height) > MOST_SIDE:
        raise BadInput(
            "picture",
            f"it is {width} × {height} pixels, longer than Zirkel takes ({MOST_SIDE}): cut it",
        )
    if min(width, height) < LEAST_SIDE:
        raise BadInput(
            "picture", f"it is {width} × {height} pixels: too small to find landmarks on"
        )


def _prepared(opened: Image.Image) -> Prepared:
    kind = opened.format
    most = max(opened.size)
    if kind == "JPEG":
        opened.draft("RGB", (LONGEST_KEPT, LONGEST_KEPT))
    opened.load()
    orientation = opened.getexif().get(0x0112, 1)
    small = _plain_and_small(opened)
    small.getexif()[0x0112] = orientation
    upright = ImageOps.exif_transpose(small)
    out = io.BytesIO()
    if kind == "PNG":
        upright.save(out, "PNG", optimize=False)
    else:
        upright.save(out, "JPEG", quality=JPEG_QUALITY)
    ending = "png" if kind == "PNG" else "jpg"
    return Prepared(
        out.getvalue(), ending, upright.width, upright.height, scaled=max(upright.size) < most
    )


def _plain_and_small(opened: Image.Image) -> Image.Image:
    """Plain colours on white paper, no longer than is kept. Of a large picture one band after the
    other is looked at: the whole of it in other colours would take as much memory again."""
    width, height = opened.size
    factor = max(width, height) // LONGEST_KEPT
    if factor < 2:
        small = _plain(opened)
    else:
        small = Image.new("RGB", (-(-width // factor), -(-height // factor)))
        for top in range(0, height, BAND_ROWS * factor):
            band = opened.crop((0, top, width, min(top + BAND_ROWS * factor, height)))
            small.paste(_plain(band).reduce(factor), (0, top // factor))
    if max(small.size) > LONGEST_KEPT:
        small.thumbnail((LONGEST_KEPT, LONGEST_KEPT), Image.Resampling.LANCZOS)
    return small


def _plain(picture: Image.Image) -> Image.Image:
    return _on_white(_eight_bits(picture))


def _eight_bits(opened: Image.Image) -> Image.Image:
    """Greys of sixteen bits as eight: cut off instead, all but the darkest would be white."""
    if not opened.mode.startswith("I"):
        return opened
    return opened.convert("I").point(lambda grey: grey * (1 / 257)).convert("L")


def _on_white(picture: Image.Image) -> Image.Image:
    """Plain colours; what was transparent becomes white paper."""
    if "A" in picture.getbands() or "transparency" in picture.info:
        clear = picture.convert("RGBA")
        white = Image.new("RGBA", clear.size, "white")
        return Image.alpha_composite(white, clear).convert("RGB")
    return picture.convert("RGB")


def _not_a_picture(data: bytes) -> str:
    start = data[:400].lstrip().lower()
    if start.startswith((b"<svg", b"<?xml")) or b"<svg" in start:
        return "this is an SVG drawing, which may carry scripts: export it as PNG first"
    return "this is not a PNG, JPEG or WebP picture: save it as one of these"
