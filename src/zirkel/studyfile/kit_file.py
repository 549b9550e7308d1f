"""The kit file (`.zirkel-kit.json`): landmarks, shapes and a unit for a kind of subject."""

from __future__ import annotations

import json
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.kits import Kit, KitLandmark
from zirkel.core.study import Study, UnitPair
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Finite, Id, Name, Note, Tier
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json
from zirkel.studyfile.records import to_file
from zirkel.studyfile.schema import FileFamily, FileFigure, FileHead, FileShape, FileUnitPair


class FileKitLandmark(BaseModel):
    """A landmark of a kit, where it usually sits."""

    model_config = ConfigDict(extra="forbid")
    id: Id
    name: Name
    tier: Tier = 1
    at: tuple[Finite, Finite]


class KitFile(BaseModel):
    """A kind of subject, about 1 high, x right and y down."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["zirkel-kit"]
    version: Literal[1]
    name: Id
    title: Name
    group: Name
    note: Note | None = None
    about: Literal["sitter", "still_life", "building", "outdoors", "copy"] | None = None
    unit: FileUnitPair | None = None
    landmarks: Annotated[list[FileKitLandmark], Field(min_length=2, max_length=300)]
    shapes: list[FileShape] = Field(default_factory=list, max_length=200)
    families: list[FileFamily] = Field(default_factory=list, max_length=20)
    heads: list[FileHead] = Field(default_factory=list, max_length=20)
    figures: list[FileFigure] = Field(default_factory=list, max_length=20)


def read_kit(data: bytes) -> Kit:
    """Parse and check a kit file; BadInput says what is wrong."""
    document: Any = parse_json(data)
    try:
        file = KitFile.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error
    known = {each.id for each in file.landmarks}
    if len(known) < len(file.landmarks):
        raise BadInput("landmarks", "two landmarks have one id: give one another")
    used: list[tuple[str, str]] = [
        *(("shapes", name) for shape in file.shapes for name in shape.outline),
        *(("families", name) for f in file.families for edge in f.edges for name in edge),
        *(("heads", name) for head in file.heads for name in head.points.values()),
        *(("figures", name) for each in file.figures for name in each.points.values()),
    ]
    if file.unit is not None:
        used += [("unit", file.unit.start), ("unit", file.unit.end)]
    for field, name in used:
        if name not in known:
            raise BadInput(field, f"there is no landmark “{name}” in this kit")
    return Kit(
        file.name, file.title, file.group,
        tuple(KitLandmark(each.id, each.name, each.tier, each.at) for each in file.landmarks),
        tuple(file.shapes), file.unit, tuple(file.families), tuple(file.heads),
        tuple(file.figures), file.note or "",
        file.about,
    )  # fmt: skip


def kit_of(study: Study, name: str, places: dict[str, tuple[float, float]]) -> bytes:
    """A kit file made of a study: its landmarks where they are, brought to a height of 1."""
    known = [each for each in study.landmarks if each.id in places]
    if len(known) < 2:
        raise BadInput("landmarks", "a kit needs two landmarks at least: add some first")
    xs, ys = zip(*(places[each.id] for each in known), strict=True)
    left, top = min(xs), min(ys)
    high = max(max(ys) - top, (max(xs) - left) / 2.0) or 1.0
    ids = {each.id for each in known}

    def at(landmark: str) -> list[float]:
        x, y = places[landmark]
        return [round(0.05 + 0.9 * (x - left) / high, 4), round(0.05 + 0.9 * (y - top) / high, 4)]

    document: dict[str, Any] = {
        "format": "zirkel-kit", "version": 1, "name": name, "title": study.title,
        "group": "My own",
        "landmarks": [
            {"id": each.id, "name": each.name, "tier": each.tier, "at": at(each.id)}
            for each in known
        ],
        "shapes": [to_file(each) for each in study.shapes if ids >= set(each.outline)],
        "families": [to_file(each) for each in study.families],
        "heads": [to_file(each) for each in study.heads],
        "figures": [to_file(each) for each in study.figures],
    }  # fmt: skip
    if study.about is not None:
        document["about"] = study.about
    if isinstance(study.unit, UnitPair):
        document["unit"] = to_file(study.unit)
    return json.dumps(document, ensure_ascii=False, indent=1).encode()
