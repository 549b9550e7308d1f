"""What one reading has done to the drawing: tied, contradicted, proven, tightened, or nothing."""

from __future__ import annotations

from zirkel.core.network.checks import unchecked
from zirkel.core.sheet.arithmetic.triangles import THIN_DEG, better_pair, crossing
from zirkel.core.sightings import Sighting, Span, Tilt
from zirkel.core.study import UnitPair
from zirkel.core.words.base import Words
from zirkel.core.words.network import say_value
from zirkel.core.words.sightings import said
from zirkel.core.worked import Worked

TOLD = 2
"""Landmarks that are named before the rest are counted."""


def say_what_it_did(before: Worked, after: Worked) -> tuple[str, bool] | None:
    """What the readings that are new, or the one that is changed, have done, and whether it is bad
    news; None where none is."""
    known = {each.id: each for each in before.study.sightings}
    new = [each for each in after.study.sightings if known.get(each.id) != each]
    if len(new) > 1 and not {each.id for each in new} & known.keys():
        return _several(before, after, new)
    if len(new) != 1:
        return None
    (reading,) = new
    done = "Corrected" if reading.id in known else "Kept"
    if reading.struck:
        return f"{done}; it is struck and counts for nothing.", False
    eye = _eye(before, after, reading)
    contradicted = _contradiction(after, reading)
    if contradicted:
        return f"{done}, but {contradicted}{eye}", True
    thin = _thin(after, reading)
    if thin:
        return f"{done}. {thin}{eye}", True
    told = (
        _of_the_unit(after, reading)
        or _tied(before, after)
        or _proved(before, after)
        or _tightened(before, after)
        or _adrift(after, reading)
        or _little(after, reading)
    )
    return f"{done}. {told}{eye}", False


def _several(before: Worked, after: Worked, new: list[Sighting]) -> tuple[str, bool] | None:
    """What readings taken in one go have done."""
    done = f"Kept {len(new)} readings"
    doubted = {each.sighting for each in after.solution.doubts} & {each.id for each in new}
    if doubted:
        one = next(each for each in new if each.id in doubted)
        more = f" and {len(doubted) - 1} more" if len(doubted) > 1 else ""
        return f"{done}, but the others say otherwise of: {said(one, after.words)}{more}.", True
    told = _tied(before, after) or _proved(before, after) or _tightened(before, after)
    return f"{done}. {told or 'They change little.'}", False


def _of_the_unit(after: Worked, reading: Sighting) -> str | None:
    """That a reading of the unit in its own direction tells of its take alone."""
    unit = after.study.unit
    if not isinstance(unit, UnitPair) or not isinstance(reading, Span):
        return None
    if {reading.start, reading.end} != {unit.start, unit.end} or reading.along != unit.along:
        return None
    return "It is the unit itself: it tells how this take counts, and proves no place."


def _adrift(after: Worked, reading: Sighting) -> str | None:
    """That two landmarks hang together, and on nothing else."""
    loose = {each.landmark for each in after.solution.loose if each.direction == "both"}
    if len(reading.landmarks) != 2 or not set(reading.landmarks) <= loose:
        return None
    return f"It ties {_names(after.words, list(reading.landmarks))} together, not yet to the rest."


def _little(after: Worked, reading: Sighting) -> str:
    """That others had said as much, if they had; else that nothing checks it."""
    if reading.id in unchecked(after.solution.adjusted):
        return "It changes little; nothing checks it yet."
    return "The others had said as much: it changes little."


def _eye(before: Worked, after: Worked, reading: Sighting) -> str:
    """How near the eye had come to it, where it spoke first."""
    if len(after.study.guesses) <= len(before.study.guesses):
        return ""
    guess = after.study.guesses[-1]
    gave = say_value(after.words, reading, guess.answer)
    if guess.measure == "degrees":
        return f" Your eye gave {gave}: {_off_in_tilt(guess.answer, guess.truth)}."
    if guess.measure == "relative" and guess.truth:
        off = (guess.answer / guess.truth - 1.0) * 100.0
        side = "" if round(off) == 0 else " too much" if off > 0 else " too little"
        return f" Your eye gave {gave}: {abs(off):.0f} %{side or ' off'}."
    return f" Your eye gave {gave}."


def _off_in_tilt(answer: float, truth: float) -> str:
    """By how many degrees, and to which side."""
    off = abs((answer - truth + 90.0) % 180.0 - 90.0)
    seen, true = (min(each % 180.0, 180.0 - each % 180.0) for each in (answer, truth))
    if round(off) == 0:
        return "0° off"
    if abs(abs(seen - true) - off) > 0.5:
        return f"{off:.0f}° off, leaning the other way"
    return f"{off:.0f}° too {'steep' if seen < true else 'flat'}"


def _contradiction(after: Worked, reading: Sighting) -> str | None:
    doubts = after.solution.doubts
    own = next((each for each in doubts if each.sighting == reading.id), None)
    if own is not None:
        if not reading.holds or reading.kind in ("run", "parallel"):
            return "the others say otherwise. Sight it again."
        value = say_value(after.words, reading, own.expected)
        return f"the others make it {value}. Sight it again."
    accused = next((each for each in doubts if reading.id in each.rivals), None)
    if accused is not None:
        return "it and an earlier reading can't both be right. A third would tell."
    return None


def _thin(after: Worked, reading: Sighting) -> str | None:
    """That the two tilts a landmark hangs on cross too thinly to fix it, and which would do."""
    if not isinstance(reading, Tilt):
        return None
    study, words = after.study, after.words
    held = {name for name, how in after.standing.items() if how != "loose"}
    for point, start in ((reading.end, reading.start), (reading.start, reading.end)):
        own = [s for s in study.sightings if point in s.landmarks and not s.struck]
        if len(own) != 2 or not all(isinstance(s, Tilt) for s in own):
            continue
        (other,) = (s for s in own if s.id != reading.id)
        other_end = next((each for each in other.landmarks if each != point), point)
        angle = crossing(after.positions, point, start, other_end)
        if angle is None or angle >= THIN_DEG:
            continue
        better = better_pair(after.positions, point, sorted(held - {point}))
        way = (
            "Carry one from far to its side."
            if better is None
            else (f"Better from {words.of(better[0])} and {words.of(better[1])}.")
        )
        return f"These two tilts cross {words.of(point)} at only {angle:.0f}°: too thin. {way}"
    return None


def _tied(before: Worked, after: Worked) -> str | None:
    """What was loose and is not any more."""
    still = after.sliding
    freed = [name for name in before.sliding if name not in still and name in after.positions]
    if freed:
        return f"It ties {_names(after.words, freed)}."
    for name, direction in still.items():
        if before.sliding.get(name) == "both" and direction != "both":
            return f"It ties {after.words.of(name)} in one direction; one more is needed."
    return None


def _proved(before: Worked, after: Worked) -> str | None:
    """What nothing checked before and something does now."""

    checked = set(unchecked(before.solution.adjusted)) - set(unchecked(after.solution.adjusted))
    proven = [
        name
        for name, standing in after.standing.items()
        if standing == "proven"
        and before.standing.get(name) not in ("proven", None)
        and not _exact(after, name)
    ]
    if proven:
        return f"It proves {_names(after.words, proven)}."
    if checked:
        many = "a reading" if len(checked) == 1 else f"{len(checked)} readings"
        return f"It checks {many} that nothing checked."
    return None


def _exact(worked: Worked, name: str) -> bool:
    """Whether a landmark is where everything is counted from, so that nothing need prove it."""
    slack = worked.plan.marks[name].slack
    return slack is not None and slack.longer == 0.0


def _tightened(before: Worked, after: Worked) -> str | None:
    """Whose slack it takes most of, where that can be seen."""
    gone = {}
    for name, mark in after.plan.marks.items():
        old = before.plan.marks.get(name)
        if old is not None and old.slack is not None and mark.slack is not None:
            gone[name] = (old.slack.longer - mark.slack.longer, old.slack.longer, mark.slack.longer)
    if not gone:
        return None
    name = max(gone, key=lambda each: gone[each][0])
    _, was, now = gone[name]
    words = after.words
    said_was, said_now = words.within(was), words.within(now)
    if said_was == said_now or was < now:
        return None
    return f"It takes the slack in {words.of(name)} from {said_was} to {said_now}."


def _names(words: Words, names: list[str]) -> str:
    told = [words.of(name) for name in names[:TOLD]]
    if len(names) > TOLD:
        return f"{', '.join(told)} and {len(names) - TOLD} more"
    return " and ".join(told)
