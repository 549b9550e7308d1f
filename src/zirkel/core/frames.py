"""How much of the subject is taken in, and where the free space of the sheet goes."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.fields import entry, unknown

Extra = Mapping[str, object]

LEAST_EXTENT = 1e-6
"""Of a frame, in units: what is less frames nothing."""


@dataclass(frozen=True, slots=True)
class Frame:
    """The extent of the subject to take in, in units."""

    left: float = entry("finite")
    right: float = entry("finite")
    top: float = entry("finite")
    bottom: float = entry("finite")
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """That it has no extent, in words."""
        if min(self.right - self.left, self.bottom - self.top) >= LEAST_EXTENT:
            return None
        return "left must be smaller than right, and top smaller than bottom"


@dataclass(frozen=True, slots=True)
class KeptFrame:
    """A frame under a name, to be compared with others."""

    name: str = entry("name")
    left: float = entry("finite")
    right: float = entry("finite")
    top: float = entry("finite")
    bottom: float = entry("finite")
    extra: Extra = unknown()

    @property
    def frame(self) -> Frame:
        """The frame itself."""
        return Frame(self.left, self.right, self.top, self.bottom)

    def problem(self) -> str | None:
        """That it has no extent, in words."""
        return self.frame.problem()


@dataclass(frozen=True, slots=True)
class Placement:
    """Shares of the free space that go left of and above the frame."""

    across: float = entry("share", 0.5, always=True)
    down: float = entry("share", 0.5, always=True)
    extra: Extra = unknown()
