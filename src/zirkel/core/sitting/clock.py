"""The clock of a sitting: where it stands, and resting early.

A sitter's rest is never shortened: who ends a pose early rests from then on for as long as was
planned, and what comes after moves with it.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import UTC, datetime

from zirkel.core.pose import Block, Sitting
from zirkel.core.study import Study

USUAL_REST = 5.0
SHORTEST = 1.0 / 60.0


@dataclass(frozen=True, slots=True)
class ClockStands:
    """Which block runs, by its number, and seconds until it ends; None once all are over."""

    block: int | None
    seconds_left: float


def running(study: Study) -> Sitting | None:
    """The sitting that goes on."""
    return next((each for each in reversed(study.sittings) if each.ended is None), None)


def moment(text: str) -> datetime | None:
    """A time as it is kept; None where it can't be read."""
    try:
        at = datetime.fromisoformat(text)
    except ValueError:
        return None
    return at if at.tzinfo is not None else at.replace(tzinfo=UTC)


def stands(sitting: Sitting, now: datetime) -> ClockStands:
    """Where the clock stands."""
    began = moment(sitting.at)
    gone = 0.0 if began is None else max((now - began).total_seconds(), 0.0)
    for number, each in enumerate(sitting.blocks):
        gone -= 60.0 * each.minutes
        if gone < 0.0:
            return ClockStands(number, -gone)
    return ClockStands(None, 0.0)


def rest_now(sitting: Sitting, now: datetime) -> Sitting:
    """The pose ends here, and the rest that follows begins; the usual one where none does."""
    at = stands(sitting, now)
    if at.block is None or sitting.blocks[at.block].kind == "rest":
        return sitting
    cut = sitting.blocks[at.block]
    done = max(cut.minutes - at.seconds_left / 60.0, SHORTEST)
    after = sitting.blocks[at.block + 1 :]
    if not after or after[0].kind != "rest":
        after = (Block("rest", USUAL_REST), *after)
    before = sitting.blocks[: at.block]
    return replace(sitting, blocks=(*before, replace(cut, minutes=done), *after))
