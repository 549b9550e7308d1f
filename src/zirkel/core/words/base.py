"""How landmarks, counts and lengths are called in sentences about one study."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.study import Study, UnitLength
from zirkel.core.values.fractions import say_number
from zirkel.core.values.lengths import say_length, say_within
from zirkel.core.words.plural import several


@dataclass(frozen=True, slots=True)
class Words:
    """Names of landmarks by id, the unit that everything is counted in, its length on the sheet
    where that is known, and whether lengths there are said in inches."""

    names: Mapping[str, str]
    unit: str
    unit_mm: float | None = None
    inches: bool = False

    def of(self, landmark: str) -> str:
        """A landmark's name."""
        return self.names.get(landmark, landmark)

    def count(self, units: float) -> str:
        """So many units: "1 3/8 cans", "97 mm"."""
        if self.unit == "mm":
            return f"{units:.0f} mm"
        unit = several(self.unit) if abs(units) > 1.01 else self.unit
        return f"{say_number(units)} {unit}"

    def length(self, mm: float) -> str:
        """A length on the sheet, in the study's own system."""
        return say_length(mm, self.inches)

    def within(self, mm: float) -> str:
        """How closely a place on the sheet is known."""
        return say_within(mm, self.inches)

    def size(self, width_mm: float, height_mm: float) -> str:
        """A size on the sheet: "420 × 297 mm"."""
        width, height = self.length(width_mm), self.length(height_mm)
        return f"{width.removesuffix(' in' if self.inches else ' mm')} × {height}"

    def roughly(self, radius: float) -> str:
        """The same, no more exactly than it is worth: whole millimetres."""
        if self.unit_mm is not None:
            return self.length(float(max(1, round(radius * self.unit_mm))))
        return f"{radius:.1f} {self.unit}"

    def slack(self, radius: float) -> str:
        """A slack of so many units: in lengths on the sheet where the unit has one, else in
        units."""
        if self.unit_mm is not None:
            return self.length(round(radius * self.unit_mm, 1))
        return f"{radius:.2f} {self.unit}"


def words_of(study: Study, unit_mm: float | None = None) -> Words:
    """How a study's landmarks and counts are called; `unit_mm` is what its plan gives the unit."""
    unit = study.unit.name if study.unit else "unit"
    size = study.unit.mm if isinstance(study.unit, UnitLength) else unit_mm or study.unit_mm
    return Words({each.id: each.name for each in study.landmarks}, unit, size, study.inches)
