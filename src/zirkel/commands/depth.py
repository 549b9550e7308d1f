"""Circles, cast shadows and equal steps of the subject."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from typing import Any, Literal

from zirkel.commands.base import Change, expect
from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Name
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FileCastShadow, FileRepeat, FileRound


def _put(study: Study, collection: str, key: str, new: Any) -> Study:
    """The study with a record; one with the same key is replaced where it stands."""
    held = getattr(study, collection)
    own = getattr(new, key)
    known = any(getattr(each, key) == own for each in held)
    put = tuple(new if getattr(each, key) == own else each for each in held)
    changed: dict[str, Any] = {collection: put if known else (*held, new)}
    after = replace(study, **changed)
    check_references(after)
    return after


def _all_different(field: str, names: Iterable[str]) -> None:
    seen: set[str] = set()
    for name in names:
        if name in seen:
            raise BadInput(field, f"“{name}” stands twice: each point needs its own landmark")
        seen.add(name)


class PutRound(Change):
    """Say that landmarks are the ends of an ellipse's axes: a circle of the subject."""

    type: Literal["put_round"] = "put_round"
    round: FileRound

    def made(self, study: Study) -> Study:
        """The study with that circle."""
        new = self.round
        far = [] if new.far is None else [new.far]
        _all_different("round", [new.left, new.right, new.near, *far])
        return _put(study, "rounds", "id", new)

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Circle: {self.round.name}"


class PutShadow(Change):
    """Say which landmark is the tip of which thing's shadow."""

    type: Literal["put_shadow"] = "put_shadow"
    shadow: FileCastShadow

    def made(self, study: Study) -> Study:
        """The study with that shadow."""
        new = self.shadow
        _all_different("shadow", [new.top, new.foot, new.tip])
        return _put(study, "shadows", "id", new)

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Cast shadow: {self.shadow.name}"


class PutRepeat(Change):
    """Say that things stand in equal steps, from the first two."""

    type: Literal["put_repeat"] = "put_repeat"
    repeat: FileRepeat

    def made(self, study: Study) -> Study:
        """The study with those steps."""
        _all_different("repeat", [*self.repeat.first, *self.repeat.second])
        return _put(study, "repeats", "name", self.repeat)

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Equal steps: {self.repeat.name}"


KEYS = {"rounds": "id", "shadows": "id", "repeats": "name"}


class RemoveDepth(Change):
    """Take a circle, a cast shadow or equal steps away; the landmarks stay."""

    type: Literal["remove_depth"] = "remove_depth"
    what: Literal["rounds", "shadows", "repeats"]
    key: Name

    def made(self, study: Study) -> Study:
        """The study without it."""
        field = KEYS[self.what]
        held = getattr(study, self.what)
        left = tuple(each for each in held if getattr(each, field) != self.key)
        expect(len(left) < len(held), "key", self.what.removesuffix("s"), self.key)
        changed: dict[str, Any] = {self.what: left}
        return replace(study, **changed)

    def label(self, before: Study, after: Study) -> str:
        """What it was."""
        return f"Removed: {self.key}"
