"""The series that ship with Zirkel, as series files; an artist's own lie beside the database."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.practice.series import Series
from zirkel.studyfile.own_files import read_own
from zirkel.studyfile.series_file import read_series

FOLDER = Path(__file__).parent
ENDING = ".zirkel-series.json"


@cache
def shipped_series() -> dict[str, Series]:
    """Every series that ships, by name."""
    made = [read_series(path.read_bytes()) for path in sorted(FOLDER.glob(f"*{ENDING}"))]
    return {each.name: each for each in made}


def own_series(folder: Path) -> tuple[dict[str, Series], tuple[str, ...]]:
    """The artist's own series that can be read, and in words what is wrong with the others."""
    found, wrong = read_own(folder, ENDING, read_series)
    return {each.name: each for each in found}, wrong
