"""Where drawn heads have drifted to the rules of thumb."""

from __future__ import annotations

from zirkel.canons import head_canons
from zirkel.core.check.measured import Measured
from zirkel.core.heads.drift import drifts
from zirkel.core.words.heads import say_drift
from zirkel.core.worked import Worked


def say_drifts(worked: Worked, measured: Measured | None) -> list[str]:
    """In words, for every head of the study; nothing where the drawing isn't measured."""
    if measured is None or not worked.study.heads:
        return []
    canons = head_canons()[1]
    planned = {
        name: (mark.held_left_mm, mark.held_top_mm) for name, mark in worked.plan.marks.items()
    }
    drawn = {
        name: (float(measured.places[i, 0]), float(measured.places[i, 1]))
        for i, name in enumerate(measured.ids) if measured.known(i)
    }  # fmt: skip
    return [
        say_drift(each)
        for head, solved in zip(worked.study.heads, worked.heads(canons), strict=True)
        for each in drifts(head, solved, planned, drawn, canons)
    ]
