"""What a check finds, and what to do about it, as a colleague would say it standing back."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.check.causes.base import Fault
from zirkel.core.check.correct import Check, Correction
from zirkel.core.check.suspects import Suspect
from zirkel.core.drawn import Ruled
from zirkel.core.sightings import Drop, Sighting, Span
from zirkel.core.study import Study
from zirkel.core.words.base import Words
from zirkel.core.words.network import say_value
from zirkel.core.words.sightings import said

LITTLE_MM = 1.0
"""A part of a move that is less than this is not worth a word."""

MANY = 4
MIRRORED = 0.25
"""How closely, in shares of the way across, a landmark has to lie where its mirror image would."""


@dataclass(frozen=True, slots=True)
class About:
    """What sentences are about: the study, its words, and the check."""

    study: Study
    words: Words
    check: Check

    def spot(self, name: str) -> int:
        """Number of a landmark in the drawing."""
        return self.check.drawing.ids.index(name)

    def shape_of(self, landmarks: Sequence[str]) -> str | None:
        """The name of the shape that has most of these landmarks and little else, if there is
        one."""
        held = set(landmarks)
        best, share = None, 0.6
        for shape in self.study.shapes:
            own = set(shape.outline) & set(self.check.drawing.ids)
            alike = len(own & held) / len(own | held) if own else 0.0
            if alike > share:
                best, share = shape.name, alike
        return best

    def called(self, landmarks: Sequence[str]) -> str:
        """These landmarks together: a shape's name, or their own."""
        names = [self.words.of(each) for each in landmarks]
        if len(names) == 1:
            return names[0]
        shape = self.shape_of(landmarks)
        if shape is not None:
            return shape
        ids = self.check.drawing.ids
        for first, members in self.check.drawing.hanging:
            if set(landmarks) == {ids[i] for i in members}:
                return f"{self.words.of(ids[first])} and all that hangs on it"
        if len(names) <= MANY:
            return ", ".join(names[:-1]) + f" and {names[-1]}"
        return f"{names[0]}, {names[1]} and {len(names) - 2} more round them"


def say_way(words: Words, dx: float, dy: float) -> str:
    """A move on the sheet: "6 mm to the left and 2 mm down"."""
    return _both_ways(words, dx, dy, ("to the left", "to the right"), ("up", "down"))


def say_where(words: Words, dx: float, dy: float) -> str:
    """How something stands off: "6 mm too far right and 2 mm too low"."""
    return _both_ways(words, dx, dy, ("too far left", "too far right"), ("too high", "too low"))


def _both_ways(
    words: Words, dx: float, dy: float, across: tuple[str, str], down: tuple[str, str]
) -> str:
    """The larger of the two always, the other where it can be seen; names (negative, positive)."""
    parts = []
    if abs(dx) >= LITTLE_MM or abs(dx) >= abs(dy):
        parts.append(f"{_drawn(words, dx)} {across[int(dx > 0)]}")
    if abs(dy) >= LITTLE_MM or abs(dy) > abs(dx):
        parts.append(f"{_drawn(words, dy)} {down[int(dy > 0)]}")
    return " and ".join(parts)


def _drawn(words: Words, mm: float) -> str:
    """A length as a hand can draw it: to half a millimetre."""
    return words.length(round(2.0 * abs(mm)) / 2.0)


def say_fault(about: About, fault: Fault) -> str:
    """What is wrong."""
    return _FAULTS[fault.kind](about, fault)


def say_correction(about: About, made: Correction) -> str:
    """What to do: the move, and what is right once it is made."""
    told = _MOVES[made.fault.kind](about, made)
    return f"{told}{_then(about, made)}"


EDGES = {"left": "the left edge", "right": "the right edge", "top": "the top edge",
         "bottom": "the bottom edge"}  # fmt: skip


def say_measure(each: Ruled | Sighting, words: Words) -> str:
    """A measure of the drawing: "Jug, foot: 112 mm from the left edge"."""
    if isinstance(each, Sighting):
        return said(each, words)
    name, length = words.of(each.landmark), words.length(round(abs(each.mm), 1))
    if each.side == "plumb":
        way = "right" if each.mm >= 0 else "left"
        return f"{name}: {length} {way} of the drawn plumb line"
    if each.side is not None:
        return f"{name}: {length} from {EDGES[each.side]}"
    other = words.of(each.start or "")
    if each.along == "straight":
        return f"{other} to {name}: {length} straight"
    ways = {"level": ("right of", "left of"), "plumb": ("lower than", "higher than")}[each.along]
    return f"{name}: {length} {ways[each.mm < 0]} {other}"


def say_verdict(about: About) -> str:
    """All in one sentence."""
    check = about.check
    outside = [name for name, each in check.standing.items() if not each.within]
    if check.sound:
        return "It stands. Nothing is off by more than you allow."
    if not check.diagnosis.faults:
        return (
            f"As a whole it stands; {about.called(outside)} "
            f"{'is' if len(outside) == 1 else 'are'} off by more than you allow."
        )
    first = check.diagnosis.faults[0]
    if not first.landmarks:
        return "It is off as a whole, not in one place."
    if len(check.diagnosis.faults) == 1:
        return f"It is off in one place: {about.called(first.landmarks)}."
    return "It is off in a few places; the rest stands."


def say_runner_up(about: About, other: Fault) -> str:
    """Another cause that explains nearly as much."""
    return f"It could also be this, the measures can hardly tell: {say_fault(about, other)}"


def say_suspect(about: About, suspect: Suspect) -> str:
    """That rather a reading is wrong than the drawing."""
    reading = next(each for each in about.study.sightings if each.id == suspect.sighting)
    found = say_value(about.words, reading, suspect.expected)
    by = f" By the drawing it would be {found}." if reading.value_field else ""
    return (
        f"Before you move anything: rather one reading is wrong than the drawing. Sight it again: "
        f"{said(reading, about.words)}.{by}"
    )


def _percent(factor: float) -> str:
    return f"{abs(factor - 1.0) * 100.0:.0f} %"


def _size(about: About, fault: Fault) -> str:
    factor = fault.amount["factor"]
    way = "large" if factor > 1 else "small"
    return f"Everything is {_percent(factor)} too {way}{_growing_from(about)}."


def _growing_from(about: About) -> str:
    """From where it grew, if that is a landmark: the point that size and shift together leave."""
    faults = {each.kind: each for each in about.check.diagnosis.faults}
    if "shift" not in faults:
        return ""
    drawing = about.check.drawing
    grew = faults["size"].amount["factor"] - 1.0
    still = drawing.middle - np.array(faults["shift"].amount["off_mm"]) / grew
    apart = np.hypot(*(drawing.planned - still).T)
    nearest = int(apart.argmin())
    if apart[nearest] > 0.12 * drawing.extent:
        return ""
    return f", growing from {about.words.of(drawing.ids[nearest])}"


def _tilt(about: About, fault: Fault) -> str:
    degrees = fault.amount["degrees"]
    way = "clockwise" if degrees > 0 else "anticlockwise"
    return f"The whole is turned {way} by {abs(degrees):.1f}°."


def _lean(about: About, fault: Fault) -> str:
    degrees = fault.amount["degrees"]
    return f"Everything leans to the {'right' if degrees > 0 else 'left'} by {abs(degrees):.1f}°."


def _stretch(about: About, fault: Fault) -> str:
    factor = fault.amount["factor"]
    way = "tall for its width" if factor > 1 else "wide for its height"
    return f"The whole is {_percent(factor)} too {way}{_growing_from_plumb(about, fault)}."


def _growing_from_plumb(about: About, fault: Fault) -> str:
    """Through which landmark the plumb goes that everything grew away from, where only widths did
    and the whole was shifted with it."""
    shift = next((f for f in about.check.diagnosis.faults if f.kind == "shift"), None)
    drawing = about.check.drawing
    across = drawing.planned[:, 0] - drawing.middle[0]
    if shift is None or np.abs(fault.moved[:, 1]).max() > LITTLE_MM or not across.any():
        return ""
    grew = float(across @ fault.moved[:, 0]) / float(across @ across)
    still = drawing.middle[0] - shift.amount["off_mm"][0] / grew
    away = np.abs(drawing.planned[:, 0] - still)
    nearest = int(away.argmin())
    if away[nearest] > 0.06 * drawing.extent:
        return ""
    return f", growing away from the plumb through {about.words.of(drawing.ids[nearest])}"


def _shift(about: About, fault: Fault) -> str:
    return f"The whole sits {say_where(about.words, *fault.amount['off_mm'])}."


def _part(about: About, fault: Fault) -> str:
    many = len(fault.landmarks) > 1 and about.shape_of(fault.landmarks) is None
    verb = "sit" if many else "sits"
    where = say_where(about.words, *fault.amount["off_mm"])
    return f"{about.called(fault.landmarks)} {verb} {where}{_mirrored(about, fault)}."


def _mirrored(about: About, fault: Fault) -> str:
    """That left and right were confused, where the landmark stands as far on the other side of
    another as it should on its own."""
    if len(fault.landmarks) != 1:
        return ""
    name = fault.landmarks[0]
    drawing = about.check.drawing
    here = about.spot(name)
    dx = fault.amount["off_mm"][0]
    for each in about.study.sightings:
        beside = isinstance(each, Drop) or (isinstance(each, Span) and each.along == "level")
        if each.struck or not beside or name not in each.landmarks:
            continue
        other = next(one for one in each.landmarks if one != name)
        if other in drawing.ids:
            across = drawing.planned[here, 0] - drawing.planned[about.spot(other), 0]
            if abs(across) > 5 * LITTLE_MM and abs(dx + 2 * across) < MIRRORED * abs(across):
                side, wrong = ("right", "left") if across > 0 else ("left", "right")
                return (
                    f": as far {wrong} of {about.words.of(other)} as it should be {side} of it. "
                    "Left and right were confused"
                )
    return ""


def _grown(about: About, fault: Fault) -> str:
    factor = fault.amount["factor"]
    way = "grown" if factor > 1 else "shrunk"
    more = " What is looked at longest grows." if factor > 1 else ""
    return f"{about.called(fault.landmarks)} has {way} by {_percent(factor)}.{more}"


def _sided(larger: str, smaller: str) -> Callable[[About, Fault], str]:
    def told(about: About, fault: Fault) -> str:
        factor = fault.amount["factor"]
        way = larger if factor > 1 else smaller
        return f"{about.called(fault.landmarks)} is {_percent(factor)} too {way}."

    return told


def _uprights(about: About, fault: Fault) -> str:
    if fault.amount["share"] > 0:
        return "Edges that lean a little are drawn more upright than they are."
    return "Edges that lean a little are drawn leaning too much."


def _depth(about: About, fault: Fault) -> str:
    factor = fault.amount["factor"]
    if factor < 1:
        return f"What runs back is drawn {_percent(factor)} shorter than you see it."
    return (
        f"Depth is drawn as you know it, not as you see it: what runs back is {_percent(factor)} "
        "too long."
    )


_FAULTS: dict[str, Callable[[About, Fault], str]] = {
    "size": _size, "tilt": _tilt, "lean": _lean, "stretch": _stretch, "shift": _shift,
    "group": _part, "landmark": _part, "grown": _grown, "wide": _sided("wide", "narrow"),
    "tall": _sided("tall", "low"), "uprights": _uprights, "depth": _depth,
}  # fmt: skip


def _furthest(about: About, made: Correction) -> tuple[str, float, float]:
    """The landmark that goes furthest, and how."""
    far = int(np.hypot(*made.moves.T).argmax())
    dx, dy = made.moves[far]
    return about.words.of(about.check.drawing.ids[far]), float(dx), float(dy)


def _whole(start: str) -> Callable[[About, Correction], str]:
    def told(about: About, made: Correction) -> str:
        name, dx, dy = _furthest(about, made)
        return f"{start}: {name} goes {say_way(about.words, dx, dy)}, the others in proportion."

    return told


def _resize(about: About, made: Correction) -> str:
    factor = made.fault.amount["factor"]
    name, dx, dy = _furthest(about, made)
    unit = about.words.unit_mm
    own = about.words.length(round(unit * factor, 1)) if unit else ""
    keep = (
        f" Or keep the size, as the drawing agrees with itself: give the unit {own} in Frame."
        if own
        else ""
    )
    way = "Bring everything in" if factor > 1 else "Let everything out"
    return (
        f"{way} by {_percent(factor)} from the middle: {name} goes "
        f"{say_way(about.words, dx, dy)}.{keep}"
    )


def _together(about: About, made: Correction) -> str:
    landmarks = made.fault.landmarks or about.check.drawing.ids
    off = made.fault.amount["off_mm"]
    what = "the whole" if not made.fault.landmarks else about.called(landmarks)
    way = say_way(about.words, -off[0], -off[1])
    if len(landmarks) == 1:
        return f"Bring {what} {way}."
    return f"Bring {what} {way}, all of it together."


def _shrink(about: About, made: Correction) -> str:
    factor = made.fault.amount["factor"]
    name, dx, dy = _furthest(about, made)
    ways = {"wide": ("narrower", "wider"), "tall": ("lower", "taller")}
    way = ways.get(made.fault.kind, ("smaller", "larger"))[factor < 1]
    what = about.called(made.fault.landmarks)
    return (
        f"Make {what} {_percent(factor)} {way} about its middle: {name} goes "
        f"{say_way(about.words, dx, dy)}."
    )


_MOVES: dict[str, Callable[[About, Correction], str]] = {
    "size": _resize,
    "tilt": _whole("Turn the whole back about its middle"),
    "lean": _whole("Bring the whole upright again"),
    "stretch": _whole("Bring height and width to each other again"),
    "shift": _together,
    "group": _together,
    "landmark": _together,
    "grown": _shrink,
    "wide": _shrink,
    "tall": _shrink,
    "uprights": _whole("Let near-uprights lean again"),
    "depth": _whole("Bring the far ends to where you see them"),
}


def _then(about: About, made: Correction) -> str:
    """Which shapes stand once it is made, of those that it is only a part of."""
    if not made.fault.landmarks:
        return ""
    drawing = about.check.drawing
    moved = {drawing.ids[i] for i in np.flatnonzero(np.hypot(*made.moves.T) > 0)}
    right = []
    for shape in about.study.shapes:
        own = [name for name in shape.outline if name in drawing.ids]
        others = [name for name in own if name not in moved]
        stands = all(about.check.standing[name].within for name in others)
        if others and len(others) < len(own) and stands:
            right.append(shape.name)
    return f" Then {' and '.join(right[:2])} {'is' if len(right) == 1 else 'are'} right." * bool(
        right
    )
