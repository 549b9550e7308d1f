"""Which simple relations are worth showing an artist here and now.

What holds no better than the large shapes may be off is no help; what was just read is no news; and
a large shape is never placed by a detail. Of two landmarks that lie alike the larger stands first.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace

from zirkel.core.network.relations.rank import Relation
from zirkel.core.sightings import Part, Run, Sighting
from zirkel.core.sightings.alignment import Alignment
from zirkel.core.study import Study


def simple_here(found: Iterable[Relation], study: Study, enough: float) -> tuple[Relation, ...]:
    """Those of the relations that hold within `enough` units and are news, said as one draws."""
    tier = {each.id: each.tier for each in study.landmarks}
    read = {_look(each) for each in study.sightings if not each.struck}
    made = []
    for each in found:
        sighting = _larger_first(each.sighting, tier)
        if each.within > enough or _look(sighting) in read or not _drawn_so(sighting, tier):
            continue
        made.append(replace(each, sighting=sighting))
    return tuple(made)


def _look(sighting: Sighting) -> tuple[str, frozenset[str]]:
    return sighting.kind, frozenset(sighting.landmarks)


def _larger_first(sighting: Sighting, tier: dict[str, int]) -> Sighting:
    """A plumb or level from the larger of its two landmarks to the smaller."""
    if not isinstance(sighting, Alignment) or tier[sighting.start] <= tier[sighting.end]:
        return sighting
    there = sighting.end
    return replace(sighting, start=there, end=sighting.start, offset=-sighting.offset)


def _drawn_so(sighting: Sighting, tier: dict[str, int]) -> bool:
    """Whether what is placed is no larger than what it is placed by."""
    if isinstance(sighting, Part):
        return tier[sighting.at] >= max(tier[sighting.start], tier[sighting.end])
    if isinstance(sighting, Run):
        return tier[sighting.hits] >= max(tier[sighting.start], tier[sighting.end])
    if len(sighting.landmarks) == 4:
        first, second = sighting.landmarks[:2], sighting.landmarks[2:]
        sizes = [max(tier[name] for name in pair) for pair in (first, second)]
        return sizes[0] == sizes[1]
    return True
