"""The tone's room: areas of light and dark, what to compare, what contradicts, and the plan of flat
tones."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np
from pydantic import BaseModel

from zirkel.core.light import ToneArea
from zirkel.core.study import PictureSubject, SimulatedSubject, Study
from zirkel.core.subject.flat import on_picture
from zirkel.core.tones.grey import grey_of
from zirkel.core.tones.groups import MOST_GROUPS
from zirkel.core.tones.laying import laying
from zirkel.core.tones.media import MediumData
from zirkel.core.tones.plan import USUAL_GROUPS, TonePlan
from zirkel.core.tones.shares import crosses_itself
from zirkel.core.tones.what_next import NextComparison
from zirkel.core.words.laying import say_laying
from zirkel.core.words.tones import (
    say_anchor,
    say_crossing,
    say_difference,
    say_lines,
    say_loose,
    say_mixed,
    say_question,
    say_reading,
    say_step,
    say_tone_doubt,
)
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.media import own_media, shipped_media
from zirkel.pictures.lightness import picture_tones, scene_tones
from zirkel.store.store import Store, Stored
from zirkel.views.subject import BenchSubject, bench_subject, lay_beside, render_scene, sight_of

Spot = tuple[float, float]


class AreaShown(BaseModel):
    """An area: its side, its share of the frame, its outline on the subject and on the sheet (mm),
    what is known of its tone, and what it becomes on paper; greys to show both."""

    id: str
    name: str
    side: str | None
    outline: list[str]
    share: float | None
    said_share: str | None
    seen_mm: list[Spot]
    sheet_mm: list[Spot]
    tone: float | None
    sd: float | None
    said: str
    grey: str | None
    group: int | None
    on_sheet: float | None
    sheet_grey: str | None
    trouble: str | None


class ComparisonShown(BaseModel):
    """A comparison as it was made, and how it stands to the others."""

    id: str
    said: str
    areas: list[str]
    struck: bool
    computed: bool
    doubted: bool


class ToneDoubtShown(BaseModel):
    """A comparison that the others contradict, and the chain that does."""

    id: str
    headline: str
    detail: str
    cycle: list[str]


class QuestionShown(BaseModel):
    """What to compare next."""

    kind: str
    first: str
    second: str | None
    said: str
    expected: str | None
    gain: float


class FlatToneShown(BaseModel):
    """A flat tone of the plan, lightest first."""

    number: int
    said_tone: str
    grey: str
    areas: list[str]
    bare: bool


class MediumShown(BaseModel):
    """A medium that can be chosen."""

    name: str
    title: str
    paper: float
    lightest: float
    darkest: float
    chosen: bool
    cautions: list[str]


class OverlapShown(BaseModel):
    """Which shape stands before which."""

    front: str
    behind: str
    said: str


class ToneRoom(BaseModel):
    """Light and dark of a study."""

    version: int
    subject: BenchSubject
    paper_grey: str
    areas: list[AreaShown]
    comparisons: list[ComparisonShown]
    doubts: list[ToneDoubtShown]
    questions: list[QuestionShown]
    anchored: bool
    anchor: str | None
    loose: str | None
    crossing: list[str]
    groups: int
    flat: list[FlatToneShown]
    mixed: str | None
    laying: list[str]
    """How the tones are laid, pass by pass; the first line says how to begin."""
    media: list[MediumShown]
    media_trouble: list[str]
    """What is wrong with the artist's own media files."""
    overlaps: list[OverlapShown]
    layers: list[str]
    can_read: bool
    """Whether tones can be read off what is shown as the subject."""


class ReadOff(BaseModel):
    """Steps read off the subject by area, to be kept or not."""

    steps: dict[str, float]
    said: str


def media_of(store: Store) -> dict[str, MediumData]:
    """The media that ship, and the artist's own beside the database; an own one of the same name
    takes its place."""
    return {**shipped_media(), **own_media(store.folder / "media")[0]}


def medium_data(store: Store, study: Study) -> MediumData | None:
    """What is known of the study's medium."""
    chosen = study.tone_medium
    return media_of(store).get(chosen.name or "") if chosen else None


def open_tones(store: Store, study_id: int, groups: int = USUAL_GROUPS) -> ToneRoom:
    """Light and dark of a study, in so many flat tones."""
    stored = store.get(study_id)
    worked, study = stored.worked, stored.study
    found = worked.tones
    data = medium_data(store, study)
    plan = worked.plan_tones(data, groups)
    names = {each.id: each.name for each in study.tone_areas}
    shapes = {each.id: each.name for each in study.shapes}
    marks = {each.id: each.name for each in study.landmarks}
    sight = sight_of(stored)
    laid = lay_beside(study, sight, worked.plan)
    doubted = {each.reading for each in found.doubts}
    return ToneRoom(
        version=stored.version,
        subject=bench_subject(stored, sight, laid),
        paper_grey=grey_of(plan.medium.paper),
        areas=_areas(worked, plan, _seen(stored)),
        comparisons=[
            ComparisonShown(
                id=each.id, said=say_reading(each, names), areas=list(each.areas),
                struck=each.struck, computed=each.computed, doubted=each.id in doubted,
            )
            for each in study.tone_readings
        ],
        doubts=_doubts(worked, names),
        questions=[_question(each, worked, names) for each in worked.next_comparisons],
        anchored=found.anchored,
        anchor=say_anchor(found),
        loose=say_loose(found, names),
        crossing=[say_crossing(each, names) for each in plan.families.crossing],
        groups=groups,
        flat=[
            FlatToneShown(
                number=each.number, said_tone=say_step(each.on_sheet), grey=grey_of(each.on_sheet),
                areas=list(each.areas), bare=each.bare,
            )
            for each in plan.flat
        ],
        mixed=say_mixed(
            plan, {each.id: each.side for each in study.tone_areas if each.side},
            _parted_at(worked), names,
        ),
        laying=say_laying(
            laying(plan, data, worked.shares), names, "layers" if data is None else data.way
        ),
        media=_media(store, study),
        media_trouble=list(own_media(store.folder / "media")[1]),
        overlaps=[
            OverlapShown(
                front=each.front, behind=each.behind,
                said=f"{shapes.get(each.front, each.front)} before "
                f"{shapes.get(each.behind, each.behind)}",
            )
            for each in study.overlaps
        ],
        layers=list(say_lines(worked.layers, shapes, worked.running_back, marks))
        if study.overlaps
        else [],
        can_read=study.subject is not None and any(each.outline for each in study.tone_areas),
    )  # fmt: skip


def _parted_at(worked: Worked) -> int | None:
    """The fewest flat tones that keep light and shadow apart."""
    counts = range(1, MOST_GROUPS + 1)
    return next((n for n in counts if not worked.plan_tones(None, n).mixed), None)


def _seen(stored: Stored) -> dict[str, Spot]:
    """Where landmarks are seen beside the sheet, in mm."""
    sight = sight_of(stored)
    laid = lay_beside(stored.study, sight, stored.worked.plan)
    return {} if laid is None else {name: laid.place(at) for name, at in sight.places.items()}


def _areas(worked: Worked, plan: TonePlan, seen: Mapping[str, Spot]) -> list[AreaShown]:
    found, shares = worked.tones, worked.shares
    marks = {
        name: (mark.held_left_mm, mark.held_top_mm) for name, mark in worked.plan.marks.items()
    }
    group_of = {name: each for each in plan.flat for name in each.areas}
    made = []
    for each in worked.study.tone_areas:
        tone, share = found.tones[each.id], shares.get(each.id)
        flat = group_of.get(each.id)
        sheet = [marks[name] for name in each.outline if name in marks]
        laid = plan.areas.get(each.id)
        made.append(
            AreaShown(
                id=each.id, name=each.name, side=each.side, outline=list(each.outline),
                share=share, said_share=None if share is None else _say_share(share),
                seen_mm=[seen[name] for name in each.outline if name in seen], sheet_mm=sheet,
                tone=tone.tone, sd=tone.sd, said=_say_tone(tone.tone, tone.sd),
                grey=None if tone.tone is None else grey_of(tone.tone if found.anchored
                                                            else plan.areas[each.id]),
                group=flat.number if flat else None, on_sheet=laid,
                sheet_grey=grey_of(flat.on_sheet) if flat else None,
                trouble=_trouble(each, sheet),
            )
        )  # fmt: skip
    return made


def _say_share(share: float) -> str:
    return "less than 1 %" if share < 0.01 else f"{share * 100:.0f} %"


def _say_tone(tone: float | None, sd: float | None) -> str:
    if tone is None or sd is None:
        return "not tied yet"
    return f"step {say_step(tone)} ± {sd:.1f}"


def _trouble(area: ToneArea, sheet: list[Spot]) -> str | None:
    if area.outline and len(sheet) < 3:
        return "Its outline has less than three landmarks: add some."
    if len(sheet) >= 3 and crosses_itself(sheet):
        return "Its outline crosses itself: join the landmarks in their order round it."
    return None


def _doubts(worked: Worked, names: Mapping[str, str]) -> list[ToneDoubtShown]:
    kinds = {each.id: each for each in worked.study.tone_readings}
    made = []
    for each in worked.tones.doubts:
        seen = worked.tones.readings.get(each.reading)
        head, detail = say_tone_doubt(each, kinds[each.reading], seen, names)
        made.append(
            ToneDoubtShown(id=each.reading, headline=head, detail=detail, cycle=list(each.cycle))
        )
    return made


def _question(each: NextComparison, worked: Worked, names: Mapping[str, str]) -> QuestionShown:
    expected = None
    if each.second is not None:
        expected = say_difference(worked.tones.difference(each.first, each.second)[0])
    return QuestionShown(
        kind=each.kind, first=each.first, second=each.second, said=say_question(each, names),
        expected=expected, gain=each.gain,
    )  # fmt: skip


def _media(store: Store, study: Study) -> list[MediumShown]:
    chosen = study.tone_medium
    return [
        MediumShown(
            name=each.name, title=each.title, paper=each.paper, lightest=each.lightest,
            darkest=each.darkest, chosen=chosen is not None and chosen.name == each.name,
            cautions=list(each.cautions),
        )
        for each in media_of(store).values()
    ]  # fmt: skip


def read_tones(store: Store, study_id: int) -> ReadOff:
    """Steps of the areas read off the scene or the picture; changes nothing."""
    stored = store.get(study_id)
    study, subject = stored.study, stored.study.subject
    if isinstance(subject, SimulatedSubject) and stored.scene is not None:
        places = sight_of(stored).places
        steps = scene_tones(render_scene(stored.scene, subject.station), _outlines(study, places))
    elif isinstance(subject, PictureSubject):
        canvas = sight_of(stored).places
        places = {name: on_picture(subject, at[None])[0] for name, at in canvas.items()}
        path = store.pictures.get(subject.picture).path
        steps = picture_tones(path, _outlines(study, places))
    else:
        raise BadInput("subject", "there is no picture or scene to read tones off: compare by eye")
    said = (
        "Nothing could be read off: outline areas by landmarks that are seen."
        if not steps
        else f"{len(steps)} areas read off. What a picture shows, its camera and light have made."
    )
    return ReadOff(steps=steps, said=said)


def _outlines(study: Study, places: Mapping[str, np.ndarray]) -> dict[str, list[list[float]]]:
    made = {}
    for each in study.tone_areas:
        points = [places[name].tolist() for name in each.outline if name in places]
        if len(points) >= 3:
            made[each.id] = points
    return made
