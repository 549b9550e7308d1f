"""The kits that ship with Zirkel, as kit files; an artist's own lie beside the database."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.kits import Kit
from zirkel.studyfile.kit_file import read_kit
from zirkel.studyfile.own_files import read_own

FOLDER = Path(__file__).parent
ENDING = ".zirkel-kit.json"
ORDER = ("Head", "Figure", "Hand", "Still life", "Building", "Landscape")


@cache
def shipped_kits() -> dict[str, Kit]:
    """Every kit that ships, by name, groups in the order of a study's usual subjects."""
    made = [read_kit(path.read_bytes()) for path in sorted(FOLDER.glob(f"*{ENDING}"))]
    made.sort(key=lambda each: ORDER.index(each.group))
    return {each.name: each for each in made}


def own_kits(folder: Path) -> tuple[dict[str, Kit], tuple[str, ...]]:
    """The artist's own kits that can be read, and in words what is wrong with the others."""
    found, wrong = read_own(folder, ENDING, read_kit)
    return {each.name: each for each in found}, wrong
