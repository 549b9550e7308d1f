"""The media that ship with Zirkel, as medium files; an artist's own lie beside the database."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.tones.media import MediumData
from zirkel.errors import BadInput
from zirkel.studyfile.medium_file import read_medium

FOLDER = Path(__file__).parent
ENDING = ".zirkel-medium.json"


@cache
def shipped_media() -> dict[str, MediumData]:
    """Every medium that ships, by name."""
    return media_in(FOLDER)


def media_in(folder: Path) -> dict[str, MediumData]:
    """Every medium file of a folder, by name; BadInput names what can't be read."""
    return {made.name: made for made in map(_read, sorted(folder.glob(f"*{ENDING}")))}


def own_media(folder: Path) -> tuple[dict[str, MediumData], tuple[str, ...]]:
    """The artist's own media that can be read, and in words what is wrong with the others."""
    found: dict[str, MediumData] = {}
    wrong: list[str] = []
    for path in sorted(folder.glob(f"*{ENDING}")):
        try:
            made = _read(path)
        except BadInput as error:
            wrong.append(str(error))
        else:
            found[made.name] = made
    return found, tuple(wrong)


def _read(path: Path) -> MediumData:
    try:
        return read_medium(path.read_bytes())
    except OSError as error:
        raise BadInput(path.name, f"can't be read: {error.strerror}") from error
    except BadInput as error:
        raise BadInput(f"{path.name}: {error.field}", error.problem) from error
