"""An artist's own files beside the database: read one by one, so that a broken one hides no other;
kept so that a half-written one never stands there."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Protocol, TypeVar

from zirkel.errors import BadInput

T = TypeVar("T")


class Named(Protocol):
    """What an artist keeps under a name."""

    @property
    def name(self) -> str:
        """That name."""


def read_own(
    folder: Path, ending: str, read: Callable[[bytes], T]
) -> tuple[list[T], tuple[str, ...]]:
    """Those of a folder that can be read, in the order of their names, and in words what is wrong
    with the others."""
    found: list[T] = []
    wrong: list[str] = []
    for path in sorted(folder.glob(f"*{ending}")):
        try:
            found.append(read(path.read_bytes()))
        except (BadInput, OSError) as error:
            wrong.append(f"{path.name}: {error}")
    return found, tuple(wrong)


def own_path(folder: Path, ending: str, read: Callable[[bytes], Named], name: str) -> Path | None:
    """The file of a folder in which something of that name is kept; None where there is none."""
    for path in folder.glob(f"*{ending}"):
        try:
            if read(path.read_bytes()).name == name:
                return path
        except (BadInput, OSError):
            continue
    return None


def keep_own(path: Path, ending: str, data: bytes, what: str, most: int) -> None:
    """Keep a file, in place of one of the same name; at most so many stand in its folder."""
    folder = path.parent
    folder.mkdir(parents=True, exist_ok=True)
    if not path.exists() and len(list(folder.glob(f"*{ending}"))) >= most:
        raise BadInput(what, f"{most} {what} are kept at most: take some away first")
    beside = path.with_suffix(".new")
    beside.write_bytes(data)
    beside.replace(path)
