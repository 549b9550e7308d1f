"""What an artist's record says at the moment it matters: on the bench, and of the recipe."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.practice.carried import own_eyes, parting
from zirkel.core.words.practice import say_at_work, say_parting, say_sigma
from zirkel.store.store import Store
from zirkel.views.practice import record_of


class KindOfEye(BaseModel):
    """The eye in one kind of reading: what is said of it; `sigma` is what a reading by eye may be
    trusted to, in the kind's own way of counting (`relative`: times the value), None where what is
    known is counted otherwise."""

    kind: str
    said: str
    sigma: float | None
    relative: bool
    sigma_said: str | None


class OwnEye(BaseModel):
    """An artist's eye in the work. `part` and `straight` are how exactly it parts lengths and
    keeps plumb and level, as shares of the length."""

    kinds: list[KindOfEye]
    part: float | None
    straight: float | None
    parting: str | None


def own_eye(store: Store, artist: str | None) -> OwnEye:
    """What is known of an artist's eye, where it is enough to be worth a word."""
    eyes = record_of(store, artist)
    parts = parting(eyes)
    return OwnEye(
        kinds=[
            KindOfEye(
                kind=each.kind, said=say_at_work(each), sigma=each.sigma, relative=each.relative,
                sigma_said=say_sigma(each),
            )
            for each in own_eyes(eyes).values()
        ],
        part=parts.part, straight=parts.straight, parting=say_parting(parts),
    )  # fmt: skip
