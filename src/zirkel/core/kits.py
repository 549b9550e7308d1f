"""Kits: landmarks, shapes and a unit for a kind of subject, put over a thumbnail and pulled into
place.

One point moved carries all along; two turn and scale them; three may stretch and shear them too, by
the affine map through all three, unless they lie in a line, where turning and scaling is what needs
least. What is pulled by hand stays where it was pulled.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.head import Figure, Head
from zirkel.core.space import Family
from zirkel.core.study import Shape, UnitPair

Spot = tuple[float, float]
FLAT = 0.02
"""Twice the area of three points, over their longest side squared, below which they lie in a
line."""

SAME = 1e-9


@dataclass(frozen=True, slots=True)
class KitLandmark:
    """A landmark of a kit: where it usually sits, the kit being about 1 high."""

    id: str
    name: str
    tier: int
    at: Spot


@dataclass(frozen=True, slots=True)
class Kit:
    """A kind of subject: what to sight of it. `group` is what it is offered under, `about` what a
    sitting has to know of it."""

    name: str
    title: str
    group: str
    landmarks: tuple[KitLandmark, ...]
    shapes: tuple[Shape, ...] = ()
    unit: UnitPair | None = None
    families: tuple[Family, ...] = ()
    heads: tuple[Head, ...] = ()
    figures: tuple[Figure, ...] = ()
    note: str = ""
    about: str | None = None


def placed(usual: Mapping[str, Spot], pulled: Mapping[str, Spot]) -> dict[str, Spot]:
    """Where all points come to lie when some are pulled to new places."""
    names = [name for name in pulled if name in usual]
    if not names:
        return dict(usual)
    source = np.array([usual[name] for name in names], dtype=float)
    target = np.array([pulled[name] for name in names], dtype=float)
    carry = _carry(source, target)
    made = {name: carry(np.array(at, dtype=float)) for name, at in usual.items()}
    told = {name: (float(at[0]), float(at[1])) for name, at in made.items()}
    return {**told, **{name: pulled[name] for name in names}}


def _carry(source: Array, target: Array):  # type: ignore[no-untyped-def]
    if len(source) == 1 or float(np.ptp(source, axis=0).max()) < SAME:
        shift = target.mean(axis=0) - source.mean(axis=0)
        return lambda p: p + shift
    if len(source) >= 3 and not _flat(source) and not _flat(target):
        ones = np.ones((len(source), 1))
        affine = np.linalg.lstsq(np.hstack([source, ones]), target, rcond=None)[0]
        return lambda p: np.append(p, 1.0) @ affine
    middle, there = source.mean(axis=0), target.mean(axis=0)
    a = (source - middle) @ np.array([1.0, 1j])
    b = (target - there) @ np.array([1.0, 1j])
    turn = complex(np.vdot(a, b) / np.vdot(a, a))

    def similar(p: Array) -> Array:
        z = complex(*(p - middle)) * turn
        return np.array([z.real, z.imag]) + there

    return similar


def _flat(points: Array) -> bool:
    """Whether points lie nearly in a line."""
    centred = points - points.mean(axis=0)
    values = np.linalg.svd(centred, compute_uv=False)
    return bool(values[1] < FLAT * max(float(values[0]), SAME))
