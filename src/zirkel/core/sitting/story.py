"""A study's sittings as they were: what was sighted, checked, photographed and written down in
each, how its time went, and how much surer the drawing was afterwards."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime

from zirkel.core.drawn import KeptCheck
from zirkel.core.network.search import adjust
from zirkel.core.pose import LogPicture, Sitting
from zirkel.core.sitting.clock import moment
from zirkel.core.sitting.plan import PAUSE_SECONDS, large_shapes_sd
from zirkel.core.study import Study

CHECK_SECONDS = 300.0
"""What went before a check within this time was measuring for it."""

MOST_RECKONED = 8
"""Sittings for which it is worked out how sure the large shapes were: the latest ones."""


@dataclass(frozen=True, slots=True)
class Entry:
    """One sitting: its minutes so far or in all, readings and checks within it, which takes it
    went through, and how far the drawing was off by the first check in it and by the last (None
    without one).

    `spent` has the minutes of each stage: sight, tone and check by what was entered when; rest by
    the clock; draw is all else. `sd_before` and `sd_after` are how sure the large shapes were, in
    units, where that changed and was worked out. `pictures` are photographs of the drawing with
    those of its checks, in order."""

    sitting: Sitting
    minutes: float
    readings: int
    checks: int
    takes: tuple[str, ...]
    apart_mm: float | None
    apart_first_mm: float | None
    spent: Mapping[str, float]
    pictures: tuple[tuple[LogPicture, KeptCheck | None], ...]
    sd_before: float | None = None
    sd_after: float | None = None


def story(study: Study, now: datetime, reckon: bool = False) -> tuple[Entry, ...]:
    """Every sitting, the first one first; with `reckon`, how sure the large shapes were before and
    after each of the latest ones."""
    entries = tuple(_entry(each, study, now) for each in study.sittings)
    if not reckon:
        return entries
    known: dict[int, float] = {}
    first = len(entries) - MOST_RECKONED
    return tuple(
        _with_sureness(each, study, now, known) if number >= first and each.readings else each
        for number, each in enumerate(entries)
    )


def _entry(sitting: Sitting, study: Study, now: datetime) -> Entry:
    began = moment(sitting.at)
    until = _ended(sitting, now)

    def within(text: str | None) -> bool:
        at = None if text is None else moment(text)
        return at is not None and began is not None and began <= at <= until

    readings = [each for each in study.sightings if within(each.taken_at)]
    checks = [each for each in study.checks if within(each.at)]
    shown: list[tuple[LogPicture, KeptCheck | None]] = [(each, None) for each in sitting.pictures]
    shown += [
        (LogPicture(each.photograph.picture, each.at), each)
        for each in checks
        if each.photograph is not None
    ]
    minutes = 0.0 if began is None else max((until - began).total_seconds() / 60.0, 0.0)
    return Entry(
        sitting,
        minutes,
        len(readings), len(checks),
        tuple(dict.fromkeys(e.take_name for e in readings if e.take_name is not None)),
        checks[-1].apart_mm if checks else None,
        checks[0].apart_mm if checks else None,
        _spent(sitting, minutes, [each.taken_at for each in readings], [e.at for e in checks]),
        tuple(sorted(shown, key=lambda pair: pair[0].at)),
    )  # fmt: skip


def _ended(sitting: Sitting, now: datetime) -> datetime:
    return (None if sitting.ended is None else moment(sitting.ended)) or now


def _spent(
    sitting: Sitting, minutes: float, readings: list[str | None], checks: list[str]
) -> dict[str, float]:
    """Minutes of each stage. A reading took as long as it is after what went before, if that is
    not long ago; what is neither sighting, checking nor rest was drawing and looking."""
    began = moment(sitting.at)
    if began is None:
        return {}
    events = [(at, "sight", PAUSE_SECONDS) for text in readings if (at := moment(text or ""))]
    events += [(at, "check", CHECK_SECONDS) for text in checks if (at := moment(text))]
    spent = {"sight": 0.0, "check": 0.0}
    last = began
    for at, stage, most in sorted(events, key=lambda each: each[0]):
        spent[stage] += min(max((at - last).total_seconds(), 0.0), most) / 60.0
        last = at
    spent["rest"] = _rested(sitting, minutes)
    spent["draw"] = max(minutes - sum(spent.values()), 0.0)
    return {stage: each for stage, each in spent.items() if each > 0.0}


def _rested(sitting: Sitting, minutes: float) -> float:
    """Minutes of rest that have passed by then."""
    gone, rested = 0.0, 0.0
    for each in sitting.blocks:
        took = min(each.minutes, max(minutes - gone, 0.0))
        gone += took
        rested += took if each.kind == "rest" else 0.0
    return rested


def _with_sureness(entry: Entry, study: Study, now: datetime, known: dict[int, float]) -> Entry:
    began, ended = moment(entry.sitting.at), _ended(entry.sitting, now)
    if began is None:
        return entry
    return replace(
        entry,
        sd_before=_sd_until(study, began, known, before=True),
        sd_after=_sd_until(study, ended, known),
    )


def _sd_until(study: Study, at: datetime, known: dict[int, float], before: bool = False) -> float:
    """How sure the large shapes were by the readings taken until then."""

    def taken(text: str | None) -> bool:
        when = None if text is None else moment(text)
        return when is None or (when < at if before else when <= at)

    readings = tuple(each for each in study.sightings if taken(each.taken_at))
    if len(readings) not in known:
        then = study if len(readings) == len(study.sightings) else replace(
            study, sightings=readings
        )  # fmt: skip
        known[len(readings)] = large_shapes_sd(adjust(then))
    return known[len(readings)]
