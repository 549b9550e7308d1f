"""A rendered scene as a picture: as it is seen, or squinted at."""

from __future__ import annotations

import io

from PIL import Image, ImageFilter

from zirkel.pictures.views import flat_tones, squinted
from zirkel.rendering.render import Rendered

BLUR, TONES = 0.009, 5
"""How far an eye half shut blurs, as a share of the longer side, and how many tones are left."""

EVENED = 13
"""Pixels over which the borders of those tones are evened out: a slow change has ragged ones."""

QUALITY = 88


def scene_seen(seen: Rendered, squint: bool = False) -> bytes:
    """The picture as WebP."""
    picture = Image.fromarray(seen.codes)
    if squint:
        blurred = squinted(picture, BLUR * max(picture.size))
        picture = flat_tones(blurred, TONES).filter(ImageFilter.MedianFilter(EVENED))
    out = io.BytesIO()
    picture.save(out, "WEBP", quality=QUALITY)
    return out.getvalue()
