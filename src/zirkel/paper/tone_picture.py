"""The whole in flat tones as a picture, as small as a thumbnail sketch."""

from __future__ import annotations

import io

from PIL import Image, ImageDraw

from zirkel.core.tones.grey import grey_of
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import PNG, Paper
from zirkel.paper.tone_areas import flat_areas, has_tones, tone_plan

LONG_PX = 1200
FINER = 3


def tone_picture(worked: Worked) -> bytes:
    """PNG, its longer side 1200 pixels, drawn finer and brought down."""
    plan = tone_plan(worked)
    if not plan.flat:
        raise BadInput("tones", "no tone is known yet: compare areas first")
    sheet = worked.study.sheet
    scale = FINER * LONG_PX / max(sheet.width_mm, sheet.height_mm)
    size = (max(round(sheet.width_mm * scale), 1), max(round(sheet.height_mm * scale), 1))
    picture = Image.new("RGB", size, grey_of(plan.medium.paper))
    draw = ImageDraw.Draw(picture)
    for each in flat_areas(worked, plan):
        draw.polygon([(x * scale, y * scale) for x, y in each.points], fill=each.grey)
    small = (max(size[0] // FINER, 1), max(size[1] // FINER, 1))
    out = io.BytesIO()
    picture.resize(small, Image.Resampling.LANCZOS).save(out, "PNG")
    return out.getvalue()


PAPER = Paper("tone-picture", "Tones as a picture", "flat, to look at small", tone_picture, PNG,
              fits=has_tones)  # fmt: skip
