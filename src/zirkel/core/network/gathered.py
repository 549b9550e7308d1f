"""Families of edges as they are computed with: those of the artist, and those of cast shadows."""

from __future__ import annotations

from dataclasses import dataclass

from zirkel.core.space import LIGHTS
from zirkel.core.study import Study


@dataclass(frozen=True, slots=True)
class Edge:
    """An edge by the number of its family and the numbers of its two landmarks."""

    family: int
    a: int
    b: int


@dataclass(frozen=True, slots=True)
class Gathered:
    """One family as it is computed with: its edges by landmark."""

    name: str
    sort: str
    level: bool
    edges: tuple[tuple[str, str], ...]


def gathered(study: Study) -> tuple[Gathered, ...]:
    """The study's families, and two for each light that casts shadows: its rays, and their tracks
    on the ground, which are level for the sun."""
    made = [Gathered(each.name, "edges", each.level, each.edges) for each in study.families]
    for light in LIGHTS:
        own = [each for each in study.shadows if each.light == light]
        if own:
            rays = tuple((each.top, each.tip) for each in own)
            tracks = tuple((each.foot, each.tip) for each in own)
            made.append(Gathered(light, "rays", False, rays))
            made.append(Gathered(light, "tracks", light == "sun", tracks))
    return tuple(made)


def holds_more(study: Study) -> bool:
    """Whether anything but readings says where landmarks are."""
    return bool(study.families or study.shadows or study.rounds)
