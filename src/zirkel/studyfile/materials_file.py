"""The materials file (`.zirkel-materials.json`): what to lay out, for artists to edit."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.sitting.materials import Item, Materials
from zirkel.core.study import ABOUT
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Name, Note
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json


class FileItem(BaseModel):
    """One thing to lay out."""

    model_config = ConfigDict(extra="forbid")
    what: Name
    stage: Literal["", "frame", "sight", "draw", "check", "tone", "clean"] = ""


class MaterialsFile(BaseModel):
    """A list of materials."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["zirkel-materials"]
    version: Literal[1]
    name: Id
    title: Name
    schools: list[Id] = Field(default_factory=list, max_length=50)
    about: list[Id] = Field(default_factory=list, max_length=10)
    media: list[Id] = Field(default_factory=list, max_length=50)
    grounds: list[Literal["white", "toned"]] = Field(default_factory=list, max_length=2)
    items: Annotated[list[FileItem], Field(min_length=1, max_length=200)]
    cautions: list[Note] = Field(default_factory=list, max_length=50)


def read_materials(data: bytes) -> Materials:
    """Parse and check a materials file; BadInput says what is wrong."""
    document: Any = parse_json(data)
    try:
        file = MaterialsFile.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error
    for i, each in enumerate(file.about):
        if each not in ABOUT:
            raise BadInput(f"about.{i}", f"“{each}” is nothing that is drawn: {', '.join(ABOUT)}")
    return Materials(
        file.name, file.title, tuple(file.schools),
        tuple(Item(each.what, each.stage) for each in file.items), tuple(file.cautions),
        tuple(file.about), tuple(file.media), tuple(file.grounds),
    )  # fmt: skip
