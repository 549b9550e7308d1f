"""The study's own settings: title, sheet, unit, its size on the sheet, trust, placement."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from zirkel.commands.base import Change, expect
from zirkel.core.artist import JudgingEye
from zirkel.core.schools import school_of
from zirkel.core.schools.taking_up import taken_up
from zirkel.core.sheet.recipe.manners import USUAL
from zirkel.core.sightings import KINDS
from zirkel.core.study import MOST_TAGS, Study
from zirkel.core.subject.sight import sight_size_of
from zirkel.store.store import Stored
from zirkel.studyfile.entries import Factor, Finite, Millimetres, Name, Note, Text
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FileFrame, FileKeptFrame, FilePlacement, FileSheet, FileUnit


class SetTitle(Change):
    """Call the study something else."""

    type: Literal["set_title"] = "set_title"
    title: Name

    def made(self, study: Study) -> Study:
        """The study under its new title."""
        return replace(study, title=self.title)

    def label(self, before: Study, after: Study) -> str:
        """The title it had."""
        return f"Rename from {before.title}"


class SetNote(Change):
    """Write down what is worth remembering about the study."""

    type: Literal["set_note"] = "set_note"
    note: Note

    def made(self, study: Study) -> Study:
        """The study with that note; none where it is empty."""
        return replace(study, note=self.note.strip() or None)

    def label(self, before: Study, after: Study) -> str:
        """That it was written."""
        return "Write a note" if after.note else "Remove the note"


class SetTags(Change):
    """Words by which the study is found on the wall."""

    type: Literal["set_tags"] = "set_tags"
    tags: Annotated[list[Name], Field(max_length=MOST_TAGS)]

    def made(self, study: Study) -> Study:
        """The study with those tags, each once, in the order in which they were given."""
        kept: dict[str, str] = {}
        for each in self.tags:
            plain = " ".join(each.split())
            if plain:
                kept.setdefault(plain.lower(), plain)
        return replace(study, tags=tuple(kept.values()))

    def label(self, before: Study, after: Study) -> str:
        """The tags."""
        return f"Tags: {', '.join(after.tags)}" if after.tags else "No tags"


class PutAway(Change):
    """Put the study into the drawer, or back on the wall."""

    type: Literal["put_away"] = "put_away"
    away: bool

    def made(self, study: Study) -> Study:
        """The study there."""
        return replace(study, put_away=self.away)

    def label(self, before: Study, after: Study) -> str:
        """Where it went."""
        return "Into the drawer" if self.away else "Back on the wall"


class SetMethod(Change):
    """Work by another school. A school at sight-size sets the unit to what it measures from the
    station, where that is known; with another school it is again what it was before."""

    type: Literal["set_method"] = "set_method"
    method: Text
    sight_size_mm: Annotated[Millimetres, Field(gt=0, le=20_000)] | None = None

    def before(self, stored: Stored) -> Change:
        """With the unit's length at sight-size, from the station before a simulated subject."""
        if not school_of(self.method).at_sight_size or self.sight_size_mm is not None:
            return self
        return self.model_copy(update={"sight_size_mm": sight_size_of(stored.study, stored.scene)})

    def made(self, study: Study) -> Study:
        """The study by that method."""
        return taken_up(study, self.method, self.sight_size_mm)

    def label(self, before: Study, after: Study) -> str:
        """The method."""
        return f"Method {self.method}"


class SetBlockIn(Change):
    """How the block-in is begun: features first or the outline, the box drawn or only ticked."""

    type: Literal["set_block_in"] = "set_block_in"
    inside_out: bool
    box_ticked: bool

    def made(self, study: Study) -> Study:
        """The study to be blocked in so."""
        return replace(study, inside_out=self.inside_out, box_ticked=self.box_ticked)

    def label(self, before: Study, after: Study) -> str:
        """What was chosen."""
        if before.inside_out != after.inside_out:
            return "Features first" if after.inside_out else "Outline first"
        return "Tick the box" if after.box_ticked else "Draw the box"


class SetSheet(Change):
    """Take another sheet, turn it, or change its margins."""

    type: Literal["set_sheet"] = "set_sheet"
    sheet: FileSheet

    def made(self, study: Study) -> Study:
        """The study on that sheet."""
        return replace(study, sheet=self.sheet)

    def label(self, before: Study, after: Study) -> str:
        """Its size."""
        return f"Sheet {after.sheet.width_mm:g} × {after.sheet.height_mm:g} mm"


class SetUnit(Change):
    """Count in another length of the subject, or in millimetres of the sheet."""

    type: Literal["set_unit"] = "set_unit"
    unit: FileUnit

    def made(self, study: Study) -> Study:
        """The study counted in that unit; lengths already read keep their numbers."""
        after = replace(study, unit=self.unit)
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Unit {self.unit.name}"


class SetUnitSize(Change):
    """Choose how long the unit is on the sheet; null leaves it to Zirkel. With `sight_size`, it is
    what the unit measures from the spot from which subject and sheet look the same size."""

    type: Literal["set_unit_size"] = "set_unit_size"
    unit_mm: Annotated[Millimetres, Field(gt=0, le=20_000)] | None
    sight_size: bool = False

    def made(self, study: Study) -> Study:
        """The study with the unit at that length."""
        sight_size = self.unit_mm if self.sight_size else study.sight_size_mm
        return replace(study, unit_mm=self.unit_mm, sight_size_mm=sight_size)

    def label(self, before: Study, after: Study) -> str:
        """The length."""
        return f"Unit at {self.unit_mm:g} mm" if self.unit_mm else "Largest round unit that fits"


class SetPlacement(Change):
    """Share out the free space on the sheet."""

    type: Literal["set_placement"] = "set_placement"
    placement: FilePlacement

    def made(self, study: Study) -> Study:
        """The study placed so."""
        return replace(study, placement=self.placement)

    def label(self, before: Study, after: Study) -> str:
        """That it was placed."""
        return "Place on the sheet"


class SetFrame(Change):
    """Take in this much of the subject; null takes in all landmarks."""

    type: Literal["set_frame"] = "set_frame"
    frame: FileFrame | None

    def made(self, study: Study) -> Study:
        """The study in that frame."""
        return replace(study, frame=self.frame)

    def label(self, before: Study, after: Study) -> str:
        """That the frame was set."""
        return "Frame the subject" if after.frame else "Frame all landmarks"


class KeepFrame(Change):
    """Keep a frame under a name, to be compared; a name again replaces what it meant."""

    type: Literal["keep_frame"] = "keep_frame"
    frame: FileKeptFrame

    def made(self, study: Study) -> Study:
        """The study with the frame kept."""
        others = tuple(each for each in study.frames if each.name != self.frame.name)
        return replace(study, frames=(*others, self.frame))

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Keep the frame {self.frame.name}"


class DropFrame(Change):
    """Keep a frame no longer."""

    type: Literal["drop_frame"] = "drop_frame"
    name: Name

    def made(self, study: Study) -> Study:
        """The study without it."""
        expect(any(each.name == self.name for each in study.frames), "name", "frame", self.name)
        return replace(study, frames=tuple(f for f in study.frames if f.name != self.name))

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Drop the frame {self.name}"


class SetLengths(Change):
    """Say lengths on the sheet in inches, or in millimetres."""

    type: Literal["set_lengths"] = "set_lengths"
    inches: bool

    def made(self, study: Study) -> Study:
        """The study in that system."""
        return replace(study, inches=self.inches)

    def label(self, before: Study, after: Study) -> str:
        """The system."""
        return "Lengths in inches" if self.inches else "Lengths in millimetres"


class SetTrust(Change):
    """How far each kind of reading is trusted: a factor on its default sigma."""

    type: Literal["set_trust"] = "set_trust"
    trust: dict[str, Factor]

    def made(self, study: Study) -> Study:
        """The study with these factors; kinds left out are at their default."""
        kept = {kind: factor for kind, factor in self.trust.items() if factor != 1.0}
        after = replace(study, trust=kept)
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """That trust was set."""
        return "Set trust in readings"


class BelieveScatter(Change):
    """Make the scatter of the readings one's own: every kind is trusted so much less, or more."""

    type: Literal["believe_scatter"] = "believe_scatter"
    factor: Annotated[Finite, Field(ge=0.2, le=5)]

    def made(self, study: Study) -> Study:
        """The study with all sigmas so many times as large."""
        trust = {
            kind: min(max(study.trust.get(kind, 1.0) * self.factor, 0.05), 20.0) for kind in KINDS
        }
        return replace(study, trust=trust)

    def label(self, before: Study, after: Study) -> str:
        """That it was made one's own."""
        return "Believe my own scatter"


class SetEye(Change):
    """Reckon the recipe with the artist's own eye, as the record has it; null for what is usual."""

    type: Literal["set_eye"] = "set_eye"
    part: Annotated[Finite, Field(gt=0, le=0.5)] | None
    straight: Annotated[Finite, Field(gt=0, le=0.5)] | None

    def made(self, study: Study) -> Study:
        """The study with that eye; what is left out is as usual."""
        if self.part is None and self.straight is None:
            return replace(study, eye=None)
        eye = JudgingEye(self.part or USUAL.part, self.straight or USUAL.straight)
        return replace(study, eye=eye)

    def label(self, before: Study, after: Study) -> str:
        """Whose eye it is."""
        return "Draw by my own eye" if after.eye else "Draw by the usual eye"
