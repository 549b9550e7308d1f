"""The check's room: the drawing as it was measured, what is off, what repairs it, and how it came
together."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel

from zirkel.core.check.correct import Check
from zirkel.core.check.drawing import BASE_SHARE, BY_RECIPE_MM, SHARE_OF_MANNER
from zirkel.core.check.gate import Gate, earned, gates
from zirkel.core.check.measured import Measured, measured
from zirkel.core.drawn import KeptCheck, Ruled
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study
from zirkel.core.words.base import Words
from zirkel.core.words.check import say_measure
from zirkel.core.worked import Worked
from zirkel.store.store import Store
from zirkel.views.drawing import PhotographShown, photograph_shown
from zirkel.views.drifts import say_drifts
from zirkel.views.habits import habits_of, told
from zirkel.views.verdict import Verdict, verdict_of

TIERS = {1: "Large shapes", 2: "Middle shapes", 3: "Detail"}
ON = {2: "the middle shapes", 3: "detail"}


class DrawnLandmark(BaseModel):
    """A landmark: where it should be, and where it was measured, in mm on the sheet."""

    id: str
    name: str
    tier: int
    target: tuple[float, float]
    measured: tuple[float, float] | None
    marked: bool
    """Whether it was marked itself, rather than found from other measures."""
    within: str | None


class MeasureShown(BaseModel):
    """One measure of the drawing, in words; what the others make of it, where they contradict."""

    id: str
    said: str
    doubt: str | None


class GateShown(BaseModel):
    """One stage of the drawing."""

    tier: int
    name: str
    said: str
    sound: bool
    gone: bool
    earned: bool


class CheckShown(BaseModel):
    """A check that was kept."""

    id: str
    number: int
    at: str
    sound: bool
    said: str
    apart: str
    faults: list[str]
    moves: list[str]
    done: int
    image: str | None
    places: dict[str, tuple[float, float]]
    targets: dict[str, tuple[float, float]]


class Allowed(BaseModel):
    """What is tolerated by tier, in mm: the artist's own, and what Zirkel takes else."""

    tier: int
    name: str
    own_mm: float | None
    usual: str


class CheckRoom(BaseModel):
    """The check of a study as it stands."""

    version: int
    against: str
    manner: str | None
    drawn_by: Literal["recipe", "eye"]
    eye_first: bool
    allowed: list[Allowed]
    photograph: PhotographShown | None
    landmarks: list[DrawnLandmark]
    measures: list[MeasureShown]
    sigma: str
    afloat: str | None
    missing: str | None
    """What has to be measured before there is anything to check."""
    verdict: Verdict | None
    gates: list[GateShown]
    history: list[CheckShown]
    habits: list[str]
    """What the artist's last drawings do over and over."""
    drifted: list[str]
    """Where the drawing of a head has drifted to the rule of thumb, away from the readings."""


def open_check(store: Store, study_id: int) -> CheckRoom:
    """The check of a study as it stands."""
    stored = store.get(study_id)
    worked, study, words = stored.worked, stored.study, stored.worked.words
    found = measured(study, worked.plan)
    check = worked.checked
    base = f"/api/v1/studies/{study_id}"
    return CheckRoom(
        version=stored.version,
        against=study.check_against or "plan",
        manner=study.manner,
        drawn_by="recipe" if study.drawn_by == "recipe" else "eye",
        eye_first=study.eye_first,
        allowed=_allowed(worked, check),
        photograph=photograph_shown(study.photograph, base, stored.version, words, study),
        landmarks=_landmarks(worked, found),
        measures=_measures(study, words, found),
        sigma=words.within(study.drawn_sigma_mm),
        afloat=_afloat(found),
        missing=_missing(worked, found, check),
        verdict=verdict_of(worked, check),
        gates=[_gate(each, study) for each in gates(study)],
        habits=told(habits_of(store)) if study.checks else [],
        drifted=say_drifts(worked, found),
        history=[_kept(each, i, base, words) for i, each in enumerate(study.checks)],
    )


def _allowed(worked: Worked, check: Check | None) -> list[Allowed]:
    study, words = worked.study, worked.words
    own = study.tolerance
    mine = (own.large, own.middle, own.detail) if own else (None, None, None)
    usual = []
    for tier in (1, 2, 3):
        if check is not None and check.drawing.by_recipe:
            usual.append(words.length(BY_RECIPE_MM * BASE_SHARE[tier] / BASE_SHARE[1]))
        elif check is None:
            share = BASE_SHARE[tier] * SHARE_OF_MANNER[study.manner]
            usual.append(f"{share * 100:.1f} % of all")
        else:
            mm = check.drawing.extent * check.drawing.shares[tier - 1]
            usual.append(words.length(round(mm, 1)))
    return [
        Allowed(tier=tier, name=TIERS[tier], own_mm=mine[tier - 1], usual=usual[tier - 1])
        for tier in (1, 2, 3)
    ]


def _landmarks(worked: Worked, found: Measured | None) -> list[DrawnLandmark]:
    study, words = worked.study, worked.words
    known = {} if found is None else {name: i for i, name in enumerate(found.ids)}
    made = []
    for each in study.landmarks:
        mark = worked.plan.marks.get(each.id)
        if mark is None:
            continue
        at = known.get(each.id)
        seen = found is not None and at is not None and found.known(at)
        place = found.places[at] if found is not None and at is not None and seen else None
        made.append(
            DrawnLandmark(
                id=each.id,
                name=words.of(each.id),
                tier=each.tier,
                target=(mark.held_left_mm, mark.held_top_mm),
                measured=None if place is None else (float(place[0]), float(place[1])),
                marked=each.id in study.drawn,
                within=None
                if found is None or at is None or not seen
                else words.within(float(found.sd[at])),
            )
        )
    return made


def _measures(study: Study, words: Words, found: Measured | None) -> list[MeasureShown]:
    doubts = dict(found.doubts) if found is not None else {}
    every: list[Ruled | Sighting] = [*study.ruled, *study.resighted]
    return [
        MeasureShown(
            id=each.id,
            said=say_measure(each, words),
            doubt=_doubt(each, doubts.get(each.id), words, study),
        )
        for each in every
    ]


def _doubt(each: object, expected: float | None, words: Words, study: Study) -> str | None:
    if expected is None:
        return None
    if not isinstance(each, Ruled):
        return "The other measures contradict it: sight it again."
    far = {"right": study.sheet.width_mm, "bottom": study.sheet.height_mm}.get(each.side or "")
    mm = expected if far is None else far - expected
    return f"The other measures make it {words.length(round(mm, 1))}: rule it again."


def _afloat(found: Measured | None) -> str | None:
    if found is None or not found.afloat:
        return None
    return (
        "Only ratios and tilts so far: the drawing is checked against its own proportions. One "
        "length from two edges of the sheet would tell its place."
    )


def _missing(worked: Worked, found: Measured | None, check: Check | None) -> str | None:
    if check is not None:
        return None
    if worked.plan.unit_mm is None:
        return "Nothing is planned yet: take a few readings on the bench first."
    known = 0 if found is None else sum(found.known(i) for i in range(len(found.ids)))
    if known >= 3:
        return "All landmarks that were measured lie at one spot: measure others too."
    if known == 0:
        return "Measure where a few landmarks sit on your drawing: three at least."
    left = 3 - known
    return f"{left} more landmark{'s' if left > 1 else ''}, and there is something to check."


def _gate(gate: Gate, study: Study) -> GateShown:
    if not gate.landmarks:
        said = "No landmarks of this size."
    elif gate.sound:
        said = "They stand."
    elif not gate.checked:
        said = "Not checked yet."
    else:
        said = "Not yet."
    return GateShown(
        tier=gate.tier,
        name=TIERS[gate.tier],
        said=said,
        sound=gate.sound,
        gone=gate.gone,
        earned=gate.tier <= earned(study),
    )


def _kept(each: KeptCheck, number: int, base: str, words: Words) -> CheckShown:
    image = f"{base}/drawing.jpg?check={each.id}&longest=360" if each.photograph else None
    done = sum(move.done for move in each.moves)
    said = "It stands" if each.sound else (each.faults[0].said if each.faults else "Off in places")
    return CheckShown(
        id=each.id,
        number=number + 1,
        at=each.at,
        sound=each.sound,
        said=said,
        apart=words.length(round(each.apart_mm, 1)),
        faults=[fault.said for fault in each.faults],
        moves=[move.said for move in each.moves],
        done=done,
        image=image,
        places=dict(each.places),
        targets=dict(each.targets),
    )
