"""What takes long, and leaving it off."""

from __future__ import annotations

from flask import Response
from pydantic import BaseModel, Field

from zirkel.web.border import blueprint
from zirkel.web.problems import as_json
from zirkel.web.work import works

routes = blueprint("work", "What takes long")


class WorkPath(BaseModel):
    """A piece of work in the address."""

    number: int = Field(ge=1, le=2**53)


class Running(BaseModel):
    """One request at work: what it was asked for, what it is doing, for how many seconds."""

    id: int
    what: str
    doing: str
    seconds: float


class WorkList(BaseModel):
    """All that take long."""

    running: list[Running]


@routes.get("/running", responses={"200": WorkList}, operation_id="work")
def get_work() -> Response:
    """What takes long just now."""
    found = [
        Running(id=each.id, what=each.what, doing=each.doing, seconds=round(seconds, 1))
        for each, seconds in works().long()
    ]
    return as_json(WorkList(running=found))


@routes.delete("/running/<int:number>", responses={"204": None}, operation_id="leaveWork")
def delete_work(path: WorkPath) -> Response:
    """Leave a piece of work off: nothing of it is kept."""
    works().leave(path.number)
    return Response(status=204)
