"""When it is enough: how the large, middle and small shapes stand, and what may be done then."""

from __future__ import annotations

from zirkel.core.sitting.tiers import Tier
from zirkel.core.words.base import Words

TIERS = {1: "Large shapes", 2: "Middle shapes", 3: "Detail"}
THEN = {1: "the middle shapes", 2: "the detail"}


def say_tier(words: Words, tier: Tier) -> str:
    """How sure one tier is, against what is enough."""
    name = TIERS[tier.tier]
    if tier.loose:
        held = tier.landmarks - len(tier.loose)
        return f"{name}: {held} of {tier.landmarks} held."
    mean, worst = words.roughly(tier.mean), words.roughly(tier.worst)
    if mean == worst:
        sure = f"{name}: off by about {mean}"
    else:
        sure = f"{name}: off by about {mean}, {worst} at worst"
    return f"{sure}; {words.roughly(tier.enough)} will do."


def say_enough(tier: int, last: int) -> str:
    """That it is enough, and what comes next; `last` is the last tier that the study has."""
    if tier >= last:
        return "Everything stands: draw it."
    return f"{TIERS[tier]} stand: draw them, or go on to {THEN[tier]}."


def say_on(tier: int, last: int) -> str:
    """What the button says that goes on."""
    return "Sight on all the same" if tier >= last else f"On to {THEN[tier]}"
