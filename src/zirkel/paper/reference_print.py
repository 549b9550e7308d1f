"""A reference print: the picture at its true size, to be taped beside the sheet."""

from __future__ import annotations

from PIL import Image
from reportlab.lib.utils import ImageReader

from zirkel.paper.page import PENCIL, Page, page_for

BORDER_MM, FOOT_MM = 10.0, 16.0


def reference_print(title: str, picture: Image.Image, width_mm: float, height_mm: float) -> bytes:
    """The PDF of a picture at so many millimetres."""
    page = page_for(width_mm + 2 * BORDER_MM, height_mm + 2 * BORDER_MM + FOOT_MM)
    paper = Page(title, *page)
    left, top = (page[0] - width_mm) / 2.0, BORDER_MM
    paper.image(ImageReader(picture), left, top, width_mm, height_mm)
    paper.box(left, top, width_mm, height_mm, PENCIL, 0.15)
    for x in (left, left + width_mm):
        for y in (top, top + height_mm):
            paper.cross(x, y, 4.0, PENCIL)
    paper.text(left, top + height_mm + 6.0, f"{title} · {width_mm:.1f} × {height_mm:.1f} mm", 3.4)
    paper.proof_bar(left, page[1] - 6.0)
    return paper.done()
