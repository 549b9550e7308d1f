"""Families of edges that are parallel in reality."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from zirkel.commands.base import Change, expect
from zirkel.core.space import Family
from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Name
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FileFamily


class PutFamily(Change):
    """Say which edges are parallel in reality; a name again replaces what it meant. An edge is of
    one family."""

    type: Literal["put_family"] = "put_family"
    family: FileFamily

    def made(self, study: Study) -> Study:
        """The study with that family."""
        new = self.family
        others = tuple(each for each in study.families if each.name != new.name)
        taken = {frozenset(edge): each.name for each in others for edge in each.edges}
        seen: set[frozenset[str]] = set()
        for a, b in new.edges:
            edge = frozenset((a, b))
            if len(edge) < 2:
                raise BadInput("family.edges", f"“{a}” to itself is no edge: choose two landmarks")
            if edge in taken:
                raise BadInput(
                    "family.edges",
                    f"the edge from {a} to {b} is one of “{taken[edge]}” already",
                )
            if edge in seen:
                raise BadInput("family.edges", f"the edge from {a} to {b} is there twice")
            seen.add(edge)
        known = any(each.name == new.name for each in study.families)
        families = (
            tuple(new if each.name == new.name else each for each in study.families)
            if known
            else (*study.families, new)
        )
        after = replace(study, families=families)
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Parallel edges: {self.family.name}"


class AddEdge(Change):
    """Say that an edge belongs to a family, which begins with its first; tapped quickly one after
    the other, none is lost."""

    type: Literal["add_edge"] = "add_edge"
    name: Name
    level: bool = True
    edge: tuple[Id, Id]

    def made(self, study: Study) -> Study:
        """The study with that edge; a family that is there stays level or not."""
        known = next((each for each in study.families if each.name == self.name), None)
        family = known or Family(name=self.name, edges=(), level=self.level)
        return PutFamily(family=replace(family, edges=(*family.edges, self.edge))).made(study)

    def label(self, before: Study, after: Study) -> str:
        """The family's name."""
        return f"An edge of {self.name}"


class RemoveFamily(Change):
    """Take a family away; its edges stay."""

    type: Literal["remove_family"] = "remove_family"
    name: Name

    def made(self, study: Study) -> Study:
        """The study without it."""
        expect(any(each.name == self.name for each in study.families), "name", "family", self.name)
        return replace(study, families=tuple(f for f in study.families if f.name != self.name))

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Parallel no more: {self.name}"
