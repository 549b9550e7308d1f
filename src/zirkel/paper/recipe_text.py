"""The recipe as plain text, to be read by anything: one step a line, landmarks by their number."""

from __future__ import annotations

import textwrap

from zirkel.core.worked import Worked
from zirkel.paper.base import TXT, Paper
from zirkel.paper.recipe_pages import dictated

WIDE = 78
"""Signs a line."""


def _of(worked: Worked) -> bytes:
    said, number = dictated(worked), 0
    lines = [worked.study.title, worked.school.title, ""]
    lines += [line for each in said.set_up for line in _wrapped("* ", each)]
    lines.append("")
    for each in said.items:
        number += each.place is not None
        box = "[ ]" if each.done else "   "
        own = f"{number:>3}. " if each.place is not None else "     "
        lines += _wrapped(f"{box}{own}", each.said)
    return ("\n".join(lines) + "\n").encode()


def _wrapped(begins: str, said: str) -> list[str]:
    return textwrap.wrap(said, WIDE, initial_indent=begins, subsequent_indent=" " * len(begins))


PAPER = Paper("recipe-text", "Recipe as text", "one step a line", _of, TXT)
