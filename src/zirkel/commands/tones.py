"""Light and dark: areas, comparisons between them, the medium, and what stands before what."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from pydantic import PrivateAttr

from zirkel.commands.base import Change, expect, free_id
from zirkel.core.light import Overlap, ToneArea, ToneReading
from zirkel.core.study import SimulatedSubject, Study
from zirkel.core.subject.overlaps import overlaps_of
from zirkel.core.tones.suggest import suggest_areas
from zirkel.core.words.tones import say_reading
from zirkel.errors import BadInput
from zirkel.store.store import Stored
from zirkel.studyfile.entries import Id
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FileMedium, FileOverlap, FileToneArea, FileToneReading

COMPUTED_SIGMA = 0.3
"""Error of a step read off a picture: what its own light and the camera leave."""


class PutArea(Change):
    """Add an area, or say otherwise of one that is there."""

    type: Literal["put_area"] = "put_area"
    area: FileToneArea

    def made(self, study: Study) -> Study:
        """The study with that area."""
        new = self.area
        known = any(each.id == new.id for each in study.tone_areas)
        held = tuple(new if each.id == new.id else each for each in study.tone_areas)
        after = replace(study, tone_areas=held if known else (*held, new))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        return f"Area: {self.area.name}"


class RemoveArea(Change):
    """Take an area away, with the comparisons that name it."""

    type: Literal["remove_area"] = "remove_area"
    id: Id

    def made(self, study: Study) -> Study:
        """The study without it."""
        expect(any(each.id == self.id for each in study.tone_areas), "id", "area", self.id)
        return replace(
            study,
            tone_areas=tuple(each for each in study.tone_areas if each.id != self.id),
            tone_readings=tuple(each for each in study.tone_readings if self.id not in each.areas),
        )

    def label(self, before: Study, after: Study) -> str:
        """Its name."""
        name = next((each.name for each in before.tone_areas if each.id == self.id), self.id)
        return f"Remove area {name}"


class SuggestAreas(Change):
    """Make areas of the shapes that stand: one split by a border line into its two sides."""

    type: Literal["suggest_areas"] = "suggest_areas"

    def made(self, study: Study) -> Study:
        """The study with the areas that were not there yet."""
        have = {frozenset(each.outline) for each in study.tone_areas}
        new: list[ToneArea] = []
        for each in suggest_areas(study):
            if frozenset(each.outline) in have:
                continue
            taken = [one.id for one in (*study.tone_areas, *new)]
            new.append(replace(each, id=free_id(each.id, taken)))
        if not new:
            raise BadInput("areas", "no shape is left to make an area of: outline one by landmarks")
        return replace(study, tone_areas=(*study.tone_areas, *new))

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "Areas from the shapes"


class CompareTones(Change):
    """Say which of two areas is darker and by how much, or an area's step on the grey card."""

    type: Literal["compare_tones"] = "compare_tones"
    reading: FileToneReading

    def made(self, study: Study) -> Study:
        """The study with that comparison, under a free id."""
        new = replace(
            self.reading, id=free_id(self.reading.id, [each.id for each in study.tone_readings])
        )
        after = replace(study, tone_readings=(*study.tone_readings, new))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """What was said."""
        return say_reading(self.reading, {each.id: each.name for each in after.tone_areas})


class StrikeTone(Change):
    """Set a comparison aside, or take it up again."""

    type: Literal["strike_tone"] = "strike_tone"
    id: Id
    struck: bool = True

    def made(self, study: Study) -> Study:
        """The study with it struck or not."""
        expect(any(each.id == self.id for each in study.tone_readings), "id", "comparison", self.id)
        return replace(
            study,
            tone_readings=tuple(
                replace(each, struck=self.struck) if each.id == self.id else each
                for each in study.tone_readings
            ),
        )

    def label(self, before: Study, after: Study) -> str:
        """What was said."""
        reading = next(each for each in after.tone_readings if each.id == self.id)
        said = say_reading(reading, {each.id: each.name for each in after.tone_areas})
        return f"{'Strike' if self.struck else 'Take up again'}: {said}"


class RemoveTone(Change):
    """Remove a comparison."""

    type: Literal["remove_tone"] = "remove_tone"
    id: Id

    def made(self, study: Study) -> Study:
        """The study without it."""
        expect(any(each.id == self.id for each in study.tone_readings), "id", "comparison", self.id)
        left = tuple(each for each in study.tone_readings if each.id != self.id)
        return replace(study, tone_readings=left)

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "Remove a comparison"


class ReadTones(Change):
    """Keep the steps that Zirkel read off the subject, in place of those it read before; the
    artist's own stay."""

    type: Literal["read_tones"] = "read_tones"
    steps: dict[Id, float]

    def made(self, study: Study) -> Study:
        """The study with them, marked as computed."""
        if not self.steps:
            raise BadInput("steps", "no area could be read off: outline areas that are seen")
        own = tuple(each for each in study.tone_readings if not each.computed)
        read = tuple(
            ToneReading(id=f"computed_{name}", kind="step", area=name, step=round(step, 2),
                        sigma=COMPUTED_SIGMA, computed=True)
            for name, step in self.steps.items()
        )  # fmt: skip
        after = replace(study, tone_readings=(*own, *read))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return f"Read {len(self.steps)} tones off the subject"


class SetMedium(Change):
    """Choose the medium: its paper's tone and what it can reach."""

    type: Literal["set_medium"] = "set_medium"
    medium: FileMedium | None

    def made(self, study: Study) -> Study:
        """The study in that medium."""
        return replace(study, tone_medium=self.medium)

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "Choose the medium" if self.medium else "No medium chosen"


class PutOverlap(Change):
    """Say that one shape stands before another; the other way round is taken back."""

    type: Literal["put_overlap"] = "put_overlap"
    overlap: FileOverlap

    def made(self, study: Study) -> Study:
        """The study with that order."""
        new = self.overlap
        pair = {new.front, new.behind}
        others = tuple(each for each in study.overlaps if {each.front, each.behind} != pair)
        named = replace(new, id=free_id("o1", [each.id for each in others]))
        after = replace(study, overlaps=(*others, named))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """Which stands before which."""
        names = {each.id: each.name for each in after.shapes}
        front, behind = (names.get(n, n) for n in (self.overlap.front, self.overlap.behind))
        return f"{front} before {behind}"


class SceneOverlaps(Change):
    """Take what stands before what from the scene, beside what the artist said already."""

    type: Literal["scene_overlaps"] = "scene_overlaps"

    _pairs: list[tuple[str, str]] = PrivateAttr(default_factory=list)

    def before(self, stored: Stored) -> Change:
        """With the scene's own order of the study's shapes."""
        subject = stored.study.subject
        if not isinstance(subject, SimulatedSubject) or stored.scene is None:
            raise BadInput("subject", "only a scene knows what stands before what: say it in pairs")
        made = self.model_copy()
        made._pairs = overlaps_of(stored.scene, subject.station, stored.study.shapes)
        return made

    def made(self, study: Study) -> Study:
        """The study with those pairs that nothing was said of."""
        said = {frozenset((each.front, each.behind)) for each in study.overlaps}
        held = list(study.overlaps)
        for front, behind in self._pairs:
            if frozenset((front, behind)) not in said:
                name = free_id("o1", [each.id for each in held])
                held.append(Overlap(name, front, behind))
        if len(held) == len(study.overlaps):
            raise BadInput("overlaps", "the scene shows no more overlaps than you have said")
        return replace(study, overlaps=tuple(held))

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "Overlaps from the scene"


class RemoveOverlap(Change):
    """Take back which of two shapes stands before the other."""

    type: Literal["remove_overlap"] = "remove_overlap"
    overlap: FileOverlap

    def made(self, study: Study) -> Study:
        """The study without it."""
        gone = (self.overlap.front, self.overlap.behind)
        left: tuple[Overlap, ...] = tuple(
            each for each in study.overlaps if (each.front, each.behind) != gone
        )
        expect(len(left) < len(study.overlaps), "overlap", "overlap", " ".join(gone))
        return replace(study, overlaps=left)

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "Take back an overlap"
