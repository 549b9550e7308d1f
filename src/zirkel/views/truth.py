"""A real subject's truth by a photograph, over the block-in; and what it says of the hand."""

from __future__ import annotations

import numpy as np
from pydantic import BaseModel

from zirkel.core.artist import Leanings
from zirkel.core.check.true_places import (
    FINEST,
    LEAST,
    ROUGHEST,
    Leaning,
    RealHand,
    together,
    trust_of,
)
from zirkel.core.study import SimulatedSubject, Study
from zirkel.core.words.true_places import say_leanings, say_takes, say_trust, say_waiting
from zirkel.core.worked import Worked
from zirkel.store.store import Store, Stored
from zirkel.studyfile.schema import FileSubjectPhotograph
from zirkel.views.reveal import TrueMark, true_marks

LAST = 20
"""Studies, the last ones, by which a hand is known."""

WORTH = 1.25
"""Times as far off, from which another trust is worth being taken over."""

Spot = tuple[float, float]


class TappedLandmark(BaseModel):
    """A landmark, and where it is on the photograph, in pixels."""

    id: str
    name: str
    at: Spot | None


class OwnLeanings(BaseModel):
    """What the hand does always in real sightings: shares of lengths, degrees of tilts; and by kind
    how many times what is usual it errs by, where that is more or less."""

    length: float
    tilt_degrees: float
    trust: dict[str, float]


class TruthRoom(BaseModel):
    """The photograph with what was tapped; how near the readings came; what this hand does, over
    this and other studies; `offered` where that is worth being taken out of the readings, said in
    words by `record`, and `taken_out` what is."""

    version: int
    photograph: FileSubjectPhotograph | None
    bend: float
    landmarks: list[TappedLandmark]
    marks: list[TrueMark]
    said: list[str]
    studies: int
    record: list[str]
    offered: OwnLeanings | None
    taken_out: OwnLeanings | None


def open_truth(store: Store, study_id: int) -> TruthRoom:
    """What the photograph tells."""
    stored = store.get(study_id)
    study, worked = stored.study, stored.worked
    found = worked.true_places
    marks = true_marks(worked, found.places) if found else []
    hands = _hands(store, stored)
    length, tilt = together(hands)
    trust = trust_of(hands)
    record = say_leanings(length, tilt) + say_trust(trust)
    known = study.leanings or Leanings()
    real = not isinstance(study.subject, SimulatedSubject)
    return TruthRoom(
        version=stored.version,
        photograph=study.subject_photograph,
        bend=found.bend if found else 0.0,
        landmarks=[
            TappedLandmark(id=each.id, name=each.name, at=study.photographed.get(each.id))
            for each in study.landmarks
        ],
        marks=marks,
        said=_said(worked, marks, record, len(hands)),
        studies=len(hands),
        record=record,
        offered=_offered(study, length, tilt, trust) if real else None,
        taken_out=None if known == Leanings() else _own(known, {}),
    )


def _own(leanings: Leanings, trust: dict[str, float]) -> OwnLeanings:
    return OwnLeanings(length=leanings.length, tilt_degrees=leanings.tilt_degrees, trust=trust)


def _hands(store: Store, stored: Stored) -> list[RealHand]:
    """What this study and the last others of real subjects say of the hand, this one first."""
    found = [stored]
    for number in store.cards.holding("photographed", LAST):
        other = store.get_or_broken(number) if number != stored.id else None
        if isinstance(other, Stored) and not isinstance(other.study.subject, SimulatedSubject):
            found.append(other)
    told = [each.worked.true_places for each in found]
    return [each.hand for each in told if each is not None and each.hand is not None]


def _said(worked: Worked, marks: list[TrueMark], record: list[str], over: int) -> list[str]:
    found, study = worked.true_places, worked.study
    if study.subject_photograph is None:
        return []
    if found is None:
        return [say_waiting(len(study.photographed), len(study.landmarks))]
    said = []
    if marks:
        mean = float(np.mean([each.off_mm for each in marks]))
        worst = max(marks, key=lambda each: each.off_mm)
        said.append(
            f"On average {worked.words.within(mean)} off on the sheet; furthest "
            f"{worked.words.of(worst.landmark)}, {worked.words.within(worst.off_mm)}."
        )
    said += record
    if found.hand is None:
        said.append(f"Tap the unit's two ends and {LEAST} others: then it tells of your hand too.")
    else:
        said += say_takes(found.hand)
    if study.leanings not in (None, Leanings()):
        said.append("What your hand does is taken out of this study's readings.")
    if over > 1:
        said.append(f"What your hand does is told by {over} studies together.")
    return said


def _offered(
    study: Study, length: Leaning | None, tilt: Leaning | None, trust: dict[str, float]
) -> OwnLeanings | None:
    """What is sure enough to be taken over, and differs from what the study takes by more than an
    error, or by a quarter of a kind's sigma."""
    out = study.leanings or Leanings()
    by_length, by_tilt = (each.value if each and each.told else 0.0 for each in (length, tilt))
    apart = (by_length - out.length, length), (by_tilt - out.tilt_degrees, tilt)
    leans = any(each is not None and abs(by) > each.sd for by, each in apart)
    differs = {
        kind: round(min(max(factor, FINEST), ROUGHEST), 2)
        for kind, factor in trust.items()
        if abs(np.log(factor / study.trust.get(kind, 1.0))) > np.log(WORTH)
    }
    if not (leans or differs):
        return None
    return _own(Leanings(round(by_length, 4), round(by_tilt, 2)), differs)
