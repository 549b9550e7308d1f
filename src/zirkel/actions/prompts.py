"""What the prompter says of a study: what to sight next, simple relations, and trust."""

from __future__ import annotations

from dataclasses import replace

from pydantic import BaseModel

from zirkel.core.network.kinds import Sighting
from zirkel.core.network.relations import Line, Relation, find_relations
from zirkel.core.network.solve import Solution, solve
from zirkel.core.network.trust import personal_trust
from zirkel.core.network.what_next import Suggestion, what_next
from zirkel.core.network.words import ask_for, say_reading, say_sigma
from zirkel.core.sheet.plan import Plan, make_plan
from zirkel.core.study import Study, UnitLength
from zirkel.store.store import Store
from zirkel.studyfile.sightings import sighting_to_file

RELATIONS = 12


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


class Prompts(BaseModel):
    """What to sight next, and what would check what nothing checks."""

    version: int
    sightings: list[Prompt]
    checks: list[Prompt]
    unchecked: list[str]


class RelationPrompt(BaseModel):
    """A simple relation in words, and as the sighting that says it."""

    said: str
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


def open_prompts(store: Store, study_id: int, count: int = 5) -> Prompts:
    """What to sight next in one study."""
    stored = store.get(study_id)
    study, solution, plan = _solved(stored.study)
    found = what_next(solution.adjusted, count)
    return Prompts(
        version=stored.version,
        sightings=[_prompt(study, plan, each) for each in found.sightings],
        checks=[_prompt(study, plan, each) for each in found.checks],
        unchecked=list(found.unchecked),
    )


def _solved(study: Study) -> tuple[Study, Solution, Plan]:
    """The study with its unit's size on the sheet settled, so that slack is said in mm."""
    solution = solve(study)
    plan = make_plan(study, solution)
    sized = study if plan.unit_mm is None else replace(study, unit_mm=plan.unit_mm)
    net = replace(solution.adjusted.network, study=sized)
    return sized, replace(solution, adjusted=replace(solution.adjusted, network=net)), plan


def _prompt(study: Study, plan: Plan, each: Suggestion) -> Prompt:
    size = plan.unit_mm or 1.0
    settles, before, after = each.settles
    return Prompt(
        kind=each.kind,
        start=each.start,
        end=each.end,
        along=each.along,
        towards=each.towards,
        ask=ask_for(study, each.kind, each.start, each.end, each.along, each.towards),
        because=each.because,
        gain=each.gain,
        checks=list(each.checks),
        settles=settles,
        before_mm=before * size,
        after_mm=after * size,
    )


def open_relations(store: Store, study_id: int) -> RelationPrompts:
    """The simple relations in one study that are not adopted yet."""
    stored = store.get(study_id)
    study, solution, plan = _solved(stored.study)
    found = find_relations(solution.adjusted, RELATIONS)
    adopted = {_fact(each) for each in study.adopted}
    return RelationPrompts(
        version=stored.version,
        relations=[
            _relation(study, each)
            for each in found.relations
            if _fact(each.sighting) not in adopted
        ],
        lines=[
            *(_line(study, plan, 0, each) for each in found.plumbs),
            *(_line(study, plan, 1, each) for each in found.levels),
        ],
    )


def _fact(sighting: Sighting) -> tuple[str, tuple[str, ...], str | None]:
    return sighting.kind, sighting.landmarks, getattr(sighting, "along", None)


def _relation(study: Study, each: Relation) -> RelationPrompt:
    return RelationPrompt(
        said=say_reading(study, each.sighting),
        kind=each.sighting.kind,
        along=getattr(each.sighting, "along", None),
        landmarks=list(each.sighting.landmarks),
        entry=sighting_to_file(each.sighting, with_defaults=True),
        worth=each.worth,
    )


def _line(study: Study, plan: Plan, axis: int, line: Line) -> LinePrompt:
    names = {each.id: each.name for each in study.landmarks}
    through = ", ".join(names[each] for each in line.through)
    return LinePrompt(
        axis=("plumb", "level")[axis],
        at_mm=plan.origin_mm[axis] + line.at * (plan.unit_mm or 1.0),
        through=list(line.through),
        said=f"{('Plumb', 'Level')[axis]} line through {through}",
    )


def open_trust(store: Store, study_id: int) -> TrustReport:
    """How far each kind of reading is trusted in one study."""
    stored = store.get(study_id)
    study = stored.study
    solution = solve(study)
    in_mm = isinstance(study.unit, UnitLength)
    examples = {each.kind: each for each in solution.adjusted.network.sightings}
    return TrustReport(
        version=stored.version,
        kinds=[
            TrustLine(
                kind=each.kind,
                readings=each.readings,
                set_now=each.set_now,
                sigma=say_sigma(examples[each.kind], each.set_now, in_mm),
                estimate=each.estimate,
                sd=each.sd,
                estimated_sigma=(
                    None
                    if each.estimate is None
                    else say_sigma(examples[each.kind], each.estimate, in_mm)
                ),
                offered=each.offered,
            )
            for each in personal_trust(solution.adjusted)
        ],
    )
