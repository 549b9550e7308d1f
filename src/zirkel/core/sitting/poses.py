"""Sets of poses and rests by name: data that artists can edit."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from zirkel.core.pose import Block


@dataclass(frozen=True, slots=True)
class PoseSet:
    """Poses and rests one after the other; `shares` parts a pose into stages in the artist's own
    way, empty for the usual one."""

    name: str
    title: str
    blocks: tuple[Block, ...]
    shares: Mapping[str, float] = field(default_factory=dict)
