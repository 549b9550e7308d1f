"""What the prompter says of a study: what to sight next, simple relations, and trust."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime

from pydantic import BaseModel

from zirkel.core.network.ambiguity import Ambiguity
from zirkel.core.network.hang import best_to_hang
from zirkel.core.network.holding import what_holds
from zirkel.core.network.relations import Line, Relation, simple_here
from zirkel.core.network.trust import Component
from zirkel.core.network.what_next import Next, Suggestion
from zirkel.core.sightings import Sighting
from zirkel.core.sitting.clock import running
from zirkel.core.sitting.course import controls_left, plan_now, shifted, since_the_break
from zirkel.core.sitting.short_poses import asked_of, in_a_short_pose
from zirkel.core.sitting.tiers import sight_for, tiers
from zirkel.core.words.enough import say_enough, say_on
from zirkel.core.words.network import because, say_ambiguity, say_sigma
from zirkel.core.words.short_poses import DRAW_NOW, SIGHT_ON
from zirkel.core.words.sightings import ask_for, said, say_hang
from zirkel.core.words.sitting import WHY_CONTROL, say_same
from zirkel.core.worked import Worked
from zirkel.store.store import Store, Stored
from zirkel.studyfile.sightings import sighting_to_file
from zirkel.views.care import say_moved
from zirkel.views.subject import hidden_from

RELATIONS = 12
PROMPTED = 5
AMBIGUOUS = 3
TELLING = 2.0
"""How far off a relation may be, 19 times in 20, over what the large shapes may be on average."""


class Prompt(BaseModel):
    """A reading worth taking, in words; the slack of `settles` in mm before and after."""

    kind: str
    start: str
    end: str
    along: str | None
    towards: str | None
    ask: str
    because: str
    gain: float
    checks: list[str]
    settles: str
    before_mm: float
    after_mm: float
    control: bool = False
    """Whether it is asked again to tell whether the place is the same."""


class AmbiguousPlace(BaseModel):
    """A landmark that may lie elsewhere, in words; the reading that would tell, if there is one."""

    landmark: str
    said: str
    kind: str | None
    start: str | None
    end: str | None
    ask: str | None


class Enough(BaseModel):
    """Up to which tier all stand, in words, and what a button says that goes on all the same."""

    tier: int
    said: str
    on: str


class HangPrompt(BaseModel):
    """A plumb (`drop`) or level that passes by much that is unsure, in words."""

    kind: str
    through: str
    near: list[str]
    said: str


class Shifted(BaseModel):
    """What has shifted since the last break, in words, and what the model's move is called."""

    said: str
    moved: str


class Prompts(BaseModel):
    """What to sight next, what would check what nothing checks, what would hold what is loose, and
    what may lie elsewhere; `enough` once all stand up to a tier; `shifted` where the place isn't
    the same after a break."""

    version: int
    sightings: list[Prompt]
    checks: list[Prompt]
    unchecked: list[str]
    holds: list[Prompt]
    ambiguous: list[AmbiguousPlace]
    hang: HangPrompt | None
    enough: Enough | None
    shifted: Shifted | None


class RelationPrompt(BaseModel):
    """A simple relation in words, and as the sighting that says it."""

    said: str
    within: str
    kind: str
    along: str | None
    landmarks: list[str]
    entry: dict[str, str | float | bool | list[str]]
    worth: float


class LinePrompt(BaseModel):
    """A plumb or level line for the whole drawing, in millimetres from the sheet's edge."""

    axis: str
    at_mm: float
    through: list[str]
    said: str


class RelationPrompts(BaseModel):
    """Simple relations best first, and the best lines."""

    version: int
    relations: list[RelationPrompt]
    lines: list[LinePrompt]


class TrustLine(BaseModel):
    """How far one kind of reading is trusted, and what the artist's own readings say of it."""

    kind: str
    readings: int
    set_now: float
    sigma: str
    estimate: float | None
    sd: float | None
    estimated_sigma: str | None
    offered: bool


class TrustReport(BaseModel):
    """Trust in every kind that the study has readings of."""

    version: int
    kinds: list[TrustLine]


def open_prompts(store: Store, study_id: int) -> Prompts:
    """What to sight next in one study."""
    stored = store.get(study_id)
    worked, unseen = stored.worked, hidden_from(stored)
    asked, enough = _in_their_order(worked, unseen)
    found, control = _in_the_sitting(worked, asked, unseen)
    if in_a_short_pose(worked.study):
        left = asked_of(worked.solution.adjusted, unseen)
        found = replace(asked, sightings=left)
        enough = None if left else Enough(tier=1, said=DRAW_NOW, on=SIGHT_ON)
    holds = what_holds(worked.solution.adjusted, worked.sliding, unseen)
    return Prompts(
        version=stored.version,
        sightings=[_prompt(stored.worked, each, control) for each in found.sightings],
        checks=[_prompt(stored.worked, each) for each in found.checks],
        unchecked=list(found.unchecked),
        holds=[_prompt(worked, each) for each in holds.values()],
        hang=_hang(worked, unseen),
        enough=enough,
        ambiguous=[_ambiguous(worked, each) for each in worked.ambiguities(unseen)[:AMBIGUOUS]],
        shifted=_shifted(stored),
    )


def _shifted(stored: Stored) -> Shifted | None:
    found = shifted(stored.study)
    return None if found is None else Shifted(said=say_same(found), moved=say_moved(stored))


def _hang(worked: Worked, unseen: tuple[str, ...]) -> HangPrompt | None:
    found = best_to_hang(worked.solution.adjusted, unseen)
    if found is None:
        return None
    return HangPrompt(
        kind=found.kind, through=found.through, near=list(found.near),
        said=say_hang(worked.words, found.kind, found.through, len(found.near)),
    )  # fmt: skip


def _in_their_order(worked: Worked, unseen: tuple[str, ...]) -> tuple[Next, Enough | None]:
    """What is asked for the large shapes first, then the middle ones, then detail; and that it is
    enough, once it is."""
    found = tiers(worked.solution, worked.sliding, worked.sure_enough, unseen)
    asked = sight_for(worked.solution, found, worked.next(unseen), PROMPTED, unseen)
    if not asked.standing:
        return asked.next, None
    last = found[-1].tier
    said, on = say_enough(asked.standing, last), say_on(asked.standing, last)
    return asked.next, Enough(tier=asked.standing, said=said, on=on)


def _in_the_sitting(worked: Worked, usual: Next, unseen: tuple[str, ...]) -> tuple[Next, bool]:
    """What is asked while a sitting goes on: control readings after a break (True), then what the
    time that is left allows; else what is usual."""
    study, solution = worked.study, worked.solution
    sitting = running(study)
    if sitting is None:
        return usual, False
    since = since_the_break(study)
    if since is not None:
        again = controls_left(solution.adjusted, since, unseen)
        if again:
            return replace(usual, sightings=again), True
    plan = plan_now(solution.adjusted, sitting, datetime.now(UTC), solution.scatter, unseen)
    return (replace(usual, sightings=plan.sightings[:PROMPTED]) if plan else usual), False


def _ambiguous(worked: Worked, each: Ambiguity) -> AmbiguousPlace:
    words, told = worked.words, each.telling
    return AmbiguousPlace(
        landmark=each.landmark,
        said=say_ambiguity(words, each, worked.positions[each.landmark]),
        kind=told.kind if told else None,
        start=told.start if told else None,
        end=told.end if told else None,
        ask=ask_for(words, told.kind, told.start, told.end, None, None) if told else None,
    )


def _prompt(worked: Worked, each: Suggestion, control: bool = False) -> Prompt:
    size = worked.plan.unit_mm or 1.0
    settles, before, after = each.settles
    return Prompt(
        kind=each.kind,
        start=each.start,
        end=each.end,
        along=each.along,
        towards=each.towards,
        ask=ask_for(worked.words, each.kind, each.start, each.end, each.along, each.towards),
        because=WHY_CONTROL if control else because(worked.study, worked.words, each),
        control=control,
        gain=each.gain,
        checks=list(each.checks),
        settles=settles,
        before_mm=before * size,
        after_mm=after * size,
    )


def open_relations(store: Store, study_id: int) -> RelationPrompts:
    """The simple relations in one study that are not adopted yet."""
    stored = store.get(study_id)
    worked = stored.worked
    found = worked.relations
    adopted = {_fact(each) for each in worked.study.adopted}
    large = tiers(worked.solution, worked.sliding, worked.sure_enough)
    here = simple_here(found.relations, worked.study, TELLING * large[0].enough) if large else ()
    news = [each for each in here if _fact(each.sighting) not in adopted]
    return RelationPrompts(
        version=stored.version,
        relations=[_relation(worked, each) for each in news[:RELATIONS]],
        lines=[
            *(_line(worked, 0, each) for each in found.plumbs),
            *(_line(worked, 1, each) for each in found.levels),
        ],
    )


def _fact(sighting: Sighting) -> tuple[str, tuple[str, ...], str | None]:
    return sighting.kind, sighting.landmarks, getattr(sighting, "along", None)


def _relation(worked: Worked, each: Relation) -> RelationPrompt:
    return RelationPrompt(
        said=said(each.sighting, worked.words),
        within=f"within {worked.words.slack(each.within)}",
        kind=each.sighting.kind,
        along=getattr(each.sighting, "along", None),
        landmarks=list(each.sighting.landmarks),
        entry=sighting_to_file(each.sighting, with_defaults=True),
        worth=each.worth,
    )


def _line(worked: Worked, axis: int, line: Line) -> LinePrompt:
    through = ", ".join(worked.words.of(each) for each in line.through)
    return LinePrompt(
        axis=("plumb", "level")[axis],
        at_mm=worked.plan.origin_mm[axis] + line.at * (worked.plan.unit_mm or 1.0),
        through=list(line.through),
        said=f"{('Plumb', 'Level')[axis]} line through {through}",
    )


def open_trust(store: Store, study_id: int) -> TrustReport:
    """How far each kind of reading is trusted in one study."""
    stored = store.get(study_id)
    worked = stored.worked
    examples = {each.kind: each for each in worked.solution.adjusted.network.sightings}

    def sigma(each: Component, factor: float) -> str:
        return say_sigma(examples[each.kind], factor, worked.words)

    return TrustReport(
        version=stored.version,
        kinds=[
            TrustLine(
                kind=each.kind,
                readings=each.readings,
                set_now=each.set_now,
                sigma=sigma(each, each.set_now),
                estimate=each.estimate,
                sd=each.sd,
                estimated_sigma=None if each.estimate is None else sigma(each, each.estimate),
                offered=each.offered,
            )
            for each in worked.trust
        ],
    )
