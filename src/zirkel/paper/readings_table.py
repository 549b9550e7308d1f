"""Readings as a table that can be read back."""

from __future__ import annotations

from zirkel.core.worked import Worked
from zirkel.paper.base import CSV, Paper
from zirkel.studyfile.tables import readings_csv


def _of(worked: Worked) -> bytes:
    return readings_csv(worked.study)


PAPER = Paper("readings-table", "Readings as CSV", "can be read back", _of, CSV)
