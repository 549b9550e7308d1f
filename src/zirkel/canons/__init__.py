"""The canons that ship with Zirkel, as data to be edited."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from zirkel.core.heads.canons import Canon
from zirkel.studyfile.canon_file import read_canons

FOLDER = Path(__file__).parent
FILE = FOLDER / "heads.zirkel-canon.json"


@cache
def head_canons() -> tuple[str, tuple[Canon, ...]]:
    """What is said with them, and the rules about heads."""
    return read_canons(FILE.read_bytes())


@cache
def figure_canons() -> tuple[str, tuple[Canon, ...]]:
    """The same about figures."""
    return read_canons((FOLDER / "figures.zirkel-canon.json").read_bytes())
