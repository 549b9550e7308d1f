"""From the bytes of a study file to a study, or a sentence about what is wrong with them."""

from __future__ import annotations

import json
import math
from typing import Any, NoReturn

from pydantic import ValidationError

from zirkel.core.collections import collections
from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.problems import said_plainly, shown
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import (
    StudyFile,
    field_of_file,
    flattened,
    study_to_core,
    study_to_file,
)

MOST_BYTES = 4_000_000
"""A study with every limit used up stays well below this."""


def read_study(data: bytes) -> Study:
    """Parse and check a study file; BadInput says what is wrong."""
    return study_from(parse_json(data))


def parse_json(data: bytes, most: int = MOST_BYTES, what: str = "study") -> Any:
    """JSON from bytes; BadInput for what is larger than such a file may be, not UTF-8, or not
    JSON."""
    if len(data) > most:
        raise BadInput(
            "file",
            f"the file has {len(data) / 1e6:.1f} MB, more than any {what} can have "
            f"({most / 1e6:.0f} MB): is it a {what} file?",
        )
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadInput(
            "file", f"the file is not UTF-8 text (byte {error.start} is not): save it as UTF-8"
        ) from error
    try:
        return json.loads(text, parse_constant=_refuse_constant)
    except json.JSONDecodeError as error:
        raise BadInput(
            "file", f"the file is not JSON: line {error.lineno}, column {error.colno}, {error.msg}"
        ) from error
    except (RecursionError, ValueError) as error:
        raise BadInput("file", f"the file is not JSON that can be read: {error}") from error


def prove(study: Study, changed: Study | None = None) -> None:
    """BadInput unless the study, written to its file, can be read again: checked before anything
    is kept, so that nothing is kept that can't be opened or exported. `changed` is the study with
    those records alone that were not read or proved before."""
    try:
        data = write_study(changed or study)
    except UnicodeEncodeError as error:
        raise BadInput(
            "text", f"{error.object[error.start]!r} is half a letter that no file can hold: leave "
            "it out"
        ) from error  # fmt: skip
    except (ValueError, RecursionError) as error:
        raise BadInput("study", f"this can't be written to a study file: {error}") from error
    for each in collections():
        held = len(getattr(study, each.name))
        if each.most is not None and held > each.most:
            raise BadInput(
                each.file, f"has {held} entries, at most {each.most} can be kept: remove some first"
            )
    read = _unreferenced(parse_json(data))
    check_references(study if changed else read)


def refuse_endless(part: Any, path: str = "") -> None:
    """BadInput for a number in parsed JSON, known field or not, that is beyond all numbers."""
    if isinstance(part, dict | list):
        for key, value in part.items() if isinstance(part, dict) else enumerate(part):
            refuse_endless(value, f"{path}.{key}" if path else str(key))
    elif isinstance(part, float) and not math.isfinite(part):
        raise BadInput(path, "is larger than any number that can be kept: write an ordinary number")


def _refuse_constant(name: str) -> NoReturn:
    raise BadInput("file", f"{name} is not a number that a study can hold: write an ordinary one")


def study_from(document: Any) -> Study:
    """A study from parsed JSON; BadInput says what is wrong."""
    study = _unreferenced(document)
    try:
        check_references(study)
    except BadInput as error:
        raise _in_the_file(error) from error
    return study


def _unreferenced(document: Any) -> Study:
    if not isinstance(document, dict):
        raise BadInput("file", "a study file is one JSON object, from { to }")
    if document.get("format") != "zirkel-study":
        found = shown(document.get("format"))
        raise BadInput("format", f"must be “zirkel-study”, but is {found}: is it a study file?")
    if document.get("version") != 1:
        found = shown(document.get("version"))
        raise BadInput("version", f"must be 1, but is {found}: this Zirkel reads version 1 only")
    refuse_endless(document)
    flat = flattened(document)
    try:
        return study_to_core(StudyFile.model_validate(flat))
    except ValidationError as error:
        raise _in_the_file(said_plainly(error, flat)) from error


def _in_the_file(error: BadInput) -> BadInput:
    """The problem with its fields named as the file has them."""
    more = tuple((field_of_file(field), problem) for field, problem in error.more)
    return BadInput(field_of_file(error.field), error.problem, more)


def write_study(study: Study) -> bytes:
    """The study file's bytes, one record a line so that versions compare well."""
    document = study_to_file(study)
    parts = [f"  {json.dumps(key)}: {_value(value)}" for key, value in document.items()]
    return ("{\n" + ",\n".join(parts) + "\n}\n").encode()


def _value(value: Any) -> str:
    if isinstance(value, dict) and any(_is_records(each) for each in value.values()):
        parts = ",\n".join(f"    {json.dumps(key)}: {_value(each)}" for key, each in value.items())
        return f"{{\n{parts}\n  }}"
    if _is_records(value):
        rows = ",\n".join(f"    {_dumped(each)}" for each in value)
        return f"[\n{rows}\n  ]"
    return _dumped(value)


def _is_records(value: Any) -> bool:
    return isinstance(value, list) and bool(value) and isinstance(value[0], dict)


def _dumped(value: Any) -> str:
    return json.dumps(value, ensure_ascii=False, allow_nan=False)
