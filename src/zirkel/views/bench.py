"""What the bench shows of a study: everything computed, and said, ready to be drawn."""

from __future__ import annotations

from zirkel.core.network.checks import unchecked
from zirkel.core.network.solve import Solution, Take
from zirkel.core.sheet.plan import Mark
from zirkel.core.sitting.course import since_the_break
from zirkel.core.sitting.tiers import tiers
from zirkel.core.study import Study, UnitLength, UnitPair
from zirkel.core.tones.overlaps import FADED, fading
from zirkel.core.words.base import Words
from zirkel.core.words.enough import say_tier
from zirkel.core.words.network import (
    doubt_detail,
    doubt_headline,
    say_value,
    take_warning,
    thin_take,
)
from zirkel.core.words.plural import several
from zirkel.core.words.sightings import said
from zirkel.core.worked import Worked
from zirkel.store.store import Store, Stored
from zirkel.studyfile.sightings import sighting_to_file
from zirkel.views.bench_artist import artist_of
from zirkel.views.bench_told import (
    Bench,
    BenchDid,
    BenchDoubt,
    BenchLandmark,
    BenchReading,
    BenchRelation,
    BenchShape,
    BenchSheet,
    BenchTake,
    BenchTier,
    BenchUnit,
    FadingSide,
)
from zirkel.views.did import say_what_it_did
from zirkel.views.letters import short_letters
from zirkel.views.sitting import clock_of
from zirkel.views.subject import (
    Laid,
    Sight,
    bench_subject,
    hidden_from,
    lay_beside,
    sight_of,
)
from zirkel.views.task import task_of


def open_bench(store: Store, study_id: int) -> Bench:
    """The bench of one study."""
    return bench_of(store.get(study_id))


def bench_of(stored: Stored, before: Stored | None = None) -> Bench:
    """Everything the bench shows of a stored study, after a change to what it was before."""
    study = stored.study
    worked = stored.worked
    solution, plan, words = worked.solution, worked.plan, worked.words
    sight = sight_of(stored)
    laid = lay_beside(study, sight, plan)
    kept = {each.id for each in study.sightings if each.kept}
    return Bench(
        id=stored.id,
        version=stored.version,
        title=study.title,
        note=study.note,
        method=study.method,
        demo=stored.demo is not None,
        changed_at=stored.changed_at,
        undo=stored.undo,
        redo=stored.redo,
        unit=_unit(study),
        sheet=_sheet(worked),
        subject=bench_subject(stored, sight, laid),
        landmarks=_landmarks(worked, _seen(sight, laid)),
        tiers=_tiers(worked, hidden_from(stored)),
        shapes=[
            BenchShape(
                id=each.id,
                name=each.name,
                outline=list(each.outline),
                closed=each.closed,
                tier=each.tier,
                part_of=each.part_of,
                weight=worked.layers.weight(each.id, each.part_of is not None)
                if study.overlaps
                else 1.0,
                fades=[
                    FadingSide(near=near, far=far, left=FADED)
                    for near, far in fading(each.outline, each.closed, worked.running_back)
                ]
                if study.overlaps
                else [],
            )
            for each in study.shapes
        ],
        readings=_readings(study, solution, words),
        doubts=[
            BenchDoubt(
                sighting=each.sighting,
                reads=_reads(study, words, each.sighting),
                headline=doubt_headline(study, words, each),
                detail=doubt_detail(study, words, each, solution.scatter),
                rivals=list(each.rivals),
                kept=each.sighting in kept,
            )
            for each in solution.doubts
        ],
        takes=_takes(study, solution),
        adopted=[
            BenchRelation(
                id=each.id,
                said=said(each, words),
                kind=each.kind,
                along=getattr(each, "along", None),
                landmarks=list(each.landmarks),
            )
            for each in study.adopted
        ],
        current_take=current_take(study),
        clock=clock_of(study),
        task=task_of(worked),
        variance_factor=solution.variance_factor,
        scatter=solution.scatter,
        agreement=worked.agreement,
        did=_did(before, stored),
        inches=study.inches,
        eye_first=study.eye_first,
        artist=artist_of(study),
    )


def _tiers(worked: Worked, unseen: tuple[str, ...]) -> list[BenchTier]:
    found = tiers(worked.solution, worked.sliding, worked.sure_enough, unseen)
    return [
        BenchTier(tier=each.tier, said=say_tier(worked.words, each), sure=each.sure)
        for each in found
    ]


def _did(before: Stored | None, after: Stored) -> BenchDid | None:
    if before is None or before.version == after.version:
        return None
    told = say_what_it_did(before.worked, after.worked)
    return None if told is None else BenchDid(text=told[0], bad=told[1])


def _reads(study: Study, words: Words, name: str) -> str:
    sighting = next(each for each in study.sightings if each.id == name)
    return say_value(words, sighting, sighting.value)


def _unit(study: Study) -> BenchUnit | None:
    unit = study.unit
    if isinstance(unit, UnitPair):
        return BenchUnit(
            name=unit.name, many=several(unit.name), start=unit.start, end=unit.end,
            along=unit.along, mm=None,
        )  # fmt: skip
    if isinstance(unit, UnitLength):
        return BenchUnit(
            name=unit.name, many=several(unit.name), start=unit.origin, end=None, along=None,
            mm=unit.mm,
        )  # fmt: skip
    return None


def _sheet(worked: Worked) -> BenchSheet:
    study, plan, words = worked.study, worked.plan, worked.words
    margin = study.sheet.margin
    return BenchSheet(
        width_mm=study.sheet.width_mm,
        height_mm=study.sheet.height_mm,
        margin_left_mm=margin.left,
        margin_right_mm=margin.right,
        margin_top_mm=margin.top,
        margin_bottom_mm=margin.bottom,
        unit_mm=plan.unit_mm,
        unit_chosen=study.unit_mm is not None,
        fits=plan.fits,
        fill=min(plan.fill, 99.0),
        orientation=plan.orientation,
        outside=list(plan.outside),
        said_size=words.size(study.sheet.width_mm, study.sheet.height_mm),
        said_unit=words.length(plan.unit_mm) if plan.unit_mm else None,
        sight_size_mm=study.sight_size_mm,
        off_sight_size=worked.off_sight_size,
    )


def _seen(sight: Sight, laid: Laid | None) -> dict[str, tuple[float, float]]:
    """Where each landmark is seen beside the sheet, in mm."""
    if laid is None:
        return {}
    return {name: laid.place(place) for name, place in sight.places.items()}


def _landmarks(worked: Worked, seen: dict[str, tuple[float, float]]) -> list[BenchLandmark]:
    study, plan = worked.study, worked.plan
    letters = short_letters({each.id: each.name for each in study.landmarks})
    standing, words = worked.standing, worked.words
    count: dict[str, int] = {}
    for reading in study.sightings:
        for name in () if reading.struck else reading.landmarks:
            count[name] = count.get(name, 0) + 1
    made = []
    for each in study.landmarks:
        mark: Mark = plan.marks[each.id]
        left, top = seen.get(each.id, (None, None))
        made.append(
            BenchLandmark(
                id=each.id,
                name=each.name,
                letters=letters[each.id],
                tier=each.tier,
                standing=standing[each.id],
                loose=worked.sliding.get(each.id),
                from_left_mm=mark.from_left_mm,
                from_top_mm=mark.from_top_mm,
                slack_mm=None if mark.slack is None else mark.slack.longer,
                said_left=_length(words, mark.from_left_mm),
                said_top=_length(words, mark.from_top_mm),
                said_slack=None if mark.slack is None else words.within(mark.slack.longer),
                held_left_mm=mark.held_left_mm,
                held_top_mm=mark.held_top_mm,
                slack=mark.slack,
                seen_left_mm=left,
                seen_top_mm=top,
                rough=each.rough,
                readings=count.get(each.id, 0),
            )
        )
    return made


def _length(words: Words, mm: float | None) -> str | None:
    return None if mm is None else words.length(mm if words.inches else round(mm))


def _readings(study: Study, solution: Solution, words: Words) -> list[BenchReading]:
    doubted = {each.sighting for each in solution.doubts}
    unproved = set(unchecked(solution.adjusted))
    made = []
    for each in study.sightings:
        fit = solution.readings.get(each.id)
        if each.struck:
            state = "struck"
        elif each.id in doubted:
            state = "doubted"
        else:
            state = "unchecked" if each.id in unproved else "fits"
        made.append(
            BenchReading(
                id=each.id,
                said=said(each, words),
                landmarks=list(each.landmarks),
                take=each.take_name,
                state=state,
                standardized=fit.standardized if fit else None,
                redundancy=fit.redundancy if fit else None,
                kind=each.kind,
                entry={k: v for k, v in sighting_to_file(each).items() if k not in each.extra},
            )
        )
    return made


def _takes(study: Study, solution: Solution) -> list[BenchTake]:
    return [
        BenchTake(
            name=name,
            drift=take.drift,
            sd=take.sd,
            thin=take.thin,
            readings=sum(s.take_name == name and not s.struck for s in study.sightings),
            warning=_take_words(name, take),
        )
        for name, take in solution.takes.items()
    ]


def _take_words(name: str, take: Take) -> str | None:
    if take.significant:
        return take_warning(name, take.apart)
    return thin_take(name) if take.thin else None


def current_take(study: Study) -> str:
    """The take of the last reading that has one, or the first take; a new one once the model has
    moved."""
    named = [s.take_name for s in study.sightings if s.take_name is not None]
    if not named:
        return "t1"
    since = since_the_break(study)
    taken = since is not None and any(each.take_name for each in since.after)
    if since is None or taken:
        return named[-1]
    numbers = [int(each[1:]) for each in named if each[:1] == "t" and each[1:].isdigit()]
    return f"t{max(numbers, default=0) + 1}"
