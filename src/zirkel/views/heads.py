"""Heads of a study: what they tell, as it is drawn and said."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.canons import figure_canons, head_canons
from zirkel.core.head import FIGURE_POINTS, POINTS, Figure
from zirkel.core.heads.solved import SolvedHead
from zirkel.core.words.heads import say_departure, say_figure, say_point, say_pose
from zirkel.core.worked import Worked
from zirkel.store.store import Store

Spot = tuple[float, float]


class HeadLine(BaseModel):
    """A line of the construction, in mm on the sheet."""

    name: str
    points_mm: list[Spot]


class DepartureShown(BaseModel):
    """One measure against its canon."""

    measure: str
    canon: float
    here: float
    sd: float
    said: str
    departs: bool


class PredictedShown(BaseModel):
    """A point that nobody has sighted, where it is to be expected."""

    point: str
    said: str
    at_mm: Spot
    sd_mm: float


class HeadShown(BaseModel):
    """A head: its points by landmark, what is said of it, its construction and departures."""

    id: str
    name: str
    points: dict[str, str]
    said: list[str]
    lines: list[HeadLine]
    departures: list[DepartureShown]
    predicted: list[PredictedShown]
    off: list[str]


class FigureShown(BaseModel):
    """A figure: its points by landmark, what is said of it, its lines."""

    id: str
    name: str
    points: dict[str, str]
    said: list[str]
    lines: list[HeadLine]


class HeadsRoom(BaseModel):
    """All heads and figures of a study, the points that each has, and what is said of the
    canons."""

    version: int
    heads: list[HeadShown]
    figures: list[FigureShown]
    points: list[str]
    figure_points: list[str]
    note: str


def open_heads(store: Store, study_id: int) -> HeadsRoom:
    """What the study's heads tell."""
    stored = store.get(study_id)
    note, canons = head_canons()
    solved = stored.worked.heads(canons)
    figures = stored.worked.figures(figure_canons()[1])
    return HeadsRoom(
        version=stored.version,
        heads=[
            _head(stored.worked, found, dict(head.points))
            for head, found in zip(stored.study.heads, solved, strict=True)
        ],
        figures=[
            FigureShown(
                id=each.id,
                name=each.name,
                points=dict(each.points),
                said=list(say_figure(told)),
                lines=_figure_lines(stored.worked, each),
            )
            for each, told in zip(stored.study.figures, figures, strict=True)
        ],
        points=list(POINTS),
        figure_points=list(FIGURE_POINTS),
        note=note,
    )


def _figure_lines(worked: Worked, figure: Figure) -> list[HeadLine]:
    """Shoulders, hips, and the plumb from the pit of the neck down to the feet."""
    marks = {
        point: (worked.plan.marks[name].held_left_mm, worked.plan.marks[name].held_top_mm)
        for point, name in figure.points.items() if name in worked.plan.marks
    }  # fmt: skip
    made = []
    for name in ("shoulder", "hip"):
        ends = [marks[f"{name}_{side}"] for side in ("left", "right") if f"{name}_{side}" in marks]
        if len(ends) == 2:
            made.append(HeadLine(name=name, points_mm=ends))
    feet = [marks[name][1] for name in ("heel_left", "heel_right") if name in marks]
    if "pit" in marks and feet:
        x, y = marks["pit"]
        made.append(HeadLine(name="balance", points_mm=[(x, y), (x, max(feet))]))
    return made


def _head(worked: Worked, found: SolvedHead, points: dict[str, str]) -> HeadShown:
    unit, (left, top) = worked.plan.unit_mm, worked.plan.origin_mm

    def on_sheet(at: Spot) -> Spot:
        scale = unit or 0.0
        return left + scale * at[0], top + scale * at[1]

    lines = []
    if unit is not None and found.fitted is not None:
        lines.append(
            HeadLine(name="line of symmetry", points_mm=[on_sheet(at) for at in found.middle])
        )
        lines += [
            HeadLine(name=name, points_mm=[on_sheet(at) for at in line])
            for name, line in found.levels
        ]
    return HeadShown(
        id=found.id, name=found.name, points=points, said=list(say_pose(found)), lines=lines,
        departures=[
            DepartureShown(
                measure=each.measure, canon=each.canon, here=each.here, sd=each.sd,
                said=say_departure(each, i == 0), departs=each.off >= 2.0,
            )
            for i, each in enumerate(found.departures)
        ],
        predicted=[
            PredictedShown(
                point=name, said=say_point(name), at_mm=on_sheet(each.at),
                sd_mm=each.sd * (unit or 0.0),
            )
            for name, each in found.predicted.items() if unit is not None
        ],
        off=[say_point(name) for name in found.off],
    )  # fmt: skip
