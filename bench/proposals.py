"""Could landmarks be proposed from the photograph of a drawing? How often a corner of drawn lines
near the expected place is the landmark that is drawn there.

The block-ins of three demonstrations as a hand draws them: marks off by 2 mm, lines carried on a
little beyond their ends; with and without the envelope and plumbs of construction, as large as
planned and a tenth too large. Of the plainest corners within reach, the nearest to the planned
place is proposed.
"""

from __future__ import annotations

from itertools import pairwise

import cv2
import numpy as np
from tests.core.check.test_large import planned

from zirkel.core.arrays import Array
from zirkel.demo.photograph import PX_PER_MM, drawn_sheet

DEMOS = ("wooden_mask", "boathouse", "block_head")
REACH_MM, RIGHT_MM, HAND_MM, BEYOND = 12.0, 3.0, 2.0, 0.08
SEEDS = 5


def lines_of(outlines: list[list[str]], at: dict[str, Array], construction: bool) -> list:
    """The drawn lines, each carried on beyond its ends; an envelope and two plumbs besides."""
    made = []
    for outline in outlines:
        for a, b in pairwise(outline):
            way = BEYOND * (at[b] - at[a])
            made.append([tuple(at[a] - way), tuple(at[b] + way)])
    if construction:
        every = np.array(list(at.values()))
        (left, top), (right, bottom) = every.min(axis=0), every.max(axis=0)
        middle = float(np.median(every[:, 0]))
        made += [[(left, top), (right, top), (right, bottom), (left, bottom), (left, top)]]
        made += [[(middle, top), (middle, bottom)], [(left, (top + bottom) / 2),
                                                     (right, (top + bottom) / 2)]]  # fmt: skip
    return made


def proposed(sheet: Array, expected: Array) -> Array | None:
    """Of the plainest corners within reach the nearest, in mm; None without one."""
    reach = int(REACH_MM * PX_PER_MM)
    x, y = (expected * PX_PER_MM).astype(int)
    top, left = max(y - reach, 0), max(x - reach, 0)
    part = sheet[top : y + reach, left : x + reach]
    if min(part.shape[:2]) < reach // 2:
        return None
    grey = (255 * cv2.GaussianBlur(part.mean(axis=2).astype(np.float32), (0, 0), 2)).astype(
        np.uint8
    )
    found = cv2.goodFeaturesToTrack(grey, 6, 0.2, 15, blockSize=15, useHarrisDetector=True)
    if found is None:
        return None
    every: Array = (found[:, 0] + (left, top)) / PX_PER_MM
    made: Array = every[np.hypot(*(every - expected).T).argmin()]
    return made


def main() -> None:
    """The share of proposals that are right."""
    for construction in (False, True):
        for size in (1.0, 1.1):
            right = total = 0
            for demo in DEMOS:
                file, marks = planned(demo)
                ids = list(marks)
                plan = np.array(list(marks.values()))
                outlines = [
                    each["outline"] + each["outline"][: 1 if each.get("closed") else 0]
                    for each in file["shapes"]
                ]
                drawn_ids = {name for outline in outlines for name in outline}
                for seed in range(SEEDS):
                    rng = np.random.default_rng(seed)
                    places = plan.mean(axis=0) + size * (plan - plan.mean(axis=0))
                    places = places + rng.normal(0.0, HAND_MM, plan.shape)
                    at = dict(zip(ids, places, strict=True))
                    paper = (file["sheet"]["width_mm"], file["sheet"]["height_mm"])
                    sheet = drawn_sheet(paper, lines_of(outlines, at, construction), 0.93, rng)
                    for name, expected in zip(ids, plan, strict=True):
                        if name in drawn_ids:
                            found = proposed(np.asarray(sheet), expected)
                            total += 1
                            right += found is not None and (
                                float(np.hypot(*(found - at[name]))) < RIGHT_MM
                            )
            print(f"construction lines {construction}, {size:g} times as large: "
                  f"{right / total:.0%} of {total} right")  # fmt: skip
