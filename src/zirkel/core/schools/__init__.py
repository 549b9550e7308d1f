"""The schools of sighting, one module each; a new one is a module and a line here."""

from collections.abc import Mapping

from zirkel.core.schools import (
    by_eye,
    comparative,
    dividers,
    grid,
    picture_plane,
    sight_size_flat,
    sight_size_life,
    triangulation,
)
from zirkel.core.schools.base import Hint, School, Table
from zirkel.core.schools.own import tables_of

SCHOOLS: Mapping[str, School] = {
    each.SCHOOL.name: each.SCHOOL
    for each in (
        comparative,
        sight_size_life,
        sight_size_flat,
        dividers,
        grid,
        picture_plane,
        triangulation,
        by_eye,
    )
}

OTHERWISE = "comparative"
"""The school whose recipe serves a method that Zirkel does not know."""


EARLIER = {"sight-size": "sight_size_life"}
"""Names under which new studies in millimetres were once kept."""


def school_of(method: str) -> School:
    """The school of a study's method."""
    return SCHOOLS.get(EARLIER.get(method, method), SCHOOLS[OTHERWISE])


__all__ = ["OTHERWISE", "SCHOOLS", "Hint", "School", "Table", "school_of", "tables_of"]
