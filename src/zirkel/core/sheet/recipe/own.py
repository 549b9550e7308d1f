"""What the artist wants otherwise than the recipe: another order, landmarks by eye or not at all,
and those that fell elsewhere on the sheet, from which the next ones are then reckoned."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from zirkel.core.study import Study


@dataclass(frozen=True, slots=True)
class Own:
    """`order` are landmarks placed first, one after the other; `fell` where others were measured on
    the sheet, in mm from the left and top."""

    order: tuple[str, ...] = ()
    by_eye: frozenset[str] = frozenset()
    left_out: frozenset[str] = frozenset()
    fell: Mapping[str, tuple[float, float]] = field(default_factory=dict)


def own_of(study: Study) -> Own:
    """What a study's artist wants."""
    how = {each.landmark: each.how for each in study.own_placings}
    return Own(
        study.own_order,
        frozenset(name for name, one in how.items() if one == "eye"),
        frozenset(name for name, one in how.items() if one == "left_out"),
        {each.landmark: each.at for each in study.own_placings if each.at is not None},
    )
