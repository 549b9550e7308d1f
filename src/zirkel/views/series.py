"""Series: plans of work through scenes, and how far the studies on the wall have come."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.practice.series import Series
from zirkel.core.study import SimulatedSubject
from zirkel.core.values.names import slug
from zirkel.errors import NotFound
from zirkel.series import ENDING, own_series, shipped_series
from zirkel.store.store import Store, Stored
from zirkel.studyfile.own_files import keep_own
from zirkel.studyfile.series_file import read_series, write_series
from zirkel.views.subject import thumbnail_address

MOST_SERIES = 100


class StepShown(BaseModel):
    """One study of a series. `study` is the artist's own that was changed last, `stands` how far it
    has come: not begun, begun, drawn or checked; `missing` if its scene is not here."""

    scene: str
    title: str
    trains: str
    how: str
    picture: str | None
    stands: str
    study: int | None
    missing: bool


class SeriesShown(BaseModel):
    """A plan of work."""

    name: str
    title: str
    note: str
    own: bool
    steps: list[StepShown]


class SeriesRoom(BaseModel):
    """All series, those that ship first; what is wrong with own files that can't be read."""

    series: list[SeriesShown]
    trouble: list[str]


def open_series(store: Store) -> SeriesRoom:
    """All plans of work."""
    own, trouble = own_series(store.folder / "series")
    latest: dict[str, Stored] = {}
    theirs = store.lessons.studies()
    for stored in store.all():
        if not isinstance(stored, Stored) or stored.id in theirs:
            continue
        if isinstance(stored.study.subject, SimulatedSubject):
            latest.setdefault(stored.study.subject.scene, stored)
    shown = [
        _shown(store, each, False, latest)
        for each in shipped_series().values()
        if each.name not in own
    ]
    shown += [_shown(store, each, True, latest) for each in own.values()]
    return SeriesRoom(series=shown, trouble=list(trouble))


def _shown(store: Store, series: Series, own: bool, latest: dict[str, Stored]) -> SeriesShown:
    steps = []
    for each in series.steps:
        scene, study = store.scenes.find(each.scene), latest.get(each.scene)
        steps.append(
            StepShown(
                scene=each.scene, title=each.title, trains=each.trains, how=each.how,
                picture=thumbnail_address(scene) if scene else None,
                stands=_stands(study), study=study.id if study else None, missing=scene is None,
            )
        )  # fmt: skip
    return SeriesShown(name=series.name, title=series.title, note=series.note, own=own, steps=steps)


def _stands(stored: Stored | None) -> str:
    if stored is None:
        return "not begun"
    study = stored.study
    if any(each.sound for each in study.checks):
        return "checked"
    return "drawn" if study.drawn or study.checks else "begun"


def add_series(store: Store, data: bytes) -> SeriesShown:
    """Keep a series file beside the database; one of the same name is replaced. BadInput says what
    is wrong with it."""
    series = read_series(data)
    path = store.folder / "series" / f"{slug(series.name)}{ENDING}"
    keep_own(path, ENDING, data, "series", MOST_SERIES)
    return _shown(store, series, True, {})


def series_file(store: Store, name: str) -> tuple[str, bytes]:
    """File name and bytes of a series; NotFound if there is none."""
    own, _ = own_series(store.folder / "series")
    series = own.get(name) or shipped_series().get(name)
    if series is None:
        raise NotFound(f"There is no series “{name}” here.")
    return f"{slug(series.name)}{ENDING}", write_series(series)
