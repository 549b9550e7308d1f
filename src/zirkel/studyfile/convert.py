"""Between the schema's models and the core's frozen records."""

from __future__ import annotations

from typing import Any

from zirkel.core.study import (
    DEFAULT_DRAWN_SIGMA_MM,
    Family,
    Frame,
    KeptFrame,
    Landmark,
    Margins,
    PictureSubject,
    Placement,
    Shape,
    Sheet,
    SimulatedSubject,
    Study,
    Subject,
    Unit,
    UnitLength,
    UnitPair,
)
from zirkel.core.subject.station import Station
from zirkel.studyfile.schema import (
    FileFrame,
    FileLandmark,
    FileMargins,
    FilePicture,
    FileShape,
    FileSheet,
    FileSimulated,
    FileUnitLength,
    FileUnitPair,
    StudyFile,
)
from zirkel.studyfile.sightings import sighting_to_core, sighting_to_file


def study_to_core(file: StudyFile) -> Study:
    """The study that a validated file describes; references are not checked here."""
    return Study(
        title=file.title,
        method=file.method,
        sheet=sheet_to_core(file.sheet),
        landmarks=tuple(landmark_to_core(each) for each in file.landmarks),
        sightings=tuple(sighting_to_core(each) for each in file.sightings),
        unit=unit_to_core(file.unit),
        shapes=tuple(shape_to_core(each) for each in file.shapes),
        drawn=dict(file.drawn),
        drawn_sigma_mm=file.drawn_sigma_mm or DEFAULT_DRAWN_SIGMA_MM,
        frame=None if file.frame is None else frame_to_core(file.frame),
        placement=Placement() if file.placement is None else Placement(**_known(file.placement)),
        unit_mm=file.unit_mm,
        families=tuple(Family(each.name, tuple(each.edges), each.level) for each in file.families),
        check_against=file.check_against,
        trust=dict(file.trust),
        adopted=tuple(sighting_to_core(each) for each in file.adopted),
        frames=tuple(KeptFrame(each.name, frame_to_core(each)) for each in file.frames),
        inches=file.inches,
        subject=subject_to_core(file.subject),
        extra={**(file.model_extra or {}), **({"note": file.note} if file.note else {})},
    )


def frame_to_core(frame: FileFrame) -> Frame:
    """A frame, whatever it is called."""
    return Frame(frame.left, frame.right, frame.top, frame.bottom)


def _known(model: Any) -> dict[str, Any]:
    return {name: getattr(model, name) for name in type(model).model_fields}


def landmark_to_core(each: FileLandmark) -> Landmark:
    """One landmark; without a name it goes by its id."""
    return Landmark(
        each.id, each.name or each.id, each.tier, each.rough, dict(each.model_extra or {})
    )


def shape_to_core(each: FileShape) -> Shape:
    """One shape; without a name it goes by its id."""
    return Shape(
        each.id,
        each.name or each.id,
        tuple(each.outline),
        each.closed,
        each.part_of,
        each.tier,
        dict(each.model_extra or {}),
    )


def sheet_to_core(sheet: FileSheet) -> Sheet:
    """The sheet; an even margin becomes four equal ones."""
    margin = sheet.margin_mm
    if isinstance(margin, FileMargins):
        margins = Margins(margin.left, margin.right, margin.top, margin.bottom)
    else:
        margins = Margins.even(margin)
    return Sheet(sheet.width_mm, sheet.height_mm, margins)


def unit_to_core(unit: FileUnitPair | FileUnitLength | None) -> Unit | None:
    """The unit: a pair of landmarks, or a length on the sheet."""
    if isinstance(unit, FileUnitPair):
        return UnitPair(unit.start, unit.end, unit.along, unit.name)
    if isinstance(unit, FileUnitLength):
        return UnitLength(unit.mm, unit.name, unit.origin)
    return None


def subject_to_core(subject: FileSimulated | FilePicture | None) -> Subject | None:
    """What stands in for the subject."""
    if isinstance(subject, FileSimulated):
        station = Station(**_known(subject.station))
        return SimulatedSubject(subject.scene, station, dict(subject.faults))
    return None if subject is None else PictureSubject(**_known(subject))


def subject_to_file(subject: Subject | None) -> dict[str, Any] | None:
    """What stands in for the subject."""
    if isinstance(subject, SimulatedSubject):
        faults = {"faults": dict(subject.faults)} if subject.faults else {}
        return {"scene": subject.scene, "station": _plain(subject.station), **faults}
    made = _plain(subject)
    if made is not None:
        made = {**made, "crop": list(made["crop"])}
    return made and {name: value for name, value in made.items() if value is not None}


def study_to_file(study: Study) -> dict[str, Any]:
    """The study as JSON-ready data, in the file's order, without what is at its default."""
    written: dict[str, Any] = {
        "format": "zirkel-study",
        "version": 1,
        "title": study.title,
        "method": study.method,
        "sheet": sheet_to_file(study.sheet),
        "unit": unit_to_file(study.unit),
        "unit_mm": study.unit_mm,
        "subject": subject_to_file(study.subject),
        "landmarks": [landmark_to_file(each) for each in study.landmarks],
        "shapes": [shape_to_file(each) for each in study.shapes],
        "sightings": [sighting_to_file(each) for each in study.sightings],
        "drawn": {name: list(place) for name, place in study.drawn.items()},
        "drawn_sigma_mm": _unless(study.drawn_sigma_mm, DEFAULT_DRAWN_SIGMA_MM),
        "frame": _plain(study.frame),
        "placement": _plain(_unless(study.placement, Placement())),
        "frames": [{"name": f.name, **(_plain(f.frame) or {})} for f in study.frames],
        "inches": _unless(study.inches, False),
        "families": [
            {"name": f.name, "edges": [list(e) for e in f.edges], "level": f.level}
            for f in study.families
        ],
        "check_against": study.check_against,
        "trust": dict(study.trust),
        "adopted": [sighting_to_file(each) for each in study.adopted],
        **study.extra,
    }
    always = ("landmarks", "sightings")
    return {k: v for k, v in written.items() if k in always or v not in (None, [], {})}


def _unless(value: Any, default: Any) -> Any:
    return None if value == default else value


def _plain(record: Any) -> dict[str, Any] | None:
    if record is None:
        return None
    return {name: getattr(record, name) for name in record.__slots__}


def landmark_to_file(each: Landmark) -> dict[str, Any]:
    """One landmark."""
    rough = {} if each.rough is None else {"rough": list(each.rough)}
    return {"id": each.id, "name": each.name, "tier": each.tier, **rough, **each.extra}


def shape_to_file(each: Shape) -> dict[str, Any]:
    """One shape."""
    return {
        "id": each.id,
        "name": each.name,
        "outline": list(each.outline),
        "closed": each.closed,
        **({"part_of": each.part_of} if each.part_of else {}),
        "tier": each.tier,
        **each.extra,
    }


def sheet_to_file(sheet: Sheet) -> dict[str, Any]:
    """The sheet; four equal margins become one number."""
    m = sheet.margin
    even = m.left == m.right == m.top == m.bottom
    margin: Any = m.left if even else _plain(m)
    return {"width_mm": sheet.width_mm, "height_mm": sheet.height_mm, "margin_mm": margin}


def unit_to_file(unit: Unit | None) -> dict[str, Any] | None:
    """The unit."""
    if isinstance(unit, UnitPair):
        return {"from": unit.start, "to": unit.end, "along": unit.along, "name": unit.name}
    if isinstance(unit, UnitLength):
        return {"mm": unit.mm, "name": unit.name, "origin": unit.origin}
    return None
