"""What the artist says of the subject in depth: edges that are parallel in reality, circles seen as
ellipses, shadows that things cast, and things that stand in equal steps."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.fields import entry, unknown

Extra = Mapping[str, object]

LIGHTS = ("sun", "lamp")
MOST_STEPS = 30


@dataclass(frozen=True, slots=True)
class Family:
    """Edges of the subject that are parallel in reality; `level` if they are also horizontal."""

    name: str = entry("name")
    edges: tuple[tuple[str, str], ...] = entry("pair", many="list", names="landmark", most=500)
    level: bool = entry("flag", False, always=True)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class Round:
    """A circle of the subject, seen as an ellipse: the ends of its long axis as it is seen, and the
    middle of its nearer and of its farther rim. `axis` names the turned thing whose rims lie over
    one another; `level` if the circle lies level in reality."""

    id: str = entry("id")
    name: str = entry("name", if_missing="id")
    left: str = entry("id", names="landmark")
    right: str = entry("id", names="landmark")
    near: str = entry("id", names="landmark")
    far: str | None = entry("id", None, names="landmark")
    axis: str | None = entry("name", None)
    level: bool = entry("flag", True)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class CastShadow:
    """The shadow of an upright thing on level ground: its top, the spot on the ground straight
    under that, and the shadow's tip, which is where the top's shadow falls."""

    id: str = entry("id")
    name: str = entry("name", if_missing="id")
    top: str = entry("id", names="landmark")
    foot: str = entry("id", names="landmark")
    tip: str = entry("id", names="landmark")
    light: str = entry("choice", "sun", options=LIGHTS)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class Repeat:
    """Things alike in equal steps (posts, tiles, windows): (top, foot) of the first and of the
    second, and how many there are in all."""

    name: str = entry("name")
    first: tuple[str, str] = entry("pair", names="landmark")
    second: tuple[str, str] = entry("pair", names="landmark")
    count: int = entry("whole", 5, bounds={"ge": 3, "le": MOST_STEPS}, always=True)
    extra: Extra = unknown()
