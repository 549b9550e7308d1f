"""Each fault of the hand in words: what it is called, and what it costs from a station."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass

from zirkel.core.subject.faults.elbow import covers
from zirkel.core.subject.faults.lean import flatter, longer
from zirkel.core.subject.faults.sway import moves_over_subject
from zirkel.core.subject.stick import Holding


@dataclass(frozen=True, slots=True)
class FaultWords:
    """What a fault is called, and what it costs at a size, in one sentence."""

    title: str
    costs: Callable[[float, Holding], str]


def _elbow(size: float, hold: Holding) -> str:
    more = covers(hold.reach_mm, size)
    return (
        f"{size:g} mm nearer, the stick covers {100 * (more - 1):.1f} % more of the subject: "
        f"counts come out {100 * (1 - 1 / more):.1f} % short."
    )


def _lean(size: float, hold: Holding) -> str:
    more = longer(min(hold.unit_on_stick_mm, 0.5 * hold.reach_mm), hold.reach_mm, size) - 1.0
    turn = math.degrees(flatter(math.pi / 4.0, size))
    return (
        f"Leaning {size:g}° into the scene, a unit reads {100 * more:.1f} % long and a slope "
        f"of 45° comes out {turn:.1f}° too flat."
    )


def _sway(size: float, hold: Holding) -> str:
    out = moves_over_subject(hold, size)
    return (
        f"A sway of {size:g} mm moves the stick {out:.0f} mm over the subject, "
        f"{out / hold.unit_mm:.2f} of a unit."
    )


def _two_eyes(size: float, hold: Holding) -> str:
    out = moves_over_subject(hold, size)
    return (
        f"Eyes {size:g} mm apart see the stick in two places, {out:.0f} mm apart on the "
        f"subject, {out / hold.unit_mm:.2f} of a unit."
    )


def _wobble(size: float, hold: Holding) -> str:
    out = size * math.sqrt(2.0) / hold.unit_on_stick_mm
    return f"{size:g} mm at each end of the stick is {out:.3f} of a unit on every length."


FAULT_WORDS: Mapping[str, FaultWords] = {
    "wobble": FaultWords("The arm wobbles", _wobble),
    "elbow": FaultWords("The elbow bends as the take goes on", _elbow),
    "sway": FaultWords("The head sways between the two ends", _sway),
    "lean": FaultWords("The stick leans into the scene", _lean),
    "two_eyes": FaultWords("Two eyes are open", _two_eyes),
}
