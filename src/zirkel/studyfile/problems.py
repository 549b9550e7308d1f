"""Validation errors said in plain sentences that name the field, the value and the way out."""

from __future__ import annotations

from typing import Any

from pydantic import ValidationError

from zirkel.errors import BadInput

MOST_SAID = 20
MOST_SHOWN = 10**15

SENTENCES = {
    "missing": "is missing",
    "greater_than": "must be greater than {gt:g}, but is {value}",
    "greater_than_equal": "must be at least {ge:g}, but is {value}",
    "less_than": "must be less than {lt:g}, but is {value}",
    "less_than_equal": "must be at most {le:g}, but is {value}",
    "finite_number": "must be an ordinary number, but is {value}",
    "float_type": "must be a number, but is {value}",
    "float_parsing": "must be a number, but is {value}",
    "int_type": "must be a whole number, but is {value}",
    "int_parsing": "must be a whole number, but is {value}",
    "int_parsing_size": "is far too large",
    "bool_type": "must be true or false, but is {value}",
    "string_type": "must be text, but is {value}",
    "string_too_short": "must not be empty",
    "string_too_long": "is too long: at most {max_length} characters",
    "too_long": "has too many entries: {actual_length}, at most {max_length}",
    "too_short": "needs at least {min_length} entries",
    "list_type": "must be a list, but is {value}",
    "dict_type": "must be an object, but is {value}",
    "model_type": "must be an object, but is {value}",
    "model_attributes_type": "must be an object, but is {value}",
    "literal_error": "must be {expected}, but is {value}",
    "union_tag_not_found": "must say its kind",
    "union_tag_invalid": "must be one of {expected_tags}, but is {value}",
    "string_unicode": "has half a letter in it that no file can hold: leave it out",
    "tuple_type": "must be a pair, but is {value}",
}


def said_plainly(error: ValidationError, document: Any = None) -> BadInput:
    """The first problem as BadInput, with the others behind it."""
    problems = _without_repeats([_say(each, document) for each in error.errors()])
    field, problem = problems[0]
    return BadInput(field, problem, tuple(problems[1:MOST_SAID]))


def _say(error: Any, document: Any) -> tuple[str, str]:
    kind = error["type"]
    context = {"value": shown(error.get("input")), **(error.get("ctx") or {})}
    if kind == "value_error":
        return _path(error["loc"], document), str(context["error"])
    sentence = SENTENCES.get(kind)
    if sentence is None:
        return _path(error["loc"], document), f"{error['msg'].lower()} (it is {context['value']})"
    if kind.startswith("union_tag"):
        tag = str(context.get("discriminator", "kind")).strip("'")
        error = {**error, "loc": (*error["loc"], tag)}
        context["value"] = shown(context.get("tag", context["value"]))
    return _path(error["loc"], document), sentence.format(**context)


def shown(value: Any) -> str:
    """A value as it may stand in a sentence, cut short."""
    if isinstance(value, int) and abs(value) > MOST_SHOWN:
        return "a number far too large"
    text = writable(f"“{value}”") if isinstance(value, str) else repr(value)
    return text if len(text) <= 60 else text[:57] + "…"


def writable(text: str) -> str:
    """Text that can be sent and printed: half letters are spelled out."""
    return text.encode("utf-8", "backslashreplace").decode()


def _path(loc: tuple[str | int, ...], document: Any) -> str:
    """The path to a field as the document has it; names that only the schema knows are left out."""
    said: list[str] = []
    here = document
    for i, step in enumerate(loc):
        inside = isinstance(here, dict | list)
        last = i == len(loc) - 1
        if document is not None and inside and not last and not _has(here, step):
            continue
        if document is not None and not inside and said:
            break
        said.append(str(step))
        here = here[step] if inside and _has(here, step) else None
    return ".".join(said)


def _has(container: Any, step: str | int) -> bool:
    if isinstance(container, list):
        return isinstance(step, int) and step < len(container)
    return step in container


def _without_repeats(problems: list[tuple[str, str]]) -> list[tuple[str, str]]:
    return list(dict.fromkeys(problems))
