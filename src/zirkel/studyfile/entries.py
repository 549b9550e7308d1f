"""Types of the schema for what artists enter: names, numbers, lengths, fractions, tilts.

Every numeric field takes a number or what an artist would write; the schema of the OpenAPI
document says so, and what comes out is always a number.
"""

from __future__ import annotations

import re
from typing import Annotated, Any

from pydantic import AfterValidator, BeforeValidator, Field

from zirkel.core.values.fractions import parse_length
from zirkel.core.values.lengths import SHOE_MM
from zirkel.core.values.tilts import parse_tilt

LARGEST = 1e6
"""No coordinate or length in a study is larger, whatever it counts."""


def _number(value: Any) -> Any:
    if isinstance(value, str):
        entered = parse_length(value)
        if entered.in_mm:
            raise ValueError(f"“{value}” is in millimetres or inches, but this is counted in units")
        return entered.value
    return value


def _millimetres(value: Any) -> Any:
    if not isinstance(value, str):
        return value
    in_shoes = re.fullmatch(r"(.*\S)\s*shoes?\s*", value, re.IGNORECASE)
    return parse_length(in_shoes[1]).value * SHOE_MM if in_shoes else parse_length(value).value


def _tilt(value: Any) -> Any:
    return parse_tilt(value) if isinstance(value, str) else value


def _no_flag(value: Any) -> Any:
    if isinstance(value, bool):
        raise ValueError(f"must be a number, but is {str(value).lower()}")
    return value


def _in_bounds(value: float) -> float:
    if abs(value) > LARGEST:
        raise ValueError(f"{value:g} is too large: nothing in a study is larger than {LARGEST:g}")
    return value


def _plain(text: str) -> str:
    if any(ord(each) < 32 for each in text):
        raise ValueError("has a control character in it: use letters, figures and spaces")
    return text


_ENTRY = float | str
Finite = Annotated[
    float, Field(allow_inf_nan=False), AfterValidator(_in_bounds), BeforeValidator(_no_flag)
]
Number = Annotated[Finite, BeforeValidator(_number, json_schema_input_type=_ENTRY)]
Millimetres = Annotated[Finite, BeforeValidator(_millimetres, json_schema_input_type=_ENTRY)]
TiltDegrees = Annotated[Finite, BeforeValidator(_tilt, json_schema_input_type=_ENTRY)]

Id = Annotated[str, Field(min_length=1, max_length=80), AfterValidator(_plain)]
Text = Annotated[str, Field(max_length=200), AfterValidator(_plain)]
Name = Annotated[str, Field(min_length=1, max_length=200), AfterValidator(_plain)]
Note = Annotated[str, Field(max_length=4000)]
Picture = Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]
"""A picture in the data folder, by the hash of its bytes."""

Point = tuple[Finite, Finite]
Share = Annotated[Finite, Field(ge=0, le=1)]
Factor = Annotated[Finite, Field(ge=0.05, le=20)]
Tier = Annotated[int, Field(ge=1, le=3)]

ENTRY_TYPES: dict[str, Any] = {"length": Number, "fraction": Number, "tilt": TiltDegrees}
"""The type for each way in which a kind's number may be entered."""

ENTRIES: dict[str, Any] = {
    "id": Id,
    "name": Name,
    "text": Text,
    "note": Note,
    "whole": int,
    "flag": bool,
    "mm": Millimetres,
    "finite": Finite,
    "share": Share,
    "point": Point,
    "hash": Picture,
    "crop": tuple[Share, Share, Share, Share],
}
"""The type for each way in which a record's field may be entered."""
