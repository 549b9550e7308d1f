"""What several of a thing are called; artists name their units themselves."""

from __future__ import annotations

import re

ODD = {"foot": "feet", "tooth": "teeth", "leaf": "leaves", "half": "halves", "loaf": "loaves",
       "knife": "knives", "shelf": "shelves"}  # fmt: skip


def several(name: str) -> str:
    """The plural of a name, by its last word; what is no word stays as it is.

    >>> several("box"), several("jug width"), several("baby"), several("mm")
    ('boxes', 'jug widths', 'babies', 'mm')
    """
    before, _, last = name.rpartition(" ")
    before = f"{before} " if before else ""
    low = last.lower()
    if low == "mm" or not low[-1:].isalpha():
        return name
    if low in ODD:
        return before + ODD[low]
    if re.search(r"(s|x|z|ch|sh)$", low):
        return f"{name}es"
    if re.search(r"[^aeiou]y$", low):
        return f"{name[:-1]}ies"
    return f"{name}s"
