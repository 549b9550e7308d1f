"""What a study on the wall waits for."""

from __future__ import annotations

from typing import Literal

from zirkel.core.sitting.clock import running
from zirkel.core.study import Study

ORDER = ("sitting", "doubts", "readings", "loose", "draw", "check", "corrections", "done")
"""What studies wait for, in the order in which it comes first."""


Stage = Literal["sight", "draw", "check", "done"]
"""The way of a study, named by what is under way; `done` once the drawing stands."""


def stage_of(study: Study, doubts: int | None, loose: int | None) -> Stage:
    """Where on its way a study is; None for a count that isn't known is no hindrance."""
    if study.checks:
        return "done" if study.checks[-1].sound else "check"
    if study.drawn:
        return "check"
    unread = all(each.struck for each in study.sightings)
    return "sight" if unread or doubts or loose else "draw"


def waits_for(study: Study, doubts: int | None, loose: int | None) -> tuple[str, str]:
    """Which of these, and the sentence; `doubts` and `loose` are None where the study isn't worked
    out only for the wall."""
    last = study.checks[-1] if study.checks else None
    left = 0 if last is None or last.sound else sum(not each.done for each in last.moves)
    unread = all(each.struck for each in study.sightings)
    states = (
        (running(study) is not None, "sitting", "A sitting goes on"),
        (bool(doubts), "doubts", f"{doubts} to look at again"),
        (unread, "readings", "Waits for its first reading"),
        (bool(loose), "loose", f"{loose} not held yet: sight on"),
        (last is None and not study.drawn, "draw", "Ready to be drawn"),
        (last is None, "check", "Waits to be checked"),
        (left > 0, "corrections", f"{left} correction{'' if left == 1 else 's'} to make"),
        (last is not None and last.sound, "done", "It stands"),
        (True, "check", "Waits to be checked again"),
    )
    return next((what, said) for holds, what, said in states if holds)
