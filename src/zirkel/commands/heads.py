"""Heads: which landmarks are which of their points."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from zirkel.commands.base import Change, expect
from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FileFigure, FileHead


class PutHead(Change):
    """Say which landmarks are which points of a head."""

    type: Literal["put_head"] = "put_head"
    head: FileHead

    def made(self, study: Study) -> Study:
        """The study with that head."""
        new = self.head
        twice = {name for name in new.points.values() if list(new.points.values()).count(name) > 1}
        if twice:
            raise BadInput("head.points", f"“{min(twice)}” is two points of one head: choose one")
        known = any(each.id == new.id for each in study.heads)
        held = tuple(new if each.id == new.id else each for each in study.heads)
        after = replace(study, heads=held if known else (*held, new))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Head: {self.head.name}"


class PutFigure(Change):
    """Say which landmarks are which points of a figure."""

    type: Literal["put_figure"] = "put_figure"
    figure: FileFigure

    def made(self, study: Study) -> Study:
        """The study with that figure."""
        new = self.figure
        known = any(each.id == new.id for each in study.figures)
        held = tuple(new if each.id == new.id else each for each in study.figures)
        after = replace(study, figures=held if known else (*held, new))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Figure: {self.figure.name}"


class RemoveFigure(Change):
    """Take a figure away; its landmarks stay."""

    type: Literal["remove_figure"] = "remove_figure"
    id: Id

    def made(self, study: Study) -> Study:
        """The study without it."""
        expect(any(each.id == self.id for each in study.figures), "id", "figure", self.id)
        return replace(study, figures=tuple(each for each in study.figures if each.id != self.id))

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "A figure no more"


class RemoveHead(Change):
    """Take a head away; its landmarks stay."""

    type: Literal["remove_head"] = "remove_head"
    id: Id

    def made(self, study: Study) -> Study:
        """The study without it."""
        expect(any(each.id == self.id for each in study.heads), "id", "head", self.id)
        return replace(study, heads=tuple(each for each in study.heads if each.id != self.id))

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "A head no more"
