"""What is wrong with a drawing and what to do about it: two sentences a cause, as a colleague would
say them standing back."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.check.causes.base import Fault
from zirkel.core.check.correct import Correction
from zirkel.core.sightings import Drop, Span
from zirkel.core.words.checked import EDGES, LITTLE_MM, About, say_way, say_where

MIRRORED = 0.25
"""How closely, in shares of the way across, a landmark has to lie where its mirror image would."""


def say_fault(about: About, fault: Fault) -> str:
    """What is wrong."""
    return _FAULTS[fault.kind](about, fault)


def say_correction(about: About, made: Correction) -> str:
    """What to do: the move, and what is right once it is made."""
    told = _MOVES[made.fault.kind](about, made)
    return f"{told}{_then(about, made)}"


TOUCHED = 3
"""So many marks to touch up are told one by one."""


def say_touch_up(about: About) -> str:
    """The pass over single marks, the furthest off first."""
    marks = sorted(about.check.touch_up.items(), key=lambda each: -float(np.hypot(*each[1])))
    told = [f"{about.words.of(name)} {say_way(about.words, *way)}" for name, way in marks]
    lost = about.check.diagnosis.unexplained is not None
    if len(told) > TOUCHED:
        start = "Take" if lost else "Touch up"
        way = "again, the large ones first" if lost else "as their arrows say"
        return f"{start} {len(told)} marks {way}. Furthest: {told[0]}."
    return f"Touch up in passing: {'; '.join(told)}."


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
    start = _nearest(about, np.hypot(*(drawing.planned - still).T), 0.12)
    return f", growing from {start}" if start else ""


def _nearest(about: About, apart: Array, share: float) -> str | None:
    """The landmark that is least far (n,), if that is within such a share of the whole."""
    drawing = about.check.drawing
    nearest = int(apart.argmin())
    if apart[nearest] > share * drawing.extent:
        return None
    return about.words.of(drawing.ids[nearest])


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
    start = _nearest(about, np.abs(drawing.planned[:, 0] - still), 0.06)
    return f", growing away from the plumb through {start}" if start else ""


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


def _many(about: About, landmarks: Sequence[str]) -> bool:
    return len(landmarks) > 1 and about.shape_of(landmarks) is None


def _resized(about: About, fault: Fault) -> str:
    factor = fault.amount["factor"]
    are = "together are" if _many(about, fault.landmarks) else "is"
    more = " What is looked at longest grows." if factor > 1 else ""
    way = "large" if factor > 1 else "small"
    return f"{about.called(fault.landmarks)} {are} {_percent(factor)} too {way}.{more}"


def _turned(about: About, fault: Fault) -> str:
    degrees = fault.amount["degrees"]
    are = "together are" if _many(about, fault.landmarks) else "is"
    way = "clockwise" if degrees > 0 else "anticlockwise"
    return f"{about.called(fault.landmarks)} {are} turned {way} by {abs(degrees):.1f}°."


def _growth(about: About, fault: Fault) -> str:
    factor, start = fault.amount["factor"], about.words.of(fault.amount["from"])
    more = factor > 1
    grew, large, longer = ("grew", "large", "longer") if more else ("shrank", "small", "shorter")
    return (
        f"Size {grew} from {start} on: the far end is {_percent(factor)} too {large}. Each length "
        f"came out a little {longer} than the one before it."
    )


def _bend(about: About, fault: Fault) -> str:
    off, upright = fault.amount["off_mm"], fault.amount["along"] == "plumb"
    ends = say_where(about.words, *((off, 0.0) if upright else (0.0, off)))
    line = "An upright line" if upright else "A level line"
    return f"{line} through the whole is drawn as a bow: its ends are {ends} against its middle."


def _crowding(about: About, fault: Fault) -> str:
    side, factor = fault.amount["side"], fault.amount["factor"]
    if factor > 1:
        return f"Towards {EDGES[side]} shapes are stretched by {_percent(factor)}."
    return f"Towards {EDGES[side]} shapes are squeezed by {_percent(factor)}: the sheet ran out."


def _flat(about: About, fault: Fault) -> str:
    factor = fault.amount["factor"]
    if factor < 1:
        return f"What lies flat is drawn {_percent(factor)} flatter than you see it."
    return (
        f"What lies flat is drawn {_percent(factor)} too tall: as round as one knows it, not as "
        "flat as it is seen."
    )


def _symmetry(about: About, fault: Fault) -> str:
    if fault.amount["share"] < 0:
        return "The far side of the turned head is drawn narrower than you see it."
    return "The far side of the turned head is as wide as the near one: so one knows it to be."


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
    "group": _part, "landmark": _part, "wide": _sided("wide", "narrow"),
    "tall": _sided("tall", "low"), "uprights": _uprights, "depth": _depth,
    "group_size": _resized, "group_tilt": _turned, "growth": _growth, "bend": _bend,
    "crowding": _crowding, "symmetry": _symmetry, "flat": _flat,
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
    landmarks, off = made.fault.landmarks, made.fault.amount["off_mm"]
    way = say_way(about.words, -off[0], -off[1])
    what = about.called(landmarks)
    return f"Bring {what} {way}{', all of it together' if len(landmarks) > 1 else ''}."


def _leave(about: About, made: Correction) -> str:
    """No drawing is moved on its sheet."""
    off = made.fault.amount["off_mm"]
    way = say_way(about.words, -off[0], -off[1])
    return f"Leave it where it is, if nothing is cut off; or start again, {way}."


def _turn_back(about: About, made: Correction) -> str:
    name, dx, dy = _furthest(about, made)
    return (
        f"Turn {about.called(made.fault.landmarks)} back about the middle by "
        f"{abs(made.fault.amount['degrees']):.1f}°: {name} goes {say_way(about.words, dx, dy)}."
    )


def _draw_in(about: About, made: Correction) -> str:
    factor, start = made.fault.amount["factor"], about.words.of(made.fault.amount["from"])
    name, dx, dy = _furthest(about, made)
    way = "Draw in" if factor > 1 else "Let out"
    return (
        f"{way} all towards {start}, the more the further off: {name} goes "
        f"{say_way(about.words, dx, dy)}, half way there a quarter of it."
    ).replace("towards", "towards" if factor > 1 else "away from")


def _shrink(about: About, made: Correction) -> str:
    factor = made.fault.amount["factor"]
    name, dx, dy = _furthest(about, made)
    ways = {"wide": ("narrower", "wider"), "tall": ("lower", "taller")}
    way = ways.get(made.fault.kind, ("smaller", "larger"))[factor < 1]
    what = about.called(made.fault.landmarks)
    whose = "their" if _many(about, made.fault.landmarks) else "its"
    return (
        f"Make {what} {_percent(factor)} {way} about {whose} middle: {name} goes "
        f"{say_way(about.words, dx, dy)}."
    )


_MOVES: dict[str, Callable[[About, Correction], str]] = {
    "size": _resize,
    "tilt": _whole("Turn the whole back about its middle"),
    "lean": _whole("Bring the whole upright again"),
    "stretch": _whole("Bring height and width to each other again"),
    "shift": _leave,
    "group": _together,
    "landmark": _together,
    "group_size": _shrink,
    "group_tilt": _turn_back,
    "growth": _draw_in,
    "bend": _whole("Straighten the bow"),
    "crowding": _whole("Give the squeezed shapes their width again, over the edge if need be"),
    "symmetry": _whole("Narrow the far side to what you see"),
    "flat": _whole("Flatten the rims to what you see"),
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
