"""Reading back what a PDF draws: lines and words with their places in millimetres from the top
left.

Only what ReportLab writes needs to be understood: compressed streams, the operators for moving the
origin, lines, rectangles, circles as curves, and text.
"""

import base64
import re
import zlib
from itertools import pairwise

MM = 72.0 / 25.4
NUMBER = r"-?\d*\.?\d+"


class Page:
    """One page: `lines` as lists of points in mm, y down; `size` in mm."""

    def __init__(self, width, height, stream):
        self.size = width / MM, height / MM
        self.lines, self.images = [], []
        self._height = height
        self._read(stream)

    def _mm(self, x, y):
        return x / MM, (self._height - y) / MM

    def _read(self, stream):
        here = []
        # Kept drawings, put here from (left, top of their foot) at a share of their size.
        self.put = [
            (*self._mm(float(x), float(y)), float(share or 1.0))
            for x, y, share in re.findall(
                rf"1 0 0 1 ({NUMBER}) ({NUMBER}) cm\s+"
                rf"(?:({NUMBER}) 0 0 {NUMBER} 0 0 cm\s+)?/FormXob",
                stream,
            )
        ]
        for match in re.finditer(
            rf"({NUMBER}) ({NUMBER}) (m|l)\b|({NUMBER}) ({NUMBER}) ({NUMBER}) ({NUMBER}) "
            rf"({NUMBER}) ({NUMBER}) (c|cm)\b|\b(S|s|n|h)\b",
            stream,
        ):
            x, y, draw, *six, end = match.groups()
            if draw == "m":
                if here:
                    self.lines.append(here)
                here = [self._mm(float(x), float(y))]
            elif draw == "l":
                here.append(self._mm(float(x), float(y)))
            elif six[6] == "cm":
                a, _, _, d, e, f = map(float, six[:6])
                if a > 5 and d > 5:
                    left, low = self._mm(e, f)
                    self.images.append((left, low - d / MM, a / MM, d / MM))
            elif end and here:
                self.lines.append(here)
                here = []

    def segments(self):
        """All straight pieces ((x, y), (x, y)) in mm."""
        return [(a, b) for line in self.lines for a, b in pairwise(line)]

    def bar(self):
        """Lengths of the level pieces at the foot of the page that are about 100 mm long."""
        return [
            abs(b[0] - a[0])
            for a, b in self.segments()
            if abs(a[1] - b[1]) < 1e-6 and abs(abs(b[0] - a[0]) - 100) < 5
        ]


def pages(data):
    """The pages of a PDF's bytes."""
    objects = dict(re.findall(rb"(\d+) 0 obj\s(.*?)endobj", data, re.S))
    made = []
    for body in objects.values():
        if b"/Type /Page\n" not in body and not re.search(rb"/Type /Page\b(?!s)", body):
            continue
        box = re.search(rb"/MediaBox \[ ?([\d. ]+?) ?\]", body)
        width, height = (float(v) for v in box.group(1).split()[2:])
        number = re.search(rb"/Contents (\d+) 0 R", body).group(1)
        raw = re.search(rb"stream\r?\n(.*?)\r?\n?endstream", objects[number], re.S).group(1)
        if b"ASCII85Decode" in objects[number]:
            raw = base64.a85decode(raw.strip().removesuffix(b"~>"))
        made.append(Page(width, height, zlib.decompress(raw).decode("latin-1")))
    return made
