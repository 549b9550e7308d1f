"""The schema of each kind of sighting, derived from the fields that the kind itself declares."""

from __future__ import annotations

from dataclasses import MISSING, fields
from functools import cache
from typing import TYPE_CHECKING, Annotated, Any, Literal, Union

from pydantic import BaseModel, ConfigDict, Field, create_model

from zirkel.core.sightings import KINDS, Sighting
from zirkel.studyfile.entries import ENTRY_TYPES, Finite, Id, Note

PLACES = ("landmark", "pair")
LEAST_SIGMA = 1e-9
"""No reading is surer; below it sums of squares leave what a number can hold."""

COMMON = ("id", "sigma", "struck", "kept", "taken_at", "note", "extra")


class SightingBase(BaseModel):
    """What every sighting may carry beside the fields of its kind."""

    model_config = ConfigDict(extra="allow", populate_by_name=True)

    id: Id
    sigma: Annotated[Finite, Field(ge=LEAST_SIGMA)] | None = None
    struck: bool = False
    kept: bool = False
    note: Note | None = None


def _field_type(metadata: Any) -> Any:
    role = metadata["role"]
    if role in ("landmark", "take"):
        return Id
    if role == "pair":
        return tuple[Id, Id]
    if role == "choice":
        return Literal[metadata["options"]]
    entry = ENTRY_TYPES[metadata["entry"]]
    return Annotated[entry, Field(**metadata["bounds"])]


def _model(kind: type[Sighting]) -> type[SightingBase]:
    made: dict[str, Any] = {"kind": (Literal[kind.kind], kind.kind)}
    file_names = set()
    for each in fields(kind):
        if each.name in COMMON:
            continue
        file_name = each.metadata.get("file") or each.name
        file_names.add(file_name)
        wanted = _field_type(each.metadata)
        if each.default is None:
            made[each.name] = (wanted | None, Field(default=None, alias=file_name))
        elif each.default is not MISSING:
            made[each.name] = (wanted, Field(default=each.default, alias=file_name))
        else:
            made[each.name] = (wanted, Field(alias=file_name))
    time_name = "taken_at" if "at" in file_names else "at"
    made["taken_at"] = (Note | None, Field(default=None, alias=time_name))
    return create_model(f"{kind.__name__}Sighting", __base__=SightingBase, **made)


MODELS: dict[str, type[SightingBase]] = {name: _model(kind) for name, kind in KINDS.items()}

if TYPE_CHECKING:
    AnySighting = SightingBase
else:
    AnySighting = Annotated[Union[tuple(MODELS.values())], Field(discriminator="kind")]  # noqa: UP007


def sighting_to_core(entry: Any) -> Sighting:
    """The core's record of a validated sighting."""
    kind = KINDS[entry.kind]
    values = {each.name: getattr(entry, each.name) for each in fields(kind) if each.name != "extra"}
    return kind(**values, extra=dict(entry.model_extra or {}))


def sighting_to_file(sighting: Sighting, with_defaults: bool = False) -> dict[str, Any]:
    """The sighting as the file has it; its kind's value is left out only if at its default."""
    written: dict[str, Any] = {"id": sighting.id, "kind": sighting.kind}
    for name, file_name, default in _written_fields(type(sighting)):
        value = getattr(sighting, name)
        kept = with_defaults and name == sighting.value_field
        if kept or value != default:
            written[file_name] = list(value) if isinstance(value, tuple) else value
    return {**written, **sighting.extra}


@cache
def _written_fields(kind: type[Sighting]) -> tuple[tuple[str, str, Any], ...]:
    """(name in the record, name in the file, default) of a kind's fields, its own before the
    common ones."""
    model = MODELS[kind.kind].model_fields
    found = [
        (each.name, model[each.name].alias or each.name, each.default)
        for each in fields(kind)
        if each.name not in ("id", "extra")
    ]
    return tuple(sorted(found, key=lambda each: each[0] in COMMON))
