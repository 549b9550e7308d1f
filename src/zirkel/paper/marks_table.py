"""Marks as a table that can be read back."""

from __future__ import annotations

from zirkel.core.worked import Worked
from zirkel.paper.base import CSV, Paper
from zirkel.studyfile.tables import marks_csv


def _of(worked: Worked) -> bytes:
    return marks_csv(worked.study, worked.plan)


PAPER = Paper("marks-table", "Marks as CSV", "can be read back", _of, CSV)
