"""Heads: which landmarks are which of their points."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from zirkel.commands.base import Change, expect
from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FileHead


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
