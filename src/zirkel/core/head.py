"""What the artist says of a head: which landmarks are which of its points."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.fields import entry, unknown

MIDDLE_POINTS = ("crown", "hairline", "nose_root", "nose_base", "mouth_middle", "chin")
PAIRED_POINTS = (
    "brow", "eye_outer", "eye_inner", "nose_wing", "mouth_corner", "ear_top", "ear_base", "jaw",
)  # fmt: skip
SIDED = tuple(f"{name}_{side}" for name in PAIRED_POINTS for side in ("left", "right"))
POINTS = (*MIDDLE_POINTS, *SIDED)


@dataclass(frozen=True, slots=True)
class Head:
    """A head by its points, left and right as seen in the picture; names of points to landmarks."""

    id: str = entry("id")
    name: str = entry("name", if_missing="id")
    points: Mapping[str, str] = entry("id", many="map", names="landmark", factory=dict)
    extra: Mapping[str, object] = unknown()

    def problem(self) -> str | None:
        """A point that no head has, in words."""
        for name in self.points:
            if name not in POINTS:
                return f"a head has no point “{name}”: {', '.join(POINTS)}"
        return None


FIGURE_POINTS = (
    "crown", "chin", "pit", "crotch",
    *(f"{name}_{side}" for name in ("shoulder", "elbow", "wrist", "waist", "hip", "knee", "heel")
      for side in ("left", "right")),
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Figure:
    """A figure by its points, left and right as seen in the picture; names of points to
    landmarks."""

    id: str = entry("id")
    name: str = entry("name", if_missing="id")
    points: Mapping[str, str] = entry("id", many="map", names="landmark", factory=dict)
    extra: Mapping[str, object] = unknown()

    def problem(self) -> str | None:
        """A point that no figure has, in words."""
        for name in self.points:
            if name not in FIGURE_POINTS:
                return f"a figure has no point “{name}”: {', '.join(FIGURE_POINTS)}"
        return None
