"""Where papers write their words: recorded as they are drawn, with the room that they take."""

import math
from contextlib import contextmanager
from unittest.mock import patch

from zirkel.paper.page import Page

ASCENT, DESCENT = 0.72, 0.2
"""Of the type's height, above and below the base line, for the letters as they mostly are."""


class Word:
    """One run of words: on which page, of what size, and its corners in mm."""

    def __init__(self, page, size, said, high, corners):
        self.page, self.size, self.said, self.high = page, size, said, high
        self.kept = False
        xs, ys = zip(*corners, strict=True)
        self.box = min(xs), min(ys), max(xs), max(ys)

    def crosses(self, other):
        """How far both lie over each other, in mm: the smaller of across and down."""
        a, b = self.box, other.box
        return min(min(a[2], b[2]) - max(a[0], b[0]), min(a[3], b[3]) - max(a[1], b[1]))


@contextmanager
def written():
    """All words that pages write meanwhile."""
    found = []
    counts = {}
    plain_text, plain_turn, plain_keep = Page.text, Page.turn_page, Page.keep

    def text(self, x, y, said, size=3.4, strong=False, colour="", anchor="start", turn_deg=0.0,
             serif=False):  # fmt: skip
        wide = self.wide(said, size, strong, serif)
        back = {"start": 0.0, "middle": 0.5, "end": 1.0}[anchor] * wide
        c, s = math.cos(math.radians(turn_deg)), math.sin(math.radians(turn_deg))
        flat = [(-back, -ASCENT * size), (wide - back, -ASCENT * size),
                (wide - back, DESCENT * size), (-back, DESCENT * size)]  # fmt: skip
        corners = [(x + c * u - s * v, y + s * u + c * v) for u, v in flat]
        size_mm = self.width_mm, self.height_mm
        if said.strip():
            # What is kept to be put on other pages is a page of its own.
            page = id(self), counts.get(id(self), 0), size_mm
            found.append(Word(page, size_mm, said, size, corners))
        more = {"colour": colour} if colour else {}
        plain_text(self, x, y, said, size, strong, anchor=anchor, turn_deg=turn_deg, serif=serif,
                   **more)  # fmt: skip

    def turn_page(self, *size):
        counts[id(self)] = counts.get(id(self), 0) + 1
        plain_turn(self, *size)

    def keep(self, name, draw):
        before = len(found)
        plain_keep(self, name, draw)
        for each in found[before:]:
            each.kept = True

    with (
        patch.object(Page, "text", text), patch.object(Page, "turn_page", turn_page),
        patch.object(Page, "keep", keep),
    ):  # fmt: skip
        yield found
