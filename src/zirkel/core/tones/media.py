"""Media as data: what each can do, its sticks from hard to soft, and its cautions."""

from __future__ import annotations

from dataclasses import dataclass

from zirkel.core.light import DARKEST, LIGHTEST, Medium


@dataclass(frozen=True, slots=True)
class Stick:
    """A grade or stick, and the darkest tone it lays without force."""

    name: str
    darkest: float


@dataclass(frozen=True, slots=True)
class MediumData:
    """A medium: the paper's tone, the ends it reaches, how many steps one light layer adds; sticks
    from hard to soft; the white that is laid on toned paper, with the lightest it reaches."""

    name: str
    title: str
    paper: float
    lightest: float
    darkest: float
    layer: float
    sticks: tuple[Stick, ...]
    white: tuple[str, float] | None = None
    cautions: tuple[str, ...] = ()
    way: str = "layers"
    """How it is laid (see `laying`): layers, rubbed, toned or wash."""
    ground: str = ""
    """What the paper is rubbed with, for a medium that is."""
    rubbed_to: float = 4.5
    lift: str = "kneaded eraser"
    accents_from: float = 7.0
    """Tones from which a rubbed medium's darkest is laid alone and last."""

    def problem(self) -> str | None:
        """What doesn't fit together, in words."""
        ends = Medium(self.paper, self.lightest, self.darkest).problem()
        if ends:
            return ends
        if not self.sticks:
            return "has no sticks: give one at least"
        order = [each.darkest for each in self.sticks]
        if order != sorted(order):
            return "its sticks must stand from the hardest (lightest) to the softest (darkest)"
        if not LIGHTEST <= self.lightest < self.darkest <= DARKEST:
            return f"tones lie from {LIGHTEST:g} to {DARKEST:g}"
        return None

    @property
    def medium(self) -> Medium:
        """As a study keeps it."""
        return Medium(self.paper, self.lightest, self.darkest, self.name)
