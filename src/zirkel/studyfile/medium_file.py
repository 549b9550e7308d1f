"""The medium file (`.zirkel-medium.json`): what a medium can do, for artists to edit."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.light import DARKEST, LIGHTEST
from zirkel.core.tones.media import MediumData, Stick
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Name, Note
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json

Tone = Annotated[float, Field(ge=LIGHTEST, le=DARKEST, allow_inf_nan=False)]


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class FileStick(_Strict):
    """A grade or stick, and the darkest tone it lays without force."""

    name: Name
    darkest: Tone


class FileWhite(_Strict):
    """The white laid on toned paper, and the lightest tone it reaches."""

    name: Name
    lightest: Tone


class MediumFile(_Strict):
    """A medium: tones from 1, lightest, to 9; `layer` is how many steps one light layer adds."""

    format: Literal["zirkel-medium"]
    version: Literal[1]
    name: Id
    title: Name
    paper: Tone
    lightest: Tone
    darkest: Tone
    layer: Annotated[float, Field(gt=0.05, le=8.0)]
    sticks: list[FileStick] = Field(min_length=1, max_length=40)
    white: FileWhite | None = None
    cautions: list[Note] = Field(default_factory=list, max_length=20)
    way: Literal["layers", "rubbed", "toned", "wash"] | None = None
    ground: Name | None = None
    rubbed_to: Tone = 4.5
    lift: Name = "kneaded eraser"
    accents_from: Tone = 7.0


def read_medium(data: bytes) -> MediumData:
    """Parse and check a medium file; BadInput says what is wrong."""
    document: Any = parse_json(data)
    try:
        file = MediumFile.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error
    white = None if file.white is None else (file.white.name, file.white.lightest)
    sticks = tuple(Stick(each.name, each.darkest) for each in file.sticks)
    made = MediumData(
        file.name, file.title, file.paper, file.lightest, file.darkest, file.layer, sticks, white,
        tuple(file.cautions), file.way or ("layers" if white is None else "toned"),
        file.ground or file.sticks[0].name, file.rubbed_to, file.lift, file.accents_from,
    )  # fmt: skip
    problem = made.problem()
    if problem:
        raise BadInput("medium", problem)
    return made
