"""The media that ship with Zirkel, as medium files; an artist's own lie beside the database."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.tones.media import MediumData
from zirkel.studyfile.medium_file import read_medium

FOLDER = Path(__file__).parent
ENDING = ".zirkel-medium.json"


@cache
def shipped_media() -> dict[str, MediumData]:
    """Every medium that ships, by name."""
    return media_in(FOLDER)


def media_in(folder: Path) -> dict[str, MediumData]:
    """Every medium file of a folder, by name; BadInput names the file that can't be read."""
    found = {}
    for path in sorted(folder.glob(f"*{ENDING}")):
        made = read_medium(path.read_bytes())
        found[made.name] = made
    return found
