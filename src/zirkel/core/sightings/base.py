"""What every kind of sighting has to state: its fields, its equation and the derivative of it.

A kind is one module beside its siblings. It declares a frozen dataclass whose fields say how they
are to be entered (`landmark`, `pair`, `choice`, `number`), and three class methods that work on
all readings of that kind at once:

* `columns` turns k readings into constant arrays, once per adjustment;
* `equation` gives what the readings ought to say at the present places, and how that changes;
* `approach`, where the equation is badly curved far from the solution, a straighter stand-in
  that is only used to come near.

Everything else (schema of the file and the web, solver, what to sight next, simulated reading)
is derived from these, so a new kind touches nothing but its own module and the list of kinds.

Symbols: k readings, L landmarks in each; p (k, L, 2) their present places in units; e (k,) the
drift of each reading's take, 0 where there is none.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, fields
from functools import cache
from typing import Any, ClassVar, NamedTuple, Self

import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import TINY, Array, dot

LONGEST_COUNT = 10.0
"""Most units that can be stepped off or judged across before the count itself is in doubt."""

COMPUTED = "computed"
"""Note on readings that Zirkel took off a picture itself."""

SHORTEST_LENGTH = 0.15
"""Least length, in units, over which a stick gives a length or a tilt worth having."""


class Equation(NamedTuple):
    """`fitted` (k,), its derivatives by place (k, L, 2) and by the take's drift (k,) or None."""

    fitted: Array
    by_place: Array
    by_drift: Array | None = None


class Approach(NamedTuple):
    """Misclosure (k,), its derivative by place (k, L, 2), and `stretch` (k,): the factor from the
    reading's own sigma to that of the misclosure."""

    misclosure: Array
    by_place: Array
    stretch: Array


class Proposal(NamedTuple):
    """One sort of reading that could be taken of each of k pairs of landmarks.

    `along` is the way of measuring where the kind has one, `columns` serve the equation, `sigma`
    (k,) is the default in the unit computed with, `doable` (k,) where an artist could take it.
    """

    along: str | None
    columns: Columns
    sigma: Array
    doable: NDArray[np.bool_]


class Columns(NamedTuple):
    """Constant arrays of k readings of one kind: what was read, which way, and where free."""

    reading: Array
    aim: Array
    free: NDArray[np.bool_]


def landmark(file_name: str | None = None) -> Any:
    """A field that names one landmark."""
    return field(metadata={"role": "landmark", "file": file_name})


def pair() -> Any:
    """A field that names two landmarks."""
    return field(metadata={"role": "pair"})


def choice(*options: str, default: str | None = None, optional: bool = False) -> Any:
    """A field with a few possible words."""
    metadata = {"role": "choice", "options": options, "optional": optional}
    if optional or default is not None:
        return field(default=default, metadata=metadata)
    return field(metadata=metadata)


def number(entry: str, default: float | None = None, **bounds: float) -> Any:
    """A numeric field; `entry` is how it is entered: length, tilt or fraction.

    Bounds are `gt`, `ge`, `lt`, `le`.
    """
    metadata = {"role": "number", "entry": entry, "bounds": bounds}
    if default is None:
        return field(metadata=metadata)
    return field(default=default, metadata=metadata)


def take() -> Any:
    """A field that names the take a reading belongs to."""
    return field(default=None, metadata={"role": "take"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Sighting(ABC):
    """One reading taken from the subject. Subclasses are the kinds."""

    kind: ClassVar[str]
    family: ClassVar[str] = ""
    """Kinds of one family share their equation and are computed together; empty: stands alone."""
    inside: ClassVar[float] = 1.0
    """Factor from the file's unit of the value to the one computed with (degrees to radians)."""
    period: ClassVar[float | None] = None
    """Period of the value where it is an undirected angle."""
    holds: ClassVar[bool] = True
    """Whether readings of this kind move points; a mere check does not."""
    value_field: ClassVar[str | None]
    """Name of the field that was read; None where the reading is that something is so."""

    id: str
    sigma: float | None = None
    struck: bool = False
    kept: bool = False
    """Whether the artist keeps it although the others contradict it."""
    taken_at: str | None = None
    note: str | None = None
    extra: Mapping[str, object] = field(default_factory=dict)
    """Fields of the file that Zirkel does not know, kept for who wrote them."""

    @property
    def landmarks(self) -> tuple[str, ...]:
        """Ids of the landmarks the reading joins, in the order of its equation."""
        singles, pairs = _landmark_fields(type(self))
        found = [getattr(self, name) for name in singles]
        for name in pairs:
            found.extend(getattr(self, name))
        return tuple(found)

    @classmethod
    def landmark_fields(cls) -> list[tuple[str, str]]:
        """(name in the file, role) of the fields that name landmarks, in their order."""
        return [
            (each.metadata.get("file") or each.name, each.metadata["role"])
            for each in fields(cls)
            if each.metadata.get("role") in ("landmark", "pair")
        ]

    @classmethod
    def landmark_slots(cls) -> list[tuple[str, str]]:
        """(name in the record, role) of the fields that name landmarks, in their order."""
        roles = [(each.name, each.metadata.get("role", "")) for each in fields(cls)]
        return [(name, role) for name, role in roles if role in ("landmark", "pair")]

    @property
    def computed(self) -> bool:
        """Whether Zirkel took it off a picture itself: nobody can have misread it."""
        return self.note == COMPUTED

    @property
    def value(self) -> float:
        """What was read, in the file's unit."""
        return 0.0 if self.value_field is None else float(getattr(self, self.value_field))

    @property
    def take_name(self) -> str | None:
        """The take whose drift the reading shares, if its kind has one."""
        return getattr(self, "take", None)

    @abstractmethod
    def default_sigma(self, in_mm: bool) -> float:
        """One standard deviation in the file's unit; `in_mm` where readings are millimetres."""

    @classmethod
    @abstractmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """Constant arrays for k readings; `start` (k, L, 2) settles left and right."""

    @classmethod
    @abstractmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """What the readings ought to say at places p under drifts e."""

    @classmethod
    def approach(cls, c: Columns, p: Array) -> Approach:
        """A straighter form of the equation for coming near; by default the equation itself."""
        made = cls.equation(c, p, np.zeros(len(p)))
        return Approach(cls.misfit(c.reading - made.fitted), made.by_place, np.ones(len(p)))

    @classmethod
    def proposals(cls, d: Array, sd: Array, in_mm: bool) -> list[Proposal]:
        """Readings of this kind that could be taken of pairs that are d (k, 2) apart, give or take
        sd (k, 2)."""
        return []

    @classmethod
    def misfit(cls, difference: Array) -> Array:
        """Reading minus fitted value; undirected angles are taken the short way round."""
        if cls.period is None:
            return difference
        return difference - cls.period * np.round(difference / cls.period)


@cache
def _landmark_fields(kind: type[Sighting]) -> tuple[tuple[str, ...], tuple[str, ...]]:
    roles = [(each.name, each.metadata.get("role")) for each in fields(kind)]
    return (
        tuple(name for name, role in roles if role == "landmark"),
        tuple(name for name, role in roles if role == "pair"),
    )


def values_inside(readings: Sequence[Sighting]) -> Array:
    """What was read, (k,), in the unit computed with."""
    return np.array([each.value * each.inside for each in readings], dtype=float)


def plain_columns(readings: Sequence[Sighting]) -> Columns:
    """Columns of a kind that needs nothing but its readings."""
    k = len(readings)
    return Columns(values_inside(readings), np.zeros((k, 0)), np.zeros(k, dtype=bool))


def directed_columns(readings: Sequence[Any], signs: Array | None = None) -> Columns:
    """Columns of a kind that is measured `along` something.

    `aim` (k, 2) is the unit vector of level and plumb readings, times `signs` (k,) if given;
    `free` marks the straight ones, whose direction follows the landmarks.
    """
    aim = np.zeros((len(readings), 2))
    free = np.zeros(len(readings), dtype=bool)
    for i, each in enumerate(readings):
        if each.along == "straight":
            free[i] = True
        else:
            aim[i, 0 if each.along == "level" else 1] = 1.0 if signs is None else signs[i]
    return Columns(values_inside(readings), aim, free)


def directions(c: Columns, d: Array) -> Array:
    """Unit vectors (k, 2) along which the spans d (k, 2) are measured.

    `aim` is zero where they are straight. A straight span of no length has no direction: its own
    is then zero, so that it pulls at nothing.
    """
    length = np.sqrt(dot(d, d))
    return c.aim + d * (c.free / np.maximum(length, TINY))[:, None]


def readable(length: Array, in_mm: bool) -> NDArray[np.bool_]:
    """Where lengths (k,) are neither too short nor too long to be read."""
    if in_mm:
        return length > 5.0
    return (length > SHORTEST_LENGTH) & (length < LONGEST_COUNT)
