"""What a photograph of the subject says of the readings and of the hand, in words."""

from __future__ import annotations

from collections.abc import Mapping

from zirkel.core.check.true_places import LEAST, Leaning, RealHand

KINDS = {"span": "lengths", "tilt": "tilts", "drop": "plumbs", "level": "levels"}
A_WHOLE = 100.0


def say_waiting(tapped: int, all_of_them: int) -> str:
    """That too little has been tapped yet."""
    more = LEAST - tapped
    if more > 0:
        return f"Tap {more} more of the {all_of_them} landmarks: then it tells how near you came."
    return "The landmarks tapped are not held by your readings yet: tap others, or sight on."


def say_leanings(length: Leaning | None, tilt: Leaning | None) -> list[str]:
    """What the hand does always; that it does nothing, where that is so."""
    said = []
    if length is not None and length.told:
        way = "long" if length.value > 0 else "short"
        said.append(f"Your lengths come {_percent(length.value)} {way}, ± {_percent(length.sd)}.")
    if tilt is not None and tilt.told:
        way = "clockwise" if tilt.value > 0 else "anticlockwise"
        said.append(f"Your tilts lean {abs(tilt.value):.1f}° {way}, ± {tilt.sd:.1f}°.")
    if not said and length is not None:
        said.append("Your hand leans no way that can be told.")
    return said


def say_takes(hand: RealHand) -> list[str]:
    """Takes that drifted."""
    return [
        f"Take {number} ran {_percent(each.value)} {'long' if each.value > 0 else 'short'}."
        for number, each in enumerate(hand.takes.values(), 1)
        if each.told
    ]


def say_trust(trust: Mapping[str, float]) -> list[str]:
    """Kinds of reading that err by more than is usual, or by less."""
    return [
        f"Your {KINDS.get(kind, f'readings of the kind {kind}')} err by "
        f"{factor:.1f} times what is usual{'' if factor > 1.0 else ': they are surer'}."
        for kind, factor in trust.items()
    ]


def _percent(share: float) -> str:
    return f"{A_WHOLE * abs(share):.1f} %"
