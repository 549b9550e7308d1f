"""The study head, turned a quarter, sighted by its kit's points."""

from __future__ import annotations

from dataclasses import replace

from zirkel.core.head import POINTS, Head
from zirkel.core.study import Sheet, Study
from zirkel.demo.by_the_artist import made_by_artist

SEED = 6


def study_head() -> Study:
    """The study as the simulated artist made it, with its head told."""
    study = made_by_artist("study_head", "Study head, turned a quarter", Sheet(297.0, 420.0), SEED)
    points = {each.id: each.id for each in study.landmarks if each.id in POINTS}
    return replace(study, heads=(Head("head", "Study head", points),))
