"""What is known of an artist: how finely readings are counted, how eye and hand err."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.fields import entry, unknown

Extra = Mapping[str, object]


@dataclass(frozen=True, slots=True)
class JudgingEye:
    """How exactly an eye parts lengths, and keeps plumb and level: shares of the length."""

    part: float = entry("finite", bounds={"gt": 0.0, "le": 0.5})
    straight: float = entry("finite", bounds={"gt": 0.0, "le": 0.5})
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class CountedTo:
    """How finely an artist counts: lengths to so many units (or mm, where those are read), tilts to
    so many degrees; None for what is usual."""

    units: float | None = entry("finite", None, bounds={"gt": 0.0, "le": 100.0})
    degrees: float | None = entry("finite", None, bounds={"gt": 0.0, "le": 90.0})
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class OwnHand:
    """An artist's own hand on the sheet, one standard deviation: a length stepped off or set as a
    share of it, a tilt carried over, a part by eye as a share of the length parted."""

    length: float | None = entry("finite", None, bounds={"gt": 0.0, "le": 0.5})
    tilt_degrees: float | None = entry("finite", None, bounds={"gt": 0.0, "le": 45.0})
    part: float | None = entry("finite", None, bounds={"gt": 0.0, "le": 0.5})
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class Leanings:
    """What an artist's readings do always: lengths too long (+) or too short (-) by a share, tilts
    clockwise (+) by degrees."""

    length: float = entry("finite", 0.0, bounds={"ge": -0.3, "le": 0.3})
    tilt_degrees: float = entry("finite", 0.0, bounds={"ge": -20.0, "le": 20.0})
    extra: Extra = unknown()
