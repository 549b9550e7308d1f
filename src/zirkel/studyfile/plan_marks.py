"""Marks read back from a plan as SVG in which they were moved: where they lie on the sheet now.

The sheet's own rectangle says how large a millimetre is, whatever units and transformations a
program has written; a mark is where the middle of its cross lies.
"""

from __future__ import annotations

import io
import math
from xml.etree.ElementTree import ParseError

from zirkel.core.study import Study
from zirkel.errors import BadInput

MARK, SHEET = "mark-", "the-sheet"
"""Ids of the crosses, before that of their landmark, and of the sheet's rectangle."""

Box = tuple[float, float, float, float]

STRETCHED = 0.02
"""Share by which a sheet's proportion may differ and still be the same sheet."""


def is_plan(data: bytes) -> bool:
    """Whether it is meant as SVG, not as a table."""
    return data.lstrip().startswith((b"<", b"\xef\xbb\xbf<"))


def read_plan(data: bytes, study: Study) -> dict[str, tuple[float, float]]:
    """Where landmarks sit on the sheet, in mm from its left and top. BadInput says what is missing
    in the file."""
    boxes = _boxes(data)
    if SHEET not in boxes:
        raise _wrong(f"there is no rectangle “{SHEET}” in it: keep the layer “sheet” as it was")
    left, top, right, bottom = boxes[SHEET]
    size = study.sheet.width_mm, study.sheet.height_mm
    across, down = size[0] / max(right - left, 1e-9), size[1] / max(bottom - top, 1e-9)
    if abs(across / down - 1.0) > STRETCHED:
        raise _wrong(
            f"its sheet has another proportion than {size[0]:g} × {size[1]:g} mm: it is of another "
            "sheet, or was stretched"
        )
    made = {}
    for each in study.landmarks:
        if MARK + each.id in boxes:
            x0, y0, x1, y1 = boxes[MARK + each.id]
            x, y = ((x0 + x1) / 2.0 - left) * across, ((y0 + y1) / 2.0 - top) * down
            made[each.id] = (round(x, 2), round(y, 2))
    if not made:
        raise _wrong("no mark of this study is in it: keep the layer “marks”")
    return made


def _boxes(data: bytes) -> dict[str, Box]:
    """The box (left, top, right, bottom) round whatever has an id, as it is shown."""
    # Only once a plan is read: it takes long to load, and the start waits.
    from svgelements import SVG, Shape  # noqa: PLC0415

    if b"<!ENTITY" in data:
        raise _wrong("the file declares entities, which no plan needs: save it as plain SVG")
    try:
        found = [
            (each.id, each.bbox())
            for each in SVG.parse(io.BytesIO(data)).elements()
            if isinstance(each, Shape) and each.id
        ]
    except (ParseError, ValueError, ArithmeticError, TypeError, AttributeError) as error:
        raise _wrong("the file is no SVG that can be read: save it as plain SVG") from error
    return {name: box for name, box in found if box is not None and all(map(math.isfinite, box))}


def _wrong(why: str) -> BadInput:
    return BadInput("plan", why)
