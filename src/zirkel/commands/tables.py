"""Readings taken in from a table."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from zirkel.commands.base import Change, free_id
from zirkel.core.study import Study
from zirkel.studyfile.plan_marks import is_plan, read_plan
from zirkel.studyfile.references import check_references
from zirkel.studyfile.tables import is_marks, read_marks, read_readings


class ReadTable(Change):
    """Add the readings of a CSV table, leaving out those that are here already; a table of marks
    or a plan as SVG says instead where landmarks were drawn on the sheet."""

    type: Literal["read_table"] = "read_table"
    table: Annotated[str, Field(max_length=2_000_000)]

    def made(self, study: Study) -> Study:
        """The study with the table's readings behind its own."""
        data = self.table.encode()
        if is_plan(data):
            return replace(study, drawn={**study.drawn, **read_plan(data, study)})
        if is_marks(data):
            return replace(study, drawn={**study.drawn, **read_marks(data, study)})
        kept = list(study.sightings)
        taken = {each.id for each in kept}
        for each in read_readings(data, study):
            if each in study.sightings:
                continue
            named = replace(each, id=free_id(each.id, taken))
            taken.add(named.id)
            kept.append(named)
        after = replace(study, sightings=tuple(kept))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """How many came."""
        count = len(after.sightings) - len(before.sightings)
        return f"Read {count} readings from a table" if count else "Read marks as drawn"
