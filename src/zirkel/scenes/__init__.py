"""The scenes that ship with Zirkel, as scene files."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.subject.scene import Scene
from zirkel.studyfile.scene_file import read_scene

FOLDER = Path(__file__).parent
ENDING = ".zirkel-scene.json"


@cache
def shipped_scenes() -> dict[str, Scene]:
    """Every scene that ships, by name."""
    names = [path.name.removesuffix(ENDING) for path in sorted(FOLDER.glob(f"*{ENDING}"))]
    return {name: read_scene(name, shipped_file(name)) for name in names}


def shipped_file(name: str) -> bytes:
    """The bytes of a shipped scene's file."""
    return (FOLDER / f"{name}{ENDING}").read_bytes()
