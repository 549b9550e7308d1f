"""The canon file (`.zirkel-canon.json`): rules of thumb as ratios, for artists to edit."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.head import FIGURE_POINTS, POINTS
from zirkel.core.heads.canons import Canon
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Name, Note
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json

Pairs = Annotated[list[tuple[Id, Id]], Field(min_length=1, max_length=8)]


class FileMeasure(BaseModel):
    """A ratio: the mean of the lengths over, divided by the mean of those by."""

    model_config = ConfigDict(extra="forbid")
    measure: Name
    canon: Annotated[float, Field(gt=0, le=100, allow_inf_nan=False)]
    over: Pairs
    by: Pairs
    heights: bool = False
    who: Name | None = None


class CanonFile(BaseModel):
    """Rules of thumb about heads or figures, and what is to be said with them."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["zirkel-canon"]
    version: Literal[1]
    of: Literal["heads", "figures"]
    note: Note
    measures: Annotated[list[FileMeasure], Field(min_length=1, max_length=100)]


def read_canons(data: bytes) -> tuple[str, tuple[Canon, ...]]:
    """The note and the rules of a canon file; BadInput says what is wrong."""
    document: Any = parse_json(data)
    try:
        file = CanonFile.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error
    whose, points = ("a head", POINTS) if file.of == "heads" else ("a figure", FIGURE_POINTS)
    for i, each in enumerate(file.measures):
        for pair in (*each.over, *each.by):
            for name in pair:
                if name not in points:
                    raise BadInput(f"measures.{i}", f"{whose} has no point “{name}”")
    rules = tuple(
        Canon(e.measure, e.canon, tuple(e.over), tuple(e.by), e.heights, e.who or "")
        for e in file.measures
    )
    return file.note, rules
