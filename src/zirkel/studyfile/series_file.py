"""The series file (`.zirkel-series.json`): a plan of work through scenes."""

from __future__ import annotations

import json
from dataclasses import asdict
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.practice.series import Series, SeriesStep
from zirkel.studyfile.entries import Id, Name, Note
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json


class FileSeriesStep(BaseModel):
    """One study of the series."""

    model_config = ConfigDict(extra="forbid")
    scene: Id
    title: Name
    trains: Note
    how: Note = ""


class SeriesFile(BaseModel):
    """A plan of work, easiest first."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["zirkel-series"]
    version: Literal[1]
    name: Id
    title: Name
    note: Note = ""
    steps: Annotated[list[FileSeriesStep], Field(min_length=1, max_length=100)]


def read_series(data: bytes) -> Series:
    """Parse and check a series file; BadInput says what is wrong."""
    document: Any = parse_json(data)
    try:
        file = SeriesFile.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error
    return Series(
        file.name, file.title, file.note,
        tuple(SeriesStep(each.scene, each.title, each.trains, each.how) for each in file.steps),
    )  # fmt: skip


def write_series(series: Series) -> bytes:
    """A series as a file."""
    file = {"format": "zirkel-series", "version": 1, **asdict(series)}
    return (json.dumps(file, ensure_ascii=False, indent=1) + "\n").encode()
