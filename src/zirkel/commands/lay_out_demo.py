"""Laying out the demonstration studies: each once, never over what the user has."""

from __future__ import annotations

from pathlib import Path

from PIL import Image

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
