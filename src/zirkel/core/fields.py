"""How the fields of a record are declared, once: what may stand in each, and what it names.

A record is a frozen dataclass. Each field says by one of these functions how it is entered and
within what bounds; the schema of file and web, both conversions, the store's rows, the log of
changes and the references between records all follow from that.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import MISSING, Field, dataclass, field, fields, replace
from functools import cache
from typing import Any, TypeVar, cast

R = TypeVar("R")


@dataclass(frozen=True, slots=True)
class Entry:
    """What may stand in a field.

    `sort` is how one value is entered: id, name, text, note, whole, flag, number (counted in
    units), mm, finite, share, tilt, point, choice, pair, record, sighting. `many` is whether
    there is one (""), a list of them, or a mapping from names to them. `names` says what a value
    refers to: landmark, or shape; `file` is the field's name in the file where that is another.
    """

    sort: str
    bounds: Mapping[str, float] = field(default_factory=dict)
    many: str = ""
    names: str = ""
    file: str = ""
    options: tuple[Any, ...] = ()
    records: tuple[type, ...] = ()
    optional: bool = False
    always: bool = False
    """Whether it is written even where it is at its default."""
    most: int | None = None
    least: int | None = None
    key: str = ""
    """Of a list of records: the field that tells one from another."""
    if_missing: str = ""
    """The field whose value stands in where this one is left out of the file."""
    fallback: Any = None
    """The value that stands in where this one is left out of the file."""


def entry(
    sort: str, default: Any = MISSING, *, factory: Any = MISSING, bounds: Any = None, **more: Any
) -> Any:
    """A field of a record that is entered so."""
    made = Entry(sort, bounds=bounds or {}, optional=default is None, **more)
    if factory is not MISSING:
        return field(default_factory=factory, metadata={"entry": made})
    if default is not MISSING:
        return field(default=default, metadata={"entry": made})
    return field(metadata={"entry": made})


def unknown() -> Any:
    """Fields of the file that Zirkel does not know, kept for who wrote them."""
    return field(default_factory=dict)


def entries_of(record: type[Any]) -> tuple[tuple[Field[Any], Entry], ...]:
    """The declared fields of a record, in their order."""
    return _entries(cast("Any", record))


@cache
def _entries(record: Any) -> tuple[tuple[Field[Any], Entry], ...]:
    return tuple(
        (each, each.metadata["entry"]) for each in fields(record) if "entry" in each.metadata
    )


def file_name(each: Field[Any], declared: Entry) -> str:
    """What the field is called in the file."""
    return declared.file or each.name


def landmarks_in(record: object) -> Iterator[tuple[str, str]]:
    """(field's name in the file, landmark) for every landmark that a record names."""
    for each, declared in entries_of(type(record)):
        value = getattr(record, each.name)
        if declared.names == "landmark" and value is not None:
            for name in _flat(value):
                yield file_name(each, declared), name


def _flat(value: Any) -> Iterator[str]:
    if isinstance(value, str):
        yield value
    elif isinstance(value, Mapping):
        yield from value.values()
    else:
        for each in value:
            yield from _flat(each)


def without_landmark(record: R, name: str) -> R | None:
    """The record without a landmark: lists lose it, and what is left empty or can't be without it
    is gone (None)."""
    kept = record
    for each, declared in entries_of(type(record)):
        value = getattr(record, each.name)
        if declared.names != "landmark" or value is None or name not in set(_flat(value)):
            continue
        if declared.many == "map":
            kept = cast(
                "R",
                replace(
                    cast("Any", kept),
                    **{each.name: {key: one for key, one in value.items() if one != name}},
                ),
            )
            continue
        if declared.many != "list":
            return None
        left = tuple(one for one in value if name not in set(_flat(one)))
        if len(left) < (declared.least or 0):
            return None
        kept = cast("R", replace(cast("Any", kept), **{each.name: left}))
    return kept
