"""From one declaration to schema, file and back: what every record's fields say of themselves.

`model_of` makes the Pydantic model of a record, `to_core` and `to_file` go between the record and
JSON, and `Recorded` lets a request or an answer hold the core's record itself.
"""

from __future__ import annotations

from dataclasses import MISSING
from dataclasses import Field as Declared
from functools import cache, reduce
from operator import or_
from typing import TYPE_CHECKING, Annotated, Any, Literal, cast, get_args

from pydantic import BaseModel, ConfigDict, Field, create_model, model_validator
from pydantic_core import core_schema

from zirkel.core.fields import Entry, entries_of, file_name
from zirkel.core.sightings import Sighting
from zirkel.core.study import Margins
from zirkel.studyfile.entries import ENTRIES, Id, Millimetres
from zirkel.studyfile.sightings import AnySighting, sighting_to_core, sighting_to_file

if TYPE_CHECKING:
    from pydantic import GetCoreSchemaHandler


class Kept(BaseModel):
    """A part of the file that keeps fields it does not know."""

    model_config = ConfigDict(extra="allow", populate_by_name=True)


def model_of(record: type[Any], name: str = "") -> type[Kept]:
    """The schema of a record, derived from what its fields declare."""
    return _model(cast("Any", record), name)


@cache
def _model(record: Any, name: str) -> type[Kept]:
    made: dict[str, Any] = {}
    for each, declared in entries_of(record):
        made[each.name] = (_type_of(declared), _field(each, declared))
    checked = {"_sound": model_validator(mode="after")(_sound(record))}
    return create_model(
        name or f"File{record.__name__}",
        __base__=Kept,
        __validators__=cast("Any", checked),
        __doc__=record.__doc__,
        **made,
    )


def _sound(record: type) -> Any:
    """What the record itself finds wrong with its fields, as a validator."""
    problem = getattr(record, "problem", None)

    def check(model: Any) -> Any:
        found = problem(to_core(record, model)) if problem is not None else None
        if found:
            raise ValueError(found)
        return model

    return check


def _type_of(declared: Entry) -> Any:
    made: Any = _one(declared)
    if declared.many == "list":
        made = list.__class_getitem__(made)
    elif declared.many == "map":
        made = dict.__class_getitem__((Id, made))
    return made | None if declared.optional or declared.if_missing else made


def _one(declared: Entry) -> Any:
    if declared.sort == "choice":
        return Literal[declared.options]
    if declared.sort == "pair":
        return tuple[Id, Id]
    if declared.sort == "sighting":
        return AnySighting
    if declared.sort == "margins":
        return Annotated[Millimetres, Field(ge=0)] | model_of(Margins)
    if declared.sort == "record":
        return reduce(or_, (model_of(each) for each in declared.records))
    entry = ENTRIES[declared.sort]
    bounds: dict[str, Any] = dict(declared.bounds)
    return Annotated[entry, Field(**bounds)] if bounds else entry


def _field(each: Declared[Any], declared: Entry) -> Any:
    limits: dict[str, Any] = {}
    if declared.many == "list":
        limits = {"max_length": declared.most, "min_length": declared.least}
    alias = declared.file or None
    if declared.if_missing:
        return Field(default=None, alias=alias, **limits)
    if declared.fallback is not None:
        return Field(default=declared.fallback, alias=alias, **limits)
    if each.default is not MISSING:
        made = _model_default(each.default, declared)
        return Field(default=made, alias=alias, **limits)
    if each.default_factory is not MISSING:
        made = _model_default(each.default_factory(), declared)
        return Field(default_factory=lambda: made, alias=alias, **limits)
    return Field(alias=alias, **limits)


def _model_default(value: Any, declared: Entry) -> Any:
    if declared.sort == "record" and not declared.many and value is not None:
        return to_model(value)
    if declared.sort == "margins":
        return _one_to_file(value, declared)
    return list(value) if declared.many == "list" else value


def to_core(record: type, model: Any) -> Any:
    """The core's record of a validated model."""
    values: dict[str, Any] = {}
    for each, declared in entries_of(record):
        value = getattr(model, each.name)
        if value is None and declared.if_missing:
            value = getattr(model, declared.if_missing)
        values[each.name] = _to_core(value, declared)
    return record(**values, extra=dict(model.model_extra or {}))


def _to_core(value: Any, declared: Entry) -> Any:
    if value is None:
        return None
    if declared.many == "list":
        return tuple(_one_to_core(each, declared) for each in value)
    if declared.many == "map":
        return {name: _one_to_core(each, declared) for name, each in value.items()}
    return _one_to_core(value, declared)


def _one_to_core(value: Any, declared: Entry) -> Any:
    if declared.sort == "sighting":
        return sighting_to_core(value)
    if declared.sort == "margins":
        return Margins.even(value) if isinstance(value, float) else to_core(Margins, value)
    if declared.sort == "record":
        return to_core(_record_of(value, declared), value)
    return tuple(value) if isinstance(value, list) else value


def _record_of(model: Any, declared: Entry) -> type:
    return next(each for each in declared.records if isinstance(model, model_of(each)))


def to_file(record: Any) -> dict[str, Any]:
    """The record as JSON-ready data, in the order of its fields, without what is at its default."""
    written: dict[str, Any] = {}
    for each, declared in entries_of(type(record)):
        value = getattr(record, each.name)
        if value is None or (not declared.always and _at_default(value, each)):
            continue
        written[file_name(each, declared)] = _value_to_file(value, declared)
    return {**written, **record.extra}


def _at_default(value: Any, each: Declared[Any]) -> bool:
    if each.default is not MISSING:
        return bool(value == each.default)
    return each.default_factory is not MISSING and bool(value == each.default_factory())


def _value_to_file(value: Any, declared: Entry) -> Any:
    if value is None:
        return None
    if declared.many == "list":
        return [_one_to_file(each, declared) for each in value]
    if declared.many == "map":
        return {name: _one_to_file(each, declared) for name, each in value.items()}
    return _one_to_file(value, declared)


def _one_to_file(value: Any, declared: Entry) -> Any:
    if isinstance(value, Sighting):
        return sighting_to_file(value)
    if declared.sort == "margins":
        return value.as_one if value.as_one is not None else to_file(value)
    if declared.sort == "record":
        return to_file(value)
    return list(value) if isinstance(value, tuple) else value


def to_model(record: Any) -> Kept:
    """The record as its model, every field told, for answers."""
    return model_of(type(record)).model_validate(to_file(record))


class Recorded:
    """Annotates a core record in a request or an answer: validated by its model, and told as it."""

    @classmethod
    def __get_pydantic_core_schema__(
        cls, source: Any, handler: GetCoreSchemaHandler
    ) -> core_schema.CoreSchema:
        """Validate by the model and go to the core; serialize by the model."""
        records = get_args(source) or (source,)
        models = [model_of(each) for each in records]
        schema = handler.generate_schema(reduce(or_, cast("Any", models)))

        def made(model: Any) -> Any:
            record = next(r for r, m in zip(records, models, strict=True) if isinstance(model, m))
            return to_core(record, model)

        def given(value: Any, validate: Any) -> Any:
            return value if isinstance(value, records) else validate(value)

        def record_or_model() -> core_schema.CoreSchema:
            from_model = core_schema.no_info_after_validator_function(made, schema)
            return core_schema.json_or_python_schema(
                json_schema=from_model,
                python_schema=core_schema.no_info_wrap_validator_function(given, from_model),
                serialization=core_schema.plain_serializer_function_ser_schema(
                    to_model, return_schema=schema
                ),
            )

        return record_or_model()
