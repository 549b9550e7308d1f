"""What a pupil does with a lesson's task: hands it in, takes it back, leaves it behind."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime
from typing import Literal

from zirkel.commands.base import Change, expect
from zirkel.core.study import Study
from zirkel.errors import BadInput


class HandIn(Change):
    """Hand in what a lesson asks for, as it is now; or take it back to go on with it."""

    type: Literal["hand_in"] = "hand_in"
    handed: bool

    def made(self, study: Study) -> Study:
        """The study with when it was handed in."""
        expect(study.task is not None, "task", "task", "task")
        assert study.task is not None
        if self.handed and not (study.sightings or study.drawn):
            raise BadInput("task", "nothing is read or drawn yet: there is nothing to hand in")
        now = datetime.now(UTC).isoformat(timespec="seconds")
        return replace(study, task=replace(study.task, handed_at=now if self.handed else None))

    def label(self, before: Study, after: Study) -> str:
        """Which of the two."""
        return "Hand it in" if self.handed else "Take back what was handed in"


class LeaveTask(Change):
    """Leave behind what a lesson asked, in one's own Zirkel."""

    type: Literal["leave_task"] = "leave_task"

    def made(self, study: Study) -> Study:
        """The study without a task."""
        return replace(study, task=None)

    def label(self, before: Study, after: Study) -> str:
        """That it is left behind."""
        return "Leave the lesson's task behind"
