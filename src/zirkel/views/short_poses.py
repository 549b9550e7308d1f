"""A set of short poses side by side, and what they have in common."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.sitting.short_poses import in_common, left_loose
from zirkel.core.words.short_poses import say_common, say_never_held
from zirkel.errors import NotFound
from zirkel.store.store import Store, Stored
from zirkel.views.wall import StudyCard, card_of


class PoseShown(BaseModel):
    """One pose: which, how long, its block-in; a photograph of its drawing, if there is one."""

    pose: int
    minutes: float
    card: StudyCard
    photograph: str | None


class ShortPoses(BaseModel):
    """The poses of one set, in their order; what they have in common, in words."""

    title: str
    poses: list[PoseShown]
    common: list[str]


class ShortPosesMade(BaseModel):
    """A set that was begun: its name, and its studies pose by pose."""

    name: str
    studies: list[int]


def open_short_poses(store: Store, name: str) -> ShortPoses:
    """The set of that name; NotFound where no study is left of it."""
    found = [store.get_or_broken(number) for number in store.cards.of_set(name)]
    kept = [each for each in found if isinstance(each, Stored)]
    if not kept:
        raise NotFound("There is no set of short poses here any more.")
    studies = [each.study for each in kept]
    words = kept[0].worked.words
    loose = left_loose(
        [(each.study, [one.landmark for one in each.worked.solution.loose]) for each in kept]
    )
    never = say_never_held([words.of(each) for each in loose])
    return ShortPoses(
        title=studies[0].title.rpartition(", pose ")[0] or studies[0].title,
        poses=[_shown(each, name) for each in kept],
        common=[*say_common(in_common(studies), words), *([never] if never else [])],
    )


def _shown(stored: Stored, name: str) -> PoseShown:
    sitting = next(each for each in stored.study.sittings if each.of_set == name)
    pictures = [each.picture for each in sitting.pictures]
    return PoseShown(
        pose=sitting.pose or 1,
        minutes=sum(each.minutes for each in sitting.blocks),
        card=card_of(stored),
        photograph=pictures[-1] if pictures else None,
    )
