"""The sets of poses and rests that ship with Zirkel; an artist's own lie beside the database, and
one of the same name takes a shipped one's place."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.sitting.poses import PoseSet
from zirkel.studyfile.own_files import read_own
from zirkel.studyfile.poses_file import read_poses

FOLDER = Path(__file__).parent
ENDING = ".zirkel-poses.json"
FIRST = "ten_minutes"
"""What is chosen until the artist chooses."""


@cache
def shipped_poses() -> dict[str, PoseSet]:
    """Every set that ships, by name, the shortest first pose first."""
    made = [read_poses(path.read_bytes()) for path in sorted(FOLDER.glob(f"*{ENDING}"))]
    made.sort(key=lambda each: each.blocks[0].minutes)
    return {each.name: each for each in made}


def all_poses(folder: Path) -> tuple[dict[str, PoseSet], frozenset[str], tuple[str, ...]]:
    """All sets by name; which of them are the artist's own; and in words what is wrong with own
    files that can't be read."""
    found, wrong = read_own(folder, ENDING, read_poses)
    own = {each.name: each for each in found}
    return {**shipped_poses(), **own}, frozenset(own), wrong
