"""The eye's record as a file (`zirkel-practice`): trials kept whole."""

from __future__ import annotations

import json
from collections.abc import Iterable, Mapping
from datetime import UTC, datetime
from typing import Annotated, Any, Literal

from pydantic import AwareDatetime, BaseModel, ConfigDict, Field, ValidationError, model_validator

from zirkel.core.practice.eye import Eye
from zirkel.core.practice.trials import Trial, day_of, step_shown
from zirkel.studyfile.answers import Answer
from zirkel.studyfile.entries import Finite, Id
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json

MOST_TRIALS, MOST_RECORD_BYTES = 200_000, 40_000_000
"""Fifty trials a day for eleven years, of two hundred bytes each."""


class FileTrial(BaseModel):
    """One trial: what was so and what the eye said."""

    model_config = ConfigDict(extra="allow")
    exercise: Id
    measure: Literal["relative", "share", "degrees", "steps", "units"]
    at: AwareDatetime
    truth: Finite
    answer: Finite
    seconds: Annotated[float, Field(ge=0, le=86_400, allow_inf_nan=False)] | None = None
    choice: bool = False

    @model_validator(mode="after")
    def _sound(self) -> FileTrial:
        if self.measure == "relative" and self.truth == 0:
            raise ValueError("a relative error needs a truth other than 0: give its share instead")
        return self


class PracticeFile(BaseModel):
    """All trials of one eye."""

    model_config = ConfigDict(extra="allow")
    format: Literal["zirkel-practice"]
    version: Literal[1]
    trials: list[FileTrial] = Field(max_length=MOST_TRIALS)

    @model_validator(mode="after")
    def _alike(self) -> PracticeFile:
        measures: dict[str, str] = {}
        for i, each in enumerate(self.trials):
            known = measures.setdefault(each.exercise, each.measure)
            if known != each.measure:
                raise ValueError(
                    f"trials.{i}: “{each.exercise}” is measured in {known} before and in "
                    f"{each.measure} here: call one of them otherwise"
                )
        return self


def read_practice(data: bytes) -> tuple[Trial, ...]:
    """Parse and check a record; BadInput says what is wrong."""
    return tuple(_trial(each) for each in _file(data).trials)


def read_kept(data: bytes) -> list[tuple[Trial, datetime, dict[str, Any]]]:
    """The same with each trial's time, and what else its file says of it."""
    return [(_trial(each), each.at, dict(each.model_extra or {})) for each in _file(data).trials]


def _file(data: bytes) -> PracticeFile:
    document: Any = parse_json(data, MOST_RECORD_BYTES, "record")
    try:
        return PracticeFile.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error


def _trial(each: FileTrial) -> Trial:
    return Trial(
        each.exercise, each.measure, day_of(each.at), each.truth, each.answer, each.seconds,
        each.choice, step_shown(each.model_extra or {}, each.choice),
    )  # fmt: skip


def write_practice(trials: Iterable[tuple[Trial, datetime, Mapping[str, Any]]]) -> bytes:
    """A record as a file; times are in UTC."""
    written = []
    for trial, at, extra in trials:
        said: dict[str, Any] = {
            "exercise": trial.exercise, "measure": trial.measure,
            "at": at.replace(tzinfo=UTC).isoformat().replace("+00:00", "Z"),
            "truth": trial.truth, "answer": trial.answer,
        }  # fmt: skip
        if trial.seconds is not None:
            said["seconds"] = trial.seconds
        if trial.choice:
            said["choice"] = True
        written.append({**extra, **said})
    file = {"format": "zirkel-practice", "version": 1, "trials": written}
    return (json.dumps(file, ensure_ascii=False, indent=1) + "\n").encode()


class PracticeAnswer(Answer):
    """The answer of `zirkel practice`."""

    exercises: dict[str, dict[str, Any]]

    @classmethod
    def of(cls, eyes: dict[str, Eye]) -> PracticeAnswer:
        """What the record says of each exercise."""
        return cls(
            exercises={
                name: {
                    "trials": each.trials, "measure": each.measure, "bias": each.bias,
                    "bias_sd": each.bias_sd, "spread": each.spread, "spread_sd": each.spread_sd,
                    "lapses": each.lapses,
                    "change": {
                        "per_week": each.change.per_week, "sd": each.change.sd,
                        "verdict": each.change.verdict,
                    },
                }
                for name, each in eyes.items()
            }
        )  # fmt: skip
