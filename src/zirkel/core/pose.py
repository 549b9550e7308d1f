"""What is kept of a sitting: poses and rests, moves, photographs of the drawing, the end
of it; and of the place it was drawn from, so that one comes back to it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.fields import entry, unknown

Extra = Mapping[str, object]

KINDS = ("pose", "work", "rest")
MOST_SITTINGS, MOST_BLOCKS, MOST_MOVES, MOST_PICTURES = 500, 120, 500, 40
STAGES = ("frame", "envelope", "sight", "draw", "check", "tone")
"""Stages of a sitting, in the order in which they follow each other."""

HOUR = {"ge": 0.0, "le": 12.0}


@dataclass(frozen=True, slots=True)
class Block:
    """A pose, a stretch of work without a sitter, or a rest."""

    kind: str = entry("choice", options=KINDS)
    minutes: float = entry("finite", bounds={"gt": 0.0, "le": 600.0})
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class LogPicture:
    """A photograph of the drawing at the end of a pass: when, and what it shows."""

    picture: str = entry("hash")
    at: str = entry("text")
    said: str = entry("text", "")
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class Place:
    """Where a study is drawn from. Lengths in mm, None where they weren't measured.

    `distance_mm` from the eye to the subject, on the level; `eye_height_mm` above the floor;
    `reach_mm` from the eye to the stick; `easel_mm` from the eye to the board, whose middle is
    `board_mm` above the floor, whose top leans back by `lean_deg` and which is turned by
    `board_turn_deg` clockwise from square to the way there. Directions are hours of a
    clock laid on the floor, twelve towards the subject: `easel_hour` where the easel stands as seen
    from the eye, `light_hour` where the light comes from as seen from the subject. `light`, `marks`
    and `pose` say in the artist's words what lamp or window it is, how chair and easel are marked,
    and how the subject sits or lies.
    """

    distance_mm: float | None = entry("mm", None, bounds={"ge": 100.0, "le": 500_000.0})
    eye_height_mm: float | None = entry("mm", None, bounds={"ge": 0.0, "le": 100_000.0})
    reach_mm: float | None = entry("mm", None, bounds={"ge": 150.0, "le": 1200.0})
    easel_mm: float | None = entry("mm", None, bounds={"ge": 100.0, "le": 20_000.0})
    easel_hour: float | None = entry("finite", None, bounds=HOUR)
    board_mm: float | None = entry("mm", None, bounds={"ge": 0.0, "le": 5_000.0})
    lean_deg: float | None = entry("finite", None, bounds={"ge": -45.0, "le": 90.0})
    light_hour: float | None = entry("finite", None, bounds=HOUR)
    light: str | None = entry("note", None)
    marks: str | None = entry("note", None)
    pose: str | None = entry("note", None)
    photographs: tuple[str, ...] = entry("hash", (), many="list", most=MOST_PICTURES)
    board_turn_deg: float | None = entry("finite", None, bounds={"ge": -90.0, "le": 90.0})
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class Sitting:
    """A sitting: when it began, its poses and rests one after the other, when the model (or the
    artist) moved, when it ended, the artist's own words about it and photographs of the drawing.
    `shares` parts the time into the artist's own stages; empty for the usual ones. `shift_known` is
    the moment of the break after which something had shifted, and was gone on with all the same.
    One of a set of short poses, each a study of its own, names the set and which pose it is of how
    many."""

    id: str = entry("id")
    at: str = entry("text")
    blocks: tuple[Block, ...] = entry("record", (), many="list", records=(Block,), most=MOST_BLOCKS)
    moved: tuple[str, ...] = entry("text", (), many="list", most=MOST_MOVES)
    ended: str | None = entry("text", None)
    shift_known: str | None = entry("text", None)
    of_set: str | None = entry("id", None)
    pose: int | None = entry("whole", None, bounds={"ge": 1, "le": MOST_BLOCKS})
    poses: int | None = entry("whole", None, bounds={"ge": 1, "le": MOST_BLOCKS})
    note: str | None = entry("note", None)
    pictures: tuple[LogPicture, ...] = entry(
        "record", (), many="list", records=(LogPicture,), most=MOST_PICTURES
    )
    shares: Mapping[str, float] = entry(
        "finite", many="map", factory=dict, bounds={"gt": 0.0, "le": 100.0}
    )
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """A stage that isn't one, in words."""
        for stage in self.shares:
            if stage not in STAGES:
                return f"shares: there is no stage “{stage}”: choose from {', '.join(STAGES)}"
        return None
