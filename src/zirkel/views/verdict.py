"""What a check found: verdict, faults, corrections, how each landmark stands."""

from __future__ import annotations

import numpy as np
from pydantic import BaseModel

from zirkel.core.arrays import Array
from zirkel.core.check.correct import Check
from zirkel.core.check.drawing import Drawing
from zirkel.core.check.since import since
from zirkel.core.check.tolerance import tolerances
from zirkel.core.drawn import EyeGuess, KeptCheck
from zirkel.core.network.decides import decides
from zirkel.core.words.check import say_runner_up, say_sure, say_suspect, say_verdict
from zirkel.core.words.checked import About, say_where
from zirkel.core.words.drawings import say_since
from zirkel.core.words.drawn_wrong import say_correction, say_fault, say_touch_up
from zirkel.core.words.sightings import ask_for
from zirkel.core.worked import Worked

SAME_MM = 0.05
"""Places that differ by less are the same drawing."""


class FaultShown(BaseModel):
    """A fault in words, and the landmarks that it is on; none for the whole."""

    said: str
    landmarks: list[str]


class Arrow(BaseModel):
    """How one landmark goes, in mm on the sheet."""

    landmark: str
    start: tuple[float, float]
    end: tuple[float, float]


class MoveShown(BaseModel):
    """A correction in words and as arrows; `done` once it is made on the paper."""

    said: str
    done: bool
    arrows: list[Arrow]


class StandingShown(BaseModel):
    """How one landmark stands."""

    landmark: str
    said: str
    within: bool


class GuessShown(BaseModel):
    """What the eye said, beside what was found."""

    eye: str
    found: str
    right: bool | None


class Verdict(BaseModel):
    """What a check found."""

    check: str
    sound: bool
    off: bool
    """Whether something is wrong beyond marks to be touched up."""
    said: str
    faults: list[FaultShown]
    runner_up: str | None
    suspects: list[str]
    judged: str
    """Against what, and how closely."""
    decide: str | None
    """What to sight where drawing and plan differ and neither is sure."""
    since: list[str]
    """What came of the moves of the check before this one."""
    moves: list[MoveShown]
    standing: list[StandingShown]
    guesses: list[GuessShown]


def verdict_of(worked: Worked, check: Check | None) -> Verdict | None:
    """What the last check found, while the drawing and what it is set against are still those."""
    study = worked.study
    if check is None or not study.checks or not _is_of(study.checks[-1], check):
        return None
    kept = study.checks[-1]
    about = About(study, worked.words, check)
    drawing = check.drawing
    to_do = [(say_correction(about, each), each.moves) for each in check.orders]
    if check.touch_up:
        to_do.append((say_touch_up(about), check.touched))
    moves = [
        MoveShown(
            said=told,
            done=number < len(kept.moves) and kept.moves[number].done,
            arrows=_arrows(drawing, way),
        )
        for number, (told, way) in enumerate(to_do)
    ]
    runner = check.diagnosis.runner_up
    return Verdict(
        check=kept.id,
        sound=check.sound,
        off=check.off,
        said=say_verdict(about),
        faults=[
            FaultShown(
                said=say_fault(about, each) + ("" if number else say_sure(about)),
                landmarks=list(each.landmarks),
            )
            for number, each in enumerate(check.diagnosis.faults)
        ],
        runner_up=None if runner is None else say_runner_up(about, runner),
        suspects=[say_suspect(about, each) for each in check.suspects],
        judged=_judged(about),
        decide=_decide(worked, about),
        since=say_since(since(study.checks[-2], kept), worked.words)
        if len(study.checks) > 1
        else [],
        moves=moves,
        standing=_standing(about),
        guesses=[_guess(each, about) for each in kept.guesses],
    )


def _judged(about: About) -> str:
    """Against what a drawing was judged."""
    drawing = about.check.drawing
    if drawing.by_recipe:
        return "Judged as drawn by the recipe: each mark by where the plan has it."
    if drawing.free.shape[1]:
        return "Judged against the subject's proportions, wherever and however large it stands."
    return "Judged as drawn by eye: what the plan itself leaves open is let pass."


UNSURE = 0.5
"""The plan is unsure of a mark where its own error is more than this share of what it is off."""


def _decide(worked: Worked, about: About) -> str | None:
    """The sighting that tells whether the furthest mark is off, or the plan is: asked of a drawing
    by eye, which is a witness too."""
    check, words = about.check, about.words
    if check.drawing.by_recipe or check.suspects:
        return None
    sent = dict(check.touch_up)
    # What several marks say together needs no sighting of one.
    for each in check.diagnosis.faults:
        if each.kind == "landmark":
            dx, dy = each.moved[about.spot(each.landmarks[0])]
            sent[each.landmarks[0]] = (float(dx), float(dy))
    unsure = [
        (far, name)
        for name, way in sent.items()
        if (far := float(np.hypot(*way))) * UNSURE < (worked.plan.marks[name].sd_mm or 0.0)
    ]
    found = decides(worked.solution.adjusted, max(unsure)[1]) if unsure else None
    if found is None:
        return None
    ask = ask_for(words, found.kind, found.start, found.end, found.along, found.towards)
    return f"{words.of(max(unsure)[1])}: neither drawing nor plan is sure. First sight it. {ask}"


def _arrows(drawing: Drawing, moves: Array) -> list[Arrow]:
    """How each landmark that is moved (n, 2) goes, if it was measured both ways."""
    places = drawing.planned + drawing.off
    ends = places + moves
    return [
        Arrow(
            landmark=name,
            start=(float(places[i, 0]), float(places[i, 1])),
            end=(float(ends[i, 0]), float(ends[i, 1])),
        )
        for i, name in enumerate(drawing.ids)
        if moves[i].any() and drawing.is_known(i)
    ]


def _is_of(kept: KeptCheck, check: Check) -> bool:
    """Whether a kept check is of this drawing, set against these places."""
    drawing = check.drawing
    known = [i for i in range(len(drawing.ids)) if drawing.is_known(i)]
    if set(kept.places) != {drawing.ids[i] for i in known}:
        return False
    places = drawing.planned + drawing.off
    for i in known:
        name = drawing.ids[i]
        target = places[i] - check.standing[name].off
        for was, now in ((kept.places[name], places[i]), (kept.targets.get(name), target)):
            if was is None or max(abs(was[0] - now[0]), abs(was[1] - now[1])) > SAME_MM:
                return False
    return True


def _standing(about: About) -> list[StandingShown]:
    check, words = about.check, about.words
    limit = tolerances(check.drawing, check.diagnosis.errs)
    made = []
    for i, name in enumerate(check.drawing.ids):
        if not check.drawing.is_known(i):
            continue
        stands = check.standing[name]
        allowed = words.length(round(float(limit[i]), 1))
        where = say_where(words, *stands.off)
        said = f"within the {allowed} that you allow" if stands.within else where
        made.append(StandingShown(landmark=name, said=said, within=stands.within))
    return made


WAYS = {
    "left": "too far left", "right": "too far right", "higher": "too high", "lower": "too low",
    "larger": "too large", "smaller": "too small", "fine": "fine",
}  # fmt: skip


def _guess(each: EyeGuess, about: About) -> GuessShown:
    words, check = about.words, about.check
    if each.landmark is None:
        whole = [f for f in check.diagnosis.faults if not f.landmarks]
        found = say_fault(about, whole[0]) if whole else "Nothing is wrong with the whole."
        return GuessShown(eye=f"The whole: {WAYS[each.way]}", found=found, right=each.right)
    name = words.of(each.landmark)
    stands = check.standing.get(each.landmark)
    if stands is None:
        found = "It was not measured."
    elif stands.within:
        found = "It stands."
    else:
        found = f"{say_where(words, *stands.off).capitalize()}."
    return GuessShown(eye=f"{name}: {WAYS[each.way]}", found=found, right=each.right)
