"""What the artist says of light and dark: areas, comparisons between them, the medium; and which
shape stands before which."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.fields import entry, unknown

Extra = Mapping[str, object]

LIGHTEST, DARKEST = 1.0, 9.0
"""The ends of the tone count; one step is 12.5 of CIE lightness."""

SIDES = ("light", "shadow")
BY = ("little", "clearly", "much")
KINDS = ("darker", "alike", "step")
MOST_AREAS, MOST_COMPARISONS = 200, 2000


@dataclass(frozen=True, slots=True)
class ToneArea:
    """A flat shape of light, shadow or cast shadow; `share` of the frame, from its outline where it
    is left out."""

    id: str = entry("id")
    name: str = entry("name", if_missing="id")
    side: str | None = entry("choice", None, options=SIDES)
    share: float | None = entry("share", None)
    outline: tuple[str, ...] = entry("id", (), many="list", names="landmark", most=500)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class ToneReading:
    """One comparison: `first` darker than `second` by little, clearly or much; both alike; or one
    `area` at a `step` of the grey card. `computed` if Zirkel read it off a picture."""

    id: str = entry("id")
    kind: str = entry("choice", options=KINDS)
    first: str | None = entry("id", None)
    second: str | None = entry("id", None)
    by: str | None = entry("choice", None, options=BY)
    area: str | None = entry("id", None)
    step: float | None = entry("finite", None, bounds={"ge": -2.0, "le": 12.0})
    sigma: float | None = entry("finite", None, bounds={"gt": 0.0, "le": 20.0})
    struck: bool = entry("flag", False)
    computed: bool = entry("flag", False)
    at: str | None = entry("note", None)
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """What doesn't go with its kind, in words."""
        if self.kind == "step":
            if self.area is None or self.step is None:
                return "a step needs its area and its step on the grey card"
            return None
        if self.first is None or self.second is None:
            return f"“{self.kind}” compares two areas: give first and second"
        if self.first == self.second:
            return f"“{self.first}” is compared with itself: choose another area"
        if self.kind == "darker" and self.by is None:
            return f"how much darker? give by: {', '.join(BY)}"
        return None

    @property
    def areas(self) -> tuple[str, ...]:
        """The areas it names."""
        return tuple(each for each in (self.first, self.second, self.area) if each is not None)


@dataclass(frozen=True, slots=True)
class Medium:
    """What the medium can do, in steps: the paper's own tone, the lightest that can be laid on it,
    and the darkest that can still be taken back; `name` one of the shipped media."""

    paper: float = entry("finite", 1.0, bounds={"ge": LIGHTEST, "le": DARKEST}, always=True)
    lightest: float = entry("finite", 1.0, bounds={"ge": LIGHTEST, "le": DARKEST}, always=True)
    darkest: float = entry("finite", 8.0, bounds={"ge": LIGHTEST, "le": DARKEST}, always=True)
    name: str | None = entry("id", None)
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """Ends that are the wrong way round, in words."""
        if self.darkest <= self.lightest:
            return (
                f"the darkest ({self.darkest:g}) is no darker than the lightest "
                f"({self.lightest:g}): dark has the larger number"
            )
        if not self.lightest <= self.paper <= self.darkest:
            return f"the paper ({self.paper:g}) lies outside what the medium can do"
        return None


@dataclass(frozen=True, slots=True)
class Overlap:
    """One shape stands before another and hides part of it. `id` is Zirkel's own, and not in the
    file."""

    id: str = entry("id", fallback="o")
    front: str = entry("id")
    behind: str = entry("id")
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """A shape before itself."""
        return f"“{self.front}” can't stand before itself" if self.front == self.behind else None
