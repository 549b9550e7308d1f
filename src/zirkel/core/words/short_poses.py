"""What is said of a set of short poses."""

from __future__ import annotations

from collections.abc import Sequence

from zirkel.core.sitting.short_poses import Common
from zirkel.core.words.base import Words
from zirkel.core.words.sightings import said

DRAW_NOW = "The box and three readings stand: draw."
SIGHT_ON = "Sight on"
MOST_TOLD = 6


def say_common(common: Sequence[Common], words: Words) -> list[str]:
    """What was read in several poses: what stays, and what the pose changes."""
    told = []
    for each in common[:MOST_TOLD]:
        low, high = (f(each.readings, key=lambda one: one.value) for f in (min, max))
        count = f"In {len(each.readings)} poses"
        if each.alike:
            middle = sorted(each.readings, key=lambda one: one.value)[len(each.readings) // 2]
            told.append(f"{count} the same: {said(middle, words)}.")
        else:
            told.append(f"{count} not the same: {said(low, words)}; {said(high, words)}.")
    return told


def say_never_held(names: Sequence[str]) -> str | None:
    """What nothing held in most poses."""
    if not names:
        return None
    return f"Nothing held these in three poses or more: {', '.join(names[:MOST_TOLD])}."
