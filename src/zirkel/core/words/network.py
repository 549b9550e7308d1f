"""What the network finds, said as a colleague at the next easel would say it."""

from __future__ import annotations

from collections.abc import Sequence

from zirkel.core.network.ambiguity import Ambiguity
from zirkel.core.network.doubts import Doubt
from zirkel.core.network.what_next import Suggestion
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study
from zirkel.core.values.fractions import say_number
from zirkel.core.values.tilts import say_tilt
from zirkel.core.words.base import Words
from zirkel.core.words.sightings import said


def because(study: Study, words: Words, suggestion: Suggestion) -> str:
    """Why a suggested reading is worth taking."""
    if suggestion.checks:
        return why_check(study, words, suggestion.checks)
    return why_next(words, *suggestion.settles, loose=suggestion.ties)


def why_next(words: Words, landmark: str, before: float, after: float, loose: bool) -> str:
    """Why a reading is worth taking: whose slack it takes, from how much to how much."""
    name = words.of(landmark)
    if loose:
        return f"Nothing holds {name} in one direction yet. This ties it down."
    was, then = words.slack(before), words.slack(after)
    if was == then:
        return f"It steadies {name} a little: all are about equally sure by now."
    return f"It takes the slack in {name} from {was} to {then}."


def why_check(study: Study, words: Words, checks: Sequence[str]) -> str:
    """Why a reading is worth taking as a check."""
    if len(checks) == 1:
        reading = next(each for each in study.sightings if each.id == checks[0])
        return f"Nothing checks this yet: {said(reading, words)}."
    return f"It would check {len(checks)} readings that nothing checks yet."


def say_value(words: Words, sighting: Sighting, value: float) -> str:
    """A value of a sighting's kind as it is said: an hour, a count, a fraction."""
    if sighting.period is not None:
        return say_tilt(value)
    if sighting.kind in ("part", "match"):
        return say_number(value)
    return words.count(value)


def doubt_headline(study: Study, words: Words, doubt: Doubt) -> str:
    """What a doubted reading says and what the others make it."""
    sighting = next(each for each in study.sightings if each.id == doubt.sighting)
    reading = said(sighting, words)
    if not sighting.holds:
        return f"{reading}. The others have it the other way round."
    if sighting.kind in ("run", "parallel"):
        return f"{reading}. The others say no."
    return f"{reading}. The others make it {say_value(words, sighting, doubt.expected)}."


def doubt_detail(study: Study, words: Words, doubt: Doubt, scatter: float = 1.0) -> str:
    """How far off it is, or that it cannot be told which of several is wrong."""
    times = abs(doubt.standardized) / scatter
    away = f"It is {times:.0f} times as far off as such a reading usually errs."
    if not doubt.rivals:
        return away
    other = next(said(each, words) for each in study.sightings if each.id == doubt.rivals[0])
    return f"{away} It can't be told which is wrong, this or: {other}. A third reading would tell."


def say_take(name: str) -> str:
    """A take as the pad calls it: "t2" is take 2."""
    return name[1:] if name[:1] == "t" and name[1:].isdigit() else name


def take_warning(name: str, drift: float) -> str:
    """What a take's drift means at the easel.

    A count is reach of the arm over distance from the subject, over the thumb's setting: it runs
    long when the distance shrinks or the reach grows.
    """
    percent = f"{abs(drift) * 100.0:.0f} %"
    if drift > 0:
        return (
            f"Take {say_take(name)} runs {percent} long: you stepped in, or the arm reached "
            "further than when the unit was set."
        )
    return (
        f"Take {say_take(name)} runs {percent} short: you stepped back, or the elbow bent and the "
        "stick came nearer."
    )


def thin_take(name: str) -> str:
    """That a take has too little in common with the others to tell a change of stance."""
    return (
        f"Take {say_take(name)} has too few readings on what the others read: a change of stance "
        "would not show. Sight one long span of an earlier take again."
    )


def say_sigma(sighting: Sighting, factor: float, words: Words) -> str:
    """A kind's standard deviation, on a reading like this one, as it is said at the easel."""
    in_mm = words.unit == "mm"
    sigma = sighting.default_sigma(in_mm) * factor
    if sighting.period is not None:
        return f"±{sigma:.1f}°"
    if sighting.kind == "part":
        return f"±{sigma:.2f} of the whole"
    if sighting.kind == "match":
        return f"±{sigma:.2f} on a ratio of {say_number(sighting.value)}"
    much = f"±{sigma:.1f} mm" if in_mm else f"±{sigma:.2f} {words.unit}"
    if sighting.kind in ("span", "drop", "level") and abs(sighting.value) > 0:
        return f"{much} on {words.count(abs(sighting.value))}"
    return much


def say_ambiguity(words: Words, ambiguity: Ambiguity, here: tuple[float, float]) -> str:
    """That a landmark may lie elsewhere, and what would tell; `here` is where it is drawn."""
    name = words.of(ambiguity.landmark)
    if ambiguity.other is None:
        far = words.count(ambiguity.far or 0.0)
        return (
            f"{name} lies {far} from where you tapped it. Is it the landmark you meant, and are "
            "its readings under the right name?"
        )
    dx, dy = ambiguity.other[0] - here[0], ambiguity.other[1] - here[1]
    if abs(dx) > abs(dy):
        where = f"{words.count(abs(dx))} further {'right' if dx > 0 else 'left'}"
    else:
        where = f"{words.count(abs(dy))} {'lower' if dy > 0 else 'higher'}"
    tools = {"drop": "One plumb", "level": "One level line", "tilt": "One more tilt"}
    told = ambiguity.telling
    tells = f" {tools[told.kind]} from {words.of(told.start)} would tell." if told else ""
    return f"{name} may just as well lie {where}: its readings fit both places.{tells}"


TRUST_FROM = 12
"""Redundant readings from which agreement better than believed is more than luck: with so many, one
honest hand in a hundred scatters by so little."""


def say_scatter(
    scatter: float, variance_factor: float | None, redundant: int = TRUST_FROM
) -> str | None:
    """How well the readings agree on the whole, against what is believed of them; None while
    nothing tells."""
    if variance_factor is None:
        return None
    if scatter > 1.0:
        return (
            f"Your readings scatter about {_times(scatter)} as much as believed. The areas are "
            "drawn that much wider, and readings are doubted against that."
        )
    if variance_factor < 0.35:
        if redundant < TRUST_FROM:
            return "Your readings agree so far; more of them would tell how well."
        return "Your readings agree better than believed: you may trust them more."
    return "Your readings scatter about as much as believed."


MOST_TIMES = 1e6


def _times(factor: float) -> str:
    factor = min(factor, MOST_TIMES)
    near = round(factor * 2.0) / 2.0
    words = {1.5: "one and a half times", 2.0: "twice", 2.5: "two and a half times",
             3.0: "three times"}  # fmt: skip
    if near in words and abs(near - factor) < 0.2:
        return words[near]
    return f"{factor:.1f} times"
