"""A study's sittings as they were: what was sighted, checked and written down in each."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from zirkel.core.pose import Sitting
from zirkel.core.sitting.clock import moment
from zirkel.core.study import Study


@dataclass(frozen=True, slots=True)
class Entry:
    """One sitting: its minutes so far or in all, readings and checks within it, which takes it
    went through, and what the last check in it found (None without one)."""

    sitting: Sitting
    minutes: float
    readings: int
    checks: int
    takes: tuple[str, ...]
    apart_mm: float | None


def story(study: Study, now: datetime) -> tuple[Entry, ...]:
    """Every sitting, the first one first."""
    return tuple(_entry(each, study, now) for each in study.sittings)


def _entry(sitting: Sitting, study: Study, now: datetime) -> Entry:
    began = moment(sitting.at)
    ended = None if sitting.ended is None else moment(sitting.ended)
    until = ended or now

    def within(text: str | None) -> bool:
        at = None if text is None else moment(text)
        return at is not None and began is not None and began <= at <= until

    readings = [each for each in study.sightings if within(each.taken_at)]
    checks = [each for each in study.checks if within(each.at)]
    return Entry(
        sitting,
        0.0 if began is None else max((until - began).total_seconds() / 60.0, 0.0),
        len(readings), len(checks),
        tuple(dict.fromkeys(e.take_name for e in readings if e.take_name is not None)),
        checks[-1].apart_mm if checks else None,
    )  # fmt: skip
