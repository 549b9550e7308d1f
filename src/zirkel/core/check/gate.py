"""Which stage of the drawing has earned the next: large shapes, middle shapes, detail.

A stage has earned the next if the last check found every landmark of its tier that it saw, and of
those before, within tolerance, and saw at least LEAST of them. Going on without is the artist's own
affair: it is kept, not judged.
"""

from __future__ import annotations

from dataclasses import dataclass

from zirkel.core.study import Study

LEAST = 3


@dataclass(frozen=True, slots=True)
class Gate:
    """One stage: its tier, whether the last check found it sound, and whether the artist has gone
    on to it."""

    tier: int
    landmarks: int
    checked: int
    sound: bool
    gone: bool


def gates(study: Study) -> tuple[Gate, ...]:
    """The three stages as they stand."""
    last = study.checks[-1] if study.checks else None
    gone = {each.tier for each in study.went_on} | {1}
    made = []
    for tier in (1, 2, 3):
        own = [each.id for each in study.landmarks if each.tier == tier]
        seen = sum(name in last.places for name in own) if last else 0
        sound = last is not None and tier in last.sound_tiers and seen >= min(LEAST, len(own))
        made.append(Gate(tier, len(own), seen, sound and bool(own), tier in gone))
    return tuple(made)


def earned(study: Study) -> int:
    """The tier up to which the artist has earned to go: 1 before any sound check."""
    reached = 1
    for gate in gates(study)[:2]:
        if not gate.sound and gate.landmarks:
            break
        reached = gate.tier + 1
    return reached
