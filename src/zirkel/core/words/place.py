"""What to go by to come back to the same place, in words."""

from __future__ import annotations

from zirkel.core.pose import Place
from zirkel.core.values.lengths import SHOE_MM, say_length

A_METRE = 1000.0
FEW_MM = 6000.0
"""A distance that is still counted in shoes."""

UPRIGHT = 0.5
"""Degrees below which a board is as good as upright."""


def say_far(mm: float, inches: bool) -> str:
    """A length about the room: metres to the centimetre, or whole inches."""
    if inches:
        return say_length(round(mm / 25.4) * 25.4, True)
    return f"{mm / A_METRE:.2f} m" if mm >= A_METRE else f"{mm / 10.0:.0f} cm"


def say_hour(hour: float) -> str:
    """A direction by the clock on the floor, to the half hour."""
    halves = round(2.0 * hour)
    name = (halves // 2) % 12 or 12
    return f"half past {name}" if halves % 2 else f"{name} o'clock"


def checklist(place: Place, inches: bool = False) -> list[str]:
    """What to see to, one after the other, the chair first."""
    told = []
    if place.marks:
        told.append(f"On the marks: {place.marks.rstrip('.')}.")
    if place.distance_mm is not None:
        far = say_far(place.distance_mm, inches)
        told.append(f"Eye to subject {far}, along the floor: a string or a tape{_shoes(place)}.")
    if place.eye_height_mm is not None:
        told.append(f"Eye {say_far(place.eye_height_mm, inches)} above the floor.")
    if place.easel_mm is not None:
        where = "" if place.easel_hour is None else f", towards {say_hour(place.easel_hour)}"
        turn = place.board_turn_deg or 0.0
        turned = f", turned {abs(turn):.0f}° {'' if turn > 0 else 'anti'}clockwise" if turn else ""
        told.append(f"Eye to board {say_far(place.easel_mm, inches)}{where}{turned}.")
    told += _board(place, inches)
    if place.reach_mm is not None:
        reach = say_far(place.reach_mm, inches)
        told.append(f"Stick {reach} from the eye, elbow straight, the same shoulder.")
    if place.light_hour is not None or place.light:
        where = (
            "" if place.light_hour is None
            else f" from {say_hour(place.light_hour)}, as the subject stands"
        )  # fmt: skip
        told.append(f"Light{where}{': ' if place.light else ''}{(place.light or '').rstrip('.')}.")
    if place.pose:
        told.append(f"The subject: {place.pose.rstrip('.')}.")
    if place.photographs:
        told.append("Hold the photographs of the set-up beside what you see.")
    if told:
        told.append("Begin the sitting: a few readings are asked again, and tell whether it is so.")
    return told


def _shoes(place: Place) -> str:
    """Told in shoes, which everybody has on."""
    far = place.distance_mm or 0.0
    return f", or {round(2.0 * far / SHOE_MM) / 2.0:g} shoes heel to toe" if far <= FEW_MM else ""


def _board(place: Place, inches: bool) -> list[str]:
    if place.board_mm is None and place.lean_deg is None:
        return []
    high = (
        "" if place.board_mm is None
        else f", its middle {say_far(place.board_mm, inches)} above the floor"
    )  # fmt: skip
    if place.lean_deg is None:
        return [f"The board{high}."]
    if abs(place.lean_deg) < UPRIGHT:
        return [f"The board upright{high}."]
    way = "back" if place.lean_deg > 0 else "forward"
    return [f"The board leaning {way} by {abs(place.lean_deg):.0f}°{high}."]
