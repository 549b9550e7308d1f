"""Adding, moving, renaming and removing landmarks, and joining them to shapes."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from zirkel.commands.base import Change, expect, free_id
from zirkel.core.collections import removed
from zirkel.core.schools import school_of
from zirkel.core.study import Landmark, Shape, Study, UnitLength, UnitPair
from zirkel.core.values.names import slug
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Name, Point, Tier
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FileLandmark, FileShape


class AddLandmark(Change):
    """A new landmark; its id comes from its name."""

    type: Literal["add_landmark"] = "add_landmark"
    name: Name
    tier: Tier = 1
    rough: Point | None = None

    def made(self, study: Study) -> Study:
        """The study with one more landmark."""
        name = free_id(slug(self.name), (each.id for each in study.landmarks))
        unit = study.unit
        if unit is None and not study.landmarks and school_of(study.method).at_sight_size:
            # Begun "in mm" before anything was named: lengths are counted from the first landmark.
            unit = UnitLength(1.0, "mm", name)
        new = Landmark(name, self.name, self.tier, self.rough)
        return replace(study, landmarks=(*study.landmarks, new), unit=unit)

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Add {self.name}"


class EditLandmark(Change):
    """Rename a landmark, move it on the thumbnail, or change its tier."""

    type: Literal["edit_landmark"] = "edit_landmark"
    landmark: FileLandmark

    def made(self, study: Study) -> Study:
        """The study with that landmark as given."""
        new = self.landmark
        expect(any(each.id == new.id for each in study.landmarks), "landmark", "landmark", new.id)

        def edited(old: Landmark) -> Landmark:
            return replace(new, extra={**old.extra, **new.extra}) if old.id == new.id else old

        return replace(study, landmarks=tuple(edited(each) for each in study.landmarks))

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Change {self.landmark.name}"


class RemoveLandmark(Change):
    """Remove a landmark; one that readings use only together with those readings."""

    type: Literal["remove_landmark"] = "remove_landmark"
    id: Id
    with_sightings: bool = False

    def made(self, study: Study) -> Study:
        """The study without the landmark, and without it in any outline."""
        expect(any(each.id == self.id for each in study.landmarks), "id", "landmark", self.id)
        self._refuse_unit(study)
        using = [s.id for s in study.sightings if self.id in s.landmarks]
        if using and not self.with_sightings:
            raise BadInput("id", self._in_use(study, using))
        return removed(study, self.id)

    def _in_use(self, study: Study, using: list[str]) -> str:
        name = next(each.name for each in study.landmarks if each.id == self.id)
        count = f"{len(using)} readings use" if len(using) > 1 else "one reading uses"
        return f"{count} {name}: remove it together with them, or keep it"

    def _refuse_unit(self, study: Study) -> None:
        unit = study.unit
        ends = (unit.start, unit.end) if isinstance(unit, UnitPair) else ()
        origin = (unit.origin,) if isinstance(unit, UnitLength) else ()
        if self.id in (*ends, *origin):
            name = next(each.name for each in study.landmarks if each.id == self.id)
            raise BadInput("id", f"{name} is an end of the unit: choose another unit first")

    def label(self, before: Study, after: Study) -> str:
        """Its name, and how many readings went with it."""
        name = next(each.name for each in before.landmarks if each.id == self.id)
        gone = len(before.sightings) - len(after.sightings)
        return f"Remove {name}" + (f" and {gone} readings" if gone else "")


class AddShape(Change):
    """Join landmarks to a new shape; its id comes from its name."""

    type: Literal["add_shape"] = "add_shape"
    name: Name
    outline: Annotated[list[Id], Field(min_length=2, max_length=500)]
    closed: bool = True
    tier: Tier = 1

    def made(self, study: Study) -> Study:
        """The study with one more shape."""
        name = free_id(slug(self.name), (each.id for each in study.shapes))
        new = Shape(name, self.name, tuple(self.outline), self.closed, tier=self.tier)
        after = replace(study, shapes=(*study.shapes, new))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Shape {self.name}"


class PutShape(Change):
    """Join landmarks to a shape: a new one, or one of the same id as it should be."""

    type: Literal["put_shape"] = "put_shape"
    shape: FileShape

    def made(self, study: Study) -> Study:
        """The study with that shape."""
        new = self.shape
        if any(each.id == new.id for each in study.shapes):
            shapes = tuple(new if each.id == new.id else each for each in study.shapes)
        else:
            shapes = (*study.shapes, new)
        after = replace(study, shapes=shapes)
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Shape {self.shape.name}"


class RemoveShape(Change):
    """Remove a shape; its landmarks stay."""

    type: Literal["remove_shape"] = "remove_shape"
    id: Id

    def made(self, study: Study) -> Study:
        """The study without the shape; shapes that were part of it stand alone."""
        expect(any(each.id == self.id for each in study.shapes), "id", "shape", self.id)
        left = [each for each in study.shapes if each.id != self.id]
        freed = [replace(s, part_of=None) if s.part_of == self.id else s for s in left]
        return replace(study, shapes=tuple(freed))

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Remove shape {next(s.name for s in before.shapes if s.id == self.id)}"
