"""Laying out the demonstration studies: each once, never over what the user has."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from datetime import datetime
from pathlib import Path

from PIL import Image

from zirkel.core.practice.trials import Trial
from zirkel.store.practice import KeptTrial
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study


def lay_out_demo(store: Store, folder: Path) -> list[str]:
    """Add the demonstrations that were never laid out in this store; their names.

    One that the user has touched, or taken down, stays as the user left it.
    """
    for picture in sorted(folder.glob("*.jpg")):
        with Image.open(picture, formats=("JPEG",)) as opened:
            width, height = opened.size
        store.pictures.add(picture.read_bytes(), "jpg", width, height)
    added = []
    for path in sorted(folder.glob("*.zirkel.json"), reverse=True):
        name = path.name.removesuffix(".zirkel.json")
        if not store.has_demo(name):
            store.create(read_study(path.read_bytes()), demo=name)
            added.append(name)
    return added


def lay_out_record(
    store: Store, name: str, made: Callable[[], Sequence[tuple[Trial, datetime]]]
) -> bool:
    """Keep the record of a made-up artist, unless an artist of that name is here; whether it was
    kept."""
    if any(each.name == name for each in store.practice.artists()):
        return False
    artist = store.practice.name(name, None)
    store.practice.add(artist.id, [KeptTrial.made(trial, at) for trial, at in made()])
    return True
