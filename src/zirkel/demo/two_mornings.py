"""The potting bench over two mornings: its readings in the order in which they were taken, the
check at the end of the second, a note on each, and the place to come back to."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from itertools import cycle

from zirkel.core.pose import Block, Place, Sitting
from zirkel.core.study import Study

FIRST, SECOND = "2026-11-02T09:05:00+00:00", "2026-11-03T09:10:00+00:00"
FIRST_TAKE = "t1"
GAPS = (5, 7, 12, 7, 6, 9, 7)
"""Seconds from one reading to the next, over and over."""

SETTLING = timedelta(minutes=4)
"""From sitting down to the first reading: squaring the paper, framing."""

COPY = (Block("work", 30.0), Block("rest", 8.0), Block("work", 20.0))
PLACE = Place(
    distance_mm=2600.0, eye_height_mm=1560.0, reach_mm=650.0, easel_mm=700.0, easel_hour=1.5,
    board_mm=1300.0, lean_deg=0.0, light_hour=9.5,
    light="North window, blind half down; lamp off",
    marks="Chalk crosses at the front legs of the stool",
    pose="Pots on the third board from the wall, the spout to the right",
)  # fmt: skip


def with_two_mornings(study: Study) -> Study:
    """The study with its sittings, each reading at its time."""
    times = {take: datetime.fromisoformat(at) + SETTLING
             for take, at in ((FIRST_TAKE, FIRST), ("", SECOND))}  # fmt: skip
    gaps = cycle(GAPS)
    timed = []
    for each in study.sightings:
        take = FIRST_TAKE if each.take_name in (None, FIRST_TAKE) else ""
        timed.append(replace(each, taken_at=times[take].isoformat()))
        times[take] += timedelta(seconds=next(gaps))
    checks = tuple(replace(each, at=_after(SECOND, 50)) for each in study.checks)
    return replace(
        study,
        sightings=tuple(timed),
        checks=checks,
        place=PLACE,
        tags=("still life", "morning"),
        sittings=(
            Sitting(
                "sitting", FIRST, COPY, ended=_after(FIRST, 58),
                note="Grey light, steady. The spout against the stack is the hard part.",
            ),
            Sitting(
                "sitting_2", SECOND, COPY, ended=_after(SECOND, 58),
                note="Stool back on its crosses, but a little nearer, it seems.",
            ),
        ),
    )  # fmt: skip


def _after(at: str, minutes: float) -> str:
    return (datetime.fromisoformat(at) + timedelta(minutes=minutes)).isoformat()
