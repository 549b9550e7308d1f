"""Taking up another school, and going back."""

from __future__ import annotations

from dataclasses import replace

from zirkel.core.schools import school_of
from zirkel.core.study import Study


def taken_up(study: Study, method: str, sight_size_mm: float | None) -> Study:
    """The study worked by another school. One at sight-size sets the unit to what it measures from
    the station, in mm, where that is known; with any other it is again what it was before."""
    after = replace(study, method=method)
    was, now = (school_of(each).at_sight_size for each in (study.method, method))
    if now and sight_size_mm is not None:
        return replace(
            after,
            sight_size_mm=sight_size_mm,
            unit_mm=sight_size_mm,
            unit_mm_elsewhere=study.unit_mm_elsewhere if was else study.unit_mm or 0.0,
        )
    if was and not now and study.unit_mm_elsewhere is not None:
        return replace(after, unit_mm=study.unit_mm_elsewhere or None, unit_mm_elsewhere=None)
    return after
