"""Taking in a picture as a subject."""

from __future__ import annotations

from dataclasses import dataclass

from zirkel.pictures.prepare import prepare
from zirkel.store.pictures import StoredPicture
from zirkel.store.store import Store


@dataclass(frozen=True, slots=True)
class TakenIn:
    """A picture as kept, and whether it was made smaller."""

    kept: StoredPicture
    scaled: bool


def take_picture(store: Store, data: bytes) -> TakenIn:
    """Keep an uploaded picture; BadInput says what is wrong with it, and nothing is kept."""
    ready = prepare(data)
    kept = store.pictures.add(ready.data, ready.ending, ready.width, ready.height)
    return TakenIn(kept, ready.scaled)
