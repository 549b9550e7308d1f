"""The poses file (`.zirkel-poses.json`): a set of poses and rests, for artists to edit."""

from __future__ import annotations

import json
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.pose import MOST_BLOCKS, Block
from zirkel.core.sitting.poses import PoseSet
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Finite, Id, Name
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json

Part = Annotated[Finite, Field(gt=0, le=100)]


class FilePose(BaseModel):
    """A pose, a stretch of work without a sitter, or a rest."""

    model_config = ConfigDict(extra="forbid")
    kind: Literal["pose", "work", "rest"] = "pose"
    minutes: Annotated[Finite, Field(gt=0, le=600)]


class FileShares(BaseModel):
    """How a pose is parted into stages, in any numbers: what counts is how they compare."""

    model_config = ConfigDict(extra="forbid")
    frame: Part | None = None
    envelope: Part | None = None
    sight: Part | None = None
    draw: Part | None = None
    check: Part | None = None
    tone: Part | None = None


class PosesFile(BaseModel):
    """A set of poses and rests."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["zirkel-poses"]
    version: Literal[1]
    name: Id
    title: Name
    blocks: Annotated[list[FilePose], Field(min_length=1, max_length=MOST_BLOCKS)]
    shares: FileShares | None = None


def poses_of(file: PosesFile) -> PoseSet:
    """The set in a file; BadInput where nobody poses or works in it."""
    if all(each.kind == "rest" for each in file.blocks):
        raise BadInput("blocks", "there are only rests: add a pose, or a stretch of work")
    shares = file.shares.model_dump(exclude_none=True) if file.shares else {}
    blocks = tuple(Block(each.kind, each.minutes) for each in file.blocks)
    return PoseSet(file.name, file.title, blocks, shares)


def read_poses(data: bytes) -> PoseSet:
    """Parse and check a poses file; BadInput says what is wrong."""
    document: Any = parse_json(data)
    try:
        return poses_of(PosesFile.model_validate(document))
    except ValidationError as error:
        raise said_plainly(error, document) from error


def write_poses(file: PosesFile) -> bytes:
    """The file's bytes."""
    return (json.dumps(file.model_dump(exclude_none=True), indent=1) + "\n").encode()
