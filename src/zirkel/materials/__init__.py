"""The lists of materials that ship with Zirkel; an artist's own lie beside the database, and one of
the same name takes a shipped one's place."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.sitting.materials import Materials
from zirkel.studyfile.materials_file import read_materials
from zirkel.studyfile.own_files import read_own

FOLDER = Path(__file__).parent
ENDING = ".zirkel-materials.json"
FIRST = "everyday"


@cache
def shipped_materials() -> dict[str, Materials]:
    """Every list that ships, by name; the everyday one first."""
    made = [read_materials(path.read_bytes()) for path in sorted(FOLDER.glob(f"*{ENDING}"))]
    made.sort(key=lambda each: each.name != FIRST)
    return {each.name: each for each in made}


def all_materials(folder: Path) -> tuple[dict[str, Materials], tuple[str, ...]]:
    """All lists, and in words what is wrong with own files that can't be read."""
    found, wrong = read_own(folder, ENDING, read_materials)
    return {**shipped_materials(), **{each.name: each for each in found}}, wrong
