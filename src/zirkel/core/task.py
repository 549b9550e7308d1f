"""What a lesson asks of a pupil: what to hand in, with what, by when, and when the truth is shown.

A task stands in the study itself, so that it goes where the study goes: what the lesson gives is a
study before its first reading, and each pupil's is that study with when it is due.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta

from zirkel.core.fields import entry, unknown
from zirkel.core.sightings import KINDS

Extra = Mapping[str, object]

HAND_IN = ("block_in", "readings", "drawing")
TRUTH = ("handed_in", "any", "never")
USUAL_READINGS = 10
LONGEST_MIN = 600.0


@dataclass(frozen=True, slots=True)
class Task:
    """What is asked. `kinds` are those of the readings that may be taken, all where there is none;
    `text` and `picture` say what to look for; `truth` is when it may be looked at. In a pupil's
    study `lesson` is which one asks, `due` until when, `handed_at` when it was handed in."""

    hand_in: str = entry("choice", "block_in", options=HAND_IN, always=True)
    readings: int = entry("whole", USUAL_READINGS, bounds={"ge": 1, "le": 500})
    kinds: tuple[str, ...] = entry("text", (), many="list", most=20)
    text: str | None = entry("note", None)
    picture: str | None = entry("hash", None)
    minutes: float | None = entry("finite", None, bounds={"gt": 0.0, "le": LONGEST_MIN})
    till: str | None = entry("text", None)
    truth: str = entry("choice", "handed_in", options=TRUTH)
    lesson: str | None = entry("text", None)
    due: str | None = entry("text", None)
    handed_at: str | None = entry("text", None)
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """A kind that isn't one, a time that is none, or two of them, in words."""
        for kind in self.kinds:
            if kind not in KINDS:
                return f"kinds: there is no kind of reading “{kind}”: {', '.join(KINDS)}"
        if self.minutes is not None and self.till is not None:
            return "till: there are minutes as well: give one of the two"
        try:
            if self.till is not None:
                date.fromisoformat(self.till)
            for said in (self.due, self.handed_at):
                if said is not None:
                    datetime.fromisoformat(said)
        except ValueError:
            return "a day is written as 2026-11-24, a time as 2026-11-24T10:30:00+00:00"
        return None

    def allows(self, kind: str) -> bool:
        """Whether readings of a kind may be taken."""
        return not self.kinds or kind in self.kinds

    @property
    def late(self) -> bool:
        """Whether it was handed in after it was due."""
        if self.due is None or self.handed_at is None:
            return False
        return _time(self.handed_at) > _time(self.due)

    def due_from(self, now: datetime) -> str | None:
        """Until when it is due for who begins now (with its time zone); a day is over at its end,
        by the clock there."""
        if self.minutes is not None:
            return (now + timedelta(minutes=self.minutes)).isoformat(timespec="seconds")
        if self.till is None:
            return None
        end = datetime.combine(date.fromisoformat(self.till), time(23, 59, 59), now.tzinfo)
        return end.isoformat(timespec="seconds")


def _time(said: str) -> datetime:
    """A time; one without a zone is taken to be in universal time."""
    read = datetime.fromisoformat(said)
    return read if read.tzinfo else read.replace(tzinfo=UTC)
