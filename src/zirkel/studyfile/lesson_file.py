"""The lesson file (`.zirkel-lesson.json`): what a lesson gives, to be given again elsewhere.

It holds the study that each pupil begins with, and what that needs: its pictures and its scene,
where the scene doesn't ship, as base64.
"""

from __future__ import annotations

import base64
import binascii
import json
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Name, Picture
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json, study_from
from zirkel.studyfile.schema import study_to_file

MOST_BYTES = 30_000_000


class LessonFile(BaseModel):
    """What a lesson gives."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["zirkel-lesson"]
    version: Literal[1]
    title: Name
    study: dict[str, Any]
    pictures: Annotated[dict[Picture, str], Field(max_length=10)] = {}
    scenes: Annotated[dict[Id, str], Field(max_length=1)] = {}


@dataclass(frozen=True, slots=True)
class Given:
    """What a lesson gives, and the bytes that it needs: pictures by their hash, scenes by name."""

    title: str
    study: Study
    pictures: Mapping[str, bytes] = field(default_factory=dict)
    scenes: Mapping[str, bytes] = field(default_factory=dict)


def read_lesson(data: bytes) -> Given:
    """Parse and check a lesson file; BadInput says what is wrong."""
    document: Any = parse_json(data, MOST_BYTES, "lesson")
    try:
        file = LessonFile.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error
    return Given(
        file.title, study_from(file.study),
        _decoded("pictures", file.pictures), _decoded("scenes", file.scenes),
    )  # fmt: skip


def write_lesson(given: Given) -> bytes:
    """The file's bytes."""
    file = LessonFile(
        format="zirkel-lesson", version=1, title=given.title, study=study_to_file(given.study),
        pictures={name: base64.b64encode(each).decode() for name, each in given.pictures.items()},
        scenes={name: base64.b64encode(each).decode() for name, each in given.scenes.items()},
    )  # fmt: skip
    return (json.dumps(file.model_dump(), ensure_ascii=False, indent=1) + "\n").encode()


def _decoded(what: str, parts: Mapping[str, str]) -> dict[str, bytes]:
    made = {}
    for name, each in parts.items():
        try:
            made[name] = base64.b64decode(each, validate=True)
        except (binascii.Error, ValueError) as error:
            raise BadInput(f"{what}.{name}", f"can't be read as base64 ({error})") from error
    return made
