"""Heads of a study: what they tell, as it is drawn and said."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.canons import head_canons
from zirkel.core.head import POINTS
from zirkel.core.heads.solved import SolvedHead
from zirkel.core.words.heads import say_departure, say_point, say_pose
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


class HeadsRoom(BaseModel):
    """All heads of a study, the points that a head has, and what is said of the canons."""

    version: int
    heads: list[HeadShown]
    points: list[str]
    note: str


def open_heads(store: Store, study_id: int) -> HeadsRoom:
    """What the study's heads tell."""
    stored = store.get(study_id)
    note, canons = head_canons()
    solved = stored.worked.heads(canons)
    return HeadsRoom(
        version=stored.version,
        heads=[
            _head(stored.worked, found, dict(head.points))
            for head, found in zip(stored.study.heads, solved, strict=True)
        ],
        points=list(POINTS),
        note=note,
    )


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
                said=say_departure(each), departs=each.off >= 2.0,
            )
            for each in found.departures
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
