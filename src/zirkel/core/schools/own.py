"""The tables that every school shows beside its own: plumbs to draw first, the ruler from ten."""

from __future__ import annotations

from zirkel.core.schools.base import Reckoned, Table
from zirkel.core.sheet.arithmetic.ruler import START_INCHES, START_MM, reads
from zirkel.core.values.fractions import say_number
from zirkel.core.values.lengths import INCH_MM

COUNTS = (0.25, 0.5, 1.0, 1.5, 2.0)


def tables_of(worked: Reckoned) -> tuple[Table, ...]:
    """The school's own arithmetic, the plumbs to draw first, and the ruler; empty while there is
    nothing to reckon with."""
    if worked.grid is None or len(worked.plan.marks) < 2:
        return ()
    school = worked.school
    own = (school.reckons(worked),) if school.reckons else ()
    return (*own, *_plumbs(worked), _ruler(worked))


def _plumbs(worked: Reckoned) -> tuple[Table, ...]:
    """The best plumbs for the whole drawing: through much, close to all."""
    words, plan = worked.words, worked.plan
    rows = tuple(
        (
            words.length(plan.origin_mm[0] + (plan.unit_mm or 1.0) * each.at),
            ", ".join(words.of(name) for name in each.through),
        )
        for each in worked.relations.plumbs
    )
    title = "Plumb lines to draw first: through much, close to all"
    return (Table(title, ("From the left", "through"), rows),) if rows else ()


def _ruler(worked: Reckoned) -> Table:
    unit_mm, words = worked.plan.unit_mm or 1.0, worked.words
    inches = worked.study.inches
    start_mm = START_INCHES * INCH_MM if inches else START_MM
    start = f"{START_INCHES} in" if inches else f"{START_MM / 10:.0f} cm"
    return Table(
        title=f"A ruler whose zero is not at its end: start at {start}",
        head=("Length", "on the sheet", "begin at", "end at"),
        rows=tuple(
            (
                f"{say_number(n)} {words.unit}{'s' if n > 1 else ''}",
                words.length(n * unit_mm),
                words.length(start_mm),
                words.length(reads(n * unit_mm, start_mm)),
            )
            for n in COUNTS
        ),
    )
