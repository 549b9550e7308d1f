"""The scenes that ship with Zirkel, as scene files."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.subject.scene import Scene
from zirkel.studyfile.scene_file import read_scene

FOLDER = Path(__file__).parent
ENDING = ".zirkel-scene.json"
SMALL = 320
"""Pixels along the longer side of a thumbnail."""


@cache
def shipped_scenes() -> dict[str, Scene]:
    """Every scene that ships, by name."""
    names = [path.name.removesuffix(ENDING) for path in sorted(FOLDER.glob(f"*{ENDING}"))]
    return {name: read_scene(name, shipped_file(name)) for name in names}


def shipped_file(name: str) -> bytes:
    """The bytes of a shipped scene's file."""
    return (FOLDER / f"{name}{ENDING}").read_bytes()


def thumbnail(name: str) -> bytes | None:
    """A shipped scene as it is seen from its own station, small, as WebP; None of any other. They
    are made by `scripts/draw_thumbnails.py`."""
    path = FOLDER / "thumbnails" / f"{name}.webp"
    return path.read_bytes() if name in shipped_scenes() and path.is_file() else None
