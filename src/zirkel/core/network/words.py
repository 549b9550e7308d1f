"""What the network finds, said as a colleague at the next easel would say it."""

from __future__ import annotations

from collections.abc import Sequence

from zirkel.core.network.doubts import Doubt
from zirkel.core.network.kinds import KINDS, Sighting
from zirkel.core.network.kinds.base import Words
from zirkel.core.study import Study, UnitLength
from zirkel.core.values.fractions import say_number
from zirkel.core.values.tilts import say_tilt


def words_of(study: Study) -> Words:
    """How a study's landmarks and counts are called."""
    unit = study.unit.name if study.unit else "unit"
    return Words({each.id: each.name for each in study.landmarks}, unit)


def say_reading(study: Study, sighting: Sighting) -> str:
    """A reading in words."""
    return sighting.said(words_of(study))


def ask_for(study: Study, kind: str, start: str, end: str, along: str | None,
            towards: str | None) -> str:  # fmt: skip
    """What to do for a suggested reading."""
    words = words_of(study)
    return KINDS[kind].asked(words.of(start), words.of(end), along, towards)


def why_next(study: Study, landmark: str, before: float, after: float) -> str:
    """Why a reading is worth taking: whose slack it takes, from how much to how much."""
    name = words_of(study).of(landmark)
    if before > 0.7 * one_unit(study):
        return f"Nothing holds {name} in one direction yet. This ties it down."
    return f"It takes the slack in {name} from {slack(study, before)} to {slack(study, after)}."


def why_check(study: Study, checks: Sequence[str]) -> str:
    """Why a reading is worth taking as a check."""
    if len(checks) == 1:
        reading = next(each for each in study.sightings if each.id == checks[0])
        return f"Nothing checks this yet: {say_reading(study, reading)}."
    return f"It would check {len(checks)} readings that nothing checks yet."


def say_value(study: Study, sighting: Sighting, value: float) -> str:
    """A value of a sighting's kind as it is said: an hour, a count, a fraction."""
    if sighting.period is not None:
        return say_tilt(value)
    if sighting.kind in ("part", "match"):
        return say_number(value)
    return words_of(study).count(value)


def doubt_headline(study: Study, doubt: Doubt) -> str:
    """What a doubted reading says and what the others make it."""
    sighting = next(each for each in study.sightings if each.id == doubt.sighting)
    reading = say_reading(study, sighting)
    if not sighting.holds:
        return f"{reading}. The others have it the other way round."
    if sighting.kind in ("run", "parallel"):
        return f"{reading}. The others say no."
    return f"{reading}. The others make it {say_value(study, sighting, doubt.expected)}."


def doubt_detail(study: Study, doubt: Doubt) -> str:
    """How far off it is, or that it cannot be told which of several is wrong."""
    away = f"It stands {abs(doubt.standardized):.0f} of its own errors away."
    if not doubt.rivals:
        return away
    rivals = [each for each in study.sightings if each.id in doubt.rivals]
    other = say_reading(study, rivals[0])
    return f"{away} It can't be told which is wrong, this or: {other}. A third reading would tell."


def take_warning(name: str, drift: float) -> str:
    """What a take's drift means at the easel.

    A count is reach of the arm over distance from the subject, over the thumb's setting: it runs
    long when the distance shrinks or the reach grows.
    """
    percent = f"{abs(drift) * 100.0:.0f} %"
    if drift > 0:
        return (
            f"Take {name} runs {percent} long: you stepped in, or the arm reached further than "
            "when the unit was set."
        )
    return (
        f"Take {name} runs {percent} short: you stepped back, or the elbow bent and the stick "
        "came nearer."
    )


def one_unit(study: Study) -> float:
    """A length of the subject's own size, in what its readings count: 1 unit, or 100 mm."""
    return 100.0 if isinstance(study.unit, UnitLength) else 1.0


def say_sigma(sighting: Sighting, factor: float, in_mm: bool) -> str:
    """A kind's standard deviation, on a reading like this one, as it is said at the easel."""
    sigma = sighting.default_sigma(in_mm) * factor
    if sighting.period is not None:
        return f"±{sigma:.1f}°"
    if in_mm and sighting.kind in ("span", "drop", "level", "run", "order"):
        return f"±{sigma:.1f} mm"
    return f"±{sigma:.3f}"


def slack(study: Study, sd: float) -> str:
    """A standard deviation in the sheet's millimetres where its unit is known, else in units."""
    if isinstance(study.unit, UnitLength):
        return f"{sd:.1f} mm"
    if study.unit_mm is not None:
        return f"{sd * study.unit_mm:.1f} mm"
    return f"{sd:.2f} {study.unit.name if study.unit else 'units'}"
