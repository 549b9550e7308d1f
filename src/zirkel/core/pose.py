"""What is kept of a sitting: poses and rests, when the model moved, when it ended."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.fields import entry, unknown

Extra = Mapping[str, object]

KINDS = ("pose", "work", "rest")
MOST_SITTINGS, MOST_BLOCKS, MOST_MOVES = 500, 120, 500


@dataclass(frozen=True, slots=True)
class Block:
    """A pose, a stretch of work without a sitter, or a rest."""

    kind: str = entry("choice", options=KINDS)
    minutes: float = entry("finite", bounds={"gt": 0.0, "le": 600.0})
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class Sitting:
    """A sitting: when it began, its poses and rests one after the other, when the model (or the
    artist) moved, when it ended, and the artist's own words about it."""

    id: str = entry("id")
    at: str = entry("text")
    blocks: tuple[Block, ...] = entry("record", (), many="list", records=(Block,), most=MOST_BLOCKS)
    moved: tuple[str, ...] = entry("text", (), many="list", most=MOST_MOVES)
    ended: str | None = entry("text", None)
    note: str | None = entry("note", None)
    extra: Extra = unknown()
