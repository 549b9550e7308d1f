"""Taking natural relations into the plan, and leaving them out again."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from zirkel.commands.base import Change, expect
from zirkel.core.study import Study
from zirkel.core.words.sightings import say_reading
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id
from zirkel.studyfile.references import sighting_problems
from zirkel.studyfile.sightings import AnySighting, sighting_to_core


class AdoptRelation(Change):
    """Draw by a simple relation: it goes into the plan, and moves nothing in the network."""

    type: Literal["adopt_relation"] = "adopt_relation"
    relation: AnySighting

    def made(self, study: Study) -> Study:
        """The study with the relation adopted."""
        numbers = [int(s.id[1:]) for s in study.adopted if s.id[1:].isdigit()]
        adopted = replace(sighting_to_core(self.relation), id=f"r{max(numbers, default=0) + 1}")
        known = [each.id for each in study.landmarks]
        problem = next(sighting_problems("relation", adopted, known), None)
        if problem is not None:
            raise BadInput(*problem)
        return replace(study, adopted=(*study.adopted, adopted))

    def label(self, before: Study, after: Study) -> str:
        """The relation in words."""
        return f"Draw by: {say_reading(after, after.adopted[-1])}"


class LeaveRelation(Change):
    """Leave an adopted relation out of the plan again."""

    type: Literal["leave_relation"] = "leave_relation"
    id: Id

    def made(self, study: Study) -> Study:
        """The study without it."""
        expect(any(s.id == self.id for s in study.adopted), "id", "adopted relation", self.id)
        return replace(study, adopted=tuple(s for s in study.adopted if s.id != self.id))

    def label(self, before: Study, after: Study) -> str:
        """That it was left out."""
        return "Leave out a relation"
