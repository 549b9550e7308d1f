"""Arm and station: what a length covers on the stick and on the sheet, and what slips cost.

Equations, with subject length L at distance D, reach R, easel distance E:
on the stick s = L R / D; in sight-size on the sheet h = L E / D; for a wanted height h the easel
goes to E = h D / L. From a length L seen as s1, and as s2 after stepping back by b:
b = L R (1/s2 - 1/s1), so R = b / (L (1/s2 - 1/s1)).
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from zirkel.core.subject.faults.elbow import covers
from zirkel.core.subject.faults.sway import moves_over_subject
from zirkel.core.subject.station import Station
from zirkel.core.subject.stick import Holding

CLOSE, TOO_CLOSE = 3.0, 2.5
"""How many times the subject's largest size one should stand away, and must at least."""

COMFORTABLE_DEG, WIDE_DEG = 20.0, 30.0
"""Half the angle that is taken in at ease, and beyond which shapes are distorted."""

SWAY_MM, BEND_MM = 10.0, 30.0
"""The slips whose cost is told."""

READ_SD_MM, PACED_SHARE = 0.5, 0.01
"""How exactly a length is read off the stick, and how exactly a step back is measured."""

UPRIGHT_DEG = 5.0
"""How far a board may lean before it matters."""


@dataclass(frozen=True, slots=True)
class Caution:
    """Something about the station to mend: what, how much of it, and whether it is far too much;
    `better` is the value to go to, where there is one."""

    about: str
    value: float
    badly: bool = False
    better: float | None = None


@dataclass(frozen=True, slots=True)
class Reckoning:
    """What follows from a station for a subject of a given largest size and a unit, all in mm."""

    unit_on_stick_mm: float
    subject_on_stick_mm: float
    sight_size_unit_mm: float
    sight_size_height_mm: float
    bend_percent: float
    bend_sheet_mm: float
    sway_subject_mm: float
    sway_sheet_mm: float
    times_away: float
    """Distance in multiples of the subject's largest size."""
    nearest_good_mm: float


def on_stick(length_mm: float, reach_mm: float, distance_mm: float) -> float:
    """What a length of the subject covers on the stick."""
    return length_mm * reach_mm / distance_mm


def sight_size(length_mm: float, easel_mm: float, distance_mm: float) -> float:
    """What a length of the subject measures on a sheet that stands between eye and subject."""
    return length_mm * easel_mm / distance_mm


def easel_for(height_mm: float, subject_mm: float, distance_mm: float) -> float:
    """How far from the eye the easel goes for a subject to come out at a wanted height."""
    return height_mm * distance_mm / subject_mm


@dataclass(frozen=True, slots=True)
class RealReach:
    """A reach worked back from two readings, and its standard deviation, in mm."""

    reach_mm: float
    sd_mm: float


def reach_from_two(length_mm: float, near_mm: float, far_mm: float, back_mm: float) -> RealReach:
    """The real reach, from a known length read on the stick before and after stepping back.

    With g = 1/s2 - 1/s1 the reach is b / (L g), and as lengths on the stick are read to
    READ_SD_MM and the step is paced to PACED_SHARE of itself,
    sd(R) / R = sqrt(PACED_SHARE^2 + READ_SD_MM^2 (1/s2^4 + 1/s1^4) / g^2).

    ValueError if the second reading isn't the smaller one.
    """
    if not (length_mm > 0 and back_mm > 0 and near_mm > far_mm > 0):
        raise ValueError(
            "after stepping back the same length must read smaller than before: "
            "give its true size, both readings and how far you stepped, all in mm"
        )
    g = 1.0 / far_mm - 1.0 / near_mm
    reach = back_mm / (length_mm * g)
    share = math.hypot(PACED_SHARE, READ_SD_MM * math.hypot(far_mm**-2, near_mm**-2) / g)
    return RealReach(reach, reach * share)


def reckon(
    station: Station, size_mm: float, height_mm: float, unit_mm: float, sheet_unit_mm: float
) -> Reckoning:
    """Everything worth knowing of a station; `sheet_unit_mm` is the unit on this sheet."""
    hold = Holding(station.reach_mm, station.distance_mm, unit_mm)
    bend = covers(station.reach_mm, min(BEND_MM, station.reach_mm / 2.0)) - 1.0
    sway = moves_over_subject(hold, SWAY_MM)
    return Reckoning(
        unit_on_stick_mm=hold.unit_on_stick_mm,
        subject_on_stick_mm=on_stick(height_mm, station.reach_mm, station.distance_mm),
        sight_size_unit_mm=sight_size(unit_mm, station.easel_mm, station.distance_mm),
        sight_size_height_mm=sight_size(height_mm, station.easel_mm, station.distance_mm),
        bend_percent=100.0 * bend,
        bend_sheet_mm=bend * sheet_unit_mm,
        sway_subject_mm=sway,
        sway_sheet_mm=sway / unit_mm * sheet_unit_mm,
        times_away=station.distance_mm / size_mm,
        nearest_good_mm=CLOSE * size_mm,
    )


def cautions(station: Station, size_mm: float, widest_deg: float) -> tuple[Caution, ...]:
    """What to mend; `widest_deg` is how far from straight ahead the furthest landmark is seen.

    About `distance` (in multiples of the largest size, better in mm), `cone` (degrees), `lean`
    (degrees) and `reach` (share of the distance).
    """
    times = station.distance_mm / size_mm
    share = station.reach_mm / station.distance_mm
    found = (
        (times < CLOSE, Caution("distance", times, times < TOO_CLOSE, CLOSE * size_mm)),
        (widest_deg > COMFORTABLE_DEG, Caution("cone", widest_deg, widest_deg > WIDE_DEG)),
        (abs(station.lean_deg) > UPRIGHT_DEG, Caution("lean", abs(station.lean_deg))),
        (share > 0.5, Caution("reach", share)),
    )
    return tuple(caution for is_so, caution in found if is_so)
