"""What the pad asks for each kind of sighting: one entry a way of holding the stick.

An entry says what it is called, what to do, which landmarks it joins, how its value is entered, and
by which strokes its sign is drawn; the pad draws what it is sent.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

Sides = tuple[str, str]


@dataclass(frozen=True, slots=True)
class Stroke:
    """A part of a sign on a field of 28 by 28: a path, drawn thin, dashed or filled."""

    path: str
    look: str = "line"


@dataclass(frozen=True, slots=True)
class PadEntry:
    """One entry of the pad.

    `slots` are (question, field of the sighting) for each landmark; a field may come twice, for a
    pair. `sort` is how the value is entered: count, tilt, offset, fraction, ratio or none, into
    `value`. `sides` are the two sides the value can lie towards, the first right or down; `side`
    is the field for it, or empty where it is the value's sign. `fixed` are fields that are so.
    `none` is what an empty value says where it may be left empty; `held` how the stick on screen
    is held for it.
    """

    key: str
    letter: str
    label: str
    how: str
    kind: str
    slots: tuple[tuple[str, str], ...]
    sign: tuple[Stroke, ...]
    sort: str = "none"
    value: str = ""
    sides: Sides | None = None
    axis: int | None = None
    side: str = ""
    fixed: Mapping[str, str] | None = None
    in_takes: bool = False
    measured: bool = False
    none: str | None = None
    held: str = "straight"


FROM_TO = (("From", "from"), ("To", "to"))
CHECK = "Only a check: it moves nothing, but warns when the drawing says otherwise."


def _disc(x: float, y: float, r: float) -> Stroke:
    return Stroke(f"M{x - r} {y}a{r} {r} 0 1 0 {2 * r} 0a{r} {r} 0 1 0 {-2 * r} 0z", "filled")


PAD: tuple[PadEntry, ...] = (
    PadEntry(
        "upright", "u", "Upright", "Stick upright, elbow locked. Count the height only.",
        "span", FROM_TO, (Stroke("M14 4v20M9 4h10M9 24h10"), Stroke("M10.5 14h7", "thin")),
        "count", "units", ("down", "up"), 1, "towards", {"along": "plumb"}, True, held="plumb",
    ),
    PadEntry(
        "across", "a", "Across", "Stick level, elbow locked. Count the width only.",
        "span", FROM_TO, (Stroke("M3 14h22M3 9v10M25 9v10"), Stroke("M14 10.5v7", "thin")),
        "count", "units", ("right", "left"), 0, "towards", {"along": "level"}, True, held="level",
    ),
    PadEntry(
        "straight", "s", "Straight",
        "Stick laid along the edge, flat to the eye. Count its length.",
        "span", FROM_TO, (Stroke("M6 22L22 6M3 18l7 7M18 3l7 7"),),
        "count", "units", fixed={"along": "straight"}, in_takes=True,
    ),
    PadEntry(
        "tilt", "t", "Tilt",
        "Lay the stick over the edge, turned like a clock hand. Read the hour.",
        "tilt", FROM_TO,
        (Stroke("M4 14a10 10 0 1 0 20 0a10 10 0 1 0 -20 0M14 4v3", "thin"),
         Stroke("M9 23L19 5")),
        "tilt", "degrees", held="tilt",
    ),
    PadEntry(
        "plumb", "p", "Plumb", "Hang the plumb from the first. How far beside it is the second?",
        "drop", (("From", "from"), ("Below or above", "to")),
        (Stroke("M14 3v16"), Stroke("M10 18h8l-4 7z", "filled")),
        "offset", "offset", ("right", "left"), 0, in_takes=True, none="on the plumb", held="drop",
    ),
    PadEntry(
        "level", "l", "Level",
        "Hold the stick level at the first. How much lower or higher is the second?",
        "level", (("From", "from"), ("Across from it", "to")),
        (Stroke("M3 12h22"), _disc(6, 12, 2.4), Stroke("M22 12v8", "dashed"), _disc(22, 21, 2.4)),
        "offset", "offset", ("lower", "higher"), 1, in_takes=True, none="level", held="height",
    ),
    PadEntry(
        "part", "d", "Part",
        "Halve or third the stretch by stick or by eye. Where does the middle one fall?",
        "part", (*FROM_TO, ("In between", "at")),
        (Stroke("M14 3v22M9 3h10M9 25h10"), Stroke("M7 14h14")),
        "fraction", "fraction", measured=True,
    ),
    PadEntry(
        "match", "m", "Match",
        "Set the thumb on one length, lay it over the other. Equal, or how many times?",
        "match",
        (("This, from", "first"), ("to", "first"), ("Equals, from", "second"), ("to", "second")),
        (Stroke("M4 8h14M4 5v6M18 5v6M10 20h14M10 17v6M24 17v6"),),
        "ratio", "ratio", measured=True, none="equal",
    ),
    PadEntry(
        "run", "r", "Run", "Carry the line on with the stick until it hits something.",
        "run", (("Line from", "from"), ("through", "to"), ("hits", "hits")),
        (Stroke("M4 23L14 14"), Stroke("M14 14L23 6", "dashed"), _disc(23.5, 5.5, 2.6)),
    ),
    PadEntry(
        "parallel", "e", "Leans alike", "Carry the tilt of one edge over to the other.",
        "parallel",
        (("Edge from", "first"), ("to", "first"), ("Leans like, from", "second"),
         ("to", "second")),
        (Stroke("M6 23L14 5M15 23L23 5"),),
    ),
    PadEntry(
        "lower", "o", "Is lower", CHECK, "order",
        (("This one", "first"), ("is lower than", "second")),
        (Stroke("M8 5v14M4 15l4 5 4-5M16 24h9M16 8h9"),), fixed={"axis": "lower"},
    ),
    PadEntry(
        "righter", "i", "Is right of", CHECK, "order",
        (("This one", "first"), ("is right of", "second")),
        (Stroke("M5 20h14M15 16l5 4-5 4M6 4v9M22 4v9"),), fixed={"axis": "right"},
    ),
)  # fmt: skip
"""In the order of the pad: what is read most comes first."""
